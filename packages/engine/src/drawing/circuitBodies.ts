import { PT } from '../base/lengths';
import type { Point } from '../base/maps';
import { arcSegments, ellipse, polyline, rectangle, type Path } from '../base/paths';
import { box, NO_ROOM, type Maker, type Shape } from './shapeParts';

/**
 * Parts of circuits with three and more ends: transistors, amplifiers, gates, switches, transformers.
 * Measures are in units of the standard length of parts, 1.4 cm (proportions by the manual of circuitikz).
 */
export interface CircuitBody {
  /** Half width and half height. */
  readonly size: readonly [number, number];
  /** Its ends by their names. */
  readonly ends: Readonly<Record<string, readonly [number, number]>>;
  readonly bold: readonly Path[];
  readonly fine: readonly Path[];
  readonly solid: readonly Path[];
  /** Where its words stand; nothing said: in its middle. */
  readonly words?: readonly [number, number];
}

type Pair = readonly [number, number];
const at = ([x, y]: Pair): Point => ({ x, y });
const line = (...points: readonly Pair[]): Path => polyline(points.map(at));
const closed = (...points: readonly Pair[]): Path => polyline(points.map(at), true);
const dot = (x: number, y: number, radius = 0.04): Path => ellipse({ x, y }, radius, radius);

/** The head of an arrow at the end of a line. */
function head([x1, y1]: Pair, [x2, y2]: Pair, size = 0.09): Path {
  const far = Math.hypot(x2 - x1, y2 - y1);
  const [ux, uy] = [(x2 - x1) / far, (y2 - y1) / far];
  const [bx, by] = [x2 - size * ux, y2 - size * uy];
  const half = 0.4 * size;
  return closed([x2, y2], [bx - half * uy, by + half * ux], [bx + half * uy, by - half * ux]);
}

const three = (
  names: readonly (readonly string[])[],
  places: readonly Pair[],
): Record<string, Pair> =>
  Object.fromEntries(
    names.flatMap((same, i) => same.map((name): [string, Pair] => [name, places[i] ?? [0, 0]])),
  );

/** A bipolar transistor: its base at the left, the collector of an npn above. */
function bipolar(up: boolean): CircuitBody {
  const s = up ? 1 : -1;
  const [collector, emitter] = [
    [0, 0.55 * s],
    [0, -0.55 * s],
  ] as const;
  const [knee, join] = [
    [0, -0.275 * s],
    [-0.3, -0.1 * s],
  ] as const;
  const arrow = up ? head(join, [-0.06, -0.24 * s]) : head(knee, [-0.24, -0.136 * s]);
  return {
    size: [0.3, 0.55],
    ends: three(
      [
        ['B', 'base'],
        ['C', 'collector'],
        ['E', 'emitter'],
      ],
      [[-0.6, 0], collector, emitter],
    ),
    bold: [line([-0.3, 0.25], [-0.3, -0.25])],
    fine: [
      line([-0.6, 0], [-0.3, 0]),
      line(collector, [0, 0.275 * s], [-0.3, 0.1 * s]),
      line(emitter, knee, join),
    ],
    solid: [arrow],
    words: [0.2, 0],
  };
}

/** A field-effect transistor: its gate at the left, the drain of an n-channel above. */
function field(up: boolean, kind: 'mos' | 'junction'): CircuitBody {
  const s = up ? 1 : -1;
  const [drain, source] = [
    [0, 0.55 * s],
    [0, -0.55 * s],
  ] as const;
  const gateY = kind === 'mos' ? 0 : -0.15 * s;
  const gate: Pair = [-0.7, gateY];
  const isRound = kind === 'mos' && !up;
  const gateEnd = kind === 'mos' ? -0.42 : -0.32;
  return {
    size: [0.35, 0.55],
    ends: three(
      [
        ['G', 'gate'],
        ['D', 'drain'],
        ['S', 'source'],
      ],
      [gate, drain, source],
    ),
    bold: [
      line([-0.32, 0.25], [-0.32, -0.25]),
      ...(kind === 'mos' ? [line([-0.42, 0.2], [-0.42, -0.2])] : []),
    ],
    fine: [
      line(gate, [isRound ? gateEnd - 0.1 : gateEnd, gateY]),
      line(drain, [0, 0.2 * s], [-0.32, 0.2 * s]),
      line(source, [0, -0.2 * s], [-0.32, -0.2 * s]),
      ...(isRound ? [dot(gateEnd - 0.05, 0, 0.05)] : []),
    ],
    solid:
      kind === 'junction'
        ? [up ? head(gate, [-0.33, gateY]) : head([-0.33, gateY], [-0.5, gateY])]
        : [],
    words: [0.2, 0],
  };
}

