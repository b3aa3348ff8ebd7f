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

/** The keys of what is cited and of what that refers to (`crossref`), a few steps deep. */
function withParents(pieces: readonly string[], cited: ReadonlySet<string>): ReadonlySet<string> {
  if (cited.has('*')) return cited;
  const out = new Set(cited);
  for (let depth = 0; depth < PARENTS_DEEP; depth++)
    for (const piece of pieces) {
      if (!out.has(keyOf(piece).toLowerCase())) continue;
      const parent = PARENT.exec(piece.slice(0, LONGEST_ENTRY))?.[1];
      if (parent) out.add(parent.toLowerCase());
    }
  return out;
}
const PARENTS_DEEP = 3;
const PARENT = /\b(?:crossref|xdata)\s*=\s*["{]\s*([^"{},\s]+)/i;

/** Fields that belong to an entry alone. */
const OWN = new Set([
  'title',
  'subtitle',
  'crossref',
  'xdata',
  'xref',
  'ids',
  'keywords',
  'label',
  'shorthand',
  'sortkey',
]);

/** Entries with what they lack from the one they refer to; its title is that of the book they stand in. */
function inherited(entries: readonly BibEntry[]): BibEntry[] {
  const byKey = new Map(entries.map((entry) => [entry.key.toLowerCase(), entry]));
  const fieldsOf = (entry: BibEntry, depth: number): Record<string, string> => {
    const { crossref, xdata } = entry.fields;
    const parent = byKey.get((crossref ?? xdata ?? '').toLowerCase());
    if (!parent || depth >= PARENTS_DEEP) return { ...entry.fields };
    const given = fieldsOf(parent, depth + 1);
    const theirs = Object.entries(given).filter(([name]) => xdata !== undefined || !OWN.has(name));
    const { title, subtitle } = given;
    const book =
      entry.type.startsWith('in') && title !== undefined
        ? { booktitle: title, ...(subtitle === undefined ? {} : { booksubtitle: subtitle }) }
        : {};
    return { ...book, ...Object.fromEntries(theirs), ...entry.fields };
  };
  return entries.map((entry) =>
    entry.fields.crossref === undefined && entry.fields.xdata === undefined
      ? entry
      : { ...entry, fields: fieldsOf(entry, 0) },
  );
}

/**
 * The entries of a `.bib` file that are cited, each read by itself, so that a broken one costs
 * only itself, and a collection of thousands no more than what is used of it.
 *
 * @param cited keys; `*` for all.
 */
export function parseBib(text: string, cited: readonly string[] = ['*']): BibFile {
  const pieces = text.split(/^(?=[ \t]*@)/m);
  const wanted = withParents(pieces, new Set(cited.map((key) => key.toLowerCase())));
  const strings = new Map<string, string>();
  const entries: BibEntry[] = [];
  const broken: string[] = [];
  for (const piece of pieces) {
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
  return { entries: inherited(entries), broken };
}
