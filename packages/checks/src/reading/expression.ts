import type { Exact } from '../numbers/value';

/**
 * A written expression as what it means. `from` and `to` are the place in the text it was
 * read from, in UTF-16 units; what is made by calculation has the place of what it was made from.
 */
export interface Place {
  readonly from: number;
  readonly to: number;
}

export type Expr = Place & ExprKind;

export type ExprKind =
  /** `places`: how many decimal places it is written to. */
  | { readonly kind: 'number'; readonly value: Exact; readonly places?: number }
  | { readonly kind: 'constant'; readonly name: ConstantName }
  /** A variable; the name is the letter as it is drawn, with a word as subscript (`v_max`). */
  | { readonly kind: 'name'; readonly name: string }
  /** A letter with an index that is itself an expression (`a_{n+1}`). */
  | { readonly kind: 'indexed'; readonly name: string; readonly index: readonly Expr[] }
  /** A function that everybody knows (`sin`, `max`). */
  | { readonly kind: 'call'; readonly fn: string; readonly args: readonly Expr[] }
  /** A function that the sheet defines, or none defines; `primes` counts derivatives. */
  | {
      readonly kind: 'apply';
      readonly name: string;
      readonly primes: number;
      readonly args: readonly Expr[];
    }
  | { readonly kind: 'add'; readonly terms: readonly Expr[] }
  | { readonly kind: 'multiply'; readonly factors: readonly Expr[] }
  /** `\times`: of vectors their cross product, of anything else the product. */
  | { readonly kind: 'cross'; readonly left: Expr; readonly right: Expr }
  | { readonly kind: 'negate'; readonly body: Expr }
  | { readonly kind: 'divide'; readonly top: Expr; readonly bottom: Expr }
  | { readonly kind: 'power'; readonly base: Expr; readonly exponent: Expr }
  | { readonly kind: 'transpose'; readonly body: Expr }
  /** `\pm` (1) or `\mp` (-1) before a term: one of two signs, the same everywhere. */
  | { readonly kind: 'sign'; readonly sign: 1 | -1; readonly body: Expr }
  | {
      readonly kind: 'series';
      readonly op: 'sum' | 'product';
      readonly index: string;
      readonly over: Range;
      readonly body: Expr;
    }
  | {
      readonly kind: 'integral';
      readonly variable: string;
      readonly bounds: readonly [Expr, Expr] | null;
      readonly body: Expr;
    }
  | {
      readonly kind: 'limit';
      readonly variable: string;
      readonly point: Expr;
      /** From above (1), from below (-1), or from both sides. */
      readonly side: 1 | -1 | 0;
      readonly body: Expr;
    }
  | {
      readonly kind: 'derivative';
      readonly variable: string;
      readonly order: number;
      readonly body: Expr;
    }
  /** `[F(x)]_a^b`. */
  | {
      readonly kind: 'difference';
      readonly variable: string;
      readonly bounds: readonly [Expr | null, Expr];
      readonly body: Expr;
    }
  /** Terms with dots among them, with what is read before (`shown`) and behind them (`last`, null: for ever). */
  | {
      readonly kind: 'dots';
      readonly op: 'sum' | 'product';
      readonly shown: readonly Expr[];
      readonly last: Expr | null;
    }
  | { readonly kind: 'matrix'; readonly rows: readonly (readonly Expr[])[] }
  | { readonly kind: 'cases'; readonly branches: readonly Branch[] };

export interface Branch {
  readonly value: Expr;
  /** Null: otherwise. */
  readonly when: Condition | null;
}

/** Relations that hold together. */
export type Condition = readonly Relation[];

export interface Relation {
  readonly left: Expr;
  readonly sign: RelationSign;
  readonly right: Expr;
  /** What `≡` counts modulo. */
  readonly modulus?: Expr;
}

export type RelationSign = '=' | '≠' | '<' | '≤' | '>' | '≥' | '≡' | '≢' | '∣' | '∤' | '≈' | '∈';

export type ConstantName = 'pi' | 'e' | 'i' | 'infinity';

/** What an index runs over. */
export type Range =
  | { readonly kind: 'between'; readonly first: Expr; readonly last: Expr }
  | { readonly kind: 'divisors'; readonly of: Expr }
  | { readonly kind: 'among'; readonly values: readonly Expr[] };

/** The expressions directly within an expression. */
export function partsOf(expr: Expr): readonly Expr[] {
  switch (expr.kind) {
    case 'number':
    case 'constant':
    case 'name':
      return [];
    case 'indexed':
      return expr.index;
    case 'call':
    case 'apply':
      return expr.args;
    case 'add':
      return expr.terms;
    case 'multiply':
      return expr.factors;
    case 'cross':
      return [expr.left, expr.right];
    case 'negate':
    case 'transpose':
    case 'sign':
    case 'derivative':
      return [expr.body];
    case 'divide':
      return [expr.top, expr.bottom];
    case 'power':
      return [expr.base, expr.exponent];
    case 'series':
      return [...rangeParts(expr.over), expr.body];
    case 'integral':
      return [...(expr.bounds ?? []), expr.body];
    case 'limit':
      return [expr.point, expr.body];
    case 'difference':
      return [...expr.bounds.filter((bound) => bound !== null), expr.body];
    case 'dots':
      return expr.last ? [...expr.shown, expr.last] : expr.shown;
    case 'matrix':
      return expr.rows.flat();
    case 'cases':
      return expr.branches.flatMap(({ value, when }) => [
        value,
        ...(when ?? []).flatMap(({ left, right }) => [left, right]),
      ]);
  }
}

