import { freeNames, partsOf, same, some, type Expr } from '../reading/expression';
import type { MayDiffer } from '../steps/check';
import { isSaid } from '../steps/facts';
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
    const [own, others] = [openNames(left, facts), openNames(right, facts)];
    if (role === 'denied') return 'the words around it say that it is not so';
    if (own.size + others.size === 0) return role === 'given' ? 'it is a condition' : null;
    if (role === 'given') return 'it is a condition, or it says what a letter is';
    if (trials.anyFunctions) return 'it may rest on what is said of a function';
    if (trials.anything && standing.spokenOf)
      return 'it may rest on what is said of a function or sequence';
    if (!chain && !isComputation(left, right, facts)) {
      return 'a single relation with unknowns may be a condition, or is to be solved';
    }
    return chain ? chainMayDiffer(statement, i, left, right, trials, facts) : null;
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
  trials: Trials,
  facts: Facts,
): string | null {
  const [own, others] = [openNames(left, facts), openNames(right, facts)];
  const isLast = i === statement.signs.length - 1;
  if (isLast && isZero(right) && own.size > 0 && !trials.leftIsConstant) {
    return 'the chain may end in an equation to be solved';
  }
  if (isLone(left) && isLone(right)) return 'a letter is set equal to another';
  if (isFixedPoint(left, others) || isFixedPoint(right, own)) {
    return 'a letter equals what it stands in: that may be a condition on it';
  }
  const lost = [...own].filter((name) => !others.has(name));
  const come = [...others].filter((name) => !own.has(name));
  const said = lettersSaid(trials);
  const tied = (name: string): boolean =>
    said.has(name) && isTied(name, come.includes(name) ? own : others, trials);
  if ([...lost, ...come].every(tied)) return null;
  if (i > 0 && statement.sides[i - 1]?.length === 1 && lost.some((name) => CONSTANT.test(name))) {
    return 'a constant takes its value, and it is not seen by what';
  }
  return otherLetters({ left, right, lost, come }, statement.signs[i]?.char === '=', trials);
}

/** The names a side depends on. A sequence whose terms are all said depends on its index alone. */
function openNames(side: Expr, facts: Facts): ReadonlySet<string> {
  return new Set([...freeNames(side)].filter((name) => !isSaid(name, facts)));
}

/** Letters for constants of a general solution: `y = C e^x = 3 e^x`. */
const CONSTANT = /^[A-DKc](_|$)/;

const isLone = (expr: Expr): boolean =>
  expr.kind === 'negate'
    ? isLone(expr.body)
    : ['name', 'number', 'constant', 'indexed'].includes(expr.kind);

/** `P x = x`: a letter beside an expression of it and of others. */
const isFixedPoint = (expr: Expr, others: ReadonlySet<string>): boolean =>
  expr.kind === 'name' && others.has(expr.name) && others.size > 1;

const isZero = (expr: Expr): boolean => expr.kind === 'number' && expr.value === 0n;

/** Letters of which the sheet says something beside the step, as a condition or a definition. */
const lettersSaid = ({ under }: Trials): ReadonlySet<string> =>
  new Set(
    under
      .filter(({ given, near }) => given && near)
      .flatMap(({ left, right }) => [...freeNames(left), ...freeNames(right)]),
  );

interface Letters {
  readonly left: Expr;
  readonly right: Expr;
  /** Letters of the left side alone, and of the right side alone. */
  readonly lost: readonly string[];
  readonly come: readonly string[];
}

/** Why a step whose sides have other letters is left open: something is put in that is not seen. */
function otherLetters(
  { left, right, lost, come }: Letters,
  equality: boolean,
  trials: Trials,
): string | null {
  const isConstant = freeNames(right).size === 0;
  if (equality && isConstant && lost.length && !trials.leftIsConstant) {
    return 'numbers take the place of letters, and it is not seen by what';
  }
  if (lost.some((name) => name.includes('_'))) {
    return 'a term of a sequence is known by what is said of it';
  }
  if (lost.length && isFilledIn(left, right, new Set(lost))) {
    return 'values take the place of letters, and it is not seen by what';
  }
  const isMatrix = (expr: Expr): boolean => some(expr, ({ kind }) => kind === 'matrix');
  if (lost.some((name) => trials.matrixNames.has(name)) && isMatrix(right) && !isMatrix(left)) {
    return 'a matrix takes the place of a letter, and it is not seen by what';
  }
  // From a number alone any letters may come in: what is written so does not depend on them.
  const fromNumber = freeNames(left).size === 0;
  return come.length && !fromNumber ? 'a letter comes in, and it is not seen by what' : null;
}

/** Is the right side the left one with numbers for some letters? */
function isFilledIn(left: Expr, right: Expr, letters: ReadonlySet<string>): boolean {
  if (left.kind === 'name' && letters.has(left.name)) return freeNames(right).size === 0;
  const [own, others] = [partsOf(left), partsOf(right)];
  if (left.kind !== right.kind || own.length !== others.length) return false;
  if (own.length === 0) return same(left, right);
  return own.every((part, at) => isFilledIn(part, others[at] as Expr, letters));
}

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
