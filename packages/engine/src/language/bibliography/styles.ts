import type { BibEntry } from './entries';
import { leadOf, standardEntry, standardNames, type StandardLook } from './standardEntries';
import { bareText, formatNames, parseNames, type Name } from './names';

/** How a style sorts, labels and shortens. */
export interface BibStyle {
  readonly sorted: boolean;
  readonly alpha: boolean;
  readonly short: boolean;
  /** Labels that name author and year (natbib). */
  readonly authorYear: boolean;
  /** Printed with numbers, though its labels name author and year. */
  readonly numbered?: boolean;
  /** Entries are written as the standard styles of package biblatex write them. */
  readonly standard?: boolean;
}

const BIBLATEX = { short: false, authorYear: true, standard: true };

export const STYLES: Readonly<Record<string, BibStyle>> = {
  plain: { sorted: true, alpha: false, short: false, authorYear: false },
  unsrt: { sorted: false, alpha: false, short: false, authorYear: false },
  abbrv: { sorted: true, alpha: false, short: true, authorYear: false },
  alpha: { sorted: true, alpha: true, short: false, authorYear: false },
  plainnat: { sorted: true, alpha: false, short: false, authorYear: true },
  unsrtnat: { sorted: false, alpha: false, short: false, authorYear: true },
  abbrvnat: { sorted: true, alpha: false, short: true, authorYear: true },
  amsplain: { sorted: true, alpha: false, short: false, authorYear: false },
  amsalpha: { sorted: true, alpha: true, short: false, authorYear: false },
  ieeetr: { sorted: false, alpha: false, short: true, authorYear: false },
  siam: { sorted: true, alpha: false, short: true, authorYear: false },
  acm: { sorted: true, alpha: false, short: true, authorYear: false },
  ...Object.fromEntries(
    [true, false].flatMap((sorted) => {
      const name = (kind: string): string => `biblatex-${kind}${sorted ? '' : '-ascited'}`;
      return [
        [name('numeric'), { ...BIBLATEX, sorted, alpha: false, numbered: true }],
        [name('alphabetic'), { ...BIBLATEX, sorted, alpha: true, authorYear: false }],
        [name('authoryear'), { ...BIBLATEX, sorted, alpha: false }],
      ];
    }),
  ),
  apalike: { sorted: true, alpha: false, short: true, authorYear: true },
};

/** An entry as the list prints it. */
export interface BibItem {
  readonly key: string;
  /** The label in brackets, or null for a number. */
  readonly label: string | null;
  readonly body: string;
  /** Its place in the list, from 0. */
  readonly index: number;
  /** Author and year, where the label says neither. */
  readonly named?: { readonly author: string; readonly year: string };
}

const namesOf = (e: BibEntry): Name[] => parseNames(e.fields.author ?? e.fields.editor ?? '');
const year = (e: BibEntry): string => e.fields.year ?? e.fields.date?.slice(0, 4) ?? '';
const yearOrNone = (e: BibEntry): string => year(e) || 'n.d.';

/** Letters of the authors' names and the year (alpha.bst). */
function alphaLabel(e: BibEntry, standard: boolean): string {
  const names = namesOf(e);
  const digits = bareText(year(e)).slice(-2);
  const letter = (n: Name): string =>
    [...n.von, ...n.last].map((w) => bareText(w).slice(0, 1)).join('');
  if (names.length === 0) return bareText(e.fields.key ?? e.key).slice(0, 3) + digits;
  if (names.length === 1) {
    const [only] = names as [Name];
    const short = only.von.length > 0 ? letter(only) : bareText(only.last.join('')).slice(0, 3);
    return short + digits;
  }
  // The standard styles of biblatex shorten from four names on.
  if (standard && (names.length > 3 || names.at(-1)?.last.join('') === 'others'))
    return `${bareText(names[0]?.last.join('') ?? '').slice(0, 3)}+${digits}`;
  const some = names.length > 4 ? names.slice(0, 3) : names;
  const letters = some
    .map((n) => (n.last.join('') === 'others' ? '{\\etalchar{+}}' : letter(n)))
    .join('');
  return `${letters}${names.length > 4 ? '{\\etalchar{+}}' : ''}${digits}`;
}

/** Family names and year, as citations in a sentence say them. */
function namedBy(e: BibEntry, look: StandardLook): { author: string; year: string } {
  const family = namesOf(e).map((n) => ({ ...n, first: [], jr: [] }));
  return {
    author: standardNames(family, { ...look, mostNames: look.mostCited ?? 3 }, false),
    year: yearOrNone(e),
  };
}

