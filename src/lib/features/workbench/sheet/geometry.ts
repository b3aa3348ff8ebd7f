import type { PageInfo } from '@odd-compass/engine/worker';

/** Space around pages, CSS pixels. */
export const GAP = 20;

/** How the sheet lies in its window, for what is drawn beside it. */
export interface SheetGeometry {
  /** Top of each page in the scrolled area; one more for the end. */
  readonly tops: readonly number[];
  /** CSS pixels per big point. */
  readonly scale: number;
  readonly scrollTop: number;
  readonly height: number;
}

/** Where each page starts, one under another; the last entry is the whole height. */
export function pageTops(pages: readonly PageInfo[], scale: number): number[] {
  const tops: number[] = [];
  let y = GAP;
  for (const { height } of pages) {
    tops.push(y);
    y += height * scale + GAP;
  }
  tops.push(y);
  return tops;
}
