import type { Sp } from '../base/lengths';
import type { Span } from '../base/spans';
import { boxOf, type Box, type Child, type GlyphItem } from '../boxes/box';
import type { AssemblyPart, Growth } from '../fonts/tables/math';
import { extension, glyphFor, glyphItem, textGlyph, units, type MathContext } from './context';

/** Bounds the pieces of one assembled glyph; enough for the tallest page. */
const MOST_PIECES = 2000;

/** A grown glyph with the italic correction of the form chosen. */
export interface Grown {
  readonly item: GlyphItem | Box;
  readonly glyph: number | null;
}

/**
 * The smallest form of a character at least `size` high (height plus depth):
 * a variant, else an assembly, else the largest there is (OpenType 1.9, MATH,
 * "MathVariants"; Appendix G, rule 19 for the choice).
 */
export function growVertically(
  char: string,
  size: Sp,
  ctx: MathContext,
  span: Span,
  color = ctx.color,
): Grown {
  const base = textGlyph(char, ctx);
  const growth = ctx.table.vertical.get(base) ?? moustache(char, ctx);
  if (!growth) return single(glyphFor(char, ctx), ctx, span, color);
  const large = extension(ctx);
  for (const [i, variant] of growth.variants.entries()) {
    // The smallest form is a letter among letters.
    const from = i === 0 ? ctx : large;
    if (units(variant.advance, from) >= size) return single(variant.glyph, from, span, color);
  }
  const assembled = assemble(growth, size, large, span, color, true);
  if (assembled) return { item: assembled, glyph: null };
  return single(growth.variants.at(-1)?.glyph ?? base, large, span, color);
}

/** `\lmoustache` and `\rmoustache`: one end of each brace, joined by its straight part. */
function moustache(char: string, ctx: MathContext): Growth | null {
  if (char !== '⎰' && char !== '⎱') return null;
  const braceParts = (brace: string): readonly AssemblyPart[] =>
    ctx.table.vertical.get(ctx.font.glyph(brace.codePointAt(0) ?? 0))?.parts ?? [];
  const [left, right] = [braceParts('{'), braceParts('}')];
  const [lower, upper] = char === '⎰' ? [right, left] : [left, right];
  const extender = left.find((part) => part.extender);
  const [bottom, top] = [lower[0], upper.at(-1)];
  return bottom && top && extender
    ? { variants: [], italics: 0, parts: [bottom, extender, top] }
    : null;
}

/** The widest form of a character no wider than `width`, for accents (Appendix G, rule 12). */
export function widestWithin(char: string, width: Sp, ctx: MathContext): number {
  const base = glyphFor(char, ctx);
  const growth = ctx.table.horizontal.get(ctx.font.glyph(char.codePointAt(0) ?? 0));
  let best = base;
  for (const variant of growth?.variants ?? []) {
    if (units(variant.advance, ctx) <= width) best = variant.glyph;
  }
  return best;
}

/** A brace, arrow or line as wide as `width`: the smallest variant that covers it, else an assembly. */
export function growHorizontally(
  char: string,
  width: Sp,
  ctx: MathContext,
  span: Span,
): GlyphItem | Box {
  const base = ctx.font.glyph(char.codePointAt(0) ?? 0);
  const growth = ctx.table.horizontal.get(base);
  if (!growth) return glyphItem(base, ctx, span);
  for (const variant of growth.variants) {
    if (units(variant.advance, ctx) >= width) return glyphItem(variant.glyph, ctx, span);
  }
  const assembled = assemble(growth, width, ctx, span, ctx.color, false);
  return assembled ?? glyphItem(growth.variants.at(-1)?.glyph ?? base, ctx, span);
}

const single = (glyph: number, ctx: MathContext, span: Span, color: number): Grown => ({
  item: glyphItem(glyph, ctx, span, color),
  glyph,
});

/** Repeats the extenders as often as needed, then spreads the overlaps evenly ("GlyphAssembly"). */
function assemble(
  growth: Growth,
  size: Sp,
  ctx: MathContext,
  span: Span,
  color: number,
  vertical: boolean,
): Box | null {
  const { parts } = growth;
  const extenders = parts.filter((part) => part.extender);
  if (parts.length === 0) return null;
  const overlap = ctx.table.minConnectorOverlap;
  const target = size / units(1, ctx);
  const fixed = parts.filter((part) => !part.extender);
  const sum = (list: readonly AssemblyPart[]): number =>
    list.reduce((s, part) => s + part.fullAdvance, 0);
  let repeats = 0;
  if (extenders.length > 0) {
    const gain = sum(extenders) - overlap * extenders.length;
    const without = sum(fixed) - overlap * (fixed.length - 1);
    repeats = Math.max(0, Math.ceil((target - without) / Math.max(1, gain)));
    repeats = Math.min(repeats, Math.floor(MOST_PIECES / extenders.length));
  }
  const pieces = parts.flatMap((part) =>
    part.extender ? Array<AssemblyPart>(repeats).fill(part) : [part],
  );
  if (pieces.length === 0) return null;
  const joints = pieces.length - 1;
  const least = sum(pieces) - joints * overlap;
  const spare = joints > 0 ? Math.max(0, least - target) / joints : 0;
  return stack(pieces, overlap, spare, ctx, span, color, vertical);
}

function stack(
  pieces: readonly AssemblyPart[],
  overlap: number,
  spare: number,
  ctx: MathContext,
  span: Span,
  color: number,
  vertical: boolean,
): Box {
  const children: Child[] = [];
  let at = 0;
  let across = 0;
  let height = 0;
  let depth = 0;
  pieces.forEach((piece, i) => {
    const item = glyphItem(piece.glyph, ctx, span, color);
    if (i > 0) {
      const before = pieces[i - 1] as AssemblyPart;
      const most = Math.min(before.endConnector, piece.startConnector);
      at -= units(Math.min(Math.max(overlap, most), overlap + spare), ctx);
    }
    if (vertical) {
      children.push({ x: 0, y: at + item.depth, item });
      across = Math.max(across, item.width);
    } else {
      children.push({ x: at, y: 0, item });
      height = Math.max(height, item.height);
      depth = Math.max(depth, item.depth);
    }
    at += units(piece.fullAdvance, ctx);
  });
  return vertical ? boxOf(across, at, 0, children) : boxOf(at, height, depth, children);
}
