import type { Glue, Sp } from '../base/lengths';
import { badness } from '../boxes/badness';
import { boxOf, rule, type Box } from '../boxes/box';
import type { LineVItem, PageMark, VItem } from '../boxes/vertical';
import type { PageGeometry } from '../document/page';
import type { FlowBlock, FlowPosition, Page, Placed } from './page';

/** Costs of page breaks (TeX: The Program, §974, §1005). */
const AWFUL = 0x3fffffff;
const DEPLORABLE = 100_000;
const FORCED = -10_000;

/** What the list gives, with line space worked out. */
type Element =
  | { readonly kind: 'box'; readonly box: Box; readonly x: Sp; readonly line: LineVItem | null }
  | { readonly kind: 'glue'; readonly glue: Glue }
  | { readonly kind: 'penalty'; readonly penalty: number }
  | { readonly kind: 'mark'; readonly mark: PageMark };

/** An element and the place it came from. */
interface Located {
  readonly element: Element;
  readonly at: FlowPosition;
}

/** Where a page ended: the place to go on from, and the furthest place looked at. */
export interface BuiltPage {
  readonly page: Page;
  readonly start: PageStart;
  readonly next: PageStart | null;
  readonly reach: FlowPosition;
}

/** Where a page starts, and under which number and style. */
export interface PageStart {
  readonly at: FlowPosition;
  readonly number: number;
  readonly style: string;
}

/** Reads the main vertical list from a place on. */
class Flow {
  private pending: Located[] = [];
  private lastSkip: Sp | null = null;
  private noInterline = false;
  /** Depth of the line before; null at the top of a page, where space vanishes anyway. */
  private depth: Sp | null = null;

  constructor(
    private readonly blocks: readonly FlowBlock[],
    public at: FlowPosition,
  ) {}

  next(): Located | null {
    for (;;) {
      const waiting = this.pending.shift();
      if (waiting) return waiting;
      const block = this.blocks[this.at.block];
      if (!block) return null;
      const item = block.items[this.at.item];
      if (!item) {
        this.at = { block: this.at.block + 1, item: 0 };
        continue;
      }
      const at = this.at;
      this.at = { block: at.block, item: at.item + 1 };
      this.take(item, at);
    }
  }

  private take(item: VItem, at: FlowPosition): void {
    const push = (element: Element) => this.pending.push({ element, at });
    switch (item.kind) {
      case 'line': {
        const between = this.noInterline ? null : this.interline(item);
        if (between) push({ kind: 'glue', glue: between });
        push({ kind: 'box', box: item.box, x: item.x, line: item });
        this.afterBox(item.box.depth);
        break;
      }
      case 'rule':
        push({ kind: 'box', x: item.x, line: null, box: ruleBox(item.width, item.height) });
        this.afterBox(null);
        break;
      case 'glue':
        this.lastSkip = (this.lastSkip ?? 0) + item.glue.width;
        push({ kind: 'glue', glue: item.glue });
        break;
      case 'addvspace': {
        // `\addvspace`: the larger of the two, negative space simply added (LaTeX kernel).
        const last = this.lastSkip;
        if (last === null || item.glue.width < 0 || last < 0) {
          push({ kind: 'glue', glue: item.glue });
          this.lastSkip = (last ?? 0) + item.glue.width;
        } else if (last < item.glue.width) {
          push({ kind: 'glue', glue: { ...item.glue, width: item.glue.width - last } });
          this.lastSkip = item.glue.width;
        }
        break;
      }
      case 'penalty':
        push(item);
        break;
      case 'nointerline':
        this.noInterline = true;
        break;
      case 'mark':
        push(item);
        break;
    }
  }

  private afterBox(depth: Sp | null): void {
    this.depth = depth;
    this.lastSkip = null;
    this.noInterline = false;
  }

  private interline({ spacing, box }: LineVItem): Glue | null {
    if (this.depth === null) return null;
    const gap = spacing.baselineSkip.width - this.depth - box.height;
    if (gap < spacing.lineSkipLimit) return spacing.lineSkip;
    return { ...spacing.baselineSkip, width: gap };
  }
}

const ruleBox = (width: Sp, height: Sp): Box =>
  boxOf(width, height, 0, width === 0 ? [] : [{ x: 0, y: 0, item: rule(width, height, 0) }]);

/** Running sums of a page's contents. */
interface Totals {
  readonly height: Sp;
  readonly depth: Sp;
  readonly stretch: Sp;
  readonly infinite: boolean;
  readonly shrink: Sp;
}

interface BreakPoint {
  readonly count: number;
  readonly at: FlowPosition;
  readonly cost: number;
}

/**
 * Builds one page: the break of least cost, as TeX's page builder chooses it
 * (TeX: The Program, §§980–1028; The TeXbook, chapter 15). Null when nothing is left.
 */
