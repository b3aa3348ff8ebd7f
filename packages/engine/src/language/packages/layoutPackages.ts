import type { PackageEntry } from '../machine/entries';
import { sourceCommand, sourceEnvironment, sourcePackage } from '../machine/macroEntry';

type Described = NonNullable<PackageEntry['described']>;

const sideways = (name: string, what: string): Described[number] =>
  sourceEnvironment(
    name,
    'o',
    `${what} on its side, on a page of its own.`,
    `\\begin{${name}}\nTides\n\\end{${name}}`,
  );

/** rotating: figures and tables on their side, and text turned. */
export const rotating = sourcePackage(
  'rotating',
  'Figures and tables on their side.',
  [
    sideways('sidewaysfigure', 'A figure'),
    sideways('sidewaystable', 'A table'),
    sourceEnvironment(
      'sideways',
      '',
      'Turned by a right angle.',
      '\\begin{sideways}Tide\\end{sideways}',
    ),
    sourceEnvironment(
      'turn',
      'm',
      'Turned by so many degrees.',
      '\\begin{turn}{30}Tide\\end{turn}',
    ),
    sourceEnvironment(
      'rotate',
      'm',
      'Turned by so many degrees, taking no room.',
      '\\begin{rotate}{30}Tide\\end{rotate}',
    ),
  ],
  String.raw`
\newsavebox\rot@box
\newenvironment{sideways}{\begin{lrbox}{\rot@box}}{\end{lrbox}\rotatebox{90}{\usebox\rot@box}}
\newenvironment{turn}[1]{\def\rot@angle{#1}\begin{lrbox}{\rot@box}}{\end{lrbox}\rotatebox{\rot@angle}{\usebox\rot@box}}
\newenvironment{rotate}[1]{\def\rot@angle{#1}\begin{lrbox}{\rot@box}}{\end{lrbox}\rlap{\smash{\rotatebox[origin=c]{\rot@angle}{\usebox\rot@box}}}}
\def\rot@begin#1{\begin{#1}[p]\begin{lrbox}{\rot@box}\begin{minipage}{\textheight}\def\@captype{#1}\centering\ignorespaces}
\def\rot@end#1{\par\end{minipage}\end{lrbox}\centering\rotatebox{90}{\usebox\rot@box}\end{#1}}
\newenvironment{sidewaysfigure}[1][]{\rot@begin{figure}}{\rot@end{figure}}
\newenvironment{sidewaystable}[1][]{\rot@begin{table}}{\rot@end{table}}
\newenvironment{sidewaysfigure*}[1][]{\rot@begin{figure}}{\rot@end{figure}}
\newenvironment{sidewaystable*}[1][]{\rot@begin{table}}{\rot@end{table}}
`,
  ['graphicx'],
);

/** lettrine: a paragraph that begins with a large letter. */
export const lettrine = sourcePackage(
  'lettrine',
  'Paragraphs that begin with a large letter.',
  [
    sourceCommand(
      'lettrine',
      'omm',
      'A letter over two lines, and what follows it in small capitals.',
      '\\lettrine{T}{he tide} comes in slowly and goes out again.',
    ),
    sourceCommand(
      'LettrineFontHook',
      '',
      'The font of the letter; to be redefined.',
      '\\renewcommand\\LettrineFontHook{\\sffamily}',
    ),
    sourceCommand(
      'LettrineTextFont',
      '',
      'The font of the words behind it; to be redefined.',
      '\\renewcommand\\LettrineTextFont{\\itshape}',
    ),
  ],
  String.raw`
\newcommand\LettrineFontHook{}\newcommand\LettrineTextFont{\scshape}
\newcounter{DefaultLines}\setcounter{DefaultLines}{2}
\def\let@lines{2}
\def\let@key#1,#2\let@stop{\let@one#1==\let@stop\def\let@a{#2}\ifx\let@a\@empty\let\let@go\@empty\else\def\let@go{\let@key#2\let@stop}\fi\let@go}
\def\let@one#1=#2=#3\let@stop{\def\let@a{#1}\def\let@b{lines}\ifx\let@a\let@b\def\let@lines{#2}\fi}
\newcommand{\lettrine}[3][]{\par\edef\let@lines{\theDefaultLines}\let@key#1,\let@stop
 \@tempdimb\dimexpr\let@lines\baselineskip-\baselineskip+1.5ex\relax
 \setbox\z@\hbox{\LettrineFontHook\fontsize{\dimexpr\let@lines\baselineskip\relax}{\dimexpr\let@lines\baselineskip\relax}\selectfont\resizebox{!}{\@tempdimb}{#2}}%
 \@tempdima\wd\z@\advance\@tempdima.1em
 \hangindent\@tempdima\hangafter-\let@lines\noindent\hskip-\@tempdima
 \setbox\@tempboxa\hbox to\@tempdima{\lower\dimexpr\let@lines\baselineskip-\baselineskip\relax\box\z@\hss}\ht\@tempboxa\z@\dp\@tempboxa\z@\box\@tempboxa{\LettrineTextFont #3}}
`,
  ['graphicx'],
);

