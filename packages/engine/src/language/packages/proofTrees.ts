import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { environmentTokens } from '../machine/environmentTokens';
import { tokensOf, type Args, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';

/** The trees that were begun and not used yet, as formulas; the labels of the next rule. */
const STACK = cell<readonly (readonly Token[])[]>('prooftrees', []);
const LABELS = cell<readonly [left: readonly Token[] | null, right: readonly Token[] | null]>(
  'prooflabels',
  [null, null],
);

const group = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(1, '{'),
  ...tokens,
  it.p.make(2, '}'),
];
const inText = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.command('mbox'),
  ...group(it, tokens),
];

const inFormula = (it: Interpreter, tokens: readonly Token[]): Token[] => {
  const dollar = it.p.make(3, '$');
  return [dollar, ...tokens, dollar];
};

/** A rule: what it follows from side by side over a line, what follows below. */
function infer(
  it: Interpreter,
  count: number,
  conclusion: readonly Token[],
  line = '\\hline ',
): void {
  const stack = it.read(STACK);
  const above = stack.slice(Math.max(0, stack.length - count));
  const [left, right] = it.read(LABELS);
  const gap = it.source('\\qquad ');
  const premises = above.flatMap((one, i) => (i === 0 ? [...one] : [...gap, ...one]));
  // Beside the line, which lies a little above the conclusion.
  const label = (tokens: readonly Token[]): Token[] => [
    ...it.source('\\raisebox{1.6ex}'),
    ...group(it, [...it.source('\\scriptsize '), ...tokens]),
  ];
  const made = [
    ...(left ? [...label(left), ...it.source('\\,')] : []),
    ...it.source('\\begin{array}[b]{@{}c@{}}'),
    ...premises,
    ...it.source(`\\\\${line}`),
    ...conclusion,
    ...it.source('\\end{array}'),
    ...(right ? [...it.source('\\,'), ...label(right)] : []),
  ];
  it.write(STACK, [...stack.slice(0, Math.max(0, stack.length - count)), group(it, made)], true);
  it.write(LABELS, [null, null], true);
}

/** The tree that is ready, as a formula; the stack is empty then. */
function finished(it: Interpreter): readonly Token[] {
  const stack = it.read(STACK);
  it.write(STACK, [], true);
  return [it.p.command('displaystyle'), ...(stack.at(-1) ?? [])];
}

const example = (inner: string): string => `\\begin{prooftree}\n${inner}\n\\end{prooftree}`;
const rule = (name: string, count: number, description: string): CommandEntry[] =>
  ['C', ''].map((form) => ({
    name: `${name}Inf${form}`,
    signature: 'm',
    package: 'bussproofs',
    description,
    example: example(`${'\\AxiomC{$A$}'.repeat(count)}\\${name}Inf${form}{$B$}`),
    run: (it, args) => infer(it, count, inText(it, tokensOf(args, 0))),
  }));
const label = (name: string, side: 0 | 1): CommandEntry => ({
  name,
  signature: 'm',
  package: 'bussproofs',
  description: `What stands to the ${side === 0 ? 'left' : 'right'} of the next rule.`,
  example: example(`\\AxiomC{$A$}\\${name}{R}\\UnaryInfC{$B$}`),
  run: (it, args) => {
    const [left, right] = it.read(LABELS);
    const own = tokensOf(args, 0);
    it.write(LABELS, side === 0 ? [own, right] : [left, own], true);
  },
});
/** The same in text and in formulas. */
function anywhere(entry: CommandEntry): CommandEntry {
  const { run, signature } = entry;
  return {
    ...entry,
    math: ({ it }, token) => {
      const args = it.readArguments(signature, token);
      if (args) run?.(it, args, token);
      return null;
    },
  };
}
const quiet = (name: string): CommandEntry => ({
  name,
  signature: '',
  package: 'bussproofs',
  description: 'How rules of proofs look.',
  example: example(`\\AxiomC{$A$}\\${name}\\UnaryInfC{$B$}`),
  run: () => undefined,
});

/** The short names of its manual, section 6. */
const SHORT = String.raw`
\let\AXC\AxiomC\let\AxC\AxiomC\let\UIC\UnaryInfC\let\BIC\BinaryInfC\let\TIC\TrinaryInfC\let\AX\Axiom\let\UI\UnaryInf\let\BI\BinaryInf\let\TI\TrinaryInf\let\RL\RightLabel\let\LL\LeftLabel\let\DP\DisplayProof
\def\fCenter{\ \vdash\ }\newcommand\kernHyps[1]{}\newcommand\insertBetweenHyps[1]{}\def\ScoreOverhang{4pt}\def\ScoreOverhangLeft{4pt}\def\ScoreOverhangRight{4pt}\def\extraVskip{2pt}\def\defaultHypSeparation{\hskip.2in}\def\labelSpacing{3pt}\def\proofSkipAmount{}
`;

