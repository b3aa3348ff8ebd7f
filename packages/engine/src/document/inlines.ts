import type { Glue, Sp } from '../base/lengths';
import type { Bounds } from '../base/paths';
import type { Span } from '../base/spans';
import type { Mark } from './drawing';
import type { FontSpec } from './font';
import type { MathList } from './math';
import type { BlockNode, Migrant } from './blocks';

// Every inline knows its place, counted from the start of its block.

/** A run of characters in one font, without blanks. */
export interface TextInline extends Span {
  readonly kind: 'text';
  readonly text: string;
  readonly font: FontSpec;
  /** Where alone it may be divided, as the document says: offsets of what would start the next line. */
  readonly cuts?: readonly number[];
  /** From a picture made elsewhere: what signs stand in it is nobody's mistake here. */
  readonly foreign?: true;
  /** Where it leads, as a word of a link. */
  readonly target?: string;
}

/** A blank between words; `factor` is TeX's space factor, 1000 for an ordinary one. */
export interface SpaceInline extends Span {
  readonly kind: 'space';
  readonly font: FontSpec;
  readonly factor: number;
  /** What the document sets in place of the font's own blank (`\spaceskip`). */
  readonly own?: Glue;
}

export interface GlueInline extends Span {
  readonly kind: 'glue';
  readonly glue: Glue;
  /** What fills the glue: copies of a box side by side, or a rule. */
  readonly leader?: Leader;
}

export type Leader =
  | { readonly kind: 'box'; readonly inlines: readonly Inline[]; readonly width: Sp }
  | {
      readonly kind: 'rule';
      readonly height: Sp;
      readonly depth: Sp;
      /** Between blocks, where it is as high as the space. */
      readonly width?: Sp;
      readonly color: number;
    };

export interface KernInline extends Span {
  readonly kind: 'kern';
  readonly width: Sp;
}

/** `\\/`: room for what a slanted letter leans over. */
export interface CorrectionInline extends Span {
  readonly kind: 'correction';
  readonly letter: string;
  readonly font: FontSpec;
}

export interface PenaltyInline extends Span {
  readonly kind: 'penalty';
  readonly penalty: number;
}

/** `\\`: ends the line, with extra space below it. */
export interface BreakInline extends Span {
  readonly kind: 'break';
  readonly skip: Sp;
  /** Fill the line with space; false where the lines are centred or ragged anyway. */
  readonly fill: boolean;
}

/** A formula within the line. */
export interface MathInline extends Span {
  readonly kind: 'math';
  readonly list: MathList;
  readonly font: FontSpec;
  /** What a break behind a relation or an operator costs, where it is not the usual. */
  readonly breakCosts?: FormulaBreakCosts;
}

/** `\relpenalty` and `\binoppenalty`. */
export interface FormulaBreakCosts {
  readonly relation: number;
  readonly operator: number;
}

/** Stands where there is no word for what a label names. */
export const UNNAMED = '??';

/** What a reference asks of its label. */
export type RefWhat =
  | 'number'
  | 'part'
  | 'page'
  | 'title'
  | 'cite'
  | 'cites'
  | 'kind'
  | 'autokind'
  | 'clever'
  | 'clevers'
  | 'cleverrange'
  | 'cleverlabel';

/** What a reference prints: the label's number, its page, its heading, or how it is cited. */
export interface RefInline extends Span {
  readonly kind: 'ref';
  readonly label: string;
  readonly what: RefWhat;
  readonly font: FontSpec;
  /** `kind`: begins with a capital; several things are named. */
  readonly capital?: boolean;
  readonly plural?: boolean;
  /** Written as at the start of a sentence, which the document may have a format of its own for. */
  readonly starts?: boolean;
  /** `kind`: “equation”, not “eq.”. */
  readonly long?: boolean;
  /** `kind`: the labels named before and behind it; a kind is said once for all of its own in a row. */
  readonly neighbours?: readonly [string, string];
  /** `clevers`, `cleverrange`: the words between, where they are not the usual ones. */
  readonly joins?: readonly string[];
  /** Its numbers are links, in this colour or that of the text; the names before them too. */
  readonly leads?: { readonly color: number | null; readonly names: boolean };
}

