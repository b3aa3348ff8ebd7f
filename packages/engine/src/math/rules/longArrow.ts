import { boxOf, centred, type Child } from '../../boxes/box';
import type { LongArrowNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, inStyle, mu, type MathContext } from '../context';
import { growHorizontally } from '../growth';
import { subStyle, supStyle } from '../style';

/** Space at either end of the labels, in mu (amsmath: 5 and 9 for `\xrightarrow`, their mean taken). */
const PADDING = 7;
/** An arrow without labels is this long at least, in mu. */
const LEAST = 22;

/** An arrow with its labels, a relation (amsmath's `\xrightarrow`). */
export function longArrow(node: LongArrowNode, ctx: MathContext): Atom {
  const over = ctx.lay.list(node.over, inStyle(ctx, supStyle(ctx.style)));
  const under = node.under ? ctx.lay.list(node.under, inStyle(ctx, subStyle(ctx.style))) : null;
  const labels = Math.max(over.width, under?.width ?? 0);
  const arrow = growHorizontally(
    node.char,
    Math.max(labels + 2 * PADDING * mu(ctx), LEAST * mu(ctx)),
    ctx,
    node,
  );
  const width = Math.max(arrow.width, labels);
  const children: Child[] = [{ x: 0, y: 0, item: centred(arrow, width) }];
  let { height, depth } = arrow;
  if (over.width > 0) {
    const y = height + constant('upperLimitGapMin', ctx) + over.depth;
    children.push({ x: 0, y, item: centred(over, width) });
    height = y + over.height;
  }
  if (under && under.width > 0) {
    const y = -(Math.max(depth, 0) + constant('lowerLimitGapMin', ctx) + under.height);
    children.push({ x: 0, y, item: centred(under, width) });
    depth = -y + under.depth;
  }
  return atom('rel', boxOf(width, height, depth, children), ctx.style);
}
