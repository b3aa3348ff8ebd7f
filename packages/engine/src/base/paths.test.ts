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
  type Point,
} from './maps';
import { cssColour, opacityOf, rgbOf, withOpacity } from './paint';
import {
  arcSegments,
  boundsOf,
  ellipse,
  fittedDash,
  lengthAlong,
  mappedPath,
  NO_BOUNDS,
  placeAlong,
  pointOn,
  pointsAlong,
  polyline,
  rectangle,
  stretchesOf,
  type Path,
  type Segment,
} from './paths';

const number = fc.double({ min: -1e6, max: 1e6, noNaN: true });
const point: fc.Arbitrary<Point> = fc.record({ x: number, y: number });
const small = fc.double({ min: -3, max: 3, noNaN: true });
const map: fc.Arbitrary<AffineMap> = fc.record({
  a: small,
  b: small,
  c: small,
  d: small,
  e: number,
  f: number,
});
const segment: fc.Arbitrary<Segment> = fc.oneof(
  fc.record({ kind: fc.constant('move' as const), to: point }),
  fc.record({ kind: fc.constant('line' as const), to: point }),
  fc.record({ kind: fc.constant('curve' as const), from: point, into: point, to: point }),
  fc.constant({ kind: 'close' as const }),
);
const path: fc.Arbitrary<Path> = fc
  .tuple(point, fc.array(segment, { maxLength: 8 }))
  .map(([to, rest]) => [{ kind: 'move', to }, ...rest]);

const near = (a: Point, b: Point, by = 1e-3): void => {
  expect(Math.abs(a.x - b.x)).toBeLessThanOrEqual(by);
  expect(Math.abs(a.y - b.y)).toBeLessThanOrEqual(by);
};

describe('maps', () => {
  it('one behind another are their composition', () => {
    fc.assert(
      fc.property(map, map, point, (outer, inner, p) =>
        near(mapped(composed(outer, inner), p), mapped(outer, mapped(inner, p)), 1e-2),
      ),
    );
  });
  it('are themselves when flipped twice, and a flipped one does the same upside down', () => {
    fc.assert(
      fc.property(map, point, (m, p) => {
        near(mapped(flipped(flipped(m)), p), mapped(m, p));
        const below = mapped(flipped(m), { x: p.x, y: -p.y });
        near({ x: below.x, y: -below.y }, mapped(m, p));
      }),
    );
  });
  it.each([
    [90, { x: 0, y: 1 }],
    [180, { x: -1, y: 0 }],
    [-90, { x: 0, y: -1 }],
    [45, { x: Math.SQRT1_2, y: Math.SQRT1_2 }],
  ])('turn counter-clockwise: %s degrees', (degrees, to) => {
    near(mapped(scaledTurned(1, 1, degrees), { x: 1, y: 0 }), to);
  });
  it.each([
    [IDENTITY, true, 1],
    [translation(3, 4), true, 1],
    [scaledTurned(2, 8, 0), true, 4],
    [scaledTurned(-1, 1, 0), false, 1],
    [scaledTurned(3, 3, 30), false, 3],
  ])('know whether they keep things upright, and by how much they grow', (m, upright, growth) => {
    expect(isUpright(m)).toBe(upright);
    expect(growthOf(m)).toBeCloseTo(growth, 6);
  });
});

