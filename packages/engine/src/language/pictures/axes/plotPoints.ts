import type { Token } from '../../../expansion/meaning';
import { Cat } from '../../../tokens/categories';
import { defineHere } from '../../machine/define';
import { unspaced } from '../../scanning/optionLists';
import { ExpressionTrouble, readExpression, type Expression, type Value } from '../arithmetic';
import { numberIn, type Reading } from '../coordinates';
import type { Graphics } from '../graphics';
import { surroundings, unitsOf } from '../openPicture';
import { samplesOf } from '../plots';
import { peek, takeBetween, takeGroup, takeOptions, takeWord, type Scanner } from '../scanPath';
import { bare, partsOf, wordsOf } from '../words';
import type { DataPoint, OpenAxis, Plot } from './axis';
import { dayOf } from './dates';
import { readTable } from './tables';

interface Points {
  readonly points: readonly DataPoint[];
  readonly between: Plot['between'];
  readonly perRow: number;
}
const plain = (points: readonly DataPoint[], perRow = 0): Points => ({
  points,
  between: null,
  perRow,
});
const point = (x: number, y: number, z = 0): DataPoint => ({ x, y, z, errorX: 0, errorY: 0 });

/** What is plotted: an expression, coordinates, a table, curves by a parameter, the stretch between two plots. */
export function readPoints(
  scanner: Scanner,
  reading: Reading,
  axis: OpenAxis,
  g: Graphics,
  options: readonly Token[],
  three: boolean,
): Points | null {
  const { it } = scanner;
  const word = takeWord(scanner, (found) => SOURCES.has(found));
  if (word === 'coordinates') return plain(coordinatesIn(reading, axis, takeGroup(scanner) ?? []));
  if (word === 'table') {
    const own = takeOptions(scanner) ?? [];
    return plain(readTable(reading, axis, own, takeGroup(scanner) ?? []));
  }
  if (word === 'fill') {
    takeWord(scanner, (found) => found === 'between');
    const said = wordsOf(it, takeOptions(scanner) ?? []);
    const of = /of\s*=\s*\{?\s*(.+?)\s+and\s+([^\]},]+)/.exec(said);
    const ends = /soft clip(?: first| second)?\s*=\s*\{?\s*domain\s*=\s*([^:,}]+):([^,}]+)/.exec(
      said,
    );
    const domain = ends
      ? ([ends[1], ends[2]].map((end) => numberIn(reading, end ?? '').value) as [number, number])
      : null;
    const names = [of?.[1]?.trim() ?? '', of?.[2]?.trim() ?? ''] as const;
    return { points: [], between: { of: names, domain }, perRow: 0 };
  }
  if (word === 'graphics' || word === 'gnuplot' || word === 'shell') return null;
  const next = peek(scanner);
  if (next?.cat === Cat.Begin) {
    const tokens = takeGroup(scanner) ?? [];
    return three
      ? grid(reading, axis, g, options, tokens)
      : plain(curve(reading, axis, g, [it.p.chars(g.plot.variable), tokens]));
  }
  const inner = takeBetween(scanner, '(', ')');
  if (!inner) return null;
  const parts = bracedParts(inner);
  if (three && parts.length === 3 && parts.some(usesY))
    return space(reading, axis, g, options, parts);
  return plain(curve(reading, axis, g, parts));
}
const SOURCES = new Set([
  'coordinates',
  'table',
  'fill',
  'expression',
  'graphics',
  'gnuplot',
  'function',
  'shell',
]);

/** `{…},{…}` or `x,y` cut at commas outside braces and brackets. */
function bracedParts(tokens: readonly Token[]): Token[][] {
  const out: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === Cat.Begin || token.text === '(') depth++;
    else if (token.cat === Cat.End || token.text === ')') depth--;
    if (depth === 0 && token.text === ',') out.push([]);
    else out.at(-1)?.push(token);
  }
  return out;
}

