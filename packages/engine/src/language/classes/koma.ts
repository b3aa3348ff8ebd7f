import { INCH, PT, type Sp } from '../../base/lengths';
import { setAll } from '../constructs/pageLayout';
import { tokensOf, type ClassEntry, type CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { macroEntry } from '../machine/macroEntry';
import { dimenOf } from '../scanning/dimenOf';
import { textOf, tokensText } from '../../expansion/tokenText';
import { CELLS } from '../machine/cells';
import { article, book, report } from './standard';
import { SEPARATORS } from '../constructs/pageStyle';
import { OWN } from '../machine/ownNames';
import { captionForm, CAPTION_OPTIONS } from '../constructs/captionLook';
import { komaCaptions, komaFurther, KOMA_NUMBERS } from './komaFurther';
import { KOMA_CHAPTERS, KOMA_HEADS, KOMA_SECTIONS, KOMA_SIZES } from './komaHeads';

/** Into how many strips the page is cut where nothing says, by the size of its type (the manual's table for A4). */
const STRIPS: Readonly<Record<string, number>> = { '10pt': 8, '11pt': 10, '12pt': 12 };
const PAPERS = /^(?:a[0-6]|b[0-6]|letter|legal|executive)paper$/;

/** Options with those that these classes have for themselves: A4, 11 pt. */
function withDefaults(options: readonly string[]): string[] {
  const out = options.map((option) =>
    option
      .replace(/^fontsize=(\d+)(?:pt)?$/, '$1pt')
      .replace(/^paper=(\w+)$/, (_, paper: string) =>
        /paper$/.test(paper) ? paper : `${paper}paper`,
      )
      .replace(/^twoside=(?:true|on|yes|semi)$/, 'twoside')
      .replace(/^titlepage=(?:true|on|yes)$/, 'titlepage')
      .replace(/^titlepage=(?:false|off|no)$/, 'notitlepage')
      .replace(/^twocolumn=(?:true|on|yes)$/, 'twocolumn')
      .replace(/^draft=(?:true|on|yes)$/, 'draft'),
  );
  if (!out.some((option) => STRIPS[option])) out.push('11pt');
  if (!out.some((option) => PAPERS.test(option))) out.push('a4paper');
  return out;
}

/**
 * The area of the text (the manual, “Construction of the page layout by division”): the paper, less what
 * the binding takes, is cut into strips; three of them are margins across, three down.
 */
function typeArea(it: Interpreter, strips: number, binding: Sp, twoSided: boolean): void {
  const [width, height] = [it.dimen('paperwidth') - binding, it.dimen('paperheight')];
  const line = it.skip('baselineskip').width || 13.6 * PT;
  const topSkip = it.skip('topskip').width;
  const [across, down] = [width / strips, height / strips];
  const textWidth = width - 3 * across;
  const lines = Math.floor((height - 3 * down - topSkip) / line + 0.5);
  const textHeight = lines * line + topSkip;
  const [head, headSep, foot] = [1.25 * line, 1.5 * line, 3.5 * line];
  const inner = (twoSided ? 1 : 1.5) * across + binding;
  const outer = (twoSided ? 2 : 1.5) * across;
  setAll(it, {
    textwidth: Math.round(textWidth),
    hsize: Math.round(textWidth),
    linewidth: Math.round(textWidth),
    columnwidth: Math.round(textWidth),
    textheight: Math.round(textHeight),
    headheight: Math.round(head),
    headsep: Math.round(headSep),
    footskip: Math.round(foot),
    oddsidemargin: Math.round(inner - INCH),
    evensidemargin: Math.round((twoSided ? outer : inner) - INCH),
    topmargin: Math.round(down - INCH - head - headSep),
  });
}

const valueOf = (options: readonly string[], key: string): string | null =>
  options
    .find((option) => option.replace(/\s/g, '').toLowerCase().startsWith(`${key}=`))
    ?.split('=')[1]
    ?.trim() ?? null;

function setUp(it: Interpreter, given: readonly string[], base: ClassEntry): void {
  const options = withDefaults(given);
  base.setup?.(it, options);
  const size = options.find((option) => STRIPS[option]) ?? '11pt';
  const asked = Number(valueOf(options, 'div'));
  const binding = valueOf(options, 'bcor');
  const twoSided =
    options.includes('twoside') || (base.name === 'book' && !options.includes('oneside'));
  typeArea(
    it,
    asked > 3 ? asked : (STRIPS[size] ?? 10),
    binding ? dimenOf(it, it.p.chars(binding)) : 0,
    twoSided,
  );
  paragraphs(it, valueOf(options, 'parskip') ?? (options.includes('parskip') ? 'full' : null));
  if (options.some((option) => /^numbers=noend/.test(option))) it.define('autodot', '');
  heads(it, options);
}

const isSaid = (options: readonly string[], option: RegExp): boolean =>
  options.some((one) => option.test(one.replace(/\s/g, '')));

/** Heads, feet, sizes of headings, and what the contents name. */
function heads(it: Interpreter, options: readonly string[]): void {
  const style = it.read(CELLS.class) === 'scrbook' ? 'headings' : 'plain';
  const on = (name: string): string => `\\@${name}true`;
  const size = options.findLast((one) => /^headings=(?:big|normal|small)/.test(one));
  const parts = [
    KOMA_HEADS,
    KOMA_SIZES[size?.split('=')[1] ?? ''] ?? '',
    isSaid(options, /^chapterprefix(?:=(?:true|on|yes))?$/) ? on('chapterprefix') : '',
    isSaid(options, /^appendixprefix(?:=(?:true|on|yes))?$/) ? on('appendixprefix') : '',
    isSaid(options, /^(?:bibliography=totoc|toc=bib|bibtotoc)/) ? on('totoc@bib') : '',
    isSaid(options, /^(?:listof=totoc|toc=listof|liststotoc)/) ? on('totoc@lists') : '',
    isSaid(options, /^(?:index=totoc|toc=i(?:n)?d(?:e)?x|idxtotoc)/) ? on('totoc@index') : '',
    `\\pagestyle{${style}}`,
  ];
  const line = (what: string): string =>
    isSaid(options, new RegExp(`^${what}sepline(?:=(?:true|on|yes))?$`)) ? '.4pt' : '';
  it.write(SEPARATORS, { head: line('head'), foot: line('foot') }, true);
  it.execute(it.source(parts.join('\n')));
  // The type of captions is one of this class's own parts.
  for (const part of ['caption', 'captionlabel'])
    it.write(captionForm(`font:koma${part}`), [it.p.command(`usekomafont@${part}`)], true);
  const own = { font: 'komacaption', labelfont: 'komacaptionlabel' };
  it.write(CAPTION_OPTIONS, { ...it.read(CAPTION_OPTIONS), ...own }, true);
  komaCaptions(it);
}

/** Paragraphs told apart by room between them instead of an indent. */
function paragraphs(it: Interpreter, how: string | null): void {
  if (how === null || /^(?:false|off|no|never)$/.test(how)) return;
  const share = /^half/.test(how) ? '.5' : '1';
  it.execute(
    it.source(
      `\\setlength{\\parindent}{0pt}\\setlength{\\parskip}{${share}\\baselineskip plus .1\\baselineskip}`,
    ),
  );
}

/** Headings in bold type without serifs, their sizes one step below those of the standard classes where these classes have them so. */
const LOOK = String.raw`
\def\sectfont{\sffamily\bfseries}\def\raggedsection{\raggedright}\def\autodot{}
\def\section{\@startsection{section}{1}{\z@}{-3.5ex \@plus -1ex \@minus -.2ex}{2.3ex \@plus.2ex}{\normalfont\sectfont\usekomafont@section}}
\def\subsection{\@startsection{subsection}{2}{\z@}{-3.25ex\@plus -1ex \@minus -.2ex}{1.5ex \@plus .2ex}{\normalfont\sectfont\usekomafont@subsection}}
\def\subsubsection{\@startsection{subsubsection}{3}{\z@}{-3.25ex\@plus -1ex \@minus -.2ex}{1.5ex \@plus .2ex}{\normalfont\sectfont\usekomafont@subsubsection}}
\def\paragraph{\@startsection{paragraph}{4}{\z@}{3.25ex \@plus1ex \@minus.2ex}{-1em}{\normalfont\sectfont\usekomafont@paragraph}}
\def\usekomafont@section{\Large}\def\usekomafont@subsection{\large}\def\usekomafont@subsubsection{\normalsize}
\def\usekomafont@paragraph{\normalsize}\def\usekomafont@title{\sectfont}\def\usekomafont@disposition{}
\def\@date{\today}\def\@subtitle{}\def\@subject{}\def\@publishers{}\def\@titlehead{}\def\@dedication{}
\def\titlehead#1{\gdef\@titlehead{#1}}\def\dedication#1{\gdef\@dedication{#1}}\newcommand\extratitle[1]{}\newcommand\uppertitleback[1]{}\newcommand\lowertitleback[1]{}
\def\usekomafont@caption{}\def\usekomafont@captionlabel{}
\newcommand\areaset[3][]{\setlength\textwidth{#2}\setlength\textheight{#3}\setlength\oddsidemargin{\dimexpr(\paperwidth-\textwidth)/2-1in\relax}\evensidemargin\oddsidemargin\hsize\textwidth\linewidth\textwidth\columnwidth\textwidth}
\newcommand\typearea[2][]{\KOMAoptions{DIV=#2}}\newcommand\recalctypearea{}\newcommand\DeclareTOCStyleEntry[3][]{}\newcommand\DeclareTOCStyleEntries[3][]{}\newcommand\setfootnoterule[2][]{}\newcommand\setparsizes[3]{}\newcommand\unsettoc[2]{}\newcommand\setuptoc[2]{}\newcommand\BeforeStartingTOC[2][]{}\newcommand\raggedpart{}\newcommand\raggedchapter{}\newcommand\raggedfootnote{}
\newcommand\sectionformat{\thesection\autodot\enskip}\newcommand\subsectionformat{\thesubsection\autodot\enskip}\newcommand\figureformat{\figurename~\thefigure\autodot}\newcommand\tableformat{\tablename~\thetable\autodot}\newcommand\captionformat{: }\newcommand\othersectionlevelsformat[3]{#3\autodot\enskip}
\newcommand\cleardoubleoddpage{\cleardoublepage}\newcommand\cleardoubleevenpage{\cleardoublepage}\newcommand\cleardoubleemptypage{\cleardoublepage}\newcommand\cleardoubleplainpage{\cleardoublepage}\newcommand\ifthispageodd[2]{\ifodd\value{page}#1\else#2\fi}\newcommand\addxcontentsline[4][]{\addcontentsline{#2}{#3}{#4}}
\newenvironment{labeling}[2][]{\begin{list}{}{\def\koma@a{#1}\ifx\koma@a\@empty\settowidth\labelwidth{#2}\else\settowidth\labelwidth{#2#1}\fi\leftmargin\labelwidth\advance\leftmargin\labelsep\def\makelabel##1{##1\hfil#1}}}{\end{list}}
\def\subtitle#1{\gdef\@subtitle{#1}}\def\subject#1{\gdef\@subject{#1}}\def\publishers#1{\gdef\@publishers{#1}}
\def\@maketitle{\ifx\@titlehead\@empty\else\noindent\begin{minipage}[t]{\textwidth}\@titlehead\end{minipage}\par\fi\null\vskip 2em
  \begin{center}%
  \ifx\@subject\@empty\else{\large\@subject\par\vskip 1.5em}\fi
  {\usekomafont@title\huge\@title\par}\vskip .5em
  {\ifx\@subtitle\@empty\else\usekomafont@title\large\@subtitle\par\fi}\vskip 1em
  {\Large\lineskip.5em\begin{tabular}[t]{c}\@author\end{tabular}\par}\vskip 1em
  {\Large\@date\par}\vskip\z@\@plus1em
  {\Large\@publishers\par}\end{center}\par\vskip 2em
  \if@titlepage\ifx\@dedication\@empty\else\vfil\clearpage\thispagestyle{empty}\null\vfill{\centering\Large\@dedication\par}\vskip\z@\@plus3fill\fi\fi}
`;

/** `\setkomafont{section}{\color{blue}}`: the type of a part of the document, anew or besides. */
const fontCommand = (name: string, more: boolean): CommandEntry => ({
  name,
  signature: 'mm',
  description: more
    ? 'Adds to the type of a part of the document.'
    : 'The type of a part of the document.',
  example: `\\${name}{section}{\\itshape}`,
  run: (it, args) => {
    const cellName = `usekomafont@${textOf(it.p, tokensOf(args, 0))}`;
    const before = more ? [it.p.command(cellName)] : [];
    const known = it.state.get(it.state.cell(cellName)) !== undefined;
    it.execute([
      it.p.command('edef'),
      it.p.command(cellName),
      it.p.make(1, '{'),
      it.p.command('unexpanded'),
      ...(known && more ? [it.p.command('expandafter')] : []),
      it.p.make(1, '{'),
      ...(known ? before : []),
      ...tokensOf(args, 1),
      it.p.make(2, '}'),
      it.p.make(2, '}'),
    ]);
  },
});

/** Options within the document: what can change there does. */
function settle(it: Interpreter, options: readonly string[]): void {
  paragraphs(it, valueOf(options, 'parskip') ?? (options.includes('parskip') ? 'full' : null));
  const asked = Number(valueOf(options, 'div'));
  const binding = valueOf(options, 'bcor');
  if (asked > 3)
    typeArea(it, asked, binding ? dimenOf(it, it.p.chars(binding)) : 0, it.read(CELLS.twoSided));
}

const COMMANDS: readonly CommandEntry[] = [
  {
    name: 'koma@rules',
    signature: '',
    description: 'Lines at head and foot, as the options of the class have them.',
    example: '',
    run: (it) => {
      const { head, foot } = it.read(SEPARATORS);
      if (head) it.define(OWN.headRule, head);
      if (foot) it.define(OWN.footRule, foot);
    },
  },
  fontCommand('setkomafont', false),
  fontCommand('addtokomafont', true),
  {
    name: 'KOMAoptions',
    signature: 'm',
    description: 'Settings of these classes, within the document: parskip, DIV, BCOR.',
    example: '\\KOMAoptions{parskip=half}',
    run: (it, args) =>
      settle(
        it,
        tokensText(tokensOf(args, 0))
          .split(',')
          .map((one) => one.trim()),
      ),
  },
  {
    name: 'KOMAoption',
    signature: 'mm',
    description: 'A setting of these classes, within the document.',
    example: '\\KOMAoption{parskip}{half}',
    run: (it, args) =>
      settle(it, [`${textOf(it.p, tokensOf(args, 0))}=${textOf(it.p, tokensOf(args, 1))}`]),
  },
  ...komaFurther,
  macroEntry(
    'usekomafont',
    'm',
    'The type of a part of the document.',
    '{\\usekomafont{section} Tide}',
    '\\csname usekomafont@#1\\endcsname',
  ),
  macroEntry(
    'minisec',
    'm',
    'A small heading that is not counted.',
    '\\minisec{Tide}',
    '\\par\\addvspace{1ex}{\\noindent\\sectfont #1\\par}\\nobreak',
  ),
  macroEntry(
    'captionabove',
    'om',
    'A caption above what it names.',
    '\\begin{table}\\captionabove{Tide}x\\end{table}',
    '{\\@tempskipa\\abovecaptionskip\\abovecaptionskip\\belowcaptionskip\\belowcaptionskip\\@tempskipa\\caption{#2}}',
  ),
  macroEntry(
    'captionbelow',
    'om',
    'A caption below what it names.',
    '\\begin{table}x\\captionbelow{Tide}\\end{table}',
    '\\caption{#2}',
  ),
  macroEntry(
    'marginline',
    'm',
    'A line in the margin.',
    'Tide\\marginline{low}',
    '\\marginpar{#1}',
  ),
  macroEntry(
    'dictum',
    'om',
    'A saying at the right, with who said it.',
    '\\dictum[Marr]{Wait for the tide.}',
    '\\par{\\raggedleft\\parbox{.33\\textwidth}{\\raggedright\\sffamily\\small #2\\par\\vskip 3pt\\hrule\\vskip 2pt\\raggedleft\\itshape(#1)}\\par}',
  ),
];

const OPTIONS = [
  'headings',
  'parskip',
  'twoside',
  'titlepage',
  'DIV',
  'BCOR',
  'fontsize',
  'paper',
  'numbers',
  'toc',
  'listof',
  'bibliography',
  'captions',
  'abstract',
  'headsepline',
  'footsepline',
  'headinclude',
  'footinclude',
  'chapterprefix',
  'appendixprefix',
  'open',
  'twocolumn',
  'draft',
  'version',
  'egregdoesnotlikesansseriftitles',
  'overfullrule',
  'pagesize',
  'cleardoublepage',
  'index',
  'titlepage',
  'leqno',
  'fleqn',
];

const koma = (name: string, description: string, base: ClassEntry): ClassEntry => ({
  ...base,
  name,
  description,
  options: [...base.options, ...OPTIONS],
  commands: [...(base.commands ?? []), ...COMMANDS],
  source: `${base.source ?? ''}${LOOK}${KOMA_NUMBERS}${base.name === 'article' ? KOMA_SECTIONS : KOMA_CHAPTERS}`,
  setup: (it, options) => setUp(it, options, base),
});

/** The classes of the KOMA bundle: article, report and book with a page of their own. */
export const KOMA: readonly ClassEntry[] = [
  koma('scrartcl', 'Sections without chapters, headings without serifs, A4.', article),
  koma('scrreprt', 'Chapters on one side of the paper, headings without serifs, A4.', report),
  koma('scrbook', 'Chapters on both sides of the paper, headings without serifs, A4.', book),
];
