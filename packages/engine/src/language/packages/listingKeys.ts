import { cell, cellsBy } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import type { Interpreter } from '../machine/interpreter';
import { dimenOf } from '../scanning/dimenOf';
import { splitAt, trimmed, unspaced } from '../scanning/optionLists';
import { tellUnknownKey } from '../scanning/unknownKeys';

/** Settings of listings: what was said of each key, in order; of most the last counts. */
export type Keys = ReadonlyMap<string, readonly (readonly Token[])[]>;

/** What `\lstset` says. */
const SETTINGS = cell<Readonly<Record<string, readonly (readonly Token[])[]>>>('listings', {});
/** Settings under a name (`\lstdefinestyle`), and those of a language (`\lstdefinelanguage`). */
export const styleOf = cellsBy<readonly Token[] | null>('lststyle', null);
export const languageKeys = cellsBy<{
  readonly base: string;
  readonly keys: readonly Token[];
} | null>('lstlanguage', null);

/** Keys whose words are in classes: `morekeywords=[2]{…}`. */
const IN_CLASSES = /^(?:more|delete)?(?:keywords|emph|texcs)$|^(?:keyword|emph|texcs)style$/;
/** Keys that are carried out here. */
const KNOWN = new Set(
  (
    'language style basicstyle commentstyle keywordstyle stringstyle identifierstyle emphstyle directivestyle ndkeywordstyle ' +
    'keywords morekeywords deletekeywords otherkeywords ndkeywords morendkeywords emph moreemph deleteemph directives moredirectives texcs moretexcs ' +
    'comment morecomment string morestring sensitive alsoletter numbers numberstyle numbersep firstnumber stepnumber numberfirstline ' +
    'name frame framesep framerule rulecolor framexleftmargin framexrightmargin framextopmargin framexbottommargin frameround fillcolor ' +
    'backgroundcolor xleftmargin xrightmargin aboveskip belowskip breaklines breakindent breakautoindent breakatwhitespace tabsize ' +
    'showspaces showstringspaces gobble autogobble columns mathescape escapeinside escapechar texcl literate linerange firstline lastline ' +
    'prebreak postbreak moredelim delim float title caption captionpos abovecaptionskip belowcaptionskip label linewidth'
  ).split(' '),
);
/** Keys that change nothing here: of how it is read, of the index, of speed. */
const QUIET = new Set(
  (
    'inputencoding extendedchars upquote keepspaces basewidth fontadjust escapebegin escapeend floatplacement ' +
    'showtabs tab print lineskip resetmargins boxpos nolol captionformat numberblanklines showlines emptylines defaultdialect ' +
    'alsodigit alsoother excludedelims rulesep rulesepcolor framerulecolor framesepcolor indexstyle index moreindex ' +
    'formfeed fancyvrb aspectratio procnamestyle beginpenalty endpenalty hyphenchar breakbefore nolinebreak morendkeywordstyle tag usekeywordsintag ' +
    'tagstyle markfirstintag deletecomment deletestring deletendkeywords deletedirectives multicols includerangemarker rangeprefix rangesuffix rangebeginprefix rangeendprefix rangebeginsuffix rangeendsuffix belowlineskip firstcharno'
  ).split(' '),
);

const STYLES_DEEP = 10;

/** `[2]` before a value, and the value without it. */
function classed(value: readonly Token[]): { readonly n: number; readonly rest: readonly Token[] } {
  const from = value.findIndex(({ text }) => text !== '*');
  const open = value.slice(from);
  const end = open.findIndex(({ text }) => text === ']');
  const n = open[0]?.text === '[' && end > 0 ? Number(tokensText(open.slice(1, end)).trim()) : NaN;
  return n > 0 ? { n, rest: trimmed(open.slice(end + 1)) } : { n: 1, rest: value };
}

