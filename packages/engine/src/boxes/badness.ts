import type { Sp } from '../base/lengths';

export const INFINITE_BADNESS = 10_000;

/**
 * How bad it is to stretch (or shrink) by `t` with `s` to give: about 100 (t/s)³,
 * in integers (TeX: The Program, §108).
 */
export function badness(t: Sp, s: Sp): number {
  if (t <= 0) return 0;
  if (s <= 0) return INFINITE_BADNESS;
  const r =
    t <= 7_230_584
      ? Math.floor((t * 297) / s)
      : s >= 1_663_497
        ? Math.floor(t / Math.floor(s / 297))
        : t;
  if (r > 1290) return INFINITE_BADNESS;
  return Math.floor((r * r * r + 131_072) / 262_144);
}
