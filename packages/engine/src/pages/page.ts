import type { Sp } from '../base/lengths';
import type { Box } from '../boxes/box';
import type { PageMark, VItem } from '../boxes/vertical';
import type { Backdrop, PageGeometry, PageStyle, RunningTexts, Turn } from '../document/page';

/** A block ready for the pages. `id` names it in page descriptions. */
export interface FlowBlock {
  readonly id: number;
  readonly items: readonly VItem[];
}

/** A place in the main vertical list: before item `item` of block `block`. */
export interface FlowPosition {
  readonly block: number;
  readonly item: number;
}

/** A box on a page. `x`, `y` are its reference point from the top left corner of the paper; `block` is an id. */
export interface PlacedBox {
  readonly x: Sp;
  readonly y: Sp;
  readonly box: Box;
  readonly block: number;
}

export interface PlacedMark {
  readonly mark: PageMark;
  readonly block: number;
  readonly y: Sp;
}

/** What a label names stands here: its upper left corner. */
export interface PlacedLabel {
  readonly name: string;
  readonly x: Sp;
  readonly y: Sp;
}

export interface PaperSize {
  readonly width: Sp;
  readonly height: Sp;
}

/** A finished page. */
export interface Page {
  /** Its place among the pages, from 1. */
  readonly index: number;
  /** The number it counts as. */
  readonly number: number;
  readonly geometry: PageGeometry;
  readonly placed: readonly PlacedBox[];
  readonly labels: readonly PlacedLabel[];
  readonly marks: readonly PlacedMark[];
  /** The page's number as it is written. */
  readonly folio: string;
  readonly style: PageStyle;
  readonly running: RunningTexts;
  readonly backdrops: readonly Backdrop[];
  /** The paper. */
  readonly size: PaperSize;
  /** The page, or only what is written on it, lies on its side. */
  readonly turned: Turn | null;
  /** Some of its lines have numbers at the margin. */
  readonly hasLineNumbers: boolean;
  /** By how much the contents are too tall, or 0. */
  readonly overfull: Sp;
}
