import type { Sp } from '../base/lengths';
import type { FontSpec } from './font';

/** How the lines of a paragraph are numbered at the margin. */
export interface LineNumbers {
  /** Every so-manyth number is printed. */
  readonly every: number;
  /** Counted from here on from a number; each time it is said has a number of its own. */
  readonly restart: { readonly time: number; readonly at: number };
  /** Each page counts anew. */
  readonly byPage: boolean;
  /** At the left, the right, or the outer or inner margin of a page. */
  readonly side: 'left' | 'right' | 'outer' | 'inner';
  /** How far they stand from the text. */
  readonly distance: Sp;
  readonly font: FontSpec;
}

/** What the label of a line is called among the kinds of things that have labels. */
export const LINE_KIND = 'linenumber';
