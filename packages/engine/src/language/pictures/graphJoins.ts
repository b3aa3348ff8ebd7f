import type { Token } from '../../expansion/meaning';
import type { EdgeKind, GraphGroup, GraphNode } from './graphSource';

/** An edge of a graph, from one node to another by their names. */
export interface Edge {
  readonly from: string;
  readonly to: string;
  readonly kind: EdgeKind;
  readonly options: readonly Token[];
}

/** What the options of a group say of how its nodes are joined. */
export interface Joining {
  /** All with all, each with the next, and the last with the first besides. */
  readonly within: 'clique' | 'path' | 'cycle' | null;
  /** Of the edges within. */
  readonly kind: EdgeKind;
  /** How two groups behind one another are joined. */
  readonly across: 'matching' | 'matching and star' | 'complete bipartite';
}

/** A part of a graph that was read: its nodes, those that edges come to, and those that they leave. */
interface Ends {
  readonly all: readonly string[];
  readonly sources: readonly string[];
  readonly targets: readonly string[];
}

/**
 * The edges of a graph (library graphs): where two parts of a chain are joined, what no edge leaves
 * in the first is joined with what no edge comes to in the second.
 *
 * @param joiningOf what the options of a group say, with those of what is around it.
 */
export function edgesOf(
  group: GraphGroup,
  joiningOf: (group: GraphGroup, around: Joining) => Joining,
  around: Joining,
): Edge[] {
  const edges: Edge[] = [];
  const within = (part: GraphNode | GraphGroup, outer: Joining): Ends => {
    if (part.kind === 'node') {
      const one = [part.name];
      return { all: one, sources: one, targets: one };
    }
    const joining = joiningOf(part, outer);
    const ends = part.chains.map(({ parts, edges: between }) => {
      const made = parts.map((inner) => within(inner, joining));
      between.forEach((edge, i) => {
        const [a, b] = [made[i], made[i + 1]];
        if (a && b)
          for (const [from, to] of pairs(a.targets, b.sources, joining.across))
            edges.push({ ...edge, from, to });
      });
      return {
        all: made.flatMap(({ all }) => all),
        sources: made[0]?.sources ?? [],
        targets: made.at(-1)?.targets ?? [],
      };
    });
    const all = [...new Set(ends.flatMap((end) => end.all))];
    for (const [from, to] of joinedWithin(all, joining.within))
      edges.push({ from, to, kind: joining.kind, options: [] });
    const unique = (names: readonly string[]): readonly string[] => [...new Set(names)];
    return {
      all,
      sources: unique(ends.flatMap(({ sources }) => sources)),
      targets: unique(ends.flatMap(({ targets }) => targets)),
    };
  };
  within(group, around);
  return edges;
}

function joinedWithin(all: readonly string[], how: Joining['within']): [string, string][] {
  if (how === null) return [];
  const each = all.map((name, i): [string, string][] =>
    how === 'clique'
      ? all.slice(i + 1).map((other): [string, string] => [name, other])
      : i + 1 < all.length
        ? [[name, all[i + 1] as string]]
        : how === 'cycle' && all.length > 2
          ? [[name, all[0] as string]]
          : [],
  );
  return each.flat();
}

function pairs(
  from: readonly string[],
  to: readonly string[],
  how: Joining['across'],
): [string, string][] {
  if (how === 'complete bipartite')
    return from.flatMap((a) => to.map((b): [string, string] => [a, b]));
  const count =
    how === 'matching' ? Math.min(from.length, to.length) : Math.max(from.length, to.length);
  if (from.length === 0 || to.length === 0) return [];
  return Array.from({ length: count }, (_, i): [string, string] => [
    from[Math.min(i, from.length - 1)] as string,
    to[Math.min(i, to.length - 1)] as string,
  ]);
}

/** Edges as they are drawn: one for two nodes when the graph is simple, the last that is said; none that is taken away. */
export function keptEdges(edges: readonly Edge[], simple: boolean): readonly Edge[] {
  const key = ({ from, to }: Edge): string => [from, to].sort().join('\u0000');
  const removed = edges.some(({ kind }) => kind === '-!-');
  if (!simple && !removed) return edges;
  const kept = new Map<string, Edge>();
  const out: Edge[] = [];
  for (const edge of edges) {
    if (simple) kept.set(key(edge), edge);
    else if (edge.kind === '-!-')
      out.splice(0, out.length, ...out.filter((other) => key(other) !== key(edge)));
    else out.push(edge);
  }
  return simple ? [...kept.values()].filter(({ kind }) => kind !== '-!-') : out;
}
