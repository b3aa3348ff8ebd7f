import type { Expr } from './expression';
import { make, partedAtCommas, peek, stopAt, type Cursor, type Reader } from './reader';
import { plainNumber, power, primesIn } from './scripts';
import type { Token } from './tokens';

type WordToken = Extract<Token, { t: 'word' }>;
type LetterToken = Extract<Token, { t: 'letter' }>;
type Bracket = Extract<Token, { t: 'bracket' }>;

/** Names of functions as they are written, and what they are here. */
const KNOWN: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    (
      'sin cos tan cot sec csc arcsin arccos arctan arccot sinh cosh tanh coth arsinh arcosh artanh ' +
      'exp ln log lg max min gcd lcm det tr rank dim sgn arg'
    )
      .split(' ')
      .map((name) => [name, name]),
  ),
  arcsinh: 'arsinh',
  arccosh: 'arcosh',
  arctanh: 'artanh',
  tg: 'tan',
  ctg: 'cot',
  cosec: 'csc',
  asin: 'arcsin',
  acos: 'arccos',
  atan: 'arctan',
  trace: 'tr',
  Tr: 'tr',
  rk: 'rank',
  rg: 'rank',
  rang: 'rank',
  sign: 'sgn',
  ggT: 'gcd',
  kgV: 'lcm',
  hcf: 'gcd',
  Re: 're',
  Im: 'im',
  Arg: 'arg',
  Log: 'log',
  conj: 'conj',
  inf: 'min',
  sup: 'max',
};

/** Functions of as many numbers as are given. */
const OF_MANY = new Set(['max', 'min', 'gcd', 'lcm']);
const INVERSES: Readonly<Record<string, string>> = {
  sin: 'arcsin',
  cos: 'arccos',
  tan: 'arctan',
  cot: 'arccot',
  sinh: 'arsinh',
  cosh: 'arcosh',
  tanh: 'artanh',
};

export const isFunctionWord = (token: Token): boolean => token.t === 'word' && token.name in KNOWN;

/** `\sin^2 2x`, `\log_2(n)`, `\max\{a, b\}`: a named function with its argument. */
export function namedCall(reader: Reader, cursor: Cursor): Expr {
  const token = peek(cursor) as WordToken;
  const fn = KNOWN[token.name];
  if (!fn) throw stopAt(token, `“${token.name}” is no function that is read here`);
  cursor.at++;
  const { args, behind } = OF_MANY.has(fn)
    ? listArgument(reader, cursor, token)
    : argument(reader, cursor, token);
  const end = args.at(-1)?.to ?? token.to;
  const all = token.sub ? [...args, base(reader, token, fn)] : args;
  if (!token.sub && (fn === 'log' || fn === 'lg')) reader.doubts.add('log');
  const call = raised(reader, token, fn, all, end);
  return behind ? power(reader, call, behind) : call;
}

/** The base of a logarithm; nothing else has a sign below it. */
function base(reader: Reader, token: WordToken, fn: string): Expr {
  if (fn === 'log') return reader.ofList(token.sub ?? [], token);
  throw stopAt(token, `what stands under “${token.name}” is not read`);
}

interface Arguments {
  readonly args: readonly Expr[];
  /** The bracket whose exponent is that of the value. */
  readonly behind: Bracket | null;
}

/** The exponent of a function's name is that of its value, but for -1, which is the inverse. */
function raised(
  reader: Reader,
  token: WordToken,
  fn: string,
  args: readonly Expr[],
  to: number,
): Expr {
  const call = (name: string): Expr => make(token.from, to, { kind: 'call', fn: name, args });
  if (!token.sup) return call(fn);
  const exponent = reader.ofList(token.sup, token);
  if (plainNumber(exponent) === -1n) {
    const inverse = INVERSES[fn];
    if (!inverse) throw stopAt(token, `the inverse of ${token.name} is not read`);
    return call(inverse);
  }
  return make(token.from, to, { kind: 'power', base: call(fn), exponent });
}

function listArgument(reader: Reader, cursor: Cursor, token: WordToken): Arguments {
  const bracket = peek(cursor);
  if (bracket?.t !== 'bracket' || !isPlain(bracket)) {
    return argument(reader, cursor, token);
  }
  cursor.at++;
  return { args: argumentsIn(reader, bracket), behind: null };
}

const isPlain = ({ sup, sub }: Token): boolean => !sup && !sub;

/** What a bracket holds, parted at commas. */
export function argumentsIn(reader: Reader, bracket: Bracket): readonly Expr[] {
  return partedAtCommas(bracket.inner).map((part) => reader.expression(part, bracket));
}

