import { FUNCTIONS } from './functions';

/** What an expression gives: a number, a text in quotes, or a list in braces. Lengths are in pt. */
export type Value = number | string | readonly Value[];

/** What an expression may ask for while it is worked out. */
export interface Surroundings {
  /** Values of variables. */
  readonly variables: Readonly<Record<string, Value>>;
  /** A function that the document declares: given its arguments, its value; null when there is none. */
  readonly call: (name: string, args: readonly Value[]) => Value | null;
  /** From 0 to 1. */
  readonly random: () => number;
}

export const NO_SURROUNDINGS: Surroundings = {
  variables: {},
  call: () => null,
  random: () => 0.5,
};

/** Lengths of the units that go by the font, in pt. */
export interface FontUnits {
  readonly em: number;
  readonly ex: number;
}

/** An expression that was read. */
export interface Expression {
  readonly run: (around: Surroundings) => Value;
  /** Did a length stand in it? Then a bare coordinate made of it is one. */
  readonly hasUnit: boolean;
  /** Is what it gives written without a decimal point? */
  readonly integral: boolean;
}

/** Why an expression could not be read, and where in it. */
export class ExpressionTrouble extends Error {
  constructor(
    readonly what: 'name' | 'sign',
    readonly word: string,
    readonly at: number,
  ) {
    super(word);
  }
}

/** Units in pt (The TeXbook, chapter 10). */
const UNITS: Readonly<Record<string, number>> = {
  pt: 1,
  cm: 72.27 / 2.54,
  mm: 7.227 / 2.54,
  in: 72.27,
  bp: 1.00375,
  pc: 12,
  dd: 1238 / 1157,
  cc: (12 * 1238) / 1157,
  sp: 1 / 65536,
  mu: 1,
};

type Run = Expression['run'];
const numberOf = (value: Value): number => {
  if (typeof value === 'number') return value;
  const number = typeof value === 'string' ? Number(value) : numberOf(value[0] ?? 0);
  return Number.isFinite(number) ? number : 0;
};
const yes = (is: boolean): number => (is ? 1 : 0);

const BINARY: readonly (readonly (readonly [string, (a: number, b: number) => number])[])[] = [
  [['||', (a, b) => yes(a !== 0 || b !== 0)]],
  [['&&', (a, b) => yes(a !== 0 && b !== 0)]],
  [
    ['==', (a, b) => yes(a === b)],
    ['!=', (a, b) => yes(a !== b)],
    ['<=', (a, b) => yes(a <= b)],
    ['>=', (a, b) => yes(a >= b)],
    ['<', (a, b) => yes(a < b)],
    ['>', (a, b) => yes(a > b)],
  ],
  [
    ['+', (a, b) => a + b],
    ['-', (a, b) => a - b],
  ],
  [
    ['*', (a, b) => a * b],
    ['/', (a, b) => a / b],
  ],
];

/** The level of products among them. */
const PRODUCTS = 4;

