/**
 * Floating point expressions as the kernel's `\fpeval` reads them (interface3, "Floating points"):
 * operators by their ranks, functions in radians and (with a d behind) degrees, constants, tests.
 */

/** What cannot be read: `word` is where reading stopped. */
export class FloatTrouble extends Error {
  constructor(readonly word: string) {
    super(word);
  }
}

const DEGREE = Math.PI / 180;

/** Rounded to so many places: halves to the even neighbour. */
function rounded(x: number, places: number): number {
  const scale = 10 ** places;
  const scaled = x * scale;
  const low = Math.floor(scaled);
  const rest = scaled - low;
  const up = Math.abs(rest - 0.5) < 1e-9 ? low % 2 !== 0 : rest > 0.5;
  return (up ? low + 1 : low) / scale;
}

const towards =
  (step: (x: number) => number) =>
  (x: number, places = 0): number =>
    step(x * 10 ** places) / 10 ** places;

function factorial(n: number): number {
  if (!Number.isInteger(n) || n < 0) return NaN;
  let out = 1;
  for (let i = 2; i <= Math.min(n, 171); i++) out *= i;
  return out;
}

const logb = (x: number): number => Math.floor(Math.log10(Math.abs(x)));

const FUNCTIONS: Readonly<Record<string, (...args: number[]) => number>> = {
  abs: Math.abs,
  ceil: towards(Math.ceil),
  floor: towards(Math.floor),
  trunc: towards(Math.trunc),
  round: (x = 0, places = 0) => rounded(x, places),
  exp: Math.exp,
  ln: Math.log,
  logb,
  pow: (x = 0, y = 0) => x ** y,
  root: (n = 1, x = 0) => x ** (1 / n),
  sqrt: Math.sqrt,
  fact: factorial,
  factorial,
  sign: Math.sign,
  max: Math.max,
  min: Math.min,
  sin: Math.sin,
  cos: Math.cos,
  tan: Math.tan,
  cot: (x = 0) => 1 / Math.tan(x),
  sec: (x = 0) => 1 / Math.cos(x),
  csc: (x = 0) => 1 / Math.sin(x),
  sind: (x = 0) => exact(Math.sin(x * DEGREE)),
  cosd: (x = 0) => exact(Math.cos(x * DEGREE)),
  tand: (x = 0) => exact(Math.tan(x * DEGREE)),
  asin: Math.asin,
  acos: Math.acos,
  atan: (y = 0, x = 1) => Math.atan2(y, x),
  asind: (x = 0) => Math.asin(x) / DEGREE,
  acosd: (x = 0) => Math.acos(x) / DEGREE,
  atand: (y = 0, x = 1) => Math.atan2(y, x) / DEGREE,
};

/** Sines of whole degrees that are simple come out so. */
const exact = (x: number): number => {
  const near = Math.round(x * 2) / 2;
  return Math.abs(x - near) < 1e-15 ? near : x;
};

/** Units are numbers of pt. */
const CONSTANTS: Readonly<Record<string, number>> = {
  pi: Math.PI,
  e: Math.E,
  deg: DEGREE,
  inf: Infinity,
  nan: NaN,
  true: 1,
  false: 0,
  pt: 1,
  in: 72.27,
  cm: 72.27 / 2.54,
  mm: 7.227 / 2.54,
  bp: 72.27 / 72,
  pc: 12,
  sp: 1 / 65536,
};

type Operation = (a: number, b: number) => number;
const truth = (test: (a: number, b: number) => boolean): Operation => {
  return (a, b) => (test(a, b) ? 1 : 0);
};

/** From the loosest rank to the tightest. */
const RANKS: readonly Readonly<Record<string, Operation>>[] = [
  { '||': (a, b) => (a !== 0 ? a : b) },
  { '&&': (a, b) => (a !== 0 ? b : a) },
  {
    '<=': truth((a, b) => a <= b),
    '>=': truth((a, b) => a >= b),
    '!=': truth((a, b) => a !== b),
    '==': truth((a, b) => a === b),
    '=': truth((a, b) => a === b),
    '<': truth((a, b) => a < b),
    '>': truth((a, b) => a > b),
  },
  { '+': (a, b) => a + b, '-': (a, b) => a - b },
  { '*': (a, b) => a * b, '/': (a, b) => a / b },
];

