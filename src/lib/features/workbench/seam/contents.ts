import type { PlacedEntry } from '../engine/partWindow';

/** A line of the list of what stands on the sheet. */
export interface ContentsLine {
  readonly entry: PlacedEntry;
  readonly words: string;
  /** How far it is set in: headings by their level, what is numbered under its heading. */
  readonly depth: number;
}

/** What the list shows: all of the sheet, or one sort of it. */
export type ContentsSort = 'all' | 'headings' | 'statements' | 'figures' | 'equations';

const FLOATS = new Set(['figure', 'table', 'listing', 'algorithm']);

const sortOf = ({ kind, title }: PlacedEntry): Exclude<ContentsSort, 'all'> => {
  if (kind === 'heading') return 'headings';
  if (title === 'equation') return 'equations';
  return FLOATS.has(title.toLowerCase()) ? 'figures' : 'statements';
};

const wordsOf = (entry: PlacedEntry): string => {
  const { kind, number, title } = entry;
  if (kind === 'heading') return number === '' ? title : `${number} ${title}`;
  if (title === 'equation') return `Equation (${number})`;
  return `${title.charAt(0).toUpperCase()}${title.slice(1)} ${number}`;
};

/**
 * Headings, statements, figures and numbered equations in the order of the sheet.
 *
 * @param sort headings are shown with each sort, so that one sees where it stands; equations only when asked for.
 */
export function contentsLines(
  entries: readonly PlacedEntry[],
  sort: ContentsSort,
): readonly ContentsLine[] {
  const levels = entries.filter(({ kind }) => kind === 'heading').map(({ level }) => level);
  const top = Math.min(...levels);
  let under = 0;
  return entries.flatMap((entry): ContentsLine[] => {
    const heading = entry.kind === 'heading';
    if (heading) under = entry.level - top + 1;
    const mine = sortOf(entry);
    const shown = heading || mine === sort || (sort === 'all' && mine !== 'equations');
    const depth = heading ? entry.level - top : under;
    return shown ? [{ entry, words: wordsOf(entry), depth }] : [];
  });
}

/** The line at which a place of a file lies; -1 before the first. */
export const lineHere = (lines: readonly ContentsLine[], file: string, at: number): number =>
  lines.findLastIndex(({ entry }) => entry.file === file && entry.from <= at);
