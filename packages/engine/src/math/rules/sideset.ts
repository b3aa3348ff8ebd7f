import { boxOf, type Child } from '../../boxes/box';
import type { MathList, SidesetNode } from '../../document/math';
import { atom, type Laid } from '../atom';
import { constant, inStyle, type MathContext } from '../context';
import { subStyle, supStyle } from '../style';
import { scriptShifts } from './scripts';

/** An operator with scripts at its corners; limits it takes besides stay with it (amsmath's `\sideset`). */
export function sideset(node: SidesetNode, ctx: MathContext): Laid {
  const laid = ctx.lay.node(node.base, ctx);
  if (laid.kind !== 'atom') return laid;
  const small = (list: MathList | null, style: typeof ctx.style) =>
    list ? ctx.lay.list(list, inStyle(ctx, style)) : null;
  const supOf = (list: MathList | null) => small(list, supStyle(ctx.style));
  const subOf = (list: MathList | null) => small(list, subStyle(ctx.style));
  const corners = [
    { sup: supOf(node.left.sup), sub: subOf(node.left.sub), left: true },
    { sup: supOf(node.right.sup), sub: subOf(node.right.sub), left: false },
  ];
  const { item, overhang } = laid;
  const after = constant('spaceAfterScript', ctx);
  const room = (c: (typeof corners)[number]) => Math.max(c.sup?.width ?? 0, c.sub?.width ?? 0);
  const [left, right] = corners.map(room) as [number, number];
  const children: Child[] = [{ x: left, y: 0, item }];
  let { height, depth } = item;
  for (const { sup, sub, left: onLeft } of corners) {
    const { up, down } = scriptShifts({ ...laid, glyph: null }, sup, sub, ctx);
    const edge = left + item.width;
    if (sup) {
      children.push({ x: onLeft ? left - sup.width : edge, y: up, item: sup });
      height = Math.max(height, up + sup.height);
    }
    if (sub) {
      children.push({ x: onLeft ? left - sub.width : edge - overhang, y: -down, item: sub });
      depth = Math.max(depth, down + sub.depth);
    }
  }
  const width = left + item.width + right + (right > 0 ? after : 0);
  return atom('op', boxOf(width, height, depth, children), ctx.style, { limits: laid.limits });
}
