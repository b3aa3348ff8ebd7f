import { toBp, type Sp } from '../../base/lengths';
import type { Box, GlyphItem, ImageItem, Item, RuleItem, RunItem } from '../../boxes/box';
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
  readonly runMatrix: number[] = [];
  readonly matrices: number[] = [0, 0, 0, 0];
  readonly quads: number[] = [];
  readonly quadColor: number[] = [];
  readonly images: number[] = [];
  readonly imageFile: string[] = [];
  readonly imageCrop: number[] = [];
  readonly imageBlank: number[] = [];
  readonly links: number[] = [];
  readonly linkTarget: string[] = [];
  readonly anchors: number[] = [];
  readonly anchorName: string[] = [];
  readonly lineQuad: number[] = [];
  readonly lineImage: number[] = [];
}

/** A turned and scaled part of a page: its linear map (y upwards), and where its origin lies (sp, y downwards). */
interface Frame {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly x: Sp;
  readonly y: Sp;
  readonly matrix: number;
}

/** A finished page as flat arrays. */
export function describePage(page: Page, furniture: readonly Placed[]): PageDescription {
  const lists = new Lists();
  for (const placed of page.placed) line(lists, placed);
  for (const placed of furniture) line(lists, placed);
  lists.runStart.push(lists.glyphs.length);
  lists.lineRun.push(lists.runFont.length);
  lists.lineRule.push(lists.ruleColor.length);
  lists.lineQuad.push(lists.quadColor.length);
  lists.lineImage.push(lists.imageFile.length);
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
    runMatrix: Uint16Array.from(lists.runMatrix),
    matrices: Float32Array.from(lists.matrices),
    quads: Float32Array.from(lists.quads),
    quadColor: Uint32Array.from(lists.quadColor),
    images: Float32Array.from(lists.images),
    imageFile: lists.imageFile,
    imageCrop: Float32Array.from(lists.imageCrop),
    imageBlank: Uint8Array.from(lists.imageBlank),
    links: Float32Array.from(lists.links),
    linkTarget: lists.linkTarget,
    anchors: Float32Array.from(lists.anchors),
    anchorName: lists.anchorName,
    lineQuad: Uint32Array.from(lists.lineQuad),
    lineImage: Uint32Array.from(lists.lineImage),
  };
}

function line(lists: Lists, { x, y, box, block }: Placed): void {
  lists.lines.push(toBp(x), toBp(y), toBp(box.width), toBp(box.height), toBp(box.depth));
  lists.lineBlock.push(block);
  lists.lineRun.push(lists.runFont.length);
  lists.lineRule.push(lists.ruleColor.length);
  lists.lineQuad.push(lists.quadColor.length);
  lists.lineImage.push(lists.imageFile.length);
  children(lists, box, x, y, block, null);
}

function children(lists: Lists, box: Box, x: Sp, y: Sp, block: number, frame: Frame | null): void {
  const inner = box.transform ? frameOf(lists, box.transform, x, y, frame) : frame;
  const [left, base] = box.transform ? [0, 0] : [x, y];
  if (box.link !== undefined && !frame) {
    lists.links.push(toBp(x), toBp(y - box.height), toBp(box.width), toBp(box.height + box.depth));
    lists.linkTarget.push(box.link);
  }
  for (const child of box.children)
    item(lists, child.item, left + child.x, base - child.y, block, inner);
}

/** The map of a transformed box within the one around it. Inside, places count from the box's own reference point. */
function frameOf(
  lists: Lists,
  by: NonNullable<Box['transform']>,
  x: Sp,
  y: Sp,
  outer: Frame | null,
): Frame {
  const angle = (by.degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const own = { a: cos * by.x, b: sin * by.x, c: -sin * by.y, d: cos * by.y };
  const origin = outer ? mapped(outer, x, y) : { x, y };
  const map = outer
    ? {
        a: outer.a * own.a + outer.c * own.b,
        b: outer.b * own.a + outer.d * own.b,
        c: outer.a * own.c + outer.c * own.d,
        d: outer.b * own.c + outer.d * own.d,
      }
    : own;
  lists.matrices.push(map.a, map.b, map.c, map.d);
  return { ...map, ...origin, matrix: lists.matrices.length / 4 - 1 };
}

/** A place inside a frame (y downwards) on the page. */
const mapped = (f: Frame, x: Sp, y: Sp): { x: Sp; y: Sp } => ({
  x: f.x + f.a * x - f.c * y,
  y: f.y - f.b * x + f.d * y,
});

function item(lists: Lists, it: Item, x: Sp, y: Sp, block: number, frame: Frame | null): void {
  switch (it.kind) {
    case 'box':
      return children(lists, it, x, y, block, frame);
    case 'run':
      return run(lists, it, x, y, block, frame);
    case 'glyph':
      return glyph(lists, it, x, y, block, frame);
    case 'rule':
      return frame ? quad(lists, it, x, y, frame) : ruleItem(lists, it, x, y, block);
    case 'image':
      return image(lists, it, x, y, frame);
    case 'anchor': {
      const at = frame ? mapped(frame, x, y) : { x, y };
      lists.anchors.push(toBp(at.x), toBp(at.y));
      lists.anchorName.push(it.label);
      return;
    }
    case 'migrant':
      return;
  }
}

function quad(lists: Lists, it: RuleItem, x: Sp, y: Sp, frame: Frame): void {
  if (it.width <= 0 || it.height + it.depth <= 0 || it.color < 0) return;
  const corners = [
    [x, y + it.depth],
    [x + it.width, y + it.depth],
    [x + it.width, y - it.height],
    [x, y - it.height],
  ] as const;
  for (const [cx, cy] of corners) {
    const at = mapped(frame, cx, cy);
    lists.quads.push(toBp(at.x), toBp(at.y));
  }
  lists.quadColor.push(it.color);
}

function image(lists: Lists, it: ImageItem, x: Sp, y: Sp, frame: Frame | null): void {
  const f = frame ?? { a: 1, b: 0, c: 0, d: 1, x: 0, y: 0, matrix: 0 };
  const at = mapped(f, x, y);
  const [w, h] = [toBp(it.width), toBp(it.height)];
  lists.images.push(f.a * w, -f.b * w, f.c * h, -f.d * h, toBp(at.x), toBp(at.y));
  lists.imageFile.push(it.file);
  lists.imageCrop.push(...(it.crop ?? [0, 0, 0, 0]));
  lists.imageBlank.push(it.blank ? 1 : 0);
}

function startRun(
  lists: Lists,
  it: RunItem | GlyphItem,
  inX: Sp,
  inY: Sp,
  block: number,
  frame: Frame | null,
): void {
  const { x, y } = frame ? mapped(frame, inX, inY) : { x: inX, y: inY };
  lists.runMatrix.push(frame?.matrix ?? 0);
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

function run(lists: Lists, it: RunItem, x: Sp, y: Sp, block: number, frame: Frame | null): void {
  if (it.color < 0) return;
  startRun(lists, it, x, y, block, frame);
  const scale = toBp(it.size) / it.font.unitsPerEm;
  for (let i = 0; i < it.glyphs.length; i++) {
    lists.glyphs.push(it.glyphs[i] as number);
    lists.glyphX.push((it.positions[i] as number) * scale);
    lists.glyphCluster.push(it.clusters[i] as number);
  }
}

function glyph(
  lists: Lists,
  it: GlyphItem,
  x: Sp,
  y: Sp,
  block: number,
  frame: Frame | null,
): void {
  if (it.color < 0) return;
  startRun(lists, it, x, y, block, frame);
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
