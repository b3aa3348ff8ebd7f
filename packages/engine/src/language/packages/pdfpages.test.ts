import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cellsOf, pagesNamed } from './pdfpages';

describe('the pages that a list names', () => {
  it.each<[string, (number | null)[]]>([
    ['1', [1]],
    ['2,1', [2, 1]],
    ['-', [1, 2, 3, 4, 5]],
    ['2-4', [2, 3, 4]],
    ['4-2', [4, 3, 2]],
    ['-2', [1, 2]],
    ['4-', [4, 5]],
    ['last', [5]],
    ['last-1', [4]],
    ['last-1-last', [4, 5]],
    ['last-1', [4]],
    ['1,{},3', [1, null, 3]],
    [' 1 , 3 - 4 ', [1, 3, 4]],
  ])('%s', (list, pages) => {
    expect(pagesNamed(list, 5)).toEqual(pages);
  });
  it('are never without end', () => {
    expect(pagesNamed('1-999999999', 5)).toHaveLength(500);
  });
});

describe('the places of pages on a sheet', () => {
  it('go in rows or in columns, from the upper left', () => {
    const at = (inColumns: boolean): number[][] =>
      cellsOf({ width: 20, height: 30 }, [2, 2], [0, 0], inColumns).map(({ x, y }) => [x, y]);
    expect(at(false)).toEqual([[0, 15], [10, 15], [0, 0], [10, 0]]); // prettier-ignore
    expect(at(true)).toEqual([[0, 15], [0, 0], [10, 15], [10, 0]]); // prettier-ignore
  });
  it('lie on it and do not cover one another', () => {
    const count = fc.integer({ min: 1, max: 6 });
    const gap = fc.integer({ min: 0, max: 20 });
    fc.assert(
      fc.property(count, count, gap, gap, fc.boolean(), (across, down, dx, dy, inColumns) => {
        const paper = { width: 600, height: 800 };
        const cells = cellsOf(paper, [across, down], [dx, dy], inColumns);
        expect(cells).toHaveLength(across * down);
        cells.forEach((a, i) => {
          expect(Math.min(a.x, a.y)).toBeGreaterThan(-1e-6);
          expect(a.x + a.width).toBeLessThan(600 + 1e-6);
          expect(a.y + a.height).toBeLessThan(800 + 1e-6);
          for (const b of cells.slice(i + 1)) {
            const apart =
              a.x + a.width <= b.x + 1e-6 ||
              b.x + b.width <= a.x + 1e-6 ||
              a.y + a.height <= b.y + 1e-6 ||
              b.y + b.height <= a.y + 1e-6;
            expect(apart).toBe(true);
          }
        });
      }),
    );
  });
});
