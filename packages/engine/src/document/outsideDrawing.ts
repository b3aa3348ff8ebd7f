import type { AffineMap } from '../base/maps';
import type { Paint } from '../base/paint';
import type { Path } from '../base/paths';
import type { PathStyle } from './drawing';
import type { FontFamily } from './font';

/** Words of a drawing that was made elsewhere. */
export interface OutsideText {
  readonly kind: 'text';
  readonly text: string;
  readonly family: FontFamily;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly paint: Paint;
  /** From ems, at the start of the baseline, to sp of the drawing. */
  readonly map: AffineMap;
  /** How far the words reach along their baseline, in ems. */
  readonly width: number;
}

/** A mark of a drawing that was made elsewhere, in sp from its lower left corner, y upwards. */
export type OutsideMark =
  | { readonly kind: 'path'; readonly path: Path; readonly style: PathStyle }
  | OutsideText
  | {
      readonly kind: 'group';
      readonly map: AffineMap;
      readonly clip: Path | null;
      readonly marks: readonly OutsideMark[];
    };
