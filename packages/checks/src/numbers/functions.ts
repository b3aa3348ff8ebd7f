import Complex from 'complex.js';
import { determinant, rankOf, traceOf, transpose } from './matrixValues';
import {
  addScalars,
  CannotTell,
  divideScalars,
  dot,
  entriesOf,
  isComplex,
  isExact,
  isMatrix,
  isVector,
  isZero,
  mapMatrix,
  multiplyScalars,
  negateScalar,
  signOf,
  sizeOf,
  toComplex,
  toInteger,
  toNumber,
  wholePower,
  fraction,
  type Exact,
  type Matrix,
  type Real,
  type Scalar,
  type Value,
} from './value';

/** How doubtful signs are taken, and whether roots of negative numbers are complex. */
export interface Taken {
  readonly complex: boolean;
  /** What `\log` without a base means: its base. */
  readonly logBase: number;
}

type Fn = (args: readonly Value[], taken: Taken) => Value;

function scalar(value: Value | undefined): Scalar {
  if (value === undefined) throw new CannotTell('a function stands without its argument');
  if (isMatrix(value)) throw new CannotTell('a matrix stands where a number is wanted');
  return value;
}

export function realOf(value: Scalar): Real {
  return isComplex(value) ? toNumber(value) : value;
}

/** A function of one number: real where it can be, complex where the sheet is. */
const analytic =
  (real: (x: number) => number, complex: ((z: Complex) => Complex) | null = null): Fn =>
  ([value], taken) => {
    const x = scalar(value);
    if (isComplex(x)) {
      if (!complex) throw new CannotTell('this function is not read for complex numbers');
      return complex(x);
    }
    const result = real(toNumber(x));
    return Number.isNaN(result) && taken.complex && complex ? complex(toComplex(x)) : result;
  };

/** A function of whole numbers; of anything else it is not defined. */
const ofWhole =
  (fn: (...whole: bigint[]) => Value): Fn =>
  (args) => {
    const whole = args.map(toInteger);
    return whole.some((value) => value === null) ? NaN : fn(...(whole as bigint[]));
  };

/** The greatest common divisor, by Euclid. */
export const greatestDivisor = (a: bigint, b: bigint): bigint => {
  let [x, y] = [a < 0n ? -a : a, b < 0n ? -b : b];
  while (y) [x, y] = [y, x % y];
  return x;
};

export function factorial(n: bigint): Value {
  if (n < 0n) return NaN;
  if (n > 3000n) throw new CannotTell('the factorial is too large to work out');
  let result = 1n;
  for (let k = 2n; k <= n; k++) result *= k;
  return result;
}

/** Binomials with any number above (Graham, Knuth, Patashnik, *Concrete Mathematics*, 5.1). */
function binomial(above: Scalar, below: bigint): Scalar {
  if (below < 0n) return 0n;
  const top =
    below > 40n && typeof above !== 'bigint' && !isComplex(above) ? toNumber(above) : above;
  if (below > 3000n) throw new CannotTell('the binomial is too large to work out');
  let result: Scalar = 1n;
  for (let j = 0n; j < below; j++) {
    result = divideScalars(multiplyScalars(result, addScalars(top, -j)), j + 1n);
  }
  return result;
}

/** Down to a whole number; rounded values very near one are taken for it. */
function floor(value: Scalar): Value {
  const x = realOf(value);
  if (typeof x === 'bigint') return x;
  if (typeof x !== 'number') {
    const down = (x.s * x.n) / x.d;
    return x.s < 0n ? down - 1n : down;
  }
  if (!Number.isFinite(x)) return NaN;
  const near = Math.round(x);
  return BigInt(Math.abs(x - near) < 1e-9 ? near : Math.floor(x));
}

function root(value: Scalar, degree: bigint, taken: Taken): Value {
  if (isComplex(value) || (taken.complex && signOf(realOf(value)) < 0)) {
    return toComplex(value).pow(new Complex(1 / Number(degree), 0));
  }
  if (isExact(value)) {
    const exact = exactRoot(value, degree);
    if (exact !== null) return exact;
  }
  const x = toNumber(value);
  if (x < 0) return degree % 2n === 0n ? NaN : -((-x) ** (1 / Number(degree)));
  return degree === 2n ? Math.sqrt(x) : degree === 3n ? Math.cbrt(x) : x ** (1 / Number(degree));
}

