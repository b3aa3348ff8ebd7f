import type { Glue, Sp } from '../base/lengths';
import { badness, INFINITE_BADNESS } from '../boxes/badness';
import type { LineCosts } from '../document/blocks';
import type { LineItem } from './lineItem';

/** The parameters of line breaking, TeX's names. */
export interface BreakParameters {
  /** The width of a line, but of the first ones. */
  readonly width: Sp;
  /** The widths of the first lines, where they have their own. */
  readonly firstWidths: readonly Sp[];
  /** So many lines more than the best number, or fewer (`\looseness`). */
  readonly looseness: number;
  readonly leftSkip: Glue;
  readonly rightSkip: Glue;
  readonly pretolerance: number;
  readonly tolerance: number;
  readonly emergencyStretch: Sp;
  readonly costs: LineCosts;
}

const FORCED = -10_000;
const AWFUL = 0x3fffffff;

/** Very loose, loose, decent, tight (§817). */
type Fitness = 0 | 1 | 2 | 3;

interface ActiveNode {
  /** The item the line before ends at; -1 for the start. */
  readonly at: number;
  readonly line: number;
  readonly fitness: Fitness;
  readonly demerits: number;
  readonly hyphenated: boolean;
  readonly before: ActiveNode | null;
  /** Sums up to the start of the line after this break. */
  readonly width: Sp;
  readonly stretch: Sp;
  readonly fil: Sp;
  readonly shrink: Sp;
}

/** Sums of widths, stretch and shrink up to each item. */
interface Sums {
  readonly width: Float64Array;
  readonly stretch: Float64Array;
  readonly fil: Float64Array;
  readonly shrink: Float64Array;
}

function sumsOf(items: readonly LineItem[]): Sums {
  const n = items.length + 1;
  const sums = {
    width: new Float64Array(n),
    stretch: new Float64Array(n),
    fil: new Float64Array(n),
    shrink: new Float64Array(n),
  };
  for (let i = 0; i < items.length; i++) {
    const item = items[i] as LineItem;
    const glue = item.kind === 'glue' ? item : null;
    sums.width[i + 1] = (sums.width[i] as number) + item.width;
    sums.stretch[i + 1] =
      (sums.stretch[i] as number) + (glue && glue.stretchOrder === 0 ? glue.stretch : 0);
    sums.fil[i + 1] = (sums.fil[i] as number) + (glue && glue.stretchOrder > 0 ? glue.stretch : 0);
    sums.shrink[i + 1] =
      (sums.shrink[i] as number) + (glue && glue.shrinkOrder === 0 ? glue.shrink : 0);
  }
  return sums;
}

/** The cost of a break at the item, or null where none is allowed (The TeXbook, chapter 14). */
function penaltyAt(items: readonly LineItem[], i: number): number | null {
  const item = items[i] as LineItem;
  switch (item.kind) {
    case 'penalty':
    case 'disc':
      return item.penalty >= INFINITE_BADNESS ? null : Math.max(FORCED, item.penalty);
    case 'glue':
      return !item.inMath && endsMaterial(items[i - 1]) ? 0 : null;
    case 'kern': {
      const next = items[i + 1];
      return !item.inMath && next?.kind === 'glue' && !next.inMath ? 0 : null;
    }
    default:
      return null;
  }
}

/** May a line break at glue behind this item: is it no space itself, or the space at a formula's end? */
function endsMaterial(item: LineItem | undefined): boolean {
  if (!item) return false;
  if (item.kind === 'glue' || item.kind === 'kern') return item.inMath === true;
  return item.kind !== 'penalty';
}

/** The first item of the line after a break at `i`: blanks and penalties vanish there. */
export function lineStart(items: readonly LineItem[], i: number): number {
  let start = i;
  if (items[start]?.kind === 'disc') return start + 1;
  while (start < items.length) {
    const item = items[start] as LineItem;
    const discardable = item.kind === 'glue' || item.kind === 'kern' || item.kind === 'penalty';
    if (!discardable || (start > i && item.kind === 'penalty' && item.penalty <= FORCED)) break;
    start++;
  }
  return start;
}

