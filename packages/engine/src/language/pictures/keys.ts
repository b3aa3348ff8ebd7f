import { withArguments } from '../../expansion/definitions';
import { nearestName } from '../../base/nearest';
import { PT, type Sp } from '../../base/lengths';
import type { Paint } from '../../base/paint';
import { isShape, SHAPE_NAMES } from '../../drawing/shapes';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { colourOf, isColour } from '../scanning/colours';
import { itemsOf, splitAt, trimmed, unspaced } from '../scanning/optionLists';
import { numberIn, placeOf, type Reading } from './coordinates';
import { GRAPHICS, type Graphics } from './graphics';
import { readTips } from './tipNames';
import { bare, equalsOf, isSign, wordsOf } from './words';

/** A state that keys write to. */
export type Draft = { -readonly [Key in keyof Graphics]: Graphics[Key] };

/** What keys say of a node besides how it looks. */
export interface NodeSaying {
  name: string | null;
  alias: string | null;
  at: string | null;
  contents: readonly Token[] | null;
  labels: { readonly pin: boolean; readonly tokens: readonly Token[] }[];
  fit: string | null;
  /** Nodes on the line it is said of, as the language of pictures has them. */
  onEdge: readonly (readonly Token[])[];
  /** Operations of the path that go on behind it. */
  append: readonly Token[];
  /** It is a circle through this place. */
  through: string | null;
  /** It is the next of a chain, and what joins it to the one before. */
  chain: { readonly join: readonly (readonly Token[])[] } | null;
  /** A sign of a circuit that hangs on its place. */
  symbol: string | null;
  matrix: 'plain' | 'nodes' | 'formulas' | null;
  /** Are cells with nothing in them nodes too? */
  fillsEmpty: boolean;
  delimiters: readonly [string, string];
}

/** A key with its value, as those who carry it out see it. */
export interface KeyCall {
  readonly reading: Reading;
  readonly g: Draft;
  readonly node: NodeSaying | null;
  readonly name: string;
  /** Null when none was written. */
  readonly value: readonly Token[] | null;
}
export type Key = (call: KeyCall) => void;

/** What a style or a key of one's own stands for. */
interface OwnKey {
  readonly body: readonly Token[];
  readonly fallback: readonly Token[] | null;
  readonly code: boolean;
  readonly params: number;
  /** What stands around its arguments, where they are not in braces one behind another: `#1 and #2`. */
  readonly pattern?: readonly Token[];
}

/** Styles and keys that the document defines, by name. */
export const STYLES = cell<Readonly<Record<string, OwnKey>>>('tikzstyles', {});

/** What `nodes={…}` says of the cells of matrices. */
export const CELL_NODES = 'every node of a matrix';

/** Styles may call one another so deep. */
const DEEPEST = 40;

// ---- what a value says

export const words = ({ reading, value }: KeyCall): string =>
  bare(wordsOf(reading.it, value ?? []));
export const numberOf = (call: KeyCall): number => numberIn(call.reading, words(call)).value;
/** A length, sp; a bare number counts in pt. */
export const lengthOf = (call: KeyCall): Sp => numberOf(call) * PT;
/** The same of words. */
export function lengthIn(reading: Reading, text: string): Sp {
  return numberIn(reading, text).value * PT;
}
/** A length, sp; a bare number counts along a unit vector. */
export function alongUnit(call: KeyCall, text: string, unit: Sp): Sp {
  const { value, hasUnit } = numberIn(call.reading, text);
  return value * (hasUnit ? PT : unit);
}
export const isTrue = (call: KeyCall): boolean => call.value === null || words(call) !== 'false';
/** The colour that a value names; the first part may be `.`, the colour in force. */
export function colour(call: KeyCall): Paint {
  const { it } = call.reading;
  return colourOf(it, null, it.p.chars(words(call)));
}

/**
 * Carries out a list of keys on a state.
 *
 * @param node what they say of a node is written there; null where there is none.
 * @returns the state after them.
 */
