import { mathSizes } from '../base/mathSizes';
import { PT, type Sp } from '../base/lengths';
import { boxOf, type Box, type GlyphItem, type Item } from '../boxes/box';
import type { Span } from '../base/spans';
import type { FontFace, FontSpec } from '../document/font';
import type { Inline } from '../document/inlines';
import type { MathList, MathNode } from '../document/math';
import type { Font } from '../fonts/font';
import { SCRIPT_CAPITALS } from '../fonts/scriptCapitals';
import type { FontStore } from '../fonts/store';
import {
  NO_MATH,
  type MathConstantName,
  type MathParameters,
  type MathTable,
} from '../fonts/tables/math';
import type { Laid } from './atom';
import { sizeLevel, type Style } from './style';

/** Sets inlines side by side at their natural width; given by `paragraphs`. */
export type SetText = (inlines: readonly Inline[], scale: number) => Box;

/** The layout of parts, handed down so that rules need not know of one another. */
export interface Layouter {
  readonly list: (list: MathList, ctx: MathContext) => Box;
  readonly node: (node: MathNode, ctx: MathContext) => Laid;
}

/** Everything a rule may look at. Settings travel down; a rule makes a new context, never changes one. */
export interface MathContext {
  readonly fonts: FontStore;
  readonly font: Font;
  readonly table: MathTable;
  /** The mathematics font in the design of each of the three sizes. */
  readonly designs: readonly [Font, Font, Font];
  readonly text: FontSpec;
  /** Sizes of the text, script and scriptscript styles. */
  readonly sizes: readonly [Sp, Sp, Sp];
  /** The parameters of those sizes, for a family that has some. */
  readonly parameters: readonly (MathParameters | undefined)[];
  readonly style: Style;
  readonly setText: SetText;
  readonly lay: Layouter;
  /** Of rules, brackets and accents. */
  readonly color: number;
  /** How deep formulas are nested here. */
  readonly depth: number;
  /** Told of characters that no font has. */
  readonly missing: Missing;
}

export type Missing = (char: string, at: Span) => void;

export function mathContext(
  fonts: FontStore,
  text: FontSpec,
  style: Style,
  setText: SetText,
  lay: Layouter,
  missing: Missing,
): MathContext {
  const sizes = mathSizes(text.size);
  const family = fonts.math(mathFace(text));
  const designs = designsOf(family, sizes);
  const font = designs[sizeLevel(style)];
  // Until the mathematics font is here, a stand-in without a table shows the bare glyphs.
  const table = font.math ?? NO_MATH;
  const parameters = sizes.map((size) => table.parametersAt?.(size, text.fixedExtension === true));
  const { color } = text;
  return {
    fonts,
    font,
    table,
    designs,
    text,
    sizes,
    parameters,
    style,
    setText,
    lay,
    color,
    depth: 0,
    missing,
  };
}

const designsOf = (family: Font, [text, script, scriptscript]: MathContext['sizes']) =>
  [
    family.atSize?.(text) ?? family,
    family.atSize?.(script) ?? family,
    family.atSize?.(scriptscript) ?? family,
  ] as const;

const mathFace = ({ face, mathFace: own }: FontSpec): FontFace => own ?? face;

/** The same context in another style. */
export function inStyle(ctx: MathContext, style: Style): MathContext {
  if (ctx.style === style) return ctx;
  const level = sizeLevel(style);
  if (level === sizeLevel(ctx.style) || !ctx.designs.includes(ctx.font)) return { ...ctx, style };
  const font = ctx.designs[level];
  return { ...ctx, style, font, table: font.math ?? NO_MATH };
}

/** The font size of the context's style. */
export const sizeOf = (ctx: MathContext): Sp => ctx.sizes[sizeLevel(ctx.style)];

/** The context in which large signs are drawn: at ten point, where the extension font does not grow with the text. */
export const extension = (ctx: MathContext): MathContext =>
  ctx.text.fixedExtension && ctx.parameters[0] ? { ...ctx, sizes: TEN_POINT } : ctx;
const TEN_POINT = [10 * PT, 10 * PT, 10 * PT] as const;

/** Font units to sp at the context's size. */
export const units = (value: number, ctx: MathContext): Sp =>
  (value * sizeOf(ctx)) / ctx.font.unitsPerEm;

/** A constant of the MATH table in sp. */
export const constant = (name: MathConstantName, ctx: MathContext): Sp =>
  units((ctx.parameters[sizeLevel(ctx.style)] ?? ctx.table).constants[name], ctx);

/** A parameter in sp that the table has not; null when the family has none. */
export function parameter(
  name: Exclude<keyof MathParameters, 'constants'>,
  ctx: MathContext,
): Sp | null {
  const found = ctx.parameters[sizeLevel(ctx.style)];
  return found ? units(found[name], ctx) : null;
}

/** Behind a script capital: drawn as calligraphic, or in round hand (Unicode's variation selectors for script letters). */
const CALLIGRAPHIC = '\ufe00';
const ROUND_HAND = '\ufe01';
/** Behind a sign that the further symbols have in another form. */
const OTHER_FORM = '\ufe02';
/** Behind a letter or a figure in the italics of text. */
const TEXT_ITALIC = '\ufe03';

