import type { Glue, Sp } from '../base/lengths';
import type { FontSpec } from './font';
import type { Inline } from './inlines';
import type { MathList } from './math';

/** How a paragraph is broken into lines; TeX's parameters by our names. */
export interface ParagraphShape {
  /** Width of the column the paragraph stands in. */
  readonly width: Sp;
  readonly left: Sp;
  readonly right: Sp;
  readonly leftSkip: Glue;
  readonly rightSkip: Glue;
  readonly fillSkip: Glue;
  readonly indent: Sp;
  readonly baselineSkip: Glue;
  readonly lineSkip: Glue;
  readonly lineSkipLimit: Sp;
  readonly tolerance: number;
  readonly pretolerance: number;
  readonly emergencyStretch: Sp;
  readonly clubPenalty: number;
  readonly widowPenalty: number;
  readonly interlinePenalty: number;
}

export interface Paragraph {
  readonly kind: 'paragraph';
  readonly inlines: readonly Inline[];
  readonly shape: ParagraphShape;
}

/**
 * Space between blocks. `merge`: of two that meet the larger counts (LaTeX's
 * `\addvspace`); `keep`: stays at the top of a page (`\vspace*`).
 */
export interface VerticalSpace {
  readonly kind: 'vspace';
  readonly glue: Glue;
  readonly behaviour: 'plain' | 'merge' | 'keep';
}

export interface VerticalPenalty {
  readonly kind: 'penalty';
  readonly penalty: number;
}

/** A rule across the column. */
export interface VerticalRule {
  readonly kind: 'rule';
  readonly width: Sp;
  readonly height: Sp;
  readonly left: Sp;
}

export interface DisplayRow {
  readonly cells: readonly MathList[];
  /** The number or tag at the margin, or null. */
  readonly tag: readonly Inline[] | null;
  /** The number the document gave the row, or ''. */
  readonly number: string;
  readonly labels: readonly string[];
  /** Extra space below the row. */
  readonly skip: Sp;
  /** Text between this row and the one before (`\intertext`). */
  readonly textAbove: readonly BlockNode[] | null;
  readonly from: number;
  readonly to: number;
}

/** A displayed formula, of one or several rows. */
export interface Display {
  readonly kind: 'display';
  /** `single`: one row, centred; `aligned`: pairs of columns; `gathered`: rows centred; `multiline`: first left, last right. */
  readonly layout: 'single' | 'aligned' | 'gathered' | 'multiline' | 'equationArray';
  readonly rows: readonly DisplayRow[];
  readonly font: FontSpec;
  readonly width: Sp;
  readonly left: Sp;
  readonly above: Glue;
  readonly below: Glue;
  readonly aboveShort: Glue;
  readonly belowShort: Glue;
  readonly preDisplayPenalty: number;
  readonly postDisplayPenalty: number;
  readonly rowPenalty: number;
  readonly baselineSkip: Glue;
  readonly lineSkip: Glue;
  readonly lineSkipLimit: Sp;
  readonly tagSide: 'left' | 'right';
  /** Indent from the left instead of centring (`fleqn`), or null. */
  readonly flushIndent: Sp | null;
  readonly from: number;
  readonly to: number;
}

/** Changes that a page takes on from here: its head and foot, a new number. */
export interface PageStyleChange {
  readonly kind: 'pagestyle';
  readonly style: string;
  readonly thisPageOnly: boolean;
}

/** Lines of blocks that want no line space before them (`\nointerlineskip`). */
export interface NoInterline {
  readonly kind: 'nointerline';
}

/** A heading for the outline and the seam. */
export interface OutlineMark {
  readonly kind: 'outline';
  readonly level: number;
  readonly number: string;
  readonly title: string;
  readonly from: number;
  readonly to: number;
}

/** A number the document has given out: an equation's, a theorem's. */
export interface NumberMark {
  readonly kind: 'number';
  readonly what: string;
  readonly number: string;
  readonly from: number;
  readonly to: number;
}

/** A label that stands between paragraphs. */
export interface LabelMark {
  readonly kind: 'label';
  readonly name: string;
}

export type BlockNode =
  | LabelMark
  | Paragraph
  | VerticalSpace
  | VerticalPenalty
  | VerticalRule
  | Display
  | PageStyleChange
  | NoInterline
  | OutlineMark
  | NumberMark;
