import type { Sp } from '../base/lengths';

export type FontFamily = 'roman' | 'sans' | 'mono';
export type FontSeries = 'medium' | 'bold';
export type FontShape = 'upright' | 'italic' | 'slanted' | 'caps';

/** The design of the document's types: Latin Modern, or one that a package line puts in force. */
export type FontFace = 'modern' | 'pagella' | 'termes' | 'schola' | 'bonum' | 'libertine';
/** The designs without serifs and of the typewriter that a package line puts in force. */
export type SansFace = 'heros' | 'adventor';
export type MonoFace = 'cursor';

/** How characters stand in fonts: that decides kerns and widths, and what some signs print. */
export type FontEncoding = 'OT1' | 'T1';

/** A text font as the document asks for it; `fonts` decides which file that is. */
export interface FontSpec {
  readonly family: FontFamily;
  readonly series: FontSeries;
  readonly shape: FontShape;
  readonly size: Sp;
  /** 0xRRGGBB; below zero nothing is drawn. */
  readonly color: number;
  readonly face: FontFace;
  /** Of formulas, where that is another one (packages that change the type of text alone). */
  readonly mathFace?: FontFace;
  readonly sansFace?: SansFace;
  /** What the sizes of the type without serifs are multiplied by (option `scaled`). */
  readonly sansScale?: number;
  readonly monoFace?: MonoFace;
  /** Large signs of formulas are those of ten point whatever the size (the kernel's `sfixed*cmex10`). */
  readonly fixedExtension?: true;
  readonly encoding: FontEncoding;
}

export const BLACK = 0x000000;
/** The colour that marks what could not be read: madder. */
export const MARKED = 0xa3262a;
/** How that is set: as it stands in the source. */
export const MARKED_LOOK = {
  family: 'mono',
  series: 'medium',
  shape: 'upright',
  color: MARKED,
} as const;
/** A formula that is broken now shows its last good form in this colour, which nothing else has. */
export const HELD = 0xa3262c;
/** Where fonts have their digits of the old style, from nought on, among the characters of private use. */
export const OLD_STYLE_DIGITS = 0xf730;
