import { PT, type Sp } from '../../base/lengths';
import type { Paint } from '../../base/paint';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { colourOf } from '../scanning/colours';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues, splitAt, trimmed } from '../scanning/optionLists';

export const MM = 2.845274 * PT;

export interface AttachedTitle {
  readonly top: boolean;
  readonly align: 'left' | 'center' | 'right';
  readonly shift: readonly [x: Sp, y: Sp | 'half'];
}

export interface Borderline {
  readonly edges: string;
  readonly width: Sp;
  readonly offset: Sp;
  readonly paint: Paint;
}

/** How a coloured box looks. */
export interface BoxLook {
  readonly ground: Paint;
  readonly frame: Paint;
  readonly words: Paint | null;
  readonly titleGround: Paint | null;
  readonly titleWords: Paint;
  readonly title: readonly Token[] | null;
  readonly titleFont: readonly Token[];
  readonly font: readonly Token[];
  /** Thickness of the frame at left, right, top and bottom. */
  readonly rules: readonly [left: Sp, right: Sp, top: Sp, bottom: Sp];
  readonly arc: Sp;
  /** Room within at left, right, top and bottom. */
  readonly room: readonly [left: Sp, right: Sp, top: Sp, bottom: Sp];
  /** What the room has of the box itself (`boxsep`). */
  readonly sep: Sp;
  /** In a line its words stand on the baseline, not its lower edge. */
  readonly onLine: boolean;
  readonly width: Sp | null;
  readonly before: Sp | null;
  readonly after: Sp | null;
  readonly align: string;
  readonly label: readonly Token[] | null;
  /** The title as a box of its own on the edge of this one, at a place, moved, with a look by its own keys. */
  readonly attached: AttachedTitle | null;
  readonly titleKeys: readonly Token[];
  /** Lines beside the frame: how thick, how far within it, at which edges. */
  readonly borderlines: readonly Borderline[];
  readonly shadow: 'none' | 'plain' | 'fuzzy';
  /** The upper and the lower part side by side, the first with such a share of the width. */
  readonly beside: number | null;
  /** It may go on over pages. */
  readonly breakable: boolean;
}

/** The standard look (the manual's figures): a frame of half a millimetre, room of four and two, and one of the box itself. */
export const STANDARD_BOX: BoxLook = {
  ground: 0xf2f2f2,
  frame: 0x404040,
  words: null,
  titleGround: null,
  titleWords: 0xffffff,
  title: null,
  titleFont: [],
  font: [],
  rules: [0.5 * MM, 0.5 * MM, 0.5 * MM, 0.5 * MM],
  arc: MM,
  room: [5 * MM, 5 * MM, 3 * MM, 3 * MM],
  sep: MM,
  onLine: false,
  width: null,
  before: null,
  after: null,
  align: '',
  label: null,
  attached: null,
  titleKeys: [],
  borderlines: [],
  shadow: 'none',
  beside: null,
  breakable: false,
};

/** Looks that the document names (`\tcbset{tide/.style={…}}`), and what holds for every box. */
export const BOX_STYLES = cell<Readonly<Record<string, readonly Token[]>>>('tcbstyles', {});
export const EVERY_BOX = cell<readonly Token[]>('tcbset', []);

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
      const given = keys.get(key) ?? keys.get(`${key}text`);
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

/** `borderline west={2pt}{0pt}{red}`. */
const borderline =
  (edges: string): Act =>
  (to, value, it) => {
    const [width = [], offset = [], colour = []] = groupsOf(value);
    const line = {
      edges,
      width: dimenOf(it, width),
      offset: dimenOf(it, offset),
      paint: paint(
        it,
        colour.filter((t) => t.text !== ','),
      ),
    };
    to.borderlines = [...to.borderlines, line];
  };

/** Groups in braces one behind another; where the first stood in none, what is left of it. */
function groupsOf(tokens: readonly Token[]): Token[][] {
  const groups: Token[][] = [[]];
  let depth = 0;
  for (const token of tokens) {
    if (token.cat === 1 && depth++ === 0) groups.push([]);
    else if (token.cat === 2) {
      // What `trimmed` took from the outside is made up for.
      depth = Math.max(0, depth - 1);
      if (depth > 0) groups.at(-1)?.push(token);
    } else groups.at(-1)?.push(token);
  }
  return groups.filter((group) => group.some((t) => t.text.trim() !== ''));
}

