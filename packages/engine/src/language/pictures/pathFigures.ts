import { PT } from '../../base/lengths';
import { mapped, type Point } from '../../base/maps';
import { arcSegments, ellipse, mappedPath, type Segment } from '../../base/paths';
import { rounded } from '../../drawing/curves';
import { minus, plus, polar, times } from '../../drawing/vectors';
import { numberIn, placeOf } from './coordinates';
import type { Graphics } from './graphics';
import { alongUnit, withKeys } from './keys';
import { listed, plotLine, plotMarks, plotted } from './plots';
import {
  takeBetween,
  takeCoordinate,
  takeGroup,
  takeOptions,
  takeThisWord,
  takeWord,
  type Scanner,
} from './scanPath';
import { readTarget, type Target } from './targets';
import { addFigure, addParts, curveTo, lineTo, moveTo, type Walk } from './walk';
import { partsOf, wordsOf } from './words';

/** Goes from the pen to the corner that lies across. */
export function addRectangle(walk: Walk, to: Point): void {
  const { g, place } = walk;
  // The sides run along the picture's axes, however it is turned.
  const origin = { x: g.map.e, y: g.map.f };
  const [u, v] = [
    minus(mapped(g.map, { x: 1, y: 0 }), origin),
    minus(mapped(g.map, { x: 0, y: 1 }), origin),
  ];
  const across = minus(to, place.at);
  const area = u.x * v.y - u.y * v.x || 1;
  const [a, b] = [
    (across.x * v.y - across.y * v.x) / area,
    (u.x * across.y - u.y * across.x) / area,
  ];
  const corners = [place.at, plus(place.at, times(v, b)), to, plus(place.at, times(u, a))];
  const path: Segment[] = [
    { kind: 'move', to: corners[0] as Point },
    ...corners.slice(1).map((corner): Segment => ({ kind: 'line', to: corner })),
    { kind: 'close' },
  ];
  addFigure(
    walk,
    rounded(
      path,
      path.map(() => g.rounding),
    ),
    to,
  );
  walk.last = [{ start: place.at, segment: { kind: 'line', to } }];
}

/** Radii in the picture's own axes. */
export function readEllipse(reader: Scanner, walk: Walk): void {
  const options = takeOptions(reader);
  let g = walk.g;
  if (options) g = withKeys(walk.reading, g, options);
  const words = takeCoordinate(reader);
  const call = { reading: walk.reading, g, node: null, name: '', value: null };
  let radii = g.radii;
  if (words !== null) {
    const [rx = '0', ry = rx] = words.split(/\s+and\s+/);
    radii = [
      alongUnit(call, rx, Math.hypot(g.x.x, g.x.y)),
      alongUnit(call, ry, Math.hypot(g.y.x, g.y.y)),
    ];
  }
  const [rx, ry] = radii ?? [0, 0];
  const linear = { ...g.map, e: walk.place.at.x, f: walk.place.at.y };
  addFigure(walk, mappedPath(ellipse({ x: 0, y: 0 }, rx, ry), linear), walk.place.at);
}

/** `arc (30:60:1cm)`, `arc[start angle=…]`: begins where the pen stands. */
export function readArc(reader: Scanner, walk: Walk): void {
  const { reading } = walk;
  const options = takeOptions(reader);
  const g = options ? withKeys(reading, walk.g, options) : walk.g;
  const words = takeCoordinate(reader);
  const call = { reading, g, node: null, name: '', value: null };
  let [from, to] = [g.arc.from, g.arc.to ?? g.arc.from + g.arc.delta];
  let radii = g.radii ?? [0, 0];
  if (words !== null) {
    const [a = '0', b = '0', r = '0'] = partsOf(words, ':');
    [from, to] = [numberIn(reading, a).value, numberIn(reading, b).value];
    const [rx = '0', ry = rx] = r.split(/\s+and\s+/);
    radii = [
      alongUnit(call, rx, Math.hypot(g.x.x, g.x.y)),
      alongUnit(call, ry, Math.hypot(g.y.x, g.y.y)),
    ];
  }
  const [rx, ry] = radii;
  const centre = times(polar(from, rx, ry), -1);
  const linear = { ...g.map, e: walk.place.at.x, f: walk.place.at.y };
  addParts(walk, mappedPath(arcSegments(centre, rx, ry, from, to), linear));
}

const MOST_LINES = 4000;

