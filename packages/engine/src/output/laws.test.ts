import { describe, expect, it } from 'vitest';
import { corpus, corpusFiles } from '../testing/corpus';
import { typeset } from '../testing/document';
import { sameLine } from './display/compare';
import { copyToHandOver, wholeOf, type PageDescription } from './display/description';
import { COLUMN_NAMES, COLUMNS, type ColumnName } from './display/schema';
import { lineCount } from './display/walk';

/** Pages of the corpus with something of every kind on them. */
const pages: readonly PageDescription[] = corpus
  .filter(({ name }) => /^(02|12|15|19|31|41)/.test(name))
  .flatMap(({ text }) => {
    const session = typeset(text, corpusFiles);
    return session.pages.slice(0, 3).map((page) => session.describe(page));
  });

/** The page with one value of a column changed. */
function withChange(page: PageDescription, name: ColumnName, at: number): PageDescription {
  const values = page[name].slice() as unknown as (number | string)[];
  const value = values[at];
  values[at] = typeof value === 'string' ? `${value}x` : Number(value) === 1 ? 2 : 1;
  return { ...page, [name]: values };
}

/** Places in a column to try: the ends, and some between. */
const tried = (length: number): number[] =>
  length === 0 ? [] : [...new Set([0, length >> 1, length - 1])];

const isPainted = (name: ColumnName): boolean => {
  const { table, role } = COLUMNS[name];
  return role.is === 'shown' && table !== 'link' && table !== 'anchor';
};

describe('a page description', () => {
  it('holds rows in every table but links somewhere in the tried pages', () => {
    const empty = COLUMN_NAMES.filter((name) => pages.every((page) => page[name].length === 0));
    expect(empty).toEqual([]);
  });
  it('differs from one in which any number of what is painted differs: in that line, and in no other', () => {
    for (const page of pages.slice(0, 8))
      for (const name of COLUMN_NAMES.filter(isPainted))
        for (const at of tried(page[name].length)) {
          const changed = withChange(page, name, at);
          const lines = Array.from({ length: lineCount(page) }, (_, line) => line);
          const differing = lines.filter((line) => !sameLine(page, line, changed, line));
          // A point that its segment does not use stands for nothing, but is compared all the same.
          expect([name, at, differing.length]).toEqual([name, at, 1]);
        }
  });
  it('is the same as itself, wherever it is compared', () => {
    for (const page of pages)
      for (let line = 0; line < lineCount(page); line++)
        expect(sameLine(page, line, copyToHandOver(page).copy, line)).toBe(true);
  });
  it('is told apart by the oracle of the laws when any value in it differs', () => {
    const starts = new Map(
      [...new Set(pages.flatMap((page) => [...page.lineBlock]))].map((id) => [id, 10 * id]),
    );
    const [page] = pages.filter(({ imageFile }) => imageFile.length > 0);
    if (!page) throw new Error('no page with a picture');
    const whole = JSON.stringify(wholeOf(page, starts));
    for (const name of COLUMN_NAMES)
      for (const at of tried(page[name].length))
        expect([
          name,
          JSON.stringify(wholeOf(withChange(page, name, at), starts)) === whole,
        ]).toEqual([name, false]);
  });
  it('is handed over whole: a copy with buffers of its own', () => {
    for (const page of pages) {
      const { copy, buffers } = copyToHandOver(page);
      expect(copy).toEqual(page);
      const arrays = COLUMN_NAMES.filter((name) => COLUMNS[name].kind !== 'text');
      expect(new Set(buffers).size).toBe(arrays.length);
      for (const name of arrays)
        expect((copy[name] as Float32Array).buffer).not.toBe((page[name] as Float32Array).buffer);
    }
  });
});