const KEYS: Readonly<Record<string, Act>> = {
  ...Object.fromEntries(
    PLACES.map((place): [string, Act] => [`attach boxed title to ${place}`, attach(place)]),
  ),
  'boxed title style': (to, value) => void (to.titleKeys = value),
  'detach title': (to) => void (to.title = null),
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
  'lefthand ratio': (to, value) => void (to.beside = Number(tokensText(value)) || 0.5),
  'righthand ratio': (to, value) => void (to.beside = 1 - (Number(tokensText(value)) || 0.5)),
  colback: (to, value, it) => void (to.ground = paint(it, value)),
  colframe: (to, value, it) => void (to.frame = paint(it, value)),
  coltext: (to, value, it) => void (to.words = paint(it, value)),
  colupper: (to, value, it) => void (to.words = paint(it, value)),
  coltitle: (to, value, it) => void (to.titleWords = paint(it, value)),
  colbacktitle: (to, value, it) => void (to.titleGround = paint(it, value)),
  title: (to, value) => void (to.title = value),
  adjusted_title: (to, value) => void (to.title = value),
  fonttitle: (to, value) => void (to.titleFont = value),
  fontupper: (to, value) => void (to.font = value),
  boxrule: side('rules', 0, 1, 2, 3),
  leftrule: side('rules', 0),
  rightrule: side('rules', 1),
  toprule: side('rules', 2),
  bottomrule: side('rules', 3),
  titlerule: () => undefined,
  arc: (to, value, it) => void (to.arc = dimenOf(it, value)),
  'sharp corners': (to) => void (to.arc = 0),
  'rounded corners': (to) => void (to.arc = MM),
  left: side('room', 0),
  right: side('room', 1),
  top: side('room', 2),
  bottom: side('room', 3),
  'left skip': () => undefined,
  boxsep: (to, value, it) => {
    const by = dimenOf(it, value) - to.sep;
    to.sep += by;
    const [left, right, top, bottom] = to.room;
    to.room = [left + by, right + by, top + by, bottom + by];
  },
  width: (to, value, it) => void (to.width = dimenOf(it, value)),
  'before skip': (to, value, it) => void (to.before = dimenOf(it, value)),
  'after skip': (to, value, it) => void (to.after = dimenOf(it, value)),
  halign: (to, value) => void (to.align = tokensText(value).trim()),
  breakable: (to, value) => void (to.breakable = tokensText(value).trim() !== 'false'),
  'enforce breakable': (to) => void (to.breakable = true),
  unbreakable: (to) => void (to.breakable = false),
  center: (to) => void (to.align = 'center'),
  'center title': () => undefined,
  'on line': (to) => void (to.onLine = true),
  'tcbox raise base': (to) => void (to.onLine = true),
  'frame hidden': (to) => void (to.rules = [0, 0, 0, 0]),
  'frame empty': (to) => void (to.rules = [0, 0, 0, 0]),
  label: (to, value) => void (to.label = value),
  blanker: (to) => {
    to.rules = [0, 0, 0, 0];
    to.room = [0, 0, 0, 0];
    to.sep = 0;
    to.ground = 0xffffff;
  },
  'size=small': () => undefined,
};

/** Keys that change nothing of how a box looks here. */
const QUIET =
  /^(?:enhanced.*|skin.*|drop.*|fuzzy.*|shadow.*|attach.*|boxed title.*|interior.*|frame style.*|borderline.*|overlay.*|watermark.*|before.*|after.*|parbox.*|nobeforeafter|theorem.*|separator.*|terminator.*|description.*|sidebyside.*|lower.*|upper.*|listing.*|minted.*|size|valign.*|height.*|equal height.*|space.*|pad.*|float.*|code|phantom.*|hyperref|label type.*|number.*|auto counter|use counter.*|crefname.*|outer arc|on line|tcbox.*|capture.*|grow.*|enlarge.*|oversize|toggle.*|middle.*|toptitle|bottomtitle|lefttitle|righttitle|titlerule.*|extras.*|segmentation.*|colbacklower|collower|fontlower|halign .*|flush.*|nophantom|empty|standard.*|freelance|tile|bicolor|beamer|check.*|ignore.*|list.*|no .*|opacity.*|tikz.*|text .*|title .*|subtitle.*|compilable.*|every .*|width .*|reset|box align|baseline|left\*|right\*|highlight.*)$/;

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
      const first = part.find((t) => t.text.trim() !== '');
      if (first) it.p.report('option-unknown', it.spanOf(first), { name });
    }
  }
  return to;
}

function defineStyle(it: Interpreter, name: string, more: boolean, value: readonly Token[]): void {
  const all = it.read(BOX_STYLES);
  const before = more ? [...(all[name] ?? []), ...it.p.chars(',')] : [];
  it.write(BOX_STYLES, { ...all, [name]: [...before, ...value] });
}
