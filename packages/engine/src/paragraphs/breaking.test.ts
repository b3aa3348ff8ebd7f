import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_GLUE, PT } from '../base/lengths';
import { badness } from '../boxes/badness';
import { breakLines } from './breaking';
import { englishHyphenator, pointsWithin } from './hyphenation';
import { glueItem, type LineItem, penaltyItem } from './lineItem';

const WIDTH = 100 * PT;
const parameters = {
  width: WIDTH,
  firstWidths: [],
  looseness: 0,
  leftSkip: NO_GLUE,
  rightSkip: NO_GLUE,
  pretolerance: 10000,
  tolerance: 10000,
  emergencyStretch: 0,
  costs: {
    linePenalty: 10,
    hyphenPenalty: 50,
    exHyphenPenalty: 50,
    adjDemerits: 10_000,
    doubleHyphenDemerits: 10_000,
    finalHyphenDemerits: 5_000,
    brokenPenalty: 100,
  },
};
const word = (width: number): LineItem => ({
  kind: 'content',
  width: width * PT,
  item: { kind: 'box', width: width * PT, height: 0, depth: 0, children: [] },
});
const space: LineItem = glueItem({
  width: 3 * PT,
  stretch: 2 * PT,
  stretchOrder: 0,
  shrink: PT,
  shrinkOrder: 0,
});
const ending: LineItem[] = [
  penaltyItem(10000),
  glueItem({ ...NO_GLUE, stretch: PT, stretchOrder: 1 }),
  penaltyItem(-10000),
];

function paragraph(widths: readonly number[]): LineItem[] {
  return [...widths.flatMap((w, i) => (i > 0 ? [space, word(w)] : [word(w)])), ...ending];
}

/** Badness and fitness of a line of words, or null when it cannot be squeezed in. */
function lineOf(
  widths: readonly number[],
  last: boolean,
  room = 100,
): { b: number; fitness: number } | null {
  const gaps = widths.length - 1;
  const natural = widths.reduce((a, b) => a + b, 0) + 3 * gaps;
  const short = (room - natural) * PT;
  if (short >= 0 && last) return { b: 0, fitness: 2 };
  if (short >= 0) {
    const b = badness(short, 2 * gaps * PT);
    return b > 10000 ? null : { b, fitness: b > 99 ? 0 : b > 12 ? 1 : 2 };
  }
  if (-short > gaps * PT) return null;
  const b = badness(-short, gaps * PT);
  return { b, fitness: b > 12 ? 3 : 2 };
}

/** What a line of that badness costs (TeX: The Program, §859). */
const ofBadness = (b: number): number => (10 + b >= 10_000 ? 100_000_000 : (10 + b) ** 2);

/** The least total demerits by how many lines there are, over all ways to break, tried one by one. */
function bruteForce(widths: readonly number[], first: readonly number[] = []): Map<number, number> {
  const found = new Map<number, number>();
  const go = (start: number, fitness: number, line: number, demerits: number): void => {
    if (start >= widths.length) {
      found.set(line, Math.min(found.get(line) ?? Infinity, demerits));
      return;
    }
    for (let end = start + 1; end <= widths.length; end++) {
      const set = lineOf(widths.slice(start, end), end === widths.length, first[line]);
      if (!set) continue;
      const jump = Math.abs(set.fitness - fitness) > 1 ? 10000 : 0;
      // The forced break at the end has its own penalty, which adds nothing.
      go(end, set.fitness, line + 1, demerits + ofBadness(set.b) + jump);
    }
  };
  go(0, 2, 0, 0);
  return found;
}

function demeritsOf(
  widths: readonly number[],
  breaks: readonly number[],
  first: readonly number[] = [],
): number {
  let start = 0;
  let fitness = 2;
  let total = 0;
  for (const [line, at] of breaks.entries()) {
    const end = Math.min(widths.length, Math.ceil(at / 2));
    const set = lineOf(widths.slice(start, end), end === widths.length, first[line]);
    if (!set) return Infinity;
    total += ofBadness(set.b) + (Math.abs(set.fitness - fitness) > 1 ? 10000 : 0);
    fitness = set.fitness;
    start = end;
  }
  return total;
}

const someWords = fc.array(fc.integer({ min: 5, max: 40 }), { minLength: 1, maxLength: 12 });

