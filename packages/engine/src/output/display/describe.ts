import { UNNAMED_PLACE } from '../../document/inlines';
import { blended, type Paint } from '../../base/paint';
import { toBp, type Sp } from '../../base/lengths';
import { isUpright, mapped, type AffineMap, type Point, mappedAt } from '../../base/maps';
import { boundsOf, mappedPath, rectangle, type Path } from '../../base/paths';
import type { Span } from '../../base/spans';
import type { Box, GlyphItem, ImageItem, Item, RuleItem, RunItem } from '../../boxes/box';
import { filled, type PathStyle, type Stroke } from '../../document/drawing';
import type { Page, PlacedBox } from '../../pages/page';
import type { PageDescription } from './description';
import {
  arraysOf,
  clearLists,
  newLists,
  startLine,
  startPath,
  startRun,
  type PageLists,
} from './lists';
import { CAPS, EVEN_ODD, FILLED, JOINS, OPERATIONS, STROKED, VERBS } from './schema';

/** A scaled or turned part of a page: from its own places (sp, y downwards) to the page, and its row among the maps. */
interface Frame {
  readonly map: AffineMap;
  readonly row: number;
}

/** What is being filled, and the ink of the line in hand. */
interface Filling {
  readonly lists: PageLists;
  /** Of the page's own lines nothing stands in the source. */
  sourced: boolean;
  /** How much is seen of what is drawn: 1 all. */
  veil: number;
  top: Sp;
  bottom: Sp;
}

/** A finished page as flat arrays. `lists` may be kept from page to page, which spares their room. */
export function describePage(
  page: Page,
  furniture: { readonly under: readonly PlacedBox[]; readonly over: readonly PlacedBox[] },
  lists: PageLists = newLists(),
): PageDescription {
  clearLists(lists);
  const to: Filling = { lists, sourced: true, veil: 1, top: 0, bottom: 0 };
  for (const placed of furniture.under) line(to, placed);
  for (const placed of page.placed) line(to, placed);
  for (const placed of furniture.over) line(to, placed);
  for (const label of page.labels) anchor(lists, label.name, label);
  return {
    number: page.number,
    width: toBp(page.size.width),
    height: toBp(page.size.height),
    ...arraysOf(lists),
  };
}

/** A place that links can lead to, once for each name. */
function anchor(lists: PageLists, name: string, at: Point): void {
  if (name.startsWith(UNNAMED_PLACE) || lists.anchorName.includes(name)) return;
  lists.anchors.push(toBp(at.x));
  lists.anchors.push(toBp(at.y));
  lists.anchorName.push(name);
}

function line(to: Filling, { x, y, box, block }: PlacedBox): void {
  const { lists } = to;
  startLine(lists);
  lists.lines.push(toBp(x));
  lists.lines.push4(toBp(y), toBp(box.width), toBp(box.height), toBp(box.depth));
  lists.lineBlock.push(block);
  to.sourced = block >= 0;
  to.top = y - box.height;
  to.bottom = y + box.depth;
  contents(to, box, x, y, null);
  lists.lineInk.push(toBp(to.top));
  lists.lineInk.push(toBp(to.bottom));
}

/** The ink of the line reaches over this stretch of a frame. */
function ink(to: Filling, left: Sp, top: Sp, right: Sp, bottom: Sp, frame: Frame | null): void {
  if (!frame) {
    if (top < to.top) to.top = top;
    if (bottom > to.bottom) to.bottom = bottom;
    return;
  }
  for (const x of [left, right])
    for (const y of [top, bottom]) {
      const at = mapped(frame.map, { x, y }).y;
      if (at < to.top) to.top = at;
      if (at > to.bottom) to.bottom = at;
    }
}

function operation(to: Filling, kind: (typeof OPERATIONS)[number], span: Span | null): void {
  const { lists } = to;
  lists.operationKind.push(OPERATIONS.indexOf(kind));
  lists.operationFrom.push(to.sourced ? (span?.from ?? 0) : 0);
  lists.operationTo.push(to.sourced ? (span?.to ?? 0) : 0);
}

