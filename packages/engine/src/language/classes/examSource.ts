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
\def\ex@line#1#2#3{\rlap{#1}\hfil{#2}\hfil\llap{#3}}
\def\ex@head#1{\ex@line{\@nameuse{ex@#1@lh}}{\@nameuse{ex@#1@ch}}{\@nameuse{ex@#1@rh}}}\def\ex@foot#1{\ex@line{\@nameuse{ex@#1@lf}}{\@nameuse{ex@#1@cf}}{\@nameuse{ex@#1@rf}}}
\let\ex@psempty\ps@empty\let\ex@psplain\ps@plain\def\ps@empty{\ex@psempty\def\ex@first{ex@none}}\def\ps@plain{\ex@psplain\def\ex@first{ex@plain}}
\let\ps@ex@none\ex@psempty\let\ps@ex@plain\ex@psplain
\def\ps@head{\ex@psempty\def\ex@first{ex@fhead}\def\@oddhead{\ex@rhr\ex@head r}\let\@evenhead\@oddhead}
\def\ps@foot{\ex@psempty\def\ex@first{ex@ffoot}\def\@oddfoot{\ex@rfr\ex@foot r}\let\@evenfoot\@oddfoot}
\def\ps@headandfoot{\ps@head\def\ex@first{ex@fboth}\def\@oddfoot{\ex@rfr\ex@foot r}\let\@evenfoot\@oddfoot}
\def\ps@ex@fhead{\ex@psempty\def\@oddhead{\ex@fhr\ex@head f}\let\@evenhead\@oddhead}\def\ps@ex@ffoot{\ex@psempty\def\@oddfoot{\ex@ffr\ex@foot f}\let\@evenfoot\@oddfoot}
\def\ps@ex@fboth{\ps@ex@fhead\def\@oddfoot{\ex@ffr\ex@foot f}\let\@evenfoot\@oddfoot}
\header{}{}{}\footer{}{\thepage}{}
\AtBeginDocument{\expandafter\thispagestyle\expandafter{\ex@first}}
\newcommand\extraheadheight[2][]{\addtolength\headsep{#2}\addtolength\textheight{-#2}}\newcommand\extrafootheight[2][]{\addtolength\textheight{-#2}}
\newcommand\extrawidth[1]{\addtolength\textwidth{#1}\addtolength\oddsidemargin{-\dimexpr#1/2\relax}\addtolength\evensidemargin{-\dimexpr#1/2\relax}\hsize\textwidth\linewidth\textwidth\columnwidth\textwidth}
\def\iflastpage#1#2{#2}\def\oddeven#1#2{#1}\def\ifcontinuation#1#2{#2}\def\ifincomplete#1#2{#2}\def\numpages{\pageref{LastPage}}
`;

/** Points: how they are written, and where (section 4). */
const POINTS = String.raw`
\def\addpoints{}\def\noaddpoints{}
\def\marginpointname#1{\def\@marginpointname{#1}}\def\@marginpointname{}
\def\@pointsalone#1{\def\@thepoints{#1}\@pointsopen#1\@marginpointname\@pointsclose}
\def\pointsinmargin{\def\@pointsbefore##1{\leavevmode\llap{\@pointsalone{##1}\hskip\dimexpr\@totalleftmargin+.5em\relax}}}\let\pointsinleftmargin\pointsinmargin
\def\pointsinrightmargin{\def\@pointsbefore##1{\@inrightmargin{\@pointsalone{##1}}}}
\def\nopointsinmargin{\let\@pointsbefore\@pointsinline}\let\nopointsinrightmargin\nopointsinmargin
\def\bracketedpoints{\def\@pointsopen{[}\def\@pointsclose{]}}\def\boxedpoints{\def\@pointsopen{\begingroup\setlength\fboxsep{2pt}\fbox\bgroup}\def\@pointsclose{\egroup\endgroup}}
\def\@pointsopen{(}\def\@pointsclose{)}
\def\pointname#1{\def\@pointname{#1}}\def\@pointname{\ifnum\@thepoints=1 \ point\else\ points\fi}
\def\marksnotpoints{\def\@pointname{\ifnum\@thepoints=1 \ mark\else\ marks\fi}}
\def\pointpoints#1#2{\def\@pointname{\ifnum\@thepoints=1 \ #1\else\ #2\fi}}
\def\pointformat#1{\def\@pointsinline##1{\def\@thepoints{##1}#1\ }\let\@pointsbefore\@pointsinline}\def\thepoints{\@thepoints\@pointname}
\def\@pointsinline#1{\def\@thepoints{#1}\@pointsopen#1\@pointname\@pointsclose\ }\let\@pointsbefore\@pointsinline\def\@thepoints{0}
\def\pointsdroppedatright{\def\@pointsbefore##1{\def\@thepoints{##1}}}
\def\droppoints{\unskip\nobreak\hfill\mbox{\@pointsopen\@thepoints\@pointname\@pointsclose}\par}
\def\droptotalpoints{\unskip\nobreak\hfill\mbox{[\totalpoints]}\par}
\def\bonuspointname#1{\def\@bonusname{#1}}\def\bonuspointpoints#1#2{\def\@bonusname{\ifnum\@thepoints=1 \ #1\else\ #2\fi}}\def\@bonusname{\ifnum\@thepoints=1 \ point (bonus)\else\ points (bonus)\fi}
\def\@bonus#1{\@ifnextchar[{\@@bonus#1}{#1}}\def\@@bonus#1[#2]{\let\ex@pointname\@pointname\let\@pointname\@bonusname\def\ex@bonuspoints{#2}#1\ifx\ex@qformat\@empty\@pointsbefore{#2}\else\ifx#1\question\else\@pointsbefore{#2}\fi\fi\let\@pointname\ex@pointname\def\ex@bonuspoints{0}\ignorespaces}\def\ex@bonuspoints{0}
\def\bonusquestion{\@bonus\question}\def\bonuspart{\@bonus\part}\def\bonussubpart{\@bonus\subpart}
\def\half{$\frac12$}
`;

/** Questions with a line of their own, and titles (section 3). */
const QUESTIONS = String.raw`
\def\ex@qformat{}\def\qformat#1{\def\ex@qformat{#1}\def\questionlabel{}}\def\thequestiontitle{}
\def\ex@heading{\let\thequestiontitle\ex@waiting\def\ex@waiting{}\ifx\ex@qformat\@empty\else\hspace*{-\leftmargin}\hbox to\dimexpr\linewidth+\leftmargin\relax{\ex@qformat}\par\nobreak\noindent\fi}
\def\ex@waiting{}\def\titledquestion#1{\def\ex@waiting{#1}\@ifnextchar[{\@titledquestion}{\question\ex@title}}
\def\@titledquestion[#1]{\question[#1] \ex@title}\def\ex@title{\ifx\ex@qformat\@empty\textbf{\thequestiontitle}\quad\fi}
`;

/** Solutions, choices, blanks to fill (sections 6 and 7). */
const ANSWERS = String.raw`
\newif\if@printanswers\newif\if@solframe\@solframetrue
\def\printanswers{\@printanswerstrue}\def\noprintanswers{\@printanswersfalse}\def\ifprintanswers{\if@printanswers}
\newif\if@solshade\def\shadedsolutions{\@solshadetrue}\def\framedsolutions{\@solframetrue\@solshadefalse}\def\unframedsolutions{\@solframefalse\@solshadefalse}
\def\SolutionEmphasis#1{\def\ex@solution{#1}}\def\ex@solution{}\def\CorrectChoiceEmphasis#1{\def\@correctchoice{#1}}\def\@correctchoice{\bfseries}
\def\checkboxchar#1{\def\@checkboxchar{#1}}\def\@checkboxchar{$\bigcirc$}\def\checkedchar#1{\def\@checkedchar{#1}}\def\@checkedchar{$\surd$}
\def\solutiontitle{\textbf{Solution:}\enspace}
\newenvironment{choices}{\begin{list}{\choicelabel}{\usecounter{choice}}\def\choice{\mdseries\item}\def\CorrectChoice{\mdseries\if@printanswers\item\@correctchoice\else\item\fi}\let\correctchoice\CorrectChoice}{\end{list}}
\newenvironment{oneparchoices}{\setcounter{choice}{0}\def\choice{\mdseries\stepcounter{choice}\quad\choicelabel~}\def\CorrectChoice{\if@printanswers\stepcounter{choice}\quad\@correctchoice\choicelabel~\else\expandafter\choice\fi}\let\correctchoice\CorrectChoice}{}
\newenvironment{checkboxes}{\begin{list}{\@checkboxchar}{}\def\choice{\mdseries\item}\def\CorrectChoice{\mdseries\if@printanswers\item[\@checkedchar]\@correctchoice\else\item\fi}\let\correctchoice\CorrectChoice}{\end{list}}
\newenvironment{oneparcheckboxes}{\def\choice{\mdseries\quad\@checkboxchar~}\def\CorrectChoice{\if@printanswers\quad\@correctchoice\@checkedchar~\else\expandafter\choice\fi}\let\correctchoice\CorrectChoice}{}
\newlength\answerlinelength\setlength\answerlinelength{1in}\newlength\answerskip\setlength\answerskip{2ex}\newlength\answerclearance\setlength\answerclearance{0.2ex}\newlength\fillinlinelength\setlength\fillinlinelength{1in}\newlength\gridsize\newlength\linefillheight\newlength\dottedlinefillheight\setlength\dottedlinefillheight{.25in}
\def\answerline{\@ifnextchar[{\@answerline}{\@answerline[]}}
\def\ex@answerlabel{\ifnum\value{subpart}>0 \subpartlabel\else\ifnum\value{partno}>0 \partlabel\else\thequestion.\fi\fi}
\def\@answerline[#1]{\par\nobreak\vskip\answerskip\hfill\ex@answerlabel~\if@printanswers\underline{\hbox to\answerlinelength{\hfil#1\hfil}}\else\rule{\answerlinelength}{0.4pt}\fi\par}
\def\fillin{\@ifnextchar[{\@fillin}{\@fillin[]}}\def\@fillin[#1]{\@ifnextchar[{\@@fillin{#1}}{\@@fillin{#1}[\fillinlinelength]}}
\def\@@fillin#1[#2]{\if@printanswers\underline{\hbox to #2{\hfil#1\hfil}}\else\rule{#2}{0.4pt}\fi}
\def\makeemptybox#1{\par\noindent\framebox[\linewidth]{\rule{0pt}{#1}}\par}
\def\fillwithdottedlines#1{\par\@tempcnta=\numexpr\dimexpr#1\relax/\dottedlinefillheight\relax\loop\ifnum\@tempcnta>0 \vskip\dimexpr\dottedlinefillheight-\baselineskip\relax\hbox to\linewidth{\strut\dotfill}\advance\@tempcnta-1 \repeat}
\def\uplevel#1{\par\noindent\hspace*{-\leftmargin}\parbox[t]{\dimexpr\linewidth+\leftmargin\relax}{#1}\par}\def\fullwidth#1{\par\noindent\hspace*{-\@totalleftmargin}\parbox[t]{\textwidth}{#1}\par}
\newenvironment{EnvUplevel}{\par}{\par}\newenvironment{EnvFullwidth}{\par}{\par}
\def\hqword#1{\def\ex@hq{#1}}\def\hpword#1{\def\ex@hp{#1}}\def\hsword#1{\def\ex@hs{#1}}\def\htword#1{\def\ex@ht{#1}}\def\vqword#1{\def\ex@vq{#1}}\def\vpword#1{\def\ex@vp{#1}}\def\vsword#1{\def\ex@vs{#1}}\def\vtword#1{\def\ex@vt{#1}}\def\cellwidth#1{}
\hqword{Question:}\hpword{Points:}\hsword{Score:}\htword{Total}\vqword{Question}\vpword{Points}\vsword{Score}\vtword{Total:}
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
