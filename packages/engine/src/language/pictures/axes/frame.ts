import { PT } from '../../../base/lengths';
import { IDENTITY, translation, type Point } from '../../../base/maps';
import type { Path } from '../../../base/paths';
import { shapeAround } from '../../../drawing/shapes';
import type { Token } from '../../../expansion/meaning';
import type { Reading } from '../coordinates';
import { freshPath, type Graphics } from '../graphics';
import { withKeys } from '../keys';
import { freshNode, newSaying, setNode, setText } from '../nodes';
import { paintPath } from '../painting';
import type { AxisSettings, Mode, OpenAxis } from './axis';
import { asStacked } from './stacked';
import { onAxis, rangeOf, type Range } from './scale';

type Span = { readonly from: number; readonly to: number };

/** Where an axis stands and what it shows. */
export interface Frame {
  readonly x: Range;
  readonly y: Range;
  /** The box, sp, its lower left corner at the origin of the axis. */
  readonly width: number;
  readonly height: number;
  readonly corner: Point;
  readonly mode: readonly [Mode, Mode];
  /** Does an axis count from its far end? */
  readonly reverse: readonly boolean[];
  /** Angles in degrees and distances from the middle. */
  readonly polar: boolean;
}

/** Taken off the asked size for the labels (the manual's figure), and the size where none is asked, pt. */
const FOR_LABELS = 45;
const USUAL = { width: 240, height: 207 };

/** The ranges and the size of an axis. */
export function frameOf(settings: AxisSettings, axis: OpenAxis, corner: Point): Frame {
  const plots = asStacked(axis);
  const points = plots.flatMap((plot) => plot.points);
  const bars = settings.bars;
  const ys = points.flatMap(({ y, errorY, minusY }) => [y - (minusY ?? errorY), y + errorY]);
  const hasIntervals = plots.some(({ form }) => form === 'interval');
  const xs = points.flatMap(({ x, errorX, minusX }) => [x - (minusX ?? errorX), x + errorX]);
  // Surfaces fill their box.
  const enlarge = plots.some(({ three }) => three)
    ? settings.enlarge.map((by) => by ?? 0)
    : settings.enlarge;
  // Bars stand on zero.
  if (bars === 'ybar' || hasIntervals) ys.push(0);
  if (bars === 'xbar') xs.push(0);
  let x = rangeOf(
    xs,
    settings.min[0] ?? null,
    settings.max[0] ?? null,
    enlarge[0] ?? null,
    settings.mode[0],
  );
  let y = rangeOf(
    ys,
    settings.min[1] ?? null,
    settings.max[1] ?? null,
    enlarge[1] ?? null,
    settings.mode[1],
  );
  if ((bars === 'ybar' || hasIntervals) && settings.min[1] === null && Math.min(...ys) >= 0)
    y = { ...y, min: 0 };
  if (bars === 'xbar' && settings.min[0] === null && Math.min(...xs) >= 0) x = { ...x, min: 0 };
  const off = settings.scaleOnlyAxis ? 0 : FOR_LABELS * PT;
  const side = (asked: number | null, other: number | null, usual: number, ratio: number): number =>
    Math.max(10 * PT, (asked ?? (other === null ? usual * PT : other * ratio)) - off);
  let width = side(settings.width, settings.height, USUAL.width, USUAL.width / USUAL.height);
  let height = side(settings.height, settings.width, USUAL.height, USUAL.height / USUAL.width);
  const [unitX, unitY] = settings.unit;
  if (unitX) width = unitX * (x.max - x.min);
  if (unitY) height = unitY * (y.max - y.min);
  if (settings.equal) ({ x, y } = equalled(x, y, width, height));
  const { mode, reverse, polar } = settings;
  if (!polar) return { x, y, width, height, corner, mode, reverse, polar };
  const side2 = Math.min(width, height);
  const reach = { min: settings.min[1] ?? 0, max: settings.max[1] ?? Math.max(1e-9, ...ys) };
  const turn = { min: 0, max: 360 };
  return { x: turn, y: reach, width: side2, height: side2, corner, mode, reverse, polar };
}

/** Both ranges so that a unit is as long along each axis; the one with room to spare grows. */
function equalled(x: Range, y: Range, width: number, height: number): { x: Range; y: Range } {
  const unit = Math.min(width / (x.max - x.min), height / (y.max - y.min));
  const grown = ({ min, max }: Range, length: number): Range => {
    const by = (length / unit - (max - min)) / 2;
    return { min: min - by, max: max + by };
  };
  return { x: grown(x, width), y: grown(y, height) };
}

/** A point of the data in the picture. */
export function placed(frame: Frame, at: { readonly x: number; readonly y: number }): Point {
  const { x, y, width, height, corner, mode, reverse } = frame;
  if (frame.polar) {
    const far = ((at.y - y.min) / (y.max - y.min)) * (width / 2);
    const angle = (at.x * Math.PI) / 180;
    return {
      x: corner.x + width / 2 + far * Math.cos(angle),
      y: corner.y + height / 2 + far * Math.sin(angle),
    };
  }
  const [across, up] = [
    (onAxis(mode[0], at.x) - x.min) / (x.max - x.min),
    (onAxis(mode[1], at.y) - y.min) / (y.max - y.min),
  ];
  return {
    x: corner.x + (reverse[0] ? 1 - across : across) * width,
    y: corner.y + (reverse[1] ? 1 - up : up) * height,
  };
}

/** The state of a frame's own lines. */
export const pen = (g: Graphics, change: Partial<Graphics> = {}): Graphics => {
  const fresh = freshPath(g);
  return {
    ...fresh,
    map: IDENTITY,
    colour: 0,
    drawColour: null,
    lineWidth: 0.4 * PT,
    dash: [],
    startTips: [],
    endTips: [],
    rounding: 0,
    ...change,
    mode: { ...fresh.mode, draw: true },
  };
};

export interface Painter {
  readonly reading: Reading;
  readonly axis: OpenAxis;
  readonly frame: Frame;
  readonly span: Span;
}

export const line = ({ reading, span }: Painter, g: Graphics, path: Path): void =>
  paintPath(reading, g, path, span);

/** Words at a place, by an anchor. */
export function words(
  { reading, span }: Painter,
  g: Graphics,
  tokens: readonly Token[],
  at: Point,
  anchor: string,
  style: readonly Token[] = [],
): void {
  let look = freshNode({ ...g, map: IDENTITY });
  look = { ...look, node: { ...look.node, anchor, position: null } };
  look = withKeys(reading, look, style);
  setNode(reading, look, newSaying(), setText(reading, look, tokens), at, null, span);
}

/** The axis as a node of the picture, for places that count from it. */
export function nameAxis({ reading, frame, axis }: Painter): void {
  const { corner, width, height } = frame;
  const room = {
    halfWidth: width / 2,
    halfHeight: height / 2,
    minWidth: 0,
    minHeight: 0,
    base: 0,
    mid: 0,
    outer: 0,
    sides: 4,
    turn: 0,
    ratio: 1,
    keys: {},
  };
  const map = translation(corner.x + width / 2, corner.y + height / 2);
  const node = { shape: shapeAround('rectangle', room), map, isCoordinate: false };
  reading.picture.nodes.set('current axis', node);
  reading.picture.nodes.set(axis.settings.name, node);
}
