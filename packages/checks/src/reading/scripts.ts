import type { MathList } from '@odd-compass/engine/written';
import type { Expr } from './expression';
import { make, stopAt, type Reader } from './reader';
import type { Token } from './tokens';

/** The whole number that an expression is, or null. */
export function plainNumber(expr: Expr): bigint | null {
  if (expr.kind === 'number') return typeof expr.value === 'bigint' ? expr.value : null;
  if (expr.kind !== 'negate') return null;
  const inner = plainNumber(expr.body);
  return inner === null ? null : -inner;
}

/** How many primes a raised list consists of (`''`, or `(3)` as the third derivative), or null if of anything else. */
export function primesIn(reader: Reader, sup: MathList): number | null {
  const tokens = reader.tokens(sup);
  const primes = tokens.reduce((sum, token) => {
    const count = token.t === 'sign' ? PRIMES[token.char] : undefined;
    return sum + (count ?? NaN);
  }, 0);
  if (tokens.length && !Number.isNaN(primes)) return primes;
  const [only] = tokens;
  if (tokens.length !== 1 || only?.t !== 'bracket' || only.inner.length !== 1) return null;
  const [order] = only.inner;
  return order?.t === 'number' && typeof order.value === 'bigint' && order.value <= 9n
    ? Number(order.value)
    : null;
}

const PRIMES: Readonly<Record<string, number>> = { '′': 1, '″': 2, '‴': 3, '⁗': 4, "'": 1 };

/** A base with what is raised behind it: a power, a transpose, degrees, a derivative. */
export function power(reader: Reader, base: Expr, token: Token): Expr {
  const { sup, from } = token;
  if (!sup) return base;
  const place = [Math.min(base.from, from), Math.max(base.to, token.to)] as const;
  const tokens = reader.tokens(sup);
  const [only, ...others] = tokens;
  const alone = others.length === 0 ? only : undefined;
  if (alone && isTransposeSign(alone, base))
    return make(...place, { kind: 'transpose', body: base });
  if (alone?.t === 'sign' && (alone.char === '∘' || alone.char === '°'))
    return degrees(base, place);
  if (alone && 'char' in alone && /^[*†]$/.test(alone.char)) {
    return make(...place, { kind: 'call', fn: 'adjoint', args: [base] });
  }
  const primes = primesIn(reader, sup);
  if (primes !== null && tokens[0]?.t !== 'bracket') {
    // A primed variable is another variable; a primed function is its derivative.
    if (
      base.kind === 'name' &&
      !/^[fghuvwyFGHφψ]$/.test(base.name) &&
      !reader.names.functions.has(base.name)
    ) {
      return make(...place, { kind: 'name', name: `${base.name}${'′'.repeat(primes)}` });
    }
    return make(...place, { kind: 'derivative', variable: '', order: primes, body: base });
  }
  // `x'^2` and `A^{T}B`-like mixtures.
  if (only?.t === 'sign' && only.char in PRIMES)
    throw stopAt(token, 'primes beside an exponent are not read');
  const exponent = reader.expression(tokens, token);
  return make(...place, { kind: 'power', base, exponent });
}

function isTransposeSign(token: Token, base: Expr): boolean {
  if (token.t === 'letter' && token.name.normalize('NFKC') === 'T') return true;
  if (token.t === 'sign' || token.t === 'relation') return /^[⊤⊺]$/.test(token.char);
  const matrixLike = base.kind === 'matrix' || (base.kind === 'name' && /^[A-Z]$/.test(base.name));
  return token.t === 'letter' && token.name === 't' && matrixLike;
}

function degrees(base: Expr, place: readonly [number, number]): Expr {
  const [from, to] = place;
  const pi = make(from, to, { kind: 'constant', name: 'pi' });
  const half = make(from, to, { kind: 'number', value: 180n });
  const top = make(from, to, { kind: 'multiply', factors: [base, pi] });
  return make(from, to, { kind: 'divide', top, bottom: half });
}
