import type { BibEntry } from './entries';
import { initials, parseNames, type Name } from './names';

/** What the styles of BibTeX have in common: how parts of entries are written and put together. */

export const emph = (text: string | undefined): string => (text ? `\\emph{${text}}` : '');
/** Parts with a sign between them; those that are empty are passed over. */
export const joined = (between: string, ...parts: readonly (string | undefined)[]): string =>
  parts.filter((part) => part !== undefined && part !== '').join(between);
/** With a full stop, where none of its kind stands there (`add.period$`). */
export const ended = (text: string): string => (/[.?!]\}*$/.test(text) ? text : `${text}.`);
/** Sentences of an entry, each a block of its own. */
export const blocks = (parts: readonly (string | undefined)[]): string =>
  parts
    .map((part) => part?.trim() ?? '')
    .filter((part) => part !== '')
    .map(ended)
    .join('\n\\newblock ');

/** How a work came out begins a sentence, where anything is said of it; else all is one (`new.block.checkb`). */
export function titleAndHow(
  title: string,
  how: readonly (string | undefined)[],
  rest: readonly (string | undefined)[],
): string[] {
  const said = joined(', ', ...how);
  return said === '' ? [joined(', ', title, ...rest)] : [title, joined(', ', said, ...rest)];
}

export const yearOf = ({ fields }: BibEntry): string =>
  fields.year ?? fields.date?.slice(0, 4) ?? '';
/** “May 2011”. */
export const dateOf = (e: BibEntry): string => joined(' ', e.fields.month, yearOf(e));
/** “1--9”, however its sign is written. */
export const rangeOf = (pages: string): string => pages.replace(/(\d)\s*-+\s*(\d)/g, '$1--$2');
export const isRange = (pages: string): boolean => /[-,+]/.test(pages);
/** “pp.~1--9”, “p.~3”. */
export const shortPages = ({ fields: { pages } }: BibEntry): string =>
  pages ? `${isRange(pages) ? 'pp.' : 'p.'}~${rangeOf(pages)}` : '';
export const shortChapter = ({ fields: { chapter } }: BibEntry): string =>
  chapter ? `ch.~${chapter}` : '';
export const addressOf = ({ fields }: BibEntry): string | undefined =>
  fields.address ?? fields.location;
export const journalOf = ({ fields }: BibEntry): string =>
  fields.journal ?? fields.journaltitle ?? '';
export const schoolOf = ({ fields }: BibEntry): string | undefined =>
  fields.school ?? fields.institution;

/** The first letter large. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** Names in a row with commas, and the last behind “and”; how one is written is said. */
export function nameList(
  names: readonly Name[],
  one: (name: Name) => string,
  alwaysComma = false,
): string {
  const isOthers = ({ last }: Name): boolean => last.join(' ') === 'others';
  const shown = names.filter((name) => !isOthers(name)).map(one);
  if (shown.length < names.length)
    return `${shown.join(', ')}${shown.length > 1 ? ',' : ''} et~al.`;
  if (shown.length <= 1) return shown.join('');
  const serial = shown.length > 2 || alwaysComma ? ',' : '';
  return `${shown.slice(0, -1).join(', ')}${serial} and ${shown.at(-1) ?? ''}`;
}

/** The words of a part of a name, as BibTeX ties them (its `format.name$`). */
const tied = (words: readonly string[]): string =>
  words.reduce((text, word, i) => {
    const isTie = i === words.length - 1 || (i === 1 && text.length < 3);
    return i === 0 ? word : `${text}${isTie ? '~' : ' '}${word}`;
  }, '');
/** A part with what follows: a short one is tied to it. */
const before = (part: string, rest: string): string =>
  part === '' || rest === '' ? part + rest : `${part}${part.length < 3 ? '~' : ' '}${rest}`;
const family = ({ von, last }: Name): string => before(tied(von), tied(last));
/** “T.~Orme, Jr” (`{f.~}{vv~}{ll}{, jj}`). */
export const shortName = (name: Name): string =>
  joined(', ', before(tied(initials(name.first)), family(name)), name.jr.join(' '));
/** “Tilda Orme, Jr” (`{ff~}{vv~}{ll}{, jj}`). */
export const fullName = (name: Name): string =>
  joined(', ', before(tied(name.first), family(name)), name.jr.join(' '));
/** “Orme, Jr, T.” (`{vv~}{ll}{, jj}{, f.}`). */
export const turnedName = (name: Name): string =>
  joined(', ', family(name), name.jr.join(' '), tied(initials(name.first)));

export const authorsOf = (e: BibEntry): Name[] => parseNames(e.fields.author ?? '');
export const editorsOf = (e: BibEntry): Name[] => parseNames(e.fields.editor ?? '');
/** Books and proceedings without authors are their editors'. */
export const isByEditor = ({ type, fields }: BibEntry): boolean =>
  !fields.author &&
  fields.editor !== undefined &&
  ['book', 'proceedings', 'inbook', 'collection'].includes(type);
/** Manuals and the like without names are their organization's, where they name one. */
export const isByOrganization = (e: BibEntry): boolean =>
  !e.fields.author &&
  !isByEditor(e) &&
  Boolean(e.fields.organization) &&
  ['manual', 'proceedings', 'misc', 'online'].includes(e.type);
