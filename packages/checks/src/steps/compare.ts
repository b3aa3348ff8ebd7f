import type { RelationSign } from '../reading/expression';
import {
  addScalars,
  entriesOf,
  isComplex,
  isExact,
  isFraction,
  isMatrix,
  isVector,
  negateScalar,
  signOf,
  sizeOf,
  toInteger,
  toNumber,
  type Scalar,
  type Value,
} from '../numbers/value';
import type { Meter } from '../values/setting';
import { greatestDivisor, realOf } from '../numbers/functions';

/** How two values stand: the relation holds, does not, is too near to say, or a side is not defined. */
export type Comparison = 'agree' | 'differ' | 'unsure' | 'undefined';

/** How many decimal places a side is written to, where it is a decimal; null for an exact one. */
export type Places = number | null;

/** Compares two values as a relation asks, allowing for what rounding and approach leave. */
export function compare(
  left: Value,
  sign: RelationSign,
  right: Value,
  meter: Meter,
  places: Places,
  modulus: bigint | null,
): Comparison {
  if (isMatrix(left) || isMatrix(right)) return compareMatrices(left, sign, right, meter);
  if (sign === '≡' || sign === '≢') return congruent(left, right, modulus, sign === '≡');
  if (sign === '∣' || sign === '∤') return divides(left, right, sign === '∣');
  if (isUndefined(left) || isUndefined(right)) return 'undefined';
  if (sign === '=' || sign === '≠' || sign === '≈') {
    const equal = equality(
      left,
      right,
      meter,
      sign === '≈' ? approximately(places) : rounding(places),
    );
    return sign === '≠' ? opposite(equal) : equal;
  }
  return order(left, sign, right, meter);
}

const opposite = (result: Comparison): Comparison =>
  result === 'agree' ? 'differ' : result === 'differ' ? 'agree' : result;

const isUndefined = (value: Scalar): boolean =>
  isComplex(value)
    ? Number.isNaN(value.re) || Number.isNaN(value.im)
    : Number.isNaN(toNumber(value));

interface Slack {
  /** Values this near agree, and those beyond `far` differ. */
  readonly near: number;
  readonly far: number;
}

const rounding = (places: Places): Slack | null =>
  places === null || places === 0
    ? null
    : { near: 0.5000001 * 10 ** -places, far: 1.01 * 10 ** -places };

const approximately = (places: Places): Slack | null =>
  places === null
    ? { near: 0, far: Infinity }
    : { near: 1.01 * 10 ** -places, far: 2.5 * 10 ** -places };

function equality(left: Scalar, right: Scalar, meter: Meter, slack: Slack | null): Comparison {
  if (isExact(left) && isExact(right)) {
    const apart = addScalars(left, negateScalar(right));
    if (signOf(realOf(apart)) === 0) return 'agree';
    return slack && !isDecimal(left) ? within(Math.abs(toNumber(apart)), slack, right) : 'differ';
  }
  if (isComplex(left) || isComplex(right))
    return near(distance(left, right), sizeOfBoth(left, right), meter);
  const [a, b] = [toNumber(left), toNumber(right)];
  if (a === b) return 'agree';
  if (!Number.isFinite(a) || !Number.isFinite(b)) return 'differ';
  const plain = near(Math.abs(a - b), Math.max(Math.abs(a), Math.abs(b)), meter);
  return plain !== 'agree' && slack ? within(Math.abs(a - b), slack, right) : plain;
}

/** Can a number be written as a decimal that ends, and not too long? */
function isDecimal(value: Scalar): boolean {
  if (!isFraction(value)) return true;
  return 1_000_000n % value.d === 0n;
}

/** Where a decimal is written, a value that rounds to it agrees. */
function within(apart: number, { near: small, far }: Slack, right: Scalar): Comparison {
  if (far === Infinity)
    return apart <= 0.05 * Math.abs(toNumber(right))
      ? 'agree'
      : apart > 0.2 * Math.abs(toNumber(right))
        ? 'differ'
        : 'unsure';
  return apart <= small ? 'agree' : apart > far ? 'differ' : 'unsure';
}

