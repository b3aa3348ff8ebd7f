import { PT } from '../../../base/lengths';
import type { Token } from '../../../expansion/meaning';
import { Cat } from '../../../tokens/categories';
import type { Interpreter } from '../../machine/interpreter';
import type { Point } from '../../../base/maps';
import type { Expression } from '../arithmetic';
import { numberIn, type Reading } from '../coordinates';
import { freshPath, type Graphics } from '../graphics';
import { withKeys } from '../keys';
import { paintOf } from '../openPicture';
import { mixed } from '../shading';
import { readNode, type ReadNode } from '../pathNodes';
import { peek, takeOptions, takeSign, takeWord, tellLostEnd, type Scanner } from '../scanPath';
import { bare, partsOf, wordsOf } from '../words';
import type { DataPoint, LegendImage, OpenAxis, Plot } from './axis';
import { boxOptionsIn, boxPlotOf, cornersOf } from './boxPlot';
import { errorBarsIn, withErrors } from './errorBars';
import { counted, histogramOf } from './histogram';
import { nearCoordinatesIn } from './nearCoordinates';
import { withPaths } from './optionPaths';
import { expressionIn, readPoints, valueOf } from './plotPoints';
import { contoursIn } from './contours';
import { scatterIn } from './scatter';

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
export function readAxisPlot(
  scanner: Scanner,
  reading: Reading,
  axis: OpenAxis,
  command: Token,
): Plot | null {
  const { it } = scanner;
  // The name ends before the digit.
  const three = takeSign(scanner, '3');
  const added = takeSign(scanner, '+');
  takeSign(scanner, '*');
  const taken = takeOptions(scanner);
  const options = taken && withPaths(it, taken);
  const g = stateOf(reading, axis, options, added || options === null);
  const flags = flagsOf(it, options ?? []);
  const all = [...axis.every, ...it.p.chars(','), ...(options ?? [])];
  const source = readPoints(scanner, reading, axis, g, all, three || axis.dimensions === 3);
  if (!source) {
    skip(scanner);
    return null;
  }
  const contours = contoursIn(it, all);
  const tail = readTail(scanner, reading, g, command);
  const { between } = source;
  const bins = histogramOf(wordsOf(it, options ?? []));
  const boxed = boxOptionsIn(it, all);
  const boxes = axis.plots.filter(({ form }) => form === 'box').length;
  const box = boxed && boxPlotOf(boxed, source.points, boxes);
  const errors = errorBarsIn(it, all);
  const read = bins ? counted(source.points, bins) : source.points;
  const points = box ? cornersOf(box) : read.map((point) => withErrors(point, errors));
  return {
    g,
    box,
    near: nearCoordinatesIn(it, all),
    scatter: scatterIn(it, all),
    contours,
    barShift: barShiftIn(reading, all),
    points: restricted(axis, three ? points : points.map((one) => ({ ...one, z: 0 }))),
    closedToAxis: tail.closed,
    inLegend: !flags.has('forget plot'),
    nodes: tail.nodes,
    form: box ? 'box' : contours ? 'contour' : formOf(flags, axis, between !== null),
    between,
    arrows: flags.has('quiver') ? arrowsOf(reading, axis, points, all) : [],
    plainPatches: /shader\s*=\s*(?:interp|flat)(?! corner)/.test(wordsOf(it, all)),
    errors,
    perRow: source.perRow,
    three: (three || axis.dimensions === 3) && !flags.has('quiver'),
  };
}

/** A line in the legend for no plot (`\\addlegendimage`). */
export function readLegendImage(
  reading: Reading,
  axis: OpenAxis,
  options: readonly Token[],
): LegendImage {
  const flags = flagsOf(reading.it, options);
  return { g: stateOf(reading, axis, options, false), form: formOf(flags, axis, false) };
}

/** `bar shift=0pt`: how far the bars of a plot stand beside their places. */
function barShiftIn(reading: Reading, options: readonly Token[]): number | null {
  const said = /(?:^|,)\s*bar shift\s*=\s*([^,]+)/.exec(wordsOf(reading.it, options))?.[1];
  return said === undefined ? null : numberIn(reading, bare(said)).value * PT;
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
  return new Set(words);
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
    const turn = plots.filter(({ inLegend }) => inLegend).length;
    const { cycle } = settings;
    const [colour, mark] = CYCLE[turn % CYCLE.length] ?? ['blue', '*'];
    const solid = settings.bars !== null || settings.area;
    const style = solid ? `draw=${colour},fill=${colour}!30` : `${colour},mark=${mark}`;
    const own = cycle && (cycle[turn % Math.max(1, cycle.length)] ?? []);
    g = withKeys(reading, g, own ?? it.source(style));
    if (own && solid && g.fillColour === null)
      g = { ...g, fillColour: mixed(0xffffff, paintOf(null, g), 0.3) };
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
  /^(?:surf|mesh|forget plot|ybar|xbar|ybar interval|error bars.*|boxplot.*|every node near coord.*|node near coord.*|y domain|domain y|samples y|shader|colormap.*|point meta.*|fill between.*|nodes near coords.*|legend.*|area legend|line legend|restrict .*|unbounded .*|quiver.*|z buffer.*|contour.*|patch.*|scatter.*|only if.*|line join|bar shift.*|bar width|visualization.*|opacity fill|stack plots.*|hist.*|table.*|x filter.*|y filter.*|expr.*|update limits|on layer|fill opacity plot|empty line|discard if.*|select coords.*|plot graphics.*|view|variable y)\b/;

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

/** Values outside the asked domain are left out: the line breaks there. */
function restricted({ settings }: OpenAxis, points: readonly DataPoint[]): readonly DataPoint[] {
  const { restrict } = settings;
  if (!restrict) return points;
  return points.map((one) =>
    one.y < restrict[0] || one.y > restrict[1] ? { ...one, y: NaN } : one,
  );
}

/** What stands behind the data: nodes, the way back to the axis, the end. */
function readTail(scanner: Scanner, reading: Reading, g: Graphics, command: Token) {
  const nodes: ReadNode[] = [];
  let closed = false;
  for (;;) {
    const token = peek(scanner);
    if (!token || (token.cat === Cat.Command && token.text !== 'closedcycle')) {
      tellLostEnd(scanner.it, command);
      break;
    }
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
