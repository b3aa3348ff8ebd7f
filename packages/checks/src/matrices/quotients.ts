import type { Expr } from '../reading/expression';
import { nameTex, texOf } from '../reading/print';
import {
  addPolynomials,
  commonDivisor,
  constant,
  exactQuotient,
  isZeroPolynomial,
  leadingCoefficient,
  letter,
  multiplyPolynomials,
  negated,
  numberOf,
  polynomialTex,
  scaled,
  type Polynomial,
} from './polynomials';
import Fraction from 'fraction.js';
import { asFraction, lowest, type Exact } from '../numbers/value';

/** A quotient of polynomials in lowest terms as far as that is found: what stands in a matrix. */
export interface Quotient {
  readonly top: Polynomial;
  readonly bottom: Polynomial;
}

const ONE = constant(1n);
export const whole = (value: Exact): Quotient => ({ top: constant(value), bottom: ONE });
export const NOTHING = whole(0n);
export const UNIT = whole(1n);

/** Takes out what top and bottom have in common. */
function reduced(top: Polynomial, bottom: Polynomial): Quotient {
  if (isZeroPolynomial(top)) return NOTHING;
  const direct = exactQuotient(top, bottom);
  if (direct) return { top: direct, bottom: ONE };
  const common = commonDivisor(top, bottom);
  const [a, b] = [exactQuotient(top, common) ?? top, exactQuotient(bottom, common) ?? bottom];
  // The bottom begins with 1, unless it is a number: then the top takes it.
  const lead = inverseOf(leadingCoefficient(b));
  return { top: scaled(a, lead), bottom: scaled(b, lead) };
}

const inverseOf = (value: Exact): Exact => lowest(new Fraction(1).div(asFraction(value)));

export const add = (a: Quotient, b: Quotient): Quotient =>
  reduced(
    addPolynomials(multiplyPolynomials(a.top, b.bottom), multiplyPolynomials(b.top, a.bottom)),
    multiplyPolynomials(a.bottom, b.bottom),
  );

export const times = (a: Quotient, b: Quotient): Quotient =>
  reduced(multiplyPolynomials(a.top, b.top), multiplyPolynomials(a.bottom, b.bottom));

export const minus = (a: Quotient): Quotient => ({ top: negated(a.top), bottom: a.bottom });

/** The quotient of two; the second must not be zero. */
export const over = (a: Quotient, b: Quotient): Quotient =>
  reduced(multiplyPolynomials(a.top, b.bottom), multiplyPolynomials(a.bottom, b.top));

export const isNothing = ({ top }: Quotient): boolean => isZeroPolynomial(top);

/** The number that a quotient without letters is, or null. */
export function exactOf({ top, bottom }: Quotient): Exact | null {
  const [a, b] = [numberOf(top), numberOf(bottom)];
  if (a === null || b === null) return null;
  return lowest(asFraction(a).div(asFraction(b)));
}

/** A quotient as LaTeX. */
export function quotientTex({ top, bottom }: Quotient): string {
  const under = numberOf(bottom);
  if (under !== null) return polynomialTex(top);
  const minusSign = polynomialTex(top).startsWith('-') && top.size === 1;
  const above = minusSign ? polynomialTex(negated(top)) : polynomialTex(top);
  return `${minusSign ? '-' : ''}\\frac{${above}}{${polynomialTex(bottom)}}`;
}

/** An expression as a quotient; what is no sum, product, quotient or whole power is taken as a letter. */
export function quotientOf(expr: Expr): Quotient {
  switch (expr.kind) {
    case 'number':
      return whole(expr.value);
    case 'name':
      return { top: letter(nameTex(expr.name)), bottom: ONE };
    case 'add':
      return expr.terms.map(quotientOf).reduce(add);
    case 'multiply':
      return expr.factors.map(quotientOf).reduce(times);
    case 'cross':
      return times(quotientOf(expr.left), quotientOf(expr.right));
    case 'negate':
      return minus(quotientOf(expr.body));
    case 'divide': {
      const bottom = quotientOf(expr.bottom);
      return isNothing(bottom) ? asLetter(expr) : over(quotientOf(expr.top), bottom);
    }
    case 'power':
      return powerOf(expr);
    default:
      return asLetter(expr);
  }
}

const asLetter = (expr: Expr): Quotient => ({ top: letter(texOf(expr)), bottom: ONE });

function powerOf(expr: Extract<Expr, { kind: 'power' }>): Quotient {
  const exponent = expr.exponent.kind === 'number' ? expr.exponent.value : null;
  if (typeof exponent !== 'bigint' || exponent < 0n || exponent > 12n) return asLetter(expr);
  const base = quotientOf(expr.base);
  let result = UNIT;
  for (let i = 0n; i < exponent; i++) result = times(result, base);
  return result;
}
