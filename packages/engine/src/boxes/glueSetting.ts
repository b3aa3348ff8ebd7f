import type { Glue, Sp } from '../base/lengths';

/** By how much glue of one order gives: times its stretch when positive, its shrink when negative. */
export interface GlueSet {
  readonly order: number;
  readonly ratio: number;
  /** What finite glue could not shrink away, or 0. */
  readonly overfull: Sp;
}

export const RIGID: GlueSet = { order: 0, ratio: 0, overfull: 0 };

/**
 * How glue must give so that a list is longer by `missing`, or shorter where that is negative: the
 * highest order of infinity gives all, and finite glue never shrinks to less than it may (The
 * TeXbook, chapter 12; TeX: The Program, §§657–677).
 */
export function setGlue(glues: readonly Glue[], missing: Sp): GlueSet {
  const grows = missing > 0;
  const total = [0, 0, 0, 0];
  for (const g of glues) {
    const order = grows ? g.stretchOrder : g.shrinkOrder;
    total[order] = (total[order] as number) + (grows ? g.stretch : g.shrink);
  }
  let order = 3;
  while (order > 0 && total[order] === 0) order--;
  const give = total[order] as number;
  if (give === 0) return { ...RIGID, overfull: Math.max(0, -missing) };
  const ratio = missing / give;
  if (order === 0 && ratio < -1) return { order, ratio: -1, overfull: -missing - give };
  return { order, ratio, overfull: 0 };
}

/** What glue gives beyond its natural width. */
export const giveOf = (g: Glue, { order, ratio }: GlueSet): Sp =>
  ratio >= 0
    ? g.stretchOrder === order
      ? g.stretch * ratio
      : 0
    : g.shrinkOrder === order
      ? g.shrink * ratio
      : 0;
