import type { Expr } from '../reading/expression';

/**
 * The value of an expression of whole numbers modulo `modulus`, where it is too long to be written out; null where it is made of
 * anything but sums, products and powers. `valueOf` works out exponents and what stands at the ends.
 */
export function powerModulo(
  expr: Expr,
  modulus: bigint,
  valueOf: (expr: Expr) => bigint | null,
): bigint | null {
  const of = (part: Expr): bigint | null => powerModulo(part, modulus, valueOf);
  const joined = (
    parts: readonly Expr[],
    join: (a: bigint, b: bigint) => bigint,
    start: bigint,
  ): bigint | null => {
    let result = start;
    for (const part of parts) {
      const value = of(part);
      if (value === null) return null;
      result = join(result, value) % modulus;
    }
    return result;
  };
  switch (expr.kind) {
    case 'add':
      return joined(expr.terms, (a, b) => a + b, 0n);
    case 'multiply':
      return joined(expr.factors, (a, b) => a * b, 1n);
    case 'cross':
      return joined([expr.left, expr.right], (a, b) => a * b, 1n);
    case 'negate': {
      const value = of(expr.body);
      return value === null ? null : -value;
    }
    case 'power': {
      const base = of(expr.base);
      const exponent = valueOf(expr.exponent);
      return base === null || exponent === null || exponent < 0n
        ? null
        : raise(base, exponent, modulus);
    }
    case 'number':
    case 'name':
    case 'indexed':
    case 'call':
      return valueOf(expr);
    default:
      return null;
  }
}

function raise(base: bigint, exponent: bigint, modulus: bigint): bigint {
  let [result, square] = [1n, base % modulus];
  for (let left = exponent; left > 0n; left >>= 1n) {
    if (left & 1n) result = (result * square) % modulus;
    square = (square * square) % modulus;
  }
  return result;
}
