import { PT } from '../../base/lengths';
import type { Point } from '../../base/maps';
import { boxOf, type Box, type Child } from '../../boxes/box';
import type { CancelNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, inStyle, sizeOf, type MathContext } from '../context';
import { supStyle } from '../style';
import { drawHead, stroke } from './strokes';

/** How far a stroke goes beyond the box, above and below together. */
const REACH = 2 * PT;
/** The arrow to what a term becomes goes on for this much to the right or upwards. */
const ARROW = 5 * PT;

/** A term struck out (package cancel): lines of 0.4 pt over its box. */
export function cancel(node: CancelNode, ctx: MathContext): Atom {
  const base = ctx.lay.list(node.base, ctx);
  if (node.becomes) return cancelTo(node.becomes, base, ctx);
  const thickness = constant('overbarRuleThickness', ctx);
  const [low, high] = [-base.depth - REACH / 2, base.height + REACH / 2];
  const children: Child[] = [{ x: 0, y: 0, item: base }];
  const line = (left: number, right: number): unknown =>
    children.push(stroke({ x: 0, y: left }, { x: base.width, y: right }, thickness, ctx.color));
  if (node.up) line(low, high);
  if (node.down) line(high, low);
  return atom('ord', boxOf(base.width, base.height, base.depth, children), ctx.style);
}

/** The stroke goes on as an arrow to what the term becomes. */
function cancelTo(becomes: NonNullable<CancelNode['becomes']>, base: Box, ctx: MathContext): Atom {
  const thickness = constant('overbarRuleThickness', ctx);
  const from: Point = { x: 0, y: -base.depth - REACH / 2 };
  const slope = (base.height + base.depth + REACH) / Math.max(base.width, PT);
  const end = base.width + ARROW / Math.max(slope, 1);
  const tip: Point = { x: end, y: from.y + end * slope };
  const to = ctx.lay.list(becomes, inStyle(ctx, supStyle(ctx.style)));
  const x = tip.x + 0.5 * PT;
  const y = tip.y - to.height / 2;
  const children: Child[] = [
    { x: 0, y: 0, item: base },
    stroke(from, tip, thickness, ctx.color),
    drawHead([from, tip], 0, sizeOf(ctx), thickness, ctx.color),
    { x, y, item: to },
  ];
  const height = Math.max(tip.y, y + to.height);
  return atom('ord', boxOf(x + to.width, height, base.depth, children), ctx.style);
}
