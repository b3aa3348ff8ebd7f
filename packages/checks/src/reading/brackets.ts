import { arrayExpression } from './arrays';
import { argumentsIn } from './calls';
import type { Expr } from './expression';
import { atToken, make, stopAt, type Cursor, type Reader } from './reader';
import { power } from './scripts';
import type { Token } from './tokens';

const BRACKET_CALLS: Readonly<Record<string, string>> = {
  '||': 'abs',
  '‖‖': 'norm',
  '⌊⌋': 'floor',
  '⌈⌉': 'ceil',
};

export function bracket(
  reader: Reader,
  cursor: Cursor,
  token: Extract<Token, { t: 'bracket' }>,
): Expr {
  cursor.at++;
  const { open, close, inner, sup, sub } = token;
  if (sub && (close === ']' || close === '|' || close === ')') && close !== open)
    return difference(reader, token);
  const [only, ...others] = inner;
  if (only?.t === 'array' && others.length === 0 && !only.node.left) {
    return power(
      reader,
      arrayExpression(reader, token, { ...only.node, left: open, right: close }),
      token,
    );
  }
  const call = BRACKET_CALLS[`${open ?? ''}${close ?? ''}`];
  if (call) {
    const args = [reader.expression(inner, token)];
    return power(reader, atToken(token, { kind: 'call', fn: call, args }), token);
  }
  if (sub) throw stopAt(token, 'what stands below the bracket is not read');
  const parts = argumentsIn(reader, token);
  if (open === '〈' && parts.length === 2) {
    return atToken(token, { kind: 'call', fn: 'inner', args: parts });
  }
  const [value, ...more] = parts;
  if (more.length) {
    if (open !== '(' || close !== ')' || sup)
      throw stopAt(token, 'a list stands where a value is wanted');
    if (parts.length === 2) {
      reader.doubts.add('pair');
      if (reader.habits.pair === 'gcd') {
        return atToken(token, { kind: 'call', fn: 'gcd', args: parts });
      }
    }
    // A point or vector, written as its coordinates.
    return atToken(token, { kind: 'matrix', rows: parts.map((part) => [part]) });
  }
  if (open === null || close === null || open === '{') {
    if (open !== '{' || close !== '}') throw stopAt(token, 'a bracket has no partner');
  }
  if (open === '[' && close === '[')
    throw stopAt(token, 'an interval stands where a value is wanted');
  return power(reader, { ...(value as Expr), from: token.from, to: token.to }, token);
}

/** `[F(x)]_a^b`, `F(x)|_{x=a}`. */
function difference(reader: Reader, token: Extract<Token, { t: 'bracket' }>): Expr {
  const body = reader.expression(token.inner, token);
  return evaluated(reader, body, token);
}

export function evaluated(reader: Reader, body: Expr, token: Token): Expr {
  const below = reader.tokens(token.sub ?? []);
  const equals = below.findIndex((part) => part.t === 'relation' && part.char === '=');
  const name = below[0];
  const named = equals === 1 && name?.t === 'letter' ? name.name : null;
  const first = reader.expression(named ? below.slice(2) : below, token);
  const last = token.sup ? upper(reader, token, named) : null;
  const bounds = last ? ([first, last] as const) : ([null, first] as const);
  const from = Math.min(body.from, token.from);
  return make(from, token.to, { kind: 'difference', variable: named ?? '', bounds, body });
}

function upper(reader: Reader, token: Token, named: string | null): Expr {
  const above = reader.tokens(token.sup ?? []);
  const repeats = named && above[1]?.t === 'relation';
  return reader.expression(repeats ? above.slice(2) : above, token);
}

/** `|x|`, `\|v\|`; a bar with bounds takes what stands before it. */
export function bars(
  reader: Reader,
  cursor: Cursor,
  token: Extract<Token, { t: 'bar' }>,
): Expr | null {
  if (token.side === 'close') return null;
  const { tokens } = cursor;
  let depth = 0;
  let lastOpened = cursor.at;
  for (let i = cursor.at + 1; i < tokens.length; i++) {
    const part = tokens[i];
    if (part?.t !== 'bar' || part.char !== token.char) continue;
    // A bar behind a sign or an opening bar opens, one behind a value closes.
    const opens = part.side === null && (lastOpened === i - 1 || opensHere(tokens[i - 1]));
    if (part.side === 'open' || opens) {
      lastOpened = i;
      depth++;
      continue;
    }
    if (depth-- > 0) continue;
    const inner = tokens.slice(cursor.at + 1, i);
    const fn = token.char === '|' ? 'abs' : 'norm';
    const args = [reader.expression(inner, token)];
    const call = make(token.from, part.to, { kind: 'call', fn, args });
    if (part.sub && fn === 'abs') return null;
    if (part.sub) throw stopAt(part, 'which norm the index means is not read');
    cursor.at = i + 1;
    return power(reader, call, part);
  }
  return null;
}

const opensHere = (before: Token | undefined): boolean =>
  !before ||
  before.t === 'relation' ||
  before.t === 'comma' ||
  before.t === 'word' ||
  (before.t === 'sign' && !/^[!%′]$/.test(before.char));
