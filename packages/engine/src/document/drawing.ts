import type { Sp } from '../base/lengths';
import type { AffineMap, Point } from '../base/maps';
import type { Paint } from '../base/paint';
import type { Path } from '../base/paths';
import type { Inline } from './inlines';

/** How a line along a path is drawn. */
export interface Stroke {
  readonly paint: Paint;
  readonly width: Sp;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  /** A corner sharper than this many widths is cut off. */
  readonly miterLimit: number;
  /** Lengths of dashes and gaps in turn; empty for a whole line. */
  readonly dash: readonly Sp[];
  readonly dashPhase: Sp;
}

/** How a path is drawn: filled, stroked, or both, the fill below the stroke. */
export interface PathStyle {
  readonly fill: Paint | null;
  readonly stroke: Stroke | null;
  /** What lies an even number of times inside is outside. */
  readonly evenOdd: boolean;
}

export const solidStroke = (width: Sp, paint: Paint = 0): Stroke => ({
  paint,
  width,
  cap: 'butt',
  join: 'miter',
  miterLimit: 10,
  dash: [],
  dashPhase: 0,
});

export const stroked = (stroke: Stroke): PathStyle => ({ fill: null, stroke, evenOdd: false });
export const filled = (paint: Paint): PathStyle => ({ fill: paint, stroke: null, evenOdd: false });

/** One mark of a drawing. Places count from its reference point, y upwards. */
export type Mark =
  | {
      readonly kind: 'path';
      readonly path: Path;
      readonly style: PathStyle;
      readonly from: number;
      readonly to: number;
    }
  /** Text whose reference point, at these shares of its width and of its height with depth, is put at a place. */
  | {
      readonly kind: 'label';
      readonly inlines: readonly Inline[];
      readonly at: Point;
      /** 0: its left edge is at the place, 1: its right edge. */
      readonly across: number;
      /** 0: its lower edge, 1: its upper edge, null: its baseline. */
      readonly up: number | null;
    }
  /**
   * A point whose two numbers stand in the source, for a hand to take; nothing is drawn. The path
   * begins there, and leads to where it lies when the first number is one more, then the second.
   */
  | {
      readonly kind: 'handle';
      readonly path: Path;
      readonly from: number;
      readonly to: number;
    }
  /** Marks behind a map, and only what lies within the clip, which is mapped with them. */
  | {
      readonly kind: 'group';
      readonly marks: readonly Mark[];
      readonly map: AffineMap;
      readonly clip: Path | null;
    };