const NAME = /[A-Za-z_@][A-Za-z_@0-9]*/y;
const NUMBER = /(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?/y;
/** Expressions are nested no deeper. */
const DEEPEST = 200;

/**
 * The language of arithmetic in pictures: numbers with units, the signs of the four rules and of
 * powers, comparisons, `a ? b : c`, functions with and without brackets, lists and texts.
 * Angles are in degrees; `r` behind a number turns radians into them.
 *
 * @throws ExpressionTrouble when it cannot be read.
 */
export function readExpression(text: string, units: FontUnits): Expression {
  let at = 0;
  let hasUnit = false;
  let integral = false;
  let depth = 0;

  const blanks = (): void => {
    while (/\s/.test(text[at] ?? '')) at++;
  };
  const take = (sign: string): boolean => {
    blanks();
    if (!text.startsWith(sign, at)) return false;
    at += sign.length;
    return true;
  };
  const match = (pattern: RegExp): string | null => {
    blanks();
    pattern.lastIndex = at;
    const found = pattern.exec(text)?.[0] ?? null;
    if (found !== null) at += found.length;
    return found;
  };
  const trouble = (): never => {
    blanks();
    throw new ExpressionTrouble('sign', text.slice(at, at + 1), at);
  };
  const close = (sign: string): void => {
    if (!take(sign)) trouble();
  };

  function ternary(): Run {
    if (++depth > DEEPEST) trouble();
    const condition = binary(0);
    if (!take('?')) {
      depth--;
      return condition;
    }
    const whole = ternary();
    close(':');
    const other = ternary();
    depth--;
    return (around) => (numberOf(condition(around)) !== 0 ? whole(around) : other(around));
  }

  function binary(level: number): Run {
    const signs = BINARY[level];
    if (!signs) return unary();
    let left = binary(level + 1);
    for (;;) {
      const before = left;
      if (level === PRODUCTS && takeRadians()) {
        left = (around) => (numberOf(before(around)) * 180) / Math.PI;
        continue;
      }
      const found = signs.find(([sign]) => take(sign));
      if (!found) return left;
      const [, act] = found;
      const right = binary(level + 1);
      if (level < 3) integral = true;
      else integral = false;
      left = (around) => act(numberOf(before(around)), numberOf(right(around)));
    }
  }

  /** An `r` by itself: what stands before it, a whole product, is in radians. */
  function takeRadians(): boolean {
    blanks();
    const is = text[at] === 'r' && !/[A-Za-z0-9_(]/.test(text[at + 1] ?? '');
    if (is) at++;
    return is;
  }

  function unary(): Run {
    if (take('-')) {
      const of = unary();
      return (around) => -numberOf(of(around));
    }
    if (take('+')) return unary();
    blanks();
    if (text[at] === '!' && text[at + 1] !== '=') {
      at++;
      const of = unary();
      integral = true;
      return (around) => yes(numberOf(of(around)) === 0);
    }
    return power();
  }

  function power(): Run {
    const base = behind(atom());
    if (!take('^')) return base;
    const exponent = unary();
    integral = false;
    return (around) => Math.pow(numberOf(base(around)), numberOf(exponent(around)));
  }

  /** What may stand behind a thing: `!`, an index in brackets. */
  function behind(of: Run): Run {
    let run = of;
    for (;;) {
      blanks();
      const before = run;
      if (text[at] === '!' && text[at + 1] !== '=') {
        at++;
        run = (around) => FUNCTIONS.factorial?.([before(around)], around) ?? 0;
      } else if (text[at] === '[') {
        at++;
        const index = ternary();
        close(']');
        run = (around) => itemOf(before(around), numberOf(index(around)));
      } else return run;
    }
  }

  function atom(): Run {
    blanks();
    if (take('(')) {
      const inner = ternary();
      close(')');
      return inner;
    }
    if (take('{')) return list();
    if (take('"')) {
      const end = text.indexOf('"', at);
      if (end < 0) trouble();
      const words = text.slice(at, end);
      at = end + 1;
      return () => words;
    }
    const number = match(NUMBER);
    if (number !== null) return measured(Number(number));
    const start = at;
    const name = match(NAME);
    if (name === null) return trouble();
    return named(name, start);
  }

  function list(): Run {
    const items: Run[] = [];
    if (!take('}')) {
      do items.push(ternary());
      while (take(','));
      close('}');
    }
    // A number in braces is the number: braces only keep its commas together.
    const [only] = items;
    if (items.length === 1 && only) return only;
    return (around) => items.map((item) => item(around));
  }

  function measured(value: number): Run {
    const start = at;
    const unit = match(/[a-z]{2}(?![A-Za-z(])/y);
    const size = unit === null ? undefined : (UNITS[unit] ?? fontUnit(unit));
    if (size === undefined) at = start;
    else hasUnit = true;
    return () => value * (size ?? 1);
  }
  const fontUnit = (unit: string): number | undefined =>
    unit === 'em' ? units.em : unit === 'ex' ? units.ex : undefined;

  function named(name: string, start: number): Run {
    const args: Run[] = [];
    const hadUnit = hasUnit;
    blanks();
    const bracket = text[at] === '(';
    if (bracket) {
      at++;
      if (!take(')')) {
        do args.push(ternary());
        while (take(','));
        close(')');
      }
    }
    const own = FUNCTIONS[name];
    // A function of one number may do without its brackets.
    if (own && !bracket && takesOne(own)) args.push(behind(atom()));
    integral = INTEGRAL.has(name);
    // It takes the unit away.
    if (name === 'scalar') hasUnit = hadUnit;
    return (around) => {
      const variable = bracket ? undefined : around.variables[name];
      if (variable !== undefined) return variable;
      const values = args.map((arg) => arg(around));
      const declared = around.call(name, values);
      if (declared !== null) return declared;
      if (!own) throw new ExpressionTrouble('name', name, start);
      return own(values, around);
    };
  }

  const run = ternary();
  blanks();
  if (at < text.length) trouble();
  return { run, hasUnit, integral };
}

const takesOne = (own: (args: readonly Value[], around: Surroundings) => Value): boolean =>
  own.length > 0 && !CONSTANTS.has(own);
const CONSTANTS = new Set(
  ['pi', 'e', 'rnd', 'rand', 'true', 'false'].map((name) => FUNCTIONS[name]),
);

/** Functions that give whole numbers, written without a point. */
const INTEGRAL = new Set(
  'int div gcd isodd iseven isprime equal greater less notequal notgreater notless and or not random hex Hex oct bin dim'.split(
    ' ',
  ),
);

const itemOf = (value: Value, index: number): Value =>
  typeof value === 'number' ? value : (value[Math.max(0, Math.round(index))] ?? 0);

/** A number as results are written: five places at most, and a point unless it is whole by kind. */
export function writtenNumber(value: number, integral = false): string {
  if (!Number.isFinite(value))
    return value > 0 ? '16383.99999' : value < 0 ? '-16383.99999' : '0.0';
  if (integral) return String(Math.round(value));
  const short = value.toFixed(5).replace(/0+$/, '');
  const plain = short.endsWith('.') ? `${short}0` : short;
  return plain === '-0.0' ? '0.0' : plain;
}
