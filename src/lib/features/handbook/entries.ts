import type { Word } from '@odd-compass/engine/worker';
import { FOR } from './meanings';

/** Chapters of the handbook, in the order they are read. */
export const CHAPTERS = [
  'in formulas',
  'in text',
  'environments',
  'packages',
  'kinds of document',
] as const;
export type Chapter = (typeof CHAPTERS)[number];

export function chapterOf({ kind, where }: Word): Chapter {
  if (kind === 'package') return 'packages';
  if (kind === 'class') return 'kinds of document';
  if (kind === 'environment') return 'environments';
  return where === 'text' ? 'in text' : 'in formulas';
}

/** How a word is written, with places for its arguments. */
export function shapeOf({ kind, name, signature }: Word): string {
  if (kind === 'package') return `\\usepackage{${name}}`;
  if (kind === 'class') return `\\documentclass{${name}}`;
  const places = [...signature]
    .map((letter) => ({ s: '', o: '[…]', m: '{…}', M: '{…}' })[letter] ?? '')
    .join('');
  return kind === 'environment'
    ? `\\begin{${name}}${places} … \\end{${name}}`
    : `\\${name}${places}`;
}

/**
 * The entries that a question means, the nearest first: by the name, its beginning, then by
 * the words of what it does and of what it is for (`meaning` gives more words for a name).
 */
export function findEntries(
  words: readonly Word[],
  question: string,
  chapter: Chapter | null,
  meaning: (name: string) => string,
): Word[] {
  const asked = question.toLowerCase().replace(/^\\/, '').trim();
  const terms = asked.split(/\s+/).filter((term) => term !== '');
  const inChapter = words.filter((word) => chapter === null || chapterOf(word) === chapter);
  if (terms.length === 0) return [...inChapter].sort((a, b) => a.name.localeCompare(b.name, 'en'));
  const ranked = inChapter
    .map((word) => ({ word, rank: rankOf(word, asked, terms, meaning(word.name)) }))
    .filter((one): one is { word: Word; rank: number } => one.rank !== null)
    .sort((a, b) => a.rank - b.rank || a.word.name.length - b.word.name.length);
  // What lacks a word is only shown when nothing has them all.
  const whole = ranked.filter(({ rank }) => rank < LACKS_ONE);
  return (whole.length > 0 ? whole : ranked).map(({ word }) => word);
}

/** The rank of an entry that has all words asked for but one. */
const LACKS_ONE = 4;

function rankOf(
  word: Word,
  asked: string,
  terms: readonly string[],
  meaning: string,
): number | null {
  const name = word.name.toLowerCase();
  if (name === asked) return 0;
  if (name.startsWith(asked)) return 1;
  const said =
    `${word.description} ${meaning} ${FOR[word.name] ?? ''} ${word.package}`.toLowerCase();
  const beginnings = said.split(/[^\p{L}\p{N}]+/u);
  const starts = (term: string): boolean => beginnings.some((one) => one.startsWith(term));
  if (terms.every(starts)) return 2;
  const has = (term: string): boolean => name.includes(term) || said.includes(term);
  if (terms.every(has)) return 3;
  return terms.length > 1 && terms.filter(has).length === terms.length - 1 ? LACKS_ONE : null;
}
