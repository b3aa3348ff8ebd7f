import { PT } from '../../../base/lengths';
import { cellsBy } from '../../../expansion/cells';
import { tokensText } from '../../../expansion/tokenText';
import type { Token } from '../../../expansion/meaning';
import { groupsIn, splitAt, trimmed } from '../../scanning/optionLists';
import { numberIn, type Reading } from '../coordinates';
import { bare, partsOf, wordsOf } from '../words';
import type { AxisSettings } from './axis';
import { namedCycle, readCycle } from './cycles';
import { dayOf } from './dates';
import { type ColourMap, namedMap, readMap } from './colourMaps';

/** Settings while options are read. */
export type Draft = { -readonly [Key in keyof AxisSettings]: AxisSettings[Key] };

/** What a key of an axis is given. */
export interface AxisKey {
  readonly reading: Reading;
  readonly to: Draft;
  readonly value: readonly Token[];
  readonly text: string;
}
type Act = (key: AxisKey) => void;

const AXES = ['x', 'y', 'z'] as const;
const replaced = <T>(list: readonly T[], at: number, by: T): readonly T[] =>
  list.map((one, i) => (i === at ? by : one));
const number = ({ reading }: AxisKey, text: string): number => numberIn(reading, bare(text)).value;
/** A style with more said of it. */
const added = (
  { reading }: AxisKey,
  before: readonly Token[],
  value: readonly Token[],
): readonly Token[] =>
  before.length === 0 ? value : [...before, ...reading.it.p.chars(','), ...value];
const isTrue = ({ text }: AxisKey): boolean => text !== 'false';

/** A list of numbers, `0,1,...,5` filled in. */
function numbers(key: AxisKey): number[] {
  const out: number[] = [];
  const parts = partsOf(key.text, ',').filter((part) => part !== '');
  parts.forEach((part, i) => {
    if (part !== '...') return void out.push(number(key, part));
    const [last = 0, before] = [out.at(-1), out.at(-2)];
    const end = number(key, parts[i + 1] ?? '0');
    const step = before === undefined ? Math.sign(end - last) || 1 : last - before;
    for (
      let at = last + step, n = 0;
      step > 0 ? at < end - step * 0.01 : at > end - step * 0.01;
      at += step
    )
      if (n++ > 500) break;
      else out.push(Number(at.toPrecision(12)));
  });
  return out;
}

type LineWord = AxisSettings['lines'][0];
const lineWord = (text: string): LineWord =>
  text === 'middle' || text === 'center'
    ? 'middle'
    : text === 'none'
      ? 'none'
      : text === 'left' || text === 'bottom'
        ? 'left'
        : text === 'right' || text === 'top'
          ? 'right'
          : 'box';

/** Styles of each axis, which add to what was said of them before. */
const styles = (
  names: readonly string[],
  of: 'tickLabelStyle' | 'labelStyle' | 'lineStyle',
): Readonly<Record<string, (key: AxisKey, axis: number) => void>> =>
  Object.fromEntries(
    names.map((name) => [
      name,
      (key: AxisKey, i: number): void =>
        void (key.to[of] = replaced(key.to[of], i, added(key, key.to[of][i] ?? [], key.value))),
    ]),
  );
/** The same of all axes. */
const stylesOfAll =
  (of: 'tickLabelStyle' | 'labelStyle' | 'lineStyle'): Act =>
  (key) =>
    void (key.to[of] = key.to[of].map((before) => added(key, before, key.value)));

