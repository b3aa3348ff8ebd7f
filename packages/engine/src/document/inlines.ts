import type { Glue, Sp } from '../base/lengths';
import type { FontSpec } from './font';
import type { MathList } from './math';
import type { BlockNode } from './blocks';

/** Every inline knows its place, counted from the start of its block. */
interface Placed {
  readonly from: number;
  readonly to: number;
}

/** A run of characters in one font, without blanks. */
export interface TextInline extends Placed {
  readonly kind: 'text';
  readonly text: string;
  readonly font: FontSpec;
}

/** A blank between words; `factor` is TeX's space factor, 1000 for an ordinary one. */
export interface SpaceInline extends Placed {
  readonly kind: 'space';
  readonly font: FontSpec;
  readonly factor: number;
}

export interface GlueInline extends Placed {
  readonly kind: 'glue';
  readonly glue: Glue;
}

export interface KernInline extends Placed {
  readonly kind: 'kern';
  readonly width: Sp;
}

export interface PenaltyInline extends Placed {
  readonly kind: 'penalty';
  readonly penalty: number;
}

/** `\\`: ends the line, with extra space below it. */
export interface BreakInline extends Placed {
  readonly kind: 'break';
  readonly skip: Sp;
  /** Fill the line with space; false where the lines are centred or ragged anyway. */
  readonly fill: boolean;
}

/** A formula within the line. */
export interface MathInline extends Placed {
  readonly kind: 'math';
  readonly list: MathList;
  readonly font: FontSpec;
}

/** What a reference prints: the label's number, or its page. */
export interface RefInline extends Placed {
  readonly kind: 'ref';
  readonly label: string;
  readonly what: 'number' | 'page';
  readonly font: FontSpec;
}

/** A place that can be pointed to. */
export interface AnchorInline extends Placed {
  readonly kind: 'anchor';
  readonly label: string;
}

/** A box within the line, as wide as said or as its contents. */
export interface BoxInline extends Placed {
  readonly kind: 'box';
  readonly inlines: readonly Inline[];
  readonly width: Sp | null;
  readonly align: 'left' | 'center' | 'right';
  readonly raise: Sp;
  /** `phantom`: as large as its contents, and empty. */
  readonly hidden: boolean;
  /** Frame: thickness and padding, or null. */
  readonly frame: { readonly rule: Sp; readonly padding: Sp } | null;
  /** An overfull fixed width is left alone when contents may stick out (labels). */
  readonly grow: boolean;
}

export interface RuleInline extends Placed {
  readonly kind: 'rule';
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
}

/** A table within the line. */
export interface TabularInline extends Placed {
  readonly kind: 'tabular';
  readonly columns: readonly TabularColumn[];
  readonly rows: readonly TabularRow[];
  readonly valign: 'top' | 'center' | 'bottom';
  readonly baselineSkip: Sp;
  readonly columnSep: Sp;
  /** Rules before column i (0 … n), counted. */
  readonly bars: readonly number[];
  readonly ruleWidth: Sp;
}

export interface TabularColumn {
  readonly align: 'left' | 'center' | 'right';
  /** Width of a paragraph column, or null. */
  readonly width: Sp | null;
}

export interface TabularRow {
  readonly cells: readonly (readonly Inline[])[];
  /** Rules above the row (`\hline`), counted. */
  readonly rulesAbove: number;
  readonly skip: Sp;
}

/** A box of paragraphs within the line (`\parbox`, `minipage`). */
export interface ParboxInline extends Placed {
  readonly kind: 'parbox';
  readonly blocks: readonly BlockNode[];
  readonly width: Sp;
  readonly valign: 'top' | 'center' | 'bottom';
}

export type Inline =
  | TextInline
  | SpaceInline
  | GlueInline
  | KernInline
  | PenaltyInline
  | BreakInline
  | MathInline
  | RefInline
  | AnchorInline
  | BoxInline
  | RuleInline
  | TabularInline
  | ParboxInline;
