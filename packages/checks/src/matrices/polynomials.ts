import Fraction from 'fraction.js';
import { asFraction, lowest, type Exact } from '../numbers/value';

/**
 * Polynomials in any number of letters with exact coefficients: monomials by their key, which lists letters and exponents in
 * order (`a2,b1`; the number alone is ``). A letter may be any sign that is taken as a whole, by its LaTeX.
 */
export type Polynomial = ReadonlyMap<string, Exact>;

type Exponents = ReadonlyMap<string, number>;

const ZERO: Polynomial = new Map();
const isNothing = (value: Exact): boolean => asFraction(value).n === 0n;

const plus = (a: Exact, b: Exact): Exact => lowest(asFraction(a).add(asFraction(b)));
const timesExact = (a: Exact, b: Exact): Exact => lowest(asFraction(a).mul(asFraction(b)));

export const constant = (value: Exact): Polynomial =>
  isNothing(value) ? ZERO : new Map([['', value]]);

export const letter = (name: string): Polynomial => new Map([[keyOf(new Map([[name, 1]])), 1n]]);

function keyOf(exponents: Exponents): string {
  return [...exponents]
    .filter(([, n]) => n !== 0)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([name, n]) => `${name}\u0001${n}`)
    .join('\u0002');
}

function exponentsOf(key: string): Exponents {
  if (key === '') return new Map();
  return new Map(
    key.split('\u0002').map((part) => {
      const [name = '', n = '0'] = part.split('\u0001');
      return [name, Number(n)] as const;
    }),
  );
}

export function addPolynomials(a: Polynomial, b: Polynomial): Polynomial {
  const sum = new Map(a);
  for (const [key, value] of b) {
    const total = plus(sum.get(key) ?? 0n, value);
    if (isNothing(total)) sum.delete(key);
    else sum.set(key, total);
  }
  return sum;
}

export const scaled = (a: Polynomial, by: Exact): Polynomial =>
  isNothing(by) ? ZERO : new Map([...a].map(([key, value]) => [key, timesExact(value, by)]));

export const negated = (a: Polynomial): Polynomial => scaled(a, -1n);

function joinedKeys(a: string, b: string, sign: 1 | -1): string | null {
  const exponents = new Map(exponentsOf(a));
  for (const [name, n] of exponentsOf(b))
    exponents.set(name, (exponents.get(name) ?? 0) + sign * n);
  return [...exponents.values()].some((n) => n < 0) ? null : keyOf(exponents);
}

export function multiplyPolynomials(a: Polynomial, b: Polynomial): Polynomial {
  let product: Polynomial = ZERO;
  for (const [key, value] of a) {
    const part = new Map(
      [...b].map(([other, factor]) => [joinedKeys(key, other, 1) ?? '', timesExact(value, factor)]),
    );
    product = addPolynomials(product, part);
  }
  return product;
}

export const isZeroPolynomial = (a: Polynomial): boolean => a.size === 0;

/** The number that a polynomial without letters is, or null. */
export function numberOf(a: Polynomial): Exact | null {
  if (a.size === 0) return 0n;
  return a.size === 1 ? (a.get('') ?? null) : null;
}

const degreeOf = (key: string): number =>
  [...exponentsOf(key).values()].reduce((sum, n) => sum + n, 0);

/** Greater monomials first: by degree, then by the alphabet. */
function orderOf(a: string, b: string): number {
  const byDegree = degreeOf(b) - degreeOf(a);
  if (byDegree !== 0) return byDegree;
  const [own, other] = [exponentsOf(a), exponentsOf(b)];
  const names = [...new Set([...own.keys(), ...other.keys()])].sort();
  for (const name of names) {
    const apart = (other.get(name) ?? 0) - (own.get(name) ?? 0);
    if (apart !== 0) return apart;
  }
  return 0;
}

const sortedKeys = (a: Polynomial): readonly string[] => [...a.keys()].sort(orderOf);