/** The keys that each axis has: `{x}` stands for its letter. */
const EACH: Readonly<Record<string, (key: AxisKey, axis: number) => void>> = {
  '{x}min': (key, i) => void (key.to.min = replaced(key.to.min, i, symbolOr(key, i))),
  '{x}max': (key, i) => void (key.to.max = replaced(key.to.max, i, symbolOr(key, i))),
  '{x}label': (key, i) => void (key.to.labels = replaced(key.to.labels, i, key.value)),
  '{x}tick': (key, i) => {
    const { text } = key;
    const ticks =
      text === '\\empty' || text === '' ? [] : text === 'data' ? null : symbolsIn(key, i);
    key.to.ticks = replaced(key.to.ticks, i, ticks);
    key.to.ticksAtData = replaced(key.to.ticksAtData, i, text === 'data');
  },
  '{x}ticklabels': (key, i) => {
    const labels =
      key.text === '\\empty' || key.text === '' ? [] : splitAt(key.value, ',').map(trimmed);
    key.to.tickLabels = replaced(key.to.tickLabels, i, labels);
  },
  '{x}ticklabel': (key, i) => {
    if (key.value.length === 0 || key.value[0]?.text === 'empty')
      key.to.tickLabels = replaced(key.to.tickLabels, i, []);
    else key.to.tickCode = replaced(key.to.tickCode, i, key.value);
  },
  '{x}tick distance': (key, i) =>
    void (key.to.tickDistance = replaced(key.to.tickDistance, i, number(key, key.text))),
  'minor {x} tick num': (key, i) =>
    void (key.to.minorTicks = replaced(key.to.minorTicks, i, number(key, key.text))),
  '{x}majorgrids': (key, i) =>
    void (key.to.grid = replaced(key.to.grid, i, isTrue(key) ? 'major' : 'none')),
  '{x}minorgrids': (key, i) =>
    void (key.to.grid = replaced(key.to.grid, i, isTrue(key) ? 'both' : 'none')),
  '{x}mode': (key, i) =>
    void (key.to.mode = replaced(
      key.to.mode,
      i,
      key.text === 'log' ? 'log' : 'linear',
    ) as AxisSettings['mode']),
  'axis {x} line': (key, i) =>
    void (key.to.lines = replaced(key.to.lines, i, lineWord(key.text)) as AxisSettings['lines']),
  'axis {x} line*': (key, i) => {
    key.to.lines = replaced(key.to.lines, i, lineWord(key.text)) as AxisSettings['lines'];
    key.to.bare = replaced(key.to.bare, i, true);
  },
  'log basis {x}': (key, i) =>
    void (key.to.logBasis = replaced(key.to.logBasis, i, Math.max(1.01, number(key, key.text)))),
  'enlarge {x} limits': (key, i) =>
    void (key.to.enlarge = replaced(key.to.enlarge, i, enlargement(key))),
  'symbolic {x} coords': (key, i) =>
    void (key.to.symbols = replaced(key.to.symbols, i, partsOf(key.text, ','))),
  ...styles(
    ['{x}ticklabel style', '{x} tick label style', 'every {x} tick label'],
    'tickLabelStyle',
  ),
  ...styles(['{x}label style', '{x} label style', 'every axis {x} label'], 'labelStyle'),
  ...styles(['{x} axis line style', 'every {x} axis line'], 'lineStyle'),
  'scaled {x} ticks': (key, i) =>
    void (key.to.scaledTicks = replaced(key.to.scaledTicks, i, isTrue(key))),
  '{x}tick pos': (key, i) =>
    void (key.to.tickSides = replaced(key.to.tickSides, i, sideOf(key.text))),
  '{x}tick align': (key) => void (key.to.tickAlign = alignOf(key.text)),
  '{x} dir': (key, i) =>
    void (key.to.reverse = replaced(key.to.reverse, i, key.text === 'reverse')),
  'extra {x} ticks': (key, i) =>
    void (key.to.extraTicks = replaced(key.to.extraTicks, i, symbolsIn(key, i))),
  'extra {x} tick labels': (key, i) =>
    void (key.to.extraLabels = replaced(
      key.to.extraLabels,
      i,
      splitAt(key.value, ',').map(trimmed),
    )),
  'extra {x} tick style': (key, i) =>
    void (key.to.extraStyle = replaced(key.to.extraStyle, i, key.value)),
  '{x}majorticks': (key, i) => {
    if (!isTrue(key)) key.to.ticks = replaced(key.to.ticks, i, []);
  },
  '{x}': (key, i) => {
    const { value, hasUnit } = numberIn(key.reading, key.text);
    if (i < 2) key.to.unit = replaced(key.to.unit, i, value * (hasUnit ? PT : (72.27 / 2.54) * PT));
  },
};