export function withKeys(
  reading: Reading,
  g: Graphics,
  tokens: readonly Token[],
  node: NodeSaying | null = null,
  depth = 0,
): Graphics {
  if (depth > DEEPEST) {
    reading.it.p.report('nesting-too-deep', reading.it.p.place);
    return g;
  }
  const draft: Draft = { ...g };
  let folder = '';
  for (const part of splitAt(tokens, ',')) {
    const list = unspaced(part);
    if (list.length === 0) continue;
    folder = folderOf(reading, list) ?? folder;
    oneKey(reading, draft, list, node, { depth, folder });
  }
  return draft;
}

/** `pics/.cd`: what the keys behind it stand under; null for a key. */
function folderOf({ it }: Reading, part: readonly Token[]): string | null {
  if (part.at(-1)?.text !== 'd' || !part.some(({ text }) => text === '/')) return null;
  const found = /^\/?(?:(?:tikz|pgf|pgfplots)\/?)*(.*?)\/?\.cd$/.exec(wordsOf(it, part));
  if (!found) return null;
  return found[1] === 'pics' ? 'pics/' : '';
}

/** How deep the styles are that call one another, and the folder that keys are named in. */
interface Within {
  readonly depth: number;
  readonly folder: string;
}

/** Carries out a style by its name, if there is one (`every node` and its kin). */
export const withStyle = (
  reading: Reading,
  g: Graphics,
  name: string,
  node: NodeSaying | null = null,
): Graphics => {
  const style = reading.it.read(STYLES)[name];
  return style ? withKeys(reading, g, style.body, node, 1) : g;
};

function oneKey(
  reading: Reading,
  g: Draft,
  part: readonly Token[],
  node: NodeSaying | null,
  { depth, folder }: Within,
): void {
  const { it } = reading;
  const eq = equalsOf(part);
  const head = eq < 0 ? part : part.slice(0, eq);
  const value = eq < 0 ? null : trimmed(part.slice(eq + 1));
  // A list in one pair of braces, or a macro that holds one.
  const inner = eq < 0 ? trimmed(part) : part;
  if (eq < 0 && inner.length < part.length && inner !== part) {
    Object.assign(g, withKeys(reading, g, inner, node, depth + 1));
    return;
  }
  const written = wordsOf(it, head).replace(/\s+/g, ' ');
  if (eq < 0 && head[0]?.cat === Cat.Command && /[,=]/.test(written)) {
    Object.assign(g, withKeys(reading, g, it.source(written), node, depth + 1));
    return;
  }
  const name = folder + written.replace(/^\/(?:tikz|pgf|pgfplots)\//, '').trim();
  if (name === '' || /\.cd$/.test(name)) return;
  const handler = /^(.*?)\s*\/\.(.+)$/.exec(name);
  if (handler && !/^(?:re)?try$/.test(handler[2] ?? ''))
    return define(reading, handler[1] ?? '', handler[2] ?? '', value ?? []);
  // `every place/.try`: carried out where it is there.
  const tried = handler?.[1];
  const isThere = tried === undefined || Boolean(it.read(STYLES)[tried] ?? reading.keys[tried]);
  if (isThere) carryOut({ reading, g, node, name: tried ?? name, value }, part, depth);
}

function carryOut(call: KeyCall, part: readonly Token[], depth: number): void {
  const { reading, g, node, name, value } = call;
  const own = reading.it.read(STYLES)[name];
  if (own) {
    const body = filled(own, value ?? own.fallback ?? []);
    if (!own.code) {
      Object.assign(g, withKeys(reading, g, body, node, depth + 1));
      return;
    }
    reading.it.write(GRAPHICS, { ...g });
    reading.it.execute(body);
    Object.assign(g, reading.it.read(GRAPHICS));
    return;
  }
  const key = reading.keys[name];
  if (key) return key(call);
  const tips = /[<>|\]){]|-/.test(name) ? readTips(reading, name) : null;
  if (tips) {
    [g.startTips, g.endTips] = [tips.start, tips.end];
    return;
  }
  if (isShape(name)) g.node = { ...g.node, shape: name };
  else if (isColour(reading.it, name)) setColour(call, name);
  else if (name.startsWith('"')) quoted(call, part);
  else unknown(call, part);
}

