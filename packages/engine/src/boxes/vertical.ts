import type { Glue, Sp } from '../base/lengths';
import type { Box } from './box';

/** How far apart the baselines of neighbouring lines stand (The TeXbook, chapter 12). */
export interface LineSpacing {
  readonly baselineSkip: Glue;
  readonly lineSkip: Glue;
  readonly lineSkipLimit: Sp;
}

/** A line of the main column, not yet placed. */
export interface LineVItem {
  readonly kind: 'line';
  readonly box: Box;
  /** From the left edge of the column. */
  readonly x: Sp;
  readonly spacing: LineSpacing;
  /** Labels that stand on this line. */
  readonly labels: readonly string[];
}

/** Facts that a place on the page gives out. */
export type PageMark =
  | {
      readonly kind: 'outline';
      readonly level: number;
      readonly number: string;
      readonly title: string;
      readonly from: number;
      readonly to: number;
    }
  | {
      readonly kind: 'number';
      readonly what: string;
      readonly number: string;
      readonly from: number;
      readonly to: number;
    }
  | { readonly kind: 'label'; readonly name: string }
  | { readonly kind: 'pagestyle'; readonly style: string; readonly thisPageOnly: boolean };

/** An item of the main vertical list. */
export type VItem =
  | LineVItem
  | { readonly kind: 'glue'; readonly glue: Glue }
  /** Space that merges with the space before it: the larger counts (LaTeX's `\addvspace`). */
  | { readonly kind: 'addvspace'; readonly glue: Glue }
  | { readonly kind: 'penalty'; readonly penalty: number }
  | { readonly kind: 'rule'; readonly x: Sp; readonly width: Sp; readonly height: Sp }
  /** The next line gets no line space before it. */
  | { readonly kind: 'nointerline' }
  | { readonly kind: 'mark'; readonly mark: PageMark };
