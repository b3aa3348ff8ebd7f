import type { Glue, GlueOrder, Sp } from '../base/lengths';
import type { Box, Item } from '../boxes/box';
import type { TextInline } from '../document/inlines';
import type { Font } from '../fonts/font';

/** Part of a word: characters `start` to `end` of a text inline. */
export interface WordItem {
  readonly kind: 'word';
  readonly inline: TextInline;
  readonly font: Font;
  readonly start: number;
  readonly end: number;
  readonly width: Sp;
}

interface ContentItem {
  readonly kind: 'content';
  readonly item: Item;
  readonly width: Sp;
}

export interface GlueItem {
  readonly kind: 'glue';
  readonly width: Sp;
  readonly stretch: Sp;
  readonly stretchOrder: GlueOrder;
  readonly shrink: Sp;
  readonly shrinkOrder: GlueOrder;
  readonly leader?: SetLeader;
  /** Inside a formula, where lines break only at its penalties. */
  readonly inMath?: true;
}

/** What fills glue: copies of a box, or a rule. */
export type SetLeader =
  | { readonly kind: 'box'; readonly box: Box }
  | { readonly kind: 'rule'; readonly height: Sp; readonly depth: Sp; readonly color: number };

interface KernItem {
  readonly kind: 'kern';
  readonly width: Sp;
  readonly inMath?: true;
}

/** A place to break at a cost; `skip` is extra space below a line that ends here. */
interface PenaltyItem {
  readonly kind: 'penalty';
  readonly width: 0;
  readonly penalty: number;
  readonly skip: Sp;
}

/** A place to divide a word. `before` and `after` are what a break adds to either line. */
interface DiscItem {
  readonly kind: 'disc';
  readonly width: 0;
  readonly before: Sp;
  readonly after: Sp;
  readonly penalty: number;
  readonly hyphen: boolean;
}

export type LineItem = WordItem | ContentItem | GlueItem | KernItem | PenaltyItem | DiscItem;
export const glueItem = (g: Glue): GlueItem => ({ kind: 'glue', ...g });

export const penaltyItem = (penalty: number, skip: Sp = 0): PenaltyItem => ({
  kind: 'penalty',
  width: 0,
  penalty,
  skip,
});
