import type { FontSpec } from '../../document/font';
import { type Glue, gluePt } from '../../base/lengths';

type Size = readonly [size: number, line: number];

/** From the smallest to the largest. */
const NAMES = 'tiny scriptsize footnotesize small normalsize large Large LARGE huge Huge'.split(
  ' ',
);

/**
 * By base size, the sizes of the names above and their line distances, in pt: 10, 11, 12 as the files
 * of the classes have them; the others are steps of the same scale.
 */
const BY_BASE: Readonly<Record<number, string>> = {
  8: '5/6 5/6 6/7 7/8 8/9.5 9/11 10/12 12/14 14.4/18 17.28/22',
  9: '5/6 6/7 7/8 8/9.5 9/11 10/12 12/14 14.4/18 17.28/22 20.74/25',
  10: '5/6 7/8 8/9.5 9/11 10/12 12/14 14.4/18 17.28/22 20.74/25 24.88/30',
  11: '6/7 8/9.5 9/11 10/12 10.95/13.6 12/14 14.4/18 17.28/22 20.74/25 24.88/30',
  12: '6/7 8/9.5 10/12 10.95/13.6 12/14.5 14.4/18 17.28/22 20.74/25 24.88/30 24.88/30',
  14: '7/8 8/9.5 10/12 12/14.5 14.4/17 17.28/22 20.74/25 24.88/30 29.86/36 35.83/43',
  17: '8/9.5 10/12 12/14 14.4/17 17.28/20 20.74/25 24.88/30 29.86/36 35.83/43 43/52',
  20: '10/12 12/14 14.4/17 17.28/20 20.74/25 24.88/30 29.86/36 35.83/43 43/52 51.6/62',
};

/** The same of the classes of the American Mathematical Society (their `\\@typesizes`). */
const AMS_BY_BASE: Readonly<Record<number, string>> = {
  8: '5/6 5/6 6/7 7/8 8/10 9/11 10/12 10.95/13 12/14 14.4/17',
  9: '5/6 6/7 7/8 8/10 9/11 10/12 10.95/13 12/14 14.4/17 17.28/20',
  10: '6/7 7/8 8/10 9/11 10/12 10.95/13 12/14 14.4/17 17.28/20 20.74/24',
  11: '7/8 8/10 9/11 10/12 10.95/13 12/14 14.4/17 17.28/20 20.74/24 24.88/30',
  12: '8/10 9/11 10/12 10.95/13 12/14 14.4/17 17.28/20 20.74/24 24.88/30 24.88/30',
};

const sizesOf = (text: string): Size[] =>
  text.split(' ').map((pair): Size => {
    const [size = 10, line = 12] = pair.split('/').map(Number);
    return [size, line];
  });
type Sizes = Readonly<Record<string, Readonly<Record<number, Size>>>>;
function named(byBase: Readonly<Record<number, string>>): Sizes {
  const rows = Object.entries(byBase).map(([base, text]) => [Number(base), sizesOf(text)] as const);
  return Object.fromEntries(
    NAMES.map((name, i) => [
      name,
      Object.fromEntries(rows.map(([base, sizes]) => [base, sizes[i] as Size])),
    ]),
  );
}

/** The standard text sizes, by name and base size: [size, line distance] in pt. */
export const SIZES: Sizes = named(BY_BASE);
const AMS_SIZES: Sizes = named(AMS_BY_BASE);

/** A size by its name: of the usual classes, or of those of the American Mathematical Society. */
export const sizeNamed = (name: string, base: number, ams: boolean): Size =>
  (ams ? AMS_SIZES : SIZES)[name]?.[base] ?? SIZES[name]?.[base] ?? [10, 12];

/** Skips around displays, as `\normalsize` and `\small` set them: above, below, above short, below short. */
type DisplaySkips = readonly [Glue, Glue, Glue, Glue];
export const DISPLAY_SKIPS: Readonly<Record<number, DisplaySkips>> = {
  10: [gluePt(10, 2, 5), gluePt(10, 2, 5), gluePt(0, 3), gluePt(6, 3, 3)],
  11: [gluePt(11, 3, 6), gluePt(11, 3, 6), gluePt(0, 3), gluePt(6.5, 3.5, 3)],
  12: [gluePt(12, 3, 7), gluePt(12, 3, 7), gluePt(0, 3), gluePt(6.5, 3.5, 3)],
};
export const SMALL_DISPLAY_SKIPS: Readonly<Record<number, DisplaySkips>> = {
  10: [gluePt(8.5, 3, 4), gluePt(8.5, 3, 4), gluePt(0, 2), gluePt(4, 2, 2)],
  11: [gluePt(10, 2, 5), gluePt(10, 2, 5), gluePt(0, 3), gluePt(6, 3, 3)],
  12: [gluePt(11, 3, 6), gluePt(11, 3, 6), gluePt(0, 3), gluePt(6.5, 3.5, 3)],
};

/** What the size of a font is multiplied by: type without serifs may be scaled to go with the rest. */
const scaleOf = (font: FontSpec): number => (font.family === 'sans' ? (font.sansScale ?? 1) : 1);

/** A font with a change; sizes are said of type that is not scaled. */
export function changedFont(before: FontSpec, change: Partial<FontSpec>): FontSpec {
  const next = { ...before, ...change };
  const [was, is] = [scaleOf(before), scaleOf(next)];
  const said = change.size ?? (was === 1 ? before.size : Math.round(before.size / was));
  return { ...next, size: is === 1 ? said : Math.round(said * is) };
}