/** The argument of a function: a bracket, or the factors that stand beside it. */
function argument(reader: Reader, cursor: Cursor, token: Token): Arguments {
  const next = peek(cursor);
  if (next?.t === 'bracket' && next.open !== '{') {
    if (next.sup) return bracketThenExponent(reader, cursor, next);
    const behind = cursor.tokens[cursor.at + 1]?.t;
    const more = behind && /^(number|letter|fraction|root|bracket)$/.test(behind);
    if (more) reader.doubts.add('argument');
    if (!more || reader.habits.argument !== 'brackets') {
      cursor.at++;
      return only(reader.expression(next.inner, next));
    }
  }
  if (next?.t === 'word' && isFunctionWord(next)) return only(namedCall(reader, cursor));
  const factors: Expr[] = [];
  const start = cursor.at;
  for (;;) {
    const here = peek(cursor);
    if (!here || !continues(reader, here, factors)) break;
    const factor = reader.factor(cursor);
    if (!factor) break;
    factors.push(factor);
  }
  if (factors.length === 0) {
    cursor.at = start;
    throw stopAt(token, 'a function stands without its argument');
  }
  const [first] = factors as [Expr];
  return only(
    factors.length === 1
      ? first
      : make(first.from, factors.at(-1)?.to ?? first.to, { kind: 'multiply', factors }),
  );
}

const only = (arg: Expr): Arguments => ({ args: [arg], behind: null });

/** Does the argument go on with this token? */
function continues(reader: Reader, token: Token, before: readonly Expr[]): boolean {
  const { argument } = reader.habits;
  const onlyNumbers = before.every(({ kind }) => kind === 'number');
  if (
    token.t === 'number' ||
    token.t === 'letter' ||
    token.t === 'fraction' ||
    token.t === 'root'
  ) {
    if (token.t === 'letter' && token.name === 'd' && before.length) return false;
    if (onlyNumbers) return true;
    reader.doubts.add('argument');
    return argument !== 'one';
  }
  if (token.t === 'accent' || token.t === 'bar' || token.t === 'array') return before.length === 0;
  if (token.t !== 'bracket') return false;
  if (before.length === 0) return true;
  reader.doubts.add('argument');
  return argument === 'brackets' || (argument === 'run' && onlyNumbers);
}

function bracketThenExponent(reader: Reader, cursor: Cursor, bracket: Bracket): Arguments {
  reader.doubts.add('exponent');
  cursor.at++;
  const inner = reader.expression(bracket.inner, bracket);
  return reader.habits.exponent === 'argument'
    ? only(power(reader, inner, bracket))
    : { args: [inner], behind: bracket };
}

/** Is a letter with a bracket behind it a function of what the bracket holds? */
export function isApplied(reader: Reader, letter: LetterToken, bracket: Bracket): boolean {
  if (/^([OoΘΩ]|𝒪.?)$/u.test(letter.name)) {
    throw stopAt(letter, 'an order of growth is not tested');
  }
  if (bracket.open !== '(' || bracket.close !== ')' || bracket.inner.length === 0) return false;
  if (letter.sub && !reader.names.functions.has(letter.name)) return false;
  if (letter.sup && primesIn(reader, letter.sup) === null) return false;
  if (reader.names.functions.has(letter.name) || letter.sup) return true;
  if (reader.names.numbers.has(letter.name)) return false;
  if (/^[fghFGHφψϕ]$/.test(letter.name)) return true;
  const [only, ...others] = bracket.inner;
  const single = others.length === 0 && only?.t === 'letter' && !only.sup && !only.sub;
  if (single && only.name !== letter.name && !/^[nmkabc]$/.test(letter.name)) return true;
  const looks = /^[A-Z]$/.test(letter.name) && (single || partedAtCommas(bracket.inner).length > 1);
  if (looks) return true;
  reader.doubts.add('applied');
  return reader.habits.applied === 'function';
}

/** `f''(x, y)`. */
export function application(reader: Reader, letter: LetterToken, bracket: Bracket): Expr {
  const primes = letter.sup ? (primesIn(reader, letter.sup) ?? 0) : 0;
  const name = letter.sub ? `${letter.name}_${subText(reader, letter)}` : letter.name;
  const args = argumentsIn(reader, bracket);
  const call = make(letter.from, bracket.to, { kind: 'apply', name, primes, args });
  return bracket.sup ? power(reader, call, bracket) : call;
}

function subText(reader: Reader, letter: LetterToken): string {
  return reader
    .tokens(letter.sub ?? [])
    .map((token) => ('name' in token ? token.name : 'value' in token ? String(token.value) : '?'))
    .join('');
}
