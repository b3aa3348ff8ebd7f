import { unspaced } from '../../scanning/optionLists';
import { defineHere } from '../../machine/define';
import type { Token } from '../../../expansion/meaning';
import { Cat } from '../../../tokens/categories';
import type { Interpreter } from '../../machine/interpreter';
import type { Point } from '../../../base/maps';
import { ExpressionTrouble, readExpression, type Expression, type Value } from '../arithmetic';
import { numberIn, type Reading } from '../coordinates';
import { freshPath, type Graphics } from '../graphics';
import { withKeys } from '../keys';
import { surroundings, unitsOf } from '../openPicture';
import { readNode, type ReadNode } from '../pathNodes';
import { samplesOf } from '../plots';
import {
  peek,
  takeBetween,
  takeGroup,
  takeOptions,
  takeSign,
  takeWord,
  type Scanner,
} from '../scanPath';
import { bare, partsOf, wordsOf } from '../words';
import type { DataPoint, OpenAxis, Plot } from './axis';
import { counted, histogramOf } from './histogram';
import { readTable } from './tables';

/** Colours and marks of plots that say nothing of their own, in turn (the manual's list). */
const CYCLE: readonly (readonly [colour: string, mark: string])[] = [
  ['blue', '*'],
  ['red', 'square*'],
  ['brown!60!black', 'o*'],
  ['black', 'star'],
  ['blue', 'diamond*'],
  ['red', 'o'],
  ['brown!60!black', 'square'],
  ['black', 'triangle'],
];

/** Reads a plot behind `\addplot`, up to its `;`. */
export function readAxisPlot(scanner: Scanner, reading: Reading, axis: OpenAxis): Plot | null {
  const { it } = scanner;
  // The name ends before the digit.
  const three = takeSign(scanner, '3');
  const added = takeSign(scanner, '+');
  takeSign(scanner, '*');
  const options = takeOptions(scanner);
  const g = stateOf(reading, axis, options, added || options === null);
  const flags = flagsOf(it, options ?? []);
  const all = [...axis.every, ...it.p.chars(','), ...(options ?? [])];
  const source = readPoints(scanner, reading, axis, g, all, three || axis.dimensions === 3);
  if (!source) {
    skip(scanner);
    return null;
  }
  const tail = readTail(scanner, reading, g);
  const { between } = source;
  const bins = histogramOf(wordsOf(it, options ?? []));
  const points = bins ? counted(source.points, bins) : source.points;
  return {
    g,
    points: restricted(axis, three ? points : points.map((one) => ({ ...one, z: 0 }))),
    closedToAxis: tail.closed,
    inLegend: !flags.has('forget plot'),
    nodes: tail.nodes,
    form: formOf(flags, axis, between !== null),
    between,
    arrows: flags.has('quiver') ? arrowsOf(reading, axis, points, all) : [],
    plainPatches: /shader\s*=\s*(?:interp|flat)(?! corner)/.test(wordsOf(it, all)),
    errors: flags.has('error bars'),
    perRow: source.perRow,
    three: (three || axis.dimensions === 3) && !flags.has('quiver'),
  };
}

/** Arrows at the points of a plot: `quiver={u=…,v=…,scale arrows=…}`. */
function arrowsOf(
  reading: Reading,
  axis: OpenAxis,
  points: readonly DataPoint[],
  options: readonly Token[],
): Point[] {
  const text = wordsOf(reading.it, options);
  const said = (key: string, usual: string): string =>
    new RegExp(`(?:[{,]|quiver/)\\s*${key}\\s*=\\s*(\\{[^{}]*\\}|[^,{}]+)`).exec(text)?.[1] ??
    usual;
  const source = (key: string): Expression | null =>
    expressionIn(reading, axis, reading.it.source(bare(said(key, '0'))), ['x', 'y', 'u', 'v']);
  const [u, v] = [source('u'), source('v')];
  const scale = numberIn(reading, bare(said('scale arrows', '1'))).value;
  if (!u || !v || !reading.it.p.spend(points.length, 'quiver')) return [];
  return points.map(({ x, y }) => ({
    x: scale * (valueOf(reading, u, { x, y }) ?? NaN),
    y: scale * (valueOf(reading, v, { x, y }) ?? NaN),
  }));
}

