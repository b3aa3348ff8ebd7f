import type { EditorView } from '@codemirror/view';
import type { BlockPlace } from '@odd-compass/engine/worker';
import type { SightedPage } from '../engine/engineClient.svelte';
import type { SheetGeometry } from '../sheet/geometry';
import { blockExtent } from '../sheet/hit';

/** A block on both sides of the seam: heights in CSS pixels from the top of the seam. */
export interface Ribbon {
  readonly block: number;
  readonly pageTop: number;
  readonly pageBottom: number;
  readonly sourceTop: number;
  readonly sourceBottom: number;
}

/** Where the document begins in the editor's window, which is scrolled so far. */
export const sourceOffset = (view: EditorView, scrolled: number): number =>
  view.documentPadding.top - scrolled;

/** Where a stretch of source stands in the editor's window. */
export function sourceExtent(
  view: EditorView,
  from: number,
  to: number,
  offset: number,
): { top: number; bottom: number } {
  const { length } = view.state.doc;
  const first = view.lineBlockAt(Math.min(from, length));
  const last = view.lineBlockAt(Math.min(Math.max(from, to), length));
  return { top: first.top + offset, bottom: last.bottom + offset };
}

/** Ribbons of the blocks that are in sight on the sheet or in the source. */
export function ribbons(
  view: EditorView,
  sighted: ReadonlyMap<number, SightedPage>,
  blocks: ReadonlyMap<number, BlockPlace>,
  sheet: SheetGeometry,
  scrolled: number,
): Ribbon[] {
  const extents = new Map<number, { top: number; bottom: number }>();
  for (const [index, { description }] of sighted) {
    const pageTop = (sheet.tops[index] ?? 0) - sheet.scrollTop;
    for (const block of new Set(description.lineBlock)) {
      if (block < 0) continue;
      const own = blockExtent(description, block);
      if (!own) continue;
      const top = pageTop + own.top * sheet.scale;
      const bottom = pageTop + own.bottom * sheet.scale;
      const known = extents.get(block);
      extents.set(
        block,
        known
          ? { top: Math.min(known.top, top), bottom: Math.max(known.bottom, bottom) }
          : { top, bottom },
      );
    }
  }
  const out: Ribbon[] = [];
  const offset = sourceOffset(view, scrolled);
  for (const [block, page] of extents) {
    const place = blocks.get(block);
    if (!place) continue;
    const text = view.state.sliceDoc(place.start, place.start + place.length);
    const source = sourceExtent(view, place.start, place.start + text.trimEnd().length, offset);
    const inSight = (top: number, bottom: number): boolean => bottom > 0 && top < sheet.height;
    if (!inSight(page.top, page.bottom) && !inSight(source.top, source.bottom)) continue;
    out.push({
      block,
      pageTop: page.top,
      pageBottom: page.bottom,
      sourceTop: source.top,
      sourceBottom: source.bottom,
    });
  }
  return out;
}

/** The outline of a ribbon across a seam of that width. */
export function ribbonPath(
  { pageTop, pageBottom, sourceTop, sourceBottom }: Ribbon,
  width: number,
): string {
  const middle = width / 2;
  return (
    `M0 ${pageTop} C${middle} ${pageTop} ${middle} ${sourceTop} ${width} ${sourceTop}` +
    ` V${sourceBottom} C${middle} ${sourceBottom} ${middle} ${pageBottom} 0 ${pageBottom} Z`
  );
}