export function readGrid(reader: Scanner, walk: Walk): void {
  const { reading } = walk;
  const options = takeOptions(reader);
  const g = options ? withKeys(reading, walk.g, options) : walk.g;
  const target = readTarget(reader, walk);
  if (!target) return;
  // Lines lie at whole steps of the picture's own coordinates.
  const [a, b] = [unmapped(g, walk.place.at), unmapped(g, target.place.at)];
  const step = { x: Math.abs(g.step?.x ?? g.x.x) || PT, y: Math.abs(g.step?.y ?? g.y.y) || PT };
  const path: Segment[] = [];
  const line = (p: Point, q: Point): void => {
    path.push({ kind: 'move', to: mapped(g.map, p) }, { kind: 'line', to: mapped(g.map, q) });
  };
  const within = (low: number, high: number, by: number): number[] => {
    const first = Math.ceil((low - 10) / by);
    const count = Math.min(MOST_LINES, Math.floor((high + 10) / by) - first + 1);
    return Array.from({ length: Math.max(0, count) }, (_, i) => (first + i) * by);
  };
  const [left, right] = [Math.min(a.x, b.x), Math.max(a.x, b.x)];
  const [low, high] = [Math.min(a.y, b.y), Math.max(a.y, b.y)];
  for (const y of within(low, high, step.y)) line({ x: left, y }, { x: right, y });
  for (const x of within(left, right, step.x)) line({ x, y: low }, { x, y: high });
  addFigure(walk, path, target.place.at);
}
function unmapped({ map }: Graphics, { x, y }: Point): Point {
  const { a, b, c, d, e, f } = map;
  const area = a * d - b * c || 1;
  return { x: (d * (x - e) - c * (y - f)) / area, y: (a * (y - f) - b * (x - e)) / area };
}

/** `parabola (2,4)`, `parabola bend (1,1) (2,0)`: in halves about its bend. */
export function readParabola(reader: Scanner, walk: Walk): void {
  const { reading } = walk;
  const options = takeOptions(reader);
  const words = options ? wordsOf(reader.it, options) : '';
  let bend = takeThisWord(reader, 'bend') ? readTarget(reader, walk)?.place.at : undefined;
  const target = readTarget(reader, walk);
  if (!target) return;
  const start = walk.place.at;
  if (/bend at end/.test(words)) bend = target.place.at;
  const at = /bend\s*=\s*\{?\(?([^)}]*)\)?/.exec(words);
  if (at && !/bend (?:at|pos)/.test(words)) bend = placeOf(reading, walk.g, at[1] ?? '').at;
  const tip = bend ?? start;
  const parts: Segment[] = [];
  if (tip !== start) parts.push(halfParabola(tip, start, true));
  if (tip !== target.place.at) parts.push(halfParabola(tip, target.place.at, false));
  addParts(walk, parts);
}

/** Half a parabola from its bend to an end, or back. */
function halfParabola(bend: Point, end: Point, back: boolean): Segment {
  const across = end.x - bend.x;
  // The tangent at the bend is level; the quadratic curve's control lies half way.
  const control = { x: bend.x + across / 2, y: bend.y };
  const near = plus(bend, times(minus(control, bend), 2 / 3));
  const far = plus(end, times(minus(control, end), 2 / 3));
  return back
    ? { kind: 'curve', from: far, into: near, to: bend }
    : { kind: 'curve', from: near, into: far, to: end };
}

/** A quarter of a sine wave: its controls as the manual's basic layer has them. */
export function sineTo(walk: Walk, target: Target, fromZero: boolean): void {
  const start = walk.place.at;
  const by = minus(target.place.at, start);
  const [a, b] = [0.326, 0.639];
  const from = fromZero ? { x: a * by.x, y: 0.512 * by.y } : { x: (1 - b) * by.x, y: 0 };
  const into = fromZero ? { x: b * by.x, y: by.y } : { x: (1 - a) * by.x, y: (1 - 0.512) * by.y };
  curveTo(walk, plus(start, from), plus(start, into), target.place, target.keepsBase);
}

/** `plot[…] (\x, {…})`, `plot coordinates {…}`. */
export function readPlot(reader: Scanner, walk: Walk, joined: boolean): void {
  const { reading } = walk;
  const options = takeOptions(reader);
  const before = walk.g;
  walk.g = options ? withKeys(reading, walk.g, options) : walk.g;
  const g = walk.g;
  let points: Point[] = [];
  if (takeThisWord(reader, 'coordinates')) points = listed(reading, g, takeGroup(reader) ?? []);
  else {
    const tokens = takeBetween(reader, '(', ')');
    if (tokens) points = plotted(reading, g, tokens);
    else if (takeWord(reader, (word) => word === 'file' || word === 'function')) takeGroup(reader);
  }
  const line = plotLine(g, points);
  const [first] = line;
  if (first?.kind === 'move') {
    if (joined) lineTo(walk, { at: first.to, node: null });
    else moveTo(walk, { at: first.to, node: null });
    if (g.plot.form === 'line' || g.plot.form === 'steps') addParts(walk, line.slice(1));
    else addFigure(walk, line, points.at(-1) ?? null);
  }
  plotMarks(reading, g, points, walk.span);
  const { mode, colour, drawColour, fillColour, lineWidth, dash } = g;
  walk.g = { ...before, mode, colour, drawColour, fillColour, lineWidth, dash };
}
