import type { Sp } from '../base/lengths';
import type { Box } from '../boxes/box';
import type { PageMark, VItem } from '../boxes/vertical';
import type { PageGeometry } from '../document/page';

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
export interface Placed {
  readonly x: Sp;
  readonly y: Sp;
  readonly box: Box;
  readonly block: number;
}

/** A finished page. */
export interface Page {
  readonly number: number;
  readonly geometry: PageGeometry;
  readonly placed: readonly Placed[];
  readonly labels: readonly string[];
  readonly marks: readonly { readonly mark: PageMark; readonly block: number; readonly y: Sp }[];
  /** The page's number at its foot, or null. */
  readonly folio: string | null;
  /** By how much the contents are too tall, or 0. */
  readonly overfull: Sp;
}