/** What is known only when the page is made: its number, and what runs in its head. */
export interface FieldInline extends Span {
  readonly kind: 'field';
  readonly what: 'page' | 'left' | 'right' | 'extraLeft' | 'extraRight' | 'pages';
  readonly font: FontSpec;
  /** Without the capitals that its mark makes of it. */
  readonly uncapitalised: boolean;
}

/** Begins the names of places that only the page itself asks for: no link leads there. */
export const UNNAMED_PLACE = '\u0001place:';

/** A place that can be pointed to. */
export interface AnchorInline extends Span {
  readonly kind: 'anchor';
  readonly label: string;
}

/** A box within the line, as wide as said or as its contents. */
export interface BoxInline extends Span {
  readonly kind: 'box';
  readonly inlines: readonly Inline[];
  readonly width: Sp | null;
  /** `fill`: only the glue in it makes it as wide as asked. */
  readonly align: 'left' | 'center' | 'right' | 'fill';
  readonly raise: Sp;
  /** `phantom`: as large as its contents, and empty. */
  readonly hidden: boolean;
  /** Frame: thickness and padding, or null. */
  readonly frame: {
    readonly rule: Sp;
    readonly padding: Sp;
    readonly color?: number;
    readonly background?: number;
  } | null;
  /** An overfull fixed width is left alone when contents may stick out (labels). */
  readonly grow: boolean;
  /** Scaled, mirrored (negative), turned counter-clockwise about its reference point. */
  readonly transform?: { readonly x: number; readonly y: number; readonly degrees: number };
  /** Height and depth are taken for these (`\smash`, `\raisebox[…]`). */
  readonly vertical?: { readonly height: Sp | null; readonly depth: Sp | null };
  /** How much is seen of paths, rules and pictures in it: 0 nothing, 1 all. Text says so by its colour. */
  readonly veil?: number;
}

/**
 * Which of a rule's sizes are those of the box that it stands in (TeX: The Program, §138); those it
 * has hold where the box has no other contents.
 */
export interface Running {
  readonly height: boolean;
  readonly depth: boolean;
}

export interface RuleInline extends Span {
  readonly kind: 'rule';
  readonly width: Sp;
  readonly height: Sp;
  readonly depth: Sp;
  readonly color?: number;
  readonly running?: Running;
}

/** A picture: a file, and the size it is given. */
export interface ImageInline extends Span {
  readonly kind: 'image';
  readonly file: string;
  readonly width: Sp;
  readonly height: Sp;
  /** Part of the picture cut off at left, bottom, right and top, as shares of its size. */
  readonly crop: readonly [number, number, number, number] | null;
  /** Shown as an empty frame: the file is missing, or the document is a draft. */
  readonly blank: boolean;
}

/** Marks at places of their own, y upwards from the reference point. */
export interface DrawingInline extends Span {
  readonly kind: 'drawing';
  readonly marks: readonly Mark[];
  /** What it takes up, the baseline at y = 0; null: as much as its marks do. */
  readonly bounds: Bounds | null;
}

/** Text with a line under, through or behind it. */
export interface DecoratedInline extends Span {
  readonly kind: 'decorated';
  readonly inlines: readonly Inline[];
  /** The line's lower edge from the baseline, and its thickness. */
  readonly rise: Sp;
  readonly thickness: Sp;
  readonly color: number;
  /** Drawn behind the text. */
  readonly behind: boolean;
  readonly wave: boolean;
}

/** Words that lead somewhere: an address, or a label of the document. */
export interface LinkInline extends Span {
  readonly kind: 'link';
  readonly inlines: readonly Inline[];
  readonly target: string;
}

/** Something that leaves the line for the column or the page: a note, a float, a mark. */
export interface MigrantInline extends Span {
  readonly kind: 'migrant';
  readonly node: Migrant;
}

