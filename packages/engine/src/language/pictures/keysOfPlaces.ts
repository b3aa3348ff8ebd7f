import { PT } from '../../base/lengths';
import { composed, mapped, scaledTurned, translation, type AffineMap } from '../../base/maps';
import { isShape, NO_ROOM, shapeAround } from '../../drawing/shapes';
import { minus } from '../../drawing/vectors';
import { nameIntersections, numberIn, vectorOf } from './coordinates';
import { CM, startGraphics, type Bend, type NodeLook } from './graphics';
import {
  alongUnit,
  colour,
  isTrue,
  lengthOf,
  numberOf,
  placeIn,
  withStyle,
  words,
  type Key,
  type KeyCall,
} from './keys';
import { bare, partsOf } from './words';

const map = ({ g }: KeyCall, inner: AffineMap): void => {
  g.map = composed(g.map, inner);
};
const look =
  (of: (call: KeyCall) => Partial<NodeLook>): Key =>
  (call) => {
    call.g.node = { ...call.g.node, ...of(call) };
  };
const bend =
  (of: (call: KeyCall) => Partial<Bend>): Key =>
  (call) => {
    call.g.bend = { ...call.g.bend, ...of(call) };
  };

/** A map that keeps a point where it is. */
const about = (inner: AffineMap, { x, y }: { x: number; y: number }): AffineMap =>
  composed(translation(x, y), composed(inner, translation(-x, -y)));

/** `{45:(1,1)}`: a number and the point it is about, in the picture's own coordinates. */
function aboutPoint(call: KeyCall, make: (n: number) => AffineMap): void {
  const [number = '0', point = '(0,0)'] = partsOf(words(call), ':');
  const at = placeIn(call, point).at;
  // The point is found in the picture; the map acts before the picture's.
  call.g.map = composed(
    about(conjugate(call.g.map, make(numberIn(call.reading, number).value)), at),
    call.g.map,
  );
}
/** A linear map as it acts behind another. */
function conjugate(outer: AffineMap, inner: AffineMap): AffineMap {
  const { a, b, c, d } = outer;
  const area = a * d - b * c || 1;
  const back = { a: d / area, b: -b / area, c: -c / area, d: a / area, e: 0, f: 0 };
  return composed({ ...outer, e: 0, f: 0 }, composed(inner, back));
}

/** A unit vector: a length along its own axis, a number of the old one, or a point. */
function axis(call: KeyCall, name: 'x' | 'y' | 'z'): void {
  const text = words(call);
  const { g } = call;
  if (text.startsWith('(')) {
    const [x = '0', y = '0'] = text.slice(1, -1).split(',');
    g[name] = { x: alongUnit(call, x, CM), y: alongUnit(call, y, CM) };
    return;
  }
  const length = alongUnit(call, text, CM);
  g[name] =
    name === 'x'
      ? { x: length, y: 0 }
      : name === 'y'
        ? { x: 0, y: length }
        : { x: -0.385 * length, y: -0.385 * length };
}

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
const LOOPS: Readonly<Record<string, readonly [number, number]>> = {
  above: [105, 75],
  below: [285, 255],
  left: [195, 165],
  right: [15, -15],
};

const bendBy = (call: KeyCall, sign: 1 | -1): void => {
  const angle = call.value === null || words(call) === '' ? 30 : numberOf(call);
  call.g.bend = {
    ...call.g.bend,
    out: sign * angle,
    into: 180 - sign * angle,
    relative: true,
    loop: false,
  };
};
const entries = <T>(table: Readonly<Record<string, T>>, key: (name: string, value: T) => Key) =>
  Object.fromEntries(Object.entries(table).map(([name, value]) => [name, key(name, value)]));

