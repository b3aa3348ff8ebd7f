import { COLUMN_NAMES, COLUMNS, type Arrays, type ColumnName } from './schema';

/**
 * A page as flat arrays: what the screen draws and the PDF is written from. What each holds is
 * said in the schema; `walkPage` reads them.
 */
export type PageDescription = {
  readonly number: number;
  readonly width: number;
  readonly height: number;
} & { readonly [Name in ColumnName]: Arrays[(typeof COLUMNS)[Name]['kind']] };

/** The numbers of a column, or its texts. */
export type Values = Arrays[keyof Arrays];

/** A copy whose buffers can be handed over, and these buffers; the one that is copied stays whole. */
export function copyToHandOver(page: PageDescription): {
  readonly copy: PageDescription;
  readonly buffers: ArrayBuffer[];
} {
  const columns = COLUMN_NAMES.map((name): [ColumnName, Values] => [name, page[name].slice()]);
  const buffers = columns.flatMap(([, values]) =>
    ArrayBuffer.isView(values) ? [values.buffer as ArrayBuffer] : [],
  );
  const copy = { ...page, ...Object.fromEntries(columns) };
  return { copy, buffers };
}

/**
 * All of a description, comparable: a block's places in the source as places in the text.
 *
 * @param starts where each block starts in the text, by its id.
 */
export function wholeOf(page: PageDescription, starts: ReadonlyMap<number, number>): unknown {
  const startOf = (line: number): number => starts.get(page.lineBlock[line] as number) ?? -1;
  const operationStarts = new Int32Array(page.operationKind.length);
  page.lineBlock.forEach((_, line) => {
    const [from, to] = [page.lineOperation[line], page.lineOperation[line + 1]];
    operationStarts.fill(startOf(line), from, to);
  });
  const columns = COLUMN_NAMES.map((name): [string, unknown] => {
    const { table, role } = COLUMNS[name];
    const values: ArrayLike<number | string> = page[name];
    if (role.is === 'block') return [name, Array.from(page.lineBlock, (_, line) => startOf(line))];
    if (role.is === 'place' && table === 'operation')
      return [name, Array.from(values, (at, i) => Number(at) + (operationStarts[i] as number))];
    return [name, Array.from(values)];
  });
  const { number, width, height } = page;
  return { number, width, height, ...Object.fromEntries(columns) };
}
