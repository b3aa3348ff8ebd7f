import { PT } from '../../base/lengths';
import { isShape } from '../../drawing/shapes';
import { pointNode } from './openPicture';
import { nameIntersections } from './coordinates';
import { CM, type NodeLook } from './graphics';
import {
  alongUnit,
  colour,
  isTrue,
  lengthOf,
  numberOf,
  withStyle,
  words,
  type Key,
  type KeyCall,
  CELL_NODES,
  define,
} from './keys';
import { STATE_KEYS } from './automata';
import { SHAPE_KEYS } from './keysOfShapes';
import { bare, partsOf, wordsOf } from './words';
import { splitAt } from '../scanning/optionLists';
import { tokensText } from '../../expansion/tokenText';
import type { Token } from '../../expansion/meaning';
import { Cat } from '../../tokens/categories';
import { boundHere } from './localBoxes';
import type { Interpreter } from '../machine/interpreter';

const look =
  (of: (call: KeyCall) => Partial<NodeLook>): Key =>
  (call) => {
    call.g.node = { ...call.g.node, ...of(call) };
  };
/** Which anchor of a node lies at its place when it stands on a side of that. */
const SIDES: Readonly<Record<string, { anchor: string; x: number; y: number; from: string }>> = {
  above: { anchor: 'south', x: 0, y: 1, from: 'north' },
  below: { anchor: 'north', x: 0, y: -1, from: 'south' },
  left: { anchor: 'east', x: -1, y: 0, from: 'west' },
  right: { anchor: 'west', x: 1, y: 0, from: 'east' },
  'above left': { anchor: 'south east', x: -1, y: 1, from: 'north west' },
  'above right': { anchor: 'south west', x: 1, y: 1, from: 'north east' },
  'below left': { anchor: 'north east', x: -1, y: -1, from: 'south west' },
  'below right': { anchor: 'north west', x: 1, y: -1, from: 'south east' },
  'base left': { anchor: 'base east', x: -1, y: 0, from: 'base west' },
  'base right': { anchor: 'base west', x: 1, y: 0, from: 'base east' },
  'mid left': { anchor: 'mid east', x: -1, y: 0, from: 'mid west' },
  'mid right': { anchor: 'mid west', x: 1, y: 0, from: 'mid east' },
};

/** `above`, `above=2pt`, `above=of A`, `below left=1cm and 2cm of A`. */
function beside(call: KeyCall, side: string): void {
  const { g, reading } = call;
  const { anchor, x, y, from } = SIDES[side] as (typeof SIDES)[string];
  const text = words(call);
  const of = /^(?:(.*?)\s+)?of\s+(.+)$/.exec(text);
  const given = (of ? of[1] : text)?.trim() ?? '';
  const [down, across = down] = given.split(/\s+and\s+/).map((part) => part.trim());
  const distance = (part: string | undefined, unit: number, other: number): number =>
    part === undefined || part === '' ? other : alongUnit(call, part, unit);
  const { distance: usual, onGrid } = g.node;
  const both = of !== null;
  const v = distance(down, both ? CM : PT, both ? usual[0] : 0);
  const h = distance(across, both ? CM : PT, both ? usual[1] : 0);
  const diagonal = x !== 0 && y !== 0;
  // Beside a place, a corner's distance is meant along the slope.
  const share = diagonal && !of && !/ and /.test(given) ? Math.SQRT1_2 : 1;
  const shift = { x: x * h * share, y: y * v * share };
  g.node = { ...g.node, anchor: of && onGrid ? 'center' : anchor, shift };
  if (!of || !call.node) return;
  const target = (of[2] ?? '').replace(/^\((.*)\)$/, '$1').trim();
  const isWhole = reading.picture.nodes.has(target);
  call.node.at = isWhole && !onGrid ? `${target}.${from}` : isWhole ? `${target}.center` : target;
}

/** `above right of=A`, as before the library of positions: from middle to middle. */
function centredBeside(call: KeyCall, side: string): void {
  const { g } = call;
  const { x, y } = SIDES[side] as (typeof SIDES)[string];
  const [down, across] = g.node.distance;
  const share = x !== 0 && y !== 0 ? Math.SQRT1_2 : 1;
  g.node = { ...g.node, anchor: 'center', shift: { x: x * across * share, y: y * down * share } };
  if (call.node) call.node.at = `${words(call).replace(/^\((.*)\)$/, '$1')}.center`;
}

function onEdge({ node }: KeyCall, tokens: readonly Token[]): void {
  if (node) node.onEdge = [...node.onEdge, tokens];
}
const labelOnEdge = ({ reading: { it }, value }: KeyCall, options: string): Token[] => [
  ...it.source(`node[${options}]`),
  it.p.make(Cat.Begin, '{'),
  ...(value ?? []),
  it.p.make(Cat.End, '}'),
];

