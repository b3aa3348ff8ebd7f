import type { Point } from '../base/maps';

/** Points as vectors, in any unit. */
export const plus = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const times = (a: Point, by: number): Point => ({ x: a.x * by, y: a.y * by });
export const between = (a: Point, b: Point, share: number): Point =>
  plus(a, times(minus(b, a), share));
export const lengthOf = (a: Point): number => Math.hypot(a.x, a.y);
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
/** Twice the area of the triangle that two vectors span; positive when `b` lies to the left of `a`. */
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
/** A quarter turn to the left. */
export const left = ({ x, y }: Point): Point => ({ x: -y, y: x });
export const ORIGIN: Point = { x: 0, y: 0 };

/** The vector of length 1 in the same direction; to the right for one of no length. */
export function unit(a: Point): Point {
  const length = lengthOf(a);
  return length < 1e-9 ? { x: 1, y: 0 } : times(a, 1 / length);
}

/** At an angle in degrees, counter-clockwise from the right. Exact at whole quarters. */
export function polar(degrees: number, rx: number, ry = rx): Point {
  const turn = ((degrees % 360) + 360) % 360;
  const quarter = turn / 90;
  if (Number.isInteger(quarter)) {
    const [x, y] = (
      [
        [1, 0],
        [0, 1],
        [-1, 0],
        [0, -1],
      ] as const
    )[quarter] ?? [1, 0];
    return { x: x * rx, y: y * ry };
  }
  const angle = (turn * Math.PI) / 180;
  return { x: rx * Math.cos(angle), y: ry * Math.sin(angle) };
}

/** The direction of a vector, degrees counter-clockwise from the right, from -180 to 180. */
export const angleOf = ({ x, y }: Point): number => (Math.atan2(y, x) * 180) / Math.PI;

/** Where two lines through two points each meet; null when they run side by side. */
export function linesMeet(a: Point, b: Point, c: Point, d: Point): Point | null {
  const [u, v] = [minus(b, a), minus(d, c)];
  const area = cross(u, v);
  if (Math.abs(area) < 1e-9 * Math.max(1, lengthOf(u) * lengthOf(v))) return null;
  return plus(a, times(u, cross(minus(c, a), v) / area));
}