function formOf(flags: ReadonlySet<string>, { settings }: OpenAxis, fills: boolean): Plot['form'] {
  if (fills) return 'fill';
  if (flags.has('quiver')) return 'quiver';
  if (flags.has('hist') || flags.has('ybar interval')) return 'interval';
  if (flags.has('surf')) return 'surface';
  if (flags.has('mesh')) return 'mesh';
  if (flags.has('ybar')) return 'ybar';
  if (flags.has('xbar')) return 'xbar';
  return settings.bars !== null && !flags.has('sharp plot') && !flags.has('line join')
    ? settings.bars
    : 'line';
}

/** Words among the options that say what kind of plot it is. */
function flagsOf(it: Interpreter, options: readonly Token[]): ReadonlySet<string> {
  const text = wordsOf(it, options);
  const words = partsOf(text, ',').map((part) => part.split('=')[0]?.trim() ?? '');
  return new Set([...words, ...(/error bars/.test(text) ? ['error bars'] : [])]);
}

/** The state of a plot: of its axis, of its turn in the list of colours, of its own options. */
function stateOf(
  reading: Reading,
  axis: OpenAxis,
  options: readonly Token[] | null,
  cycles: boolean,
): Graphics {
  const { settings, plots } = axis;
  const { it } = reading;
  let g = freshPath(axis.outer);
  g = { ...g, mode: { ...g.mode, draw: true }, plot: { ...g.plot, variable: 'x', mark: null } };
  if (cycles) {
    const [colour, mark] = CYCLE[
      plots.filter(({ inLegend }) => inLegend).length % CYCLE.length
    ] ?? ['blue', '*'];
    const own = settings.cycle === 'plain' ? 'black' : colour;
    const solid = settings.bars !== null || settings.area;
    const style = solid ? `draw=${own},fill=${own}!30` : `${own},mark=${mark}`;
    g = withKeys(reading, g, it.source(style));
  } else if (settings.bars !== null && !/fill/.test(wordsOf(it, options ?? []))) {
    g = { ...g, mode: { ...g.mode, draw: true } };
  }
  g = withKeys(reading, g, withoutOwn(axis.every));
  g = withKeys(reading, g, withoutOwn(options ?? []));
  if (settings.noMarks) g = { ...g, plot: { ...g.plot, mark: null } };
  if (settings.onlyMarks) g = { ...g, plot: { ...g.plot, onlyMarks: true } };
  if (g.plot.onlyMarks && g.plot.mark === null) g = { ...g, plot: { ...g.plot, mark: '*' } };
  return g;
}

/** Options of plots that pictures do not know. */
const OWN =
  /^(?:surf|mesh|forget plot|ybar|xbar|ybar interval|error bars.*|y domain|domain y|samples y|shader|colormap.*|point meta.*|fill between.*|nodes near coords.*|legend.*|area legend|line legend|restrict .*|unbounded .*|quiver.*|z buffer.*|contour.*|patch.*|scatter.*|only if.*|line join|bar shift.*|bar width|visualization.*|opacity fill|stack plots.*|hist.*|table.*|x filter.*|y filter.*|expr.*|update limits|on layer|fill opacity plot|empty line|discard if.*|select coords.*|plot graphics.*|const plot mark.*|jump mark.*|view|variable y)\b/;