/** A triangle with two inputs at the left and its output at the right. */
const opAmp: CircuitBody = {
  size: [0.85, 0.7],
  ends: {
    '+': [-0.85, -0.35],
    '-': [-0.85, 0.35],
    'in up': [-0.85, 0.35],
    'in down': [-0.85, -0.35],
    out: [0.85, 0],
    up: [0, 0.35],
    down: [0, -0.35],
  },
  bold: [closed([-0.6, 0.7], [-0.6, -0.7], [0.6, 0])],
  fine: [
    line([-0.85, 0.35], [-0.6, 0.35]),
    line([-0.85, -0.35], [-0.6, -0.35]),
    line([0.6, 0], [0.85, 0]),
    line([-0.5, 0.35], [-0.38, 0.35]),
    line([-0.5, -0.35], [-0.38, -0.35]),
    line([-0.44, -0.29], [-0.44, -0.41]),
  ],
  solid: [],
  words: [-0.15, 0],
};

const plainAmp: CircuitBody = {
  size: [0.7, 0.5],
  ends: { in: [-0.7, 0], out: [0.7, 0] },
  bold: [closed([-0.45, 0.5], [-0.45, -0.5], [0.45, 0])],
  fine: [line([-0.7, 0], [-0.45, 0]), line([0.45, 0], [0.7, 0])],
  solid: [],
  words: [-0.12, 0],
};

/** A gate of logic: the outline of its kind, and a circle where its output is inverted. */
function gate(kind: 'and' | 'or' | 'xor' | 'not' | 'buffer', inverted: boolean): CircuitBody {
  const single = kind === 'not' || kind === 'buffer';
  const back = kind === 'or' || kind === 'xor' ? -0.22 : -0.35;
  const outline: Path = single
    ? closed([-0.35, 0.3], [-0.35, -0.3], [0.25, 0])
    : kind === 'and'
      ? [
          ...line([0, 0.35], [-0.35, 0.35], [-0.35, -0.35], [0, -0.35]),
          ...arcSegments({ x: 0, y: 0 }, 0.35, 0.35, -90, 90).filter(({ kind: k }) => k !== 'move'),
        ]
      : [
          { kind: 'move', to: at([-0.35, 0.35]) },
          { kind: 'curve', from: at([0.05, 0.35]), into: at([0.2, 0.25]), to: at([0.35, 0]) },
          {
            kind: 'curve',
            from: at([0.2, -0.25]),
            into: at([0.05, -0.35]),
            to: at([-0.35, -0.35]),
          },
          {
            kind: 'curve',
            from: at([-0.18, -0.15]),
            into: at([-0.18, 0.15]),
            to: at([-0.35, 0.35]),
          },
        ];
  const tip = single ? 0.25 : 0.35;
  const out = inverted ? tip + 0.12 : tip;
  const inputs: readonly Pair[] = single
    ? [[-0.7, 0]]
    : [
        [-0.7, 0.2],
        [-0.7, -0.2],
      ];
  const second: Path = [
    { kind: 'move', to: at([-0.43, 0.35]) },
    { kind: 'curve', from: at([-0.26, 0.15]), into: at([-0.26, -0.15]), to: at([-0.43, -0.35]) },
  ];
  return {
    size: [0.7, 0.35],
    ends: {
      ...Object.fromEntries(inputs.map((place, i) => [`in ${i + 1}`, place])),
      ...(single ? { in: [-0.7, 0] as const } : {}),
      out: [0.7, 0],
    },
    bold: [
      outline,
      ...(kind === 'xor' ? [second] : []),
      ...(inverted ? [dot(tip + 0.06, 0, 0.06)] : []),
    ],
    fine: [
      ...inputs.map(([x, y]) => line([x, y], [single ? -0.35 : kind === 'and' ? -0.35 : back, y])),
      line([out, 0], [0.7, 0]),
    ],
    solid: [],
  };
}

