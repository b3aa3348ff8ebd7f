import type { Sp } from '../base/lengths';
import type { FloatVItem } from '../boxes/vertical';
import type { FloatRules } from '../document/page';

/** The floats of a column as they are placed. */
export interface FloatArea {
  readonly rules: FloatRules;
  /** Height of the column without any floats. */
  readonly height: Sp;
  readonly top: FloatVItem[];
  readonly bottom: FloatVItem[];
  /** How many stand in the text. */
  here: number;
  /** Nothing may be put at the top any more. */
  topClosed: boolean;
  readonly waiting: FloatVItem[];
}

export const heightOf = (float: FloatVItem): Sp => float.box.height + float.box.depth;

const sum = (floats: readonly FloatVItem[]): Sp => floats.reduce((n, f) => n + heightOf(f), 0);

/** Room that floats take at the top and at the bottom, with the space that parts them from the text. */
export function roomTaken({ top, bottom, rules }: FloatArea): Sp {
  const side = (floats: readonly FloatVItem[]): Sp =>
    floats.length === 0
      ? 0
      : sum(floats) + (floats.length - 1) * rules.between.width + rules.text.width;
  return side(top) + side(bottom);
}

export type Verdict = 'here' | 'top' | 'bottom' | 'wait';

/** Does another float of its kind wait already? Then it waits too, so that numbers stay in order. */
const mustQueue = (area: FloatArea, float: FloatVItem): boolean =>
  area.waiting.some(({ type }) => type === float.type);

/**
 * Where a float goes that is met in the text (LaTeX's `\@addtocurcol`): here, at
 * the top or bottom of this column, or on a later one.
 *
 * @param used height of the text so far. @param goal height there is for it.
 */
export function placeFloat(area: FloatArea, float: FloatVItem, used: Sp, goal: Sp): Verdict {
  const { rules } = area;
  if (float.wide || mustQueue(area, float)) return 'wait';
  const anyway = float.placement.includes('!');
  const count = area.top.length + area.bottom.length + area.here;
  if (!anyway && count >= rules.totalNumber) return 'wait';
  const high = heightOf(float);
  const least = anyway ? 0 : rules.textFraction * area.height;
  if (float.placement.includes('h')) {
    if (Math.max(used + rules.inText.width, least) + high + rules.inText.width <= goal)
      return 'here';
  }
  return onEdge(area, float, used, goal, anyway);
}

function onEdge(area: FloatArea, float: FloatVItem, used: Sp, goal: Sp, anyway: boolean): Verdict {
  const { rules, height } = area;
  const high = heightOf(float);
  const text = anyway ? used : Math.max(used, rules.textFraction * height);
  const fits = (others: readonly FloatVItem[], number: number, fraction: number): boolean => {
    if (!anyway && others.length >= number) return false;
    const gap = others.length > 0 ? rules.between.width : rules.text.width;
    const share = sum(others) + high + others.length * rules.between.width;
    return (anyway || share <= fraction * height) && text + high + gap <= goal;
  };
  const { placement } = float;
  // A float never stands before one of its kind: after one at the bottom, none goes to the top.
  const behind = area.bottom.some(({ type }) => type === float.type);
  if (
    placement.includes('t') &&
    !behind &&
    !area.topClosed &&
    fits(area.top, rules.topNumber, rules.topFraction)
  )
    return 'top';
  if (placement.includes('b') && fits(area.bottom, rules.bottomNumber, rules.bottomFraction))
    return 'bottom';
  return 'wait';
}

/** The floats that make a column of their own, or none (LaTeX's `\@tryfcolumn`). */
export function floatColumn(
  waiting: readonly FloatVItem[],
  height: Sp,
  rules: FloatRules,
  flush: boolean,
): FloatVItem[] {
  const chosen: FloatVItem[] = [];
  const passed = new Set<string>();
  let total = 0;
  for (const float of waiting) {
    const allowed = flush || float.placement.includes('p');
    const fits = total + heightOf(float) <= height || chosen.length === 0;
    if (!allowed || !fits || passed.has(float.type)) {
      passed.add(float.type);
      continue;
    }
    chosen.push(float);
    total += heightOf(float) + rules.between.width;
  }
  return flush || total - rules.between.width >= rules.pageFraction * height ? chosen : [];
}
