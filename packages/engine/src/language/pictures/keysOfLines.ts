import type { ShadingKind } from '../../drawing/shadings';
import { PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { numberIn } from './coordinates';
import { declareFunctions } from './declaredFunctions';
import type {
  Along,
  Decoration,
  Graphics,
  PathMark,
  PathMode,
  Plotting,
  Shading,
} from './graphics';
import { STANDARD_TIP } from './graphics';
import {
  alongUnit,
  colour,
  isTrue,
  lengthOf,
  numberOf,
  withKeys,
  words,
  type Key,
  type KeyCall,
} from './keys';
import type { Fading } from './shading';
import { remember } from './remembered';
import { readTips, tipsOf } from './tipNames';
import { bare, partsOf, wordsOf } from './words';
import { splitAt, trimmed } from '../scanning/optionLists';
import { expandedItems } from './loops';
import { CELLS } from '../machine/cells';
import { showsOn } from '../machine/overlays';
import { colourOf } from '../scanning/colours';

const WIDTHS: Readonly<Record<string, number>> = {
  'ultra thin': 0.1,
  'very thin': 0.2,
  thin: 0.4,
  semithick: 0.6,
  thick: 0.8,
  'very thick': 1.2,
  'ultra thick': 1.6,
};

/** Named dashes: lengths of ink and of gaps in turn; null stands for the line's width (the manual's list). */
const DASHES: Readonly<Record<string, readonly (number | null)[]>> = {
  solid: [],
  dotted: [null, 2],
  'densely dotted': [null, 1],
  'loosely dotted': [null, 4],
  dashed: [3, 3],
  'densely dashed': [3, 2],
  'loosely dashed': [3, 6],
  'dash dot': [3, 2, null, 2],
  dashdotted: [3, 2, null, 2],
  'densely dash dot': [3, 1, null, 1],
  'loosely dash dot': [3, 4, null, 4],
  'dash dot dot': [3, 2, null, 2, null, 2],
  dashdotdotted: [3, 2, null, 2, null, 2],
};

const OPACITIES: Readonly<Record<string, number>> = {
  transparent: 0,
  'ultra nearly transparent': 0.05,
  'very nearly transparent': 0.1,
  'nearly transparent': 0.25,
  semitransparent: 0.5,
  'nearly opaque': 0.75,
  'very nearly opaque': 0.9,
  'ultra nearly opaque': 0.95,
  opaque: 1,
};

const set =
  <Name extends keyof Graphics>(name: Name, of: (call: KeyCall) => Graphics[Name]): Key =>
  (call) => {
    (call.g as { [N in Name]: Graphics[N] })[name] = of(call);
  };
const mode = (g: KeyCall['g'], change: Partial<PathMode>): void => {
  g.mode = { ...g.mode, ...change };
};
const plot =
  (of: (call: KeyCall) => Partial<Plotting>): Key =>
  (call) => {
    call.g.plot = { ...call.g.plot, ...of(call) };
  };
const each = <T>(table: Readonly<Record<string, T>>, key: (value: T) => Key) =>
  Object.fromEntries(Object.entries(table).map(([name, value]) => [name, key(value)]));

const UPRIGHT = { kind: 'axis', angle: 0 } as const;
const ACROSS = { kind: 'axis', angle: 90 } as const;
const kindOfShading = (name: string): ShadingKind =>
  name === 'ball' || name === 'radial' ? name : 'axis';

function shade({ g }: KeyCall, how: Partial<Shading>): void {
  mode(g, { shade: true });
  g.shading = { ...g.shading, ...how };
}

const FADES: Readonly<Record<string, number>> = { east: 0, north: 90, west: 180, south: 270 };

/** `path fading=east`, `path fading=circle with fuzzy edge 15 percent`; null for one that is not known. */
function fadingOf(call: KeyCall): Fading | null {
  const name = call.value === null ? 'east' : words(call);
  const fuzzy = /^circle with fuzzy edge (\d+) percent$/.exec(name);
  if (fuzzy) return { kind: 'circle', angle: 0, from: 1 - Number(fuzzy[1]) / 100 };
  const angle = FADES[name];
  return angle === undefined ? null : { kind: 'axis', angle, from: 0 };
}

/** Draws, fills or shades: with a colour, with none, or as it is. */
function paint(call: KeyCall, what: 'draw' | 'fill', field: 'drawColour' | 'fillColour'): void {
  const text = call.value === null ? '' : words(call);
  if (text === 'none') return mode(call.g, { [what]: false });
  mode(call.g, { [what]: true, ...(what === 'fill' ? { pattern: null } : {}) });
  if (text !== '') call.g[field] = colour(call);
}

/** `on 2pt off 3pt on 4pt off 4pt` as lengths. */
function dashPattern(call: KeyCall): readonly Sp[] {
  return [...words(call).matchAll(/\b(?:on|off)\s+(.+?)(?=\s+(?:on|off)\b|$)/g)].map(
    ([, length = '']) => numberIn(call.reading, length).value * PT,
  );
}

const decoration =
  (of: (call: KeyCall) => Partial<Decoration>): Key =>
  (call) => {
    call.g.decoration = { ...call.g.decoration, ...of(call) };
  };

/** Keys that mean the words of a decoration within it, and something else outside; true when it is one. */
function takeTextKey({ g, reading }: KeyCall, part: readonly Token[]): boolean {
  const at = part.findIndex((t) => t.text === '=');
  const key = wordsOf(reading.it, at < 0 ? part : part.slice(0, at)).trim();
  const value = at < 0 ? [] : trimmed(part.slice(at + 1));
  const said = wordsOf(reading.it, value);
  if (key === 'mirror') g.decoration = { ...g.decoration, mirror: true };
  else if (key === 'text') g.decoration = { ...g.decoration, text: value };
  else if (key === 'text align' || key === 'text align/align') {
    const align = said.replace(/^\{?(?:align=)?/, '').replace(/\}$/, '');
    const textAlign = align === 'center' || align === 'right' ? align : 'left';
    g.decoration = { ...g.decoration, textAlign };
  } else if (key === 'text color')
    g.decoration = { ...g.decoration, textColour: colourOf(reading.it, null, value) };
  else return key === 'text format delimiters' || key === 'reverse path';
  return true;
}

/** What `decoration={…}` and `postaction={decorate}` ask for. */
function decorationKeys(call: KeyCall): void {
  const { g, reading, value } = call;
  const inner = value ?? [];
  const first = bare(partsOf(words(call), ',')[0] ?? '');
  const isName = first !== '' && !first.includes('=');
  const comma = inner.findIndex((t) => t.text === ',');
  const rest = isName ? (comma < 0 ? [] : inner.slice(comma + 1)) : inner;
  if (isName) g.decoration = { ...g.decoration, name: first };
  const plain = splitAt(rest, ',').filter((part) => !takeTextKey(call, part));
  const commaToken = inner[comma] as Token;
  Object.assign(
    g,
    withKeys(
      reading,
      g,
      plain.flatMap((part, i) => (i === 0 ? part : [commaToken, ...part])),
    ),
  );
}

/** The places of marks: `at position .5`, or `between positions 0 and 1 step .2`; null for none. */
function placesOf(call: KeyCall): Pick<PathMark, 'from' | 'to' | 'step'> | null {
  const text = words(call);
  const along = (part: string | undefined): Along => {
    const { value, hasUnit } = numberIn(call.reading, part ?? '0');
    return { value: hasUnit ? value * PT : value, isLength: hasUnit };
  };
  const one = /^at position\s+(.+?)\s+with\b/.exec(text);
  if (one) return { from: along(one[1]), to: null, step: null };
  const many = /^between positions\s+(.+?)\s+and\s+(.+?)\s+step\s+(.+?)\s+with\b/.exec(text);
  return many && { from: along(many[1]), to: along(many[2]), step: along(many[3]) };
}

/** `mark=at position .5 with {\arrow{>}}`: at each of its places. */
function pathMark(call: KeyCall): PathMark | null {
  const places = placesOf(call);
  const value = call.value ?? [];
  const open = value.findIndex((t) => t.cat === Cat.Begin);
  if (!places || open < 0) return null;
  const body: readonly Token[] = value.slice(open + 1, -1);
  const arrow = /^\\arrow(reversed)?\s*(?:\[[^\]]*\])?\s*\{?(.+?)\}?;?$/.exec(
    body.map((t) => (t.cat === Cat.Command ? `\\${t.text}` : t.text)).join(''),
  );
  const tips = arrow ? tipsOf(call.reading, arrow[2] ?? '>', false) : null;
  const turned = arrow?.[1] ? tips?.map((tip) => ({ ...tip, reversed: !tip.reversed })) : tips;
  return { ...places, tips: turned ?? null, body };
}

