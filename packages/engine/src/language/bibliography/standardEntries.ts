import type { BibEntry } from './entries';
import { formatName, parseNames, type Name } from './names';

/**
 * Entries as the standard styles of package biblatex write them: parts of an entry end with a full
 * stop, names are given in full, titles keep their letters (the package's manual, and its language files).
 */

/** The words and signs of a language. */
interface Words {
  readonly and: string;
  /** A comma before the last “and” of three and more. */
  readonly comma: boolean;
  readonly in: string;
  readonly editedBy: string;
  readonly editor: string;
  readonly editors: string;
  readonly volume: string;
  readonly page: string;
  readonly pages: string;
  readonly visited: string;
  readonly edition: (number: string) => string;
  readonly date: (year: string, month: number, day: number) => string;
  readonly visitedDate: (year: string, month: number, day: number) => string;
  readonly kinds: Readonly<Record<string, string>>;
}

const two = (n: number): string => String(n).padStart(2, '0');
const MONTHS = 'Jan. Feb. Mar. Apr. May June July Aug. Sept. Oct. Nov. Dec.'.split(' ');
const MONATE = 'Jan. Feb. März Apr. Mai Juni Juli Aug. Sep. Okt. Nov. Dez.'.split(' ');

/** “2nd”. */
function ordinal(text: string): string {
  const n = Number(text);
  if (!Number.isInteger(n) || n <= 0) return text;
  const teen = n % 100 >= 11 && n % 100 <= 13;
  return `${n}${teen ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th')}`;
}

const ENGLISH: Words = {
  and: 'and',
  comma: true,
  in: 'In:',
  editedBy: 'Ed. by',
  editor: 'ed.',
  editors: 'eds.',
  volume: 'Vol.',
  page: 'p.',
  pages: 'pp.',
  visited: 'visited on',
  edition: (number) => `${ordinal(number)} ed.`,
  date: (year, month, day) => `${MONTHS[month - 1] ?? ''}${day > 0 ? `~${day},` : ''} ${year}`,
  visitedDate: (year, month, day) => `${two(month)}/${two(day)}/${year}`,
  kinds: {
    phdthesis: 'PhD thesis',
    mastersthesis: 'MA thesis',
    mathesis: 'MA thesis',
    techreport: 'Tech. rep.',
  },
};

const GERMAN: Words = {
  and: 'und',
  comma: false,
  in: 'In:',
  editedBy: 'Hrsg. von',
  editor: 'Hrsg.',
  editors: 'Hrsg.',
  volume: 'Bd.',
  page: 'S.',
  pages: 'S.',
  visited: 'besucht am',
  edition: (number) => `${/^\d+$/.test(number) ? `${number}.` : number} Aufl.`,
  date: (year, month, day) => `${day > 0 ? `${day}.~` : ''}${MONATE[month - 1] ?? ''} ${year}`,
  visitedDate: (year, month, day) => `${two(day)}.~${two(month)}.~${year}`,
  kinds: {
    phdthesis: 'Diss.',
    mastersthesis: 'Magisterarbeit',
    mathesis: 'Magisterarbeit',
    techreport: 'Techn. Ber.',
  },
};

/** Dates of other Englishes: the day first. */
const BRITISH: Words = {
  ...ENGLISH,
  date: (year, month, day) => `${day > 0 ? `${day}~` : ''}${MONTHS[month - 1] ?? ''} ${year}`,
  visitedDate: (year, month, day) => `${two(day)}/${two(month)}/${year}`,
};

const MOIS = 'janv. févr. mars avr. mai juin juill. août sept. oct. nov. déc.'.split(' ');
const FRENCH: Words = {
  and: 'et',
  comma: false,
  in: 'In~:',
  editedBy: 'Sous la dir. de',
  editor: 'dir.',
  editors: 'dir.',
  volume: 'T.',
  page: 'p.',
  pages: 'p.',
  visited: 'visité le',
  edition: (number) => `${number}\\textsuperscript{${number === '1' ? 're' : 'e'}}~éd.`,
  date: (year, month, day) => `${day > 0 ? `${day}~` : ''}${MOIS[month - 1] ?? ''} ${year}`,
  visitedDate: (year, month, day) => `${two(day)}/${two(month)}/${year}`,
  kinds: {
    phdthesis: 'Thèse de doct.',
    mastersthesis: 'Mém. de mast.',
    mathesis: 'Mém. de mast.',
    techreport: 'Rapp. tech.',
  },
};

