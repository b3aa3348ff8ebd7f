import type { Point } from '../base/maps';
import {
  lengthAlong,
  placeAlong,
  pointsAlong,
  polyline,
  type Path,
  type Segment,
} from '../base/paths';
import { smoothed } from './curves';
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

const coil: Decorator = (at, from, to, { amplitude, segment }) => {
  const count = Math.max(1, Math.floor((to - from) / segment));
  const points: Point[] = [];
  const turns = 16;
  for (let i = 0; i <= count * turns; i++) {
    const angle = (2 * Math.PI * i) / turns;
    const forward = from + (i / turns) * segment + amplitude * 0.6 * (1 - Math.cos(angle));
    if (forward <= to) points.push(at(forward, amplitude * Math.sin(angle)));
  }
  return smoothed(points, 0.5, false);
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

export const isDecoration = (name: string): boolean => name in DECORATORS;

/** A path decorated by name; as it is when there is no such decoration. */
export function decorated(path: Path, name: string, waves: Waves): Path {
  const decorator = DECORATORS[name];
  const { at, length } = along(path);
  if (!decorator || length === 0 || waves.segment <= 0 || length / waves.segment > 20_000)
    return path;
  const side = waves.mirror ? -1 : 1;
  const moved: Along = (distance, aside) => at(distance, side * (aside + waves.raise));
  const [from, to] = [waves.before, length - waves.behind];
  const middle = decorator(moved, from, Math.max(from, to), waves);
  if (from === 0 && waves.behind === 0) return middle;
  const rest =
    middle[0]?.kind === 'move'
      ? [{ ...middle[0], kind: 'line' as const }, ...middle.slice(1)]
      : middle;
  return [{ kind: 'move', to: at(0, 0) }, ...rest, { kind: 'line', to: at(length, 0) }];
}
