import {
  composed,
  IDENTITY,
  inverted,
  mapped,
  scaledTurned,
  translation,
  type AffineMap,
  type Point,
} from '../../base/maps';
import { arcSegments, mappedPath, polyline, type Path, type Segment } from '../../base/paths';
import {
  call,
  change,
  clipTo,
  concat,
  grown,
  grownFrom,
  type Machine,
  newPath,
  numbersIn,
  type Operators,
  pathOf,
  pop,
  popArray,
  popNumber,
  popNumbers,
  push,
  spend,
} from './machine';
import { arrayOf, isKind, PostScriptError, type Value } from './values';

const PARTS = ['a', 'b', 'c', 'd', 'e', 'f'] as const;
export const mapOf = (numbers: readonly number[]): AffineMap => {
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = numbers;
  return { a, b, c, d, e, f };
};

/** Fills the array on top of the stack with a map, and leaves it there. */
function giveMap(it: Machine, map: AffineMap): void {
  const array = popArray(it);
  PARTS.forEach((part, i) => (array.items[i] = map[part]));
  push(it, array);
}

const popMap = (it: Machine): AffineMap => mapOf(numbersIn(popArray(it)));

// ---- coordinates

/** `translate`, `scale` and `rotate` change the coordinates, or fill the matrix that is given. */
function moved(it: Machine, count: number, mapFor: (numbers: number[]) => AffineMap): void {
  const into = it.operands.at(-1);
  if (into !== undefined && isKind(into, 'array')) {
    pop(it);
    const map = mapFor(popNumbers(it, count));
    push(it, into);
    return giveMap(it, map);
  }
  concat(it, mapFor(popNumbers(it, count)));
}

function transformed(it: Machine, back: boolean, onlyTurned: boolean): void {
  const top = pop(it);
  const given = isKind(top, 'array') ? mapOf(numbersIn(top)) : null;
  if (!given) push(it, top);
  const [x = 0, y = 0] = popNumbers(it, 2);
  // Coordinates of the device are the default ones: programs round to them.
  const map = given ?? composed(inverted(it.base), it.state.ctm);
  const used = onlyTurned ? { ...map, e: 0, f: 0 } : map;
  const to = mapped(back ? inverted(used) : used, { x, y });
  push(it, to.x, to.y);
}

// ---- paths

const onDrawing = (it: Machine, point: Point): Point => mapped(it.state.ctm, point);

/** The present place in the coordinates of the user. */
export function herePoint(it: Machine): Point {
  const { point, ctm } = it.state;
  if (!point) throw new PostScriptError('nocurrentpoint');
  return mapped(inverted(ctm), point);
}

function moveTo(it: Machine, to: Point): void {
  const point = onDrawing(it, to);
  change(it, { path: grown(it.state.path, [{ kind: 'move', to: point }]), point, start: point });
}

function extend(it: Machine, segments: readonly Segment[], to: Point): void {
  if (!it.state.point) throw new PostScriptError('nocurrentpoint');
  // A path that was kept is copied before it goes on.
  const { list, count } = it.state.path;
  if (list.length !== count) spend(it, count);
  change(it, { path: grown(it.state.path, segments), point: to });
}

function lineTo(it: Machine, to: Point): void {
  const point = onDrawing(it, to);
  extend(it, [{ kind: 'line', to: point }], point);
}

function curveTo(it: Machine, from: Point, into: Point, to: Point): void {
  const [a, b, c] = [onDrawing(it, from), onDrawing(it, into), onDrawing(it, to)];
  extend(it, [{ kind: 'curve', from: a, into: b, to: c }], c);
}

function closePath(it: Machine): void {
  const { path, start } = it.state;
  if (!start) return;
  change(it, { path: grown(path, [{ kind: 'close' }]), point: start });
}

const offset = (it: Machine, x: number, y: number): Point => {
  const here = herePoint(it);
  return { x: here.x + x, y: here.y + y };
};

function arc(it: Machine, clockwise: boolean): void {
  const [x = 0, y = 0, r = 0, from = 0, end = 0] = popNumbers(it, 5);
  let to = end;
  if (clockwise) while (to > from) to -= 360;
  else while (to < from) to += 360;
  const start = {
    x: x + r * Math.cos((from * Math.PI) / 180),
    y: y + r * Math.sin((from * Math.PI) / 180),
  };
  if (it.state.point) lineTo(it, start);
  else moveTo(it, start);
  const pieces = arcSegments(
    { x, y },
    r,
    r,
    from,
    from + Math.max(-3600, Math.min(3600, to - from)),
  );
  const path = mappedPath(pieces, it.state.ctm);
  const last = path.at(-1);
  if (last && 'to' in last) extend(it, path, last.to);
}

