import { arcs } from '../constructs/mathAccents';
import { CELLS } from '../machine/cells';
import type { PackageEntry, SourceName } from '../machine/entries';
import { sourceCommand, sourceEnvironment, sourcePackage } from '../machine/macroEntry';
import { scaledThings } from './scaledThings';

const centernot = sourcePackage(
  'centernot',
  'Relations struck through in their middle.',
  [
    sourceCommand(
      'centernot',
      'm',
      'The relation struck through in its middle.',
      '$a \\centernot\\to b$',
    ),
  ],
  String.raw`
\newcommand\centernot[1]{\mathrel{\mathpalette\cnot@strike{#1}}}
\newsavebox\cnot@box
\def\cnot@strike#1#2{\sbox\cnot@box{$\m@th#1#2$}\rlap{\hbox to\wd\cnot@box{\hss$\m@th#1/$\hss}}\usebox\cnot@box}
`,
);

const leftidx = sourcePackage(
  'leftidx',
  'Indices to the left of a sign.',
  [
    sourceCommand(
      'leftidx',
      'mmm',
      'What stands at the left, the sign, what stands at the right.',
      '$\\leftidx{^a_b}{T}{_c}$',
    ),
    sourceCommand('ltrans', 'm', 'A transposed matrix, its mark at the left.', '$\\ltrans{A}$'),
  ],
  String.raw`
\newcommand\leftidx[3]{{\vphantom{#2}}#1#2#3}\newcommand\ltrans[1]{\leftidx{^{\mathrm{t}}}{#1}{}}
`,
);

const fouridx = sourcePackage(
  'fouridx',
  'Indices at all four corners of a sign.',
  [
    sourceCommand(
      'fourIdx',
      'mmmmm',
      'Upper and lower left, upper and lower right, the sign.',
      '$\\fourIdx{a}{b}{c}{d}{T}$',
    ),
  ],
  String.raw`\newcommand\fourIdx[5]{{\vphantom{#5}}_{#2}^{#1}{#5}_{#4}^{#3}}`,
);

const slashed = sourcePackage(
  'slashed',
  'Signs struck through.',
  [sourceCommand('slashed', 'm', 'A sign struck through.', '$\\slashed{D}$')],
  String.raw`
\newsavebox\sla@box\newcommand\slashed[1]{\mathord{\mathpalette\sla@strike{#1}}}
\def\sla@strike#1#2{\sbox\sla@box{$\m@th#1#2$}\rlap{\hbox to\wd\sla@box{\hss$\m@th#1/$\hss}}\usebox\sla@box}
\newcommand\declareslashed[5]{}
`,
);

const harpoon = sourcePackage(
  'harpoon',
  'Harpoons over and under letters.',
  [
    sourceCommand('overrightharp', 'm', 'A harpoon over letters.', '$\\overrightharp{AB}$'),
    sourceCommand(
      'overleftharp',
      'm',
      'A harpoon to the left over letters.',
      '$\\overleftharp{AB}$',
    ),
  ],
  String.raw`
\newcommand\overrightharp[1]{\overset{\rightharpoonup}{#1}}\newcommand\overleftharp[1]{\overset{\leftharpoonup}{#1}}
\newcommand\overrightharpdown[1]{\overset{\rightharpoondown}{#1}}\newcommand\overleftharpdown[1]{\overset{\leftharpoondown}{#1}}
\newcommand\underrightharp[1]{\underset{\rightharpoonup}{#1}}\newcommand\underleftharp[1]{\underset{\leftharpoonup}{#1}}
`,
  ['amsmath'],
);

const numprint = sourcePackage(
  'numprint',
  'Numbers in groups of three.',
  [
    sourceCommand(
      'numprint',
      'om',
      'A number in groups of three, a unit behind it.',
      '\\numprint[m]{12345.678}',
    ),
    sourceCommand(
      'npthousandsep',
      'm',
      'What parts the groups.',
      '\\npthousandsep{,}\\numprint{12345}',
    ),
    sourceCommand(
      'npdecimalsign',
      'm',
      'The sign before the fraction.',
      '\\npdecimalsign{,}\\numprint{1.5}',
    ),
  ],
  String.raw`
\newcommand\numprint[2][]{\begingroup\sisetup{group-minimum-digits=4}\def\np@unit{#1}\ifx\np@unit\@empty\num{#2}\else\SI{#2}{#1}\fi\endgroup}
\newcommand\nprounddigits[1]{\sisetup{round-mode=places,round-precision=#1}}\newcommand\npnoround{\sisetup{round-mode=none}}
\newcommand\npthousandsep[1]{\sisetup{group-separator={#1}}}\newcommand\npdecimalsign[1]{\sisetup{output-decimal-marker={#1}}}
\newcommand\npthousandthpartsep[1]{}\newcommand\npproductsign[1]{}\newcommand\npunitcommand[1]{}\newcommand\nplpadding[1]{}\newcommand\npfourdigitnosep{}\newcommand\npfourdigitsep{}\newcommand\npaddmissingzero{}\newcommand\npnoaddmissingzero{}
`,
  ['siunitx'],
);

