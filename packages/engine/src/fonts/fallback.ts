import type { FontFile } from './catalog';
import { FALLBACK_RANGES } from './fallbackRanges';
import { SIGN_RANGES } from './signRanges';

interface Range {
  readonly from: number;
  readonly to: number;
  readonly file: FontFile;
}

/** Ranges in the order of their characters, made when first asked for. */
let signs: readonly Range[] | null = null;
let letters: readonly Range[] | null = null;

const byStart = (a: Range, b: Range): number => a.from - b.from;

const rangesIn = (text: string, file: FontFile): Range[] =>
  text.split(' ').map((range) => {
    const [from = '0', to = from] = range.split('-');
    return { from: parseInt(from, 16), to: parseInt(to, 16), file };
  });

function find(all: readonly Range[], code: number): FontFile | null {
  let low = 0;
  let high = all.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const range = all[middle] as Range;
    if (code < range.from) high = middle - 1;
    else if (code > range.to) low = middle + 1;
    else return range.file;
  }
  return null;
}

/** The file that holds a character which the fonts of text lack: of signs, or of Chinese; or null. */
export function fallbackFile(code: number): FontFile | null {
  signs ??= SIGN_RANGES.flatMap(([file, text]) => rangesIn(text, file)).sort(byStart);
  letters ??= FALLBACK_RANGES.flatMap(([part, text]) => rangesIn(text, `notoserifsc-${part}`)).sort(
    byStart,
  );
  return find(signs, code) ?? find(letters, code);
}
