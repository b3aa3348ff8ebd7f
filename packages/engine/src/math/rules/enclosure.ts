import { PT } from '../../base/lengths';
import { boxOf, rule, type Box, type Child } from '../../boxes/box';
import type { EnclosureNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { constant, inStyle, mu, type MathContext } from '../context';
import { cramped } from '../style';
import { stroke } from './strokes';

/** Lines around a formula, as thick as a bar over one. */
export function enclosure(node: EnclosureNode, ctx: MathContext): Atom {
  const base = ctx.lay.list(node.body, inStyle(ctx, cramped(ctx.style)));
  return atom('ord', SHAPES[node.shape](base, ctx), ctx.style);
}

/** A rule with its lower edge at `y`. */
const ruleAt = (x: number, y: number, width: number, height: number, color = 0): Child => ({
  x,
  y,
  item: rule(width, height, 0, color),
});

/** The box with lines drawn on it. */
const drawnOn = (base: Box, lines: readonly Child[]): Child[] => [
  { x: 0, y: 0, item: base },
  ...lines,
];

type Shape = (base: Box, ctx: MathContext) => Box;

/** A line over the formula that comes down on its right, as in the symbols for annuities. */
const actuarial: Shape = (base, ctx) => {
  const bar = constant('overbarRuleThickness', ctx);
  const gap = constant('overbarVerticalGap', ctx);
  const side = 2 * mu(ctx);
  const top = base.height + gap + bar;
  const width = base.width + side + bar;
  const lines = [
    ruleAt(0, top - bar, width, bar, ctx.color),
    ruleAt(width - bar, -base.depth, bar, top + base.depth, ctx.color),
  ];
  return boxOf(width + side, top, base.depth, drawnOn(base, lines));
};

/** A line under the formula with a slanted one at its left: an angle, for phasors. */
const phase: Shape = (base, ctx) => {
  const bar = constant('underbarRuleThickness', ctx);
  const gap = constant('underbarVerticalGap', ctx);
  const bottom = -base.depth - gap;
  const rise = base.height - bottom;
  const lean = 0.5 * rise;
  const children: Child[] = [
    { x: lean, y: 0, item: base },
    ruleAt(0, bottom - bar, lean + base.width, bar, ctx.color),
    stroke(
      { x: bar / 2, y: bottom - bar },
      { x: lean + bar / 2, y: bottom - bar + rise },
      bar,
      ctx.color,
    ),
  ];
  return boxOf(lean + base.width, base.height, -bottom + bar, children);
};

/** A stroke through it at the height of a hyphen. */
const struck: Shape = (base, ctx) => {
  const bar = constant('overbarRuleThickness', ctx);
  const y = constant('axisHeight', ctx) - bar / 2;
  const line = ruleAt(0, y, base.width, bar, ctx.color);
  return boxOf(base.width, base.height, base.depth, drawnOn(base, [line]));
};

/** A line with a small stroke at either end, over or under the formula. */
const segment =
  (below: boolean): Shape =>
  (base, ctx) => {
    const bar = constant('overbarRuleThickness', ctx);
    const gap = constant('overbarVerticalGap', ctx);
    const tick = 1.5 * PT;
    const middle = below ? -base.depth - gap - tick : base.height + gap + tick;
    const lines = [
      ruleAt(0, middle - bar / 2, base.width, bar, ctx.color),
      ruleAt(0, middle - tick, bar, 2 * tick, ctx.color),
      ruleAt(base.width - bar, middle - tick, bar, 2 * tick, ctx.color),
    ];
    const height = below ? base.height : middle + tick + bar;
    const depth = below ? -middle + tick + bar : base.depth;
    return boxOf(base.width, height, depth, drawnOn(base, lines));
  };

const SHAPES: Readonly<Record<EnclosureNode['shape'], Shape>> = {
  actuarial,
  phase,
  struck,
  segmentOver: segment(false),
  segmentUnder: segment(true),
};
