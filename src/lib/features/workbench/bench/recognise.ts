/** A point of the drawing, in any unit. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Ink on a square of `SIDE` by `SIDE` cells, as far as the longer side goes, in the middle. */
export interface Shape {
  readonly ink: Uint8Array;
  /** How far each cell is from the nearest ink, in cells. */
  readonly distance: Float32Array;
}

export const SIDE = 48;
/** Ink stays this far from the edge. */
const EDGE = 4;
/** Half the width of a glyph's strokes, about: ink this near to the drawn line is on it. */
const HALF_STROKE = 2;

interface Bounds {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Maps what lies in the bounds into the square, its proportions kept. */
function fit({ left, top, right, bottom }: Bounds): (p: Point) => Point {
  const size = Math.max(right - left, bottom - top, 1e-6);
  const scale = (SIDE - 2 * EDGE) / size;
  const dx = (SIDE - (right - left) * scale) / 2;
  const dy = (SIDE - (bottom - top) * scale) / 2;
  return ({ x, y }) => ({ x: (x - left) * scale + dx, y: (y - top) * scale + dy });
}

/** The shape of strokes, as thin lines; null when there are none. */
export function shapeOfStrokes(strokes: readonly (readonly Point[])[]): Shape | null {
  const points = strokes.flat();
  if (points.length === 0) return null;
  const to = fit({
    left: Math.min(...points.map(({ x }) => x)),
    top: Math.min(...points.map(({ y }) => y)),
    right: Math.max(...points.map(({ x }) => x)),
    bottom: Math.max(...points.map(({ y }) => y)),
  });
  const ink = new Uint8Array(SIDE * SIDE);
  for (const stroke of strokes) {
    const placed = stroke.map(to);
    placed.forEach((p, i) => drawLine(ink, placed[i - 1] ?? p, p));
  }
  return { ink, distance: distancesOf(ink) };
}

function drawLine(ink: Uint8Array, a: Point, b: Point): void {
  const steps = Math.max(1, Math.ceil(2 * Math.hypot(b.x - a.x, b.y - a.y)));
  for (let i = 0; i <= steps; i++) {
    const x = Math.round(a.x + ((b.x - a.x) * i) / steps);
    const y = Math.round(a.y + ((b.y - a.y) * i) / steps);
    if (x >= 0 && y >= 0 && x < SIDE && y < SIDE) ink[y * SIDE + x] = 1;
  }
}

/** The shape of a picture: `alpha` tells how much ink each of its pixels has, 0 to 255. Null when it is empty. */
export function shapeOfPicture(
  alpha: (x: number, y: number) => number,
  width: number,
  height: number,
): Shape | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      if (alpha(x, y) < 128) continue;
      [left, right] = [Math.min(left, x), Math.max(right, x)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
    }
  if (left === Infinity) return null;
  const bounds = { left, top, right, bottom };
  const origin = fit(bounds)({ x: left, y: top });
  const scale = fit(bounds)({ x: left + 1, y: top }).x - origin.x;
  const ink = new Uint8Array(SIDE * SIDE);
  for (let cy = 0; cy < SIDE; cy++)
    for (let cx = 0; cx < SIDE; cx++) {
      const x = Math.round(left + (cx - origin.x) / scale);
      const y = Math.round(top + (cy - origin.y) / scale);
      const inside = x >= left && x <= right && y >= top && y <= bottom;
      if (inside && alpha(x, y) >= 128) ink[cy * SIDE + cx] = 1;
    }
  return { ink, distance: distancesOf(ink) };
}

/** Distances to the nearest ink by two passes (Borgefors 1986, chamfer 3-4). */
function distancesOf(ink: Uint8Array): Float32Array {
  const out = new Float32Array(SIDE * SIDE);
  for (let i = 0; i < out.length; i++) out[i] = ink[i] ? 0 : 1e4;
  const at = (x: number, y: number): number =>
    x < 0 || y < 0 || x >= SIDE || y >= SIDE ? 1e4 : (out[y * SIDE + x] as number);
  const pass = (x: number, y: number, s: 1 | -1): void => {
    const i = y * SIDE + x;
    out[i] = Math.min(
      out[i] as number,
      at(x - s, y) + 1,
      at(x, y - s) + 1,
      at(x - s, y - s) + 4 / 3,
      at(x + s, y - s) + 4 / 3,
    );
  };
  for (let y = 0; y < SIDE; y++) for (let x = 0; x < SIDE; x++) pass(x, y, 1);
  for (let y = SIDE - 1; y >= 0; y--) for (let x = SIDE - 1; x >= 0; x--) pass(x, y, -1);
  return out;
}

/** How far the ink of one lies from that of another on average; what is nearer than `free` counts nothing. */
function gap(from: Shape, to: Shape, free: number): number {
  let sum = 0;
  let count = 0;
  for (let i = 0; i < from.ink.length; i++) {
    if (!from.ink[i]) continue;
    // Far parts weigh more: a sign with a stroke too many is another sign.
    sum += Math.max(0, (to.distance[i] as number) - free) ** 1.5;
    count++;
  }
  return count === 0 ? Infinity : sum / count;
}

/** How unlike a drawing is to the shape of a glyph: 0 for the same. */
export const unlikeness = (drawn: Shape, glyph: Shape): number =>
  gap(drawn, glyph, 0.5) + gap(glyph, drawn, HALF_STROKE);

/** Those whose shapes are most like the drawing, the nearest first. */
export function mostLike<T>(
  drawn: Shape,
  known: readonly { readonly shape: Shape; readonly of: T }[],
  most: number,
): T[] {
  return known
    .map(({ shape, of }) => ({ of, score: unlikeness(drawn, shape) }))
    .sort((a, b) => a.score - b.score)
    .slice(0, most)
    .map(({ of }) => of);
}
