import { mapped, translation } from '../../../base/maps';
import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { placeOf } from '../coordinates';
import { GRAPHICS, type Graphics } from '../graphics';
import { newSaying } from '../nodes';
import { DEFERRED, graphicsOf } from '../openPicture';
import { readingOf } from '../reading';
import { takeOptions } from '../scanPath';
import { AXIS, EVERY_AXIS, type AxisSettings, type OpenAxis } from './axis';
import { drawPlots } from './drawPlots';
import { drawAxes } from './axisLines';
import { frameOf, nameAxis, type Frame, type Painter } from './frame';
import { drawGrid } from './ticks';
import { drawLegend } from './legend';
import { withPaths } from './optionPaths';
import { readSettings, STANDARD } from './settings';
import { drawColourBar } from './colourBar';
import { drawPolarAxes } from './polar';
import { drawSpace } from './surfaces';

/** Begins an axis: its options, and the list of what it will show. */
export function beginAxis(it: Interpreter, mode: AxisSettings['mode'], polar = false): void {
  const reading = readingOf(it);
  const every = readSettings(reading, { ...STANDARD, mode, polar }, it.read(EVERY_AXIS));
  const own = readSettings(reading, every.settings, withPaths(it, takeOptions({ it }) ?? []));
  const comma = it.p.chars(',');
  const axis: OpenAxis = {
    settings: own.settings,
    plots: [],
    later: [],
    legend: [],
    images: [],
    every: [...every.rest, ...comma, ...own.rest],
    outer: graphicsOf(it),
    saying: newSaying(),
    dimensions: 2,
  };
  it.write(AXIS, axis);
  // Paths and nodes wait until the limits are known.
  it.write(DEFERRED, axis.later);
}

/** Draws the axis that was read. */
export function endAxis(it: Interpreter): void {
  const open = it.read(AXIS);
  if (!open) return;
  const axis = withDataTicks(open);
  const reading = readingOf(it);
  it.write(DEFERRED, null);
  it.write(AXIS, null);
  const { settings, outer } = axis;
  const corner =
    settings.at === null
      ? mapped(outer.map, { x: 0, y: 0 })
      : placeOf(reading, outer, settings.at).at;
  const { span } = it.innermost;
  const painter: Painter = {
    reading,
    axis,
    frame: anchored(scaled(frameOf(settings, axis, corner), outer), settings),
    span,
  };
  nameAxis(painter);
  drawStatements(it, painter, axis.later.filter(isNamed));
  const space = axis.plots.some(({ three }) => three);
  if (settings.polar) {
    drawPolarAxes(painter);
    drawPlots(painter);
  } else if (space) drawSpace(painter);
  else {
    drawGrid(painter);
    if (!settings.axisOnTop) drawAxes(painter);
    drawPlots(painter);
    if (settings.axisOnTop) drawAxes(painter);
  }
  if (settings.colourBar) drawColourBar(painter);
  drawStatements(
    it,
    painter,
    axis.later.filter((statement) => !isNamed(statement)),
  );
  drawLegend(painter);
}

/** The frame as the picture around it is scaled; what is written at it keeps its size. */
function scaled(frame: Frame, { map: { a, b, c, d } }: Graphics): Frame {
  if (b !== 0 || c !== 0 || a <= 0 || d <= 0) return frame;
  return { ...frame, width: frame.width * a, height: frame.height * d };
}

/** The frame moved so that the anchor it asks for lies at its place. */
function anchored(frame: Frame, { anchor }: AxisSettings): Frame {
  const across = /east/.test(anchor) ? 1 : /west/.test(anchor) ? 0 : 0.5;
  const up = /north/.test(anchor) ? 1 : /south/.test(anchor) ? 0 : 0.5;
  const { corner, width, height } = frame;
  return { ...frame, corner: { x: corner.x - across * width, y: corner.y - up * height } };
}

/** From the coordinates of the data to the picture: units, origin, and how the axes count. */
function dataMap(frame: Frame): Pick<Graphics, 'x' | 'y' | 'map' | 'scales'> {
  const { corner, width, height, mode } = frame;
  const across = frame.x.max - frame.x.min;
  const up = frame.y.max - frame.y.min;
  if (frame.polar) {
    const unit = width / 2 / up;
    const map = translation(corner.x + width / 2, corner.y + height / 2);
    return { x: { x: unit, y: 0 }, y: { x: 0, y: unit }, map, scales: 'polar' };
  }
  const [backX, backY] = frame.reverse;
  const x = ((backX ? -1 : 1) * width) / across;
  const y = ((backY ? -1 : 1) * height) / up;
  const map = translation(
    corner.x - (backX ? frame.x.max : frame.x.min) * x,
    corner.y - (backY ? frame.y.max : frame.y.min) * y,
  );
  return { x: { x, y: 0 }, y: { x: 0, y }, map, scales: mode };
}

/** Where a tick is wanted at each point of the data, those of the first plot are listed. */
function withDataTicks(axis: OpenAxis): OpenAxis {
  const { settings, plots } = axis;
  const [first] = plots;
  if (!first || !settings.ticksAtData.some((at) => at)) return axis;
  const ticks = settings.ticks.map((listed, i) => {
    if (!settings.ticksAtData[i]) return listed;
    const values = first.points.map(({ x, y, z }) => (i === 0 ? x : i === 1 ? y : z));
    return [...new Set(values.filter((value) => Number.isFinite(value)))].sort((a, b) => a - b);
  });
  return { ...axis, settings: { ...settings, ticks } };
}

/** Paths with names are there before the plots: what lies between them and plots may be filled. */
const isNamed = (statement: readonly Token[]): boolean =>
  statement
    .map(({ text }) => text)
    .join('')
    .includes('name path');

/** What stood between the plots, in the coordinates of the axis. */
function drawStatements(
  it: Interpreter,
  { axis, frame }: Painter,
  statements: readonly (readonly Token[])[],
): void {
  if (statements.length === 0) return;
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.write(GRAPHICS, { ...axis.outer, ...dataMap(frame) });
  for (const statement of statements) it.execute(statement);
  it.closeGroup();
}