const sideOf = (text: string): AxisSettings['tickSides'][number] =>
  /^(?:left|bottom|lower)$/.test(text)
    ? 'first'
    : /^(?:right|top|upper)$/.test(text)
      ? 'second'
      : 'both';
const alignOf = (text: string): AxisSettings['tickAlign'] =>
  text === 'outside' || text === 'center' ? text : 'inside';

function enlargement(key: AxisKey): number | null {
  const { text } = key;
  if (text === 'false') return 0;
  if (text === 'true' || text === '') return 0.1;
  if (text === 'auto') return null;
  const relative = /(?:value|rel)\s*=\s*([\d.]+)/.exec(text);
  if (relative) return Number(relative[1]);
  return /abs/.test(text) ? 0.15 : number(key, text);
}
const symbolOr = (key: AxisKey, i: number): number => {
  const day = key.to.dates[i] ? dayOf(key.text) : null;
  if (day !== null) return day;
  const at = key.to.symbols[i]?.indexOf(key.text) ?? -1;
  return at >= 0 ? at : number(key, key.text);
};
function symbolsIn(key: AxisKey, i: number): readonly number[] {
  const symbols = key.to.symbols[i];
  if (key.to.dates[i]) return partsOf(key.text, ',').flatMap((text) => dayOf(text) ?? []);
  return symbols
    ? partsOf(key.text, ',')
        .map((name) => symbols.indexOf(name))
        .filter((at) => at >= 0)
    : numbers(key);
}
const length = (key: AxisKey): number => numberIn(key.reading, key.text).value * PT;

