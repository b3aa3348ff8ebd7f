import { PT } from '../../../base/lengths';
import { IDENTITY, type Point } from '../../../base/maps';
import { pointsAlong, polyline, rectangle, stretchesOf, type Path } from '../../../base/paths';
import { lengthOn, parameterAt, directionOn, smoothed } from '../../../drawing/curves';
import { pointOn } from '../../../base/paths';
import type { Mark } from '../../../document/drawing';
import type { Graphics } from '../graphics';
import { addMarks } from '../openPicture';
import { paintPath } from '../painting';
import { placeNode } from '../pathNodes';
import { inSteps, plotMarks } from '../plots';
import type { DataPoint, Plot } from './axis';
import { drawBoxPlot } from './boxPlot';
import { drawErrors } from './errorBars';
import { placed, type Painter } from './frame';
import { drawNearCoordinates } from './nearCoordinates';
import { asStacked } from './stacked';
import { drawScatter } from './scatter';

/** Runs of points between which the line is drawn: it breaks where a number is missing. */
function runsOf(points: readonly DataPoint[]): DataPoint[][] {
  const runs: DataPoint[][] = [[]];
  for (const point of points) {
    if (Number.isFinite(point.x) && Number.isFinite(point.y)) runs.at(-1)?.push(point);
    else if (runs.at(-1)?.length) runs.push([]);
  }
  return runs.filter((run) => run.length > 0);
}

/** The state of a plot, drawn in the picture's own lengths. */
const flat = (g: Graphics): Graphics => ({ ...g, map: IDENTITY });

/** Draws all plots within the frame; their marks and nodes above them. */
export function drawPlots(painter: Painter): void {
  const { axis, frame, reading, span } = painter;
  const { corner, width, height } = frame;
  const clip = rectangle(corner.x, corner.y, width, height);
  const stacked = asStacked(axis);
  const bars = stacked.filter(({ form }) => form === 'ybar' || form === 'xbar');
  const within = (act: () => void): void => {
    if (!axis.settings.clip) return act();
    const inside: Mark[] = [];
    const { picture } = reading;
    const before = { later: picture.later, bounds: picture.bounds };
    picture.later = inside;
    act();
    picture.later = before.later;
    picture.bounds = before.bounds;
    addMarks(reading, [{ kind: 'group', marks: inside, map: IDENTITY, clip }], false);
  };
  stacked.forEach((plot, i) => {
    within(() => drawPlot(painter, plot, bars.indexOf(plot), bars.length, stacked));
    const points = runsOf(plot.points)
      .flat()
      .filter((point) => inFrame(painter, point));
    // Marks are not cut off at the frame.
    const g = flat(plot.g);
    if (plot.scatter && plot.form === 'line') drawScatter(painter, plot, points);
    else if (plot.form === 'line')
      plotMarks(
        reading,
        g,
        points.map((point) => placed(frame, point)),
        span,
      );
    const shift = shiftOf(painter, plot, bars.indexOf(plot), bars.length);
    drawNearCoordinates(painter, plot, points, axis.plots[i] ?? plot, shift);
    placeNodes(painter, plot);
  });
}

const inFrame = ({ frame }: Painter, point: DataPoint): boolean => {
  const { x, y } = placed(frame, point);
  const { corner, width, height } = frame;
  return (
    x >= corner.x - PT &&
    x <= corner.x + width + PT &&
    y >= corner.y - PT &&
    y <= corner.y + height + PT
  );
};

function drawPlot(
  painter: Painter,
  plot: Plot,
  bar: number,
  bars: number,
  all: readonly Plot[],
): void {
  const { reading, span } = painter;
  const g = flat(plot.g);
  if (plot.form === 'ybar' || plot.form === 'xbar') {
    drawBars(painter, plot, bar, bars);
    if (plot.errors) drawErrors(painter, plot, shiftOf(painter, plot, bar, bars));
    return;
  }
  if (plot.form === 'interval') return drawIntervals(painter, plot);
  if (plot.form === 'quiver') return drawArrows(painter, plot);
  if (plot.form === 'box') return drawBoxPlot(painter, plot);
  if (plot.form === 'fill') return fillBetween(painter, plot, all);
  if (plot.errors) drawErrors(painter, plot);
  if (g.plot.onlyMarks) return;
  for (const run of runsOf(plot.points)) {
    const line = lineThrough(painter, g, run);
    const isStacked = painter.axis.settings.stacked && run.some(({ z }) => z !== 0);
    const path = !plot.closedToAxis
      ? line
      : isStacked
        ? downToPlot(painter, g, line, run)
        : downToAxis(painter, line);
    paintPath(reading, { ...g, mode: { ...g.mode, draw: g.mode.draw, named: null } }, path, span);
  }
}

