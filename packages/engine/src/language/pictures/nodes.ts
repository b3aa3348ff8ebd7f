import { PT } from '../../base/lengths';
import {
  composed,
  isUpright,
  mapped,
  scaledTurned,
  translation,
  type AffineMap,
  type Point,
} from '../../base/maps';
import { withOpacity } from '../../base/paint';
import { mappedPath } from '../../base/paths';
import type { Mark } from '../../document/drawing';
import type { Inline } from '../../document/inlines';
import { calloutOutline } from '../../drawing/callouts';
import { shapeAround, type Room, type Shape } from '../../drawing/shapes';
import { rounded } from '../../drawing/curves';
import { angleOf, minus, unit } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Graphics } from './graphics';
import type { NodeSaying } from './keys';
import { addMarks, anchorOf, freshName, widen, type Drawing, type PlacedNode } from './openPicture';
import { trimmed } from '../scanning/optionLists';
import { inHalves, inParts, partsOf, withParts, type Parts } from './nodeParts';
import type { Reading } from './coordinates';
import { paintPath } from './painting';
import { paintShadow } from './shadows';

type Span = { readonly from: number; readonly to: number };

export const newSaying = (): NodeSaying => ({
  name: null,
  alias: null,
  at: null,
  contents: null,
  labels: [],
  fit: null,
  onEdge: [],
  append: [],
  through: null,
  chain: null,
  symbol: null,
  matrix: null,
  fillsEmpty: false,
  delimiters: ['', ''],
});

/** The text of a node, set: its marks from its lower left corner on the baseline, and its size. */
export interface NodeText {
  readonly marks: (at: Point) => Mark[];
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  /** Its parts, where it has several. */
  readonly parts?: Parts;
}

/** A state as a node on a path finds it: drawn only when it says so, not turned with what was turned before. */
export const freshNode = (g: Graphics): Graphics => ({
  ...g,
  mode: {
    ...g.mode,
    draw: false,
    fill: false,
    clip: false,
    shade: false,
    pattern: null,
    decorate: false,
    before: [],
    after: [],
    named: null,
    asBounds: false,
  },
  startTips: [],
  endTips: [],
  node: {
    ...g.node,
    turn: 0,
    scaleX: 1,
    scaleY: 1,
    shift: { x: 0, y: 0 },
    position: g.node.position,
  },
});

const isLineEnd = (token: Token): boolean =>
  token.cat === Cat.Command && (token.text === '\\' || token.text === 'nodepart');

/** Lines of a text, parted at `\\` outside braces. */
function linesOf(tokens: readonly Token[]): Token[][] {
  const lines: Token[][] = [[]];
  let depth = 0;
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) depth++;
    else if (token.cat === Cat.End) depth--;
    if (depth !== 0 || !isLineEnd(token)) {
      lines.at(-1)?.push(token);
      continue;
    }
    lines.push([]);
    // `\\nodepart{second}`: the part's name is none of its words.
    if (token.text === 'nodepart') while (i + 1 < tokens.length && tokens[++i]?.cat !== Cat.End);
    // A distance behind it is left to the lines as they are.
    if (tokens[i + 1]?.text === '[') while (i + 1 < tokens.length && tokens[++i]?.text !== ']');
  }
  return lines;
}

const ALIGNED = {
  left: '\\raggedright',
  center: '\\centering',
  right: '\\raggedleft',
  justify: '',
} as const;

/** Shapes with a line through their middle. */
const HALVED = /^(?:circle|ellipse) (?:split|solidus)$/;
const hasParts = (tokens: readonly Token[]): boolean =>
  tokens.some(({ cat, text }) => cat === Cat.Command && text === 'nodepart');

