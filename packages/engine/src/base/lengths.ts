/**
 * Lengths. One home for units and conversion.
 *
 * `Sp` is a scaled point, 1/65536 pt (The TeXbook, chapter 10). Vertical
 * positions grow upwards from the baseline inside boxes and downwards on pages.
 */
export type Sp = number;

/** Scaled points in one point. */
export const PT = 65536;

/** The largest legal dimension, 16383.99999 pt (The TeXbook, chapter 10). */
export const MAX_DIMEN: Sp = 1073741823;

/** Units of length as fractions of a point, in lowest terms (TeX: The Program, §458). */
const FRACTIONS: Readonly<Record<string, readonly [numerator: number, denominator: number]>> = {
  pt: [1, 1],
  pc: [12, 1],
  in: [7227, 100],
  bp: [7227, 7200],
  cm: [7227, 254],
  mm: [7227, 2540],
  dd: [1238, 1157],
  cc: [14856, 1157],
};

/** Scaled points in one unit of each physical kind (The TeXbook, chapter 10). */
export const UNITS: Readonly<Record<string, number>> = {
  ...Object.fromEntries(Object.entries(FRACTIONS).map(([unit, [n, d]]) => [unit, (n / d) * PT])),
  sp: 1,
};

/**
 * So many of a physical unit in sp, cut as TeX cuts it, so that printed lengths agree to the
 * last digit (TeX: The Program, §§448–458): `1cm` is 28.45274pt.
 */
export function unitLength(factor: number, unit: string): Sp {
  const [n, d] = FRACTIONS[unit] ?? [1, PT];
  return Math.floor((Math.round(factor * PT) * n) / d);
}

/** Points to scaled points. */
export const pt = (points: number): Sp => Math.round(points * PT);

/** An inch, and a millimetre. */
export const INCH: Sp = 72.27 * PT;
export const MM: Sp = INCH / 25.4;

/** Scaled points to PDF units (1/72 in, "big points"), and back. */
export const fromBp = (bp: number): Sp => Math.round((bp * INCH) / 72);
export const toBp = (length: Sp): number => (length / PT) * (72 / 72.27);

/** Orders of infinity of glue: finite, fil, fill, filll. */
export type GlueOrder = 0 | 1 | 2 | 3;

/** Glue: a natural width with stretch and shrink, each of some order of infinity. */
export interface Glue {
  readonly width: Sp;
  readonly stretch: Sp;
  readonly stretchOrder: GlueOrder;
  readonly shrink: Sp;
  readonly shrinkOrder: GlueOrder;
}

/** Finite glue; all three in scaled points. */
export function glue(width: Sp, stretch: Sp = 0, shrink: Sp = 0): Glue {
  return { width, stretch, stretchOrder: 0, shrink, shrinkOrder: 0 };
}

/** Glue in points, as class files state it: `2pt plus 1pt minus 1pt`. */
export const gluePt = (width: number, stretch = 0, shrink = 0): Glue =>
  glue(pt(width), pt(stretch), pt(shrink));

/** The glue that takes another back: width, stretch and shrink below zero. */
export const negative = (g: Glue): Glue => ({
  ...g,
  width: -g.width,
  stretch: -g.stretch,
  shrink: -g.shrink,
});

export const NO_GLUE: Glue = glue(0);
/** `\hfil`, `\vfil`. */
export const FIL: Glue = { ...NO_GLUE, stretch: PT, stretchOrder: 1 };
/** `\hfill`, `\vfill`. */
export const FILL: Glue = { ...NO_GLUE, stretch: PT, stretchOrder: 2 };
/** `\hss`. */
export const SS: Glue = { ...FIL, shrink: PT, shrinkOrder: 1 };

/** The glue multiplied by a factor, all parts alike. */
export function scaleGlue(g: Glue, factor: number): Glue {
  return {
    ...g,
    width: Math.round(g.width * factor),
    stretch: Math.round(g.stretch * factor),
    shrink: Math.round(g.shrink * factor),
  };
}

/** Are the two glues the same in every part? */
export function sameGlue(a: Glue, b: Glue): boolean {
  return (
    a === b ||
    (a.width === b.width &&
      a.stretch === b.stretch &&
      a.shrink === b.shrink &&
      a.stretchOrder === b.stretchOrder &&
      a.shrinkOrder === b.shrinkOrder)
  );
}

/** A length as TeX prints it: at most five decimals, unit pt (The TeXbook, §103 of the program). */
export function formatPt(length: Sp): string {
  const sign = length < 0 ? '-' : '';
  let rest = Math.abs(Math.round(length));
  let out = `${sign}${Math.floor(rest / PT)}.`;
  rest = 10 * (rest % PT) + 5;
  let delta = 10;
  do {
    if (delta > PT) rest += 32768 - 50000;
    out += Math.floor(rest / PT);
    rest = 10 * (rest % PT);
    delta *= 10;
  } while (rest > delta);
  return `${out}pt`;
}