/** The Latin capital of a script one. */
const latinOf = (script: string): number => 0x41 + SCRIPT_CAPITALS.indexOf(script);

/** The font and the glyph for a character: of the mathematics font, or of one that stands in. */
export function drawnBy(char: string, ctx: MathContext): { ctx: MathContext; glyph: number } {
  const selector = char.at(-1);
  if (selector === CALLIGRAPHIC || selector === ROUND_HAND) {
    const font =
      selector === ROUND_HAND ? ctx.fonts.roundHand() : ctx.fonts.calligraphic(mathFace(ctx.text));
    const letter = char.slice(0, -1);
    if (font) return inFont(font, latinOf(letter), ctx);
    return { ctx, glyph: glyphFor(letter, ctx) };
  }
  const code = char.codePointAt(0) ?? 0;
  if (selector === OTHER_FORM) return inFont(ctx.fonts.symbols(), code, ctx);
  if (selector === TEXT_ITALIC) return inFont(textFont('italic', ctx), code, ctx);
  if (ctx.font.glyph(code) !== 0) return { ctx, glyph: glyphFor(char, ctx) };
  const symbols = ctx.fonts.symbols();
  const font = symbols.glyph(code) !== 0 ? symbols : ctx.fonts.fallback(code);
  if (!font) return { ctx, glyph: 0 };
  return inFont(font, code, ctx);
}

function inFont(family: Font, code: number, ctx: MathContext) {
  const font = family.atSize?.(sizeOf(ctx)) ?? family;
  return { ctx: { ...ctx, font, table: font.math ?? NO_MATH }, glyph: font.glyph(code) };
}

/** The font of text that a family of letters is taken from, at the context's size. */
export function textFont(family: TextFamily, ctx: MathContext): Font {
  const face = mathFace(ctx.text);
  const spec: FontSpec = { ...ctx.text, face, ...FAMILIES[family], size: sizeOf(ctx) };
  return ctx.fonts.text(face === 'modern' ? { ...spec, encoding: 'OT1' } : spec);
}

/** Families of letters that formulas have in common with text. */
export type TextFamily = 'roman' | 'bold' | 'italic' | 'sans';

const UPRIGHT = { family: 'roman', series: 'medium', shape: 'upright' } as const;
const FAMILIES = {
  roman: UPRIGHT,
  bold: { ...UPRIGHT, series: 'bold' },
  italic: { ...UPRIGHT, shape: 'italic' },
  sans: { ...UPRIGHT, family: 'sans' },
} as const;

/** One math unit, 1/18 quad. */
export const mu = (ctx: MathContext): Sp => (parameter('quad', ctx) ?? sizeOf(ctx)) / 18;

/** A glyph at the context's size. */
export function glyphItem(
  glyph: number,
  ctx: MathContext,
  span: Span,
  color = ctx.color,
): GlyphItem {
  const box = ctx.font.box(glyph);
  return {
    kind: 'glyph',
    font: ctx.font,
    size: sizeOf(ctx),
    glyph,
    width: units(box.width, ctx),
    height: units(box.height, ctx),
    depth: units(box.depth, ctx),
    color,
    span,
  };
}

/** A norm's bars stand as far apart as the sign for parallels; the fonts have them closer (plain TeX: one sign for both). */
const NORM = '‖';
const PARALLEL = 0x2225;

/** The glyph of a character as it is in text size, from which larger forms grow. */
export const textGlyph = (char: string, { font }: MathContext): number =>
  font.glyph(char === NORM ? PARALLEL : (char.codePointAt(0) ?? 0));

/** The glyph of a character, in the form for the style's level. */
export function glyphFor(char: string, ctx: MathContext): number {
  const glyph = textGlyph(char, ctx);
  const level = sizeLevel(ctx.style);
  return level === 0 ? glyph : ctx.font.scriptForm(glyph, level);
}

export const italicOf = (glyph: number, ctx: MathContext): Sp =>
  units(ctx.table.italics.get(glyph) ?? 0, ctx);

/** Lower and upper edge of what is drawn, upwards from the baseline; a glyph's box may be larger. */
export function inkOf(item: Item): { bottom: Sp; top: Sp } {
  if (item.kind === 'glyph') {
    const { bottom, top } = item.font.box(item.glyph);
    const scale = item.size / item.font.unitsPerEm;
    return { bottom: bottom * scale, top: top * scale };
  }
  if (item.kind !== 'box' || item.children.length === 0)
    return { bottom: -item.depth, top: item.height };
  const inks = item.children.map(({ y, item: inner }) => {
    const ink = inkOf(inner);
    return { bottom: y + ink.bottom, top: y + ink.top };
  });
  return {
    bottom: Math.min(...inks.map(({ bottom }) => bottom)),
    top: Math.max(...inks.map(({ top }) => top)),
  };
}

/** The box moved so that it is centred on the math axis (Appendix G, rule 13). */
export function centredOnAxis(item: GlyphItem | Box, ctx: MathContext): Box {
  const shift = constant('axisHeight', ctx) - (item.height - item.depth) / 2;
  return boxOf(item.width, item.height + shift, item.depth - shift, [{ x: 0, y: shift, item }]);
}
