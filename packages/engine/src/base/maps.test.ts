import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  composed,
  flipped,
  growthOf,
  IDENTITY,
  isUpright,
  mapped,
  scaledTurned,
  translation,
  type AffineMap,
} from './maps';
import { cssColour, opacityOf, rgbOf, withOpacity } from './paint';

const number = fc.double({ min: -50, max: 50, noNaN: true });
const point = fc.record({ x: number, y: number });
const map: fc.Arbitrary<AffineMap> = fc
  .tuple(
    fc.double({ min: 0.1, max: 4, noNaN: true }),
    fc.double({ min: 0.1, max: 4, noNaN: true }),
    fc.double({ min: -360, max: 360, noNaN: true }),
    number,
    number,
  )
  .map(([x, y, degrees, e, f]) => composed(translation(e, f), scaledTurned(x, y, degrees)));
const near = (a: { x: number; y: number }, b: { x: number; y: number }): void => {
  expect(a.x).toBeCloseTo(b.x, 6);
  expect(a.y).toBeCloseTo(b.y, 6);
};

describe('maps', () => {
  it('one after the other are one', () => {
    fc.assert(
      fc.property(map, map, point, (outer, inner, p) =>
        near(mapped(composed(outer, inner), p), mapped(outer, mapped(inner, p))),
      ),
    );
  });
  it('are put together in any grouping', () => {
    fc.assert(
      fc.property(map, map, map, point, (a, b, c, p) =>
        near(mapped(composed(composed(a, b), c), p), mapped(composed(a, composed(b, c)), p)),
      ),
    );
  });
  it('are the same beside one that does nothing', () => {
    fc.assert(
      fc.property(map, point, (m, p) => {
        near(mapped(composed(m, IDENTITY), p), mapped(m, p));
        near(mapped(composed(IDENTITY, m), p), mapped(m, p));
      }),
    );
  });
  it('seen from where y grows the other way, do the same', () => {
    fc.assert(
      fc.property(map, point, (m, { x, y }) => {
        const there = mapped(flipped(m), { x, y: -y });
        near({ x: there.x, y: -there.y }, mapped(m, { x, y }));
        near(mapped(flipped(flipped(m)), { x, y }), mapped(m, { x, y }));
      }),
    );
  });
  it('grow areas by the square of what they say lengths grow', () => {
    fc.assert(
      fc.property(map, (m) => {
        const [o, u, v] = [
          mapped(m, { x: 0, y: 0 }),
          mapped(m, { x: 1, y: 0 }),
          mapped(m, { x: 0, y: 1 }),
        ];
        const area = Math.abs((u.x - o.x) * (v.y - o.y) - (u.y - o.y) * (v.x - o.x));
        expect(growthOf(m) ** 2).toBeCloseTo(area, 6);
      }),
    );
  });
  it.each([
    [1, 1, 0, true],
    [2, 3, 0, true],
    [-1, 1, 0, false],
    [1, -1, 0, false],
    [1, 1, 30, false],
  ])('scaled by %d and %d, turned by %d: upright is %s', (x, y, degrees, upright) => {
    expect(isUpright(scaledTurned(x, y, degrees))).toBe(upright);
  });
  it('turn counter-clockwise where y grows upwards', () => {
    near(mapped(scaledTurned(1, 1, 90), { x: 1, y: 0 }), { x: 0, y: 1 });
  });
});

describe('paint', () => {
  const colour = fc.integer({ min: 0, max: 0xffffff });
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  it('that is a plain colour covers', () => {
    fc.assert(
      fc.property(colour, (rgb) => {
        expect([rgbOf(rgb), opacityOf(rgb)]).toEqual([rgb, 1]);
        expect(cssColour(rgb)).toMatch(/^#[0-9a-f]{6}$/);
      }),
    );
  });
  it('keeps its colour at any opacity, and has the opacity it was given', () => {
    fc.assert(
      fc.property(colour, share, (rgb, opacity) => {
        const paint = withOpacity(rgb, opacity);
        expect(rgbOf(paint)).toBe(rgb);
        expect(opacityOf(paint)).toBeCloseTo(opacity, 2);
        expect(cssColour(paint)).toBe(cssColour(rgb));
      }),
    );
  });
  it('twice seen through is the product', () => {
    fc.assert(
      fc.property(colour, share, share, (rgb, a, b) => {
        expect(Math.abs(opacityOf(withOpacity(withOpacity(rgb, a), b)) - a * b)).toBeLessThan(
          0.005,
        );
      }),
    );
  });
  it.each([
    [-1, 0],
    [2, 1],
  ])('asked for more than there is, takes what there is: %d', (asked, opacity) => {
    expect(opacityOf(withOpacity(0x336699, asked))).toBe(opacity);
  });
});
