import { freeNames, some, type Expr } from '../reading/expression';
import type { MayDiffer } from '../steps/check';
import type { Facts } from '../steps/facts';
import type { Trials } from '../steps/trials';
import type { Role } from './roles';
import type { Statement } from './statements';

/** How a relation stands on the sheet. */
export interface Standing {
  readonly role: Role;
  readonly chain: boolean;
  /** Why the relation is no step: it says what its left side is, or it is a condition. */
  readonly untested: 'definition' | 'condition' | null;
  /** A function or sequence of the statement occurs before it. */
  readonly spokenOf: boolean;
  /** Does a letter stand on the sheet before the statement? */
  readonly earlier: (name: string) => boolean;
}

/**
 * A relation that defines, assumes, states a condition or is to be solved is no step. What tells is the words before
 * it, and how it stands: a single equation with unknowns, or a chain that ends in one.
 */
export function mayDiffer(
  statement: Statement,
  i: number,
  standing: Standing,
  facts: Facts,
): MayDiffer {
  const { role, chain } = standing;
  return (left, right, trials) => {
    const [own, others] = [freeNames(left), freeNames(right)];
    if (role === 'denied') return 'the words around it say that it is not so';
    if (own.size + others.size === 0) return role === 'given' ? 'it is a condition' : null;
    if (role === 'given') return 'it is a condition, or it says what a letter is';
    if (trials.anyFunctions) return 'it may rest on what is said of a function';
    if (trials.anything && standing.spokenOf)
      return 'it may rest on what is said of a function or sequence';
    if (!chain && !isComputation(left, right, facts)) {
      return 'a single relation with unknowns may be a condition, or is to be solved';
    }
    return chain ? chainMayDiffer(statement, i, left, right, facts, standing, trials) : null;
  };
}

/** The left side asks for a value that the right side gives: no one solves such an equation. */
function isComputation(left: Expr, right: Expr, facts: Facts): boolean {
  const works = (expr: Expr): boolean => {
    if (expr.kind === 'apply') return facts.functions.has(expr.name);
    return ['series', 'integral', 'limit', 'derivative', 'difference', 'dots'].includes(expr.kind);
  };
  const matrix = (expr: Expr): boolean => some(expr, ({ kind }) => kind === 'matrix');
  const constants = left.kind === 'integral' && !left.bounds ? /^[CcK]$/ : /^$/;
  const own = freeNames(left);
  const others = [...freeNames(right)].filter((name) => !constants.test(name));
  if (others.length === 0 || !others.every((name) => own.has(name))) return false;
  return works(left) || matrix(left);
}

function chainMayDiffer(
  statement: Statement,
  i: number,
  left: Expr,
  right: Expr,
  facts: Facts,
  standing: Standing,
  trials: Trials,
): string | null {
  const [own, others] = [freeNames(left), freeNames(right)];
  const isLast = i === statement.signs.length - 1;
  const lone = (expr: Expr): boolean =>
    expr.kind === 'negate'
      ? lone(expr.body)
      : ['name', 'number', 'constant', 'indexed'].includes(expr.kind);
  if (isLast && isZero(right) && own.size > 0 && !trials.leftIsConstant)
    return 'the chain may end in an equation to be solved';
  if (lone(left) && lone(right)) return 'a letter is set equal to another';
  const lost = [...own].filter((name) => !others.has(name));
  const come = [...others].filter((name) => !own.has(name));
  if (trials.under.length && come.every((name) => isTied(name, own, trials))) return null;
  const isMatrix = (expr: Expr): boolean => some(expr, ({ kind }) => kind === 'matrix');
  if (lost.some((name) => trials.matrixNames.has(name)) && isMatrix(right) && !isMatrix(left)) {
    return 'a matrix takes the place of a letter, and it is not seen by what';
  }
  if (lost.length && come.length)
    return 'one letter takes the place of another, and it is not seen by what';
  if (
    come.length &&
    /\b(some|exists?|suitable|theorem|where|there is|between)\b/i.test(
      `${statement.said.slice(-160)} ${statement.after.slice(0, 80)}`,
    )
  ) {
    return 'a letter comes in that the words around speak of';
  }
  if (come.length && come.some((name) => standing.earlier(name) || isKnownBefore(name, facts))) {
    return 'a letter comes in that is spoken of before';
  }
  return null;
}

const isZero = (expr: Expr): boolean => expr.kind === 'number' && expr.value === 0n;

/** Do the equations that were kept to tie a letter to those of the left side? */
function isTied(name: string, own: ReadonlySet<string>, { under }: Trials): boolean {
  const tied = new Set(own);
  for (let grew = true; grew;) {
    grew = false;
    for (const equation of under) {
      const names = [...freeNames(equation.left), ...freeNames(equation.right)];
      if (!names.some((other) => tied.has(other)) || names.every((other) => tied.has(other)))
        continue;
      for (const other of names) tied.add(other);
      grew = true;
    }
  }
  return tied.has(name);
}

/** Was something said of the letter before this chain? */
function isKnownBefore(name: string, facts: Facts): boolean {
  if (facts.kinds.has(name)) return true;
  return [...facts.equations, ...facts.assumptions].some(
    ({ left, right }) => freeNames(left).has(name) || freeNames(right).has(name),
  );
}
