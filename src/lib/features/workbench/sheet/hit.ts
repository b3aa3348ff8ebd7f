import type { PageDescription } from '@odd-compass/engine';
import type { BlockPlace } from '@odd-compass/engine/worker';

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
