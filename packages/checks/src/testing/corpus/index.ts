import { ALGEBRA } from './algebra';
import { CALCULUS } from './calculus';
import { LINEAR_ALGEBRA } from './linearAlgebra';
import { MIXED } from './mixed';
import { NUMBERS } from './numbers';

/** A chain as it is true, and with one slip in it. */
export interface Pair {
  readonly field: string;
  readonly right: string;
  readonly slipped: string;
}

const MARK = /«(.*?)\|(.*?)»/g;

const pairsOf = (field: string, text: string): readonly Pair[] =>
  text
    .split('\n')
    .filter((line) => line.includes('«'))
    .map((line) => ({
      field,
      right: line.replace(MARK, '$1'),
      slipped: line.replace(MARK, '$2'),
    }));

/** Chains from school algebra to linear algebra and elementary number theory. */
export const PAIRS: readonly Pair[] = [
  ...pairsOf('algebra', ALGEBRA),
  ...pairsOf('numbers', NUMBERS),
  ...pairsOf('calculus', CALCULUS),
  ...pairsOf('linear algebra', LINEAR_ALGEBRA),
  ...pairsOf('worked solutions', MIXED),
];
