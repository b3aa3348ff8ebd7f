/** Heads and feet of exam: those of the first page and of all others are told apart (its manual, section 8). */
const HEADS = String.raw`
\def\ex@both#1#2{\@namedef{ex@f@#1}{#2}\@namedef{ex@r@#1}{#2}\@examhead}\def\ex@three#1#2#3#4#5{\@namedef{ex@#1@l#2}{#3}\@namedef{ex@#1@c#2}{#4}\@namedef{ex@#1@r#2}{#5}\@examhead}
\def\@examhead{\pagestyle{headandfoot}}
\def\lhead#1{\ex@both{lh}{#1}}\def\chead#1{\ex@both{ch}{#1}}\def\rhead#1{\ex@both{rh}{#1}}
\def\lfoot#1{\ex@both{lf}{#1}}\def\cfoot#1{\ex@both{cf}{#1}}\def\rfoot#1{\ex@both{rf}{#1}}
\def\firstpageheader{\ex@three fh}\def\runningheader{\ex@three rh}\def\firstpagefooter{\ex@three ff}\def\runningfooter{\ex@three rf}
\def\header#1#2#3{\firstpageheader{#1}{#2}{#3}\runningheader{#1}{#2}{#3}}\def\footer#1#2#3{\firstpagefooter{#1}{#2}{#3}\runningfooter{#1}{#2}{#3}}
\def\ex@rule{\rlap{\raisebox{-4pt}{\rule{\textwidth}{0.4pt}}}}\def\ex@footrule{\rlap{\raisebox{9pt}{\rule{\textwidth}{0.4pt}}}}
\def\ex@fhr{}\def\ex@rhr{}\def\ex@ffr{}\def\ex@rfr{}
\def\firstpageheadrule{\let\ex@fhr\ex@rule\@examhead}\def\runningheadrule{\let\ex@rhr\ex@rule\@examhead}\def\headrule{\firstpageheadrule\runningheadrule}
\def\firstpagefootrule{\let\ex@ffr\ex@footrule\@examhead}\def\runningfootrule{\let\ex@rfr\ex@footrule\@examhead}\def\footrule{\firstpagefootrule\runningfootrule}
\def\ex@line#1#2#3{\rlap{\ex@side\raggedright{#1}}\rlap{\ex@side\centering{#2}}\ex@side\raggedleft{#3}}\def\ex@side#1#2{\parbox[b]{\textwidth}{#1#2}}
\def\ex@head#1{\ex@line{\@nameuse{ex@#1@lh}}{\@nameuse{ex@#1@ch}}{\@nameuse{ex@#1@rh}}}\def\ex@foot#1{\ex@line{\@nameuse{ex@#1@lf}}{\@nameuse{ex@#1@cf}}{\@nameuse{ex@#1@rf}}}
\let\ex@psempty\ps@empty\let\ex@psplain\ps@plain\def\ps@empty{\ex@psempty\def\ex@first{ex@none}}\def\ps@plain{\ex@psplain\def\ex@first{ex@plain}}
\let\ps@ex@none\ex@psempty\let\ps@ex@plain\ex@psplain
\def\ps@head{\ex@psempty\def\ex@first{ex@fhead}\def\@oddhead{\ex@rhr\ex@head r}\let\@evenhead\@oddhead}
\def\ps@foot{\ex@psempty\def\ex@first{ex@ffoot}\def\@oddfoot{\ex@rfr\ex@foot r}\let\@evenfoot\@oddfoot}
\def\ps@headandfoot{\ps@head\def\ex@first{ex@fboth}\def\@oddfoot{\ex@rfr\ex@foot r}\let\@evenfoot\@oddfoot}
\def\ps@ex@fhead{\ex@psempty\def\@oddhead{\ex@fhr\ex@head f}\let\@evenhead\@oddhead}\def\ps@ex@ffoot{\ex@psempty\def\@oddfoot{\ex@ffr\ex@foot f}\let\@evenfoot\@oddfoot}
\def\ps@ex@fboth{\ps@ex@fhead\def\@oddfoot{\ex@ffr\ex@foot f}\let\@evenfoot\@oddfoot}
\header{}{}{}\footer{}{\thepage}{}
\def\coverheader{\ex@three ch}\let\coverfirstpageheader\coverheader\let\coverrunningheader\coverheader
\def\coverfooter{\ex@three cf}\let\coverfirstpagefooter\coverfooter\let\coverrunningfooter\coverfooter
\def\ex@cover#1#2{\expandafter\def\csname cover#1\endcsname##1{\@namedef{ex@c@#2}{##1}}}
\ex@cover{lhead}{lh}\ex@cover{chead}{ch}\ex@cover{rhead}{rh}\ex@cover{lfoot}{lf}\ex@cover{cfoot}{cf}\ex@cover{rfoot}{rf}
\def\ex@chr{}\def\ex@cfr{}\def\coverheadrule{\let\ex@chr\ex@rule}\let\coverfirstpageheadrule\coverheadrule\let\coverrunningheadrule\coverheadrule
\def\coverfootrule{\let\ex@cfr\ex@footrule}\let\coverfirstpagefootrule\coverfootrule\let\coverrunningfootrule\coverfootrule
\coverheader{}{}{}\coverfooter{}{\thepage}{}
\def\ps@ex@cover{\ex@psempty\def\@oddhead{\ex@chr\ex@head c}\let\@evenhead\@oddhead\def\@oddfoot{\ex@cfr\ex@foot c}\let\@evenfoot\@oddfoot}
\newenvironment{coverpages}{\pagenumbering{roman}\pagestyle{ex@cover}\thispagestyle{ex@cover}}
  {\label{ex@lastcover}\clearpage\pagenumbering{arabic}\pagestyle{headandfoot}\expandafter\thispagestyle\expandafter{\ex@first}}
\def\numcoverpages{\number\pageref{ex@lastcover}}
\AtBeginDocument{\expandafter\thispagestyle\expandafter{\ex@first}}
\newcommand\extraheadheight[2][]{\addtolength\headsep{#2}\addtolength\textheight{-#2}}\newcommand\extrafootheight[2][]{\addtolength\textheight{-#2}}
\newcommand\extrawidth[1]{\addtolength\textwidth{#1}\addtolength\oddsidemargin{-\dimexpr#1/2\relax}\addtolength\evensidemargin{-\dimexpr#1/2\relax}\hsize\textwidth\linewidth\textwidth\columnwidth\textwidth}
\def\iflastpage#1#2{\ifnum\value{page}=\pageref{LastPage}#1\else#2\fi}\def\oddeven#1#2{\ifodd\value{page}#1\else#2\fi}\def\numpages{\pageref{LastPage}}
\def\ContinuedQuestion{}\def\IncompleteQuestion{}
`;

