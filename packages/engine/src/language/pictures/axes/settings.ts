import { nearestName } from '../../../base/nearest';
import { PT } from '../../../base/lengths';
import type { Token } from '../../../expansion/meaning';
import { isColour } from '../../scanning/colours';
import { groupsIn, splitAt, trimmed, unspaced } from '../../scanning/optionLists';
import { numberIn, type Reading } from '../coordinates';
import { STYLES } from '../keys';
import { bare, equalsOf, partsOf, wordsOf } from '../words';
import type { AxisSettings } from './axis';
import { cellsBy } from '../../../expansion/cells';
import { tokensText } from '../../../expansion/tokenText';
import { type ColourMap, HOT, namedMap, readMap } from './colourMaps';

export const STANDARD: AxisSettings = {
  mode: ['linear', 'linear'],
  width: null,
  height: null,
  scaleOnlyAxis: false,
  min: [null, null, null],
  max: [null, null, null],
  labels: [null, null, null],
  title: null,
  lines: ['box', 'box'],
  ticks: [null, null, null],
  tickLabels: [null, null, null],
  tickDistance: [null, null, null],
  minorTicks: [0, 0, 0],
  grid: ['none', 'none', 'none'],
  equal: false,
  enlarge: [null, null, null],
  legendPlace: 'north east',
  legendStyle: [],
  legendColumns: 1,
  entries: [],
  symbols: [null, null, null],
  bars: null,
  barWidth: 10 * PT,
  stacked: false,
  noMarks: false,
  onlyMarks: false,
  cycle: 'colours',
  radians: false,
  hidden: false,
  clip: true,
  axisOnTop: false,
  nearCoordinates: false,
  view: [25, 30],
  unit: [null, null],
  restrict: null,
  tickStyle: [],
  gridStyle: [],
  majorGridStyle: [],
  minorGridStyle: [],
  tickLabelStyle: [[], [], []],
  labelStyle: [[], [], []],
  titleStyle: [],
  name: 'current axis',
  at: null,
  anchor: 'south west',
  background: [],
  reverse: [false, false, false],
  extraTicks: [[], [], []],
  extraLabels: [null, null, null],
  extraStyle: [[], [], []],
  lineStyle: [],
  area: false,
  polar: false,
  colourBar: false,
  colours: HOT,
  scaledTicks: [true, true, true],
  fixedPoint: false,
  tickAlign: 'inside',
  tickSides: ['both', 'both', 'both'],
};

type Draft = { -readonly [Key in keyof AxisSettings]: AxisSettings[Key] };

/** What a key of an axis is given. */
interface AxisKey {
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
  },
  '{x}ticklabels': (key, i) => {
    const labels =
      key.text === '\\empty' || key.text === '' ? [] : splitAt(key.value, ',').map(trimmed);
    key.to.tickLabels = replaced(key.to.tickLabels, i, labels);
  },
  '{x}ticklabel': (key, i) => {
    if (key.text === '' || key.text === '\\empty')
      key.to.tickLabels = replaced(key.to.tickLabels, i, []);
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
  'axis {x} line*': (key, i) =>
    void (key.to.lines = replaced(key.to.lines, i, lineWord(key.text)) as AxisSettings['lines']),
  'enlarge {x} limits': (key, i) =>
    void (key.to.enlarge = replaced(key.to.enlarge, i, enlargement(key))),
  'symbolic {x} coords': (key, i) =>
    void (key.to.symbols = replaced(key.to.symbols, i, partsOf(key.text, ','))),
  '{x}ticklabel style': (key, i) =>
    void (key.to.tickLabelStyle = replaced(key.to.tickLabelStyle, i, key.value)),
  '{x}label style': (key, i) =>
    void (key.to.labelStyle = replaced(key.to.labelStyle, i, key.value)),
  'every axis {x} label': (key, i) =>
    void (key.to.labelStyle = replaced(key.to.labelStyle, i, key.value)),
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
  const at = key.to.symbols[i]?.indexOf(key.text) ?? -1;
  return at >= 0 ? at : number(key, key.text);
};
function symbolsIn(key: AxisKey, i: number): readonly number[] {
  const symbols = key.to.symbols[i];
  return symbols
    ? partsOf(key.text, ',')
        .map((name) => symbols.indexOf(name))
        .filter((at) => at >= 0)
    : numbers(key);
}
const length = (key: AxisKey): number => numberIn(key.reading, key.text).value * PT;

