import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { tokensOf, type PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';
import { pictureInMath } from '../pictures/commands';
import { splitAt } from '../scanning/optionLists';
import { forestNode, isChar, textSize } from './bracketTrees';
import { resolved, setStyles, type ForestNode } from './forestKeys';
import { placedTree, type PlacedTreeNode } from './treeLayout';

/** Directions in which a tree grows, by what `grow` says. */
const GROWTH: Readonly<Record<string, 'down' | 'up' | 'right' | 'left'>> = {
  east: 'right',
  0: 'right',
  west: 'left',
  180: 'left',
  north: 'up',
  90: 'up',
  south: 'down',
  '-90': 'down',
  270: 'down',
};

const UNITS: Readonly<Record<string, number>> = { cm: 28.45, mm: 2.845, pt: 1, em: 10, ex: 4.3 };
/** A length in pt, or null. */
function length(text: string | undefined): number | null {
  const found = /^(-?[\d.]+)\s*(cm|mm|pt|em|ex)$/.exec(text?.trim() ?? '');
  return found ? Number(found[1]) * (UNITS[found[2] ?? 'pt'] ?? 1) : null;
}

interface Placed extends PlacedTreeNode<ForestNode> {
  readonly name: string;
}

/** Where the nodes of a tree stand, by the keys of its root. */
function placed(it: Interpreter, root: ForestNode): Placed[] {
  const grow = GROWTH[root.says.get('grow') ?? 'south'] ?? 'down';
  const isFramed = (node: ForestNode): boolean => /draw|fill/.test(tokensText(node.looks));
  const sizes = (node: ForestNode) => {
    const { width, height } = textSize(it, node.label);
    const least = length(/minimum (?:size|width)=([^,]+)/.exec(tokensText(node.looks))?.[1]) ?? 0;
    return {
      width: Math.max(width + 8, least),
      height:
        Math.max(
          height,
          7,
          length(/minimum (?:size|height)=([^,]+)/.exec(tokensText(node.looks))?.[1]) ?? 0,
        ) + (isFramed(node) ? 8 : 2),
    };
  };
  const first = root.children[0] ?? root;
  const gap = length(first.says.get('s sep') ?? root.says.get('s sep')) ?? 8;
  const apart = length(root.says.get('l sep')) ?? length(root.says.get('l')) ?? 22;
  const isFolder = root.flags.has('folder');
  const found: readonly PlacedTreeNode<ForestNode>[] = isFolder
    ? folders(root, sizes, gap, apart)
    : placedTree(onTiers(root), sizes, {
        sideways: grow === 'right' || grow === 'left',
        gap,
        apart,
      });
  // Children stand in the direction that is turned left from that of growth, or the other way.
  const isReversed = root.says.has("grow'") || root.says.has('reversed');
  const turned = isReversed ? -1 : 1;
  const flip = {
    down: { x: turned, y: 1 },
    up: { x: -turned, y: -1 },
    right: { x: 1, y: -turned },
    left: { x: -1, y: turned },
  }[isFolder ? 'down' : grow];
  return found.map((one, i) => ({
    ...one,
    x: one.x * (isFolder ? 1 : flip.x),
    y: one.y * flip.y,
    name: one.node.says.get('name') || `octree${i}`,
  }));
}

/** Nodes of one tier stand on one level: what stands higher is let down by nodes that are not there. */
function onTiers(root: ForestNode): ForestNode {
  const deepest = new Map<string, number>();
  const look = (node: ForestNode, level: number): void => {
    const tier = node.says.get('tier');
    if (tier) deepest.set(tier, Math.max(deepest.get(tier) ?? 0, level));
    for (const child of node.children) look(child, level + 1);
  };
  look(root, 0);
  if (deepest.size === 0) return root;
  const down = (node: ForestNode, level: number): ForestNode => {
    const own = deepest.get(node.says.get('tier') ?? '') ?? level;
    const inner = { ...node, children: node.children.map((child) => down(child, own + 1)) };
    return Array.from({ length: Math.max(0, own - level) }).reduce<ForestNode>(
      (below) => ({ ...emptyNode(), children: [below] }),
      inner,
    );
  };
  return down(root, 0);
}
const emptyNode = (): ForestNode => ({
  label: [],
  looks: [],
  edge: [],
  edgeLabel: [],
  edgePath: null,
  drawn: [],
  flags: new Set(['passed']),
  says: new Map(),
  children: [],
  own: [],
});

/** As folders are listed: each node on a line of its own, children further in. */
function folders(
  root: ForestNode,
  sizes: (node: ForestNode) => { width: number; height: number },
  gap: number,
  apart: number,
): PlacedTreeNode<ForestNode>[] {
  const out: PlacedTreeNode<ForestNode>[] = [];
  let y = 0;
  const put = (node: ForestNode, left: number, parent: number | null): void => {
    const { width, height } = sizes(node);
    if (out.length > 0) y -= height / 2 + Math.max(2, gap / 2);
    const id = out.length;
    out.push({ node, parent, x: left + width / 2, y });
    y -= height / 2;
    for (const child of node.children) put(child, left + Math.min(apart, 22), id);
  };
  put(root, 0, null);
  return out;
}

/** The line from a parent, in the picture language. */
function edgePath(
  it: Interpreter,
  child: Placed,
  parent: Placed,
  root: ForestNode,
): readonly Token[] {
  const { node } = child;
  const label = node.edgeLabel;
  const end = (one: Placed, anchor: string | undefined): string =>
    `(${one.name}${anchor && anchor !== 'center' && anchor !== 'children' && anchor !== 'parent' ? `.${anchor}` : ''})`;
  const from = end(parent, parent.node.says.get('parent anchor'));
  const to = end(child, node.says.get('child anchor'));
  const grow = GROWTH[root.says.get('grow') ?? 'south'] ?? 'down';
  if (node.edgePath !== null) {
    const path = node.edgePath
      .replace(/\\noexpand\s*/g, '')
      .replace(/\\forestoption\s*\{edge label\}|\\forestove\s*\{edge label\}/g, tokensText(label))
      .replace(/\\forestoption\s*\{edge\}|\\forestove\s*\{edge\}/g, tokensText(node.edge))
      .replace(/\(!u\.parent anchor\)/g, from)
      .replace(/\(\.child anchor\)/g, to)
      .replace(/\(!u((?:\.[^()]*)?)\)/g, `(${parent.name}$1)`)
      .replace(/\((\.[^()]+)\)/g, `(${child.name}$1)`)
      .replace(/!u\b/g, parent.name);
    return it.source(
      /\\(?:path|draw)/.test(path)
        ? path.replace(/\\path\s*\[/, '\\draw[')
        : `\\draw[${tokensText(node.edge)}] ${path};`,
    );
  }
  const begin = [...it.source('\\draw['), ...node.edge, ...it.source('] ')];
  if (node.flags.has('roof') || node.flags.has('triangle'))
    return [
      ...begin,
      ...it.source(
        `${end(parent, 'south')}--(${child.name}.north west)--(${child.name}.north east)--cycle;`,
      ),
    ];
  if (root.flags.has('folder'))
    return [
      ...begin,
      ...it.source(`([xshift=6pt]${parent.name}.south west)|-`),
      ...label,
      ...it.source(`(${child.name}.west);`),
    ];
  if (
    ['forked edge', 'forked edges'].some((flag) => node.flags.has(flag) || root.flags.has(flag))
  ) {
    const [out, into] =
      grow === 'down'
        ? ['south', 'north']
        : grow === 'up'
          ? ['north', 'south']
          : grow === 'right'
            ? ['east', 'west']
            : ['west', 'east'];
    const middle = `($(${parent.name}.${out})!.5!(${child.name}.${into})$)`;
    const corner = grow === 'down' || grow === 'up' ? '|-' : '-|';
    const back = corner === '|-' ? '-|' : '|-';
    return [
      ...begin,
      ...it.source(`(${parent.name}.${out})${corner}${middle}${back}`),
      ...label,
      ...it.source(`(${child.name}.${into});`),
    ];
  }
  return [...begin, ...it.source(`${from}--`), ...label, ...it.source(`${to};`)];
}

/** The keys before the first bracket, the tree, and what is drawn behind it. */
function forestPicture(it: Interpreter, body: readonly Token[]): Token[] {
  let depth = 0;
  const first = body.findIndex((token) => {
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
    return depth === 0 && isChar(token, '[');
  });
  if (first < 0) return [];
  const preamble = splitAt(body.slice(0, first), ',');
  const { node: source, next } = forestNode(body, first + 1);
  const root = resolved(it, source, preamble);
  const nodes = placed(it, root);
  const out: Token[] = it.source('\\begin{tikzpicture}[baseline=(current bounding box.center)]');
  for (const { node, x, y, name } of nodes) {
    const at = `(${name}) at (${x.toFixed(2)}pt,${y.toFixed(2)}pt)`;
    if (node.flags.has('passed') || node.flags.has('phantom') || node.flags.has('coordinate'))
      out.push(...it.source(`\\coordinate ${at};`));
    else
      out.push(
        ...it.source('\\node[align=center,inner sep=2pt,'),
        ...node.looks,
        ...it.source(`] ${at} {`),
        ...node.label,
        ...it.source('};'),
      );
  }
  /** The node above that is there. */
  const above = (id: number | null): Placed | null => {
    const one = id === null ? null : (nodes[id] ?? null);
    return one?.node.flags.has('passed') ? above(one.parent) : one;
  };
  for (const one of nodes) {
    const { node } = one;
    const parent = above(one.parent);
    const hasNone = ['passed', 'phantom', 'no edge'].some((flag) => node.flags.has(flag));
    if (parent && !hasNone && !parent.node.flags.has('phantom'))
      out.push(...edgePath(it, one, parent, root));
    const text = tokensText(node.drawn).replace(/\((\.[^()]+)\)/g, `(${one.name}$1)`);
    if (text !== '') out.push(...it.source(text));
  }
  return [...out, ...body.slice(next), ...it.source('\\end{tikzpicture}')];
}

/** forest: trees in brackets. */
export const forest: PackageEntry = {
  name: 'forest',
  description: 'Trees written in brackets.',
  options: null,
  requires: ['tikz'],
  source: '\\usetikzlibrary{calc}',
  environments: [
    {
      name: 'forest',
      signature: '',
      package: 'forest',
      description: 'A tree: each node in brackets, its children within.',
      example: '\\begin{forest}\n[tide [ebb] [flood [spring] [neap]]]\n\\end{forest}',
      begin: (it) => {
        const body = environmentTokens(it, 'forest');
        closeNamed(it, 'forest');
        it.p.push(forestPicture(it, body));
      },
      math: pictureInMath('forest'),
    },
  ],
  commands: [
    {
      name: 'Forest',
      signature: 'sm',
      package: 'forest',
      description: 'A tree in the line.',
      example: '\\Forest{[tide [ebb] [flood]]}',
      run: (it, args) => it.p.push(forestPicture(it, Array.isArray(args[1]) ? args[1] : [])),
    },
    {
      name: 'forestset',
      signature: 'm',
      package: 'forest',
      description: 'Styles of trees and nodes, by names.',
      example:
        '\\forestset{lamp/.style={draw,fill=yellow}}\\begin{forest}[tide [ebb, lamp] [flood]]\\end{forest}',
      run: (it, args) => setStyles(it, tokensOf(args, 0)),
    },
    quietEntry('useforestlibrary', 'sm', 'Loads a part of it: edges, linguistics.'),
  ],
};
