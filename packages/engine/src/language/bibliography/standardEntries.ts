import type { BibEntry } from './entries';
import { addressOf, emph, ended, joined } from './entryParts';
import { formatName, parseNames, type Name } from './names';
import { languageWords, type Words } from './standardWords';

/**
 * Entries as the standard styles of package biblatex write them: parts of an entry end with a full
 * stop, names are given in full, titles keep their letters (the package's manual, and its language files).
 */

/** How a style writes entries, as the options of the package and the document say. */
export interface StandardLook {
  /** The date stands behind the names, which begin with the family name of the first. */
  readonly authorYear: boolean;
  readonly initials: boolean;
  /** With more names than this only so many as `leastNames` says are written. */
  readonly mostNames: number;
  readonly leastNames?: number;
  /** The same where entries are cited, when it is told. */
  readonly mostCited?: number;
  readonly language: string | null;
  /** Particles belong to family names: “van Beethoven” (package option `useprefix`). */
  readonly prefixed?: boolean;
  /** Other than by numbers, letters or years: a style of its own. */
  readonly kind?: 'authortitle' | 'apa' | 'ieee';
  /** What the list is put in order by: `nyt`. */
  readonly order?: string;
  /** False: the same names again are written again. */
  readonly dashed?: boolean;
  /** Behind the year: tells works of one year apart. */
  readonly letter?: string;
  /** Whose family names stand first, where the document says: of none, the first, all. */
  readonly turned?: 'none' | 'first' | 'all';
  /** Words that the document gives other forms, by the package's names for them. */
  readonly strings?: Readonly<Record<string, string>>;
  /** Signs and pieces that the document gives another form: commands, or null. */
  readonly own?: (name: string) => string | null;
  /** Has the document a form of its own for a field of that kind of entry? */
  readonly isFormatted?: (type: string, field: string) => boolean;
}

/** The words of a look: the language's, with those that the document gives another form. */
export function wordsOf({ language, strings = {}, own }: StandardLook): Words {
  const words = languageWords(language);
  const sign = own?.('intitlepunct') ?? words.inSign;
  const edition = strings.edition;
  return {
    ...words,
    and: strings.and ?? words.and,
    in: strings.in ?? words.in,
    inSign: sign,
    editedBy: strings.byeditor ?? words.editedBy,
    translatedBy: strings.bytranslator ?? words.translatedBy,
    editor: strings.editor ?? words.editor,
    editors: strings.editors ?? words.editors,
    volume: strings.volume ?? words.volume,
    page: strings.page ?? words.page,
    pages: strings.pages ?? words.pages,
    visited: strings.urlseen ?? words.visited,
    others: strings.andothers ?? words.others,
    noDate: strings.nodate ?? words.noDate,
    edition:
      edition === undefined
        ? words.edition
        : (number) => words.edition(number).replace(/(?:ed\.|Aufl\.|éd\.)$/, edition),
    kinds: { ...words.kinds, ...strings },
  };
}

const isOthers = ({ last }: Name): boolean => last.join(' ') === 'others';

/** “Wick, Ada”. */
export function familyFirst(name: Name, initials: boolean, prefixed = true): string {
  const family = [...(prefixed ? name.von : []), ...name.last].join(' ');
  const given = formatName({ ...name, von: [], last: [], jr: [] }, initials).trim();
  const particle = prefixed ? '' : name.von.join(' ');
  const jr = name.jr.join(' ');
  return joined(', ', joined(' ', family, jr), joined(' ', given, particle));
}

/** Names in a row; `turned` the first by its family name, where the document does not say. */
export function standardNames(names: readonly Name[], look: StandardLook, turned: boolean): string {
  const { and, comma, others } = wordsOf(look);
  const sign = (name: string, usual: string): string => look.own?.(name) ?? usual;
  const listed = names.filter((name) => !isOthers(name));
  const isLong = listed.length > look.mostNames;
  const which = look.turned ?? (turned ? 'first' : 'none');
  const shown = (isLong ? listed.slice(0, look.leastNames ?? 1) : listed).map((name, i) =>
    which === 'all' || (which === 'first' && i === 0)
      ? familyFirst(name, look.initials, look.prefixed === true)
      : formatName(name, look.initials),
  );
  const between = sign('multinamedelim', ', ');
  if (isLong || listed.length < names.length)
    return `${shown.join(between)}${sign('andothersdelim', ' ')}${others}`;
  if (shown.length <= 1) return shown.join('');
  const serial = comma && shown.length > 2 ? sign('finalandcomma', ',') : '';
  const last = sign('finalnamedelim', `${serial} ${and} `);
  return `${shown.slice(0, -1).join(between)}${last}${shown.at(-1) ?? ''}`;
}

