import { textOf } from '../../expansion/tokenText';
import { extraMarks } from '../constructs/pageStyle';
import { shortVerbs } from '../constructs/shortVerb';
import type { PackageEntry } from '../machine/entries';
import { sourceCommand as command, sourcePackage } from '../machine/macroEntry';

/** placeins: floats come before what stands behind a barrier. */
const placeins: PackageEntry = {
  name: 'placeins',
  description: 'Barriers that floats do not pass.',
  options: ['section', 'above', 'below', 'verbose'],
  commands: [
    {
      name: 'FloatBarrier',
      signature: '',
      package: 'placeins',
      description: 'Figures and tables from above are placed before what follows.',
      example: '\\FloatBarrier',
      run: (it) => it.addBlock({ kind: 'clear', odd: false, barrier: true }),
    },
  ],
  setup: (it, options) => {
    if (options.some((one) => textOf(it.p, it.source(one)).trim() === 'section'))
      it.execute(it.source('\\let\\pl@section\\section\\def\\section{\\FloatBarrier\\pl@section}'));
  },
};

/** Switches that tell which program sets the sheet; the one most files are written for holds here. */
const ENGINES = String.raw`
\@ifundefined{ifPDFTeX}{\newif\ifPDFTeX\PDFTeXtrue\newif\ifpdftex\pdftextrue\newif\ifXeTeX\newif\ifxetex\newif\ifLuaTeX\newif\ifluatex\newif\ifTUTeX\newif\iftutex\newif\ifpTeX\newif\ifupTeX\newif\ifAlephTeX}{}
\def\RequirePDFTeX{}\def\RequireXeTeX{}\def\RequireLuaTeX{}\def\RequireTUTeX{}
`;

const microtype = sourcePackage(
  'microtype',
  'Finer spacing of letters: protrusion and expansion change no line here; letters set apart are set so.',
  [
    command('textls', 'sm', 'Letters set apart.', '\\textls{TIDE}'),
    command('microtypesetup', 'm', 'Settings of microtype.', '\\microtypesetup{protrusion=false}'),
  ],
  String.raw`
\NewDocumentCommand\textls{sO{100}m}{\ls@apart#3\relax}
\def\ls@apart{\futurelet\ls@next\ls@one}\def\ls@one{\ifx\ls@next\relax\let\ls@do\ls@end\else\ifx\ls@next\@sptoken\let\ls@do\ls@space\else\let\ls@do\ls@letter\fi\fi\ls@do}
\def\ls@letter#1{#1\kern.1em\ls@apart}\def\ls@space{\space\afterassignment\ls@apart\let\ls@next= }\def\ls@end\relax{}
\def\lsstyle{}\def\lslig#1{#1}\newcommand\microtypesetup[1]{}\newcommand\DisableLigatures[2][]{}\newcommand\SetTracking[3][]{}\newcommand\SetProtrusion[3][]{}\newcommand\SetExpansion[3][]{}\newcommand\SetExtraSpacing[3][]{}\newcommand\SetExtraKerning[3][]{}
\newcommand\DeclareMicrotypeSet[3][]{}\newcommand\UseMicrotypeSet[2][]{}\newcommand\microtypecontext[1]{}\newcommand\LoadMicrotypeFile[1]{}\newenvironment{microtypecontextblock}[1]{}{}
`,
);

