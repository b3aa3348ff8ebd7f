import type { Relation, Expr } from '../reading/expression';
import type { Names } from '../reading/reader';
import { isWhole } from '../values/recursion';
import type { Definition } from '../values/setting';

/** What is known on the sheet where a step stands; what was said last comes first. */
export interface Facts {
  readonly names: Names;
  readonly functions: ReadonlyMap<string, Definition>;
  readonly kinds: ReadonlyMap<string, ReadonlySet<Kind>>;
  /** Inequalities and divisibilities that are assumed. */
  readonly assumptions: readonly Relation[];
  /** Those of the paragraph alone. */
  readonly nearAssumptions: readonly Relation[];
  /** Equations that are assumed, or that say what a letter is. */
  readonly equations: readonly Equation[];
  /** Capitals are matrices. */
  readonly matrices: boolean;
  /** They may be: the sheet speaks of matrices elsewhere. */
  readonly perhapsMatrices: boolean;
  /** `i` stands in the statement as a value: it may be the imaginary unit, or a number. */
  readonly perhapsImaginary: boolean;
}

/** Is a name (`a_`, `a_3`) one of a sequence whose terms are all said? */
export function isSaid(name: string, { functions }: Facts): boolean {
  const defined = functions.get(sequenceOf(name));
  return name.includes('_') && defined !== undefined && isWhole(defined);
}

/** `a_` of `a_3`: the name a sequence is defined by. */
export const sequenceOf = (name: string): string => name.replace(/_\d+$/, '_');

export interface Equation {
  readonly left: Expr;
  readonly right: Expr;
  /** It was said as a condition or definition. */
  readonly given: boolean;
  /** It stands in the same paragraph, or beside it. */
  readonly near?: boolean;
}

/** What a name is said to be. */
export type Kind =
  | 'integer'
  | 'natural'
  | 'positive'
  | 'negative'
  | 'nonnegative'
  | 'nonzero'
  | 'odd'
  | 'even'
  | 'prime'
  | 'real'
  | 'complex'
  | 'matrix'
  | 'vector'
  | 'function';
