import type { Point } from '../base/maps';
import {
  boundsOf,
  pointOn,
  stretchesOf,
  type Bounds,
  type Path,
  type Segment,
  type Stretch,
} from '../base/paths';
import { between, lengthOf, minus, times, unit, plus } from './vectors';

/** The direction of a stretch at `t`, of length 1. */
export function directionOn({ start, segment }: Stretch, t: number): Point {
  if (segment.kind === 'line') return unit(minus(segment.to, start));
  const { from, into, to } = segment;
  const u = 1 - t;
  const slope = plus(
    plus(times(minus(from, start), u * u), times(minus(into, from), 2 * u * t)),
    times(minus(to, into), t * t),
  );
  if (lengthOf(slope) > 1e-6) return unit(slope);
  // The controls lie on the end: the curve runs towards the next of its points.
  return t < 0.5 ? unit(minus(into, start)) : unit(minus(to, from));
}

/** The part of a stretch from one `t` to another (de Casteljau's construction). */
export function partOf(stretch: Stretch, from: number, to: number): Stretch {
  const first = from <= 0 ? stretch : halves(stretch, from)[1];
  if (to >= 1) return first;
  return halves(first, (to - Math.max(0, from)) / (1 - Math.max(0, from)))[0];
}

/** A stretch in two at `t`. */
export function halves(stretch: Stretch, t: number): readonly [Stretch, Stretch] {
  const { start, segment } = stretch;
  if (segment.kind === 'line') {
    const at = between(start, segment.to, t);
    return [
      { start, segment: { kind: 'line', to: at } },
      { start: at, segment },
    ];
  }
  const { from: p, into: q, to: r } = segment;
  const [a, b, c] = [between(start, p, t), between(p, q, t), between(q, r, t)];
  const [d, e] = [between(a, b, t), between(b, c, t)];
  const at = between(d, e, t);
  return [
    { start, segment: { kind: 'curve', from: a, into: d, to: at } },
    { start: at, segment: { kind: 'curve', from: e, into: c, to: r } },
  ];
}

/** A curve is measured along this many straight pieces. */
const PIECES = 32;

const piecesOf = (stretch: Stretch): number => (stretch.segment.kind === 'line' ? 1 : PIECES);

/** The length of a stretch, as near as its pieces make it. */
export function lengthOn(stretch: Stretch): number {
  let [length, at] = [0, stretch.start];
  const pieces = piecesOf(stretch);
  for (let i = 1; i <= pieces; i++) {
    const next = pointOn(stretch, i / pieces);
    length += lengthOf(minus(next, at));
    at = next;
  }
  return length;
}

/** The `t` at which a stretch has run so far. */
export function parameterAt(stretch: Stretch, distance: number): number {
  if (stretch.segment.kind === 'line') {
    const whole = lengthOn(stretch);
    return whole === 0 ? 0 : Math.min(1, Math.max(0, distance / whole));
  }
  let [left, at] = [distance, stretch.start];
  for (let i = 1; i <= PIECES; i++) {
    const next = pointOn(stretch, i / PIECES);
    const step = lengthOf(minus(next, at));
    if (left <= step) return (i - 1 + (step === 0 ? 0 : left / step)) / PIECES;
    left -= step;
    at = next;
  }
  return 1;
}

/** Stretches as a path; a gap between two begins a piece of its own. */
export function pathOf(stretches: readonly Stretch[]): Path {
  const out: Segment[] = [];
  let at: Point | null = null;
  for (const { start, segment } of stretches) {
    if (!at || lengthOf(minus(at, start)) > 1) out.push({ kind: 'move', to: start });
    out.push(segment);
    at = segment.to;
  }
  return out;
}

