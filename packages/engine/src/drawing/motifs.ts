import type { Point } from '../base/maps';
import type { Path, Segment } from '../base/paths';
import { left, plus, times } from './vectors';

/** Every straight piece of a path in the place of which others are put: shares of its length along and aside; none where the pen is lifted. */
export type Motif = readonly (readonly [along: number, aside: number] | null)[];
const THIRD = 1 / 3;

/** The motifs of the library “decorations.fractals”. */
export const MOTIFS: Readonly<Record<string, Motif>> = {
  'Koch curve type 1': [
    [THIRD, 0],
    [THIRD, THIRD],
    [2 * THIRD, THIRD],
    [2 * THIRD, 0],
    [1, 0],
  ],
  'Koch curve type 2': [
    [0.25, 0],
    [0.25, 0.25],
    [0.5, 0.25],
    [0.5, 0],
    [0.5, -0.25],
    [0.75, -0.25],
    [0.75, 0],
    [1, 0],
  ],
  'Koch snowflake': [
    [THIRD, 0],
    [0.5, Math.sqrt(3) / 6],
    [2 * THIRD, 0],
    [1, 0],
  ],
  'Cantor set': [[THIRD, 0], null, [2 * THIRD, 0], [1, 0]],
};

/** A path each straight piece of which is replaced by a motif (the library of fractals). */
export function replaced(path: Path, motif: Motif, side: number): Path {
  const out: Segment[] = [];
  let [at, start]: [Point, Point] = [
    { x: 0, y: 0 },
    { x: 0, y: 0 },
  ];
  for (const segment of path) {
    if (segment.kind === 'move') {
      out.push(segment);
      at = start = segment.to;
      continue;
    }
    const to = segment.kind === 'close' ? start : segment.to;
    const along = { x: to.x - at.x, y: to.y - at.y };
    let lifted = false;
    for (const step of motif) {
      if (step) {
        const point = plus(plus(at, times(along, step[0])), times(left(along), side * step[1]));
        out.push({ kind: lifted ? 'move' : 'line', to: point });
      }
      lifted = step === null;
    }
    at = to;
  }
  return out;
}
