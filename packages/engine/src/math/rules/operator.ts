import { boxOf, hbox, hpack, type Box, type Child } from '../../boxes/box';
import type { OperatorNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import {
  centredOnAxis,
  extension,
  glyphFor,
  glyphItem,
  italicOf,
  mu,
  textGlyph,
  units,
  type MathContext,
} from '../context';
import { growVertically } from '../growth';
import { isDisplay } from '../style';

/** Operators that keep scripts beside them even in displays: integrals. */
const BESIDE = /[∫-∳⨋-⨜]/u;

/** Signs that are several integrals side by side. */
const SEVERAL: Readonly<Record<string, number>> = { '∬': 2, '∭': 3, '⨌': 4 };

/**
 * Integrals side by side are set as so many single ones, 9 mu nearer to each other in displays and 6 mu elsewhere, with the
 * thin space between operators (amsmath, `\\intkern@`).
 */
function severalIntegrals(count: number, node: OperatorNode, ctx: MathContext): Atom {
  const single = operator({ ...node, char: '∫' }, ctx);
  const { item, overhang } = single;
  const step = item.width - (isDisplay(ctx.style) ? 9 - 3 : 6 - 3) * mu(ctx);
  const children = Array.from({ length: count }, (_, i): Child => ({ x: i * step, y: 0, item }));
  const box = boxOf((count - 1) * step + item.width, item.height, item.depth, children);
  return atom('op', box, ctx.style, { overhang, limits: node.limits ?? false });
}

/** A large operator, larger in displays and centred on the axis (rule 13), or a named function. */
export function operator(node: OperatorNode, ctx: MathContext): Atom {
  if (node.name !== null) {
    const limits = node.limits ?? (node.takesLimits === true && isDisplay(ctx.style));
    return atom('op', functionName(node, ctx), ctx.style, { limits });
  }
  const char = node.char ?? '';
  const several = SEVERAL[char];
  if (several) return severalIntegrals(several, node, ctx);
  const limits = node.limits ?? (isDisplay(ctx.style) && (node.takesLimits ?? !BESIDE.test(char)));
  const large = extension(ctx);
  if (!isDisplay(ctx.style)) {
    const glyph = large === ctx ? glyphFor(char, ctx) : textGlyph(char, ctx);
    const item = centredOnAxis(glyphItem(glyph, large, node, node.color), ctx);
    return atom('op', item, ctx.style, { overhang: italicOf(glyph, large), limits });
  }
  const grown = growVertically(
    char,
    units(ctx.table.constants.displayOperatorMinHeight, large),
    large,
    node,
    node.color,
  );
  const overhang = grown.glyph === null ? 0 : italicOf(grown.glyph, large);
  return atom('op', centredOnAxis(grown.item, ctx), ctx.style, { overhang, limits });
}

/** Upright letters; a blank in the name is a thin space (`lim sup`). */
function functionName(node: OperatorNode, ctx: MathContext): Box {
  const chars = [...(node.name ?? '')];
  let before: number | null = null;
  return hpack(
    chars.flatMap((char) => {
      if (char === ' ') {
        before = null;
        return [{ kind: 'kern' as const, width: 3 * mu(ctx) }];
      }
      const glyph = glyphFor(char, ctx);
      const kern = before === null ? 0 : ctx.font.kern(before, glyph);
      before = glyph;
      const item = hbox(glyphItem(glyph, ctx, node, node.color));
      return kern === 0 ? [item] : [{ kind: 'kern' as const, width: units(kern, ctx) }, item];
    }),
  );
}