/** Points: how they are written, and where (section 4). */
const POINTS = String.raw`
\def\addpoints{}\def\noaddpoints{}\newif\ifex@one\newif\ifex@bonus\newlength\rightpointsmargin\setlength\rightpointsmargin{1cm}
\def\ex@setpoints#1{\def\@thepoints{#1}\def\ex@a{1}\ifx\@thepoints\ex@a\ex@onetrue\else\ex@onefalse\fi}\ex@setpoints{}
\def\ex@words#1#2{\def\ex@point{#1}\def\ex@points{#2}\def\@pointname{\ \ifex@one\ex@point\else\ex@points\fi}}
\def\pointpoints{\ex@words}\def\pointname#1{\def\@pointname{#1}}\def\marksnotpoints{\ex@words{mark}{marks}\hpword{Marks:}\vpword{Marks}}
\def\bonuspointpoints#1#2{\def\@bonusname{\ \ifex@one#1\else#2\fi}}\def\bonuspointname#1{\def\@bonusname{#1}}
\def\marginpointname#1{\def\@marginpointname{#1}}\def\marginbonuspointname#1{\def\@marginbonusname{#1}}
\ex@words{point}{points}\bonuspointpoints{point (bonus)}{points (bonus)}\marginpointname{}\marginbonuspointname{\ (bonus)}
\def\bracketedpoints{\def\@pointsopen{[}\def\@pointsclose{]}}\def\boxedpoints{\def\@pointsopen{\begingroup\setlength\fboxsep{2pt}\fbox\bgroup}\def\@pointsclose{\egroup\endgroup}}
\def\nobracketedpoints{\def\@pointsopen{(}\def\@pointsclose{)}}\let\noboxedpoints\nobracketedpoints\nobracketedpoints
\def\thepoints{\ifx\@thepoints\@empty\else\@thepoints\ifex@bonus\@bonusname\else\@pointname\fi\fi}
\def\ex@form{\@pointsopen\thepoints\@pointsclose}\def\pointformat#1{\def\ex@form{#1}\def\ex@marginform{#1}}
\def\ex@marginform{\@pointsopen\@thepoints\ifex@bonus\@marginbonusname\else\@marginpointname\fi\@pointsclose}
\def\ex@inline{\ex@form\ }\let\ex@beforetext\ex@inline
\def\pointsinmargin{\def\ex@beforetext{\leavevmode\llap{\ex@marginform\hskip\dimexpr\@totalleftmargin+.5em\relax}}}\let\pointsinleftmargin\pointsinmargin
\def\pointsinrightmargin{\def\ex@beforetext{\@inrightmargin{\ex@marginform}}}
\def\nopointsinmargin{\let\ex@beforetext\ex@inline}\let\nopointsinrightmargin\nopointsinmargin\let\nopointsinleftmargin\nopointsinmargin\let\nopointsdroppedatright\nopointsinmargin
\def\pointsdroppedatright{\let\ex@beforetext\@empty}
\def\droppoints{\unskip\nobreak\hfill\null\ifx\@thepoints\@empty\else\@inrightmargin*{\ex@marginform}\fi\par}
\def\totalformat#1{\def\ex@totalform{#1}}\totalformat{Total for Question \thequestion: \totalpoints}
\def\bonustotalformat#1{\def\ex@bonustotalform{#1}}\bonustotalformat{Total Bonus Points for Question \thequestion: \totalbonuspoints}
\def\droptotalpoints{\unskip\nobreak\hfill\null\@inrightmargin*{\mbox{\ex@totalform}}\par}\def\droptotalbonuspoints{\unskip\nobreak\hfill\null\@inrightmargin*{\mbox{\ex@bonustotalform}}\par}
\def\half{\ensuremath{\frac{1}{2}}}
`;

