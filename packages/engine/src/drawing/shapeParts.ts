import { mapped, scaledTurned, type Point } from '../base/maps';
import { boundsOf, ellipse, mappedPath, polyline, rectangle, type Path } from '../base/paths';
import { meetings } from './curves';
import { cross, left, linesMeet, minus, plus, polar, times, unit } from './vectors';

/** What a node's shape is made around: half the room of its text with its separation, the baseline's height below the middle. */
export interface Room {
  /** Half width and half height of the text with inner separation, sp. */
  readonly halfWidth: number;
  readonly halfHeight: number;
  /** Least width and height of the whole shape. */
  readonly minWidth: number;
  readonly minHeight: number;
  /** From the middle up to the baseline and up to the middle of small letters on it. */
  readonly base: number;
  readonly mid: number;
  /** Left around the shape: its border for lines lies so far outside. */
  readonly outer: number;
  /** Sides of a polygon, points of a star. */
  readonly sides: number;
  readonly turn: number;
  /** Width by height of a diamond, of the lid of a cylinder. */
  readonly ratio: number;
  /** What its own keys say (`shapeKeys`): lengths in sp, angles in degrees. */
  readonly keys: ShapeSettings;
}

/** Keys of shapes by name, as far as they were said. */
export type ShapeSettings = Readonly<Record<string, number>>;

/** What a key of a shape says here. */
export const said = ({ keys }: Room, name: string, otherwise: number): number =>
  keys[name] ?? otherwise;

/** The room of a coordinate. */
export const NO_ROOM: Room = {
  halfWidth: 0,
  halfHeight: 0,
  minWidth: 0,
  minHeight: 0,
  base: 0,
  mid: 0,
  outer: 0,
  sides: 3,
  turn: 0,
  ratio: 1,
  keys: {},
};

/** A shape around the origin: what is drawn, and where lines end. */
export interface Shape {
  readonly outline: Path;
  /** Further lines of it: of a cylinder, of parts. */
  readonly lines: Path;
  /** Where lines aim at; nothing said: the middle of its text. */
  readonly centre?: Point;
  /** Where a line from its centre towards a direction leaves it. */
  readonly border: (direction: Point) => Point;
  readonly anchors: Readonly<Record<string, Point>>;
  /** Where its words begin, beside it; nothing said: they stand in its middle. */
  readonly words?: Point;
}

export type Maker = (room: Room) => Shape;

const COMPASS: Readonly<Record<string, number>> = {
  east: 0,
  'north east': 45,
  north: 90,
  'north west': 135,
  west: 180,
  'south west': 225,
  south: 270,
  'south east': 315,
};

/** Names of anchors that every shape has. */
export const ANCHORS = [
  ...Object.keys(COMPASS),
  'center',
  'base',
  'mid',
  'base east',
  'base west',
  'mid east',
  'mid west',
  'text',
];

export const around = <T>(count: number, make: (i: number) => T): T[] =>
  Array.from({ length: count }, (_, i) => make(i));
export const turned = (p: Point, degrees: number): Point => {
  const [c, s] = [polar(degrees, 1), polar(degrees + 90, 1)];
  return plus(times(c, p.x), times(s, p.y));
};
export const circleRadius = (room: Room): number =>
  Math.max(Math.hypot(room.halfWidth, room.halfHeight), room.minWidth / 2, room.minHeight / 2);
export const boxSize = (room: Room): Point => ({
  x: Math.max(room.halfWidth, room.minWidth / 2),
  y: Math.max(room.halfHeight, room.minHeight / 2),
});

/** Anchors on and beside the baseline, at the border left and right. */
function onLines({ base, mid }: Room, reach: (y: number) => number): Record<string, Point> {
  return {
    center: { x: 0, y: 0 },
    text: { x: 0, y: base },
    base: { x: 0, y: base },
    'base east': { x: reach(base), y: base },
    'base west': { x: -reach(base), y: base },
    mid: { x: 0, y: mid },
    'mid east': { x: reach(mid), y: mid },
    'mid west': { x: -reach(mid), y: mid },
  };
}

export function box(room: Room, size: Point, outline?: Path): Shape {
  const [x, y] = [size.x + room.outer, size.y + room.outer];
  const compass = Object.entries(COMPASS).map(([name, degrees]): [string, Point] => [
    name,
    {
      x: x * Math.round(Math.cos((degrees * Math.PI) / 180)),
      y: y * Math.round(Math.sin((degrees * Math.PI) / 180)),
    },
  ]);
  return {
    outline: outline ?? rectangle(-size.x, -size.y, 2 * size.x, 2 * size.y),
    lines: [],
    border: (direction) => {
      const share = Math.min(x / Math.abs(direction.x || 1e-9), y / Math.abs(direction.y || 1e-9));
      return times(direction, share);
    },
    anchors: { ...Object.fromEntries(compass), ...onLines(room, () => x) },
  };
}

/** A box whose centre lies on the axis of the formula in it, so that lines between such boxes are level. */
export function axisBox(room: Room): Shape {
  const size = boxSize(room);
  const [x, y] = [size.x + room.outer, size.y + room.outer];
  // `mid` lies half an ex above the baseline, the axis a quarter of an em (Appendix G, σ22).
  const up = room.base + ((room.mid - room.base) * 0.25) / (0.5 * 0.430555);
  const centre = { x: 0, y: up };
  const plain = box(room, size);
  const level = { center: centre, east: { x, y: up }, west: { x: -x, y: up } };
  return {
    ...plain,
    centre,
    border: (direction) => {
      const free = direction.y < 0 ? y + up : y - up;
      const share = Math.min(
        x / Math.abs(direction.x || 1e-9),
        Math.max(0, free) / Math.abs(direction.y || 1e-9),
      );
      return plus(centre, times(direction, share));
    },
    anchors: { ...plain.anchors, ...level },
  };
}