/**
 * Where to break a paragraph into lines with the least total demerits (Knuth and
 * Plass 1981; TeX: The Program, §§813–890). The last item must be a forced break.
 * Passes as TeX makes them: without dividing words, with, and with emergency
 * stretch; the last one always answers.
 *
 * @param divide gives the items with words cut at their hyphenation points.
 * @returns the items broken, and the indices of the items the lines end at.
 */
export function breakLines(
  items: readonly LineItem[],
  parameters: BreakParameters,
  divide: (items: readonly LineItem[]) => readonly LineItem[],
): { items: readonly LineItem[]; breaks: number[] } {
  if (parameters.pretolerance >= 0) {
    const breaks = onePass(items, parameters, parameters.pretolerance, 0, false);
    if (breaks) return { items, breaks };
  }
  const cut = divide(items);
  const more = parameters.emergencyStretch > 0;
  const second = onePass(cut, parameters, parameters.tolerance, 0, !more);
  if (second) return { items: cut, breaks: second };
  const third = onePass(cut, parameters, parameters.tolerance, parameters.emergencyStretch, true);
  return { items: cut, breaks: third ?? [cut.length - 1] };
}

/**
 * The end with the least demerits, or of those with as many lines as `looseness` asks for (§872,
 * §875); null when there is none, or none so loose and another pass may find one.
 */
function bestEnd(
  ends: readonly ActiveNode[],
  looseness: number,
  final: boolean,
): ActiveNode | null {
  const least = (a: ActiveNode | null, b: ActiveNode): ActiveNode =>
    !a || b.demerits < a.demerits ? b : a;
  const best = ends.reduce(least, null as ActiveNode | null);
  if (!best || looseness === 0) return best;
  const lack = ({ line }: ActiveNode): number => line - best.line - looseness;
  // No line count beyond what is asked for, nor on the other side of the best one.
  const between = ends.filter((end) =>
    looseness < 0
      ? end.line <= best.line && lack(end) >= 0
      : end.line >= best.line && lack(end) <= 0,
  );
  const nearest = Math.min(...between.map((end) => Math.abs(lack(end))));
  if (nearest > 0 && !final) return null;
  return between
    .filter((end) => Math.abs(lack(end)) === nearest)
    .reduce(least, null as ActiveNode | null);
}

function onePass(
  items: readonly LineItem[],
  parameters: BreakParameters,
  threshold: number,
  extraStretch: Sp,
  final: boolean,
): number[] | null {
  const sums = sumsOf(items);
  const start: ActiveNode = {
    at: -1,
    line: 0,
    fitness: 2,
    demerits: 0,
    hyphenated: false,
    before: null,
    width: 0,
    stretch: 0,
    fil: 0,
    shrink: 0,
  };
  let active: ActiveNode[] = [start];
  const last = items.length - 1;
  for (let i = 0; i <= last; i++) {
    const penalty = penaltyAt(items, i);
    if (penalty === null) continue;
    active = tryBreak(
      items,
      sums,
      i,
      penalty,
      active,
      parameters,
      threshold,
      extraStretch,
      final,
      i === last,
    );
    if (active.length === 0) return null;
  }
  const ends = active.filter((node) => node.at === last);
  const best = bestEnd(ends, parameters.looseness, final);
  const breaks: number[] = [];
  for (let node = best; node && node.at >= 0; node = node.before) breaks.push(node.at);
  return best ? breaks.reverse() : null;
}

