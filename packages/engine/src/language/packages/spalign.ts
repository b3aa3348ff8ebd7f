import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, isStarred, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { sourceCommand } from '../machine/macroEntry';
import { splitAt, trimmed } from '../scanning/optionLists';

/** Rows parted by semicolons, entries by blanks or commas outside braces; `\.` is an empty entry. */
export function spacedRows(tokens: readonly Token[]): Token[][][] {
  const rows = splitAt(tokens, ';').map((row) => entriesIn(trimmed(row)));
  if (rows.length > 1 && rows.at(-1)?.length === 0) rows.pop();
  return rows;
}

function entriesIn(row: readonly Token[]): Token[][] {
  const out: Token[][] = [];
  let [depth, open] = [0, false];
  for (const token of row) {
    const parts = depth === 0 && (token.cat === Cat.Space || isComma(token));
    if (parts) {
      open = false;
      continue;
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (!open) out.push([]);
    open = true;
    if (!(token.cat === Cat.Command && token.text === '.')) out.at(-1)?.push(token);
  }
  return out;
}

const isComma = (token: Token): boolean => token.text === ',' && token.cell === null;

const table = (it: Interpreter, rows: readonly (readonly (readonly Token[])[])[]): Token[] =>
  rows.flatMap((row, r) => [
    ...(r > 0 ? it.source('\\\\') : []),
    ...row.flatMap((entry, c) => [...(c > 0 ? it.source('&') : []), ...entry]),
  ]);

/** An array in the delimiters that `macro` names, or in none. */
const array = (
  it: Interpreter,
  columns: string,
  rows: readonly (readonly (readonly Token[])[])[],
  macro: string | null,
): Token[] => [
  ...it.source(macro ? `\\csname ${macro}left\\endcsname` : ''),
  ...it.source(`\\begin{array}{${columns}}`),
  ...table(it, rows),
  ...it.source('\\end{array}'),
  ...it.source(macro ? `\\csname ${macro}right\\endcsname` : ''),
];

const widest = (rows: readonly (readonly unknown[])[]): number =>
  Math.max(1, ...rows.map((row) => row.length));

type Make = (it: Interpreter, args: readonly (readonly Token[])[], bare: boolean) => Token[];

const command = (
  name: string,
  signature: string,
  description: string,
  example: string,
  make: Make,
): CommandEntry => ({
  name,
  signature,
  package: 'spalign',
  description,
  example: `$${example}$`,
  math: ({ it, p }, token) => {
    const args = it.readArguments(signature, token);
    if (!args) return null;
    const bare = isStarred(args);
    const given = args.slice(1).map((_, i) => tokensOf(args, i + 1));
    p.push([p.make(Cat.Begin, '{'), ...make(it, given, bare), p.make(Cat.End, '}')]);
    return null;
  },
});

const DELIMITERS = 'spalign@';
const delimiters = (bare: boolean): string | null => (bare ? null : DELIMITERS);

const matrix: Make = (it, [columns = [], content = []], bare) => {
  const rows = spacedRows(content);
  const asked = textOf(it.p, columns);
  const letters = asked.length > 1 ? asked : (asked || 'r').repeat(widest(rows));
  return array(it, letters, rows, delimiters(bare));
};

/** A bar before the last `behind` columns. */
const augmented = (
  it: Interpreter,
  content: readonly Token[],
  behind: (columns: number) => number,
  bare: boolean,
): Token[] => {
  const rows = spacedRows(content);
  const columns = widest(rows);
  const after = Math.max(0, Math.min(columns, behind(columns)));
  return array(it, `${'r'.repeat(columns - after)}|${'r'.repeat(after)}`, rows, delimiters(bare));
};

/** Equations: terms and signs in columns by turns, those that are missing left empty at the front. */
const system: Make = (it, [content = []], bare) => {
  const rows = spacedRows(content);
  const columns = widest(rows);
  const letters = Array.from({ length: columns }, (_, i) => (i % 2 === 0 ? 'r' : 'c')).join(
    '@{\\;}',
  );
  return array(it, `@{}${letters}@{}`, rows, bare ? null : 'spalign@sys');
};

/** spalign: matrices and systems written with blanks and semicolons. */
export const spalign: PackageEntry = {
  name: 'spalign',
  description:
    'Matrices and systems written with blanks between entries and semicolons between rows.',
  options: null,
  requires: ['amsmath'],
  described: [
    sourceCommand(
      'spaligndelims',
      'mm',
      'The brackets of matrices.',
      '\\spaligndelims{[}{]}$\\spalignmat{1 2; 3 4}$',
    ),
    sourceCommand(
      'spalignsysdelims',
      'mm',
      'The brackets of systems.',
      '\\spalignsysdelims{(}{.}$\\spalignsys{x + y = 1; x - y = 2}$',
    ),
  ],
  commands: [
    command('spalignmat', 'som', 'A matrix in brackets.', '\\spalignmat{1 2; 3 4}', matrix),
    command(
      'spalignvector',
      'som',
      'A column of numbers.',
      '\\spalignvector{1 2 3}',
      (it, [columns = [], content = []], bare) => {
        const column = spacedRows(content).flatMap((row) => row.map((entry) => [entry]));
        return array(it, textOf(it.p, columns) || 'r', column, delimiters(bare));
      },
    ),
    command(
      'spalignarray',
      'smm',
      'Rows without brackets, with columns as in an array.',
      '\\spalignarray{c|c}{1 2; 3 4}',
      (it, [columns = [], content = []]) => [
        ...it.source('\\begin{array}{'),
        ...columns,
        ...it.source('}'),
        ...table(it, spacedRows(content)),
        ...it.source('\\end{array}'),
      ],
    ),
    command(
      'spalignaugmat',
      'sm',
      'A matrix with a bar before its last column.',
      '\\spalignaugmat{1 2 3; 4 5 6}',
      (it, [content = []], bare) => augmented(it, content, () => 1, bare),
    ),
    command(
      'spalignaugmatn',
      'smm',
      'A matrix with a bar before its last columns.',
      '\\spalignaugmatn{2}{1 2 3; 4 5 6}',
      (it, [count = [], content = []], bare) =>
        augmented(it, content, () => parseInt(textOf(it.p, count), 10) || 1, bare),
    ),
    command(
      'spalignaugmathalf',
      'sm',
      'A matrix with a bar in its middle.',
      '\\spalignaugmathalf{1 2 1 0; 3 4 0 1}',
      (it, [content = []], bare) =>
        augmented(it, content, (columns) => Math.floor(columns / 2), bare),
    ),
    command(
      'spalignsys',
      'sm',
      'Equations below one another, their terms in columns.',
      '\\spalignsys{2x + y = 10; 3x - y = 4}',
      system,
    ),
  ],
  source: String.raw`
\def\spaligndelims#1#2{\def\spalign@left{\left#1}\def\spalign@right{\right#2}}\spaligndelims()
\def\spalignsysdelims#1#2{\def\spalign@sysleft{\left#1}\def\spalign@sysright{\right#2}}\spalignsysdelims\{.`,
};
