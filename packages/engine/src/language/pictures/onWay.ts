import { readPlot } from './pathFigures';
import { withKeys } from './keys';
import type { PlacedNode } from './openPicture';
import { placeNode, readNode, type ReadNode } from './pathNodes';
import type { PathReader } from './pathReader';
import { peek, takeOptions, takeThisWord, takeWord } from './scanPath';
import { readTarget, type Target } from './targets';
import { above, close, onLast, type Walk } from './walk';

/**
 * What an operation leads to, with the nodes that stand on its way; `cycle` closes the path.
 * @param act draws it; it may set the nodes itself, and then says true.
 */
export function toTarget(
  reader: PathReader,
  walk: Walk,
  act: (target: Target, nodes: readonly ReadNode[]) => boolean | void,
): void {
  const nodes = nodesOnWay(reader, walk);
  let areSet = false;
  if (takeThisWord(reader, 'plot')) readPlot(reader, walk, true);
  else if (takeThisWord(reader, 'cycle')) {
    if (walk.segments.length > 0) {
      areSet = act({ place: { at: walk.start, node: null }, keepsBase: false }, nodes) === true;
      const { last } = walk;
      close(walk);
      walk.last = last;
    }
  } else {
    const target = readTarget(reader, walk);
    if (!target) {
      const next = peek(reader);
      if (next && next.text !== ';')
        reader.it.p.report('picture-word', reader.it.spanOf(next), { word: next.text, near: '' });
      return;
    }
    areSet = act(target, nodes) === true;
  }
  if (!areSet) for (const node of nodes) placeOnLast(walk, node, 0.5);
}

export function nodesOnWay(reader: PathReader, walk: Walk): ReadNode[] {
  const nodes: ReadNode[] = [];
  for (;;) {
    const word = takeWord(reader, (found) => found === 'node' || found === 'coordinate');
    if (word === '') {
      if (peek(reader)?.text !== '[') return nodes;
      walk.g = withKeys(walk.reading, walk.g, takeOptions(reader) ?? []);
    } else nodes.push(readNode(reader, walk.reading, walk.g, word === 'coordinate'));
  }
}

/** Sets a node on the part that was drawn last; it is drawn above the path. */
export function placeOnLast(walk: Walk, node: ReadNode, usual: number | null): PlacedNode {
  const share = node.g.node.position ?? usual;
  const along = walk.last.length > 0 ? onLast(walk, share ?? 1) : null;
  const at = share === null ? walk.place.at : (along?.at ?? walk.place.at);
  return above(walk, () => placeNode(walk.reading, node, at, along?.direction ?? null, walk.span));
}
