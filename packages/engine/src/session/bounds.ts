import { STANDARD_BUDGET } from '../expansion/processor';

/**
 * How much of a document is set. A book of 500 pages of mathematics has about 1.3 million
 * characters; beyond these bounds it would fill the memory that a window has.
 */

/** Characters of the source; where a block would begin behind them, reading ends. */
export const MOST_TEXT = 2_000_000;
/** Pages: twice those of a long book. */
export const MOST_PAGES = 1000;

/** How often pages and the references to them are worked out anew before giving up. */
export const MOST_ROUNDS = 8;
/** Nor when reading has taken so much of the work that is bounded: macros that run away, round after round. */
export const MOST_TAKEN = STANDARD_BUDGET.document;
