import type { ClassEntry, CommandEntry } from '../machine/entries';
import { quietEntry, sourceCommand } from '../machine/macroEntry';
import { CHAPTER_STYLES, MEMOIR_TOOLS } from './memoirStyles';
import { book } from './standard';

const quiet = (signature: string, description: string, ...names: string[]): CommandEntry[] =>
  names.map((name) => quietEntry(name, signature, description));

/** Levels of headings by their names, as `\setsecnumdepth` takes them. */
const SOURCE = String.raw`
\def\mem@part{-1}\def\mem@chapter{0}\def\mem@section{1}\def\mem@subsection{2}\def\mem@subsubsection{3}\def\mem@paragraph{4}\def\mem@none{-10}\def\mem@all{5}
\newcommand\setsecnumdepth[1]{\setcounter{secnumdepth}{\@nameuse{mem@#1}}}\let\maxsecnumdepth\setsecnumdepth
\newcommand\settocdepth[1]{\setcounter{tocdepth}{\@nameuse{mem@#1}}}\let\maxtocdepth\settocdepth
\setcounter{secnumdepth}{1}\setcounter{tocdepth}{1}
\let\mem@toc\tableofcontents\renewcommand\tableofcontents{\@ifstar\mem@toc\mem@toc}
\let\mem@lof\listoffigures\renewcommand\listoffigures{\@ifstar\mem@lof\mem@lof}
\let\mem@lot\listoftables\renewcommand\listoftables{\@ifstar\mem@lot\mem@lot}
\newcommand\tightlist{\itemsep0pt\parskip0pt\relax}\newcommand\firmlist{\itemsep.5\itemsep\relax}\let\tightlists\tightlist\let\firmlists\firmlist\let\defaultlists\relax
\newcommand\SingleSpacing{\singlespacing}\newcommand\OnehalfSpacing{\onehalfspacing}\newcommand\DoubleSpacing{\doublespacing}
\newcommand\nonzeroparskip{\setlength\parskip{.5\baselineskip plus 2pt}}\newcommand\traditionalparskip{\setlength\parskip{0pt}}\newcommand\abnormalparskip[1]{\setlength\parskip{#1}}
\newcommand\setlrmarginsandblock[3]{\mem@given{#1}{left}\mem@given{#2}{right}}
\newcommand\setulmarginsandblock[3]{\mem@given{#1}{top}\mem@given{#2}{bottom}}
\newcommand\setlrmargins[3]{\mem@given{#1}{left}\mem@given{#2}{right}}\newcommand\setulmargins[3]{\mem@given{#1}{top}\mem@given{#2}{bottom}}
\def\mem@star{*}\def\mem@given#1#2{\def\mem@a{#1}\ifx\mem@a\mem@star\else\geometry{#2=#1}\fi}
\newcommand\setstocksize[2]{\geometry{paperheight=#1,paperwidth=#2}}\newcommand\settrimmedsize[3]{}\newcommand\settrims[2]{}
\newcommand\settypeblocksize[3]{\mem@given{#1}{textheight}\mem@given{#2}{textwidth}}
\newcommand\setheadfoot[2]{}\newcommand\setheaderspaces[3]{}\newcommand\setmarginnotes[3]{}\newcommand\setbinding[1]{}
\newcommand\checkandfixthelayout[1][]{}\newcommand\fixthelayout{}\newcommand\setcolsepandrule[2]{\setlength\columnsep{#1}\setlength\columnseprule{#2}}
\newcommand\mem@three[3]{\rlap{#1}\hfil #2\hfil\llap{#3}}
\newcommand\makepagestyle[1]{\@namedef{ps@#1}{\ps@empty\def\@oddhead{\@nameuse{mem@oh@#1}}\def\@evenhead{\@nameuse{mem@eh@#1}}\def\@oddfoot{\@nameuse{mem@of@#1}}\def\@evenfoot{\@nameuse{mem@ef@#1}}\@nameuse{mem@psmarks@#1}}}
\newcommand\makeoddhead[4]{\@namedef{mem@oh@#1}{\mem@three{#2}{#3}{#4}}}\newcommand\makeevenhead[4]{\@namedef{mem@eh@#1}{\mem@three{#2}{#3}{#4}}}
\newcommand\makeoddfoot[4]{\@namedef{mem@of@#1}{\mem@three{#2}{#3}{#4}}}\newcommand\makeevenfoot[4]{\@namedef{mem@ef@#1}{\mem@three{#2}{#3}{#4}}}
\newcommand\makepsmarks[2]{\@namedef{mem@psmarks@#1}{#2}}\newcommand\makeheadrule[3]{}\newcommand\makefootrule[4]{}\newcommand\makerunningwidth[3][]{}
\newcommand\copypagestyle[2]{\@namedef{ps@#1}{\@nameuse{ps@#2}}}\newcommand\aliaspagestyle[2]{\@namedef{ps@#1}{\@nameuse{ps@#2}}}
\makepagestyle{simple}\makeoddhead{simple}{}{}{\thepage}\makeevenhead{simple}{\thepage}{}{}
\let\ps@ruled\ps@headings\let\ps@Ruled\ps@headings\let\ps@companion\ps@headings\let\ps@ruledchapter\ps@plain\let\ps@title\ps@plain\let\ps@chapter\ps@plain
\newcommand\chapterprecis[1]{\par{\small\itshape #1\par}\medskip}\newcommand\prechapterprecis{}\newcommand\chapterprecishere[1]{\chapterprecis{#1}}
\newenvironment{Spacing}[1]{\setstretch{#1}}{}
\newcommand\fancybreak[1]{\par\bigskip{\centering #1\par}\bigskip}\newcommand\plainbreak[1]{\par\vspace{#1\baselineskip}}
\newcommand\midsloppy{\emergencystretch3em\relax}\newenvironment{midsloppypar}{\par\midsloppy}{\par}
\newcommand\newfixedcaption[3][]{}\newcommand\legend[1]{\par{\small\centering #1\par}}
\def\mem@secbefore{-3.5ex plus -1ex minus -.2ex}\def\mem@secafter{2.3ex plus .2ex}\def\mem@subbefore{-3.25ex plus -1ex minus -.2ex}\def\mem@subafter{1.5ex plus .2ex}\def\mem@secindent{0pt}
\newcommand\setbeforesecskip[1]{\mem@skip\mem@secbefore{#1}}\newcommand\setaftersecskip[1]{\mem@skip\mem@secafter{#1}}\newcommand\setbeforesubsecskip[1]{\mem@skip\mem@subbefore{#1}}\newcommand\setaftersubsecskip[1]{\mem@skip\mem@subafter{#1}}\newcommand\setsecindent[1]{\mem@skip\mem@secindent{#1}}\newcommand\setparaindent[1]{}
\def\mem@skip#1#2{\@tempskipa=#2\relax\ifdim\@tempskipa<\z@\@tempskipa=-\@tempskipa\fi\edef#1{\the\@tempskipa}\@tempskipa=\mem@secbefore\relax\ifdim\@tempskipa<\z@\@tempskipa=-\@tempskipa\fi\edef\mem@secbefore{\the\@tempskipa}\@tempskipa=\mem@subbefore\relax\ifdim\@tempskipa<\z@\@tempskipa=-\@tempskipa\fi\edef\mem@subbefore{\the\@tempskipa}%
 \edef\mem@do{\noexpand\titlespacing*{\noexpand\section}{\mem@secindent}{\mem@secbefore}{\mem@secafter}\noexpand\titlespacing*{\noexpand\subsection}{0pt}{\mem@subbefore}{\mem@subafter}}\mem@do}
\newcommand\setsecnumformat[1]{\def\@seccntformat##1{#1}}
\newcommand\setsecheadstyle[1]{\titleformat*{\section}{#1}}\newcommand\setsubsecheadstyle[1]{\titleformat*{\subsection}{#1}}
\newcommand\setsubsubsecheadstyle[1]{\titleformat*{\subsubsection}{#1}}\newcommand\setparaheadstyle[1]{\titleformat*{\paragraph}{#1}}
`;