/** Sets the text of a node in the look that its state gives it. */
export function setText(drawing: Drawing, g: Graphics, given: readonly Token[]): NodeText {
  const { it } = drawing;
  const { node } = g;
  const tokens = [...node.before, ...given, ...node.behind];
  const colour = node.textColour ?? g.colour;
  const paint = g.textOpacity < 1 ? withOpacity(colour, g.textOpacity) : colour;
  const line = (inner: readonly Token[]): readonly Inline[] => {
    it.openGroup({ kind: 'semisimple', span: it.p.place });
    const inlines = it.inlinesBy(() => {
      it.changeFont({ color: paint });
      it.execute(node.font);
      it.execute(inner);
    });
    it.closeGroup();
    return inlines;
  };
  if (node.textWidth !== null) {
    const { p } = it;
    const align = ALIGNED[node.align ?? 'left'];
    const inner = [
      ...it.source(`\\parbox[t]{${node.textWidth / PT}pt}`),
      p.make(Cat.Begin, '{'),
      ...it.source(`${align} `),
      ...node.font,
      ...it.source(' \\strut'),
      ...tokens,
      p.make(Cat.End, '}'),
    ];
    return oneLine(it.host.measure, line(inner));
  }
  if (node.split !== null) {
    const parts = partsOf(tokens).map((part) =>
      setText(drawing, { ...g, node: { ...node, split: null, before: [], behind: [] } }, part),
    );
    return inParts(parts, node.split, { x: 2 * node.innerX, y: 2 * node.innerY }, node.align);
  }
  if (HALVED.test(node.shape) && hasParts(tokens)) {
    const inner = { ...g, node: { ...node, shape: 'rectangle' as const, before: [], behind: [] } };
    const halves = partsOf(tokens).map((part) => setText(drawing, inner, trimmed(part)));
    const gap = { x: 2 * node.innerX, y: 2 * node.innerY };
    return inHalves(halves, gap, node.shape === 'circle solidus');
  }
  const lines = node.align === null ? [tokens] : linesOf(tokens);
  if (lines.length === 1) return oneLine(it.host.measure, line(lines[0] ?? []));
  return stacked(
    it.host.measure,
    lines.map(line),
    node.align ?? 'center',
    baselineSkip(it, node.font),
  );
}

type Measure = Drawing['it']['host']['measure'];
const label = (inlines: readonly Inline[], at: Point): Mark => ({
  kind: 'label',
  inlines,
  at,
  across: 0,
  up: null,
});

function oneLine(measure: Measure, inlines: readonly Inline[]): NodeText {
  const { width, height, depth } = measure(inlines);
  return {
    width,
    height,
    depth,
    marks: (at) => (inlines.length === 0 ? [] : [label(inlines, at)]),
  };
}

function baselineSkip(it: Drawing['it'], font: readonly Token[]): number {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(font);
  const skip = it.skip('baselineskip').width;
  it.closeGroup();
  return skip;
}

/** Lines one under another, each as far to the left as its alignment has it. */
function stacked(
  measure: Measure,
  lines: readonly (readonly Inline[])[],
  align: string,
  skip: number,
): NodeText {
  const sizes = lines.map(measure);
  const width = Math.max(...sizes.map((size) => size.width));
  const share = align === 'left' || align === 'justify' ? 0 : align === 'right' ? 1 : 0.5;
  const [first, last] = [sizes[0], sizes.at(-1)];
  const fall = skip * (lines.length - 1);
  const whole = (first?.height ?? 0) + fall + (last?.depth ?? 0);
  return {
    width,
    // The last line is the baseline, as a box that is built upwards has it.
    height: whole - (last?.depth ?? 0),
    depth: last?.depth ?? 0,
    marks: (at) =>
      lines.map((inlines, i) =>
        label(inlines, {
          x: at.x + share * (width - (sizes[i]?.width ?? 0)),
          y: at.y + fall - i * skip,
        }),
      ),
  };
}

/** The room that a shape is made around. */
function roomOf(g: Graphics, text: NodeText, em: number): Room {
  const { node } = g;
  const height = Math.max(text.height, node.textHeight);
  const depth = node.textDepth ?? text.depth;
  const base = -(height - depth) / 2;
  return {
    halfWidth: text.width / 2 + node.innerX,
    halfHeight: (height + depth) / 2 + node.innerY,
    minWidth: node.minWidth,
    minHeight: node.minHeight,
    base,
    mid: base + 0.5 * 0.430555 * em,
    outer: node.outer ?? g.lineWidth / 2,
    sides: node.sides,
    turn: node.borderTurn,
    ratio: node.ratio,
    keys: node.shapeKeys,
  };
}

/** A callout reaches to the place it points to. */
function pointedTo(g: Graphics, shape: Shape, room: Room, map: AffineMap): Shape {
  const { pointer, pointerWidth: wedge, shape: name } = g.node;
  if (pointer === null || !name.endsWith('callout')) return shape;
  if ('at' in pointer && typeof pointer.at === 'string') return shape;
  const to = 'at' in pointer ? minus(pointer.at as Point, mapped(map, { x: 0, y: 0 })) : pointer.by;
  const kind = name.startsWith('rectangle') ? 'rectangle' : 'ellipse';
  const share = kind === 'ellipse' ? Math.SQRT2 : 1;
  const halfWidth = Math.max(share * room.halfWidth, room.minWidth / 2);
  const halfHeight = Math.max(share * room.halfHeight, room.minHeight / 2);
  const outline = calloutOutline({ kind, halfWidth, halfHeight, wedge }, to);
  return { ...shape, outline, anchors: { ...shape.anchors, pointer: to } };
}

