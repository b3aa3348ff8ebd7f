import type { Span } from '../../base/spans';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { type BibEntry, parseBib } from '../bibliography/entries';
import { citedTitle } from '../bibliography/labels';
import { fullDate, type StandardLook } from '../bibliography/standardEntries';
import { type BibStyle, formatBibliography, nearestStyle, STYLES } from '../bibliography/styles';
import { CELLS } from '../machine/cells';
import type { Interpreter } from '../machine/interpreter';
import { findFile, reportMissing } from './files';
import { LANGUAGE } from './languages';

/** Is an entry among those that are printed? */
export type EntryTest = (entry: BibEntry) => boolean;

/** What a package says of a list. */
export interface ListRequest {
  /** Which entries are printed, where it is of some alone. */
  readonly wanted: EntryTest | null;
  readonly before: readonly Token[];
  readonly after: readonly Token[];
  /** Where the numbers of its entries begin anew. */
  readonly countsAnew: boolean;
  /** How entries are written, and what of them. */
  readonly look: Partial<StandardLook>;
  readonly shown: (entry: BibEntry) => BibEntry;
  /** All entries that are cited, before any is written. */
  readonly begun: (entries: readonly BibEntry[]) => void;
  /** What stands before an entry. */
  readonly entered: (entry: BibEntry) => string;
}
const PLAIN_LIST: ListRequest = {
  wanted: null,
  before: [],
  after: [],
  countsAnew: false,
  look: {},
  shown: (entry) => entry,
  begun: () => undefined,
  entered: () => '',
};

/** The entries that the options of a list let through. */
export function wantedEntries(
  options: ReadonlyMap<string, readonly Token[]>,
): ((e: BibEntry) => boolean) | null {
  const said = (key: string): string | null => {
    const value = options.get(key);
    return value ? tokensText(value).trim() : null;
  };
  const [type, notType] = [said('type'), said('nottype')];
  const [keyword, notKeyword] = [said('keyword'), said('notkeyword')];
  if (![type, notType, keyword, notKeyword].some((one) => one !== null)) return null;
  return (e) => {
    const keywords = (e.fields.keywords ?? '').split(',').map((word) => word.trim());
    return (
      (type === null || e.type === type) &&
      (notType === null || e.type !== notType) &&
      (keyword === null || keywords.includes(keyword)) &&
      (notKeyword === null || !keywords.includes(notKeyword))
    );
  };
}

/** The entries of files that are cited. */
function citedEntries(it: Interpreter, files: readonly string[], span: Span): BibEntry[] {
  const cited = it.read(CELLS.cited);
  const entries: BibEntry[] = [];
  for (const name of files) {
    const file = findFile(it, name, ['.bib', '']);
    if (!file) {
      reportMissing(it, `${name}.bib`, span);
      continue;
    }
    const { entries: found, broken } = parseBib(file.text, cited);
    entries.push(...found);
    for (const key of broken)
      it.p.report('bibliography-broken', span, { name: key, file: file.name });
  }
  return pick(entries, cited);
}

/** The list of what is cited from files, as the style has it. @param span where it is asked for. */
export function listTokens(
  it: Interpreter,
  files: readonly string[],
  span: Span,
  request: ListRequest = PLAIN_LIST,
): Token[] {
  const chosen = citedEntries(it, files, span);
  if (chosen.length === 0) return [];
  request.begun(chosen);
  const style = styleOf(it);
  const { wanted, before, after, countsAnew, shown, entered } = request;
  const printed = countsAnew && wanted ? chosen.filter(wanted) : chosen;
  const look = { ...request.look, language: it.read(LANGUAGE) };
  const items = formatBibliography(printed.map(shown), style, look);
  const byKey = new Map(chosen.map((entry) => [entry.key, entry]));
  const keys = wanted && new Set(chosen.filter(wanted).map(({ key }) => key));
  const labels = items.map(({ label }) => label ?? '');
  const longest = labels.reduce((a, b) => (b.length > a.length ? b : a), '');
  const widest = style.alpha ? longest : style.named ? '' : '9'.repeat(String(items.length).length);
  const body = items
    .filter(({ key }) => keys?.has(key) ?? true)
    .map(({ key, label, body: text, full, index, named }) => {
      const entry = byKey.get(key) as BibEntry;
      // Of a list of some alone each keeps the number it has among all.
      const count = keys ? `\\setcounter{enumiv}{${index}}` : '';
      const author = named ? `\\@bibauthor{${key}}{${named.author}}{${named.year}}` : '';
      const parts = full === undefined ? '' : partsOf(entry, full, look);
      return `${count}\\bibitem${label === null ? '' : `[${label}]`}{${key}}${author}${parts}${entered(entry)}\n${text}\n\n`;
    })
    .join('');
  if (body === '') return [];
  it.p.allow(body.length);
  const heading = before.length > 0 ? '\\@bibheading\\let\\@bibheading\\relax ' : '';
  // The files of styles that tell addresses bring a plain form for these.
  const provided = style.tellsNumbers ? '\\providecommand\\url[1]{\\texttt{#1}}' : '';
  return [
    ...it.source(provided + heading),
    ...before,
    ...it.source(`\\begin{thebibliography}{${widest}}\n${body}\\end{thebibliography}`),
    ...after,
  ];
}

/** Parts of an entry that commands of package biblatex cite. */
function partsOf(entry: BibEntry, full: string, look: Partial<StandardLook>): string {
  const { key, fields } = entry;
  const { title = '', url = '', doi = '', note = '', shorttitle } = fields;
  const cited = { ...entry, fields: { ...fields, title: shorttitle ?? title } };
  const said: Readonly<Record<string, string>> = {
    title: title === '' ? key : citedTitle(cited),
    fulltitle: title === '' ? key : citedTitle(entry),
    url: `\\url{${url}}`,
    doi: `\\url{${doi}}`,
    publisher: fields.publisher ?? '',
    journaltitle: fields.journaltitle ?? fields.journal ?? '',
    note,
    date: fullDate(entry, look),
    entry: full,
  };
  return Object.entries(said)
    .filter(([, source]) => source !== '')
    .map(([part, source]) => `\\@bibpart{${key}}{${part}}{${source.replace(/\.\s*$/, '')}}`)
    .join('');
}

function styleOf(it: Interpreter): BibStyle {
  const name = it.read(CELLS.bibStyle) || 'plain';
  return STYLES[name] ?? (STYLES[nearestStyle(name, it.hasPackage('natbib'))] as BibStyle);
}

/** The entries cited, in the order of citing; all of them for `\nocite{*}`. */
function pick(entries: readonly BibEntry[], cited: readonly string[]): BibEntry[] {
  const byKey = new Map<string, BibEntry>();
  for (const entry of entries) {
    const key = entry.key.toLowerCase();
    if (!byKey.has(key)) byKey.set(key, entry);
  }
  const out = new Set<BibEntry>();
  const take = (entry: BibEntry | undefined): void => {
    if (entry) out.add(entry);
  };
  for (const key of cited) {
    if (key === '*') for (const entry of byKey.values()) take(entry);
    else take(byKey.get(key.toLowerCase()));
  }
  return [...out];
}
