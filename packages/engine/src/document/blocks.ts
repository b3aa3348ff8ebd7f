import type { LineNumbers } from './lineNumbers';
import type { Glue, Sp } from '../base/lengths';
import type { FontSpec } from './font';
import type { Inline, TableRule, TabularInline } from './inlines';
import type { MathList } from './math';
import type { Backdrop, ColumnLayout, NumberStyle, PageStyle, RunningWords } from './page';

/** What breaks of lines cost, by the registers of these names (The TeXbook, chapter 14). */
export interface LineCosts {
  readonly linePenalty: number;
  readonly hyphenPenalty: number;
  readonly exHyphenPenalty: number;
  readonly adjDemerits: number;
  readonly doubleHyphenDemerits: number;
  readonly finalHyphenDemerits: number;
  readonly brokenPenalty: number;
}

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
  readonly costs: LineCosts;
  /** Where lines stand that are not all alike; the last of them holds for all that follow. */
  readonly lineShapes: readonly LineShape[] | null;
  /** So many lines more than the best number, or fewer. */
  readonly looseness: number;
  readonly hyphenation: Hyphenation;
  /** How its lines are numbered, or not. */
  readonly lineNumbers: LineNumbers | null;
}

/** Where a line begins, from the left edge of its column, and its width. */
export interface LineShape {
  readonly indent: Sp;
  readonly width: Sp;
}

/** Patterns that words are divided by; the name is that of their file in the registry's package. */
export type PatternName =
  | 'en-us'
  | 'en-gb'
  | 'de-1901'
  | 'de-1996'
  | 'de-ch-1901'
  | 'fr'
  | 'es'
  | 'it'
  | 'pt'
  | 'nl'
  | 'pl';

/** How words are divided. */
export interface Hyphenation {
  /** Null where no word is divided. */
  readonly patterns: PatternName | null;
  /** Letters that stay together at the start and the end of a word. */
  readonly left: number;
  readonly right: number;
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
  /** What fills it. */
  readonly leader?: VerticalLeader;
  /** Nothing is behind it (`\vspace` and its kin end in `\vskip 0pt`): what follows is added whole. */
  readonly closed?: boolean;
}

/** What fills space between blocks: copies of a box, or rules as high as the space is. */
export type VerticalLeader =
  { readonly kind: 'box'; readonly inlines: readonly Inline[]; readonly left: Sp } | RunningRules;

/** Upright rules as high as the space that they fill, from the left edge of the column. */
export interface RunningRules {
  readonly kind: 'rules';
  readonly rules: readonly { readonly left: Sp; readonly width: Sp }[];
  readonly color: number;
}

export interface VerticalPenalty {
  readonly kind: 'penalty';
  readonly penalty: number;
  /** It goes before the space at the end of the list (LaTeX's `\addpenalty`). */
  readonly added?: boolean;
}

/** A rule across the column. */
export interface VerticalRule {
  readonly kind: 'rule';
  readonly width: Sp;
  readonly height: Sp;
  readonly left: Sp;
  readonly color: number;
  /** As wide as the box it stands in, when that takes its width from its contents. */
  readonly running?: boolean;
}

export interface DisplayRow {
  readonly cells: readonly MathList[];
  /** The number or tag at the margin, or null. */
  readonly tag: readonly Inline[] | null;
  /** The end mark of a proof that ends with the row: at the right margin, wherever numbers stand. */
  readonly endMark?: readonly Inline[];
  /** The number the document gave the row, or ''. */
  readonly number: string;
  readonly labels: readonly string[];
  /** Extra space below the row. */
  readonly skip: Sp;
  /** Text between this row and the one before (`\intertext`). */
  readonly textAbove: readonly BlockNode[] | null;
  /** `multiline`: moved to the left or the right margin. */
  readonly shove?: 'left' | 'right';
  /** A page break below the row is wished or not (`\displaybreak`). */
  readonly breakBelow?: number;
  readonly from: number;
  readonly to: number;
}

export type DisplayLayout =
  'single' | 'aligned' | 'alignedAt' | 'alignedFull' | 'gathered' | 'multiline' | 'equationArray';

/** A displayed formula, of one or several rows. */
export interface Display {
  readonly kind: 'display';
  /**
   * `single`: one row, centred; `aligned`: pairs of columns, spread over the width; `alignedAt`:
   * without space between them; `alignedFull`: from margin to margin; `gathered`: rows
   * centred; `multiline`: first left, last right.
   */
  readonly layout: DisplayLayout;
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
  /** `\jot`: extra space between the lines of an alignment (plain TeX, amsmath). */
  readonly jot: Sp;
  /** Indent from the left instead of centring (`fleqn`), or null. */
  readonly flushIndent: Sp | null;
  /** No line of its paragraph stands before it. */
  readonly alone?: boolean;
  readonly from: number;
  readonly to: number;
}

/** What stands at head and foot from here on, or on this page only. */
export interface PageStyleChange {
  readonly kind: 'pagestyle';
  readonly style: PageStyle;
  readonly thisPageOnly: boolean;
}

/** What stands behind and before the text from here on, or on this page only. */
export interface BackdropChange {
  readonly kind: 'backdrop';
  readonly backdrop: Backdrop;
  readonly thisPageOnly: boolean;
}

