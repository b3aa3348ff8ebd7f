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
  joined,
  journalOf,
  nameList,
  rangeOf,
  schoolOf,
  shortChapter,
  shortName,
  shortPages,
  turnedName,
  yearOf,
} from './entryParts';
import type { Name } from './names';
import { sentenceCase } from './sentenceCase';

/** Entries as `siam.bst`, `acm.bst`, `ieeetr.bst`, `apalike.bst` and `amsplain.bst` write them. */

/** @param again the one before has the same authors. */
export type WriteEntry = (e: BibEntry, again: boolean) => string;

const cased = ({ fields: { title } }: BibEntry): string => (title ? sentenceCase(title) : '');
/** “vol.~3 of Series”. */
const volumeOf = ({ fields: { volume, series } }: BibEntry, look = emph): string =>
  volume ? joined(' of ', `vol.~${volume}`, look(series)) : '';
const seriesOf = ({ fields: { volume, number, series } }: BibEntry): string =>
  volume ? '' : joined(' in ', number ? `no.~${number}` : '', series);
const edited = (e: BibEntry, one: (name: Name) => string, [a, b]: readonly string[]): string => {
  const editors = editorsOf(e);
  return editors.length === 0 ? '' : `${nameList(editors, one)}, ${editors.length > 1 ? b : a}`;
};
const bookEdition = ({ fields: { edition } }: BibEntry, word: string): string =>
  edition ? `${edition.toLowerCase()}${word}` : '';
const thesisKind = ({ type, fields }: BibEntry, doctor: string): string =>
  fields.type ?? (type === 'mastersthesis' ? "Master's thesis" : doctor);
const reportKind = ({ fields }: BibEntry, usual: string): string =>
  joined(' ', fields.type ?? usual, fields.number);
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
    : nameList(authorsOf(e), one, alwaysComma) ||
      (e.fields.author ? '' : (e.fields.organization ?? ''));
const caps = (text: string): string => (text === '' ? '' : `\\textsc{${text}}`);

export const siamEntry: WriteEntry = (e, again) => {
  const f = e.fields;
  const [address, date] = [addressOf(e), dateOf(e)];
  const who = again
    ? '\\leavevmode\\vrule height 2pt depth -1.6pt width 23pt'
    : isByEditor(e)
      ? lead(e, shortName, ['ed.', 'eds.'])
      : caps(lead(e, shortName, []));
  const plain = (text: string | undefined): string => text ?? '';
  const published = [f.publisher, address, bookEdition(e, '~ed.'), date];
  const book = (): string[] => [
    joined(' ', 'in', f.booktitle),
    edited(e, shortName, ['ed.', 'eds.']),
    volumeOf(e, plain),
    seriesOf(e),
  ];
  const rest = (): (string | undefined)[] => {
    switch (e.type) {
      case 'article': {
        const number = joined(' ', f.volume, yearOf(e) && `(${yearOf(e)})`);
        return [emph(cased(e)), journalOf(e), number, shortPages(e)];
      }
      case 'incollection':
        return [emph(cased(e)), ...book(), ...published, shortChapter(e), shortPages(e)];
      case 'inproceedings':
      case 'conference':
        return [
          emph(cased(e)),
          ...book(),
          f.organization,
          f.publisher,
          address,
          date,
          shortPages(e),
        ];
      case 'phdthesis':
      case 'mastersthesis':
      case 'thesis':
        return [emph(cased(e)), thesisKind(e, 'PhD thesis'), schoolOf(e), address, date];
      case 'techreport':
      case 'report':
        return [emph(cased(e)), reportKind(e, 'Tech. Rep.'), schoolOf(e), address, date];
      case 'unpublished':
        return [emph(cased(e)), joined(', ', f.note, date)];
      case 'misc':
      case 'online':
        return [emph(cased(e)), f.howpublished, date];
      default:
        return [emph(f.title), volumeOf(e, plain), seriesOf(e), f.organization, ...published];
    }
  };
  return withNote(e, joined(', ', who, ...rest()));
};

