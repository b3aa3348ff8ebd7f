import type { Hyphenation } from '../document/blocks';
import createHyphenator from 'hyphen';
import englishPatterns from 'hyphen/patterns/en-us.js';

/** Where the patterns of a language divide a word, however near its ends: offsets of the characters that would start the next line. */
export type Hyphenate = (word: string) => readonly number[];

/** The words that the standard English patterns list as exceptions. */
const EXCEPTIONS = [
  'as-so-ciate as-so-ciates dec-li-na-tion oblig-a-tory phil-an-thropic present presents',
  'project projects reci-procity re-cog-ni-zance ref-or-ma-tion ret-ri-bu-tion ta-ble',
  'pa-ram-e-ter pa-ram-e-ters',
]
  .join(' ')
  .split(' ');

/** The points that leave so many letters before and behind them, of a word of so many. */
export const pointsWithin = (
  points: readonly number[],
  length: number,
  { left, right }: Pick<Hyphenation, 'left' | 'right'>,
): readonly number[] => points.filter((at) => at >= left && at <= length - right);

/** Of longer words only the beginning is looked at (TeX: The Program, §897). */
const MOST_LETTERS = 63;

const MARK = '\u00ad';

/** A hyphenator for English with a memory of its own. */
export const englishHyphenator = (): Hyphenate => hyphenatorOf(englishPatterns, EXCEPTIONS);

/** A hyphenator by patterns (TeX: The Program, §919 ff.), with words that are divided otherwise. */
export function hyphenatorOf(patterns: unknown, divided: readonly string[] = []): Hyphenate {
  const mark = createHyphenator(patterns, {
    async: false,
    hyphenChar: MARK,
    minWordLength: 2,
  });
  const exceptions = new Map(
    divided.map((word) => [word.replaceAll('-', ''), word.replaceAll('-', MARK)]),
  );
  const memory = new Map<string, readonly number[]>();
  return (word) => {
    const lower = word.slice(0, MOST_LETTERS).toLowerCase();
    let points = memory.get(lower);
    if (!points) {
      points = divisions(exceptions.get(lower) ?? mark(lower));
      memory.set(lower, points);
    }
    return points;
  };
}

function divisions(marked: string): number[] {
  const points: number[] = [];
  let at = 0;
  for (const char of marked) {
    if (char === MARK) points.push(at);
    else at += char.length;
  }
  return points;
}
