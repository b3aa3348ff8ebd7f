import { joinedBounds, mappedPath, boundsOf, NO_BOUNDS } from '../../base/paths';
import type { Point } from '../../base/maps';
import { minus, polar, plus, times } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { placeOf, type Reading } from './coordinates';
import type { Graphics } from './graphics';
import { withKeys, withStyle, type NodeSaying } from './keys';
import { drawStateArrows } from './automata';
import { linkToChain } from './chains';
import { gateSign } from './keysOfShapes';
import { drawCircuitEnd } from './circuits';
import { facing } from './compass';
import { addHandle } from './handles';
import { freshNode, newSaying, setNode, setText, type NodeText } from './nodes';
import { borderTowards, centreOf, type PlacedNode } from './openPicture';
import { newWalk, lineTo, pathOfWalk } from './walk';
import { paintPath } from './painting';
import { matrixText } from './matrices';
import {
  peek,
  takeCoordinate,
  takeGroup,
  takeOptions,
  takeThisWord,
  takeWritten,
  type Scanner,
  type Written,
} from './scanPath';
import { isSign, wordsOf } from './words';

/** A node as it was read: how it looks, what is said of it, its text. */
export interface ReadNode {
  readonly g: Graphics;
  readonly saying: NodeSaying;
  /** Null for a coordinate. */
  readonly tokens: readonly Token[] | null;
  /** The state of the path that it stands on. */
  readonly outer: Graphics;
  /** What stands behind its `at`. */
  readonly written: Written | null;
}

/** What stands behind `node` or `coordinate`: options, a name, a place, a text, in any order. */
export function readNode(
  scanner: Scanner,
  reading: Reading,
  outer: Graphics,
  isCoordinate: boolean,
): ReadNode {
  const saying = newSaying();
  let g = freshNode(outer);
  g = withStyle(reading, g, 'every node', saying);
  let tokens: readonly Token[] | null = null;
  let written: Written | null = null;
  let shapeStyled = false;
  for (;;) {
    const next = peek(scanner);
    if (!next) break;
    if (next.text === '[') g = withKeys(reading, g, takeOptions(scanner) ?? [], saying);
    else if (next.text === '(') {
      // Behind a coordinate with its name stands where the line goes on.
      if (isCoordinate && saying.name !== null) break;
      saying.name = takeCoordinate(scanner);
    } else if (next.cat === Cat.Letter && takeThisWord(scanner, 'at')) {
      written = takeWritten(scanner);
      saying.at = written?.words ?? null;
    } else if (next.cat === Cat.Begin && !isCoordinate) {
      tokens = takeGroup(scanner);
      break;
    } else {
      if (!isCoordinate) tokens = bareText(scanner, next);
      break;
    }
    if (!shapeStyled && g.node.shape !== 'rectangle') {
      shapeStyled = true;
      g = withStyle(reading, g, `every ${g.node.shape} node`, saying);
    }
    if (saying.contents) {
      tokens = saying.contents;
      if (peek(scanner)?.text !== '(') break;
    }
  }
  return { g, saying, tokens: isCoordinate ? null : (tokens ?? []), outer, written };
}