/** A path shortened at both ends by lengths; a piece that is shorter goes. */
export function shortened(path: Path, atStart: number, atEnd: number): Path {
  if (atStart === 0 && atEnd === 0) return path;
  const stretches = stretchesOf(path);
  let [first, last] = [0, stretches.length - 1];
  let [before, behind] = [atStart, atEnd];
  while (first < last && before >= lengthOn(stretches[first] as Stretch))
    before -= lengthOn(stretches[first++] as Stretch);
  while (last > first && behind >= lengthOn(stretches[last] as Stretch))
    behind -= lengthOn(stretches[last--] as Stretch);
  return pathOf(
    stretches.slice(first, last + 1).map((stretch, i) => {
      const start = i === 0 && before !== 0 ? cutAt(stretch, before) : 0;
      const end =
        i === last - first && behind !== 0 ? cutAt(stretch, lengthOn(stretch) - behind) : 1;
      return beyond(stretch, start, end, i === 0 ? before : 0, i === last - first ? behind : 0);
    }),
  );
}
const cutAt = (stretch: Stretch, distance: number): number => parameterAt(stretch, distance);

/** A part of a stretch; a length below zero lengthens it straight on. */
function beyond(
  stretch: Stretch,
  from: number,
  to: number,
  before: number,
  behind: number,
): Stretch {
  const part = partOf(stretch, Math.min(from, to), Math.max(from, to));
  const longer = (end: Point, along: Point, by: number): Point => plus(end, times(along, by));
  let { start, segment } = part;
  if (before < 0) start = longer(start, directionOn(stretch, 0), before);
  if (behind < 0)
    segment = { ...segment, to: longer(segment.to, directionOn(stretch, 1), -behind) };
  return { start, segment };
}

const meetsBox = (a: Bounds, b: Bounds): boolean =>
  a.left <= b.right + 1 && b.left <= a.right + 1 && a.low <= b.high + 1 && b.low <= a.high + 1;

const boxOf = ({ start, segment }: Stretch): Bounds =>
  boundsOf([{ kind: 'move', to: start }, segment]);

/** Two stretches are told apart no finer than this, sp. */
const FINE = 60;
const MOST_MEETINGS = 400;

/** Where two paths meet, in the order of the first (by halving boxes until they are small). */
export function meetings(one: Path, other: Path): Point[] {
  const out: { at: Point; order: number }[] = [];
  stretchesOf(one).forEach((a, i) => {
    for (const b of stretchesOf(other)) {
      const found: { at: Point; order: number }[] = [];
      meet(a, b, i, 1, 0, found);
      for (const one_ of found)
        if (!out.some(({ at }) => lengthOf(minus(at, one_.at)) < 8 * FINE)) out.push(one_);
    }
  });
  return out.sort((p, q) => p.order - q.order).map(({ at }) => at);
}

function meet(
  a: Stretch,
  b: Stretch,
  order: number,
  share: number,
  depth: number,
  out: { at: Point; order: number }[],
): void {
  const [boxA, boxB] = [boxOf(a), boxOf(b)];
  if (!meetsBox(boxA, boxB) || out.length > MOST_MEETINGS) return;
  if (a.segment.kind === 'line' && b.segment.kind === 'line')
    return meetLines(a, b, order, share, out);
  const size = (box: Bounds): number => Math.max(box.right - box.left, box.high - box.low);
  if (depth > 40 || (size(boxA) < FINE && size(boxB) < FINE)) {
    out.push({ at: between(a.start, a.segment.to, 0.5), order });
    return;
  }
  const [first, second] = size(boxA) > FINE ? halves(a, 0.5) : [a];
  const others = size(boxB) > FINE ? halves(b, 0.5) : [b];
  for (const half of others) {
    if (first) meet(first, half, order, share / 2, depth + 1, out);
    if (second) meet(second, half, order + share / 2, share / 2, depth + 1, out);
  }
}

function meetLines(
  a: Stretch,
  b: Stretch,
  order: number,
  share: number,
  out: { at: Point; order: number }[],
): void {
  const [u, v, w] = [
    minus(a.segment.to, a.start),
    minus(b.segment.to, b.start),
    minus(b.start, a.start),
  ];
  const area = u.x * v.y - u.y * v.x;
  if (Math.abs(area) < 1e-9) return;
  const t = (w.x * v.y - w.y * v.x) / area;
  const s = (w.x * u.y - w.y * u.x) / area;
  const inside = (n: number): boolean => n >= -1e-6 && n <= 1 + 1e-6;
  if (inside(t) && inside(s))
    out.push({ at: plus(a.start, times(u, t)), order: order + share * t });
}

