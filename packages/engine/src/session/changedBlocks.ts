/** The blocks that changed since the pages were last whole: from `from`, before `to`. None when both are the same. */
export interface ChangedBlocks {
  readonly from: number;
  readonly to: number;
}

export const NONE_CHANGED: ChangedBlocks = { from: 0, to: 0 };

const pending = ({ from, to }: ChangedBlocks): boolean => to > from;

/** With one more block changed, the one at `index`. */
export const withBlock = (changed: ChangedBlocks, index: number): ChangedBlocks => ({
  from: pending(changed) ? Math.min(changed.from, index) : index,
  to: pending(changed) ? Math.max(changed.to, index + 1) : index + 1,
});

/**
 * With the blocks of a reading changed: those from `first` to before `reusedFrom`, both counted
 * as the blocks are now. There were `before` of them and there are `length`: a range that was
 * waiting moves with what stands behind the change. Never empty while there are blocks.
 */
export function withReading(
  changed: ChangedBlocks,
  first: number,
  reusedFrom: number,
  before: number,
  length: number,
): ChangedBlocks {
  const moved = Math.min(length, changed.to + length - before);
  const from = pending(changed) ? Math.min(changed.from, first) : first;
  const to = pending(changed) ? Math.max(reusedFrom, moved) : reusedFrom;
  return { from, to: Math.max(to, Math.min(length, from + 1)) };
}
