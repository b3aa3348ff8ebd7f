import Complex from 'complex.js';
import Fraction from 'fraction.js';

/**
 * What an expression comes to: whole numbers and fractions are exact (`bigint`, `Fraction`), all other real numbers are
 * rounded (`number`; NaN where nothing is defined), and there are complex numbers and matrices of any of them.
 */
export type Exact = bigint | Fraction;
export type Real = Exact | number;
export type Scalar = Real | Complex;
export type Value = Scalar | Matrix;

export interface Matrix {
  readonly rows: readonly (readonly Scalar[])[];
}

/** Thrown where an expression cannot be worked out, with the reason for the writer. */
export class CannotTell extends Error {}

/** A whole number may have so many binary digits. */
const LONGEST = 60_000;

export const isMatrix = (value: Value): value is Matrix =>
  typeof value === 'object' && 'rows' in value;

export const isComplex = (value: Value): value is Complex =>
  typeof value === 'object' && 're' in value;

export const isFraction = (value: Value): value is Fraction =>
  typeof value === 'object' && 'd' in value;

export const isExact = (value: Value): value is Exact =>
  typeof value === 'bigint' || isFraction(value);

/** A fraction as a whole number where it is one. */
export function lowest(fraction: Fraction): Exact {
  return fraction.d === 1n ? fraction.s * fraction.n : fraction;
}

export const fraction = (top: bigint, bottom: bigint): Exact => lowest(new Fraction(top, bottom));

/** An exact number as a fraction. */
export const asFraction = (value: Exact): Fraction =>
  typeof value === 'bigint' ? new Fraction(value) : value;

/** A real number as the nearest machine number; a complex one without imaginary part too. */
export function toNumber(value: Scalar): number {
  if (typeof value === 'number') return value;
  if (typeof value === 'bigint') return Number(value);
  if (isComplex(value)) return Math.abs(value.im) <= 1e-12 * Math.abs(value.re) ? value.re : NaN;
  return value.valueOf();
}

export const toComplex = (value: Scalar): Complex =>
  isComplex(value) ? value : new Complex(toNumber(value), 0);

/** The whole number a value is, or null; rounded ones count where they are very near. */
export function toInteger(value: Value): bigint | null {
  if (typeof value === 'bigint') return value;
  if (isMatrix(value) || isFraction(value)) return null;
  const number = toNumber(value);
  const whole = Math.round(number);
  return Number.isFinite(number) && Math.abs(number - whole) < 1e-9 ? BigInt(whole) : null;
}

function eachEntry(a: Matrix, b: Matrix, op: (a: Scalar, b: Scalar) => Scalar): Matrix {
  const [rows, columns] = sizeOf(a);
  const [others, otherColumns] = sizeOf(b);
  if (rows !== others || columns !== otherColumns) {
    throw new CannotTell(
      `a ${rows} × ${columns} matrix and a ${others} × ${otherColumns} one do not go together`,
    );
  }
  return {
    rows: a.rows.map((row, i) =>
      row.map((entry, j) => op(entry, (b.rows[i] as readonly Scalar[])[j] as Scalar)),
    ),
  };
}

export const sizeOf = ({ rows }: Matrix): readonly [number, number] => [
  rows.length,
  rows[0]?.length ?? 0,
];

export const mapMatrix = ({ rows }: Matrix, change: (entry: Scalar) => Scalar): Matrix => ({
  rows: rows.map((row) => row.map(change)),
});

export function addScalars(a: Scalar, b: Scalar): Scalar {
  if (typeof a === 'bigint' && typeof b === 'bigint') return a + b;
  if (isComplex(a) || isComplex(b)) return toComplex(a).add(toComplex(b));
  if (typeof a === 'number' || typeof b === 'number') return toNumber(a) + toNumber(b);
  return shortened(asFraction(a).add(asFraction(b)));
}

export function multiplyScalars(a: Scalar, b: Scalar): Scalar {
  if (typeof a === 'bigint' && typeof b === 'bigint') return bounded(a * b);
  if (isComplex(a) || isComplex(b)) return toComplex(a).mul(toComplex(b));
  if (typeof a === 'number' || typeof b === 'number') return toNumber(a) * toNumber(b);
  return shortened(asFraction(a).mul(asFraction(b)));
}

/** Fractions longer than this are rounded: exactly they would cost more than they tell. */
const LONG = 1n << 900n;

const shortened = (value: Fraction): Real =>
  value.d > LONG && value.n < LONG * 1000n ? value.valueOf() : lowest(value);

function bounded(value: bigint): bigint {
  if (value > TOO_LONG || value < -TOO_LONG) throw new CannotTell('the numbers become too long');
  return value;
}
const TOO_LONG = 1n << BigInt(LONGEST);

export function divideScalars(a: Scalar, b: Scalar): Scalar {
  if (isExact(b) && isZero(b)) return NaN;
  if (isComplex(a) || isComplex(b)) return toComplex(a).div(toComplex(b));
  if (typeof a === 'number' || typeof b === 'number') {
    const bottom = toNumber(b);
    return bottom === 0 ? NaN : toNumber(a) / bottom;
  }
  if (typeof a === 'bigint' && typeof b === 'bigint') return fraction(a, b);
  return lowest(asFraction(a).div(asFraction(b)));
}