function setColour({ reading: { it }, g }: KeyCall, name: string): void {
  g.colour = colourOf(it, null, it.p.chars(name));
  g.drawColour = g.fillColour = null;
}

/** `"words" options`: a label on a line, or beside a node (the library of quotes). */
function quoted({ node, reading }: KeyCall, part: readonly Token[]): void {
  const end = part.findIndex((t, i) => i > 0 && isSign(t, '"'));
  const text = part.slice(1, end < 0 ? undefined : end);
  const options = end < 0 ? [] : part.slice(end + 1);
  const { p } = reading.it;
  const at = options.findIndex((t) => t.text === "'");
  const rest =
    at < 0 ? options : [...options.slice(0, at), ...p.chars('swap'), ...options.slice(at + 1)];
  node?.labels.push({
    pin: false,
    tokens: [
      ...p.chars('['),
      ...trimmed(rest),
      ...p.chars(']'),
      p.make(Cat.Begin, '"'),
      ...text,
      p.make(Cat.End, '"'),
    ],
  });
}

/** Keys of libraries that are not carried out: mind maps, spies, curves by Hobby, nets, gates, box plots and the like. */
const ELSEWHERE =
  /^(?:(?:small |large |huge )?mindmap|(?:root |extra |level \d )?concept(?: color| connection)?|annotation|circle connection bar|use Hobby shortcut|(?:closed )?hobby|spy(?: using .*| connection path| scope)?|boxplot.*|place|transition|token|structured tokens|colored tokens|pre|post|entity|relationship|attribute|key attribute|circuit(?: ee)?.*|info(?: sloped)?|l-system|lindenmayer system|turtle|scope fading|fading transform|(?:three|one|two) point perspective|isometric view|simple|layered layout|spring layout|tree layout|graph(?:s|drawing).*|calendar|folding.*|save path|use path)$/;

function unknown({ reading, name, value }: KeyCall, part: readonly Token[]): void {
  const { it } = reading;
  if (/^every /.test(name) || name.startsWith('/')) return;
  const span = spanOf(it.spanOf(part[0] as Token), it.spanOf(part.at(-1) as Token));
  if (ELSEWHERE.test(name)) return it.p.report('key-without-effect', span, { name });
  const names = [...Object.keys(reading.keys), ...SHAPE_NAMES, ...Object.keys(it.read(STYLES))];
  const near = nearestName(name, names);
  const end = value === null ? span.to : span.from + name.length;
  const fix = near
    ? { title: `Make it ${near}`, edits: [{ from: span.from, to: end, text: near }] }
    : undefined;
  it.p.report('picture-key', span, { name }, fix);
}
const spanOf = <S extends { readonly from: number; readonly to: number }>(a: S, b: S): S => ({
  ...a,
  to: Math.max(a.to, b.to),
});

/** The body of a style with what it was given in the place of `#1` and its kin. */
export const filled = (
  { body, params, pattern }: OwnKey,
  value: readonly Token[],
): readonly Token[] =>
  withArguments(
    body,
    pattern ? argumentsBy(pattern, value) : params > 1 ? itemsOf(value) : [value],
  );

/** The arguments that a value has where it is written as a pattern says: each goes up to what stands behind it there. */
function argumentsBy(pattern: readonly Token[], value: readonly Token[]): (readonly Token[])[] {
  const out: (readonly Token[])[] = [];
  let at = 0;
  const parts = partsOfPattern(pattern);
  const startsWith = (from: number, words: readonly Token[]): boolean =>
    words.every((token, i) => value[from + i]?.text === token.text);
  parts.forEach((behind, i) => {
    if (i === 0) {
      if (startsWith(at, behind)) at += behind.length;
      return;
    }
    let end = at;
    for (let depth = 0; end < value.length; end++) {
      if (depth === 0 && behind.length > 0 && startsWith(end, behind)) break;
      const { cat } = value[end] as Token;
      if (cat === Cat.Begin) depth++;
      else if (cat === Cat.End) depth--;
    }
    out.push(trimmed(value.slice(at, end)));
    at = end + behind.length;
  });
  return out;
}

