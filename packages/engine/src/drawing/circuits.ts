import type { Point } from '../base/maps';
import { arcSegments, ellipse, polyline, rectangle, type Path } from '../base/paths';

/**
 * The signs of circuits, lying along x around their middle, in units of their standard length (1.4 cm;
 * proportions by the manual of circuitikz). A line leads to `half` before the middle and from `half` behind it.
 */
export interface CircuitSign {
  readonly half: number;
  /** How far it reaches to either side: words stand beyond. */
  readonly height: number;
  /** Drawn with a line twice as wide as the wires. */
  readonly bold: readonly Path[];
  /** Drawn as wide as the wires. */
  readonly fine: readonly Path[];
  /** Filled. */
  readonly solid: readonly Path[];
  /** Nothing leads through: the path begins anew behind it. */
  readonly word?: string;
}

const at = (x: number, y: number): Point => ({ x, y });
const line = (...points: readonly (readonly [number, number])[]): Path =>
  polyline(points.map(([x, y]) => at(x, y)));
const closed = (...points: readonly (readonly [number, number])[]): Path =>
  polyline(
    points.map(([x, y]) => at(x, y)),
    true,
  );
const circle = (radius: number, x = 0): Path => ellipse(at(x, 0), radius, radius);
const sign = (
  half: number,
  height: number,
  bold: readonly Path[],
  more: Partial<CircuitSign> = {},
): CircuitSign => ({ half, height, bold, fine: [], solid: [], ...more });

/** Three teeth up and three down. */
function zigzag(half: number, height: number): Path {
  const step = (2 * half) / 12;
  const teeth = [1, 3, 5, 7, 9, 11].map(
    (n, i) => [-half + n * step, i % 2 === 0 ? height : -height] as const,
  );
  return line([-half, 0], ...teeth, [half, 0]);
}

/** Half circles in a row. */
function coils(half: number, count: number): Path {
  const radius = half / count;
  const path = Array.from({ length: count }, (_, i) =>
    arcSegments(at(-half + (2 * i + 1) * radius, 0), radius, radius * 1.5, 180, 0),
  ).flat();
  return [{ kind: 'move', to: at(-half, 0) }, ...path.filter(({ kind }) => kind !== 'move')];
}

const wave: Path = [
  { kind: 'move', to: at(-0.15, 0) },
  { kind: 'curve', from: at(-0.08, 0.16), into: at(-0.06, 0.16), to: at(0, 0) },
  { kind: 'curve', from: at(0.06, -0.16), into: at(0.08, -0.16), to: at(0.15, 0) },
];
const cross = (x: number, size = 0.06): Path => [
  ...line([x - size, 0], [x + size, 0]),
  ...line([x, -size], [x, size]),
];
const dash = (x: number, size = 0.06): Path => line([x, -size], [x, size]);
const head = (x: number, size = 0.1): Path =>
  closed([x + size, 0], [x - size, 0.6 * size], [x - size, -0.6 * size]);
const triangle = closed([-0.2, 0.2], [-0.2, -0.2], [0.2, 0]);
const bar = line([0.2, 0.2], [0.2, -0.2]);
const beams = [0, 0.16].flatMap((x): Path[] => [line([x - 0.05, 0.22], [x + 0.1, 0.42])]);
const beamHeads = [0, 0.16].map((x) =>
  closed([x + 0.13, 0.46], [x + 0.05, 0.41], [x + 0.11, 0.36]),
);

const beamsIn = [0, 0.16].map((x) => closed([x - 0.07, 0.19], [x + 0.01, 0.24], [x - 0.05, 0.29]));
const diamond = closed([-0.3, 0], [0, 0.3], [0.3, 0], [0, -0.3]);
/** A plate that bends away. */
const bowed: Path = [
  { kind: 'move', to: at(0.2, 0.3) },
  { kind: 'curve', from: at(0.06, 0.15), into: at(0.06, -0.15), to: at(0.2, -0.3) },
];

