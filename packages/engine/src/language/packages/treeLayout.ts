/** A tree whose nodes have children. */
interface Nested<Node> {
  readonly children: readonly Node[];
}

/** How much room a node takes, in points. */
export type Sizes<Node> = (node: Node) => { readonly width: number; readonly height: number };

/** A node where it stands: its middle, in points, y upwards; the number of its parent. */
export interface PlacedTreeNode<Node> {
  readonly node: Node;
  readonly parent: number | null;
  readonly x: number;
  readonly y: number;
}

/** How far the outline of a subtree reaches on each level, to both sides of its root. */
type Outline = readonly (readonly [low: number, high: number])[];

interface Laid<Node> {
  readonly node: Node;
  readonly outline: Outline;
  readonly children: readonly { readonly laid: Laid<Node>; readonly shift: number }[];
}

/**
 * Places the nodes of a tree: a parent stands over the middle of its children, subtrees stand as near to one another
 * as their outlines let them (Reingold and Tilford, "Tidier drawings of trees", 1981). Parents come before children.
 */
export function placedTree<Node extends Nested<Node>>(
  root: Node,
  sizes: Sizes<Node>,
  {
    sideways,
    gap,
    apart,
  }: { readonly sideways: boolean; readonly gap: number; readonly apart: number },
): readonly PlacedTreeNode<Node>[] {
  const across = (node: Node): number => (sideways ? sizes(node).height : sizes(node).width);
  const along = (node: Node): number => (sideways ? sizes(node).width : sizes(node).height);
  const deep: number[] = [];
  const laid = lay(root, across, gap);
  const look = (node: Node, level: number): void => {
    deep[level] = Math.max(deep[level] ?? 0, along(node));
    for (const child of node.children) look(child, level + 1);
  };
  look(root, 0);
  const levels = [0];
  for (let level = 1; level < deep.length; level++) {
    const before = (deep[level - 1] ?? 0) / 2 + (deep[level] ?? 0) / 2;
    levels.push((levels[level - 1] ?? 0) + before + apart);
  }
  const out: PlacedTreeNode<Node>[] = [];
  const put = (one: Laid<Node>, at: number, level: number, parent: number | null): void => {
    const id = out.length;
    const depth = levels[level] ?? 0;
    out.push(
      sideways
        ? { node: one.node, parent, x: depth, y: -at }
        : { node: one.node, parent, x: at, y: -depth },
    );
    for (const { laid: child, shift } of one.children) put(child, at + shift, level + 1, id);
  };
  put(laid, 0, 0, null);
  return out;
}

function lay<Node extends Nested<Node>>(
  node: Node,
  across: (node: Node) => number,
  gap: number,
): Laid<Node> {
  const half = across(node) / 2;
  const children = node.children.map((child) => lay(child, across, gap));
  const shifts: number[] = [];
  let outline: Outline = [];
  for (const child of children) {
    const shift = Math.max(
      shifts.length === 0 ? 0 : -Infinity,
      ...child.outline.map(([low], level) => (outline[level]?.[1] ?? -Infinity) + gap - low),
    );
    shifts.push(shift);
    outline = joined(outline, child.outline, shift);
  }
  const middle = ((shifts[0] ?? 0) + (shifts.at(-1) ?? 0)) / 2;
  return {
    node,
    outline: [
      [-half, half],
      ...outline.map(([low, high]) => [low - middle, high - middle] as const),
    ],
    children: children.map((laid, i) => ({ laid, shift: (shifts[i] ?? 0) - middle })),
  };
}

const joined = (left: Outline, right: Outline, shift: number): Outline =>
  Array.from({ length: Math.max(left.length, right.length) }, (_, level) => [
    left[level]?.[0] ?? (right[level]?.[0] ?? 0) + shift,
    right[level] ? right[level][1] + shift : (left[level]?.[1] ?? 0),
  ]);