/** bussproofs: proofs as trees, premises over their conclusions. */
export const bussproofs: PackageEntry = {
  name: 'bussproofs',
  description: 'Proofs as trees: premises over a line, what follows below it.',
  options: null,
  source: SHORT,
  environments: [
    {
      name: 'prooftree',
      signature: '',
      package: 'bussproofs',
      description: 'A proof as a tree, displayed.',
      example: example('\\AxiomC{$A$}\\AxiomC{$B$}\\BinaryInfC{$A\\land B$}'),
      begin: (it) => it.write(STACK, [], true),
      end: (it) => {
        const tree = finished(it);
        it.execute([...it.source('\\['), ...tree, ...it.source('\\]')]);
      },
    },
  ],
  commands: [
    ...[
      ...['AxiomC', 'Axiom'].map((name): CommandEntry => ({
        name,
        signature: 'm',
        package: 'bussproofs',
        description: 'Where a proof begins.',
        example: example(`\\${name}{$A$}\\UnaryInfC{$B$}`),
        run: (it, args) =>
          it.write(STACK, [...it.read(STACK), inText(it, tokensOf(args, 0))], true),
      })),
      ...rule('Unary', 1, 'What follows from the one before.'),
      ...rule('Binary', 2, 'What follows from the two before.'),
      ...rule('Trinary', 3, 'What follows from the three before.'),
      ...rule('Quaternary', 4, 'What follows from the four before.'),
      ...rule('Quinary', 5, 'What follows from the five before.'),
      label('LeftLabel', 0),
      label('RightLabel', 1),
      ...[
        'noLine',
        'singleLine',
        'doubleLine',
        'dashedLine',
        'solidLine',
        'dottedLine',
        'alwaysNoLine',
        'alwaysSingleLine',
        'alwaysDoubleLine',
        'alwaysDashedLine',
        'alwaysSolidLine',
        'alwaysDottedLine',
        'rootAtTop',
        'rootAtBottom',
        'alwaysRootAtTop',
        'alwaysRootAtBottom',
        'centerAlignProof',
        'bottomAlignProof',
        'normalAlignProof',
        'EnableBpAbbreviations',
      ].map(quiet),
    ].map(anywhere),
    {
      name: 'DisplayProof',
      signature: '',
      package: 'bussproofs',
      description: 'The proof, in the line.',
      example: '\\AxiomC{$A$}\\UnaryInfC{$B$}\\DisplayProof',
      run: (it) => {
        const dollar = it.p.make(3, '$');
        it.execute([dollar, ...finished(it), dollar]);
      },
      math: (reader) => {
        reader.p.push(finished(reader.it));
        return null;
      },
    },
  ],
};

// ---- ebproof: the same trees, written with formulas and numbers of premises

const tree = (inner: string): string => `\\[\\begin{prooftree}\n${inner}\n\\end{prooftree}\\]`;
const DOLLAR = 3;

/** The tokens of a tree, then what sets it. */
function wholeTree(it: Interpreter): Token[] {
  const body = environmentTokens(it, 'prooftree');
  it.write(STACK, [], true);
  return [...body, it.p.command('ebproofend')];
}

/** ebproof: proofs as trees whose parts are formulas. */
export const ebproof: PackageEntry = {
  name: 'ebproof',
  description: 'Proofs as trees of formulas: premises over a line, what follows below it.',
  options: null,
  environments: [
    {
      name: 'prooftree',
      signature: 'so',
      package: 'ebproof',
      description: 'A proof as a tree.',
      example: tree('\\hypo{A} \\hypo{B} \\infer2[R]{A\\land B}'),
      begin: (it) => {
        const dollar = it.p.make(DOLLAR, '$');
        const end = [it.p.command('end'), ...group(it, it.p.chars('prooftree'))];
        it.p.push([dollar, ...wholeTree(it), dollar, ...end]);
      },
      math: (reader) => {
        reader.p.push(wholeTree(reader.it));
        return null;
      },
    },
  ],
  commands: [
    ...[
      {
        name: 'hypo',
        signature: 'om',
        package: 'ebproof',
        description: 'Where a proof begins.',
        example: tree('\\hypo{A} \\infer1{B}'),
        run: (it: Interpreter, args: Args) =>
          it.write(STACK, [...it.read(STACK), group(it, tokensOf(args, 1))], true),
      },
      {
        name: 'infer',
        signature: 'omom',
        package: 'ebproof',
        description: 'What follows from so many of those before.',
        example: tree('\\hypo{A} \\hypo{B} \\infer2[R]{C}'),
        run: (it: Interpreter, args: Args) => {
          const count = Number(textOf(it.p, tokensOf(args, 1))) || 0;
          const style = textOf(it.p, tokensOf(args, 0));
          const line = /no rule/.test(style)
            ? ''
            : /double/.test(style)
              ? '\\hline\\hline '
              : undefined;
          if (args[2]) it.write(LABELS, [null, inFormula(it, tokensOf(args, 2))], true);
          infer(it, count, group(it, tokensOf(args, 3)), line);
        },
      },
      {
        name: 'ellipsis',
        signature: 'mm',
        package: 'ebproof',
        description: 'Steps that are left out, and what they come to.',
        example: tree('\\hypo{A} \\ellipsis{}{B}'),
        run: (it: Interpreter, args: Args) => {
          infer(it, 1, it.source('\\vdots '), '');
          infer(it, 1, group(it, tokensOf(args, 1)), '');
        },
      },
    ].map(anywhere),
    {
      name: 'ebproofend',
      signature: '',
      package: 'ebproof',
      description: 'The tree that is ready.',
      example: tree('\\hypo{A}'),
      math: (reader) => {
        reader.p.push(finished(reader.it));
        return null;
      },
    },
  ],
};
