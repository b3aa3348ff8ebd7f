import type { Sp } from '../../base/lengths';
import { boxOf, type Box } from '../../boxes/box';
import type { AccentNode, MathNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, glyphFor, glyphItem, inStyle, units, type MathContext } from '../context';
import { widestWithin } from '../growth';
import { cramped } from '../style';

/** An accent over (or under) its base, both at their attachment points (rule 12, OpenType "MathTopAccentAttachment"). */
export function accent(node: AccentNode, ctx: MathContext): Atom {
  const inner = inStyle(ctx, cramped(ctx.style));
  const base = ctx.lay.list(node.base, inner);
  const glyph = node.wide ? widestWithin(node.char, base.width, ctx) : glyphFor(node.char, ctx);
  const item = glyphItem(glyph, ctx, node);
  const box = ctx.font.box(glyph);
  const attach = ctx.table.accentAttachment.get(glyph);
  // Combining marks without a point of their own are centred on their outline.
  const accentX = attach === undefined ? units(box.right, ctx) / 2 : units(attach, ctx);
  const x = baseAttachment(node.base, base, inner) - accentX;
  const y = node.below
    ? -base.depth - item.height - constant('underbarVerticalGap', ctx)
    : base.height - Math.min(base.height, constant('accentBaseHeight', ctx));
  return atom(
    'ord',
    boxOf(
      base.width,
      Math.max(base.height, y + item.height),
      Math.max(base.depth, item.depth - y),
      [
        { x: 0, y: 0, item: base },
        { x, y, item },
      ],
    ),
    ctx.style,
  );
}

/** Where an accent sits on the base: the character's own point, or the middle. */
function baseAttachment(list: readonly MathNode[], base: Box, ctx: MathContext): Sp {
  const only = list.length === 1 ? list[0] : undefined;
  if (only?.kind === 'symbol') {
    const attach = ctx.table.accentAttachment.get(glyphFor(only.char, ctx));
    if (attach !== undefined) return units(attach, ctx);
  }
  return base.width / 2;
}