export const CIRCUIT_SIGNS = {
  short: sign(0, 0, []),
  open: sign(0, 0, []),
  'american resistor': sign(0.4, 0.15, [zigzag(0.4, 0.15)]),
  generic: sign(0.4, 0.15, [rectangle(-0.4, -0.15, 0.8, 0.3)]),
  'variable resistor': sign(0.4, 0.3, [zigzag(0.4, 0.15)], {
    fine: [line([-0.3, -0.3], [0.3, 0.3])],
    solid: [closed([0.34, 0.34], [0.22, 0.29], [0.29, 0.22])],
  }),
  fuse: sign(0.4, 0.15, [rectangle(-0.4, -0.15, 0.8, 0.3)], { fine: [line([-0.4, 0], [0.4, 0])] }),
  capacitor: sign(0.1, 0.3, [line([-0.1, 0.3], [-0.1, -0.3]), line([0.1, 0.3], [0.1, -0.3])]),
  inductor: sign(0.4, 0.15, [coils(0.4, 4)]),
  'american inductor': sign(0.4, 0.15, [coils(0.4, 4)]),
  'full inductor': sign(0.4, 0.15, [rectangle(-0.4, -0.15, 0.8, 0.3)], {
    solid: [rectangle(-0.4, -0.15, 0.8, 0.3)],
  }),
  battery: sign(0.3, 0.3, [
    line([-0.3, 0.3], [-0.3, -0.3]),
    line([-0.1, 0.15], [-0.1, -0.15]),
    line([0.1, 0.3], [0.1, -0.3]),
    line([0.3, 0.15], [0.3, -0.15]),
  ]),
  cell: sign(0.1, 0.3, [line([-0.1, 0.3], [-0.1, -0.3]), line([0.1, 0.15], [0.1, -0.15])]),
  'european voltage source': sign(0.3, 0.3, [circle(0.3)], { fine: [line([-0.3, 0], [0.3, 0])] }),
  'american voltage source': sign(0.3, 0.3, [circle(0.3)], { fine: [cross(0.15), dash(-0.15)] }),
  'sinusoidal source': sign(0.3, 0.3, [circle(0.3), wave]),
  'european current source': sign(0.3, 0.3, [circle(0.3)], {
    fine: [line([0, 0.3], [0, -0.3])],
  }),
  'american current source': sign(0.3, 0.3, [circle(0.3), line([-0.2, 0], [0.1, 0])], {
    solid: [head(0.12)],
  }),
  'empty diode': sign(0.2, 0.2, [triangle, bar]),
  'full diode': sign(0.2, 0.2, [triangle, bar], { solid: [triangle] }),
  'zener diode': sign(0.2, 0.2, [
    triangle,
    line([0.13, 0.24], [0.2, 0.2], [0.2, -0.2], [0.27, -0.24]),
  ]),
  'light diode': sign(0.2, 0.45, [triangle, bar], { fine: beams, solid: beamHeads }),
  'Schottky diode': sign(0.2, 0.2, [
    triangle,
    line([0.12, 0.14], [0.12, 0.2], [0.2, 0.2], [0.2, -0.2], [0.28, -0.2], [0.28, -0.14]),
  ]),
  photodiode: sign(0.2, 0.45, [triangle, bar], { fine: beams, solid: beamsIn }),
  thermistor: sign(0.4, 0.3, [rectangle(-0.4, -0.15, 0.8, 0.3)], {
    fine: [line([-0.4, -0.3], [-0.2, -0.3], [0.3, 0.3])],
  }),
  potentiometer: sign(0.4, 0.35, [zigzag(0.4, 0.15)], {
    fine: [line([0, 0.45], [0, 0.2])],
    solid: [closed([0, 0.15], [-0.06, 0.28], [0.06, 0.28])],
  }),
  memristor: sign(0.4, 0.2, [
    rectangle(-0.4, -0.15, 0.8, 0.3),
    line(
      [-0.4, 0],
      [-0.25, 0],
      [-0.25, 0.08],
      [-0.05, 0.08],
      [-0.05, -0.08],
      [0.15, -0.08],
      [0.15, 0],
      [0.4, 0],
    ),
  ]),
  'polar capacitor': sign(0.1, 0.3, [line([-0.1, 0.3], [-0.1, -0.3]), bowed], {
    fine: [line([-0.27, 0.2], [-0.17, 0.2]), line([-0.22, 0.25], [-0.22, 0.15])],
  }),
  'variable capacitor': sign(
    0.1,
    0.35,
    [line([-0.1, 0.3], [-0.1, -0.3]), line([0.1, 0.3], [0.1, -0.3])],
    {
      fine: [line([-0.3, -0.3], [0.3, 0.3])],
      solid: [closed([0.34, 0.34], [0.22, 0.29], [0.29, 0.22])],
    },
  ),
  'controlled voltage source': sign(0.3, 0.3, [diamond], { fine: [cross(-0.15), dash(0.15)] }),
  'controlled current source': sign(0.3, 0.3, [diamond, line([-0.2, 0], [0.1, 0])], {
    solid: [head(0.12)],
  }),
  'dc voltage source': sign(0.3, 0.3, [circle(0.3)], {
    fine: [line([-0.12, 0.1], [0.12, 0.1]), line([-0.12, 0.02], [0.12, 0.02])],
  }),
  'square source': sign(0.3, 0.3, [
    circle(0.3),
    line([-0.16, 0], [-0.16, 0.12], [0, 0.12], [0, -0.12], [0.16, -0.12], [0.16, 0]),
  ]),
  'push button': sign(0.3, 0.3, [
    line([-0.3, 0.14], [0.3, 0.14]),
    line([0, 0.14], [0, 0.3]),
    line([-0.1, 0.3], [0.1, 0.3]),
  ]),
  crossing: sign(0.2, 0.2, [
    [
      { kind: 'move', to: at(-0.2, 0) },
      { kind: 'curve', from: at(-0.2, 0.25), into: at(0.2, 0.25), to: at(0.2, 0) },
    ],
  ]),
  galvanometer: sign(0.3, 0.3, [circle(0.3)], { word: 'G' }),
  wattmeter: sign(0.3, 0.3, [circle(0.3)], { word: 'W' }),
  lamp: sign(0.3, 0.3, [circle(0.3)], {
    fine: [line([-0.21, -0.21], [0.21, 0.21]), line([-0.21, 0.21], [0.21, -0.21])],
  }),
  ammeter: sign(0.3, 0.3, [circle(0.3)], { word: 'A' }),
  voltmeter: sign(0.3, 0.3, [circle(0.3)], { word: 'V' }),
  ohmmeter: sign(0.3, 0.3, [circle(0.3)], { word: '$\\Omega$' }),
  'open switch': sign(0.3, 0.25, [line([-0.3, 0], [0.28, 0.24])]),
  'closed switch': sign(0.3, 0.1, [line([-0.3, 0], [0.3, 0.06])]),
} as const satisfies Readonly<Record<string, CircuitSign>>;