export const acmEntry: WriteEntry = (e) => {
  const f = e.fields;
  const [address, date] = [addressOf(e), dateOf(e)];
  const who = caps(lead(e, turnedName, ['Ed.', 'Eds.'], true));
  const published = joined(', ', f.publisher, address, date);
  const inBook = joined(', ', edited(e, shortName, ['Ed.', 'Eds.']), volumeOf(e), seriesOf(e));
  const parts = (): (string | undefined)[] => {
    switch (e.type) {
      case 'article': {
        const number = joined(', ', emph(joined(' ', journalOf(e), f.volume)), f.number);
        const place = joined(
          ', ',
          joined(' ', number, date && `(${date})`),
          rangeOf(f.pages ?? ''),
        );
        return [cased(e), place];
      }
      case 'incollection': {
        const where = joined(', ', `In ${emph(f.booktitle)}`, inBook);
        return [cased(e), where, joined(', ', published, shortChapter(e), shortPages(e))];
      }
      case 'inproceedings':
      case 'conference': {
        const at = joined(', ', address, date);
        const where = joined(', ', joined(' ', `In ${emph(f.booktitle)}`, at && `(${at})`), inBook);
        return [cased(e), joined(', ', where, f.organization, f.publisher, shortPages(e))];
      }
      case 'phdthesis':
      case 'mastersthesis':
      case 'thesis':
        return [
          emph(f.title),
          joined(', ', thesisKind(e, 'PhD thesis'), schoolOf(e), address, date),
        ];
      case 'techreport':
      case 'report':
        return [cased(e), joined(', ', reportKind(e, 'Tech. Rep.'), schoolOf(e), address, date)];
      case 'unpublished':
        return [cased(e), joined(', ', f.note, date)];
      case 'misc':
      case 'online':
        return [cased(e), joined(', ', f.howpublished, date)];
      default: {
        const book = joined(', ', emph(f.title), bookEdition(e, '~ed.'), volumeOf(e), seriesOf(e));
        return [book, joined(', ', f.organization, published)];
      }
    }
  };
  const [first, ...rest] = parts();
  return withNote(e, blocks([joined(' ', who && ended(who), first), ...rest]));
};

export const ieeeEntry: WriteEntry = (e) => {
  const f = e.fields;
  const [address, date] = [addressOf(e), dateOf(e)];
  const who = lead(e, shortName, ['ed.', 'eds.']);
  const title = `\`\`${cased(e)},''`;
  const published = joined(', ', joined(': ', address, f.publisher), bookEdition(e, '~ed.'), date);
  const editors = edited(e, shortName, ['ed.', 'eds.']);
  const inBook = joined(' ', `in ${emph(f.booktitle)}`, editors && `(${editors})`);
  const series = [volumeOf(e), seriesOf(e)];
  /** The title closes with a comma of its own. */
  const behind = (...parts: (string | undefined)[]): string =>
    joined(' ', joined(', ', who, title), joined(', ', ...parts));
  const body = (): string => {
    switch (e.type) {
      case 'article': {
        const number = [f.volume && `vol.~${f.volume}`, f.number && `no.~${f.number}`];
        return behind(emph(journalOf(e)), ...number, shortPages(e), date);
      }
      case 'incollection':
        return behind(inBook, ...series, shortChapter(e), shortPages(e), published);
      case 'inproceedings':
      case 'conference': {
        const at = address && `(${address})`;
        return behind(inBook, ...series, at, shortPages(e), f.organization, f.publisher, date);
      }
      case 'phdthesis':
      case 'mastersthesis':
      case 'thesis': {
        const kind = joined(', ', thesisKind(e, 'PhD thesis'), schoolOf(e), address, date);
        return blocks([joined(', ', who, emph(f.title)), kind]);
      }
      case 'techreport':
      case 'report':
        return behind(reportKind(e, 'Tech. Rep.'), schoolOf(e), address, date);
      case 'unpublished':
      case 'misc':
      case 'online': {
        const place = e.type === 'unpublished' ? f.note : f.howpublished;
        return joined(' ', joined(', ', who, `\`\`${cased(e)}.''`), joined(', ', place, date));
      }
      default: {
        const book = joined(', ', who, emph(f.title), volumeOf(e), seriesOf(e));
        return blocks([book, joined(', ', f.organization, published)]);
      }
    }
  };
  return withNote(e, body());
};

