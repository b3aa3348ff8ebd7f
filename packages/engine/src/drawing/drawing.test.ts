import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import type { Point } from '../base/maps';
import {
  boundsOf,
  ellipse,
  pointOn,
  polyline,
  rectangle,
  stretchesOf,
  type Stretch,
} from '../base/paths';
import {
  directionOn,
  halves,
  lengthOn,
  meetings,
  parameterAt,
  partOf,
  rounded,
  shortened,
  smoothed,
} from './curves';
import { decorated } from './decorations';
import { patternOver } from './patterns';
import { isShape, NO_ROOM, shapeAround, SHAPE_NAMES, type Room, type ShapeName } from './shapes';
import { drawnTip, placedTip, type Tip, type TipName } from './tips';
import { angleOf, between, lengthOf, linesMeet, minus, polar, unit } from './vectors';

/** A tip as long and as wide as is said. */
const tipOf = (name: TipName, length: number | null, width: number | null): Tip => ({
  name,
  length,
  width,
  open: false,
  reversed: false,
  scale: 1,
  colour: null,
  ground: null,
});

const number = fc.integer({ min: -300, max: 300 }).map((n) => n * PT);
const point: fc.Arbitrary<Point> = fc.record({ x: number, y: number });
const curve: fc.Arbitrary<Stretch> = fc
  .tuple(point, point, point, point)
  .map(([start, from, into, to]) => ({ start, segment: { kind: 'curve', from, into, to } }));
const share = fc.double({ min: 0, max: 1, noNaN: true });
const near = (a: Point, b: Point, by = 2): void => expect(lengthOf(minus(a, b))).toBeLessThan(by);

describe('curves', () => {
  it('cut in two are the curve they were', () => {
    fc.assert(
      fc.property(curve, share, share, (stretch, at, t) => {
        const [left, right] = halves(stretch, at);
        near(pointOn(left, t), pointOn(stretch, at * t));
        near(pointOn(right, t), pointOn(stretch, at + (1 - at) * t));
      }),
    );
  });
  it('a part of one runs from one place of it to the other', () => {
    fc.assert(
      fc.property(curve, share, share, (stretch, a, b) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        const part = partOf(stretch, from, to);
        near(part.start, pointOn(stretch, from));
        near(part.segment.to, pointOn(stretch, to));
      }),
    );
  });
  it('shortened by lengths are so much shorter', () => {
    const line = polyline([
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
    ]);
    const length = (path: typeof line) =>
      stretchesOf(path).reduce((sum, part) => sum + lengthOn(part), 0);
    expect(length(shortened(line, 10, 20))).toBeCloseTo(170, 6);
    expect(length(shortened(line, 130, 0))).toBeCloseTo(70, 6);
    expect(length(shortened(line, -10, -10))).toBeCloseTo(220, 6);
    expect(shortened(line, 0, 0)).toBe(line);
  });
  it('know how far they have run', () => {
    fc.assert(
      fc.property(curve, share, (stretch, part) => {
        const whole = lengthOn(stretch);
        const t = parameterAt(stretch, part * whole);
        expect(t).toBeGreaterThanOrEqual(0);
        expect(t).toBeLessThanOrEqual(1);
        expect(lengthOn(partOf(stretch, 0, t))).toBeCloseTo(part * whole, -6);
      }),
    );
  });
  it('look along themselves', () => {
    fc.assert(
      fc.property(curve, share, (stretch, t) => {
        expect(lengthOf(directionOn(stretch, t))).toBeCloseTo(1, 6);
      }),
    );
  });
  it('meet where both are', () => {
    const circle = ellipse({ x: 0, y: 0 }, 100 * PT, 100 * PT);
    fc.assert(
      fc.property(fc.integer({ min: -99, max: 99 }), (height) => {
        const line = polyline([
          { x: -200 * PT, y: height * PT },
          { x: 200 * PT, y: height * PT },
        ]);
        const found = meetings(line, circle);
        expect(found).toHaveLength(2);
        for (const at of found) expect(Math.abs(lengthOf(at) / PT - 100)).toBeLessThan(0.05);
        expect((found[0]?.x ?? 0) < (found[1]?.x ?? 0)).toBe(true);
      }),
    );
    expect(meetings(circle, ellipse({ x: 300 * PT, y: 0 }, 10 * PT, 10 * PT))).toEqual([]);
  });
  it('with rounded corners keep their ends, and leave the corner free', () => {
    const path = rounded(rectangle(0, 0, 100, 50), [0, 10, 10, 10, 10]);
    const bounds = boundsOf(path);
    expect([bounds.left, bounds.right, bounds.low, bounds.high].map(Math.round)).toEqual([
      0, 100, 0, 50,
    ]);
    expect(path.filter(({ kind }) => kind === 'curve')).toHaveLength(4);
    expect(rounded(path, [])).toBe(path);
  });
  it('smooth ones go through all their points', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 8 }), (points) => {
        const path = smoothed(points, 0.5, false);
        expect(path.flatMap((segment) => (segment.kind === 'close' ? [] : [segment.to]))).toEqual(
          points,
        );
      }),
    );
  });
});

describe('vectors', () => {
  it('of an angle have that angle', () => {
    fc.assert(
      fc.property(fc.integer({ min: -179, max: 180 }), (degrees) => {
        expect(angleOf(polar(degrees, 10))).toBeCloseTo(degrees, 6);
      }),
    );
    expect([polar(90, 1), polar(180, 1), polar(-90, 2)]).toEqual([
      { x: 0, y: 1 },
      { x: -1, y: 0 },
      { x: 0, y: -2 },
    ]);
  });
  it('lines meet on both, or run side by side', () => {
    const at = linesMeet({ x: 0, y: 0 }, { x: 2, y: 2 }, { x: 0, y: 2 }, { x: 2, y: 0 });
    expect(at).toEqual({ x: 1, y: 1 });
    expect(linesMeet({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: 1 }, { x: 1, y: 1 })).toBeNull();
    expect(between({ x: 0, y: 0 }, { x: 4, y: 2 }, 0.5)).toEqual({ x: 2, y: 1 });
  });
});