const eurosym = sourcePackage(
  'eurosym',
  'The sign of the euro.',
  [
    sourceCommand('euro', '', 'The sign of the euro.', '\\euro'),
    sourceCommand('EUR', 'm', 'A sum in euro.', '\\EUR{12}'),
  ],
  '\\newcommand\\euro{\\texteuro}\\providecommand\\EUR[1]{#1\\,\\texteuro}\\let\\officialeuro\\euro',
);

const arcPackage = (name: string): PackageEntry => ({
  ...sourcePackage(
    name,
    'Arcs over letters, and dots that rise.',
    [
      sourceCommand('adots', '', 'Dots that rise.', '$\\adots$'),
      sourceCommand('widetriangle', 'm', 'A hat over letters.', '$\\widetriangle{AB}$'),
    ],
    '\\providecommand\\adots{\\iddots}\\newcommand\\widetriangle[1]{\\widehat{#1}}\\providecommand\\ring[1]{\\mathring{#1}}\\providecommand\\widering[1]{\\mathring{\\wideparen{#1}}}',
    ['amsmath', 'mathdots'],
  ),
  commands: arcs,
});

const isomath = sourcePackage(
  'isomath',
  'Vectors, matrices and tensors as standards write them.',
  [
    sourceCommand('vectorsym', 'm', 'A vector.', '$\\vectorsym{v}$'),
    sourceCommand('matrixsym', 'm', 'A matrix.', '$\\matrixsym{A}$'),
    sourceCommand('tensorsym', 'm', 'A tensor.', '$\\tensorsym{T}$'),
  ],
  '\\newcommand\\vectorsym[1]{\\boldsymbol{#1}}\\newcommand\\matrixsym[1]{\\boldsymbol{#1}}\\newcommand\\tensorsym[1]{\\boldsymbol{\\mathsf{#1}}}\\providecommand\\mathbfit[1]{\\boldsymbol{#1}}\\providecommand\\mathsfbfit[1]{\\boldsymbol{\\mathsf{#1}}}',
  ['amsmath'],
);

const textgreek = sourcePackage(
  'textgreek',
  'Greek letters in text.',
  'alpha beta gamma delta epsilon zeta eta theta kappa lambda mu nu xi pi rho sigma tau phi chi psi omega'
    .split(' ')
    .map((name) => sourceCommand(`text${name}`, '', 'A Greek letter in text.', `\\text${name}`)),
  'alpha beta gamma delta epsilon zeta eta theta iota kappa lambda mu nu xi pi rho sigma tau upsilon phi chi psi omega'
    .split(' ')
    .map((name) => `\\providecommand\\text${name}{\\ensuremath{\\up@greek\\${name}}}`)
    .join('') + '\\def\\up@greek#1{#1}',
);

const program = (name: string): SourceName =>
  sourceEnvironment(
    name,
    'mmmm',
    'What is to be made small or large, under its constraints: variable, aim, label, value.',
    `\\begin{${name}}{x}{f(x)}{}{}\n\\addConstraint{g(x)}{\\le 0}\n\\end{${name}}`,
  );
const PROGRAMS = [
  ['mini', 'minimize', 'min'],
  ['maxi', 'maximize', 'max'],
  ['argmini', 'arg\\,min', 'arg\\,min'],
  ['argmaxi', 'arg\\,max', 'arg\\,max'],
] as const;

