import type { BibEntry } from './entries';
import {
  addressOf,
  authorsOf,
  blocks,
  capital,
  dateOf,
  editorsOf,
  emph,
  ended,
  fullName,
  isByEditor,
  isByOrganization,
  joined,
  journalOf,
  nameList,
  rangeOf,
  schoolOf,
  shortChapter,
  shortName,
  shortPages,
  titleAndHow,
  turnedName,
  yearOf,
} from './entryParts';
import type { Name } from './names';
import { sentenceCase } from './sentenceCase';

/** Entries as `siam.bst`, `acm.bst`, `ieeetr.bst`, `apalike.bst` and `amsplain.bst` write them. */

/** @param again the one before has the same authors. */
export type WriteEntry = (e: BibEntry, again: boolean) => string;

type Part = string | undefined;
type Kind = 'article' | 'book' | 'chapter' | 'talk' | 'thesis' | 'report' | 'unpublished' | 'misc';
/** What a style writes behind the names of an entry, for each kind of entry. */
type Parts = Readonly<Record<Kind, (e: BibEntry) => readonly Part[]>>;

const KINDS: Readonly<Record<string, Kind>> = {
  article: 'article',
  incollection: 'chapter',
  inproceedings: 'talk',
  conference: 'talk',
  phdthesis: 'thesis',
  mastersthesis: 'thesis',
  thesis: 'thesis',
  techreport: 'report',
  report: 'report',
  unpublished: 'unpublished',
  misc: 'misc',
  online: 'misc',
  booklet: 'misc',
};
const partsOf = (parts: Parts, e: BibEntry): readonly Part[] => parts[KINDS[e.type] ?? 'book'](e);

const listed = (...parts: readonly Part[]): string => joined(', ', ...parts);
const cased = ({ fields: { title } }: BibEntry): string => (title ? sentenceCase(title) : '');
const plain = (text: Part): string => text ?? '';
/** “vol.~3 of Series”. */
const volumeOf = ({ fields: { volume, series } }: BibEntry, look = emph): string =>
  volume ? joined(' of ', `vol.~${volume}`, look(series)) : '';
const seriesOf = ({ fields: { volume, number, series } }: BibEntry): string =>
  volume ? '' : joined(' in ', number ? `no.~${number}` : '', series);
const inBook = (word: string, book: string): string => (book === '' ? '' : `${word} ${book}`);
const edited = (e: BibEntry, one: (name: Name) => string, [a, b]: readonly string[]): string => {
  const editors = editorsOf(e);
  return editors.length === 0 ? '' : `${nameList(editors, one)}, ${editors.length > 1 ? b : a}`;
};
const bookEdition = ({ fields: { edition } }: BibEntry, word: string): string =>
  edition ? `${edition.toLowerCase()}${word}` : '';
const thesisKind = ({ type, fields }: BibEntry, doctor = 'PhD thesis'): string =>
  fields.type ?? (type === 'mastersthesis' ? "Master's thesis" : doctor);
const reportKind = ({ fields }: BibEntry, usual: string): string =>
  joined(' ', fields.type ?? usual, fields.number);
const organizationOf = (e: BibEntry): Part => (isByOrganization(e) ? '' : e.fields.organization);
/** The part of a book that an entry is about. */
const partOfBook = (e: BibEntry): Part[] =>
  e.type === 'inbook' ? [shortChapter(e), shortPages(e)] : [];
/** How a leaflet came out, and where. */
const leaflet = (e: BibEntry): Part[] => [
  e.fields.howpublished,
  e.type === 'booklet' ? addressOf(e) : '',
];
const schoolPlaceDate = (e: BibEntry): Part[] => [schoolOf(e), addressOf(e), dateOf(e)];
const withNote = (e: BibEntry, text: string): string =>
  blocks([text, e.type === 'unpublished' ? '' : capital(e.fields.note ?? '')]);