/** The line of a run of points: straight, smooth, or in steps. */
function lineThrough({ frame }: Painter, g: Graphics, run: readonly DataPoint[]): Path {
  const points = run.map((point) => placed(frame, point));
  if (g.plot.form === 'steps') return inSteps(points, g.plot);
  if (g.plot.form === 'ycomb')
    return points.flatMap((p) => polyline([{ x: p.x, y: zero(frame).y }, p]));
  if (g.plot.form === 'xcomb')
    return points.flatMap((p) => polyline([{ x: zero(frame).x, y: p.y }, p]));
  return g.plot.smooth
    ? smoothed(points, g.plot.tension, g.plot.closed)
    : polyline(points, g.plot.closed);
}

/** Where both axes count zero, or where they begin when they do not. */
function zero(frame: Painter['frame']): Point {
  const [x, y] = [
    Math.min(frame.x.max, Math.max(frame.x.min, 0)),
    Math.min(frame.y.max, Math.max(frame.y.min, 0)),
  ];
  return placed({ ...frame, mode: ['linear', 'linear'] }, { x, y });
}

function downToAxis({ frame }: Painter, line: Path): Path {
  const [first] = line;
  const last = line.at(-1);
  if (first?.kind !== 'move' || !last || last.kind === 'close') return line;
  const { y } = zero(frame);
  return [
    ...line,
    { kind: 'line', to: { x: last.to.x, y } },
    { kind: 'line', to: { x: first.to.x, y } },
    { kind: 'close' },
  ];
}

/** A stacked plot closes along the one below it. */
function downToPlot(painter: Painter, g: Graphics, line: Path, run: readonly DataPoint[]): Path {
  const below = run.map((point) => ({ ...point, y: point.z })).reverse();
  const back = lineThrough(painter, g, below).map((part, i) =>
    i === 0 && part.kind === 'move' ? { kind: 'line' as const, to: part.to } : part,
  );
  return [...line, ...back, { kind: 'close' }];
}

/** Bars from each point to the next one: the last point only ends them. */
function drawIntervals(painter: Painter, plot: Plot): void {
  const { frame, reading, span } = painter;
  const g = flat({
    ...plot.g,
    mode: { ...plot.g.mode, fill: plot.g.mode.fill || plot.g.fillColour !== null },
  });
  const base = zero(frame);
  const points = runsOf(plot.points).flat();
  points.slice(1).forEach((next, i) => {
    const [from, to] = [placed(frame, points[i] ?? next), placed(frame, next)];
    paintPath(reading, g, rectangle(from.x, base.y, to.x - from.x, from.y - base.y), span);
  });
}

/** An arrow from each point (`quiver`). */
function drawArrows(painter: Painter, plot: Plot): void {
  const { frame, reading, span } = painter;
  const g = flat(plot.g);
  plot.points.forEach((point, i) => {
    const by = plot.arrows[i];
    if (!by || !Number.isFinite(by.x + by.y) || (by.x === 0 && by.y === 0)) return;
    const [from, to] = [
      placed(frame, point),
      placed(frame, { x: point.x + by.x, y: point.y + by.y }),
    ];
    paintPath(reading, g, polyline([from, to]), span);
  });
}

/** How far the bars of a plot stand beside their places. */
function shiftOf({ axis }: Painter, plot: Plot, index: number, count: number): number {
  const { barWidth, barGap, stacked } = axis.settings;
  if (plot.barShift !== null) return plot.barShift;
  return stacked || index < 0 ? 0 : (index - (count - 1) / 2) * (barWidth + barGap);
}

function drawBars(painter: Painter, plot: Plot, index: number, count: number): void {
  const { axis, frame, reading, span } = painter;
  const { barWidth, stacked } = axis.settings;
  const places = shiftOf(painter, plot, index, count);
  const g = flat({
    ...plot.g,
    mode: { ...plot.g.mode, fill: plot.g.mode.fill || plot.g.fillColour !== null },
  });
  const base = zero(frame);
  for (const point of runsOf(plot.points).flat()) {
    const at = placed(frame, point);
    const below = stacked && point.z !== 0;
    const foot = {
      x: below ? placed(frame, { ...point, x: point.z }).x : base.x,
      y: below ? placed(frame, { ...point, y: point.z }).y : base.y,
    };
    const path =
      plot.form === 'ybar'
        ? rectangle(at.x + places - barWidth / 2, foot.y, barWidth, at.y - foot.y)
        : rectangle(foot.x, at.y + places - barWidth / 2, at.x - foot.x, barWidth);
    paintPath(reading, g, path, span);
  }
}