/** @param letter tells works of one year apart. */
export function apalikeEntry(e: BibEntry, letter: string): string {
  const f = e.fields;
  const address = addressOf(e);
  const year = yearOf(e);
  const who = lead(e, turnedName, ['editor', 'editors']);
  const inVolume = f.volume
    ? joined(' of ', `volume~${f.volume}`, emph(f.series))
    : joined(' in ', f.number ? `number~${f.number}` : '', f.series);
  const pages = f.pages ? `pages ${rangeOf(f.pages)}` : '';
  const published = joined(', ', f.publisher, address, bookEdition(e, ' edition'));
  const inBook = joined(
    ', ',
    joined(
      ' ',
      'In',
      joined(', ', edited(e, turnedName, ['editor', 'editors']), emph(f.booktitle)),
    ),
    inVolume,
    f.chapter && `chapter~${f.chapter}`,
    pages,
  );
  const parts = (): (string | undefined)[] => {
    switch (e.type) {
      case 'article': {
        const volume = `${f.volume ?? ''}${f.number ? `(${f.number})` : ''}`;
        const place = joined(':', volume, f.pages ? rangeOf(f.pages) : '');
        return [cased(e), joined(', ', emph(journalOf(e)), place)];
      }
      case 'incollection':
        return [cased(e), inBook, published];
      case 'inproceedings':
      case 'conference':
        return [cased(e), joined(', ', inBook, address), joined(', ', f.organization, f.publisher)];
      case 'phdthesis':
      case 'mastersthesis':
      case 'thesis':
        return [
          e.type === 'mastersthesis' ? cased(e) : emph(f.title),
          joined(', ', thesisKind(e, 'PhD thesis'), schoolOf(e), address),
        ];
      case 'techreport':
      case 'report':
        return [cased(e), joined(', ', reportKind(e, 'Technical Report'), schoolOf(e), address)];
      case 'unpublished':
        return [cased(e), f.note];
      case 'misc':
      case 'online':
        return [cased(e), f.howpublished];
      default:
        return [joined(', ', emph(f.title), inVolume), joined(', ', f.organization, published)];
    }
  };
  const dated = joined(' ', who, year && `(${year}${letter})`);
  return withNote(e, blocks([dated, ...parts()]));
}

export const amsEntry: WriteEntry = (e, again) => {
  const f = e.fields;
  const [address, date] = [addressOf(e), dateOf(e)];
  const who = again
    ? '\\leavevmode\\hbox to3em{\\hrulefill}\\thinspace'
    : lead(e, fullName, ['ed.', 'eds.']);
  const editors = edited(e, fullName, ['ed.', 'eds.']);
  const inSeries = f.volume
    ? joined(', ', f.series, `vol.~${f.volume}`)
    : joined(', ', f.series, f.number ? `no.~${f.number}` : '');
  const published = [f.publisher, address, date];
  const inBook = (at = ''): string =>
    joined(' ', f.booktitle, at && `(${at})`, editors && `(${editors})`);
  const rest = (): (string | undefined)[] => {
    switch (e.type) {
      case 'article': {
        const volume = f.volume ? `\\textbf{${f.volume}}` : '';
        const journal = joined(' ', journalOf(e), volume, date && `(${date})`);
        return [emph(cased(e)), journal, f.number && `no.~${f.number}`, rangeOf(f.pages ?? '')];
      }
      case 'incollection':
        return [emph(cased(e)), inBook(), inSeries, ...published, shortChapter(e), shortPages(e)];
      case 'inproceedings':
      case 'conference':
        return [
          emph(cased(e)),
          inBook(address),
          inSeries,
          f.organization,
          f.publisher,
          date,
          shortPages(e),
        ];
      case 'phdthesis':
      case 'mastersthesis':
      case 'thesis':
        return [emph(f.title), thesisKind(e, 'Ph.D. thesis'), schoolOf(e), address, date];
      case 'techreport':
      case 'report':
        return [emph(cased(e)), reportKind(e, 'Tech. Report'), schoolOf(e), address, date];
      case 'unpublished':
        return [emph(cased(e)), f.note, date];
      case 'misc':
      case 'online':
        return [emph(cased(e)), f.howpublished, date];
      default:
        return [emph(f.title), bookEdition(e, ' ed.'), inSeries, f.organization, ...published];
    }
  };
  const note = e.type === 'unpublished' ? '' : f.note;
  return ended(joined(', ', joined(', ', who, ...rest()), note));
};