function exactRoot(value: Exact, degree: bigint): Exact | null {
  if (typeof value !== 'bigint') {
    const top = exactRoot(value.s * value.n, degree);
    const bottom = exactRoot(value.d, degree);
    return typeof top === 'bigint' && typeof bottom === 'bigint' ? fraction(top, bottom) : null;
  }
  if (value < 0n) {
    const positive = degree % 2n === 1n ? exactRoot(-value, degree) : null;
    return typeof positive === 'bigint' ? -positive : null;
  }
  const near = BigInt(Math.round(Number(value) ** (1 / Number(degree))) || 0);
  return near ** degree === value ? near : null;
}

export const squareRoot = (value: Scalar, taken: Taken): Value => root(value, 2n, taken);

function extreme(args: readonly Value[], wanted: 1 | -1): Value {
  const [first, ...rest] = args.map((value) => realOf(scalar(value)));
  if (first === undefined) return NaN;
  return rest.reduce<Real>((best, next) => {
    if (Number.isNaN(best) || Number.isNaN(next)) return NaN;
    return signOf(realOf(addScalars(next, negateScalar(best)))) === wanted ? next : best;
  }, first);
}

/** The size of a number or vector; of a square matrix its determinant (`|A|`). */
function size(value: Value, taken: Taken): Value {
  if (isMatrix(value)) {
    return isVector(value) ? norm(value, taken) : determinant(value);
  }
  if (isComplex(value)) return value.abs();
  return signOf(value) < 0 ? negateScalar(value) : value;
}

function norm(value: Matrix, taken: Taken): Value {
  const squares = entriesOf(value).map((entry) =>
    isComplex(entry) ? entry.abs() ** 2 : multiplyScalars(entry, entry),
  );
  return squareRoot(squares.reduce(addScalars, 0n), taken);
}

function exponential(value: Value): Value {
  const x = scalar(value);
  if (isComplex(x)) return x.exp();
  return isExact(x) && isZero(x) ? 1n : Math.exp(toNumber(x));
}

function logarithm(value: Value, base: Scalar | null, taken: Taken): Value {
  const x = scalar(value);
  if (isComplex(x) || (taken.complex && signOf(realOf(x)) < 0)) {
    const log = toComplex(x).log();
    return base === null ? log : log.div(toComplex(base).log());
  }
  const [top, bottom] = [toNumber(x), base === null ? Math.E : toNumber(base)];
  if (!(top > 0) || !(bottom > 0) || bottom === 1) return NaN;
  if (base === null) return Math.log(top);
  if (isExact(base)) {
    const whole = Math.round(Math.log(top) / Math.log(bottom));
    if (isExact(x) && Math.abs(whole) < 400 && sameExact(wholePower(base, BigInt(whole)), x)) {
      return BigInt(whole);
    }
  }
  return Math.log(top) / Math.log(bottom);
}

const sameExact = (a: Scalar, b: Scalar): boolean => isZero(addScalars(a, negateScalar(b)));

/** How many whole numbers up to n have no divisor in common with it. */
function totient(n: bigint): Value {
  if (n < 1n || n > 100_000_000n) return NaN;
  let [left, result] = [n, n];
  for (let p = 2n; p * p <= left; p++) {
    if (left % p !== 0n) continue;
    while (left % p === 0n) left /= p;
    result -= result / p;
  }
  return left > 1n ? result - result / left : result;
}