/** Where on the last piece of a path, by name. */
const POSITIONS: Readonly<Record<string, number>> = {
  'at start': 0,
  'very near start': 0.125,
  'near start': 0.25,
  midway: 0.5,
  'near end': 0.75,
  'very near end': 0.875,
  'at end': 1,
};
const entries = <T>(table: Readonly<Record<string, T>>, key: (name: string, value: T) => Key) =>
  Object.fromEntries(Object.entries(table).map(([name, value]) => [name, key(name, value)]));

/** Keys of nodes: their shape, their words, where they stand. */
export const NODE_KEYS: Readonly<Record<string, Key>> = {
  name: (call) => {
    if (call.node) call.node.name = words(call);
  },
  alias: (call) => {
    if (call.node) call.node.alias = words(call);
  },
  at: (call) => {
    if (call.node) call.node.at = words(call).replace(/^\(([\s\S]*)\)$/, '$1');
  },
  'node contents': (call) => {
    if (call.node) call.node.contents = call.value;
  },
  shape: look((call) => {
    const name = words(call);
    return isShape(name) ? { shape: name } : {};
  }),
  'inner sep': look((call) => ({ innerX: lengthOf(call), innerY: lengthOf(call) })),
  'inner xsep': look((call) => ({ innerX: lengthOf(call) })),
  'inner ysep': look((call) => ({ innerY: lengthOf(call) })),
  'outer sep': look((call) =>
    words(call) === 'auto' ? { outer: null } : { outer: lengthOf(call) },
  ),
  'outer xsep': look((call) => ({ outer: lengthOf(call) })),
  'outer ysep': look((call) => ({ outer: lengthOf(call) })),
  'minimum size': look((call) => ({ minWidth: lengthOf(call), minHeight: lengthOf(call) })),
  'minimum width': look((call) => ({ minWidth: lengthOf(call) })),
  'minimum height': look((call) => ({ minHeight: lengthOf(call) })),
  'text width': look((call) => ({ textWidth: lengthOf(call) })),
  'text height': look((call) => ({ textHeight: lengthOf(call) })),
  'text depth': look((call) => ({ textDepth: lengthOf(call) })),
  'text centered': look(() => ({ align: 'center' })),
  'text badly centered': look(() => ({ align: 'center' })),
  'text ragged': look(() => ({ align: 'left' })),
  'text justified': look(() => ({ align: 'justify' })),
  align: look((call) => {
    const to = words(call).replace(/^flush /, '');
    return { align: to === 'left' || to === 'right' || to === 'justify' ? to : 'center' };
  }),
  font: look((call) => ({ font: call.value ?? [] })),
  'node font': look((call) => ({ font: call.value ?? [] })),
  text: look((call) => ({ textColour: colour(call) })),
  anchor: look((call) => ({ anchor: words(call) })),
  'shape border rotate': look((call) => ({ borderTurn: numberOf(call) })),
  'regular polygon sides': look((call) => ({ sides: Math.max(3, Math.round(numberOf(call))) })),
  'star points': look((call) => ({ sides: Math.max(2, Math.round(numberOf(call))) })),
  ...SHAPE_KEYS,
  'shape aspect': look((call) => ({ ratio: numberOf(call) })),
  ...entries(SIDES, (side) => (call) => beside(call, side)),
  ...Object.fromEntries(
    [
      'above',
      'below',
      'left',
      'right',
      'above left',
      'above right',
      'below left',
      'below right',
    ].map((side): [string, Key] => [`${side} of`, (call) => centredBeside(call, side)]),
  ),
  'node distance': look((call) => {
    const [down = '1cm', across = down] = words(call).split(/\s+and\s+/);
    return { distance: [alongUnit(call, down, CM), alongUnit(call, across, CM)] };
  }),
  'on grid': look((call) => ({ onGrid: isTrue(call) })),
  pos: look((call) => ({ position: numberOf(call) })),
  ...entries(POSITIONS, (_name, position) => look(() => ({ position }))),
  sloped: look((call) => ({ sloped: isTrue(call) })),
  'allow upside down': look((call) => ({ upsideDown: isTrue(call) })),
  auto: look((call) => {
    const side = words(call);
    return { auto: side === 'right' ? 'right' : side === 'false' ? null : 'left' };
  }),
  swap: look(({ g }) => ({ auto: g.node.auto === 'right' ? 'left' : 'right' })),
  label: (call) => void call.node?.labels.push({ pin: false, tokens: call.value ?? [] }),
  pin: (call) => void call.node?.labels.push({ pin: true, tokens: call.value ?? [] }),
  'pin edge': look((call) => ({ pinEdge: call.value ?? [] })),
  'edge node': (call) => onEdge(call, call.value ?? []),
  'edge label': (call) => onEdge(call, labelOnEdge(call, 'auto')),
  "edge label'": (call) => onEdge(call, labelOnEdge(call, 'auto,swap')),
  'append after command': (call) => {
    if (call.node) call.node.append = [...call.node.append, ...(call.value ?? [])];
  },
  'insert path': ({ g, value }) => {
    g.mode = { ...g.mode, insert: [...g.mode.insert, ...(value ?? [])] };
  },
  'local bounding box': ({ reading, value }) =>
    boundHere(reading, bare(wordsOf(reading.it, value ?? []))),
  'execute at begin picture': ({ reading, value }) =>
    void reading.picture.atStart.push(value ?? []),
  'execute at end picture': ({ reading, value }) => void reading.picture.atEnd.push(value ?? []),
  'label distance': look((call) => ({ labelDistance: lengthOf(call) })),
  'pin distance': look((call) => ({ pinDistance: lengthOf(call) })),
  'label position': look((call) => ({ labelSide: words(call) })),
  'pin position': look((call) => ({ pinSide: words(call) })),
  tokens: (call) => void call.node?.labels.push({ pin: false, tokens: netTokens(call) }),
  'circle through': (call) => {
    if (call.node) call.node.through = words(call);
  },
  fit: (call) => {
    if (call.node) call.node.fit = words(call);
  },
  matrix: (call) => {
    if (call.node) call.node.matrix = call.node.matrix ?? 'plain';
  },
  'matrix of nodes': (call) => {
    if (call.node) call.node.matrix = 'nodes';
  },
  'matrix of math nodes': (call) => {
    if (call.node) call.node.matrix = 'formulas';
  },
  'column sep': look((call) => {
    const [columnSep, byColumns] = separation(call);
    return { columnSep, byColumns };
  }),
  'row sep': look((call) => {
    const [rowSep, byRows] = separation(call);
    return { rowSep, byRows };
  }),
  cells: (call) => define(call.reading, 'every cell', 'append style', call.value ?? []),
  nodes: (call) => define(call.reading, CELL_NODES, 'append style', call.value ?? []),
  'nodes in empty cells': (call) => {
    if (call.node) call.node.fillsEmpty = isTrue(call);
  },
  'ampersand replacement': () => undefined,
  'name intersections': (call) => {
    const { it, picture } = call.reading;
    const parts = splitAt(call.value ?? [], ',');
    const isTotal = (part: readonly Token[]): boolean =>
      tokensText(part).trim().startsWith('total');
    const said = wordsOf(
      it,
      joined(
        it,
        parts.filter((part) => !isTotal(part)),
      ),
    );
    const count = nameIntersections(call.reading, said, (name, at) =>
      picture.nodes.set(name, pointNode(at)),
    );
    // `total=\n`: the name of what holds their number.
    const total = parts.find(isTotal)?.findLast(({ cell }) => cell !== null);
    if (total) it.define(total.text, String(count));
  },
  'left delimiter': (call) => {
    if (call.node) call.node.delimiters = [words(call), call.node.delimiters[1]];
  },
  'right delimiter': (call) => {
    if (call.node) call.node.delimiters = [call.node.delimiters[0], words(call)];
  },
  baseline: () => undefined,
  'execute at begin node': look((call) => ({ before: call.value ?? [] })),
  'execute at end node': look((call) => ({ behind: call.value ?? [] })),
  'every node': () => undefined,
  automaton: () => undefined,
  ...STATE_KEYS,
  state: (call) => {
    const { g } = call;
    const least = 2.5 * call.reading.it.em;
    const { minWidth, minHeight } = g.node;
    g.node = {
      ...g.node,
      shape: 'circle',
      minWidth: minWidth || least,
      minHeight: minHeight || least,
    };
    g.mode = { ...g.mode, draw: true };
    Object.assign(g, withStyle(call.reading, g, 'every state', call.node));
  },
};

