import type { MathStyleName } from '../document/math';

/** The eight styles, even ones plain and odd ones cramped: D D' T T' S S' SS SS' (The TeXbook, chapter 17). */
export type Style = 0 | 1 | 2 | 3 | 4 | 5 | 6 | 7;

export const DISPLAY: Style = 0;
export const TEXT: Style = 2;

const NAMES: Readonly<Record<MathStyleName, Style>> = {
  display: 0,
  text: 2,
  script: 4,
  scriptscript: 6,
};

/** The style of that name, as cramped as the one around it. */
export const named = (name: MathStyleName, around: Style): Style =>
  (NAMES[name] + (around & 1)) as Style;

/** The plain name of a style, cramped or not. */
export const styleName = (style: Style): MathStyleName =>
  style < 2 ? 'display' : style < 4 ? 'text' : style < 6 ? 'script' : 'scriptscript';

export const isDisplay = (style: Style): boolean => style < 2;
export const isCramped = (style: Style): boolean => (style & 1) === 1;
/** 0 for display and text, 1 for script, 2 for scriptscript. */
export const sizeLevel = (style: Style): 0 | 1 | 2 => (style < 4 ? 0 : style < 6 ? 1 : 2);

export const cramped = (style: Style): Style => (style | 1) as Style;
const SUP: readonly Style[] = [4, 5, 4, 5, 6, 7, 6, 7];
/** The style of a superscript. */
export const supStyle = (style: Style): Style => SUP[style] as Style;
/** The style of a subscript: that of a superscript, cramped. */
export const subStyle = (style: Style): Style => cramped(supStyle(style));
const NUM: readonly Style[] = [2, 3, 4, 5, 6, 7, 6, 7];
/** The style of a numerator. */
export const numStyle = (style: Style): Style => NUM[style] as Style;
/** The style of a denominator: that of a numerator, cramped. */
export const denStyle = (style: Style): Style => cramped(numStyle(style));