function contents(to: Filling, box: Box, x: Sp, y: Sp, frame: Frame | null): void {
  const { lists, veil } = to;
  if (box.veil !== undefined) to.veil = Math.min(veil, box.veil);
  const inner = box.map ? frameOf(lists, box.map, x, y, frame) : frame;
  const left = box.map ? 0 : x;
  const base = box.map ? 0 : y;
  if (box.link !== undefined && !frame) {
    lists.links.push4(toBp(x), toBp(y - box.height), toBp(box.width), toBp(box.height + box.depth));
    lists.linkTarget.push(box.link);
  }
  if (box.clip) path(to, 'clip', box.clip, filled(0), null, left, base, inner);
  // Whole scaled points: exact enough, and no number has to be kept on the heap.
  for (const child of box.children)
    item(to, child.item, Math.round(left + child.x), Math.round(base - child.y), inner);
  if (box.clip) operation(to, 'unclip', null);
  to.veil = veil;
}

/** The frame of a mapped box within the one around it. Inside, places count from the box's own reference point. */
function frameOf(lists: PageLists, by: AffineMap, x: Sp, y: Sp, outer: Frame | null): Frame {
  const map = mappedAt(by, x, y, outer?.map ?? null);
  lists.maps.push4(map.a, map.b, map.c, map.d);
  lists.maps.push(toBp(map.e));
  lists.maps.push(toBp(map.f));
  return { map, row: lists.maps.length / 6 };
}

const placeIn = (frame: Frame | null, x: Sp, y: Sp): Point =>
  frame ? mapped(frame.map, { x, y }) : { x, y };

function item(to: Filling, it: Item, x: Sp, y: Sp, frame: Frame | null): void {
  switch (it.kind) {
    case 'box':
      return contents(to, it, x, y, frame);
    case 'run':
      return run(to, it, x, y, frame);
    case 'glyph':
      return glyph(to, it, x, y, frame);
    case 'rule':
      return ruleItem(to, it, x, y, frame);
    case 'path':
      return path(to, 'path', it.path, it.style, it.span, x, y, frame);
    case 'handle':
      return path(to, 'handle', it.path, UNPAINTED, it.span, x, y, frame);
    case 'image':
      return image(to, it, x, y, frame);
    case 'anchor':
      return anchor(to.lists, it.label, placeIn(frame, x, y));
    case 'migrant':
      return;
    default:
      return it satisfies never;
  }
}

/** Adds a run without its glyphs; false when nothing of it is to be seen. */
function placeRun(
  to: Filling,
  it: RunItem | GlyphItem,
  x: Sp,
  y: Sp,
  frame: Frame | null,
): boolean {
  if (it.color < 0) return false;
  const { lists } = to;
  const at = placeIn(frame, x, y);
  operation(to, 'glyphs', it.span);
  ink(to, x, y - it.height, x + it.width, y + it.depth, frame);
  startRun(lists);
  lists.runMap.push(frame?.row ?? 0);
  lists.runFont.push(it.font.id);
  lists.runSize.push(toBp(it.size));
  lists.runX.push(toBp(at.x));
  lists.runY.push(toBp(at.y));
  lists.runPaint.push(it.color);
  return true;
}

function run(to: Filling, it: RunItem, x: Sp, y: Sp, frame: Frame | null): void {
  if (!placeRun(to, it, x, y, frame)) return;
  const { lists } = to;
  const scale = toBp(it.size) / it.font.unitsPerEm;
  for (let i = 0; i < it.glyphs.length; i++) {
    lists.glyphs.push(it.glyphs[i] as number);
    lists.glyphX.push((it.positions[i] as number) * scale);
    lists.glyphCluster.push(it.clusters[i] as number);
  }
}

function glyph(to: Filling, it: GlyphItem, x: Sp, y: Sp, frame: Frame | null): void {
  if (!placeRun(to, it, x, y, frame)) return;
  to.lists.glyphs.push(it.glyph);
  to.lists.glyphX.push(0);
  to.lists.glyphCluster.push(0);
}

/** The paint as it is seen under a veil; null for nothing. */
const seen = ({ veil }: Filling, paint: Paint): Paint | null =>
  paint < 0 || veil === 0 ? null : veil === 1 ? paint : blended(paint, WHITE, veil);
const WHITE = 0xffffff;

