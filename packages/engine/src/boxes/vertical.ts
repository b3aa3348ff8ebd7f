import type { Glue, Sp } from '../base/lengths';
import type {
  BackdropChange,
  ContentsMark,
  LabelMark,
  NoTopFloats,
  WholePage,
  NumberMark,
  OutlineMark,
  PageNumberChange,
  PageStyleChange,
  RunningMark,
  RunningRules,
} from '../document/blocks';
import type { ColumnLayout } from '../document/page';
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
  | OutlineMark
  | NumberMark
  | LabelMark
  | PageStyleChange
  | BackdropChange
  | PageNumberChange
  | RunningMark
  | NoTopFloats
  | WholePage
  | ContentsMark;

/** A figure or table set and ready to be placed. */
export interface FloatVItem {
  readonly kind: 'float';
  readonly type: string;
  readonly placement: string;
  readonly wide: boolean;
  readonly items: readonly VItem[];
  /** Its contents at their natural height. */
  readonly box: Box;
  /** The block it is of: it may be placed far from it. */
  readonly block?: number;
}

/** Space, and what fills it. */
export interface GlueVItem {
  readonly kind: 'glue';
  readonly glue: Glue;
  readonly leader?: SetVerticalLeader;
}

/** Copies of a box, or rules as high as the space is. */
export type SetVerticalLeader =
  { readonly kind: 'box'; readonly box: Box; readonly left: Sp } | RunningRules;

/** An item of the main vertical list. */
export type VItem =
  | LineVItem
  | FloatVItem
  | GlueVItem
  /** Space that merges with the space before it: the larger counts (LaTeX's `\addvspace`). */
  | { readonly kind: 'addvspace'; readonly glue: Glue }
  /** `added` goes before the space at the end of the list (LaTeX's `\addpenalty`). */
  | { readonly kind: 'penalty'; readonly penalty: number; readonly added?: boolean }
  | {
      readonly kind: 'rule';
      readonly x: Sp;
      readonly width: Sp;
      readonly height: Sp;
      readonly color: number;
      readonly running?: boolean;
    }
  /** The next line gets no line space before it. */
  | { readonly kind: 'nointerline' }
  | { readonly kind: 'footnote'; readonly items: readonly VItem[] }
  | { readonly kind: 'clear'; readonly odd: boolean; readonly barrier?: true }
  | {
      readonly kind: 'columnchange';
      readonly layout: ColumnLayout;
      readonly wide: readonly VItem[];
    }
  | {
      readonly kind: 'balanced';
      readonly layout: ColumnLayout;
      readonly left: Sp;
      readonly items: readonly VItem[];
    }
  /** Repeated at the top of every page, and at the foot of those before, until the next one of these; empty ends it. */
  | { readonly kind: 'repeat'; readonly items: readonly VItem[]; readonly foot: readonly VItem[] }
  | { readonly kind: 'mark'; readonly mark: PageMark };