/** Who stands before an entry, its editors with what they are. */
const lead = (
  e: BibEntry,
  one: (name: Name) => string,
  words: readonly string[],
  alwaysComma = false,
): string =>
  isByEditor(e)
    ? edited(e, one, words)
    : isByOrganization(e)
      ? (e.fields.organization ?? '')
      : nameList(authorsOf(e), one, alwaysComma);
const caps = (text: string): string => (text === '' ? '' : `\\textsc{${text}}`);

const SMALL = ['ed.', 'eds.'];
const LARGE = ['Ed.', 'Eds.'];
const LONG = ['editor', 'editors'];

const siamBook = (e: BibEntry): Part[] => [
  inBook('in', plain(e.fields.booktitle)),
  edited(e, shortName, SMALL),
  volumeOf(e, plain),
  seriesOf(e),
];
const siamPublished = (e: BibEntry): Part[] => [
  e.fields.publisher,
  addressOf(e),
  bookEdition(e, '~ed.'),
  dateOf(e),
];
const SIAM: Parts = {
  article: (e) => [
    emph(cased(e)),
    journalOf(e),
    joined(' ', e.fields.volume, yearOf(e) && `(${yearOf(e)})`),
    shortPages(e),
  ],
  chapter: (e) => [
    emph(cased(e)),
    ...siamBook(e),
    ...siamPublished(e),
    shortChapter(e),
    shortPages(e),
  ],
  talk: (e) => [
    emph(cased(e)),
    ...siamBook(e),
    e.fields.organization,
    e.fields.publisher,
    addressOf(e),
    dateOf(e),
    shortPages(e),
  ],
  thesis: (e) => [emph(cased(e)), thesisKind(e), ...schoolPlaceDate(e)],
  report: (e) => [emph(cased(e)), reportKind(e, 'Tech. Rep.'), ...schoolPlaceDate(e)],
  unpublished: (e) => [emph(cased(e)), e.fields.note, dateOf(e)],
  misc: (e) => [emph(cased(e)), ...leaflet(e), dateOf(e)],
  book: (e) => [
    emph(e.fields.title),
    volumeOf(e, plain),
    seriesOf(e),
    organizationOf(e),
    ...siamPublished(e),
    ...partOfBook(e),
  ],
};
export const siamEntry: WriteEntry = (e, again) => {
  const name = isByEditor(e) ? lead(e, shortName, SMALL) : caps(lead(e, shortName, []));
  const who = again ? '\\leavevmode\\vrule height 2pt depth -1.6pt width 23pt' : name;
  return withNote(e, listed(who, ...partsOf(SIAM, e)));
};

const acmPublished = (e: BibEntry): string => listed(e.fields.publisher, addressOf(e), dateOf(e));
const acmBook = (e: BibEntry): string =>
  listed(edited(e, shortName, LARGE), volumeOf(e), seriesOf(e));
const ACM: Parts = {
  article: (e) => {
    const number = listed(emph(joined(' ', journalOf(e), e.fields.volume)), e.fields.number);
    const dated = joined(' ', number, dateOf(e) && `(${dateOf(e)})`);
    return [cased(e), listed(dated, rangeOf(e.fields.pages ?? ''))];
  },
  chapter: (e) => [
    cased(e),
    listed(inBook('In', emph(e.fields.booktitle)), acmBook(e)),
    listed(acmPublished(e), shortChapter(e), shortPages(e)),
  ],
  talk: (e) => {
    const at = listed(addressOf(e), dateOf(e));
    const where = joined(' ', inBook('In', emph(e.fields.booktitle)), at && `(${at})`);
    const { organization, publisher } = e.fields;
    return [cased(e), listed(where, acmBook(e), organization, publisher, shortPages(e))];
  },
  thesis: (e) => [emph(e.fields.title), listed(thesisKind(e), ...schoolPlaceDate(e))],
  report: (e) => [cased(e), listed(reportKind(e, 'Tech. Rep.'), ...schoolPlaceDate(e))],
  unpublished: (e) => [cased(e), listed(e.fields.note, dateOf(e))],
  misc: (e) => titleAndHow(cased(e), leaflet(e), [dateOf(e)]),
  book: (e) => {
    const title = listed(emph(e.fields.title), bookEdition(e, '~ed.'), volumeOf(e), seriesOf(e));
    const { publisher } = e.fields;
    const how = [organizationOf(e), publisher, addressOf(e)];
    return titleAndHow(title, how, [dateOf(e), ...partOfBook(e)]);
  },
};
export const acmEntry: WriteEntry = (e) => {
  const who = caps(lead(e, turnedName, LARGE, true));
  const [first, ...rest] = partsOf(ACM, e);
  return withNote(e, blocks([joined(' ', who && ended(who), first), ...rest]));
};

