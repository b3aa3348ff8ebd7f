import { freeNames, walk, type Expr, type Relation } from '../reading/expression';
import { isBold } from '../reading/letters';
import { evaluate } from '../values/evaluate';
import { newMeter, type Definition, type Setting } from '../values/setting';
import {
  CannotTell,
  fraction,
  isMatrix,
  negateScalar,
  toNumber,
  type Scalar,
  type Value,
} from '../numbers/value';
import Complex from 'complex.js';
import type { Facts, Kind } from './facts';
import { oneOf, wholeBetween, type Random } from './random';

/** What values a name may take in trials. */
export interface Domain {
  readonly kind: 'integer' | 'real' | 'complex' | 'matrix' | 'vector' | 'unit';
  readonly low: number;
  readonly high: number;
  readonly lowOpen: boolean;
  readonly highOpen: boolean;
  readonly odd: boolean;
  readonly even: boolean;
  readonly prime: boolean;
  readonly nonzero: boolean;
}

const COUNTING = /^[nmkijlNMKr]$/;
const COMPLEX_LETTERS = /^[zwζω]$/;

/** The names under which only whole numbers make sense: bounds of sums, factorials, indices, moduli. */
export function wholeNames(exprs: readonly Expr[]): ReadonlySet<string> {
  const whole = new Set<string>();
  const all = (expr: Expr): void => {
    for (const name of freeNames(expr)) whole.add(name);
  };
  const look = (expr: Expr): void => {
    if (expr.kind === 'series' && expr.over.kind === 'between') {
      all(expr.over.first);
      all(expr.over.last);
    }
    if (expr.kind === 'series' && expr.over.kind === 'divisors') all(expr.over.of);
    if (expr.kind === 'indexed') expr.index.forEach(all);
    if (expr.kind === 'dots' && expr.last?.kind === 'name') all(expr.last);
    if (expr.kind === 'call' && /^(factorial|doubleFactorial|gcd|lcm|mod)$/.test(expr.fn)) {
      expr.args.forEach(all);
    }
    if (expr.kind === 'call' && expr.fn === 'binomial') all(expr.args[1] as Expr);
    if (expr.kind === 'power' && isMinusOne(expr.base)) all(expr.exponent);
  };
  for (const expr of exprs) walk(expr, look);
  return whole;
}

const isMinusOne = (expr: Expr): boolean =>
  expr.kind === 'negate' && expr.body.kind === 'number' && expr.body.value === 1n;

/** Names that stand for a length of an alphabet of numbers: counted, so at least 1 unless said otherwise. */
export function domainOf(
  name: string,
  facts: Facts,
  whole: ReadonlySet<string>,
  congruent: boolean,
): Domain {
  const base = name.replace(/_.*$/, '');
  const kinds: ReadonlySet<Kind> = facts.kinds.get(name) ?? facts.kinds.get(base) ?? new Set();
  const has = (kind: Kind): boolean => kinds.has(kind);
  if (!has('integer') && !has('real') && !has('positive')) {
    const like = matrixDomain(name, facts, kinds);
    if (like) return like;
  }
  const integer =
    has('integer') ||
    has('natural') ||
    whole.has(name) ||
    congruent ||
    (COUNTING.test(base) && !has('real') && !has('complex') && !has('positive'));
  const isComplex =
    has('complex') ||
    (facts.names.imaginary && COMPLEX_LETTERS.test(base) && !integer && !has('real'));
  const { low, high, lowOpen, highOpen } = boundsOf(name, facts);
  const signed = has('integer') && !has('natural') ? -9 : congruent ? -12 : 1;
  const least = has('positive') ? (integer ? 1 : 0) : has('nonnegative') ? 0 : -Infinity;
  const counted = integer && !congruent && !has('integer') ? 1 : has('natural') ? 1 : -Infinity;
  const wholeLow =
    Number.isFinite(low) || least > -Infinity
      ? Math.max(low, least)
      : Math.max(counted, signed === 1 ? 1 : -Infinity);
  return {
    kind: integer ? 'integer' : isComplex ? 'complex' : 'real',
    low: integer ? wholeLow : Math.max(low, least),
    high: has('negative') ? Math.min(high, integer ? -1 : 0) : high,
    lowOpen: lowOpen || has('positive'),
    highOpen: highOpen || has('negative'),
    odd: has('odd'),
    even: has('even'),
    prime: has('prime'),
    nonzero: has('nonzero'),
  };
}