/** epigraph: a saying at the head of a chapter. */
export const epigraph = sourcePackage(
  'epigraph',
  'Sayings at the head of a part.',
  [
    sourceCommand(
      'epigraph',
      'mm',
      'A saying, and whose it is.',
      '\\epigraph{All tides turn.}{A ferryman}',
    ),
    sourceEnvironment(
      'epigraphs',
      '',
      'Several sayings below one another.',
      '\\begin{epigraphs}\\qitem{All tides turn.}{A ferryman}\\end{epigraphs}',
    ),
    sourceCommand(
      'qitem',
      'mm',
      'A saying among several.',
      '\\begin{epigraphs}\\qitem{Tide}{Wick}\\end{epigraphs}',
    ),
    sourceCommand(
      'epigraphflush',
      '',
      'On which side sayings stand; to be redefined.',
      '\\renewcommand\\epigraphflush{center}',
    ),
    sourceCommand(
      'epigraphsize',
      '',
      'How large sayings are; to be redefined.',
      '\\renewcommand\\epigraphsize{\\footnotesize}',
    ),
  ],
  String.raw`
\newlength\epigraphwidth\setlength\epigraphwidth{.4\textwidth}
\newlength\epigraphrule\setlength\epigraphrule{.4pt}
\newlength\beforeepigraphskip\setlength\beforeepigraphskip{.5\baselineskip}
\newlength\afterepigraphskip\setlength\afterepigraphskip{.5\baselineskip}
\newcommand\epigraphsize{\small}\newcommand\epigraphflush{flushright}
\newcommand\textflush{flushleft}\newcommand\sourceflush{flushright}
\newcommand\qitem[2]{{\raggedright#1\par}\ifdim\epigraphrule>\z@\vskip3pt\hrule height\epigraphrule\vskip3pt\fi{\raggedleft#2\par}}
\newcommand\epi@box[1]{\begin{minipage}{\epigraphwidth}\epigraphsize#1\end{minipage}}
\newcommand\epigraph[2]{\vspace{\beforeepigraphskip}\begin{\epigraphflush}\epi@box{\qitem{#1}{#2}}\end{\epigraphflush}\vspace{\afterepigraphskip}}
\newenvironment{epigraphs}{\vspace{\beforeepigraphskip}\begin{\epigraphflush}\begin{minipage}{\epigraphwidth}\epigraphsize}{\end{minipage}\end{\epigraphflush}\vspace{\afterepigraphskip}}
`,
);

/** sidecap: captions beside what they are of. */
export const sidecap = sourcePackage(
  'sidecap',
  'Captions beside figures and tables.',
  [
    sourceEnvironment(
      'SCfigure',
      'oo',
      'A figure with its caption beside it.',
      '\\begin{SCfigure}\nTides\n\\caption{The tides.}\n\\end{SCfigure}',
    ),
    sourceEnvironment(
      'SCtable',
      'oo',
      'A table with its caption beside it.',
      '\\begin{SCtable}\nTides\n\\caption{The tides.}\n\\end{SCtable}',
    ),
  ],
  String.raw`
\NewDocumentEnvironment{SCfigure}{O{} O{htbp}}{\begin{figure}[#2]\sc@begin}{\sc@end\end{figure}}
\NewDocumentEnvironment{SCtable}{O{} O{htbp}}{\begin{table}[#2]\sc@begin}{\sc@end\end{table}}
\let\sc@caption\caption
\newcommand\sc@take[2][]{\gdef\sc@text{\sc@caption{#2}\sc@mark}}
\def\sc@label#1{\gdef\sc@mark{\label{#1}}}
\newsavebox\sc@box
\def\sc@begin{\let\sc@own\label\gdef\sc@text{}\gdef\sc@mark{}\let\caption\sc@take\let\label\sc@label\begin{lrbox}{\sc@box}}
\def\sc@end{\end{lrbox}\let\caption\sc@caption\let\label\sc@own\noindent\usebox\sc@box\hfill\@tempdima\linewidth\advance\@tempdima-\wd\sc@box\advance\@tempdima-1em\ifdim\@tempdima<2cm\@tempdima2cm\fi\begin{minipage}[b]{\@tempdima}\sc@text\end{minipage}}
`,
);

