import type { Expr, Place } from '../reading/expression';
import { evaluate } from '../values/evaluate';
import { newMeter, type Setting } from '../values/setting';
import { CannotTell, valueText } from '../numbers/value';

/**
 * The largest parts of two sides that agree for the values of a trial, so that what is left shows where the sides
 * differ. Places are those of the parts in the text.
 */
export function agreeingParts(left: Expr, right: Expr, setting: Setting): readonly Place[] {
  const value = (expr: Expr): string | null => {
    try {
      const inner = { ...setting, meter: newMeter(20_000) };
      return valueText(evaluate(expr, inner));
    } catch (error) {
      if (error instanceof CannotTell) return null;
      throw error;
    }
  };
  const found: Place[] = [];
  compareParts(left, right, value, found);
  return found;
}

type ValueOf = (expr: Expr) => string | null;

function compareParts(left: Expr, right: Expr, value: ValueOf, found: Place[]): void {
  const [own, others] = [partsIn(left), partsIn(right)];
  if (own.length === 1 && others.length === 1) return pairwise(left, right, value, found);
  const waiting = others.map((part) => ({ part, value: value(part) }));
  const restLeft: Expr[] = [];
  for (const part of own) {
    const mine = value(part);
    const at = waiting.findIndex((other) => mine !== null && other.value === mine);
    const other = waiting[at];
    if (!other) {
      restLeft.push(part);
      continue;
    }
    found.push(placeOf(part), placeOf(other.part));
    waiting.splice(at, 1);
  }
  const [mine, theirs] = [restLeft[0], waiting[0]?.part];
  if (mine && theirs && restLeft.length === 1 && waiting.length === 1)
    pairwise(mine, theirs, value, found);
}

const placeOf = ({ from, to }: Expr): Place => ({ from, to });

const partsIn = (expr: Expr): readonly Expr[] =>
  expr.kind === 'add' ? expr.terms : expr.kind === 'multiply' ? expr.factors : [expr];

/** Two expressions of the same form, part by part. */
function pairwise(left: Expr, right: Expr, value: ValueOf, found: Place[]): void {
  const [own, others] = [childrenOf(left), childrenOf(right)];
  if (left.kind !== right.kind || own.length !== others.length) return;
  own.forEach((part, i) => {
    const other = others[i] as Expr;
    const mine = value(part);
    if (mine !== null && mine === value(other)) found.push(placeOf(part), placeOf(other));
    else compareParts(part, other, value, found);
  });
}

function childrenOf(expr: Expr): readonly Expr[] {
  switch (expr.kind) {
    case 'divide':
      return [expr.top, expr.bottom];
    case 'power':
      return [expr.base, expr.exponent];
    case 'negate':
      return [expr.body];
    case 'call':
      return expr.args;
    case 'matrix':
      return expr.rows.flat();
    case 'add':
      return expr.terms;
    case 'multiply':
      return expr.factors;
    default:
      return [];
  }
}