/** What everybody's functions give; the names are those of `call` expressions. */
export const FUNCTIONS: Readonly<Record<string, Fn>> = {
  sin: analytic(Math.sin, (z) => z.sin()),
  cos: analytic(Math.cos, (z) => z.cos()),
  tan: analytic(Math.tan, (z) => z.tan()),
  cot: analytic(
    (x) => 1 / Math.tan(x),
    (z) => z.cot(),
  ),
  sec: analytic(
    (x) => 1 / Math.cos(x),
    (z) => z.sec(),
  ),
  csc: analytic(
    (x) => 1 / Math.sin(x),
    (z) => z.csc(),
  ),
  arcsin: analytic(Math.asin, (z) => z.asin()),
  arccos: analytic(Math.acos, (z) => z.acos()),
  arctan: analytic(Math.atan, (z) => z.atan()),
  arccot: analytic((x) => Math.PI / 2 - Math.atan(x)),
  sinh: analytic(Math.sinh, (z) => z.sinh()),
  cosh: analytic(Math.cosh, (z) => z.cosh()),
  tanh: analytic(Math.tanh, (z) => z.tanh()),
  coth: analytic(
    (x) => 1 / Math.tanh(x),
    (z) => z.coth(),
  ),
  arsinh: analytic(Math.asinh, (z) => z.asinh()),
  arcosh: analytic(Math.acosh, (z) => z.acosh()),
  artanh: analytic(Math.atanh, (z) => z.atanh()),
  exp: ([value]) => exponential(value as Value),
  ln: ([value], taken) => logarithm(value as Value, null, taken),
  log: ([value, base], taken) => {
    if (base !== undefined) return logarithm(value as Value, scalar(base), taken);
    const usual = taken.logBase === Math.E ? null : BigInt(taken.logBase);
    return logarithm(value as Value, usual, taken);
  },
  lg: ([value], taken) => logarithm(value as Value, taken.logBase === 2 ? 2n : 10n, taken),
  root: ([value, degree], taken) => {
    const n = toInteger(degree as Value);
    return n === null || n < 1n ? NaN : root(scalar(value), n, taken);
  },
  sqrt: ([value], taken) => root(scalar(value), 2n, taken),
  abs: ([value], taken) => size(value as Value, taken),
  norm: ([value], taken) =>
    isMatrix(value as Value) ? norm(value as Matrix, taken) : size(value as Value, taken),
  floor: ([value]) => floor(scalar(value)),
  ceil: ([value]) => negateScalar(floor(negateScalar(scalar(value))) as Scalar),
  sgn: ([value]) => {
    const sign = signOf(realOf(scalar(value)));
    return Number.isNaN(sign) ? NaN : BigInt(sign);
  },
  max: (args) => extreme(args, 1),
  min: (args) => extreme(args, -1),
  gcd: ofWhole((...all) => all.reduce(greatestDivisor, 0n)),
  lcm: ofWhole((...all) =>
    all.reduce((a, b) => (a === 0n || b === 0n ? 0n : abs((a * b) / greatestDivisor(a, b))), 1n),
  ),
  mod: ofWhole((a, n) =>
    n === 0n || n === undefined ? NaN : (((a as bigint) % n) + abs(n)) % abs(n),
  ),
  totient: ofWhole((n) => totient(n as bigint)),
  factorial: ([value]) => {
    const n = toInteger(value as Value);
    return n === null ? NaN : factorial(n);
  },
  doubleFactorial: ofWhole((n) => {
    let result = 1n;
    for (let k = n as bigint; k > 1n; k -= 2n) result *= k;
    return result;
  }),
  binomial: ([top, below]) => {
    const k = toInteger(below as Value);
    return k === null ? NaN : binomial(scalar(top), k);
  },
  det: ([value]) => (isMatrix(value as Value) ? determinant(value as Matrix) : (value as Value)),
  tr: ([value]) => (isMatrix(value as Value) ? traceOf(value as Matrix) : (value as Value)),
  rank: ([value]) => (isMatrix(value as Value) ? BigInt(rankOf(value as Matrix)) : NaN),
  dim: ([value]) => (isMatrix(value as Value) ? BigInt(sizeOf(value as Matrix)[0]) : NaN),
  re: ([value]) => {
    const x = scalar(value);
    return isComplex(x) ? x.re : x;
  },
  im: ([value]) => {
    const x = scalar(value);
    return isComplex(x) ? x.im : 0n;
  },
  arg: ([value]) => toComplex(scalar(value)).arg(),
  conj: ([value]) => {
    const conjugate = (x: Scalar): Scalar => (isComplex(x) ? x.conjugate() : x);
    return isMatrix(value as Value)
      ? mapMatrix(value as Matrix, conjugate)
      : conjugate(scalar(value));
  },
  adjoint: ([value]) => {
    const turned = isMatrix(value as Value) ? transpose(value as Matrix) : (value as Value);
    return (FUNCTIONS.conj as Fn)([turned], { complex: true, logBase: Math.E });
  },
  inner: ([a, b]) => {
    if (!isMatrix(a as Value) || !isMatrix(b as Value)) {
      throw new CannotTell('an inner product is read of vectors only');
    }
    return dot(a as Matrix, b as Matrix);
  },
};

const abs = (value: bigint): bigint => (value < 0n ? -value : value);
