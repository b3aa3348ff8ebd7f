import type { ToldStep } from '@odd-compass/checks';

/** A step whose sign stands at a place, its sides beside it; it holds, unless said otherwise. */
export const toldStep = (from: number, change: Partial<ToldStep> = {}): ToldStep => ({
  from,
  to: from + 1,
  left: { from: from - 2, to: from - 1 },
  right: { from: from + 2, to: from + 3 },
  relation: '=',
  result: 'holds',
  why: '',
  at: null,
  sides: null,
  untested: false,
  numbersOnly: false,
  reading: null,
  agreeing: [],
  ...change,
});