/** Questions with a line of their own, and titles (section 3). */
const QUESTIONS = String.raw`
\def\ex@qformat{}\def\qformat#1{\def\ex@qformat{#1}\def\questionlabel{}}\def\noqformat{\def\ex@qformat{}\def\questionlabel{\thequestion.}}\def\thequestiontitle{}
\def\ex@heading{\let\thequestiontitle\ex@waiting\def\ex@waiting{}\ifx\ex@qformat\@empty\else\hspace*{-\leftmargin}\hbox to\dimexpr\linewidth+\leftmargin\relax{\ex@qformat}\par\nobreak\noindent\fi}
\def\ex@waiting{}\def\titledquestion#1{\def\ex@waiting{#1}\@ifnextchar[{\@titledquestion}{\question\ex@title}}
\def\@titledquestion[#1]{\question[#1] \ex@title}\def\bonustitledquestion#1{\def\ex@waiting{#1}\@ifnextchar[{\ex@bonustitled}{\bonusquestion\ex@title}}\def\ex@bonustitled[#1]{\bonusquestion[#1] \ex@title}\def\ex@title{\ifx\ex@qformat\@empty\textbf{\thequestiontitle}\quad\fi}
`;

/** Solutions, choices, blanks to fill (sections 6 and 7). */
const ANSWERS = String.raw`
\newif\if@printanswers\newif\ifprintanswers\newif\if@solframe\@solframetrue\newif\ifcancelspace
\def\printanswers{\@printanswerstrue\printanswerstrue}\def\noprintanswers{\@printanswersfalse\printanswersfalse}
\newif\if@solshade\def\shadedsolutions{\@solshadetrue}\def\framedsolutions{\@solframetrue\@solshadefalse}\def\unframedsolutions{\@solframefalse\@solshadefalse}
\def\SolutionEmphasis#1{\def\ex@solution{#1}}\def\ex@solution{}\def\CorrectChoiceEmphasis#1{\def\@correctchoice{#1}}\def\@correctchoice{\bfseries}
\def\checkboxchar#1{\def\@checkboxchar{#1}}\def\@checkboxchar{$\bigcirc$}\def\checkedchar#1{\def\@checkedchar{#1}}\def\@checkedchar{$\surd$}
\def\solutiontitle{\textbf{Solution:}\enspace}
\newenvironment{choices}{\begin{list}{\choicelabel}{\usecounter{choice}}\def\choice{\mdseries\item}\def\CorrectChoice{\mdseries\if@printanswers\item\@correctchoice\else\item\fi}\let\correctchoice\CorrectChoice}{\end{list}}
\newenvironment{oneparchoices}{\setcounter{choice}{0}\def\choice{\mdseries\stepcounter{choice}\quad\choicelabel~}\def\CorrectChoice{\if@printanswers\stepcounter{choice}\quad\@correctchoice\choicelabel~\else\expandafter\choice\fi}\let\correctchoice\CorrectChoice}{}
\newenvironment{checkboxes}{\begin{list}{\@checkboxchar}{}\def\choice{\mdseries\item}\def\CorrectChoice{\mdseries\if@printanswers\item[\@checkedchar]\@correctchoice\else\item\fi}\let\correctchoice\CorrectChoice}{\end{list}}
\newenvironment{oneparcheckboxes}{\def\choice{\mdseries\quad\@checkboxchar~}\def\CorrectChoice{\if@printanswers\quad\@correctchoice\@checkedchar~\else\expandafter\choice\fi}\let\correctchoice\CorrectChoice}{}
\newlength\answerlinelength\setlength\answerlinelength{1in}\newlength\answerskip\setlength\answerskip{2ex}\newlength\answerclearance\setlength\answerclearance{0.2ex}\newlength\fillinlinelength\setlength\fillinlinelength{1in}\newlength\gridsize\setlength\gridsize{5mm}\newlength\gridlinewidth\setlength\gridlinewidth{.1pt}
\newlength\linefillheight\setlength\linefillheight{.25in}\newlength\linefillthickness\setlength\linefillthickness{.1pt}\newlength\dottedlinefillheight\setlength\dottedlinefillheight{.25in}
\let\ex@linetint\@empty\let\ex@dottint\@empty\let\ex@gridtint\@empty
\def\ex@tint#1{\expandafter\ifx\csname\string\color\endcsname\relax\else\@ifundefined{color}{}{\color{#1}}\fi}
\def\colorfillwithlines{\def\ex@linetint{\ex@tint{FillWithLinesColor}}}\def\nocolorfillwithlines{\let\ex@linetint\@empty}
\def\colorfillwithdottedlines{\def\ex@dottint{\ex@tint{FillWithDottedLinesColor}}}\def\nocolorfillwithdottedlines{\let\ex@dottint\@empty}
\def\colorgrids{\def\ex@gridtint{\ex@tint{GridColor}}}\def\nocolorgrids{\let\ex@gridtint\@empty}
\def\ex@fill#1#2{\par\hrule height\z@ width\z@\nobreak\cleaders\hbox to\linewidth{#1}\vskip#2\relax\hbox{}}
\def\fillwithlines#1{{\ex@linetint\ex@fill{\vrule height\linefillheight width\z@\leaders\hrule height\linefillthickness\hfil}{#1}}}
\def\fillwithgrid#1{{\ex@gridtint\@tempcnta\linewidth\divide\@tempcnta\gridsize\@tempdima\@tempcnta\gridsize
  \ex@fill{\rlap{\leaders\hbox to\gridsize{\vrule width\gridlinewidth height\gridsize depth\z@\hfil}\hskip\@tempdima\vrule width\gridlinewidth height\gridsize depth\z@}\rlap{\vrule width\@tempdima height\gridsize depth-\dimexpr\gridsize-\gridlinewidth\relax}\vrule width\@tempdima height\gridlinewidth depth\z@\hfil}{#1}}}
\def\answerline{\@ifnextchar[{\@answerline}{\@answerline[]}}
\def\ex@answerlabel{\ifnum\value{subpart}>0 \subpartlabel\else\ifnum\value{partno}>0 \partlabel\else\thequestion.\fi\fi}
\def\@answerline[#1]{\par\nobreak\vskip\answerskip\hfill\ex@answerlabel~\if@printanswers\underline{\hbox to\answerlinelength{\hfil#1\hfil}}\else\rule{\answerlinelength}{0.4pt}\fi\par}
\def\fillin{\@ifnextchar[{\@fillin}{\@fillin[]}}\def\@fillin[#1]{\@ifnextchar[{\@@fillin{#1}}{\@@fillin{#1}[\fillinlinelength]}}
\def\@@fillin#1[#2]{\if@printanswers\underline{\hbox to #2{\hfil#1\hfil}}\else\rule{#2}{0.4pt}\fi}
\def\fillwithdottedlines#1{{\ex@dottint\ex@fill{\vrule height\dottedlinefillheight width\z@\dotfill}{#1}}}
\newenvironment{EnvUplevel}{\ex@outdented\leftmargin}{\endlist}\newenvironment{EnvFullwidth}{\ex@outdented\@totalleftmargin}{\endlist}
\newdimen\ex@out\def\ex@outdented#1{\ex@out-#1\list{}{\topsep\z@\partopsep\z@\leftmargin\ex@out\rightmargin\z@\labelwidth\z@\labelsep\z@\itemindent\z@\listparindent\parindent}\item\relax}
\long\def\uplevel#1{\begin{EnvUplevel}#1\end{EnvUplevel}}\long\def\fullwidth#1{\begin{EnvFullwidth}#1\end{EnvFullwidth}}
\def\ex@word#1{\@namedef{#1word}##1{\@namedef{ex@#1}{##1}}}
\ex@word{hq}\ex@word{hpg}\ex@word{hp}\ex@word{hs}\ex@word{ht}\ex@word{vq}\ex@word{vpg}\ex@word{vp}\ex@word{vs}\ex@word{vt}\ex@word{bhq}\ex@word{bhpg}\ex@word{bhp}\ex@word{bhs}\ex@word{bht}\ex@word{bvq}\ex@word{bvpg}\ex@word{bvp}\ex@word{bvs}\ex@word{bvt}\ex@word{chq}\ex@word{chpg}\ex@word{chp}\ex@word{chbp}\ex@word{chs}\ex@word{cht}\ex@word{cvq}\ex@word{cvpg}\ex@word{cvp}\ex@word{cvbp}\ex@word{cvs}\ex@word{cvt}
\hqword{Question:}\hpgword{Page:}\hpword{Points:}\hsword{Score:}\htword{Total}\vqword{Question}\vpgword{Page}\vpword{Points}\vsword{Score}\vtword{Total:}
\bhqword{Question:}\bhpgword{Page:}\bhpword{Bonus Points:}\bhsword{Score:}\bhtword{Total}\bvqword{Question}\bvpgword{Page}\bvpword{Bonus Points}\bvsword{Score}\bvtword{Total:}
\chqword{Question:}\chpgword{Page:}\chpword{Points:}\chbpword{Bonus Points:}\chsword{Score:}\chtword{Total}\cvqword{Question}\cvpgword{Page}\cvpword{Points}\cvbpword{Bonus Points}\cvsword{Score}\cvtword{Total:}
\def\cellwidth#1{\def\ex@cellwidth{#1}}\cellwidth{2em}\def\gradetablestretch#1{\def\ex@stretch{#1}}\gradetablestretch{1.5}
\def\ex@stretched{\let\arraystretch\ex@stretch}\def\ex@cell#1{\hbox to\ex@cellwidth{\hss#1\hss}}
`;

const COUNTERS = String.raw`
\newcounter{question}\newcounter{partno}[question]\newcounter{subpart}[partno]\newcounter{subsubpart}[subpart]\newcounter{choice}
\def\thequestion{\arabic{question}}\def\thepartno{\alph{partno}}
\def\thesubpart{\roman{subpart}}\def\thesubsubpart{\greek{subsubpart}}\def\thechoice{\Alph{choice}}
\def\questionlabel{\thequestion.}\def\partlabel{(\thepartno)}\def\subpartlabel{\thesubpart.}
\def\subsubpartlabel{\thesubsubpart)}\def\choicelabel{\thechoice.}\def\questionshook{}\def\partshook{}\def\subpartshook{}\def\choiceshook{}
\def\greek#1{\ensuremath{\ifcase\value{#1}\or\alpha\or\beta\or\gamma\or\delta\or\epsilon\or\zeta\fi}}
`;

/** What class exam brings in the language itself. */
export const EXAM_SOURCE = COUNTERS + POINTS + QUESTIONS + ANSWERS + HEADS;
