import { CELLS } from '../machine/cells';
import type { BlockNode } from '../../document/blocks';
import type { Token } from '../../expansion/meaning';
import type { MathReader } from '../machine/mathReader';
import { amsArrows } from '../constructs/longArrows';
import { textOf, tokensText } from '../../expansion/tokenText';
import { readOptional } from '../../expansion/arguments';
import type { Interpreter } from '../machine/interpreter';
import { setCount } from '../../expansion/registers';
import type { MathNode } from '../../document/math';
import { eqref } from '../constructs/references';
import { numberWithin } from '../constructs/counters';
import { displayEnvironment } from '../constructs/displays';
import { arrayNamed, dotsOver } from '../constructs/mathArrays';
import { amsMatrices, readSubarray } from '../constructs/mathMatrices';
import { mathEntry as entry } from '../constructs/mathEntry';
import { amsAccents } from '../constructs/mathAccents';
import { boldCommand, poorMansBold } from '../constructs/mathAlphabets';
import { amsDots } from '../constructs/mathDots';
import { amsFractions } from '../constructs/mathFractions';
import { amsPlaced } from '../constructs/mathPlaced';
import { amsSpaces } from '../constructs/mathSpaces';
import { operatorName } from '../constructs/mathStructures';
import { functionCommand, largeOperator } from '../constructs/mathSymbols';
import { macroEntry } from '../machine/macroEntry';
import { AMS_OPERATORS } from '../symbols/symbols';
import { macroOf } from '../machine/define';
import { type CommandEntry, isStarred, type PackageEntry, tokensOf } from '../machine/entries';

/** `\DeclareMathOperator{\rank}{rank}`. */
const declareOperator: CommandEntry = {
  name: 'DeclareMathOperator',
  signature: 'smm',
  description: 'A named function of your own.',
  example: '\\DeclareMathOperator{\\rank}{rank}',
  package: 'amsmath',
  run: (it, args) => {
    const target = tokensOf(args, 1).find((t) => t.cell !== null);
    const star = isStarred(args) ? '*' : '';
    const body = `\\operatorname${star}{${tokensText(tokensOf(args, 2))}}`;
    if (target?.cell) it.state.set(target.cell, macroOf(it.state, body), true);
  },
};

/** `\tag{…}` and `\tag*{…}`. */
const tag = entry(
  'tag',
  'sm',
  'A mark of your own in place of the number.',
  'a = b \\tag{$\\ast$}',
  (reader, token) => {
    const bare = reader.p.takeChar('*');
    const tokens = reader.argument(token);
    if (reader.rowMarks) reader.rowMarks.tag = { tokens, bare };
    return null;
  },
);

const text = entry(
  'text',
  'm',
  'Words inside a formula.',
  'x > 0 \\text{ for all } x',
  (reader, token) => {
    const inlines = reader.it.inlinesOf(reader.argument(token));
    return { kind: 'text', inlines, ...reader.span(token) };
  },
);

const boxed = entry('boxed', 'm', 'A formula in a frame.', '\\boxed{x = 2}', (reader, token) => {
  const { it } = reader;
  const at = reader.span(token);
  const list: MathNode[] = [{ kind: 'style', style: 'display', ...at }, ...reader.field(token)];
  const frame = {
    rule: it.dimen('fboxrule'),
    padding: it.dimen('fboxsep'),
    color: reader.color,
  };
  const inner = { kind: 'math' as const, list, font: it.font, ...at };
  return {
    kind: 'text',
    ...reader.span(token),
    inlines: [
      {
        kind: 'box',
        inlines: [inner],
        width: null,
        align: 'center',
        raise: 0,
        hidden: false,
        frame,
        grow: false,
        ...at,
      },
    ],
  };
});

const substack = entry(
  'substack',
  'm',
  'Several lines under an operator.',
  '\\sum_{\\substack{i<n\\\\ i\\ne k}} a_i',
  (reader, token) => {
    const tokens = reader.argument(token);
    const { p } = reader;
    const name = p.chars('substack');
    p.push([...tokens, p.command('end'), p.make(1, '{'), ...name, p.make(2, '}')]);
    return readSubarray(reader, { ...token, text: 'substack' }, 'c');
  },
);

const AMS_FUNCTIONS: readonly (readonly [string, string])[] = [
  ['injlim', 'inj lim'],
  ['projlim', 'proj lim'],
];

/** A macro without arguments that belongs in formulas. */
const formula = (name: string, what: string, body: string): CommandEntry =>
  macroEntry(name, '', what, `$a \\${name} b$`, body);

const CAPITALS = 'Gamma Delta Theta Lambda Xi Pi Sigma Upsilon Phi Psi Omega'.split(' ');