function ruleItem(to: Filling, it: RuleItem, x: Sp, y: Sp, frame: Frame | null): void {
  const paint = seen(to, it.color);
  if (it.width <= 0 || it.height + it.depth <= 0 || paint === null) return;
  if (frame && !isUpright(frame.map)) {
    // A turned rule is a path whose corners are known.
    const corners = rectangle(0, -it.depth, it.width, it.height + it.depth);
    return path(to, 'path', corners, filled(it.color), it.span, x, y, frame);
  }
  const { lists } = to;
  const [a, d] = frame ? [frame.map.a, frame.map.d] : [1, 1];
  const at = placeIn(frame, x, y - it.height);
  const height = d * (it.height + it.depth);
  operation(to, 'rule', it.span);
  ink(to, at.x, at.y, at.x, at.y + height, null);
  lists.rules.push4(toBp(at.x), toBp(at.y), toBp(a * it.width), toBp(height));
  lists.rulePaint.push(paint);
}

function seenStyle(to: Filling, { fill, stroke }: PathStyle): Pick<PathStyle, 'fill' | 'stroke'> {
  const paint = stroke && seen(to, stroke.paint);
  return {
    fill: fill === null ? null : seen(to, fill),
    stroke: stroke && paint !== null ? { ...stroke, paint } : null,
  };
}

const UNPAINTED: PathStyle = { fill: null, stroke: null, evenOdd: false };

function path(
  to: Filling,
  kind: 'path' | 'clip' | 'handle',
  shape: Path,
  style: PathStyle,
  span: Span | null,
  x: Sp,
  y: Sp,
  frame: Frame | null,
): void {
  const { lists } = to;
  const { fill, stroke } = seenStyle(to, style);
  if (kind === 'path' && fill === null && stroke === null) return;
  const placed = mappedPath(shape, { a: 1, b: 0, c: 0, d: -1, e: x, f: y });
  operation(to, kind, span);
  if (kind === 'path') {
    const { left, right, low, high } = boundsOf(placed);
    const edge = reachOf(stroke);
    if (left <= right) ink(to, left - edge, low - edge, right + edge, high + edge, frame);
  }
  startPath(lists);
  lists.pathDrawn.push(
    (fill === null ? 0 : FILLED) + (stroke === null ? 0 : STROKED) + (style.evenOdd ? EVEN_ODD : 0),
  );
  lists.pathFill.push(fill ?? 0);
  lists.pathStroke.push(stroke?.paint ?? 0);
  lists.pathMap.push(frame?.row ?? 0);
  pen(lists, stroke);
  for (const segment of placed) {
    lists.verbs.push(VERBS.indexOf(segment.kind));
    const points =
      segment.kind === 'close'
        ? []
        : segment.kind === 'curve'
          ? [segment.from, segment.into, segment.to]
          : [segment.to];
    for (let i = 0; i < 3; i++) {
      lists.points.push(toBp(points[i]?.x ?? 0));
      lists.points.push(toBp(points[i]?.y ?? 0));
    }
  }
}

/** How far a stroke's ink may lie from its path. */
const reachOf = (stroke: Stroke | null): Sp =>
  stroke
    ? (stroke.width / 2) * (stroke.join === 'miter' ? Math.min(stroke.miterLimit, 4) : 1.5)
    : 0;

function pen(lists: PageLists, stroke: Stroke | null): void {
  if (!stroke) {
    lists.pathPen.push4(0, 0, 0, 0);
    lists.pathPen.push(0);
    return;
  }
  const { width, cap, join, miterLimit, dash, dashPhase } = stroke;
  lists.pathPen.push4(toBp(width), CAPS.indexOf(cap), JOINS.indexOf(join), miterLimit);
  lists.pathPen.push(toBp(dashPhase));
  for (const length of dash) lists.dashes.push(toBp(length));
}

function image(to: Filling, it: ImageItem, x: Sp, y: Sp, frame: Frame | null): void {
  if (to.veil === 0) return;
  const { lists } = to;
  const f = frame?.map ?? { a: 1, b: 0, c: 0, d: 1 };
  const at = placeIn(frame, x, y);
  const [w, h] = [toBp(it.width), toBp(it.height)];
  operation(to, 'picture', it.span);
  ink(to, x, y - it.height, x + it.width, y, frame);
  lists.images.push4(f.a * w, f.b * w, -f.c * h, -f.d * h);
  lists.images.push(toBp(at.x));
  lists.images.push(toBp(at.y));
  lists.imageFile.push(it.file);
  const [left, bottom, right, top] = it.crop ?? [0, 0, 0, 0];
  lists.imageCrop.push4(left, bottom, right, top);
  lists.imageBlank.push(it.blank ? 1 : 0);
}
