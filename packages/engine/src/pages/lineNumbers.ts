import { PT, type Sp } from '../base/lengths';
import type { NumberedLine } from '../boxes/box';
import type { Page, PlacedBox } from './page';

/** How far lines are counted: the last number, and which restart was the last one obeyed. */
export interface LineCount {
  readonly count: number;
  readonly time: number;
}
export const NO_LINES: LineCount = { count: 0, time: 0 };

/** A line of a page with its number. */
export interface CountedLine {
  readonly placed: PlacedBox;
  readonly numbered: NumberedLine;
  readonly number: number;
}

/** The numbered lines of a page in order, counted on from the pages before. */
export function countedLines(page: Page, before: LineCount): CountedLine[] {
  let { count, time } = before;
  let first = true;
  return page.placed.flatMap((placed): CountedLine[] => {
    const { numbered } = placed.box;
    if (!numbered) return [];
    const { restart, byPage } = numbered;
    if (first && byPage) count = 0;
    first = false;
    if (restart.time > time) [count, time] = [restart.at - 1, restart.time];
    count++;
    return [{ placed, numbered, number: count }];
  });
}

/** How far the lines are counted at the end of a page. */
export function countAfter(lines: readonly CountedLine[], before: LineCount): LineCount {
  const last = lines.at(-1);
  if (!last) return before;
  const times = lines.map(({ numbered }) => numbered.restart.time);
  return { count: last.number, time: Math.max(before.time, ...times) };
}

/** Room for the number at the right margin (lineno's `\linenumberwidth`). */
const RIGHT_WIDTH = 10 * PT;

/** Where the right edge of a line's number stands. */
export function numberEdge(page: Page, line: CountedLine): Sp {
  const { geometry, number } = page;
  const even = geometry.twoSided && number % 2 === 0;
  const left = even ? geometry.evenLeft : geometry.left;
  const { numbered, placed } = line;
  const { side, distance, width } = numbered;
  // Lines of lists stand further in: what counts is the column they are in.
  const column = Math.max(0, Math.floor((placed.x - left) / (width + 1)));
  const start = column === 0 ? left : left + geometry.textWidth - width;
  const atRight = side === 'right' || side === (even ? 'inner' : 'outer');
  return atRight ? start + width + distance + RIGHT_WIDTH : start - distance;
}
