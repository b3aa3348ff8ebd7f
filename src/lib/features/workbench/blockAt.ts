/** Index of the block that holds the offset, by the starts of all blocks; -1 when there are none. */
export function blockAt(starts: readonly number[], offset: number): number {
  let low = 0;
  let high = starts.length - 1;
  if (high < 0) return -1;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if ((starts[mid] as number) <= offset) low = mid;
    else high = mid - 1;
  }
  return low;
}
