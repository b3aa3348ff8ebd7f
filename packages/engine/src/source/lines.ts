/** Line starts of a text, for turning offsets into line and column and back. */
export interface LineMap {
  readonly starts: readonly number[];
  readonly length: number;
}

/** Finds every line start; `\r\n`, `\n` and a lone `\r` each end a line. */
export function lineMap(text: string): LineMap {
  const starts = [0];
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i);
    if (c === 10 || (c === 13 && text.charCodeAt(i + 1) !== 10)) starts.push(i + 1);
  }
  return { starts, length: text.length };
}

/** Line and column of an offset, both from 1; offsets outside are clamped. */
export function positionAt(map: LineMap, offset: number): { line: number; column: number } {
  const at = Math.max(0, Math.min(offset, map.length));
  let low = 0;
  let high = map.starts.length - 1;
  while (low < high) {
    const mid = (low + high + 1) >> 1;
    if ((map.starts[mid] as number) <= at) low = mid;
    else high = mid - 1;
  }
  return { line: low + 1, column: at - (map.starts[low] as number) + 1 };
}