/** `2021-03-02`, or year, month and day apart. */
export function dateOf({ fields }: BibEntry, words: Words, letter = ''): string {
  const [year = fields.year ?? '', month, day] =
    (fields.date ?? '').split('/')[0]?.split('-') ?? [];
  const own = year === '' ? (fields.year ?? '') : year;
  const named = MONTH_NAMES.indexOf((fields.month ?? '').slice(0, 3).toLowerCase()) + 1;
  const number = Number(month ?? fields.month) || named;
  if (own === '') return own;
  const dated = `${own}${letter}`;
  return number ? words.date(dated, number, Number(day ?? fields.day) || 0) : dated;
}
const MONTH_NAMES = 'jan feb mar apr may jun jul aug sep oct nov dec'.split(' ');

/** The date of an entry as its list writes it. */
export const fullDate = (e: BibEntry, look: Partial<StandardLook>): string =>
  dateOf(e, wordsOf({ ...PLAIN_LOOK, ...look }));
const PLAIN_LOOK: StandardLook = {
  authorYear: false,
  initials: false,
  mostNames: 3,
  language: null,
};

const quoted = (text: string): string => (text === '' ? '' : `“${text}”`);
const acronym = (name: string): string => `\\textsc{${name}}:`;
const same = (text: string): string => text;

/** Writes the pieces of one entry as a look has them. */
function writerOf(e: BibEntry, look: StandardLook) {
  const words = wordsOf(look);
  /** A field in its usual form, or in the one that the document has for it. */
  const field = (name: string, text: string | undefined, usual = same): string => {
    if (!text) return '';
    return look.isFormatted?.(e.type, name)
      ? `\\blx@field{${e.type}}{${name}}{${text}}`
      : usual(text);
  };
  /** A piece that the document may write by a macro of its own. */
  const piece = (name: string, usual: string): string => look.own?.(`bibmacro ${name}`) ?? usual;
  return { e, f: e.fields, look, words, field, piece };
}
type Writer = ReturnType<typeof writerOf>;

/** The title with its subtitle. */
const titleOf = ({ e: { fields }, look }: Writer, prefix = ''): string =>
  joined(
    look.own?.('subtitlepunct') ?? '. ',
    fields[`${prefix}title`],
    fields[`${prefix}subtitle`],
  );

const pagesOf = ({ f: { pages }, words, field }: Writer): string =>
  field(
    'pages',
    pages?.replace(/\s*-+\s*/g, '--'),
    (ranged) => `${/[-,]/.test(ranged) ? words.pages : words.page}~${ranged}`,
  );

const dateIn = ({ e, words, look }: Writer): string => (look.authorYear ? '' : dateOf(e, words));

/** “Port: Harbour Press, 2003”. @param by who brought it out, by what kind of entry it is. */
function publishedAt(writer: Writer, by: string | undefined): string {
  const place = joined(': ', addressOf(writer.e), by);
  return writer.piece('publisher+location+date', joined(', ', place, dateIn(writer)));
}

/** Numbers by which an entry is found: ISBN, DOI, a preprint, its address. */
function foundBy({ f, words, field, piece }: Writer): string[] {
  const url = field('url', f.url, (text) => `${acronym('url')} \\url{${text}}`);
  const [year = '', month = '1', day = '1'] = (f.urldate ?? '').split('-');
  const date = year === '' ? '' : words.visitedDate(year, Number(month), Number(day));
  const visited =
    url === '' || date === '' ? '' : field('urldate', date, (text) => `(${words.visited} ${text})`);
  const archive = f.eprinttype ?? f.archiveprefix ?? '';
  const kind = f.eprintclass ?? f.primaryclass;
  return [
    field('isbn', f.isbn, (text) => `${acronym('isbn')} ${text}`),
    field('doi', f.doi, (text) => `${acronym('doi')} \\url{${text}}`),
    field(
      'eprint',
      f.eprint,
      (text) =>
        `${/arxiv/i.test(archive) ? 'arXiv:' : acronym('eprint')} \\texttt{${text}}${kind ? ` [\\texttt{${kind}}]` : ''}`,
    ),
    piece('url+urldate', joined(' ', url, visited)),
  ];
}

const others = (writer: Writer): string[] => {
  const { f, look, words } = writer;
  const by = (names: string | undefined, word: string): string =>
    names ? `${word} ${standardNames(parseNames(names), { ...look, turned: 'none' }, false)}` : '';
  return [by(f.author && f.editor, words.editedBy), by(f.translator, words.translatedBy)];
};
const editionOf = ({ f, words, field }: Writer): string =>
  field('edition', f.edition, words.edition);
const volumeOf = ({ f, words, field }: Writer): string =>
  field('volume', f.volume, (text) => `${words.volume}~${text}`);
const seriesOf = ({ f, field }: Writer): string =>
  joined(' ', field('series', f.series), field('number', f.number));

/** “\emph{Journal} 3.2 (2011)”. */
function journalOf(writer: Writer): string {
  const { f, field, piece } = writer;
  const number = joined('.', field('volume', f.volume), field('number', f.number));
  const date = joined(' ', f.issue, dateIn(writer));
  return joined(
    ' ',
    field('journaltitle', f.journaltitle ?? f.journal, emph),
    field('series', f.series),
    piece('volume+number+eid', joined(', ', number, f.eid)),
    date && `(${date})`,
  );
}

