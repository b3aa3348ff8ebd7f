import type { Point } from '../../base/maps';
import { PT } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import type { Interpreter } from '../machine/interpreter';
import { splitAt, trimmed } from '../scanning/optionLists';
import { drawCell } from './cellPictures';
import { numberIn, vectorOf, type Reading } from './coordinates';
import { edgesOf, keptEdges, type Joining } from './graphJoins';
import {
  onCircle,
  onGrid,
  placesOf,
  stepped,
  type GraphPlace,
  type Placing,
  type Step,
} from './graphPlaces';
import { readGraph, type EdgeKind, type GraphGroup, type GraphNode } from './graphSource';
import { CM, GRAPHICS, type Graphics } from './graphics';
import { withKeys } from './keys';
import { graphicsOf } from './openPicture';
import { readingOf } from './reading';
import { takeGroup, takeOptions, takeSign } from './scanPath';
import { bare, equalsOf, wordsOf } from './words';

/** What the options of a graph and of its groups add up to. */
interface Look {
  readonly nodes: readonly Token[];
  readonly edges: readonly Token[];
  readonly text: 'plain' | 'math' | 'none';
  readonly placing: Placing;
  readonly joining: Joining;
  readonly simple: boolean;
  /** Are nodes of the picture meant where their names are said? */
  readonly existing: boolean;
}

const DIRECTIONS: Readonly<Record<string, Point>> = {
  right: { x: 1, y: 0 },
  left: { x: -1, y: 0 },
  up: { x: 0, y: 1 },
  down: { x: 0, y: -1 },
};
const across = (by: Point, length: number): Point => ({ x: by.x * length, y: by.y * length });

/** The start of the manual: chains to the right, groups downwards, a unit apart. */
const FIRST: Look = {
  nodes: [],
  edges: [],
  text: 'plain',
  placing: {
    kind: 'grid',
    chain: { by: { x: CM, y: 0 }, sep: null },
    group: { by: { x: 0, y: -CM }, sep: null },
  },
  joining: { within: null, kind: '--', across: 'matching and star' },
  simple: false,
  existing: false,
};

/** Layouts that are worked out by programs of their own, which are not here. */
const LAYOUTS =
  /\b(?:layered|tree|spring|force|binary tree|simple necklace|circular) .*layout|^spring|layout$/;

/** `\graph[options] {…};` (the library graphs). */
export function drawGraph(it: Interpreter): void {
  const reading = readingOf(it);
  const options = takeOptions({ it }) ?? [];
  const body = takeGroup({ it }) ?? [];
  takeSign({ it }, ';');
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const g = graphicsOf(it);
  const { look, rest } = looked(reading, g, FIRST, options);
  it.write(GRAPHICS, withKeys(reading, g, rest));
  drawParts(reading, readGraph(it, reading, body), look);
  it.closeGroup();
}

/** What is said of each group and of each node of a graph, with what is said around them. */
function looksOf(reading: Reading, root: GraphGroup, outer: Look) {
  const groups = new Map<GraphGroup, Look>();
  const nodes = new Map<GraphNode, Look>();
  const visit = (group: GraphGroup, around: Look): void => {
    // How nodes are joined within holds for their own group alone.
    const inner = { ...around, joining: { ...around.joining, within: null } };
    const { options } = group;
    const isOuter = group === root && options.length === 0;
    const own = isOuter ? around : looked(reading, graphicsOf(reading.it), inner, options).look;
    groups.set(group, own);
    for (const part of group.chains.flatMap(({ parts }) => parts))
      if (part.kind === 'group') visit(part, own);
      else nodes.set(part, own);
  };
  visit(root, outer);
  return {
    ofGroup: (group: GraphGroup): Look => groups.get(group) ?? outer,
    ofNode: (node: GraphNode): Look => nodes.get(node) ?? outer,
  };
}

function drawParts(reading: Reading, root: GraphGroup, look: Look): void {
  const { it, picture } = reading;
  const { ofGroup, ofNode } = looksOf(reading, root, look);
  const isThere = (name: string): boolean => look.existing && picture.nodes.has(name);
  const places = placesOf(root, (group) => ofGroup(group).placing, look.placing, isThere);
  setNodes(reading, places, ofNode);
  const edges = edgesOf(root, (group) => ofGroup(group).joining, look.joining);
  for (const edge of keptEdges(edges, look.simple)) {
    if (!it.p.spend(1, 'graph')) return;
    if (picture.nodes.has(edge.from) && picture.nodes.has(edge.to))
      it.execute(edgeTokens(it, edge, look));
  }
}

