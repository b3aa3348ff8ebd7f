import type { BibEntry } from './entries';
import {
  addressOf,
  authorsOf,
  blocks,
  capital,
  dateOf,
  editorsOf,
  emph,
  fullName,
  isByEditor,
  isByOrganization,
  isRange,
  joined,
  journalOf,
  nameList,
  rangeOf,
  schoolOf,
  shortName,
  titleAndHow,
} from './entryParts';
import { sentenceCase } from './sentenceCase';

/** Entries as `plain.bst` writes them, and its kin that shorten names or tell more (`plainnat.bst`). */
export interface PlainLook {
  readonly short: boolean;
  /** Numbers of books, DOI and address are told (natbib). */
  readonly tellsNumbers: boolean;
  /** Behind the year: tells works of one year apart. */
  readonly letter: string;
}

const pageText = ({ fields: { pages } }: BibEntry): string =>
  pages ? `${isRange(pages) ? 'pages' : 'page'} ${rangeOf(pages)}` : '';
const chapterText = (e: BibEntry): string => {
  const { chapter, type } = e.fields;
  return chapter
    ? joined(', ', `${type?.toLowerCase() ?? 'chapter'}~${chapter}`, pageText(e))
    : pageText(e);
};
/** “volume~3 of \emph{Series}”. */
const volumeOf = ({ fields: { volume, series } }: BibEntry): string =>
  volume ? `volume~${volume}${series ? ` of ${emph(series)}` : ''}` : '';
/** “number~3 in Series”, where there is no volume. */
const seriesOf = ({ fields: { volume, number, series } }: BibEntry): string =>
  volume ? '' : number ? `number~${number}${series ? ` in ${series}` : ''}` : (series ?? '');
const editionOf = ({ fields: { edition } }: BibEntry): string =>
  edition ? `${edition.toLowerCase()} edition` : '';

/** The sentences of an entry behind its authors, by kind. */
function sentences(e: BibEntry, name: (names: ReturnType<typeof editorsOf>) => string): string[] {
  const f = e.fields;
  const title = f.title ? sentenceCase(f.title) : '';
  const address = addressOf(e);
  const published = joined(', ', f.publisher, address, editionOf(e), dateOf(e));
  switch (e.type) {
    case 'article': {
      const volume = `${f.volume ?? ''}${f.number ? `(${f.number})` : ''}`;
      const place = f.pages ? (volume ? `${volume}:${rangeOf(f.pages)}` : pageText(e)) : volume;
      return [title, joined(', ', emph(journalOf(e)), place, dateOf(e))];
    }
    case 'book':
    case 'inbook': {
      const part = e.type === 'inbook' ? chapterText(e) : '';
      return [joined(', ', emph(f.title), volumeOf(e), part), capital(seriesOf(e)), published];
    }
    case 'inproceedings':
    case 'conference':
    case 'incollection': {
      const editors = editorsOf(e);
      const by = f.editor ? `${name(editors)}, ${editors.length > 1 ? 'editors' : 'editor'}` : '';
      const pages = e.type === 'incollection' ? chapterText(e) : pageText(e);
      const book = joined(', ', by, emph(f.booktitle));
      const where = joined(', ', book && `In ${book}`, volumeOf(e), seriesOf(e), pages);
      if (e.type === 'incollection') return [title, where, published];
      // Without a place all of it is one sentence behind.
      return address
        ? [
            title,
            joined(', ', where, address, dateOf(e)),
            joined(', ', f.organization, f.publisher),
          ]
        : [title, where, joined(', ', f.organization, f.publisher, dateOf(e))];
    }
    case 'phdthesis':
    case 'mastersthesis':
    case 'thesis': {
      const kind = f.type ?? (e.type === 'mastersthesis' ? "Master's thesis" : 'PhD thesis');
      const isMaster = e.type === 'mastersthesis';
      return [
        isMaster ? title : emph(f.title),
        joined(', ', kind, schoolOf(e), address, dateOf(e)),
      ];
    }
    case 'techreport':
    case 'report': {
      const kind = `${f.type ?? 'Technical Report'}${f.number ? `~${f.number}` : ''}`;
      return [title, joined(', ', kind, schoolOf(e), address, dateOf(e))];
    }
    case 'manual': {
      const how = isByOrganization(e) ? [] : [f.organization, address];
      return titleAndHow(emph(f.title), how, [editionOf(e), dateOf(e)]);
    }
    case 'booklet':
      return titleAndHow(title, [f.howpublished, address], [dateOf(e)]);
    case 'collection':
    case 'proceedings': {
      const organization = isByOrganization(e) ? '' : f.organization;
      const book = joined(', ', emph(f.title), volumeOf(e), seriesOf(e));
      return address
        ? [joined(', ', book, address, dateOf(e)), joined(', ', organization, f.publisher)]
        : [book, joined(', ', organization, f.publisher, dateOf(e))];
    }
    case 'unpublished':
      return [title, joined(', ', f.note, dateOf(e))];
    default:
      return titleAndHow(title, [f.howpublished], [dateOf(e)]);
  }
}

/** Who stands before an entry. */
function leadOf(e: BibEntry, name: (names: ReturnType<typeof editorsOf>) => string): string {
  const editors = editorsOf(e);
  if (isByEditor(e)) return `${name(editors)}, ${editors.length > 1 ? 'editors' : 'editor'}`;
  if (!isByOrganization(e)) return name(authorsOf(e));
  return joined(', ', e.fields.organization, e.type === 'manual' ? addressOf(e) : '');
}

export function plainEntry(entry: BibEntry, { short, tellsNumbers, letter }: PlainLook): string {
  const year = entry.fields.year ?? entry.fields.date?.slice(0, 4);
  const e =
    letter === '' || year === undefined
      ? entry
      : { ...entry, fields: { ...entry.fields, year: `${year}${letter}` } };
  const name = (names: ReturnType<typeof editorsOf>): string =>
    nameList(names, short ? shortName : fullName);
  const { isbn, issn, doi, url, note } = e.fields;
  const numbers = tellsNumbers
    ? [
        isbn ? `ISBN ${isbn}` : '',
        issn ? `ISSN ${issn}` : '',
        doi ? `doi: \\url{${doi}}` : '',
        url ? `URL \\url{${url}}` : '',
      ]
    : [];
  const rest = e.type === 'unpublished' ? '' : capital(note ?? '');
  return blocks([leadOf(e, name), ...sentences(e, name), ...numbers, rest]);
}
