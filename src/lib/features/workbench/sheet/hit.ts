import type { PageDescription } from '@odd-compass/engine';
import {
  lineCount,
  NO_PORT,
  runsOfLine,
  walkPage,
  walkLine,
  type GlyphRun,
  type PagePath,
  type PagePicture,
} from '@odd-compass/engine/page';
import type { BlockPlace, FoundSpan } from '@odd-compass/engine/worker';
import { cornersOf, distanceTo } from './pathPoints';
import type { Vector } from './coordinates';

/** The offset in the source of what stands at a point of the page (big points), or null. */
export function sourceAt(
  page: PageDescription,
  blocks: ReadonlyMap<number, BlockPlace>,
  x: number,
  y: number,
): number | null {
  const line = nearestLine(page, y);
  if (line === null) return null;
  let best: GlyphRun | null = null;
  let bestDistance = Infinity;
  for (const run of runsOfLine(page, line)) {
    const distance = runDistance(run, x, y);
    if (distance < bestDistance) {
      best = run;
      bestDistance = distance;
    }
  }
  const place = blocks.get(page.lineBlock[line] as number);
  if (!place) return null;
  const drawn = nearestPath(page, line, { x, y });
  if (drawn && drawn.distance < Math.min(bestDistance, PATH_REACH)) return place.start + drawn.from;
  return best === null ? place.start : place.start + offsetInRun(best, x);
}

/** A line of a picture is hit from so far, big points. */
const PATH_REACH = 6;

/** The path of a line that runs nearest to a point, and where its source starts in the block. */
function nearestPath(page: PageDescription, line: number, to: Vector) {
  let best: { readonly from: number; readonly distance: number } | null = null;
  const path = (one: PagePath): void => {
    const distance = distanceTo(cornersOf(one), to);
    // What is drawn above another is hit first.
    if (distance <= (best?.distance ?? Infinity)) best = { from: one.from, distance };
  };
  walkLine(page, line, { ...NO_PORT, path });
  return best as { readonly from: number; readonly distance: number } | null;
}

/** From where to where a line's box reaches down the page. */
function edgesOf(page: PageDescription, line: number): { top: number; bottom: number } {
  const [, base = 0, , height = 0, depth = 0] = page.lines.subarray(5 * line, 5 * line + 5);
  return { top: base - height, bottom: base + depth };
}

function nearestLine(page: PageDescription, y: number): number | null {
  let best: number | null = null;
  let bestDistance = Infinity;
  for (let line = 0; line < lineCount(page); line++) {
    if ((page.lineBlock[line] as number) < 0) continue;
    const { top, bottom } = edgesOf(page, line);
    const distance = Math.max(0, top - y, y - bottom);
    if (distance < bestDistance) {
      best = line;
      bestDistance = distance;
    }
  }
  return best;
}

/** Where the last glyph of a run begins. */
const lastAlong = ({ along }: GlyphRun): number => along.at(-1) ?? 0;

function runDistance(run: GlyphRun, x: number, y: number): number {
  const { size } = run;
  const right = run.x + lastAlong(run) + size * 0.6;
  const dx = Math.max(0, run.x - x, x - right);
  const dy = Math.max(0, run.y - size * 0.7 - y, y - run.y - size * 0.2);
  return dx + dy;
}

/** Within a word that shows its source letter by letter, the letter; else the start of its source. */
function offsetInRun(run: GlyphRun, x: number): number {
  let glyph = 0;
  while (glyph + 1 < run.glyphs.length && run.x + (run.along[glyph + 1] as number) <= x) glyph++;
  return Math.min(run.to, run.from + (run.clusters[glyph] ?? 0));
}

/** From where to where the lines of a block reach on a page, in big points; null when it has none there. */
export function blockExtent(
  page: PageDescription,
  block: number,
): { top: number; bottom: number } | null {
  let top = Infinity;
  let bottom = -Infinity;
  page.lineBlock.forEach((id, line) => {
    if (id !== block) return;
    const edges = edgesOf(page, line);
    top = Math.min(top, edges.top);
    bottom = Math.max(bottom, edges.bottom);
  });
  return top === Infinity ? null : { top, bottom };
}

/** A stretch of a page in big points. */
export interface PageBox {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/**
 * Where the caret stands on a page: a bar before or behind the letter or symbol whose source
 * it is at, that of the smallest part when several hold the place. Null when none is here.
 */
export function caretPlace(
  page: PageDescription,
  blocks: ReadonlyMap<number, BlockPlace>,
  offset: number,
): PageBox | null {
  let best: PageBox | null = null;
  let bestLength = Infinity;
  const glyphs = (run: GlyphRun): void => {
    const place = blocks.get(run.block);
    if (!place) return;
    const at = offset - place.start;
    const length = run.to - run.from;
    // Between two that touch, the caret belongs to the one behind it.
    const isWorse = length > bestLength || (length === bestLength && at > run.from);
    if (at < run.from || at > run.to || isWorse) return;
    bestLength = length;
    best = barAt(run, at - run.from);
  };
  walkPage(page, { ...NO_PORT, glyphs });
  return best;
}

function barAt(run: GlyphRun, into: number): PageBox {
  const { size, clusters, along } = run;
  let glyph = 0;
  while (glyph < clusters.length && (clusters[glyph] as number) < into) glyph++;
  const behind = glyph >= clusters.length || (clusters.length === 1 && into > 0);
  const to = behind ? lastAlong(run) + 0.5 * size : (along[glyph] as number);
  return { left: run.x + to, top: run.y - 0.75 * size, width: 0, height: size };
}

/** The boxes around what is drawn in a colour, one for each line that holds some. */
export function boxesInColour(page: PageDescription, colour: number): PageBox[] {
  const lines = new Map<number, PageBox>();
  const glyphs = (run: GlyphRun): void => {
    if (run.paint !== colour) return;
    const { x, y, size } = run;
    const right = x + lastAlong(run) + 0.6 * size;
    lines.set(run.line, around(lines.get(run.line), x, right, y - 0.8 * size, y + 0.3 * size));
  };
  walkPage(page, { ...NO_PORT, glyphs });
  return [...lines.values()];
}

/** A box made wide enough for a stretch. */
function around(
  known: PageBox | undefined,
  from: number,
  to: number,
  up: number,
  down: number,
): PageBox {
  const left = Math.min(from, known?.left ?? Infinity);
  const top = Math.min(up, known?.top ?? Infinity);
  const right = Math.max(to, known ? known.left + known.width : -Infinity);
  const bottom = Math.max(down, known ? known.top + known.height : -Infinity);
  return { left, top, width: right - left, height: bottom - top };
}

/** Boxes around stretches of runs, one for those beside one another. */
export function foundBoxes(spans: readonly FoundSpan[]): PageBox[] {
  const rows = new Map<number, PageBox>();
  for (const { y, size, left, right } of spans)
    rows.set(y, around(rows.get(y), left, right, y - 0.8 * size, y + 0.25 * size));
  return [...rows.values()];
}

/** A picture on the page, when it stands upright: its file, its block, its box. */
export interface PictureBox extends PageBox {
  readonly file: string;
  readonly block: number;
}

export function pictureBoxes(page: PageDescription): PictureBox[] {
  const out: PictureBox[] = [];
  const picture = ({ file, block, blank, map }: PagePicture): void => {
    const { a, b, c, d, e, f } = map;
    if (b !== 0 || c !== 0 || blank) return;
    out.push({ file, block, left: e, top: f + d, width: a, height: -d });
  };
  walkPage(page, { ...NO_PORT, picture });
  return out;
}
