import { startGraphics } from './startGraphics';
import { PT } from '../../base/lengths';
import { composed, mapped, scaledTurned, translation, type AffineMap } from '../../base/maps';
import { minus } from '../../drawing/vectors';
import { numberIn, vectorOf } from './coordinates';
import { CM, type Bend, type NodeLook } from './graphics';
import {
  alongUnit,
  isTrue,
  lengthOf,
  numberOf,
  placeIn,
  words,
  type Key,
  type KeyCall,
} from './keys';
import { SHADOW_KEYS } from './shadows';
import { TREE_KEYS } from './keysOfTrees';
import { partsOf } from './words';

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

type Axis = 'x' | 'y' | 'z';

/** A plane of space as the canvas: its two unit vectors are those of what is drawn there, circles among it (library 3d). */
const onPlane =
  (first: Axis, second: Axis, third: Axis): Key =>
  (call) => {
    const { g } = call;
    const [u, v, up] = [g[first], g[second], g[third]];
    const at = numberOf(call);
    map(call, { a: u.x / CM, b: u.y / CM, c: v.x / CM, d: v.y / CM, e: at * up.x, f: at * up.y });
    g.x = { x: CM, y: 0 };
    g.y = { x: 0, y: CM };
    g.z = { x: 0, y: 0 };
  };

const LOOPS: Readonly<Record<string, readonly [number, number]>> = {
  above: [105, 75],
  below: [285, 255],
  left: [195, 165],
  right: [15, -15],
};

const bendBy = (call: KeyCall, sign: 1 | -1): void => {
  const angle = call.value === null || words(call) === '' ? call.g.bend.angle : numberOf(call);
  call.g.bend = {
    ...call.g.bend,
    out: sign * angle,
    into: 180 - sign * angle,
    relative: true,
    loop: false,
    path: null,
  };
};
/** Moves what follows to a point of the coordinates in force. */
function shiftTo({ g, reading }: KeyCall, point: string): void {
  const by = vectorOf(reading, g, point.trim().replace(/^\(([\s\S]*)\)$/, '$1'));
  g.map = { ...g.map, e: g.map.e + by.x, f: g.map.f + by.y };
  const { shift } = g.node;
  g.node = { ...g.node, shift: { x: shift.x + by.x, y: shift.y + by.y } };
}

/** Keys of transforms, bends, figures and trees. */
export const PLACE_KEYS: Readonly<Record<string, Key>> = {
  shift: (call) => shiftTo(call, words(call)),
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
    const parts = partsOf(words(call), ',');
    const [a = 1, b = 0, c = 0, d = 1] = parts
      .slice(0, 4)
      .map((part) => numberIn(call.reading, part).value);
    if (parts[4] !== undefined) shiftTo(call, parts[4]);
    map(call, { a, b, c, d, e: 0, f: 0 });
  },
  'transform shape': look((call) => ({ withPicture: isTrue(call) })),
  'reset cm': ({ g }) => {
    g.map = startGraphics(0, 0).map;
  },
  x: (call) => axis(call, 'x'),
  y: (call) => axis(call, 'y'),
  z: (call) => axis(call, 'z'),
  'canvas is xy plane at z': onPlane('x', 'y', 'z'),
  'canvas is yx plane at z': onPlane('y', 'x', 'z'),
  'canvas is xz plane at y': onPlane('x', 'z', 'y'),
  'canvas is zx plane at y': onPlane('z', 'x', 'y'),
  'canvas is yz plane at x': onPlane('y', 'z', 'x'),
  'canvas is zy plane at x': onPlane('z', 'y', 'x'),
  'bend left': (call) => bendBy(call, 1),
  'bend right': (call) => bendBy(call, -1),
  'bend angle': bend((call) => ({ angle: numberOf(call) })),
  out: bend((call) => ({ out: numberOf(call), relative: false, path: null })),
  in: bend((call) => ({ into: numberOf(call), relative: false, path: null })),
  relative: bend((call) => ({ relative: isTrue(call) })),
  looseness: bend((call) => ({ looseOut: numberOf(call), looseIn: numberOf(call) })),
  'out looseness': bend((call) => ({ looseOut: numberOf(call) })),
  'in looseness': bend((call) => ({ looseIn: numberOf(call) })),
  'min distance': bend((call) => ({ least: lengthOf(call) })),
  'max distance': bend((call) => ({ most: lengthOf(call) })),
  distance: bend((call) => ({ least: lengthOf(call), most: lengthOf(call) })),
  // The angles that are said before it stay.
  loop: bend(({ g: { bend: said } }) => ({
    ...loopAt('above'),
    ...(said.out !== null && said.into !== null ? { out: said.out, into: said.into } : {}),
  })),
  ...Object.fromEntries(
    Object.keys(LOOPS).map((side): [string, Key] => [
      `loop ${side}`,
      (call) => {
        call.g.bend = { ...call.g.bend, ...loopAt(side) };
        // Words on it stand at that side of it.
        call.reading.keys[side]?.({ ...call, value: null });
      },
    ]),
  ),
  'to path': bend(({ value }) => ({ path: value ?? null, loop: false })),
  controls: bend(({ reading: { it }, value }) => ({
    path: [
      ...it.source('(\\tikztostart) .. controls '),
      ...(value ?? []),
      ...it.source(' .. (\\tikztotarget) \\tikztonodes'),
    ],
  })),
  'line to': bend(() => ({ out: null, into: null, loop: false, path: null })),
  'curve to': bend(({ g }) => ({ out: g.bend.out ?? 45, into: g.bend.into ?? 135, path: null })),
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
    call.g.node = { ...call.g.node, ratio: aspect };
  },
  'sibling distance': (call) => void (call.g.siblingDistance = alongUnit(call, words(call), CM)),
  'level distance': (call) => void (call.g.levelDistance = alongUnit(call, words(call), CM)),
  missing: (call) => void (call.g.mode = { ...call.g.mode, missing: isTrue(call) }),
  'rectangle split': look(({ g }) => ({ shape: 'rectangle', split: g.node.split ?? 'down' })),
  'rectangle split parts': look(({ g }) => ({ split: g.node.split ?? 'down' })),
  'rectangle split horizontal': look((call) => ({ split: isTrue(call) ? 'across' : 'down' })),
  'rectangle split part align': look((call) => ({
    align: /left|base/.test(words(call)) ? 'left' : /right/.test(words(call)) ? 'right' : 'center',
  })),
  'callout absolute pointer': look((call) => ({ pointer: { at: words(call) } })),
  'callout relative pointer': look((call) => ({
    pointer: { by: vectorOf(call.reading, call.g, words(call).replace(/^\(([\s\S]*)\)$/, '$1')) },
  })),
  'callout pointer width': look((call) => ({ pointerWidth: lengthOf(call) })),
  ...SHADOW_KEYS,
  ...TREE_KEYS,
  grow: (call) => void (call.g.grow = growth(call)),
  "grow'": (call) => void (call.g.grow = growth(call)),
};

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
const loopAt = (side: string): Partial<Bend> => {
  const [out, into] = LOOPS[side] ?? [105, 75];
  return {
    out,
    into,
    relative: false,
    loop: true,
    path: null,
    looseOut: 8,
    looseIn: 8,
    least: 5 * 2.845 * PT,
  };
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
