import type { Point } from '../base/maps';
import { arcSegments, type Path } from '../base/paths';
import { angleOf } from './vectors';

/** The outline of a callout around the origin: a box or an ellipse with a wedge to a point. */
export interface Callout {
  readonly kind: 'rectangle' | 'ellipse';
  readonly halfWidth: number;
  readonly halfHeight: number;
  /** How wide the wedge is where it leaves the body, sp. */
  readonly wedge: number;
}

/** The body alone where the point lies within it. */
export function calloutOutline(callout: Callout, to: Point): Path {
  return callout.kind === 'ellipse' ? ellipseTo(callout, to) : boxTo(callout, to);
}

function ellipseTo({ halfWidth: rx, halfHeight: ry, wedge }: Callout, to: Point): Path {
  const inside = Math.hypot(to.x / rx, to.y / ry) <= 1;
  const middle = angleOf({ x: to.x / rx, y: to.y / ry });
  const open = inside ? 0 : (Math.min(1, wedge / (rx + ry)) * 180) / Math.PI;
  const [from, end] = [middle + open, middle - open + 360];
  const at = (degrees: number): Point => {
    const angle = (degrees * Math.PI) / 180;
    return { x: rx * Math.cos(angle), y: ry * Math.sin(angle) };
  };
  return [
    { kind: 'move', to: at(from) },
    ...arcSegments({ x: 0, y: 0 }, rx, ry, from, end),
    ...(inside ? [] : [{ kind: 'line' as const, to }]),
    { kind: 'close' },
  ];
}

function boxTo({ halfWidth: w, halfHeight: h, wedge }: Callout, to: Point): Path {
  const corners: Point[] = [
    { x: w, y: h },
    { x: -w, y: h },
    { x: -w, y: -h },
    { x: w, y: -h },
  ];
  // The side that the point lies beyond: above, at the left, below, at the right.
  const beyond = [to.y - h, -to.x - w, -to.y - h, to.x - w];
  const most = Math.max(...beyond);
  const side = most > 0 ? beyond.indexOf(most) : -1;
  const points = corners.flatMap((corner, i): Point[] => {
    if (i !== side) return [corner];
    const next = corners[(i + 1) % 4] as Point;
    const length = Math.hypot(next.x - corner.x, next.y - corner.y);
    const along = { x: (next.x - corner.x) / length, y: (next.y - corner.y) / length };
    const half = Math.min(wedge, length) / 2;
    const towards = (to.x - corner.x) * along.x + (to.y - corner.y) * along.y;
    // The wedge leaves from the half of the side that is nearer to the point.
    const foot = Math.max(half, Math.min(length - half, (towards + length / 2) / 2));
    const on = (at: number): Point => ({ x: corner.x + at * along.x, y: corner.y + at * along.y });
    return [corner, on(foot - half), to, on(foot + half)];
  });
  return [
    ...points.map((point, i) => ({
      kind: i === 0 ? ('move' as const) : ('line' as const),
      to: point,
    })),
    { kind: 'close' },
  ];
}
