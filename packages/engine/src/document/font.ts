import type { Sp } from '../base/lengths';

export type FontFamily = 'roman' | 'sans' | 'mono';
export type FontSeries = 'medium' | 'bold';
export type FontShape = 'upright' | 'italic' | 'slanted' | 'caps';

/** A text font as the document asks for it; `fonts` decides which file that is. */
export interface FontSpec {
  readonly family: FontFamily;
  readonly series: FontSeries;
  readonly shape: FontShape;
  readonly size: Sp;
  /** 0xRRGGBB. */
  readonly color: number;
}

export const BLACK = 0x000000;
/** The colour that marks what could not be read: madder. */
export const MARKED = 0xa3262a;
