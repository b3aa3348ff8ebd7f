import { Cat } from '../../tokens/categories';
import type { Token } from '../../expansion/meaning';
import { bentTo } from './bends';
import { elementTo } from './circuits';
import type { Place } from './coordinates';
import { freshPath, STRAIGHT, type Graphics } from './graphics';
import { withKeys, withStyle, type NodeSaying } from './keys';
import { newSaying } from './nodes';
import { nodesOnWay, placeOnLast, toTarget } from './onWay';
import { addMarks, pointNode } from './openPicture';
import { paintPath } from './painting';
import { readNode, type ReadNode } from './pathNodes';
import type { PathReader } from './pathReader';
import { takeOptions, takeThisWord } from './scanPath';
import { readTarget, type Target } from './targets';
import { above, newWalk, pathOfWalk, type Walk } from './walk';

/** `to[options] (B)`: a line that goes on from where this one stands. */
export function readTo(reader: PathReader, walk: Walk): void {
  const said = newSaying();
  const usual = withStyle(walk.reading, walk.g, 'every to', said);
  const g = withKeys(walk.reading, usual, takeOptions(reader) ?? [], said);
  const { bend, element } = g;
  const sayNodes = (): void => nodesSaid(walk, { ...walk.g, node: g.node }, said);
  let isOwn = false;
  toTarget(reader, walk, (target, nodes) => {
    isOwn = bend.path !== null && !element;
    if (element) elementTo(walk, target.place, g, element, target.keepsBase);
    else if (bend.path) ownTo(reader, walk, target, bend.path, nodes, sayNodes);
    else bentTo(walk, target.place, bend, target.keepsBase);
    return isOwn;
  });
  if (!isOwn) sayNodes();
}

/**
 * A line by a path of its own (`to path`): in it `\tikztostart` and `\tikztotarget` are its ends,
 * and `\tikztonodes` sets what stands on it.
 */
function ownTo(
  reader: PathReader,
  walk: Walk,
  target: Target,
  path: readonly Token[],
  nodes: readonly ReadNode[],
  sayNodes: () => void,
): void {
  const { it } = reader;
  it.define('tikztostart', endName(walk, walk.place, 'start'));
  it.define('tikztotarget', endName(walk, target.place, 'target'));
  const outer = walk.setNodes;
  walk.setNodes = () => {
    for (const node of nodes) placeOnLast(walk, node, 0.5);
    sayNodes();
  };
  const { base } = walk;
  reader.follow(walk, path);
  walk.setNodes = outer;
  walk.base = target.keepsBase ? base : target.place.at;
}

/** A name of the node at an end of a line; a place without one gets a node of its own. */
function endName({ reading: { picture } }: Walk, { at, node }: Place, end: string): string {
  const known = node && [...picture.nodes].findLast(([, one]) => one === node)?.[0];
  if (known) return known;
  const name = `${end} of a line`;
  picture.nodes.set(name, node ?? pointNode(at));
  return name;
}

/** The nodes on a line that its options bring: in quotes, or as `edge node`. */
function nodesSaid(walk: Walk, g: Graphics, { labels, onEdge }: NodeSaying): void {
  const { it } = walk.reading;
  for (const label of labels) edgeQuote(walk, g, label.tokens);
  for (const tokens of onEdge) {
    it.p.push([...tokens, it.p.command('relax')]);
    while (takeThisWord({ it }, 'node'))
      placeOnLast(walk, readNode({ it }, walk.reading, g, false), 0.5);
    it.p.nextNonBlank();
  }
}

/** An edge: a path of its own from where this one stands. */
export function readEdge(reader: PathReader, walk: Walk): void {
  const { reading, place, base, g, span } = walk;
  let state: Graphics = {
    ...freshPath(g),
    startTips: g.startTips,
    endTips: g.endTips,
    bend: g.bend,
  };
  state = { ...state, mode: { ...state.mode, draw: true } };
  const holder = newSaying();
  state = withStyle(reading, state, 'every edge', holder);
  const options = takeOptions(reader) ?? [];
  const edge = newWalk(reading, state, span);
  edge.g = withKeys(reading, state, options, holder);
  edge.place = place;
  edge.base = base;
  const { bend } = edge.g;
  const nodes = nodesOnWay(reader, { ...edge, g: { ...edge.g, bend: STRAIGHT } });
  const target = readTarget(reader, edge) ?? { place, keepsBase: true };
  const sayNodes = (): void => nodesSaid(edge, edge.g, holder);
  if (bend.path) ownTo(reader, edge, target, bend.path, nodes, sayNodes);
  else {
    bentTo(edge, target.place, bend);
    for (const node of nodes) placeOnLast(edge, node, 0.5);
    sayNodes();
  }
  above(walk, () => {
    paintPath(reading, edge.g, pathOfWalk(edge), span);
    addMarks(reading, edge.above, false);
  });
}

/** A label in quotes on an edge stands beside it, at its middle. */
function edgeQuote(edge: Walk, g: Graphics, tokens: readonly Token[]): void {
  const { reading } = edge;
  const close_ = tokens.findIndex((t) => t.text === ']');
  const options = tokens.slice(1, Math.max(1, close_));
  const outer = {
    ...g,
    node: { ...g.node, auto: g.node.auto ?? 'left' },
  } as Graphics;
  const { it } = reading;
  const source = [
    ...it.p.chars('['),
    ...options,
    ...it.p.chars(']'),
    it.p.make(Cat.Begin, '{'),
    ...tokens.slice(close_ + 2, -1),
    it.p.make(Cat.End, '}'),
    it.p.command('relax'),
  ];
  it.p.push(source);
  const node = readNode({ it }, reading, outer, false);
  it.p.next();
  placeOnLast(edge, node, 0.5);
}
