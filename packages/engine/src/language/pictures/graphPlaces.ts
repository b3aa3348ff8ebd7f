import type { Point } from '../../base/maps';
import { plus, polar, times } from '../../drawing/vectors';
import type { GraphGroup, GraphNode } from './graphSource';

/** How nodes are placed: along a chain and across it from place to place, or on a circle. Lengths in sp. */
export type Placing =
  | {
      readonly kind: 'grid';
      readonly chain: Step;
      readonly group: Step;
    }
  | {
      readonly kind: 'circle';
      readonly radius: number;
      /** In degrees; how far around the next one lies. */
      readonly start: number;
      readonly turn: number;
      /** Null: as many as there are. */
      readonly count: number | null;
      /** How much further out the next of a chain lies. */
      readonly out: number;
    }
  | { readonly kind: 'none' };

/** From one place to the next: a vector, or the room between the nodes themselves along it. */
export interface Step {
  readonly by: Point;
  readonly sep: number | null;
}

/** Where a node stands in its graph: how far along its chain, and how far across. */
export interface GraphPlace {
  readonly node: GraphNode;
  readonly depth: number;
  readonly width: number;
  readonly placing: Placing;
  /** Of a circle: how many places it has. */
  readonly count: number;
}

/** Nodes in the order in which they are met, each once, with their depth along chains and their place across. */
export function placesOf(
  root: GraphGroup,
  placingOf: (group: GraphGroup, around: Placing) => Placing,
  around: Placing,
  isThere: (name: string) => boolean,
): GraphPlace[] {
  const out: GraphPlace[] = [];
  const met = new Set<string>();
  type Size = { readonly width: number; readonly depth: number };
  const walk = (
    part: GraphNode | GraphGroup,
    depth: number,
    width: number,
    outer: Placing,
    count: number,
  ): Size => {
    if (part.kind === 'node') {
      const isNew = !part.isThere && !met.has(part.name) && !isThere(part.name);
      if (isNew) {
        met.add(part.name);
        out.push({ node: part, depth, width, placing: outer, count });
      }
      return { width: isNew ? 1 : 0, depth: 1 };
    }
    const own = placingOf(part, outer);
    const [d, w] = own === outer ? [depth, width] : [0, 0];
    const inner = own === outer ? count : nodesAcross(part);
    let [across, along] = [0, 0];
    for (const { parts } of part.chains) {
      let [far, wide] = [0, 0];
      for (const one of parts) {
        const size = walk(one, d + far, w + across, own, inner);
        far += size.depth;
        wide = Math.max(wide, size.width);
      }
      along = Math.max(along, far);
      across += wide;
    }
    return { width: across, depth: along };
  };
  walk(root, 0, 0, around, nodesAcross(root));
  return out;
}

/** How many places there are across: of each chain as many as its widest part has, nodes that are met again left out. */
function nodesAcross(group: GraphGroup, met = new Set<string>()): number {
  const widthOf = (part: GraphNode | GraphGroup): number => {
    if (part.kind === 'group') return nodesAcross(part, met);
    if (part.isThere || met.has(part.name)) return 0;
    met.add(part.name);
    return 1;
  };
  return group.chains.reduce((sum, { parts }) => sum + Math.max(0, ...parts.map(widthOf)), 0);
}

/** The place in the picture of a node on a circle. */
export function onCircle(
  { depth, width, count }: GraphPlace,
  placing: Extract<Placing, { kind: 'circle' }>,
): Point {
  const angle =
    placing.start + (placing.turn * 360 * width) / (placing.count ?? Math.max(1, count));
  return polar(angle, placing.radius + depth * placing.out);
}

/**
 * Where places along one way lie: a step apart, or so far that nodes of one place and the next have
 * the room between them that is asked.
 *
 * @param sizes of the nodes along the way, by their place.
 */
export function stepped(step: Step, sizes: ReadonlyMap<number, number>): (place: number) => Point {
  const { by, sep } = step;
  if (sep === null) return (place) => times(by, place);
  const length = Math.hypot(by.x, by.y) || 1;
  const along = times(by, 1 / length);
  return (place) => {
    let far = 0;
    for (let i = 0; i < place; i++)
      far += (sizes.get(i) ?? 0) / 2 + sep + (sizes.get(i + 1) ?? 0) / 2;
    return times(along, far);
  };
}

/** The place in the picture of a node in rows and columns. */
export const onGrid = (
  { depth, width }: GraphPlace,
  chain: (place: number) => Point,
  group: (place: number) => Point,
): Point => plus(chain(depth), group(width));
