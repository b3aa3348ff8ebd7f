import type { Point } from '../base/maps';
import { ellipse, polyline, rectangle, type Path } from '../base/paths';
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
  /** Inner radius of a star as a share of its outer one, slant of a trapezium in degrees, height by width of a diamond. */
  readonly ratio: number;
  readonly slant: number;
}

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
  slant: 60,
};

/** A shape around the origin: what is drawn, and where lines end. */
export interface Shape {
  readonly outline: Path;
  /** Further lines of it: of a cylinder, of parts. */
  readonly lines: Path;
  /** Where a line from the middle towards a direction leaves it. */
  readonly border: (direction: Point) => Point;
  readonly anchors: Readonly<Record<string, Point>>;
}

export type ShapeName =
  | 'rectangle'
  | 'circle'
  | 'ellipse'
  | 'diamond'
  | 'regular polygon'
  | 'star'
  | 'trapezium'
  | 'isosceles triangle'
  | 'cylinder'
  | 'cloud'
  | 'rounded rectangle'
  | 'cross out'
  | 'strike out'
  | 'forbidden sign'
  | 'single arrow'
  | 'double arrow'
  | 'signal'
  | 'semicircle'
  | 'circle split'
  | 'rectangle callout'
  | 'ellipse callout'
  | 'cloud callout'
  | 'coordinate';

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

/** The shape of a node around a room. */
export const shapeAround = (name: ShapeName, room: Room): Shape => SHAPES[name](room);

type Maker = (room: Room) => Shape;

const SHAPES: Readonly<Record<ShapeName, Maker>> = {
  rectangle: (room) => box(room, boxSize(room)),
  'rounded rectangle': (room) => {
    const { x, y } = boxSize(room);
    const r = Math.min(x, y);
    const wide = plus({ x, y }, { x: r * 0.6, y: 0 });
    return box(room, wide, capsule(wide.x, wide.y));
  },
  circle: (room) => {
    const radius = circleRadius(room);
    return round(room, radius, radius);
  },
  ellipse: (room) => {
    const rx = Math.max(Math.SQRT2 * room.halfWidth, room.minWidth / 2);
    const ry = Math.max(Math.SQRT2 * room.halfHeight, room.minHeight / 2);
    return round(room, rx, ry);
  },
  coordinate: () => {
    const at = { x: 0, y: 0 };
    const anchors = Object.fromEntries(ANCHORS.map((anchor) => [anchor, at]));
    return { outline: [], lines: [], border: () => at, anchors };
  },
  diamond: (room) => {
    const { halfWidth: w, halfHeight: h, ratio } = room;
    const x = Math.max(w + ratio * h, room.minWidth / 2);
    const y = Math.max(h + w / ratio, room.minHeight / 2);
    return polygon(room, [
      { x, y: 0 },
      { x: 0, y },
      { x: -x, y: 0 },
      { x: 0, y: -y },
    ]);
  },
  'regular polygon': (room) => {
    const { sides, turn } = room;
    const inner = Math.hypot(room.halfWidth, room.halfHeight);
    const least = Math.max(room.minWidth, room.minHeight) / 2;
    const radius = Math.max(inner / Math.cos(Math.PI / sides), least);
    // A side lies below, unless it is turned.
    const first = turn + (sides % 2 === 1 ? 90 : 90 - 180 / sides);
    const corners = around(sides, (i) => polar(first + (360 * i) / sides, radius));
    const named = corners.map((at, i): [string, Point] => [`corner ${i + 1}`, at]);
    const middles = corners.map((at, i): [string, Point] => [
      `side ${i + 1}`,
      times(plus(at, corners[(i + 1) % sides] as Point), 0.5),
    ]);
    return polygon(room, corners, Object.fromEntries([...named, ...middles]));
  },
  star: (room) => {
    const { sides, turn, ratio } = room;
    const inner = Math.max(room.halfWidth, room.halfHeight) * 1.1;
    const outer = Math.max(inner * ratio, Math.max(room.minWidth, room.minHeight) / 2);
    const radius = (i: number): number => (i % 2 === 0 ? outer : outer / ratio);
    const corners = around(2 * sides, (i) => polar(turn + 90 + (180 * i) / sides, radius(i)));
    return polygon(room, corners);
  },
  trapezium: (room) => {
    const { x, y } = boxSize(room);
    const lean = (2 * y) / Math.tan((room.slant * Math.PI) / 180);
    const top = Math.max(room.halfWidth, x - lean);
    return polygon(room, [
      { x: top + lean, y: -y },
      { x: top, y },
      { x: -top, y },
      { x: -top - lean, y: -y },
    ]);
  },
  'isosceles triangle': (room) => {
    const { x, y } = boxSize(room);
    const points = [
      { x: 2 * x, y: 0 },
      { x: -x, y: 1.5 * y },
      { x: -x, y: -1.5 * y },
    ];
    return polygon(
      room,
      points.map((p) => turned(p, room.turn)),
      {
        apex: turned({ x: 2 * x, y: 0 }, room.turn),
      },
    );
  },
  semicircle: (room) => {
    const radius = Math.max(Math.hypot(room.halfWidth, 2 * room.halfHeight), room.minWidth / 2);
    const corners = around(25, (i) => plus(polar(7.5 * i, radius), { x: 0, y: -radius / 2.4 }));
    return polygon(room, corners);
  },
  'single arrow': (room) => arrow(room, false),
  'double arrow': (room) => arrow(room, true),
  signal: (room) => {
    const { x, y } = boxSize(room);
    return polygon(room, [
      { x: x + y, y: 0 },
      { x, y },
      { x: -x, y },
      { x: -x, y: -y },
      { x, y: -y },
    ]);
  },
  cylinder: (room) => {
    const { x, y } = boxSize(room);
    const ry = x * 0.28;
    const body = y + ry * 0.5;
    const lid = ellipse({ x: 0, y: body }, x, ry);
    const side = ellipse({ x: 0, y: -body }, x, ry);
    const corners = [
      ...around(13, (i) => plus(polar(15 * i, x, ry), { x: 0, y: body })),
      ...around(13, (i) => plus(polar(180 + 15 * i, x, ry), { x: 0, y: -body })),
    ];
    const lower = side.slice(0, 0);
    return { ...polygon(room, corners), lines: [...lid, ...lower] };
  },
  cloud: (room) => {
    const [rx, ry] = [1.45 * room.halfWidth + 1, 1.6 * room.halfHeight + 1];
    const puffs = 10;
    const outline: Path[number][] = [];
    for (let i = 0; i <= puffs; i++) {
      const to = polar((360 * i) / puffs, rx, ry);
      if (i === 0) {
        outline.push({ kind: 'move', to });
        continue;
      }
      const bulge = (share: number): Point =>
        polar((360 * (i - 1 + share)) / puffs, rx * 1.28, ry * 1.28);
      outline.push({ kind: 'curve', from: bulge(0.15), into: bulge(0.85), to });
    }
    return { ...round(room, rx * 1.1, ry * 1.1), outline: [...outline, { kind: 'close' }] };
  },
  'cross out': (room) => crossed(room, true),
  'strike out': (room) => crossed(room, false),
  'forbidden sign': (room) => {
    const radius = circleRadius(room);
    const line = polyline([polar(225, radius), polar(45, radius)]);
    return { ...round(room, radius, radius), lines: line };
  },
  'rectangle callout': (room) => box(room, boxSize(room)),
  'ellipse callout': (room) => SHAPES.ellipse(room),
  'cloud callout': (room) => SHAPES.cloud(room),
  'circle split': (room) => {
    const radius = circleRadius(room);
    const line = polyline([polar(180, radius), polar(0, radius)]);
    return { ...round(room, radius, radius), lines: line };
  },
};