/** `\\node at (0,0) A;`: the text up to the end of the statement, where it was meant to stand in braces. */
function bareText({ it }: Scanner, first: Token): Token[] | null {
  const { text, base, chunk } = it.p.reader;
  const isTyped = first.chunk === chunk && (first.cat === Cat.Letter || first.cat === Cat.Math);
  const start = base + first.from;
  const typed = isTyped ? /^[A-Za-z0-9$_^+=' ]+(?=;)/.exec(text.slice(start, start + 60)) : null;
  if (
    !typed ||
    /^(?:node|coordinate|edge|to|child|cycle|rectangle|circle|grid|arc|plot|pic|and|let|at)\b/.test(
      typed[0],
    )
  )
    return null;
  it.p.reach = Math.max(it.p.reach, start + 60);
  const to = first.from + typed[0].trimEnd().length;
  const edits = [
    { from: first.from, to: first.from, text: '{' },
    { from: to, to, text: '}' },
  ];
  it.p.report(
    'picture-text-bare',
    { from: first.from, to },
    {},
    { title: 'Put it in braces', edits },
  );
  const out: Token[] = [];
  for (let token = it.p.next(); token; token = it.p.next()) {
    if (token.text === ';') {
      it.p.unread(token);
      break;
    }
    out.push(token);
  }
  return out;
}

/** Sets a node that was read, with its labels. */
export function placeNode(
  reading: Reading,
  read: ReadNode,
  at: Point,
  direction: Point | null,
  span: { from: number; to: number },
): PlacedNode {
  const { saying, tokens } = read;
  let { g } = read;
  let place = at;
  if (saying.at !== null) place = placeOf(reading, { ...read.outer }, saying.at).at;
  if (read.written) addHandle(reading, read.outer, read.written, place);
  let text: NodeText | null = null;
  if (tokens !== null && saying.matrix) text = matrixText(reading, g, saying, tokens, span, place);
  else if (tokens !== null) text = setText(reading, g, withSign(reading, g, tokens));
  if (saying.fit !== null && text) ({ g, place } = fitted(reading, g, saying.fit));
  if (saying.through !== null) g = through(reading, g, saying.through, place);
  const { pointer } = g.node;
  if (pointer && 'at' in pointer && typeof pointer.at === 'string')
    g = { ...g, node: { ...g.node, pointer: { at: pointIn(reading, read.outer, pointer.at) } } };
  const node = setNode(reading, g, saying, text, place, direction, span);
  if (saying.symbol) drawCircuitEnd(reading, g, saying.symbol, centreOf(node), span);
  for (const label of saying.labels) placeLabel(reading, read, node, label, span);
  if (saying.chain) linkToChain(reading, saying.chain.join, read.outer, node, span);
  drawStateArrows(reading, { g, outer: read.outer }, node, span);
  return node;
}

/** A gate that is a box has its sign in it where nothing is written. */
function withSign({ it }: Reading, g: Graphics, tokens: readonly Token[]): readonly Token[] {
  const sign = tokens.length === 0 ? gateSign(g.node.shape) : null;
  return sign === null ? tokens : it.source(sign);
}

/** A place in brackets. */
const pointIn = (reading: Reading, g: Graphics, text: string): Point =>
  placeOf(reading, { ...g }, text.trim().replace(/^\(([\s\S]*)\)$/, '$1')).at;

/** A circle around its place through another. */
function through(reading: Reading, g: Graphics, words: string, place: Point): Graphics {
  const { x, y } = minus(pointIn(reading, g, words), place);
  const size = 2 * Math.hypot(x, y);
  const node = { ...g.node, shape: 'circle' as const, minWidth: size, minHeight: size };
  return { ...g, node: { ...node, innerX: 0, innerY: 0, anchor: 'center' } };
}

/** A node as large as others: around all that `fit` names. */
function fitted(reading: Reading, g: Graphics, fit: string) {
  let bounds = NO_BOUNDS;
  for (const [, words = ''] of fit.matchAll(/\(([^()]*)\)/g)) {
    const node = reading.picture.nodes.get(words.trim());
    const box = node ? boundsOf(mappedPath(node.shape.outline, node.map)) : null;
    const { at } = placeOf(reading, g, words);
    bounds = joinedBounds(
      bounds,
      box && box.left <= box.right ? box : { left: at.x, right: at.x, low: at.y, high: at.y },
    );
  }
  const size: Point = { x: bounds.right - bounds.left, y: bounds.high - bounds.low };
  return {
    place: { x: (bounds.left + bounds.right) / 2, y: (bounds.low + bounds.high) / 2 },
    g: {
      ...g,
      node: {
        ...g.node,
        anchor: 'center',
        minWidth: Math.max(g.node.minWidth, size.x + 2 * g.node.innerX),
        minHeight: Math.max(g.node.minHeight, size.y + 2 * g.node.innerY),
      },
    },
  };
}

const WORDS: Readonly<Record<string, number>> = {
  right: 0,
  'above right': 45,
  above: 90,
  'above left': 135,
  left: 180,
  'below left': 225,
  below: 270,
  'below right': 315,
};

/** `label={[red]above:words}`: text beside a node, a pin with a line to it. */
function placeLabel(
  reading: Reading,
  read: ReadNode,
  node: PlacedNode,
  label: NodeSaying['labels'][number],
  span: { from: number; to: number },
): void {
  const { it } = reading;
  const { options, rest } = optionsBefore(label.tokens);
  const colon = rest.findIndex((t, i) => isSign(t, ':') && depthBefore(rest, i) === 0);
  const { labelSide, pinSide } = read.g.node;
  const usual = label.pin ? pinSide : labelSide;
  const where = colon < 0 ? usual : wordsOf(it, rest.slice(0, colon));
  const tokens = colon < 0 ? rest : rest.slice(colon + 1);
  const angle = WORDS[where] ?? Number(where);
  let g = freshNode({ ...read.outer, rounding: 0 });
  const own = newSaying();
  const distance = label.pin ? g.node.pinDistance : g.node.labelDistance;
  g = withStyle(reading, g, label.pin ? 'every pin' : 'every label', own);
  const before = g.node;
  g = withKeys(reading, g, options, own);
  const away =
    g.node.shift.x !== before.shift.x || g.node.shift.y !== before.shift.y ? 0 : distance;
  const inside = where === 'center' || !Number.isFinite(angle);
  const centre = centreOf(node);
  const direction = inside ? { x: 0, y: 0 } : polar(angle, 1);
  const border = inside ? centre : borderTowards(node, plus(centre, times(direction, 65536 * 100)));
  const at = plus(border, times(direction, away));
  const look = {
    ...g,
    node: { ...g.node, anchor: g.node.anchor ?? (inside ? 'center' : facing(angle)) },
  };
  const placed = setNode(
    reading,
    look,
    own,
    setText(reading, look, innerText(tokens)),
    at,
    null,
    span,
  );
  if (!label.pin) return;
  const grey = {
    ...read.outer,
    colour: 0x808080,
    lineWidth: 0.4 * 65536,
    startTips: [],
    endTips: [],
    mode: { ...read.outer.mode, draw: true, fill: false },
  };
  const pen = withKeys(reading, withStyle(reading, grey, 'every pin edge'), g.node.pinEdge);
  const walk = newWalk(reading, pen, span);
  walk.place = { at: border, node: null };
  lineTo(walk, { at: borderTowards(placed, border), node: null });
  paintPath(reading, pen, pathOfWalk(walk), span);
}

const innerText = (tokens: readonly Token[]): readonly Token[] => {
  const braced = tokens[0]?.cat === Cat.Begin && tokens.at(-1)?.cat === Cat.End;
  return braced && depthBefore(tokens, tokens.length - 1) === 1 ? tokens.slice(1, -1) : tokens;
};
const depthBefore = (tokens: readonly Token[], at: number): number => {
  let depth = 0;
  for (let i = 0; i < at; i++) {
    if (tokens[i]?.cat === Cat.Begin) depth++;
    else if (tokens[i]?.cat === Cat.End) depth--;
  }
  return depth;
};

function optionsBefore(tokens: readonly Token[]) {
  const first = tokens.findIndex((t) => t.cat !== Cat.Space);
  if (tokens[first]?.text !== '[') return { options: [], rest: tokens };
  const close = tokens.findIndex(
    (t, i) => i > first && t.text === ']' && depthBefore(tokens, i) === 0,
  );
  return { options: tokens.slice(first + 1, close), rest: tokens.slice(close + 1) };
}