/** Keys of transforms, nodes and bends. */
export const PLACE_KEYS: Readonly<Record<string, Key>> = {
  shift: (call) => {
    const inner = words(call)
      .trim()
      .replace(/^\(([\s\S]*)\)$/, '$1');
    const by = vectorOf(call.reading, call.g, inner);
    call.g.map = { ...call.g.map, e: call.g.map.e + by.x, f: call.g.map.f + by.y };
    call.g.node = {
      ...call.g.node,
      shift: { x: call.g.node.shift.x + by.x, y: call.g.node.shift.y + by.y },
    };
  },
  xshift: (call) => shiftBy(call, lengthOf(call), 0),
  yshift: (call) => shiftBy(call, 0, lengthOf(call)),
  scale: (call) => scaleBy(call, numberOf(call), numberOf(call)),
  xscale: (call) => scaleBy(call, numberOf(call), 1),
  yscale: (call) => scaleBy(call, 1, numberOf(call)),
  rotate: (call) => {
    map(call, scaledTurned(1, 1, numberOf(call)));
    call.g.node = { ...call.g.node, turn: call.g.node.turn + numberOf(call) };
  },
  'rotate around': (call) => aboutPoint(call, (n) => scaledTurned(1, 1, n)),
  'scale around': (call) => aboutPoint(call, (n) => scaledTurned(n, n, 0)),
  xslant: (call) => map(call, { a: 1, b: 0, c: numberOf(call), d: 1, e: 0, f: 0 }),
  yslant: (call) => map(call, { a: 1, b: numberOf(call), c: 0, d: 1, e: 0, f: 0 }),
  cm: (call) => {
    const [a = 1, b = 0, c = 0, d = 1] = partsOf(words(call), ',').map(
      (part) => numberIn(call.reading, part).value,
    );
    map(call, { a, b, c, d, e: 0, f: 0 });
  },
  'transform shape': look((call) => ({ withPicture: isTrue(call) })),
  'reset cm': ({ g }) => {
    g.map = startGraphics(0, 0).map;
  },
  x: (call) => axis(call, 'x'),
  y: (call) => axis(call, 'y'),
  z: (call) => axis(call, 'z'),
  name: (call) => {
    if (call.node) call.node.name = words(call);
  },
  alias: () => undefined,
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
  'star point ratio': look((call) => ({ ratio: numberOf(call) })),
  'star point height': () => undefined,
  'aspect ratio': () => undefined,
  'trapezium angle': look((call) => ({ slant: numberOf(call) })),
  'trapezium left angle': look((call) => ({ slant: numberOf(call) })),
  'trapezium right angle': () => undefined,
  'trapezium stretches': () => undefined,
  'trapezium stretches body': () => undefined,
  'cloud puffs': () => undefined,
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
  'allow upside down': () => undefined,
  auto: look((call) => {
    const side = words(call);
    return { auto: side === 'right' ? 'right' : side === 'false' ? null : 'left' };
  }),
  swap: look(({ g }) => ({ auto: g.node.auto === 'right' ? 'left' : 'right' })),
  label: (call) => void call.node?.labels.push({ pin: false, tokens: call.value ?? [] }),
  pin: (call) => void call.node?.labels.push({ pin: true, tokens: call.value ?? [] }),
  'label distance': look((call) => ({ labelDistance: lengthOf(call) })),
  'pin distance': look((call) => ({ pinDistance: lengthOf(call) })),
  'label position': () => undefined,
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
  'column sep': (call) => {
    if (call.node) call.node.columnSep = separation(call);
  },
  'row sep': (call) => {
    if (call.node) call.node.rowSep = separation(call);
  },
  'nodes in empty cells': () => undefined,
  'ampersand replacement': () => undefined,
  'name intersections': (call) =>
    nameIntersections(call.reading, words(call), (name, at) => {
      const { picture } = call.reading;
      const shape = shapeAround('coordinate', NO_ROOM);
      picture.nodes.set(name, { shape, map: translation(at.x, at.y), isCoordinate: true });
    }),
  'left delimiter': (call) => {
    if (call.node) call.node.delimiters = [words(call), call.node.delimiters[1]];
  },
  'right delimiter': (call) => {
    if (call.node) call.node.delimiters = [call.node.delimiters[0], words(call)];
  },
  'bend left': (call) => bendBy(call, 1),
  'bend right': (call) => bendBy(call, -1),
  'bend angle': () => undefined,
  out: bend((call) => ({ out: numberOf(call), relative: false })),
  in: bend((call) => ({ into: numberOf(call), relative: false })),
  relative: bend((call) => ({ relative: isTrue(call) })),
  looseness: bend((call) => ({ looseOut: numberOf(call), looseIn: numberOf(call) })),
  'out looseness': bend((call) => ({ looseOut: numberOf(call) })),
  'in looseness': bend((call) => ({ looseIn: numberOf(call) })),
  'min distance': bend((call) => ({ least: lengthOf(call) })),
  'max distance': () => undefined,
  distance: bend((call) => ({ least: lengthOf(call) })),
  loop: bend(() => loopAt('above')),
  ...Object.fromEntries(
    Object.keys(LOOPS).map((side): [string, Key] => [`loop ${side}`, bend(() => loopAt(side))]),
  ),
  'to path': () => undefined,
  'line to': bend(() => ({ out: null, into: null, loop: false })),
  'curve to': bend(({ g }) => ({ out: g.bend.out ?? 45, into: g.bend.into ?? 135 })),
  radius: (call) => {
    const [rx = '0', ry = rx] = words(call).split(/\s+and\s+/);
    call.g.radii = [alongUnit(call, rx, call.g.x.x), alongUnit(call, ry, call.g.y.y)];
  },
  'x radius': (call) => {
    const rx = alongUnit(call, words(call), call.g.x.x);
    call.g.radii = [rx, call.g.radii?.[1] ?? rx];
  },
  'y radius': (call) => {
    const ry = alongUnit(call, words(call), call.g.y.y);
    call.g.radii = [call.g.radii?.[0] ?? ry, ry];
  },
  'start angle': (call) => void (call.g.arc = { ...call.g.arc, from: numberOf(call) }),
  'end angle': (call) => void (call.g.arc = { ...call.g.arc, to: numberOf(call) }),
  'delta angle': (call) => void (call.g.arc = { ...call.g.arc, delta: numberOf(call) }),
  'angle radius': (call) =>
    void (call.g.arc = { ...call.g.arc, radius: alongUnit(call, words(call), CM) }),
  'angle eccentricity': (call) =>
    void (call.g.arc = { ...call.g.arc, eccentricity: numberOf(call) }),
  aspect: (call) => {
    const aspect = numberOf(call);
    call.g.decoration = { ...call.g.decoration, aspect };
    if (call.g.mode.decorate)
      call.g.mode = { ...call.g.mode, decorate: { ...call.g.mode.decorate, aspect } };
    call.g.node = { ...call.g.node, ratio: aspect };
  },
  'sibling distance': (call) => void (call.g.siblingDistance = alongUnit(call, words(call), CM)),
  'level distance': (call) => void (call.g.levelDistance = alongUnit(call, words(call), CM)),
  missing: (call) => void (call.g.mode = { ...call.g.mode, missing: isTrue(call) }),
  'rectangle split': look(() => ({ shape: 'rectangle', align: 'center' })),
  'rectangle split parts': () => undefined,
  'rectangle split horizontal': () => undefined,
  grow: (call) => void (call.g.grow = growth(call)),
  "grow'": (call) => void (call.g.grow = growth(call)),
  baseline: () => undefined,
  'execute at begin node': () => undefined,
  'execute at end node': () => undefined,
  'every node': () => undefined,
  automaton: () => undefined,
  initial: (call) => mark(call, 'initial'),
  accepting: ({ g }) => {
    g.double = 0.6 * PT;
    g.mode = { ...g.mode, draw: true };
  },
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
},
};

