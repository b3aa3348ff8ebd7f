import { boxOf, EMPTY_BOX } from '../../boxes/box';
import { MARKED_LOOK } from '../../document/font';
import type {
  GroupNode,
  MathPenaltyNode,
  MathSpaceNode,
  MathTextNode,
  NotNode,
  PhantomNode,
  ColourNode,
  StyleNode,
  UnknownNode,
} from '../../document/math';
import { atom, type Atom, type AtomPenalty, type AtomSpace } from '../atom';
import { centredOnAxis, glyphItem, inStyle, mu, sizeOf, type MathContext } from '../context';
import { cramped, isDisplay } from '../style';

/** A subformula as one atom (rule 17 for a boxed nucleus); an operator of one sign is centred on the axis (rule 13). */
export function group(node: GroupNode, ctx: MathContext): Atom {
  const limits = node.limits === 'display' ? isDisplay(ctx.style) : node.limits;
  const inner = node.cramped ? inStyle(ctx, cramped(ctx.style)) : ctx;
  const body = ctx.lay.list(node.body, inner);
  const [only, ...more] = node.body;
  const isSign = node.cls === 'op' && only?.kind === 'symbol' && more.length === 0;
  return atom(node.cls, isSign ? centredOnAxis(body, ctx) : body, ctx.style, { limits });
}

export function space(node: MathSpaceNode, ctx: MathContext): AtomSpace {
  return { kind: 'space', width: node.mu * mu(ctx) + node.width };
}

/** Where the line may break, or not. */
export const penalty = (node: MathPenaltyNode): AtomPenalty => ({
  kind: 'penalty',
  penalty: node.penalty,
});

/** Style changes act on the list; one met alone takes no room. */
export function style(_node: StyleNode | ColourNode): AtomSpace {
  return { kind: 'space', width: 0 };
}

export function text(node: MathTextNode, ctx: MathContext): Atom {
  return atom('ord', ctx.setText(node.inlines, sizeOf(ctx) / ctx.sizes[0]), ctx.style);
}

/** `\phantom` and `\smash`: the size of the contents, drawn or not. */
export function phantom(node: PhantomNode, ctx: MathContext): Atom {
  const body = ctx.lay.list(node.body, ctx);
  const box = boxOf(
    node.horizontal ? body.width : 0,
    node.vertical || node.only === 'bottom' ? body.height : 0,
    node.vertical || node.only === 'top' ? body.depth : 0,
    node.shown ? [{ x: 0, y: 0, item: body }] : [],
  );
  return atom('ord', box, ctx.style);
}

/** A relation struck through: the slash is centred on it. */
export function not(node: NotNode, ctx: MathContext): Atom {
  const base = ctx.lay.node(node.body, ctx);
  if (base.kind !== 'atom') return atom('rel', EMPTY_BOX, ctx.style);
  const slash = glyphItem(ctx.font.glyph(0x2215), ctx, node);
  const { item } = base;
  const middle = (item.height - item.depth) / 2 - (slash.height - slash.depth) / 2;
  const box = boxOf(
    item.width,
    Math.max(item.height, slash.height + middle),
    Math.max(item.depth, slash.depth - middle),
    [
      { x: 0, y: 0, item },
      { x: (item.width - slash.width) / 2, y: middle, item: slash },
    ],
  );
  return atom(base.cls, box, ctx.style);
}

/** What could not be read is shown as it stands, in typewriter, marked. */
export function unknown(node: UnknownNode, ctx: MathContext): Atom {
  const font = { ...ctx.text, ...MARKED_LOOK };
  const inlines = [{ kind: 'text' as const, text: node.text, font, from: node.from, to: node.to }];
  return atom('ord', ctx.setText(inlines, sizeOf(ctx) / ctx.sizes[0]), ctx.style);
}
