import type { Sp } from '../../base/lengths';
import type {
  Inline,
  TableRule,
  TabularCell,
  TabularColumn,
  TabularGap,
} from '../../document/inlines';
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
  /** The colour of the text where it begins: that of its rules. */
  readonly ink: number;
  rules: TableRule[];
  rowColor: number | null;
  cellColor: number | null;
  own: { span: number; preamble: Preamble } | null;
  rows: number;
  /** What ends heads and feet of a long table, after so many rows, and the rules below those. */
  parts: { readonly name: string; readonly at: number; readonly below: readonly TableRule[] }[];
  caption: (() => void) | null;
  count: number;
  /** Numbers that align at their points. */
  readonly points: Map<TabularCell, PointCell>;
}

/** A number set in a column that aligns at the point; sizes in sp. */
export interface PointCell {
  readonly inlines: readonly Inline[];
  /** Before its point, and from it on. */
  readonly left: Sp;
  readonly right: Sp;
  /** Room that its column keeps in any case. */
  readonly leastLeft: Sp;
  readonly leastRight: Sp;
  /** The point is the middle of the column. */
  readonly centred: boolean;
}

/** What is known of the table while its cells are read. */
export interface CellFrame {
  /** Name of the environment whose `\end` ends the table. */
  readonly environment: string;
  /** Tokens behind the cell's contents (`<{…}`). */
  after: readonly Token[];
  /** The number it holds, where columns align at the point. */
  point?: PointCell;
}
