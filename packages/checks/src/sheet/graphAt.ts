import { CannotTell, isMatrix, toNumber } from '../numbers/value';
import { mapParts, substitute, type Expr } from '../reading/expression';
import { plotText } from '../reading/plotText';
import { nameTex } from '../reading/print';
import type { Facts } from '../steps/facts';
import { wholeNames } from '../steps/sampling';
import { repeated } from '../values/derive';
import { evaluate } from '../values/evaluate';
import { tidy } from '../values/tidy';
import { newMeter, withValue } from '../values/setting';
import type { WrittenBlock } from './pieces';
import type { Extent } from './sheetSteps';
import { openNames, settingFor, withPart, WORK } from './valueAt';

/** The graph of a marked part, as a picture of `pgfplots`. */
export type GraphAnswer =
  | { readonly kind: 'graph'; readonly source: string }
  | { readonly kind: 'refused'; readonly why: string };

/** So many places are looked at to see where a graph is defined and how high it goes. */
const SAMPLES = 200;
/** Places of a graph that is given by points. */
const POINTS = 80;
/** Letters that count: their values are points. */
const COUNTS = /^[nmkij]$/;

/**
 * Writes the graph of a marked part with one open letter, from one value of it to another: as an expression where the
 * language of plots has it, else by its points. Where it runs off to infinity, what is drawn is kept to a height.
 */
export function graphAt(
  blocks: readonly WrittenBlock[],
  place: Extent,
  { first, last }: { readonly first: number; readonly last: number },
): GraphAnswer {
  if (!(last > first))
    return { kind: 'refused', why: 'A graph goes from a smaller number to a larger one.' };
  return withPart<GraphAnswer>(blocks, place, (expr, facts, head) => {
    const [name, ...more] = openNames(expr, facts);
    if (name === undefined || more.length) {
      return { kind: 'refused', why: 'A graph is drawn of a part with one open letter.' };
    }
    const value = valueIn(expr, name, facts);
    const counts = COUNTS.test(name) || wholeNames([expr]).has(name);
    const xs = counts ? wholeBetween(first, last) : evenly(first, last, SAMPLES);
    const seen = xs.map((x) => [x, value(x)] as const).filter(([, y]) => Number.isFinite(y));
    const [from, to] = [seen[0]?.[0], seen.at(-1)?.[0]];
    if (from === undefined || to === undefined || to === from) {
      return { kind: 'refused', why: `It is not defined from ${first} to ${last}.` };
    }
    const shape = { name, label: head, from, to };
    if (counts) return written(shape, pointsOf(seen), 'only marks', []);
    const gaps = seen.length < xs.filter((x) => x >= from && x <= to).length;
    const limits = limitsOf(seen.map(([, y]) => y));
    const jumps = gaps || limits.length ? ['unbounded coords=jump', ...limits] : [];
    try {
      const text = plotText(tidy(unfolded(expr, facts)));
      return written(shape, `{${text}}`, 'thick', [
        `domain=${rounded(from)}:${rounded(to)}`,
        'samples=101',
        ...jumps,
      ]);
    } catch (error) {
      if (!(error instanceof CannotTell)) throw error;
      const points = evenly(from, to, POINTS).map((x) => [x, value(x)] as const);
      const known = points.filter(([, y]) => Number.isFinite(y));
      return written(shape, pointsOf(known), 'thick', limits);
    }
  });
}

/** The value for each value of the open letter; NaN where there is none. */
function valueIn(expr: Expr, name: string, facts: Facts): (x: number) => number {
  const setting = settingFor(facts);
  return (x) => {
    const at = Number.isInteger(x) ? BigInt(x) : x;
    try {
      const value = evaluate(expr, withValue({ ...setting, meter: newMeter(WORK) }, name, at));
      return isMatrix(value) ? NaN : toNumber(value);
    } catch (error) {
      if (error instanceof CannotTell) return NaN;
      throw error;
    }
  };
}

const evenly = (first: number, last: number, count: number): readonly number[] =>
  Array.from({ length: count + 1 }, (_, i) =>
    Number((first + ((last - first) * i) / count).toPrecision(12)),
  );

const wholeBetween = (first: number, last: number): readonly number[] =>
  Array.from(
    { length: Math.min(200, Math.floor(last) - Math.ceil(first) + 1) },
    (_, i) => Math.ceil(first) + i,
  );

const rounded = (x: number): string => String(Number(x.toPrecision(5)));

const pointsOf = (points: readonly (readonly [number, number])[]): string =>
  `coordinates {${points.map(([x, y]) => `(${rounded(x)},${rounded(y)})`).join(' ')}}`;

/** A graph is cut where it is so many times higher than most of it. */
const STEEP = 6;

function limitsOf(values: readonly number[]): readonly string[] {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))] ?? 0;
  const [low, high] = [at(0.1), at(0.9)];
  const spread = Math.max(high - low, 1e-9);
  if (at(1) - high < STEEP * spread && low - at(0) < STEEP * spread) return [];
  const [least, most] = [Math.floor(low - spread), Math.ceil(high + spread)];
  return [`restrict y to domain=${least}:${most}`];
}

/** Functions of the sheet are written out, and derivatives taken. */
function unfolded(expr: Expr, facts: Facts): Expr {
  if (expr.kind === 'derivative') {
    return unfolded(repeated(expr.body, expr.variable, expr.order), facts);
  }
  const inner = mapParts(expr, (part) => unfolded(part, facts));
  const [name, args, primes] =
    inner.kind === 'apply'
      ? [inner.name, inner.args, inner.primes]
      : inner.kind === 'indexed'
        ? [`${inner.name}_`, inner.index, 0]
        : ['', [], 0];
  const defined = facts.functions.get(name);
  if (!defined || defined.recursion || defined.params.length !== args.length) return inner;
  const [param] = defined.params;
  const body = primes && param !== undefined ? repeated(defined.body, param, primes) : defined.body;
  const fresh = defined.params.map((own) => `\u0001${own}`);
  const renamed = defined.params.reduce(
    (all, own, i) => substitute(all, own, { ...inner, kind: 'name', name: fresh[i] as string }),
    unfolded(body, facts),
  );
  return fresh.reduce((all, own, i) => substitute(all, own, args[i] as Expr), renamed);
}

/** Brackets of their own height do without `\\left` and `\\right`. */
const plainly = (tex: string): string => tex.replace(/\\(left|right)(?=[()])/g, '');

interface Shape {
  readonly name: string;
  /** What the formula calls the value. */
  readonly label: string | null;
  readonly from: number;
  readonly to: number;
}

function written(
  { name, label }: Shape,
  plot: string,
  style: string,
  options: readonly string[],
): GraphAnswer {
  const axis = [
    'axis lines=middle',
    `xlabel={$${nameTex(name).trim()}$}`,
    `ylabel={$${plainly(label ?? 'y')}$}`,
    ...options,
  ];
  return {
    kind: 'graph',
    source: [
      '\\begin{tikzpicture}',
      `  \\begin{axis}[${axis.join(', ')}]`,
      `    \\addplot[${style}, blue] ${plot};`,
      '  \\end{axis}',
      '\\end{tikzpicture}',
    ].join('\n'),
  };
}