export function buildPage(
  blocks: readonly FlowBlock[],
  start: PageStart,
  geometry: PageGeometry,
): BuiltPage | null {
  const flow = new Flow(blocks, start.at);
  const held: Located[] = [];
  let totals: Totals = { height: 0, depth: 0, stretch: 0, infinite: false, shrink: 0 };
  let empty = true;
  let lastWasBox = false;
  let best: BreakPoint | null = null;
  for (;;) {
    const located = flow.next();
    if (!located) {
      if (empty && !held.some(({ element }) => element.kind === 'mark')) return null;
      return finishPage(held, blocks, start, geometry, null, flow.at);
    }
    const { element } = located;
    if (empty && (element.kind === 'glue' || element.kind === 'penalty')) continue;
    const penalty = breakPenalty(element, lastWasBox);
    if (penalty !== null) {
      const cost = pageCost(totals, penalty, geometry.textHeight);
      if (best === null || cost <= best.cost) {
        best = { count: held.length, at: located.at, cost };
      }
      if (cost === AWFUL || penalty <= FORCED) {
        return finishPage(held.slice(0, best.count), blocks, start, geometry, best, flow.at);
      }
    }
    held.push(located);
    if (element.kind === 'box') {
      const top = empty ? Math.max(0, geometry.topSkip - element.box.height) : 0;
      totals = addBox(totals, element.box, top, geometry.maxDepth);
      empty = false;
      lastWasBox = true;
    } else if (element.kind === 'glue') {
      totals = addGlue(totals, element.glue);
      lastWasBox = false;
    } else if (element.kind === 'penalty') lastWasBox = false;
  }
}

/** The cost of breaking before the element, or null where none is allowed. */
function breakPenalty(element: Element, lastWasBox: boolean): number | null {
  if (element.kind === 'penalty')
    return element.penalty >= 10000 ? null : Math.max(FORCED, element.penalty);
  return element.kind === 'glue' && lastWasBox ? 0 : null;
}

function addBox(t: Totals, box: Box, top: Sp, maxDepth: Sp): Totals {
  const height = t.height + t.depth + top + box.height;
  const depth = Math.min(box.depth, maxDepth);
  return { ...t, height: height + (box.depth - depth), depth };
}

function addGlue(t: Totals, g: Glue): Totals {
  return {
    height: t.height + t.depth + g.width,
    depth: 0,
    stretch: t.stretch + (g.stretchOrder === 0 ? g.stretch : 0),
    infinite: t.infinite || (g.stretchOrder > 0 && g.stretch !== 0),
    shrink: t.shrink + g.shrink,
  };
}

function pageCost(t: Totals, penalty: number, goal: Sp): number {
  let b: number;
  if (t.height < goal) b = t.infinite ? 0 : badness(goal - t.height, t.stretch);
  else if (t.height - goal > t.shrink) b = AWFUL;
  else b = badness(t.height - goal, t.shrink);
  if (b >= AWFUL) return AWFUL;
  if (penalty <= FORCED) return penalty;
  return b < 10000 ? b + penalty : DEPLORABLE;
}

function finishPage(
  held: readonly Located[],
  blocks: readonly FlowBlock[],
  start: PageStart,
  geometry: PageGeometry,
  end: BreakPoint | null,
  reach: FlowPosition,
): BuiltPage {
  const placed: Placed[] = [];
  const labels: string[] = [];
  const marks: { mark: PageMark; block: number; y: Sp }[] = [];
  const ratio = glueRatio(held, geometry, geometry.raggedBottom || end === null);
  const idOf = (at: FlowPosition): number => (blocks[at.block] as FlowBlock).id;
  let y = geometry.top;
  let first = true;
  let style = start.style;
  let thisStyle: string | null = null;
  for (const { element, at } of held) {
    if (element.kind === 'box') {
      if (first) y += Math.max(0, geometry.topSkip - element.box.height);
      first = false;
      y += element.box.height;
      placed.push({ x: geometry.left + element.x, y, box: element.box, block: idOf(at) });
      for (const label of element.line?.labels ?? []) labels.push(label);
      y += element.box.depth;
    } else if (element.kind === 'glue') y += element.glue.width + settle(element.glue, ratio);
    else if (element.kind === 'mark') {
      marks.push({ mark: element.mark, block: idOf(at), y });
      if (element.mark.kind === 'label') labels.push(element.mark.name);
      if (element.mark.kind === 'pagestyle') {
        if (element.mark.thisPageOnly) thisStyle = element.mark.style;
        else style = element.mark.style;
      }
    }
  }
  const page: Page = {
    number: start.number,
    geometry,
    placed,
    labels,
    marks,
    folio: (thisStyle ?? style) === 'empty' ? null : String(start.number),
    overfull: Math.max(0, y - (placed.at(-1)?.box.depth ?? 0) - geometry.top - geometry.textHeight),
  };
  const next = end && { at: end.at, number: start.number + 1, style };
  return { page, start, next, reach };
}

/** How far each unit of glue stretches (positive) or shrinks (negative) to fill the page; a ragged one only shrinks. */
function glueRatio(held: readonly Located[], geometry: PageGeometry, ragged: boolean): number {
  let natural = 0;
  let depth = 0;
  let first = true;
  const give = { stretch: 0, shrink: 0, infinite: false };
  for (const { element } of held) {
    if (element.kind === 'box') {
      natural +=
        depth + (first ? Math.max(geometry.topSkip, element.box.height) : element.box.height);
      depth = element.box.depth;
      first = false;
    } else if (element.kind === 'glue') {
      natural += depth + element.glue.width;
      depth = 0;
      if (element.glue.stretchOrder > 0) give.infinite = true;
      else give.stretch += element.glue.stretch;
      give.shrink += element.glue.shrink;
    }
  }
  const missing = geometry.textHeight - natural;
  if (missing > 0 && ragged) return 0;
  if (missing > 0) return give.infinite || give.stretch === 0 ? 0 : missing / give.stretch;
  return give.shrink === 0 ? 0 : Math.max(-1, missing / give.shrink);
}

const settle = (g: Glue, ratio: number): Sp =>
  ratio >= 0 ? (g.stretchOrder === 0 ? g.stretch * ratio : 0) : g.shrink * ratio;
