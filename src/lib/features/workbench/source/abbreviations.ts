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

let kept: readonly Abbreviation[] | null = null;

/** Those in force: the reader's own, or the standard ones; longer ones are looked for first. */
export function abbreviationsOf(): readonly Abbreviation[] {
  kept ??= longestFirst(read() ?? STANDARD);
  return kept;
}

export function keepAbbreviations(list: readonly Abbreviation[]): void {
  kept = longestFirst(list.filter(({ short, long }) => short.trim() !== '' && long !== ''));
  try {
    localStorage.setItem(KEY, JSON.stringify(kept));
  } catch {
    // A browser that keeps nothing has them until the page is left.
  }
}

const longestFirst = (list: readonly Abbreviation[]): readonly Abbreviation[] =>
  [...list].sort((a, b) => b.short.length - a.short.length);

function read(): readonly Abbreviation[] | null {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(KEY) ?? 'null');
    if (!Array.isArray(found)) return null;
    return found.filter(
      (a): a is Abbreviation =>
        typeof (a as Abbreviation)?.short === 'string' &&
        typeof (a as Abbreviation).long === 'string',
    );
  } catch {
    return null;
  }
}
