import type { Sp } from '../../base/lengths';
import type { Point } from '../../base/maps';
import { fittedDash, lengthAlong, placeAlong, pointsAlong, polyline } from '../../base/paths';
import type { Paint } from '../../base/paint';
import { pathItem, type Child } from '../../boxes/box';
import { solidStroke, stroked, type Stroke } from '../../document/drawing';

/** Points near enough to one another to be joined by straight strokes. */
export type Points = readonly Point[];

/** From one point to another, leaving it turned to the left by `degrees` (a cubic curve; straight for 0). */
export function bentPath(start: Point, to: Point, degrees: number): Points {
  const dx = to.x - start.x;
  const dy = to.y - start.y;
  const turn = (degrees * Math.PI) / 180;
  const third = (angle: number): Point => ({
    x: 0.39 * (dx * Math.cos(angle) - dy * Math.sin(angle)),
    y: 0.39 * (dx * Math.sin(angle) + dy * Math.cos(angle)),
  });
  const out = third(turn);
  const back = third(-turn);
  const from = { x: start.x + out.x, y: start.y + out.y };
  const into = { x: to.x - back.x, y: to.y - back.y };
  return pointsAlong([
    { kind: 'move', to: start },
    { kind: 'curve', from, into, to },
  ]);
}

const joined = (points: Points, stroke: Stroke): Child => ({
  x: 0,
  y: 0,
  item: pathItem(polyline(points), stroked(stroke)),
});

/** One straight stroke. */
export const stroke = (from: Point, to: Point, thickness: Sp, paint: Paint = 0): Child =>
  joined([from, to], solidStroke(thickness, paint));

/** The path as a stroke; `dash` is about the length of a dash and of the gap behind it, or null. */
export function drawPath(path: Points, thickness: Sp, dash: Sp | null): Child {
  const isStraight = Math.abs(turnOf(path)) < 1e-6;
  const points = isStraight ? [path[0] as Point, path.at(-1) as Point] : path;
  return joined(points, {
    ...solidStroke(thickness),
    join: 'round',
    // Dashes begin and end the line.
    dash: dash === null ? [] : fittedDash(lengthAlong(points), dash),
  });
}

const turnOf = (path: Points): number => {
  const a = placeAlong(path, 0).direction;
  const b = placeAlong(path, 1).direction;
  return a.x * b.y - a.y * b.x;
};

/** Half the head of an arrow, from its tip, in em: backwards and aside. */
const HEAD: readonly (readonly [number, number])[] = [
  [0, 0],
  [0.05, 0.03],
  [0.1, 0.075],
  [0.145, 0.13],
  [0.18, 0.19],
];

/** The head at the end of a path, `back` before it: one stroke from one side over the tip to the other. */
export function drawHead(path: Points, back: Sp, em: Sp, thickness: Sp, paint: Paint = 0): Child {
  const { point, direction } = placeAlong(path, 1);
  const tip = { x: point.x - direction.x * back, y: point.y - direction.y * back };
  const half = (side: number): Point[] =>
    HEAD.map(([behind, aside]) => ({
      x: tip.x - (direction.x * behind + direction.y * aside * side) * em,
      y: tip.y - (direction.y * behind - direction.x * aside * side) * em,
    }));
  const points = [...half(1).reverse(), ...half(-1).slice(1)];
  return joined(points, { ...solidStroke(thickness, paint), join: 'round', cap: 'round' });
}

/** A path beside the path, to its left. */
export function movedAside(path: Points, aside: Sp): Points {
  if (aside === 0) return path;
  return path.map((p, i) => {
    const before = path[Math.max(0, i - 1)] as Point;
    const behind = path[Math.min(path.length - 1, i + 1)] as Point;
    const length = Math.max(Math.hypot(behind.x - before.x, behind.y - before.y), 1e-9);
    return {
      x: p.x - ((behind.y - before.y) / length) * aside,
      y: p.y + ((behind.x - before.x) / length) * aside,
    };
  });
}

/** A short stroke across the start of a path. */
export function drawBar(path: Points, half: Sp, thickness: Sp): Child {
  const { point, direction } = placeAlong(path, 0);
  const across = { x: -direction.y * half, y: direction.x * half };
  return stroke(
    { x: point.x - across.x, y: point.y - across.y },
    { x: point.x + across.x, y: point.y + across.y },
    thickness,
  );
}
