import type { Glue, Sp } from '../base/lengths';
import type { Inline } from './inlines';

/** Paper and margins, as the class decides them. All in sp; y grows downwards. */
export interface PageGeometry {
  readonly paperWidth: Sp;
  readonly paperHeight: Sp;
  /** From the left edge of the paper to the text, on odd pages. */
  readonly left: Sp;
  /** The same on even pages of a two-sided document. */
  readonly evenLeft: Sp;
  /** From the top edge of the paper to the top of the text block. */
  readonly top: Sp;
  readonly textWidth: Sp;
  readonly textHeight: Sp;
  readonly topSkip: Sp;
  readonly headSep: Sp;
  readonly footSkip: Sp;
  readonly maxDepth: Sp;
  readonly raggedBottom: boolean;
  readonly twoSided: boolean;
  readonly footSize: Sp;
  readonly floats: FloatRules;
  /** Pages are as large as what is on them, with so much room around. */
  readonly crop?: { readonly left: Sp; readonly right: Sp; readonly top: Sp; readonly bottom: Sp };
}

/** How floats are placed (LaTeX's parameters of the same names). */
export interface FloatRules {
  readonly topNumber: number;
  readonly bottomNumber: number;
  readonly totalNumber: number;
  readonly topFraction: number;
  readonly bottomFraction: number;
  readonly textFraction: number;
  readonly pageFraction: number;
  readonly between: Glue;
  readonly text: Glue;
  readonly inText: Glue;
  /** Above the footnotes, and the rule there. */
  readonly footnotes: Glue;
  readonly footnoteRule: boolean;
}

/** How many columns a page has, from some place on. */
export interface ColumnLayout {
  readonly count: number;
  readonly width: Sp;
  readonly gap: Sp;
  readonly rule: Sp;
  /** On its side: what is written alone, with head and foot where they were, or the page with them. */
  readonly turned?: Turn;
  /** Other margins than the document's. */
  readonly area?: PageArea;
}

/** Where the text of a page stands, from the edges of the paper. */
export type PageArea = Pick<
  PageGeometry,
  'left' | 'evenLeft' | 'top' | 'textWidth' | 'textHeight' | 'headSep' | 'footSkip'
>;

export type Turn = 'text' | 'page';

/** What stands behind and before the text of a page, from the lower left corner of the paper. */
export interface Backdrop {
  readonly under: readonly Inline[];
  readonly over: readonly Inline[];
  /** Where it goes by the number of the page: what it is on each page of the document, in order. */
  readonly onPages?: readonly Backdrop[];
}

/** One line at the head or foot of a page, and the thickness of a rule between it and the text. */
export interface RunningLine {
  readonly inlines: readonly Inline[];
  readonly rule: Sp;
  readonly width: Sp;
  /** Drawn by it from the lower left corner of the paper. */
  readonly onPaper?: readonly Inline[];
  /** Where it goes by the number of the page: what it is on each page of the document, in order. */
  readonly onPages?: readonly (RunningLine | null)[];
}

/** What stands at head and foot, on odd pages and on even ones. */
export interface PageStyle {
  readonly head: RunningLine | null;
  readonly foot: RunningLine | null;
  readonly evenHead: RunningLine | null;
  readonly evenFoot: RunningLine | null;
}

export type NumberStyle = 'arabic' | 'roman' | 'Roman' | 'alph' | 'Alph';

/** A text for running heads. */
export interface RunningWords {
  readonly words: readonly Inline[];
  /** The same without the capitals its mark makes of it, for `\nouppercase`; none where it makes none. */
  readonly uncapitalised?: readonly Inline[];
}

/** What running heads say: set by `\markboth` and `\markright`. */
export interface RunningTexts {
  readonly left: RunningWords;
  readonly right: RunningWords;
  /** A second pair (`\extramarks`): heads show the left one of the page's first mark, the right one of its last. */
  readonly extraLeft?: RunningWords;
  readonly extraRight?: RunningWords;
}