/** Nodes one after another, where rooms between them are asked for as large as they are. */
function setNodes(
  reading: Reading,
  places: readonly GraphPlace[],
  lookOf: (node: GraphNode) => Look,
): void {
  const { it } = reading;
  const steps = new Map<Placing, readonly [(n: number) => Point, (n: number) => Point]>();
  for (const { placing } of places)
    if (placing.kind === 'grid' && !steps.has(placing)) {
      const sizes = (step: Step, key: 'depth' | 'width'): Map<number, number> => {
        const found = new Map<number, number>();
        if (step.sep === null) return found;
        for (const place of places) {
          if (place.placing !== placing) continue;
          const { bounds } = drawCell(
            reading,
            graphicsOf(it),
            nodeTokens(it, place.node, lookOf(place.node), null),
          );
          const size = step.by.x === 0 ? bounds.high - bounds.low : bounds.right - bounds.left;
          found.set(place[key], Math.max(size, found.get(place[key]) ?? 0));
        }
        return found;
      };
      steps.set(placing, [
        stepped(placing.chain, sizes(placing.chain, 'depth')),
        stepped(placing.group, sizes(placing.group, 'width')),
      ]);
    }
  for (const place of places) {
    if (!it.p.spend(1, 'graph')) return;
    const { node, placing } = place;
    const [chain, group] = steps.get(placing) ?? [];
    const at =
      placing.kind === 'circle'
        ? onCircle(place, placing)
        : placing.kind === 'grid' && chain && group
          ? onGrid(place, chain, group)
          : { x: 0, y: 0 };
    it.execute(nodeTokens(it, node, lookOf(node), at));
  }
}

const braced = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(Cat.Begin, '{'),
  ...tokens,
  it.p.make(Cat.End, '}'),
];
const written = ({ x, y }: Point): string => `${(x / PT).toFixed(4)}pt,${(y / PT).toFixed(4)}pt`;

/** `\node[…] (name) at (…) {text};`. @param at null: nowhere in particular, and without a name. */
function nodeTokens(it: Interpreter, node: GraphNode, look: Look, at: Point | null): Token[] {
  const { p } = it;
  const { options, place, text } = nodeOptions(it, node);
  const words = text ?? node.text;
  const dollar = p.make(Cat.Math, '$');
  const shown =
    look.text === 'none' ? [] : look.text === 'math' ? [dollar, ...words, dollar] : words;
  return [
    p.command('node'),
    ...p.chars('['),
    ...look.nodes,
    ...p.chars(','),
    ...options,
    ...p.chars(']'),
    ...(at === null ? [] : it.source(`(${node.name}) at (${place ?? written(at)})`)),
    ...braced(it, shown),
    ...p.chars(';'),
  ];
}

/** A node's options without those that are of graphs: where it stands, what is written in it. */
function nodeOptions(it: Interpreter, { options }: GraphNode) {
  const kept: Token[] = [];
  let [x, y]: [string | null, string | null] = [null, null];
  let text: readonly Token[] | null = null;
  let at: string | null = null;
  for (const part of splitAt(options, ',')) {
    const eq = equalsOf(part);
    const key = wordsOf(it, eq < 0 ? part : part.slice(0, eq));
    const value = eq < 0 ? [] : trimmed(part.slice(eq + 1));
    if (key === 'x') x = bare(wordsOf(it, value));
    else if (key === 'y') y = bare(wordsOf(it, value));
    else if (key === 'at') at = bare(wordsOf(it, value)).replace(/^\(([\s\S]*)\)$/, '$1');
    else if (key === 'as') text = value;
    else kept.push(...it.p.chars(','), ...part);
  }
  const place = x === null && y === null ? at : `${x ?? '0'},${y ?? '0'}`;
  return { options: kept, place, text };
}

function edgeTokens(
  it: Interpreter,
  edge: {
    readonly from: string;
    readonly to: string;
    readonly kind: EdgeKind;
    readonly options: readonly Token[];
  },
  look: Look,
): Token[] {
  const { p } = it;
  const kind = edge.kind === '--' ? '-' : edge.kind;
  return [
    p.command('path'),
    ...it.source(`(${edge.from}) edge[${kind},`),
    ...look.edges,
    ...p.chars(','),
    ...edge.options,
    ...it.source(`] (${edge.to});`),
  ];
}

