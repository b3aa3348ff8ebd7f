import type { Sp } from '../base/lengths';

/** Paper and margins, as the class decides them. All in sp; y grows downwards. */
export interface PageGeometry {
  readonly paperWidth: Sp;
  readonly paperHeight: Sp;
  /** From the left edge of the paper to the text. */
  readonly left: Sp;
  /** From the top edge of the paper to the top of the text block. */
  readonly top: Sp;
  readonly textWidth: Sp;
  readonly textHeight: Sp;
  readonly topSkip: Sp;
  readonly footSkip: Sp;
  readonly maxDepth: Sp;
  readonly raggedBottom: boolean;
  readonly footSize: Sp;
}
