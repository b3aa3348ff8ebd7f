import { plus, polar, times } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { freshPath, type Graphics } from './graphics';
import { withKeys, withStyle } from './keys';
import { paintPath } from './painting';
import { placeNode, readNode, type ReadNode } from './pathNodes';
import type { PathReader } from './pathReader';
import { addMarks, centreOf, type PlacedNode } from './openPicture';
import { peek, takeGroup, takeOptions, takeWord } from './scanPath';
import { above, lineTo, newWalk, onLast, pathOfWalk, type Walk } from './walk';

/** `child[options] {node {…} child {…} edge from parent …}` as it was read. */
interface Child {
  readonly options: readonly Token[];
  readonly body: readonly Token[];
}

/** Trees are nested no deeper. */
const DEEPEST = 40;

/** Reads a child and those that follow it, and draws them under the node at the pen. */
export function readChild(reader: PathReader, walk: Walk): void {
  const children: Child[] = [];
  do children.push({ options: takeOptions(reader) ?? [], body: takeGroup(reader) ?? [] });
  while (takeWord(reader, (word) => word === 'child') !== '');
  const parent = walk.place.node ?? [...walk.reading.picture.nodes.values()].at(-1) ?? null;
  if (parent) above(walk, () => grow(reader, walk, walk.g, parent, children, 1));
}

function grow(
  reader: PathReader,
  walk: Walk,
  outer: Graphics,
  parent: PlacedNode,
  children: readonly Child[],
  level: number,
): void {
  if (level > DEEPEST) return;
  const { reading } = walk;
  let g = withStyle(reading, { ...outer, level }, 'level');
  g = withStyle(reading, g, `level ${level}`);
  children.forEach((child, i) => {
    const own = withKeys(reading, withStyle(reading, g, 'every child'), child.options);
    if (own.mode.missing) return;
    const offset = (i - (children.length - 1) / 2) * own.siblingDistance;
    const down = polar(own.grow, own.levelDistance);
    const across = times(polar(own.grow + 90, 1), offset);
    const at = plus(plus(centreOf(parent), down), across);
    readBody(reader, walk, { ...own, mode: freshPath(own).mode }, parent, at, child.body, level);
  });
}

/** What stands in a child: its node, its own children, its edge from the parent. */
function readBody(
  reader: PathReader,
  walk: Walk,
  g: Graphics,
  parent: PlacedNode,
  at: { x: number; y: number },
  body: readonly Token[],
  level: number,
): void {
  const { it, reading } = reader;
  const stop = it.p.make(Cat.Other, ';');
  it.p.push([...body, stop]);
  let node: PlacedNode | null = null;
  const children: Child[] = [];
  let edge: { options: readonly Token[]; nodes: ReadNode[] } | null = null;
  let state = g;
  for (;;) {
    const token = peek(reader);
    if (!token || token.cat === Cat.Command || token.text === ';') break;
    if (token.text === '[') {
      state = withKeys(reading, state, takeOptions(reader) ?? []);
      continue;
    }
    const word = takeWord(reader, () => true);
    if (word === 'node' || word === 'coordinate') {
      const read = readNode(reader, reading, state, word === 'coordinate');
      if (edge) edge.nodes.push(read);
      else node = placeNode(reading, read, at, null, walk.span);
    } else if (word === 'child')
      children.push({ options: takeOptions(reader) ?? [], body: takeGroup(reader) ?? [] });
    else if (word === 'edge') {
      takeWord(reader, (found) => found === 'from');
      takeWord(reader, (found) => found === 'parent');
      edge = { options: takeOptions(reader) ?? [], nodes: [] };
    } else it.p.nextNonBlank();
  }
  const end = it.p.nextNonBlank();
  if (end && end.text !== ';') it.p.unread(end);
  if (node) drawEdge(walk, state, parent, node, edge);
  if (node && children.length > 0) grow(reader, walk, state, node, children, level + 1);
}

function drawEdge(
  walk: Walk,
  g: Graphics,
  parent: PlacedNode,
  node: PlacedNode,
  edge: { options: readonly Token[]; nodes: ReadNode[] } | null,
): void {
  const { reading, span } = walk;
  let state: Graphics = { ...g, mode: { ...g.mode, draw: true } };
  state = withKeys(reading, withStyle(reading, state, 'edge from parent'), edge?.options ?? []);
  const line = newWalk(reading, state, span);
  const place = (of: PlacedNode) => ({ at: centreOf(of), node: of.isCoordinate ? null : of });
  line.place = place(parent);
  lineTo(line, place(node));
  paintPath(reading, state, pathOfWalk(line), span);
  for (const read of edge?.nodes ?? []) {
    const { at, direction } = onLast(line, read.g.node.position ?? 0.5);
    above(line, () => placeNode(reading, read, at, direction, span));
  }
  addMarks(reading, line.above, false);
}
