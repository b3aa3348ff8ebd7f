/** A coordinate of two numbers as it is written, and its new numbers when a hand moves its point. */

export interface Vector {
  readonly x: number;
  readonly y: number;
}

/** A coordinate taken apart, so that new numbers can be put where the old ones stand. */
interface Coordinate {
  readonly polar: boolean;
  readonly numbers: readonly [number, number];
  /** What stands before, between and behind the numbers: blanks, units, the comma. */
  readonly around: readonly [string, string, string];
}

const NUMBER = String.raw`([-+]?(?:\d+\.?\d*|\.\d+))`;
const UNIT = String.raw`\s*(?:pt|cm|mm|in|bp)?\s*`;
const WRITTEN = new RegExp(`^(\\s*)${NUMBER}(${UNIT}[,:]\\s*)${NUMBER}(${UNIT})$`);

/** Takes a coordinate apart; null for one that is no two plain numbers. */
export function readCoordinate(text: string): Coordinate | null {
  const found = WRITTEN.exec(text);
  if (!found) return null;
  const [, before = '', first = '', between = '', second = '', behind = ''] = found;
  return {
    polar: between.includes(':'),
    numbers: [Number(first), Number(second)],
    around: [before, between, behind],
  };
}

/** The steps that numbers are rounded to, from the coarsest. */
const GRIDS = [0.5, 0.25, 0.1, 0.05, 0.01];

/** The coarsest step that all numbers of a picture's coordinates lie on. */
export function gridOf(coordinates: readonly string[]): number {
  const numbers = coordinates.flatMap((text) => {
    const read = readCoordinate(text);
    return read ? (read.polar ? read.numbers.slice(1) : read.numbers) : [];
  });
  const liesOn = (step: number): boolean =>
    numbers.every((n) => Math.abs(n / step - Math.round(n / step)) < 1e-6);
  return GRIDS.find(liesOn) ?? 0.01;
}

/** A whole turn has so many steps of the grid of angles, in degrees. */
const ANGLE_STEP = 5;

/**
 * A coordinate with its point moved.
 * @param by how far along each of its steps, in steps
 * @param grid what its numbers are rounded to
 */
export function movedCoordinate(text: string, by: Vector, grid: number): string {
  const read = readCoordinate(text);
  if (!read) return text;
  const [first, second] = read.polar
    ? movedPolar(read.numbers, by, grid)
    : [rounded(read.numbers[0] + by.x, grid), rounded(read.numbers[1] + by.y, grid)];
  const [before, between, behind] = read.around;
  return `${before}${written(first)}${between}${written(second)}${behind}`;
}

/** An angle and a radius, after their point moved across and up. */
function movedPolar([angle, radius]: readonly [number, number], by: Vector, grid: number) {
  const turn = (angle * Math.PI) / 180;
  const x = radius * Math.cos(turn) + by.x;
  const y = radius * Math.sin(turn) + by.y;
  const turned = (Math.atan2(y, x) * 180) / Math.PI;
  // The angle stays in the turn that it was written in.
  const near = turned + 360 * Math.round((angle - turned) / 360);
  return [rounded(near, grid < 0.05 ? 1 : ANGLE_STEP), rounded(Math.hypot(x, y), grid)] as const;
}

const rounded = (n: number, step: number): number => Math.round(n / step) * step;

/** At most three digits behind the point, no zeros at its end. */
const written = (n: number): string => String(Number(n.toFixed(3)) + 0);

/** How many of each of two steps lead to a place; null when they lie on one line. */
export function inSteps([a, b]: readonly [Vector, Vector], to: Vector): Vector | null {
  const area = a.x * b.y - a.y * b.x;
  if (Math.abs(area) < 1e-9) return null;
  return { x: (to.x * b.y - to.y * b.x) / area, y: (a.x * to.y - a.y * to.x) / area };
}
