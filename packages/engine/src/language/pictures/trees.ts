import type { Point } from '../../base/maps';
import { minus, plus, polar, times } from '../../drawing/vectors';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { freshPath, GRAPHICS, type Graphics } from './graphics';
import { withKeys, withStyle } from './keys';
import { loopTokens, readLoop } from './loops';
import { paintPath } from './painting';
import { placeNode, readNode, type ReadNode } from './pathNodes';
import type { PathReader } from './pathReader';
import { addMarks, anchorOf, centreOf, type PlacedNode } from './openPicture';
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
  do takeChild(reader, children);
  while (takeWord(reader, (word) => word === 'child') !== '');
  const parent = walk.place.node ?? [...walk.reading.picture.nodes.values()].at(-1) ?? null;
  if (parent) above(walk, () => grow(reader, walk, walk.g, parent, children, 1));
}

/** What stands behind `child`: one, or a loop over several (`child foreach \i in {…} {…}`). */
function takeChild(reader: PathReader, children: Child[]): void {
  const { p } = reader.it;
  const options = takeOptions(reader) ?? [];
  if (takeWord(reader, (word) => word === 'foreach') === '') {
    children.push({ options, body: takeGroup(reader) ?? [] });
    return;
  }
  const loop = readLoop(reader, reader.reading);
  if (!loop) return;
  const body = [p.make(Cat.Begin, '{'), ...loop.body, p.make(Cat.End, '}')];
  p.push([...loopTokens(reader.it, { ...loop, body }, reader.reading), ...p.chars(';')]);
  for (let one = takeGroup(reader); one; one = takeGroup(reader))
    children.push({ options, body: one });
  p.nextNonBlank();
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
    const { at, grow: way } = placeOfChild(own, i, children.length);
    const state = { ...own, grow: way, mode: freshPath(own).mode };
    readBody(reader, walk, state, parent, plus(centreOf(parent), at), child.body, level);
  });
}

/** Where a child stands from its parent, and the way in which its own children grow. */
function placeOfChild(g: Graphics, i: number, count: number): { at: Point; grow: number } {
  const { tree, grow: way, levelDistance, siblingDistance } = g;
  const { cyclic, siblingAngle, three } = tree;
  const middle = i - (count - 1) / 2;
  if (cyclic) {
    const angle =
      cyclic.from === null
        ? way + middle * siblingAngle
        : cyclic.from + cyclic.turn * i * siblingAngle;
    return { at: polar(angle, levelDistance), grow: angle };
  }
  if (three) {
    // Every further child lies as far from the last as the second does of two.
    const [one, left, right] = three;
    const step = minus(right, left);
    const first = plus(one, times(minus(left, one), count - 1));
    return { at: plus(first, times(step, i)), grow: way };
  }
  const across = times(polar(way + 90, 1), middle * siblingDistance);
  return { at: plus(polar(way, levelDistance), across), grow: way };
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
    } else if (word === 'child') takeChild(reader, children);
    else if (word === 'edge') {
      takeWord(reader, (found) => found === 'from');
      takeWord(reader, (found) => found === 'parent');
      edge = { options: takeOptions(reader) ?? [], nodes: [] };
    } else it.p.nextNonBlank();
  }
  const end = it.p.nextNonBlank();
  if (end && end.text !== ';') it.p.unread(end);
  if (node) drawEdge(reader, walk, state, parent, node, edge);
  if (node && children.length > 0) grow(reader, walk, state, node, children, level + 1);
}

/** An edge along a path of the picture's language, in which both nodes have names. */
function followEdge(
  reader: PathReader,
  line: Walk,
  path: readonly Token[],
  parent: PlacedNode,
  node: PlacedNode,
): void {
  const { it, picture } = reader.reading;
  const { tree } = line.g;
  const names = [...picture.nodes].filter(([, one]) => one === parent || one === node);
  const nameOf = (of: PlacedNode): string => names.find(([, one]) => one === of)?.[0] ?? '';
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.define('tikzparentnode', nameOf(parent));
  it.define('tikzchildnode', nameOf(node));
  it.define('tikzparentanchor', tree.parentAnchor);
  it.define('tikzchildanchor', tree.childAnchor);
  it.write(GRAPHICS, line.g);
  reader.follow(line, path);
  it.closeGroup();
}

function drawEdge(
  reader: PathReader,
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
  const { edge: path, parentAnchor, childAnchor } = state.tree;
  if (path) followEdge(reader, line, path, parent, node);
  else {
    const end = (of: PlacedNode, anchor: string) => {
      const at = anchor === '' ? null : anchorOf(of, anchor.slice(1));
      return at ? { at, node: null } : place(of);
    };
    line.place = end(parent, parentAnchor);
    lineTo(line, end(node, childAnchor));
  }
  paintPath(reading, state, pathOfWalk(line), span);
  for (const read of edge?.nodes ?? []) {
    const { at, direction } = onLast(line, read.g.node.position ?? 0.5);
    above(line, () => placeNode(reading, read, at, direction, span));
  }
  addMarks(reading, line.above, false);
}
