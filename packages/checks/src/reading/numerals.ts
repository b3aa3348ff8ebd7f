import type { Expr, ExprKind } from './expression';
import { make, type Reader } from './reader';
import type { Token } from './tokens';

/** `2\\frac12` may be two and a half. */
export function mixedNumber(reader: Reader, before: Expr | null, next: Expr): Expr | null {
  const isWhole = (expr: Expr): boolean => expr.kind === 'number' && typeof expr.value === 'bigint';
  if (!before || !isWhole(before)) return null;
  if (next.kind !== 'divide' || !isWhole(next.top) || !isWhole(next.bottom)) return null;
  reader.doubts.add('mixed');
  return reader.habits.mixed === 'sum'
    ? make(before.from, next.to, { kind: 'add', terms: [before, next] })
    : null;
}

/** A number as it is written; a comma may part thousands. */
export function numberKind(reader: Reader, token: Extract<Token, { t: 'number' }>): ExprKind {
  const { value, places } = token;
  if (!token.doubt || reader.habits.comma === 'decimal') {
    return places ? { kind: 'number', value, places } : { kind: 'number', value };
  }
  const thousand = typeof value === 'bigint' ? value * 1000n : value.mul(1000).n * value.s;
  return { kind: 'number', value: thousand };
}
