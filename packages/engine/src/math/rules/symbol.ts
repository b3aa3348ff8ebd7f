import type { SymbolNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { slopingDots } from './dots';
import { growVertically } from '../growth';
import { centredOnAxis, glyphItem, italicOf, drawnBy, type MathContext } from '../context';

/** One character. Italic letters take their correction unless a subscript follows (rule 17). */
export function symbol(node: SymbolNode, around: MathContext): Atom {
  // Fonts with a MATH table alone have these as signs.
  const dots = around.parameters[0] ? slopingDots(node, around) : null;
  if (dots) return atom(node.cls, dots, around.style);
  const { ctx, glyph } = drawnBy(node.char, around);
  const item = glyphItem(glyph, ctx, node, node.color);
  const extra = { glyph, italic: italicOf(glyph, ctx) };
  // Ends of braces have no glyph of their own: they are put together.
  if (glyph === 0 && (node.char === '⎰' || node.char === '⎱')) {
    const { item: made } = growVertically(node.char, 1.2 * item.size, ctx, node, node.color);
    return atom(node.cls, centredOnAxis(made, ctx), ctx.style);
  }
  // `\surd` is a small operator in braces (The TeXbook, appendix B): it lies on the axis.
  if (node.char === '√') return atom(node.cls, centredOnAxis(item, ctx), ctx.style);
  if (glyph === 0 && around.font.math && !INVISIBLE.test(node.char))
    around.missing(node.char, node);
  return atom(node.cls, item, ctx.style, extra);
}

/** Characters that are there without being seen: blanks, marks of direction, of forms, of functions applied. */
const INVISIBLE = /^[\s\p{C}\p{Z}\p{M}]*$/u;
