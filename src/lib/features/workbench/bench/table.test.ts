import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  squared,
  swappedColumns,
  swappedRows,
  withColumnOf,
  withoutColumnOf,
  withRow,
} from './grid';
import { asArray, bracketsOf, setBrackets } from './matrixKinds';
import {
  readColumns,
  swapped,
  withBar,
  withColumn,
  withKind,
  withoutColumn,
  writeColumns,
} from './tableColumns';
import { readTable, ruled, rulingOf, writeTable } from './tableRows';

const columnsAs = (spec: string, by: (given: ReturnType<typeof readColumns>) => unknown): string =>
  writeColumns(by(readColumns(spec)) as ReturnType<typeof readColumns>);

describe('the columns of a table', () => {
  it('are read with rules, arguments and repetitions', () => {
    expect(readColumns('|l|p{3cm}@{ }r|').columns.map(({ kind }) => kind)).toEqual([
      'l',
      'p{3cm}',
      'r',
    ]);
    expect(readColumns('*{3}{c|}').columns).toHaveLength(3);
    expect(readColumns('').columns).toEqual([]);
  });
  it('come and go, change sides and places', () => {
    expect(columnsAs('l|cc', (s) => withColumn(s, 1))).toBe('l|c|cc');
    expect(columnsAs('l|cc', (s) => withoutColumn(s, 0))).toBe('|cc');
    expect(columnsAs('lcc', (s) => withKind(s, 1, 'r'))).toBe('lrc');
    expect(columnsAs('lcc', (s) => withBar(s, 1))).toBe('l|cc');
    expect(columnsAs('l|cc', (s) => withBar(s, 1))).toBe('lcc');
    expect(columnsAs('lc', (s) => withBar(s, 2))).toBe('lc|');
    expect(columnsAs('l|cr', (s) => swapped(s, 0, 1))).toBe('c|lr');
  });
  it('are written as they were read', () => {
    const spec = fc
      .array(fc.constantFrom('l', 'c', 'r', '|', 'p{2cm}', '@{}', '>{\\bf}'), { maxLength: 12 })
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(spec, (given) => {
        expect(writeColumns(readColumns(given))).toBe(given);
      }),
    );
  });
});

describe('the rows of a table', () => {
  const body = '\n\\toprule\nport & km \\\\ \\midrule\nEast & 3 \\\\\n\\bottomrule\n';
  it('are read apart from the rules between them', () => {
    const { rows, tail } = readTable(body);
    expect(rows.map(({ rules, cells }) => [rules, ...cells.map(({ text }) => text)])).toEqual([
      ['\\toprule', 'port', 'km'],
      ['\\midrule', 'East', '3'],
    ]);
    expect(tail).toBe('\\bottomrule');
    expect(rulingOf({ rows, tail })).toBe('book');
    const cell = rows[0]?.cells[0];
    expect(body.slice(cell?.from, cell?.to)).toBe('port');
  });
  it('are written with other rules, and read again the same', () => {
    const rows = [
      { rules: '', cells: ['port', 'km'] },
      { rules: '', cells: ['East', '3'] },
    ];
    for (const ruling of ['none', 'all', 'book'] as const) {
      const next = ruled(rows, ruling);
      const read = readTable(writeTable(next.rows, next.tail));
      expect(rulingOf(read)).toBe(ruling);
      expect(read.rows.map(({ cells }) => cells.map(({ text }) => text))).toEqual(
        rows.map(({ cells }) => cells),
      );
    }
  });
});

describe('cells', () => {
  const cells = [
    ['a', 'b'],
    ['c', 'd'],
  ];
  it('gain and lose rows and columns, and change places', () => {
    expect(squared([['a'], ['b', 'c']])).toEqual([
      ['a', ''],
      ['b', 'c'],
    ]);
    expect(withRow(cells, 0)[1]).toEqual(['', '']);
    expect(withColumnOf(cells, 0)).toEqual([
      ['a', '', 'b'],
      ['c', '', 'd'],
    ]);
    expect(withoutColumnOf(cells, 0)).toEqual([['b'], ['d']]);
    expect(swappedRows(cells, 0, 1)?.[0]).toEqual(['c', 'd']);
    expect(swappedRows(cells, 0, -1)).toBeNull();
    expect(swappedColumns(cells, 0, 1)?.[0]).toEqual(['b', 'a']);
    expect(swappedColumns(cells, 1, 2)).toBeNull();
  });
});

describe('the brackets of a matrix', () => {
  const applied = (text: string, edits: readonly { from: number; to: number; insert: string }[]) =>
    [...edits]
      .sort((a, b) => b.from - a.from)
      .reduce((t, { from, to, insert }) => t.slice(0, from) + insert + t.slice(to), text);
  const placeIn = (text: string, name: string) => {
    const from = text.indexOf('\\begin');
    const begin = /\\begin\{[a-zA-Z]+\}(\{[^}]*\})?/.exec(text)?.[0] ?? '';
    const bodyTo = text.indexOf('\\end');
    return {
      name,
      from,
      to: bodyTo + `\\end{${name}}`.length,
      bodyFrom: from + begin.length,
      bodyTo,
      columns: null,
    };
  };
  it('are changed at both ends', () => {
    const text = '$\\begin{pmatrix} 1 & 2 \\end{pmatrix}$';
    expect(applied(text, setBrackets(text, placeIn(text, 'pmatrix'), 'vmatrix'))).toBe(
      '$\\begin{vmatrix} 1 & 2 \\end{vmatrix}$',
    );
  });
  it('stay when a bar makes an array of it, and can be changed there', () => {
    const text = '$\\begin{bmatrix} 1 & 2 \\end{bmatrix}$';
    const array = applied(text, asArray(placeIn(text, 'bmatrix'), 'c|c'));
    expect(array).toBe('$\\left[\\begin{array}{c|c} 1 & 2 \\end{array}\\right]$');
    const place = placeIn(array, 'array');
    expect(bracketsOf(array, place)).toBe('bmatrix');
    expect(applied(array, setBrackets(array, place, 'pmatrix'))).toBe(
      '$\\left(\\begin{array}{c|c} 1 & 2 \\end{array}\\right)$',
    );
  });
});
