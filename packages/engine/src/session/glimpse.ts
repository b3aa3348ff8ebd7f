import { pageSvg } from '../output/display/svg';
import type { FontSource } from '../fonts/store';
import { NO_FILES } from './files';
import { Session, type CalendarDate } from './session';

/** A small picture of some source, typeset by itself. */
export interface Glimpse {
  readonly svg: string;
  /** Size in big points. */
  readonly width: number;
  readonly height: number;
  /** What is drawn where: x, y (top), width, height in big points from the corner of the picture, and the stretch of the source it shows; six numbers each. */
  readonly places: readonly number[];
}

/** Room around what is drawn, in big points. */
const MARGIN = 2;

/** A page as large as a small example needs. */
const FRAME =
  '\\usepackage[paperwidth=120mm,paperheight=80mm,margin=4mm]{geometry}\\pagestyle{empty}';

/**
 * Typesets a piece of source by itself, cut to what is drawn.
 *
 * @param preamble lines that load what it needs.
 * @returns null when it cannot be read without mistakes, or shows nothing.
 */
export function glimpse(
  source: string,
  preamble: string,
  fonts: FontSource,
  today: CalendarDate,
): Glimpse | null {
  const session = new Session({ fonts, today, files: NO_FILES });
  const before = `\\documentclass{article}${preamble}${FRAME}\\begin{document}\\noindent `;
  const text = `${before}${source}\n\\end{document}`;
  session.setText(text);
  session.settleAll();
  const [page] = session.pages;
  if (!page || session.findings().some(({ severity }) => severity === 'broken')) return null;
  const description = session.describe(page);
  const extent = inkExtent(description);
  if (!extent) return null;
  const [left, top, width, height] = extent;
  const svg = pageSvg(description, session.fonts)
    .replace(/viewBox="[^"]*"/, `viewBox="${left} ${top} ${width} ${height}"`)
    .replace('<rect width="100%" height="100%" fill="#fff"/>', '');
  const places = placesOf(description, session.blocksOf(description), left, top, before.length);
  return { svg, width, height, places };
}

/** Where each run of glyphs stands, and the stretch of the source it shows. */
function placesOf(
  page: ReturnType<Session['describe']>,
  blocks: readonly { readonly id: number; readonly start: number }[],
  left: number,
  top: number,
  sourceStart: number,
): number[] {
  const starts = new Map(blocks.map(({ id, start }) => [id, start]));
  const out: number[] = [];
  for (let r = 0; r + 1 < page.runStart.length; r++) {
    const start = starts.get(page.runBlock[r] as number);
    if (start === undefined) continue;
    const size = page.runSize[r] as number;
    const last = (page.runStart[r + 1] as number) - 1;
    const width = (page.glyphX[last] as number) + 0.6 * size;
    const from = start - sourceStart + (page.runFrom[r] as number);
    const to = start - sourceStart + (page.runTo[r] as number);
    if (from < 0 || to <= from) continue;
    const x = (page.runX[r] as number) - left;
    const y = (page.runY[r] as number) - top - 0.8 * size;
    out.push(x, y, width, size, from, to);
  }
  return out;
}

/** Left, top, width and height of what is drawn on a page. */
function inkExtent(
  page: ReturnType<Session['describe']>,
): readonly [number, number, number, number] | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (x0: number, y0: number, x1: number, y1: number): void => {
    left = Math.min(left, x0);
    top = Math.min(top, y0);
    right = Math.max(right, x1);
    bottom = Math.max(bottom, y1);
  };
  for (let r = 0; r + 1 < page.runStart.length; r++) {
    const size = page.runSize[r] as number;
    for (let g = page.runStart[r] as number; g < (page.runStart[r + 1] as number); g++) {
      const x = (page.runX[r] as number) + (page.glyphX[g] as number);
      const y = page.runY[r] as number;
      take(x, y - size, x + 0.9 * size, y + 0.4 * size);
    }
  }
  for (let i = 0; i < page.ruleColor.length; i++) {
    const [x = 0, y = 0, width = 0, height = 0] = page.rules.subarray(4 * i, 4 * i + 4);
    take(x, y, x + width, y + height);
  }
  if (left === Infinity) return null;
  return [left - MARGIN, top - MARGIN, right - left + 2 * MARGIN, bottom - top + 2 * MARGIN];
}
