import { type Glue, PT, type Sp } from '../base/lengths';
import { type Box, boxOf, type Child, rule, type RunItem, withRulesOf } from '../boxes/box';
import { giveOf, setGlue, type GlueSet } from '../boxes/glueSetting';
import { atSize } from '../fonts/store';
import { lineStart } from './breaking';
import type { LineShape } from '../document/blocks';
import type { LineItem, SetLeader, WordItem } from './lineItem';

/** A finished line: its box as wide as the column, and what the page must know. */
export interface Line {
  readonly box: Box;
  /** Ends with a divided word. */
  readonly hyphenated: boolean;
  /** Extra space below, from `\\[…]`. */
  readonly skip: Sp;
  /** By how much the contents stick out, or 0. */
  readonly overfull: Sp;
  /** Right edge of the contents at their natural width. */
  readonly contentWidth: Sp;
  /** From the left edge of its paragraph, where lines are not all alike. */
  readonly indent: Sp;
}

interface Pen {
  x: Sp;
  height: Sp;
  depth: Sp;
  readonly children: Child[];
}

/** The shaped characters of a stretch of one word, with a hyphen behind them if asked. */
export function wordRun(word: WordItem, start: number, end: number, hyphen: boolean): RunItem {
  const { inline, font } = word;
  const text = inline.text.slice(start, end) + (hyphen ? '-' : '');
  const shaped = font.shape(text);
  const exact = inline.to - inline.from === inline.text.length;
  const span = exact ? { from: inline.from + start, to: inline.from + end } : inline;
  const size = inline.font.size;
  return {
    kind: 'run',
    font,
    size,
    glyphs: shaped.glyphs,
    positions: shaped.positions,
    clusters: shaped.clusters,
    width: atSize(shaped.width, font, size),
    height: atSize(shaped.height, font, size),
    depth: atSize(shaped.depth, font, size),
    color: inline.font.color,
    span,
  };
}

const settled = (g: Glue, set: GlueSet): Sp => g.width + giveOf(g, set);

/** The lines between the breaks, each set to the width. */
export function buildLines(
  items: readonly LineItem[],
  breaks: readonly number[],
  shapeOf: (line: number) => LineShape,
  leftSkip: Glue,
  rightSkip: Glue,
): Line[] {
  let start = 0;
  return breaks.map((end, i) => {
    const { indent, width } = shapeOf(i);
    const line = buildLine(items, i === 0 ? 0 : start, end, width, leftSkip, rightSkip);
    start = lineStart(items, end);
    return indent === 0 ? line : { ...line, indent };
  });
}

function buildLine(
  items: readonly LineItem[],
  start: number,
  end: number,
  width: Sp,
  leftSkip: Glue,
  rightSkip: Glue,
): Line {
  const glues: Glue[] = [leftSkip, rightSkip];
  let natural = leftSkip.width + rightSkip.width;
  const endItem = items[end];
  const hyphenated = endItem?.kind === 'disc';
  for (let i = start; i < end; i++) {
    const item = items[i] as LineItem;
    natural += item.width;
    if (item.kind === 'glue') glues.push(item);
  }
  if (endItem?.kind === 'disc') natural += endItem.before;
  const startDisc = items[start - 1];
  if (startDisc?.kind === 'disc') natural += startDisc.after;
  const set = setGlue(glues, width - natural);
  const pen: Pen = { x: settled(leftSkip, set), height: 0, depth: 0, children: [] };
  let runs = false;
  for (let i = start; i < end;) {
    const item = items[i] as LineItem;
    if (item.kind === 'word') i = drawWord(items, i, end, hyphenated && endItem.hyphen, pen);
    else {
      if (item.kind === 'content') {
        pen.children.push({ x: pen.x, y: 0, item: item.item });
        const { running } = item.item.kind === 'rule' ? item.item : {};
        if (!running?.height) pen.height = Math.max(pen.height, item.item.height);
        if (!running?.depth) pen.depth = Math.max(pen.depth, item.item.depth);
        runs ||= running !== undefined;
      }
      const advance = item.kind === 'glue' ? settled(item, set) : item.width;
      if (item.kind === 'glue' && item.leader) drawLeader(item.leader, advance, pen);
      pen.x += advance;
      i++;
    }
  }
  if (runs) extendRules(pen);
  return {
    box: boxOf(width, pen.height, pen.depth, pen.children),
    hyphenated,
    skip: endItem?.kind === 'penalty' ? endItem.skip : 0,
    overfull: set.overfull,
    contentWidth: natural - rightSkip.width,
    indent: 0,
  };
}

/** Gives rules whose sizes run those of the line; in a line of nothing else they keep their own. */
function extendRules(pen: Pen): void {
  if (pen.height === 0 && pen.depth === 0)
    for (const { item } of pen.children) {
      pen.height = Math.max(pen.height, item.height);
      pen.depth = Math.max(pen.depth, item.depth);
    }
  const { children, height, depth } = pen;
  pen.children.splice(0, children.length, ...withRulesOf(height, depth, children));
}

/** Fills a width with copies of a box that stand in step from line to line, or with a rule (The TeXbook, chapter 21). */
function drawLeader(leader: SetLeader, width: Sp, pen: Pen): void {
  if (leader.kind === 'rule') {
    if (width > 0) {
      pen.children.push({
        x: pen.x,
        y: 0,
        item: rule(width, leader.height, leader.depth, leader.color),
      });
    }
    return;
  }
  const { box } = leader;
  if (box.width <= 0) return;
  for (
    let x = Math.ceil(pen.x / box.width) * box.width;
    x + box.width <= pen.x + width + 1;
    x += box.width
  )
    pen.children.push({ x, y: 0, item: box });
  pen.height = Math.max(pen.height, box.height);
  pen.depth = Math.max(pen.depth, box.depth);
}

/** A word of a link. */
function linkAround(run: RunItem, link: string): Box {
  const { width, height, depth } = run;
  return { ...boxOf(width, height, depth, [{ x: 0, y: 0, item: run }]), link };
}

/** Draws the pieces of one word that stand together as one run; answers the item after them. */
function drawWord(
  items: readonly LineItem[],
  at: number,
  end: number,
  hyphen: boolean,
  pen: Pen,
): number {
  const first = items[at] as WordItem;
  let last = first;
  let next = at + 1;
  while (next < end) {
    const item = items[next] as LineItem;
    if (item.kind === 'word' && item.inline === first.inline) last = item;
    else if (item.kind !== 'disc') break;
    next++;
  }
  const run = wordRun(first, first.start, last.end, hyphen && next >= end);
  const { target } = first.inline;
  pen.children.push({ x: pen.x, y: 0, item: target === undefined ? run : linkAround(run, target) });
  pen.x += run.width;
  pen.height = Math.max(pen.height, run.height);
  pen.depth = Math.max(pen.depth, run.depth);
  return next;
}

/** Items side by side in a box of their natural width. */
export function packNatural(items: readonly LineItem[]): Box {
  return packTo(items, null);
}

/** Items in a box of the width, glue set to fill it; null means the natural width. */
export function packTo(items: readonly LineItem[], width: Sp | null): Box {
  const none: Glue = { width: 0, stretch: 0, stretchOrder: 0, shrink: 0, shrinkOrder: 0 };
  let natural = 0;
  for (const item of items) natural += item.width;
  return buildLine(items, 0, items.length, width ?? natural, none, none).box;
}

/** Sticking out by less than this is not seen: `\hfuzz`, 0.1 pt. */
export const HFUZZ: Sp = 0.1 * PT;
