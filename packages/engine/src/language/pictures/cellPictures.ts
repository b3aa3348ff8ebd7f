import { composed, IDENTITY, translation, type Point } from '../../base/maps';
import { mappedPath, type Bounds } from '../../base/paths';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Reading } from './coordinates';
import { GRAPHICS, type Graphics } from './graphics';
import { CELL_NODES, define, STYLES } from './keys';
import { addMarks, newPicture, PICTURE, TARGET } from './openPicture';

/** A cell of a matrix that is drawn: how far it reaches from its own origin, and how it is put at a place. */
export interface CellPicture {
  readonly bounds: Bounds;
  readonly put: (at: Point) => void;
}

/** Statements of pictures, which a cell of nodes has in it as they are. */
const STATEMENT =
  /^(?:node|draw|fill|filldraw|path|coordinate|shade|shadedraw|pattern|matrix|pic|clip|foreach|graph)$/;
export const isDrawn = (cell: readonly Token[]): boolean =>
  cell.some(({ cat, text }) => cat === Cat.Command && STATEMENT.test(text));

/**
 * Draws a cell by itself, from its own origin. Nodes and paths named in it belong to the picture
 * around it as soon as it has its place.
 */
export function drawCell(reading: Reading, g: Graphics, tokens: readonly Token[]): CellPicture {
  const { it, picture } = reading;
  const { nodes: before, paths, unnamed, seed, later } = picture;
  const own = { ...newPicture(), nodes: new Map(before), paths: new Map(paths), unnamed, seed };
  picture.later = null;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(PICTURE, own);
  it.write(TARGET, null);
  it.write(GRAPHICS, { ...g, map: IDENTITY });
  const nodes = it.read(STYLES)[CELL_NODES];
  if (nodes) define(reading, 'every node', 'append style', nodes.body);
  it.execute(tokens);
  it.closeGroup();
  Object.assign(picture, { later, unnamed: own.unnamed, seed: own.seed });
  const { left, right, low, high } = own.bounds;
  const bounds = left > right ? { left: 0, right: 0, low: 0, high: 0 } : { left, right, low, high };
  const put = (at: Point): void => {
    const map = translation(at.x, at.y);
    addMarks(
      reading,
      [{ kind: 'group', marks: [...own.behind, ...own.marks], map, clip: null }],
      g.mode.behind,
    );
    for (const [name, node] of own.nodes)
      if (before.get(name) !== node)
        picture.nodes.set(name, { ...node, map: composed(map, node.map) });
    for (const [name, path] of own.paths)
      if (paths.get(name) !== path) picture.paths.set(name, mappedPath(path, map));
  };
  return { bounds, put };
}