export type CircuitPart = keyof typeof CIRCUIT_SIGNS;
export const isCircuitPart = (name: string): name is CircuitPart =>
  Object.hasOwn(CIRCUIT_SIGNS, name);

/** Signs that hang on one place, in the same units. */
export const CIRCUIT_ENDS: Readonly<Record<string, Pick<CircuitSign, 'bold' | 'solid'>>> = {
  ground: {
    bold: [
      line([0, 0], [0, -0.25]),
      line([-0.2, -0.25], [0.2, -0.25]),
      line([-0.13, -0.32], [0.13, -0.32]),
      line([-0.06, -0.39], [0.06, -0.39]),
    ],
    solid: [],
  },
  sground: {
    bold: [line([0, 0], [0, -0.25]), closed([-0.2, -0.25], [0.2, -0.25], [0, -0.45])],
    solid: [],
  },
  rground: { bold: [line([0, 0], [0, -0.25]), line([-0.2, -0.25], [0.2, -0.25])], solid: [] },
  tlground: { bold: [line([0, 0], [0, -0.2]), line([-0.12, -0.2], [0.12, -0.2])], solid: [] },
  cground: {
    bold: [
      line([0, 0], [0, -0.25]),
      line([-0.2, -0.25], [0.2, -0.25]),
      ...[-0.2, 0, 0.2].map((x) => line([x, -0.25], [x - 0.12, -0.4])),
    ],
    solid: [],
  },
  diamondpole: { bold: [], solid: [closed([-0.06, 0], [0, 0.06], [0.06, 0], [0, -0.06])] },
  circ: { bold: [], solid: [circle(0.04)] },
  ocirc: { bold: [], solid: [] },
};
