import { PT, type Sp } from '../../base/lengths';
import type { DiagramArrow, DiagramLabel, MathList } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { EnvironmentEntry } from '../machine/entries';
import type { MathReader } from '../machine/mathReader';
import { fieldOf } from './mathEntry';
import { formulaTokens } from '../machine/environmentTokens';

type Cell = readonly [number, number];

/** The tokens parted where the test holds, outside braces. */
export function partAt(tokens: readonly Token[], at: (t: Token) => boolean): Token[][] {
  const parts: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth === 0 && at(token)) parts.push([]);
    else parts.at(-1)?.push(token);
  }
  return parts;
}

export const isRowEnd = (t: Token): boolean =>
  t.cat === Cat.Command && (t.text === '\\' || t.text === 'cr' || t.text === 'tabularnewline');

/** A plain arrow with labels on its left and on its right. */
const arrowOf = (
  fromCell: Cell,
  toCell: Cell,
  labels: readonly DiagramLabel[],
  line: DiagramArrow['line'],
  at: { from: number; to: number },
): DiagramArrow => ({
  fromCell,
  toCell,
  labels,
  line,
  head: line === 'double' ? 'none' : 'arrow',
  tail: 'none',
  bend: 0,
  shift: 0,
  ...at,
});

/** How the arrows of amscd run: from cell to cell by column and row, first label on that side. */
const DIRECTIONS: Readonly<Record<string, readonly [number, number, 'left' | 'right']>> = {
  '>': [0, 1, 'left'],
  ')': [0, 1, 'left'],
  '<': [0, -1, 'right'],
  '(': [0, -1, 'right'],
  V: [1, 0, 'right'],
  A: [-1, 0, 'left'],
};

interface Square {
  readonly rows: MathList[][];
  readonly arrows: DiagramArrow[];
}

/** `@>f>>`, `@VVgV`, `@=` and their kin between objects, row by row (package amscd). */
function readSquares(reader: MathReader, token: Token, body: readonly Token[]): Square {
  const square: Square = { rows: [], arrows: [] };
  for (const row of partAt(body, isRowEnd)) {
    const upright = row.find((t) => t.cat !== Cat.Space);
    if (!upright) continue;
    const next = row[row.indexOf(upright) + 1]?.text ?? '';
    // A row that begins with an upright arrow, or with none, stands between rows of objects.
    const between = upright.text === '@' && ['V', 'A', '|', '.'].includes(next);
    if (between) readUpright(reader, token, row, square);
    else readObjects(reader, token, row, square);
  }
  return square;
}

/** Both labels of an arrow: each up to the next sign of the arrow. */
function labelsOf(
  reader: MathReader,
  caller: Token,
  tokens: readonly Token[],
  start: number,
): { lists: MathList[]; end: number } {
  const sign = tokens[start]?.text;
  const lists: MathList[] = [];
  let at = start + 1;
  for (let k = 0; k < 2; k++) {
    let depth = 0;
    const label: Token[] = [];
    for (; at < tokens.length; at++) {
      const t = tokens[at] as Token;
      if (t.cat === Cat.Begin) depth++;
      if (t.cat === Cat.End) depth--;
      if (depth === 0 && t.text === sign) break;
      label.push(t);
    }
    at++;
    lists.push(fieldOf(reader, label, caller));
  }
  return { lists, end: at };
}

/** The arrow behind an `@`; `place` is the cell it starts at, or for one that points back, ends at. */
function readArrow(
  reader: MathReader,
  caller: Token,
  tokens: readonly Token[],
  at: number,
  cells: readonly [Cell, Cell],
): { arrow: DiagramArrow | null; end: number } {
  const sign = tokens[at]?.text ?? '';
  const span = tokens[at] ? reader.it.spanOf(tokens[at] as Token) : reader.span(caller);
  if (sign === '=' || sign === '|')
    return { arrow: arrowOf(cells[0], cells[1], [], 'double', span), end: at + 1 };
  const direction = DIRECTIONS[sign];
  if (!direction) return { arrow: null, end: at + 1 };
  const [down, right, side] = direction;
  const { lists, end } = labelsOf(reader, caller, tokens, at);
  const sides = [side, side === 'left' ? 'right' : 'left'] as const;
  const labels = lists.flatMap((list, k): DiagramLabel[] =>
    list.length === 0 ? [] : [{ list, side: sides[k] as 'left' | 'right' }],
  );
  const [from, to] = down + right > 0 ? cells : [cells[1], cells[0]];
  return { arrow: arrowOf(from, to, labels, 'solid', span), end };
}

function readObjects(
  reader: MathReader,
  caller: Token,
  row: readonly Token[],
  { rows, arrows }: Square,
): void {
  const r = rows.length;
  const objects: MathList[] = [];
  let object: Token[] = [];
  for (let at = 0; at < row.length; at++) {
    const token = row[at] as Token;
    if (token.text !== '@') {
      object.push(token);
      continue;
    }
    objects.push(fieldOf(reader, object, caller));
    object = [];
    const c = objects.length;
    const { arrow, end } = readArrow(reader, caller, row, at + 1, [
      [r, c - 1],
      [r, c],
    ]);
    if (arrow) arrows.push(arrow);
    at = end - 1;
  }
  objects.push(fieldOf(reader, object, caller));
  rows.push(objects);
}

function readUpright(
  reader: MathReader,
  caller: Token,
  row: readonly Token[],
  { rows, arrows }: Square,
): void {
  const r = rows.length - 1;
  let column = 0;
  for (let at = 0; at < row.length; at++) {
    if (row[at]?.text !== '@') continue;
    const cells: [Cell, Cell] = [
      [r, column],
      [r + 1, column],
    ];
    const { arrow, end } = readArrow(reader, caller, row, at + 1, cells);
    if (arrow) arrows.push(arrow);
    column++;
    at = end - 1;
  }
}

/** Arrows of amscd are 2.5 pc long at least. */
const CD_ARROW: Sp = 2.5 * 12 * PT;

export const squares: EnvironmentEntry = {
  name: 'CD',
  signature: '',
  package: 'amscd',
  description: 'Commutative squares: @>f>> and @VVgV between objects.',
  example: '\\begin{CD} A @>f>> B \\\\ @VVgV @VVhV \\\\ C @>k>> D \\end{CD}',
  math: (reader, token) => {
    const { rows, arrows } = readSquares(reader, token, formulaTokens(reader, 'CD', token));
    return {
      kind: 'diagram',
      rows,
      arrows,
      columnSep: CD_ARROW + 0.6 * reader.it.font.size,
      rowSep: 2.2 * reader.it.font.size,
      ...reader.span(token),
    };
  },
};