/** optidef: optimisation problems with their constraints below one another. */
const optidef = sourcePackage(
  'optidef',
  'Optimisation problems with their constraints.',
  [
    ...PROGRAMS.flatMap(([name]) => [program(name), program(`${name}*`)]),
    sourceCommand(
      'addConstraint',
      'moo',
      'A constraint: its left side, its right side, what holds.',
      '\\begin{mini}{x}{x^2}{}{}\\addConstraint{x}{\\ge 1}\\end{mini}',
    ),
  ],
  String.raw`
\def\opt@long{l}\def\opt@st{\text{subject to}}
\newcommand\opt@size[1]{\def\opt@kind{#1}\ifx\opt@kind\opt@long\gdef\opt@now{\opt@st}\else\gdef\opt@now{\text{s.t.}}\fi}
\NewDocumentCommand\addConstraint{m G{} G{}}{\\&\opt@now\gdef\opt@now{}&\quad&#1&&#2&\quad&#3}
\def\opt@word#1{\ifx\opt@kind\opt@long\text{\@nameuse{opt@l@#1}}\else\text{\@nameuse{opt@s@#1}}\fi}
` +
    PROGRAMS.map(
      ([name, long, short]) => String.raw`
\@namedef{opt@l@${name}}{${long}}\@namedef{opt@s@${name}}{${short}}
\NewDocumentEnvironment{${name}}{D||{l} O{0} D<>{d} m m m m +b}{\begin{equation}#6\opt@whole{${name}}{#1}{#4}{#5}{#7}{#8}\end{equation}}{}
\NewDocumentEnvironment{${name}*}{D||{l} O{0} D<>{d} m m m m +b}{\begin{equation*}\opt@whole{${name}}{#1}{#4}{#5}{#7}{#8}\end{equation*}}{}
\NewDocumentEnvironment{${name}!}{D||{l} O{0} D<>{d} m m m m +b}{\begin{equation}#6\opt@whole{${name}}{#1}{#4}{#5}{#7}{#8}\end{equation}}{}`,
    ).join('') +
    String.raw`
\def\opt@whole#1#2#3#4#5#6{\opt@size{#2}\begin{alignedat}{5}&#5\underset{#3}{\opt@word{#1}}&\quad&\mathrlap{#4}#6\end{alignedat}}
`,
  ['amsmath', 'mathtools'],
);

const drawnBelow = sourcePackage(
  'pict2e',
  'Lines and circles of any slope and size in pictures.',
  [
    sourceCommand(
      'Line',
      '',
      'A line from one point to another.',
      '\\begin{picture}(20,20)\\Line(0,0)(20,10)\\end{picture}',
    ),
    sourceCommand(
      'polygon',
      '',
      'A closed line through points.',
      '\\begin{picture}(20,20)\\polygon(0,0)(20,10)(0,10)\\end{picture}',
    ),
    sourceCommand(
      'polyline',
      '',
      'A line through points.',
      '\\begin{picture}(20,20)\\polyline(0,0)(20,10)(0,10)\\end{picture}',
    ),
  ],
  String.raw`
\def\Line(#1,#2)(#3,#4){\qbezier(#1,#2)(\fpeval{((#1)+(#3))/2},\fpeval{((#2)+(#4))/2})(#3,#4)}
\def\polyline(#1,#2){\@ifnextchar({\pte@next{#1}{#2}{}}{}}
\def\pte@next#1#2#3(#4,#5){\Line(#1,#2)(#4,#5)\@ifnextchar({\pte@next{#4}{#5}{#3}}{#3}}
\def\polygon{\@ifstar\pte@polygon\pte@polygon}
\def\pte@polygon(#1,#2){\@ifnextchar({\pte@round{#1}{#2}{#1}{#2}}{}}
\def\pte@round#1#2#3#4(#5,#6){\Line(#3,#4)(#5,#6)\@ifnextchar({\pte@round{#1}{#2}{#5}{#6}}{\Line(#5,#6)(#1,#2)}}
`,
);

/** Packages of notation that coursework asks for now and then. */
export const wantedNotation: readonly PackageEntry[] = [
  centernot,
  leftidx,
  fouridx,
  slashed,
  harpoon,
  numprint,
  eurosym,
  arcPackage('yhmath'),
  arcPackage('arcs'),
  isomath,
  ...scaledThings,
  textgreek,
  optidef,
  drawnBelow,
  {
    name: 'icomma',
    description: 'A comma with no blank behind it is part of a number.',
    options: null,
    setup: (it) => it.write(CELLS.numberComma, true, true),
  },
  sourcePackage(
    'fixmath',
    'Letters as standards write them.',
    [],
    '\\providecommand\\mathbold[1]{\\boldsymbol{#1}}',
    ['amsmath'],
  ),
  sourcePackage(
    'mathcomp',
    'Signs of text in formulas.',
    [],
    '\\providecommand\\tcohm{\\Omega}\\providecommand\\tcmu{\\mu}\\providecommand\\tcdegree{^\\circ}\\providecommand\\tcperthousand{\\text{\\textperthousand}}',
    ['amsmath'],
  ),
];
