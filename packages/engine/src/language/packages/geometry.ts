import { INCH, MM, type Sp } from '../../base/lengths';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { setDimen } from '../../expansion/registers';
import { textOf } from '../../expansion/tokenText';
import { clearPage } from '../constructs/chapters';
import { changeArea } from '../constructs/columns';
import { CELLS } from '../machine/cells';
import { keyValues, splitAt, trimmed } from '../scanning/optionLists';
import { dimenOf } from '../scanning/dimenOf';
import { tokenize } from '../machine/define';
import { type CommandEntry, type PackageEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { layoutOf, type Span1, type Wishes } from './geometryLayout';
import { tellUnknownKeys } from '../scanning/unknownKeys';

/** All keys of its options (geometry manual, section 5). */
const KEYS: readonly string[] =
  'margin hmargin vmargin left lmargin inner right rmargin outer top tmargin bottom bmargin paper papername papersize paperwidth paperheight landscape portrait a0paper a1paper a2paper a3paper a4paper a5paper a6paper b0paper b1paper b2paper b3paper b4paper b5paper b6paper letterpaper legalpaper executivepaper ansiapaper screen layout layoutsize layoutwidth layoutheight layouthoffset layoutvoffset hscale vscale scale width height total textwidth textheight text body lines includehead includefoot includeheadfoot includemp includeall ignorehead ignorefoot ignoreheadfoot ignoremp ignoreall heightrounded hdivide vdivide divide hmarginratio vmarginratio marginratio ratio hratio vratio hcentering vcentering centering twoside asymmetric bindingoffset hoffset voffset offset headheight head headsep footskip foot nohead nofoot noheadfoot footnotesep marginparwidth marginpar marginparsep nomarginpar columnsep columns onecolumn twocolumn reversemp reversemarginpar verbose pass reset resetmag mag truedimen showframe showcrop driver'.split(
    ' ',
  );

const iso = (base: readonly [number, number], n: number): readonly [Sp, Sp] => {
  let [width, height] = base;
  for (let i = 0; i < n; i++) [width, height] = [Math.floor(height / 2), width];
  return [width * MM, height * MM];
};

/** Sizes of paper (ISO 216; American sizes in inches). */
function paperOf(name: string): readonly [Sp, Sp] | null {
  const series = /^([ab])([0-6])(?:paper)?$/.exec(name);
  if (series) return iso(series[1] === 'a' ? [841, 1189] : [1000, 1414], Number(series[2]));
  const inches: Readonly<Record<string, readonly [number, number]>> = {
    letter: [8.5, 11],
    ansia: [8.5, 11],
    legal: [8.5, 14],
    executive: [7.25, 10.5],
  };
  const known = inches[name.replace(/paper$/, '')];
  if (known) return [known[0] * INCH, known[1] * INCH];
  return name === 'screen' ? [225 * MM, 180 * MM] : null;
}

/** What was asked for so far; null before the first key. What comes later adds to it. */
const WISHES = cell<Wishes | null>('geometrywishes', null);
/** What `\newgeometry` left, for `\restoregeometry`. */
const BEFORE = cell<Wishes | null>('geometrybefore', null);
const SAVED = cell<Readonly<Record<string, Wishes>>>('geometrysaved', {});

const startOf = (it: Interpreter): Wishes => ({
  paperWidth: it.dimen('paperwidth'),
  paperHeight: it.dimen('paperheight'),
  across: {},
  down: {},
  binding: 0,
  twoSided: it.read(CELLS.twoSided),
  asymmetric: false,
  headHeight: it.dimen('headheight'),
  headSep: it.dimen('headsep'),
  footSkip: it.dimen('footskip'),
  marginWidth: it.dimen('marginparwidth'),
  marginSep: it.dimen('marginparsep'),
  withHead: false,
  withFoot: false,
  withMargin: false,
  lines: null,
  rounded: false,
  baselineSkip: it.skip('baselineskip').width,
  topSkip: it.dimen('topskip'),
});

/** One or two lengths: `2cm`, `{2cm,3cm}`. */
type Read = (it: Interpreter, value: readonly Token[]) => readonly [Sp, Sp];
const pair: Read = (it, value) => {
  const [first = [], second] = splitAt(value, ',').map(trimmed);
  const length = dimenOf(it, first);
  return [length, second ? dimenOf(it, second) : length];
};

function numbers(it: Interpreter, value: readonly Token[], sign: string): [number, number] {
  const [first = 1, second = first] = textOf(it.p, value).split(sign).map(Number);
  return [first, second];
}

type Setter = (wishes: Wishes, it: Interpreter, value: readonly Token[]) => Wishes;

const across = (wishes: Wishes, change: Span1): Wishes => ({
  ...wishes,
  across: { ...wishes.across, ...change },
});
const down = (wishes: Wishes, change: Span1): Wishes => ({
  ...wishes,
  down: { ...wishes.down, ...change },
});
const length =
  (name: 'binding' | 'headHeight' | 'headSep' | 'footSkip' | 'marginWidth' | 'marginSep'): Setter =>
  (wishes, it, value) => ({ ...wishes, [name]: dimenOf(it, value) });
const both =
  (set: (wishes: Wishes, [a, b]: readonly [Sp, Sp]) => Wishes): Setter =>
  (wishes, it, value) =>
    set(wishes, pair(it, value));
/** A flag, which `=false` takes back. */
const flags =
  (on: Partial<Wishes>, off: Partial<Wishes>): Setter =>
  (wishes, it, value) => ({ ...wishes, ...(textOf(it.p, value) === 'false' ? off : on) });
const ratio = (
  wishes: Wishes,
  h: readonly [number, number] | null,
  v: readonly [number, number] | null,
) => {
  const one = h ? across(wishes, { ratio: h }) : wishes;
  return v ? down(one, { ratio: v }) : one;
};

/** `hdivide={*,10cm,3cm}`: side, text, side; a star or nothing leaves it open. */
const divide =
  (set: (wishes: Wishes, change: Span1) => Wishes): Setter =>
  (wishes, it, value) => {
    const [before, size, after] = splitAt(value, ',')
      .map(trimmed)
      .map((part) => (part.length === 0 || part[0]?.text === '*' ? undefined : dimenOf(it, part)));
    return set(wishes, {
      ...(before === undefined ? {} : { before }),
      ...(size === undefined ? {} : { size }),
      ...(after === undefined ? {} : { after }),
    });
  };

const head = (withHead: boolean): Partial<Wishes> => ({ withHead });
const foot = (withFoot: boolean): Partial<Wishes> => ({ withFoot });
const beside = (withMargin: boolean): Partial<Wishes> => ({ withMargin });
const NO_HEAD = { headHeight: 0, headSep: 0 };
const NO_FOOT = { footSkip: 0 };

const SETTERS: Readonly<Record<string, Setter | undefined>> = {
  margin: both((w, [h, v]) => down(across(w, { before: h, after: h }), { before: v, after: v })),
  hmargin: both((w, [before, after]) => across(w, { before, after })),
  vmargin: both((w, [before, after]) => down(w, { before, after })),
  left: both((w, [before]) => across(w, { before })),
  right: both((w, [after]) => across(w, { after })),
  top: both((w, [before]) => down(w, { before })),
  bottom: both((w, [after]) => down(w, { after })),
  width: both((w, [size]) => across(w, { size })),
  height: both((w, [size]) => down(w, { size })),
  total: both((w, [a, b]) => down(across(w, { size: a }), { size: b })),
  textwidth: both((w, [text]) => across(w, { text })),
  textheight: both((w, [text]) => down(w, { text })),
  body: both((w, [a, b]) => down(across(w, { text: a }), { text: b })),
  hdivide: divide(across),
  vdivide: divide(down),
  divide: (w, it, value) => divide(down)(divide(across)(w, it, value), it, value),
  hscale: (w, it, v) => across(w, { scale: Number(textOf(it.p, v)) }),
  vscale: (w, it, v) => down(w, { scale: Number(textOf(it.p, v)) }),
  scale: (w, it, v) => {
    const [h, u] = numbers(it, v, ',');
    return down(across(w, { scale: h }), { scale: u });
  },
  lines: (w, it, v) => ({ ...w, lines: Number(textOf(it.p, v)) || null }),
  hmarginratio: (w, it, v) => ratio(w, numbers(it, v, ':'), null),
  vmarginratio: (w, it, v) => ratio(w, null, numbers(it, v, ':')),
  marginratio: (w, it, v) => {
    const [h, u = h] = splitAt(v, ',').map((part) => numbers(it, part, ':'));
    return ratio(w, h ?? null, u ?? null);
  },
  hcentering: (w) => ratio(w, [1, 1], null),
  vcentering: (w) => ratio(w, null, [1, 1]),
  centering: (w) => ratio(w, [1, 1], [1, 1]),
  includehead: flags(head(true), head(false)),
  ignorehead: flags(head(false), head(true)),
  includefoot: flags(foot(true), foot(false)),
  ignorefoot: flags(foot(false), foot(true)),
  includeheadfoot: flags({ ...head(true), ...foot(true) }, { ...head(false), ...foot(false) }),
  ignoreheadfoot: flags({ ...head(false), ...foot(false) }, {}),
  includemp: flags(beside(true), beside(false)),
  ignoremp: flags(beside(false), beside(true)),
  includeall: flags({ ...head(true), ...foot(true), ...beside(true) }, {}),
  ignoreall: flags({ ...head(false), ...foot(false), ...beside(false) }, {}),
  heightrounded: flags({ rounded: true }, { rounded: false }),
  twoside: flags({ twoSided: true }, { twoSided: false }),
  asymmetric: flags({ twoSided: true, asymmetric: true }, { asymmetric: false }),
  bindingoffset: length('binding'),
  headheight: length('headHeight'),
  headsep: length('headSep'),
  footskip: length('footSkip'),
  marginparwidth: length('marginWidth'),
  marginparsep: length('marginSep'),
  nohead: flags(NO_HEAD, {}),
  nofoot: flags(NO_FOOT, {}),
  noheadfoot: flags({ ...NO_HEAD, ...NO_FOOT }, {}),
  nomarginpar: flags({ marginWidth: 0, marginSep: 0 }, {}),
  papersize: both((w, [paperWidth, paperHeight]) => ({ ...w, paperWidth, paperHeight })),
  paperwidth: both((w, [paperWidth]) => ({ ...w, paperWidth })),
  paperheight: both((w, [paperHeight]) => ({ ...w, paperHeight })),
  paper: (w, it, v) => ofPaper(w, textOf(it.p, v)),
  landscape: (w) => sided(w, Math.max, Math.min),
  portrait: (w) => sided(w, Math.min, Math.max),
  hoffset: (w, it, v) => (setDimen(it.state, 'hoffset', dimenOf(it, v), true), w),
  voffset: (w, it, v) => (setDimen(it.state, 'voffset', dimenOf(it, v), true), w),
  columnsep: (w, it, v) => (setDimen(it.state, 'columnsep', dimenOf(it, v), true), w),
};

const SAME: Readonly<Record<string, string | undefined>> = {
  lmargin: 'left',
  inner: 'left',
  rmargin: 'right',
  outer: 'right',
  tmargin: 'top',
  bmargin: 'bottom',
  text: 'body',
  ratio: 'marginratio',
  hratio: 'hmarginratio',
  vratio: 'vmarginratio',
  papername: 'paper',
  layout: 'paper',
  layoutsize: 'papersize',
  layoutwidth: 'paperwidth',
  layoutheight: 'paperheight',
  head: 'headheight',
  foot: 'footskip',
  marginpar: 'marginparwidth',
};

function ofPaper(wishes: Wishes, name: string): Wishes {
  const size = paperOf(name);
  return size ? { ...wishes, paperWidth: size[0], paperHeight: size[1] } : wishes;
}

function sided(wishes: Wishes, wide: typeof Math.max, high: typeof Math.max): Wishes {
  const { paperWidth, paperHeight } = wishes;
  return {
    ...wishes,
    paperWidth: wide(paperWidth, paperHeight),
    paperHeight: high(paperWidth, paperHeight),
  };
}

/** Wishes with the keys of a list added, in their order; the paper comes first. */
function added(it: Interpreter, wishes: Wishes, source: string): { wishes: Wishes; pass: boolean } {
  const keys = [...keyValues(tokenize(it.state, source))];
  const isPaper = ([key]: readonly [string, unknown]): boolean => /paper|screen|layout/.test(key);
  let out = wishes;
  for (const [key, value] of [...keys.filter(isPaper), ...keys.filter((one) => !isPaper(one))]) {
    const setter = SETTERS[SAME[key] ?? key];
    out =
      setter && (value.length > 0 || setter.length < 3 || isFlag(key))
        ? setter(out, it, value)
        : ofPaper(out, key);
  }
  return { wishes: out, pass: keys.some(([key]) => key === 'pass') };
}

/** Keys that may stand without a value. */
const isFlag = (key: string): boolean =>
  /^(?:include|ignore|no|heightrounded|twoside|asymmetric)/.test(key);

/** Sets the registers as the wishes have them. */
function setRegisters(it: Interpreter, wishes: Wishes): void {
  const layout = layoutOf(wishes);
  const set = (name: string, value: Sp): void => setDimen(it.state, name, value, true);
  set('paperwidth', wishes.paperWidth);
  set('paperheight', wishes.paperHeight);
  set('headheight', wishes.headHeight);
  set('headsep', wishes.headSep);
  set('footskip', wishes.footSkip);
  set('marginparwidth', wishes.marginWidth);
  set('marginparsep', wishes.marginSep);
  for (const name of ['textwidth', 'hsize', 'linewidth', 'columnwidth'])
    set(name, layout.textWidth);
  set('textheight', layout.textHeight);
  set('oddsidemargin', layout.left - INCH);
  set('evensidemargin', layout.evenLeft - INCH);
  set('topmargin', layout.top - INCH - wishes.headHeight - wishes.headSep);
  if (wishes.twoSided === it.read(CELLS.twoSided)) return;
  it.write(CELLS.twoSided, wishes.twoSided, true);
  it.execute(it.source(`\\global\\@twoside${wishes.twoSided ? 'true' : 'false'}`));
}

/** Paper and margins from keys that are added to those before. */
function apply(it: Interpreter, source: string): void {
  const { wishes, pass } = added(it, it.read(WISHES) ?? startOf(it), source);
  if (pass) return;
  it.write(WISHES, wishes, true);
  setRegisters(it, wishes);
}

const sourceOf = (tokens: readonly Token[]): string =>
  tokens.map((t) => (t.cat === 16 ? `\\${t.text} ` : t.text)).join('');

/** Other margins from a new page on. */
function goOnWith(it: Interpreter, wishes: Wishes): void {
  clearPage(it, false);
  it.write(WISHES, wishes, true);
  setRegisters(it, wishes);
  changeArea(it);
}

/** `\newgeometry` starts from nothing but the paper (geometry manual, section 7). */
function newGeometry(it: Interpreter, source: string): void {
  const old = it.read(WISHES) ?? startOf(it);
  it.write(BEFORE, it.read(BEFORE) ?? old, true);
  const { paperWidth, paperHeight, twoSided, binding } = old;
  const bare: Wishes = { ...startOf(it), paperWidth, paperHeight, twoSided, binding };
  const asked = added(it, bare, source).wishes;
  goOnWith(it, { ...asked, paperWidth, paperHeight, twoSided });
}

const command = (
  name: string,
  signature: string,
  description: string,
  example: string,
  run: (it: Interpreter, given: readonly Token[]) => void,
): CommandEntry => ({
  name,
  signature,
  description,
  example,
  package: 'geometry',
  run: (it, args) => run(it, signature === '' ? [] : tokensOf(args, 0)),
});

/** geometry: paper and margins. */
export const geometry: PackageEntry = {
  name: 'geometry',
  description: 'Paper size and margins.',
  options: null,
  keys: KEYS,
  commands: [
    command('geometry', 'm', 'Paper size and margins.', '\\geometry{margin=2.5cm}', (it, given) => {
      tellUnknownKeys(it, given, KEYS);
      apply(it, sourceOf(given));
    }),
    command(
      'newgeometry',
      'm',
      'Other margins from a new page on.',
      '\\newgeometry{margin=2cm}Tide.',
      (it, given) => newGeometry(it, sourceOf(given)),
    ),
    command(
      'restoregeometry',
      '',
      'The margins of the document again, from a new page on.',
      '\\newgeometry{margin=2cm}Tide.\\restoregeometry{} Ebb.',
      (it) => {
        const before = it.read(BEFORE);
        if (!before) return;
        it.write(BEFORE, null, true);
        goOnWith(it, before);
      },
    ),
    command(
      'savegeometry',
      'm',
      'Keeps the margins under a name.',
      '\\savegeometry{wide}',
      (it, given) =>
        it.write(
          SAVED,
          { ...it.read(SAVED), [textOf(it.p, given)]: it.read(WISHES) ?? startOf(it) },
          true,
        ),
    ),
    command(
      'loadgeometry',
      'm',
      'Takes margins that were kept, from a new page on.',
      '\\savegeometry{wide}\\loadgeometry{wide}Tide.',
      (it, given) => {
        const saved = it.read(SAVED)[textOf(it.p, given)];
        if (!saved) return;
        it.write(BEFORE, it.read(BEFORE) ?? it.read(WISHES) ?? startOf(it), true);
        goOnWith(it, saved);
      },
    ),
  ],
  setup: (it, options) => apply(it, options.join(',')),
};