/** `tokens=3`: so many points in the middle of a place of a net, evenly around it from the second on (library petri). */
function netTokens(call: KeyCall): Token[] {
  const count = Math.min(12, Math.max(0, Math.round(numberOf(call))));
  const far = count < 2 ? 0 : 0.6 / Math.sin(Math.PI / count);
  const first = count === 2 ? 0 : 90;
  const dots = Array.from(
    { length: count },
    (_, i) => `\\fill (${first + (360 * i) / count}:${far.toFixed(3)}ex) circle (.5ex);`,
  );
  const [from, to] = ['center:{\\tikz[baseline=-.5ex]{', '}}'];
  return call.reading.it.source(`[inner sep=0pt]${from}${dots.join('')}${to}`);
}

/** A distance of columns or rows, and whether it is meant from middle to middle. */
const separation = (call: KeyCall): [number, boolean] => {
  const [first = '0pt', ...rest] = partsOf(words(call), ',');
  return [alongUnit(call, bare(first), CM), rest.some((part) => /between origins/.test(part))];
};

/** Parts with commas between them. */
const joined = (it: Interpreter, parts: readonly (readonly Token[])[]): Token[] =>
  parts.flatMap((part, i) => (i === 0 ? [...part] : [...it.p.chars(','), ...part]));
