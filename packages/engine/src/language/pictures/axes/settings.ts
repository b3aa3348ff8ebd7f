import { nearestName } from '../../../base/nearest';
import { PT } from '../../../base/lengths';
import type { Token } from '../../../expansion/meaning';
import { isColour } from '../../scanning/colours';
import { splitAt, trimmed, unspaced } from '../../scanning/optionLists';
import type { Reading } from '../coordinates';
import { STYLES } from '../keys';
import { bare, equalsOf, wordsOf } from '../words';
import type { AxisSettings } from './axis';
import { type Draft, KEYS } from './axisKeys';
import { HOT, namedMap } from './colourMaps';
import { formatFrom, PLAIN_NUMBERS } from './numberFormat';

const CM = (72.27 / 2.54) * PT;

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
  tickCode: [null, null, null],
  numberFormat: PLAIN_NUMBERS,
  nearLabels: false,
  tickLength: [0.15 * CM, 0.1 * CM],
  tickLabels: [null, null, null],
  tickDistance: [null, null, null],
  minorTicks: [0, 0, 0],
  grid: ['none', 'none', 'none'],
  equal: false,
  enlarge: [null, null, null],
  legendPlace: 'north east',
  legendStyle: [],
  legendColumns: 1,
  legendAlign: 'center',
  legendReversed: false,
  entries: [],
  symbols: [null, null, null],
  dates: [false, false, false],
  ticksAtData: [false, false, false],
  logBasis: [10, 10, 10],
  bars: null,
  barWidth: 10 * PT,
  barGap: 2 * PT,
  stacked: false,
  noMarks: false,
  onlyMarks: false,
  cycle: null,
  radians: false,
  hidden: false,
  clip: true,
  axisOnTop: false,
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
  lineStyle: [[], [], []],
  bare: [false, false, false],
  area: false,
  polar: false,
  colourBar: false,
  colours: HOT,
  scaledTicks: [true, true, true],
  fixedPoint: false,
  tickAlign: 'inside',
  tickSides: ['both', 'both', 'both'],
};

/** Keys that change nothing of how an axis looks here. */
const QUIET =
  /^(?:compat\/.*|date ZERO|unbounded coords|set layers|disabledatascaling|axis line shift|enlarge|variable|const plot|smooth|mark.*|domain|samples|baseline|trim axis.*|clip marker paths|clip mode|update limits|execute at .*|before end axis.*|after end axis.*|stack negative)$/;

/** Keys of axes and plots that are not carried out (pgfplots manual, chapters 4 and 5). */
const ELSEWHERE =
  /^(?:tick scale binop|max space between ticks|try min ticks(?: log)?|legend image code.*|legend image post style|visualization depends on|z buffer|plot box ratio|extra description.*|log (?:number format|origin|plot exponent).*|log ticks.*|legend plot pos|separate axis lines|colorbar (?!horizontal).*|every colorbar.*|patch.*|[xyz]ticklabel (?:pos|interval.*|shift)|ticklabel.*|ticklabels.*|[xyz]label shift|[xyz] filter.*|filter .*|[xyz]tick scale label.*|every [xyz]? ?tick scale label|scale mode|[xyz]? ?post scale|scale|discontinuity|axis discontinuity|axis [xyz] discontinuity|hide obscured.*|mesh\/.*|miter.*|cycle multi ?list.*|cycle list shift|axis z line.*|view dir|data cs|axis equal image|unit rescale.*|restrict [xz] to domain\*?|restrict expr.*|each nth point|bar (?:shift|direction).*|polar.*|smithchart.*|ternary.*|pattern.*|minor [xyz]? ?ticks?|(?:minor )?[xyz]tick.*|every .*|[xyz]?(?:major|minor)?ticks|.* cycle|table\/.*|[xyz] coord.*|anchor.*|sharp plot|jump mark.*)$/;

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
    const found = EVERY.exec(name);
    const every = found ? (found[1] ?? '') : undefined;
    if (map !== undefined) to.colours = namedMap(map) ?? to.colours;
    else if (name.startsWith('/pgf/number format/'))
      to.numberFormat = formatFrom(it, to.numberFormat, part).format;
    else if (every === '' && value.length > 0) {
      const inner = readSettings(reading, to, value);
      Object.assign(to, inner.settings);
      rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...inner.rest);
    } else if (every !== undefined)
      rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...value);
    else if (act) act({ reading, to, value, text: bare(wordsOf(it, wordless(name) ? [] : value)) });
    else if (style) {
      const inner = readSettings(reading, to, style.body);
      Object.assign(to, inner.settings);
      rest.push(...inner.rest);
    } else if (PLOT_KEYS.test(name) || reading.keys[name] || isColour(it, name)) {
      rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...part);
    } else if (ELSEWHERE.test(name))
      it.p.report('key-without-effect', it.spanOf(part[0] as Token), { name });
    else if (!QUIET.test(name)) unknown(reading, name, part);
  }
  return { settings: to, rest };
}

/** Keys whose values are words to be printed: they are not read as numbers. */
const wordless = (name: string): boolean =>
  /label(?:s| style)?$|title|legend (?:entries|style)|extra . tick (?:labels|style)/.test(name) &&
  !/^(?:[xyz]ticklabels|[xyz]ticklabel)$/.test(name);
/** `every axis`, and `every axis plot`: what all plots have. */
const EVERY = /^every axis(?: (plot)(?: post)?)?$/;

const PLOT_KEYS =
  /^(?:error bars\/.*|nodes near coords.*|every node near coord|point meta.*|scatter.*|contour.*|boxplot.*|bar shift|quiver|domain|samples|smooth|mark|mark size|only marks|variable|const plot|y domain|samples y|domain y|shader)$/;

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
