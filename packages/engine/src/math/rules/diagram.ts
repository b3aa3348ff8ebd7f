import type { Sp } from '../../base/lengths';
import { type Box, boxOf, type Child } from '../../boxes/box';
import type { DiagramArrow, DiagramLabel, DiagramNode } from '../../document/math';
import { atom, type Atom } from '../atom';
import { centredOnAxis, constant, inStyle, type MathContext, sizeOf } from '../context';
import { supStyle, TEXT } from '../style';
import { growHorizontally } from '../growth';
import { type Point, scaledTurned } from '../../base/maps';
import { placeAlong } from '../../base/paths';
import { bentPath, drawBar, drawHead, drawPath, movedAside, type Points } from './strokes';

/** Between an object and the arrows at it, and between an arrow and its label, in em. */
const OBJECT_GAP = 0.3;
const LABEL_GAP = 0.15;
/** What an arrow is longer than its label at least, in em. */
const LABEL_ROOM = 1.2;

/** An object placed: its box, and where the middle of it lies (y upwards from the first baseline). */
interface PlacedObject {
  readonly box: Box;
  readonly centre: Point;
}

/** Objects in rows and columns, and arrows from one to another with labels beside them. */
export function diagram(node: DiagramNode, around: MathContext): Atom {
  const ctx = inStyle(around, TEXT);
  const cells = node.rows.map((row) => row.map((cell) => ctx.lay.list(cell, ctx)));
  const labels = new Map(
    node.arrows.flatMap((arrow) => arrow.labels.map((label) => [label, labelBox(label, ctx)])),
  );
  const { places, width, height, depth } = placeObjects(node, cells, labels, ctx);
  const children: Child[] = places.flatMap((row) =>
    row.map(({ box, centre }) => ({
      x: centre.x - box.width / 2,
      y: centre.y - constant('axisHeight', ctx),
      item: box,
    })),
  );
  for (const arrow of node.arrows) {
    const from = places[arrow.fromCell[0]]?.[arrow.fromCell[1]];
    const to = places[arrow.toCell[0]]?.[arrow.toCell[1]];
    if (from && to && from !== to) children.push(...drawArrow(arrow, from, to, labels, ctx));
  }
  const box = aroundAll(boxOf(width, height, depth, children));
  return atom('ord', centredOnAxis(box, ctx), around.style);
}

/** The box made as large as all that stands upright in it: labels may reach beyond the objects. */
function aroundAll(box: Box): Box {
  const upright = box.children.filter(({ item }) => item.kind === 'box' && !item.map);
  const left = Math.min(0, ...upright.map(({ x }) => x));
  const right = Math.max(box.width, ...upright.map(({ x, item }) => x + item.width));
  const height = Math.max(box.height, ...upright.map(({ y, item }) => y + item.height));
  const depth = Math.max(box.depth, ...upright.map(({ y, item }) => item.depth - y));
  const children = box.children.map((child) => ({ ...child, x: child.x - left }));
  return boxOf(right - left, height, depth, children);
}

const labelBox = ({ list }: DiagramLabel, ctx: MathContext): Box =>
  ctx.lay.list(list, inStyle(ctx, supStyle(ctx.style)));

function placeObjects(
  node: DiagramNode,
  cells: readonly (readonly Box[])[],
  labels: ReadonlyMap<DiagramLabel, Box>,
  ctx: MathContext,
) {
  const em = sizeOf(ctx);
  const count = Math.max(0, ...cells.map((row) => row.length));
  const axis = constant('axisHeight', ctx);
  const xs: Sp[] = [];
  let x = 0;
  for (let c = 0; c < count; c++) {
    const width = Math.max(0, ...cells.map((row) => row[c]?.width ?? 0));
    if (c > 0) x += columnGap(node, c, labels, em);
    xs.push(x + width / 2);
    x += width;
  }
  const ys: Sp[] = [];
  let y = 0;
  let last = 0;
  const strut =
    node.margin !== undefined ? { height: 0, depth: 0 } : { height: 0.7 * em, depth: 0.3 * em };
  cells.forEach((row, r) => {
    const height = Math.max(strut.height, ...row.map((b) => b.height));
    if (r > 0) y -= last + node.rowSep + height;
    ys.push(y + axis);
    last = Math.max(strut.depth, ...row.map((b) => b.depth));
  });
  const places = cells.map((row, r): PlacedObject[] =>
    row.map((box, c) => ({ box, centre: { x: xs[c] as Sp, y: ys[r] as Sp } })),
  );
  const top = Math.max(strut.height, ...(cells[0] ?? []).map((b) => b.height));
  const edge = node.margin ?? 0;
  return { places, width: x, height: top + edge, depth: last - y + edge };
}

/** Wide enough for the labels of the arrows that cross it. */
function columnGap(
  node: DiagramNode,
  column: number,
  labels: ReadonlyMap<DiagramLabel, Box>,
  em: Sp,
): Sp {
  if (node.margin !== undefined) return node.columnSep;
  const crossing = node.arrows.filter(({ fromCell: [r, c], toCell: [s, d] }) => {
    return r === s && Math.abs(c - d) === 1 && Math.max(c, d) === column;
  });
  const widest = crossing.flatMap((arrow) => arrow.labels.map((l) => labels.get(l)?.width ?? 0));
  const least = Math.max(0, ...widest);
  return Math.max(node.columnSep, least === 0 ? 0 : least + (LABEL_ROOM + 2 * OBJECT_GAP) * em);
}

