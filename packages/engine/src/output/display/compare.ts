import type { PageDescription, Values } from './description';
import { COLUMN_NAMES, COLUMNS, type ColumnName, type Table } from './schema';

/** The columns of each table. */
const COLUMNS_OF = new Map<Table, readonly ColumnName[]>();
for (const name of COLUMN_NAMES) {
  const { table } = COLUMNS[name];
  COLUMNS_OF.set(table, [...(COLUMNS_OF.get(table) ?? []), name]);
}

/** Rows of a page's table, from one to another (exclusive). */
interface Rows {
  readonly page: PageDescription;
  readonly from: number;
  readonly to: number;
}

/** Is all that is seen of a line the same, at the same place, as of a line of another page? */
export const sameLine = (a: PageDescription, i: number, b: PageDescription, j: number): boolean =>
  sameRows('line', { page: a, from: i, to: i + 1 }, { page: b, from: j, to: j + 1 }, i, j);

function sameRows(table: Table, a: Rows, b: Rows, lineA: number, lineB: number): boolean {
  if (a.to - a.from !== b.to - b.from) return false;
  for (const name of COLUMNS_OF.get(table) ?? []) {
    const { role, width } = COLUMNS[name];
    const [inA, inB]: [Values, Values] = [a.page[name], b.page[name]];
    switch (role.is) {
      case 'block':
      case 'place':
        continue;
      case 'shown':
        if (!sameValues(inA, width * a.from, inB, width * b.from, width * (a.to - a.from), 0))
          return false;
        continue;
      case 'row': {
        // A row of the line's own: counted from the first of them; none is none in both.
        const shift = firstOfLine(b.page, lineB, role.of) - firstOfLine(a.page, lineA, role.of);
        if (!sameMarks(inA, a.from, inB, b.from, a.to - a.from, shift)) return false;
        continue;
      }
      case 'first': {
        const [fromA, fromB] = [Number(inA[a.from]), Number(inB[b.from])];
        const rowsA = { page: a.page, from: fromA, to: Number(inA[a.to]) };
        const rowsB = { page: b.page, from: fromB, to: Number(inB[b.to]) };
        if (!sameValues(inA, a.from, inB, b.from, a.to - a.from + 1, fromB - fromA)) return false;
        if (!sameRows(role.of, rowsA, rowsB, lineA, lineB)) return false;
      }
    }
  }
  return true;
}

const FIRST_OF_LINE = new Map<Table, ColumnName>(
  COLUMN_NAMES.flatMap((name): [Table, ColumnName][] => {
    const { table, role } = COLUMNS[name];
    return table === 'line' && role.is === 'first' ? [[role.of, name]] : [];
  }),
);

const firstOfLine = (page: PageDescription, line: number, table: Table): number => {
  const name = FIRST_OF_LINE.get(table);
  return name ? Number(page[name][line]) : 0;
};

/** Do two stretches hold the same, the second `shift` higher? */
function sameValues(
  a: Values,
  aFrom: number,
  b: Values,
  bFrom: number,
  count: number,
  shift: number,
): boolean {
  if (shift === 0) {
    for (let i = 0; i < count; i++) if (a[aFrom + i] !== b[bFrom + i]) return false;
    return true;
  }
  for (let i = 0; i < count; i++) if (Number(a[aFrom + i]) + shift !== b[bFrom + i]) return false;
  return true;
}

function sameMarks(
  a: Values,
  aFrom: number,
  b: Values,
  bFrom: number,
  count: number,
  shift: number,
): boolean {
  for (let i = 0; i < count; i++) {
    const mark = Number(a[aFrom + i]);
    if ((mark === 0 ? 0 : mark + shift) !== b[bFrom + i]) return false;
  }
  return true;
}
