import type { MathList } from '@odd-compass/engine/written';
import { bars, bracket, evaluated } from './brackets';
import { bigOperator, derivative, derivativeSign, limit } from './bigOperators';
import { application, isApplied, isFunctionWord, namedCall } from './calls';
import type { Expr } from './expression';
import { accented, named } from './letterNames';
import {
  atToken,
  make,
  NO_NAMES,
  peek,
  stopAt,
  Unreadable,
  USUAL,
  type Cursor,
  type Habits,
  type Names,
  type Reader,
} from './reader';
import { mixedNumber, numberKind } from './numerals';
import { power } from './scripts';
import { arrayExpression } from './arrays';
import { tokensOf, type Token } from './tokens';

/**
 * Reads written mathematics the way mathematicians do: recursive descent over sums, products and factors, in which
 * factors that stand side by side are multiplied. `offset` is where the formula's block starts in the text.
 */
export function readerFor(offset: number, names: Names = NO_NAMES, habits: Habits = USUAL): Reader {
  const reader: Reader = {
    habits,
    names,
    doubts: new Set(),
    expression: (tokens, near) => whole(reader, tokens, near),
    ofList: (list: MathList, near) => whole(reader, reader.tokens(list), near),
    tokens: (list) => tokensOf(list, offset),
    factor: (cursor) => factor(reader, cursor),
    term: (cursor) => term(reader, cursor),
  };
  return reader;
}

/** All tokens as one expression. */
function whole(reader: Reader, tokens: readonly Token[], near: Token | null): Expr {
  const cursor = { tokens: tokens.filter(({ t }) => t !== 'gap'), at: 0 };
  if (cursor.tokens.length === 0) {
    throw new Unreadable('nothing stands here', near?.from ?? 0, near?.to ?? 0);
  }
  let expr = sum(reader, cursor);
  let rest = peek(cursor);
  // `F(x) \Big|_a^b` takes all that stands before it.
  while (rest?.t === 'bar' && rest.sub) {
    cursor.at++;
    expr = evaluated(reader, expr, rest);
    if (isSum(peek(cursor))) {
      const more = sum(reader, cursor);
      expr = make(expr.from, more.to, { kind: 'add', terms: [expr, more] });
    }
    rest = peek(cursor);
  }
  if (rest) throw stopAt(rest, whyNot(rest));
  return expr;
}

function whyNot(token: Token): string {
  switch (token.t) {
    case 'text':
      return `the words “${token.words}” stand in the formula`;
    case 'comma':
      return 'a list stands where a value is wanted';
    case 'relation':
      return 'a relation stands within an expression';
    case 'sign':
    case 'loose':
    case 'big':
      return `the sign ${token.char} is not read here`;
    case 'unread':
      return `${token.what} is not read`;
    case 'dots':
      return 'dots stand where they show no pattern';
    default:
      return 'this is not read as a value';
  }
}

type Sign = '+' | '-' | '±' | '∓';
type Part = { readonly sign: Sign; readonly expr: Expr } | 'dots';

const isSum = (token: Token | undefined): token is Token & { t: 'sign' } =>
  token?.t === 'sign' && /^[-+±∓]$/.test(token.char);

function sum(reader: Reader, cursor: Cursor): Expr {
  const parts: Part[] = [];
  const start = peek(cursor) as Token;
  do {
    const sign = signsAt(cursor);
    if (peek(cursor)?.t === 'dots') {
      cursor.at++;
      parts.push('dots');
    } else {
      parts.push({ sign, expr: term(reader, cursor) });
    }
  } while (isSum(peek(cursor)));
  const to = cursor.tokens[cursor.at - 1]?.to ?? start.to;
  return joinedSum(parts, start.from, to);
}

/** The signs before a term, two of minus being none. */
function signsAt(cursor: Cursor): Sign {
  let sign: Sign = '+';
  for (let token = peek(cursor); isSum(token); token = peek(cursor)) {
    const char = token.char as Sign;
    if (char !== '+') sign = sign === '-' && char === '-' ? '+' : char;
    cursor.at++;
  }
  return sign;
}

