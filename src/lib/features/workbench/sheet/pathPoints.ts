import type { PagePath } from '@odd-compass/engine/page';
import type { Vector } from './coordinates';

/** Points of a curve that stand for it when it is pointed at. */
const ON_CURVE = [0.25, 0.5, 0.75, 1];

/** The points of a path on the page, curves by some of theirs; big points. */
export function cornersOf({ map, trace }: PagePath): Vector[] {
  const { a, b, c, d, e, f } = map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
  const corners: Vector[] = [];
  let [x0, y0] = [0, 0];
  const take = (x: number, y: number): void => {
    corners.push({ x: a * x + c * y + e, y: b * x + d * y + f });
    [x0, y0] = [x, y];
  };
  trace({
    moveTo: take,
    lineTo: take,
    bezierCurveTo: (ax, ay, bx, by, x, y) => {
      const [sx, sy] = [x0, y0];
      for (const t of ON_CURVE) take(onCubic(sx, ax, bx, x, t), onCubic(sy, ay, by, y, t));
    },
    closePath: () => undefined,
  });
  return corners;
}

const onCubic = (p: number, q: number, r: number, s: number, t: number): number => {
  const u = 1 - t;
  return u * u * u * p + 3 * u * u * t * q + 3 * u * t * t * r + t * t * t * s;
};

/** How far a point lies from the lines between points; `Infinity` when there are none. */
export function distanceTo(points: readonly Vector[], to: Vector): number {
  let least = Infinity;
  points.forEach((end, i) => {
    const start = points[i - 1] ?? end;
    const [dx, dy] = [end.x - start.x, end.y - start.y];
    const length = dx * dx + dy * dy;
    const along = length === 0 ? 0 : ((to.x - start.x) * dx + (to.y - start.y) * dy) / length;
    const t = Math.min(1, Math.max(0, along));
    least = Math.min(least, Math.hypot(start.x + t * dx - to.x, start.y + t * dy - to.y));
  });
  return least;
}
