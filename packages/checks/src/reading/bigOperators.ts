import type { MathList } from '@odd-compass/engine/written';
import type { Expr, Range } from './expression';
import { atToken, make, partedAtCommas, peek, stopAt, type Cursor, type Reader } from './reader';
import type { Token } from './tokens';

/** Sums, products, integrals, limits and derivatives: what binds a variable. */

type BigToken = Extract<Token, { t: 'big' }>;

export function bigOperator(reader: Reader, cursor: Cursor): Expr {
  const token = peek(cursor) as BigToken;
  if (token.char === '∑' || token.char === '∏') return series(reader, cursor, token);
  if (token.char === '∫') return integral(reader, cursor, token);
  throw stopAt(token, `what ${token.char} stands for is not worked out`);
}

function series(reader: Reader, cursor: Cursor, token: BigToken): Expr {
  cursor.at++;
  const indices = rangesOf(reader, token);
  const body = bodyOf(reader, cursor, token);
  const op = token.char === '∑' ? 'sum' : 'product';
  return indices.reduceRight<Expr>(
    (inner, { index, over }) =>
      make(token.from, body.to, { kind: 'series', op, index, over, body: inner }),
    body,
  );
}

/** The term behind an operator, or all that follows. */
function bodyOf(reader: Reader, cursor: Cursor, token: Token): Expr {
  if (!peek(cursor)) throw stopAt(token, 'nothing stands behind the operator');
  const start = cursor.at;
  const term = reader.term(cursor);
  if (cursor.at >= cursor.tokens.length) return term;
  reader.doubts.add('series');
  if (reader.habits.series === 'term') return term;
  const rest = cursor.tokens.slice(start);
  cursor.at = cursor.tokens.length;
  return reader.expression(rest, token);
}

interface Index {
  readonly index: string;
  readonly over: Range;
}

function rangesOf(reader: Reader, token: BigToken): readonly Index[] {
  if (!token.sub) throw stopAt(token, 'it is not written what the sum or product runs over');
  const below = reader.tokens(token.sub);
  const sup = token.sup;
  const letter = below[0];
  const relation = below.findIndex(({ t }) => t === 'relation');
  const sign = below[relation];
  if (sign?.t === 'relation' && sign.char === '=' && sup) {
    const first = reader.expression(below.slice(relation + 1), token);
    const last = reader.ofList(sup, token);
    // `i,j=1` counts twice.
    return partedAtCommas(below.slice(0, relation)).map((part) => ({
      index: indexName(part, token),
      over: { kind: 'between', first, last },
    }));
  }
  if (sign?.t === 'relation' && sign.char === '≥' && !sup && relation === 1) {
    const last = atToken(token, { kind: 'constant', name: 'infinity' });
    const first = reader.expression(below.slice(2), token);
    return [{ index: indexName(below.slice(0, 1), token), over: { kind: 'between', first, last } }];
  }
  if (sign?.t === 'relation' && sign.char === '∣' && !sup && relation === 1) {
    // `p` and `q` run over the divisors that are prime.
    if (letter?.t === 'letter' && /^[pq]$/.test(letter.name)) {
      throw stopAt(token, 'sums and products over primes are not read');
    }
    const of = reader.expression(below.slice(2), token);
    return [{ index: indexName(below.slice(0, 1), token), over: { kind: 'divisors', of } }];
  }
  const set = below[relation + 1];
  if (
    sign?.t === 'relation' &&
    sign.char === '∈' &&
    set?.t === 'bracket' &&
    set.open === '{' &&
    below.length === relation + 2
  ) {
    const values = partedAtCommas(set.inner).map((part) => reader.expression(part, token));
    return [{ index: indexName(below.slice(0, relation), token), over: { kind: 'among', values } }];
  }
  if (below.filter(({ t }) => t === 'relation').length > 1)
    return betweenBounds(reader, below, token);
  if (letter?.t === 'letter' && below.length === 1 && sup) {
    const last = reader.ofList(sup, token);
    const first = atToken(token, { kind: 'number', value: 1n });
    return [{ index: letter.name, over: { kind: 'between', first, last } }];
  }
  throw stopAt(token, 'what the sum or product runs over is not read');
}

/** `1 \le i < j \le n`. */
function betweenBounds(reader: Reader, below: readonly Token[], token: Token): readonly Index[] {
  const parts: Token[][] = [[]];
  const signs: string[] = [];
  for (const one of below) {
    if (one.t === 'relation') {
      signs.push(one.char);
      parts.push([]);
    } else parts.at(-1)?.push(one);
  }
  if (!signs.every((sign) => sign === '≤' || sign === '<')) {
    throw stopAt(token, 'what the sum or product runs over is not read');
  }
  const moved = (expr: Expr, by: bigint): Expr =>
    by === 0n
      ? expr
      : make(expr.from, expr.to, {
          kind: 'add',
          terms: [expr, atToken(token, { kind: 'number', value: by })],
        });
  const bounds = parts.map((part) => reader.expression(part, token));
  // Each index runs from the bound or index before it up to the last bound.
  const last = moved(bounds.at(-1) as Expr, signs.at(-1) === '<' ? -1n : 0n);
  return parts.slice(1, -1).map((part, i) => ({
    index: indexName(part, token),
    over: { kind: 'between', first: moved(bounds[i] as Expr, signs[i] === '<' ? 1n : 0n), last },
  }));
}

function indexName(tokens: readonly Token[], near: Token): string {
  const [only, ...others] = tokens;
  if (only?.t !== 'letter' || others.length || only.sub) {
    throw stopAt(near, 'what the sum or product runs over is not read');
  }
  return only.name;
}