function joinedSum(parts: readonly Part[], from: number, to: number): Expr {
  const signed = parts.map((part) => (part === 'dots' ? null : withSign(part)));
  const dots = signed.indexOf(null);
  const terms =
    dots < 0
      ? (signed as Expr[])
      : withDots('sum', signed.slice(0, dots), signed.slice(dots + 1), from, to);
  if (terms.includes(null as never)) {
    throw new Unreadable('dots stand where they show no pattern', from, to);
  }
  return terms.length === 1 ? (terms[0] as Expr) : make(from, to, { kind: 'add', terms });
}

function withDots(
  op: 'sum' | 'product',
  shown: readonly (Expr | null)[],
  after: readonly (Expr | null)[],
  from: number,
  to: number,
): Expr[] {
  const [last = null, ...rest] = after;
  if (shown.length === 0) throw new Unreadable('dots stand where they show no pattern', from, to);
  const dots = make(from, to, { kind: 'dots', op, shown: shown as Expr[], last });
  return [dots, ...(rest as Expr[])];
}

function withSign({ sign, expr }: Exclude<Part, 'dots'>): Expr {
  if (sign === '+') return expr;
  if (sign === '-') return make(expr.from, expr.to, { kind: 'negate', body: expr });
  return make(expr.from, expr.to, { kind: 'sign', sign: sign === '±' ? 1 : -1, body: expr });
}

const isTimes = (token: Token | undefined): boolean =>
  token?.t === 'sign' && /^[⋅×*]$/.test(token.char);
const isOver = (token: Token | undefined): boolean =>
  token?.t === 'sign' && /^[/÷]$/.test(token.char);

/** A product: runs of factors side by side, with signs between the runs. */
function term(reader: Reader, cursor: Cursor): Expr {
  let result = run(reader, cursor);
  for (let token = peek(cursor); token; token = peek(cursor)) {
    if (isTimes(token)) {
      if (token.t === 'sign' && token.char === '*' && !isBesideNumber(cursor)) {
        throw stopAt(token, 'the sign * may be an operation of its own');
      }
      cursor.at++;
      if (peek(cursor)?.t === 'dots') {
        result = { ...result, factors: [...result.factors, null], explicit: true };
        cursor.at++;
        if (isTimes(peek(cursor))) cursor.at++;
      }
      const next = run(reader, cursor);
      const isCross = token.t === 'sign' && token.char === '×';
      result =
        isCross && !result.factors.includes(null) ? crossed(result, next) : chained(result, next);
    } else if (isOver(token)) {
      cursor.at++;
      result = divided(reader, cursor, result);
    } else if (token.t === 'sign' && token.char === 'mod') {
      cursor.at++;
      const n = joinedProduct(run(reader, cursor));
      const a = joinedProduct(result);
      const args = [a, n];
      result = single(make(a.from, n.to, { kind: 'call', fn: 'mod', args }));
    } else break;
  }
  return joinedProduct(result);
}

const isBesideNumber = ({ tokens, at }: Cursor): boolean =>
  tokens[at - 1]?.t === 'number' || tokens[at + 1]?.t === 'number';

/** Factors of a product; null stands for dots. */
interface Product {
  readonly factors: readonly (Expr | null)[];
  /** A sign of multiplication stands between runs of them. */
  readonly explicit: boolean;
}

const single = (expr: Expr): Product => ({ factors: [expr], explicit: false });

function chained(left: Product, right: Product): Product {
  const one = (side: Product): readonly (Expr | null)[] =>
    side.factors.includes(null) ? parted(side.factors) : [joinedProduct(side)];
  const before = left.explicit ? left.factors : one(left);
  return { factors: [...before, ...one(right)], explicit: true };
}

/** Each stretch between dots as one factor. */
function parted(factors: readonly (Expr | null)[]): readonly (Expr | null)[] {
  const at = factors.indexOf(null);
  if (at < 0) return [joinedProduct({ factors, explicit: false })];
  const [before, after] = [factors.slice(0, at), factors.slice(at + 1)];
  return [...(before.length ? parted(before) : []), null, ...(after.length ? parted(after) : [])];
}

function crossed(left: Product, right: Product): Product {
  const [a, b] = [joinedProduct(left), right];
  // Numbers multiplied one by one may still go on with dots.
  if (b.factors.includes(null) || a.kind === 'number') return chained(left, right);
  const other = joinedProduct(b);
  return single(make(a.from, other.to, { kind: 'cross', left: a, right: other }));
}

