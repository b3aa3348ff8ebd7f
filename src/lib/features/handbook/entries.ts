import type { Word } from '@odd-compass/engine/worker';
import { lookingUp, type LookedUp } from '$lib/domain/lookUp';
import { meaningsOf } from '$lib/domain/meanings';

/** Chapters of the handbook, in the order they are read. */
export const CHAPTERS = [
  'in formulas',
  'in text',
  'environments',
  'in pictures',
  'packages',
  'kinds of document',
] as const;
export type Chapter = (typeof CHAPTERS)[number];

/** Packages whose pictures are described in text. */
const PICTURES: ReadonlySet<string> = new Set(['tikz', 'tikz-cd', 'pgfplots', 'forest', 'xy']);

export function chapterOf({ kind, where, package: from }: Word): Chapter {
  if (PICTURES.has(from)) return 'in pictures';
  if (kind === 'package') return 'packages';
  if (kind === 'class') return 'kinds of document';
  if (kind === 'environment') return 'environments';
  return where === 'text' ? 'in text' : 'in formulas';
}

/** How a word is written, with places for its arguments. */
export function shapeOf({ kind, name, signature }: Word): string {
  if (kind === 'package') return `\\usepackage{${name}}`;
  if (kind === 'class') return `\\documentclass{${name}}`;
  if (kind === 'key') return `[${name}]`;
  const places = [...signature]
    .map((letter) => ({ s: '', o: '[…]', m: '{…}', M: '{…}' })[letter] ?? '')
    .join('');
  return kind === 'environment'
    ? `\\begin{${name}}${places} … \\end{${name}}`
    : `\\${name}${places}`;
}

/**
 * The entries that a question means, the nearest first: by the name, by the everyday words for
 * what it is for, by its beginning, then by what is said of it.
 */
export function findEntries(
  words: readonly Word[],
  question: string,
  chapter: Chapter | null,
): Word[] {
  const inChapter = words.filter((word) => chapter === null || chapterOf(word) === chapter);
  if (question.trim() === '')
    return [...inChapter].sort((a, b) => a.name.localeCompare(b.name, 'en'));
  const plain = inChapter.filter(({ name }) => !/@|\*$/.test(name) || question.includes(name));
  return lookUp(plain, question);
}

/** What an entry is looked up by. A package of the name of what it brings is asked for by its own words only. */
const toldOf = ({ kind, name, description, package: from }: Word): LookedUp => ({
  name,
  phrases: kind === 'key' ? [] : meaningsOf(name),
  said: `${description} ${kind === 'package' ? 'package' : from}`,
});

/** Of entries that answer alike, environments come before commands of their name; what needs no package and has the shorter name comes first. */
const commonness = ({ kind, name, package: from }: Word): number =>
  (kind === 'key' ? -20 : 0) -
  (from === '' ? 0 : /^ams/.test(from) ? 1 : 3) -
  (kind === 'package' ? 2 : kind === 'environment' ? -2 : 0) -
  name.length / 20;

const lookUp = lookingUp(toldOf, commonness);