const coil = (x: number, side: 1 | -1): Path => {
  const arcs = [0.3, 0.1, -0.1, -0.3].flatMap((y) =>
    arcSegments({ x, y }, 0.12, 0.1, 90, side > 0 ? -90 : 270).filter(
      ({ kind }) => kind !== 'move',
    ),
  );
  return [{ kind: 'move', to: at([x, 0.4]) }, ...arcs];
};
const transformer = (core: boolean): CircuitBody => ({
  size: [0.75, 0.75],
  ends: { A1: [-0.75, 0.75], A2: [-0.75, -0.75], B1: [0.75, 0.75], B2: [0.75, -0.75] },
  bold: [coil(-0.3, 1), coil(0.3, -1)],
  fine: [
    line([-0.75, 0.75], [-0.3, 0.75], [-0.3, 0.4]),
    line([-0.75, -0.75], [-0.3, -0.75], [-0.3, -0.4]),
    line([0.75, 0.75], [0.3, 0.75], [0.3, 0.4]),
    line([0.75, -0.75], [0.3, -0.75], [0.3, -0.4]),
    ...(core ? [line([-0.04, 0.4], [-0.04, -0.4]), line([0.04, 0.4], [0.04, -0.4])] : []),
  ],
  solid: [],
});

const spdt: CircuitBody = {
  size: [0.4, 0.22],
  ends: { in: [-0.4, 0], 'out 1': [0.4, 0.22], 'out 2': [0.4, -0.22] },
  bold: [line([-0.36, 0.02], [0.34, 0.2])],
  fine: [dot(-0.4, 0), dot(0.4, 0.22), dot(0.4, -0.22)],
  solid: [],
};

const junction = (sign: readonly Path[]): CircuitBody => ({
  size: [0.4, 0.4],
  ends: { '1': [-0.4, 0], '2': [0, -0.4], '3': [0.4, 0], '4': [0, 0.4] },
  bold: [ellipse({ x: 0, y: 0 }, 0.4, 0.4), ...sign],
  fine: [],
  solid: [],
});

export const CIRCUIT_BODIES = {
  npn: bipolar(true),
  pnp: bipolar(false),
  nmos: field(true, 'mos'),
  pmos: field(false, 'mos'),
  njfet: field(true, 'junction'),
  pjfet: field(false, 'junction'),
  'op amp': opAmp,
  'plain amp': plainAmp,
  'and port': gate('and', false),
  'nand port': gate('and', true),
  'or port': gate('or', false),
  'nor port': gate('or', true),
  'xor port': gate('xor', false),
  'xnor port': gate('xor', true),
  'not port': gate('not', true),
  'buffer port': gate('buffer', false),
  transformer: transformer(false),
  'transformer core': transformer(true),
  spdt,
  mixer: junction([line([-0.28, -0.28], [0.28, 0.28]), line([-0.28, 0.28], [0.28, -0.28])]),
  adder: junction([line([-0.24, 0], [0.24, 0]), line([0, -0.24], [0, 0.24])]),
  vcc: {
    size: [0.1, 0.2],
    ends: {},
    bold: [line([0, 0], [0, 0.2]), line([-0.1, 0.1], [0, 0.2], [0.1, 0.1])],
    fine: [],
    solid: [],
    words: [0, 0.36],
  },
  vee: {
    size: [0.1, 0.2],
    ends: {},
    bold: [line([0, 0], [0, -0.2]), line([-0.1, -0.1], [0, -0.2], [0.1, -0.1])],
    fine: [],
    solid: [],
    words: [0, -0.36],
  },
  antenna: {
    size: [0.2, 0.3],
    ends: {},
    bold: [line([0, 0], [0, 0.55]), closed([0, 0.3], [-0.2, 0.6], [0.2, 0.6])],
    fine: [],
    solid: [],
  },
} satisfies Readonly<Record<string, CircuitBody>>;

export type CircuitBodyName = keyof typeof CIRCUIT_BODIES;
export const isCircuitBody = (name: string): name is CircuitBodyName =>
  Object.hasOwn(CIRCUIT_BODIES, name);

/** The standard length of parts, sp. */
const LENGTH = 1.4 * (72.27 / 2.54) * PT;

/** The shape of a node that is such a part: its ends are anchors; it is drawn by itself. */
const shapeOf =
  ({ size: [x, y], ends, words = [0, 0] }: CircuitBody): Maker =>
  (): Shape => {
    const plain = box(NO_ROOM, { x: x * LENGTH, y: y * LENGTH }, rectangle(0, 0, 0, 0));
    const own = Object.entries(ends).map(([name, [ex, ey]]): [string, Point] => [
      name,
      { x: ex * LENGTH, y: ey * LENGTH },
    ]);
    return {
      ...plain,
      outline: [],
      anchors: { ...plain.anchors, ...Object.fromEntries(own) },
      words: { x: words[0] * LENGTH, y: words[1] * LENGTH },
    };
  };

export const CIRCUIT_SHAPES = Object.fromEntries(
  Object.entries(CIRCUIT_BODIES).map(([name, body]) => [name, shapeOf(body)]),
) as unknown as Readonly<Record<CircuitBodyName, Maker>>;