function divided(reader: Reader, cursor: Cursor, top: Product): Product {
  const first = factor(reader, cursor);
  if (!first) throw missing(cursor, '/');
  const below: Expr[] = [first];
  const beside = peek(cursor);
  if (beside && startsFactor(beside)) {
    reader.doubts.add('slash');
    if (reader.habits.slash === 'run') {
      for (let next = factor(reader, cursor); next; next = factor(reader, cursor)) below.push(next);
    }
  }
  const bottom = joinedProduct({ factors: below, explicit: false });
  const above = joinedProduct(top);
  const quotient = make(above.from, bottom.to, { kind: 'divide', top: above, bottom });
  const more = startsFactor(peek(cursor)) ? run(reader, cursor).factors : [];
  return { factors: [quotient, ...more], explicit: false };
}

function missing(cursor: Cursor, sign: string): Unreadable {
  const token = peek(cursor) ?? (cursor.tokens[cursor.at - 1] as Token);
  return stopAt(token, `nothing that is read stands beside ${sign}`);
}

function joinedProduct({ factors, explicit }: Product): Expr {
  const [first] = factors;
  const from = first?.from ?? 0;
  const to = factors.at(-1)?.to ?? from;
  const at = factors.indexOf(null);
  if (at < 0) {
    return factors.length === 1
      ? (first as Expr)
      : make(from, to, { kind: 'multiply', factors: factors as Expr[] });
  }
  const shown = factors.slice(0, at);
  // What follows the dots side by side is one factor, but where a bracket closes it.
  const after = factors.slice(at + 1);
  const last = explicit || after[0]?.kind === 'add' ? after : wholeRest(after);
  const all = withDots('product', shown, last, from, to);
  return all.length === 1 ? (all[0] as Expr) : make(from, to, { kind: 'multiply', factors: all });
}

const wholeRest = (after: readonly (Expr | null)[]): readonly (Expr | null)[] =>
  after.length ? [joinedProduct({ factors: after, explicit: false })] : [];

/** Factors that stand side by side, at least one. */
function run(reader: Reader, cursor: Cursor): Product {
  const factors: (Expr | null)[] = [];
  for (let token = peek(cursor); token; token = peek(cursor)) {
    if (token.t === 'dots' && factors.length) {
      factors.push(null);
      cursor.at++;
      if (isTimes(peek(cursor))) cursor.at++;
      continue;
    }
    // A sign behind `\cdot` or a slash belongs to its factor.
    if (factors.length === 0 && isSum(token) && token.char === '-') {
      cursor.at++;
      const inner = joinedProduct(run(reader, cursor));
      return single(make(token.from, inner.to, { kind: 'negate', body: inner }));
    }
    const next = factor(reader, cursor);
    if (!next) break;
    const mixed = mixedNumber(reader, factors.at(-1) ?? null, next);
    if (mixed) factors.pop();
    factors.push(mixed ?? next);
  }
  if (factors.length === 0) {
    const token = peek(cursor);
    throw token ? stopAt(token, whyNot(token)) : missing(cursor, 'the last sign');
  }
  return { factors, explicit: false };
}

function startsFactor(token: Token | undefined): boolean {
  if (!token) return false;
  return [
    'number',
    'letter',
    'word',
    'big',
    'bracket',
    'fraction',
    'root',
    'array',
    'accent',
  ].includes(token.t);
}

/** One factor with what stands behind it: powers, factorials, percent. */
function factor(reader: Reader, cursor: Cursor): Expr | null {
  const start = cursor.at;
  const base = atom(reader, cursor);
  if (!base) {
    cursor.at = start;
    return null;
  }
  return withPostfix(cursor, base);
}

function withPostfix(cursor: Cursor, base: Expr): Expr {
  let expr = base;
  for (let token = peek(cursor); token?.t === 'sign'; token = peek(cursor)) {
    const { from } = expr;
    const call = (fn: string): Expr =>
      make(from, token?.to ?? from, { kind: 'call', fn, args: [expr] });
    if (token.char === '!') {
      const next = cursor.tokens[cursor.at + 1];
      const twice = next?.t === 'sign' && next.char === '!';
      expr = call(twice ? 'doubleFactorial' : 'factorial');
      cursor.at += twice ? 2 : 1;
    } else if (token.char === '%') {
      const hundred = atToken(token, { kind: 'number', value: 100n });
      expr = make(from, token.to, { kind: 'divide', top: expr, bottom: hundred });
      cursor.at++;
    } else break;
  }
  return expr;
}