/** What options say on top of what held before, and which of them are the picture's. */
function looked(
  reading: Reading,
  g: Graphics,
  before: Look,
  options: readonly Token[],
): { readonly look: Look; readonly rest: readonly Token[] } {
  const { it } = reading;
  let look = before;
  const rest: Token[] = [];
  for (const part of splitAt(options, ',')) {
    const eq = equalsOf(part);
    const key = wordsOf(it, eq < 0 ? part : part.slice(0, eq)).replace(/\s+/g, ' ');
    const value = eq < 0 ? null : trimmed(part.slice(eq + 1));
    const next = key === '' ? look : lookAfter({ reading, g, key, value }, look);
    if (next) look = next;
    else if (LAYOUTS.test(key))
      it.p.report('key-without-effect', it.spanOf(part[0] as Token), { name: key });
    else rest.push(...(rest.length > 0 ? it.p.chars(',') : []), ...part);
  }
  return { look, rest };
}

interface Option {
  readonly reading: Reading;
  readonly g: Graphics;
  readonly key: string;
  readonly value: readonly Token[] | null;
}

/** A look after an option of graphs; null for one of pictures. */
function lookAfter(option: Option, look: Look): Look | null {
  const { reading, g, key, value } = option;
  const { it } = reading;
  const words = bare(wordsOf(it, value ?? []));
  const comma = it.p.chars(',');
  const joining = (by: Partial<Joining>): Look => ({
    ...look,
    joining: { ...look.joining, ...by },
  });
  const length = (unit: number, otherwise: number): number => {
    if (words === '') return otherwise;
    const { value: number, hasUnit } = numberIn(reading, words);
    return number * (hasUnit ? PT : unit);
  };
  const step = /^(grow|branch) (right|left|up|down)( sep)?$/.exec(key);
  if (step) {
    const [, kind, way = 'right', sep] = step;
    const by = DIRECTIONS[way] as Point;
    const placing = look.placing.kind === 'grid' ? look.placing : FIRST.placing;
    const made: Step = sep
      ? { by, sep: length(PT, it.em) }
      : { by: across(by, length(CM, CM)), sep: null };
    return {
      ...look,
      placing: { ...placing, [kind === 'grow' ? 'chain' : 'group']: made } as Placing,
    };
  }
  switch (key) {
    case 'nodes':
      return { ...look, nodes: [...look.nodes, ...comma, ...(value ?? [])] };
    case 'edges':
    case 'edge':
      return { ...look, edges: [...look.edges, ...comma, ...(value ?? [])] };
    case 'math nodes':
      return { ...look, text: 'math' };
    case 'empty nodes':
      return { ...look, text: 'none' };
    case 'use existing nodes':
      return { ...look, existing: words !== 'false' };
    case 'simple':
      return { ...look, simple: true };
    case 'multi':
      return { ...look, simple: false };
    case 'clique':
    case 'path':
    case 'cycle':
      return joining({ within: key });
    case 'complete bipartite':
    case 'matching':
    case 'matching and star':
      return joining({ across: key });
    case '->':
    case '--':
    case '<-':
    case '<->':
      return joining({ kind: key });
    case 'no placement':
      return { ...look, placing: { kind: 'none' } };
    case 'Cartesian placement':
      return { ...look, placing: FIRST.placing };
    case 'chain shift':
    case 'group shift': {
      const by = vectorOf(reading, g, words.replace(/^\(([\s\S]*)\)$/, '$1'));
      const placing = look.placing.kind === 'grid' ? look.placing : FIRST.placing;
      return {
        ...look,
        placing: { ...placing, [key.split(' ')[0] ?? '']: { by, sep: null } } as Placing,
      };
    }
    case 'circular placement':
    case 'clockwise':
    case 'counterclockwise': {
      const circle = circleOf(look);
      const turn = key === 'clockwise' ? -1 : 1;
      const count = words === '' ? circle.count : numberIn(reading, words).value;
      return { ...look, placing: { ...circle, turn, count } };
    }
    case 'radius':
      return { ...look, placing: { ...circleOf(look), radius: length(CM, CM) } };
    case 'phase':
      return { ...look, placing: { ...circleOf(look), start: numberIn(reading, words).value } };
    case 'n':
    case 'm':
    case 'V':
    case 'W':
    case 'fresh nodes':
    case 'quick':
    case 'edge quotes':
      return look;
    default:
      return null;
  }
}

const circleOf = ({ placing }: Look): Extract<Placing, { kind: 'circle' }> =>
  placing.kind === 'circle'
    ? placing
    : { kind: 'circle', radius: CM, start: 90, turn: -1, count: null, out: CM };