function integral(reader: Reader, cursor: Cursor, token: BigToken): Expr {
  const { tokens } = cursor;
  const start = cursor.at + 1;
  const end = differential(tokens, start);
  if (end === null) return throughFraction(reader, cursor, token, start);
  const variable = letterAt(tokens, end + 1) as string;
  const inner = tokens.slice(start, end);
  const body = inner.length
    ? reader.expression(inner, token)
    : atToken(token, { kind: 'number', value: 1n });
  cursor.at = end + 2;
  return integralOf(reader, token, variable, body, tokens[end + 1]?.to ?? token.to);
}

function integralOf(
  reader: Reader,
  token: BigToken,
  variable: string,
  body: Expr,
  to: number,
): Expr {
  if (!token.sub !== !token.sup) throw stopAt(token, 'an integral over a region is not worked out');
  const bounds =
    token.sub && token.sup
      ? ([reader.ofList(token.sub, token), reader.ofList(token.sup, token)] as const)
      : null;
  return make(token.from, to, { kind: 'integral', variable, bounds, body });
}

/** Where the `d` stands that ends an integral which begins before `start`. */
function differential(tokens: readonly Token[], start: number): number | null {
  let open = 1;
  for (let i = start; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.t === 'big' && token.char === '∫') open++;
    if (isD(token) && letterAt(tokens, i + 1) !== null && --open === 0) return i;
  }
  return null;
}

const isD = (token: Token | undefined): boolean =>
  token?.t === 'letter' && token.name === 'd' && !token.sub && !token.sup;

function letterAt(tokens: readonly Token[], at: number): string | null {
  const token = tokens[at];
  return token?.t === 'letter' && !token.sub ? token.name : null;
}

/** `\int \frac{dx}{x}`: the differential stands in a numerator. */
function throughFraction(reader: Reader, cursor: Cursor, token: BigToken, start: number): Expr {
  const { tokens } = cursor;
  const at = tokens.findIndex(
    (part, i) =>
      i >= start && part.t === 'fraction' && differential(reader.tokens(part.node.num), 0) !== null,
  );
  const part = tokens[at];
  if (part?.t !== 'fraction') throw stopAt(token, 'the integral has no differential (dx)');
  const top = reader.tokens(part.node.num);
  const d = differential(top, 0) as number;
  const rest = [...top.slice(0, d), ...top.slice(d + 2)];
  const one = atToken(part, { kind: 'number', value: 1n });
  const quotient = atToken(part, {
    kind: 'divide',
    top: rest.length ? reader.expression(rest, part) : one,
    bottom: reader.ofList(part.node.den, part),
  });
  const before = tokens.slice(start, at);
  const body = before.length
    ? make(token.from, part.to, {
        kind: 'multiply',
        factors: [reader.expression(before, token), quotient],
      })
    : quotient;
  cursor.at = at + 1;
  return integralOf(reader, token, letterAt(top, d + 1) as string, body, part.to);
}

/** `\lim_{x \to 0^+} …`. */
export function limit(reader: Reader, cursor: Cursor): Expr {
  const token = peek(cursor) as Token;
  cursor.at++;
  const below = reader.tokens(token.sub ?? []);
  const [letter, arrow, ...rest] = below;
  if (letter?.t !== 'letter' || arrow?.t !== 'relation' || arrow.char !== '→' || !rest.length) {
    throw stopAt(token, 'it is not read where the limit goes');
  }
  const { target, side } = sided(reader, rest);
  const point = reader.expression(target, token);
  const body = bodyOf(reader, cursor, token);
  return make(token.from, body.to, { kind: 'limit', variable: letter.name, point, side, body });
}

function sided(
  reader: Reader,
  rest: readonly Token[],
): { target: readonly Token[]; side: 1 | -1 | 0 } {
  const last = rest.at(-1) as Token;
  const sup: MathList | null = last.sup;
  const [sign, ...more] = sup ? reader.tokens(sup) : [];
  if (sign?.t !== 'sign' || more.length || !/^[+-]$/.test(sign.char))
    return { target: rest, side: 0 };
  return {
    target: [...rest.slice(0, -1), { ...last, sup: null }],
    side: sign.char === '+' ? 1 : -1,
  };
}

interface DerivativeSign {
  readonly variable: string;
  readonly order: number;
  /** What stands behind the `d` in the numerator. */
  readonly of: readonly Token[];
}

/** Is a fraction `d/dx`, `d^2y/dx^2` or with `∂`? */
export function derivativeSign(reader: Reader, token: Token): DerivativeSign | null {
  if (token.t !== 'fraction') return null;
  const [d, ...of] = reader.tokens(token.node.num);
  const [below, letter, ...more] = reader.tokens(token.node.den);
  const sign = (one: Token | undefined): string =>
    one && 'name' in one ? one.name : one && 'char' in one ? one.char : '';
  if (!/^[d∂]$/.test(sign(d)) || sign(below) !== sign(d) || letter?.t !== 'letter' || more.length)
    return null;
  const order = d?.sup ? reader.tokens(d.sup) : [];
  const [count] = order;
  if (order.length === 0) return letter.sup ? null : { variable: letter.name, order: 1, of };
  if (order.length > 1 || count?.t !== 'number' || typeof count.value !== 'bigint') return null;
  return { variable: letter.name, order: Number(count.value), of };
}

export function derivative(reader: Reader, cursor: Cursor, sign: DerivativeSign): Expr {
  const token = peek(cursor) as Token;
  cursor.at++;
  const { variable, order } = sign;
  const next = peek(cursor);
  if (!sign.of.length && !next) throw stopAt(token, 'it is not written what is differentiated');
  const body = sign.of.length
    ? reader.expression(sign.of, token)
    : next?.t === 'bracket'
      ? (reader.factor(cursor) as Expr)
      : bodyOf(reader, cursor, token);
  return make(token.from, body.to, { kind: 'derivative', variable, order, body });
}
