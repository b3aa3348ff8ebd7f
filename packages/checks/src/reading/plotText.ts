import { asFraction, CannotTell } from '../numbers/value';
import type { Condition, Expr } from './expression';

/** How strongly a text holds together: sums least, numbers and calls most. */
const [SUM, PRODUCT, ATOM] = [0, 1, 2];

interface Printed {
  readonly text: string;
  readonly binds: number;
}

/**
 * An expression in the arithmetic of the picture language, its one name written `x`; angles are turned from radians.
 * Throws `CannotTell` for what that arithmetic does not have.
 */
export const plotText = (expr: Expr): string => print(expr).text;

const atom = (text: string): Printed => ({ text, binds: ATOM });
const within = (expr: Expr, binds: number): string => {
  const printed = print(expr);
  return printed.binds >= binds ? printed.text : `(${printed.text})`;
};

function print(expr: Expr): Printed {
  switch (expr.kind) {
    case 'number':
      return number(expr.value);
    case 'constant':
      if (expr.name === 'pi' || expr.name === 'e') return atom(expr.name);
      throw new CannotTell('a plot has no such number');
    case 'name':
      return atom('x');
    case 'call':
      return call(expr.fn, expr.args);
    case 'add':
      return { text: expr.terms.map(addend).join(''), binds: SUM };
    case 'multiply':
      return { text: expr.factors.map((factor) => within(factor, ATOM)).join('*'), binds: PRODUCT };
    case 'negate':
      return { text: `-${within(expr.body, ATOM)}`, binds: SUM };
    case 'divide':
      return { text: `${within(expr.top, ATOM)}/${within(expr.bottom, ATOM)}`, binds: PRODUCT };
    case 'power':
      return power(expr.base, expr.exponent);
    case 'cases':
      return cases(expr);
    default:
      throw new CannotTell('the language of plots does not say this');
  }
}

function addend(term: Expr, i: number): string {
  if (term.kind === 'negate') return `-${within(term.body, PRODUCT)}`;
  return `${i ? '+' : ''}${within(term, PRODUCT)}`;
}

function number(value: Extract<Expr, { kind: 'number' }>['value']): Printed {
  if (typeof value === 'bigint') return { text: String(value), binds: value < 0n ? SUM : ATOM };
  const { s, n, d } = asFraction(value);
  const decimal = /^[25]*$/.test(primesOf(d)) ? String(Number(n) / Number(d)) : null;
  if (decimal !== null && s > 0n) return atom(decimal);
  return { text: `${s < 0n ? '-' : ''}${decimal ?? `${n}/${d}`}`, binds: s < 0n ? SUM : PRODUCT };
}

/** The twos and fives of a denominator, and an x where there is more. */
function primesOf(d: bigint): string {
  let rest = d;
  let primes = '';
  for (const p of [2n, 5n]) {
    for (; rest % p === 0n; rest /= p) primes += String(p);
  }
  return rest === 1n ? primes : 'x';
}

function power(base: Expr, exponent: Expr): Printed {
  if (base.kind === 'constant' && base.name === 'e') return atom(`exp(${plotText(exponent)})`);
  const root = exponent.kind === 'divide' ? exponent : null;
  const odd = root?.bottom.kind === 'number' && isOdd(root.bottom.value);
  if (root && odd && root.top.kind === 'number' && isOdd(root.top.value)) {
    return oddRoot(plotText(base), plotText(exponent));
  }
  return { text: `${within(base, ATOM)}^${within(exponent, ATOM)}`, binds: PRODUCT };
}

const isOdd = (value: Extract<Expr, { kind: 'number' }>['value']): boolean =>
  typeof value === 'bigint' && value % 2n !== 0n;

/** Odd roots are of negative numbers too. */
const oddRoot = (base: string, exponent: string): Printed => ({
  text: `sign(${base})*abs(${base})^(${exponent})`,
  binds: PRODUCT,
});

const ANGLED = /^(sin|cos|tan|cot|sec)$/;
const INVERSE: Readonly<Record<string, string>> = {
  arcsin: 'asin',
  arccos: 'acos',
  arctan: 'atan',
};
const PLAIN: Readonly<Record<string, string>> = {
  exp: 'exp',
  ln: 'ln',
  sqrt: 'sqrt',
  abs: 'abs',
  norm: 'abs',
  floor: 'floor',
  ceil: 'ceil',
  sgn: 'sign',
  max: 'max',
  min: 'min',
  sinh: 'sinh',
  cosh: 'cosh',
  tanh: 'tanh',
  factorial: 'factorial',
};

function call(fn: string, args: readonly Expr[]): Printed {
  const texts = args.map(plotText);
  const [first = '', second] = texts;
  if (ANGLED.test(fn)) return atom(`${fn}(deg(${first}))`);
  if (fn === 'csc') return atom(`cosec(deg(${first}))`);
  const inverse = INVERSE[fn];
  if (inverse) return atom(`rad(${inverse}(${first}))`);
  const plain = PLAIN[fn];
  if (plain) return atom(`${plain}(${texts.join(',')})`);
  switch (fn) {
    case 'log':
      return second === undefined
        ? atom(`ln(${first})`)
        : { text: `ln(${first})/ln(${second})`, binds: PRODUCT };
    case 'lg':
      return atom(`log10(${first})`);
    case 'root': {
      const degree = args[1];
      if (degree?.kind === 'number' && isOdd(degree.value))
        return oddRoot(first, `1/${second ?? ''}`);
      return { text: `(${first})^(1/(${second ?? '2'}))`, binds: PRODUCT };
    }
  }
  throw new CannotTell('the language of plots does not say this');
}

function cases({ branches }: Extract<Expr, { kind: 'cases' }>): Printed {
  let text: string | null = null;
  for (const { value, when } of [...branches].reverse()) {
    text =
      when && text !== null
        ? `ifthenelse(${conditionText(when)},${plotText(value)},${text})`
        : plotText(value);
  }
  if (text === null) throw new CannotTell('nothing is said of it');
  return atom(text);
}

const SIGNS: Readonly<Record<string, string>> = {
  '<': '<',
  '≤': '<=',
  '>': '>',
  '≥': '>=',
  '=': '==',
  '≠': '!=',
};

function conditionText(when: Condition): string {
  const [first, ...more] = when.map(({ left, sign, right }) => {
    const own = SIGNS[sign];
    if (!own) throw new CannotTell('the language of plots does not say this');
    return `${within(left, ATOM)}${own}${within(right, ATOM)}`;
  });
  return more.reduce((all, one) => `and(${all},${one})`, first ?? '1');
}
