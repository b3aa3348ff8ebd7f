import { addScalars, multiply, negateScalar, signOf, type Exact } from '../numbers/value';
import { mapParts, type Expr, type Place } from '../reading/expression';

/** The same expression with its numbers worked out and what adds or multiplies nothing left out. */
export function tidy(expr: Expr): Expr {
  const inner = mapParts(expr, tidy);
  const place = { from: expr.from, to: expr.to };
  const number = (value: Exact): Expr => ({ ...place, kind: 'number', value });
  switch (inner.kind) {
    case 'negate':
      return isNumber(inner.body) ? number(negateScalar(inner.body.value) as Exact) : inner;
    case 'add': {
      const { sum, rest } = gathered(inner.terms, 0n, (a, b) => addScalars(a, b) as Exact);
      const terms = sum === 0n ? rest : [...rest, signed(sum, number, place)];
      return terms.length > 1 ? { ...inner, terms } : (terms[0] ?? number(0n));
    }
    case 'multiply': {
      const { sum: product, rest } = gathered(inner.factors, 1n, (a, b) => multiply(a, b) as Exact);
      if (product === 0n) return number(0n);
      const factors = product === 1n ? rest : [number(product), ...rest];
      return factors.length > 1 ? { ...inner, factors } : (factors[0] ?? number(1n));
    }
    case 'power':
      return isNumber(inner.exponent) && inner.exponent.value === 1n ? inner.base : inner;
    default:
      return inner;
  }
}

/** A number to be added: a negative one is taken away. */
function signed(value: Exact, number: (value: Exact) => Expr, place: Place): Expr {
  if (signOf(value) >= 0) return number(value);
  return { ...place, kind: 'negate', body: number(negateScalar(value) as Exact) };
}

type Num = Extract<Expr, { kind: 'number' }>;

const isNumber = (expr: Expr): expr is Num => expr.kind === 'number';

function gathered(
  parts: readonly Expr[],
  nothing: Exact,
  join: (a: Exact, b: Exact) => Exact,
): { readonly sum: Exact; readonly rest: readonly Expr[] } {
  const numbers = parts.filter(isNumber);
  return {
    sum: numbers.reduce<Exact>((all, { value }) => join(all, value), nothing),
    rest: parts.filter((part) => !isNumber(part)),
  };
}