const SPACE = /\s*/y;
const NUMBER = /(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/iy;
const WORD = /[a-zA-Z]+/y;

/** Reads one expression; each rank is a method that reads its operands by the next. */
class Reader {
  private at = 0;
  private depth = 0;

  constructor(private readonly text: string) {}

  whole(): number {
    const value = this.choice();
    if (this.at < this.text.length) throw new FloatTrouble(this.text.slice(this.at));
    return value;
  }

  private match(pattern: RegExp): string | null {
    pattern.lastIndex = this.at;
    const found = pattern.exec(this.text)?.[0] ?? null;
    if (found !== null) this.at += found.length;
    return found;
  }

  private take(sign: string): boolean {
    this.match(SPACE);
    if (!this.text.startsWith(sign, this.at)) return false;
    this.at += sign.length;
    this.match(SPACE);
    return true;
  }

  /** `a ? b : c`. */
  private choice(): number {
    if (++this.depth > 100) throw new FloatTrouble(this.text.slice(this.at));
    const test = this.ranked(0);
    const value = this.take('?') ? this.chosen(test !== 0) : test;
    this.depth--;
    return value;
  }

  private chosen(first: boolean): number {
    const yes = this.choice();
    if (!this.take(':')) throw new FloatTrouble(this.text.slice(this.at));
    const no = this.choice();
    return first ? yes : no;
  }

  private ranked(rank: number): number {
    const operators = RANKS[rank];
    if (!operators) return this.signed();
    let value = this.ranked(rank + 1);
    for (;;) {
      const sign = Object.keys(operators).find((one) => !this.isPower(one) && this.take(one));
      if (sign === undefined) return value;
      value = (operators[sign] as Operation)(value, this.ranked(rank + 1));
    }
  }

  /** `**` is not a product. */
  private isPower(sign: string): boolean {
    this.match(SPACE);
    return sign === '*' && this.text.startsWith('**', this.at);
  }

  private signed(): number {
    if (this.take('-')) return -this.signed();
    if (this.take('+')) return this.signed();
    if (this.take('!')) return this.signed() === 0 ? 1 : 0;
    return this.power();
  }

  /** From the right: `2^3^2` is 2 to the 9th; a minus before it is of the whole. */
  private power(): number {
    const base = this.juxtaposed();
    if (!this.take('**') && !this.take('^')) return base;
    return base ** this.exponent();
  }

  private exponent(): number {
    return this.take('-') ? -this.exponent() : this.take('+') ? this.exponent() : this.power();
  }

  /** Things side by side are multiplied: `2pi`, `3(4+1)`. */
  private juxtaposed(): number {
    let value = this.simple();
    while (this.at < this.text.length && /[a-zA-Z(]/.test(this.text[this.at] ?? ''))
      value *= this.simple();
    return value;
  }

  private simple(): number {
    this.match(SPACE);
    const number = this.match(NUMBER);
    if (number !== null) return Number(number);
    if (this.take('(')) return this.closed()[0] as number;
    const word = this.match(WORD);
    if (word === null) throw new FloatTrouble(this.text.slice(this.at));
    const found = FUNCTIONS[word];
    if (found) return found(...(this.take('(') ? this.closed() : [this.juxtaposed()]));
    const constant = CONSTANTS[word];
    if (constant === undefined) throw new FloatTrouble(word);
    return constant;
  }

  private closed(): number[] {
    const out = [this.choice()];
    while (this.take(',') || this.take(':')) out.push(this.choice());
    if (!this.take(')')) throw new FloatTrouble(this.text.slice(this.at));
    return out;
  }
}

/** The value of an expression; throws a FloatTrouble. */
export const floatValue = (text: string): number => new Reader(text.trim()).whole();

/** A number as `\fpeval` prints it: sixteen digits at most, no exponent within them. */
export function floatText(value: number): string {
  if (!Number.isFinite(value)) return Number.isNaN(value) ? 'nan' : value > 0 ? 'inf' : '-inf';
  if (value === 0) return '0';
  const digits = Number(value.toPrecision(16));
  const size = logb(digits);
  if (size >= 16 || size < -9) return digits.toExponential().replace('e+', 'e');
  const written = digits.toFixed(Math.max(0, 15 - size));
  return written.includes('.') ? written.replace(/\.?0+$/, '') : written;
}
