import type { Sp } from '../../base/lengths';
import type { Inline, TabularCell, TabularRow } from '../../document/inlines';
import { STOP, type Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import type { PointCell } from '../machine/tableState';

const ENDS: ReadonlySet<string> = new Set(['\\', 'tabularnewline', 'end', 'cr', 'crcr']);

/** The tokens of a cell up to what ends it, which is left unread. */
export function cellTokens(it: Interpreter): Token[] {
  const out: Token[] = [];
  let depth = 0;
  for (let token = it.p.next(); token !== null; token = it.p.next()) {
    const ends =
      token.cat === STOP ||
      token.cat === Cat.Tab ||
      (token.cat === Cat.Command && ENDS.has(token.text)) ||
      (token.cat === Cat.End && depth === 0);
    if (ends && (depth === 0 || token.cat === STOP)) {
      it.p.unread(token);
      break;
    }
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    out.push(token);
  }
  return out;
}

const widthOf = (it: Interpreter, inlines: readonly Inline[]): Sp => it.host.measure(inlines).width;

/** What a number shows, and how much of it lies before its point. */
export interface WrittenNumber {
  readonly whole: string;
  readonly before: string;
}

/** How the numbers of a column lie: room kept on both sides of the point, and whether the point is its middle. */
export interface PointRoom {
  readonly before: string;
  readonly behind: string;
  readonly centred: boolean;
}

/** Sets a cell's number and notes where its point is, for the cells above and below. */
export function setNumber(it: Interpreter, number: WrittenNumber, room: PointRoom): void {
  const set = (source: string): readonly Inline[] =>
    source === '' ? [] : it.inlinesOf(it.source(`$${source}$`));
  const inlines = set(number.whole);
  const left = widthOf(it, set(number.before));
  const point: PointCell = {
    inlines,
    left,
    right: widthOf(it, inlines) - left,
    leastLeft: widthOf(it, set(room.before)),
    leastRight: widthOf(it, set(room.behind)),
    centred: room.centred,
  };
  if (it.mode.cell) it.mode.cell.point = point;
  for (const inline of inlines) it.add(inline);
}

/** The columns a row's cells begin in. */
function startsOf(cells: readonly TabularCell[]): number[] {
  let at = 0;
  return cells.map(({ span }) => (at += span) - span);
}

/** The numbers of each column with their points below one another: kerns fill up to the widest on each side. */
export function alignPoints(
  rows: readonly TabularRow[],
  points: ReadonlyMap<TabularCell, PointCell>,
  at: { readonly from: number; readonly to: number },
): TabularRow[] {
  if (points.size === 0) return [...rows];
  const widest = new Map<number, { left: Sp; right: Sp }>();
  for (const { cells } of rows) {
    const starts = startsOf(cells);
    cells.forEach((cell, i) => {
      const point = points.get(cell);
      if (!point) return;
      const room = widest.get(starts[i] as number) ?? { left: 0, right: 0 };
      room.left = Math.max(room.left, point.left, point.leastLeft);
      room.right = Math.max(room.right, point.right, point.leastRight);
      if (point.centred) room.left = room.right = Math.max(room.left, room.right);
      widest.set(starts[i] as number, room);
    });
  }
  const kern = (width: Sp): Inline => ({ kind: 'kern', width, from: at.from, to: at.to });
  return rows.map((row) => {
    const starts = startsOf(row.cells);
    const cells = row.cells.map((cell, i) => {
      const point = points.get(cell);
      const room = widest.get(starts[i] as number);
      if (!point || !room) return cell;
      const inlines = [
        kern(room.left - point.left),
        ...cell.inlines,
        kern(room.right - point.right),
      ];
      return { ...cell, inlines };
    });
    return { ...row, cells };
  });
}
