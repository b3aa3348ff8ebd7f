import type { Sp } from '../base/lengths';
import type { Inline } from './inlines';

/** The classes that decide spacing (The TeXbook, chapter 17). */
export type MathClass = 'ord' | 'op' | 'bin' | 'rel' | 'open' | 'close' | 'punct' | 'inner';

/** The alphabets of mathematics; `italic` is the default for letters. */
export type MathAlphabet =
  | 'normal'
  | 'roman'
  | 'italic'
  | 'bold'
  | 'boldItalic'
  | 'sans'
  | 'mono'
  | 'blackboard'
  | 'calligraphic'
  | 'script'
  | 'fraktur';

/** The four sizes a formula part can ask for. */
export type MathStyleName = 'display' | 'text' | 'script' | 'scriptscript';

interface Placed {
  readonly from: number;
  readonly to: number;
}

export type MathList = readonly MathNode[];

/** One character. `char` is what is drawn, already in its alphabet. */
export interface SymbolNode extends Placed {
  readonly kind: 'symbol';
  readonly char: string;
  readonly cls: MathClass;
  readonly color: number;
}

/** A large operator or a named function; `limits` null means by style. */
export interface OperatorNode extends Placed {
  readonly kind: 'operator';
  readonly char: string | null;
  /** The letters of a named function, or null for a symbol. */
  readonly name: string | null;
  readonly limits: boolean | null;
  readonly color: number;
}

export interface ScriptsNode extends Placed {
  readonly kind: 'scripts';
  readonly base: MathNode | null;
  readonly sup: MathList | null;
  readonly sub: MathList | null;
}

/** A subformula taken as one atom of the class. */
export interface GroupNode extends Placed {
  readonly kind: 'group';
  readonly cls: MathClass;
  readonly body: MathList;
  /** Limits above and below instead of scripts beside (`\mathop` and braces). */
  readonly limits: boolean;
}

export interface FractionNode extends Placed {
  readonly kind: 'fraction';
  readonly num: MathList;
  readonly den: MathList;
  /** Bar thickness; null is the font's own, 0 is none. */
  readonly bar: Sp | null;
  readonly left: string | null;
  readonly right: string | null;
  readonly style: MathStyleName | null;
}

export interface RadicalNode extends Placed {
  readonly kind: 'radical';
  readonly body: MathList;
  readonly degree: MathList | null;
}

/** `\left … \right`; null draws nothing, the body may hold `\middle` nodes. */
export interface DelimitedNode extends Placed {
  readonly kind: 'delimited';
  readonly left: string | null;
  readonly right: string | null;
  readonly body: MathList;
}

export interface MiddleNode extends Placed {
  readonly kind: 'middle';
  readonly char: string | null;
}

/** `\big` and its kin: a bracket of a fixed size. */
export interface BigNode extends Placed {
  readonly kind: 'big';
  readonly char: string | null;
  readonly cls: MathClass;
  /** 1 to 4. */
  readonly size: number;
}

export interface AccentNode extends Placed {
  readonly kind: 'accent';
  readonly char: string;
  readonly wide: boolean;
  readonly below: boolean;
  readonly base: MathList;
}

/** A line, brace or arrow as wide as the base, over or under it. */
export interface StretchNode extends Placed {
  readonly kind: 'stretch';
  readonly char: string;
  readonly below: boolean;
  readonly base: MathList;
}

export interface LineNode extends Placed {
  readonly kind: 'line';
  readonly below: boolean;
  readonly base: MathList;
}

/** One formula over another, the base keeping its place (`\stackrel`, `\overset`). */
export interface StackNode extends Placed {
  readonly kind: 'stack';
  readonly base: MathList;
  readonly over: MathList | null;
  readonly under: MathList | null;
  readonly cls: MathClass;
}

export interface StyleNode extends Placed {
  readonly kind: 'style';
  readonly style: MathStyleName;
}

/** Space: `mu` in 1/18 quad, or a fixed width. */
export interface MathSpaceNode extends Placed {
  readonly kind: 'space';
  readonly mu: number;
  readonly width: Sp;
}

/** Text within a formula, set as text is, at the size of the style. */
export interface MathTextNode extends Placed {
  readonly kind: 'text';
  readonly inlines: readonly Inline[];
}

export interface PhantomNode extends Placed {
  readonly kind: 'phantom';
  readonly body: MathList;
  readonly horizontal: boolean;
  readonly vertical: boolean;
  /** Draw the contents? (`\smash`) */
  readonly shown: boolean;
}

/** A term struck out, and what it becomes. */
export interface CancelNode extends Placed {
  readonly kind: 'cancel';
  readonly base: MathList;
  readonly up: boolean;
  readonly down: boolean;
  readonly becomes: MathList | null;
}

/** An arrow as long as what stands over and under it. */
export interface LongArrowNode extends Placed {
  readonly kind: 'longArrow';
  readonly char: string;
  readonly over: MathList;
  readonly under: MathList | null;
}

export interface NotNode extends Placed {
  readonly kind: 'not';
  readonly body: MathNode;
}

export interface ArrayColumn {
  readonly align: 'left' | 'center' | 'right';
  /** Rules that stand before this column. */
  readonly barsBefore: number;
}

export interface ArrayRow {
  readonly cells: readonly MathList[];
  readonly rulesAbove: number;
  readonly skip: Sp;
}

/** Rows and columns within a formula. */
export interface ArrayNode extends Placed {
  readonly kind: 'array';
  readonly columns: readonly ArrayColumn[];
  readonly barsAfter: number;
  readonly rulesBelow: number;
  readonly rows: readonly ArrayRow[];
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
export interface UnknownNode extends Placed {
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
  | MathSpaceNode
  | MathTextNode
  | PhantomNode
  | NotNode
  | LongArrowNode
  | CancelNode
  | ArrayNode
  | UnknownNode;
