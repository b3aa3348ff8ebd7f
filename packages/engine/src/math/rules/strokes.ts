import type { Sp } from '../../base/lengths';
import { boxOf, rule, type Box, type Child } from '../../boxes/box';

export interface Point {
  readonly x: Sp;
  readonly y: Sp;
}
/** Points near enough to one another to be joined by straight strokes. */
export type Path = readonly Point[];

const STEPS = 96;

/** From one point to another, leaving it turned to the left by `degrees` (a cubic curve; straight for 0). */
export function bentPath(from: Point, to: Point, degrees: number): Path {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const turn = (degrees * Math.PI) / 180;
  const third = (angle: number): Point => ({
    x: 0.39 * (dx * Math.cos(angle) - dy * Math.sin(angle)),
    y: 0.39 * (dx * Math.sin(angle) + dy * Math.cos(angle)),
  });
  const out = third(turn);
  const back = third(-turn);
  const a = { x: from.x + out.x, y: from.y + out.y };
  const b = { x: to.x - back.x, y: to.y - back.y };
  return Array.from({ length: STEPS + 1 }, (_, i): Point => {
    const t = i / STEPS;
    const u = 1 - t;
    const mix = (p: Sp, q: Sp, r: Sp, s: Sp): Sp =>
      u * u * u * p + 3 * u * u * t * q + 3 * u * t * t * r + t * t * t * s;
    return { x: mix(from.x, a.x, b.x, to.x), y: mix(from.y, a.y, b.y, to.y) };
  });
}

const distance = (p: Point, q: Point): Sp => Math.hypot(q.x - p.x, q.y - p.y);

/** The point at a share of the path's length, and the direction there. */
export function along(path: Path, share: number): { point: Point; direction: Point } {
  const last = path.length - 1;
  const total = path.reduce(
    (sum, p, i) => (i === 0 ? 0 : sum + distance(path[i - 1] as Point, p)),
    0,
  );
  let left = share * total;
  for (let i = 1; i <= last; i++) {
    const p = path[i - 1] as Point;
    const q = path[i] as Point;
    const step = distance(p, q);
    if (left <= step || i === last) {
      const t = step === 0 ? 0 : Math.min(1, left / step);
      const length = Math.max(step, 1e-9);
      return {
        point: { x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t },
        direction: { x: (q.x - p.x) / length, y: (q.y - p.y) / length },
      };
    }
    left -= step;
  }
  return { point: path[0] as Point, direction: { x: 1, y: 0 } };
}

/** One straight stroke. */
export function stroke(from: Point, to: Point, thickness: Sp): Child {
  const length = distance(from, to);
  const degrees = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
  const line = rule(length, thickness / 2, thickness / 2);
  const turned: Box = {
    ...boxOf(length, 0, 0, [{ x: 0, y: 0, item: line }]),
    transform: { x: 1, y: 1, degrees },
  };
  return { x: from.x, y: from.y, item: turned };
}

/** The path in strokes; `dash` is the length of a dash and of the gap behind it, or null. */
export function drawPath(path: Path, thickness: Sp, dash: Sp | null): Child[] {
  const first = path[0] as Point;
  const straight = Math.abs(turnOf(path)) < 1e-6;
  if (dash === null && straight) return [stroke(first, path.at(-1) as Point, thickness)];
  const total = path.reduce(
    (sum, p, i) => (i === 0 ? 0 : sum + distance(path[i - 1] as Point, p)),
    0,
  );
  if (total === 0) return [];
  const pieces = dash === null ? 24 : Math.max(1, Math.round(total / (2 * dash)));
  return Array.from({ length: pieces }, (_, i) => {
    // Dashes begin and end the line.
    const from = dash === null ? i / pieces : (2 * i) / (2 * pieces - 1);
    const to = dash === null ? (i + 1) / pieces : (2 * i + 1) / (2 * pieces - 1);
    return stroke(along(path, from).point, along(path, to).point, thickness);
  });
}

const turnOf = (path: Path): number => {
  const a = along(path, 0).direction;
  const b = along(path, 1).direction;
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

/** The head at the end of a path, `back` before it. */
export function drawHead(path: Path, back: Sp, em: Sp, thickness: Sp): Child[] {
  const { point, direction } = along(path, 1);
  const tip = { x: point.x - direction.x * back, y: point.y - direction.y * back };
  return [1, -1].flatMap((side) => {
    const points = HEAD.map(([behind, aside]) => ({
      x: tip.x - (direction.x * behind + direction.y * aside * side) * em,
      y: tip.y - (direction.y * behind - direction.x * aside * side) * em,
    }));
    return points.slice(1).map((p, i) => stroke(points[i] as Point, p, thickness));
  });
}

/** A path beside the path, to its left. */
export function movedAside(path: Path, aside: Sp): Path {
  if (aside === 0) return path;
  return path.map((p, i) => {
    const before = path[Math.max(0, i - 1)] as Point;
    const behind = path[Math.min(path.length - 1, i + 1)] as Point;
    const length = Math.max(distance(before, behind), 1e-9);
    return {
      x: p.x - ((behind.y - before.y) / length) * aside,
      y: p.y + ((behind.x - before.x) / length) * aside,
    };
  });
}

/** A short stroke across the start of a path. */
export function drawBar(path: Path, half: Sp, thickness: Sp): Child {
  const { point, direction } = along(path, 0);
  const across = { x: -direction.y * half, y: direction.x * half };
  return stroke(
    { x: point.x - across.x, y: point.y - across.y },
    { x: point.x + across.x, y: point.y + across.y },
    thickness,
  );
}
