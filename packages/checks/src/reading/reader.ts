import type { MathList } from '@odd-compass/engine/written';
import type { Expr, ExprKind } from './expression';
import type { Token } from './tokens';

/** What is read one way or another where mathematicians write both; the first of each is the usual one. */
export interface Habits {
  /** `\sin 2x(1+y)`: a function takes the letters beside it, or one, or brackets behind them too. */
  readonly argument: 'run' | 'one' | 'brackets';
  /** `1/2x`: only the next factor is below the slash, or all that stand beside it. */
  readonly slash: 'one' | 'run';
  /** `\sum a + b`: a large operator takes one term, or all that follow. */
  readonly series: 'term' | 'rest';
  /** `f(x)²`: the exponent is of the value, or of the argument. */
  readonly exponent: 'value' | 'argument';
  /** A letter before a bracket is a factor, or a function. */
  readonly applied: 'factor' | 'function';
  /** `1{,}000`: a decimal comma, or one between thousands. */
  readonly comma: 'decimal' | 'thousands';
  /** `2\frac12`: a product, or two and a half. */
  readonly mixed: 'product' | 'sum';
  /** `(a, b)`: a point or vector, or the greatest common divisor. */
  readonly pair: 'point' | 'gcd';
  /** `\log`: natural, to base ten, to base two. */
  readonly log: 'e' | '10' | '2';
}

export const USUAL: Habits = {
  argument: 'run',
  slash: 'one',
  series: 'term',
  exponent: 'value',
  applied: 'factor',
  comma: 'decimal',
  mixed: 'product',
  pair: 'point',
  log: 'e',
};

/** The other ways to read what is in doubt. */
export const OTHERWISE: { readonly [K in keyof Habits]: readonly Habits[K][] } = {
  argument: ['one', 'brackets'],
  slash: ['run'],
  series: ['rest'],
  exponent: ['argument'],
  applied: ['function'],
  comma: ['thousands'],
  mixed: ['sum'],
  pair: ['gcd'],
  log: ['10', '2'],
};

/** What is known of names where a formula stands. */
export interface Names {
  /** Letters that the sheet defines or uses as functions. */
  readonly functions: ReadonlySet<string>;
  /** Letters that stand for numbers where they are read, so that a bracket behind one is a factor. */
  readonly numbers: ReadonlySet<string>;
  /** `i` is the imaginary unit. */
  readonly imaginary: boolean;
  /** `e` is a variable here. */
  readonly plainE: boolean;
  /** `π` is a variable here. */
  readonly plainPi: boolean;
}

export const NO_NAMES: Names = {
  functions: new Set(),
  numbers: new Set(),
  imaginary: false,
  plainE: false,
  plainPi: false,
};

/** Why something is not read, with the place of the sign that stopped it. */
export class Unreadable extends Error {
  constructor(
    message: string,
    readonly from: number,
    readonly to: number,
  ) {
    super(message);
  }
}

export interface Reader {
  readonly habits: Habits;
  readonly names: Names;
  /** Which habits mattered. */
  readonly doubts: Set<keyof Habits>;
  /** All tokens as one expression; `near` is where it would stand if there are none. */
  readonly expression: (tokens: readonly Token[], near: Token | null) => Expr;
  readonly ofList: (list: MathList, near: Token) => Expr;
  readonly tokens: (list: MathList) => readonly Token[];
  /** Factors standing side by side at the cursor, or null. */
  readonly factor: (cursor: Cursor) => Expr | null;
  /** A product at the cursor, up to the next sum sign. */
  readonly term: (cursor: Cursor) => Expr;
}

export interface Cursor {
  readonly tokens: readonly Token[];
  at: number;
}

export const peek = ({ tokens, at }: Cursor): Token | undefined => tokens[at];

export const make = (from: number, to: number, kind: ExprKind): Expr => ({ ...kind, from, to });

/** An expression at the place of a token. */
export const atToken = (token: Token, kind: ExprKind): Expr => make(token.from, token.to, kind);

export const stopAt = (token: Token, why: string): Unreadable =>
  new Unreadable(why, token.from, token.to);

/** Tokens parted at commas. */
export function partedAtCommas(tokens: readonly Token[]): readonly (readonly Token[])[] {
  const parts: Token[][] = [[]];
  for (const token of tokens) {
    if (token.t === 'comma' && /^[,;]$/.test(token.char)) parts.push([]);
    else parts.at(-1)?.push(token);
  }
  return parts;
}
