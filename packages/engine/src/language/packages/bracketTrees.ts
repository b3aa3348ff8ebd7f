import { PT } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { PackageEntry } from '../machine/entries';
import { environmentTokens } from '../machine/environmentTokens';
import { closeNamed } from '../machine/environments';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from '../scanning/optionLists';
import { placedTree, type Sizes } from './treeLayout';

/** A node of a tree written in brackets. */
export interface TreeNode {
  readonly label: readonly Token[];
  readonly options: readonly (readonly Token[])[];
  readonly children: readonly TreeNode[];
  /** Its edge is a triangle over what stands for more. */
  readonly roof: boolean;
}

const isChar = (token: Token | undefined, char: string): boolean =>
  token?.cell === null && token.text === char && token.cat !== Cat.Command;

/** Trees are nested no deeper. */
const DEEPEST = 60;

/** `[label, options [child] [child]]`, as forest writes it; `at` stands behind the first bracket. */
export function forestNode(
  tokens: readonly Token[],
  at: number,
  depth = 0,
): { readonly node: TreeNode; readonly next: number } {
  const own: Token[] = [];
  const children: TreeNode[] = [];
  let braces = 0;
  let i = at;
  while (i < tokens.length) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) braces++;
    if (token.cat === Cat.End) braces--;
    if (braces === 0 && isChar(token, ']')) break;
    if (braces === 0 && isChar(token, '[') && !isOption(own) && depth < DEEPEST) {
      const child = forestNode(tokens, i + 1, depth + 1);
      children.push(child.node);
      i = child.next;
      continue;
    }
    if (children.length === 0) own.push(token);
    i++;
  }
  const [label = [], ...options] = splitAt(own, ',');
  return {
    node: { label: withoutBraces(trimmed(label)), options, children, roof: false },
    next: i + 1,
  };
}

/** Does a key wait for its value, so that a bracket begins that? */
const isOption = (own: readonly Token[]): boolean => {
  const last = own.findLast(({ cat }) => cat !== Cat.Space);
  return isChar(last, '=');
};

/** Braces around the whole of a label only keep it together. */
function withoutBraces(tokens: readonly Token[]): readonly Token[] {
  if (tokens[0]?.cat !== Cat.Begin) return tokens;
  let depth = 0;
  const end = tokens.findIndex((token) => {
    if (token.cat === Cat.Begin) depth++;
    return token.cat === Cat.End && --depth === 0;
  });
  return end === tokens.length - 1 ? tokens.slice(1, -1) : tokens;
}

/** `[.S [.NP ebb ] flood ]`, as qtree writes it; `at` stands behind the first bracket. */
export function qtreeNode(
  tokens: readonly Token[],
  at: number,
  depth = 0,
): { readonly node: TreeNode; readonly next: number } {
  let label: readonly Token[] = [];
  const children: TreeNode[] = [];
  const leaf = (
    words: readonly Token[],
    own: readonly TreeNode[] = [],
    roof = false,
  ): TreeNode => ({
    label: withoutBraces(words),
    options: [],
    children: own,
    roof,
  });
  let i = at;
  if (isChar(tokens[i], '.')) {
    const read = wordAt(tokens, i + 1);
    label = read.word;
    i = read.next;
  }
  while (i < tokens.length && !isChar(tokens[i], ']')) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Space) i++;
    else if (isChar(token, '[') && depth < DEEPEST) {
      const child = qtreeNode(tokens, i + 1, depth + 1);
      children.push(child.node);
      i = child.next;
    } else if (token.cat === Cat.Command && token.text === 'edge') {
      while (i < tokens.length && !isChar(tokens[i], ';')) i++;
      i++;
    } else if (token.cat === Cat.Command && token.text === 'qroof') {
      const text = wordAt(tokens, i + 1);
      const name = isChar(tokens[text.next], '.')
        ? wordAt(tokens, text.next + 1)
        : { word: [], next: text.next };
      children.push(leaf(name.word, [leaf(text.word, [], true)]));
      i = name.next;
    } else {
      const { word, next } = wordAt(tokens, i);
      children.push(leaf(word));
      i = Math.max(next, i + 1);
    }
  }
  i++;
  // The label may stand behind the brackets.
  if (label.length === 0 && isChar(tokens[i], '.')) {
    const read = wordAt(tokens, i + 1);
    label = read.word;
    i = read.next;
  }
  return { node: { label: withoutBraces(label), options: [], children, roof: false }, next: i };
}

