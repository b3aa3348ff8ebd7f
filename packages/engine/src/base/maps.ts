import type { Sp } from './lengths';

export interface Point {
  readonly x: Sp;
  readonly y: Sp;
}

/**
 * An affine map: (x, y) goes to (a x + c y + e, b x + d y + f), the matrix of PDF, SVG and the
 * canvas. Whether y grows up or down is the caller's matter; `flipped` goes from one to the other.
 */
export interface AffineMap {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: Sp;
  readonly f: Sp;
}

export const IDENTITY: AffineMap = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

export const translation = (e: Sp, f: Sp): AffineMap => ({ ...IDENTITY, e, f });

/** Scaled (mirrored where negative), then turned by `degrees`, counter-clockwise where y grows upwards. */
export function scaledTurned(x: number, y: number, degrees: number): AffineMap {
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  return { a: cos * x, b: sin * x, c: -sin * y, d: cos * y, e: 0, f: 0 };
}

/** First `inner`, then `outer`. */
export const composed = (outer: AffineMap, inner: AffineMap): AffineMap => ({
  a: outer.a * inner.a + outer.c * inner.b,
  b: outer.b * inner.a + outer.d * inner.b,
  c: outer.a * inner.c + outer.c * inner.d,
  d: outer.b * inner.c + outer.d * inner.d,
  e: outer.a * inner.e + outer.c * inner.f + outer.e,
  f: outer.b * inner.e + outer.d * inner.f + outer.f,
});

export const mapped = ({ a, b, c, d, e, f }: AffineMap, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

/** The same map where y grows the other way, before and behind it. */
export const flipped = ({ a, b, c, d, e, f }: AffineMap): AffineMap => ({
  a,
  b: 0 - b,
  c: 0 - c,
  d,
  e,
  f: 0 - f,
});

/** Where a box that is mapped leads, put at a place of what is around it: y grows downwards there, upwards in the box's own map. */
export function mappedAt(by: AffineMap, x: Sp, y: Sp, outer: AffineMap | null): AffineMap {
  const down = flipped(by);
  const own = { ...down, e: down.e + x, f: down.f + y };
  return outer ? composed(outer, own) : own;
}

/** Does it leave upright what is upright, unmirrored? */
export const isUpright = ({ a, b, c, d }: AffineMap): boolean =>
  b === 0 && c === 0 && a > 0 && d > 0;

/** By how much lengths grow, in the mean of all directions. */
export const growthOf = ({ a, b, c, d }: AffineMap): number => Math.sqrt(Math.abs(a * d - b * c));

/** The map that leads back; of one that flattens all onto a line or a point, the identity. */
export function inverted({ a, b, c, d, e, f }: AffineMap): AffineMap {
  const det = a * d - b * c;
  if (det === 0 || !Number.isFinite(det)) return IDENTITY;
  const [ia, ib, ic, id] = [d / det, -b / det, -c / det, a / det];
  return { a: ia, b: ib, c: ic, d: id, e: -(ia * e + ic * f), f: -(ib * e + id * f) };
}