/** What a pattern has before its first argument, and behind each; blanks at its end do not count. */
function partsOfPattern(pattern: readonly Token[]): Token[][] {
  const parts: Token[][] = [[]];
  for (let i = 0; i < pattern.length; i++) {
    const token = pattern[i] as Token;
    if (token.cat === Cat.Parameter || token.cat === Cat.Argument) {
      parts.push([]);
      // The figure behind a sign is its own.
      if (/^\d$/.test(pattern[i + 1]?.text ?? '') && !/\d/.test(token.text)) i++;
    } else parts.at(-1)?.push(token);
  }
  while (parts.at(-1)?.at(-1)?.cat === Cat.Space) parts.at(-1)?.pop();
  return parts;
}

/** Defines a style, a key with code, or what stands for a value that is left out. */
export function define(
  reading: Reading,
  name: string,
  handler: string,
  value: readonly Token[],
): void {
  const { it } = reading;
  const all = it.read(STYLES);
  const there = all[name];
  const put = (key: OwnKey): void => it.write(STYLES, { ...all, [name]: key });
  const style = { body: value, fallback: null, code: false, params: 1 };
  const comma = it.p.chars(',');
  switch (handler) {
    case 'style':
    case 'estyle':
      return put(style);
    case 'append style':
      return put({ ...style, ...there, body: [...(there?.body ?? []), ...comma, ...value] });
    case 'prefix style':
      return put({ ...style, ...there, body: [...value, ...comma, ...(there?.body ?? [])] });
    case 'style 2 args':
      return put({ ...style, params: 2 });
    case 'style 3 args':
      return put({ ...style, params: 3 });
    case 'style n args':
    case 'code n args': {
      const [count = [], body = []] = itemsOf(value);
      const params = Math.max(1, Number(tokensText(count)) || 1);
      return put({ ...style, body, params, code: handler === 'code n args' });
    }
    case 'style args':
    case 'code args': {
      const [pattern = [], body = []] = itemsOf(value);
      const params = partsOfPattern(pattern).length - 1;
      return put({ ...style, body, params, pattern, code: handler === 'code args' });
    }
    case 'code 2 args':
      return put({ ...style, code: true, params: 2 });
    case 'pic':
      return it.write(STYLES, {
        ...all,
        [`pics/${name}`]: { ...style, body: pictureCode(it, value) },
      });
    case 'code':
    case 'ecode':
      return put({ ...style, code: true });
    case 'append code':
      return put({ ...style, ...there, code: true, body: [...(there?.body ?? []), ...value] });
    case 'prefix code':
      return put({ ...style, ...there, code: true, body: [...value, ...(there?.body ?? [])] });
    case 'store in':
    case 'estore in':
      return put({
        ...style,
        code: true,
        body: [it.p.command('def'), ...value, ...it.source('{#1}')],
      });
    case 'default':
    case 'initial':
      return put({ ...style, body: [], ...there, fallback: value });
    default:
      return;
  }
}

/** A pic's code as its style says it. */
const pictureCode = ({ p }: Reading['it'], code: readonly Token[]): Token[] => [
  ...p.chars('code='),
  p.make(Cat.Begin, '{'),
  ...code,
  p.make(Cat.End, '}'),
];

/** A place that a value names in brackets, or null. */
export function placeIn(call: KeyCall, text: string) {
  const inner = text.trim().replace(/^\(([\s\S]*)\)$/, '$1');
  return placeOf(call.reading, call.g, inner);
}