/** By the name of the document's language. */
function wordsOf(language: string | null): Words {
  if (language === null) return ENGLISH;
  if (/german|austrian/.test(language)) return GERMAN;
  if (/^(?:french|francais|acadian|canadien)$/.test(language)) return FRENCH;
  return /^(?:british|UKenglish|australian|newzealand)$/.test(language) ? BRITISH : ENGLISH;
}

/** How a style writes entries, as the options of the package say. */
export interface StandardLook {
  /** The date stands behind the names, which begin with the family name of the first. */
  readonly authorYear: boolean;
  readonly initials: boolean;
  /** With more names than this only the first is written. */
  readonly mostNames: number;
  /** The same where entries are cited, when it is told. */
  readonly mostCited?: number;
  readonly language: string | null;
}

const others = ({ last }: Name): boolean => last.join(' ') === 'others';

/** “Wick, Ada”. */
function familyFirst(name: Name, initials: boolean): string {
  const family = [...name.von, ...name.last].join(' ');
  const given = formatName({ ...name, von: [], last: [], jr: [] }, initials).trim();
  return given === '' ? family : `${family}, ${given}`;
}

/** Names in a row; `turned` the first by its family name. */
export function standardNames(names: readonly Name[], look: StandardLook, turned: boolean): string {
  const { and, comma } = wordsOf(look.language);
  const listed = names.filter((name) => !others(name));
  const cut = listed.length < names.length || listed.length > look.mostNames;
  const shown = (listed.length > look.mostNames ? listed.slice(0, 1) : listed).map((name, i) =>
    turned && i === 0 ? familyFirst(name, look.initials) : formatName(name, look.initials),
  );
  if (cut) return `${shown.join(', ')} et~al.`;
  if (shown.length <= 1) return shown.join('');
  const last = shown.at(-1) as string;
  const before = shown.slice(0, -1);
  const serial = comma && shown.length > 2 ? ',' : '';
  return `${before.join(', ')}${serial} ${and} ${last}`;
}

/** `2021-03-02`, or year, month and day apart. */
function dateOf({ fields }: BibEntry, words: Words): string {
  const [year = fields.year ?? '', month, day] =
    (fields.date ?? '').split('/')[0]?.split('-') ?? [];
  const own = year === '' ? (fields.year ?? '') : year;
  const named = MONTH_NAMES.indexOf((fields.month ?? '').slice(0, 3).toLowerCase()) + 1;
  const number = Number(month ?? fields.month) || named;
  if (own === '' || !number) return own;
  return words.date(own, number, Number(day ?? fields.day) || 0);
}
const MONTH_NAMES = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');

const emph = (text: string): string => (text === '' ? '' : `\\emph{${text}}`);
const quoted = (text: string): string => (text === '' ? '' : `“${text}”`);
const joined = (between: string, ...parts: readonly (string | undefined)[]): string =>
  parts.filter((part) => part !== undefined && part !== '').join(between);
const acronym = (name: string): string => `\\textsc{${name}}:`;

/** The title with its subtitle. */
const titleOf = ({ fields }: BibEntry, prefix = ''): string =>
  joined('. ', fields[`${prefix}title`], fields[`${prefix}subtitle`]);

function pagesOf({ fields }: BibEntry, words: Words): string {
  const { pages } = fields;
  if (!pages) return '';
  const ranged = pages.replace(/\s*-+\s*/g, '--');
  return `${/[-,]/.test(ranged) ? words.pages : words.page}~${ranged}`;
}

/** “Port: Harbour Press, 2003”. */
function publishedAt(e: BibEntry, words: Words, look: StandardLook): string {
  const { publisher, institution, school, organization } = e.fields;
  const place = e.fields.location ?? e.fields.address;
  const by = publisher ?? institution ?? school ?? organization;
  const date = look.authorYear ? '' : dateOf(e, words);
  return joined(', ', joined(': ', place, by), date);
}

/** Numbers by which an entry is found: ISBN, DOI, a preprint, its address. */
function foundBy({ fields }: BibEntry, words: Words): string[] {
  const url = fields.url ? `${acronym('url')} \\url{${fields.url}}` : '';
  const [year = '', month = '1', day = '1'] = (fields.urldate ?? '').split('-');
  const visited =
    url !== '' && year !== ''
      ? ` (${words.visited} ${words.visitedDate(year, Number(month), Number(day))})`
      : '';
  const archive = fields.eprinttype ?? fields.archiveprefix ?? '';
  const kind = fields.eprintclass ?? fields.primaryclass;
  return [
    fields.isbn ? `${acronym('isbn')} ${fields.isbn}` : '',
    fields.doi ? `${acronym('doi')} \\url{${fields.doi}}` : '',
    fields.eprint
      ? `${/arxiv/i.test(archive) ? 'arXiv:' : acronym('eprint')} \\texttt{${fields.eprint}}${kind ? ` [\\texttt{${kind}}]` : ''}`
      : '',
    url === '' ? '' : `${url}${visited}`,
  ];
}

