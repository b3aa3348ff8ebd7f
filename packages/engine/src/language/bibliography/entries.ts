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

/** The entries of a `.bib` file, each read by itself, so that a broken one costs only itself. */
export function parseBib(text: string): BibFile {
  const strings = new Map<string, string>();
  const entries: BibEntry[] = [];
  const broken: string[] = [];
  for (const piece of text.split(/^(?=[ \t]*@)/m)) {
    if (!piece.trimStart().startsWith('@')) continue;
    if (/^\s*@comment/i.test(piece)) continue;
    try {
      for (const item of bibtex.parse(piece)) {
        if (item.itemtype === 'string')
          strings.set(item.name.toLowerCase(), valueOf(item, strings));
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
      broken.push(/@\w+\s*[{(]\s*([^,\s]+)/.exec(piece)?.[1] ?? piece.slice(0, 20));
    }
  }
  return { entries, broken };
}
