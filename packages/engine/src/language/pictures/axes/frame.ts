import { PT, type Sp } from '../../../base/lengths';
import { IDENTITY, translation, type Point } from '../../../base/maps';
import type { Paint } from '../../../base/paint';
import { polyline, rectangle, type Path } from '../../../base/paths';
import { shapeAround } from '../../../drawing/shapes';
import { plus } from '../../../drawing/vectors';
import type { Token } from '../../../expansion/meaning';
import type { Reading } from '../coordinates';
import { freshPath, STANDARD_TIP, type Graphics } from '../graphics';
import { withKeys } from '../keys';
import { freshNode, newSaying, setNode, setText } from '../nodes';
import { paintPath } from '../painting';
import type { AxisSettings, Mode, OpenAxis } from './axis';
import { commonPower, onAxis, placesFor, rangeOf, ticksOf, tickText, type Range } from './scale';

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
}

/** Taken off the asked size for the labels (the manual's figure), and the size where none is asked, pt. */
const FOR_LABELS = 45;
const USUAL = { width: 240, height: 207 };
const TICK = 0.15 * (72.27 / 2.54) * PT;
const GRAY = 0x808080;

/** The ranges and the size of an axis. */
export function frameOf(settings: AxisSettings, axis: OpenAxis, corner: Point): Frame {
  const { plots } = axis;
  const points = plots.flatMap((plot) => plot.points);
  const bars = settings.bars;
  const ys = points.flatMap(({ y, errorY }) => [y - errorY, y + errorY]);
  const xs = points.flatMap(({ x, errorX }) => [x - errorX, x + errorX]);
  const enlarge = settings.enlarge;
  // Bars stand on zero.
  if (bars === 'ybar') ys.push(0);
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
  if (bars === 'ybar' && settings.min[1] === null && Math.min(...ys) >= 0) y = { ...y, min: 0 };
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
  return { x, y, width, height, corner, mode: settings.mode };
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
export const placed = (
  { x, y, width, height, corner, mode }: Frame,
  at: { readonly x: number; readonly y: number },
): Point => ({
  x: corner.x + ((onAxis(mode[0], at.x) - x.min) / (x.max - x.min)) * width,
  y: corner.y + ((onAxis(mode[1], at.y) - y.min) / (y.max - y.min)) * height,
});

/** The state of a frame's own lines. */
const pen = (g: Graphics, change: Partial<Graphics> = {}): Graphics => {
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

const line = ({ reading, span }: Painter, g: Graphics, path: Path): void =>
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

/** The places of the ticks along an axis, in its own numbers. */
export function ticksAlong({ axis, frame }: Painter, which: 0 | 1): readonly number[] {
  const { settings } = axis;
  const [range, length] = which === 0 ? [frame.x, frame.width] : [frame.y, frame.height];
  const listed = settings.ticks[which];
  if (listed)
    return listed
      .map((tick) => onAxis(frame.mode[which], tick))
      .filter((tick) => tick >= range.min - 1e-9 && tick <= range.max + 1e-9);
  const symbols = settings.symbols[which];
  if (symbols) return symbols.map((_, i) => i).filter((i) => i >= range.min && i <= range.max);
  return ticksOf(frame.mode[which], range, length / PT, settings.tickDistance[which] ?? null);
}

/** A place along an axis, from its lower left corner, sp. */
const along = ({ frame }: Painter, which: 0 | 1, value: number): number => {
  const range = which === 0 ? frame.x : frame.y;
  const length = which === 0 ? frame.width : frame.height;
  return ((value - range.min) / (range.max - range.min)) * length;
};

/** Lines of the grid behind the plots. */
export function drawGrid(painter: Painter): void {
  const { axis, frame } = painter;
  const { outer, settings } = axis;
  const { corner, width, height } = frame;
  const look = (colour: Paint, lineWidth: Sp, own: readonly Token[]): Graphics => {
    const plain = pen(outer, { colour, lineWidth });
    return withKeys(painter.reading, withKeys(painter.reading, plain, settings.gridStyle), own);
  };
  const main = look(0xbfbfbf, 0.2 * PT, settings.majorGridStyle);
  const between = look(0xd9d9d9, 0.1 * PT, settings.minorGridStyle);
  for (const which of [0, 1] as const) {
    const kind = settings.grid[which] ?? 'none';
    if (kind === 'none') continue;
    const draw = (value: number, thin: boolean): void => {
      const at = along(painter, which, value);
      const from =
        which === 0 ? { x: corner.x + at, y: corner.y } : { x: corner.x, y: corner.y + at };
      const to =
        which === 0 ? { x: from.x, y: corner.y + height } : { x: corner.x + width, y: from.y };
      line(painter, thin ? between : main, polyline([from, to]));
    };
    const ticks = ticksAlong(painter, which);
    if (kind === 'both')
      for (const tick of minorTicks(painter, which, Math.max(1, settings.minorTicks[which] ?? 1)))
        draw(tick, true);
    for (const tick of ticks) draw(tick, false);
  }
}

function minorTicks(painter: Painter, which: 0 | 1, count: number): number[] {
  const ticks = ticksAlong(painter, which);
  const range = which === 0 ? painter.frame.x : painter.frame.y;
  const step = (ticks[1] ?? 0) - (ticks[0] ?? 0);
  if (ticks.length < 2 || count === 0) return [];
  const all = [(ticks[0] ?? 0) - step, ...ticks];
  return all
    .flatMap((tick) =>
      Array.from({ length: count }, (_, i) => tick + (step * (i + 1)) / (count + 1)),
    )
    .filter((at) => at >= range.min && at <= range.max);
}

/** Box or lines with ticks and their labels, names of the axes and the title. */
export function drawAxes(painter: Painter): void {
  const { axis, frame } = painter;
  const { settings, outer } = axis;
  const { corner, width, height } = frame;
  if (!settings.hidden) {
    const [lineX, lineY] = settings.lines;
    if (lineX === 'box' && lineY === 'box')
      line(painter, pen(outer), rectangle(corner.x, corner.y, width, height));
    else {
      drawLine(painter, 0);
      drawLine(painter, 1);
    }
    drawTicks(painter, 0);
    drawTicks(painter, 1);
  }
  drawNames(painter);
}

/** Where an axis line runs, from the lower left corner: along the data's zero when it stands in the middle. */
function lineAt(painter: Painter, which: 0 | 1): number {
  const { settings } = painter.axis;
  const [across, length] =
    which === 0 ? ([1, painter.frame.height] as const) : ([0, painter.frame.width] as const);
  const kind = settings.lines[which];
  if (kind === 'middle') {
    const range = across === 0 ? painter.frame.x : painter.frame.y;
    return Math.min(
      length,
      Math.max(0, along(painter, across, Math.min(range.max, Math.max(range.min, 0)))),
    );
  }
  return kind === 'right' ? length : 0;
}

function drawLine(painter: Painter, which: 0 | 1): void {
  const { axis, frame } = painter;
  const { corner, width, height } = frame;
  const kind = axis.settings.lines[which];
  if (kind === 'none') return;
  const at = lineAt(painter, which);
  const start = which === 0 ? plus(corner, { x: 0, y: at }) : plus(corner, { x: at, y: 0 });
  const end = which === 0 ? plus(start, { x: width, y: 0 }) : plus(start, { x: 0, y: height });
  line(
    painter,
    pen(axis.outer, { endTips: kind === 'box' ? [] : [STANDARD_TIP] }),
    polyline([start, end]),
  );
  if (kind === 'box')
    line(
      painter,
      pen(axis.outer),
      polyline([
        plus(start, which === 0 ? { x: 0, y: height } : { x: width, y: 0 }),
        plus(end, which === 0 ? { x: 0, y: height } : { x: width, y: 0 }),
      ]),
    );
}

function drawTicks(painter: Painter, which: 0 | 1): void {
  const { axis, frame, reading } = painter;
  const { settings, outer } = axis;
  const { corner } = frame;
  const kind = settings.lines[which];
  if (kind === 'none') return;
  const base = lineAt(painter, which);
  const ticks = ticksAlong(painter, which);
  const marks = (values: readonly number[], size: number): void => {
    for (const value of values) {
      const at = along(painter, which, value);
      const foot =
        which === 0 ? plus(corner, { x: at, y: base }) : plus(corner, { x: base, y: at });
      const inward = (by: number): Point => (which === 0 ? { x: 0, y: by } : { x: by, y: 0 });
      const style = pen(outer, { colour: GRAY, lineWidth: 0.2 * PT });
      const both = kind === 'middle';
      line(
        painter,
        style,
        polyline([
          plus(foot, inward(both ? -size / 2 : 0)),
          plus(foot, inward(both ? size / 2 : size)),
        ]),
      );
      if (kind !== 'box') continue;
      const far = which === 0 ? { x: 0, y: frame.height } : { x: frame.width, y: 0 };
      line(painter, style, polyline([plus(foot, far), plus(plus(foot, far), inward(-size))]));
    }
  };
  marks(ticks, TICK);
  marks(minorTicks(painter, which, settings.minorTicks[which] ?? 0), TICK * 0.66);
  const labels = labelsOf(painter, which, ticks);
  const style = settings.tickLabelStyle[which] ?? [];
  const anchor =
    which === 0 ? (kind === 'right' ? 'south' : 'north') : kind === 'right' ? 'west' : 'east';
  labels.texts.forEach((tokens, i) => {
    const value = ticks[i];
    if (value === undefined || tokens.length === 0) return;
    // Where both lines cross, zero would stand on one of them.
    if (
      kind === 'middle' &&
      settings.tickLabels[which] === null &&
      Math.abs(value) < 1e-9 &&
      settings.ticks[which] === null
    )
      return;
    const at = along(painter, which, value);
    const foot = which === 0 ? plus(corner, { x: at, y: base }) : plus(corner, { x: base, y: at });
    words(painter, { ...outer, colour: 0 }, tokens, foot, anchor, style);
  });
  if (labels.power !== 0) {
    const at =
      which === 0
        ? plus(corner, { x: frame.width, y: base - 14 * PT })
        : plus(corner, { x: base, y: frame.height });
    words(
      painter,
      { ...outer, colour: 0 },
      reading.it.source(`$\\cdot10^{${labels.power}}$`),
      at,
      which === 0 ? 'north east' : 'south west',
    );
  }
}

/** The labels of ticks: those that are listed, names, powers of ten, or numbers. */
function labelsOf({ axis, frame, reading }: Painter, which: 0 | 1, ticks: readonly number[]) {
  const { settings } = axis;
  const { it } = reading;
  const listed = settings.tickLabels[which];
  if (listed) return { texts: listed, power: 0 };
  const symbols = settings.symbols[which];
  if (symbols)
    return { texts: ticks.map((tick) => it.p.chars(symbols[Math.round(tick)] ?? '')), power: 0 };
  if (frame.mode[which] === 'log')
    return { texts: ticks.map((tick) => it.source(`$10^{${Number(tick.toFixed(2))}}$`)), power: 0 };
  const power = commonPower(ticks);
  const shown = ticks.map((tick) => tick / Math.pow(10, power));
  const places = placesFor(shown);
  return { texts: shown.map((tick) => it.source(`$${tickText(tick, places)}$`)), power };
}

/** Names of the axes and the title. */
function drawNames(painter: Painter): void {
  const { axis, frame } = painter;
  const { settings, outer } = axis;
  const { corner, width, height } = frame;
  const g = { ...outer, colour: 0 };
  const [nameX, nameY] = settings.labels;
  const [styleX = [], styleY = []] = settings.labelStyle;
  const middle = settings.lines.map((kind) => kind === 'middle');
  const LABELS = 15 * PT;
  if (nameX)
    if (middle[0])
      words(
        painter,
        g,
        nameX,
        plus(corner, { x: width, y: lineAt(painter, 0) }),
        'south east',
        styleX,
      );
    else
      words(
        painter,
        g,
        nameX,
        plus(corner, { x: width / 2, y: lineAt(painter, 0) - LABELS }),
        'north',
        styleX,
      );
  if (nameY)
    if (middle[1])
      words(
        painter,
        g,
        nameY,
        plus(corner, { x: lineAt(painter, 1), y: height }),
        'north west',
        styleY,
      );
    else {
      const turned = [...painter.reading.it.source('rotate=90,'), ...styleY];
      words(
        painter,
        g,
        nameY,
        plus(corner, { x: -widest(painter) - 8 * PT, y: height / 2 }),
        'south',
        turned,
      );
    }
  if (settings.title)
    words(
      painter,
      g,
      settings.title,
      plus(corner, { x: width / 2, y: height + 2 * PT }),
      'south',
      settings.titleStyle,
    );
}

/** How far the labels of the upright axis reach to its left. */
function widest(painter: Painter): number {
  const { texts } = labelsOf(painter, 1, ticksAlong(painter, 1));
  const { reading, axis } = painter;
  const g = freshNode(axis.outer);
  return (
    Math.max(0, ...texts.map((tokens) => setText(reading, g, tokens).width)) + 2 * g.node.innerX
  );
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
    slant: 60,
  };
  const map = translation(corner.x + width / 2, corner.y + height / 2);
  const node = { shape: shapeAround('rectangle', room), map, isCoordinate: false };
  reading.picture.nodes.set('current axis', node);
  reading.picture.nodes.set(axis.settings.name, node);
}
