import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { isRowEnd, partAt } from './diagrams';
import { mathEntry } from './mathEntry';

/** Rows of cells; the row end behind the last one starts no new row. */
export function rowsOf(tokens: readonly Token[]): Token[][][] {
  const rows = partAt(tokens, isRowEnd);
  const last = rows.at(-1);
  if (last?.every(({ cat }) => cat === Cat.Space)) rows.pop();
  return rows.map((row) => partAt(row, (t) => t.cat === Cat.Tab));
}

/**
 * A bracket as tall as so many rows of an array, written where the first of them begins or ends; it takes no room.
 */
export function tallBracket(side: 'left' | 'right', char: string, rows: number): string {
  const height = `\\vcenter{\\hrule height\\dimexpr ${rows}\\baselineskip-1pt\\relax width0pt depth0pt}`;
  const sign =
    side === 'left' ? `\\left${char}${height}\\right.` : `\\left.${height}\\right${char}`;
  const low = `\\lower\\dimexpr ${rows - 1}\\baselineskip/2\\relax\\hbox{$${sign}$}`;
  return side === 'left'
    ? `\\hbox to0pt{\\hss\\smash{${low}}\\kern.1em}`
    : `\\hbox to0pt{\\kern.1em\\smash{${low}}\\hss}`;
}

/** An array whose first row and column are labels, outside its brackets. */
export function labelledMatrix(
  it: Interpreter,
  body: readonly Token[],
  [left, right]: readonly [string, string],
): Token[] {
  const rows = rowsOf(body);
  const columns = Math.max(2, ...rows.map((cells) => cells.length));
  const out: Token[] = it.source(
    `\\begin{array}{@{}r@{\\quad}${'c'.repeat(columns - 1)}@{\\quad}}`,
  );
  rows.forEach((cells, r) => {
    if (r > 0) out.push(...it.source('\\\\'));
    for (let c = 0; c < columns; c++) {
      if (c > 0) out.push(...it.source('&'));
      if (r === 1 && c === 1) out.push(...it.source(tallBracket('left', left, rows.length - 1)));
      out.push(...(cells[c] ?? []));
      if (r === 1 && c === columns - 1) {
        out.push(...it.source(tallBracket('right', right, rows.length - 1)));
      }
    }
  });
  return [...out, ...it.source('\\end{array}')];
}

/** A command for a matrix with labels at its rows and columns. */
export const labelled = (
  name: string,
  brackets: readonly [string, string],
  description: string,
): CommandEntry =>
  mathEntry(
    name,
    'm',
    description,
    `$\\${name}{ & a & b \\cr r & 1 & 2 \\cr s & 3 & 4 \\cr}$`,
    (reader, token) => {
      reader.p.push(labelledMatrix(reader.it, reader.argument(token), brackets));
      return null;
    },
  );

/** `\bordermatrix`: the one of plain TeX. */
export const bordermatrix = labelled(
  'bordermatrix',
  ['(', ')'],
  'A matrix with labels at its rows and columns.',
);