/** The title that stands for an entry nobody is named for. */
export const citedTitle = ({ type, fields: { title = '' } }: BibEntry): string =>
  /^(?:article|in|thesis|unpublished|patent)/.test(type) ? `“${title}”` : `\\emph{${title}}`;

/** “Quill and Brae(2024)” as natbib reads it. */
function authorYearLabel(e: BibEntry, style: BibStyle, look: StandardLook): string {
  const last = namesOf(e).map((n) => [...n.von, ...n.last].join(' '));
  if (style.standard && last.length > 0) {
    const { author, year: date } = namedBy(e, look);
    return `{${author}(${date})}`;
  }
  if (style.standard && e.fields.title) return `{${citedTitle(e)}(${yearOrNone(e)})}`;
  const short =
    last.length === 0
      ? (e.fields.key ?? e.key)
      : last.length > 2 || last[1] === 'others'
        ? `${last[0] ?? ''} et~al.`
        : last.join(' and ');
  return `{${short}(${year(e)})}`;
}

const sortKey = (e: BibEntry): string => {
  const names = namesOf(e)
    .map((n) => bareText([...n.von, ...n.last, ...n.first].join(' ')))
    .join('   ');
  const title = bareText(e.fields.title ?? '').replace(/^(a|an|the) /i, '');
  return `${names || bareText(e.fields.key ?? e.fields.organization ?? title)}    ${bareText(year(e))}    ${title}`.toLowerCase();
};

/** A title in lower case but for its first letter and what stands in braces (`change.case$`). */
export function sentenceCase(title: string): string {
  let out = '';
  let depth = 0;
  let first = true;
  for (let i = 0; i < title.length; i++) {
    const char = title[i] as string;
    if (char === '{') depth++;
    else if (char === '}') depth--;
    if (char === '\\') {
      const command = /^\\([a-zA-Z]+|.)/.exec(title.slice(i))?.[0] ?? char;
      out += command;
      i += command.length - 1;
      continue;
    }
    if (char === '$') {
      const end = title.indexOf('$', i + 1);
      const formula = end < 0 ? title.slice(i) : title.slice(i, end + 1);
      out += formula;
      i += formula.length - 1;
      first = false;
      continue;
    }
    const keep = depth > 0 || first || /: $/.test(out);
    out += keep ? char : char.toLowerCase();
    if (/\p{L}/u.test(char)) first = false;
  }
  return out;
}

const pagesOf = (pages: string): string => pages.replace(/(\d)\s*-\s*(\d)/g, '$1--$2');
const pageText = (e: BibEntry): string => {
  const { pages } = e.fields;
  if (!pages) return '';
  return /[-,+]/.test(pages) ? `pages ${pagesOf(pages)}` : `page ${pages}`;
};
const dateOf = (e: BibEntry): string => [e.fields.month, year(e)].filter(Boolean).join(' ');
const emph = (text: string | undefined): string => (text ? `\\emph{${text}}` : '');
const joined = (...parts: (string | undefined)[]): string => parts.filter(Boolean).join(', ');

/** Volume, number and series of a book or proceedings (plain.bst). */
function seriesOf({ fields }: BibEntry): string {
  const { volume, number, series } = fields;
  if (volume) return `volume~${volume}${series ? ` of \\emph{${series}}` : ''}`;
  if (number) return `number~${number}${series ? ` in ${series}` : ''}`;
  return series ?? '';
}

const editionOf = ({ fields }: BibEntry): string =>
  fields.edition ? `${fields.edition.toLowerCase()} edition` : '';

