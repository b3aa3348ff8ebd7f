import type { Sp } from '../base/lengths';
import type { Span } from '../base/spans';
import type { Inline } from './inlines';

/** The classes that decide spacing (The TeXbook, chapter 17). */
export type MathClass = 'ord' | 'op' | 'bin' | 'rel' | 'open' | 'close' | 'punct' | 'inner';

/** The alphabets of mathematics; `italic` is the default for letters, `textItalic` that of words. */
export type MathAlphabet =
  | 'normal'
  | 'roman'
  | 'italic'
  | 'textItalic'
  | 'bold'
  | 'boldItalic'
  | 'sans'
  | 'sansItalic'
  | 'mono'
  | 'blackboard'
  | 'calligraphic'
  | 'script'
  | 'fraktur';

/** The four sizes a formula part can ask for. */
export type MathStyleName = 'display' | 'text' | 'script' | 'scriptscript';

export type MathList = readonly MathNode[];

/**
 * One character. `char` is what is drawn, already in its alphabet; a script capital
 * followed by U+FE00 is calligraphic (`\mathcal`), by U+FE01 in round hand (`\mathscr`); a
 * letter followed by U+FE03 is in the italics of text (`\mathit`).
 */
export interface SymbolNode extends Span {
  readonly kind: 'symbol';
  readonly char: string;
  readonly cls: MathClass;
  readonly color: number;
}

/** A large operator or a named function; `limits` null means by style, a boolean in every style (`\limits`). */
export interface OperatorNode extends Span {
  readonly kind: 'operator';
  readonly char: string | null;
  /** The letters of a named function, or null for a symbol. */
  readonly name: string | null;
  readonly limits: boolean | null;
  /** Whether it takes limits in displays; what is usual for the sign if not said. */
  readonly takesLimits?: boolean;
  readonly color: number;
}

export interface ScriptsNode extends Span {
  readonly kind: 'scripts';
  readonly base: MathNode | null;
  readonly sup: MathList | null;
  readonly sub: MathList | null;
}

/** A subformula taken as one atom of the class. */
export interface GroupNode extends Span {
  readonly kind: 'group';
  readonly cls: MathClass;
  readonly body: MathList;
  /** Limits above and below instead of scripts beside, or only in displays (`\mathop`). */
  readonly limits: boolean | 'display';
  /** Set in the cramped form of its style. */
  readonly cramped?: true;
}

export interface FractionNode extends Span {
  readonly kind: 'fraction';
  readonly num: MathList;
  readonly den: MathList;
  /** Bar thickness; null is the font's own, 0 is none. */
  readonly bar: Sp | null;
  readonly left: string | null;
  readonly right: string | null;
  readonly style: MathStyleName | null;
  /** Where the numerator of a continued fraction stands; in the middle if not said. */
  readonly align?: 'left' | 'right';
}

export interface RadicalNode extends Span {
  readonly kind: 'radical';
  readonly body: MathList;
  readonly degree: MathList | null;
}

/** `\left … \right`; null draws nothing, the body may hold `\middle` nodes. */
export interface DelimitedNode extends Span {
  readonly kind: 'delimited';
  readonly left: string | null;
  readonly right: string | null;
  readonly body: MathList;
}

export interface MiddleNode extends Span {
  readonly kind: 'middle';
  readonly char: string | null;
}

/** `\big` and its kin: a bracket of a fixed size. */
export interface BigNode extends Span {
  readonly kind: 'big';
  readonly char: string | null;
  readonly cls: MathClass;
  /** 1 to 4 for the four commands; others by the height asked for (`\bBigg@`). */
  readonly size: number;
}

export interface AccentNode extends Span {
  readonly kind: 'accent';
  readonly char: string;
  readonly wide: boolean;
  readonly below: boolean;
  readonly base: MathList;
}

/** A line, brace or arrow as wide as the base, over or under it. */
export interface StretchNode extends Span {
  readonly kind: 'stretch';
  readonly char: string;
  readonly below: boolean;
  readonly base: MathList;
  /** A brace or bracket takes scripts as limits and stands apart like an operator; an arrow does neither. */
  readonly limits: boolean;
}

