import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { OWN } from '../machine/ownNames';
import { keyValues, trimmed } from '../scanning/optionLists';
import { loopTokens, readLoop, type LoopReading } from './loops';
import { bare, partsOf, wordsOf } from './words';

/** How two nodes are joined; `-!-` takes an edge away. */
export type EdgeKind = '->' | '--' | '<-' | '<->' | '-!-';

export interface GraphNode {
  readonly kind: 'node';
  readonly name: string;
  /** Null: what it is called. */
  readonly text: readonly Token[];
  readonly options: readonly Token[];
  /** A node of the picture, in brackets. */
  readonly isThere: boolean;
}
export interface GraphGroup {
  readonly kind: 'group';
  readonly options: readonly Token[];
  readonly chains: readonly GraphChain[];
}
export interface GraphChain {
  readonly parts: readonly (GraphNode | GraphGroup)[];
  /** Between two parts each. */
  readonly edges: readonly { readonly kind: EdgeKind; readonly options: readonly Token[] }[];
}

interface Source {
  readonly it: Interpreter;
  readonly reading: LoopReading;
  readonly tokens: Token[];
  at: number;
}

const textAt = ({ tokens }: Source, at: number): string => {
  const token = tokens[at];
  return token && token.cat !== Cat.Command ? token.text : '';
};
function blanks(source: Source): void {
  const { tokens } = source;
  for (; source.at < tokens.length; source.at++) {
    const token = tokens[source.at] as Token;
    if (token.cat !== Cat.Space && !(token.cat === Cat.Command && token.text === 'par')) return;
  }
}

const EDGES: readonly EdgeKind[] = ['<->', '-!-', '->', '--', '<-'];
const edgeAt = (source: Source, at: number): EdgeKind | undefined =>
  EDGES.find((kind) => [...kind].every((sign, i) => textAt(source, at + i) === sign));

/** What stands between two signs here; null when the first does not stand here. */
function between(source: Source, open: string, close: string): Token[] | null {
  blanks(source);
  if (textAt(source, source.at) !== open) return null;
  const { tokens } = source;
  const start = ++source.at;
  for (let [depth, braces] = [1, 0]; source.at < tokens.length; source.at++) {
    const token = tokens[source.at] as Token;
    const sign = textAt(source, source.at);
    if (open !== '{' && token.cat === Cat.Begin) braces++;
    else if (open !== '{' && token.cat === Cat.End) braces--;
    else if (braces > 0) continue;
    else if (sign === close && --depth === 0) return tokens.slice(start, source.at++);
    else if (sign === open && open !== close) depth++;
  }
  return tokens.slice(start);
}

/**
 * Reads what stands in the braces of `\graph` (library graphs): chains of nodes and groups with
 * edges between them, parted by commas or semicolons.
 */
export function readGraph(
  it: Interpreter,
  reading: LoopReading,
  tokens: readonly Token[],
): GraphGroup {
  return readGroup({ it, reading, tokens: [...tokens], at: 0 });
}

function readGroup(source: Source): GraphGroup {
  const options = between(source, '[', ']') ?? [];
  const chains: GraphChain[] = [];
  for (;;) {
    blanks(source);
    if (source.at >= source.tokens.length) return { kind: 'group', options, chains };
    if (/^[,;]$/.test(textAt(source, source.at))) source.at++;
    else if (!unrolled(source)) {
      const before = source.at;
      chains.push(readChain(source));
      if (source.at === before) source.at++;
    }
  }
}

/** `\foreach … {…}` within a graph: its bodies in its place. */
function unrolled(source: Source): boolean {
  const { it, tokens, at, reading } = source;
  const token = tokens[at];
  if (token?.cat !== Cat.Command || token.text !== 'foreach') return false;
  it.p.push([...tokens.slice(at + 1), it.p.command(OWN.graphEnd)]);
  const loop = readLoop({ it }, reading);
  const rest: Token[] = [];
  for (let next = it.p.next(); next && next.text !== OWN.graphEnd; next = it.p.next())
    rest.push(next);
  const comma = it.p.chars(',');
  const body = loop ? loopTokens(it, { ...loop, body: [...loop.body, ...comma] }, reading) : [];
  source.tokens.splice(0, tokens.length, ...body, ...rest);
  source.at = 0;
  return true;
}