const ieeeBook = (e: BibEntry): string => {
  const editors = edited(e, shortName, SMALL);
  return joined(' ', inBook('in', emph(e.fields.booktitle)), editors && `(${editors})`);
};
const ieeePublished = (e: BibEntry): string =>
  listed(joined(': ', addressOf(e), e.fields.publisher), bookEdition(e, '~ed.'), dateOf(e));
/** In quotation marks; the title closes with a sign of its own. */
const ieeeTitle = (e: BibEntry, sign: string): string => cased(e) && `\`\`${cased(e)}${sign}''`;
const ieeeLead = (e: BibEntry): string => lead(e, shortName, SMALL);
/** Title and what follows it within one sentence. */
const ieeeLine = (e: BibEntry, sign: string, ...parts: Part[]): string =>
  joined(' ', listed(ieeeLead(e), ieeeTitle(e, sign)), listed(...parts));
/** Whole sentences. */
const IEEE: Parts = {
  article: (e) => {
    const { volume, number } = e.fields;
    const numbers = [volume && `vol.~${volume}`, number && `no.~${number}`];
    return [ieeeLine(e, ',', emph(journalOf(e)), ...numbers, shortPages(e), dateOf(e))];
  },
  chapter: (e) => [
    ieeeLine(
      e,
      ',',
      ieeeBook(e),
      volumeOf(e),
      seriesOf(e),
      shortChapter(e),
      shortPages(e),
      ieeePublished(e),
    ),
  ],
  talk: (e) => {
    const { organization, publisher } = e.fields;
    const address = addressOf(e);
    const series = [volumeOf(e), seriesOf(e), address && `(${address})`];
    const by = [shortPages(e), organization, publisher, dateOf(e)];
    return [ieeeLine(e, ',', ieeeBook(e), ...series, ...by)];
  },
  thesis: (e) => [
    listed(ieeeLead(e), emph(e.fields.title)),
    listed(thesisKind(e), ...schoolPlaceDate(e)),
  ],
  report: (e) => [ieeeLine(e, ',', reportKind(e, 'Tech. Rep.'), ...schoolPlaceDate(e))],
  unpublished: (e) => [ieeeLine(e, '.', e.fields.note, dateOf(e))],
  misc: (e) => [ieeeLine(e, '.', ...leaflet(e), dateOf(e))],
  book: (e) => [
    listed(ieeeLead(e), emph(e.fields.title), volumeOf(e), seriesOf(e), ...partOfBook(e)),
    listed(organizationOf(e), ieeePublished(e)),
  ],
};
export const ieeeEntry: WriteEntry = (e) => withNote(e, blocks(partsOf(IEEE, e)));

const apaVolume = ({ fields: { volume, number, series } }: BibEntry): string =>
  volume
    ? joined(' of ', `volume~${volume}`, emph(series))
    : joined(' in ', number ? `number~${number}` : '', series);
const apaPages = ({ fields: { chapter, pages } }: BibEntry): Part[] => [
  chapter && `chapter~${chapter}`,
  pages && `pages ${rangeOf(pages)}`,
];
const apaBook = (e: BibEntry): string =>
  listed(
    inBook('In', listed(edited(e, turnedName, LONG), emph(e.fields.booktitle))),
    apaVolume(e),
    ...apaPages(e),
  );