const ANY = {
  low: -Infinity,
  high: Infinity,
  lowOpen: false,
  highOpen: false,
  odd: false,
  even: false,
  prime: false,
  nonzero: false,
};

function matrixDomain(name: string, facts: Facts, kinds: ReadonlySet<Kind>): Domain | null {
  const isUnit = facts.matrices && (/^[IE]$/.test(name) || /^I_/.test(name));
  if (isUnit) return { kind: 'unit', ...ANY };
  if (kinds.has('matrix')) return { kind: 'matrix', ...ANY };
  if (kinds.has('vector')) return { kind: 'vector', ...ANY };
  if (isBold(name)) {
    const capital = /^[A-Z]$/.test(name.normalize('NFKC').charAt(0));
    if (name.normalize('NFKC') === 'I') return { kind: 'unit', ...ANY };
    return { kind: capital ? 'matrix' : 'vector', ...ANY };
  }
  if (/^.[⃗→]$/u.test(name)) return { kind: 'vector', ...ANY };
  if (!facts.matrices) return null;
  return /^[A-HJ-Z](_.*)?$/.test(name) && !/^[KNM]$/.test(name) ? { kind: 'matrix', ...ANY } : null;
}

/** Bounds that assumptions of the form `a ≤ x` with a number put on a name. */
function boundsOf(name: string, facts: Facts) {
  let [low, high, lowOpen, highOpen] = [-Infinity, Infinity, false, false];
  for (const { left, sign, right } of facts.assumptions) {
    const upward = left.kind === 'name' && left.name === name ? constantOf(right) : null;
    const downward = right.kind === 'name' && right.name === name ? constantOf(left) : null;
    const value = upward ?? downward;
    if (value === null || !/^[<≤>≥]$/.test(sign)) continue;
    const below = /^[<≤]$/.test(sign) === (upward !== null);
    const open = /^[<>]$/.test(sign);
    // The nearest assumption is heard first; one that leaves nothing is of another case.
    if (below && value < high && value > low) [high, highOpen] = [value, open];
    if (!below && value > low && value < high) [low, lowOpen] = [value, open];
  }
  return { low, high, lowOpen, highOpen };
}

const BARE: Setting = {
  values: new Map(),
  functions: new Map(),
  indexed: () => NaN,
  sign: 1,
  base: 0,
  complex: false,
  logBase: Math.E,
  meter: newMeter(5000),
};

/** The number that an expression without names is, or null. */
export function constantOf(expr: Expr): number | null {
  if (freeNames(expr).size > 0) return null;
  try {
    const value = evaluate(expr, { ...BARE, meter: newMeter(5000) });
    const number = isMatrix(value) ? NaN : toNumber(value);
    return Number.isNaN(number) ? null : number;
  } catch (error) {
    if (error instanceof CannotTell) return null;
    throw error;
  }
}

const PRIMES = [2, 3, 5, 7, 11, 13, 17];

/** A value of a domain; `size` is the side of matrices. */
export function sample(domain: Domain, random: Random, size: number): Value {
  switch (domain.kind) {
    case 'integer':
      return BigInt(wholeIn(domain, random));
    case 'real':
      return realIn(domain, random);
    case 'complex':
      return new Complex(numberIn(random), numberIn(random));
    case 'matrix':
      return grid(size, size, random);
    case 'vector':
      return grid(size, 1, random);
    case 'unit':
      return {
        rows: Array.from({ length: size }, (_, i) =>
          Array.from({ length: size }, (_, j) => (i === j ? 1n : 0n)),
        ),
      };
  }
}

const numberIn = (random: Random): number =>
  wholeBetween(random, -30, 30) / oneOf(random, [4, 6, 8]);

function grid(rows: number, columns: number, random: Random): Value {
  const entry = (): Scalar => BigInt(wholeBetween(random, -4, 5));
  return { rows: Array.from({ length: rows }, () => Array.from({ length: columns }, entry)) };
}

