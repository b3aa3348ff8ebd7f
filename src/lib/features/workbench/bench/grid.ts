/** Cells of a matrix or a table, and the changes that its tools make of them. */
export type Cells = readonly (readonly string[])[];

/** Rows of unequal length filled up with empty cells. */
export function squared(rows: Cells): string[][] {
  const width = Math.max(1, ...rows.map((row) => row.length));
  return rows.map((row) => Array.from({ length: width }, (_, c) => row[c] ?? ''));
}

export const withRow = (cells: Cells, after: number): string[][] => [
  ...cells.slice(0, after + 1).map((row) => [...row]),
  (cells[0] ?? ['']).map(() => ''),
  ...cells.slice(after + 1).map((row) => [...row]),
];

export const withoutRow = (cells: Cells, at: number): string[][] =>
  cells.filter((_, r) => r !== at).map((row) => [...row]);

export const withColumnOf = (cells: Cells, after: number): string[][] =>
  cells.map((row) => [...row.slice(0, after + 1), '', ...row.slice(after + 1)]);

export const withoutColumnOf = (cells: Cells, at: number): string[][] =>
  cells.map((row) => row.filter((_, c) => c !== at));

const exchanged = <T>(list: readonly T[], a: number, b: number): T[] =>
  list.map((one, i) => (i === a ? (list[b] as T) : i === b ? (list[a] as T) : one));

/** Two rows, or two columns, change places; null when one of them is outside. */
export const swappedRows = (cells: Cells, a: number, b: number): string[][] | null =>
  cells[a] && cells[b] ? exchanged(cells, a, b).map((row) => [...row]) : null;

export const swappedColumns = (cells: Cells, a: number, b: number): string[][] | null => {
  const width = cells[0]?.length ?? 0;
  return Math.min(a, b) < 0 || Math.max(a, b) >= width
    ? null
    : cells.map((row) => exchanged(row, a, b));
};