function mark(call: KeyCall, what: 'initial'): void {
  call.node?.labels.push({ pin: true, tokens: call.reading.it.source(`[${what}]left:{}`) });
}

function shiftBy(call: KeyCall, x: number, y: number): void {
  const by = minus(mapped(call.g.map, { x, y }), mapped(call.g.map, { x: 0, y: 0 }));
  call.g.map = { ...call.g.map, e: call.g.map.e + by.x, f: call.g.map.f + by.y };
  const { shift } = call.g.node;
  call.g.node = { ...call.g.node, shift: { x: shift.x + x, y: shift.y + y } };
}
function scaleBy(call: KeyCall, x: number, y: number): void {
  map(call, scaledTurned(x, y, 0));
  const { node } = call.g;
  call.g.node = { ...node, scaleX: node.scaleX * x, scaleY: node.scaleY * y };
}
const separation = (call: KeyCall): number => {
  const [first = '0pt'] = partsOf(words(call), ',');
  return alongUnit(call, bare(first), CM);
};
const loopAt = (side: string): Partial<Bend> => {
  const [out, into] = LOOPS[side] ?? [105, 75];
  return { out, into, relative: false, loop: true, looseOut: 8, looseIn: 8, least: 5 * 2.845 * PT };
};
const GROWTH: Readonly<Record<string, number>> = {
  down: -90,
  up: 90,
  left: 180,
  right: 0,
  north: 90,
  south: -90,
  east: 0,
  west: 180,
};
const growth = (call: KeyCall): number => GROWTH[words(call)] ?? numberOf(call);