/** All keys of axes by their names. */
export const KEYS: Readonly<Record<string, Act>> = {
  ...Object.fromEntries(
    AXES.flatMap((axis, i) =>
      Object.entries(EACH).map(([name, act]): [string, Act] => [
        name.replace('{x}', axis),
        (key) => act(key, i),
      ]),
    ),
  ),
  width: (key) => void (key.to.width = length(key)),
  height: (key) => void (key.to.height = length(key)),
  'scale only axis': (key) => void (key.to.scaleOnlyAxis = isTrue(key)),
  title: ({ to, value }) => void (to.title = value),
  'axis lines': ({ to, text }) => void (to.lines = [lineWord(text), lineWord(text)]),
  'axis lines*': ({ to, text }) => {
    to.lines = [lineWord(text), lineWord(text)];
    to.bare = [true, true, true];
  },
  'hide axis': (key) => void (key.to.hidden = isTrue(key)),
  'hide x axis': ({ to }) => void (to.lines = ['none', to.lines[1]]),
  'hide y axis': ({ to }) => void (to.lines = [to.lines[0], 'none']),
  ticks: ({ to, text }) => {
    if (text === 'none') to.ticks = [[], [], []];
  },
  'minor tick num': (key) => void (key.to.minorTicks = [1, 1, 1].map(() => number(key, key.text))),
  grid: ({ to, text }) => {
    const kind = text === 'both' || text === 'minor' ? 'both' : text === 'none' ? 'none' : 'major';
    to.grid = [kind, kind, kind];
  },
  'axis equal': (key) => void (key.to.equal = isTrue(key)),
  'axis equal image': (key) => void (key.to.equal = isTrue(key)),
  'unit vector ratio': ({ to }) => void (to.equal = true),
  enlargelimits: (key) => {
    const by = enlargement(key);
    key.to.enlarge = [by, by, by];
  },
  'legend pos': ({ to, text }) => void (to.legendPlace = text),
  'legend style': legendStyle,
  'every axis legend': legendStyle,
  'legend columns': (key) => void (key.to.legendColumns = number(key, key.text)),
  'legend entries': ({ to, value }) => void (to.entries = splitAt(value, ',').map(trimmed)),
  'legend cell align': ({ to, text }) =>
    void (to.legendAlign = text === 'left' || text === 'right' ? text : 'center'),
  'reverse legend': (key) => void (key.to.legendReversed = isTrue(key)),
  ybar: (key) => bars(key, 'ybar'),
  'ybar interval': ({ to }) => void (to.bars = 'ybar'),
  'ybar stacked': ({ to }) => void ([to.bars, to.stacked] = ['ybar', true]),
  xbar: (key) => bars(key, 'xbar'),
  'xbar stacked': ({ to }) => void ([to.bars, to.stacked] = ['xbar', true]),
  'bar width': (key) => void (key.to.barWidth = length(key)),
  'stack plots': ({ to, text }) => void (to.stacked = text === 'y' || text === 'x'),
  'no markers': (key) => void (key.to.noMarks = isTrue(key)),
  'no marks': (key) => void (key.to.noMarks = isTrue(key)),
  'only marks': ({ to }) => void (to.onlyMarks = true),
  'cycle list name': ({ reading, to, text }) => void (to.cycle = namedCycle(reading.it, text)),
  'cycle list': ({ to, value }) => void (to.cycle = readCycle(value)),
  'date coordinates in': ({ to, text }) => {
    for (const [i, axis] of AXES.entries())
      if (text.includes(axis)) to.dates = replaced(to.dates, i, true);
  },
  'trig format plots': ({ to, text }) => void (to.radians = text === 'rad'),
  'trig format': ({ to, text }) => void (to.radians = text === 'rad'),
  clip: (key) => void (key.to.clip = isTrue(key)),
  'axis on top': (key) => void (key.to.axisOnTop = isTrue(key)),
  view: (key) => {
    const [a = '25', b = '30'] = key.text
      .split(/\}\s*\{|\s+/)
      .map((part) => part.replace(/[{}]/g, ''));
    key.to.view = [number(key, a), number(key, b)];
  },
  'restrict y to domain': (key) => void (key.to.restrict = domain(key)),
  'restrict y to domain*': (key) => void (key.to.restrict = domain(key)),
  'grid style': ({ to, value }) => void (to.gridStyle = value),
  'major grid style': ({ to, value }) => void (to.majorGridStyle = value),
  'minor grid style': ({ to, value }) => void (to.minorGridStyle = value),
  'tick style': (key) => void (key.to.tickStyle = added(key, key.to.tickStyle, key.value)),
  'every tick': (key) => void (key.to.tickStyle = added(key, key.to.tickStyle, key.value)),
  'major tick style': (key) => void (key.to.tickStyle = added(key, key.to.tickStyle, key.value)),
  'ticklabel style': stylesOfAll('tickLabelStyle'),
  'tick label style': stylesOfAll('tickLabelStyle'),
  'every tick label': stylesOfAll('tickLabelStyle'),
  'label style': stylesOfAll('labelStyle'),
  'every axis label': stylesOfAll('labelStyle'),
  compat: (key) => {
    const [, major = '0', minor = '0'] = /^(\d+)\.(\d+)/.exec(key.text) ?? [];
    key.to.nearLabels = key.text === 'newest' || Number(major) > 1 || Number(minor) >= 3;
  },
  ...Object.fromEntries(
    ['x', 'y', 'z', ''].flatMap((axis) => [
      [`${axis}label near ticks`, (key: AxisKey) => void (key.to.nearLabels = true)],
      [`${axis}label absolute`, (key: AxisKey) => void (key.to.nearLabels = false)],
    ]),
  ),
  'major tick length': (key) => void (key.to.tickLength = [length(key), key.to.tickLength[1]]),
  tickwidth: (key) => void (key.to.tickLength = [length(key), key.to.tickLength[1]]),
  'minor tick length': (key) => void (key.to.tickLength = [key.to.tickLength[0], length(key)]),
  subtickwidth: (key) => void (key.to.tickLength = [key.to.tickLength[0], length(key)]),
  'title style': (key) => void (key.to.titleStyle = added(key, key.to.titleStyle, key.value)),
  'every axis title': (key) => void (key.to.titleStyle = added(key, key.to.titleStyle, key.value)),
  name: ({ to, text }) => void (to.name = text),
  at: ({ to, text }) => void (to.at = text.replace(/^\(([\s\S]*)\)$/, '$1')),
  anchor: ({ to, text }) => void (to.anchor = text),
  'scaled ticks': (key) => void (key.to.scaledTicks = key.to.scaledTicks.map(() => isTrue(key))),
  'tick align': (key) => void (key.to.tickAlign = alignOf(key.text)),
  'tick pos': (key) => void (key.to.tickSides = key.to.tickSides.map(() => sideOf(key.text))),
  'log ticks with fixed point': (key) => void (key.to.fixedPoint = isTrue(key)),
  'axis line style': stylesOfAll('lineStyle'),
  'extra tick style': ({ to, value }) => void (to.extraStyle = [value, value, value]),
  'area style': ({ to }) => void (to.area = true),
  'stack plots*': ({ to, text }) => void (to.stacked = text === 'y' || text === 'x'),
  colorbar: (key) => void (key.to.colourBar = isTrue(key)),
  colormap: (key) => setMap(key),
  'colormap name': (key) => setMap(key),
  'colorbar horizontal': (key) => void (key.to.colourBar = isTrue(key)),
  'axis background': ({ to, value }) => void (to.background = value),
};
/** `ybar=4pt`: with so much between the bars of several plots. */
function bars(key: AxisKey, kind: 'xbar' | 'ybar'): void {
  key.to.bars = kind;
  if (key.text !== '') key.to.barGap = length(key);
}

