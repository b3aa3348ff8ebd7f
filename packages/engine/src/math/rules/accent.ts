import type { Sp } from '../../base/lengths';
import { boxOf, type Child, type Item } from '../../boxes/box';
import type { AccentNode, MathNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, glyphFor, glyphItem, inStyle, units, type MathContext } from '../context';
import { widestWithin } from '../growth';
import { cramped } from '../style';

/** Rows of dots, which may be wider than their letter and then take the room. */
const DOTS = new Set(['\u20db', '\u20dc']);
const ARROWS = new Set(['\u20d6', '\u20d7', '\u20e1']);

/** An accent over (or under) its base, both at their attachment points (rule 12, OpenType "MathTopAccentAttachment"). */
export function accent(node: AccentNode, ctx: MathContext): Atom {
  const inner = inStyle(ctx, cramped(ctx.style));
  const single = singleOf(node.base, inner);
  const base = single ? single.item : ctx.lay.list(node.base, inner);
  const glyph = node.wide ? widestWithin(node.char, base.width, ctx) : glyphFor(node.char, ctx);
  const item = glyphItem(glyph, ctx, node);
  const box = ctx.font.box(glyph);
  const attach = ctx.table.accentAttachment.get(glyph);
  // Combining marks without a point of their own are centred on their outline.
  const accentX = attach === undefined ? units(box.right, ctx) / 2 : units(attach, ctx);
  const x = baseAttachment(single, base, inner) - accentX;
  const y = node.below
    ? -base.depth - units(box.top, ctx) - constant('underbarVerticalGap', ctx)
    : raiseOf(node, base, units(box.bottom, ctx), ctx);
  const left = units(box.left, ctx) + x;
  const before = DOTS.has(node.char) ? Math.max(0, -left) : 0;
  const behind = DOTS.has(node.char) ? Math.max(0, units(box.right, ctx) + x - base.width) : 0;
  const children: Child[] = [
    { x: before, y: 0, item: base },
    { x: before + x, y, item },
  ];
  const height = Math.max(base.height, y + item.height);
  const depth = Math.max(base.depth, -(y + units(box.bottom, ctx)));
  const whole = boxOf(before + base.width + behind, height, depth, children);
  // Scripts of an accented letter stand as if it had no accent.
  const extra = single ? { glyph: single.glyph, italic: single.italic } : {};
  return atom('ord', whole, ctx.style, extra);
}

/** An arrow whose outline would touch the letter keeps off it by the thickness of a bar. */
function raiseOf(node: AccentNode, base: Item, bottom: Sp, ctx: MathContext): Sp {
  const raise = base.height - Math.min(base.height, constant('accentBaseHeight', ctx));
  if (!ARROWS.has(node.char)) return raise;
  return Math.max(raise, base.height + constant('overbarRuleThickness', ctx) - bottom);
}

/** The base laid out, when it is a single character. */
function singleOf(list: readonly MathNode[], ctx: MathContext): Atom | null {
  const [only] = list;
  if (list.length !== 1 || only?.kind !== 'symbol') return null;
  const laid = ctx.lay.node(only, ctx);
  return laid.kind === 'atom' && laid.glyph !== null ? laid : null;
}

/** Where an accent sits on the base: the character's own point, or the middle. */
function baseAttachment(single: Atom | null, base: Item, ctx: MathContext): Sp {
  const attach = single?.glyph == null ? undefined : ctx.table.accentAttachment.get(single.glyph);
  return attach === undefined ? (base.width + (single?.italic ?? 0)) / 2 : units(attach, ctx);
}
