import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { corpus } from '../../../../../packages/engine/src/testing/corpus';
import { shapeOf } from '@odd-compass/engine/shape';
import { readRows, writeRows } from './alignment';
import {
  squared,
  swappedColumns,
  swappedRows,
  withColumnOf,
  withoutColumnOf,
  withoutRow,
  withRow,
} from './grid';
import {
  readColumns,
  swapped,
  withBar,
  withColumn,
  withoutColumn,
  writeColumns,
} from './tableColumns';
import { readTable, ruled, rulingOf, writeTable, type Ruling } from './tableRows';

/** What may stand in a cell: marks of cells and rows where they part nothing included. */
const cell = fc.constantFrom(
  '',
  'x',
  'a^2',
  'a \\& b',
  '\\text{ebb & flood}',
  '{a \\\\ b}',
  '\\frac{1}{2}',
  '\\begin{pmatrix} a & b \\\\ c & d \\end{pmatrix}',
  '\\sqrt[3]{x}',
  '\\mbox{50\\% of it}',
  'a\\,b',
  '[x]',
  '*',
);
/** Rows as long as each other; one cell by itself is not empty, or there would be no row. */
const cells = fc
  .tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 4 }))
  .chain(([rows, columns]) =>
    fc.array(fc.array(cell, { minLength: columns, maxLength: columns }), {
      minLength: rows,
      maxLength: rows,
    }),
  )
  .filter((rows) => rows.every((row) => row.some((text) => text !== '')));
const skip = fc.constantFrom('', '[2pt]', '[1ex]');
const RUNS = { numRuns: Number(process.env.LAW_RUNS ?? 200) };

const textsOf = (body: string): string[][] =>
  readRows(body).map((row) => row.cells.map(({ text }) => text));

describe('rows of a formula', () => {
  it('written and read are the same', () => {
    fc.assert(
      fc.property(cells, fc.array(skip, { minLength: 4, maxLength: 4 }), (rows, skips) => {
        const body = writeRows(rows.map((row, r) => ({ cells: row, skip: skips[r] ?? '' })));
        expect(textsOf(body)).toEqual(rows);
      }),
      RUNS,
    );
  });
  it('read and written are the same, and again', () => {
    fc.assert(
      fc.property(cells, (rows) => {
        const once = writeRows(rows.map((row) => ({ cells: row, skip: '' })));
        const read = readRows(once);
        expect(
          writeRows(read.map((row) => ({ cells: row.cells.map((c) => c.text), skip: row.skip }))),
        ).toBe(once);
      }),
      RUNS,
    );
  });
  it('stand where they are said to stand', () => {
    fc.assert(
      fc.property(cells, fc.nat(20), (rows, base) => {
        const body = writeRows(rows.map((row) => ({ cells: row, skip: '' })));
        for (const row of readRows(body, base))
          for (const { from, to, text } of row.cells)
            expect(body.slice(from - base, to - base).trim()).toBe(text);
      }),
      RUNS,
    );
  });
});

describe('the grid of cells', () => {
  const grid = fc.tuple(cells, fc.nat(3), fc.nat(3));
  it('has what was put in taken out again', () => {
    fc.assert(
      fc.property(grid, ([rows, r, c]) => {
        const at = Math.min(r, rows.length - 1);
        const across = Math.min(c, (rows[0]?.length ?? 1) - 1);
        expect(withoutRow(withRow(rows, at), at + 1)).toEqual(rows);
        expect(withoutColumnOf(withColumnOf(rows, across), across + 1)).toEqual(rows);
      }),
      RUNS,
    );
  });
  it('moves there and back, and never beyond an edge', () => {
    fc.assert(
      fc.property(grid, fc.nat(5), ([rows, r, c], to) => {
        const there = swappedRows(rows, r, to);
        const inside = r < rows.length && to < rows.length;
        expect(there === null).toBe(!inside);
        if (there) expect(swappedRows(there, to, r)).toEqual(rows);
        const width = rows[0]?.length ?? 0;
        const across = swappedColumns(rows, c, to);
        expect(across === null).toBe(!(c < width && to < width));
        if (across) expect(swappedColumns(across, to, c)).toEqual(rows);
      }),
      RUNS,
    );
  });
  it('made square keeps every cell where it was', () => {
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 1 }), { minLength: 1 }), (rows) => {
        const made = squared(rows);
        expect(new Set(made.map(({ length }) => length)).size).toBe(1);
        rows.forEach((row, r) => expect(made[r]?.slice(0, row.length)).toEqual(row));
      }),
      RUNS,
    );
  });
});

