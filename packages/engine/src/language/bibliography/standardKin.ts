import type { BibEntry } from './entries';
import {
  addressOf,
  authorsOf,
  editorsOf,
  emph,
  ended,
  isRange,
  joined,
  yearOf,
} from './entryParts';
import { formatName, type Name } from './names';
import { sentenceCase } from './sentenceCase';
import { dateOf, familyFirst, wordsOf, type StandardLook } from './standardEntries';

/** Entries as the styles of package biblatex for psychology and for engineers write them. */

const ranged = ({ fields: { pages } }: BibEntry): string =>
  (pages ?? '').replace(/\s*-+\s*/g, '--');
const journalName = ({ fields: f }: BibEntry): string => f.journaltitle ?? f.journal ?? '';
const title = ({ fields: f }: BibEntry): string => joined(': ', f.title, f.subtitle);
const isJournal = (e: BibEntry): boolean => e.type === 'article';
const isPart = ({ type }: BibEntry): boolean => type.startsWith('in') || type === 'conference';
const thesisWord = ({ type, fields }: BibEntry): string =>
  fields.type && !/^(?:phd|ma)thesis$/.test(fields.type)
    ? fields.type
    : type === 'mastersthesis' || fields.type === 'mathesis'
      ? "Master's thesis"
      : 'Doctoral dissertation';

/** “Wick, A., Quill, B., & Brae, C.” */
function apaNames(names: readonly Name[]): string {
  const shown = names.map((name) => familyFirst(name, true));
  if (shown.length <= 1) return shown.join('');
  // Of more than twenty the last stands behind dots.
  if (shown.length > 20) return `${shown.slice(0, 19).join(', ')}, \\dots~${shown.at(-1) ?? ''}`;
  return `${shown.slice(0, -1).join(', ')}, \\& ${shown.at(-1) ?? ''}`;
}

/** In whom's name an entry stands: its authors', or the editors' of what is no part of another work. */
const leadBy = (
  e: BibEntry,
  names: (list: readonly Name[]) => string,
  [a, b]: [string, string],
): string => {
  const editors = editorsOf(e);
  const own = names(authorsOf(e));
  if (own || editors.length === 0 || isPart(e)) return own;
  return `${names(editors)}${editors.length > 1 ? b : a}`;
};
const shortPagesOf = (e: BibEntry): string =>
  e.fields.pages ? `${isRange(e.fields.pages) ? 'pp.' : 'p.'}~${ranged(e)}` : '';
const sentences = (parts: readonly (string | undefined)[]): string =>
  joined(' ', ...parts.map((part) => part && ended(part)));

const APA_ROLES: [string, string] = [' (Ed.)', ' (Eds.)'];

/** “(2011, May 3)”; articles of journals tell the year alone. */
function apaDate(e: BibEntry, look: StandardLook): string {
  const [year = '', month, day] = (e.fields.date ?? '').split('/')[0]?.split('-') ?? [];
  const named = isJournal(e) ? '' : joined(' ', MONTHS[Number(month) - 1], day?.replace(/^0/, ''));
  const dated = `${year || yearOf(e) || wordsOf(look).noDate}${look.letter ?? ''}`;
  return `(${joined(', ', dated, named)})`;
}

/** “In B. Quill (Ed.), \emph{Book} (pp. 1--9)”. */
function apaBook(e: BibEntry): string {
  const editors = editorsOf(e);
  const names = editors.map((name) => formatName(name, true));
  const by = names.join(names.length > 2 ? ', ' : ' \\& ');
  const pages = shortPagesOf(e);
  const book = joined(' ', emph(e.fields.booktitle), pages && `(${pages})`);
  const inside = joined(', ', by && `${by}${APA_ROLES[editors.length > 1 ? 1 : 0]}`, book);
  return inside && `In ${inside}`;
}

