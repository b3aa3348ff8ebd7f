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

/** How large the sheet is seen: a factor of its natural size, or what it is fitted to. */
export type Zoom = number | 'text' | 'width' | 'page';

/** CSS pixels per big point at its natural size. */
export const NATURAL = 96 / 72;
/** Left beside the text that the window is fitted to: a finger's breadth, CSS pixels. */
const FINGER = 28;
/** Text of narrow paper is not blown up further than so many times its natural size. */
const MOST_FIT = 2.5;

type Extent = Omit<PageInfo, 'key'>;

/** The stretch over all pages in which the text lies, and the widest and tallest paper; big points. */
export function extentOfPages(pages: readonly Extent[]): Extent {
  const of = (pick: (page: Extent) => number): number[] => pages.map(pick);
  return {
    width: Math.max(1, ...of((page) => page.width)),
    height: Math.max(1, ...of((page) => page.height)),
    textLeft: pages.length === 0 ? 0 : Math.min(...of((page) => page.textLeft)),
    textRight: Math.max(1, ...of((page) => page.textRight)),
  };
}

/** CSS pixels per big point for a zoom in a window of this size, CSS pixels. */
export function scaleFor(zoom: Zoom, extent: Extent, width: number, height: number): number {
  if (typeof zoom === 'number') return zoom * NATURAL;
  const wide = (width - 2 * GAP) / extent.width;
  const tall = (height - 2 * GAP) / extent.height;
  const text = (width - 2 * FINGER) / Math.max(1, extent.textRight - extent.textLeft);
  // The text never makes the paper smaller than the window has room for.
  const fit = { text: Math.max(wide, Math.min(text, MOST_FIT * NATURAL)), width: wide };
  return Math.max(0.3, zoom === 'page' ? Math.min(wide, tall) : fit[zoom]);
}

/** A place of the sheet that zooming leaves where it is: a page, and how far down it, big points. */
export interface HeldPlace {
  readonly page: number;
  readonly down: number;
}

/** What lies at a height of the scrolled area, CSS pixels; between pages the end of the one above. */
export function placeAt(pages: readonly PageInfo[], scale: number, y: number): HeldPlace {
  const tops = pageTops(pages, scale);
  const page = Math.max(
    0,
    Math.min(
      pages.length - 1,
      tops.findLastIndex((top) => top <= y),
    ),
  );
  const down = (y - (tops[page] ?? 0)) / scale;
  return { page, down: Math.min(down, pages[page]?.height ?? 0) };
}

/** The height of a place at a scale, CSS pixels. */
export const heightOf = (pages: readonly PageInfo[], scale: number, place: HeldPlace): number =>
  (pageTops(pages, scale)[place.page] ?? 0) + place.down * scale;
