import type { PageDescription } from '@odd-compass/engine';
import { COLUMN_NAMES, COLUMNS, lineCount, type ColumnName } from '@odd-compass/engine/page';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { corpus, corpusFiles } from '../../../../../packages/engine/src/testing/corpus';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import { editOf, relativeEdit } from '../../../../../packages/engine/src/testing/edits';
import { applyEdits } from '@odd-compass/engine';
import { changedBand, type Band } from './changedBand';

/** Pages with something of every kind on them. */
const pages: readonly PageDescription[] = corpus
  .filter(({ name }) => /^(02|12|15|19|31|41)/.test(name))
  .flatMap(({ text }) => {
    const session = typeset(text, corpusFiles);
    return session.pages.slice(0, 2).map((page) => session.describe(page));
  });
const painted = COLUMN_NAMES.filter((name) => {
  const { table, role } = COLUMNS[name];
  return role.is === 'shown' && table !== 'link' && table !== 'anchor' && table !== 'line';
});

/** The page with one number, or one name, of a column changed. */
function withChange(page: PageDescription, name: ColumnName, at: number): PageDescription {
  const values = page[name].slice() as unknown as (number | string)[];
  const value = values[at];
  values[at] = typeof value === 'string' ? `${value}x` : Number(value) + 1;
  return { ...page, [name]: values };
}

/** The line that owns a change: the one whose ink the band must hold. */
const linesWithin = (page: PageDescription, { top, bottom }: Band): number[] =>
  Array.from({ length: lineCount(page) }, (_, line) => line).filter(
    (line) =>
      (page.lineInk[2 * line] as number) >= top - 0.01 &&
      (page.lineInk[2 * line + 1] as number) <= bottom + 0.01,
  );

describe('the band of a page that is painted again', () => {
  it('holds the line in which any number differs, and is none when none does', () => {
    let tried = 0;
    for (const page of pages) {
      expect(changedBand(page, page)).toBeNull();
      for (const name of painted)
        for (const at of new Set([0, page[name].length >> 1, page[name].length - 1])) {
          if (page[name].length === 0) continue;
          tried++;
          const band = changedBand(page, withChange(page, name, at));
          expect([name, at, band === null || band === 'all']).toEqual([name, at, false]);
          expect([name, at, linesWithin(page, band as Band).length > 0]).toEqual([name, at, true]);
        }
    }
    expect(tried).toBeGreaterThan(200);
  });
  it('holds every line that another page has in its place, whatever was edited', () => {
    const text = inArticle(
      Array.from({ length: 12 }, (_, i) => `Leg ${i}, $x_{${i}}^2$ and \\emph{ebb}.`).join('\n\n'),
    );
    const first = (source: string): PageDescription | null => {
      const session = typeset(source);
      const [page] = session.pages;
      return page ? session.describe(page) : null;
    };
    const before = first(text) as PageDescription;
    const inkOf = (page: PageDescription, line: number): string =>
      JSON.stringify([...page.lineInk.slice(2 * line, 2 * line + 2)]);
    fc.assert(
      fc.property(relativeEdit, (relative) => {
        const after = first(applyEdits(text, [editOf(text, relative)]));
        if (!after) return;
        const band = changedBand(before, after);
        if (band === 'all') return;
        const known = new Set(
          Array.from({ length: lineCount(before) }, (_, line) => inkOf(before, line)),
        );
        // A line whose ink lies where none lay is new: it is within the band.
        for (let line = 0; line < lineCount(after); line++)
          if (!known.has(inkOf(after, line)))
            expect(band !== null && linesWithin(after, band).includes(line)).toBe(true);
      }),
      { numRuns: Number(process.env.LAW_RUNS ?? 40) },
    );
  });
  it('is all of it when the paper is another', () => {
    const [page] = pages as [PageDescription];
    expect(changedBand(page, { ...page, width: page.width + 1 })).toBe('all');
  });
});