describe('shapes', () => {
  const room: Room = {
    ...NO_ROOM,
    halfWidth: 20 * PT,
    halfHeight: 8 * PT,
    base: -3 * PT,
    mid: -1 * PT,
    sides: 6,
  };
  const names = SHAPE_NAMES.filter((name) => name !== 'coordinate' && isShape(name)) as ShapeName[];
  it.each(names)('%s: lines meet it on its border, whatever their direction', (name) => {
    const shape = shapeAround(name, room);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 359 }), (degrees) => {
        const direction = polar(degrees, 1);
        const at = minus(shape.border(direction), shape.centre ?? { x: 0, y: 0 });
        expect(lengthOf(at)).toBeGreaterThan(4 * PT);
        // Along the ray, as near as halving finds it.
        const along = unit(at);
        expect(Math.abs(along.x * direction.y - along.y * direction.x)).toBeLessThan(0.02);
      }),
    );
    for (const anchor of ['north', 'south west', 'east', 'center', 'base', 'mid east'])
      expect([anchor, shape.anchors[anchor]]).toEqual([
        anchor,
        { x: expect.any(Number), y: expect.any(Number) },
      ]);
  });
  it('are as large as they are asked, their border outside by their outer separation', () => {
    const wide = shapeAround('rectangle', { ...room, minWidth: 100 * PT, outer: PT });
    expect(boundsOf(wide.outline).right).toBe(50 * PT);
    expect(wide.anchors.east).toEqual({ x: 51 * PT, y: 0 });
    const round = shapeAround('circle', { ...room, minWidth: 100 * PT });
    expect(lengthOf(round.border({ x: 1, y: 1 }))).toBeCloseTo(50 * PT, 3);
  });
});

describe('tips', () => {
  const names: TipName[] = [
    'to',
    'stealth',
    'Stealth',
    'latex',
    'Latex',
    'triangle',
    'bar',
    'circle',
    'square',
    'diamond',
    'hook',
    'bracket',
  ];
  it.each(names)('%s ends where its line does, and the line ends within it', (name) => {
    const tip = drawnTip(tipOf(name, null, null), 0.4 * PT);
    const bounds = boundsOf(tip.path);
    const reach = bounds.right + (tip.stroke > 0 ? tip.stroke / 2 : 0);
    expect(Math.abs(reach)).toBeLessThan(0.3 * PT);
    expect(tip.back).toBeGreaterThanOrEqual(0);
    expect(tip.back).toBeLessThanOrEqual(bounds.right - bounds.left + PT);
  });
  it('grow with their line, or are as long as they are asked', () => {
    const of = (length: number | null, width: number) =>
      drawnTip(tipOf('Stealth', length, null), width * PT).length / PT;
    expect(of(null, 0.4)).toBeCloseTo(4.8, 6);
    expect(of(null, 0.8)).toBeCloseTo(6.6, 6);
    expect(of(10 * PT, 0.4)).toBe(10);
  });
  it('point where they are put', () => {
    const { path } = drawnTip(tipOf('Stealth', 10, 4), 0);
    const placed = boundsOf(placedTip(path, { x: 100, y: 50 }, { x: 0, y: 1 }));
    expect([placed.high, placed.low].map(Math.round)).toEqual([50, 40]);
  });
});

describe('decorations and patterns', () => {
  const line = polyline([
    { x: 0, y: 0 },
    { x: 100, y: 0 },
  ]);
  const waves = {
    amplitude: 5,
    segment: 10,
    raise: 0,
    mirror: false,
    aspect: 0.5,
    before: 0,
    behind: 0,
  };
  it.each(['snake', 'zigzag', 'saw', 'bumps', 'brace', 'random steps'])(
    '%s begins and ends with its line, and stays beside it',
    (name) => {
      const path = decorated(line, name, waves);
      const [first, last] = [path[0], path.at(-1)];
      expect(first?.kind === 'move' && first.to).toEqual({ x: 0, y: 0 });
      expect(last && last.kind !== 'close' && Math.round(last.to.x)).toBe(100);
      const { low, high } = boundsOf(path);
      expect(Math.max(-low, high)).toBeLessThan(8);
      expect(Math.max(-low, high)).toBeGreaterThan(1);
    },
  );
  it('a snake swings as far as it is told; mirrored it begins on the other side', () => {
    expect(boundsOf(decorated(line, 'snake', waves)).high).toBeCloseTo(5, 1);
    const half = polyline([
      { x: 0, y: 0 },
      { x: 100, y: 0 },
    ]);
    expect(boundsOf(decorated(half, 'brace', { ...waves, mirror: true })).low).toBeCloseTo(-5, 1);
  });
  it('one that is not known leaves the line as it is', () =>
    expect(decorated(line, 'tide', waves)).toBe(line));
  it.each([
    'dots',
    'grid',
    'north east lines',
    'north west lines',
    'horizontal lines',
    'vertical lines',
    'crosshatch',
  ])('%s cover a rectangle, in a bounded number', (name) => {
    const { path } = patternOver(name, { left: 0, right: 50, low: 0, high: 30 }, 1);
    expect(path.length).toBeGreaterThan(5);
    const huge = patternOver(name, { left: 0, right: 1e7, low: 0, high: 1e3 }, 1);
    expect(huge.path.length).toBeLessThan(200_000);
  });
});