/** The quotient where a polynomial divides another without rest, else null. */
export function exactQuotient(a: Polynomial, b: Polynomial): Polynomial | null {
  const lead = sortedKeys(b)[0];
  if (lead === undefined) return null;
  let [rest, quotient]: Polynomial[] = [a, ZERO];
  for (let i = 0; i < 400 && rest && rest.size > 0; i++) {
    const top = sortedKeys(rest)[0] as string;
    const key = joinedKeys(top, lead, -1);
    if (key === null) return null;
    const factor = lowest(asFraction(rest.get(top) as Exact).div(asFraction(b.get(lead) as Exact)));
    const term: Polynomial = new Map([[key, factor]]);
    quotient = addPolynomials(quotient ?? ZERO, term);
    rest = addPolynomials(rest, negated(multiplyPolynomials(term, b)));
  }
  return rest && rest.size === 0 ? (quotient ?? ZERO) : null;
}

/** The letters of a polynomial. */
export const lettersOf = (a: Polynomial): ReadonlySet<string> =>
  new Set([...a.keys()].flatMap((key) => [...exponentsOf(key).keys()]));

/** The greatest common divisor where both have the same one letter, by Euclid; else 1. */
export function commonDivisor(a: Polynomial, b: Polynomial): Polynomial {
  const names = new Set([...lettersOf(a), ...lettersOf(b)]);
  if (names.size !== 1) return constant(1n);
  let [x, y] = [a, b];
  for (let i = 0; i < 60 && y.size > 0; i++) [x, y] = [y, remainder(x, y)];
  return monic(x);
}

function remainder(a: Polynomial, b: Polynomial): Polynomial {
  const lead = sortedKeys(b)[0] as string;
  let rest = a;
  for (let i = 0; i < 200 && rest.size > 0; i++) {
    const top = sortedKeys(rest)[0] as string;
    const key = joinedKeys(top, lead, -1);
    if (key === null) return rest;
    const factor = lowest(asFraction(rest.get(top) as Exact).div(asFraction(b.get(lead) as Exact)));
    rest = addPolynomials(rest, negated(multiplyPolynomials(new Map([[key, factor]]), b)));
  }
  return rest;
}

/** The same with 1 as its first coefficient. */
export function monic(a: Polynomial): Polynomial {
  const lead = sortedKeys(a)[0];
  return lead === undefined
    ? a
    : scaled(a, lowest(new Fraction(1).div(asFraction(a.get(lead) as Exact))));
}

export function leadingCoefficient(a: Polynomial): Exact {
  const lead = sortedKeys(a)[0];
  return lead === undefined ? 0n : (a.get(lead) as Exact);
}

/** Coefficients by the powers of one letter, from the power 0 on. */
export function coefficientsIn(a: Polynomial, name: string): readonly Polynomial[] {
  const found: Map<string, Exact>[] = [];
  for (const [key, value] of a) {
    const exponents = new Map(exponentsOf(key));
    const power = exponents.get(name) ?? 0;
    exponents.delete(name);
    (found[power] ??= new Map()).set(keyOf(exponents), value);
  }
  return Array.from({ length: found.length }, (_, i) => found[i] ?? ZERO);
}

const exactTex = (value: Exact): string =>
  typeof value === 'bigint'
    ? String(value)
    : `${value.s < 0n ? '-' : ''}\\frac{${value.n}}{${value.d}}`;

/** A polynomial as LaTeX, greater powers first. */
export function polynomialTex(a: Polynomial): string {
  if (a.size === 0) return '0';
  return sortedKeys(a)
    .map((key, i) => {
      const value = a.get(key) as Exact;
      const minus = asFraction(value).s < 0n;
      const size = exactTex(minus ? timesExact(value, -1n) : value);
      const letters = monomialTex(key);
      const shown = letters === '' ? size : size === '1' ? letters : `${size}${letters}`;
      if (i === 0) return minus ? `-${shown}` : shown;
      return ` ${minus ? '-' : '+'} ${shown}`;
    })
    .join('');
}

/** Letters side by side; a command before a letter keeps its blank. */
function monomialTex(key: string): string {
  return [...exponentsOf(key)]
    .map(([name, n]) => (n === 1 ? name : `${/\s$/.test(name) ? name.trimEnd() : name}^{${n}}`))
    .join('')
    .trimEnd();
}
