import { mathSizes } from '../../base/mathSizes';
import { boxOf, type Child } from '../../boxes/box';
import type { BoldNode, CentredNode, ChoiceNode, LapNode, SizeNode } from '../../document/math';
import { atom, type Atom, type AtomSpace, type Laid } from '../atom';
import { centredOnAxis, inStyle, sizeOf, type MathContext } from '../context';
import { cramped, styleName } from '../style';

/** How far the copies of a sign stand aside, in em; together they look bold (amsmath's `\pmb`). */
const BOLD_SHIFT = 0.025;

/** No width of its own: the contents stick out to one side or to both. */
export function lap(node: LapNode, ctx: MathContext): Atom {
  const body = ctx.lay.list(node.body, inStyle(ctx, cramped(ctx.style)));
  const x = node.align === 'left' ? 0 : node.align === 'right' ? -body.width : -body.width / 2;
  return atom('ord', boxOf(0, body.height, body.depth, [{ x, y: 0, item: body }]), ctx.style);
}

/** The contents centred on the axis. */
export function centred(node: CentredNode, ctx: MathContext): Atom {
  return atom('ord', centredOnAxis(ctx.lay.list(node.body, ctx), ctx), ctx.style);
}

/** The sign drawn three times, a little aside and a little higher. */
export function bold(node: BoldNode, ctx: MathContext): Laid {
  const laid = ctx.lay.node(node.body, ctx);
  if (laid.kind !== 'atom') return laid;
  const { item } = laid;
  const shift = BOLD_SHIFT * sizeOf(ctx);
  const children: Child[] = [
    { x: 0, y: 0, item },
    { x: 2 * shift, y: 0, item },
    { x: shift, y: shift / 2, item },
  ];
  const box = boxOf(item.width + 2 * shift, item.height + shift / 2, item.depth, children);
  return { ...laid, item: box, glyph: null };
}

/** The list for the style in force. */
export const chosen = (node: ChoiceNode, ctx: MathContext) => node.lists[styleName(ctx.style)];

export function choice(node: ChoiceNode, ctx: MathContext): Atom {
  return atom('ord', ctx.lay.list(chosen(node, ctx), ctx), ctx.style);
}

/** The context for another size of text. */
export const resized = (node: SizeNode, ctx: MathContext): MathContext => ({
  ...ctx,
  sizes: mathSizes(node.size),
});

/** A change of size acts on the list; met alone it takes no room. */
export function size(_node: SizeNode): AtomSpace {
  return { kind: 'space', width: 0 };
}
