import { cell, flag } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';

/** Words of a glossary and abbreviations, and what follows for one from what is said of it. */

/** A word of the glossary or an abbreviation: what is said of it by the keys of the manual, section 4. */
interface Entry {
  readonly key: string;
  readonly fields: ReadonlyMap<string, readonly Token[]>;
  /** The list it stands in. */
  readonly list: string;
}

export const ENTRIES = cell<readonly Entry[]>('glossary', []);
/** Words that were used, so that what stands at their first use is not said again. */
const USED = cell<readonly string[]>('glossaryused', []);
export const STYLE = cell('glossarystyle', 'long-short');

/** Abbreviations have a list of their own (option `acronym`). */
export const SEPARATE = flag('glossaryacronyms');

export const MAIN = 'main';
export const ACRONYMS = 'acronym';

export const keyIn = (tokens: readonly Token[]): string => tokensText(tokens).trim();
export const entryOf = (it: Interpreter, key: string): Entry | undefined =>
  it.read(ENTRIES).find((entry) => entry.key === key);
export const isUsed = (it: Interpreter, key: string): boolean => it.read(USED).includes(key);

export function setUsed(it: Interpreter, keys: readonly string[], used: boolean): void {
  const others = it.read(USED).filter((key) => !keys.includes(key));
  it.write(USED, used ? [...others, ...keys] : others, true);
}

export function newEntry(
  it: Interpreter,
  key: string,
  said: ReadonlyMap<string, readonly Token[]>,
): void {
  const list = keyIn(said.get('type') ?? []).replace(/^\\acronymtype$/, ACRONYMS) || MAIN;
  const entry = { key, fields: said, list };
  it.write(ENTRIES, [...it.read(ENTRIES).filter((other) => other.key !== key), entry], true);
}

/** A field of an entry; one that is not said follows from others (manual, section 4). */
export function field(it: Interpreter, entry: Entry, name: string): readonly Token[] {
  const said = entry.fields.get(name);
  if (said) return said;
  const of = (other: string): readonly Token[] => field(it, entry, other);
  const isShort = entry.fields.has('short');
  const plural = (other: string): readonly Token[] => [...of(other), ...it.p.chars('s')];
  switch (name) {
    case 'name':
      return isShort ? of('short') : it.p.chars(entry.key);
    case 'text':
      return isShort ? of('short') : of('name');
    case 'plural':
      return isShort ? of('shortplural') : plural('text');
    case 'first':
      return isShort ? full(it, entry, false) : of('text');
    case 'firstplural':
      return isShort
        ? full(it, entry, true)
        : entry.fields.has('first')
          ? plural('first')
          : of('plural');
    case 'shortplural':
      return plural('short');
    case 'longplural':
      return plural('long');
    case 'description':
      return isShort ? of('long') : [];
    case 'full':
      return full(it, entry, false);
    case 'fullpl':
      return full(it, entry, true);
    default:
      return [];
  }
}

/** The long form and the short one, in the order of the style. */
function full(it: Interpreter, entry: Entry, plural: boolean): Token[] {
  const ending = plural ? 'plural' : '';
  const [long, short] = [field(it, entry, `long${ending}`), field(it, entry, `short${ending}`)];
  const style = it.read(STYLE);
  const behind = (first: readonly Token[], second: readonly Token[]): Token[] => [
    ...first,
    ...it.source(' ('),
    ...second,
    ...it.source(')'),
  ];
  if (style.startsWith('footnote'))
    return [...short, ...it.source('\\footnote{'), ...long, ...it.source('}')];
  if (style.startsWith('short-long')) return behind(short, long);
  return behind(long, short);
}
