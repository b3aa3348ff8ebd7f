import type { PageDescription } from './description';
import { Numbers } from './numbers';
import { ARRAYS, COLUMN_NAMES, COLUMNS, type ColumnName, type Table } from './schema';

type ListOf<Name extends ColumnName> = (typeof COLUMNS)[Name]['kind'] extends 'text'
  ? string[]
  : Numbers;

/** What is gathered for one page, a list a column; the same lists serve one page after another. */
export type PageLists = { readonly [Name in ColumnName]: ListOf<Name> };

export const newLists = (): PageLists =>
  Object.fromEntries(
    COLUMN_NAMES.map((name) => [name, COLUMNS[name].kind === 'text' ? [] : new Numbers()]),
  ) as unknown as PageLists;

/** Ready for the next page. */
export function clearLists(lists: PageLists): void {
  for (const name of COLUMN_NAMES) {
    const list = lists[name];
    if (list instanceof Numbers) list.clear();
    else list.length = 0;
  }
}

const FIRSTS = COLUMN_NAMES.flatMap((name) => {
  const { table, role } = COLUMNS[name];
  return role.is === 'first' ? [{ name, table, of: role.of }] : [];
});

/** The column that tells how many rows a table has. */
const COUNTED = new Map<Table, { name: ColumnName; width: number }>(
  COLUMN_NAMES.filter((name) => COLUMNS[name].role.is !== 'first')
    .reverse()
    .map((name) => [COLUMNS[name].table, { name, width: COLUMNS[name].width }]),
);

const countOf = (lists: PageLists, table: Table): number => {
  const counted = COUNTED.get(table);
  return counted ? lists[counted.name].length / counted.width : 0;
};

/** Notes, for a row of a table that begins now, where its rows of other tables begin. */
function noteFirsts(lists: PageLists, table: Table): void {
  for (const first of FIRSTS)
    if (first.table === table) (lists[first.name] as Numbers).push(countOf(lists, first.of));
}

export const startLine = (lists: PageLists): void => noteFirsts(lists, 'line');
export const startRun = (lists: PageLists): void => noteFirsts(lists, 'run');
export const startPath = (lists: PageLists): void => noteFirsts(lists, 'path');

/** The lists as arrays of their own. */
export function arraysOf(lists: PageLists): Omit<PageDescription, 'number' | 'width' | 'height'> {
  for (const table of new Set(FIRSTS.map((first) => first.table))) noteFirsts(lists, table);
  return Object.fromEntries(
    COLUMN_NAMES.map((name) => {
      const list = lists[name];
      const { kind } = COLUMNS[name];
      return [
        name,
        list instanceof Numbers ? list.as(ARRAYS[kind as keyof typeof ARRAYS]) : [...list],
      ];
    }),
  ) as unknown as PageDescription;
}
