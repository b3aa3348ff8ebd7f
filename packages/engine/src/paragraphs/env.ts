import type { Box } from '../boxes/box';
import type { FieldInline, Inline, ParboxInline, RefInline } from '../document/inlines';
import type { RawFinding } from '../findings/finding';
import type { FontStore } from '../fonts/store';
import type { Divide } from './patterns';
import type { LineItem } from './lineItem';

/** What layout may ask of the world around a block. Facts are frozen; reads are noted by whoever gives them. */
export interface LayoutEnv {
  readonly fonts: FontStore;
  readonly divide: Divide;
  /** What a reference prints, or null when the label is not known. */
  readonly resolve: (ref: RefInline) => string | readonly Inline[] | null;
  /** What is being set for references: the labels named there, each in what the one before it prints. */
  readonly referring: Set<string>;
  /** What a field of a running head prints. */
  readonly field: (field: FieldInline) => readonly Inline[];
  readonly report: (finding: RawFinding) => void;
  /** Inlines as items for line breaking; what they hold is set by those who ask for it here. */
  readonly lineItems: (inlines: readonly Inline[]) => LineItem[];
  /** Sets a box of paragraphs; given by `blocks`. */
  readonly setParbox: (box: ParboxInline) => Box;
}