/** Weighs a break at item `at` against every line it could end (§829 ff.); gives the new active list. */
function tryBreak(
  items: readonly LineItem[],
  sums: Sums,
  at: number,
  penalty: number,
  active: readonly ActiveNode[],
  parameters: BreakParameters,
  threshold: number,
  extraStretch: Sp,
  final: boolean,
  isEnd: boolean,
): ActiveNode[] {
  const item = items[at] as LineItem;
  const hyphenated = item.kind === 'disc';
  const { leftSkip, rightSkip } = parameters;
  const sideFil =
    (leftSkip.stretchOrder > 0 ? leftSkip.stretch : 0) +
    (rightSkip.stretchOrder > 0 ? rightSkip.stretch : 0);
  const sideStretch =
    (leftSkip.stretchOrder === 0 ? leftSkip.stretch : 0) +
    (rightSkip.stretchOrder === 0 ? rightSkip.stretch : 0) +
    extraStretch;
  const sideShrink = leftSkip.shrink + rightSkip.shrink;
  const endWidth = (sums.width[at] as number) + (hyphenated ? item.before : 0);
  // Breaks are weighed against one another behind as many lines alone, while that decides anything (§848).
  const { firstWidths } = parameters;
  const alike = parameters.looseness === 0 ? firstWidths.length : Infinity;
  const kept: ActiveNode[] = [];
  const best: (ActiveNode | null)[] = [null, null, null, null];
  const least = [AWFUL, AWFUL, AWFUL, AWFUL];
  let leastOfAll = AWFUL;
  const keepBest = (): void => {
    if (leastOfAll >= AWFUL) return;
    const next = lineStart(items, at);
    const after = hyphenated ? -item.after : 0;
    for (let fitness = 0; fitness < 4; fitness++) {
      const before = best[fitness];
      const demerits = least[fitness] as number;
      best[fitness] = null;
      least[fitness] = AWFUL;
      if (!before || demerits > leastOfAll + parameters.costs.adjDemerits) continue;
      kept.push({
        at,
        line: before.line + 1,
        fitness: fitness as Fitness,
        demerits,
        hyphenated,
        before,
        width: (sums.width[next] as number) + after,
        stretch: sums.stretch[next] as number,
        fil: sums.fil[next] as number,
        shrink: sums.shrink[next] as number,
      });
    }
    leastOfAll = AWFUL;
  };
  let line = -1;
  let room = 0;
  for (let k = 0; k < active.length; k++) {
    const from = active[k] as ActiveNode;
    if (from.line !== line) {
      if (line >= 0 && line < alike - 1) keepBest();
      line = from.line;
      room = (firstWidths[line] ?? parameters.width) - leftSkip.width - rightSkip.width;
    }
    const short = room - (endWidth - from.width);
    let b: number;
    let fitness: Fitness;
    if (short > 0) {
      if ((sums.fil[at] as number) - from.fil + sideFil !== 0) {
        b = 0;
        fitness = 2;
      } else {
        b = badness(short, (sums.stretch[at] as number) - from.stretch + sideStretch);
        fitness = b > 12 ? (b > 99 ? 0 : 1) : 2;
      }
    } else {
      const shrink = (sums.shrink[at] as number) - from.shrink + sideShrink;
      b = -short > shrink ? INFINITE_BADNESS + 1 : badness(-short, shrink);
      fitness = b > 12 ? 3 : 2;
    }
    let artificial = false;
    let stays = true;
    if (b > INFINITE_BADNESS || penalty === FORCED) {
      if (
        final &&
        leastOfAll === AWFUL &&
        kept.length === 0 &&
        k === active.length - 1 &&
        b > threshold
      ) {
        artificial = true; // the last hope: an overfull line rather than none (§854)
      } else if (b > threshold) continue;
      stays = false;
    } else if (b > threshold) {
      kept.push(from);
      continue;
    }
    const demerits =
      from.demerits +
      (artificial ? 0 : demeritsOf(b, penalty, fitness, hyphenated, isEnd, from, parameters.costs));
    if (demerits <= (least[fitness] as number)) {
      least[fitness] = demerits;
      best[fitness] = from;
      if (demerits < leastOfAll) leastOfAll = demerits;
    }
    if (stays) kept.push(from);
  }
  keepBest();
  return kept;
}

/** §859 */
function demeritsOf(
  b: number,
  penalty: number,
  fitness: Fitness,
  hyphenated: boolean,
  isEnd: boolean,
  from: ActiveNode,
  costs: LineCosts,
): number {
  const line = costs.linePenalty + b;
  let d = Math.abs(line) >= 10_000 ? 100_000_000 : line * line;
  if (penalty > 0) d += penalty * penalty;
  else if (penalty > FORCED) d -= penalty * penalty;
  if (from.hyphenated && hyphenated) d += costs.doubleHyphenDemerits;
  if (from.hyphenated && isEnd) d += costs.finalHyphenDemerits;
  if (Math.abs(fitness - from.fitness) > 1) d += costs.adjDemerits;
  return d;
}
