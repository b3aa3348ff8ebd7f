import type { PackageEntry } from '../machine/entries';
import { describedPackage } from '../machine/macroEntry';

/** Measures of the page by margins, as packages before geometry have them. */
const MARGINS = String.raw`
\def\pm@set#1#2#3#4{\setlength\textwidth{\paperwidth}\addtolength\textwidth{-#1}\addtolength\textwidth{-#3}\setlength\oddsidemargin{#1}\addtolength\oddsidemargin{-1in}\setlength\evensidemargin{#3}\addtolength\evensidemargin{-1in}\if@twoside\else\evensidemargin\oddsidemargin\fi
\setlength\topmargin{#2}\addtolength\topmargin{-1in}\setlength\textheight{\paperheight}\addtolength\textheight{-#2}\addtolength\textheight{-#4}\addtolength\textheight{-\headheight}\addtolength\textheight{-\headsep}\addtolength\textheight{-\footskip}\hsize\textwidth\linewidth\textwidth\columnwidth\textwidth}
`;

/** Words across the paper, or a picture behind the text. */
const WALLPAPERS = String.raw`
\newlength\wpXoffset\newlength\wpYoffset
\def\wp@centre#1#2{\put(\LenToUnit{\wpXoffset},\LenToUnit{\wpYoffset}){\parbox[b][\paperheight]{\paperwidth}{\vfill\centering\includegraphics[width=#1\paperwidth,height=#1\paperheight,keepaspectratio]{#2}\vfill}}}
\newcommand\CenterWallPaper[2]{\AddToShipoutPicture{\wp@centre{#1}{#2}}}\newcommand\ThisCenterWallPaper[2]{\AddToShipoutPicture*{\wp@centre{#1}{#2}}}
\def\wp@corner#1#2#3#4{\put(\LenToUnit{\wpXoffset},\LenToUnit{\wpYoffset}){\parbox[b][\paperheight]{\paperwidth}{#1#2\includegraphics[width=#3\paperwidth,height=#3\paperheight,keepaspectratio]{#4}\ifx#1\relax\vfill\fi}}}
\newcommand\ULCornerWallPaper[2]{\AddToShipoutPicture{\wp@corner\relax\raggedright{#1}{#2}}}\newcommand\URCornerWallPaper[2]{\AddToShipoutPicture{\wp@corner\relax\raggedleft{#1}{#2}}}\newcommand\LLCornerWallPaper[2]{\AddToShipoutPicture{\wp@corner\vfill\raggedright{#1}{#2}}}\newcommand\LRCornerWallPaper[2]{\AddToShipoutPicture{\wp@corner\vfill\raggedleft{#1}{#2}}}
\newcommand\ThisULCornerWallPaper[2]{\AddToShipoutPicture*{\wp@corner\relax\raggedright{#1}{#2}}}\newcommand\ThisURCornerWallPaper[2]{\AddToShipoutPicture*{\wp@corner\relax\raggedleft{#1}{#2}}}\newcommand\ThisLLCornerWallPaper[2]{\AddToShipoutPicture*{\wp@corner\vfill\raggedright{#1}{#2}}}\newcommand\ThisLRCornerWallPaper[2]{\AddToShipoutPicture*{\wp@corner\vfill\raggedleft{#1}{#2}}}
\newcommand\ClearWallPaper{\ClearShipoutPicture}
`;