export interface LineNode extends Span {
  readonly kind: 'line';
  readonly below: boolean;
  readonly base: MathList;
}

/** One formula over another, the base keeping its place (`\stackrel`, `\overset`). */
export interface StackNode extends Span {
  readonly kind: 'stack';
  readonly base: MathList;
  readonly over: MathList | null;
  readonly under: MathList | null;
  readonly cls: MathClass;
}

/** An operator with scripts at its four corners (`\sideset`). */
export interface SidesetNode extends Span {
  readonly kind: 'sideset';
  readonly base: MathNode;
  readonly left: { readonly sup: MathList | null; readonly sub: MathList | null };
  readonly right: { readonly sup: MathList | null; readonly sub: MathList | null };
}

/** One of four lists, by the style in force (`\mathchoice`). */
export interface ChoiceNode extends Span {
  readonly kind: 'choice';
  readonly lists: Readonly<Record<MathStyleName, MathList>>;
}

/** What follows is set at another size of text. */
export interface SizeNode extends Span {
  readonly kind: 'size';
  readonly size: Sp;
}

/** Takes no width: what it holds sticks out to the left, to the right, or to both sides. */
export interface LapNode extends Span {
  readonly kind: 'lap';
  readonly body: MathList;
  readonly align: 'left' | 'center' | 'right';
}

/** Centred on the axis (`\vcenter`). */
export interface CentredNode extends Span {
  readonly kind: 'centred';
  readonly body: MathList;
}

/** Made bold by drawing it again a little aside, where the font has no bold form. */
export interface BoldNode extends Span {
  readonly kind: 'bold';
  readonly body: MathNode;
}

/** Lines around a formula: an angle to its right, one to its left and under it, a stroke through it, or ends on a line. */
export interface EnclosureNode extends Span {
  readonly kind: 'enclosure';
  readonly shape: 'actuarial' | 'phase' | 'struck' | 'segmentOver' | 'segmentUnder';
  readonly body: MathList;
}

/** An arrow of a diagram, between cells given by row and column. */
export interface DiagramArrow extends Span {
  readonly fromCell: readonly [number, number];
  readonly toCell: readonly [number, number];
  readonly labels: readonly DiagramLabel[];
  readonly line: 'solid' | 'dashed' | 'dotted' | 'double' | 'none';
  readonly head: 'arrow' | 'two' | 'none';
  readonly tail: 'none' | 'hook' | 'hookBack' | 'bar' | 'tail';
  /** Bent to the left (positive) or right, in degrees. */
  readonly bend: number;
  /** Moved to the left (positive) or right. */
  readonly shift: Sp;
}

export interface DiagramLabel {
  readonly list: MathList;
  readonly side: 'left' | 'right' | 'on';
}

/** Objects in rows and columns with arrows between them (`CD`, tikz-cd). */
export interface DiagramNode extends Span {
  readonly kind: 'diagram';
  readonly rows: readonly (readonly MathList[])[];
  readonly arrows: readonly DiagramArrow[];
  readonly columnSep: Sp;
  readonly rowSep: Sp;
  /** Room around all objects; rows are then as high as those, and no arrow widens a column for its label (xy). */
  readonly margin?: Sp;
}

export interface StyleNode extends Span {
  readonly kind: 'style';
  readonly style: MathStyleName;
}

/** From here to the end of its list rules, brackets and accents are of a colour; signs bear their own. */
export interface ColourNode extends Span {
  readonly kind: 'colour';
  readonly color: number;
}

/** Space: `mu` in 1/18 quad, or a fixed width. */
export interface MathSpaceNode extends Span {
  readonly kind: 'space';
  readonly mu: number;
  readonly width: Sp;
}

/** Where a formula in the line may or must not break. */
export interface MathPenaltyNode extends Span {
  readonly kind: 'penalty';
  readonly penalty: number;
}

/** Text within a formula, set as text is, at the size of the style. */
export interface MathTextNode extends Span {
  readonly kind: 'text';
  readonly inlines: readonly Inline[];
}