/** Fills what lies between two named plots; the second may be the axis. */
function fillBetween(painter: Painter, plot: Plot, all: readonly Plot[]): void {
  const { frame, reading, span } = painter;
  const [one = '', other = ''] = plot.between?.of ?? [];
  const domain = plot.between?.domain ?? null;
  const pathOf = (name: string): readonly Point[] | null => {
    const found = all.find(({ g }) => g.mode.named === name);
    if (found)
      return runsOf(cutTo(found.points, domain))
        .flat()
        .map((point) => placed(frame, point));
    const path = reading.picture.paths.get(name);
    if (path)
      return cutPath(
        pointsAlong(path),
        domain?.map((x) => placed(frame, { x, y: 0 }).x),
      );
    if (name !== 'axis') return null;
    const { y } = zero(frame);
    return [
      { x: frame.corner.x, y },
      { x: frame.corner.x + frame.width, y },
    ];
  };
  const [upper, lower] = [pathOf(one), pathOf(other)];
  if (!upper || !lower) return;
  const [from, to] = [upper[0]?.x ?? 0, upper.at(-1)?.x ?? 0];
  const along =
    other === 'axis'
      ? [
          { x: from, y: lower[0]?.y ?? 0 },
          { x: to, y: lower[0]?.y ?? 0 },
        ]
      : sameWay(upper, lower);
  const g = flat({
    ...plot.g,
    mode: { ...plot.g.mode, draw: false, fill: plot.g.mode.pattern === null },
  });
  paintPath(reading, g, polyline([...upper, ...[...along].reverse()], true), span);
}

/** Points in the order in which the others run from left to right, or back. */
function sameWay(model: readonly Point[], points: readonly Point[]): readonly Point[] {
  const way = (all: readonly Point[]): number => Math.sign((all.at(-1)?.x ?? 0) - (all[0]?.x ?? 0));
  return way(model) * way(points) < 0 ? points.toReversed() : points;
}

/** The points of a path between two places of the picture, with those on its edges. */
function cutPath(points: readonly Point[], ends: readonly number[] | undefined): readonly Point[] {
  const [from, to] = ends ?? [];
  if (from === undefined || to === undefined) return points;
  const plain = points.map(({ x, y }) => ({ x, y, z: 0, errorX: 0, errorY: 0 }));
  return cutTo(plain, [from, to]);
}

/** The points within a stretch of the axis, with those on its edges between two of them. */
export function cutTo(
  points: readonly DataPoint[],
  domain: readonly [number, number] | null,
): readonly DataPoint[] {
  if (!domain) return points;
  const [from, to] = domain;
  const out: DataPoint[] = [];
  points.forEach((point, i) => {
    const before = points[i - 1];
    const edges = before
      ? [from, to]
          .filter((x) => (x - before.x) * (x - point.x) < 0)
          .sort((a, b) => (before.x < point.x ? a - b : b - a))
      : [];
    for (const x of edges) {
      const share = (x - (before as DataPoint).x) / (point.x - (before as DataPoint).x);
      out.push({
        ...point,
        x,
        y: (before as DataPoint).y + share * (point.y - (before as DataPoint).y),
      });
    }
    if (point.x >= from && point.x <= to) out.push(point);
  });
  return out;
}

/** Nodes behind a plot stand on its line. */
function placeNodes(painter: Painter, plot: Plot): void {
  if (plot.nodes.length === 0) return;
  const { frame, reading, span } = painter;
  const stretches = stretchesOf(
    polyline(
      runsOf(plot.points)
        .flat()
        .map((point) => placed(frame, point)),
    ),
  );
  const lengths = stretches.map(lengthOn);
  const total = lengths.reduce((sum, length) => sum + length, 0);
  for (const node of plot.nodes) {
    let left = (node.g.node.position ?? 1) * total;
    let i = 0;
    while (i < stretches.length - 1 && left > (lengths[i] ?? 0)) left -= lengths[i++] ?? 0;
    const stretch = stretches[i];
    if (!stretch) return;
    const t = parameterAt(stretch, left);
    placeNode(reading, node, pointOn(stretch, t), directionOn(stretch, t), span);
  }
}