describe('line breaking', () => {
  it('finds the least total demerits, as trying every way does; lines of their own widths too', () => {
    fc.assert(
      fc.property(
        someWords,
        fc.array(fc.integer({ min: 40, max: 140 }), { maxLength: 4 }),
        (widths, first) => {
          const least = Math.min(...bruteForce(widths, first).values());
          fc.pre(least < Infinity);
          const shaped = { ...parameters, firstWidths: first.map((width) => width * PT) };
          const { breaks } = breakLines(paragraph(widths), shaped, (items) => items);
          expect(demeritsOf(widths, breaks, first)).toBe(least);
        },
      ),
      { numRuns: 400 },
    );
  });
  it('gives as many lines more or fewer as are asked for, where there is such a way, and the best of those', () => {
    fc.assert(
      fc.property(someWords, fc.integer({ min: -2, max: 2 }), (widths, looseness) => {
        const ways = bruteForce(widths);
        fc.pre(ways.size > 0);
        const least = Math.min(...ways.values());
        const { breaks } = breakLines(
          paragraph(widths),
          { ...parameters, looseness },
          (items) => items,
        );
        const bestCounts = [...ways.keys()].filter((count) => ways.get(count) === least);
        const wanted = bestCounts.map((count) => count + looseness);
        if (wanted.some((count) => ways.has(count))) expect(wanted).toContain(breaks.length);
        expect(demeritsOf(widths, breaks)).toBe(ways.get(breaks.length));
      }),
      { numRuns: 400 },
    );
  });
  it('answers even when nothing fits', () => {
    const { breaks } = breakLines(
      paragraph([150, 20, 180]),
      { ...parameters, pretolerance: -1, tolerance: 200 },
      (i) => i,
    );
    // A line of one short word would be too loose to count, so it joins the one that sticks out.
    expect(breaks.length).toBe(2);
  });
  it('breaks where it must', () => {
    const items = [word(10), penaltyItem(-10000), word(10), ...ending];
    expect(breakLines(items, parameters, (i) => i).breaks).toEqual([1, 5]);
  });
});

it('badness is about a hundred times the cube of the ratio', () => {
  expect(badness(0, 10)).toBe(0);
  expect(badness(PT, PT)).toBe(100);
  expect(badness(2 * PT, PT)).toBeGreaterThan(790);
  expect(badness(PT, 0)).toBe(10000);
});

describe('divisions of words', () => {
  const all = englishHyphenator();
  const hyphenate = (word: string): readonly number[] =>
    pointsWithin(all(word), word.length, { left: 2, right: 3 });
  const divided = (word: string): string => {
    const points = new Set(hyphenate(word));
    return [...word].map((letter, i) => (points.has(i) ? `-${letter}` : letter)).join('');
  };
  it.each([
    ['hyphenation', 'hy-phen-ation'],
    ['concatenation', 'con-cate-na-tion'],
    ['supercalifragilistic', 'su-per-cal-ifrag-ilis-tic'],
    ['algorithm', 'al-go-rithm'],
    ['mathematics', 'math-e-mat-ics'],
    ['associate', 'as-so-ciate'],
    ['present', 'present'],
    ['table', 'ta-ble'],
    ['tide', 'tide'],
    ['a', 'a'],
    ['', ''],
  ])('%s: %s', (word, expected) => expect(divided(word)).toBe(expected));
  it('do not depend on capitals', () => {
    expect(divided('Hyphenation').toLowerCase()).toBe(divided('hyphenation'));
    expect(divided('MATHEMATICS').toLowerCase()).toBe(divided('mathematics'));
  });
  it('leave two letters before and three behind', () => {
    for (const word of ['anemone', 'ability', 'education', 'reality', 'ebony', 'idea'])
      for (const at of hyphenate(word)) {
        expect(at).toBeGreaterThanOrEqual(2);
        expect(at).toBeLessThanOrEqual(word.length - 3);
      }
  });
  it('leave as many as the document says', () => {
    const at = (left: number, right: number): readonly number[] =>
      pointsWithin(all('education'), 9, { left, right });
    expect([at(1, 1), at(2, 3), at(4, 3), at(4, 6)]).toEqual([[2, 3, 5], [2, 3, 5], [5], []]);
  });
  it('are the same when asked again', () => {
    expect(hyphenate('concatenation')).toEqual(hyphenate('concatenation'));
  });
  it('are looked for in the beginning of a word only, however long it is', () => {
    const long = 'hydrodynamics'.repeat(20_000);
    expect(hyphenate(long).length).toBeGreaterThan(3);
    expect(Math.max(...hyphenate(long))).toBeLessThan(64);
  });
});
