import type { Sp } from './lengths';
import { mapped, type AffineMap, type Point } from './maps';

/** A part of a path, from where the part before it ended. */
export type Segment =
  | { readonly kind: 'move'; readonly to: Point }
  | { readonly kind: 'line'; readonly to: Point }
  /** A cubic Bézier curve. */
  | { readonly kind: 'curve'; readonly from: Point; readonly into: Point; readonly to: Point }
  | { readonly kind: 'close' };

/** Straight lines and cubic curves, of one piece or several. */
export type Path = readonly Segment[];

/** The points of one piece joined by straight lines. */
export const polyline = (points: readonly Point[], closed = false): Path => [
  ...points.map((to, i): Segment => ({ kind: i === 0 ? 'move' : 'line', to })),
  ...(closed ? [{ kind: 'close' } as const] : []),
];

export const rectangle = (x: Sp, y: Sp, width: Sp, height: Sp): Path =>
  polyline(
    [
      { x, y },
      { x: x + width, y },
      { x: x + width, y: y + height },
      { x, y: y + height },
    ],
    true,
  );

/** How far the controls of a curve for an arc of `degrees` lie from its ends, in radii: exact at the middle. */
const reach = (degrees: number): number => (4 / 3) * Math.tan((degrees * Math.PI) / 720);

/** The curves of an arc of an ellipse, from where it begins; at most a quarter each. */
export function arcSegments(centre: Point, rx: Sp, ry: Sp, from: number, to: number): Segment[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(to - from) / 90));
  const step = (to - from) / pieces;
  const k = reach(step);
  const at = (degrees: number): { point: Point; along: Point } => {
    const angle = (degrees * Math.PI) / 180;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    return {
      point: { x: centre.x + rx * cos, y: centre.y + ry * sin },
      along: { x: -rx * sin, y: ry * cos },
    };
  };
  return Array.from({ length: pieces }, (_, i): Segment => {
    const [a, b] = [at(from + i * step), at(from + (i + 1) * step)];
    return {
      kind: 'curve',
      from: { x: a.point.x + k * a.along.x, y: a.point.y + k * a.along.y },
      into: { x: b.point.x - k * b.along.x, y: b.point.y - k * b.along.y },
      to: b.point,
    };
  });
}

/** A whole ellipse, closed. */
export const ellipse = (centre: Point, rx: Sp, ry: Sp): Path => [
  { kind: 'move', to: { x: centre.x + rx, y: centre.y } },
  ...arcSegments(centre, rx, ry, 0, 360),
  { kind: 'close' },
];

/** The path behind a map. */
export const mappedPath = (path: Path, map: AffineMap): Path =>
  path.map((segment): Segment => {
    switch (segment.kind) {
      case 'move':
      case 'line':
        return { kind: segment.kind, to: mapped(map, segment.to) };
      case 'curve':
        return {
          kind: 'curve',
          from: mapped(map, segment.from),
          into: mapped(map, segment.into),
          to: mapped(map, segment.to),
        };
      case 'close':
        return segment;
    }
  });

/** An upright rectangle: its least and greatest x and y. */
export interface Bounds {
  readonly left: Sp;
  readonly right: Sp;
  readonly low: Sp;
  readonly high: Sp;
}

export const NO_BOUNDS: Bounds = {
  left: Infinity,
  right: -Infinity,
  low: Infinity,
  high: -Infinity,
};

export const widened = (b: Bounds, { x, y }: Point): Bounds => ({
  left: Math.min(b.left, x),
  right: Math.max(b.right, x),
  low: Math.min(b.low, y),
  high: Math.max(b.high, y),
});

export const joinedBounds = (a: Bounds, b: Bounds): Bounds => ({
  left: Math.min(a.left, b.left),
  right: Math.max(a.right, b.right),
  low: Math.min(a.low, b.low),
  high: Math.max(a.high, b.high),
});

/** A path cut into its stretches, each with where it starts; closing ones are lines. */
export interface Stretch {
  readonly start: Point;
  readonly segment: Exclude<Segment, { kind: 'move' | 'close' }>;
}

export function stretchesOf(path: Path): Stretch[] {
  const out: Stretch[] = [];
  let start: Point = { x: 0, y: 0 };
  let at = start;
  for (const segment of path) {
    if (segment.kind === 'move') start = at = segment.to;
    else if (segment.kind === 'close') {
      if (at.x !== start.x || at.y !== start.y)
        out.push({ start: at, segment: { kind: 'line', to: start } });
      at = start;
    } else {
      out.push({ start: at, segment });
      at = segment.to;
    }
  }
  return out;
}