/** An arc that touches the lines from here to a corner and on to another point (8.2, arct). */
function arcTo(it: Machine, leaveTouches: boolean): void {
  const [x1 = 0, y1 = 0, x2 = 0, y2 = 0, r = 0] = popNumbers(it, 5);
  const here = herePoint(it);
  const one = Math.atan2(here.y - y1, here.x - x1);
  const two = Math.atan2(y2 - y1, x2 - x1);
  let turn = two - one;
  while (turn > Math.PI) turn -= 2 * Math.PI;
  while (turn < -Math.PI) turn += 2 * Math.PI;
  const reach = Math.abs(Math.tan(turn / 2)) < 1e-9 ? 0 : r / Math.abs(Math.tan(turn / 2));
  const touch = (angle: number): Point => ({
    x: x1 + reach * Math.cos(angle),
    y: y1 + reach * Math.sin(angle),
  });
  const [a, b] = [touch(one), touch(two)];
  lineTo(it, a);
  // The controls lie on the two lines: the arc's own angle is what the corner lacks of half a turn.
  const swept = Math.PI - Math.abs(turn);
  const k = ((4 / 3) * Math.tan(swept / 4) * r) / (reach || 1);
  const toward = (from: Point): Point => ({
    x: from.x + k * (x1 - from.x),
    y: from.y + k * (y1 - from.y),
  });
  if (reach > 0) curveTo(it, toward(a), toward(b), b);
  if (leaveTouches) push(it, a.x, a.y, b.x, b.y);
}

/** Corners of the rectangles that an operator is given: four numbers, or a list of them. */
export function popRectangles(it: Machine): Path {
  const top = it.operands.at(-1);
  const numbers =
    top !== undefined && isKind(top, 'array') ? numbersIn(popArray(it)) : popNumbers(it, 4);
  const out: Segment[] = [];
  for (let i = 0; i + 3 < numbers.length; i += 4) {
    const [x = 0, y = 0, w = 0, h = 0] = numbers.slice(i, i + 4);
    const corners = [
      { x, y },
      { x: x + w, y },
      { x: x + w, y: y + h },
      { x, y: y + h },
    ];
    out.push(...polyline(corners, true));
  }
  return mappedPath(out, it.state.ctm);
}

function pathBox(it: Machine): void {
  const back = inverted(it.state.ctm);
  const points = pathOf(it).flatMap((segment) =>
    segment.kind === 'close'
      ? []
      : segment.kind === 'curve'
        ? [segment.from, segment.into, segment.to]
        : [segment.to],
  );
  if (points.length === 0) throw new PostScriptError('nocurrentpoint', 'pathbbox');
  const there = points.map((point) => mapped(back, point));
  const least = (of: (point: Point) => number): number =>
    there.reduce((m, p) => Math.min(m, of(p)), Infinity);
  push(
    it,
    least(({ x }) => x),
    least(({ y }) => y),
    -least(({ x }) => -x),
    -least(({ y }) => -y),
  );
}

function pathForAll(it: Machine): void {
  const [close = null, curve = null, line = null, move = null] = [
    pop(it),
    pop(it),
    pop(it),
    pop(it),
  ];
  const back = inverted(it.state.ctm);
  const give = (point: Point): void => {
    const { x, y } = mapped(back, point);
    push(it, x, y);
  };
  const bodies: Record<Segment['kind'], Value> = { move, line, curve, close };
  for (const segment of pathOf(it)) {
    if (segment.kind === 'curve') [segment.from, segment.into].forEach(give);
    if (segment.kind !== 'close') give(segment.to);
    call(it, bodies[segment.kind]);
  }
}

const popPoint = (it: Machine): Point => {
  const [x = 0, y = 0] = popNumbers(it, 2);
  return { x, y };
};

function sixOf(it: Machine, relative: boolean): [Point, Point, Point] {
  const n = popNumbers(it, 6);
  const at = (i: number): Point =>
    relative ? offset(it, n[i] ?? 0, n[i + 1] ?? 0) : { x: n[i] ?? 0, y: n[i + 1] ?? 0 };
  return [at(0), at(2), at(4)];
}