/** Page numbers count from `value` here, written in `style`; null leaves either as it is. */
export interface PageNumberChange {
  readonly kind: 'pagenumber';
  readonly value: number | null;
  readonly style: NumberStyle | null;
}

/** Texts for running heads; null leaves one as it is. */
export interface RunningMark {
  readonly kind: 'running';
  readonly left: RunningWords | null;
  readonly right: RunningWords | null;
  /** A second pair of texts (`\extramarks`). */
  readonly extra?: readonly [left: RunningWords, right: RunningWords];
}

/** An entry for a list of contents. `entry` belongs to `language`; pages hand it back with the page it fell on. */
export interface ContentsMark {
  readonly kind: 'contents';
  readonly list: string;
  readonly entry: unknown;
  readonly from: number;
  readonly to: number;
}

/** No float stands at the top of this page (a chapter begins on it). */
export interface NoTopFloats {
  readonly kind: 'notop';
}

/** This page is a slide: all up to the next one stands on it, room or not, and floats stand where they are. */
export interface WholePage {
  readonly kind: 'wholepage';
}

/** Ends the page; all floats that wait are placed. `odd`: the next page is a right-hand one. */
export interface ClearPage {
  readonly kind: 'clear';
  readonly odd: boolean;
  /** Only when floats wait: they come before what follows (package placeins). */
  readonly barrier?: true;
}

/** From here on pages have these columns; `wide` stands above them over the whole width. */
export interface ColumnsChange {
  readonly kind: 'columnchange';
  readonly layout: ColumnLayout;
  readonly wide: readonly BlockNode[];
}

/** Text in columns of equal height (`multicols`). */
export interface BalancedColumns {
  readonly kind: 'balanced';
  readonly layout: ColumnLayout;
  readonly left: Sp;
  readonly blocks: readonly BlockNode[];
}

/** A figure or table that finds its own place. */
export interface Float {
  readonly kind: 'float';
  readonly type: string;
  /** Letters of `h t b p` and `!`. */
  readonly placement: string;
  /** Over all columns. */
  readonly wide: boolean;
  readonly width: Sp;
  readonly blocks: readonly BlockNode[];
  readonly from: number;
  readonly to: number;
}

/** The text of a footnote, for the foot of the page it is met on. */
export interface Footnote {
  readonly kind: 'footnote';
  readonly blocks: readonly BlockNode[];
  readonly width: Sp;
}

/** A box that stands in the column by itself, without a paragraph around it. */
export interface LooseBox {
  readonly kind: 'loosebox';
  readonly inline: Inline;
  readonly left: Sp;
  readonly spacing: {
    readonly baselineSkip: Glue;
    readonly lineSkip: Glue;
    readonly lineSkipLimit: Sp;
  };
}

/** Blocks in a frame that may go on over pages. */
export interface Framed {
  readonly kind: 'framed';
  /** Its upper and its lower edge, each as a box of the whole width. */
  readonly head: Inline;
  readonly foot: Inline;
  readonly blocks: readonly BlockNode[];
  readonly left: Sp;
  readonly width: Sp;
  /** The rules at its sides. */
  readonly rules: readonly [left: Sp, right: Sp];
  readonly frame: number;
  readonly ground: number | null;
  /** From its left edge to what it holds. */
  readonly room: Sp;
  readonly spacing: LooseBox['spacing'];
  /** Its end hangs below its baseline: the line behind it keeps off by `\lineskip`. */
  readonly hung?: boolean;
}

/** Rows of a long table from one to another (exclusive), and the rules below them. */
export interface TableStretch {
  readonly from: number;
  readonly to: number;
  readonly below: readonly TableRule[];
}

/** A table that may go over several pages, with heads and feet for the first, the last and those between. */
export interface LongTable {
  readonly kind: 'longtable';
  /** With all rows, those of heads and feet first. */
  readonly table: TabularInline;
  readonly firstHead: TableStretch;
  readonly head: TableStretch;
  readonly foot: TableStretch;
  readonly lastFoot: TableStretch;
  /** Where the rows between them start. */
  readonly body: number;
  readonly width: Sp;
  readonly left: Sp;
}

/** A note beside the line it is met on, and what it is in the left margin, where that is said (LaTeX's `\marginpar`). */
export interface MarginNote {
  readonly kind: 'marginnote';
  readonly inline: Inline;
  readonly left: Inline | null;
  readonly width: Sp;
  /** From the column. */
  readonly sep: Sp;
  /** From the note below it; null: it stays where it is (package marginnote). */
  readonly push: Sp | null;
  /** Down from its line. */
  readonly shift: Sp;
  readonly reversed: boolean;
}

/** What a paragraph sends out of itself: notes, floats and marks follow the line they stand on. */
export type Migrant =
  | Footnote
  | Float
  | RunningMark
  | ContentsMark
  | PageStyleChange
  | BackdropChange
  | BackdropChange
  | PageNumberChange
  | VerticalSpace
  | VerticalPenalty
  | LooseBox
  | MarginNote
  | NumberMark;

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
  | BackdropChange
  | NoInterline
  | OutlineMark
  | NumberMark
  | PageNumberChange
  | RunningMark
  | ContentsMark
  | ClearPage
  | NoTopFloats
  | WholePage
  | ColumnsChange
  | BalancedColumns
  | Float
  | Footnote
  | LooseBox
  | Framed
  | LongTable;