/** The options without those that only axes know; they are read apart. */
function withoutOwn(options: readonly Token[]): Token[] {
  const out: Token[] = [];
  let part: Token[] = [];
  let depth = 0;
  const put = (): void => {
    const name = part
      .map((t) => t.text)
      .join('')
      .trim();
    if (!OWN.test(name)) out.push(...(out.length > 0 && part.length > 0 ? [comma] : []), ...part);
    part = [];
  };
  const comma = { cat: Cat.Other, text: ',', cell: null, from: 0, to: 0, chunk: -1 } as Token;
  for (const token of options) {
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth === 0 && token.text === ',' && token.cell === null) put();
    else part.push(token);
  }
  put();
  return out;
}

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
function readPoints(
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

function expressionIn(
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

function valueOf(
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

/** Values of a function of two variables over a grid. */
function grid(
  reading: Reading,
  axis: OpenAxis,
  g: Graphics,
  options: readonly Token[],
  tokens: readonly Token[],
): Points {
  const expression = expressionIn(reading, axis, tokens, ['x', 'y']);
  const text = wordsOf(reading.it, options);
  const rows = /(?:y domain|domain y)\s*=\s*\{?([^:,]+):([^,}]+)/.exec(text);
  const xs = samplesOf(g.plot);
  const count = Number(/samples y\s*=\s*(\d+)/.exec(text)?.[1] ?? xs.length);
  const [low, high] = rows
    ? [numberIn(reading, rows[1] ?? '').value, numberIn(reading, rows[2] ?? '').value]
    : [g.plot.from, g.plot.to];
  if (!expression || !reading.it.p.spend((xs.length * count) / 4, 'addplot3')) return plain([]);
  const points: DataPoint[] = [];
  for (let j = 0; j < count; j++) {
    const y = low + (count === 1 ? 0 : ((high - low) * j) / (count - 1));
    for (const x of xs) points.push(point(x, y, valueOf(reading, expression, { x, y }) ?? NaN));
  }
  return plain(points, xs.length);
}

/** `(0,1) (2,3) +- (0.1,0.2)`; names of symbolic coordinates count by their place. */
function coordinatesIn(reading: Reading, axis: OpenAxis, tokens: readonly Token[]): DataPoint[] {
  const text = wordsOf(reading.it, tokens);
  const { symbols } = axis.settings;
  const number = (part: string, i: number): number => {
    const at = symbols[i]?.indexOf(part.trim()) ?? -1;
    return at >= 0 ? at : numberIn(reading, bare(part)).value;
  };
  const out: DataPoint[] = [];
  const found = text.matchAll(
    /\(([^()]*(?:\([^()]*\)[^()]*)*)\)(?:\s*\[[^\]]*\])?(?:\s*\+-\s*\(([^()]*)\))?/g,
  );
  for (const [, inner = '', errors] of found) {
    const [x = '0', y = '0', z = '0'] = partsOf(inner, ',');
    const [ex = '0', ey = '0'] = errors === undefined ? [] : partsOf(errors, ',');
    out.push({
      x: number(x, 0),
      y: number(y, 1),
      z: number(z, 2),
      errorX: numberIn(reading, ex).value,
      errorY: numberIn(reading, ey).value,
    });
  }
  return out;
}

/** Values outside the asked domain are left out: the line breaks there. */
function restricted({ settings }: OpenAxis, points: readonly DataPoint[]): readonly DataPoint[] {
  const { restrict } = settings;
  if (!restrict) return points;
  return points.map((one) =>
    one.y < restrict[0] || one.y > restrict[1] ? { ...one, y: NaN } : one,
  );
}

/** What stands behind the data: nodes, the way back to the axis, the end. */
function readTail(scanner: Scanner, reading: Reading, g: Graphics) {
  const nodes: ReadNode[] = [];
  let closed = false;
  for (;;) {
    const token = peek(scanner);
    if (!token || (token.cat === Cat.Command && token.text !== 'closedcycle')) break;
    if (token.cat === Cat.Command) {
      scanner.it.p.nextNonBlank();
      closed = true;
    } else if (token.text === ';') {
      scanner.it.p.nextNonBlank();
      break;
    } else if (token.cat === Cat.Letter) {
      const word = takeWord(scanner, () => true);
      if (word === 'node' || word === 'coordinate')
        nodes.push(
          readNode(
            scanner,
            reading,
            { ...g, node: { ...g.node, position: g.node.position ?? 1 } },
            word === 'coordinate',
          ),
        );
      else if (word === 'cycle') closed = true;
    } else scanner.it.p.nextNonBlank();
  }
  return { nodes, closed };
}

function skip({ it }: Scanner): void {
  for (let token = it.p.next(); token !== null && token.text !== ';'; token = it.p.next())
    if (token.cat === Cat.Command && token.text === 'end') return it.p.unread(token);
}
