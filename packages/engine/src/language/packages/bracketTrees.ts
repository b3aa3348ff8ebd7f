import { PT } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { PackageEntry } from '../machine/entries';
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

export const isChar = (token: Token | undefined, char: string): boolean =>
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
export function withoutBraces(tokens: readonly Token[]): readonly Token[] {
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

const hasLines = (label: readonly Token[]): boolean =>
  label.some((t) => t.cat === Cat.Command && t.text === '\\');

/** How large the text of a node is, in points. */
export function textSize(
  it: Interpreter,
  label: readonly Token[],
): { readonly width: number; readonly height: number } {
  const tokens = hasLines(label)
    ? [...it.source('\\begin{tabular}{@{}c@{}}'), ...label, ...it.source('\\end{tabular}')]
    : label;
  const { width, height, depth } = it.host.measure(it.inlinesOf(tokens));
  return { width: width / PT, height: (height + depth) / PT };
}

/** A tree as a picture: where its nodes stand is worked out from how wide they are. */
function treePicture(it: Interpreter, root: TreeNode): Token[] {
  const sizes: Sizes<TreeNode> = ({ label }) => {
    const { width, height } = textSize(it, label);
    return { width: width + 8, height: Math.max(height, 7) + 2 };
  };
  const placed = placedTree(root, sizes, { sideways: false, gap: 8, apart: 22 });
  const out: Token[] = it.source('\\begin{tikzpicture}[baseline=(current bounding box.center)]');
  placed.forEach(({ node, x, y }, id) =>
    out.push(
      ...it.source(
        `\\node[align=center,inner sep=2pt] (octree${id}) at (${x.toFixed(2)}pt,${y.toFixed(2)}pt) {`,
      ),
      ...node.label,
      ...it.source('};'),
    ),
  );
  placed.forEach(({ node, parent }, id) => {
    if (parent === null) return;
    const [from, to] = [`octree${parent}`, `octree${id}`];
    out.push(
      ...it.source(
        node.roof
          ? `\\draw (${from}.south)--(${to}.north west)--(${to}.north east)--cycle;`
          : `\\draw (${from})--(${to});`,
      ),
    );
  });
  return [...out, ...it.source('\\end{tikzpicture}')];
}

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
        if (tokens.length > 0) it.p.push(treePicture(it, qtreeNode(tokens, 1).node));
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