/** Title and place of an entry, each a sentence. */
function apaBody(e: BibEntry, look: StandardLook): (string | undefined)[] {
  const f = e.fields;
  const said = sentenceCase(title(e));
  if (isJournal(e)) {
    const number = `${emph(f.volume)}${f.number ? `(${f.number})` : ''}`;
    return [said, joined(', ', emph(journalName(e)), number, ranged(e))];
  }
  if (isPart(e)) return [said, apaBook(e), f.publisher ?? f.organization];
  if (/thesis$/.test(e.type)) {
    const kind = `[${joined(', ', thesisWord(e), f.school ?? f.institution)}]`;
    return [joined(' ', emph(said), kind)];
  }
  const edition = f.edition ? `(${wordsOf(look).edition(f.edition)})` : '';
  const number = f.number ? `(${joined(' ', f.type, `No.~${f.number}`)})` : '';
  const by = f.publisher ?? f.institution ?? f.organization ?? f.howpublished;
  return [joined(' ', emph(said), edition, number), by];
}

/** An entry in the manner of the psychologists' association (7th edition). */
export function apaEntry(e: BibEntry, look: StandardLook): string {
  const { doi, url } = e.fields;
  const lead = leadBy(e, apaNames, APA_ROLES);
  const date = apaDate(e, look);
  const [first = '', ...rest] = apaBody(e, look);
  const parts =
    lead === ''
      ? [joined(' ', first && ended(first), date), ...rest]
      : [joined(' ', lead, date), first, ...rest];
  const place = doi ? `\\url{https://doi.org/${doi}}` : url ? `\\url{${url}}` : '';
  return joined(' ', sentences(parts), place);
}
const MONTHS =
  'January February March April May June July August September October November December'.split(
    ' ',
  );

/** “A. Wick, B. Quill, and C. Brae”; of more than six the first. */
function engineers(list: readonly Name[]): string {
  const shown = (list.length > 6 ? list.slice(0, 1) : list).map((name) => formatName(name, true));
  if (list.length > 6) return `${shown.join('')} \\emph{et~al.}`;
  if (shown.length <= 1) return shown.join('');
  return `${shown.slice(0, -1).join(', ')}${shown.length > 2 ? ',' : ''} and ${shown.at(-1) ?? ''}`;
}
const ENGINEERS_ROLES: [string, string] = [', Ed.', ', Eds.'];

/** Names, title and place of an entry: all of it one sentence. */
function journalBody(e: BibEntry, look: StandardLook): string {
  const f = e.fields;
  const words = wordsOf(look);
  const lead = leadBy(e, engineers, ENGINEERS_ROLES);
  const editors = editorsOf(e);
  const pages = shortPagesOf(e);
  const volume = f.volume ? `vol.~${f.volume}` : '';
  const date = dateOf(e, words);
  const said = sentenceCase(title(e));
  const published = joined(': ', addressOf(e), f.publisher ?? f.institution ?? f.school);
  const edition = f.edition ? words.edition(f.edition) : '';
  /** The title ends with the comma that stands in its quotation marks. */
  const behind = (...rest: (string | undefined)[]): string =>
    joined(' ', joined(', ', lead, said && `“${said},”`), joined(', ', ...rest));
  if (isJournal(e))
    return behind(emph(journalName(e)), volume, f.number && `no.~${f.number}`, pages, date);
  if (isPart(e)) {
    const role = ENGINEERS_ROLES[editors.length > 1 ? 1 : 0];
    const by = editors.length > 0 ? `${engineers(editors)}${role}` : '';
    const book = joined(', ', f.booktitle && `in ${emph(f.booktitle)}`, by);
    return behind(book, edition, f.series, volume, published, date, pages);
  }
  if (/thesis$/.test(e.type)) {
    const isMaster = /master|^ma/.test(joined('', e.type, f.type));
    const kind = isMaster ? 'M.S. thesis' : 'Ph.D. dissertation';
    return behind(kind, f.school ?? f.institution, addressOf(e), date);
  }
  if (e.type === 'report' || e.type === 'techreport')
    return behind(published, joined(' ', f.type ?? 'Tech. Rep.', f.number), date);
  const book = joined(', ', lead, emph(said), edition, volume);
  const rest = joined(', ', published || f.howpublished || f.organization, date);
  return joined(' ', book && ended(book), rest);
}

/** An entry in the manner of the engineers' institute. */
export function journalEntry(e: BibEntry, look: StandardLook): string {
  const { note, isbn, doi, url } = e.fields;
  return sentences([
    journalBody(e, look),
    note,
    isbn && `ISBN: ${isbn}`,
    doi && `DOI: \\url{${doi}}`,
    url && `[Online]. Available: \\url{${url}}`,
  ]);
}
