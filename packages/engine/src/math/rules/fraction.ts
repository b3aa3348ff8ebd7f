import { PT, type Sp } from '../../base/lengths';
import { type Box, boxOf, centred, hbox, hpack, kern, rule } from '../../boxes/box';
import type { FractionNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { centredOnAxis, constant, inStyle, parameter, type MathContext, sizeOf } from '../context';
import { growVertically } from '../growth';
import { denStyle, isDisplay, named, numStyle } from '../style';

/** `\nulldelimiterspace`, LaTeX: 1.2 pt. */
export const NULL_DELIMITER: Sp = 1.2 * PT;
/** Height of the brackets around a generalised fraction in quads: `delim1`, `delim2` of cmsy10. */
const DELIMITER_SIZES = { display: 2.39, text: 1.01 };

/** Numerator over denominator, with a bar (rules 15b to 15d) or without (15c). */
export function fraction(node: FractionNode, around: MathContext): Atom {
  const ctx = node.style ? inStyle(around, named(node.style, around.style)) : around;
  const num = ctx.lay.list(node.num, inStyle(ctx, numStyle(ctx.style)));
  const den = ctx.lay.list(node.den, inStyle(ctx, denStyle(ctx.style)));
  const bar = node.bar ?? constant('fractionRuleThickness', ctx);
  const body = bar > 0 ? withBar(node, num, den, bar, ctx) : stacked(node, num, den, ctx);
  const size = isDisplay(ctx.style)
    ? DELIMITER_SIZES.display * sizeOf(ctx)
    : (parameter('fractionBrackets', ctx) ?? DELIMITER_SIZES.text * sizeOf(ctx));
  const side = (char: string | null) =>
    char === null
      ? kern(NULL_DELIMITER)
      : hbox(centredOnAxis(growVertically(char, size, ctx, node).item, ctx));
  // A fraction comes in braces of its own, and so is ordinary (LaTeX's `\frac`, amsmath's `\genfrac`).
  return atom('ord', hpack([side(node.left), hbox(body), side(node.right)]), ctx.style);
}

function withBar(node: FractionNode, num: Box, den: Box, bar: Sp, ctx: MathContext): Box {
  const display = isDisplay(ctx.style);
  const axis = constant('axisHeight', ctx);
  const up = constant(
    display ? 'fractionNumeratorDisplayStyleShiftUp' : 'fractionNumeratorShiftUp',
    ctx,
  );
  const down = constant(
    display ? 'fractionDenominatorDisplayStyleShiftDown' : 'fractionDenominatorShiftDown',
    ctx,
  );
  const numGap = constant(
    display ? 'fractionNumDisplayStyleGapMin' : 'fractionNumeratorGapMin',
    ctx,
  );
  const denGap = constant(
    display ? 'fractionDenomDisplayStyleGapMin' : 'fractionDenominatorGapMin',
    ctx,
  );
  // The bar stays on the axis; only what is too near to it moves.
  const numY = Math.max(up, axis + bar / 2 + numGap + num.depth);
  const denY = Math.max(down, den.height + denGap - (axis - bar / 2));
  return assemble(node, num, den, numY, denY, [
    {
      x: 0,
      y: axis - bar / 2,
      item: rule(Math.max(num.width, den.width), bar, 0, ctx.color, node),
    },
  ]);
}

function stacked(node: FractionNode, num: Box, den: Box, ctx: MathContext): Box {
  const display = isDisplay(ctx.style);
  let up = constant(display ? 'stackTopDisplayStyleShiftUp' : 'stackTopShiftUp', ctx);
  let down = constant(display ? 'stackBottomDisplayStyleShiftDown' : 'stackBottomShiftDown', ctx);
  const gap = constant(display ? 'stackDisplayStyleGapMin' : 'stackGapMin', ctx);
  const short = gap - (up - num.depth - (den.height - down));
  if (short > 0) {
    up += short / 2;
    down += short / 2;
  }
  return assemble(node, num, den, up, down, []);
}

function assemble(
  { align }: FractionNode,
  num: Box,
  den: Box,
  up: Sp,
  down: Sp,
  more: Box['children'],
): Box {
  const width = Math.max(num.width, den.width);
  const spare = width - num.width;
  const x = align === 'left' ? 0 : align === 'right' ? spare : spare / 2;
  return boxOf(width, up + num.height, down + den.depth, [
    { x, y: up, item: num },
    { x: 0, y: -down, item: centred(den, width) },
    ...more,
  ]);
}