const KEYS: Readonly<Record<string, Act>> = {
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
  'axis lines*': ({ to, text }) => void (to.lines = [lineWord(text), lineWord(text)]),
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
  'legend style': ({ to, value, reading }) => {
    const columns = /legend columns=(-?\d+)/.exec(wordsOf(reading.it, value))?.[1];
    if (columns !== undefined) to.legendColumns = Number(columns);
    to.legendStyle = splitAt(value, ',')
      .filter((part) => !/^\s*legend columns/.test(part.map(({ text }) => text).join('')))
      .flatMap((part, i) => (i === 0 ? part : [...reading.it.p.chars(','), ...part]));
  },
  'legend columns': (key) => void (key.to.legendColumns = number(key, key.text)),
  'legend entries': ({ to, value }) => void (to.entries = splitAt(value, ',').map(trimmed)),
  'legend cell align': () => undefined,
  'legend image post style': () => undefined,
  ybar: ({ to }) => void (to.bars = 'ybar'),
  'ybar interval': ({ to }) => void (to.bars = 'ybar'),
  'ybar stacked': ({ to }) => void ([to.bars, to.stacked] = ['ybar', true]),
  xbar: ({ to }) => void (to.bars = 'xbar'),
  'xbar stacked': ({ to }) => void ([to.bars, to.stacked] = ['xbar', true]),
  'bar width': (key) => void (key.to.barWidth = length(key)),
  'stack plots': ({ to, text }) => void (to.stacked = text === 'y' || text === 'x'),
  'no markers': (key) => void (key.to.noMarks = isTrue(key)),
  'no marks': (key) => void (key.to.noMarks = isTrue(key)),
  'only marks': ({ to }) => void (to.onlyMarks = true),
  'cycle list name': ({ to, text }) =>
    void (to.cycle = /black|linestyles|mark list/.test(text) ? 'plain' : 'colours'),
  'cycle list': () => undefined,
  'trig format plots': ({ to, text }) => void (to.radians = text === 'rad'),
  'trig format': ({ to, text }) => void (to.radians = text === 'rad'),
  clip: (key) => void (key.to.clip = isTrue(key)),
  'clip mode': () => undefined,
  'axis on top': (key) => void (key.to.axisOnTop = isTrue(key)),
  'nodes near coords': ({ to }) => void (to.nearCoordinates = true),
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
  'tick style': ({ to, value }) => void (to.tickStyle = value),
  'ticklabel style': ({ to, value }) => void (to.tickLabelStyle = [value, value, value]),
  'tick label style': ({ to, value }) => void (to.tickLabelStyle = [value, value, value]),
  'label style': ({ to, value }) => void (to.labelStyle = [value, value, value]),
  'title style': ({ to, value }) => void (to.titleStyle = value),
  name: ({ to, text }) => void (to.name = text),
  at: ({ to, text }) => void (to.at = text.replace(/^\(([\s\S]*)\)$/, '$1')),
  anchor: ({ to, text }) => void (to.anchor = text),
  'scaled ticks': (key) => void (key.to.scaledTicks = key.to.scaledTicks.map(() => isTrue(key))),
  'tick align': (key) => void (key.to.tickAlign = alignOf(key.text)),
  'tick pos': (key) => void (key.to.tickSides = key.to.tickSides.map(() => sideOf(key.text))),
  'log ticks with fixed point': (key) => void (key.to.fixedPoint = isTrue(key)),
  'axis line style': ({ to, value }) => void (to.lineStyle = value),
  'extra tick style': ({ to, value }) => void (to.extraStyle = [value, value, value]),
  'area style': ({ to }) => void (to.area = true),
  'stack plots*': ({ to, text }) => void (to.stacked = text === 'y' || text === 'x'),
  colorbar: (key) => void (key.to.colourBar = isTrue(key)),
  colormap: (key) => setMap(key),
  'colormap name': (key) => setMap(key),
  'colorbar horizontal': (key) => void (key.to.colourBar = isTrue(key)),
  'axis background': ({ to, value }) => void (to.background = value),
};
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

