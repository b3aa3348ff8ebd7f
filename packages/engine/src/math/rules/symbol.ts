import type { SymbolNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { glyphFor, glyphItem, italicOf, type MathContext } from '../context';

/** One character. Italic letters take their correction unless a subscript follows (rule 17). */
export function symbol(node: SymbolNode, ctx: MathContext): Atom {
  const glyph = glyphFor(node.char, ctx);
  const item = glyphItem(glyph, ctx, node, node.color);
  return atom(node.cls, item, ctx.style, { glyph, italic: italicOf(glyph, ctx) });
}