/** sectsty: fonts of headings. */
export const sectsty = sourcePackage(
  'sectsty',
  'Fonts of headings.',
  [
    sourceCommand('sectionfont', 'm', 'The font of sections.', '\\sectionfont{\\sffamily}'),
    sourceCommand(
      'subsectionfont',
      'm',
      'The font of subsections.',
      '\\subsectionfont{\\sffamily}',
    ),
    sourceCommand(
      'subsubsectionfont',
      'm',
      'The font of subsubsections.',
      '\\subsubsectionfont{\\sffamily}',
    ),
    sourceCommand(
      'paragraphfont',
      'm',
      'The font of headings in the line.',
      '\\paragraphfont{\\sffamily}',
    ),
    sourceCommand('chapterfont', 'm', 'The font of chapters.', '\\chapterfont{\\sffamily}'),
    sourceCommand('partfont', 'm', 'The font of parts.', '\\partfont{\\sffamily}'),
    sourceCommand(
      'allsectionsfont',
      'm',
      'The font of all headings.',
      '\\allsectionsfont{\\sffamily}',
    ),
    sourceCommand(
      'sectionrule',
      'mmmmm',
      'A rule at a heading; it is not drawn here.',
      '\\sectionrule{0pt}{0pt}{0pt}{0pt}{0pt}',
    ),
  ],
  String.raw`
\newcommand\sectionfont[1]{\renewcommand\section{\@startsection{section}{1}{\z@}{-3.5ex \@plus -1ex \@minus -.2ex}{2.3ex \@plus.2ex}{\normalfont\Large\bfseries#1}}}
\newcommand\subsectionfont[1]{\renewcommand\subsection{\@startsection{subsection}{2}{\z@}{-3.25ex\@plus -1ex \@minus -.2ex}{1.5ex \@plus .2ex}{\normalfont\large\bfseries#1}}}
\newcommand\subsubsectionfont[1]{\renewcommand\subsubsection{\@startsection{subsubsection}{3}{\z@}{-3.25ex\@plus -1ex \@minus -.2ex}{1.5ex \@plus .2ex}{\normalfont\normalsize\bfseries#1}}}
\newcommand\paragraphfont[1]{\renewcommand\paragraph{\@startsection{paragraph}{4}{\z@}{3.25ex \@plus1ex \@minus.2ex}{-1em}{\normalfont\normalsize\bfseries#1}}}
\newcommand\subparagraphfont[1]{}\newcommand\chapterfont[1]{}\newcommand\partfont[1]{}\newcommand\sectionrule[5]{}
\newcommand\allsectionsfont[1]{\sectionfont{#1}\subsectionfont{#1}\subsubsectionfont{#1}\paragraphfont{#1}}
\newcommand\nohang{}\newcommand\ulemheading[2]{}
`,
);

/** abstract: how the abstract is set. */
export const abstractPackage = sourcePackage(
  'abstract',
  'How the abstract is set.',
  [
    sourceCommand(
      'abstractnamefont',
      '',
      'The font of its heading; to be redefined.',
      '\\renewcommand\\abstractnamefont{\\sffamily}',
    ),
    sourceCommand(
      'abstracttextfont',
      '',
      'The font of its text; to be redefined.',
      '\\renewcommand\\abstracttextfont{\\sffamily}',
    ),
    sourceEnvironment(
      'onecolabstract',
      '',
      'An abstract over both columns.',
      '\\begin{onecolabstract}\nTides.\n\\end{onecolabstract}',
    ),
  ],
  String.raw`
\newcommand\abstractnamefont{\normalfont\small\bfseries}\newcommand\abstracttextfont{\normalfont\small}
\newlength\absleftindent\newlength\absrightindent\newlength\absparindent\newlength\absparsep
\newcommand\absnamepos{center}
\newcommand\setabstractrunin{}\newcommand\abslabeldelim[1]{}
\newenvironment{onecolabstract}{\begin{abstract}}{\end{abstract}}
`,
);

