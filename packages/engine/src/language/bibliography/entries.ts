import bibtex, { type Field } from 'bibtex-parse';

/** An entry of a bibliography: its kind, its key, its fields in lower-case names. */
export interface BibEntry {
  readonly type: string;
  readonly key: string;
  readonly fields: Readonly<Record<string, string>>;
}

export interface BibFile {
  readonly entries: readonly BibEntry[];
  /** Keys, or first words, of entries that could not be read. */
  readonly broken: readonly string[];
}

const MONTHS: Readonly<Record<string, string>> = Object.fromEntries(
  'January February March April May June July August September October November December'
    .split(' ')
    .map((name) => [name.slice(0, 3).toLowerCase(), name]),
);

function valueOf(field: Field, strings: ReadonlyMap<string, string>): string {
  const one = (value: string | number, type: string): string => {
    if (type !== 'identifier') return String(value);
    const name = String(value).toLowerCase();
    return strings.get(name) ?? MONTHS[name] ?? String(value);
  };
  if (typeof field.value !== 'object') return one(field.value, field.datatype);
  return field.value.map((part) => one(part.value, part.datatype)).join('');
}

/** An entry longer than this is one that was never closed; a text that stands for another is cut there. */
const LONGEST_ENTRY = 50_000;
const LONGEST_STRING = 5000;

/** The first word of an entry: its key, where it has one. */
const keyOf = (piece: string): string =>
  /@\w+\s*[{(]\s*([^,\s]+)/.exec(piece.slice(0, 2000))?.[1] ?? piece.slice(0, 20);

/** Is an entry needed: cited, or what others may refer to? Any is, where all are cited. */
function isNeeded(piece: string, wanted: ReadonlySet<string>): boolean {
  if (wanted.has('*') || /^\s*@string/i.test(piece)) return true;
  return wanted.has(keyOf(piece).toLowerCase());
}

/** Do its braces match, as far as one sees at a glance? One that does not is read, and told of. */
function isClosed(piece: string): boolean {
  let depth = 0;
  for (let i = 0; i < piece.length; i++) {
    const code = piece.charCodeAt(i);
    if (code === 92) i++;
    else if (code === 123) depth++;
    else if (code === 125) depth--;
  }
  return depth === 0;
}

/**
 * The entries of a `.bib` file that are cited, each read by itself, so that a broken one costs
 * only itself, and a collection of thousands no more than what is used of it.
 *
 * @param cited keys; `*` for all.
 */
export function parseBib(text: string, cited: readonly string[] = ['*']): BibFile {
  const wanted = new Set(cited.map((key) => key.toLowerCase()));
  const strings = new Map<string, string>();
  const entries: BibEntry[] = [];
  const broken: string[] = [];
  for (const piece of text.split(/^(?=[ \t]*@)/m)) {
    if (!piece.trimStart().startsWith('@')) continue;
    if (/^\s*@comment/i.test(piece)) continue;
    const isShort = piece.length <= LONGEST_ENTRY;
    if (isShort && !isNeeded(piece, wanted) && isClosed(piece)) continue;
    try {
      if (!isShort) throw new Error('too long');
      for (const item of bibtex.parse(piece)) {
        if (item.itemtype === 'string')
          strings.set(item.name.toLowerCase(), valueOf(item, strings).slice(0, LONGEST_STRING));
        if (item.itemtype !== 'entry') continue;
        const fields = item.fields.map((f) => [
          f.name.toLowerCase(),
          valueOf(f, strings).replace(/\s+/g, ' '),
        ]);
        entries.push({
          type: item.type.toLowerCase(),
          key: item.key,
          fields: Object.fromEntries(fields) as Record<string, string>,
        });
      }
    } catch {
      broken.push(keyOf(piece));
    }
  }
  return { entries, broken };
}
