import type { BibEntry } from './entries';
import {
  addressOf,
  authorsOf,
  editorsOf,
  emph,
  ended,
  isRange,
  joined,
  rangeOf,
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

/** An entry in the manner of the psychologists' association (7th edition). */
export function apaEntry(e: BibEntry, look: StandardLook): string {
  const f = e.fields;
  const words = wordsOf(look);
  const editors = editorsOf(e);
  const own = authorsOf(e);
  const role = editors.length > 1 ? '(Eds.)' : '(Ed.)';
  const lead =
    own.length > 0 ? apaNames(own) : editors.length > 0 ? `${apaNames(editors)} ${role}` : '';
  const [year = '', month, day] = (f.date ?? '').split('/')[0]?.split('-') ?? [];
  const named = isJournal(e) ? '' : joined(' ', MONTHS[Number(month) - 1], day?.replace(/^0/, ''));
  const date = `(${joined(', ', `${year || yearOf(e) || words.noDate}${look.letter ?? ''}`, named)})`;
  const said = sentenceCase(title(e));
  const edition = f.edition ? `(${words.edition(f.edition)})` : '';
  const place = f.doi ? `\\url{https://doi.org/${f.doi}}` : f.url ? `\\url{${f.url}}` : '';
  const body = (): string[] => {
    if (isJournal(e)) {
      const number = `${emph(f.volume)}${f.number ? `(${f.number})` : ''}`;
      return [said, joined(', ', emph(journalName(e)), number, ranged(e))];
    }
    if (isPart(e)) {
      const by = editors
        .map((name) => formatName(name, true))
        .join(editors.length > 2 ? ', ' : ' \\& ');
      const pages = f.pages ? `(${isRange(f.pages) ? 'pp.' : 'p.'}~${rangeOf(ranged(e))})` : '';
      const book = joined(' ', emph(f.booktitle ?? ''), pages);
      return [
        said,
        `In ${joined(', ', by && `${by} ${role}`, book)}`,
        f.publisher ?? f.organization ?? '',
      ];
    }
    if (/thesis$/.test(e.type)) {
      const kind = `[${joined(', ', thesisWord(e), f.school ?? f.institution)}]`;
      return [joined(' ', emph(said), kind)];
    }
    const number = f.number ? `(${joined(' ', f.type, `No.~${f.number}`)})` : '';
    const by = f.publisher ?? f.institution ?? f.organization ?? f.howpublished ?? '';
    return [joined(' ', emph(said), edition, number), by];
  };
  const parts = lead === '' ? titleFirst(body(), date) : [joined(' ', lead, date), ...body()];
  const text = parts
    .filter((part) => part !== '')
    .map(ended)
    .join(' ');
  return joined(' ', text, place);
}
const titleFirst = ([first = '', ...rest]: readonly string[], date: string): string[] => [
  joined(' ', ended(first), date),
  ...rest,
];
const MONTHS =
  'January February March April May June July August September October November December'.split(
    ' ',
  );

/** An entry in the manner of the engineers' institute: all of it one sentence. */
export function journalEntry(e: BibEntry, look: StandardLook): string {
  const f = e.fields;
  const words = wordsOf(look);
  const names = (list: readonly Name[]): string => {
    const shown = (list.length > 6 ? list.slice(0, 1) : list).map((name) => formatName(name, true));
    if (list.length > 6) return `${shown.join('')} \\emph{et~al.}`;
    if (shown.length <= 1) return shown.join('');
    return `${shown.slice(0, -1).join(', ')}${shown.length > 2 ? ',' : ''} and ${shown.at(-1) ?? ''}`;
  };
  const editors = editorsOf(e);
  const role = editors.length > 1 ? 'Eds.' : 'Ed.';
  const lead = names(authorsOf(e)) || (editors.length > 0 ? `${names(editors)}, ${role}` : '');
  const pages = f.pages ? `${isRange(f.pages) ? 'pp.' : 'p.'}~${ranged(e)}` : '';
  const volume = f.volume ? `vol.~${f.volume}` : '';
  const date = dateOf(e, words);
  const small = `“${sentenceCase(title(e))},”`;
  const published = joined(': ', addressOf(e), f.publisher ?? f.institution ?? f.school);
  const edition = f.edition ? words.edition(f.edition) : '';
  /** The title ends with the comma that stands in its quotation marks. */
  const behind = (...rest: (string | undefined)[]): string =>
    joined(' ', joined(', ', lead, small), joined(', ', ...rest));
  const body = (): string => {
    if (isJournal(e))
      return behind(emph(journalName(e)), volume, f.number && `no.~${f.number}`, pages, date);
    if (isPart(e)) {
      const book = joined(
        ', ',
        `in ${emph(f.booktitle ?? '')}`,
        editors.length > 0 && authorsOf(e).length > 0 ? `${names(editors)}, ${role}` : '',
      );
      return behind(book, edition, f.series, volume, published, date, pages);
    }
    if (/thesis$/.test(e.type))
      return behind(
        /master|^ma/.test(joined('', e.type, f.type)) ? 'M.S. thesis' : 'Ph.D. dissertation',
        f.school ?? f.institution,
        addressOf(e),
        date,
      );
    if (e.type === 'report' || e.type === 'techreport')
      return behind(published, joined(' ', f.type ?? 'Tech. Rep.', f.number), date);
    const book = joined(', ', lead, emph(sentenceCase(title(e))), edition, volume);
    const rest = joined(', ', published || f.howpublished || f.organization, date);
    return joined(' ', rest === '' ? book : `${book}.`, rest);
  };
  const found = [
    f.note ?? '',
    f.isbn ? `ISBN: ${f.isbn}` : '',
    f.doi ? `DOI: \\url{${f.doi}}` : '',
    f.url ? `[Online]. Available: \\url{${f.url}}` : '',
  ];
  return [body(), ...found]
    .filter((part) => part !== '')
    .map(ended)
    .join(' ');
}