export function expressionIn(
  reading: Reading,
  axis: OpenAxis,
  tokens: readonly Token[],
  variables: readonly string[],
): Expression | null {
  const { it } = reading;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  for (const name of variables) defineHere(it, name, `(${name})`);
  let text = bare(wordsOf(it, unspaced(tokens)));
  it.closeGroup();
  // In radians where the axis says so: what stands in the functions of angles is turned.
  if (axis.settings.radians) text = inRadians(text);
  try {
    return readExpression(text, unitsOf(it));
  } catch (error) {
    if (!(error instanceof ExpressionTrouble)) throw error;
    reading.trouble({ kind: 'number', word: text });
    return null;
  }
}
const inRadians = (text: string): string =>
  text.replace(/\b(sin|cos|tan|cot|sec|cosec)\s*\(/g, '$1(57.29577951308232*');

export function valueOf(
  reading: Reading,
  expression: Expression,
  variables: Readonly<Record<string, Value>>,
): number | null {
  try {
    const value = Number(expression.run(surroundings(reading.it, variables)));
    return Number.isFinite(value) ? value : null;
  } catch (error) {
    if (!(error instanceof ExpressionTrouble)) throw error;
    reading.trouble({ kind: 'number', word: error.word });
    return null;
  }
}

/** A curve: each of its coordinates an expression of the variable. */
function curve(
  reading: Reading,
  axis: OpenAxis,
  g: Graphics,
  parts: readonly (readonly Token[])[],
): DataPoint[] {
  const name = g.plot.variable;
  const read = parts.map((tokens) => expressionIn(reading, axis, tokens, [name, 'x']));
  if (read.some((one) => one === null)) return [];
  const numbers =
    axis.settings.mode[0] === 'log' && g.plot.at === null ? logSamples(g) : samplesOf(g.plot);
  if (!reading.it.p.spend(numbers.length, 'addplot')) return [];
  return numbers.map((at): DataPoint => {
    const [x, y, z] = (read as Expression[]).map(
      (one) => valueOf(reading, one, { [name]: at, x: at }) ?? NaN,
    );
    return point(x ?? NaN, y ?? NaN, z ?? 0);
  });
}
/** On a logarithmic axis the places lie evenly by their powers. */
function logSamples({ plot }: Graphics): number[] {
  const [from, to] = [Math.log10(Math.max(plot.from, 1e-9)), Math.log10(Math.max(plot.to, 1e-9))];
  return Array.from({ length: plot.samples }, (_, i) =>
    Math.pow(10, from + ((to - from) * i) / Math.max(1, plot.samples - 1)),
  );
}

/** Does an expression speak of the second variable? */
const usesY = (tokens: readonly Token[]): boolean =>
  tokens.some((t) => t.cat === Cat.Command && t.text === 'y') ||
  /(?<![A-Za-z])y(?![A-Za-z])/.test(
    tokens.map((t) => (t.cat === Cat.Command ? `\\${t.text} ` : t.text)).join(''),
  );

/** The places of a grid over both variables, and how many there are in a row. */
function gridOver(
  reading: Reading,
  g: Graphics,
  options: readonly Token[],
): { readonly at: readonly (readonly [number, number])[]; readonly perRow: number } {
  const text = wordsOf(reading.it, options);
  const rows = /(?:y domain|domain y)\s*=\s*\{?([^:,]+):([^,}]+)/.exec(text);
  const xs = samplesOf(g.plot);
  const count = Number(/samples y\s*=\s*(\d+)/.exec(text)?.[1] ?? xs.length);
  const [low, high] = rows
    ? [numberIn(reading, rows[1] ?? '').value, numberIn(reading, rows[2] ?? '').value]
    : [g.plot.from, g.plot.to];
  if (!reading.it.p.spend((xs.length * count) / 4, 'addplot3')) return { at: [], perRow: 0 };
  const at = Array.from({ length: count }, (_, j) => {
    const y = low + (count === 1 ? 0 : ((high - low) * j) / (count - 1));
    return xs.map((x): readonly [number, number] => [x, y]);
  }).flat();
  return { at, perRow: xs.length };
}

/** A surface whose three coordinates are expressions of two variables. */
function space(
  reading: Reading,
  axis: OpenAxis,
  g: Graphics,
  options: readonly Token[],
  parts: readonly (readonly Token[])[],
): Points {
  const read = parts.map((tokens) => expressionIn(reading, axis, tokens, ['x', 'y']));
  if (read.some((one) => one === null)) return plain([]);
  const { at, perRow } = gridOver(reading, g, options);
  const points = at.map(([x, y]) => {
    const [a, b, c] = (read as Expression[]).map((one) => valueOf(reading, one, { x, y }) ?? NaN);
    return point(a ?? NaN, b ?? NaN, c ?? 0);
  });
  return plain(points, perRow);
}

/** Values of a function of two variables over a grid. */
function grid(
  reading: Reading,
  axis: OpenAxis,
  g: Graphics,
  options: readonly Token[],
  tokens: readonly Token[],
): Points {
  const expression = expressionIn(reading, axis, tokens, ['x', 'y']);
  if (!expression) return plain([]);
  const { at, perRow } = gridOver(reading, g, options);
  return plain(
    at.map(([x, y]) => point(x, y, valueOf(reading, expression, { x, y }) ?? NaN)),
    perRow,
  );
}

/** A point, how far off it may be, and what is said of it. */
const COORDINATE =
  /\(([^()]*(?:\([^()]*\)[^()]*)*)\)(?:\s*\+-\s*\(([^()]*)\))?(?:\s*\+=\s*\(([^()]*)\))?(?:\s*-=\s*\(([^()]*)\))?(?:\s*\[([^\]]*)\])?/g;

/** `(0,1) (2,3) +- (0.1,0.2)`; names of symbolic coordinates count by their place. */
function coordinatesIn(reading: Reading, axis: OpenAxis, tokens: readonly Token[]): DataPoint[] {
  const text = wordsOf(reading.it, tokens);
  const { symbols, dates } = axis.settings;
  const number = (part: string, i: number): number => {
    const day = dates[i] ? dayOf(part) : null;
    if (day !== null) return day;
    const at = symbols[i]?.indexOf(part.trim()) ?? -1;
    return at >= 0 ? at : numberIn(reading, bare(part)).value;
  };
  const out: DataPoint[] = [];
  const found = text.matchAll(COORDINATE);
  for (const [, inner = '', both, plus, minus, meta] of found) {
    const [x = '0', y = '0', z = '0'] = partsOf(inner, ',');
    const [ex = '0', ey = '0'] = partsOf(both ?? plus ?? '0,0', ',');
    const below = minus === undefined ? null : partsOf(minus, ',');
    out.push({
      x: number(x, 0),
      y: number(y, 1),
      z: number(z, 2),
      errorX: numberIn(reading, ex).value,
      errorY: numberIn(reading, ey).value,
      ...(below && {
        minusX: numberIn(reading, below[0] ?? '0').value,
        minusY: numberIn(reading, below[1] ?? '0').value,
      }),
      ...(meta !== undefined && { meta: reading.it.source(meta) }),
    });
  }
  return out;
}