/** The parts of an entry behind its names. */
function partsOf(writer: Writer): string[] {
  const { e, f, look, words, field, piece } = writer;
  const note = field('note', f.note);
  const found = foundBy(writer);
  const sign = look.own?.('bibpagespunct') ?? ', ';
  const said = `${words.in}${words.inSign}`;
  const inside = (text: string): string => text && `${piece('in:', said)}${text}`;
  const title = (usual: (text: string) => string): string =>
    piece('title', field('title', titleOf(writer), usual));
  switch (e.type) {
    case 'article':
      return [
        title(quoted),
        ...others(writer),
        joined(sign, inside(joined('. ', journalOf(writer), note)), pagesOf(writer)),
        ...found,
      ];
    case 'inproceedings':
    case 'conference':
    case 'incollection':
    case 'inbook': {
      const book = field('booktitle', joined('. ', f.booktitle, f.booksubtitle), emph);
      const event = joined(', ', f.eventtitle, f.venue);
      const [, translated = ''] = others(writer);
      const by = f.editor
        ? `${words.editedBy} ${standardNames(parseNames(f.editor), { ...look, turned: 'none' }, false)}`
        : '';
      const last = joined(sign, publishedAt(writer, f.publisher), pagesOf(writer));
      return [
        title(quoted),
        inside(joined('. ', book, event)),
        by,
        translated,
        editionOf(writer),
        volumeOf(writer),
        seriesOf(writer),
        note,
        e.type === 'inbook' || e.type === 'incollection' ? '' : (f.organization ?? ''),
        last,
        ...found,
      ];
    }
    case 'phdthesis':
    case 'mastersthesis':
    case 'thesis': {
      const kind = f.type ? (words.kinds[f.type] ?? f.type) : (words.kinds[e.type] ?? '');
      const at = publishedAt(writer, f.institution ?? f.school);
      return [title(quoted), kind, note, at, ...found];
    }
    case 'techreport':
    case 'report': {
      const kind = f.type ? (words.kinds[f.type] ?? f.type) : (words.kinds.techreport ?? '');
      const at = publishedAt(writer, f.institution ?? f.school);
      return [title(emph), joined(' ', kind, f.number), note, at, ...found];
    }
    case 'unpublished':
      return [
        title(quoted),
        f.howpublished ?? '',
        note,
        joined(', ', f.location, dateIn(writer)),
        ...found,
      ];
    case 'online':
    case 'electronic':
    case 'www':
      return [title(emph), note, f.organization ?? '', dateIn(writer), ...found];
    default:
      return [
        title(emph),
        ...others(writer),
        editionOf(writer),
        volumeOf(writer),
        seriesOf(writer),
        f.howpublished ?? '',
        note,
        joined(
          sign,
          publishedAt(writer, f.publisher ?? f.institution ?? f.organization),
          pagesOf(writer),
        ),
        f.pagetotal ? `${f.pagetotal} ${words.pages}` : '',
        ...found,
      ];
  }
}

/** Who stands before an entry: authors, or editors with what they are. */
export function leadOf(e: BibEntry, look: StandardLook): string {
  const byEditor = !e.fields.author && e.fields.editor !== undefined;
  // The editor of what stands within another work is named there.
  if (byEditor && /^(?:article|conference|in)/.test(e.type)) return '';
  const names = parseNames(e.fields.author ?? e.fields.editor ?? '');
  const said = standardNames(names, look, look.authorYear || look.kind === 'authortitle');
  const words = wordsOf(look);
  return byEditor ? `${said}, ${names.length > 1 ? words.editors : words.editor}` : said;
}

/** An entry as it is printed; `again` says that the one before has the same names. */
export function standardEntry(e: BibEntry, look: StandardLook, again: boolean): string {
  const writer = writerOf(e, look);
  const names = leadOf(e, look);
  const isDashed = again && (look.authorYear || look.kind === 'authortitle') && names !== '';
  const lead = isDashed ? '\\rule[.5ex]{2em}{.4pt}' : names;
  const year = dateOf(e, writer.words, look.letter) || `${writer.words.noDate}${look.letter ?? ''}`;
  const date = look.authorYear ? `(${year})` : '';
  const parts = partsOf(writer);
  // Of what nobody is named for the title stands first.
  const titled = look.authorYear && lead === '' ? (parts.shift() ?? '') : '';
  const first = joined(' ', lead || titled, date);
  return sentences([first, ...parts, e.fields.addendum ?? ''], look);
}

/** Parts with what stands between them: a full stop, or what the document has for it. */
function sentences(parts: readonly string[], look: StandardLook): string {
  const said = parts.map((part) => part.trim()).filter((part) => part !== '');
  const unit = look.own?.('newunitpunct');
  const close = look.own?.('finentrypunct');
  if (!unit) {
    const text = said.map(ended).join(' ');
    return close ? text.replace(/\.$/, close) : text;
  }
  const text = said.join(unit);
  return close ? `${text}${close}` : ended(text);
}