/** What stands up to a blank or a bracket; a group or a formula is one word. */
function wordAt(
  tokens: readonly Token[],
  at: number,
): { readonly word: readonly Token[]; readonly next: number } {
  let depth = 0;
  let math = false;
  let i = at;
  for (; i < tokens.length; i++) {
    const token = tokens[i] as Token;
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
    if (token.cat === Cat.Math) math = !math;
    if (depth > 0 || math || token.cat === Cat.End || token.cat === Cat.Math) continue;
    if (token.cat === Cat.Space || isChar(token, '[') || isChar(token, ']')) break;
    if (i > at && isChar(token, '.') && tokens[i - 1]?.cat === Cat.End) break;
  }
  return { word: tokens.slice(at, i), next: i };
}

/** Keys that say how nodes look; what only says where they stand is left to the layout. */
const LOOKS =
  /^(?:draw|fill|circle|rectangle|ellipse|diamond|rounded corners|minimum (?:size|width|height)|inner (?:x|y)?sep|align|font|text|text width|color|thick|thin|dashed|dotted|very thick|double|red|blue|green|gray|black|orange|purple|teal|shape|line width|opacity|name|label|node options)\b/;

/** The keys of nodes and edges among those of a tree. */
function looksOf(
  it: Interpreter,
  options: readonly (readonly Token[])[],
): {
  readonly node: Token[];
  readonly edge: Token[];
  readonly label: Token[];
  /** It keeps its place, and nothing is drawn of it, or no line to it. */
  readonly isPhantom: boolean;
  readonly hasNoEdge: boolean;
} {
  const [node, edge, label]: Token[][] = [[], [], []];
  const has = (word: string): boolean =>
    options.some((option) => tokensText(trimmed(option)).replace(/\s+/g, ' ').trim() === word);
  for (const option of options) {
    const own = trimmed(option);
    const text = tokensText(own);
    const value = (): Token[] => {
      const at = own.findIndex((token) => isChar(token, '='));
      return [...withoutBraces(trimmed(own.slice(at + 1)))];
    };
    if (/^edge label\s*=/.test(text)) label?.push(...value());
    else if (/^edge\s*=/.test(text)) edge?.push(...value(), ...it.p.chars(','));
    else if (LOOKS.test(text)) node?.push(...own, ...it.p.chars(','));
  }
  const isPhantom = has('phantom');
  const hasNoEdge = isPhantom || has('no edge') || has('edge=draw=none');
  return { node: node ?? [], edge: edge ?? [], label: label ?? [], isPhantom, hasNoEdge };
}

const hasLines = (label: readonly Token[]): boolean =>
  label.some((t) => t.cat === Cat.Command && t.text === '\\');

/** How large the text of a node is, in points. */
function sizeOf(
  it: Interpreter,
  { label }: TreeNode,
): { readonly width: number; readonly height: number } {
  const table = hasLines(label);
  const tokens = table
    ? [...it.source('\\begin{tabular}{@{}c@{}}'), ...label, ...it.source('\\end{tabular}')]
    : label;
  const { width, height, depth } = it.host.measure(it.inlinesOf(tokens));
  return { width: width / PT, height: (height + depth) / PT };
}

/** A tree as a picture: where its nodes stand is worked out from how wide they are. */
export function treePicture(
  it: Interpreter,
  root: TreeNode,
  common: readonly (readonly Token[])[],
  { sideways = false, gap = 8, apart = 22 } = {},
): Token[] {
  const base = looksOf(it, common);
  const framed = /draw|fill/.test(tokensText(base.node));
  const sizes: Sizes<TreeNode> = (node) => {
    const { width, height } = sizeOf(it, node);
    return { width: width + 8, height: Math.max(height, 7) + (framed ? 8 : 2) };
  };
  const placed = placedTree(root, sizes, { sideways, gap, apart });
  const out: Token[] = it.source('\\begin{tikzpicture}[baseline=(current bounding box.center)]');
  placed.forEach(({ node, x, y }, id) => {
    const own = looksOf(it, node.options);
    if (own.isPhantom)
      return void out.push(
        ...it.source(`\\coordinate (octree${id}) at (${x.toFixed(2)}pt,${y.toFixed(2)}pt);`),
      );
    out.push(
      ...it.source(`\\node[align=center,inner sep=2pt,`),
      ...base.node,
      ...own.node,
      ...it.source(`] (octree${id}) at (${x.toFixed(2)}pt,${y.toFixed(2)}pt) {`),
      ...node.label,
      ...it.source('};'),
    );
  });
  placed.forEach(({ node, parent }, id) => {
    if (parent === null) return;
    const own = looksOf(it, node.options);
    if (own.hasNoEdge) return;
    const [from, to] = [`octree${parent}`, `octree${id}`];
    if (node.roof) {
      out.push(
        ...it.source(`\\draw (${from}.south)--(${to}.north west)--(${to}.north east)--cycle;`),
      );
      return;
    }
    out.push(
      ...it.source('\\draw['),
      ...base.edge,
      ...own.edge,
      ...it.source(`] (${from})--`),
      ...own.label,
      ...it.source(`(${to});`),
    );
  });
  return [...out, ...it.source('\\end{tikzpicture}')];
}

