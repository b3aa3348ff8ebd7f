import { PT, type Sp } from './lengths';

/** Script sizes for each text size, in pt (LaTeX's `\DeclareMathSizes`). */
const SIZES: readonly (readonly [number, number, number])[] = [
  [5, 5, 5],
  [6, 5, 5],
  [7, 5, 5],
  [8, 6, 5],
  [9, 6, 5],
  [10, 7, 5],
  [10.95, 8, 6],
  [12, 8, 6],
  [14.4, 10, 7],
  [17.28, 12, 10],
  [20.74, 14.4, 12],
  [24.88, 20.74, 14.4],
];

/** The sizes of text, scripts and scripts of scripts, in sp, beside text of a size. */
export function mathSizes(size: Sp): readonly [Sp, Sp, Sp] {
  const known = SIZES.find(([text]) => Math.abs(text * PT - size) < 0.06 * PT);
  const [, script, scriptscript] = known ?? [0, (0.7 * size) / PT, (0.5 * size) / PT];
  return [size, script * PT, scriptscript * PT];
}

/** How far up a superscript stands in text, in em: `\\fontdimen14` of the symbol fonts from so many pt on. */
const SUPERSCRIPT_SHIFTS: readonly (readonly [from: number, em: number])[] = [
  [9.95, 0.362892],
  [8.95, 0.424811],
  [7.95, 0.352917],
  [6.95, 0.431111],
  [5.95, 0.41963],
  [0, 0.403556],
];

/** How far up a superscript stands in text of a size. */
export const superscriptShift = (size: Sp): Sp => {
  const [, em] = SUPERSCRIPT_SHIFTS.find(([from]) => size >= from * PT) ?? [0, 0];
  return Math.round(em * size);
};