/** The sentences of an entry behind its authors, by kind (plain.bst). */
function sentences(e: BibEntry): string[] {
  const f = e.fields;
  const title = f.title ? sentenceCase(f.title) : '';
  switch (e.type) {
    case 'article': {
      const volume = `${f.volume ?? ''}${f.number ? `(${f.number})` : ''}`;
      const place = f.pages ? (volume ? `${volume}:${pagesOf(f.pages)}` : pageText(e)) : volume;
      return [title, joined(emph(f.journal ?? f.journaltitle), place, dateOf(e))];
    }
    case 'book':
    case 'inbook': {
      const part =
        e.type === 'inbook' ? joined(f.chapter ? `chapter~${f.chapter}` : '', pageText(e)) : '';
      return [
        joined(emph(f.title), seriesOf(e), part),
        joined(f.publisher, f.address ?? f.location, editionOf(e), dateOf(e)),
      ];
    }
    case 'inproceedings':
    case 'conference':
    case 'incollection': {
      const editor = f.editor
        ? `${formatNames(parseNames(f.editor), false)}, ${parseNames(f.editor).length > 1 ? 'editors' : 'editor'}, `
        : '';
      const where = `In ${editor}${joined(emph(f.booktitle), seriesOf(e), f.chapter ? `chapter~${f.chapter}` : '', pageText(e))}`;
      if (e.type === 'incollection')
        return [title, `${where}`, joined(f.publisher, f.address, editionOf(e), dateOf(e))];
      return [title, joined(where, f.address, dateOf(e)), joined(f.organization, f.publisher)];
    }
    case 'phdthesis':
    case 'mastersthesis':
    case 'thesis': {
      const kind = f.type ?? (e.type === 'mastersthesis' ? "Master's thesis" : 'PhD thesis');
      return [
        e.type === 'phdthesis' ? emph(f.title) : title,
        joined(kind, f.school ?? f.institution, f.address, dateOf(e)),
      ];
    }
    case 'techreport':
    case 'report': {
      const kind = `${f.type ?? 'Technical Report'}${f.number ? `~${f.number}` : ''}`;
      return [title, joined(kind, f.institution, f.address, dateOf(e))];
    }
    case 'manual':
    case 'booklet':
    case 'proceedings':
      return [
        e.type === 'booklet' ? title : emph(f.title),
        joined(f.organization, f.publisher, f.howpublished, f.address, editionOf(e), dateOf(e)),
      ];
    case 'unpublished':
      return [title, joined(f.note, dateOf(e))];
    default:
      return [title, joined(f.howpublished, f.institution, dateOf(e))];
  }
}

const ended = (text: string): string => (/[.?!]\}*$/.test(text) ? text : `${text}.`);

function bodyOf(e: BibEntry, style: BibStyle): string {
  const names = namesOf(e);
  const byEditor =
    !e.fields.author &&
    e.fields.editor !== undefined &&
    ['book', 'proceedings', 'inbook'].includes(e.type);
  const authors = e.fields.author || byEditor ? formatNames(names, style.short) : '';
  const role = byEditor ? (names.length > 1 ? ', editors' : ', editor') : '';
  const lead =
    authors ||
    (e.fields.organization && !['manual', 'inproceedings', 'conference'].includes(e.type)
      ? e.fields.organization
      : '');
  const note = e.type === 'unpublished' ? '' : (e.fields.note ?? '');
  const url = e.fields.url && style.authorYear ? `URL \\url{${e.fields.url}}` : '';
  const parts = [lead && lead + role, ...sentences(e), note, url];
  return parts
    .filter((part): part is string => part !== undefined && part.trim() !== '')
    .map((part) => ended(part.trim()))
    .join('\n\\newblock ');
}

/** Labels that are the same get letters: `Qui24a`, `Qui24b`. */
function toldApart(labels: readonly string[]): string[] {
  return labels.map((label, i) => {
    const same = labels.filter((l) => l === label).length;
    if (same === 1) return label;
    const nth = labels.slice(0, i).filter((l) => l === label).length;
    return label + String.fromCharCode(97 + nth);
  });
}

/** The entries as a style prints them, in its order. */
export function formatBibliography(
  entries: readonly BibEntry[],
  style: BibStyle,
  options: Partial<StandardLook> = {},
): BibItem[] {
  const byName = style.authorYear && !style.numbered;
  const look = { initials: false, mostNames: 3, language: null, ...options, authorYear: byName };
  const list = [...entries];
  if (style.sorted) {
    const lead = (e: BibEntry): string =>
      style.alpha ? alphaLabel(e, style.standard === true).toLowerCase() : '';
    list.sort((a, b) => compare(lead(a), lead(b)) || compare(sortKey(a), sortKey(b)));
  }
  const labels = style.alpha
    ? toldApart(list.map((e) => alphaLabel(e, style.standard === true)))
    : list.map((e) => authorYearLabel(e, style, look));
  return list.map((e, i) => ({
    key: e.key,
    index: i,
    ...(style.standard && style.alpha ? { named: namedBy(e, look) } : {}),
    label: style.alpha || style.authorYear ? (labels[i] ?? null) : null,
    body: style.standard
      ? standardEntry(e, look, i > 0 && leadOf(e, look) === leadOf(list[i - 1] as BibEntry, look))
      : bodyOf(e, style),
  }));
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