/** The keys before the first bracket: those for every node, and which way the tree grows. */
function forestPicture(it: Interpreter, body: readonly Token[]): Token[] {
  let depth = 0;
  const first = body.findIndex((token) => {
    if (token.cat === Cat.Begin) depth++;
    if (token.cat === Cat.End) depth--;
    return depth === 0 && isChar(token, '[');
  });
  if (first < 0) return [];
  const head = splitAt(body.slice(0, first), ',').find((option) =>
    /^\s*for tree\s*=/.test(tokensText(option)),
  );
  const at = head?.findIndex((token) => isChar(token, '=')) ?? -1;
  const common = head ? splitAt(withoutBraces(trimmed(head.slice(at + 1))), ',') : [];
  const text = common.map((option) => tokensText(option)).join(',');
  const sideways = /grow'?\s*=\s*(?:0|east)\b/.test(text);
  const { node } = forestNode(body, first + 1);
  const length = (key: string): number | null => {
    const found = new RegExp(`${key}\\s*\\+?=\\s*([\\d.]+)\\s*(cm|mm|pt|em|ex)`).exec(text);
    return found ? Number(found[1]) * (UNITS[found[2] ?? 'pt'] ?? 1) : null;
  };
  return treePicture(it, node, common, {
    sideways,
    gap: length('s sep') ?? 8,
    apart: length('l sep') ?? length('l') ?? 22,
  });
}
const UNITS: Readonly<Record<string, number>> = { cm: 28.45, mm: 2.845, pt: 1, em: 10, ex: 4.3 };

/** forest: trees in brackets. */
export const forest: PackageEntry = {
  name: 'forest',
  description: 'Trees written in brackets.',
  options: null,
  requires: ['tikz'],
  environments: [
    {
      name: 'forest',
      signature: '',
      package: 'forest',
      description: 'A tree: each node in brackets, its children within.',
      example: '\\begin{forest}\n[tide [ebb] [flood [spring] [neap]]]\n\\end{forest}',
      begin: (it) => {
        const body = environmentTokens(it.p, 'forest');
        closeNamed(it, 'forest');
        it.p.push(forestPicture(it, body));
      },
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
      description: 'Keys for all trees; those of nodes are told for each.',
      example: '\\forestset{}',
      run: () => undefined,
    },
  ],
};

/** The brackets behind `\Tree`. */
function bracketsAhead(it: Interpreter): Token[] {
  const out: Token[] = [];
  let depth = 0;
  for (let token = it.p.nextNonBlank(); token !== null; token = it.p.next()) {
    if (depth === 0 && !isChar(token, '[')) {
      it.p.unread(token);
      break;
    }
    out.push(token);
    if (isChar(token, '[')) depth++;
    if (isChar(token, ']') && --depth === 0) break;
  }
  return out;
}

const qtreePackage = (name: string): PackageEntry => ({
  name,
  description: 'Trees written in brackets, with labels behind dots.',
  options: null,
  requires: ['tikz'],
  commands: [
    {
      name: 'Tree',
      signature: '',
      package: name,
      description: 'A tree: [.label children ].',
      example: '\\Tree [.tide ebb [.flood spring neap ] ]',
      run: (it) => {
        const tokens = bracketsAhead(it);
        if (tokens.length > 0) it.p.push(treePicture(it, qtreeNode(tokens, 1).node, []));
      },
    },
    {
      name: 'qroof',
      signature: 'm',
      package: name,
      description: 'What stands for a part of a tree, under a triangle.',
      example: '\\Tree [.tide \\qroof{ebb and flood}.both ]',
      run: () => undefined,
    },
  ],
});
export const qtree = qtreePackage('qtree');
export const tikzQtree = qtreePackage('tikz-qtree');