/** `visible on=<2->`: what is drawn shows on some steps of a slide, and takes its room on all. */
function onSteps(call: KeyCall, shown: boolean): void {
  const { it } = call.reading;
  const spec = words(call).replace(/[<>{}\s]/g, '');
  if (it.read(CELLS.overlay) === null || showsOn(it, spec) === shown) return;
  call.g.drawOpacity = call.g.fillOpacity = call.g.textOpacity = 0;
}

/** Keys of lines, fills, tips, decorations and plots. */
export const LINE_KEYS: Readonly<Record<string, Key>> = {
  ...each(WIDTHS, (width) => set('lineWidth', () => width * PT)),
  ...each(DASHES, (dash) =>
    set('dash', ({ g }) => dash.map((length) => (length === null ? g.lineWidth : length * PT))),
  ),
  ...each(OPACITIES, (opacity) => ({ g }) => {
    g.drawOpacity = g.fillOpacity = g.textOpacity = opacity;
  }),
  'line width': set('lineWidth', lengthOf),
  'dash pattern': set('dash', dashPattern),
  'dash phase': set('dashPhase', lengthOf),
  dash: set('dash', dashPattern),
  'line cap': set('cap', (call) => {
    const cap = words(call);
    return cap === 'round' ? 'round' : cap === 'rect' ? 'square' : 'butt';
  }),
  'line join': set('join', (call) => {
    const join = words(call);
    return join === 'round' || join === 'bevel' ? join : 'miter';
  }),
  'miter limit': set('miterLimit', numberOf),
  color: (call) => {
    call.g.colour = colour(call);
    call.g.drawColour = call.g.fillColour = null;
  },
  draw: (call) => paint(call, 'draw', 'drawColour'),
  fill: (call) => paint(call, 'fill', 'fillColour'),
  filldraw: ({ g }) => mode(g, { draw: true, fill: true }),
  clip: ({ g }) => mode(g, { clip: true }),
  'use as bounding box': ({ g }) => mode(g, { asBounds: true }),
  shade: ({ g }) => mode(g, { shade: true }),
  shading: (call) => shade(call, { kind: kindOfShading(words(call)) }),
  'shading angle': (call) => shade(call, { angle: numberIn(call.reading, words(call)).value }),
  'top color': (call) => shade(call, { ...UPRIGHT, top: colour(call), middle: null }),
  'bottom color': (call) => shade(call, { ...UPRIGHT, bottom: colour(call), middle: null }),
  'left color': (call) => shade(call, { ...ACROSS, top: colour(call), middle: null }),
  'right color': (call) => shade(call, { ...ACROSS, bottom: colour(call), middle: null }),
  'middle color': (call) => shade(call, { kind: 'axis', middle: colour(call) }),
  'inner color': (call) => shade(call, { kind: 'radial', inner: colour(call) }),
  'outer color': (call) => shade(call, { kind: 'radial', outer: colour(call) }),
  'ball color': (call) => shade(call, { kind: 'ball', ball: colour(call) }),
  pattern: (call) => mode(call.g, { pattern: words(call), fill: false }),
  'pattern color': set('patternColour', colour),
  'path fading': set('fading', fadingOf),
  'fading angle': set(
    'fading',
    (call) => call.g.fading && { ...call.g.fading, angle: call.g.fading.angle + numberOf(call) },
  ),
  'fit fading': () => undefined,
  opacity: (call) => {
    call.g.drawOpacity = call.g.fillOpacity = call.g.textOpacity = numberOf(call);
  },
  'draw opacity': set('drawOpacity', numberOf),
  'fill opacity': (call) => {
    call.g.fillOpacity = call.g.textOpacity = numberOf(call);
  },
  'text opacity': set('textOpacity', numberOf),
  'transparency group': () => undefined,
  'blend mode': () => undefined,
  'blend group': () => undefined,
  'declare function': (call) => declareFunctions(call.reading.it, call.value ?? []),
  'even odd rule': set('evenOdd', () => true),
  'nonzero rule': set('evenOdd', () => false),
  'rounded corners': set('rounding', (call) => (call.value === null ? 4 * PT : lengthOf(call))),
  'sharp corners': set('rounding', () => 0),
  double: (call) => {
    mode(call.g, { draw: true });
    call.g.double = call.g.double ?? 0.6 * PT;
    if (call.value !== null && words(call) !== '') call.g.doubleColour = colour(call);
  },
  'double distance': (call) => {
    mode(call.g, { draw: true });
    call.g.double = lengthOf(call);
  },
  'double equal sign distance': ({ g, reading }) => {
    g.double = 0.18 * reading.it.em;
  },
  arrows: (call) => {
    const tips = readTips(call.reading, words(call));
    if (tips) [call.g.startTips, call.g.endTips] = [tips.start, tips.end];
  },
  '>': (call) => {
    const [tip] = tipsOf(call.reading, words(call), false) ?? [];
    if (tip) call.g.tip = tip;
  },
  '<': () => undefined,
  tips: () => undefined,
  'shorten >': set('shortenEnd', lengthOf),
  'shorten <': set('shortenStart', lengthOf),
  'name path': (call) => mode(call.g, { named: words(call) }),
  'name path global': (call) => mode(call.g, { named: words(call) }),
  'on background layer': ({ g }) => mode(g, { behind: true }),
  overlay: (call) => mode(call.g, { overlay: isTrue(call) }),
  'remember picture': (call) => {
    if (isTrue(call)) remember(call.reading);
  },
  'visible on': (call) => onSteps(call, true),
  'invisible on': (call) => onSteps(call, false),
  decorate: (call) => mode(call.g, { decorate: isTrue(call) }),
  decoration: decorationKeys,
  postaction: ({ g, value }) => mode(g, { after: [...g.mode.after, value ?? []] }),
  preaction: ({ g, value }) => mode(g, { before: [...g.mode.before, value ?? []] }),
  amplitude: decoration((call) => ({ amplitude: lengthOf(call) })),
  'shape size': decoration((call) => ({ amplitude: lengthOf(call) / 2 })),
  'shape sep': decoration((call) => ({ segment: lengthOf(call) })),
  'segment length': decoration((call) => ({ segment: lengthOf(call) })),
  raise: decoration((call) => ({ raise: lengthOf(call) })),
  mirror: decoration(() => ({ mirror: true })),
  'pre length': decoration((call) => ({ before: lengthOf(call) })),
  'post length': decoration((call) => ({ behind: lengthOf(call) })),
  pre: () => undefined,
  post: () => undefined,
  markings: (call) => void (call.g.decoration = { ...call.g.decoration, name: 'markings' }),
  'reset marks': decoration(() => ({ marks: [] })),
  mark: (call) => {
    const placed = pathMark(call);
    const { decoration: before } = call.g;
    if (placed) call.g.decoration = { ...before, marks: [...before.marks, placed] };
    else call.g.plot = { ...call.g.plot, mark: words(call) };
  },
  'mark size': plot((call) => ({ markSize: lengthOf(call) })),
  'mark options': plot((call) => ({ markLook: call.value ?? [] })),
  'mark repeat': plot((call) => ({ markEvery: Math.max(1, Math.round(numberOf(call))) })),
  'mark phase': plot((call) => ({ markFrom: Math.max(1, Math.round(numberOf(call))) })),
  'only marks': plot(() => ({ onlyMarks: true })),
  'no marks': plot(() => ({ mark: null })),
  smooth: plot(() => ({ smooth: true })),
  'smooth cycle': plot(() => ({ smooth: true, closed: true })),
  'sharp plot': plot(() => ({ smooth: false })),
  tension: plot((call) => ({ tension: numberOf(call) })),
  samples: plot((call) => ({ samples: Math.round(numberOf(call)) })),
  'samples at': plot((call) => ({
    at: expandedItems(call.reading, call.value ?? []).map(
      (item) => numberIn(call.reading, bare(wordsOf(call.reading.it, item))).value,
    ),
  })),
  'bar width': plot((call) => ({ barWidth: lengthOf(call) })),
  'bar shift': plot((call) => ({ barShift: lengthOf(call) })),
  variable: plot((call) => ({ variable: words(call).replace(/^\\/, '').trim() })),
  domain: plot((call) => {
    const [from = '0', to = '0'] = partsOf(words(call), ':');
    return { from: numberIn(call.reading, from).value, to: numberIn(call.reading, to).value };
  }),
  'const plot': plot(() => ({ form: 'steps', stepAt: 'left', jumps: false })),
  ...Object.fromEntries(
    (['left', 'right', 'mid'] as const).flatMap((stepAt): [string, Key][] => [
      [`const plot mark ${stepAt}`, plot(() => ({ form: 'steps', stepAt, jumps: false }))],
      [`jump mark ${stepAt}`, plot(() => ({ form: 'steps', stepAt, jumps: true }))],
    ]),
  ),
  ycomb: plot(() => ({ form: 'ycomb' })),
  xcomb: plot(() => ({ form: 'xcomb' })),
  ybar: plot(() => ({ form: 'bars' })),
  'polar comb': plot(() => ({ form: 'polar comb' })),
  step: (call) => {
    const text = words(call);
    const { g } = call;
    const point = /^\((.+),(.+)\)$/.exec(text);
    const across = alongUnit(call, point?.[1] ?? text, g.x.x);
    g.step = { x: across, y: alongUnit(call, point?.[2] ?? text, g.y.y) };
  },
  xstep: (call) => {
    const across = alongUnit(call, words(call), call.g.x.x);
    call.g.step = { x: across, y: call.g.step?.y ?? call.g.y.y };
  },
  ystep: (call) => {
    const up = alongUnit(call, words(call), call.g.y.y);
    call.g.step = { x: call.g.step?.x ?? call.g.x.x, y: up };
  },
  'help lines': ({ g }) => {
    g.lineWidth = 0.2 * PT;
    g.colour = 0x808080;
    g.drawColour = null;
  },
  '->': ({ g }) => void ([g.startTips, g.endTips] = [[], [STANDARD_TIP]]),
  '<-': ({ g }) => void ([g.startTips, g.endTips] = [[STANDARD_TIP], []]),
  '<->': ({ g }) => void ([g.startTips, g.endTips] = [[STANDARD_TIP], [STANDARD_TIP]]),
  '-': ({ g }) => void ([g.startTips, g.endTips] = [[], []]),
};
