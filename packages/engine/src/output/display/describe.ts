import { toBp, type Sp } from '../../base/lengths';
import type { Box, GlyphItem, Item, RuleItem, RunItem } from '../../boxes/box';
import type { Page, Placed } from '../../pages/page';
import type { PageDescription } from './description';

/** Numbers gathered before their count is known. */
class Lists {
  readonly runFont: number[] = [];
  readonly runSize: number[] = [];
  readonly runX: number[] = [];
  readonly runY: number[] = [];
  readonly runColor: number[] = [];
  readonly runStart: number[] = [];
  readonly runBlock: number[] = [];
  readonly runFrom: number[] = [];
  readonly runTo: number[] = [];
  readonly glyphs: number[] = [];
  readonly glyphX: number[] = [];
  readonly glyphCluster: number[] = [];
  readonly rules: number[] = [];
  readonly ruleColor: number[] = [];
  readonly ruleBlock: number[] = [];
  readonly lines: number[] = [];
  readonly lineBlock: number[] = [];
  readonly lineRun: number[] = [];
  readonly lineRule: number[] = [];
}

/** A finished page as flat arrays. */
export function describePage(page: Page, furniture: readonly Placed[]): PageDescription {
  const lists = new Lists();
  for (const placed of page.placed) line(lists, placed);
  for (const placed of furniture) line(lists, placed);
  lists.runStart.push(lists.glyphs.length);
  lists.lineRun.push(lists.runFont.length);
  lists.lineRule.push(lists.ruleColor.length);
  const { geometry } = page;
  return {
    number: page.number,
    width: toBp(geometry.paperWidth),
    height: toBp(geometry.paperHeight),
    runFont: Uint16Array.from(lists.runFont),
    runSize: Float32Array.from(lists.runSize),
    runX: Float32Array.from(lists.runX),
    runY: Float32Array.from(lists.runY),
    runColor: Uint32Array.from(lists.runColor),
    runStart: Uint32Array.from(lists.runStart),
    runBlock: Int32Array.from(lists.runBlock),
    runFrom: Int32Array.from(lists.runFrom),
    runTo: Int32Array.from(lists.runTo),
    glyphs: Uint16Array.from(lists.glyphs),
    glyphX: Float32Array.from(lists.glyphX),
    glyphCluster: Uint16Array.from(lists.glyphCluster),
    rules: Float32Array.from(lists.rules),
    ruleColor: Uint32Array.from(lists.ruleColor),
    ruleBlock: Int32Array.from(lists.ruleBlock),
    lines: Float32Array.from(lists.lines),
    lineBlock: Int32Array.from(lists.lineBlock),
    lineRun: Uint32Array.from(lists.lineRun),
    lineRule: Uint32Array.from(lists.lineRule),
  };
}

function line(lists: Lists, { x, y, box, block }: Placed): void {
  lists.lines.push(toBp(x), toBp(y), toBp(box.width), toBp(box.height), toBp(box.depth));
  lists.lineBlock.push(block);
  lists.lineRun.push(lists.runFont.length);
  lists.lineRule.push(lists.ruleColor.length);
  children(lists, box, x, y, block);
}

function children(lists: Lists, box: Box, x: Sp, y: Sp, block: number): void {
  for (const child of box.children) item(lists, child.item, x + child.x, y - child.y, block);
}

function item(lists: Lists, it: Item, x: Sp, y: Sp, block: number): void {
  switch (it.kind) {
    case 'box':
      return children(lists, it, x, y, block);
    case 'run':
      return run(lists, it, x, y, block);
    case 'glyph':
      return glyph(lists, it, x, y, block);
    case 'rule':
      return ruleItem(lists, it, x, y, block);
    case 'anchor':
      return;
  }
}

function startRun(lists: Lists, it: RunItem | GlyphItem, x: Sp, y: Sp, block: number): void {
  lists.runFont.push(it.font.id);
  lists.runSize.push(toBp(it.size));
  lists.runX.push(toBp(x));
  lists.runY.push(toBp(y));
  lists.runColor.push(it.color);
  lists.runStart.push(lists.glyphs.length);
  lists.runBlock.push(block);
  // What is the page's own stands nowhere in the source.
  lists.runFrom.push(block < 0 ? 0 : it.span.from);
  lists.runTo.push(block < 0 ? 0 : it.span.to);
}

function run(lists: Lists, it: RunItem, x: Sp, y: Sp, block: number): void {
  if (it.color < 0) return;
  startRun(lists, it, x, y, block);
  const scale = toBp(it.size) / it.font.unitsPerEm;
  for (let i = 0; i < it.glyphs.length; i++) {
    lists.glyphs.push(it.glyphs[i] as number);
    lists.glyphX.push((it.positions[i] as number) * scale);
    lists.glyphCluster.push(it.clusters[i] as number);
  }
}

function glyph(lists: Lists, it: GlyphItem, x: Sp, y: Sp, block: number): void {
  if (it.color < 0) return;
  startRun(lists, it, x, y, block);
  lists.glyphs.push(it.glyph);
  lists.glyphX.push(0);
  lists.glyphCluster.push(0);
}

function ruleItem(lists: Lists, it: RuleItem, x: Sp, y: Sp, block: number): void {
  if (it.width <= 0 || it.height + it.depth <= 0 || it.color < 0) return;
  lists.rules.push(toBp(x), toBp(y - it.height), toBp(it.width), toBp(it.height + it.depth));
  lists.ruleColor.push(it.color);
  lists.ruleBlock.push(block);
}
