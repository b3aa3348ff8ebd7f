import { cellsBy } from '../../expansion/cells';
import { withArguments } from '../../expansion/definitions';
import type { Token } from '../../expansion/meaning';
import { tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { groupsIn, splitAt, trimmed } from '../scanning/optionLists';
import { withoutBraces, type TreeNode } from './bracketTrees';

/** Keys of forest (its manual, section 3): which node each is for, and what it says there. */

/** A node with all that is said of it. */
export interface ForestNode {
  label: readonly Token[];
  /** Keys of its node in the picture, of the line to its parent, and what stands on that. */
  readonly looks: Token[];
  readonly edge: Token[];
  readonly edgeLabel: Token[];
  /** A path of its own for that line. */
  edgePath: string | null;
  /** What is drawn beside it. */
  readonly drawn: Token[];
  readonly flags: Set<string>;
  /** Values of keys of the layout. */
  readonly says: Map<string, string>;
  readonly children: readonly ForestNode[];
  readonly own: readonly (readonly Token[])[];
}

/** Styles of the document (`\forestset`). */
const style = cellsBy<readonly Token[] | null>('foreststyle', null);

/** A key and its value; a value in braces comes without these. */
function parts(option: readonly Token[]): { name: string; value: readonly Token[] } {
  const own = trimmed(option);
  let depth = 0;
  const at = own.findIndex(({ cat, text, cell }) => {
    if (cat === Cat.Begin) depth++;
    else if (cat === Cat.End) depth--;
    return depth === 0 && cell === null && text === '=' && cat === Cat.Other;
  });
  const name = tokensText(at < 0 ? own : own.slice(0, at))
    .replace(/\s+/g, ' ')
    .trim();
  return { name, value: at < 0 ? [] : trimmed(own.slice(at + 1)) };
}

/** `\forestset{name/.style={…}}`. */
export function setStyles(it: Interpreter, tokens: readonly Token[]): void {
  for (const option of splitAt(tokens, ',')) {
    const { name, value } = parts(option);
    const found = /^(.*?)\/\.(style|append style|prefix style)$/.exec(name);
    const body = withoutBraces(value);
    const key = found ? (found[1] ?? '') : name === 'default preamble' ? name : null;
    if (key === null) continue;
    const before = found?.[2] === 'append style' ? (it.read(style(key)) ?? []) : [];
    const joined = before.length > 0 ? [...before, ...it.p.chars(','), ...body] : body;
    it.write(style(key), joined);
  }
}

function newNode(source: TreeNode): ForestNode {
  return {
    label: source.label,
    looks: [],
    edge: [],
    edgeLabel: [],
    edgePath: null,
    drawn: [],
    flags: new Set(),
    says: new Map(),
    children: source.children.map(newNode),
    own: source.options,
  };
}

interface Where {
  readonly level: number;
  readonly place: number;
  readonly parent: ForestNode | null;
}

/** All nodes below one, itself first, each with where it stands. */
function walk(node: ForestNode, where: Where, act: (node: ForestNode, where: Where) => void): void {
  act(node, where);
  node.children.forEach((child, i) =>
    walk(child, { level: where.level + 1, place: i + 1, parent: node }, act),
  );
}

const LATER =
  /^(?:delay|delay n|before typesetting nodes|before packing|before computing xy|before drawing tree|afterthought|tempkeylista)$/;
/** Values of the layout. */
const SAYS =
  /^(?:l sep|s sep|l|s|tier|calign|grow'?|parent anchor|child anchor|anchor|fit|reversed|name|level distance)\+?$/;
const FLAGS =
  /^(?:phantom|no edge|roof|triangle|folder|forked edge|forked edges|baseline|coordinate|nice empty nodes|sn edges|draw tree)$/;
const DEEPEST = 20;

/** Carries keys out for one node. */
function run(
  it: Interpreter,
  node: ForestNode,
  where: Where,
  options: readonly (readonly Token[])[],
  depth = 0,
): void {
  if (depth > DEEPEST) return;
  for (const option of options) one(it, node, where, option, depth);
}

const listOf = (tokens: readonly Token[]): Token[][] => splitAt(withoutBraces(tokens), ',');

function one(
  it: Interpreter,
  node: ForestNode,
  where: Where,
  option: readonly Token[],
  depth: number,
): void {
  const { name, value } = parts(option);
  if (name === '') return;
  const each = (list: Token[][], from: ForestNode, of: Where, deep: boolean): void => {
    if (deep) walk(from, of, (inner, at) => run(it, inner, at, list, depth + 1));
    else run(it, from, of, list, depth + 1);
  };
  const children = (list: Token[][], deep: boolean): void =>
    node.children.forEach((child, i) =>
      each(list, child, { level: where.level + 1, place: i + 1, parent: node }, deep),
    );
  const asked = /^(where|if) (.+)$/.exec(name);
  if (asked) {
    const groups = groupsIn(value);
    const wanted = tokensText(
      value.slice(
        0,
        value.findIndex(({ cat }) => cat === Cat.Begin),
      ),
    ).trim();
    const answer = (inner: ForestNode, at: Where): Token[][] =>
      splitAt(groups[holds(asked[2] ?? '', wanted, inner, at) ? 0 : 1] ?? [], ',');
    if (asked[1] === 'if') return run(it, node, where, answer(node, where), depth + 1);
    return walk(node, where, (inner, at) => run(it, inner, at, answer(inner, at), depth + 1));
  }
  switch (name) {
    case 'for tree':
      return each(listOf(value), node, where, true);
    case 'for children':
      return children(listOf(value), false);
    case 'for descendants':
      return children(listOf(value), true);
    case 'for current':
    case 'for root':
      return each(listOf(value), node, where, false);
    case 'for leaves':
      return walk(node, where, (inner, at) => {
        if (inner.children.length === 0) run(it, inner, at, listOf(value), depth + 1);
      });
    case 'content':
    case 'plain content':
      node.label = withoutBraces(value);
      return;
    case 'content+':
    case '+content': {
      const more = withoutBraces(value);
      node.label = name === '+content' ? [...more, ...node.label] : [...node.label, ...more];
      return;
    }
    case 'math content':
      if (node.label.length > 0) node.label = [...it.source('$'), ...node.label, ...it.source('$')];
      return;
    case 'edge':
      node.edge.push(...withoutBraces(value), ...it.p.chars(','));
      if (tokensText(value).includes('draw=none')) node.flags.add('no edge');
      return;
    case 'edge label':
      node.edgeLabel.splice(0, Infinity, ...withoutBraces(value));
      return;
    case 'edge path':
    case "edge path'":
      node.edgePath = tokensText(withoutBraces(value));
      return;
    case 'tikz':
    case 'tikz+':
      node.drawn.push(...withoutBraces(value));
      return;
    case 'node options':
      node.looks.push(...withoutBraces(value), ...it.p.chars(','));
      return;
  }
  if (LATER.test(name)) return run(it, node, where, listOf(value), depth + 1);
  const body = it.read(style(name));
  if (body) {
    const filled = withArguments(body, [withoutBraces(value)]);
    return run(it, node, where, splitAt(filled, ','), depth + 1);
  }
  if (name === "grow'" || name === 'grow') node.says.set('grow', tokensText(value));
  if (SAYS.test(name)) node.says.set(name.replace(/\+$/, ''), tokensText(withoutBraces(value)));
  else if (FLAGS.test(name)) node.flags.add(name);
  else node.looks.push(...trimmed(option), ...it.p.chars(','));
  if (name === 'anchor') node.looks.push(...trimmed(option), ...it.p.chars(','));
}

/** `n children=0`, `level=2`, `n=1`, `tier={…}`. */
function holds(question: string, wanted: string, node: ForestNode, where: Where): boolean {
  const [key = '', said = wanted] = question.split('=').map((side) => side.trim());
  const value = said === '' ? wanted.replace(/^=/, '').trim() : said;
  switch (key) {
    case 'n children':
      return node.children.length === Number(value);
    case 'level':
      return where.level === Number(value);
    case 'n':
      return where.place === Number(value);
    case "n'":
      return (where.parent?.children.length ?? 0) - where.place + 1 === Number(value);
    case 'content':
      return tokensText(node.label).trim() === value.replace(/^\{|\}$/g, '');
    case 'tier':
      return node.says.get('tier') === value;
    default:
      return false;
  }
}

/** A tree with its keys carried out: those before it, then those of each node. */
export function resolved(
  it: Interpreter,
  root: TreeNode,
  preamble: readonly (readonly Token[])[],
): ForestNode {
  const node = newNode(root);
  const top = { level: 0, place: 0, parent: null };
  const usual = it.read(style('default preamble'));
  if (usual) run(it, node, top, splitAt(usual, ','));
  run(it, node, top, preamble);
  walk(node, top, (inner, where) => run(it, inner, where, inner.own));
  return node;
}
