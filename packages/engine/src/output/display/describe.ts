import { toBp, type Sp } from '../../base/lengths';
import type { Box, GlyphItem, ImageItem, Item, RuleItem, RunItem } from '../../boxes/box';
import type { Page, Placed } from '../../pages/page';
import type { PageDescription } from './description';
import { Numbers } from './numbers';

/** What is gathered for one page; the same lists serve one page after another. */
export class PageLists {
  readonly runFont = new Numbers();
  readonly runSize = new Numbers();
  readonly runX = new Numbers();
  readonly runY = new Numbers();
  readonly runColor = new Numbers();
  readonly runStart = new Numbers();
  readonly runBlock = new Numbers();
  readonly runFrom = new Numbers();
  readonly runTo = new Numbers();
  readonly glyphs = new Numbers();
  readonly glyphX = new Numbers();
  readonly glyphCluster = new Numbers();
  readonly rules = new Numbers();
  readonly ruleColor = new Numbers();
  readonly ruleBlock = new Numbers();
  readonly lines = new Numbers();
  readonly lineBlock = new Numbers();
  readonly lineRun = new Numbers();
  readonly lineRule = new Numbers();
  readonly runMatrix = new Numbers();
  readonly matrices = new Numbers();
  readonly quads = new Numbers();
  readonly quadColor = new Numbers();
  readonly images = new Numbers();
  readonly imageCrop = new Numbers();
  readonly imageBlank = new Numbers();
  readonly links = new Numbers();
  readonly anchors = new Numbers();
  readonly lineQuad = new Numbers();
  readonly lineImage = new Numbers();
  imageFile: string[] = [];
  linkTarget: string[] = [];
  anchorName: string[] = [];

  /** Ready for the next page. */
  clear(): void {
    for (const list of Object.values(this)) if (list instanceof Numbers) list.clear();
    this.imageFile = [];
    this.linkTarget = [];
    this.anchorName = [];
    this.matrices.push4(0, 0, 0, 0);
  }
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

/** A finished page as flat arrays. `lists` may be kept from page to page, which spares their room. */
export function describePage(
  page: Page,
  furniture: readonly Placed[],
  lists: PageLists = new PageLists(),
): PageDescription {
  lists.clear();
  for (const placed of page.placed) line(lists, placed);
  for (const placed of furniture) line(lists, placed);
  lists.runStart.push(lists.glyphs.length);
  lists.lineRun.push(lists.runFont.length);
  lists.lineRule.push(lists.ruleColor.length);
  lists.lineQuad.push(lists.quadColor.length);
  lists.lineImage.push(lists.imageFile.length);
  for (const label of page.labels) anchor(lists, label.name, label);
  const { geometry } = page;
  return {
    number: page.number,
    width: toBp(geometry.paperWidth),
    height: toBp(geometry.paperHeight),
    runFont: lists.runFont.as(Uint16Array),
    runSize: lists.runSize.as(Float32Array),
    runX: lists.runX.as(Float32Array),
    runY: lists.runY.as(Float32Array),
    runColor: lists.runColor.as(Uint32Array),
    runStart: lists.runStart.as(Uint32Array),
    runBlock: lists.runBlock.as(Int32Array),
    runFrom: lists.runFrom.as(Int32Array),
    runTo: lists.runTo.as(Int32Array),
    glyphs: lists.glyphs.as(Uint16Array),
    glyphX: lists.glyphX.as(Float32Array),
    glyphCluster: lists.glyphCluster.as(Uint16Array),
    rules: lists.rules.as(Float32Array),
    ruleColor: lists.ruleColor.as(Uint32Array),
    ruleBlock: lists.ruleBlock.as(Int32Array),
    lines: lists.lines.as(Float32Array),
    lineBlock: lists.lineBlock.as(Int32Array),
    lineRun: lists.lineRun.as(Uint32Array),
    lineRule: lists.lineRule.as(Uint32Array),
    runMatrix: lists.runMatrix.as(Uint16Array),
    matrices: lists.matrices.as(Float32Array),
    quads: lists.quads.as(Float32Array),
    quadColor: lists.quadColor.as(Uint32Array),
    images: lists.images.as(Float32Array),
    imageFile: lists.imageFile,
    imageCrop: lists.imageCrop.as(Float32Array),
    imageBlank: lists.imageBlank.as(Uint8Array),
    links: lists.links.as(Float32Array),
    linkTarget: lists.linkTarget,
    anchors: lists.anchors.as(Float32Array),
    anchorName: lists.anchorName,
    lineQuad: lists.lineQuad.as(Uint32Array),
    lineImage: lists.lineImage.as(Uint32Array),
  };
}

/** A place that links can lead to, once for each name. */
function anchor(lists: PageLists, name: string, at: { readonly x: Sp; readonly y: Sp }): void {
  if (lists.anchorName.includes(name)) return;
  lists.anchors.push(toBp(at.x));
  lists.anchors.push(toBp(at.y));
  lists.anchorName.push(name);
}

function line(lists: PageLists, { x, y, box, block }: Placed): void {
  lists.lines.push(toBp(x));
  lists.lines.push4(toBp(y), toBp(box.width), toBp(box.height), toBp(box.depth));
  lists.lineBlock.push(block);
  lists.lineRun.push(lists.runFont.length);
  lists.lineRule.push(lists.ruleColor.length);
  lists.lineQuad.push(lists.quadColor.length);
  lists.lineImage.push(lists.imageFile.length);
  children(lists, box, x, y, block, null);
}

function children(
  lists: PageLists,
  box: Box,
  x: Sp,
  y: Sp,
  block: number,
  frame: Frame | null,
): void {
  const inner = box.transform ? frameOf(lists, box.transform, x, y, frame) : frame;
  const left = box.transform ? 0 : x;
  const base = box.transform ? 0 : y;
  if (box.link !== undefined && !frame) {
    lists.links.push4(toBp(x), toBp(y - box.height), toBp(box.width), toBp(box.height + box.depth));
    lists.linkTarget.push(box.link);
  }
  // Whole scaled points: exact enough, and no number has to be kept on the heap.
  for (const child of box.children) {
    const childX = Math.round(left + child.x);
    item(lists, child.item, childX, Math.round(base - child.y), block, inner);
  }
}

/** The map of a transformed box within the one around it. Inside, places count from the box's own reference point. */
function frameOf(
  lists: PageLists,
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
  lists.matrices.push4(map.a, map.b, map.c, map.d);
  return { ...map, ...origin, matrix: lists.matrices.length / 4 - 1 };
}

/** A place inside a frame (y downwards) on the page. */
const mapped = (f: Frame, x: Sp, y: Sp): { x: Sp; y: Sp } => ({
  x: f.x + f.a * x - f.c * y,
  y: f.y - f.b * x + f.d * y,
});

function item(lists: PageLists, it: Item, x: Sp, y: Sp, block: number, frame: Frame | null): void {
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
      return anchor(lists, it.label, at);
    }
    case 'migrant':
      return;
  }
}

