import type { Argument, ArgumentNode } from '@odd-compass/checks';

/** Where a statement stands on the map, CSS pixels from its upper left corner. */
export interface PlacedNode {
  readonly node: ArgumentNode;
  readonly x: number;
  readonly y: number;
}

export const NODE = { width: 232, height: 68, across: 96, down: 20, margin: 16 } as const;

/**
 * Statements in layers from left to right: each stands to the right of all it rests on, as far as circles let it
 * (longest paths; what would close a circle is left out of the count). Within a layer they keep the text's order.
 */
export function layersOf({ nodes, edges }: Argument): readonly number[] {
  const layers = new Map<number, number>();
  const open = new Set<number>();
  const layerOf = (id: number): number => {
    const known = layers.get(id);
    if (known !== undefined) return known;
    if (open.has(id)) return -1;
    open.add(id);
    const below = edges.filter(({ from }) => from === id).map(({ to }) => layerOf(to));
    open.delete(id);
    const layer = Math.max(-1, ...below) + 1;
    layers.set(id, layer);
    return layer;
  };
  return nodes.map(({ id }) => layerOf(id));
}

/** The places of all statements, and the size of the whole. */
export function placedNodes(argument: Argument): {
  readonly placed: readonly PlacedNode[];
  readonly width: number;
  readonly height: number;
} {
  const { nodes, edges } = argument;
  const layers = layersOf(argument);
  const used = new Set(edges.flatMap(({ from, to }) => [from, to]));
  const tops = new Map<number, number>();
  const step = NODE.height + NODE.down;
  for (let layer = 0; layer <= Math.max(0, ...layers); layer++) {
    // Beside the middle of what it rests on; what stands alone comes last.
    const wished = (id: number): number => {
      const below = edges.filter(({ from }) => from === id).flatMap(({ to }) => tops.get(to) ?? []);
      if (below.length) return below.reduce((sum, y) => sum + y, 0) / below.length;
      return used.has(id) ? 0 : Infinity;
    };
    const own = nodes
      .filter((_, i) => layers[i] === layer)
      .map(({ id }) => ({ id, y: wished(id) }));
    own.sort((a, b) => (a.y === b.y ? a.id - b.id : a.y - b.y));
    let next: number = NODE.margin;
    for (const { id, y } of own) {
      const top = Number.isFinite(y) ? Math.max(next, y) : next;
      tops.set(id, top);
      next = top + step;
    }
  }
  const placed = nodes.map((node, i): PlacedNode => ({
    node,
    x: NODE.margin + (layers[i] ?? 0) * (NODE.width + NODE.across),
    y: tops.get(node.id) ?? NODE.margin,
  }));
  return {
    placed,
    width:
      2 * NODE.margin + (Math.max(0, ...layers) + 1) * (NODE.width + NODE.across) - NODE.across,
    height: Math.max(0, ...tops.values()) + step + NODE.margin,
  };
}

/** A number that the document gave out, and where. */
export interface Given {
  readonly title: string;
  readonly number: string;
  readonly from: number;
}

/** A statement's name: its kind, the number it was given, and what stands in brackets behind them. */
export function nameOf(node: ArgumentNode, given: readonly Given[]): string {
  const number = given.find(({ from }) => from >= node.from && from < node.to)?.number ?? '';
  const title = node.title && !/[\\$]/.test(node.title) ? ` (${node.title})` : '';
  return `${node.kind}${number ? ` ${number}` : ''}${title}`;
}

/** What the map tells, in sentences. */
export function remarksOn(
  { circles, unproved, unused, forward, nodes }: Argument,
  name: (node: ArgumentNode) => string,
): readonly { readonly says: string; readonly at: number }[] {
  const of = (id: number): ArgumentNode => nodes[id] as ArgumentNode;
  const at = (id: number): number => of(id).from;
  return [
    ...circles.map((circle) => ({
      says: `${circle.map((id) => name(of(id))).join(', ')} rest on one another.`,
      at: at(circle[0] ?? 0),
    })),
    ...unproved.map((id) => ({ says: `${name(of(id))} has no proof here.`, at: at(id) })),
    ...unused.map((id) => ({ says: `Nothing refers to ${name(of(id))}.`, at: at(id) })),
    ...forward.map((edge) => ({
      says: `${name(of(edge.from))} refers to ${name(of(edge.to))}, which stands further down.`,
      at: edge.at,
    })),
  ];
}
