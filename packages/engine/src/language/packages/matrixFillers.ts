import { readOptional } from '../../expansion/arguments';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { mathEntry } from '../constructs/mathEntry';
import type { CommandEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { splitAt } from '../scanning/optionLists';

type Rows = readonly (readonly string[])[];
type Fill = (reader: MathReader, token: Token) => Rows;

/** At most so many rows and columns are written out. */
const MOST = 40;

const rowsOf = (count: number, columns: number, cell: (i: number, j: number) => string): Rows =>
  Array.from({ length: count }, (_, i) => Array.from({ length: columns }, (__, j) => cell(i, j)));

function count(reader: MathReader, token: Token): number {
  const said = Number(textOf(reader.p, reader.argument(token)));
  return Math.max(1, Math.min(MOST, Math.round(said) || 1));
}

const filler = (name: string, what: string, example: string, fill: Fill): CommandEntry =>
  mathEntry(name, '', what, example, (reader, token) => {
    const rows = fill(reader, token);
    const text = rows.map((row) => row.join(' & ')).join(' \\\\ ');
    reader.p.push(reader.it.source(text));
    return null;
  });

/** Blocks of `\dmat{a,b&c\\d&e}` along a diagonal; what is empty holds the filler. */
const diagonal =
  (anti: boolean): Fill =>
  (reader, token) => {
    const empty = tokensText(readOptional(reader.p, false) ?? []);
    const cells = splitAt(reader.argument(token), ',').map((part) => tokensText(part).trim());
    const n = Math.min(MOST, cells.length);
    return rowsOf(n, n, (i, j) => ((anti ? n - 1 - j : j) === i ? (cells[i] ?? '') : empty));
  };

const PAULI: Readonly<Record<string, Rows | undefined>> = {
  0: [
    ['1', '0'],
    ['0', '1'],
  ],
  1: [
    ['0', '1'],
    ['1', '0'],
  ],
  2: [
    ['0', '-i'],
    ['i', '0'],
  ],
  3: [
    ['1', '0'],
    ['0', '-1'],
  ],
};
const PAULI_NAMES: Readonly<Record<string, string | undefined>> = { x: '1', y: '2', z: '3' };

/** What fills matrices of package physics (its manual, section 2.7): written between the brackets of `\mqty`. */
export const matrixFillers: readonly CommandEntry[] = [
  filler('imat', 'The rows of a unit matrix.', '\\mqty(\\imat{3})', (reader, token) => {
    const n = count(reader, token);
    return rowsOf(n, n, (i, j) => (i === j ? '1' : '0'));
  }),
  filler(
    'xmat',
    'Rows of one sign; with a star it bears its row and column.',
    '\\mqty(\\xmat*{a}{2}{3})',
    (reader, token) => {
      const star = reader.p.takeCharHere('*');
      const sign = tokensText(reader.argument(token));
      const [n, m] = [count(reader, token), count(reader, token)];
      const place = (i: number, j: number): string =>
        n === 1 ? `${j}` : m === 1 ? `${i}` : `${i}${j}`;
      return rowsOf(n, m, (i, j) => (star ? `${sign}_{${place(i + 1, j + 1)}}` : sign));
    },
  ),
  filler('zmat', 'Rows of zeros.', '\\mqty(\\zmat{2}{2})', (reader, token) => {
    const [n, m] = [count(reader, token), count(reader, token)];
    return rowsOf(n, m, () => '0');
  }),
  filler(
    'pmat',
    'A Pauli matrix by its number or letter.',
    '\\mqty(\\pmat{2})',
    (reader, token) => {
      const said = textOf(reader.p, reader.argument(token)).trim();
      return PAULI[PAULI_NAMES[said] ?? said] ?? [['0']];
    },
  ),
  filler(
    'dmat',
    'A diagonal; in brackets what fills the rest.',
    '\\mqty(\\dmat[0]{1,2,3})',
    diagonal(false),
  ),
  filler('admat', 'The other diagonal.', '\\mqty(\\admat[0]{1,2,3})', diagonal(true)),
];
