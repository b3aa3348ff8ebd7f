import type { Point } from '../base/maps';
import {
  lengthAlong,
  placeAlong,
  pointsAlong,
  polyline,
  type Path,
  type Segment,
} from '../base/paths';
import { MOTIFS, replaced } from './motifs';
import { left, plus, times } from './vectors';

/** How a line is decorated; lengths in sp. */
export interface Waves {
  readonly amplitude: number;
  readonly segment: number;
  readonly raise: number;
  readonly mirror: boolean;
  readonly aspect: number;
  /** Left plain at the start and at the end. */
  readonly before: number;
  readonly behind: number;
}

/** A place along a path: how far, and how far to the left of it. */
type Along = (distance: number, aside: number) => Point;

function along(path: Path): { readonly at: Along; readonly length: number } {
  const points = pointsAlong(path);
  const length = lengthAlong(points);
  const at: Along = (distance, aside) => {
    const { point, direction } = placeAlong(
      points,
      length === 0 ? 0 : Math.min(1, Math.max(0, distance / length)),
    );
    return plus(point, times(left(direction), aside));
  };
  return { at, length };
}

type Decorator = (at: Along, from: number, to: number, waves: Waves) => Path;

/** Points that swing from side to side, so many to a segment. */
function swing(
  at: Along,
  from: number,
  to: number,
  waves: Waves,
  steps: readonly number[],
): Point[] {
  const count = Math.max(1, Math.floor((to - from) / waves.segment));
  const points: Point[] = [at(from, 0)];
  const step = waves.segment / steps.length;
  for (let i = 0; i < count; i++)
    steps.forEach((share, k) =>
      points.push(at(from + i * waves.segment + (k + 0.5) * step, share * waves.amplitude)),
    );
  points.push(at(from + count * waves.segment, 0));
  if (from + count * waves.segment < to - 1) points.push(at(to, 0));
  return points;
}

const brace: Decorator = (at, from, to, waves) => {
  const a = waves.amplitude;
  const middle = from + (to - from) * waves.aspect;
  const r = Math.min(a, (to - from) / 4);
  const curve = (p: Point, q: Point, to_: Point): Segment => ({
    kind: 'curve',
    from: p,
    into: q,
    to: to_,
  });
  return [
    { kind: 'move', to: at(from, 0) },
    curve(at(from + 0.15 * r, 0.3 * a), at(from + 0.5 * r, 0.5 * a), at(from + r, 0.5 * a)),
    { kind: 'line', to: at(middle - r, 0.5 * a) },
    curve(at(middle - 0.5 * r, 0.5 * a), at(middle - 0.15 * r, 0.7 * a), at(middle, a)),
    curve(at(middle + 0.15 * r, 0.7 * a), at(middle + 0.5 * r, 0.5 * a), at(middle + r, 0.5 * a)),
    { kind: 'line', to: at(to - r, 0.5 * a) },
    curve(at(to - 0.5 * r, 0.5 * a), at(to - 0.15 * r, 0.3 * a), at(to, 0)),
  ];
};

/** The points of one turn of a coil: how far forward and aside in amplitudes, and how far on in twelfths of a turn. */
const TURN: readonly (readonly [forward: number, aside: number, on: number])[] = [
  [0, 0.555, 1],
  [0.445, 1, 2],
  [1, 1, 3],
  [1.555, 1, 4],
  [2, 0.555, 5],
  [2, 0, 6],
  [2, -0.555, 7],
  [1.555, -1, 8],
  [1, -1, 9],
  [0.445, -1, 10],
  [0, -0.555, 11],
  [0, 0, 12],
];

/** Turns of four curves each, seen aslant by their aspect; the last is a half one (the manual’s coil). */
const coil: Decorator = (at, from, to, { amplitude, segment, aspect }) => {
  const out: Segment[] = [{ kind: 'move', to: at(from, 0) }];
  const count = Math.max(0, Math.floor((to - from - 0.5 * segment) / segment + 1e-6));
  const turn = (start: number, curves: number): void => {
    const point = (i: number): Point => {
      const [forward, aside, on] = TURN[i] as (typeof TURN)[number];
      return at(start + forward * aspect * amplitude + (on * segment) / 12, aside * amplitude);
    };
    for (let i = 0; i < curves; i++)
      out.push({ kind: 'curve', from: point(3 * i), into: point(3 * i + 1), to: point(3 * i + 2) });
  };
  for (let i = 0; i < count; i++) turn(from + i * segment, 4);
  turn(from + count * segment, 2);
  return [...out, { kind: 'line', to: at(to, 0) }];
};

/** Waves of half a segment to each side, the rest of the way straight. */
function snake(at: Along, from: number, to: number, { amplitude, segment }: Waves): Path {
  const out: Segment[] = [{ kind: 'move', to: at(from, 0) }];
  const half_ = segment / 2;
  const count = 2 * Math.floor((to - from) / segment + 1e-6);
  for (let i = 0; i < count; i++) {
    const [d, side] = [from + i * half_, i % 2 === 0 ? 1 : -1];
    // A cubic whose peak is the amplitude: its controls lie a third further out.
    const peak = (side * amplitude * 4) / 3;
    out.push({
      kind: 'curve',
      from: at(d + 0.3642 * half_, peak),
      into: at(d + 0.6358 * half_, peak),
      to: at(d + half_, 0),
    });
  }
  return [...out, { kind: 'line', to: at(to, 0) }];
}