const editedBy = (e: BibEntry, words: Words, look: StandardLook): string =>
  e.fields.editor && e.fields.author
    ? `${words.editedBy} ${standardNames(parseNames(e.fields.editor), look, false)}`
    : '';
const editionOf = ({ fields }: BibEntry, words: Words): string =>
  fields.edition ? words.edition(fields.edition) : '';
const volumeOf = ({ fields }: BibEntry, words: Words): string =>
  fields.volume ? `${words.volume}~${fields.volume}` : '';
const seriesOf = ({ fields }: BibEntry): string => joined(' ', fields.series, fields.number);

/** The parts of an entry behind its names. */
function partsOf(e: BibEntry, look: StandardLook): string[] {
  const words = wordsOf(look.language);
  const { fields: f } = e;
  const date = look.authorYear ? '' : dateOf(e, words);
  const note = f.note ?? '';
  const found = foundBy(e, words);
  switch (e.type) {
    case 'article': {
      const number = joined('.', f.volume, f.number);
      const journal = joined(
        ' ',
        emph(f.journaltitle ?? f.journal ?? ''),
        number,
        date === '' ? '' : `(${date})`,
      );
      return [
        quoted(titleOf(e)),
        `${words.in} ${joined(', ', journal, pagesOf(e, words))}`,
        note,
        ...found,
      ];
    }
    case 'inproceedings':
    case 'conference':
    case 'incollection':
    case 'inbook': {
      const book = emph(joined('. ', f.booktitle, f.booksubtitle));
      const by = f.editor
        ? `${words.editedBy} ${standardNames(parseNames(f.editor), look, false)}`
        : '';
      const last = joined(', ', publishedAt(e, words, look), pagesOf(e, words));
      return [
        quoted(titleOf(e)),
        `${words.in} ${book}`,
        by,
        volumeOf(e, words),
        editionOf(e, words),
        seriesOf(e),
        note,
        last,
        ...found,
      ];
    }
    case 'phdthesis':
    case 'mastersthesis':
    case 'thesis': {
      const kind = f.type ? (words.kinds[f.type] ?? f.type) : (words.kinds[e.type] ?? '');
      return [quoted(titleOf(e)), kind, note, publishedAt(e, words, look), ...found];
    }
    case 'techreport':
    case 'report': {
      const kind = f.type ? (words.kinds[f.type] ?? f.type) : (words.kinds.techreport ?? '');
      return [
        emph(titleOf(e)),
        joined(' ', kind, f.number),
        note,
        publishedAt(e, words, look),
        ...found,
      ];
    }
    case 'unpublished':
      return [quoted(titleOf(e)), f.howpublished ?? '', note, date, ...found];
    case 'online':
    case 'electronic':
    case 'www':
      return [emph(titleOf(e)), note, f.organization ?? '', date, ...found];
    default:
      return [
        emph(titleOf(e)),
        editedBy(e, words, look),
        editionOf(e, words),
        volumeOf(e, words),
        seriesOf(e),
        f.howpublished ?? '',
        note,
        publishedAt(e, words, look),
        ...found,
      ];
  }
}

const ended = (text: string): string => (/[.?!]\}*$/.test(text) ? text : `${text}.`);

/** Who stands before an entry: authors, or editors with what they are. */
export function leadOf(e: BibEntry, look: StandardLook): string {
  const names = parseNames(e.fields.author ?? e.fields.editor ?? '');
  const said = standardNames(names, look, look.authorYear);
  const byEditor = !e.fields.author && e.fields.editor !== undefined;
  const words = wordsOf(look.language);
  return byEditor ? `${said}, ${names.length > 1 ? words.editors : words.editor}` : said;
}

/** An entry as it is printed; `again` says that the one before has the same names. */
export function standardEntry(e: BibEntry, look: StandardLook, again: boolean): string {
  const words = wordsOf(look.language);
  const names = leadOf(e, look);
  const lead = again && look.authorYear && names !== '' ? '\\rule[.5ex]{2em}{.4pt}' : names;
  const date = look.authorYear ? `(${dateOf(e, words) || 'n.d.'})` : '';
  const parts = partsOf(e, look);
  // Of what nobody is named for the title stands first.
  const titled = look.authorYear && lead === '' ? (parts.shift() ?? '') : '';
  return [joined(' ', lead || titled, date), ...parts]
    .filter((part) => part.trim() !== '')
    .map((part) => ended(part.trim()))
    .join('\n\\newblock ');
}
