import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';

/** A gap wider than this share of the type size stands for a blank. */
const BLANK = 0.15;

/** The words of each line of a page, in order, for reading aloud, search and copying. */
export function pageText(page: PageDescription, fonts: FontStore): string[] {
  const out: string[] = [];
  for (let i = 0; i + 1 < page.lineRun.length; i++) {
    out.push(lineText(page, page.lineRun[i] as number, page.lineRun[i + 1] as number, fonts));
  }
  return out;
}

function lineText(page: PageDescription, first: number, end: number, fonts: FontStore): string {
  let text = '';
  let right: number | null = null;
  for (let r = first; r < end; r++) {
    const font = fonts.byId(page.runFont[r] as number);
    const size = page.runSize[r] as number;
    const x = page.runX[r] as number;
    if (right !== null && x - right > BLANK * size) text += ' ';
    const start = page.runStart[r] as number;
    const stop = page.runStart[r + 1] as number;
    for (let g = start; g < stop; g++) text += font.textOf(page.glyphs[g] as number);
    const last = stop - 1;
    right =
      last < start
        ? x
        : x +
          (page.glyphX[last] as number) +
          (font.box(page.glyphs[last] as number).width * size) / font.unitsPerEm;
  }
  return text;
}
