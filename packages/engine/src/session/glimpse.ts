import type { PageDescription } from '../output/display/description';
import { inkExtent } from '../output/display/extent';
import { pageSvg } from '../output/display/svg';
import { NO_PORT, walkPage, type GlyphRun } from '../output/display/walk';
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
  const ink = inkExtent(description);
  if (!ink) return null;
  const [left, top] = [ink.left - MARGIN, ink.low - MARGIN];
  const [width, height] = [ink.right - left + MARGIN, ink.high - top + MARGIN];
  const svg = pageSvg(description, session.fonts, undefined, { left, top, width, height });
  const places = placesOf(description, session.blocksOf(description), left, top, before.length);
  return { svg, width, height, places };
}

/** Where each run of glyphs stands, and the stretch of the source it shows. */
function placesOf(
  page: PageDescription,
  blocks: readonly { readonly id: number; readonly start: number }[],
  left: number,
  top: number,
  sourceStart: number,
): number[] {
  const starts = new Map(blocks.map(({ id, start }) => [id, start]));
  const out: number[] = [];
  const glyphs = ({ block, from, to, size, x, y, along }: GlyphRun): void => {
    const start = (starts.get(block) ?? -Infinity) - sourceStart;
    if (start + from < 0 || to <= from) return;
    const width = (along.at(-1) ?? 0) + 0.6 * size;
    out.push(x - left, y - top - 0.8 * size, width, size, start + from, start + to);
  };
  walkPage(page, { ...NO_PORT, glyphs });
  return out;
}
