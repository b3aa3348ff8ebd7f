import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { betweenPowers, commonPower, rangeOf, tickStep, ticksBy, ticksOf, tickText } from './scale';

describe('the scale of an axis', () => {
  it.each([
    ['data, a tenth larger', [0, 10], null, null, null, [-1, 11]],
    ['one end fixed', [0, 10], 0, null, null, [0, 11]],
    ['both fixed', [0, 10], -2, 12, null, [-2, 12]],
    ['not enlarged', [0, 10], null, null, 0, [0, 10]],
    ['enlarged by a share', [0, 10], 0, 10, 0.2, [-2, 12]],
    ['one point', [3], null, null, 0, [2.5, 3.5]],
    ['nothing', [], null, null, 0, [0, 1]],
  ] as const)('%s', (_, values, min, max, enlarge, [low, high]) => {
    const range = rangeOf(values, min, max, enlarge, 'linear');
    expect(range.min).toBeCloseTo(low, 9);
    expect(range.max).toBeCloseTo(high, 9);
  });
  it('of powers of ten counts their exponents', () => {
    expect(rangeOf([1, 1000], null, null, 0, 'log')).toEqual({ min: 0, max: 3 });
    expect(ticksOf('log', { min: 0, max: 3 }, 200, null)).toEqual([0, 1, 2, 3]);
  });
  it.each([
    ['enough whole powers', { min: 0.7, max: 4 }, 103, [1, 2, 3, 4]],
    [
      'too few of them: parts of powers',
      { min: -0.8, max: 0.2 },
      103,
      [-0.8, -0.6, -0.4, -0.2, 0, 0.2],
    ],
    ['many decades: some of them', { min: 0, max: 12 }, 150, [0, 3, 6, 9, 12]],
  ] as const)('of powers has at least three ticks: %s', (_, range, length, ticks) =>
    expect(ticksOf('log', range, length, null)).toEqual(ticks),
  );
  it('between powers side by side stand the twice to nine times, and nowhere else', () => {
    const between = betweenPowers([0, 1], { min: 0, max: 1 });
    expect(between.map((at) => Math.round(10 ** at))).toEqual([2, 3, 4, 5, 6, 7, 8, 9]);
    expect(betweenPowers([0, 2], { min: 0, max: 2 })).toEqual([]);
    expect(betweenPowers([-0.2, 0], { min: -0.3, max: 0 })).toEqual([]);
  });
  it.each([
    [{ min: 0, max: 10 }, 195, 2],
    [{ min: -5, max: 5 }, 195, 2],
    [{ min: 0, max: 1 }, 162, 0.2],
    [{ min: 0, max: 1 }, 195, 0.2],
    [{ min: 0, max: 100 }, 100, 50],
  ])('ticks of %j over %d pt lie %d apart', (range, length, step) =>
    expect(tickStep(range, length)).toBeCloseTo(step, 9),
  );
  it('ticks lie in the range, evenly, with room for their labels', () => {
    const number = fc.double({ min: -1e5, max: 1e5, noNaN: true });
    fc.assert(
      fc.property(number, fc.double({ min: 1e-3, max: 1e5, noNaN: true }), (min, size) => {
        const range = { min, max: min + size };
        const step = tickStep(range, 200);
        const ticks = ticksBy(step, range);
        expect((step / size) * 200).toBeGreaterThan(35 / 1.76);
        expect((step / size) * 200).toBeLessThan(35 * 1.5);
        for (const tick of ticks) {
          expect(tick).toBeGreaterThanOrEqual(range.min - 1e-5 * size);
          expect(tick).toBeLessThanOrEqual(range.max + 1e-5 * size);
        }
        expect(ticks.length).toBeGreaterThanOrEqual(1);
      }),
    );
  });
  it.each([
    [0.5, '0.5'],
    [-2, '-2'],
    [1000, '1{,}000'],
    [0.1 + 0.2, '0.3'],
    [-1234567, '-1{,}234{,}567'],
  ])('%d is labelled %s', (value, text) => expect(tickText(value)).toBe(text));
  it('large numbers have their power of ten beside the axis', () => {
    expect([
      commonPower([0, 20000]),
      commonPower([0, 2000]),
      commonPower([0.0002]),
      commonPower([]),
    ]).toEqual([4, 0, -4, 0]);
  });
});