/** A number of a cubic Bézier curve at `t`, from those of its four points. */
const cubic = (t: number, p: number, q: number, r: number, s: number): number => {
  const u = 1 - t;
  return u * u * u * p + 3 * u * u * t * q + 3 * u * t * t * r + t * t * t * s;
};

/** Where a stretch is at `t`, from 0 to 1. */
export function pointOn({ start, segment }: Stretch, t: number): Point {
  const { to } = segment;
  if (segment.kind === 'line')
    return { x: start.x + t * (to.x - start.x), y: start.y + t * (to.y - start.y) };
  return {
    x: cubic(t, start.x, segment.from.x, segment.into.x, to.x),
    y: cubic(t, start.y, segment.from.y, segment.into.y, to.y),
  };
}

/** Where a cubic turns back in one coordinate: the roots of its derivative between 0 and 1. */
function turns(p: number, q: number, r: number, s: number): number[] {
  const a = s - 3 * r + 3 * q - p;
  const b = 2 * (r - 2 * q + p);
  const c = q - p;
  const inside = (t: number): boolean => t > 0 && t < 1;
  const under = b * b - 4 * a * c;
  if (!(under >= 0)) return [];
  // No difference of near numbers: where `a` nearly vanishes, the nearer root keeps its digits.
  const far = -(b + (b < 0 ? -1 : 1) * Math.sqrt(under)) / 2;
  return [far / a, c / far].filter(inside);
}

/** The smallest upright rectangle around a path; `NO_BOUNDS` for an empty one. */
export function boundsOf(path: Path): Bounds {
  let bounds = NO_BOUNDS;
  for (const segment of path) if (segment.kind !== 'close') bounds = widened(bounds, segment.to);
  for (const stretch of stretchesOf(path)) {
    const { start: s, segment } = stretch;
    if (segment.kind !== 'curve') continue;
    const { from, into, to } = segment;
    for (const t of [...turns(s.x, from.x, into.x, to.x), ...turns(s.y, from.y, into.y, to.y)])
      bounds = widened(bounds, pointOn(stretch, t));
  }
  return bounds;
}

const distance = (p: Point, q: Point): Sp => Math.hypot(q.x - p.x, q.y - p.y);

/** A curve is measured along this many straight pieces. */
const PIECES = 96;

/** Points along a path, near enough to be joined by straight lines. */
export const pointsAlong = (path: Path): Point[] => {
  const stretches = stretchesOf(path);
  const first = stretches[0]?.start;
  if (!first) return [];
  return [
    first,
    ...stretches.flatMap((stretch) => {
      const pieces = stretch.segment.kind === 'line' ? 1 : PIECES;
      return Array.from({ length: pieces }, (_, i) => pointOn(stretch, (i + 1) / pieces));
    }),
  ];
};

export const lengthAlong = (points: readonly Point[]): Sp =>
  points.reduce((sum, p, i) => (i === 0 ? 0 : sum + distance(points[i - 1] as Point, p)), 0);

/** The point at a share of the way along points, and the direction there, of length 1. */
export function placeAlong(
  points: readonly Point[],
  share: number,
): { readonly point: Point; readonly direction: Point } {
  const last = points.length - 1;
  let left = share * lengthAlong(points);
  for (let i = 1; i <= last; i++) {
    const p = points[i - 1] as Point;
    const q = points[i] as Point;
    const step = distance(p, q);
    if (left <= step || i === last) {
      const t = step === 0 ? 0 : Math.min(1, left / step);
      const length = Math.max(step, 1e-9);
      return {
        point: { x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t },
        direction: { x: (q.x - p.x) / length, y: (q.y - p.y) / length },
      };
    }
    left -= step;
  }
  return { point: points[0] ?? { x: 0, y: 0 }, direction: { x: 1, y: 0 } };
}

/** Dashes and gaps of about `dash`, so long that a line of that length begins and ends with a dash. */
export function fittedDash(length: Sp, dash: Sp): readonly Sp[] {
  const pairs = Math.max(1, Math.round(length / (2 * dash)));
  const one = length / (2 * pairs - 1);
  return [one, one];
}