/** endnotes: notes at the end. */
export const endnotes = sourcePackage(
  'endnotes',
  'Notes at the end of the text.',
  [
    sourceCommand(
      'endnote',
      'om',
      'A note that is printed with \\theendnotes.',
      'Tides\\endnote{See Wick.} \\theendnotes',
    ),
    sourceCommand(
      'theendnotes',
      '',
      'Prints the notes.',
      'Tides\\endnote{See Wick.} \\theendnotes',
    ),
    sourceCommand(
      'notesname',
      '',
      'The heading of the notes; to be redefined.',
      '\\renewcommand\\notesname{Remarks}',
    ),
  ],
  String.raw`
\newcounter{endnote}\newcommand\notesname{Notes}\gdef\en@all{}
\newcommand\enotesize{\footnotesize}\newcommand\enoteheading{\section*{\notesname}}
\newcommand\endnote[2][]{\stepcounter{endnote}\textsuperscript{\theendnote}\edef\en@n{\theendnote}\expandafter\en@add\expandafter{\en@n}{#2}}
\newcommand\en@add[2]{\g@addto@macro\en@all{\en@one{#1}{#2}}}
\newcommand\en@one[2]{\par\noindent\hskip1.8em\llap{\textsuperscript{#1}}#2\par}
\newcommand\theendnotes{\enoteheading{\enotesize\en@all}\gdef\en@all{}}
\newcommand\endnotemark[1][]{\stepcounter{endnote}\textsuperscript{\theendnote}}
\newcommand\endnotetext[2][]{\edef\en@n{\theendnote}\expandafter\en@add\expandafter{\en@n}{#2}}
`,
);

/** afterpage: to be done when the page is full. Here it is done at once. */
export const afterpage = sourcePackage(
  'afterpage',
  'To be done when the page is full; here it is done where it stands.',
  [sourceCommand('afterpage', 'm', 'Done when the page is full.', 'x\\afterpage{}')],
  String.raw`\newcommand\afterpage[1]{#1}`,
);

/** paracol: texts beside one another. */
export const paracol = sourcePackage(
  'paracol',
  'Texts in columns beside one another.',
  [
    sourceEnvironment(
      'paracol',
      'm',
      'So many columns; \\switchcolumn goes on in the next.',
      '\\begin{paracol}{2}\nEbb\n\\switchcolumn\nFlood\n\\end{paracol}',
    ),
    sourceCommand(
      'switchcolumn',
      'so',
      'Goes on in the next column.',
      '\\begin{paracol}{2}Ebb\\switchcolumn Flood\\end{paracol}',
    ),
  ],
  String.raw`
\newcount\pc@count\newcount\pc@at\newdimen\pc@width
\newenvironment{paracol}[1]{\par\pc@count#1\relax\pc@width\linewidth\advance\pc@width\columnsep\divide\pc@width\pc@count\advance\pc@width-\columnsep\pc@at\z@\noindent\pc@open}{\pc@close\par}
\def\pc@open{\advance\pc@at\@ne\xdef\pc@now{\the\pc@width}\begin{minipage}[t]{\pc@now}\setlength\parindent{1em}}
\def\pc@close{\par\end{minipage}}
\NewDocumentCommand\switchcolumn{s o}{\pc@close\ifnum\pc@at<\pc@count\hskip\columnsep\else\par\medskip\pc@at\z@\noindent\fi\IfBooleanT{#1}{}\pc@open\ignorespaces}
\newcommand\columnratio[2][]{}\newcommand\setcolumnwidth[1]{}
`,
);

/** multido: something done so many times. */
export const multido = sourcePackage(
  'multido',
  'Something done so many times.',
  [
    sourceCommand(
      'multido',
      'mmm',
      'A variable with its start and step, how often, and what is done.',
      '\\multido{\\i=1+1}{3}{tide \\i, }',
    ),
  ],
  String.raw`
\newcount\mdo@n\newcount\mdo@x
\newcommand\multido[3]{\mdo@n#2\relax\def\mdo@body{#3}\mdo@start#1=0+1=\mdo@stop}
\def\mdo@start#1=#2+#3=#4\mdo@stop{\mdo@x#2\relax\let\mdo@var#1\def\mdo@name{#1}\def\mdo@step{#3}\loop\ifnum\mdo@n>\z@\edef#1{\the\mdo@x}\mdo@body\advance\mdo@x#3\relax\advance\mdo@n\m@ne\repeat}
`,
);

/** forloop: a counter from one value on while a condition holds. */
export const forloop = sourcePackage(
  'forloop',
  'Something done while a counter grows.',
  [
    sourceCommand(
      'forloop',
      'ommmm',
      'A counter, where it begins, how long it goes on, and what is done.',
      '\\newcounter{pier}\\forloop{pier}{1}{\\value{pier} < 4}{pier \\arabic{pier}, }',
    ),
  ],
  String.raw`
\newcommand\forloop[5][1]{\setcounter{#2}{#3}\fl@while{#4}{#5\addtocounter{#2}{#1}}}
\newcommand\fl@while[2]{\whiledo{#1}{#2}}
`,
  ['ifthen'],
);
