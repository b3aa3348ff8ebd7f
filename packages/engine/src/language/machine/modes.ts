import type { Sp } from '../../base/lengths';
import type { BlockNode, Hyphenation } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import type { InlineList } from './inlineList';
import type { CellFrame, TableState } from './tableState';

/**
 * What is being gathered, and how (TeX's semantic nest: The Program, §211 ff.). Whatever is read
 * apart, a box, a column, a cell, has one of its own; the one around it waits as it was.
 */
export interface Mode {
  vlist: BlockNode[];
  /** The paragraph or box being gathered; null between paragraphs. */
  hlist: InlineList | null;
  /** In a box on one line, where paragraphs and displays cannot be. */
  restricted: boolean;
  /** A formula is being read. */
  inMath: boolean;
  /** Set before the next paragraph's first word: an item's label. */
  pendingLabel: readonly Inline[] | null;
  /** The next paragraph's own indent, overriding `\parindent`. */
  nextIndent: Sp | null;
  clubPenalty: number | null;
  /** How the words of the open paragraph are divided: as in the language it began in. */
  hyphenation: Hyphenation | null;
  /** Was the next paragraph outside to have no indent? What ends in a box says nothing of that (`\@endpetrue` is local). */
  unindentedOutside: boolean;
  /** Nothing stands in the minipage or float yet (`\\@minipagetrue`): space is not added there. */
  atTop: boolean;
  /** The table being read, and the frame of its cell; null outside tables. */
  table: TableState | null;
  cell: CellFrame | null;
  readonly outer: Mode | null;
}

/** A column with nothing in it yet, within another mode, whose table it stands in. */
export const freshMode = (outer: Mode | null, change: Partial<Mode> = {}): Mode => ({
  vlist: [],
  hlist: null,
  restricted: false,
  inMath: false,
  pendingLabel: null,
  nextIndent: null,
  clubPenalty: null,
  hyphenation: null,
  unindentedOutside: false,
  atTop: false,
  table: outer?.table ?? null,
  cell: outer?.cell ?? null,
  ...change,
  outer,
});

export type ModeName = 'vertical' | 'horizontal' | 'math';

/** What `\ifvmode`, `\ifhmode` and `\ifmmode` ask (The TeXbook, chapter 20). */
export const modeName = ({ inMath, hlist }: Mode): ModeName =>
  inMath ? 'math' : hlist ? 'horizontal' : 'vertical';
