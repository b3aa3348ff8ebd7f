import type { PackageEntry } from '../machine/entries';
import { sourceCommand } from '../machine/macroEntry';

/** Kinds of lines as the package names them: its short name, the kind, its level. */
const LEVELS = [
  ['part', 'part', -1],
  ['chap', 'chapter', 0],
  ['sec', 'section', 1],
  ['subsec', 'subsection', 2],
  ['subsubsec', 'subsubsection', 3],
  ['para', 'paragraph', 4],
  ['subpara', 'subparagraph', 5],
  ['fig', 'figure', 1],
  ['tab', 'table', 1],
] as const;

/** Indent and room for the number, in em; with chapters and without (report.cls, article.cls). */
const MEASURES: Readonly<Record<string, readonly [plain: string, chaptered: string]>> = {
  part: ['0em}{3em', '0em}{3em'],
  chap: ['0em}{1.5em', '0em}{1.5em'],
  sec: ['0em}{1.5em', '1.5em}{2.3em'],
  subsec: ['1.5em}{2.3em', '3.8em}{3.2em'],
  subsubsec: ['3.8em}{3.2em', '7em}{4.1em'],
  para: ['7em}{4.1em', '10em}{5em'],
  subpara: ['10em}{5em', '12em}{6em'],
  fig: ['1.5em}{2.3em', '1.5em}{2.3em'],
  tab: ['1.5em}{2.3em', '1.5em}{2.3em'],
};

const defined = LEVELS.map(([short, kind, level]) => {
  const [plain, chaptered] = MEASURES[short] ?? ['', ''];
  return String.raw`\cft@make{${short}}{${kind}}{${level}}\@ifundefined{chapter}{\cft@set{${short}}{${plain}}}{\cft@set{${short}}{${chaptered}}}`;
}).join('\n');

/** tocloft: how the lines of contents look. */
export const tocloft: PackageEntry = {
  name: 'tocloft',
  description: 'How the lines of contents look: fonts, dots, indents.',
  options: null,
  described: [
    sourceCommand(
      'cftdotfill',
      'm',
      'Dots up to the page number, so far apart.',
      'Tides\\cftdotfill{\\cftdotsep}3',
    ),
    sourceCommand(
      'cftsecleader',
      '',
      'What leads to the page of a section; to be redefined.',
      '\\renewcommand{\\cftsecleader}{\\cftdotfill{\\cftdotsep}}',
    ),
    sourceCommand(
      'cftsecfont',
      '',
      'The font of sections; to be redefined.',
      '\\renewcommand{\\cftsecfont}{\\scshape}',
    ),
    sourceCommand(
      'cftsecpagefont',
      '',
      'The font of their pages; to be redefined.',
      '\\renewcommand{\\cftsecpagefont}{\\normalfont}',
    ),
    sourceCommand(
      'cftdotsep',
      '',
      'How far apart dots stand; to be redefined.',
      '\\renewcommand{\\cftdotsep}{1}',
    ),
    sourceCommand(
      'cftsetindents',
      'mmm',
      'Where lines of a kind begin, and the room for their number.',
      '\\cftsetindents{section}{1em}{2em}',
    ),
  ],
  source: String.raw`
\newcommand\cftdotsep{4.5}\newcommand\cftnodots{10000}\newcommand\cftdot{.}
\newcommand\cftdotfill[1]{\ifdim#1pt>1000pt \hfill\else\leaders\hbox{$\mkern#1mu\hbox{\normalfont\cftdot}\mkern#1mu$}\hfill\fi}
\newdimen\cft@num
\def\cft@get#1#2{\csname cft#1#2\endcsname}
\def\cft@line#1#2#3#4{\ifnum\value{tocdepth}<#2 \else\par\addpenalty{-51}\addvspace{\csname cftbefore#1skip\endcsname}%
 {\cft@num\cft@get{#1}{numwidth}\leftskip\dimexpr\cft@get{#1}{indent}+\cft@num\relax\rightskip2.55em\parfillskip-2.55em\parindent\z@\parskip\z@
 \def\numberline##1{\hbox to\cft@num{\cft@get{#1}{presnum}##1\cft@get{#1}{aftersnum}\hfil}\cft@get{#1}{aftersnumb}}%
 \noindent\hskip-\cft@num{\cft@get{#1}{font}#3}\nobreak{\cft@get{#1}{leader}}\nobreak\hbox to1.55em{\hfil\cft@get{#1}{pagefont}#4}\cft@get{#1}{afterpnum}\par}\fi}
\def\cft@set#1#2#3{\setlength{\csname cft#1indent\endcsname}{#2}\setlength{\csname cft#1numwidth\endcsname}{#3}}
\def\cft@long#1#2{\expandafter\newlength\csname cft#1#2\endcsname}
\def\cft@word#1#2#3{\expandafter\def\csname cft#1#2\endcsname{#3}}
\def\cft@make#1#2#3{\cft@long{#1}{indent}\cft@long{#1}{numwidth}\expandafter\newlength\csname cftbefore#1skip\endcsname
 \cft@word{#1}{presnum}{}\cft@word{#1}{aftersnum}{}\cft@word{#1}{aftersnumb}{}\cft@word{#1}{afterpnum}{}\cft@word{#1}{dotsep}{\cftdotsep}\cft@word{#1}{font}{}\cft@word{#1}{pagefont}{}%
 \cft@word{#1}{leader}{\cftdotfill{\csname cft#1dotsep\endcsname}}\expandafter\def\csname l@#2\endcsname##1##2{\cft@line{#1}{#3}{##1}{##2}}}
${defined}
\def\cft@head#1#2{\cft@word{#1}{dotsep}{\cftnodots}\cft@word{#1}{font}{\bfseries}\cft@word{#1}{pagefont}{\bfseries}\cft@word{#1}{leader}{\bfseries\cftdotfill{\csname cft#1dotsep\endcsname}}\setlength{\csname cftbefore#1skip\endcsname}{#2}}
\cft@head{part}{2.25em plus 1pt}\@ifundefined{chapter}{\cft@head{sec}{1em plus 1pt}}{\cft@head{chap}{1em plus 1pt}}
\newcommand\cftsetindents[3]{\@ifundefined{cft#1indent}{\cft@named{#1}{#2}{#3}}{\cft@set{#1}{#2}{#3}}}
\def\cft@named#1{\def\cft@a{#1}\def\cft@b{section}\ifx\cft@a\cft@b\def\cft@c{sec}\else\def\cft@b{subsection}\ifx\cft@a\cft@b\def\cft@c{subsec}\else\def\cft@b{chapter}\ifx\cft@a\cft@b\def\cft@c{chap}\else\def\cft@b{figure}\ifx\cft@a\cft@b\def\cft@c{fig}\else\def\cft@c{tab}\fi\fi\fi\fi\expandafter\cft@set\expandafter{\cft@c}}
\newcommand\cfttoctitlefont{}\newcommand\cftloftitlefont{}\newcommand\cftlottitlefont{}\newcommand\cftaftertoctitle{}\newcommand\cftmarktoc{}\newcommand\tocloftpagestyle[1]{}
\newlength\cftbeforetoctitleskip\newlength\cftaftertoctitleskip\newlength\cftparskip\newcommand\cftpagenumbersoff[1]{}\newcommand\cftpagenumberson[1]{}\newcommand\cftsetpnumwidth[1]{}\newcommand\cftsetrmarg[1]{}
`,
};
