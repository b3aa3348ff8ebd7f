import { IDENTITY, type Point } from '../../../base/maps';
import { polyline } from '../../../base/paths';
import type { Interpreter } from '../../machine/interpreter';
import type { Token } from '../../../expansion/meaning';
import { paintPath } from '../painting';
import { plotMarks } from '../plots';
import { bare, partsOf, wordsOf } from '../words';
import type { DataPoint, Plot } from './axis';
import { placed, type Painter } from './frame';
import { optionsIn } from './optionPaths';

/** A box plot: five numbers, what lies beyond the whiskers, where it stands and how wide it is. */
export interface BoxPlot {
  readonly lower: number;
  readonly low: number;
  readonly median: number;
  readonly high: number;
  readonly upper: number;
  readonly average: number | null;
  readonly outliers: readonly number[];
  readonly position: number;
  readonly extend: number;
  /** It stands upright. */
  readonly upright: boolean;
}

/** What options say of a box plot, or null where the plot is none (pgfplots manual, section 5.12.1). */
export function boxOptionsIn(
  it: Interpreter,
  options: readonly Token[],
): ReadonlyMap<string, string> | null {
  const said = new Map<string, string>();
  let isBox = false;
  for (const [name, value] of optionsIn(it, options)) {
    const path = /^(?:\/pgfplots\/)?boxplot(?:\/(.*)| prepared)?$/.exec(name);
    if (!path) continue;
    const text = bare(wordsOf(it, value));
    if (path[1] !== undefined) {
      said.set(path[1], text);
      continue;
    }
    isBox = true;
    if (name.endsWith('prepared')) said.set('prepared', '');
    for (const inner of partsOf(text, ',')) {
      const [key = '', ...given] = inner.split('=');
      said.set(key.trim(), bare(given.join('=')));
    }
  }
  return isBox ? said : null;
}

/** The value below which a share of sorted numbers lies: that at its place, or the middle of two. */
export function quantile(sorted: readonly number[], share: number): number {
  const at = share * sorted.length;
  const whole = Math.ceil(at - 1e-9);
  const value = (i: number): number => sorted[Math.min(sorted.length - 1, Math.max(0, i))] ?? NaN;
  return Math.abs(at - Math.round(at)) < 1e-9
    ? (value(Math.round(at) - 1) + value(Math.round(at))) / 2
    : value(whole - 1);
}

/**
 * A box plot of data, or of the numbers that are given.
 *
 * @param count how many there are before it: they stand at 1, 2, …
 */
export function boxPlotOf(
  said: ReadonlyMap<string, string>,
  points: readonly DataPoint[],
  count: number,
): BoxPlot | null {
  const number = (key: string, usual: number): number => {
    const value = Number(said.get(key));
    return said.has(key) && Number.isFinite(value) ? value : usual;
  };
  const place = {
    position: number('draw position', count + 1),
    extend: number('box extend', 0.8),
    upright: said.get('draw direction') === 'y',
    average: said.has('average') ? number('average', NaN) : null,
  };
  if (said.has('prepared')) {
    const median = number('median', NaN);
    const [low, high] = [number('lower quartile', median), number('upper quartile', median)];
    return {
      ...place,
      lower: number('lower whisker', low),
      low,
      median,
      high,
      upper: number('upper whisker', high),
      outliers: points.map(({ y }) => y),
    };
  }
  const sorted = points
    .map(({ y }) => y)
    .filter(Number.isFinite)
    .sort((a, b) => a - b);
  if (sorted.length === 0) return null;
  const [low, median, high] = [0.25, 0.5, 0.75].map((share) => quantile(sorted, share));
  const reach = number('whisker range', 1.5) * ((high ?? 0) - (low ?? 0));
  const within = sorted.filter((y) => y >= (low ?? 0) - reach && y <= (high ?? 0) + reach);
  return {
    ...place,
    lower: within[0] ?? low ?? 0,
    low: low ?? 0,
    median: median ?? 0,
    high: high ?? 0,
    upper: within.at(-1) ?? high ?? 0,
    outliers: sorted.filter((y) => !within.includes(y)),
  };
}

/** Points that the limits of the axes take in. */
export function cornersOf(box: BoxPlot): DataPoint[] {
  const { position, extend, upright, lower, upper, outliers } = box;
  const point = (along: number, value: number): DataPoint => ({
    x: upright ? along : value,
    y: upright ? value : along,
    z: 0,
    errorX: 0,
    errorY: 0,
  });
  return [
    point(position - extend / 2, lower),
    point(position + extend / 2, upper),
    ...outliers.map((value) => point(position, value)),
  ].filter(({ x, y }) => Number.isFinite(x) && Number.isFinite(y));
}

/** The line at the end of a whisker is so much of the box's width. */
const WHISKER = 0.8;

export function drawBoxPlot({ frame, reading, span }: Painter, plot: Plot): void {
  const { box } = plot;
  if (!box) return;
  const { position, extend, upright } = box;
  const g = { ...plot.g, map: IDENTITY };
  const at = (along: number, value: number): Point =>
    placed(frame, upright ? { x: along, y: value } : { x: value, y: along });
  const [left, right] = [position - extend / 2, position + extend / 2];
  const across = (value: number, share: number) =>
    polyline([
      at(position - (share * extend) / 2, value),
      at(position + (share * extend) / 2, value),
    ]);
  const line = (path: ReturnType<typeof polyline>): void =>
    paintPath(reading, { ...g, mode: { ...g.mode, fill: false, draw: true } }, path, span);
  paintPath(
    reading,
    { ...g, mode: { ...g.mode, fill: g.mode.fill || g.fillColour !== null, draw: true } },
    polyline(
      [at(left, box.low), at(right, box.low), at(right, box.high), at(left, box.high)],
      true,
    ),
    span,
  );
  line(across(box.median, 1));
  line(polyline([at(position, box.low), at(position, box.lower)]));
  line(polyline([at(position, box.high), at(position, box.upper)]));
  line(across(box.lower, WHISKER));
  line(across(box.upper, WHISKER));
  const marks = [...box.outliers, ...(box.average === null ? [] : [box.average])];
  plotMarks(
    reading,
    g,
    marks.map((value) => at(position, value)),
    span,
  );
}