function rangeParts(range: Range): readonly Expr[] {
  if (range.kind === 'between') return [range.first, range.last];
  return range.kind === 'divisors' ? [range.of] : range.values;
}

/** The variable that an expression binds within its body, or null. */
export function boundIn(expr: Expr): string | null {
  if (expr.kind === 'series') return expr.index;
  if (expr.kind === 'integral') return expr.bounds ? expr.variable : null;
  if (expr.kind === 'limit' || expr.kind === 'difference') return expr.variable;
  return null;
}

/** Calls `visit` for an expression and all within it, outermost first. */
export function walk(expr: Expr, visit: (expr: Expr) => void): void {
  visit(expr);
  for (const part of partsOf(expr)) walk(part, visit);
}

/** Is there anything of this kind in it? */
export function some(expr: Expr, test: (expr: Expr) => boolean): boolean {
  return test(expr) || partsOf(expr).some((part) => some(part, test));
}

/** The names an expression's value depends on: variables, and letters with an index (`a_`), but not those it binds. */
export function freeNames(expr: Expr): ReadonlySet<string> {
  const names = new Set<string>();
  collect(expr, new Set(), names);
  return names;
}

function collect(expr: Expr, bound: ReadonlySet<string>, names: Set<string>): void {
  if (expr.kind === 'name' && !bound.has(expr.name)) names.add(expr.name);
  if (expr.kind === 'indexed') names.add(indexedName(expr));
  if (expr.kind === 'apply') names.add(`${expr.name}()`);
  const own = boundIn(expr);
  const within = own === null ? bound : new Set([...bound, own]);
  for (const part of partsOf(expr)) collect(part, within, names);
}

/** `a_3` where the index is a number, else `a_`: one of a sequence. */
export function indexedName(expr: Extract<Expr, { kind: 'indexed' }>): string {
  const fixed = expr.index.every(({ kind }) => kind === 'number');
  if (!fixed) return `${expr.name}_`;
  return `${expr.name}_${expr.index.map((index) => (index.kind === 'number' ? String(index.value) : '')).join('')}`;
}

/** The same expression with every part exchanged for what `change` gives for it; places stay. */
export function mapParts(expr: Expr, change: (expr: Expr) => Expr): Expr {
  const all = (list: readonly Expr[]): Expr[] => list.map(change);
  switch (expr.kind) {
    case 'number':
    case 'constant':
    case 'name':
      return expr;
    case 'indexed':
      return { ...expr, index: all(expr.index) };
    case 'call':
    case 'apply':
      return { ...expr, args: all(expr.args) };
    case 'add':
      return { ...expr, terms: all(expr.terms) };
    case 'multiply':
      return { ...expr, factors: all(expr.factors) };
    case 'cross':
      return { ...expr, left: change(expr.left), right: change(expr.right) };
    case 'negate':
    case 'transpose':
    case 'sign':
    case 'derivative':
      return { ...expr, body: change(expr.body) };
    case 'divide':
      return { ...expr, top: change(expr.top), bottom: change(expr.bottom) };
    case 'power':
      return { ...expr, base: change(expr.base), exponent: change(expr.exponent) };
    case 'series':
      return { ...expr, over: mapRange(expr.over, change), body: change(expr.body) };
    case 'integral':
      return {
        ...expr,
        bounds: expr.bounds && [change(expr.bounds[0]), change(expr.bounds[1])],
        body: change(expr.body),
      };
    case 'limit':
      return { ...expr, point: change(expr.point), body: change(expr.body) };
    case 'difference':
      return {
        ...expr,
        bounds: [expr.bounds[0] && change(expr.bounds[0]), change(expr.bounds[1])],
        body: change(expr.body),
      };
    case 'dots':
      return { ...expr, shown: all(expr.shown), last: expr.last && change(expr.last) };
    case 'matrix':
      return { ...expr, rows: expr.rows.map(all) };
    case 'cases':
      return {
        ...expr,
        branches: expr.branches.map(({ value, when }) => ({
          value: change(value),
          when:
            when &&
            when.map((relation) => ({
              ...relation,
              left: change(relation.left),
              right: change(relation.right),
            })),
        })),
      };
  }
}

function mapRange(range: Range, change: (expr: Expr) => Expr): Range {
  if (range.kind === 'between') {
    return { kind: 'between', first: change(range.first), last: change(range.last) };
  }
  if (range.kind === 'divisors') return { kind: 'divisors', of: change(range.of) };
  return { kind: 'among', values: range.values.map(change) };
}

/** An expression with a name exchanged for another expression wherever it is free. */
export function substitute(expr: Expr, name: string, by: Expr): Expr {
  if (expr.kind === 'name') return expr.name === name ? by : expr;
  if (boundIn(expr) === name) return expr;
  return mapParts(expr, (part) => substitute(part, name, by));
}

/** Are two expressions written alike, but for their places? */
export function same(a: Expr, b: Expr): boolean {
  return shapeOf(a) === shapeOf(b);
}

/** A text that two expressions share exactly when they are the same. */
export function shapeOf(expr: Expr): string {
  return JSON.stringify(expr, (key, value: unknown) => {
    if (key === 'from' || key === 'to' || key === 'places') return undefined;
    if (typeof value === 'bigint') return `${value}n`;
    return value;
  });
}