const amsMacros: readonly CommandEntry[] = [
  formula('implies', 'Implies, with space around it.', '\\;\\Longrightarrow\\;'),
  formula('impliedby', 'Is implied by, with space around it.', '\\;\\Longleftarrow\\;'),
  formula('idotsint', 'Integrals with dots between them.', '\\int\\!\\cdots\\!\\int'),
  formula(
    'varlimsup',
    'The upper limit, as a line over lim.',
    '\\mathop{\\overline{\\mathrm{lim}}}',
  ),
  formula(
    'varliminf',
    'The lower limit, as a line under lim.',
    '\\mathop{\\underline{\\mathrm{lim}}}',
  ),
  formula('varinjlim', 'The direct limit.', '\\mathop{\\underrightarrow{\\mathrm{lim}}}'),
  formula('varprojlim', 'The inverse limit.', '\\mathop{\\underleftarrow{\\mathrm{lim}}}'),
  ...CAPITALS.map((name) => formula(`var${name}`, `Italic ${name}.`, `\\mathit{\\${name}}`)),
  // `\\mskip2mu\\mathpunct{}\\mkern-\\thinmuskip{:}\\mskip6mu`
  formula(
    'colon',
    'A colon as in f: A → B, closer to what stands before it.',
    '\\mskip 2mu{:}\\mskip 6mu\\relax',
  ),
];

/** Equations numbered 1a, 1b … within one number. */
const SUBEQUATIONS = String.raw`
\def\tmspace#1#2#3{\relax\ifmmode\mskip#1#2\relax\else\kern#1#3\relax\fi}
\newcounter{parentequation}
\def\ext@arrow#1#2#3#4#5#6#7{#5{#6}{#7}}\def\@longbetween#1#2#3{\mathrel{\mathop{#3}\limits^{#2}_{#1}}}
\def\rightarrowfill@#1#2{\xrightarrow[#1]{#2}}\def\leftarrowfill@#1#2{\xleftarrow[#1]{#2}}\def\arrowfill@#1#2#3#4#5{\xrightarrow[#4]{#5}}
\def\leftrightarrowfill@#1#2{\@longbetween{#1}{#2}{\longleftrightarrow}}\def\Rightarrowfill@#1#2{\@longbetween{#1}{#2}{\Longrightarrow}}
\def\Leftarrowfill@#1#2{\@longbetween{#1}{#2}{\Longleftarrow}}\def\Leftrightarrowfill@#1#2{\@longbetween{#1}{#2}{\Longleftrightarrow}}
\def\env@matrix{}\newcounter{MaxMatrixCols}\setcounter{MaxMatrixCols}{10}
\newenvironment{subequations}{\refstepcounter{equation}\edef\theparentequation{\theequation}%
  \setcounter{parentequation}{\value{equation}}\setcounter{equation}{0}%
  \def\theequation{\theparentequation\alph{equation}}\ignorespaces}%
  {\setcounter{equation}{\value{parentequation}}\ignorespacesafterend}
`;

/** Text over the whole width between two rows of a display. */
function interText(name: string, description: string): CommandEntry {
  return {
    name,
    signature: 'M',
    description,
    example: `\\begin{align*}a &= b \\\\ \\${name}{and} c &= d\\end{align*}`,
    math: (reader, token) => {
      const { p } = reader;
      const tokens = reader.argument(token);
      // Within a row it ends the row first (amsmath's `\intertext@`).
      if (reader.current.length > 0) {
        p.push([p.command('\\'), token, p.make(1, '{'), ...tokens, p.make(2, '}')]);
        return null;
      }
      if (reader.rowMarks) reader.rowMarks.textAbove = textBlocks(reader, tokens);
      return null;
    },
  };
}

function textBlocks({ it }: MathReader, tokens: readonly Token[]): readonly BlockNode[] {
  it.write(CELLS.noIndentNext, true, true);
  return it.blocksOf(tokens);
}

/** How readily a display of several lines breaks after any of them, by the grade asked for. */
const BREAKS = [10000, 9999, 6999, 2999, 0];
/** A break wished for at one place (`\\@lowpenalty` and its kin), by grade. */
const WISHES = [0, -51, -151, -301, -10000];

const grade = (it: Interpreter, tokens: readonly Token[], table: readonly number[]): number =>
  table[tokens.length === 0 ? 4 : Number(textOf(it.p, tokens))] ?? 0;

const displayBreaks: readonly CommandEntry[] = [
  {
    name: 'allowdisplaybreaks',
    signature: 'o',
    description: 'Displays of several lines may break over pages; [1] to [4] say how readily.',
    example: '\\allowdisplaybreaks',
    package: 'amsmath',
    run: (it, args) =>
      setCount(it.state, 'interdisplaylinepenalty', grade(it, tokensOf(args, 0), BREAKS)),
  },
  entry(
    'displaybreak',
    'o',
    'A page break behind this line of a display; [0] to [4] say how much it is wished for.',
    '\\displaybreak',
    (reader) => {
      const optional = readOptional(reader.p, false) ?? [];
      if (reader.rowMarks) reader.rowMarks.breakBelow = grade(reader.it, optional, WISHES);
      return null;
    },
  ),
];

