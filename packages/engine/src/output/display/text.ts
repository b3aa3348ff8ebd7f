import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';

/** A gap wider than this share of the type size stands for a blank. */
const BLANK = 0.15;
/** So much lower or higher, as a share of the type size, and further left: a row of its own. */
const ROW = 1.15;

/**
 * The words of a line; for each of their letters (UTF-16 units) the run that shows it, and
 * where it begins and ends on the page, in big points.
 */
export interface LineLetters {
  readonly text: string;
  readonly run: readonly number[];
  readonly left: readonly number[];
  readonly right: readonly number[];
}

/** The words of each line of a page, in order, for reading aloud and copying. */
export const pageText = (page: PageDescription, fonts: FontStore): string[] =>
  pageLetters(page, fonts).map(({ text }) => text);

/** The words of each line of a page, in order, and where their letters stand. */
export function pageLetters(page: PageDescription, fonts: FontStore): LineLetters[] {
  const out: LineLetters[] = [];
  for (let i = 0; i + 1 < page.lineRun.length; i++) {
    out.push(lineLetters(page, page.lineRun[i] as number, page.lineRun[i + 1] as number, fonts));
  }
  return out;
}

function lineLetters(
  page: PageDescription,
  first: number,
  end: number,
  fonts: FontStore,
): LineLetters {
  let text = '';
  const run: number[] = [];
  const left: number[] = [];
  const right: number[] = [];
  const add = (r: number, letters: string, from: number, to: number): void => {
    text += letters;
    // Of a glyph for several letters, such as a ligature, each has its share.
    for (let i = 0; i < letters.length; i++) {
      run.push(r);
      left.push(from + ((to - from) * i) / letters.length);
      right.push(from + ((to - from) * (i + 1)) / letters.length);
    }
  };
  for (let r = first; r < end; r++) {
    const font = fonts.byId(page.runFont[r] as number);
    const size = page.runSize[r] as number;
    const x = page.runX[r] as number;
    const before = right.at(-1);
    if (before !== undefined) {
      const isApart = x - before > BLANK * size;
      if (isApart || startsRow(page, run.at(-1) ?? r, r)) add(r, ' ', isApart ? before : x, x);
    }
    for (let g = page.runStart[r] as number; g < (page.runStart[r + 1] as number); g++) {
      const glyph = page.glyphs[g] as number;
      const from = x + (page.glyphX[g] as number);
      add(r, font.textOf(glyph), from, from + (font.box(glyph).width * size) / font.unitsPerEm);
    }
  }
  return { text, run, left, right };
}

/** Does a run stand on another row than the one before it, as in a table or a matrix? */
function startsRow(page: PageDescription, before: number, r: number): boolean {
  const down = Math.abs((page.runY[r] as number) - (page.runY[before] as number));
  const size = Math.max(page.runSize[r] as number, page.runSize[before] as number);
  return down > ROW * size && (page.runX[r] as number) < (page.runX[before] as number) + size / 2;
}