function drawArrow(
  arrow: DiagramArrow,
  from: PlacedObject,
  to: PlacedObject,
  labels: ReadonlyMap<DiagramLabel, Box>,
  ctx: MathContext,
): Child[] {
  const path = pathOf(arrow, from, to, ctx);
  if (!path) return [];
  const onIt = arrow.labels.find(({ side }) => side === 'on');
  const box = onIt ? labels.get(onIt) : undefined;
  // The line is broken where a label stands on it.
  const parts = box ? aroundLabel(path, box, ctx) : [path];
  const drawn =
    parts.length === 1 && hasGlyph(arrow)
      ? glyphArrow(arrow, path, ctx)
      : strokedArrow(arrow, parts, ctx);
  const beside = arrow.labels.flatMap((label) => {
    const box = labels.get(label);
    return box ? placeLabel(label, box, path, ctx) : [];
  });
  return [...(arrow.line === 'none' ? [] : drawn), ...beside];
}

/** Straight arrows are those of the font; bent, broken and headless double ones are drawn in strokes. */
const hasGlyph = ({ bend, line, head }: DiagramArrow): boolean =>
  bend === 0 && (line === 'solid' || (line === 'double' && head !== 'none'));

/** The path before and behind a label that stands on its middle. */
function aroundLabel(path: Points, label: Box, ctx: MathContext): Points[] {
  const { point } = placeAlong(path, 0.5);
  const pad = LABEL_GAP * sizeOf(ctx);
  const covered = ({ x, y }: Point): boolean =>
    Math.abs(x - point.x) < label.width / 2 + pad &&
    Math.abs(y - point.y) < (label.height + label.depth) / 2 + pad;
  const first = path.findIndex(covered);
  const last = path.findLastIndex(covered);
  if (first < 0) return [path];
  return [path.slice(0, first), path.slice(last + 1)].filter((part) => part.length > 1);
}

/** From the edge of one object to that of the other; null when they touch. */
function pathOf(
  arrow: DiagramArrow,
  from: PlacedObject,
  to: PlacedObject,
  ctx: MathContext,
): Points | null {
  const dx = to.centre.x - from.centre.x;
  const dy = to.centre.y - from.centre.y;
  const length = Math.hypot(dx, dy);
  if (length === 0) return null;
  const aside = { x: (-dy / length) * arrow.shift, y: (dx / length) * arrow.shift };
  const whole = bentPath(
    { x: from.centre.x + aside.x, y: from.centre.y + aside.y },
    { x: to.centre.x + aside.x, y: to.centre.y + aside.y },
    arrow.bend,
  );
  const gap = OBJECT_GAP * sizeOf(ctx);
  const inside = (p: Point, { box, centre }: PlacedObject): boolean => {
    const axis = constant('axisHeight', ctx);
    return (
      Math.abs(p.x - centre.x) < box.width / 2 + gap &&
      p.y < centre.y - axis + box.height + gap &&
      p.y > centre.y - axis - box.depth - gap
    );
  };
  const cut = whole.filter((p) => !inside(p, from) && !inside(p, to));
  return cut.length < 2 ? null : cut;
}

/** The arrow of the font, as long as the path and turned to its direction. */
function glyphArrow(arrow: DiagramArrow, path: Points, ctx: MathContext): Child[] {
  const start = path[0] as Point;
  const end = path.at(-1) as Point;
  const length = Math.hypot(end.x - start.x, end.y - start.y);
  const degrees = (Math.atan2(end.y - start.y, end.x - start.x) * 180) / Math.PI;
  const item = growHorizontally(arrowChar(arrow), length, ctx, arrow);
  const axis = constant('axisHeight', ctx);
  const spare = (length - item.width) / 2;
  const turned: Box = {
    ...boxOf(length, 0, 0, [{ x: spare, y: -axis, item }]),
    map: scaledTurned(1, 1, degrees),
  };
  return [{ x: start.x, y: start.y, item: turned }];
}

function arrowChar({ line, head, tail }: DiagramArrow): string {
  if (line === 'double') return head === 'none' ? '=' : '⇒';
  if (head === 'none') return '−';
  if (head === 'two') return '↠';
  if (tail === 'hook' || tail === 'hookBack') return '↪';
  if (tail === 'bar') return '↦';
  return tail === 'tail' ? '↣' : '→';
}

function strokedArrow(arrow: DiagramArrow, parts: readonly Points[], ctx: MathContext): Child[] {
  const em = sizeOf(ctx);
  const thickness = constant('overbarRuleThickness', ctx);
  const dash = arrow.line === 'dashed' ? 0.3 * em : arrow.line === 'dotted' ? 0.1 * em : null;
  const asides = arrow.line === 'double' ? [0.1 * em, -0.1 * em] : [0];
  const out = parts.flatMap((path) =>
    asides.map((aside) => drawPath(movedAside(path, aside), thickness, dash)),
  );
  const [first] = parts;
  const last = parts.at(-1);
  if (!first || !last) return out;
  if (arrow.tail === 'bar') out.push(drawBar(first, 0.2 * em, thickness));
  if (arrow.head !== 'none') out.push(drawHead(last, 0, em, thickness));
  if (arrow.head === 'two') out.push(drawHead(last, 0.18 * em, em, thickness));
  return out;
}

function placeLabel(label: DiagramLabel, box: Box, path: Points, ctx: MathContext): Child[] {
  const { point, direction } = placeAlong(path, 0.5);
  const normal = { x: -direction.y, y: direction.x };
  const side = label.side === 'on' ? 0 : label.side === 'left' ? 1 : -1;
  const high = box.height + box.depth;
  const extent = Math.abs(normal.x) * (box.width / 2) + Math.abs(normal.y) * (high / 2);
  const off = side * (LABEL_GAP * sizeOf(ctx) + extent);
  const x = point.x + normal.x * off - box.width / 2;
  const y = point.y + normal.y * off - (box.height - box.depth) / 2;
  return [{ x, y, item: box }];
}