export interface PhantomNode extends Span {
  readonly kind: 'phantom';
  readonly body: MathList;
  readonly horizontal: boolean;
  readonly vertical: boolean;
  /** Only the height (`top`) or the depth (`bottom`) is done without. */
  readonly only?: 'top' | 'bottom';
  /** Draw the contents? (`\smash`) */
  readonly shown: boolean;
}

/** A term struck out, and what it becomes. */
export interface CancelNode extends Span {
  readonly kind: 'cancel';
  readonly base: MathList;
  readonly up: boolean;
  readonly down: boolean;
  readonly becomes: MathList | null;
}

/** An arrow as long as what stands over and under it. */
export interface LongArrowNode extends Span {
  readonly kind: 'longArrow';
  /** One arrow, or two where one stands over the other. */
  readonly char: string;
  readonly over: MathList;
  readonly under: MathList | null;
}

export interface NotNode extends Span {
  readonly kind: 'not';
  readonly body: MathNode;
}

export interface ArrayColumn {
  readonly align: 'left' | 'center' | 'right';
  /** Rules that stand before this column. */
  readonly barsBefore: number;
  /** The bars are dashed. */
  readonly dashed?: boolean;
  /** It is no narrower than this. */
  readonly least?: Sp;
  /** What stands between this column and the one before in place of the usual space. */
  readonly between?: MathList;
}

export interface ArrayRow {
  readonly cells: readonly MathList[];
  /** A cell over several columns: how many, and where it stands; bars at its sides. */
  readonly spans?: readonly (ArraySpan | null)[];
  readonly rulesAbove: number;
  /** The rules above are dashed. */
  readonly dashedAbove?: boolean;
  /** Rules above some of the columns, first and last counted from 0. */
  readonly partRules?: readonly (readonly [number, number])[];
  readonly skip: Sp;
}

export interface ArraySpan {
  readonly count: number;
  readonly align: ArrayColumn['align'];
  readonly barsBefore: number;
  readonly barsAfter: number;
  /** Dots over all the columns (`\hdotsfor`); a multiple of the usual distance. */
  readonly dots?: number;
}

/** A ground behind cells of an array, and a frame around them: first and last row and column, counted from 0. */
export interface ArrayPatch {
  readonly rows: readonly [number, number];
  readonly columns: readonly [number, number];
  readonly fill: number | null;
  readonly edge: number | null;
}

/** Rows and columns within a formula. */
export interface ArrayNode extends Span {
  readonly kind: 'array';
  readonly columns: readonly ArrayColumn[];
  readonly barsAfter: number;
  readonly rulesBelow: number;
  readonly dashedBelow?: boolean;
  readonly partRulesBelow?: readonly (readonly [number, number])[];
  /** What stands behind the last column in place of the usual space. */
  readonly lastBetween?: MathList;
  readonly rows: readonly ArrayRow[];
  readonly patches?: readonly ArrayPatch[];
  readonly left: string | null;
  readonly right: string | null;
  /** The space between columns, and at the sides. */
  readonly columnSep: Sp;
  readonly sideSep: Sp;
  /** `aligned`: no space between an `rl` pair, class spacing across `&`. */
  readonly paired: boolean;
  readonly style: MathStyleName;
  readonly baselineSkip: Sp;
  readonly lineGap: Sp;
  readonly strut: boolean;
  readonly valign: 'center' | 'top' | 'bottom';
}

/** A name that could not be read, shown as it stands. */
export interface UnknownNode extends Span {
  readonly kind: 'unknown';
  readonly text: string;
}

export type MathNode =
  | SymbolNode
  | OperatorNode
  | ScriptsNode
  | GroupNode
  | FractionNode
  | RadicalNode
  | DelimitedNode
  | MiddleNode
  | BigNode
  | AccentNode
  | StretchNode
  | LineNode
  | StackNode
  | StyleNode
  | ColourNode
  | MathSpaceNode
  | MathTextNode
  | PhantomNode
  | NotNode
  | LongArrowNode
  | CancelNode
  | ArrayNode
  | MathPenaltyNode
  | SidesetNode
  | ChoiceNode
  | SizeNode
  | LapNode
  | CentredNode
  | BoldNode
  | EnclosureNode
  | DiagramNode
  | UnknownNode;
