import { PT } from '../../../base/lengths';
import { IDENTITY, type Point } from '../../../base/maps';
import { polyline } from '../../../base/paths';
import { freshPath, type Graphics } from '../graphics';
import { paintPath } from '../painting';
import { plotMarks } from '../plots';
import type { AxisSettings, DataPoint, Plot } from './axis';
import { drawAxes } from './axisLines';
import { words, type Painter } from './frame';
import { drawGrid } from './ticks';
import { mappedColour } from './colourMaps';
import { placesFor, rangeOf, tickText, ticksOf, type Range } from './scale';
import { drawContours } from './contours';

/** A view of three dimensions: where a point of the data falls in the picture, and how near it is. */
interface View {
  readonly at: (point: DataPoint) => Point;
  readonly near: (point: DataPoint) => number;
  readonly ranges: readonly [Range, Range, Range];
}

function viewOf({ axis, frame }: Painter): View {
  const { settings, plots } = axis;
  const points = plots.flatMap((plot) => plot.points).filter(({ z }) => Number.isFinite(z));
  const range = (values: readonly number[], i: number): Range =>
    rangeOf(
      values,
      settings.min[i] ?? null,
      settings.max[i] ?? null,
      settings.enlarge[i] ?? 0,
      'linear',
    );
  const ranges = [
    range(
      points.map(({ x }) => x),
      0,
    ),
    range(
      points.map(({ y }) => y),
      1,
    ),
    range(
      points.map(({ z }) => z),
      2,
    ),
  ] as const;
  const [azimuth, elevation] = settings.view.map((degrees) => (degrees * Math.PI) / 180) as [
    number,
    number,
  ];
  const [ca, sa, ce, se] = [
    Math.cos(azimuth),
    Math.sin(azimuth),
    Math.cos(elevation),
    Math.sin(elevation),
  ];
  const unit = (value: number, { min, max }: Range): number => (value - min) / (max - min) - 0.5;
  const cube = (point: DataPoint) =>
    [unit(point.x, ranges[0]), unit(point.y, ranges[1]), unit(point.z, ranges[2])] as const;
  const flat = (point: DataPoint): Point => {
    const [x, y, z] = cube(point);
    return { x: x * ca + y * sa, y: (-x * sa + y * ca) * se + z * ce };
  };
  const extent = (a: number, b: number): number => Math.abs(a) + Math.abs(b);
  const scaleX = frame.width / extent(ca, sa);
  const scaleY = frame.height / (extent(sa, ca) * se + ce);
  return {
    ranges,
    at: (point) => {
      const { x, y } = flat(point);
      return {
        x: frame.corner.x + frame.width / 2 + x * scaleX,
        y: frame.corner.y + frame.height / 2 + y * scaleY,
      };
    },
    near: (point) => {
      const [x, y, z] = cube(point);
      return (x * sa - y * ca) * ce + z * se;
    },
  };
}

const corner = (x: number, y: number, z: number): DataPoint => ({ x, y, z, errorX: 0, errorY: 0 });

/** Draws an axis of three dimensions: its box behind, its plots from far to near, its numbers. */
export function drawSpace(painter: Painter): void {
  const view = viewOf(painter);
  const fromAbove = isFromAbove(painter.axis.settings);
  if (!painter.axis.settings.hidden && !fromAbove) drawBox(painter, view);
  if (fromAbove) {
    drawGrid(painter);
    drawPlanes(painter, view);
    return drawAxes(painter);
  }
  drawPlanes(painter, view);
}

/** Looked at from above: the axes of two dimensions stand around. */
export const isFromAbove = ({ view: [turn, height] }: AxisSettings): boolean =>
  turn === 0 && height === 90;

function drawPlanes(painter: Painter, view: View): void {
  for (const plot of painter.axis.plots)
    if (plot.form === 'surface' || plot.form === 'mesh') drawSurface(painter, view, plot);
    else if (plot.form === 'contour') drawContours(painter, plot, view.at);
    else drawCurve(painter, view, plot);
}

const line = (painter: Painter, points: readonly Point[], change: Partial<Graphics> = {}): void => {
  const fresh = freshPath({ ...painter.axis.outer, map: IDENTITY, colour: 0, lineWidth: 0.4 * PT });
  paintPath(
    painter.reading,
    { ...fresh, ...change, mode: { ...fresh.mode, draw: true } },
    polyline(points),
    painter.span,
  );
};