/**
 * A smooth curve through points: the controls of each lie along the line of its neighbours, at a
 * share of their distance (the tension of the picture language's smooth plots, .5 by itself).
 */
export function smoothed(points: readonly Point[], tension: number, closed: boolean): Path {
  const [first] = points;
  if (!first || points.length < 3)
    return points.map((to, i) => ({ kind: i ? 'line' : 'move', to }));
  const all = closed ? [points.at(-1) as Point, ...points, first, points[1] as Point] : points;
  const share = 0.2775 * (tension / 0.5);
  const support = (i: number, sign: 1 | -1): Point => {
    const [before, here, behind] = [all[i - 1], all[i] as Point, all[i + 1]];
    if (!before || !behind) return here;
    return plus(here, times(minus(behind, before), sign * share));
  };
  const from = closed ? 1 : 0;
  const out: Segment[] = [{ kind: 'move', to: first }];
  for (let i = from; i < from + points.length - (closed ? 0 : 1); i++)
    out.push({
      kind: 'curve',
      from: support(i, 1),
      into: support(i + 1, -1),
      to: all[i + 1] as Point,
    });
  return closed ? [...out, { kind: 'close' }] : out;
}

/** The share of a quarter circle's radius at which its controls lie. */
const QUARTER = 0.5522847;

/** A path with its corners rounded by arcs that begin so far before them. `radii` has one for each segment's end; 0 leaves it. */
export function rounded(path: Path, radii: readonly number[]): Path {
  if (!radii.some((radius) => radius > 0)) return path;
  const out: Segment[] = [];
  for (const piece of piecesWithRadii(path, radii))
    out.push(...roundedPiece(piece.path, piece.radii));
  return out;
}

function piecesWithRadii(path: Path, radii: readonly number[]) {
  const pieces: { path: Segment[]; radii: number[] }[] = [];
  path.forEach((segment, i) => {
    if (segment.kind === 'move' || pieces.length === 0) pieces.push({ path: [], radii: [] });
    pieces.at(-1)?.path.push(segment);
    pieces.at(-1)?.radii.push(radii[i] ?? 0);
  });
  return pieces;
}

function roundedPiece(path: readonly Segment[], radii: readonly number[]): Segment[] {
  const closed = path.at(-1)?.kind === 'close';
  const stretches = stretchesOf(path);
  const [head] = path;
  if (stretches.length < 2 || head?.kind !== 'move') return [...path];
  const count = stretches.length;
  /** How far the corner at the end of a stretch is cut. */
  const cut = stretches.map((stretch, i): number => {
    const next = stretches[i + 1] ?? (closed ? stretches[0] : undefined);
    const radius = radii[Math.min(i + 1, radii.length - 1)] ?? 0;
    if (!next || radius === 0) return 0;
    if (stretch.segment.kind !== 'line' || next.segment.kind !== 'line') return 0;
    return Math.min(radius, lengthOn(stretch) / 2, lengthOn(next) / 2);
  });
  const out: Segment[] = [];
  stretches.forEach((stretch, i) => {
    const before = i === 0 ? (closed ? (cut[count - 1] ?? 0) : 0) : (cut[i - 1] ?? 0);
    const after = cut[i] ?? 0;
    const along = directionOn(stretch, 0);
    const start = before > 0 ? plus(stretch.start, times(along, before)) : stretch.start;
    if (i === 0) out.push({ kind: 'move', to: start });
    if (after === 0) return void out.push(stretch.segment);
    const corner = stretch.segment.to;
    const next = directionOn(stretches[(i + 1) % count] as Stretch, 0);
    const enter = plus(corner, times(along, -after));
    const leave = plus(corner, times(next, after));
    out.push({ kind: 'line', to: enter });
    out.push({
      kind: 'curve',
      from: plus(enter, times(along, after * QUARTER)),
      into: plus(leave, times(next, -after * QUARTER)),
      to: leave,
    });
  });
  return closed ? [...out, { kind: 'close' }] : out;
}
