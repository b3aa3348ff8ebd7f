import { toBp } from '../base/lengths';
import { isOwnName } from '../expansion/cells';
import type { Bookmark } from '../output/pdf/write';
import type { Page } from '../pages/page';
import type { SessionBlock } from './block';
import type { Facts } from './facts';

/** A heading, with its place in the text and on the pages. */
export interface OutlineEntry {
  readonly kind: 'heading' | 'number';
  readonly level: number;
  readonly number: string;
  readonly title: string;
  readonly from: number;
  readonly to: number;
  /** The page it stands on, counted from 0 as everywhere at this door. */
  readonly page: number;
  /** From the top edge of the page, big points. */
  readonly y: number;
}

/** A label with what it names: number, kind of thing, and the page it stands on, from 0; -1 on none. */
export interface LabelEntry {
  readonly name: string;
  readonly value: string;
  readonly kind: string;
  readonly page: number;
}

/** Headings, and the numbers given out, in the order of the pages. */
export function outlineOf(pages: readonly Page[], blocks: readonly SessionBlock[]): OutlineEntry[] {
  const starts = new Map(blocks.map(({ id, start }) => [id, start]));
  return pages.flatMap((page) =>
    page.marks.flatMap(({ mark, block, y }): OutlineEntry[] => {
      if (mark.kind !== 'outline' && mark.kind !== 'number') return [];
      const start = starts.get(block) ?? 0;
      const heading = mark.kind === 'outline';
      return [
        {
          kind: heading ? 'heading' : 'number',
          level: heading ? mark.level : 0,
          number: mark.number,
          title: heading ? mark.title : mark.what,
          from: start + mark.from,
          to: start + mark.to,
          page: page.index - 1,
          y: toBp(y),
        },
      ];
    }),
  );
}

/** The labels that the writer gave. */
export function labelsOf(pages: readonly Page[], facts: Facts): LabelEntry[] {
  const places = new Map(
    pages.flatMap(({ labels }, i) => labels.map(({ name }): [string, number] => [name, i])),
  );
  return [...facts.labels.values()]
    .filter(({ name }) => !isOwnName(name))
    .map(({ name, value, kind }) => ({
      name,
      value,
      kind: kind ?? '',
      page: places.get(name) ?? -1,
    }));
}

/** Where every block starts in the text, and the page it begins on, from 0; -1 on none. */
export function blockPlacesOf(
  pages: readonly Page[],
  blocks: readonly SessionBlock[],
): { starts: number[]; pages: number[] } {
  const first = new Map<number, number>();
  pages.forEach((page, i) => {
    for (const { block } of page.placed) if (!first.has(block)) first.set(block, i);
  });
  return {
    starts: blocks.map(({ start }) => start),
    pages: blocks.map(({ id }) => first.get(id) ?? -1),
  };
}

/** The bookmarks of the PDF: the headings. */
export const bookmarksOf = (outline: readonly OutlineEntry[]): Bookmark[] =>
  outline
    .filter(({ kind }) => kind === 'heading')
    .map(({ number, title, level, page, y }) => ({
      title: number ? `${number} ${title}` : title,
      level,
      page,
      y,
    }));