/** Adds settings to a map, styles carried out where they stand; a key that is not known is told of. */
function gather(
  it: Interpreter,
  into: Map<string, readonly (readonly Token[])[]>,
  tokens: readonly Token[],
  depth = 0,
): void {
  // `classoffset=1`: the classes of the keys behind it count from there.
  let offset = 0;
  for (const part of splitAt(tokens, ',')) {
    const eq = part.findIndex(({ text, cell: name }) => text === '=' && name === null);
    const key = tokensText(eq < 0 ? part : part.slice(0, eq)).trim();
    if (key === '') continue;
    const raw = eq < 0 ? [] : unspaced(part.slice(eq + 1));
    if (key === 'style') {
      const named = it.read(styleOf(textOf(it.p, trimmed(raw)).trim().toLowerCase()));
      if (named && depth < STYLES_DEEP) gather(it, into, named, depth + 1);
      else if (!named) report(it, part, textOf(it.p, trimmed(raw)).trim());
      continue;
    }
    if (key === 'classoffset') {
      offset = parseInt(textOf(it.p, trimmed(raw)), 10) || 0;
      continue;
    }
    if (QUIET.has(key)) continue;
    if (!KNOWN.has(key)) {
      tellUnknownKey(it, eq < 0 ? part : part.slice(0, eq), [...KNOWN, ...QUIET, 'style']);
      continue;
    }
    const { n: own, rest } = IN_CLASSES.test(key) ? classed(raw) : { n: 1, rest: raw };
    const n = IN_CLASSES.test(key) ? own + offset : own;
    const name = n > 1 ? `${key}${n}` : key;
    into.set(name, [...(into.get(name) ?? []), trimmed(rest)]);
  }
}

function report(it: Interpreter, part: readonly Token[], name: string): void {
  const first = part.find(({ text }) => text.trim() !== '');
  if (first) it.p.report('option-unknown', it.spanOf(first), { name });
}

/** What holds for all programs, and what is said of this one. */
export function keysWith(it: Interpreter, own: readonly Token[] | null): Keys {
  const keys = new Map(Object.entries(it.read(SETTINGS)));
  gather(it, keys, own ?? []);
  return keys;
}

/** The settings that stand in a list, without those in force. */
export function gathered(it: Interpreter, tokens: readonly Token[]): Keys {
  const keys = new Map<string, readonly (readonly Token[])[]>();
  gather(it, keys, tokens);
  return keys;
}

export const setKeys = (it: Interpreter, tokens: readonly Token[]): void =>
  it.write(SETTINGS, Object.fromEntries(keysWith(it, tokens)));

/** The tokens a key was last given; none where nothing was said. */
export const style = (keys: Keys, key: string): readonly Token[] => keys.get(key)?.at(-1) ?? [];
export const word = (it: Interpreter, keys: Keys, key: string): string =>
  textOf(it.p, style(keys, key)).trim();
/** Is a switch on? A key without a value turns it on. */
export function isOn(it: Interpreter, keys: Keys, key: string, otherwise = false): boolean {
  const said = keys.get(key)?.at(-1);
  return said ? textOf(it.p, said).trim() !== 'false' : otherwise;
}
export const numberOf = (it: Interpreter, keys: Keys, key: string, otherwise: number): number => {
  const found = parseInt(word(it, keys, key), 10);
  return Number.isFinite(found) ? found : otherwise;
};
export const lengthOf = (it: Interpreter, keys: Keys, key: string, otherwise: string): number =>
  dimenOf(it, keys.has(key) ? style(keys, key) : it.source(otherwise));

/** The words of a key in all that was said of it, in order. */
export const wordsOf = (it: Interpreter, keys: Keys, key: string): string[] =>
  (keys.get(key) ?? []).flatMap((value) =>
    textOf(it.p, value)
      .replace(/[{}]/g, '')
      .split(/[,\s]+/)
      .filter((one) => one !== ''),
  );

/** The classes of a key that something was said of: 1 without a number. */
export const classesOf = (keys: Keys, key: string): number[] =>
  [...keys.keys()].flatMap((name) =>
    name === key
      ? [1]
      : new RegExp(`^${key}\\d+$`).test(name)
        ? [Number(name.slice(key.length))]
        : [],
  );