/** Which anchor lies on a line beside which a node stands, by the line's direction. */
export function sideAnchor(direction: Point, side: 'left' | 'right'): string {
  const { x, y } = unit(side === 'left' ? direction : { x: -direction.x, y: -direction.y });
  const slope = y > 0.05 ? 'up' : y < -0.05 ? 'down' : 'level';
  if (x > 0.05) return { up: 'south east', down: 'south west', level: 'south' }[slope];
  if (x < -0.05) return { up: 'north east', down: 'north west', level: 'north' }[slope];
  return y > 0 ? 'east' : 'west';
}

/** How a node stands: its anchor at a place, turned and scaled as its state says. */
function placement(g: Graphics, anchor: Point, at: Point, direction: Point | null): AffineMap {
  const { node } = g;
  let slope = 0;
  if (node.sloped && direction) {
    slope = angleOf(direction);
    // Words do not stand on their heads.
    if (slope > 90.01 && !node.upsideDown) slope -= 180;
    else if (slope < -90.01 && !node.upsideDown) slope += 180;
  }
  const own = scaledTurned(node.scaleX, node.scaleY, 0);
  const turned = composed(scaledTurned(1, 1, node.turn + slope), own);
  const linear = node.withPicture ? composed({ ...g.map, e: 0, f: 0 }, turned) : turned;
  const moved = composed(linear, translation(-anchor.x, -anchor.y));
  return composed(translation(at.x + node.shift.x, at.y + node.shift.y), moved);
}

/**
 * Sets a node at a place of the picture.
 *
 * @param text null for a coordinate.
 * @param direction of the path it stands on, or null.
 */
export function setNode(
  drawing: Reading,
  g: Graphics,
  saying: NodeSaying,
  text: NodeText | null,
  at: Point,
  direction: Point | null,
  span: Span,
): PlacedNode {
  const { picture } = drawing;
  const name = saying.name === null ? freshName(picture) : picture.prefix + saying.name;
  const given = text ?? { width: 0, height: 0, depth: 0, marks: () => [] };
  const room = roomOf(g, given, drawing.it.em);
  const plain = shapeAround(text ? g.node.shape : 'coordinate', room);
  const shape = given.parts ? withParts(plain, given.parts, room) : plain;
  const side = g.node.auto && direction ? sideAnchor(direction, g.node.auto) : null;
  const anchorName = g.node.anchor ?? side ?? 'center';
  const flat: PlacedNode = { shape, map: translation(0, 0), isCoordinate: text === null };
  const anchor = anchorOf(flat, anchorName) ?? { x: 0, y: 0 };
  const map = placement(g, anchor, at, direction);
  const pointed = pointedTo(g, shape, room, map);
  const node = { ...flat, shape: pointed, map };
  picture.nodes.set(name, node);
  if (saying.alias !== null) picture.nodes.set(saying.alias, node);
  if (!text) {
    widen(drawing, [mapped(map, { x: 0, y: 0 })], g.mode.overlay);
    return node;
  }
  const radii = pointed.outline.map(() => g.rounding);
  const outline = mappedPath(rounded(pointed.outline, radii), map);
  for (const shadow of g.node.shadows) paintShadow(drawing, g, shadow, outline, span);
  const before = picture.lastPath;
  paintPath(drawing, g, outline, span);
  if (pointed.lines.length > 0)
    paintPath(
      drawing,
      { ...g, mode: { ...g.mode, fill: false, shade: false, pattern: null } },
      mappedPath(pointed.lines, map),
      span,
    );
  picture.lastPath = before;
  // Text is put by its lower left corner, its middle on that of the shape.
  const { words } = pointed;
  // Words beside a part begin there; those in a part have their middle there.
  const shift = words ?? { x: 0, y: 0 };
  const begins = words && words.x > 0 ? given.width / 2 : 0;
  const corner = { x: -given.width / 2 + shift.x + begins, y: room.base + shift.y };
  const upright = isUpright(map) && map.a === 1 && map.d === 1;
  const marks = given.marks(upright ? mapped(map, corner) : corner);
  addMarks(drawing, upright ? marks : [{ kind: 'group', marks, map, clip: null }], g.mode.behind);
  const [x, y] = [room.halfWidth, room.halfHeight];
  const corners = [
    { x, y },
    { x: -x, y },
    { x: -x, y: -y },
    { x, y: -y },
  ];
  widen(
    drawing,
    corners.map((point) => mapped(map, point)),
    g.mode.overlay,
  );
  return node;
}