export const negateScalar = (value: Scalar): Scalar => {
  if (typeof value === 'bigint' || typeof value === 'number') return -value;
  return value.neg();
};

export const isZero = (value: Scalar): boolean => {
  if (typeof value === 'bigint') return value === 0n;
  if (typeof value === 'number') return value === 0;
  return isComplex(value) ? value.re === 0 && value.im === 0 : value.n === 0n;
};

/** The sign of a real number: -1, 0 or 1; NaN where there is none. */
export function signOf(value: Real): number {
  if (typeof value === 'number') return Math.sign(value);
  if (typeof value === 'bigint') return value > 0n ? 1 : value < 0n ? -1 : 0;
  return value.n === 0n ? 0 : Number(value.s);
}

export function add(a: Value, b: Value): Value {
  if (!isMatrix(a) && !isMatrix(b)) return addScalars(a, b);
  if (isMatrix(a) && isMatrix(b)) return eachEntry(a, b, addScalars);
  const other = isMatrix(a) ? b : a;
  if (!isMatrix(other) && isZero(other)) return isMatrix(a) ? a : b;
  throw new CannotTell('a number and a matrix cannot be added');
}

export const negate = (value: Value): Value =>
  isMatrix(value) ? mapMatrix(value, negateScalar) : negateScalar(value);

export const subtract = (a: Value, b: Value): Value => add(a, negate(b));

/** A column, or a row that stands for one. */
export const isVector = (value: Value): value is Matrix =>
  isMatrix(value) && (sizeOf(value)[1] === 1 || sizeOf(value)[0] === 1);

export function multiply(a: Value, b: Value): Value {
  if (!isMatrix(a)) {
    return isMatrix(b) ? mapMatrix(b, (entry) => multiplyScalars(a, entry)) : multiplyScalars(a, b);
  }
  if (!isMatrix(b)) return mapMatrix(a, (entry) => multiplyScalars(entry, b));
  const [rows, inner] = sizeOf(a);
  const [others, columns] = sizeOf(b);
  if (inner !== others) {
    // Two columns side by side: what is written between them is their inner product.
    if (columns === 1 && inner === 1 && rows === others) return dot(a, b);
    throw new CannotTell(
      `a ${rows} × ${inner} matrix times a ${others} × ${columns} one is not defined`,
    );
  }
  const product = a.rows.map((row) =>
    Array.from({ length: columns }, (_, j) =>
      row
        .map((entry, k) => multiplyScalars(entry, (b.rows[k] as readonly Scalar[])[j] as Scalar))
        .reduce(addScalars),
    ),
  );
  // A row times a column is a number.
  return rows === 1 && columns === 1 ? ((product[0] as Scalar[])[0] as Scalar) : { rows: product };
}

export const entriesOf = (value: Matrix): readonly Scalar[] => value.rows.flat();

export function dot(a: Matrix, b: Matrix): Scalar {
  const [left, right] = [entriesOf(a), entriesOf(b)];
  if (left.length !== right.length) throw new CannotTell('vectors of different length');
  return left.map((entry, i) => multiplyScalars(entry, right[i] as Scalar)).reduce(addScalars, 0n);
}

/** Whole powers by repeated squaring; negative ones of what is not zero. */
export function wholePower(base: Scalar, exponent: bigint): Scalar {
  if (exponent < 0n) return divideScalars(1n, wholePower(base, -exponent));
  if (typeof base === 'bigint') {
    const digits = BigInt(base.toString(2).length);
    if (digits > 1n && digits * exponent > LONGEST) {
      throw new CannotTell('the numbers become too long');
    }
    return base ** exponent;
  }
  if (typeof base === 'number') return base ** Number(exponent);
  if (isComplex(base)) return wholeComplexPower(base, exponent);
  return divideScalars(wholePower(base.s * base.n, exponent), wholePower(base.d, exponent));
}

function wholeComplexPower(base: Complex, exponent: bigint): Complex {
  let result = new Complex(1, 0);
  let square = base;
  for (let left = exponent; left > 0n; left >>= 1n) {
    if (left & 1n) result = result.mul(square);
    square = square.mul(square);
  }
  return result;
}

/** A number as it is told to the writer: exact, or to six places. */
export function valueText(value: Value): string {
  if (isMatrix(value)) {
    return `(${value.rows.map((row) => row.map(valueText).join(', ')).join('; ')})`;
  }
  if (typeof value === 'bigint') return String(value);
  if (typeof value === 'number') return roundedText(value);
  if (isComplex(value)) {
    const { re, im } = value;
    const sign = im < 0 ? '−' : '+';
    if (Math.abs(im) < 1e-12) return roundedText(re);
    const size = Math.abs(im) === 1 ? '' : roundedText(Math.abs(im));
    return Math.abs(re) < 1e-12
      ? `${im < 0 ? '−' : ''}${size}i`
      : `${roundedText(re)} ${sign} ${size}i`;
  }
  return value.toFraction().replace('-', '−');
}

function roundedText(value: number): string {
  if (Number.isInteger(value) && Math.abs(value) < 1e15) return String(value).replace('-', '−');
  if (value === Infinity) return '∞';
  return String(Number(value.toPrecision(7))).replace('-', '−');
}
