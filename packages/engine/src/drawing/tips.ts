import { PT } from '../base/lengths';
import { composed, translation, type Point } from '../base/maps';
import { arcSegments, ellipse, mappedPath, polyline, type Path, type Segment } from '../base/paths';
import type { Paint } from '../base/paint';
import { angleOf } from './vectors';

/** A tip of a line: its form and, where they are given, its measures. */
export interface Tip {
  readonly name: TipName;
  readonly length: number | null;
  readonly width: number | null;
  readonly open: boolean;
  /** Of its own, of all of it and of its ground; null: that of the line. */
  readonly colour: Paint | null;
  readonly ground: Paint | null;
  readonly reversed: boolean;
  readonly scale: number;
  /** The tip that stands for `>` when the line is drawn. */
  readonly standard?: boolean;
}
export type TipName =
  | 'to'
  | 'stealth'
  | 'Stealth'
  | 'latex'
  | 'Latex'
  | 'triangle'
  | 'bar'
  | 'circle'
  | 'square'
  | 'diamond'
  | 'hook'
  | 'bracket'
  | 'straight'
  | 'arc'
  | 'kite';

/** A tip as it is drawn at the end of a line that runs to the right and ends at 0. */
export interface DrawnTip {
  readonly path: Path;
  readonly fills: boolean;
  /** Width of the line it is drawn with; 0 for none. */
  readonly stroke: number;
  readonly cap: 'butt' | 'round';
  /** How far before its end the line itself ends. */
  readonly back: number;
  /** How much of the line the tip takes up, for a tip behind it. */
  readonly length: number;
  readonly colour: Paint | null;
  readonly ground: Paint | null;
}

const at = (x: number, y: number): Point => ({ x, y });
const curve = (from: Point, into: Point, to: Point): Segment => ({ kind: 'curve', from, into, to });

/**
 * The measures of a tip by the width of its line, both in sp: so much and so many widths
 * (the defaults of the manual of arrow tips).
 */
const MEASURES: Readonly<
  Record<
    TipName,
    { readonly length: readonly [number, number]; readonly width: readonly [number, number] }
  >
> = {
  // The plain tip: that of the arrow of Computer Modern's mathematics.
  to: { length: [1.05, 1.125], width: [2.24, 2.4] },
  stealth: { length: [2.24, 2.4], width: [2.24, 2.4] },
  Stealth: { length: [3, 4.5], width: [2.25, 3.375] },
  latex: { length: [2.8, 3], width: [2.1, 2.25] },
  Latex: { length: [3, 4.5], width: [2.25, 3.375] },
  triangle: { length: [3, 4.5], width: [3.4, 5.1] },
  bar: { length: [0, 1], width: [3, 4] },
  circle: { length: [2.39365, 3.19154], width: [2.39365, 3.19154] },
  square: { length: [2.12132, 2.82843], width: [2.12132, 2.82843] },
  diamond: { length: [4.24, 5.6], width: [2.83, 3.73] },
  hook: { length: [0.75, 1], width: [3, 4.5] },
  bracket: { length: [1, 1.5], width: [3, 5] },
  straight: { length: [1.5, 2], width: [3, 4] },
  arc: { length: [1.5, 2], width: [3, 4] },
  kite: { length: [3.6, 5.4], width: [1.8, 2.7] },
};

/**
 * A tip at the end of a line that runs to the right and ends at 0.
 *
 * @param lineWidth sp.
 */
export function drawnTip(tip: Tip, lineWidth: number): DrawnTip {
  const { length: l, width: w } = MEASURES[tip.name];
  const length = (tip.length ?? l[0] * PT + l[1] * lineWidth) * tip.scale;
  const width = (tip.width ?? w[0] * PT + w[1] * lineWidth) * tip.scale;
  const made = FORMS[tip.name](length, width / 2, lineWidth);
  const fills = made.fills && !tip.open;
  const outlined = made.fills && (tip.open || tip.ground !== null);
  const drawn: DrawnTip = {
    cap: 'butt',
    stroke: lineWidth,
    ...made,
    fills,
    ...(outlined ? { stroke: lineWidth, back: length } : {}),
    length,
    colour: tip.colour,
    ground: tip.ground,
  };
  if (!tip.reversed) return drawn;
  const turned = mappedPath(drawn.path, { a: -1, b: 0, c: 0, d: 1, e: -length, f: 0 });
  return { ...drawn, path: turned, back: drawn.fills ? length * 0.5 : length };
}

type Form = (
  length: number,
  half: number,
  lineWidth: number,
) => Pick<DrawnTip, 'path' | 'fills' | 'back'> & Partial<Pick<DrawnTip, 'stroke' | 'cap'>>;