/** A table within the line. */
export interface TabularInline extends Span {
  readonly kind: 'tabular';
  readonly columns: readonly TabularColumn[];
  /** What stands before column i (0 … n): one more than columns. */
  readonly gaps: readonly TabularGap[];
  readonly rows: readonly TabularRow[];
  readonly rulesBelow: readonly TableRule[];
  readonly valign: 'top' | 'center' | 'bottom';
  /** Of the type around it. */
  readonly size: Sp;
  /** The whole width asked for (`tabular*`, `tabularx`), or null. */
  readonly width: Sp | null;
  /** Height and depth of every row at least. */
  readonly strut: { readonly height: Sp; readonly depth: Sp };
  readonly extraHeight: Sp;
  readonly columnSep: Sp;
  readonly ruleWidth: Sp;
  readonly doubleSep: Sp;
  readonly ruleColor: number;
}

export interface TabularColumn {
  readonly align: 'left' | 'center' | 'right';
  /** Width of a paragraph column, or null. */
  readonly width: Sp | null;
  readonly valign: 'top' | 'center' | 'bottom';
  /** Takes its share of the table's width (`X`). */
  readonly flexible: boolean;
  /** How much more or less than an even share that is. */
  readonly share?: number;
}

/** Between two columns: space of either, and what stands there in order. */
export interface TabularGap {
  readonly before: boolean;
  readonly after: boolean;
  readonly parts: readonly GapPart[];
  /** Grows to fill the width, or is wider by a length (`\extracolsep`). */
  readonly grows: boolean;
  readonly extra: Sp;
}

/** A bar, a dashed one, or what else stands between columns. */
export type GapPart = 'bar' | Dashes | readonly Inline[];

/** How a line is dashed: so long a dash, so long a gap; half a dash at both ends, so that those of two rows are one. */
export interface Dashes {
  readonly dash: Sp;
  readonly gap: Sp;
}

export interface TableRule {
  readonly kind: 'rule' | 'space';
  /** Thickness, or the height of the space. */
  readonly size: Sp;
  /** Columns from and to (exclusive); null for all. */
  readonly span: readonly [number, number] | null;
  readonly trim: readonly [Sp, Sp];
  readonly color: number;
  /** Rules of one group stand on one line (`\cline` behind `\cline`). */
  readonly level: boolean;
  readonly dashes?: Dashes;
}

export interface TabularCell {
  readonly span: number;
  readonly column: TabularColumn;
  /** Its own borders (`\multicolumn`), or null for the table's. */
  readonly before: TabularGap | null;
  readonly after: TabularGap | null;
  /** Text on one line, or a column of blocks. */
  readonly inlines: readonly Inline[];
  readonly blocks: readonly BlockNode[] | null;
  readonly color: number | null;
  /** Rows it is set over (`\multirow`). */
  readonly rows: number;
}

export interface TabularRow {
  readonly cells: readonly TabularCell[];
  /** Rules and spaces above the row. */
  readonly above: readonly TableRule[];
  readonly skip: Sp;
  readonly color: number | null;
}

/** A box of paragraphs within the line (`\parbox`, `minipage`). */
export interface ParboxInline extends Span {
  readonly kind: 'parbox';
  readonly blocks: readonly BlockNode[];
  /** Null: as wide as its widest line. */
  readonly width: Sp | null;
  readonly valign: 'top' | 'center' | 'bottom';
  /** Of the type around it, where it stands with its middle on the line; 10 pt where it is not said. */
  readonly size?: Sp;
  /** The height asked for, or null, and where the contents stand in it. */
  readonly height?: Sp | null;
  readonly inner?: 'top' | 'center' | 'bottom' | 'stretch';
}

export type Inline =
  | TextInline
  | SpaceInline
  | GlueInline
  | KernInline
  | CorrectionInline
  | PenaltyInline
  | BreakInline
  | MathInline
  | RefInline
  | AnchorInline
  | BoxInline
  | RuleInline
  | TabularInline
  | ImageInline
  | DecoratedInline
  | LinkInline
  | MigrantInline
  | FieldInline
  | ParboxInline
  | DrawingInline;