function atom(reader: Reader, cursor: Cursor): Expr | null {
  const token = peek(cursor);
  if (!token) return null;
  const done = (expr: Expr): Expr => {
    cursor.at++;
    return power(reader, expr, token);
  };
  switch (token.t) {
    case 'number':
      if (token.doubt) reader.doubts.add('comma');
      if (token.sub) throw stopAt(token, 'a number with an index is in another base');
      return done(atToken(token, numberKind(reader, token)));
    case 'letter':
      return letter(reader, cursor, token);
    case 'word':
      if (token.name === 'lim') return limit(reader, cursor);
      return isFunctionWord(token) ? namedCall(reader, cursor) : wordName(reader, cursor, token);
    case 'big':
      return bigOperator(reader, cursor);
    case 'fraction':
      return fractionAtom(reader, cursor, token);
    case 'root':
      return done(rootExpression(reader, token));
    case 'bracket':
      return bracket(reader, cursor, token);
    case 'bar':
      return bars(reader, cursor, token);
    case 'array':
      return done(arrayExpression(reader, token, token.node));
    case 'accent':
      return done(accented(reader, token));
    case 'sign':
      if (token.char === '∞') return done(atToken(token, { kind: 'constant', name: 'infinity' }));
      if (token.char === 'ℜ' || token.char === 'ℑ') return partOf(reader, cursor, token);
      return null;
    default:
      return null;
  }
}

function letter(reader: Reader, cursor: Cursor, token: Extract<Token, { t: 'letter' }>): Expr {
  const next = cursor.tokens[cursor.at + 1];
  if (token.name === 'ℜ' || token.name === 'ℑ') return partOf(reader, cursor, token);
  if (next?.t === 'bracket' && isApplied(reader, token, next)) {
    cursor.at += 2;
    return application(reader, token, next);
  }
  cursor.at++;
  return power(reader, named(reader, token), token);
}

/** `\Re z`, `\Im(z)`. */
function partOf(reader: Reader, cursor: Cursor, token: Token & { t: 'sign' | 'letter' }): Expr {
  cursor.at++;
  const fn = ('char' in token ? token.char : token.name) === 'ℜ' ? 're' : 'im';
  const arg = factor(reader, cursor);
  if (!arg) throw stopAt(token, 'nothing stands behind the sign');
  return make(token.from, arg.to, { kind: 'call', fn, args: [arg] });
}

/** A word that is no function names a quantity. */
function wordName(reader: Reader, cursor: Cursor, token: Extract<Token, { t: 'word' }>): Expr {
  cursor.at++;
  if (token.sub || cursor.tokens[cursor.at]?.t === 'bracket') {
    throw stopAt(token, `“${token.name}” is not known here`);
  }
  return power(reader, atToken(token, { kind: 'name', name: token.name }), token);
}

function fractionAtom(
  reader: Reader,
  cursor: Cursor,
  token: Extract<Token, { t: 'fraction' }>,
): Expr {
  const sign = derivativeSign(reader, token);
  if (sign && !token.sup) return derivative(reader, cursor, sign);
  cursor.at++;
  const { node } = token;
  const top = reader.ofList(node.num, token);
  const bottom = reader.ofList(node.den, token);
  if (node.bar === 0) {
    if (node.left !== '(' || node.right !== ')')
      throw stopAt(token, 'one over another without a bar is not read');
    const args = [top, bottom];
    return power(reader, atToken(token, { kind: 'call', fn: 'binomial', args }), token);
  }
  return power(reader, atToken(token, { kind: 'divide', top, bottom }), token);
}

function rootExpression(reader: Reader, token: Extract<Token, { t: 'root' }>): Expr {
  const body = reader.ofList(token.body, token);
  if (!token.degree?.length) return atToken(token, { kind: 'call', fn: 'sqrt', args: [body] });
  const args = [body, reader.ofList(token.degree, token)];
  return atToken(token, { kind: 'call', fn: 'root', args });
}