const apaPublished = (e: BibEntry): string =>
  listed(e.fields.publisher, addressOf(e), bookEdition(e, ' edition'));
const APALIKE: Parts = {
  article: (e) => {
    const { volume = '', number, pages = '' } = e.fields;
    const place = joined(':', `${volume}${number ? `(${number})` : ''}`, rangeOf(pages));
    return [cased(e), listed(emph(journalOf(e)), place)];
  },
  chapter: (e) => [cased(e), apaBook(e), apaPublished(e)],
  talk: (e) => [
    cased(e),
    listed(apaBook(e), addressOf(e)),
    listed(e.fields.organization, e.fields.publisher),
  ],
  thesis: (e) => [
    e.type === 'mastersthesis' ? cased(e) : emph(e.fields.title),
    listed(thesisKind(e), schoolOf(e), addressOf(e)),
  ],
  report: (e) => [cased(e), listed(reportKind(e, 'Technical Report'), schoolOf(e), addressOf(e))],
  unpublished: (e) => [cased(e), e.fields.note],
  misc: (e) => [cased(e), listed(...leaflet(e))],
  book: (e) => [
    listed(emph(e.fields.title), apaVolume(e), ...(e.type === 'inbook' ? apaPages(e) : [])),
    listed(organizationOf(e), apaPublished(e)),
  ],
};
/** @param letter tells works of one year apart. */
export function apalikeEntry(e: BibEntry, letter: string): string {
  const year = yearOf(e);
  const who = lead(e, turnedName, LONG);
  const [first, ...rest] = partsOf(APALIKE, e);
  const dated = joined(' ', who, year && `(${year}${letter})`);
  return withNote(e, blocks([dated, first, ...rest]));
}

const amsSeries = ({ fields: { series, volume, number } }: BibEntry): string =>
  listed(series, volume ? `vol.~${volume}` : number ? `no.~${number}` : '');
const amsBook = (e: BibEntry, at: Part = ''): string => {
  const editors = edited(e, fullName, SMALL);
  return joined(' ', e.fields.booktitle, at && `(${at})`, editors && `(${editors})`);
};
const AMS: Parts = {
  article: (e) => {
    const { volume, number, pages = '' } = e.fields;
    const bold = volume ? `\\textbf{${volume}}` : '';
    const journal = joined(' ', journalOf(e), bold, dateOf(e) && `(${dateOf(e)})`);
    return [emph(cased(e)), journal, number && `no.~${number}`, rangeOf(pages)];
  },
  chapter: (e) => [
    emph(cased(e)),
    amsBook(e),
    amsSeries(e),
    e.fields.publisher,
    addressOf(e),
    bookEdition(e, ' ed.'),
    dateOf(e),
    shortChapter(e),
    shortPages(e),
  ],
  talk: (e) => [
    emph(cased(e)),
    amsBook(e, addressOf(e)),
    amsSeries(e),
    e.fields.organization,
    e.fields.publisher,
    dateOf(e),
    shortPages(e),
  ],
  thesis: (e) => [emph(e.fields.title), thesisKind(e, 'Ph.D. thesis'), ...schoolPlaceDate(e)],
  report: (e) => [emph(cased(e)), reportKind(e, 'Tech. Report'), ...schoolPlaceDate(e)],
  unpublished: (e) => [emph(cased(e)), dateOf(e)],
  misc: (e) => [emph(cased(e)), ...leaflet(e), dateOf(e)],
  book: (e) => [
    emph(e.fields.title),
    bookEdition(e, ' ed.'),
    amsSeries(e),
    organizationOf(e),
    e.fields.publisher,
    addressOf(e),
    dateOf(e),
    ...partOfBook(e),
  ],
};
export const amsEntry: WriteEntry = (e, again) => {
  const who = again ? '\\leavevmode\\hbox to3em{\\hrulefill}\\thinspace' : lead(e, fullName, SMALL);
  const text = listed(who, ...partsOf(AMS, e), e.fields.note);
  return text === '' ? '' : ended(text);
};