/** What is said of the legend: its columns and how its words stand are its own, the rest is a node's. */
function legendStyle({ to, value, reading: { it } }: AxisKey): void {
  const rest: Token[] = [...to.legendStyle];
  for (const part of splitAt(value, ',')) {
    const text = wordsOf(it, part);
    const columns = /^\s*legend columns\s*=\s*(-?\d+)/.exec(text)?.[1];
    const cells = /^\s*cells\s*=\s*\{?.*(?:anchor\s*=\s*|align\s*=\s*)(\w+)/.exec(text)?.[1];
    const align = /^\s*legend cell align\s*=\s*\{?(\w+)/.exec(text)?.[1];
    if (columns !== undefined) to.legendColumns = Number(columns);
    else if (cells !== undefined)
      to.legendAlign = /west|left/.test(cells)
        ? 'left'
        : /east|right/.test(cells)
          ? 'right'
          : 'center';
    else if (align !== undefined)
      to.legendAlign = align === 'left' || align === 'right' ? align : 'center';
    else rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...part);
  }
  to.legendStyle = rest;
}

/** `colormap={mine}{rgb255(0cm)=(0,0,255); color(1cm)=(red)}`, `colormap name=viridis`. */
function setMap({ reading: { it }, to, value, text }: AxisKey): void {
  const own = readMap(it, tokensText(value));
  const [name = [], body] = groupsIn(value);
  if (own) {
    to.colours = own;
    if (body) it.write(ownMap(tokensText(name).trim()), own, true);
  } else {
    const map = it.read(ownMap(text.trim())) ?? namedMap(text);
    if (map) to.colours = map;
  }
}

/** Maps of the document's own. */
const ownMap = cellsBy<ColourMap | null>('colourmap', null);

function domain(key: AxisKey): readonly [number, number] {
  const [from = '0', to = '0'] = partsOf(key.text, ':');
  return [number(key, from), number(key, to)];
}
