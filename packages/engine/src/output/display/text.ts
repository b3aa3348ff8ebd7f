import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';
import { lineCount, runsOfLine, type GlyphRun } from './walk';

/** A gap wider than this share of the type size stands for a blank. */
const BLANK = 0.15;
/** So much lower or higher, as a share of the type size, and further left: a row of its own. */
const ROW = 1.15;

/** What is asked of the run that shows a letter. */
export type LetterRun = Pick<GlyphRun, 'index' | 'font' | 'size' | 'x' | 'y' | 'paint'>;

/**
 * The words of a line; for each of their letters (UTF-16 units) the run that shows it, and
 * where it begins and ends on the page, in big points.
 */
export interface LineLetters {
  readonly text: string;
  readonly run: readonly LetterRun[];
  readonly left: readonly number[];
  readonly right: readonly number[];
}

/** The words of each line of a page, in order, for reading aloud and copying. */
export const pageText = (page: PageDescription, fonts: FontStore): string[] =>
  pageLetters(page, fonts).map(({ text }) => text);

/** The words of each line of a page, in order, and where their letters stand. */
export const pageLetters = (page: PageDescription, fonts: FontStore): LineLetters[] =>
  Array.from({ length: lineCount(page) }, (_, line) => lineLetters(runsOfLine(page, line), fonts));

function lineLetters(runs: readonly GlyphRun[], fonts: FontStore): LineLetters {
  let text = '';
  const run: LetterRun[] = [];
  const left: number[] = [];
  const right: number[] = [];
  const add = (shown: GlyphRun, letters: string, from: number, to: number): void => {
    text += letters;
    // Of a glyph for several letters, such as a ligature, each has its share.
    for (let i = 0; i < letters.length; i++) {
      run.push(shown);
      left.push(from + ((to - from) * i) / letters.length);
      right.push(from + ((to - from) * (i + 1)) / letters.length);
    }
  };
  for (const shown of runs) {
    const { x, size } = shown;
    const font = fonts.byId(shown.font);
    const before = right.at(-1);
    if (before !== undefined) {
      const isApart = x - before > BLANK * size;
      if (isApart || startsRow(run.at(-1) ?? shown, shown))
        add(shown, ' ', isApart ? before : x, x);
    }
    shown.glyphs.forEach((glyph, g) => {
      const from = x + (shown.along[g] as number);
      add(shown, font.textOf(glyph), from, from + (font.box(glyph).width * size) / font.unitsPerEm);
    });
  }
  return { text, run, left, right };
}

/** Does a run stand on another row than the one before it, as in a table or a matrix? */
function startsRow(before: LetterRun, shown: GlyphRun): boolean {
  const down = Math.abs(shown.y - before.y);
  const size = Math.max(shown.size, before.size);
  return down > ROW * size && shown.x < before.x + size / 2;
}