/** Keys that change nothing of how an axis looks here. */
const QUIET =
  /^(?:compat|unbounded coords|tickwidth|colorbar (?!horizontal).*|point meta.*|shader|every .*|axis [xyz] line style|[xyz] axis line style|separate axis lines|tick scale binop|.*precision|\/pgf\/.*|.*\/\.cd|max space between ticks|try min ticks|legend image code|enlarge|visualization depends on|z buffer|plot box ratio|extra description.*|log basis.*|log ticks (?!with).*|set layers|legend plot pos|disabledatascaling|samples y|domain y|y domain|error bars\/.*|.*ticks|reverse legend|group style|variable|const plot|smooth|mark.*|domain|samples|.*format.*|scale|baseline)$/;

/**
 * Reads the options of an axis.
 *
 * @returns its settings, and the options that are not its own: those of its plots.
 */
export function readSettings(
  reading: Reading,
  from: AxisSettings,
  tokens: readonly Token[],
): { readonly settings: AxisSettings; readonly rest: readonly Token[] } {
  const to: Draft = { ...from };
  const rest: Token[] = [];
  const { it } = reading;
  for (const written of splitAt(tokens, ',')) {
    const part = unspaced(written);
    if (part.length === 0) continue;
    const eq = equalsOf(part);
    const name = wordsOf(it, eq < 0 ? part : part.slice(0, eq))
      .replace(/^\/pgfplots\//, '')
      .replace(/\/\.(?:style|append style)$/, '')
      .replace(/\s+/g, ' ');
    const value = eq < 0 ? [] : trimmed(part.slice(eq + 1));
    const act = KEYS[name];
    const style = it.read(STYLES)[name];
    const map = /^colormap\/(.*)$/.exec(name)?.[1];
    if (map !== undefined) to.colours = namedMap(map) ?? to.colours;
    else if (act) act({ reading, to, value, text: bare(wordsOf(it, wordless(name) ? [] : value)) });
    else if (style) {
      const inner = readSettings(reading, to, style.body);
      Object.assign(to, inner.settings);
      rest.push(...inner.rest);
    } else if (PLOT_KEYS.test(name) || reading.keys[name] || isColour(it, name)) {
      rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...part);
    } else if (!QUIET.test(name)) unknown(reading, name, part);
  }
  return { settings: to, rest };
}

/** Keys whose values are words to be printed: they are not read as numbers. */
const wordless = (name: string): boolean =>
  /label(?:s| style)?$|title|legend (?:entries|style)|extra . tick (?:labels|style)/.test(name) &&
  !/^(?:[xyz]ticklabels|[xyz]ticklabel)$/.test(name);
const PLOT_KEYS =
  /^(?:quiver|domain|samples|smooth|mark|mark size|only marks|variable|const plot|y domain|samples y|domain y)$/;

function unknown({ it }: Reading, name: string, part: readonly Token[]): void {
  const first = it.spanOf(part[0] as Token);
  const near = nearestName(name, Object.keys(KEYS));
  const span = { ...first, to: it.spanOf(part.at(-1) as Token).to };
  const fix = near
    ? {
        title: `Make it ${near}`,
        edits: [{ from: span.from, to: span.from + name.length, text: near }],
      }
    : undefined;
  it.p.report('picture-key', span, { name }, fix);
}
