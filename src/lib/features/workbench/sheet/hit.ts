import type { PageDescription } from '@odd-compass/engine';
import type { BlockPlace, FoundSpan } from '@odd-compass/engine/worker';

/** The offset in the source of what stands at a point of the page (big points), or null. */
export function sourceAt(
  page: PageDescription,
  blocks: ReadonlyMap<number, BlockPlace>,
  x: number,
  y: number,
): number | null {
  const line = nearestLine(page, y);
  if (line === null) return null;
  let best: number | null = null;
  let bestDistance = Infinity;
  for (let r = page.lineRun[line] as number; r < (page.lineRun[line + 1] as number); r++) {
    const distance = runDistance(page, r, x, y);
    if (distance < bestDistance) {
      best = r;
      bestDistance = distance;
    }
  }
  if (best === null) return blocks.get(page.lineBlock[line] as number)?.start ?? null;
  const place = blocks.get(page.runBlock[best] as number);
  return place ? place.start + offsetInRun(page, best, x) : null;
}

function nearestLine(page: PageDescription, y: number): number | null {
  let best: number | null = null;
  let bestDistance = Infinity;
  for (let line = 0; line + 1 < page.lineRun.length; line++) {
    if ((page.lineBlock[line] as number) < 0) continue;
    const [, base = 0, , height = 0, depth = 0] = page.lines.subarray(5 * line, 5 * line + 5);
    const distance = Math.max(0, base - height - y, y - base - depth);
    if (distance < bestDistance) {
      best = line;
      bestDistance = distance;
    }
  }
  return best;
}

function runDistance(page: PageDescription, r: number, x: number, y: number): number {
  const left = page.runX[r] as number;
  const size = page.runSize[r] as number;
  const last = (page.runStart[r + 1] as number) - 1;
  const right = left + (page.glyphX[last] ?? 0) + size * 0.6;
  const base = page.runY[r] as number;
  const dx = Math.max(0, left - x, x - right);
  const dy = Math.max(0, base - size * 0.7 - y, y - base - size * 0.2);
  return dx + dy;
}

/** Within a word that shows its source letter by letter, the letter; else the start of its source. */
function offsetInRun(page: PageDescription, r: number, x: number): number {
  const from = page.runFrom[r] as number;
  const to = page.runTo[r] as number;
  const start = page.runStart[r] as number;
  const end = page.runStart[r + 1] as number;
  const left = page.runX[r] as number;
  let glyph = start;
  while (glyph + 1 < end && left + (page.glyphX[glyph + 1] as number) <= x) glyph++;
  return Math.min(to, from + (page.glyphCluster[glyph] ?? 0));
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
    const [, y = 0, , height = 0, depth = 0] = page.lines.subarray(5 * line, 5 * line + 5);
    top = Math.min(top, y - height);
    bottom = Math.max(bottom, y + depth);
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
  for (let r = 0; r + 1 < page.runStart.length; r++) {
    const place = blocks.get(page.runBlock[r] as number);
    if (!place) continue;
    const at = offset - place.start;
    const from = page.runFrom[r] as number;
    const to = page.runTo[r] as number;
    // Between two that touch, the caret belongs to the one behind it.
    if (at < from || at > to || to - from > bestLength || (to - from === bestLength && at > from))
      continue;
    bestLength = to - from;
    best = barAt(page, r, at - from);
  }
  return best;
}

function barAt(page: PageDescription, r: number, into: number): PageBox {
  const size = page.runSize[r] as number;
  const start = page.runStart[r] as number;
  const end = page.runStart[r + 1] as number;
  let glyph = start;
  while (glyph < end && (page.glyphCluster[glyph] as number) < into) glyph++;
  const behind = glyph >= end || (end - start === 1 && into > 0);
  const along = behind
    ? (page.glyphX[end - 1] as number) + 0.5 * size
    : (page.glyphX[glyph] as number);
  return {
    left: (page.runX[r] as number) + along,
    top: (page.runY[r] as number) - 0.75 * size,
    width: 0,
    height: size,
  };
}

/** The boxes around what is drawn in a colour, one for each line that holds some. */
export function boxesInColour(page: PageDescription, colour: number): PageBox[] {
  const out: PageBox[] = [];
  for (let line = 0; line + 1 < page.lineRun.length; line++) {
    let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let r = page.lineRun[line] as number; r < (page.lineRun[line + 1] as number); r++) {
      if (page.runColor[r] !== colour) continue;
      const size = page.runSize[r] as number;
      const last = (page.runStart[r + 1] as number) - 1;
      const [x, y] = [page.runX[r] as number, page.runY[r] as number];
      left = Math.min(left, x);
      top = Math.min(top, y - 0.8 * size);
      right = Math.max(right, x + (page.glyphX[last] as number) + 0.6 * size);
      bottom = Math.max(bottom, y + 0.3 * size);
    }
    if (left < Infinity) out.push({ left, top, width: right - left, height: bottom - top });
  }
  return out;
}

/** Boxes around stretches of runs, one for those beside one another. */
export function foundBoxes(page: PageDescription, spans: readonly FoundSpan[]): PageBox[] {
  const rows = new Map<number, PageBox>();
  for (const { run, left, right } of spans) {
    const size = page.runSize[run] as number;
    const y = page.runY[run] as number;
    const known = rows.get(y);
    const from = Math.min(left, known?.left ?? Infinity);
    const to = Math.max(right, known ? known.left + known.width : -Infinity);
    const top = Math.min(y - 0.8 * size, known?.top ?? Infinity);
    const bottom = Math.max(y + 0.25 * size, known ? known.top + known.height : -Infinity);
    rows.set(y, { left: from, top, width: to - from, height: bottom - top });
  }
  return [...rows.values()];
}

/** A picture on the page, when it stands upright: its file, its block, its box. */
export interface PictureBox extends PageBox {
  readonly file: string;
  readonly block: number;
}

export function pictureBoxes(page: PageDescription): PictureBox[] {
  return page.imageFile.flatMap((file, i): PictureBox[] => {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = page.images.subarray(6 * i, 6 * i + 6);
    if (b !== 0 || c !== 0 || page.imageBlank[i] === 1) return [];
    const line = page.lineImage.findLastIndex((first) => first <= i);
    const block = page.lineBlock[Math.min(line, page.lineBlock.length - 1)] ?? -1;
    return [{ file, block, left: e, top: f + d, width: a, height: -d }];
  });
}
