import type { ArrayPatch } from '../../document/math';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { mathEntry } from '../constructs/mathEntry';
import type { CommandEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { colourOf } from '../scanning/colours';

/** A colour given to places: cells `1-2`, rows, columns or a rectangle (nicematrix manual, section 9). */
export interface Painted {
  readonly color: string;
  readonly holds: (row: number, column: number) => boolean;
}

/** Where a block stands, from its row and column counted from 1, and how it looks. */
export interface PlacedBlock {
  readonly row: number;
  readonly column: number;
  readonly rows: number;
  readonly columns: number;
  readonly fill: string;
  readonly edge: string;
}

const call = (it: Interpreter, patch: readonly number[], fill: string, edge: string): Token[] =>
  it.source(`\\csname @arraypatch\\endcsname{${patch.join(',')}}{${fill}}{${edge}}`);

/**
 * What a matrix says of the grounds behind its cells and the frames of its blocks, for its first cell.
 *
 * @param first the numbers that nicematrix gives to the first row and column.
 */
export function patchTokens(
  it: Interpreter,
  paint: readonly Painted[],
  blocks: readonly PlacedBlock[],
  size: readonly [rows: number, columns: number],
  first: readonly [row: number, column: number] = [1, 1],
): Token[] {
  const out: Token[] = [];
  for (let r = 0; paint.length > 0 && r < size[0]; r++)
    for (let c = 0; c < size[1]; c++) {
      const found = paint.findLast(({ holds }) => holds(r + first[0], c + first[1]));
      if (found) out.push(...call(it, [r, r, c, c], found.color, ''));
    }
  for (const { row, column, rows, columns, fill, edge } of blocks) {
    if (fill === '' && edge === '') continue;
    const [r, c] = [row - 1, column - 1];
    out.push(...call(it, [r, r + rows - 1, c, c + columns - 1], fill, edge));
  }
  return out;
}

/** `\@arraypatch{first row,last row,first column,last column}{fill}{edge}`, counted from 0. */
export const arrayPatch: CommandEntry = mathEntry(
  '@arraypatch',
  '',
  'Inside packages.',
  '',
  (reader, token) => {
    const { it } = reader;
    const [place, fill, edge] = [0, 1, 2].map(() => reader.argument(token));
    const [top = 0, bottom = top, left = 0, right = left] = tokensText(place ?? [])
      .split(',')
      .map(Number);
    const colour = (tokens: readonly Token[] = []): number | null => {
      const name = textOf(it.p, tokens).trim();
      return name === '' ? null : colourOf(it, null, tokens);
    };
    const patch: ArrayPatch = {
      rows: [top, bottom],
      columns: [left, right],
      fill: colour(fill),
      edge: colour(edge),
    };
    reader.patches.push(patch);
    return null;
  },
);