function distance(left: Scalar, right: Scalar): number {
  const apart = addScalars(left, negateScalar(right));
  return isComplex(apart) ? apart.abs() : Math.abs(toNumber(apart));
}

const sizeOfBoth = (...values: Scalar[]): number =>
  Math.max(...values.map((value) => (isComplex(value) ? value.abs() : Math.abs(toNumber(value)))));

const errorOf = (size: number, meter: Meter): number =>
  1e-9 * Math.max(size, 1e-6) + 1e-13 * meter.scale + 4 * meter.rough;

function near(apart: number, size: number, meter: Meter): Comparison {
  const error = errorOf(size, meter);
  if (apart <= error) return 'agree';
  return apart > 50 * error ? 'differ' : 'unsure';
}

function order(left: Scalar, sign: RelationSign, right: Scalar, meter: Meter): Comparison {
  if (isComplex(left) || isComplex(right)) return 'undefined';
  const apart = realOf(addScalars(left, negateScalar(right)));
  const strict = sign === '<' || sign === '>';
  const wanted = sign === '<' || sign === '≤' ? -1 : 1;
  if (Number.isNaN(apart)) return 'undefined';
  if (isExact(apart)) {
    const found = signOf(apart);
    return found === wanted || (found === 0 && !strict) ? 'agree' : 'differ';
  }
  const error = errorOf(sizeOfBoth(left, right), meter);
  if (Math.abs(apart) <= error) return strict ? 'unsure' : 'agree';
  if (Math.sign(apart) === wanted) return 'agree';
  return Math.abs(apart) > 50 * error ? 'differ' : 'unsure';
}

function compareMatrices(left: Value, sign: RelationSign, right: Value, meter: Meter): Comparison {
  if (sign !== '=' && sign !== '≠') return 'undefined';
  // A number stands for nothing that a matrix is, but for 0.
  if (!isMatrix(left) || !isMatrix(right)) {
    const [matrix, number] = isMatrix(left) ? [left, right as Scalar] : [right, left as Scalar];
    if (!isMatrix(matrix) || toNumber(number) !== 0) return 'undefined';
    const zero = entriesOf(matrix).every((entry) => toNumber(entry) === 0);
    return zero === (sign === '=') ? 'agree' : 'differ';
  }
  const vectors = isVector(left) && isVector(right);
  const [a, b] = [entriesOf(left), entriesOf(right)];
  const fits = vectors ? a.length === b.length : String(sizeOf(left)) === String(sizeOf(right));
  if (!fits) return sign === '=' ? 'differ' : 'agree';
  const results = a.map((entry, i) => equality(entry, b[i] as Scalar, meter, null));
  const undefinedEntry = [...a, ...b].some(isUndefined);
  const equal: Comparison = undefinedEntry
    ? 'undefined'
    : results.includes('differ')
      ? 'differ'
      : results.includes('unsure')
        ? 'unsure'
        : 'agree';
  return sign === '=' ? equal : opposite(equal);
}

/** Fractions count by their inverses modulo n. */
function congruent(
  left: Scalar,
  right: Scalar,
  modulus: bigint | null,
  wanted: boolean,
): Comparison {
  if (!modulus || modulus === 0n) return 'undefined';
  const apart = addScalars(left, negateScalar(right));
  if (isFraction(apart)) {
    if (greatestDivisor(apart.d, modulus) !== 1n) return 'undefined';
    return (apart.n % modulus === 0n) === wanted ? 'agree' : 'differ';
  }
  const whole = toInteger(apart);
  if (whole === null) return 'undefined';
  return (whole % modulus === 0n) === wanted ? 'agree' : 'differ';
}

function divides(left: Scalar, right: Scalar, wanted: boolean): Comparison {
  const [a, b] = [toInteger(left), toInteger(right)];
  if (a === null || b === null) return 'undefined';
  return (a === 0n ? b === 0n : b % a === 0n) === wanted ? 'agree' : 'differ';
}
