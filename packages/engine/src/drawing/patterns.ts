import type { Point } from '../base/maps';
import { ellipse, polyline, type Bounds, type Path } from '../base/paths';

/** A pattern of lines or dots over a rectangle; what lies outside a shape is cut off by whoever draws it. */
export interface DrawnPattern {
  readonly path: Path;
  readonly fills: boolean;
}

/** So far apart are the lines of patterns, in pt, and how thick they are. */
const APART = 4;
export const PATTERN_LINE = 0.4;
/** A pattern has no more lines. */
const MOST = 2000;

/**
 * The lines of a pattern by its name; slanted lines for one that is not known.
 *
 * @param pt of the unit that the bounds count in.
 */
export function patternOver(
  name: string,
  { left, right, low, high }: Bounds,
  pt: number,
): DrawnPattern {
  const step = Math.max(APART * pt, ((right - left + high - low) / MOST) * 2);
  const lines = (make: (at: number) => readonly [Point, Point], from: number, to: number): Path => {
    const out: Path[number][] = [];
    for (let at = Math.floor(from / step) * step; at <= to; at += step)
      out.push(...polyline(make(at)));
    return out;
  };
  const up = (): Path =>
    lines(
      (c) => [
        { x: c + low, y: low },
        { x: c + high, y: high },
      ],
      left - high,
      right - low,
    );
  const down = (): Path =>
    lines(
      (c) => [
        { x: c - low, y: low },
        { x: c - high, y: high },
      ],
      left + low,
      right + high,
    );
  const across = (): Path =>
    lines(
      (y) => [
        { x: left, y },
        { x: right, y },
      ],
      low,
      high,
    );
  const upright = (): Path =>
    lines(
      (x) => [
        { x, y: low },
        { x, y: high },
      ],
      left,
      right,
    );
  const dots = (): Path => {
    const out: Path[number][] = [];
    for (let x = Math.floor(left / step) * step; x <= right; x += step)
      for (let y = Math.floor(low / step) * step; y <= high; y += step)
        out.push(...ellipse({ x, y }, 0.5 * pt, 0.5 * pt));
    return out;
  };
  switch (name) {
    case 'dots':
    case 'crosshatch dots':
    case 'fivepointed stars':
      return { path: dots(), fills: true };
    case 'north west lines':
      return { path: down(), fills: false };
    case 'horizontal lines':
      return { path: across(), fills: false };
    case 'vertical lines':
      return { path: upright(), fills: false };
    case 'grid':
    case 'bricks':
    case 'checkerboard':
      return { path: [...across(), ...upright()], fills: false };
    case 'crosshatch':
      return { path: [...up(), ...down()], fills: false };
    default:
      return { path: up(), fills: false };
  }
}