export function round(room: Room, rx: number, ry: number): Shape {
  const [x, y] = [rx + room.outer, ry + room.outer];
  const compass = Object.entries(COMPASS).map(([name, degrees]): [string, Point] => [
    name,
    polar(degrees, x, y),
  ]);
  const border = (direction: Point): Point =>
    times(direction, 1 / Math.max(1e-12, Math.hypot(direction.x / x, direction.y / y)));
  const reach = (at: number): number => x * Math.sqrt(Math.max(0, 1 - (at / y) ** 2));
  return {
    outline: rx > 0 ? ellipse({ x: 0, y: 0 }, rx, ry) : [],
    lines: [],
    border,
    anchors: { ...Object.fromEntries(compass), ...onLines(room, reach) },
  };
}

/** A shape with corners; its border is moved outwards side by side. */
export function polygon(
  room: Room,
  corners: readonly Point[],
  named: Readonly<Record<string, Point>> = {},
): Shape {
  const wide = room.outer === 0 ? corners : widenedCorners(corners, room.outer);
  const path = polyline(wide, true);
  const far = 4 * Math.max(...wide.map(({ x, y }) => Math.hypot(x, y)), 1);
  const border = (direction: Point): Point => {
    const ray = polyline([{ x: 0, y: 0 }, times(unit(direction), far)]);
    return meetings(ray, path).at(-1) ?? { x: 0, y: 0 };
  };
  const lines = onLines(room, (y) => sideAt(path, y, far));
  return {
    outline: polyline(corners, true),
    lines: [],
    border,
    anchors: { ...compassOf(border), ...lines, ...named },
  };
}

/** A shape with a border of any form, which lines meet so far outside of it as they must. */
export function outlined(
  room: Room,
  outline: Path,
  named: Readonly<Record<string, Point>> = {},
): Shape {
  const { left: l, right, low, high } = boundsOf(outline);
  const far = 4 * Math.max(Math.abs(l), Math.abs(right), Math.abs(low), Math.abs(high), 1);
  const border = (direction: Point): Point => {
    const along = unit(direction);
    const meet = meetings(polyline([{ x: 0, y: 0 }, times(along, far)]), outline).at(-1);
    return plus(meet ?? { x: 0, y: 0 }, times(along, room.outer));
  };
  return {
    outline,
    lines: [],
    border,
    anchors: { ...compassOf(border), ...onLines(room, (y) => sideAt(outline, y, far)), ...named },
  };
}

const compassOf = (border: Shape['border']): Record<string, Point> =>
  Object.fromEntries(
    Object.entries(COMPASS).map(([name, degrees]) => [name, border(polar(degrees, 1))]),
  );
/** How far to the right a border reaches at a height. */
const sideAt = (path: Path, y: number, far: number): number =>
  meetings(
    polyline([
      { x: 0, y },
      { x: far, y },
    ]),
    path,
  ).at(-1)?.x ?? 0;

/** How far a shape is turned: by quarters, or by any angle where it is made around a circle. */
export function turnedShape(room: Room, make: (room: Room) => Shape): Shape {
  const inCircle = said(room, 'shape border uses incircle', 0) === 1;
  const turn = inCircle ? room.turn : 90 * Math.round(room.turn / 90);
  const radius = Math.SQRT2 * Math.max(room.halfWidth, room.halfHeight);
  const lies = !inCircle && Math.abs(turn / 90) % 2 === 1;
  const [halfWidth, halfHeight] = inCircle
    ? [radius, radius]
    : lies
      ? [room.halfHeight, room.halfWidth]
      : [room.halfWidth, room.halfHeight];
  const made = make({ ...room, halfWidth, halfHeight });
  if (turn === 0) return made;
  const map = scaledTurned(1, 1, turn);
  const back = scaledTurned(1, 1, -turn);
  const border = (direction: Point): Point => mapped(map, made.border(mapped(back, direction)));
  const own = Object.entries(made.anchors)
    .filter(([name]) => !ANCHORS.includes(name))
    .map(([name, at]) => [name, mapped(map, at)]);
  const outline = mappedPath(made.outline, map);
  const far = 4 * Math.max(radius, room.minWidth, room.minHeight, 1);
  return {
    outline,
    lines: mappedPath(made.lines, map),
    border,
    anchors: {
      ...compassOf(border),
      ...onLines(room, (y) => sideAt(outline, y, far)),
      ...(Object.fromEntries(own) as Record<string, Point>),
    },
  };
}

function widenedCorners(corners: readonly Point[], by: number): readonly Point[] {
  const count = corners.length;
  const at = (i: number): Point => corners[(i + count) % count] as Point;
  const area = corners.reduce((sum, p, i) => sum + cross(p, at(i + 1)), 0);
  const outward = area > 0 ? -by : by;
  return corners.map((corner, i) => {
    const [before, behind] = [at(i - 1), at(i + 1)];
    const a = times(left(unit(minus(corner, before))), outward);
    const b = times(left(unit(minus(behind, corner))), outward);
    const meet = linesMeet(plus(before, a), plus(corner, a), plus(corner, b), plus(behind, b));
    return meet ?? plus(corner, a);
  });
}

/** The direction in degrees of a named anchor, or null. */
export const compassAngle = (name: string): number | null => COMPASS[name] ?? null;