const spec = fc
  .tuple(
    fc.array(
      fc.tuple(
        fc.constantFrom('', '|', '||', '@{}', '!{\\vrule}', '>{\\bfseries}'),
        fc.constantFrom('l', 'c', 'r', 'p{3cm}', 'm{2em}', 'X', 'S[x=1]', 'D{.}{.}{2}'),
      ),
      { minLength: 1, maxLength: 5 },
    ),
    fc.constantFrom('', '|', '@{}'),
  )
  .map(([columns, behind]) => columns.map(([before, kind]) => before + kind).join('') + behind);

describe('the columns of a table', () => {
  it('read and written are the same', () => {
    fc.assert(
      fc.property(spec, (given) => {
        expect(writeColumns(readColumns(given))).toBe(given);
      }),
      RUNS,
    );
  });
  it('have what was put in taken out again', () => {
    fc.assert(
      fc.property(spec, fc.nat(4), (given, at) => {
        const read = readColumns(given);
        const place = Math.min(at, read.columns.length - 1);
        expect(withoutColumn(withColumn(read, place), place + 1)).toEqual(read);
      }),
      RUNS,
    );
  });
  it('change places there and back', () => {
    fc.assert(
      fc.property(spec, fc.nat(4), fc.nat(4), (given, a, b) => {
        const read = readColumns(given);
        if (Math.max(a, b) >= read.columns.length) return;
        expect(swapped(swapped(read, a, b), a, b)).toEqual(read);
      }),
      RUNS,
    );
  });
  it('have a bar before them or none', () => {
    const read = readColumns('lr');
    expect(writeColumns(withBar(withBar(read, 1), 1))).toBe('lr');
  });
});

describe('the rows of a table', () => {
  const rules = fc.constantFrom('', '\\hline', '\\midrule', '\\cline{1-2}', '\\hline\\hline');
  const table = fc.tuple(cells, fc.array(rules, { minLength: 4, maxLength: 4 }), rules);
  it('written and read are the same, with their rules', () => {
    fc.assert(
      fc.property(table, ([rows, above, tail]) => {
        const body = writeTable(
          rows.map((row, r) => ({ cells: row, rules: above[r] ?? '', skip: '' })),
          tail,
        );
        const read = readTable(body);
        expect(read.rows.map((row) => row.cells.map(({ text }) => text))).toEqual(rows);
        expect(read.rows.map((row) => row.rules)).toEqual(rows.map((_, r) => above[r] ?? ''));
        expect(read.tail).toBe(tail);
      }),
      RUNS,
    );
  });
  it('given rules, say which they were given', () => {
    fc.assert(
      fc.property(cells, fc.constantFrom<Ruling>('none', 'all', 'book'), (rows, ruling) => {
        const plain = rows.map((row) => ({ cells: row, rules: '', skip: '' }));
        const { rows: set, tail } = ruled(plain, ruling);
        expect(rulingOf(readTable(writeTable(set, tail)))).toBe(ruling);
        expect(ruled(set, 'none').rows).toEqual(plain);
      }),
      RUNS,
    );
  });
});

describe('matrices and tables of the corpus', () => {
  const bodies = corpus.flatMap(({ name, text }) =>
    [
      ...text.matchAll(/\\begin\{([pbvBV]?matrix|cases|align(?:ed)?\*?)\}([\s\S]*?)\\end\{\1\}/g),
    ].map(([, , body = '']) => [name, body] as const),
  );
  it('are many', () => expect(bodies.length).toBeGreaterThan(5));
  it.each(bodies)('of %s are read, written and read as they were', (_name, body) => {
    const read = readRows(body);
    const again = readRows(
      writeRows(read.map((row) => ({ cells: row.cells.map((c) => c.text), skip: row.skip }))),
    );
    const words = (rows: ReturnType<typeof readRows>) =>
      rows.map((row) => [row.skip, ...row.cells.map((c) => c.text)]);
    expect(words(again)).toEqual(words(read));
    expect(shapeOf(body).text).toBe(body);
  });
});
