import type { PageDescription } from '@odd-compass/engine';
import type { Band } from './paint';

/** The band from the first line to the last in which two pages differ; null when none does, or 'all'. */
export function changedBand(before: PageDescription, after: PageDescription): Band | null | 'all' {
  if (before.width !== after.width || before.height !== after.height) return 'all';
  const [old, now] = [before.lineBlock.length, after.lineBlock.length];
  let first = 0;
  while (first < Math.min(old, now) && sameLine(before, first, after, first)) first++;
  let behind = 0;
  while (
    behind < Math.min(old, now) - first &&
    sameLine(before, old - 1 - behind, after, now - 1 - behind)
  )
    behind++;
  let top = Infinity;
  let bottom = -Infinity;
  const widen = (page: PageDescription, from: number, to: number): void => {
    for (let line = from; line < to; line++) {
      const [, y = 0, , height = 0, depth = 0] = page.lines.subarray(5 * line, 5 * line + 5);
      top = Math.min(top, y - height);
      bottom = Math.max(bottom, y + depth);
    }
  };
  widen(before, first, old - behind);
  widen(after, first, now - behind);
  return top === Infinity ? null : { top, bottom };
}

type Numbers = PageDescription['lines'] | PageDescription['glyphs'] | PageDescription['runColor'];

/** Do two stretches of numbers hold the same? */
function equal(
  a: Numbers,
  aFrom: number,
  aTo: number,
  b: Numbers,
  bFrom: number,
  bTo: number,
): boolean {
  if (aTo - aFrom !== bTo - bFrom) return false;
  for (let i = 0; i < aTo - aFrom; i++) if (a[aFrom + i] !== b[bFrom + i]) return false;
  return true;
}

/** Is all that is drawn on a line the same, at the same place? */
function sameLine(a: PageDescription, i: number, b: PageDescription, j: number): boolean {
  const span = (starts: Uint32Array, line: number): [number, number] => [
    starts[line] as number,
    starts[line + 1] as number,
  ];
  const [aRun, aRunEnd] = span(a.lineRun, i);
  const [bRun, bRunEnd] = span(b.lineRun, j);
  const [aRule, aRuleEnd] = span(a.lineRule, i);
  const [bRule, bRuleEnd] = span(b.lineRule, j);
  const [aQuad, aQuadEnd] = span(a.lineQuad, i);
  const [bQuad, bQuadEnd] = span(b.lineQuad, j);
  const [aImage, aImageEnd] = span(a.lineImage, i);
  const [bImage, bImageEnd] = span(b.lineImage, j);
  const [aGlyph, aGlyphEnd] = [a.runStart[aRun] ?? 0, a.runStart[aRunEnd] ?? 0];
  const [bGlyph, bGlyphEnd] = [b.runStart[bRun] ?? 0, b.runStart[bRunEnd] ?? 0];
  const runs = (from: Numbers, to: Numbers): boolean =>
    equal(from, aRun, aRunEnd, to, bRun, bRunEnd);
  return (
    equal(a.lines, 5 * i, 5 * i + 5, b.lines, 5 * j, 5 * j + 5) &&
    equal(a.glyphs, aGlyph, aGlyphEnd, b.glyphs, bGlyph, bGlyphEnd) &&
    equal(a.glyphX, aGlyph, aGlyphEnd, b.glyphX, bGlyph, bGlyphEnd) &&
    runs(a.runX, b.runX) &&
    runs(a.runY, b.runY) &&
    runs(a.runFont, b.runFont) &&
    runs(a.runSize, b.runSize) &&
    runs(a.runColor, b.runColor) &&
    runs(a.runMatrix, b.runMatrix) &&
    equal(a.rules, 4 * aRule, 4 * aRuleEnd, b.rules, 4 * bRule, 4 * bRuleEnd) &&
    equal(a.ruleColor, aRule, aRuleEnd, b.ruleColor, bRule, bRuleEnd) &&
    equal(a.quads, 8 * aQuad, 8 * aQuadEnd, b.quads, 8 * bQuad, 8 * bQuadEnd) &&
    equal(a.images, 6 * aImage, 6 * aImageEnd, b.images, 6 * bImage, 6 * bImageEnd) &&
    a.imageFile.slice(aImage, aImageEnd).join() === b.imageFile.slice(bImage, bImageEnd).join()
  );
}
