import type { MathClass } from '../document/math';
import { sizeLevel, type Style } from './style';

/**
 * Space between neighbours (The TeXbook, chapter 18): 0 none, 1 thin, 2 medium,
 * 3 thick; negative ones only in display and text style. Order of classes:
 * ord op bin rel open close punct inner.
 */
const TABLE: readonly (readonly number[])[] = [
  [0, 1, -2, -3, 0, 0, 0, -1],
  [1, 1, 0, -3, 0, 0, 0, -1],
  [-2, -2, 0, 0, -2, 0, 0, -2],
  [-3, -3, 0, 0, -3, 0, 0, -3],
  [0, 0, 0, 0, 0, 0, 0, 0],
  [0, 1, -2, -3, 0, 0, 0, -1],
  [-1, -1, 0, -1, -1, -1, -1, -1],
  [-1, 1, -2, -3, -1, 0, -1, -1],
];
const ORDER: Readonly<Record<MathClass, number>> = {
  ord: 0,
  op: 1,
  bin: 2,
  rel: 3,
  open: 4,
  close: 5,
  punct: 6,
  inner: 7,
};

/** Widths, stretch and shrink of the three spaces, in mu (plain TeX and LaTeX). */
export const SPACES: readonly (readonly [number, number, number])[] = [
  [0, 0, 0],
  [3, 0, 0],
  [4, 2, 4],
  [5, 5, 0],
];

/** Which of the spaces stands between two classes in a style. */
export function spaceBetween(left: MathClass, right: MathClass, style: Style): number {
  const entry = (TABLE[ORDER[left]] as readonly number[])[ORDER[right]] as number;
  if (entry >= 0) return entry;
  return sizeLevel(style) > 0 ? 0 : -entry;
}

/** Before these a binary operator has no left operand (Appendix G, rule 5). */
const NOT_BEFORE_BIN: ReadonlySet<MathClass> = new Set(['bin', 'op', 'rel', 'open', 'punct']);
/** After a binary operator, these leave it without a right operand (rule 6). */
const NOT_AFTER_BIN: ReadonlySet<MathClass> = new Set(['rel', 'close', 'punct']);

/** The classes with binary operators that have no two operands made ordinary. */
export function settleClasses(classes: readonly MathClass[]): MathClass[] {
  const out = [...classes];
  for (let i = 0; i < out.length; i++) {
    const before = out[i - 1];
    if (out[i] === 'bin' && (before === undefined || NOT_BEFORE_BIN.has(before))) out[i] = 'ord';
    if (before === 'bin' && NOT_AFTER_BIN.has(out[i] as MathClass)) out[i - 1] = 'ord';
  }
  if (out.at(-1) === 'bin') out[out.length - 1] = 'ord';
  return out;
}