function wholeIn(domain: Domain, random: Random): number {
  const { low, high, lowOpen, highOpen } = domain;
  const least = Number.isFinite(low)
    ? lowOpen && Number.isInteger(low)
      ? low + 1
      : Math.ceil(low)
    : null;
  const most = Number.isFinite(high)
    ? highOpen && Number.isInteger(high)
      ? high - 1
      : Math.floor(high)
    : null;
  const from = least ?? (most === null ? -9 : most - 9);
  const to = Math.max(from, Math.min(most ?? Infinity, from + (least === null ? 20 : 8)));
  if (domain.prime) {
    const fitting = PRIMES.filter(
      (p) => p >= from && (most === null || p <= most) && !(domain.odd && p === 2),
    );
    return oneOf(random, fitting.length ? fitting : PRIMES);
  }
  const value = wholeBetween(random, from, to);
  if (domain.odd && value % 2 === 0) return value + 1 > to && value > from ? value - 1 : value + 1;
  if (domain.even && value % 2 !== 0) return value + 1 > to && value > from ? value - 1 : value + 1;
  return domain.nonzero && value === 0 ? 3 : value;
}

function realIn({ low, high }: Domain, random: Random): Value {
  const [q, bottom] = [wholeBetween(random, 1, 23), oneOf(random, [3, 4, 5, 7])];
  if (Number.isFinite(low) && Number.isFinite(high)) {
    const whole = 60;
    const at = wholeBetween(random, 1, whole - 1);
    if (Number.isInteger(low * 8) && Number.isInteger(high * 8)) {
      const [a, b] = [BigInt(low * 8), BigInt(high * 8)];
      return fraction(a * BigInt(whole) + (b - a) * BigInt(at), 8n * BigInt(whole));
    }
    return low + ((high - low) * at) / whole;
  }
  // Whole numbers among them make examples that are easily followed.
  const size = random() < 0.3 ? BigInt((q % 5) + 2) : fraction(BigInt(q), BigInt(bottom));
  if (Number.isFinite(low)) return shifted(low, q, bottom);
  if (Number.isFinite(high)) return shifted(high, -q, bottom);
  return random() < 0.5 ? size : negateScalar(size);
}

const shifted = (from: number, q: number, bottom: number): Value =>
  Number.isInteger(from)
    ? fraction(BigInt(from) * BigInt(bottom) + BigInt(q), BigInt(bottom))
    : from + q / bottom;

/** A function about which nothing is said, as one that is smooth and otherwise any. */
export function anyFunction(params: readonly string[], random: Random): Definition {
  const at = { from: 0, to: 0 };
  const number = (value: number): Expr => ({
    ...at,
    kind: 'number',
    value: fraction(BigInt(Math.round(value * 16)), 16n),
  });
  const terms = params.flatMap((name): Expr[] => {
    const x: Expr = { ...at, kind: 'name', name };
    const scaled: Expr = { ...at, kind: 'multiply', factors: [number(0.3 + random()), x] };
    const wave: Expr = {
      ...at,
      kind: 'call',
      fn: 'sin',
      args: [{ ...at, kind: 'add', terms: [scaled, number(random() * 3)] }],
    };
    return [
      { ...at, kind: 'multiply', factors: [number(1 + random() * 3), wave] },
      { ...at, kind: 'multiply', factors: [number(0.5 + random()), x] },
    ];
  });
  const mixed: Expr[] =
    params.length > 1
      ? [
          {
            ...at,
            kind: 'multiply',
            factors: [number(0.7), ...params.map((name): Expr => ({ ...at, kind: 'name', name }))],
          },
        ]
      : [];
  return {
    params,
    body: { ...at, kind: 'add', terms: [number(1 + random()), ...terms, ...mixed] },
  };
}

/** All names of relations that have to do with those given, however many steps away. */
export function namesTogether(
  names: Iterable<string>,
  relations: readonly Relation[],
): ReadonlySet<string> {
  const all = new Set(names);
  for (let grew = true; grew;) {
    grew = false;
    for (const { left, right } of relations) {
      const own = [...freeNames(left), ...freeNames(right)];
      if (!own.some((name) => all.has(name)) || own.every((name) => all.has(name))) continue;
      for (const name of own) all.add(name);
      grew = true;
    }
  }
  return all;
}