/** Packages that have to do with pages, margins and what stands on every page. */
export const pagePackages: readonly PackageEntry[] = [
  describedPackage(
    'vmargin',
    'Margins of the page.',
    String.raw`
    setmarginsrb mmmmmmmm | Margins left, above, right, below; head and foot. | \setmarginsrb{25mm}{20mm}{25mm}{20mm}{12pt}{11mm}{0pt}{11mm}
    setmargins mmmmmmmm | Margins left and above, size of the text; head and foot. | \setmargins{25mm}{20mm}{160mm}{230mm}{12pt}{11mm}{0pt}{11mm}
    setpapersize m | The paper, by its name. | \setpapersize{A4}`,
    MARGINS +
      String.raw`
\newcommand\setmarginsrb[8]{\setlength\headheight{#5}\setlength\headsep{#6}\setlength\footskip{#8}\pm@set{#1}{#2}{#3}{#4}}
\newcommand\setmargins[8]{\setlength\headheight{#5}\setlength\headsep{#6}\setlength\footskip{#8}\setlength\textwidth{#3}\setlength\textheight{#4}\setlength\oddsidemargin{#1}\addtolength\oddsidemargin{-1in}\evensidemargin\oddsidemargin\setlength\topmargin{#2}\addtolength\topmargin{-1in}\hsize\textwidth\linewidth\textwidth\columnwidth\textwidth}
\newcommand\setmargrb[4]{\pm@set{#1}{#2}{#3}{#4}}\newcommand\setmargnohfrb[4]{\headheight0pt\headsep0pt\footskip0pt\pm@set{#1}{#2}{#3}{#4}}\newcommand\setmargnohf[4]{\setmargins{#1}{#2}{#3}{#4}{0pt}{0pt}{0pt}{0pt}}\newcommand\setmarg[4]{\setmargins{#1}{#2}{#3}{#4}{\headheight}{\headsep}{0pt}{\footskip}}
\newcommand\setpapersize[2][]{\@ifundefined{vm@#2}{}{\csname vm@#2\endcsname}}\def\vm@size#1#2#3{\expandafter\def\csname vm@#1\endcsname{\paperwidth#2\paperheight#3\relax}}\vm@size{A4}{210mm}{297mm}\vm@size{A5}{148mm}{210mm}\vm@size{A3}{297mm}{420mm}\vm@size{USletter}{8.5in}{11in}\vm@size{USlegal}{8.5in}{14in}\vm@size{B5}{176mm}{250mm}
\newcommand\shiftmargins{}`,
  ),
  describedPackage(
    'anysize',
    'Margins of the page.',
    String.raw`
    marginsize mmmm | Margins left, right, above, below. | \marginsize{25mm}{25mm}{20mm}{20mm}
    papersize mm | Height and width of the paper. | \papersize{297mm}{210mm}`,
    MARGINS +
      String.raw`\newcommand\papersize[2]{\setlength\paperheight{#1}\setlength\paperwidth{#2}}\newcommand\marginsize[4]{\pm@set{#1}{#3}{#2}{#4}}`,
  ),
  describedPackage(
    'showframe',
    'The frame that the text of a page is set in, drawn.',
    '',
    String.raw`\AddToShipoutPictureBG{\AtTextLowerLeft{\put(0,0){\framebox(\LenToUnit\textwidth,\LenToUnit\textheight){}}}}`,
    ['eso-pic'],
  ),
  describedPackage(
    'wallpaper',
    'Pictures behind the text of pages.',
    String.raw`
    CenterWallPaper mm | A picture behind every page: its size as a part of the page, its file. | \CenterWallPaper{.5}{gauge}
    ThisCenterWallPaper mm | A picture behind this page. | \ThisCenterWallPaper{.5}{gauge}
    ClearWallPaper | No picture from here on. | \ClearWallPaper`,
    WALLPAPERS,
    ['eso-pic', 'graphicx'],
  ),
  describedPackage(
    'pagecolor',
    'The colour of pages.',
    String.raw`
    newpagecolor m | The colour of pages from here on. | \newpagecolor{yellow}
    restorepagecolor | The colour that pages had before. | \newpagecolor{yellow}\restorepagecolor`,
    String.raw`\newcommand\thepagecolor{white}\let\pgc@set\pagecolor\newcommand\newpagecolor[1]{\pgc@set{#1}}\newcommand\restorepagecolor{\nopagecolor}`,
    ['xcolor'],
  ),
  describedPackage(
    'titlepic',
    'A picture on the title page.',
    String.raw`titlepic m | What stands below the date in the title. | \titlepic{Tide}`,
    String.raw`\newcommand\titlepic[1]{\AtBeginDocument{\def\tp@date{\today}\@ifundefined{@date}{}{\let\tp@date\@date}\date{\tp@date\par\vskip1.5em #1}}}`,
  ),
  describedPackage(
    'shorttoc',
    'A second, shorter list of contents.',
    String.raw`shorttableofcontents mm | A list of contents: its title, and how deep it goes. | \shorttableofcontents{Overview}{1}`,
    String.raw`\newcommand\shorttableofcontents[2]{{\renewcommand\contentsname{#1}\setcounter{tocdepth}{#2}\tableofcontents}}\let\shorttoc\shorttableofcontents`,
  ),
  describedPackage(
    'nopageno',
    'Pages without numbers.',
    '',
    String.raw`\pagestyle{empty}\AtBeginDocument{\let\ps@plain\ps@empty}`,
  ),
  describedPackage(
    'tocvsec2',
    'How deep numbers and contents go, by names.',
    String.raw`
    setsecnumdepth m | Headings down to this one bear numbers. | \setsecnumdepth{subsection}
    settocdepth m | Headings down to this one are in the contents. | \settocdepth{section}`,
    String.raw`\def\tv@level#1{\ifcsname tv@#1\endcsname\csname tv@#1\endcsname\else 6\fi}\def\tv@none{-2}\def\tv@part{-1}\def\tv@chapter{0}\def\tv@section{1}\def\tv@subsection{2}\def\tv@subsubsection{3}\def\tv@paragraph{4}\def\tv@subparagraph{5}\newcommand\setsecnumdepth[1]{\setcounter{secnumdepth}{\tv@level{#1}}}\newcommand\maxsecnumdepth[1]{\setsecnumdepth{#1}}\newcommand\settocdepth[1]{\setcounter{tocdepth}{\tv@level{#1}}}\newcommand\maxtocdepth[1]{\settocdepth{#1}}\newcommand\resettocdepth{}\newcommand\resetsecnumdepth{}`,
  ),
  describedPackage(
    'titlefoot',
    'Notes without a mark at the foot of the first page.',
    String.raw`
    keywords m | Key words at the foot of the page. | \keywords{tides, lamps}
    unmarkedfntext m | A note without a mark. | \unmarkedfntext{Ebb}`,
    String.raw`\newcommand\unmarkedfntext[1]{{\renewcommand\thefootnote{}\footnotetext{#1}}}\newcommand\keywords[1]{\unmarkedfntext{\textit{Key words and phrases.} #1}}\newcommand\amssubj[1]{\unmarkedfntext{\textit{Mathematics Subject Classification.} #1}}\newcommand\AMSname{}\newcommand\keywname{}`,
  ),
  describedPackage(
    'savesym',
    'Names that two packages have, kept apart.',
    String.raw`
    savesymbol m | Frees a name, and keeps what it meant. | \savesymbol{quad}
    restoresymbol mm | Gives a name its old meaning back, and the new one another name. | \savesymbol{quad}\restoresymbol{TT}{quad}`,
    String.raw`\newcommand\savesymbol[1]{\expandafter\let\csname orig#1\expandafter\endcsname\csname#1\endcsname\expandafter\let\csname#1\endcsname\sv@undefined}\newcommand\restoresymbol[2]{\expandafter\let\csname#1#2\expandafter\endcsname\csname#2\endcsname\expandafter\let\csname#2\expandafter\endcsname\csname orig#2\endcsname}`,
  ),
  describedPackage(
    'ifoddpage',
    'Is the page odd?',
    String.raw`checkoddpage | Finds out whether the page is odd. | \checkoddpage\ifoddpage odd\else even\fi`,
    String.raw`\newif\ifoddpage\newcommand\checkoddpage{\ifodd\value{page}\oddpagetrue\else\oddpagefalse\fi}\newif\ifoddpageoroneside\newcommand\ifstrictoddpage{\ifoddpage}`,
  ),
  describedPackage(
    'ifdraft',
    'What holds for drafts alone.',
    String.raw`ifdraft MM | One text for drafts, another for the final sheet. | \ifdraft{draft}{final}`,
    String.raw`\newcommand\ifdraft[2]{\@ifclasswith{\ifd@class}{draft}{#1}{#2}}\def\ifd@class{article}\newcommand\ifoptiondraft[2]{\ifdraft{#1}{#2}}\newcommand\ifoptionfinal[2]{#2}`,
  ),
  describedPackage(
    'ifplatform',
    'Which system is at work.',
    '',
    String.raw`\newif\ifwindows\newif\iflinux\newif\ifmacosx\newif\ifcygwin\newif\ifshellescape\linuxtrue\newcommand\platformname{Linux}`,
  ),
  describedPackage(
    'iflang',
    'Which language is in force.',
    String.raw`IfLanguageName mMM | One text where that language is in force, another elsewhere. | \IfLanguageName{english}{yes}{no}`,
    String.raw`\providecommand\languagename{english}\newcommand\IfLanguageName[3]{\def\ifl@a{#1}\edef\ifl@b{\languagename}\ifx\ifl@a\ifl@b#2\else#3\fi}`,
  ),
  describedPackage(
    'scrtime',
    'The time of day.',
    String.raw`thistime | The time of day. | \thistime`,
    String.raw`\newcommand\thistime[1][:]{\two@digits{\numexpr(\time-30)/60\relax}#1\two@digits{\numexpr\time-60*((\time-30)/60)\relax}}\newcommand\settime[1]{\def\thistime{#1}}`,
  ),
  describedPackage(
    'version',
    'Environments that are shown or left out.',
    String.raw`
    includeversion m | An environment whose contents are shown. | \includeversion{hints}\begin{hints}Ebb\end{hints}
    excludeversion m | An environment whose contents are left out. | \excludeversion{hints}\begin{hints}⏎Ebb⏎\end{hints}`,
    String.raw`\newcommand\includeversion[1]{\includecomment{#1}}\newcommand\excludeversion[1]{\excludecomment{#1}}`,
    ['comment'],
  ),
  describedPackage(
    'versions',
    'Environments that are shown or left out.',
    String.raw`
    includeversion m | An environment whose contents are shown. | \includeversion{hints}\begin{hints}Ebb\end{hints}
    excludeversion m | An environment whose contents are left out. | \excludeversion{hints}\begin{hints}⏎Ebb⏎\end{hints}`,
    String.raw`\newcommand\includeversion[1]{\includecomment{#1}}\newcommand\excludeversion[1]{\excludecomment{#1}}\newcommand\markversion[1]{}\newcommand\processifversion[2]{#2}`,
    ['comment'],
  ),
  {
    ...describedPackage(
      'optional',
      'Text for some readers only, by the options of the package.',
      String.raw`
      opt mm | Text for readers of these kinds. | \opt{tutors}{Ebb}
      optv mm | The same for text as it is typed. | \optv{tutors}{Ebb}`,
      String.raw`\newcommand\opt[2]{\def\opt@do{}\@for\opt@one:=#1\do{\@ifundefined{opt@on@\opt@one}{}{\def\opt@do{#2}}}\opt@do}\newcommand\optv[2]{\opt{#1}{#2}}\newcommand\optn{}`,
    ),
    setup: (it, options) => {
      for (const option of options) it.define(`opt@on@${option.trim()}`, '');
    },
  },
];