/** Is it a shape's name? */
export const isShape = (name: string): name is ShapeName => name in SHAPES;
export const SHAPE_NAMES: readonly string[] = Object.keys(SHAPES);

const around = <T>(count: number, make: (i: number) => T): T[] =>
  Array.from({ length: count }, (_, i) => make(i));
const turned = (p: Point, degrees: number): Point => {
  const [c, s] = [polar(degrees, 1), polar(degrees + 90, 1)];
  return plus(times(c, p.x), times(s, p.y));
};
const circleRadius = (room: Room): number =>
  Math.max(Math.hypot(room.halfWidth, room.halfHeight), room.minWidth / 2, room.minHeight / 2);
const boxSize = (room: Room): Point => ({
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

function box(room: Room, size: Point, outline?: Path): Shape {
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

function round(room: Room, rx: number, ry: number): Shape {
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
function polygon(
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
  const compass = Object.entries(COMPASS).map(([name, degrees]): [string, Point] => [
    name,
    border(polar(degrees, 1)),
  ]);
  const reach = (y: number): number => {
    const line = polyline([
      { x: 0, y },
      { x: far, y },
    ]);
    return meetings(line, path).at(-1)?.x ?? 0;
  };
  return {
    outline: polyline(corners, true),
    lines: [],
    border,
    anchors: { ...Object.fromEntries(compass), ...onLines(room, reach), ...named },
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

function arrow(room: Room, both: boolean): Shape {
  const { x, y } = boxSize(room);
  const head = 2 * y;
  const right = [
    { x, y: -y },
    { x, y: -head },
    { x: x + head, y: 0 },
    { x, y: head },
    { x, y },
  ];
  const back = both
    ? right.map((p) => ({ x: -p.x, y: -p.y }))
    : [
        { x: -x, y },
        { x: -x, y: -y },
      ];
  return polygon(
    room,
    [...right, ...back].map((p) => turned(p, room.turn)),
    {
      tip: turned({ x: x + head, y: 0 }, room.turn),
    },
  );
}

function crossed(room: Room, both: boolean): Shape {
  const size = boxSize(room);
  const line = (sign: 1 | -1): Path =>
    polyline([
      { x: -size.x, y: -sign * size.y },
      { x: size.x, y: sign * size.y },
    ]);
  return { ...box(room, size), outline: [...line(1), ...(both ? line(-1) : [])] };
}

function capsule(x: number, y: number): Path {
  const r = Math.min(x, y);
  const ends = (sign: 1 | -1): Point[] =>
    around(13, (i) =>
      plus(polar(sign > 0 ? 15 * i - 90 : 15 * i + 90, r), { x: sign * (x - r), y: 0 }),
    );
  return polyline([...ends(1), ...ends(-1)], true);
}

/** The direction in degrees of a named anchor, or null. */
export const compassAngle = (name: string): number | null => COMPASS[name] ?? null;
