import { keep, kept } from '$lib/ui/kept';

/** What may be typed in a formula for short, and what is written for it. */
export interface Abbreviation {
  readonly short: string;
  readonly long: string;
}

export const STANDARD: readonly Abbreviation[] = [
  { short: '<->', long: '\\leftrightarrow ' },
  { short: '<=>', long: '\\iff ' },
  { short: '->', long: '\\to ' },
  { short: '=>', long: '\\implies ' },
  { short: '<=', long: '\\le ' },
  { short: '>=', long: '\\ge ' },
  { short: '!=', long: '\\ne ' },
  { short: '~=', long: '\\approx ' },
  { short: '+-', long: '\\pm ' },
  { short: '...', long: '\\dots ' },
  { short: 'RR', long: '\\mathbb{R}' },
  { short: 'NN', long: '\\mathbb{N}' },
  { short: 'ZZ', long: '\\mathbb{Z}' },
  { short: 'QQ', long: '\\mathbb{Q}' },
  { short: 'CC', long: '\\mathbb{C}' },
];

const KEY = 'odd-compass:abbreviations';

const longestFirst = (list: readonly Abbreviation[]): readonly Abbreviation[] =>
  [...list].sort((a, b) => b.short.length - a.short.length);

const isAbbreviation = (a: unknown): a is Abbreviation =>
  typeof (a as Abbreviation | null)?.short === 'string' &&
  typeof (a as Abbreviation).long === 'string';

let inForce: readonly Abbreviation[] | null = null;

/** Those in force: the reader's own, or the standard ones; longer ones are looked for first. */
export function abbreviationsOf(): readonly Abbreviation[] {
  if (!inForce) {
    const own = kept(KEY);
    inForce = longestFirst(Array.isArray(own) ? own.filter(isAbbreviation) : STANDARD);
  }
  return inForce;
}

export function keepAbbreviations(list: readonly Abbreviation[]): void {
  inForce = longestFirst(list.filter(({ short, long }) => short.trim() !== '' && long !== ''));
  keep(KEY, inForce);
}
