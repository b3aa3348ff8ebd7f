import type { Point } from '../../base/maps';
import { pointOn, type Path, type Segment, type Stretch } from '../../base/paths';
import type { Mark } from '../../document/drawing';
import { directionOn, lengthOn, rounded } from '../../drawing/curves';
import type { Place, Reading } from './coordinates';
import type { Graphics } from './graphics';
import { borderTowards } from './openPicture';

/** A path while it is read: what of it there is, and where the pen stands. */
export interface Walk {
  readonly reading: Reading;
  g: Graphics;
  readonly segments: Segment[];
  /** How far the corner at the end of each segment is rounded. */
  readonly radii: number[];
  /** Where the pen stands; with a node when the next line leaves that at its border. */
  place: Place;
  /** What relative coordinates count from. */
  base: Point;
  /** Where the piece at hand began. */
  start: Point;
  /** Has the pen been put down at its place? */
  down: boolean;
  /** The last part that was drawn, for nodes that stand on it. */
  last: readonly Stretch[];
  readonly span: { readonly from: number; to: number };
  /** What is drawn above the path: its nodes, its edges, its children. */
  readonly above: Mark[];
  /** Within a line of a form of its own: sets the nodes that stand on it. */
  setNodes: (() => void) | null;
}

export function newWalk(reading: Reading, g: Graphics, span: { from: number; to: number }): Walk {
  const origin = { x: g.map.e, y: g.map.f };
  return {
    reading,
    g,
    segments: [],
    radii: [],
    place: { at: origin, node: null },
    base: origin,
    start: origin,
    down: false,
    last: [],
    span,
    above: [],
    setNodes: null,
  };
}

function add(walk: Walk, segment: Segment): void {
  walk.segments.push(segment);
  walk.radii.push(walk.g.rounding);
}

/** Puts the pen somewhere without drawing. */
export function moveTo(walk: Walk, place: Place, keepsBase = false): void {
  walk.place = place;
  if (!keepsBase) walk.base = place.at;
  walk.down = false;
}

/** Begins a piece of the path at the pen, which leaves a node at its border towards a point. */
function putDown(walk: Walk, towards: Point): void {
  const { place } = walk;
  if (walk.down && !place.node) return;
  const at = place.node ? borderTowards(place.node, towards) : place.at;
  add(walk, { kind: 'move', to: at });
  walk.start = at;
  walk.down = true;
  walk.place = { at, node: null };
}

const arrival = (place: Place, from: Point): Point =>
  place.node ? borderTowards(place.node, from) : place.at;

/** Draws a straight line; at nodes it begins and ends at their borders. */
export function lineTo(walk: Walk, target: Place, keepsBase = false): void {
  const from = walk.place.at;
  putDown(walk, target.at);
  const start = walk.place.at;
  const to = arrival(target, from);
  add(walk, { kind: 'line', to });
  walk.last = [{ start, segment: { kind: 'line', to } }];
  arrive(walk, target, to, keepsBase);
}

function arrive(walk: Walk, target: Place, to: Point, keepsBase: boolean): void {
  walk.place = target.node ? target : { at: to, node: null };
  walk.down = true;
  if (!keepsBase) walk.base = target.at;
}

/** Two straight lines with a right angle between them. */
export function cornerTo(
  walk: Walk,
  target: Place,
  first: 'up' | 'across',
  keepsBase = false,
): void {
  const from = walk.place.at;
  const corner = first === 'up' ? { x: from.x, y: target.at.y } : { x: target.at.x, y: from.y };
  putDown(walk, corner);
  const start = walk.place.at;
  const to = arrival(target, corner);
  add(walk, { kind: 'line', to: corner });
  add(walk, { kind: 'line', to });
  walk.last = [
    { start, segment: { kind: 'line', to: corner } },
    { start: corner, segment: { kind: 'line', to } },
  ];
  arrive(walk, target, to, keepsBase);
}

/** A curve by its two controls; at nodes it begins and ends at the border towards them. */
export function curveTo(
  walk: Walk,
  from: Point,
  into: Point,
  target: Place,
  keepsBase = false,
): void {
  putDown(walk, from);
  const start = walk.place.at;
  const to = arrival(target, into);
  const segment = { kind: 'curve', from, into, to } as const;
  add(walk, segment);
  walk.last = [{ start, segment }];
  arrive(walk, target, to, keepsBase);
}

/** Back to where the piece began. */
export function close(walk: Walk): void {
  if (!walk.down) return;
  walk.last = [{ start: walk.place.at, segment: { kind: 'line', to: walk.start } }];
  add(walk, { kind: 'close' });
  walk.place = { at: walk.start, node: null };
  walk.base = walk.start;
  walk.down = false;
}

/** Adds a figure of its own, such as a circle; the pen stays where it is unless it is told. */
export function addFigure(walk: Walk, path: Path, pen: Point | null = null): void {
  for (const segment of path) add(walk, segment);
  walk.down = false;
  if (pen) moveTo(walk, { at: pen, node: null });
}

/** Goes on from the pen with parts that begin there. */
export function addParts(walk: Walk, segments: readonly Segment[]): void {
  const [first] = segments;
  if (!first || first.kind === 'close') return;
  putDown(walk, first.to);
  let start = walk.place.at;
  const last: Stretch[] = [];
  for (const segment of segments) {
    add(walk, segment);
    if (segment.kind === 'line' || segment.kind === 'curve') {
      last.push({ start, segment });
      start = segment.to;
    }
  }
  walk.last = last;
  arrive(walk, { at: start, node: null }, start, false);
}

/** A place on the part that was drawn last, and the direction there. */
export function onLast(walk: Walk, share: number): { at: Point; direction: Point } {
  const { last, place } = walk;
  if (last.length === 0) return { at: place.at, direction: { x: 1, y: 0 } };
  if (last.length === 2 && last.every(({ segment }) => segment.kind === 'line')) {
    // Half way is the corner, however long its sides are.
    const side = last[share < 0.5 ? 0 : 1] as Stretch;
    const t = share < 0.5 ? 2 * share : 2 * share - 1;
    return { at: pointOn(side, t), direction: directionOn(side, t) };
  }
  const total = last.reduce((sum, part) => sum + lengthOn(part), 0);
  let left = share * total;
  for (const part of last) {
    const length = lengthOn(part);
    if (left <= length || part === last.at(-1)) {
      const t = last.length === 1 ? share : length === 0 ? 0 : left / length;
      return { at: pointOn(part, t), direction: directionOn(part, t) };
    }
    left -= length;
  }
  return { at: place.at, direction: { x: 1, y: 0 } };
}

/** Draws something above the path, which is not painted yet. */
export function above<T>(walk: Walk, act: () => T): T {
  const { picture } = walk.reading;
  const { later } = picture;
  picture.later = walk.above;
  const made = act();
  picture.later = later;
  return made;
}

/** The path as it is painted: its corners rounded. */
export const pathOfWalk = (walk: Walk): Path => rounded(walk.segments, walk.radii);
