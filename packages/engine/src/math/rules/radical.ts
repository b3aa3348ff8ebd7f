import { boxOf, rule, type Child } from '../../boxes/box';
import type { RadicalNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, inStyle, type MathContext } from '../context';
import { growVertically } from '../growth';
import { cramped, isDisplay } from '../style';

const SIGN = '√';

/** A root: the sign grows with its contents, the bar lies on them (rule 11, OpenType MATH radical constants). */
export function radical(node: RadicalNode, ctx: MathContext): Atom {
  const body = ctx.lay.list(node.body, inStyle(ctx, cramped(ctx.style)));
  const bar = constant('radicalRuleThickness', ctx);
  let gap = constant(
    isDisplay(ctx.style) ? 'radicalDisplayStyleVerticalGap' : 'radicalVerticalGap',
    ctx,
  );
  const sign = growVertically(SIGN, body.height + body.depth + gap + bar, ctx, node).item;
  const signSize = sign.height + sign.depth;
  // What the sign is larger than needed is shared above and below the contents.
  const spare = signSize - (body.height + body.depth + gap + bar);
  if (spare > 0) gap += spare / 2;
  const top = body.height + gap + bar;
  const signY = top - sign.height;
  const children: Child[] = [];
  let x = 0;
  if (node.degree) {
    const degree = ctx.lay.list(node.degree, inStyle(ctx, 6));
    const bottom = signY - sign.depth;
    const raise = bottom + (ctx.table.constants.radicalDegreeBottomRaisePercent / 100) * signSize;
    const before = constant('radicalKernBeforeDegree', ctx);
    const after = constant('radicalKernAfterDegree', ctx);
    children.push({ x: before, y: raise + degree.depth, item: degree });
    x = Math.max(0, before + degree.width + after);
  }
  children.push({ x, y: signY, item: sign });
  x += sign.width;
  children.push({ x, y: top - bar, item: rule(body.width, bar, 0, ctx.color, node) });
  children.push({ x, y: 0, item: body });
  const height = top + constant('radicalExtraAscender', ctx);
  return atom(
    'ord',
    boxOf(x + body.width, height, Math.max(body.depth, sign.depth - signY), children),
    ctx.style,
  );
}
