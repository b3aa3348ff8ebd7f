import { PT } from '../base/lengths';
import type { Point } from '../base/maps';
import { arcSegments, ellipse, polyline, type Path, type Segment } from '../base/paths';
import { outlined, said, type Maker, type Room, type Shape } from './shapeParts';

/**
 * Gates of digital logic (the libraries “shapes.gates.logic.US” and “.IEC”): their inputs lie on the
 * left, evenly from one another, inverted ones and inverted outputs with a little circle.
 */

const CENTIMETRE = (72.27 / 2.54) * PT;
const point = (x: number, y: number): Point => ({ x, y });
const line = (x: number, y: number): Segment => ({ kind: 'line', to: point(x, y) });

interface Body {
  readonly x: number;
  readonly y: number;
  /** The little circle of what is inverted. */
  readonly dot: number;
  readonly inputs: readonly ('n' | 'i')[];
  readonly heights: readonly number[];
}

/** How its inputs are told, one digit each: 1 for normal, 2 for inverted. */
function bodyOf(room: Room): Body {
  const inputs = [...String(said(room, 'logic gate inputs', 11))].map((sign) =>
    sign === '2' ? ('i' as const) : ('n' as const),
  );
  const sep = said(room, 'logic gate input sep', 0.125 * CENTIMETRE);
  const needs = (sep * (inputs.length + 1)) / 2;
  const y = Math.max(room.halfHeight, room.minHeight / 2, needs);
  const x = Math.max(room.halfWidth, room.minWidth / 2, y);
  const heights = inputs.map((_, i) => sep * ((inputs.length - 1) / 2 - i));
  return { x, y, dot: said(room, 'logic gate inverted radius', 2 * PT), inputs, heights };
}

/** What is alike in all: anchors of inputs and output, and circles of what is inverted. */
function gate(
  room: Room,
  { inputs, heights, dot }: Body,
  outline: Path,
  out: number,
  inverted: boolean,
  sideAt: (height: number) => number,
  more: Path = [],
): Shape {
  const circles = inputs.flatMap((input, i): Path =>
    input === 'i' ? ellipse(point(sideAt(heights[i] ?? 0) - dot, heights[i] ?? 0), dot, dot) : [],
  );
  const anchors = Object.fromEntries(
    inputs.map((input, i): [string, Point] => {
      const height = heights[i] ?? 0;
      const x = sideAt(height) - (input === 'i' ? 2 * dot : 0) - room.outer;
      return [`input ${i + 1}`, point(x, height)];
    }),
  );
  const end: Path = inverted ? ellipse(point(out + dot, 0), dot, dot) : [];
  const output = point(out + (inverted ? 2 * dot : 0) + room.outer, 0);
  const shape = outlined(room, [...outline, ...end], { ...anchors, output });
  return { ...shape, lines: [...circles, ...more] };
}

const and =
  (inverted: boolean): Maker =>
  (room) => {
    const body = bodyOf(room);
    const { x, y } = body;
    const centre = x - y;
    const outline: Path = [
      { kind: 'move', to: point(-x, -y) },
      line(centre, -y),
      ...arcSegments(point(centre, 0), y, y, -90, 90),
      line(-x, y),
      { kind: 'close' },
    ];
    return gate(room, body, outline, x, inverted, () => -x);
  };

/** How deep the left side of an “or” is hollowed, in half heights. */
const HOLLOW = 0.35;

const or =
  (inverted: boolean, exclusive: boolean): Maker =>
  (room) => {
    const body = bodyOf(room);
    const { x, y } = body;
    const hollow = (at: number): Segment => ({
      kind: 'curve',
      from: point(at + (4 / 3) * HOLLOW * y, 0.4 * y),
      into: point(at + (4 / 3) * HOLLOW * y, -0.4 * y),
      to: point(at, -y),
    });
    const side = (sign: 1 | -1): [Point, Point] => [
      point(0.05 * x, sign * y),
      point(0.6 * x, sign * 0.55 * y),
    ];
    const [low, lower] = side(-1);
    const [upper, high] = [side(1)[1], side(1)[0]];
    const outline: Path = [
      { kind: 'move', to: point(-x, y) },
      hollow(-x),
      line(-0.4 * x, -y),
      { kind: 'curve', from: low, into: lower, to: point(x, 0) },
      { kind: 'curve', from: upper, into: high, to: point(-0.4 * x, y) },
      { kind: 'close' },
    ];
    const back = 0.25 * y;
    const second: Path = exclusive
      ? [{ kind: 'move', to: point(-x - back, y) }, hollow(-x - back)]
      : [];
    // Inputs end on the hollow side, of the second line where there is one.
    const sideAt = (height: number): number =>
      -x - (exclusive ? back : 0) + HOLLOW * y * Math.max(0, 1 - (height / y) ** 2);
    return gate(room, body, outline, x, inverted, sideAt, second);
  };

const triangle =
  (inverted: boolean): Maker =>
  (room) => {
    const keys = { ...room.keys, 'logic gate inputs': firstInput(room) };
    const one = { ...room, halfHeight: 1.25 * room.halfHeight, keys };
    const body = bodyOf(one);
    const { x, y } = body;
    const outline = polyline([point(-x, -y), point(x, 0), point(-x, y)], true);
    const shape = gate(one, body, outline, x, inverted, () => -x);
    const input = shape.anchors['input 1'];
    return input ? { ...shape, anchors: { ...shape.anchors, input } } : shape;
  };
const firstInput = (room: Room): number =>
  Number(String(said(room, 'logic gate inputs', 1))[0] ?? '1');

const square =
  (inverted: boolean, single = false): Maker =>
  (given) => {
    const room = single
      ? { ...given, keys: { ...given.keys, 'logic gate inputs': firstInput(given) } }
      : given;
    const body = bodyOf(room);
    const x = Math.max(room.halfWidth, room.minWidth / 2);
    const { y } = body;
    const outline = polyline([point(-x, -y), point(x, -y), point(x, y), point(-x, y)], true);
    const shape = gate(room, body, outline, x, inverted, () => -x);
    const input = shape.anchors['input 1'];
    return single && input ? { ...shape, anchors: { ...shape.anchors, input } } : shape;
  };

export const GATE_SHAPES = {
  'and gate US': and(false),
  'nand gate US': and(true),
  'or gate US': or(false, false),
  'nor gate US': or(true, false),
  'xor gate US': or(false, true),
  'xnor gate US': or(true, true),
  'not gate US': triangle(true),
  'buffer gate US': triangle(false),
  'and gate IEC': square(false),
  'nand gate IEC': square(true),
  'or gate IEC': square(false),
  'nor gate IEC': square(true),
  'xor gate IEC': square(false),
  'xnor gate IEC': square(true),
  'not gate IEC': square(true, true),
  'buffer gate IEC': square(false, true),
} satisfies Record<string, Maker>;
