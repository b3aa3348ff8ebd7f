import type { BlockNode } from '../../document/blocks';
import type { Token } from '../../expansion/meaning';
import type { MathReader } from '../mathReader';
import { amsArrows } from '../constructs/longArrows';
import { textOf } from '../../expansion/expandables';
import { setCount } from '../../expansion/registers';
import type { MathNode } from '../../document/math';
import { eqref } from '../constructs/references';
import { numberWithin } from '../constructs/counters';
import { displayEnvironment } from '../constructs/displays';
import { cases, innerAlignment, matrix } from '../constructs/mathArrays';
import { mathEntry as entry } from '../constructs/mathEntry';
import { fractionCommand, modulus, operatorName, stackCommand } from '../constructs/mathStructures';
import { macroOf } from '../define';
import type { CommandEntry, PackageEntry } from '../entries';
import { isStarred, tokensOf } from '../entries';
import { tokensText } from '../../expansion/expandables';

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
  const frame = { rule: it.dimen('fboxrule'), padding: it.dimen('fboxsep') };
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
    return substackRows.math?.(reader, { ...token, text: 'substack' }) ?? null;
  },
);
const substackRows = innerAlignment('substack', 'gathered', false);

/** Equations numbered 1a, 1b … within one number. */
const SUBEQUATIONS = String.raw`
\newcounter{parentequation}
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
      const tokens = reader.argument(token);
      if (reader.rowMarks) reader.rowMarks.textAbove = textBlocks(reader, tokens);
      return null;
    },
  };
}

function textBlocks({ it }: MathReader, tokens: readonly Token[]): readonly BlockNode[] {
  it.setFact('noIndentNext', true, true);
  return it.blocksOf(tokens);
}

/** amsmath: alignments, matrices, text in formulas, tags. */
export const amsmath: PackageEntry = {
  name: 'amsmath',
  source: SUBEQUATIONS,
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
    fractionCommand('dfrac', 'display', null, null, null, 'A fraction of display size.'),
    fractionCommand('tfrac', 'text', null, null, null, 'A fraction of text size.'),
    fractionCommand('cfrac', 'display', null, null, null, 'A continued fraction.'),
    fractionCommand('binom', null, 0, '(', ')', 'A binomial coefficient.'),
    fractionCommand('dbinom', 'display', 0, '(', ')', 'A binomial coefficient of display size.'),
    fractionCommand('tbinom', 'text', 0, '(', ')', 'A binomial coefficient of text size.'),
    stackCommand('overset', 'over', null, 'Something small over a symbol.'),
    stackCommand('underset', 'under', null, 'Something small under a symbol.'),
    entry('notag', '', 'No number on this row.', '\\notag', (reader) => {
      if (reader.rowMarks) reader.rowMarks.numbered = false;
      return null;
    }),
    entry('mod', 'm', 'mod n, with space before it.', 'a \\mod n', (reader, token) =>
      modulus(reader, token, false),
    ),
    {
      name: 'numberwithin',
      signature: 'mm',
      description: 'Numbers one counter within another.',
      package: 'amsmath',
      example: '\\numberwithin{equation}{section}',
      run: (it, args) =>
        numberWithin(it, textOf(it.p, tokensOf(args, 0)), textOf(it.p, tokensOf(args, 1))),
    },
    {
      name: 'allowdisplaybreaks',
      signature: 'o',
      description: 'Displays of several lines may break over pages.',
      example: '\\allowdisplaybreaks',
      package: 'amsmath',
      run: (it) => setCount(it.state, 'interdisplaylinepenalty', 0),
    },
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
      'aligned',
      true,
      'Lines aligned at &, spread over the width.',
      'amsmath',
    ),
    displayEnvironment(
      'flalign*',
      'aligned',
      false,
      'Lines aligned at &, spread over the width.',
      'amsmath',
    ),
    displayEnvironment(
      'alignat',
      'aligned',
      true,
      'Lines aligned at several places, without space between.',
      'amsmath',
      true,
    ),
    displayEnvironment(
      'alignat*',
      'aligned',
      false,
      'Lines aligned at several places, without space between.',
      'amsmath',
      true,
    ),
    matrix('matrix', null, null),
    matrix('pmatrix', '(', ')'),
    matrix('bmatrix', '[', ']'),
    matrix('Bmatrix', '{', '}'),
    matrix('vmatrix', '|', '|'),
    matrix('Vmatrix', '‖', '‖'),
    matrix('smallmatrix', null, null, true),
    cases('cases', 'text', '{', null),
    innerAlignment('aligned', 'aligned', true),
    innerAlignment('alignedat', 'aligned', true),
    innerAlignment('gathered', 'gathered', true),
    innerAlignment('split', 'aligned', false),
  ],
  setup: (it, options) => {
    if (options.includes('leqno')) it.setFact('leqno', true, true);
    if (options.includes('fleqn')) it.setFact('fleqn', true, true);
  },
};