const shove = (side: 'left' | 'right'): CommandEntry =>
  entry(
    `shove${side}`,
    'm',
    `This line of a multline stands at the ${side}.`,
    `\\shove${side}{x}`,
    (reader, token) => {
      readOptional(reader.p, false);
      if (reader.rowMarks) reader.rowMarks.shove = side;
      return reader.field(token);
    },
  );
const shoves: readonly CommandEntry[] = [shove('left'), shove('right')];

/** amsmath: alignments, matrices, text in formulas, tags. */
export const amsmath: PackageEntry = {
  name: 'amsmath',
  // Names of its own that documents lean on have nothing to do here.
  source: `${SUBEQUATIONS}\\def\\Let@{}\\def\\restore@math@cr{}\\def\\default@tag{}`,
  description: 'Aligned lines, matrices, cases, text in formulas.',
  options: [
    'leqno',
    'reqno',
    'fleqn',
    'intlimits',
    'nointlimits',
    'sumlimits',
    'nosumlimits',
    'namelimits',
    'nonamelimits',
    'centertags',
    'tbtags',
  ],
  commands: [
    interText('intertext', 'Text between two lines of an alignment.'),
    interText('shortintertext', 'The same with less space around it.'),
    ...amsArrows,
    declareOperator,
    tag,
    text,
    boxed,
    substack,
    eqref,
    operatorName('operatorname', 'A function in upright letters; with a star it takes limits.'),
    operatorName(
      'operatornamewithlimits',
      'A function in upright letters that takes limits.',
      true,
    ),
    ...amsFractions,
    ...amsAccents,
    ...amsDots,
    ...amsPlaced,
    ...amsSpaces,
    ...AMS_OPERATORS.map((operator) => largeOperator(operator)),
    ...AMS_FUNCTIONS.map(([name, text]) => functionCommand(name, text, true)),
    ...amsMacros,
    boldCommand('boldsymbol'),
    poorMansBold,
    dotsOver,
    entry('notag', '', 'No number on this row.', '\\notag', (reader) => {
      if (reader.rowMarks) reader.rowMarks.numbered = false;
      return null;
    }),
    {
      name: 'numberwithin',
      signature: 'mm',
      description: 'Numbers one counter within another.',
      package: 'amsmath',
      example: '\\numberwithin{equation}{section}',
      run: (it, args) =>
        numberWithin(it, textOf(it.p, tokensOf(args, 0)), textOf(it.p, tokensOf(args, 1))),
    },
    ...displayBreaks,
    ...shoves,
  ],
  environments: [
    displayEnvironment(
      'equation*',
      'single',
      false,
      'A displayed formula without a number.',
      'amsmath',
    ),
    displayEnvironment(
      'align',
      'aligned',
      true,
      'Lines aligned at &, each with a number.',
      'amsmath',
    ),
    displayEnvironment('align*', 'aligned', false, 'Lines aligned at &.', 'amsmath'),
    displayEnvironment('gather', 'gathered', true, 'Centred lines, each with a number.', 'amsmath'),
    displayEnvironment('gather*', 'gathered', false, 'Centred lines.', 'amsmath'),
    displayEnvironment(
      'multline',
      'multiline',
      true,
      'One long formula over several lines.',
      'amsmath',
    ),
    displayEnvironment(
      'multline*',
      'multiline',
      false,
      'One long formula over several lines.',
      'amsmath',
    ),
    displayEnvironment(
      'flalign',
      'alignedFull',
      true,
      'Lines aligned at &, spread over the width.',
      'amsmath',
    ),
    displayEnvironment(
      'flalign*',
      'alignedFull',
      false,
      'Lines aligned at &, spread over the width.',
      'amsmath',
    ),
    displayEnvironment(
      'alignat',
      'alignedAt',
      true,
      'Lines aligned at several places, without space between.',
      'amsmath',
      true,
    ),
    displayEnvironment(
      'alignat*',
      'alignedAt',
      false,
      'Lines aligned at several places, without space between.',
      'amsmath',
      true,
    ),
    displayEnvironment(
      'xalignat',
      'aligned',
      true,
      'An old form of align that is told how many pairs it has.',
      'amsmath',
      true,
    ),
    displayEnvironment(
      'xalignat*',
      'aligned',
      false,
      'An old form of align* that is told how many pairs it has.',
      'amsmath',
      true,
    ),
    displayEnvironment(
      'xxalignat',
      'alignedFull',
      false,
      'An old form of flalign* that is told how many pairs it has.',
      'amsmath',
      true,
    ),
    arrayNamed('darray'),
    ...amsMatrices,
  ],
  setup: (it, options) => {
    if (options.includes('leqno')) it.write(CELLS.leqno, true, true);
    if (options.includes('reqno')) it.write(CELLS.leqno, false, true);
    if (options.includes('fleqn')) it.write(CELLS.fleqn, true, true);
  },
};
