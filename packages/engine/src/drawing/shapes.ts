import type { Point } from '../base/maps';
import { polyline, type Path } from '../base/paths';
import { ARROW_SHAPES } from './arrowShapes';
import { CIRCUIT_SHAPES } from './circuitBodies';
import { GATE_SHAPES } from './gateShapes';
import { GEOMETRIC_SHAPES } from './geometricShapes';
import {
  ANCHORS,
  around,
  axisBox,
  box,
  boxSize,
  circleRadius,
  polygon,
  round,
  type Maker,
  type Room,
  type Shape,
} from './shapeParts';
import { plus, polar } from './vectors';

export { ANCHORS, compassAngle, NO_ROOM, type Room, type Shape } from './shapeParts';

const PLAIN_SHAPES = {
  rectangle: (room: Room) => box(room, boxSize(room)),
  'asymmetrical rectangle': axisBox,
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
  'cross out': (room) => crossed(room, true),
  'strike out': (room) => crossed(room, false),
  'rectangle callout': (room) => box(room, boxSize(room)),
} satisfies Record<string, Maker>;

const WITHOUT_CALLOUTS = {
  ...PLAIN_SHAPES,
  ...GEOMETRIC_SHAPES,
  ...ARROW_SHAPES,
  ...GATE_SHAPES,
  ...CIRCUIT_SHAPES,
};
const SHAPES = {
  ...WITHOUT_CALLOUTS,
  'ellipse callout': WITHOUT_CALLOUTS.ellipse,
  'cloud callout': WITHOUT_CALLOUTS.cloud,
};

export type ShapeName = keyof typeof SHAPES;

/** The shape of a node around a room. */
export const shapeAround = (name: ShapeName, room: Room): Shape => SHAPES[name](room);

/** Is it a shape's name? */
export const isShape = (name: string): name is ShapeName => Object.hasOwn(SHAPES, name);
export const SHAPE_NAMES: readonly string[] = Object.keys(SHAPES).filter(
  (name) => !Object.hasOwn(CIRCUIT_SHAPES, name),
);

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
