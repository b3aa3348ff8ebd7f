/**
 * Places in the source. Inside a block, offsets count from the block's start, so
 * that text typed above leaves everything below the same object.
 */
export interface Span {
  readonly from: number;
  readonly to: number;
}

export const NOWHERE: Span = { from: 0, to: 0 };

/** The smallest span that covers both. */
export function cover(a: Span, b: Span): Span {
  return { from: Math.min(a.from, b.from), to: Math.max(a.to, b.to) };
}
/** Only the two offsets of something that has a place. */
export const pick = ({ from, to }: Span): Span => ({ from, to });