function quad(lists: PageLists, it: RuleItem, x: Sp, y: Sp, frame: Frame): void {
  if (it.width <= 0 || it.height + it.depth <= 0 || it.color < 0) return;
  const corners = [
    [x, y + it.depth],
    [x + it.width, y + it.depth],
    [x + it.width, y - it.height],
    [x, y - it.height],
  ] as const;
  for (const [cx, cy] of corners) {
    const at = mapped(frame, cx, cy);
    lists.quads.push(toBp(at.x));
    lists.quads.push(toBp(at.y));
  }
  lists.quadColor.push(it.color);
}

function image(lists: PageLists, it: ImageItem, x: Sp, y: Sp, frame: Frame | null): void {
  const f = frame ?? { a: 1, b: 0, c: 0, d: 1, x: 0, y: 0, matrix: 0 };
  const at = mapped(f, x, y);
  const [w, h] = [toBp(it.width), toBp(it.height)];
  lists.images.push4(f.a * w, -f.b * w, f.c * h, -f.d * h);
  lists.images.push(toBp(at.x));
  lists.images.push(toBp(at.y));
  lists.imageFile.push(it.file);
  const [left, bottom, right, top] = it.crop ?? [0, 0, 0, 0];
  lists.imageCrop.push4(left, bottom, right, top);
  lists.imageBlank.push(it.blank ? 1 : 0);
}

function startRun(
  lists: PageLists,
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

function run(
  lists: PageLists,
  it: RunItem,
  x: Sp,
  y: Sp,
  block: number,
  frame: Frame | null,
): void {
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
  lists: PageLists,
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

function ruleItem(lists: PageLists, it: RuleItem, x: Sp, y: Sp, block: number): void {
  if (it.width <= 0 || it.height + it.depth <= 0 || it.color < 0) return;
  lists.rules.push4(toBp(x), toBp(y - it.height), toBp(it.width), toBp(it.height + it.depth));
  lists.ruleColor.push(it.color);
  lists.ruleBlock.push(block);
}
