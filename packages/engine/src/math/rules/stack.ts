import { boxOf, centred, rule, type Box, type Child } from '../../boxes/box';
import type { LineNode, StackNode, StretchNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, inkOf, inStyle, type MathContext } from '../context';
import { growHorizontally } from '../growth';
import { aroundLimits } from './scripts';
import { cramped, subStyle, supStyle } from '../style';

/** A line over (rule 9) or under (rule 10) the base. */
export function line(node: LineNode, ctx: MathContext): Atom {
  const style = node.below ? ctx.style : cramped(ctx.style);
  const base = ctx.lay.list(node.base, inStyle(ctx, style));
  const over = !node.below;
  const bar = constant(over ? 'overbarRuleThickness' : 'underbarRuleThickness', ctx);
  const gap = constant(over ? 'overbarVerticalGap' : 'underbarVerticalGap', ctx);
  const extra = constant(over ? 'overbarExtraAscender' : 'underbarExtraDescender', ctx);
  const y = over ? base.height + gap : -(base.depth + gap + bar);
  const children: Child[] = [
    { x: 0, y: 0, item: base },
    { x: 0, y, item: rule(base.width, bar, 0, ctx.color, node) },
  ];
  const height = over ? y + bar + extra : base.height;
  const depth = over ? base.depth : -y + extra;
  return atom('ord', boxOf(base.width, height, depth, children), ctx.style);
}

/** A brace or arrow grown to the width of the base. */
export function stretch(node: StretchNode, ctx: MathContext): Atom {
  const base = ctx.lay.list(node.base, ctx);
  const item = growHorizontally(node.char, base.width, ctx, node);
  const width = Math.max(base.width, item.width);
  // Braces keep off as limits do, arrows as a bar does; both from the outline.
  const gap = node.limits
    ? constant(node.below ? 'stretchStackGapBelowMin' : 'stretchStackGapAboveMin', ctx)
    : constant(node.below ? 'underbarVerticalGap' : 'overbarVerticalGap', ctx);
  const { bottom, top } = inkOf(item);
  const y = node.below ? -(base.depth + gap + top) : base.height + gap - bottom;
  return atom(
    node.limits ? 'op' : 'ord',
    boxOf(width, Math.max(base.height, y + top), Math.max(base.depth, -bottom - y), [
      { x: (width - base.width) / 2, y: 0, item: base },
      { x: (width - item.width) / 2, y, item },
    ]),
    ctx.style,
    { limits: node.limits },
  );
}

/** Small formulas over and under a base that keeps its place and class. */
export function stack(node: StackNode, ctx: MathContext): Atom {
  const base = ctx.lay.list(node.base, ctx);
  const over = node.over ? ctx.lay.list(node.over, inStyle(ctx, supStyle(ctx.style))) : null;
  const under = node.under ? ctx.lay.list(node.under, inStyle(ctx, subStyle(ctx.style))) : null;
  const width = Math.max(base.width, over?.width ?? 0, under?.width ?? 0);
  const children: Child[] = [{ x: 0, y: 0, item: centred(base, width) }];
  let { height, depth }: Box = base;
  if (over) {
    const gap = Math.max(
      constant('upperLimitGapMin', ctx),
      constant('upperLimitBaselineRiseMin', ctx) - over.depth,
    );
    const y = height + gap + over.depth;
    children.push({ x: 0, y, item: centred(over, width) });
    height = y + over.height + aroundLimits(ctx);
  }
  if (under) {
    const gap = Math.max(
      constant('lowerLimitGapMin', ctx),
      constant('lowerLimitBaselineDropMin', ctx) - under.height,
    );
    const y = -(depth + gap + under.height);
    children.push({ x: 0, y, item: centred(under, width) });
    depth = -y + under.depth + aroundLimits(ctx);
  }
  return atom(node.cls, boxOf(width, height, depth, children), ctx.style);
}
