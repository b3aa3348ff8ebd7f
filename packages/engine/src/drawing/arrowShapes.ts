import type { Point } from '../base/maps';
import { PT } from '../base/lengths';
import {
  boxSize,
  polygon,
  said,
  turnedShape,
  type Maker,
  type Room,
  type Shape,
} from './shapeParts';

/**
 * Shapes of the libraries “shapes.arrows” and “shapes.symbols” that point somewhere. The text reaches
 * into the head as far as its sides allow; “height” runs from tail to tip, “width” is that of the head.
 */

interface Head {
  readonly tip: number;
  /** Where its base lies, where the shaft meets it, and half the width of both. */
  readonly base: number;
  readonly neck: number;
  readonly half: number;
  readonly shaft: number;
}

function headOf(room: Room, prefix: string): Head {
  const slope = Math.tan((said(room, `${prefix} tip angle`, 90) * Math.PI) / 360);
  const extend = said(room, `${prefix} head extend`, (72.27 / 2.54) * 0.5 * PT);
  const indent = said(room, `${prefix} head indent`, 0);
  const half = Math.max(room.halfHeight + extend, room.minWidth / 2);
  const shaft = Math.max(room.halfHeight, half - extend);
  const tip = room.halfWidth + room.halfHeight / slope;
  const base = tip - half / slope;
  return { tip, base, neck: base + indent, half, shaft };
}

const point = (x: number, y: number): Point => ({ x, y });

const single: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const { tip, base, neck, half, shaft } = headOf(room, 'single arrow');
    const tail = Math.min(-room.halfWidth, tip - room.minHeight, neck);
    return polygon(
      room,
      [
        point(tip, 0),
        point(base, half),
        point(neck, shaft),
        point(tail, shaft),
        point(tail, -shaft),
        point(neck, -shaft),
        point(base, -half),
      ],
      {
        tip: point(tip, 0),
        'before tip': point(base, half),
        'after tip': point(base, -half),
        'before head': point(neck, shaft),
        'after head': point(neck, -shaft),
        'before tail': point(tail, -shaft),
        'after tail': point(tail, shaft),
        tail: point(tail, 0),
      },
    );
  });

const double: Maker = (outer) =>
  turnedShape(outer, (room) => {
    const head = headOf(room, 'double arrow');
    const more = Math.max(0, room.minHeight / 2 - head.tip, -head.neck);
    const [tip, base, neck] = [head.tip + more, head.base + more, head.neck + more];
    const { half, shaft } = head;
    const right = [
      point(neck, -shaft),
      point(base, -half),
      point(tip, 0),
      point(base, half),
      point(neck, shaft),
    ];
    const corners = [...right, ...right.map(({ x, y }) => point(-x, -y))];
    return polygon(room, corners, { 'tip 1': point(tip, 0), 'tip 2': point(-tip, 0) });
  });

/** Sides that point outwards or inwards: 1 and -1 for each of east, north, west, south. */
const signal: Maker = (room) => {
  const slope = Math.tan((said(room, 'signal pointer angle', 90) * Math.PI) / 360);
  const size = boxSize(room);
  const sides = ['east', 'north', 'west', 'south'].map((side) => said(room, `signal ${side}`, 0));
  const [first = 0, north = 0, west = 0, south = 0] = sides;
  const east: number = sides.every((side) => side === 0) ? 1 : first;
  const [out, up] = [size.y / slope, size.x / slope];
  // What points inwards needs room of its own.
  const x = Math.max(
    room.halfWidth + (Math.min(east, 0) + Math.min(west, 0) < 0 ? out : 0),
    size.x,
  );
  const y = Math.max(
    room.halfHeight + (Math.min(north, 0) + Math.min(south, 0) < 0 ? up : 0),
    size.y,
  );
  const corners = [
    point(x, -y),
    ...(east === 0 ? [] : [point(x + east * out, 0)]),
    point(x, y),
    ...(north === 0 ? [] : [point(0, y + north * up)]),
    point(-x, y),
    ...(west === 0 ? [] : [point(-x - west * out, 0)]),
    point(-x, -y),
    ...(south === 0 ? [] : [point(0, -y - south * up)]),
  ];
  return polygon(room, corners);
};

export const ARROW_SHAPES = {
  'single arrow': single,
  'double arrow': double,
  signal,
} satisfies Record<string, (room: Room) => Shape>;
