import type { BibEntry } from './entries';
import { nameList, yearOf } from './entryParts';
import { bareText, parseNames, type Name } from './names';
import { standardNames, type StandardLook } from './standardEntries';

/** Labels of entries: letters of names, or names and year. */

export const namesOf = (e: BibEntry): Name[] =>
  parseNames(e.fields.author ?? e.fields.editor ?? '');
const isOthers = ({ last }: Name): boolean => last.join('') === 'others';
const family = ({ von, last }: Name): string => [...von, ...last].join(' ');

/** Letters of the authors' names and the year (alpha.bst). @param standard as package biblatex has them. */
export function alphaLabel(e: BibEntry, standard: boolean, prefixed = true): string {
  const names = namesOf(e).map((n) => (standard && !prefixed ? { ...n, von: [] } : n));
  const digits = bareText(yearOf(e)).slice(-2);
  const own = standard ? (e.fields.shorthand ?? e.fields.label) : undefined;
  if (own) return own;
  const letter = (n: Name): string =>
    [...n.von, ...n.last].map((w) => bareText(w).slice(0, 1)).join('');
  if (names.length === 0) return bareText(e.fields.key ?? e.key).slice(0, 3) + digits;
  if (names.length === 1) {
    const [only] = names as [Name];
    const short = only.von.length > 0 ? letter(only) : bareText(only.last.join('')).slice(0, 3);
    return short + digits;
  }
  // The standard styles of biblatex shorten from four names on.
  if (standard && (names.length > 3 || names.some(isOthers)))
    return `${bareText(names[0]?.last.join('') ?? '').slice(0, 3)}+${digits}`;
  const some = names.length > 4 ? names.slice(0, 3) : names;
  const initials = some.map((n) => (isOthers(n) ? '{\\etalchar{+}}' : letter(n))).join('');
  return `${initials}${names.length > 4 ? '{\\etalchar{+}}' : ''}${digits}`;
}

/** Family names and year, as citations in a sentence say them. */
export function namedBy(e: BibEntry, look: StandardLook): { author: string; year: string } {
  const von = (n: Name): readonly string[] => (look.prefixed ? n.von : []);
  const bare = namesOf(e).map((n) => ({ ...n, von: von(n), first: [], jr: [] }));
  return {
    author: standardNames(bare, { ...look, mostNames: look.mostCited ?? 3, turned: 'none' }, false),
    year: yearOf(e) || 'n.d.',
  };
}

/** “Quill and Brae”, “Quill et al.” from three on (natbib). */
export function shortNames(e: BibEntry): string {
  const names = namesOf(e);
  const [first, second] = names;
  if (!first) return e.fields.key ?? e.fields.organization ?? e.key;
  if (names.length > 2 || (second && isOthers(second))) return `${family(first)} et~al.`;
  return names.map(family).join(' and ');
}

/** All family names, where the short form leaves some out. */
export const fullNames = (e: BibEntry): string =>
  namesOf(e).length > 2 ? nameList(namesOf(e), family) : '';

/** The title that stands for an entry nobody is named for. */
export const citedTitle = ({ type, fields: { title = '' } }: BibEntry): string =>
  /^(?:article|in|thesis|unpublished|patent)/.test(type) ? `“${title}”` : `\\emph{${title}}`;

/** For each label a letter where others are the same: a, b, c; else nothing. */
export function letters(labels: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const label of labels) counts.set(label, (counts.get(label) ?? 0) + 1);
  const seen = new Map<string, number>();
  return labels.map((label) => {
    if (counts.get(label) === 1) return '';
    const nth = seen.get(label) ?? 0;
    seen.set(label, nth + 1);
    return String.fromCharCode(97 + (nth % 26));
  });
}
