import type { Point } from '../base/maps';
import { ellipse, polyline, type Bounds, type Path } from '../base/paths';

/** A band of a shading: its outline, and where its colour lies between the first (0) and the last (1). */
export interface Band {
  readonly path: Path;
  readonly share: number;
}

/** How colours run over what is shaded. */
export type ShadingKind = 'axis' | 'radial' | 'ball';

/** Colours run in so many bands. */
const BANDS = 64;
/** A ball's light falls on it from the upper left: so much of its radius away from its middle. */
const LIGHT: Point = { x: -0.4, y: 0.4 };
/** The circles of a radial shading reach twice as far as its box, those beyond in the last colour. */
const REACH = 2;

const shares = Array.from({ length: BANDS }, (_, i) => i / (BANDS - 1));

/** A point of the square from -1 to 1 in the box. */
const inBox = ({ left, right, low, high }: Bounds, { x, y }: Point): Point => ({
  x: (left + right) / 2 + (x * (right - left)) / 2,
  y: (low + high) / 2 + (y * (high - low)) / 2,
});

/**
 * Bands across the box, from its top to its bottom, turned to the left by an angle in degrees. Each
 * reaches to the far end where those painted later may lie over it, else to the next.
 */
function axisBands(box: Bounds, angle: number, covered: boolean): Band[] {
  const turn = (angle * Math.PI) / 180;
  const along = { x: -Math.sin(turn), y: Math.cos(turn) };
  const across = { x: along.y, y: -along.x };
  const at = (up: number, side: number): Point =>
    inBox(box, { x: up * along.x + side * across.x, y: up * along.y + side * across.y });
  return shares.map((share, i) => {
    const from = i === 0 ? 3 : 1 - (2 * i) / BANDS;
    const to = covered || i === BANDS - 1 ? -3 : 1 - (2 * (i + 1)) / BANDS;
    return { share, path: polyline([at(from, -3), at(from, 3), at(to, 3), at(to, -3)], true) };
  });
}

/** Circles within one another, the largest first, which grow out of a point towards the middle; rings where none may lie over another. */
function circleBands(box: Bounds, start: Point, covered: boolean): Band[] {
  const [across, up] = [(box.right - box.left) / 2, (box.high - box.low) / 2];
  const circle = (share: number): Path => {
    const radius = Math.max(share, 1 / BANDS) * REACH;
    const centre = inBox(box, { x: start.x * (1 - share), y: start.y * (1 - share) });
    return ellipse(centre, radius * across, radius * up);
  };
  return shares.toReversed().map((share, i) => {
    const within = covered ? undefined : shares.at(-2 - i);
    return { share, path: [...circle(share), ...(within === undefined ? [] : circle(within))] };
  });
}

/** The bands of a shading over a box, in the order in which they are painted; what covers nothing does not overlap. */
export function shadingBands(
  kind: ShadingKind,
  box: Bounds,
  angle: number,
  covered: boolean,
): Band[] {
  if (kind === 'axis') return axisBands(box, angle, covered);
  return circleBands(box, kind === 'ball' ? LIGHT : { x: 0, y: 0 }, covered);
}