const COMMANDS: readonly CommandEntry[] = [
  ...quiet('m', 'Looks of headings of all levels.', 'headstyles'),
];

/** memoir: book and report in one, with what other packages bring elsewhere. */
export const memoir: ClassEntry = {
  ...book,
  name: 'memoir',
  description: 'Books and reports, with much that packages bring elsewhere; set as book.',
  options: [
    ...book.options,
    ...'9pt 14pt 17pt 20pt 25pt article showtrims ms oldfontcommands openleft extrafontsizes'.split(
      ' ',
    ),
  ],
  requires: [
    'geometry',
    'titlesec',
    'tocloft',
    'array',
    'booktabs',
    'verbatim',
    'epigraph',
    'setspace',
    'titling',
    'enumerate',
    'needspace',
    'caption',
    'subfig',
    'framed',
    'changepage',
    'verse',
    'appendix',
    'tabularx',
    'ragged2e',
  ],
  commands: [...(book.commands ?? []), ...COMMANDS],
  source: `${book.source ?? ''}${SOURCE}${CHAPTER_STYLES}${MEMOIR_TOOLS}`,
  described: [
    ...(book.described ?? []),
    sourceCommand(
      'chapterstyle',
      'm',
      'The look of headings of chapters: section, veelo, madsen, companion, ger.',
      '\\chapterstyle{section}',
    ),
    sourceCommand(
      'makechapterstyle',
      'mm',
      'A look of headings of chapters of your own.',
      '\\makechapterstyle{tide}{\\renewcommand\\chaptitlefont{\\scshape}}',
    ),
  ],
  setup: (it, options) =>
    book.setup?.(it, options.includes('article') ? [...options, 'openany'] : options),
};