function readChain(source: Source): GraphChain {
  const parts: (GraphNode | GraphGroup)[] = [];
  const edges: GraphChain['edges'][number][] = [];
  for (;;) {
    parts.push(readPart(source));
    blanks(source);
    const kind = edgeAt(source, source.at);
    if (!kind) return { parts, edges };
    source.at += kind.length;
    edges.push({ kind, options: between(source, '[', ']') ?? [] });
  }
}

function readPart(source: Source): GraphNode | GraphGroup {
  const { it } = source;
  blanks(source);
  const inner = between(source, '{', '}');
  if (inner) return readGroup({ ...source, tokens: inner, at: 0 });
  const there = between(source, '(', ')');
  if (there)
    return { kind: 'node', name: wordsOf(it, there), text: [], options: [], isThere: true };
  const written = nameTokens(source);
  const said = wordsOf(it, written);
  const subgraph = /^subgraph\s+(\w+)$/.exec(said);
  let text = written;
  if (textAt(source, source.at) === '/') {
    source.at++;
    text = nameTokens(source);
  }
  const options = between(source, '[', ']') ?? [];
  if (subgraph) return subgraphOf(it, subgraph[1] ?? '', options);
  return { kind: 'node', name: nameOf(said), text, options, isThere: false };
}

/** What is written as a name as one that coordinates can say. */
const nameOf = (said: string): string => said.replace(/[$()[\]{},;:!|.\\]/g, '').trim() || 'node';

/** A name, in quotes or up to what ends one. */
function nameTokens(source: Source): readonly Token[] {
  const quoted = between(source, '"', '"');
  if (quoted) {
    blanks(source);
    return quoted;
  }
  const braced = between(source, '{', '}');
  if (braced) return braced;
  const { tokens } = source;
  const start = source.at;
  for (let isMath = false; source.at < tokens.length; source.at++) {
    const token = tokens[source.at] as Token;
    if (token.cat === Cat.Math) isMath = !isMath;
    if (isMath) continue;
    if (/^[,;/[{]$/.test(textAt(source, source.at)) || edgeAt(source, source.at)) break;
  }
  return trimmed(tokens.slice(start, source.at));
}

/** Most nodes of a graph that is named. */
const MOST = 200;

/** The named graphs: vertices in one or two shores, joined as their kind says. */
function subgraphOf(it: Interpreter, name: string, options: readonly Token[]): GraphGroup {
  const { p } = it;
  const values = keyValues(options);
  const listOf = (key: string): string[] | null => {
    const list = values.get(key);
    return list ? partsOf(bare(wordsOf(it, list)), ',') : null;
  };
  const count = (key: string): number =>
    Math.min(MOST, Math.max(0, Math.round(Number(wordsOf(it, values.get(key) ?? [])) || 0)));
  const figures = (n: number, sign: string): string[] =>
    Array.from({ length: n }, (_, i) => `${i + 1}${sign}`);
  const chain = (label: string): GraphChain => ({
    parts: [{ kind: 'node', name: label, text: p.chars(label), options: [], isThere: false }],
    edges: [],
  });
  const shore = (labels: readonly string[]): GraphGroup => ({
    kind: 'group',
    options: [],
    chains: labels.map(chain),
  });
  const first = listOf('V') ?? figures(count('n'), '');
  const second = listOf('W') ?? figures(count('m'), "'");
  const comma = p.chars(',');
  const joined = (key: string): Token[] => [...options, ...comma, ...p.chars(key)];
  switch (name) {
    case 'K_nm':
    case 'I_nm': {
      const kind = name === 'K_nm' ? '--' : '-!-';
      const edges = [{ kind, options: [] }] as const;
      const both = { parts: [shore(first), shore(second)], edges };
      return { kind: 'group', options: joined('complete bipartite'), chains: [both] };
    }
    case 'K_n':
      return { ...shore(first), options: joined('clique') };
    case 'C_n':
      return { ...shore(first), options: joined('cycle') };
    case 'P_n':
      return { ...shore(first), options: joined('path') };
    default:
      return { ...shore(first), options };
  }
}
