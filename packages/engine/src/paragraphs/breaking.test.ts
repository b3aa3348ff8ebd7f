import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NO_GLUE, PT } from '../base/lengths';
import { badness } from '../boxes/badness';
import { breakLines } from './breaking';
import { englishHyphenator } from './hyphenation';
import { glueItem, type LineItem, penaltyItem } from './lineItem';

const WIDTH = 100 * PT;
const parameters = {
  width: WIDTH,
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
function lineOf(widths: readonly number[], last: boolean): { b: number; fitness: number } | null {
  const gaps = widths.length - 1;
  const natural = widths.reduce((a, b) => a + b, 0) + 3 * gaps;
  const short = (100 - natural) * PT;
  if (short >= 0 && last) return { b: 0, fitness: 2 };
  if (short >= 0) {
    const b = badness(short, 2 * gaps * PT);
    return b > 10000 ? null : { b, fitness: b > 99 ? 0 : b > 12 ? 1 : 2 };
  }
  if (-short > gaps * PT) return null;
  const b = badness(-short, gaps * PT);
  return { b, fitness: b > 12 ? 3 : 2 };
}

/** The least total demerits over all ways to break, tried one by one. */
function bruteForce(widths: readonly number[]): number {
  const best = (start: number, fitness: number): number => {
    if (start >= widths.length) return 0;
    let least = Infinity;
    for (let end = start + 1; end <= widths.length; end++) {
      const line = lineOf(widths.slice(start, end), end === widths.length);
      if (!line) continue;
      const jump = Math.abs(line.fitness - fitness) > 1 ? 10000 : 0;
      // The forced break at the end has its own penalty, which adds nothing.
      least = Math.min(least, (10 + line.b) ** 2 + jump + best(end, line.fitness));
    }
    return least;
  };
  return best(0, 2);
}

function demeritsOf(widths: readonly number[], breaks: readonly number[]): number {
  let start = 0;
  let fitness = 2;
  let total = 0;
  for (const at of breaks) {
    const end = Math.min(widths.length, Math.ceil(at / 2));
    const line = lineOf(widths.slice(start, end), end === widths.length);
    if (!line) return Infinity;
    total += (10 + line.b) ** 2 + (Math.abs(line.fitness - fitness) > 1 ? 10000 : 0);
    fitness = line.fitness;
    start = end;
  }
  return total;
}

describe('line breaking', () => {
  it('finds the least total demerits, as trying every way does', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 5, max: 40 }), { minLength: 1, maxLength: 14 }),
        (widths) => {
          const least = bruteForce(widths);
          fc.pre(least < Infinity);
          const { breaks } = breakLines(paragraph(widths), parameters, (items) => items);
          expect(demeritsOf(widths, breaks)).toBe(least);
        },
      ),
      { numRuns: 300 },
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
  const hyphenate = englishHyphenator();
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
  it('are the same when asked again', () => {
    expect(hyphenate('concatenation')).toEqual(hyphenate('concatenation'));
  });
  it('are looked for in the beginning of a word only, however long it is', () => {
    const long = 'hydrodynamics'.repeat(20_000);
    expect(hyphenate(long).length).toBeGreaterThan(3);
    expect(Math.max(...hyphenate(long))).toBeLessThan(64);
  });
});