const tools: readonly PackageEntry[] = [
  sourcePackage(
    'letltxmacro',
    'Copies of commands.',
    [
      command(
        'LetLtxMacro',
        'mm',
        'Makes a command mean what another one means now.',
        '\\LetLtxMacro{\\tide}{\\textbf}\\tide{ebb}',
      ),
    ],
    String.raw`\def\LetLtxMacro#1#2{\let#1#2}\def\GlobalLetLtxMacro#1#2{\global\let#1#2}`,
  ),
  sourcePackage(
    'iftex',
    'Switches for the program that sets the sheet; the first of them holds here.',
    [command('ifPDFTeX', '', 'A switch that holds here.', '\\ifPDFTeX yes\\else no\\fi')],
    ENGINES,
  ),
  sourcePackage('ifxetex', 'A switch for another program; it does not hold here.', [], ENGINES),
  sourcePackage('ifluatex', 'A switch for another program; it does not hold here.', [], ENGINES),
  sourcePackage(
    'ifpdf',
    'Is a PDF made? It is.',
    [command('ifpdf', '', 'A switch: yes where a PDF is made.', '\\ifpdf yes\\else no\\fi')],
    String.raw`\newif\ifpdf\pdftrue`,
  ),
  sourcePackage(
    'bookmark',
    'Bookmarks in the PDF.',
    [
      command('bookmark', 'om', 'A bookmark of your own.', '\\bookmark[level=1]{Tide}'),
      command('bookmarksetup', 'm', 'How bookmarks look.', '\\bookmarksetup{open}'),
    ],
    String.raw`\newcommand\bookmark[2][]{}\newcommand\bookmarksetup[1]{}\newcommand\bookmarksetupnext[1]{}\newcommand\bookmarkget[1]{}\newcommand\BookmarkAtEnd[1]{}`,
    ['hyperref'],
  ),
  sourcePackage(
    'aliascnt',
    'Counters that are one.',
    [
      command(
        'newaliascnt',
        'mm',
        'A name for a counter that is there.',
        '\\newaliascnt{tide}{section}\\aliascntresetthe{tide}',
      ),
      command(
        'aliascntresetthe',
        'm',
        'It is printed like the one it stands for.',
        '\\newaliascnt{tide}{section}\\aliascntresetthe{tide}',
      ),
    ],
    String.raw`
\newcommand\newaliascnt[2]{\expandafter\let\csname c@#1\expandafter\endcsname\csname c@#2\endcsname\@namedef{the#1}{\csname the#2\endcsname}\expandafter\let\csname alias@#1\endcsname\relax}
\newcommand\aliascntresetthe[1]{}`,
  ),
  sourcePackage(
    'kvoptions',
    'Options by names and values.',
    [
      command(
        'DeclareStringOption',
        'om',
        'An option that holds words.',
        '\\DeclareStringOption[low]{tide}',
      ),
    ],
    String.raw`
\def\kvo@prefix{}\newcommand\SetupKeyvalOptions[1]{\setkeys{kvosetup}{#1}}\define@key{kvosetup}{family}{\def\kvo@family{#1}}\define@key{kvosetup}{prefix}{\def\kvo@prefix{#1}}\def\kvo@family{kvo}
\newcommand\DeclareStringOption[2][]{\@namedef{\kvo@prefix#2}{#1}\define@key{\kvo@family}{#2}{\@namedef{\kvo@prefix#2}{##1}}}
\newcommand\DeclareBoolOption[2][false]{\expandafter\newif\csname if\kvo@prefix#2\endcsname\csname\kvo@prefix#2#1\endcsname\define@key{\kvo@family}{#2}[true]{\csname\kvo@prefix#2##1\endcsname}}
\newcommand\DeclareVoidOption[2]{\define@key{\kvo@family}{#1}[]{#2}}\newcommand\DeclareComplementaryOption[2]{}\newcommand\DeclareDefaultOption[1]{}\newcommand\DisableKeyvalOption[3][]{}\newcommand\AddToKeyvalOption[3]{}
\newcommand\ProcessKeyvalOptions{\@ifstar{}\@gobble}\newcommand\ProcessLocalKeyvalOptions{\@ifstar{}\@gobble}`,
    ['keyval'],
  ),
];

const lastPages: readonly PackageEntry[] = ['zref-lastpage', 'zref-abspage', 'zref'].map((name) =>
  sourcePackage(
    name,
    'References of their own; the last page is known.',
    [command('zpageref', 'm', 'The page of a label.', '\\zpageref{LastPage}')],
    String.raw`\providecommand\zpageref[1]{\pageref{#1}}\providecommand\zref[2][]{\ref{#2}}\providecommand\zlabel[1]{\label{#1}}`,
    ['lastpage'],
  ),
);

/** Small packages that class and style files are written with. */
export const toolPackages: readonly PackageEntry[] = [
  placeins,
  microtype,
  ...lastPages,
  {
    name: 'extramarks',
    description: 'A second pair of texts for running heads.',
    options: null,
    commands: extraMarks,
  },
  {
    name: 'shortvrb',
    description: 'Text as it is typed between two of a character.',
    options: null,
    commands: shortVerbs('MakeShortVerb', 'DeleteShortVerb'),
  },
  ...tools,
];
