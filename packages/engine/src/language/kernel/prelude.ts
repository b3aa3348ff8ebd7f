import { BACKDROP_MACROS } from '../constructs/backdrop';
import { FOOTNOTE_SOURCE } from '../constructs/footnotes';
import { FLOAT_SOURCE } from '../constructs/floats';
import { FORMAT_NAMES } from '../constructs/formatNames';
import { KERNEL_INTERNALS } from '../constructs/kernelInternals';
import { FONT_SOURCE } from '../constructs/mathFontDeclarations';
import { PAGE_STYLES } from '../constructs/pageStyle';

/** Helpers of the kernel that templates lean on, in the language itself. */
const HELPERS =
  String.raw`
\def\@upn#1{\textup{#1}}\def\@thmnote#1{{\mdseries\upshape #1}}
\def\m@th{}\def\mathpalette#1#2{\mathchoice{#1\displaystyle{#2}}{#1\textstyle{#2}}{#1\scriptstyle{#2}}{#1\scriptscriptstyle{#2}}}
\def\pr@end{\pr@end}\long\def\ProcessList#1#2{\def\pr@do{#2}\pr@next#1\pr@end}\long\def\pr@next#1{\ifx\pr@end#1\@empty\else\pr@do{#1}\expandafter\pr@next\fi}
\def\@empty{}\def\space{ }\def\@plus{plus}\def\@minus{minus}
\def\and{\quad}\let\@tempa\@empty\let\@tempb\@empty\let\@tempc\@empty
\def\@gobble#1{}\def\@firstoftwo#1#2{#1}\def\@gobbletwo#1#2{}\def\@gobblethree#1#2#3{}\def\@gobblefour#1#2#3#4{}
\def\@ne{1}\def\tw@{2}\def\thr@@{3}\def\m@ne{-1}\def\@M{10000}\def\@MM{20000}
\chardef\@ne=1\chardef\tw@=2\chardef\thr@@=3\chardef\sixt@@n=16\chardef\@cclv=255
\let\@totalleftmargin\totalleftmargin\let\p@=\p@\newskip\hideskip\newskip\@tempskipa\newskip\@tempskipb\newskip\skip@
\newtoks\toks@\newtoks\@temptokena\newtoks\everypar\newtoks\everymath\newtoks\everydisplay\newtoks\output
\newcount\@listdepth\newcount\interfootnotelinepenalty\newcount\holdinginserts\newcount\maxdepth@
\newskip\tabskip\newskip\z@skip\newtoks\everycr\newcount\predisplaydirection\newcount\dbltopnum\newcount\@eqcnt\newcount\tracingmacros\newcount\tracingparagraphs
\newbox\@tempboxa\newbox\z@box\newbox\strutbox
\newif\if@twoside\newif\if@twocolumn\newif\if@titlepage\newif\if@openright\newif\if@mainmatter
\newif\if@tempswa\newif\if@filesw\newif\if@afterindent\newif\if@noskipsec\newif\if@inlabel\newif\if@newlist
\newif\if@minipage\newif\if@reversemargin\newif\if@restonecol\newif\if@compatibility\newif\if@nobreak\newif\if@inmath
\newif\if@openbib\newif\if@minipage\newif\if@specialpage\newif\if@firstcolumn
\def\@namelet#1{\expandafter\let\csname#1\endcsname}
\def\@dblarg#1{\@ifnextchar[{#1}{\@xdblarg{#1}}}\def\@xdblarg#1#2{#1[{#2}]{#2}}
\def\@testopt#1#2{\@ifnextchar[{#1}{#1[{#2}]}}
\def\secdef#1#2{\@ifstar{#2}{\@dblarg{#1}}}
\def\@seccntformat@{}
\def\@addtoreset#1#2{\@resetby{#1}{#2}}
\def\@removefromreset#1#2{}
\def\@ifdefinable#1#2{#2}
\def\@dotsep{4.5}\def\@pnumwidth{1.55em}\def\@tocrmarg{2.55em}
\def\@height{height}\def\@width{width}\def\@depth{depth}
\def\@spaces{\space\space\space\space}
\def\@hangfrom#1{\noindent#1}
\def\@sanitize{}
\def\nfss@text#1{\mbox{#1}}
\def\normalbaselines{\lineskip\normallineskip\baselineskip\normalbaselineskip}
\newskip\normallineskip\normallineskip=1pt
\def\ignorespacesafterend{\ignorespaces}
\def\@currenvir{document}
\def\@ptsize{0}
\def\sfdefault{sf}\def\rmdefault{rm}\def\ttdefault{tt}\def\bfdefault{bf}\def\mddefault{m}\def\itdefault{it}
\def\sldefault{sl}\def\scdefault{sc}\def\updefault{n}\def\familydefault{rm}\def\seriesdefault{m}\def\shapedefault{n}
\def\encodingdefault{OT1}\def\f@size{10}\def\f@family{rm}\def\f@series{m}\def\f@shape{n}\def\f@encoding{T1}
\def\arraystretch{1}\def\baselinestretch{1}
\def\stretch#1{0pt plus #1fill}\newskip\fill\fill=0pt plus 1fill
\def\@thefnmark{\thefootnote}\def\@mpfn{footnote}\def\thempfn{\thefootnote}
\def\newtheoremstyle@{}
\def\@author{}\def\@tagopen{(}\def\@tagclose{)}
\def\two@digits#1{\ifnum#1<10 0\fi\number#1}
\def\TeX{\mbox{T\kern-.1667em\lower.5ex\hbox{E}\kern-.125emX}}
\def\LaTeX{\mbox{L\kern-.36em\raise.22ex\hbox{\scriptsize A}\kern-.15em\TeX}}
\def\LaTeXe{\LaTeX\kern.15em2$_{\textstyle\varepsilon}$}
\def\TextOrMath#1#2{\relax\ifmmode#2\else#1\fi}
\def\underbar#1{\underline{\hbox{#1}}}
\def\textcircled#1{\mbox{\rlap{\hbox to 1.2em{\hss\scriptsize\raise.2ex\hbox{#1}\hss}}$\bigcirc$}}
\def\clap#1{\hbox to 0pt{\hss#1\hss}}
\def\mathreflectbox#1{\reflectbox{$#1$}}
\def\indexspace{\par\vskip 10pt plus 5pt minus 3pt\relax}
\def\symbol#1{\char#1 }
\def\newpage@{}\def\languagename{english}\chardef\footins=254 
\def\samepage{\interlinepenalty10000 }
\def\@needroom#1{\begingroup\@tempdima#1\relax\penalty-100 \vskip\z@ plus\@tempdima\penalty-100 \vskip\z@ plus-\@tempdima\vskip\@tempdima\penalty9999 \vskip-\@tempdima\vskip\z@\endgroup}
\def\flushbottom{\@setflush{1}}\def\raggedbottom{\@setflush{0}}
\def\enlargethispage{\@ifstar\@gobble\@gobble}
\def\suppressfloats{\@ifnextchar[{\@gobblebrackets}{}}\def\@gobblebrackets[#1]{}
\def\fnsymbol@{}
\def\em@{}
\def\bibname{Bibliography}\def\@chapapp{Chapter}
\def\glossary#1{}\def\index#1{}\def\makeindex{}\def\makeglossary{}\def\printindex{}
\def\nofiles{}\def\listfiles{}
\def\descriptionlabel#1{\hspace\labelsep\normalfont\bfseries #1}
\def\poptabs{}\def\pushtabs{}
\def\@whitespace{ }
\def\lq{` +
  '`' +
  String.raw`}\def\rq{'}
\def\MakeUppercase@{}
\newcounter{page}\setcounter{page}{1}
\newcounter{secnumdepth}\newcounter{tocdepth}
\newcounter{enumi}\newcounter{enumii}\newcounter{enumiii}\newcounter{enumiv}
\def\theenumi{\arabic{enumi}}\def\theenumii{\alph{enumii}}\def\theenumiii{\roman{enumiii}}\def\theenumiv{\Alph{enumiv}}
\def\p@enumii{\theenumi}\def\p@enumiii{\theenumi(\theenumii)}\def\p@enumiv{\p@enumiii\theenumiii}
`;

/** All of the kernel that is written in the language itself. */
export const PRELUDE =
  HELPERS +
  PAGE_STYLES +
  BACKDROP_MACROS +
  FOOTNOTE_SOURCE +
  FLOAT_SOURCE +
  FONT_SOURCE +
  KERNEL_INTERNALS +
  FORMAT_NAMES;
