import type { Span } from '../../base/spans';
import type { BlockNode } from '../../document/blocks';
import type { Token } from '../../expansion/meaning';

/** What `\hline`, `\hdashline` and `\cline` put above a row. */
export interface RowBorders {
  rules: number;
  dashed: boolean;
  /** First and last column of each rule over some of them, from 0. */
  parts: (readonly [number, number])[];
}
export const noBorders = (): RowBorders => ({ rules: 0, dashed: false, parts: [] });

/** What `\tag`, `\notag` and `\label` say of the row they stand in. */
export interface RowMarks {
  /** Text between this row and the one before (`\intertext`). */
  textAbove?: readonly BlockNode[];
  numbered: boolean;
  tag: { readonly tokens: readonly Token[]; readonly bare: boolean } | null;
  readonly labels: { readonly name: string; readonly span: Span }[];
  shove?: 'left' | 'right';
  breakBelow?: number;
}
