import { PT } from '../../../base/lengths';
import { IDENTITY, type Point } from '../../../base/maps';
import { polyline } from '../../../base/paths';
import type { Token } from '../../../expansion/meaning';
import type { Interpreter } from '../../machine/interpreter';
import { colourOf } from '../../scanning/colours';
import { freshPath } from '../graphics';
import { paintPath } from '../painting';
import { bare, partsOf, wordsOf } from '../words';
import type { DataPoint, Plot } from './axis';
import { mappedColour } from './colourMaps';
import { words, type Painter } from './frame';
import { optionsIn } from './optionPaths';
import { placesFor, tickText, ticksBy, tickStep } from './scale';

/** Lines of one height through a grid of values (pgfplots manual, section 4.6.8). */
export interface Contours {
  /** Where they are listed. */
  readonly levels: readonly number[] | null;
  readonly count: number;
  readonly labels: boolean;
  /** What lies between the lines is painted, and they are not drawn. */
  readonly filled: boolean;
  /** The colour of all lines; null for that of their height. */
  readonly colour: number | null;
}

const KINDS = /^contour(?: (?:gnuplot|lua|external|filled|prepared))?$/;

/** What options ask for; null where they ask for none. */
export function contoursIn(it: Interpreter, options: readonly Token[]): Contours | null {
  let found: Contours | null = null;
  const list = (text: string): number[] => partsOf(text, ',').map(Number).filter(Number.isFinite);
  for (const [name, value] of optionsIn(it, options)) {
    const isKind = KINDS.test(name);
    if (isKind)
      found ??= {
        levels: null,
        count: 5,
        labels: true,
        filled: name === 'contour filled',
        colour: null,
      };
    if (!found) continue;
    const own = isKind ? optionsIn(it, value) : [[name.replace(/^contour\//, ''), value] as const];
    for (const [key, said] of own) {
      const text = bare(wordsOf(it, said));
      if (key === 'levels') found = { ...found, levels: list(text) };
      else if (key === 'number') found = { ...found, count: Number(text) || 5 };
      else if (key === 'draw color' && text !== 'mapped color')
        found = { ...found, colour: colourOf(it, null, said) };
      else if (key === 'labels') found = { ...found, labels: text !== 'false' };
    }
  }
  return found;
}

/** So many levels as asked for, at round numbers within the range. */
export function levelsOf(
  values: readonly number[],
  { levels, count }: Contours,
): readonly number[] {
  if (levels) return levels;
  const range = { min: Math.min(...values), max: Math.max(...values) };
  if (!(range.max > range.min)) return [];
  const step = tickStep(range, 35 * (count + 1));
  return ticksBy(step, range).filter((level) => level > range.min && level < range.max);
}

type Piece = readonly [DataPoint, DataPoint];

/** Where an edge of the grid crosses a level; null when it does not. */
function crossing(a: DataPoint, b: DataPoint, level: number): DataPoint | null {
  if (a.z >= level === b.z >= level) return null;
  const share = (level - a.z) / (b.z - a.z);
  const between = (from: number, to: number): number => from + share * (to - from);
  return { ...a, x: between(a.x, b.x), y: between(a.y, b.y), z: level };
}

/** The pieces of a level in the triangles of a grid, two to each of its cells (Lorensen and Cline's marching, in the plane). */
export function piecesOf(points: readonly DataPoint[], perRow: number, level: number): Piece[] {
  const pieces: Piece[] = [];
  for (let i = 0; i + perRow + 1 < points.length; i++) {
    if ((i + 1) % perRow === 0) continue;
    const [a, b, c, d] = [i, i + 1, i + perRow + 1, i + perRow].map((at) => points[at]);
    if (!a || !b || !c || !d || ![a, b, c, d].every(({ z }) => Number.isFinite(z))) continue;
    for (const [p, q, r] of [
      [a, b, c],
      [a, c, d],
    ] as const) {
      const ends = [crossing(p, q, level), crossing(q, r, level), crossing(r, p, level)];
      const [from, to] = ends.filter((end): end is DataPoint => end !== null);
      if (from && to) pieces.push([from, to]);
    }
  }
  return pieces;
}

const keyOf = ({ x, y }: DataPoint): string => `${x.toPrecision(9)},${y.toPrecision(9)}`;

/** Pieces put together where they meet. */
export function joined(pieces: readonly Piece[]): DataPoint[][] {
  const ends = new Map<string, number[]>();
  pieces.forEach((piece, i) => {
    for (const end of piece) ends.set(keyOf(end), [...(ends.get(keyOf(end)) ?? []), i]);
  });
  const used = new Set<number>();
  const grow = (line: DataPoint[]): void => {
    for (;;) {
      const last = line.at(-1) as DataPoint;
      const next = ends.get(keyOf(last))?.find((i) => !used.has(i));
      if (next === undefined) return;
      used.add(next);
      const [from, to] = pieces[next] as Piece;
      line.push(keyOf(from) === keyOf(last) ? to : from);
    }
  };
  return pieces.flatMap((piece, i) => {
    if (used.has(i)) return [];
    used.add(i);
    const line = [...piece];
    grow(line);
    line.reverse();
    grow(line);
    return [line];
  });
}

/** Draws the lines of a plot at each of its levels, in the colours of their heights, with their numbers on them. */
export function drawContours(painter: Painter, plot: Plot, at: (point: DataPoint) => Point): void {
  const { contours, points, perRow } = plot;
  if (!contours || perRow < 2) return;
  const { reading, axis, span } = painter;
  const values = points.map(({ z }) => z).filter(Number.isFinite);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const levels = levelsOf(values, contours);
  const fresh = freshPath({ ...plot.g, map: IDENTITY });
  const places = placesFor(levels);
  if (contours.filled) return fillBands(painter, plot, at, [least, ...levels, most]);
  const labels: (() => void)[] = [];
  for (const level of levels) {
    if (!reading.it.p.spend(points.length / 4, 'addplot3')) return;
    const own =
      contours.colour ?? mappedColour(axis.settings.colours, (level - least) / (most - least || 1));
    const g = { ...fresh, drawColour: own, mode: { ...fresh.mode, draw: true, fill: false } };
    for (const line of joined(piecesOf(points, perRow, level))) {
      const ends = line.map(at);
      paintPath(reading, g, polyline(ends), span);
      const middle = ends[Math.floor(ends.length / 2)];
      if (!contours.labels || !middle || lengthOf(ends) < LABELLED) continue;
      const text = reading.it.source(`$${tickText(level, places)}$`);
      const style = reading.it.source('fill=white,inner sep=1pt,font=\\tiny');
      labels.push(() =>
        words(painter, { ...axis.outer, colour: own }, text, middle, 'center', style),
      );
    }
  }
  for (const draw of labels) draw();
}

/** The cells of the grid, each in the colour of the band between two levels that it lies in. */
function fillBands(
  { reading, axis, span }: Painter,
  { g, points, perRow }: Plot,
  at: (point: DataPoint) => Point,
  bounds: readonly number[],
): void {
  if (!reading.it.p.spend(points.length, 'addplot3')) return;
  const fresh = freshPath({ ...g, map: IDENTITY });
  const mode = { ...fresh.mode, draw: false, fill: true };
  for (let i = 0; i + perRow + 1 < points.length; i++) {
    if ((i + 1) % perRow === 0) continue;
    const four = [i, i + 1, i + perRow + 1, i + perRow].flatMap((n) => points[n] ?? []);
    if (four.some(({ z }) => !Number.isFinite(z))) continue;
    const mean = four.reduce((sum, { z }) => sum + z, 0) / 4;
    const band = Math.max(
      1,
      bounds.findIndex((bound) => bound >= mean),
    );
    const share = (band - 0.5) / (bounds.length - 1);
    const fillColour = mappedColour(axis.settings.colours, share);
    paintPath(reading, { ...fresh, fillColour, mode }, polyline(four.map(at), true), span);
  }
}

/** Shorter lines have no number. */
const LABELLED = 30 * PT;

const lengthOf = (points: readonly Point[]): number =>
  points.reduce((sum, { x, y }, i) => {
    const before = points[i - 1];
    return before ? sum + Math.hypot(x - before.x, y - before.y) : 0;
  }, 0);
