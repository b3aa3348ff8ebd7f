import { PT } from '../../base/lengths';
import { boxOf, rule, type Box, type Child } from '../../boxes/box';
import type { CancelNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, inStyle, sizeOf, type MathContext } from '../context';
import { supStyle } from '../style';
import { bentPath, drawHead, drawPath } from './strokes';

/** A stroke from one corner of the box to the other, reaching a little beyond it. */
function stroke(base: Box, up: boolean, thickness: number, color: number): Child {
  const reach = 2 * PT;
  const height = base.height + base.depth + reach;
  const length = Math.hypot(base.width, height);
  const degrees = (Math.atan2(height, Math.max(base.width, 1)) * 180) / Math.PI;
  const line = rule(length, thickness / 2, thickness / 2, color);
  const turned: Box = {
    ...boxOf(length, 0, 0, [{ x: 0, y: 0, item: line }]),
    transform: { x: 1, y: 1, degrees: up ? degrees : -degrees },
  };
  const y = up ? -base.depth - reach / 2 : base.height + reach / 2;
  return { x: 0, y, item: turned };
}

/** A term struck out (package cancel): lines of 0.4 pt over its box. */
export function cancel(node: CancelNode, ctx: MathContext): Atom {
  const base = ctx.lay.list(node.base, ctx);
  const children: Child[] = [{ x: 0, y: 0, item: base }];
  const thickness = constant('overbarRuleThickness', ctx);
  if (node.up) children.push(stroke(base, true, thickness, 0));
  if (node.down) children.push(stroke(base, false, thickness, 0));
  let { width, height } = base;
  if (node.becomes) {
    // The stroke goes on as an arrow to what the term becomes.
    const reach = 2 * PT;
    const from = { x: 0, y: -base.depth - reach / 2 };
    const slope = (base.height + base.depth + reach) / Math.max(base.width, PT);
    const run = Math.min(5 * PT, (5 * PT) / Math.max(slope, 0.5));
    const tip = { x: base.width + run, y: from.y + (base.width + run) * slope };
    const path = bentPath(from, tip, 0);
    children.splice(1, children.length, ...drawPath(path, thickness, null));
    children.push(...drawHead(path, 0, sizeOf(ctx), thickness));
    const to = ctx.lay.list(node.becomes, inStyle(ctx, supStyle(ctx.style)));
    const x = tip.x + 0.5 * PT;
    const y = tip.y - to.height / 2;
    children.push({ x, y, item: to });
    width = x + to.width;
    height = Math.max(tip.y, y + to.height);
  }
  return atom('ord', boxOf(width, height, base.depth, children), ctx.style);
}
