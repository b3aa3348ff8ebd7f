import { CELLS } from '../machine/cells';
import { NO_GLUE, type Glue, type Sp } from '../../base/lengths';
import { WRAPPER } from './listData';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { labelModel } from './labelModel';
import { ROMAN } from './listMeasures';
import { glueOf } from '../scanning/glueOf';
import { keyValues, splitAt } from '../scanning/optionLists';
import { placementOf, placesList, type ListPlacement } from './listPlacement';

/** What the options of a list change in its measures. */
export interface ListOptions extends ListPlacement {
  readonly topSep?: Glue;
  readonly itemSep?: Glue;
  readonly parSep?: Glue;
  readonly partopSep?: Glue;
  /** No level of its own: the measures of the list around it, the paragraphs as they were (`\trivlist`). */
  readonly trivial?: boolean;
}

/** Options that `\setlist` gave, by kind of list, or by kind and level (`enumerate:2`); those under '' are for all. */
export type ListDefaults = Readonly<Record<string, readonly (readonly Token[])[]>>;

export const LIST_DEFAULTS = cell<ListDefaults>('listdefaults', {});

/** Ways to align labels that the document defines (`\SetLabelAlign`). */
export const LABEL_ALIGNS = cell<Readonly<Record<string, readonly Token[]>>>('labelaligns', {});
/** Keys of the document's own, which stand for others (`\SetEnumitemKey`). */
export const LIST_KEYS = cell<Readonly<Record<string, readonly Token[]>>>('listkeys', {});

/** Options with the document's own keys put in their place. */
function spelledOut(it: Interpreter, tokens: readonly Token[]): readonly Token[] {
  const own = it.read(LIST_KEYS);
  if (Object.keys(own).length === 0) return tokens;
  return splitAt(tokens, ',').flatMap((part) => [
    ...(own[tokensText(part).trim()] ?? part),
    ...it.p.chars(','),
  ]);
}

/** A list's own options behind those that hold for all and for its kind; later ones win. */
export function withDefaults(
  it: Interpreter,
  kind: string,
  own: readonly Token[],
): readonly Token[] {
  const defaults = it.read(LIST_DEFAULTS);
  if (Object.keys(defaults).length === 0) return spelledOut(it, own);
  // A list is of the level to which lists of its kind are nested; of all kinds, to which any are.
  const level = it.environments.filter(
    ({ name, data }) => name === kind && !data.get(WRAPPER),
  ).length;
  const parts = [
    ...(defaults[''] ?? []),
    ...(defaults[`:${it.read(CELLS.listDepth) + 1}`] ?? []),
    ...(defaults[kind] ?? []),
    ...(defaults[`${kind}:${level}`] ?? []),
    own,
  ];
  return spelledOut(
    it,
    parts.flatMap((part) => [...part, ...it.p.chars(',')]),
  );
}

export const understood = (it: Interpreter): boolean => it.hasPackage('enumitem');

/** What enumitem's keys say of a list; none without that package. */
export const listKeys = (
  it: Interpreter,
  tokens: readonly Token[],
): ReadonlyMap<string, readonly Token[]> =>
  tokens.length === 0 || !understood(it) ? new Map() : keyValues(tokens);

/** What a key and its starred form say, one behind the other (`before`, `before*`). */
export const bothOf = (keys: ReadonlyMap<string, readonly Token[]>, name: string): Token[] => [
  ...(keys.get(name) ?? []),
  ...(keys.get(`${name}*`) ?? []),
];

/** The measures that enumitem's keys ask for, where the class has a left margin of `usual`. */
export function listOptions(
  it: Interpreter,
  tokens: readonly Token[],
  usual: Sp = it.dimen(`leftmargin${ROMAN[Math.min(it.read(CELLS.listDepth), 5)]}`),
): ListOptions {
  const keys = listKeys(it, tokens);
  if (keys.size === 0) return {};
  const length = (key: string): Glue | undefined => {
    const value = keys.get(key);
    return value && value.length > 0 && value[0]?.text !== '*' ? glueOf(it, value) : undefined;
  };
  const tight = keys.has('nosep');
  const noItem = tight || keys.has('noitemsep');
  const top = length('topsep') ?? (tight ? NO_GLUE : undefined);
  const item = length('itemsep') ?? (noItem ? NO_GLUE : undefined);
  const par = length('parsep') ?? (noItem ? NO_GLUE : undefined);
  const partop = length('partopsep') ?? (tight ? NO_GLUE : undefined);
  return {
    ...(placesList(keys) ? placementOf(it, keys, usual, () => widestLabel(it, keys)) : {}),
    ...(partop ? { partopSep: partop } : {}),
    ...(top ? { topSep: top } : {}),
    ...(item ? { itemSep: item } : {}),
    ...(par ? { parSep: par } : {}),
  };
}

