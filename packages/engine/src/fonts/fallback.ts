import type { FallbackFile } from './catalog';
import { FALLBACK_RANGES } from './fallbackRanges';

interface Range {
  readonly from: number;
  readonly to: number;
  readonly part: number;
}

/** All ranges in the order of their characters, made when first asked for. */
let sorted: readonly Range[] | null = null;

function ranges(): readonly Range[] {
  sorted ??= FALLBACK_RANGES.flatMap(([part, text]) =>
    text.split(' ').map((range): Range => {
      const [from = '0', to = from] = range.split('-');
      return { from: parseInt(from, 16), to: parseInt(to, 16), part };
    }),
  ).sort((a, b) => a.from - b.from);
  return sorted;
}

/** The part of the fallback font that holds a character, or null. */
export function fallbackFile(code: number): FallbackFile | null {
  const all = ranges();
  let low = 0;
  let high = all.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const range = all[middle] as Range;
    if (code < range.from) high = middle - 1;
    else if (code > range.to) low = middle + 1;
    else return `notoserifsc-${range.part}`;
  }
  return null;
}
