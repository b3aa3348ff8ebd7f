import type { Glue, Sp } from '../base/lengths';
import { badness } from '../boxes/badness';
import type { Box } from '../boxes/box';
import type { Element } from '../boxes/elements';

/** Costs of page breaks (TeX: The Program, §974, §1005). */
export const AWFUL = 0x3fffffff;
const DEPLORABLE = 100_000;
export const FORCED = -10_000;

/** Running sums of a column's contents. */
export interface Totals {
  readonly height: Sp;
  readonly depth: Sp;
  readonly stretch: Sp;
  readonly infinite: boolean;
  readonly shrink: Sp;
}

export const NOTHING: Totals = { height: 0, depth: 0, stretch: 0, infinite: false, shrink: 0 };

export function addBox(t: Totals, box: Box, top: Sp, maxDepth: Sp): Totals {
  const height = t.height + t.depth + top + box.height;
  const depth = Math.min(box.depth, maxDepth);
  return { ...t, height: height + (box.depth - depth), depth };
}

export function addGlue(t: Totals, g: Glue): Totals {
  return {
    height: t.height + t.depth + g.width,
    depth: 0,
    stretch: t.stretch + (g.stretchOrder === 0 ? g.stretch : 0),
    infinite: t.infinite || (g.stretchOrder > 0 && g.stretch !== 0),
    shrink: t.shrink + g.shrink,
  };
}

/** The cost of a column that ends here, when `goal` is the height there is. */
export function breakCost(t: Totals, penalty: number, goal: Sp, insertPenalties = 0): number {
  let b: number;
  if (t.height < goal) b = t.infinite ? 0 : badness(goal - t.height, t.stretch);
  else if (t.height - goal > t.shrink) b = AWFUL;
  else b = badness(t.height - goal, t.shrink);
  if (b >= AWFUL) return AWFUL;
  if (penalty <= FORCED) return penalty;
  const cost = b < 10000 ? b + penalty + insertPenalties : DEPLORABLE;
  return insertPenalties >= 10000 ? AWFUL : cost;
}

/** The penalty of breaking before the element, or null where none is allowed. */
export function breakPenalty(element: Element, lastWasBox: boolean): number | null {
  if (element.kind === 'penalty')
    return element.penalty >= 10000 ? null : Math.max(FORCED, element.penalty);
  return element.kind === 'glue' && lastWasBox ? 0 : null;
}

/** Is it something that vanishes at the top of a column? */
export const isDiscardable = (element: Element): boolean =>
  element.kind === 'glue' || element.kind === 'penalty';

/**
 * Where to cut a list so that its first part fills the height best (TeX: The
 * Program, §970, `vert_break`). The index behind the first part; the length when all of it fits.
 */
export function bestSplit(
  elements: readonly Element[],
  from: number,
  height: Sp,
  maxDepth: Sp,
): number {
  let totals = NOTHING;
  let best = { at: -1, cost: AWFUL + 1 };
  let lastWasBox = false;
  let empty = true;
  for (let i = from; i <= elements.length; i++) {
    const element = elements[i];
    const penalty = element ? breakPenalty(element, lastWasBox) : FORCED;
    if (!empty && penalty !== null) {
      const cost = breakCost(totals, element ? penalty : 0, height);
      const fits = totals.height - totals.shrink <= height;
      if (!element && fits) return elements.length;
      if (cost <= best.cost) best = { at: i, cost };
      if (cost === AWFUL || penalty <= FORCED) return best.at;
    }
    if (!element) break;
    if (empty && isDiscardable(element)) continue;
    if (element.kind === 'box') {
      totals = addBox(totals, element.box, 0, maxDepth);
      empty = false;
      lastWasBox = true;
    } else if (element.kind === 'glue') {
      totals = addGlue(totals, element.glue);
      lastWasBox = false;
    } else if (element.kind === 'penalty') lastWasBox = false;
  }
  return best.at < 0 ? elements.length : best.at;
}