describe('paths', () => {
  it('lie within their bounds, and touch them', () => {
    fc.assert(
      fc.property(path, (p) => {
        const { left, right, low, high } = boundsOf(p);
        const points = pointsAlong(p);
        // Roots are as exact as the numbers are small: control points may be far away.
        const far = p.flatMap((s) =>
          s.kind === 'curve' ? [s.from.x, s.from.y, s.into.x, s.into.y] : [],
        );
        const near = 1e-3 + 1e-8 * Math.max(0, ...far.map(Math.abs));
        for (const { x, y } of points) {
          expect(x).toBeGreaterThanOrEqual(left - near);
          expect(x).toBeLessThanOrEqual(right + near);
          expect(y).toBeGreaterThanOrEqual(low - near);
          expect(y).toBeLessThanOrEqual(high + near);
        }
        // The bounds are tight: fine samples come near each edge.
        const ends = p.flatMap((s) => (s.kind === 'close' ? [] : [s.to]));
        const samples = [
          ...ends,
          ...stretchesOf(p).flatMap((s) =>
            Array.from({ length: 401 }, (_, i) => pointOn(s, i / 400)),
          ),
        ];
        const room = 1e-3 * (right - left + high - low) + 1e-6;
        expect(Math.min(...samples.map((s) => s.x)) - left).toBeLessThanOrEqual(room);
        expect(right - Math.max(...samples.map((s) => s.x))).toBeLessThanOrEqual(room);
        expect(Math.min(...samples.map((s) => s.y)) - low).toBeLessThanOrEqual(room);
        expect(high - Math.max(...samples.map((s) => s.y))).toBeLessThanOrEqual(room);
      }),
    );
  });
  it.each([
    ['nearly a parabola', 999999.9999978832, 0, 0, 999999.9999978843, 250000],
    ['a parabola', 3, 1, 1, 3, 1.5],
    ['straight at its start', 0, 0, -3, 0, -4 / 3],
    ['a line', 4, 3, 2, 1, 1],
  ])('touch the lowest point of a curve that is %s', (_what, from, q, r, to, low) => {
    const at = (y: number) => ({ x: 0, y });
    const bounds = boundsOf([
      { kind: 'move', to: at(from) },
      { kind: 'curve', from: at(q), into: at(r), to: at(to) },
    ]);
    expect(bounds.low).toBeCloseTo(low, 3);
  });
  it('behind a map are the mapped points of the path', () => {
    fc.assert(
      fc.property(path, map, (p, m) => {
        const [plain, moved] = [stretchesOf(p), stretchesOf(mappedPath(p, m))];
        if (plain.length !== moved.length) return; // A map may make two points one.
        plain.forEach((s, i) =>
          near(mapped(m, pointOn(s, 0.3)), pointOn(moved[i] as typeof s, 0.3), 1),
        );
      }),
    );
  });
  it('of nothing have no bounds and no points', () => {
    expect(boundsOf([])).toEqual(NO_BOUNDS);
    expect(pointsAlong([])).toEqual([]);
    expect(placeAlong([], 0.5).point).toEqual({ x: 0, y: 0 });
  });
  it('that are closed end where they began', () => {
    const last = stretchesOf(rectangle(1, 2, 10, 20)).at(-1);
    expect(last?.segment.to).toEqual({ x: 1, y: 2 });
    expect(boundsOf(rectangle(1, 2, 10, 20))).toEqual({ left: 1, right: 11, low: 2, high: 22 });
  });
  it('around ellipses are as wide and high as they are, and round to a thousandth', () => {
    fc.assert(
      fc.property(
        point,
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        fc.double({ min: 1, max: 1e5, noNaN: true }),
        (centre, rx, ry) => {
          const { left, right, low, high } = boundsOf(ellipse(centre, rx, ry));
          expect((right - left) / (2 * rx)).toBeCloseTo(1, 3);
          expect((high - low) / (2 * ry)).toBeCloseTo(1, 3);
          for (const p of pointsAlong(ellipse(centre, rx, ry)))
            expect(Math.hypot((p.x - centre.x) / rx, (p.y - centre.y) / ry)).toBeCloseTo(1, 3);
        },
      ),
    );
  });
  it.each([
    [0, 90, 1],
    [0, 360, 4],
    [30, -100, 2],
    [10, 10, 1],
  ])('arcs from %s to %s degrees are %s curves that end where they should', (from, to, count) => {
    const segments = arcSegments({ x: 0, y: 0 }, 100, 100, from, to);
    expect(segments).toHaveLength(count);
    const last = segments.at(-1) as Extract<Segment, { kind: 'curve' }>;
    const angle = (to * Math.PI) / 180;
    near(last.to, { x: 100 * Math.cos(angle), y: 100 * Math.sin(angle) });
  });
  it('tell the place at a share of their way, and its direction', () => {
    const corner = polyline([
      { x: 0, y: 0 },
      { x: 30, y: 0 },
      { x: 30, y: 10 },
    ]);
    const points = pointsAlong(corner);
    expect(lengthAlong(points)).toBe(40);
    expect(placeAlong(points, 0.5)).toEqual({ point: { x: 20, y: 0 }, direction: { x: 1, y: 0 } });
    near(placeAlong(points, 0.875).direction, { x: 0, y: 1 });
  });
  it('dashed begin and end with a dash of about the length that is asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 1e6, noNaN: true }),
        fc.double({ min: 1, max: 10, noNaN: true }),
        (length, dash) => {
          const [on = 0, off = 0] = fittedDash(length, dash);
          const periods = (length - on) / (on + off);
          expect(periods).toBeCloseTo(Math.round(periods), 6);
          expect(on).toBeLessThanOrEqual(length);
          if (length > 20 * dash) expect(on / dash).toBeGreaterThan(0.899);
          // It is longest where nearly 21 dashes are 19.
          if (length > 20 * dash) expect(on / dash).toBeLessThan(21 / 19 + 1e-9);
        },
      ),
    );
  });
});

describe('paint', () => {
  it.each([
    [0x123456, 1, '#123456'],
    [0, 0.5, '#000000'],
    [0xffffff, 0, '#ffffff'],
    [0x00ff00, 7, '#00ff00'],
  ])('is a colour with an opacity between 0 and 1', (rgb, opacity, css) => {
    const paint = withOpacity(rgb, opacity);
    expect([rgbOf(paint), cssColour(paint)]).toEqual([rgb, css]);
    expect(opacityOf(paint)).toBeCloseTo(Math.min(1, opacity), 2);
    expect(new Uint32Array([paint])[0]).toBe(paint);
  });
  it('lets through what it let through before, too', () => {
    expect(opacityOf(withOpacity(withOpacity(0xaa, 0.5), 0.5))).toBeCloseTo(0.25, 2);
    expect(withOpacity(0xaa, 1)).toBe(0xaa);
  });
});
