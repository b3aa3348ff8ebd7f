import type { Token } from '../../expansion/meaning';
import type { Fix } from '../../findings/finding';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { arrowsIn } from './arrowTokens';

type Cell = readonly [row: number, column: number];
/** The tokens of a diagram's cells, row by row. */
export type CellTokens = readonly (readonly (readonly Token[])[])[];

/** An arrow of a diagram: where it is written, and the cells it joins; names lead to what is named elsewhere. */
export interface Written {
  readonly token: Token;
  readonly place: Cell;
  readonly from: Cell | string;
  readonly to: Cell | string;
}

const isObject = ({ cat }: Token): boolean => cat !== Cat.Space;

/** The second object of a cell, behind the arrows of the first: a `&` before it was forgotten. */
function secondObject(cell: readonly Token[]): Token | undefined {
  const arrows = arrowsIn(cell);
  const [first] = arrows;
  if (!first || !cell.slice(0, first.at).some(isObject)) return undefined;
  const behind = arrows.map(({ end }, i) => cell.slice(end, arrows[i + 1]?.at).find(isObject));
  return behind.find((token) => token !== undefined);
}

/** The end of a source line within a cell that goes on behind it: a `\\` before it was forgotten. */
function lineEndWithin(it: Interpreter, row: readonly (readonly Token[])[]): Token | undefined {
  const { text, base } = it.p.reader;
  const isLineEnd = (t: Token): boolean => t.cat === Cat.Space && text[base + t.from] === '\n';
  for (const [c, cell] of row.entries()) {
    const at = cell.findIndex(
      (t, i) =>
        isLineEnd(t) &&
        (c > 0 || cell.slice(0, i).some(isObject)) &&
        cell.slice(i + 1).some(isObject),
    );
    if (at >= 0) return cell[at];
  }
  return undefined;
}

/** A row end typed twice: behind the row above an empty one, which the arrow finds in place of the next. */
function doubledEnd(it: Interpreter, rows: CellTokens): { from: number; to: number } | undefined {
  const { text, base, chunk } = it.p.reader;
  for (const [r, row] of rows.slice(0, -1).entries()) {
    const last = row.at(-1)?.at(-1);
    const isEmpty = rows[r + 1]?.length === 1 && !rows[r + 1]?.[0]?.some(isObject);
    if (!isEmpty || last?.chunk !== chunk) continue;
    const [both, second = ''] = /^\s*\\\\\s*(\\\\)/.exec(text.slice(base + last.to)) ?? [];
    if (both) return { from: last.to + both.length - second.length, to: last.to + both.length };
  }
  return undefined;
}

/** What was forgotten, or typed twice, where a diagram has not the cell an arrow leads to. */
function forgotten(
  it: Interpreter,
  rows: CellTokens,
  { place }: Written,
  [r, c]: Cell,
): Fix | undefined {
  const doubled = doubledEnd(it, rows);
  if (doubled) return { title: 'Take out \\\\', edits: [{ ...doubled, text: '' }] };
  const row = rows[place[0]] ?? [];
  const isBeside = r === place[0] && c > place[1];
  const at = isBeside ? secondObject(row[place[1]] ?? []) : lineEndWithin(it, row);
  if (!at || at.chunk !== it.p.reader.chunk) return undefined;
  const text = isBeside ? '& ' : ' \\\\';
  const title = isBeside ? 'Put & before what follows' : 'End the row with \\\\';
  return { title, edits: [{ from: at.from, to: at.from, text }] };
}

/**
 * Is an arrow drawn? One that leads to a cell its diagram has not is told of and left out (an error
 * of the picture language, which knows no node there).
 */
export function leadsSomewhere(it: Interpreter, rows: CellTokens, arrow: Written): boolean {
  const lost = [arrow.from, arrow.to].find(
    (end): end is Cell => typeof end !== 'string' && rows[end[0]]?.[end[1]] === undefined,
  );
  if (!lost) return true;
  const args = { row: String(lost[0] + 1), column: String(lost[1] + 1) };
  it.p.report('cell-missing', it.spanOf(arrow.token), args, forgotten(it, rows, arrow, lost));
  return false;
}