/** Lines across the path, a segment apart. */
const ticks: Decorator = (at, from, to, { amplitude, segment }) => {
  const out: Segment[] = [];
  for (let d = from; d <= to + 1; d += Math.max(segment, 1000))
    out.push({ kind: 'move', to: at(d, -amplitude) }, { kind: 'line', to: at(d, amplitude) });
  return out;
};

const half = (at: Along, from: number, to: number, { amplitude, segment }: Waves): Path => {
  const out: Segment[] = [{ kind: 'move', to: at(from, 0) }];
  for (let d = from; d + segment <= to + 1; d += segment)
    out.push({
      kind: 'curve',
      from: at(d, amplitude * 1.3),
      into: at(d + segment, amplitude * 1.3),
      to: at(d + segment, 0),
    });
  return [...out, { kind: 'line', to: at(to, 0) }];
};

/** Small figures one behind another, a segment apart. */
const figures =
  (points: readonly (readonly [number, number])[], closed: boolean): Decorator =>
  (at, from, to, { amplitude, segment }) => {
    const out: Segment[] = [];
    for (let d = from + segment / 2; d <= to + 1; d += Math.max(segment, 1000)) {
      points.forEach(([x, y], i) =>
        out.push({
          kind: i === 0 || (!closed && i % 2 === 0) ? 'move' : 'line',
          to: at(d + x * amplitude, y * amplitude),
        }),
      );
      if (closed) out.push({ kind: 'close' });
    }
    return out;
  };

/** Arcs that open along the path, each as wide as the last or wider than it. */
const wavesOf =
  (grows: boolean): Decorator =>
  (at, from, to, { amplitude, segment }) => {
    const out: Segment[] = [];
    for (let d = from + segment; d <= to + 1; d += Math.max(segment, 1000)) {
      const wide = grows ? (amplitude * (d - from)) / segment : amplitude;
      const back = 0.4 * wide;
      out.push(
        { kind: 'move', to: at(d - back, wide) },
        {
          kind: 'curve',
          from: at(d, wide * 0.5),
          into: at(d, -wide * 0.5),
          to: at(d - back, -wide),
        },
      );
    }
    return out;
  };

const DECORATORS: Readonly<Record<string, Decorator>> = {
  snake,
  zigzag: (at, from, to, waves) => polyline(swing(at, from, to, waves, [1, -1])),
  'straight zigzag': (at, from, to, waves) => polyline(swing(at, from, to, waves, [1, -1])),
  saw: (at, from, to, waves) => {
    const points: Point[] = [at(from, 0)];
    for (let d = from; d + waves.segment <= to + 1; d += waves.segment)
      points.push(at(d + waves.segment, waves.amplitude), at(d + waves.segment, 0));
    return polyline([...points, at(to, 0)]);
  },
  bumps: half,
  brace,
  coil,
  ticks,
  border: ticks,
  crosses: figures(
    [
      [-1, -1],
      [1, 1],
      [-1, 1],
      [1, -1],
    ],
    false,
  ),
  triangles: figures(
    [
      [-1, -1],
      [1, 0],
      [-1, 1],
    ],
    true,
  ),
  waves: wavesOf(false),
  'expanding waves': wavesOf(true),
  'random steps': (at, from, to, waves) => {
    const points: Point[] = [at(from, 0)];
    let seed = 7;
    for (let d = from + waves.segment; d < to; d += waves.segment) {
      seed = (seed * 69621) % 2147483647;
      points.push(at(d, (seed / 1073741823 - 1) * waves.amplitude));
    }
    return polyline([...points, at(to, 0)]);
  },
};

export const isDecoration = (name: string): boolean => name in DECORATORS || name in MOTIFS;

/** A path decorated by name; as it is when there is no such decoration. */
export function decorated(path: Path, name: string, look: Waves): Path {
  const motif = MOTIFS[name];
  if (motif && path.length * motif.length < 100_000)
    return replaced(path, motif, look.mirror ? -1 : 1);
  const decorator = DECORATORS[name];
  const { at, length } = along(path);
  if (!decorator || length === 0 || look.segment <= 0 || length / look.segment > 20_000)
    return path;
  const side = look.mirror ? -1 : 1;
  const moved: Along = (distance, aside) => at(distance, side * (aside + look.raise));
  const [from, to] = [look.before, length - look.behind];
  const middle = decorator(moved, from, Math.max(from, to), look);
  if (from === 0 && look.behind === 0) return middle;
  const rest =
    middle[0]?.kind === 'move'
      ? [{ ...middle[0], kind: 'line' as const }, ...middle.slice(1)]
      : middle;
  return [{ kind: 'move', to: at(0, 0) }, ...rest, { kind: 'line', to: at(length, 0) }];
}