/** Operators of coordinates and paths (Language Reference, 8.1). */
export const PATH_OPERATORS: Operators = new Map<string, (it: Machine) => void>([
  ['matrix', (it) => push(it, arrayOf([1, 0, 0, 1, 0, 0]))],
  ['identmatrix', (it) => giveMap(it, IDENTITY)],
  ['defaultmatrix', (it) => giveMap(it, IDENTITY)],
  ['currentmatrix', (it) => giveMap(it, composed(inverted(it.base), it.state.ctm))],
  ['setmatrix', (it) => change(it, { ctm: composed(it.base, popMap(it)) })],
  ['initmatrix', (it) => change(it, { ctm: it.base })],
  ['translate', (it) => moved(it, 2, ([x = 0, y = 0]) => translation(x, y))],
  ['scale', (it) => moved(it, 2, ([x = 1, y = 1]) => scaledTurned(x, y, 0))],
  ['rotate', (it) => moved(it, 1, ([angle = 0]) => scaledTurned(1, 1, angle))],
  ['concat', (it) => concat(it, popMap(it))],
  [
    'concatmatrix',
    (it) => {
      const into = pop(it);
      const outer = popMap(it);
      const inner = popMap(it);
      push(it, into);
      giveMap(it, composed(outer, inner));
    },
  ],
  [
    'invertmatrix',
    (it) => {
      const into = pop(it);
      const map = popMap(it);
      push(it, into);
      giveMap(it, inverted(map));
    },
  ],
  ['transform', (it) => transformed(it, false, false)],
  ['dtransform', (it) => transformed(it, false, true)],
  ['itransform', (it) => transformed(it, true, false)],
  ['idtransform', (it) => transformed(it, true, true)],

  ['newpath', (it) => change(it, newPath())],
  [
    'currentpoint',
    (it) => {
      const { x, y } = herePoint(it);
      push(it, x, y);
    },
  ],
  ['moveto', (it) => moveTo(it, popPoint(it))],
  [
    'rmoveto',
    (it) => {
      const { x, y } = popPoint(it);
      moveTo(it, offset(it, x, y));
    },
  ],
  ['lineto', (it) => lineTo(it, popPoint(it))],
  [
    'rlineto',
    (it) => {
      const { x, y } = popPoint(it);
      lineTo(it, offset(it, x, y));
    },
  ],
  ['curveto', (it) => curveTo(it, ...sixOf(it, false))],
  ['rcurveto', (it) => curveTo(it, ...sixOf(it, true))],
  ['arc', (it) => arc(it, false)],
  ['arcn', (it) => arc(it, true)],
  ['arcto', (it) => arcTo(it, true)],
  ['arct', (it) => arcTo(it, false)],
  ['closepath', closePath],
  // Curves stay curves, and a path runs the way it was written: what is drawn is the same.
  ['flattenpath', () => undefined],
  ['reversepath', () => undefined],
  ['pathbbox', pathBox],
  ['pathforall', pathForAll],
  [
    'clippath',
    (it) => change(it, { path: grownFrom(it.state.clip?.path ?? []), point: null, start: null }),
  ],
  ['initclip', (it) => change(it, { clip: null })],
  ['clip', (it) => clipTo(it, pathOf(it))],
  ['eoclip', (it) => clipTo(it, pathOf(it))],
  [
    'rectclip',
    (it) => {
      clipTo(it, popRectangles(it));
      change(it, newPath());
    },
  ],
  ['setlinewidth', (it) => change(it, { width: Math.abs(popNumber(it)) })],
  ['currentlinewidth', (it) => push(it, it.state.width)],
  ['setlinecap', (it) => change(it, { cap: popNumber(it) })],
  ['currentlinecap', (it) => push(it, it.state.cap)],
  ['setlinejoin', (it) => change(it, { join: popNumber(it) })],
  ['currentlinejoin', (it) => push(it, it.state.join)],
  ['setmiterlimit', (it) => change(it, { miterLimit: popNumber(it) })],
  ['currentmiterlimit', (it) => push(it, it.state.miterLimit)],
  [
    'setdash',
    (it) => {
      const dashPhase = popNumber(it);
      change(it, { dash: numbersIn(popArray(it)), dashPhase });
    },
  ],
  ['currentdash', (it) => push(it, arrayOf([...it.state.dash]), it.state.dashPhase)],
]);