/** The edges of the box that lie behind, and the numbers along those in front. */
function drawBox(painter: Painter, view: View): void {
  const [x, y, z] = view.ranges;
  const at = (a: number, b: number, c: number): Point => view.at(corner(a, b, c));
  line(painter, [at(x.min, y.min, z.min), at(x.max, y.min, z.min), at(x.max, y.max, z.min)]);
  line(painter, [
    at(x.min, y.min, z.min),
    at(x.min, y.min, z.max),
    at(x.min, y.max, z.max),
    at(x.max, y.max, z.max),
    at(x.max, y.max, z.min),
  ]);
  line(painter, [at(x.min, y.min, z.min), at(x.min, y.max, z.min), at(x.max, y.max, z.min)], {
    colour: 0x999999,
  });
  line(painter, [at(x.min, y.max, z.min), at(x.min, y.max, z.max)], { colour: 0x999999 });
  const { reading, axis } = painter;
  const g = { ...axis.outer, colour: 0 };
  const number = (value: number, step: readonly number[], place: Point, anchor: string): void =>
    words(painter, g, reading.it.source(`$${tickText(value, placesFor(step))}$`), place, anchor);
  const side = (range: Range, length: number, i: number): number[] =>
    axis.settings.ticks[i]?.slice() ?? ticksOf('linear', range, length, null);
  const ticks = [side(x, 120, 0), side(y, 90, 1), side(z, 110, 2)];
  for (const value of ticks[0] ?? [])
    number(value, ticks[0] ?? [], at(value, y.min, z.min), 'north');
  for (const value of ticks[1] ?? [])
    number(value, ticks[1] ?? [], at(x.max, value, z.min), 'north west');
  for (const value of ticks[2] ?? [])
    number(value, ticks[2] ?? [], at(x.min, y.min, value), 'east');
  const [nameX, nameY, nameZ] = axis.settings.labels;
  const middle = ({ min, max }: Range): number => (min + max) / 2;
  const below = (p: Point, by: number): Point => ({ x: p.x, y: p.y - by * PT });
  if (nameX) words(painter, g, nameX, below(at(middle(x), y.min, z.min), 12), 'north');
  if (nameY)
    words(
      painter,
      g,
      nameY,
      below({ ...at(x.max, middle(y), z.min), x: at(x.max, middle(y), z.min).x + 14 * PT }, 6),
      'north west',
    );
  if (nameZ)
    words(
      painter,
      g,
      nameZ,
      { ...at(x.min, y.min, middle(z)), x: at(x.min, y.min, middle(z)).x - 24 * PT },
      'south',
      reading.it.source('rotate=90'),
    );
  if (axis.settings.title)
    words(
      painter,
      g,
      axis.settings.title,
      {
        x: painter.frame.corner.x + painter.frame.width / 2,
        y: painter.frame.corner.y + painter.frame.height,
      },
      'south',
    );
}

/** A grid of values as patches from far to near, each in the colour of its height. */
function drawSurface(painter: Painter, view: View, plot: Plot): void {
  const { reading, span, axis } = painter;
  const { points, perRow } = plot;
  if (perRow < 2) return;
  const [, , z] = view.ranges;
  const patches: { path: readonly Point[]; near: number; share: number }[] = [];
  for (let i = 0; i + perRow < points.length; i++) {
    if ((i + 1) % perRow === 0) continue;
    const four = [points[i], points[i + 1], points[i + perRow + 1], points[i + perRow]].filter(
      (one): one is DataPoint => one !== undefined,
    );
    if (four.length < 4 || four.some((one) => !Number.isFinite(one.z))) continue;
    const mean = four.reduce((sum, one) => sum + one.z, 0) / 4;
    const near = four.reduce((sum, one) => sum + view.near({ ...one, z: (z.min + z.max) / 2 }), 0);
    patches.push({ path: four.map(view.at), near, share: (mean - z.min) / (z.max - z.min) });
  }
  patches.sort((a, b) => a.near - b.near);
  const fresh = freshPath({ ...plot.g, map: IDENTITY });
  for (const { path, share } of patches) {
    const colour = mappedColour(axis.settings.colours, share);
    const edge = plot.form === 'mesh' || plot.plainPatches ? colour : darker(colour);
    const g: Graphics = {
      ...fresh,
      drawColour: edge,
      fillColour: plot.form === 'mesh' ? 0xffffff : colour,
      lineWidth: 0.2 * PT,
      mode: { ...fresh.mode, draw: true, fill: true },
    };
    paintPath(reading, g, polyline(path, true), span);
  }
}
const darker = (colour: number): number =>
  [16, 8, 0].reduce(
    (sum, shift) => sum | (Math.round(((colour >> shift) & 255) * 0.8) << shift),
    0,
  );

function drawCurve(painter: Painter, view: View, plot: Plot): void {
  const points = plot.points
    .filter(({ x, y, z }) => [x, y, z].every((n) => Number.isFinite(n)))
    .map(view.at);
  const g = { ...plot.g, map: IDENTITY };
  if (!g.plot.onlyMarks) paintPath(painter.reading, g, polyline(points), painter.span);
  plotMarks(painter.reading, g, points, painter.span);
}