const FORMS: Readonly<Record<TipName, Form>> = {
  to: barbs,
  stealth: (length, half) => spear(length, half, 5 / 8),
  Stealth: (length, half) => spear(length, half, 0.675),
  latex: (length, half) => drop(length, half, 0.9),
  Latex: (length, half) => drop(length, half, 0.8),
  triangle: (length, half) => ({
    path: polyline([at(0, 0), at(-length, half), at(-length, -half)], true),
    fills: true,
    stroke: 0,
    back: 0.9 * length,
  }),
  bar: (_length, half, lineWidth) => ({
    path: polyline([at(-lineWidth / 2, half), at(-lineWidth / 2, -half)]),
    fills: false,
    back: lineWidth / 2,
  }),
  circle: (length, half) => ({
    path: ellipse(at(-length / 2, 0), length / 2, half),
    fills: true,
    stroke: 0,
    back: length / 2,
  }),
  square: (length, half) => ({
    path: polyline([at(0, half), at(-length, half), at(-length, -half), at(0, -half)], true),
    fills: true,
    stroke: 0,
    back: length / 2,
  }),
  diamond: (length, half) => ({
    path: polyline([at(0, 0), at(-length / 2, half), at(-length, 0), at(-length / 2, -half)], true),
    fills: true,
    stroke: 0,
    back: length / 2,
  }),
  hook: (length, half, lineWidth) => {
    // The curve bends back where the line ends.
    const out = (length - lineWidth / 2) / 0.75 - length;
    return {
      path: [
        { kind: 'move', to: at(-length, 0) },
        curve(at(out, 0), at(out, half), at(-length, half)),
      ],
      fills: false,
      back: length - lineWidth / 4,
    };
  },
  straight: (length, half, lineWidth) => ({
    path: polyline([at(-length, half), at(-lineWidth / 2, 0), at(-length, -half)]),
    fills: false,
    back: lineWidth,
  }),
  arc: (length, half, lineWidth) => ({
    path: [
      { kind: 'move', to: at(-length, half) },
      ...arcSegments(at(-length, 0), length - lineWidth / 2, half, 90, -90),
    ],
    fills: false,
    back: lineWidth / 2,
  }),
  // Its widest place lies a quarter from its back.
  kite: (length, half) => ({
    path: polyline(
      [at(0, 0), at(-0.75 * length, half), at(-length, 0), at(-0.75 * length, -half)],
      true,
    ),
    fills: true,
    stroke: 0,
    back: 0.9 * length,
  }),
  bracket: (length, half, lineWidth) => ({
    path: polyline([
      at(-length, half),
      at(-lineWidth / 2, half),
      at(-lineWidth / 2, -half),
      at(-length, -half),
    ]),
    fills: false,
    back: lineWidth / 2,
  }),
};

/** A head with its back drawn in, filled: the line ends in the notch, so far before the point. */
function spear(length: number, half: number, notch: number): ReturnType<Form> {
  const back = notch * length;
  const path = polyline([at(0, 0), at(-length, half), at(-back, 0), at(-length, -half)], true);
  return { path, fills: true, stroke: 0, back };
}

/** A head with bent sides and a straight back, filled. */
function drop(length: number, half: number, back: number): ReturnType<Form> {
  const side = (sign: 1 | -1) => [
    at(-0.26667 * length, sign * 0.13333 * half),
    at(-0.7 * length, sign * 0.53333 * half),
  ];
  const [a, b] = side(1) as [Point, Point];
  const [c, d] = side(-1) as [Point, Point];
  return {
    path: [
      { kind: 'move', to: at(0, 0) },
      curve(a, b, at(-length, half)),
      { kind: 'line', to: at(-length, -half) },
      curve(d, c, at(0, 0)),
      { kind: 'close' },
    ],
    fills: true,
    stroke: 0,
    back: back * length,
  };
}

/** Two bent lines that meet at the end, as those of the arrow in mathematics. */
function barbs(_length: number, half: number, lineWidth: number): ReturnType<Form> {
  const a = half / 4;
  const back = 0.75 * a + 0.4 * lineWidth;
  const x = (units: number): number => units * a - back;
  return {
    path: [
      { kind: 'move', to: at(x(-3), 4 * a) },
      curve(at(x(-2.75), 2.5 * a), at(x(0), 0.25 * a), at(x(0.75), 0)),
      curve(at(x(0), -0.25 * a), at(x(-2.75), -2.5 * a), at(x(-3), -4 * a)),
    ],
    fills: false,
    stroke: 0.8 * lineWidth,
    cap: 'round',
    back,
  };
}

/** The tip at a place, pointing in a direction. */
export function placedTip(path: Path, end: Point, direction: Point): Path {
  const angle = (angleOf(direction) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const turn = { a: cos, b: sin, c: -sin, d: cos, e: 0, f: 0 };
  return mappedPath(path, composed(translation(end.x, end.y), turn));
}
