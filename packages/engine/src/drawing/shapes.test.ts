import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import type { Point } from '../base/maps';
import { boundsOf, pointsAlong, type Path } from '../base/paths';
import { isShape, NO_ROOM, shapeAround, SHAPE_NAMES, type Room, type ShapeName } from './shapes';
import { angleOf, minus } from './vectors';

const room: Room = { ...NO_ROOM, halfWidth: 20 * PT, halfHeight: 8 * PT };
const made = (name: ShapeName, change: Partial<Room> = {}) =>
  shapeAround(name, { ...room, ...change });
const corners = (path: Path): Point[] =>
  path.flatMap((segment) => (segment.kind === 'close' ? [] : [segment.to]));
/** Degrees between 0 and 180 of a line. */
const slope = (a: Point, b: Point): number =>
  Math.round(((angleOf(minus(b, a)) % 180) + 180) % 180);
const at = (anchors: Readonly<Record<string, Point>>, name: string): Point => {
  const point = anchors[name];
  if (!point) throw new Error(`no anchor ${name}`);
  return point;
};

/** Is a point within a closed path: how often a ray to the right meets it. */
function isWithin(path: Path, { x, y }: Point): boolean {
  const points = pointsAlong(path);
  let inside = false;
  points.forEach((a, i) => {
    const b = points[(i + 1) % points.length] as Point;
    if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
  });
  return inside;
}

/** Those whose text may stand over their border. */
const OPEN = /callout|cross|strike|coordinate|gate|forbidden|rounded rectangle|diamond|cylinder/;
const CLOSED = SHAPE_NAMES.filter((name) => isShape(name) && !OPEN.test(name)) as ShapeName[];

describe('shapes', () => {
  it.each(CLOSED.flatMap((name) => [0, 90, 180, 270].map((turn) => [name, turn] as const)))(
    '%s, turned by %i: the corners of the text lie within',
    (name, turn) => {
      const { outline } = made(name, { turn, sides: 5 });
      for (const x of [-1, 1])
        for (const y of [-1, 1]) {
          const corner = { x: x * 0.97 * room.halfWidth, y: y * 0.97 * room.halfHeight };
          expect(isWithin(outline, corner), `${x} ${y}`).toBe(true);
        }
    },
  );

  it.each([
    [{}, 60, 120],
    [{ 'trapezium left angle': 70, 'trapezium right angle': 110 }, 70, 70],
    [{ 'trapezium left angle': 45, 'trapezium right angle': 80 }, 45, 100],
    [{ 'trapezium left angle': 120, 'trapezium right angle': 120 }, 120, 60],
  ])('the sides of a trapezium lean as %j says', (keys, left, right) => {
    for (const minHeight of [0, 60 * PT]) {
      const { anchors } = made('trapezium', { keys: keys as unknown as Room['keys'], minHeight });
      const side = (name: string): number =>
        slope(at(anchors, `bottom ${name} corner`), at(anchors, `top ${name} corner`));
      expect([side('left'), side('right')]).toEqual([left, right]);
    }
  });

  it.each([30, 45, 90])('an isosceles triangle has its angle of %i degrees at the tip', (angle) => {
    for (const minWidth of [0, 90 * PT]) {
      const { anchors } = made('isosceles triangle', {
        keys: { 'isosceles triangle apex angle': angle },
        minWidth,
      });
      const tip = at(anchors, 'apex');
      const [a, b] = ['left corner', 'right corner'].map((name) => minus(tip, at(anchors, name)));
      expect(Math.abs(angleOf(a as Point) - angleOf(b as Point))).toBeCloseTo(angle, 6);
    }
  });

  it.each([
    ['trapezium', 'minWidth', 'width'],
    ['trapezium', 'minHeight', 'height'],
    ['semicircle', 'minWidth', 'width'],
    ['cloud', 'minWidth', 'width'],
    ['cloud', 'minHeight', 'height'],
    ['star', 'minWidth', 'across'],
    ['regular polygon', 'minHeight', 'across'],
    // What points to the right counts its height that way.
    ['isosceles triangle', 'minHeight', 'width'],
    ['single arrow', 'minHeight', 'width'],
    ['single arrow', 'minWidth', 'height'],
    ['cylinder', 'minHeight', 'width'],
    ['cylinder', 'minWidth', 'height'],
  ] as const)('%s: %s is the %s it has at least', (name, key, way) => {
    const { outline } = made(name, { [key]: 150 * PT, ratio: 0.25 });
    const { left, right, low, high } = boundsOf(outline);
    const [width, height] = [right - left, high - low];
    const across = 2 * Math.max(...corners(outline).map(({ x, y }) => Math.hypot(x, y)));
    const size = { width, height, across }[way];
    expect(size / PT).toBeGreaterThan(name === 'cloud' ? 128 : 149);
    expect(size / PT).toBeLessThan(152);
  });

  it.each([
    [{ 'star point ratio': 2 }, 2],
    [{ 'star point ratio': 1.5 }, 1.5],
  ])('the points of a star reach as far as %j says', (keys, ratio) => {
    const { anchors } = made('star', { keys: keys as unknown as Room['keys'], sides: 5 });
    const [outer, inner] = ['outer point 1', 'inner point 1'].map((name) => {
      const { x, y } = at(anchors, name);
      return Math.hypot(x, y);
    }) as [number, number];
    expect(outer / inner).toBeCloseTo(ratio, 6);
    expect(at(anchors, 'outer point 1').x).toBeCloseTo(0, 3);
  });

  it.each([5, 10, 15])('a cloud of %i puffs has so many', (puffs) => {
    const { outline, anchors } = made('cloud', { keys: { 'cloud puffs': puffs } });
    const names = Object.keys(anchors).filter((name) => name.startsWith('puff '));
    expect(names).toHaveLength(puffs);
    expect(corners(outline).length).toBeGreaterThan(puffs);
  });
});

describe('gates', () => {
  it.each([
    ['and gate US', 11, 2, false],
    ['nand gate US', 111, 3, true],
    ['or gate US', 1111, 4, false],
    ['xor gate US', 12, 2, false],
    ['nor gate IEC', 11, 2, true],
    ['not gate US', 1, 1, true],
  ] as const)(
    '%s with the inputs %i: %i on the left, one above the other',
    (name, keys, count, inverted) => {
      const { anchors, outline } = made(name, { keys: { 'logic gate inputs': keys } });
      const inputs = Array.from({ length: count }, (_, i) => at(anchors, `input ${i + 1}`));
      expect(anchors[`input ${count + 1}`]).toBeUndefined();
      const heights = inputs.map(({ y }) => y);
      expect([...heights].sort((a, b) => b - a)).toEqual(heights);
      expect(heights.reduce((a, b) => a + b, 0)).toBeCloseTo(0, 3);
      for (const { x } of inputs) expect(x).toBeLessThan(0);
      const output = at(anchors, 'output');
      expect(output.y).toBe(0);
      expect(output.x).toBeCloseTo(boundsOf(outline).right, -1);
      expect(outline.filter(({ kind }) => kind === 'move')).toHaveLength(inverted ? 2 : 1);
    },
  );

  it('an inverted input lies outside of its circle', () => {
    const { anchors, lines } = made('and gate US', { keys: { 'logic gate inputs': 12 } });
    const [plain, inverted] = [at(anchors, 'input 1'), at(anchors, 'input 2')];
    expect((plain.x - inverted.x) / PT).toBeCloseTo(4, 6);
    expect(boundsOf(lines).left).toBeCloseTo(inverted.x, 0);
  });
});
