import type { PageDescription } from '@odd-compass/engine';
import { lineCount, sameLine } from '@odd-compass/engine/page';

/** A band of the page, top and bottom in big points. */
export interface Band {
  readonly top: number;
  readonly bottom: number;
}

/** The band from the first line to the last in which two pages differ; null when none does, or 'all'. */
export function changedBand(before: PageDescription, after: PageDescription): Band | null | 'all' {
  if (before.width !== after.width || before.height !== after.height) return 'all';
  const [old, now] = [lineCount(before), lineCount(after)];
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
      top = Math.min(top, page.lineInk[2 * line] as number);
      bottom = Math.max(bottom, page.lineInk[2 * line + 1] as number);
    }
  };
  widen(before, first, old - behind);
  widen(after, first, now - behind);
  return top === Infinity ? null : { top, bottom };
}