/** The width of a label whose number has one digit, for `leftmargin=*`. */
function widestLabel(it: Interpreter, keys: ReadonlyMap<string, readonly Token[]>): number {
  const label = keys.get('label') ?? keys.get('label*');
  const widest = keys.get('widest');
  if (widest && !label) return it.host.measure(it.inlinesOf([...widest, ...it.p.chars('.')])).width;
  if (!label) return it.host.measure(it.inlinesOf(it.p.chars('0.'))).width;
  const sample = label.flatMap((t, i): Token[] => {
    const next = label[i + 1];
    if (next?.text === '*' && STARRED.has(t.text))
      return widest ? [...widest] : it.p.chars(WIDEST[t.text] ?? '0');
    return t.text === '*' && STARRED.has(label[i - 1]?.text ?? '') ? [] : [t];
  });
  return it.host.measure(it.inlinesOf(sample)).width;
}

/** The widest of the first numbers (enumitem manual, `widest`). */
const WIDEST: Readonly<Record<string, string>> = {
  arabic: '0',
  alph: 'm',
  Alph: 'M',
  roman: 'viii',
  Roman: 'VIII',
};

const STARRED: ReadonlySet<string> = new Set(['arabic', 'alph', 'Alph', 'roman', 'Roman']);

/** The label that options ask for, with `*` standing for the list's counter; null for the usual one. */
export function listLabel(
  it: Interpreter,
  tokens: readonly Token[],
  counter: string | null,
): readonly Token[] | null {
  if (tokens.length === 0) return null;
  const label = understood(it) ? keyValues(tokens).get('label') : undefined;
  if (label) return counter ? label.flatMap((t, i) => starred(it, label, t, i, counter)) : label;
  if (!counter || !understood(it)) return null;
  // A model comes first, keys behind it; a key alone is no model (enumitem manual, section 5).
  const [first = []] = splitAt(tokens, ',');
  if (first.some(({ text }) => text === '=')) return null;
  const word = textOf(it.p, first).trim();
  return KEYS_ALONE.has(word) || it.read(LIST_KEYS)[word]
    ? null
    : (labelModel(it, first, counter)?.label ?? null);
}

const KEYS_ALONE: ReadonlySet<string> = new Set([
  'nosep',
  'noitemsep',
  'resume',
  'resume*',
  'wide',
  'fullwidth',
  'inline',
  'unboxed',
]);

/** `\alph*` becomes `\alph{enumi}`. */
function starred(
  it: Interpreter,
  list: readonly Token[],
  t: Token,
  i: number,
  counter: string,
): Token[] {
  const before = list[i - 1];
  if (t.text !== '*' || t.cat === Cat.Command || !before || !STARRED.has(before.text)) return [t];
  return [it.p.make(Cat.Begin, '{'), ...it.p.chars(counter), it.p.make(Cat.End, '}')];
}

/** Does the list go on where the last one of its kind ended? */
export const resumes = (it: Interpreter, tokens: readonly Token[]): boolean =>
  understood(it) && (keyValues(tokens).has('resume') || keyValues(tokens).has('resume*'));

/** What references print (`ref=`), with `*` standing for the counter; null for the label itself. */
export function refFormat(
  it: Interpreter,
  tokens: readonly Token[],
  counter: string,
): readonly Token[] | null {
  const ref = understood(it) ? keyValues(tokens).get('ref') : undefined;
  return ref ? ref.flatMap((t, i) => starred(it, ref, t, i, counter)) : null;
}

/** Where the numbers start. */
export function listStart(it: Interpreter, tokens: readonly Token[]): number {
  const start = understood(it) ? keyValues(tokens).get('start') : undefined;
  const value = start ? parseInt(start.map((t) => t.text).join(''), 10) : 1;
  return Number.isNaN(value) ? 1 : value;
}
