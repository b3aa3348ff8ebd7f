import type { Sp } from '../../base/lengths';
import { boxOf, EMPTY_BOX, type Box, type Child, type Item } from '../../boxes/box';
import type { ScriptsNode } from '../../document/math';
import type { MathKern } from '../../fonts/tables/math';
import { atom, type Atom } from '../atom';
import { constant, inStyle, parameter, sizeOf, units, type MathContext } from '../context';
import { isCramped, isDisplay, subStyle, supStyle } from '../style';

/** Space above and below the limits of an operator, in quads, where the font does not say. */
const LIMIT_PADDING = 0.1;
export const aroundLimits = (ctx: MathContext): Sp =>
  parameter('aroundLimits', ctx) ?? LIMIT_PADDING * sizeOf(ctx);

/** Scripts beside the base (rule 18) or, for operators with limits, above and below (rule 13a). */
export function scripts(node: ScriptsNode, ctx: MathContext): Atom {
  const base = baseAtom(node, ctx);
  const sup = node.sup ? ctx.lay.list(node.sup, inStyle(ctx, supStyle(ctx.style))) : null;
  const sub = node.sub ? ctx.lay.list(node.sub, inStyle(ctx, subStyle(ctx.style))) : null;
  if (base.limits) return atom(base.cls, limits(base, sup, sub, ctx), ctx.style);
  return atom(base.cls, beside(base, sup, sub, ctx), ctx.style);
}

function baseAtom(node: ScriptsNode, ctx: MathContext): Atom {
  const laid = node.base ? ctx.lay.node(node.base, ctx) : null;
  return laid?.kind === 'atom' ? laid : atom('ord', EMPTY_BOX, ctx.style);
}

function limits(base: Atom, sup: Box | null, sub: Box | null, ctx: MathContext): Box {
  const { item, overhang } = base;
  const width = Math.max(item.width, sup?.width ?? 0, sub?.width ?? 0);
  const children: Child[] = [{ x: (width - item.width) / 2, y: 0, item }];
  const padding = aroundLimits(ctx);
  let { height, depth } = item;
  if (sup) {
    const gap = Math.max(
      constant('upperLimitGapMin', ctx),
      constant('upperLimitBaselineRiseMin', ctx) - sup.depth,
    );
    const y = item.height + gap + sup.depth;
    children.push({ x: (width - sup.width) / 2 + overhang / 2, y, item: sup });
    height = y + sup.height + padding;
  }
  if (sub) {
    const gap = Math.max(
      constant('lowerLimitGapMin', ctx),
      constant('lowerLimitBaselineDropMin', ctx) - sub.height,
    );
    const y = -(item.depth + gap + sub.height);
    children.push({ x: (width - sub.width) / 2 - overhang / 2, y, item: sub });
    depth = -y + sub.depth + padding;
  }
  return boxOf(width, height, depth, children);
}

function beside(base: Atom, sup: Box | null, sub: Box | null, ctx: MathContext): Box {
  const { up, down } = scriptShifts(base, sup, sub, ctx);
  return place(base, sup, sub, up, down, base.italic, ctx);
}

/** How far up the superscript and how far down the subscript of a base stand (rules 18a to 18f). */
export function scriptShifts(
  base: Atom,
  sup: Box | null,
  sub: Box | null,
  ctx: MathContext,
): { up: Sp; down: Sp } {
  const { item } = base;
  const plain = base.glyph !== null;
  // Rule 18a: a character starts from zero, anything larger from its edges.
  const scriptCtx = inStyle(ctx, supStyle(ctx.style));
  let up = plain ? 0 : item.height - constant('superscriptBaselineDropMax', scriptCtx);
  let down = plain ? 0 : item.depth + constant('subscriptBaselineDropMin', scriptCtx);
  if (sup) {
    const raise = isCramped(ctx.style) ? 'superscriptShiftUpCramped' : 'superscriptShiftUp';
    up = Math.max(up, supShift(raise, ctx), sup.depth + constant('superscriptBottomMin', ctx));
  }
  if (sub) {
    down = Math.max(down, subShift(sup !== null, ctx));
    if (!sup) down = Math.max(down, sub.height - constant('subscriptTopMax', ctx));
  }
  if (sup && sub) [up, down] = apart(sup, sub, up, down, ctx);
  return { up, down };
}

/** In a display that is not cramped a superscript may stand higher. */
function supShift(raise: 'superscriptShiftUp' | 'superscriptShiftUpCramped', ctx: MathContext): Sp {
  const isFree = isDisplay(ctx.style) && !isCramped(ctx.style);
  return (isFree ? parameter('displaySuperscript', ctx) : null) ?? constant(raise, ctx);
}

/** A subscript without a superscript may stand higher than one beside it. */
const subShift = (besideSup: boolean, ctx: MathContext): Sp =>
  (besideSup ? null : parameter('loneSubscript', ctx)) ?? constant('subscriptShiftDown', ctx);

/** Keeps the two scripts apart, then lifts both if the upper one hangs too low (rules 18e, 18f). */
function apart(sup: Box, sub: Box, up: Sp, down: Sp, ctx: MathContext): [Sp, Sp] {
  const gap = up - sup.depth - (sub.height - down);
  const short = constant('subSuperscriptGapMin', ctx) - gap;
  if (short <= 0) return [up, down];
  const lowered = down + short;
  const lift = constant('superscriptBottomMaxWithSubscript', ctx) - (up - sup.depth);
  return lift > 0 ? [up + lift, lowered - lift] : [up, lowered];
}

function place(
  base: Atom,
  sup: Box | null,
  sub: Box | null,
  up: Sp,
  down: Sp,
  italic: Sp,
  ctx: MathContext,
): Box {
  const { item } = base;
  const after = constant('spaceAfterScript', ctx);
  const children: Child[] = [{ x: 0, y: 0, item }];
  let { width, height, depth } = item;
  if (sup) {
    const x = item.width + italic + cutIn(base, sup, up, ctx, true);
    children.push({ x, y: up, item: sup });
    width = Math.max(width, x + sup.width + after);
    height = Math.max(height, up + sup.height);
    depth = Math.max(depth, sup.depth - up);
  }
  if (sub) {
    // The subscript of an integral stands under its overhang (OpenType MATH, "MathItalicsCorrectionInfo").
    const x = item.width - base.overhang + cutIn(base, sub, down, ctx, false);
    children.push({ x, y: -down, item: sub });
    width = Math.max(width, x + sub.width + after);
    height = Math.max(height, sub.height - down);
    depth = Math.max(depth, down + sub.depth);
  }
  return boxOf(width, height, depth, children);
}

/** The kern of the base's corner at the heights where base and script meet (OpenType MATH, "MathKernInfo"). */
function cutIn(base: Atom, script: Item, shift: Sp, ctx: MathContext, above: boolean): Sp {
  if (base.glyph === null) return 0;
  const corners = ctx.table.kerns.get(base.glyph);
  const corner = above ? corners?.topRight : corners?.bottomRight;
  if (!corner) return 0;
  const scale = units(1, ctx);
  const meets = above
    ? [shift - script.depth, base.item.height]
    : [script.height - shift, -base.item.depth];
  return Math.min(...meets.map((y) => kernAt(corner, y / scale))) * scale;
}

function kernAt(corner: MathKern, height: number): number {
  const step = corner.heights.findIndex((h) => height < h);
  return corner.kerns[step < 0 ? corner.kerns.length - 1 : step] ?? 0;
}
