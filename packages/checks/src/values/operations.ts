import type { Expr } from '../reading/expression';
import { squareRoot, type Taken } from '../numbers/functions';
import { identity, inverse } from '../numbers/matrixValues';
import {
  addScalars,
  CannotTell,
  divideScalars,
  entriesOf,
  isComplex,
  isExact,
  isMatrix,
  isZero,
  mapMatrix,
  multiply,
  negateScalar,
  sizeOf,
  toComplex,
  toInteger,
  toNumber,
  wholePower,
  type Matrix,
  type Scalar,
  type Value,
} from '../numbers/value';

/** A number added to a square matrix stands for that multiple of the identity where the sheet writes `I`. */
export function fitting(a: Value, b: Value): [Value, Value] {
  if (isUnit(a) && isMatrix(b)) return [scaledUnit(a, b), b];
  if (isUnit(b) && isMatrix(a)) return [a, scaledUnit(b, a)];
  return [a, b];
}

/** The identity matrix before its size is known is a 1 × 1 matrix. */
const isUnit = (value: Value): value is Matrix =>
  isMatrix(value) && sizeOf(value)[0] === 1 && sizeOf(value)[1] === 1;

function scaledUnit(unit: Matrix, like: Matrix): Matrix {
  const [rows, columns] = sizeOf(like);
  if (rows !== columns) return unit;
  const factor = unit.rows[0]?.[0] as Scalar;
  return multiply(factor, identity(rows)) as Matrix;
}

/** The cross product of two vectors in space; of anything else the product. */
export function cross(a: Value, b: Value): Value {
  if (!isMatrix(a) || !isMatrix(b)) return multiply(a, b);
  const [u, v] = [entriesOf(a), entriesOf(b)];
  if (u.length !== 3 || v.length !== 3 || Math.min(...sizeOf(a), ...sizeOf(b)) !== 1) {
    return multiply(a, b);
  }
  const minor = (i: number, j: number): Scalar =>
    addScalars(
      scalarOf(multiply(u[i] as Scalar, v[j] as Scalar)),
      negateScalar(scalarOf(multiply(u[j] as Scalar, v[i] as Scalar))),
    );
  const entries = [minor(1, 2), minor(2, 0), minor(0, 1)];
  return sizeOf(a)[1] === 1 ? { rows: entries.map((entry) => [entry]) } : { rows: [entries] };
}

/** A value that must be a number. */
export function scalarOf(value: Value): Scalar {
  if (isMatrix(value)) throw new CannotTell('a matrix stands where a number is wanted');
  return value;
}

/** A quotient; a matrix may be divided by a number. */
export function divide(top: Value, bottom: Value): Value {
  if (isMatrix(bottom)) throw new CannotTell('nothing is divided by a matrix');
  return isMatrix(top)
    ? mapMatrix(top, (entry) => divideScalars(entry, bottom))
    : divideScalars(top, bottom);
}

/** A power: whole ones exactly, odd roots of negative numbers as schools read them, complex ones where the sheet is. */
export function power(base: Value, exponent: Value, taken: Taken, written = true): Value {
  if (isMatrix(exponent)) throw new CannotTell('an exponent is a matrix');
  if (isMatrix(base)) return matrixPower(base, exponent);
  const whole = isExact(exponent) ? toInteger(exponent) : null;
  if (whole !== null) {
    if (isZero(base) && whole <= 0n) return whole === 0n ? 1n : NaN;
    return wholePower(base, whole);
  }
  if (isComplex(base) || isComplex(exponent)) return complexPower(base, exponent);
  if (isExact(base) && isExact(exponent) && typeof exponent !== 'bigint') {
    if (exponent.d === 2n) {
      const root = squareRoot(base, taken);
      if (isExact(root)) return wholePower(root, exponent.s * exponent.n);
    }
  }
  const [x, y] = [toNumber(base), toNumber(exponent)];
  if (x < 0 && taken.complex) return complexPower(base, exponent);
  // An odd root of a negative number, as schools read it.
  if (
    x < 0 &&
    written &&
    isExact(exponent) &&
    typeof exponent !== 'bigint' &&
    exponent.d % 2n === 1n
  ) {
    return (exponent.n % 2n === 0n ? 1 : -1) * (-x) ** y;
  }
  return x < 0 ? NaN : x ** y;
}

function complexPower(base: Scalar, exponent: Scalar): Value {
  if (typeof base === 'number' && base === Math.E) return toComplex(exponent).exp();
  return toComplex(base).pow(toComplex(exponent));
}

function matrixPower(base: Matrix, exponent: Scalar): Value {
  const whole = toInteger(exponent);
  const [rows, columns] = sizeOf(base);
  if (whole === null) throw new CannotTell('a matrix has only whole powers here');
  if (rows !== columns) {
    // The square of a vector is its inner product with itself.
    if (whole === 2n && Math.min(rows, columns) === 1)
      return multiply(transposeToRow(base), toColumn(base));
    throw new CannotTell('only square matrices have powers');
  }
  if (whole > 64n || whole < -64n) throw new CannotTell('it would take too long to work out');
  const from = whole < 0n ? inverse(base) : base;
  if (!from) return NaN;
  let result: Value = identity(rows);
  for (let i = 0n; i < (whole < 0n ? -whole : whole); i++) result = multiply(result, from);
  return result;
}

const toColumn = (value: Matrix): Matrix => ({ rows: entriesOf(value).map((entry) => [entry]) });
const transposeToRow = (value: Matrix): Matrix => ({ rows: [entriesOf(value)] });

/** Entries that are matrices themselves are blocks. */
export function matrix(rows: readonly (readonly Expr[])[], of: (expr: Expr) => Value): Value {
  const values = rows.map((row) => row.map(of));
  if (!values.flat().some(isMatrix)) return { rows: values as Scalar[][] };
  const built = values.flatMap((row) => {
    const height = row.map((value) => (isMatrix(value) ? sizeOf(value)[0] : 1));
    if (new Set(height).size !== 1) throw new CannotTell('the blocks of a matrix do not fit');
    return Array.from({ length: height[0] ?? 0 }, (_, i) =>
      row.flatMap((value) => (isMatrix(value) ? (value.rows[i] as readonly Scalar[]) : [value])),
    );
  });
  return { rows: built };
}
