import type { Paint } from '../../base/paint';
import { PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { colourOf } from '../scanning/colours';
import type { RoundCorners } from '../constructs/framedBlocks';
import { dimenOf } from '../scanning/dimenOf';
import { glueOf } from '../scanning/glueOf';
import { groupsIn, keyValues, splitAt, trimmed } from '../scanning/optionLists';
import { BOX_STYLES, MM, type AroundKey, type BoxLook } from './colourBoxLook';
import { tellUnknownKey } from '../scanning/unknownKeys';

type Draft = { -readonly [Key in keyof BoxLook]: BoxLook[Key] };
type Act = (to: Draft, value: readonly Token[], it: Interpreter) => void;

const paint = (it: Interpreter, value: readonly Token[]): Paint => colourOf(it, null, value);
const at = <T extends readonly Sp[]>(list: T, i: number, by: Sp): T =>
  list.map((one, k) => (k === i ? by : one)) as unknown as T;
const side =
  (field: 'rules' | 'room', ...places: readonly number[]): Act =>
  (to, value, it) => {
    const extra = field === 'room' ? to.sep : 0;
    for (const place of places) to[field] = at(to[field], place, dimenOf(it, value) + extra);
  };

/** `to top left={yshift=-2mm,xshift=4mm}`. */
const attach =
  (place: string): Act =>
  (to, value, it) => {
    const keys = keyValues(value);
    const length = (key: string): Sp | 'half' => {
      const given = keys.get(key) ?? keys.get(`${key}*`) ?? keys.get(`${key}text`);
      if (!given) return 0;
      return tokensText(given).includes('boxedtitleheight') ? 'half' : dimenOf(it, given);
    };
    const x = length('xshift');
    to.attached = {
      top: place.startsWith('top'),
      align: place.endsWith('left') ? 'left' : place.endsWith('right') ? 'right' : 'center',
      shift: [x === 'half' ? 0 : x, length('yshift')],
    };
  };
const PLACES = ['top', 'bottom'].flatMap((edge) =>
  ['', ' left', ' center', ' right'].map((side_) => edge + side_),
);

/** How a line beside a box is broken, and how wide its gaps are. */
const DASHES = /^(?:(densely|loosely) )?(dashed|dotted)$/;
const GAPS: Readonly<Record<string, number>> = { densely: 0.6, loosely: 2 };

/** `borderline west={2pt}{0pt}{red}`, `{red,dashed}`. */
const borderline =
  (edges: string): Act =>
  (to, value, it) => {
    const [width = [], offset = [], options = []] = groupsIn(value);
    const thick = dimenOf(it, width);
    const parts = splitAt(options, ',').map((part) => ({ part, text: tokensText(part).trim() }));
    const colour = parts.find(({ text }) => text !== '' && !DASHES.test(text))?.part ?? [];
    const dashes = parts.map(({ text }) => DASHES.exec(text)).find((found) => found !== null);
    const [gap = 0] = dashes ? [GAPS[dashes[1] ?? ''] ?? 1] : [];
    const ink = dashes?.[2] === 'dotted' ? thick : 3 * PT;
    const line = {
      edges,
      width: thick,
      offset: dimenOf(it, offset),
      paint: paint(it, colour),
      dash: dashes ? [ink, (dashes[2] === 'dotted' ? 2 : 3) * gap * PT] : [],
    };
    to.borderlines = [...to.borderlines, line];
  };

const numberOf = (value: readonly Token[]): number => Number(tokensText(value)) || 0;

const valignOf = (value: readonly Token[]): 'top' | 'center' | 'bottom' => {
  const said = tokensText(value).trim();
  return /^center/.test(said) ? 'center' : /^bottom/.test(said) ? 'bottom' : 'top';
};

const AROUND: readonly AroundKey[] = [
  'before upper',
  'after upper',
  'before lower',
  'after lower',
  'before title',
  'after title',
];

/** What stands before or behind a part; with a star, besides what was said before. */
function around(to: Draft, key: AroundKey, value: readonly Token[], more: boolean): void {
  to.around = { ...to.around, [key]: more ? [...to.around[key], ...value] : value };
}

/** What a box for programs shows, and whether side by side. */
const shows =
  (beside: boolean, ...parts: BoxLook['program']): Act =>
  (to) => {
    to.program = parts;
    to.beside = beside ? (to.beside ?? 0.5) : null;
  };

/** The title as it stands where it is called for. */
const tcbTitle = (to: BoxLook): readonly Token[] => [...to.titleFont, ...(to.title ?? [])];

const NAMED_CORNERS: Readonly<Record<string, readonly (keyof RoundCorners)[]>> = {
  north: ['nw', 'ne'],
  south: ['sw', 'se'],
  east: ['ne', 'se'],
  west: ['nw', 'sw'],
  northwest: ['nw'],
  northeast: ['ne'],
  southwest: ['sw'],
  southeast: ['se'],
  downhill: ['nw', 'se'],
  uphill: ['sw', 'ne'],
};

/** Corners made round or sharp: those named, or all. */
const corners =
  (round: boolean): Act =>
  (to, value) => {
    const named = NAMED_CORNERS[tokensText(value).trim()] ?? (['nw', 'ne', 'sw', 'se'] as const);
    to.corners = { ...to.corners, ...Object.fromEntries(named.map((corner) => [corner, round])) };
  };

const hideFrame: Act = (to) => {
  to.rules = [0, 0, 0, 0];
};
const hideAll: Act = (to) => {
  to.rules = [0, 0, 0, 0];
  to.ground = null;
};

/** `size=small` and its kin (manual, section 4.7): frame, arc and room in millimetres. */
const SIZES: Readonly<
  Record<string, readonly [rule: number, arc: number, sep: number, x: number, y: number]>
> = {
  normal: [0.5, 1, 1, 4, 2],
  title: [0.4, 0.75, 0.5, 1, 0.5],
  small: [0.4, 0.75, 1, 1, 0],
  fbox: [0.14, 0, 1.05, 0, 0],
  tight: [0.14, 0, 0, 0, 0],
  minimal: [0, 0, 0, 0, 0],
};

function sized(to: Draft, name: string): void {
  const [rule, arc, sep, x, y] = SIZES[name] ?? SIZES.normal ?? [0, 0, 0, 0, 0];
  to.rules = [rule * MM, rule * MM, rule * MM, rule * MM];
  to.arc = arc * MM;
  to.sep = sep * MM;
  to.room = [(sep + x) * MM, (sep + x) * MM, (sep + y) * MM, (sep + y) * MM];
}

const KEYS: Readonly<Record<string, Act>> = {
  ...Object.fromEntries(
    PLACES.map((place): [string, Act] => [`attach boxed title to ${place}`, attach(place)]),
  ),
  'boxed title style': (to, value) => void (to.titleKeys = value),
  'detach title': (to) => void (to.titleShown = false),
  'attach title': (to) => void (to.titleShown = true),
  'attach title to upper': (to, value) => {
    to.titleShown = false;
    around(to, 'before upper', [...tcbTitle(to), ...value], true);
  },
  borderline: borderline('nesw'),
  'borderline west': borderline('w'),
  'borderline east': borderline('e'),
  'borderline north': borderline('n'),
  'borderline south': borderline('s'),
  'borderline vertical': borderline('ew'),
  'borderline horizontal': borderline('ns'),
  'no borderline': (to) => void (to.borderlines = []),
  'drop shadow': (to) => void (to.shadow = 'plain'),
  'drop fuzzy shadow': (to) => void (to.shadow = 'fuzzy'),
  'drop lifted shadow': (to) => void (to.shadow = 'fuzzy'),
  'fuzzy shadow': (to) => void (to.shadow = 'fuzzy'),
  shadow: (to) => void (to.shadow = 'plain'),
  'no shadow': (to) => void (to.shadow = 'none'),
  sidebyside: (to) => void (to.beside ??= 0.5),
  'sidebyside gap': (to, value, it) => void (to.besideGap = dimenOf(it, value)),
  'sidebyside align': (to, value) =>
    void (to.besideAlign = valignOf(splitAt(value, ' ')[0] ?? value)),
  'lefthand width': (to, value, it) => {
    to.beside ??= 0.5;
    to.besideWidth = { left: true, width: dimenOf(it, value) };
  },
  'righthand width': (to, value, it) => {
    to.beside ??= 0.5;
    to.besideWidth = { left: false, width: dimenOf(it, value) };
  },
  'lefthand ratio': (to, value) => void (to.beside = Number(tokensText(value)) || 0.5),
  'righthand ratio': (to, value) => void (to.beside = 1 - (Number(tokensText(value)) || 0.5)),
  colback: (to, value, it) => void (to.ground = paint(it, value)),
  colframe: (to, value, it) => void (to.frame = paint(it, value)),
  coltext: (to, value, it) => {
    to.words = paint(it, value);
    to.lower = { ...to.lower, words: to.words };
  },
  colupper: (to, value, it) => void (to.words = paint(it, value)),
  collower: (to, value, it) => void (to.lower = { ...to.lower, words: paint(it, value) }),
  coltitle: (to, value, it) => void (to.titleWords = paint(it, value)),
  colbacktitle: (to, value, it) => void (to.titleGround = paint(it, value)),
  colbacklower: (to, value, it) => void (to.lower = { ...to.lower, ground: paint(it, value) }),
  title: (to, value) => void (to.title = value),
  'adjusted title': (to, value) => void (to.title = value),
  notitle: (to) => void (to.title = null),
  fonttitle: (to, value) => void (to.titleFont = value),
  fontupper: (to, value) => void (to.font = value),
  fontlower: (to, value) => void (to.lower = { ...to.lower, font: value }),
  boxrule: side('rules', 0, 1, 2, 3),
  leftrule: side('rules', 0),
  rightrule: side('rules', 1),
  toprule: side('rules', 2),
  bottomrule: side('rules', 3),
  titlerule: (to, value, it) => void (to.titleRule = dimenOf(it, value)),
  toptitle: (to, value, it) => void (to.titleRoom = [dimenOf(it, value), to.titleRoom[1]]),
  bottomtitle: (to, value, it) => void (to.titleRoom = [to.titleRoom[0], dimenOf(it, value)]),
  arc: (to, value, it) => void (to.arc = dimenOf(it, value)),
  'sharp corners': corners(false),
  'rounded corners': corners(true),
  'circular arc': (to) => void (to.arc = 6 * MM),
  'bean arc': (to) => void (to.arc = 6 * MM),
  left: side('room', 0),
  right: side('room', 1),
  top: side('room', 2),
  bottom: side('room', 3),
  boxsep: (to, value, it) => {
    const by = dimenOf(it, value) - to.sep;
    to.sep += by;
    const [left, right, top, bottom] = to.room;
    to.room = [left + by, right + by, top + by, bottom + by];
  },
  size: (to, value) => sized(to, tokensText(value).trim()),
  width: (to, value, it) => void (to.width = dimenOf(it, value)),
  'add to width': (to, value, it) =>
    void (to.width = (to.width ?? it.dimen('linewidth')) + dimenOf(it, value)),
  'text width': (to, value, it) =>
    void (to.width = dimenOf(it, value) + to.room[0] + to.room[1] + to.rules[0] + to.rules[1]),
  height: (to, value, it) => void (to.height = dimenOf(it, value)),
  'text height': (to, value, it) =>
    void (to.height = dimenOf(it, value) + to.room[2] + to.room[3] + to.rules[2] + to.rules[3]),
  'natural height': (to) => void (to.height = null),
  valign: (to, value) => void (to.valign = valignOf(value)),
  'valign upper': (to, value) => void (to.valign = valignOf(value)),
  'before skip': (to, value, it) => void (to.before = glueOf(it, value)),
  'after skip': (to, value, it) => void (to.after = glueOf(it, value)),
  'beforeafter skip': (to, value, it) => void (to.before = to.after = glueOf(it, value)),
  'before skip balanced': (to, value, it) => void (to.before = glueOf(it, value)),
  'after skip balanced': (to, value, it) => void (to.after = glueOf(it, value)),
  'beforeafter skip balanced': (to, value, it) => void (to.before = to.after = glueOf(it, value)),
  halign: (to, value) => {
    to.align = tokensText(value).trim();
    to.lower = { ...to.lower, align: to.align };
  },
  'halign upper': (to, value) => void (to.align = tokensText(value).trim()),
  'halign lower': (to, value) => void (to.lower = { ...to.lower, align: tokensText(value).trim() }),
  'halign title': (to, value) => void (to.titleAlign = tokensText(value).trim()),
  'center title': (to) => void (to.titleAlign = 'center'),
  'center upper': (to) => void (to.align = 'center'),
  'center lower': (to) => void (to.lower = { ...to.lower, align: 'center' }),
  'flushleft title': (to) => void (to.titleAlign = 'left'),
  'flushright title': (to) => void (to.titleAlign = 'right'),
  'flushright upper': (to) => void (to.align = 'right'),
  'flushleft upper': (to) => void (to.align = 'flush left'),
  breakable: (to, value) => void (to.breakable = tokensText(value).trim() !== 'false'),
  'enforce breakable': (to) => void (to.breakable = true),
  unbreakable: (to) => void (to.breakable = false),
  center: (to) => void (to.place = 'center'),
  'flush center': (to) => void (to.place = 'center'),
  'flush left': (to) => void (to.place = 'left'),
  'flush right': (to) => void (to.place = 'right'),
  'left skip': (to, value, it) => void (to.grow = [-dimenOf(it, value), to.grow[1]]),
  'right skip': (to, value, it) => void (to.grow = [to.grow[0], -dimenOf(it, value)]),
  'grow to left by': (to, value, it) => void (to.grow = [dimenOf(it, value), to.grow[1]]),
  'grow to right by': (to, value, it) => void (to.grow = [to.grow[0], dimenOf(it, value)]),
  'enlarge left by': (to, value, it) => void (to.grow = [-dimenOf(it, value), to.grow[1]]),
  'spread sidewards': (to, value, it) => void (to.grow = [dimenOf(it, value), dimenOf(it, value)]),
  nobeforeafter: (to) => void (to.inLine = true),
  'on line': (to) => {
    to.onLine = true;
    to.inLine = true;
  },
  'tcbox raise base': (to) => void (to.onLine = true),
  'box align': (to, value) =>
    void (to.boxAlign = (tokensText(value).trim() as BoxLook['boxAlign']) || 'bottom'),
  baseline: () => undefined,
  hbox: (to) => void (to.natural = true),
  capture: (to, value) => void (to.natural = tokensText(value).trim() === 'hbox'),
  'frame hidden': hideFrame,
  'frame empty': hideFrame,
  'interior hidden': (to) => void (to.ground = null),
  'interior empty': (to) => void (to.ground = null),
  opacityback: (to, value) => void (to.opacity = { ...to.opacity, back: numberOf(value) }),
  opacitybacktitle: (to, value) => void (to.opacity = { ...to.opacity, title: numberOf(value) }),
  opacityframe: (to, value) => void (to.opacity = { ...to.opacity, frame: numberOf(value) }),
  opacityfill: (to, value) =>
    void (to.opacity = {
      back: numberOf(value),
      frame: numberOf(value),
      title: numberOf(value),
    }),
  'enhanced jigsaw': (to) => void (to.jigsaw = true),
  'standard jigsaw': (to) => void (to.jigsaw = true),
  label: (to, value) => void (to.label = value),
  blank: hideAll,
  'subtitle style': (to, value) => void (to.subtitle = value),
  blanker: (to, value, it) => {
    hideAll(to, value, it);
    to.rules = [0, 0, 0, 0];
    to.room = [0, 0, 0, 0];
    to.sep = 0;
  },
  blankest: (to, value, it) => KEYS.blanker?.(to, value, it),
  empty: hideAll,
  tile: (to) => {
    to.rules = [0, 0, 0, 0];
    to.arc = 0;
  },
  'lower separated': (to, value) =>
    void (to.lower = { ...to.lower, separated: tokensText(value).trim() !== 'false' }),
  'segmentation hidden': (to) => void (to.lower = { ...to.lower, separated: false }),
  'segmentation empty': (to) => void (to.lower = { ...to.lower, separated: false }),
  ...Object.fromEntries(
    AROUND.flatMap((key): [string, Act][] => [
      [key, (to, value) => around(to, key, value, false)],
      [`${key}*`, (to, value) => around(to, key, value, true)],
    ]),
  ),
  ...Object.fromEntries(
    ['equation', 'align', 'gather'].flatMap((name) =>
      ['', '*'].map((star): [string, Act] => [
        `ams ${name}${star}`,
        (to) => void (to.within = { name: name + star, args: '' }),
      ]),
    ),
  ),
  tabularx: (to, value) =>
    void (to.within = { name: 'tabularx', args: `{\\linewidth}{${tokensText(value)}}` }),
  tabular: (to, value) => void (to.within = { name: 'tabular', args: `{${tokensText(value)}}` }),
  'listing only': shows(false, 'listing'),
  'text only': shows(false, 'text'),
  'listing and text': shows(false, 'listing', 'text'),
  'text and listing': shows(false, 'text', 'listing'),
  'listing above text': shows(false, 'listing', 'text'),
  'text above listing': shows(false, 'text', 'listing'),
  'listing above* text': shows(false, 'listing', 'text'),
  'text above* listing': shows(false, 'text', 'listing'),
  'listing side text': shows(true, 'listing', 'text'),
  'text side listing': shows(true, 'text', 'listing'),
  'listing outside text': shows(true, 'listing', 'text'),
  'text outside listing': shows(true, 'text', 'listing'),
  oversize: (to, value, it) => {
    const by = dimenOf(it, value) / 2;
    to.grow = [by + to.room[0], by + to.room[1]];
  },
  overlay: (to, value) => void (to.overlay = value),
  'overlay unbroken': (to, value) => void (to.overlay = value),
  'overlay unbroken and first': (to, value) => void (to.overlay = value),
  underlay: (to, value) => void (to.underlay = [...to.underlay, ...value]),
  'underlay unbroken': (to, value) => void (to.underlay = [...to.underlay, ...value]),
  finish: (to, value) => void (to.overlay = [...to.overlay, ...value]),
  'no underlay': (to) => void (to.underlay = []),
  'no overlay': (to) => void (to.overlay = []),
  'watermark text': (to, value) => void (to.watermark = value),
  'no watermark': (to) => void (to.watermark = []),
};

/** Keys that change nothing of how a box looks here. */
const QUIET =
  /^(?:enhanced.*|skin.*|.* shadow|shadow .*|.* at break.*|before|after|before app|after app|parbox|theorem.*|separator.*|terminator.*|description.*|sidebyside .*|list(?:ing|) .*|list (?:entry|text|inside)|listing.*|minted.*|.*text only|text and.*|text side.*|space.*|pad.*|float.*|code|code .*|phantom.*|hyperref.*|label type|number.*|auto counter|use counter.*|crefname.*|outer arc|auto outer arc|capture .*|oversize\*|toggle.*|middle|lefttitle|righttitle|title(?:rule)? style|title (?:filled|hidden|empty|code|after|on).*|frame (?:style|code|engine).*|interior (?:style|code|engine|titled).*|segmentation .*|borderline .*|standard.*|freelance.*|bicolor|beamer|spartan|check.*|ignore.*|no .*|tikz.*|compilable.*|every .*|width .*|height .*|equal height.*|minimum for.*|use height.*|reset|nophantom|highlight.*|overlay .*|underlay .*|finish .*|watermark .*|bookmark.*|nameref|raster .*|extras.*|externalize.*|left\*|right\*|sharpish corners|graphical.*|arc is .*|shrink.*|enlarge .*|grow .*|attach boxed title.*|boxed title size|ams nodisplayskip.*|tabularx\*|tabular\*|boxsep.*|tcbox .*|fit.*|blend.*|geometry nodes|add .*)$/;

/** A look after a list of keys; one that is not known is told of. */
export function boxLook(
  it: Interpreter,
  from: BoxLook,
  tokens: readonly Token[],
  depth = 0,
): BoxLook {
  const to: Draft = { ...from };
  for (const part of splitAt(tokens, ',')) {
    const eq = part.findIndex((t) => t.text === '=' && t.cell === null);
    const name = tokensText(eq < 0 ? part : part.slice(0, eq))
      .replace(/^\s*\/tcb\//, '')
      .replace(/\s+/g, ' ')
      .trim();
    if (name === '') continue;
    const value = eq < 0 ? [] : trimmed(part.slice(eq + 1));
    const style = /^(.+?)\/\.(style|append style)$/.exec(name);
    const own = it.read(BOX_STYLES)[name];
    if (style) defineStyle(it, style[1] ?? '', style[2] === 'append style', value);
    else if (own && depth < 20) Object.assign(to, boxLook(it, to, own, depth + 1));
    else if (KEYS[name]) KEYS[name](to, value, it);
    else if (!QUIET.test(name)) {
      tellUnknownKey(it, eq < 0 ? part : part.slice(0, eq), Object.keys(KEYS));
    }
  }
  return to;
}

function defineStyle(it: Interpreter, name: string, more: boolean, value: readonly Token[]): void {
  const all = it.read(BOX_STYLES);
  const before = more ? [...(all[name] ?? []), ...it.p.chars(',')] : [];
  it.write(BOX_STYLES, { ...all, [name]: [...before, ...value] });
}
