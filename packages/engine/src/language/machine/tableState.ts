import type { TableRule, TabularColumn, TabularGap } from '../../document/inlines';
import type { Token } from '../../expansion/meaning';

/** A column as the preamble describes it: with the tokens before and behind each of its cells. */
export interface ColumnSpec {
  readonly column: TabularColumn;
  readonly before: readonly Token[];
  readonly after: readonly Token[];
  readonly color: number | null;
}

export interface Preamble {
  readonly columns: readonly ColumnSpec[];
  readonly gaps: readonly TabularGap[];
}

/** What commands inside a table leave for it: rules, colours, a cell of its own kind. */
export interface TableState {
  rules: TableRule[];
  rowColor: number | null;
  cellColor: number | null;
  own: { span: number; preamble: Preamble } | null;
  rows: number;
  /** What ends heads and feet of a long table, after so many rows, and the rules below those. */
  parts: { readonly name: string; readonly at: number; readonly below: readonly TableRule[] }[];
  caption: (() => void) | null;
  count: number;
}

/** What is known of the table while its cells are read. */
export interface CellFrame {
  /** Name of the environment whose `\end` ends the table. */
  readonly environment: string;
  /** Tokens behind the cell's contents (`<{…}`). */
  after: readonly Token[];
}
