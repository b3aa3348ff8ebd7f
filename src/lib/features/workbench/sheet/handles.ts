import type { PageDescription } from '@odd-compass/engine';
import { NO_PORT, walkPage, type PagePath } from '@odd-compass/engine/page';
import type { BlockPlace } from '@odd-compass/engine/worker';
import { cornersOf } from './pathPoints';
import { gridOf, inSteps, movedCoordinate, readCoordinate, type Vector } from './coordinates';

/** A point of a picture on the page whose numbers stand in the source; big points, y downwards. */
export interface Handle extends Vector {
  /** Where its numbers stand in the source, and what they are. */
  readonly from: number;
  readonly text: string;
  /** How far one more in each of its numbers moves it. */
  readonly steps: readonly [Vector, Vector];
}

/** A stretch of the source. */
interface Stretch {
  readonly from: number;
  readonly to: number;
}

/**
 * The points that can be taken of the picture between two places of the source; null while the page
 * is not that of the source as it is now.
 * @param read the source between two places
 */
export function handlesOf(
  page: PageDescription,
  blocks: ReadonlyMap<number, BlockPlace>,
  picture: Stretch,
  read: (from: number, to: number) => string,
): Handle[] | null {
  let isBehind = false;
  const found = new Map<number, Handle>();
  const handle = (path: PagePath): void => {
    const start = blocks.get(path.block)?.start;
    if (start === undefined) return;
    const [from, to] = [start + path.from, start + path.to];
    // What is drawn over and over by a loop is taken where it was drawn first.
    if (from < picture.from || to > picture.to || found.has(from)) return;
    const text = read(from, to);
    const [at, across, up] = cornersOf(path);
    if (!readCoordinate(text) || read(to, to + 1) !== ')') isBehind = true;
    if (!at || !across || !up) return;
    const steps = [vector(at, across), vector(at, up)] as const;
    found.set(from, { ...at, from, text, steps });
  };
  walkPage(page, { ...NO_PORT, handle });
  return isBehind ? null : [...found.values()];
}
const vector = (from: Vector, to: Vector): Vector => ({ x: to.x - from.x, y: to.y - from.y });

/** A grid ten times as fine, for those who ask. */
const FINER = 10;

/**
 * The numbers of a point that a hand has moved, rounded to the grid of its picture.
 * @param by how far, big points of the page
 */
export function movedHandle(
  { text, steps }: Handle,
  by: Vector,
  all: readonly Handle[],
  finer: boolean,
): string {
  const grid = gridOf(all.map((one) => one.text)) / (finer ? FINER : 1);
  const along = inSteps(steps, by);
  return along ? movedCoordinate(text, along, grid) : text;
}

/** How far an arrow key moves a point: one step of the grid, in big points. */
export function keyStep(
  key: string,
  { steps }: Handle,
  all: readonly Handle[],
  finer: boolean,
): Vector | null {
  const grid = gridOf(all.map((one) => one.text)) / (finer ? FINER : 1);
  const [across, up] = steps;
  const times = ({ x, y }: Vector, n: number): Vector => ({ x: x * n, y: y * n });
  if (key === 'ArrowRight') return times(across, grid);
  if (key === 'ArrowLeft') return times(across, -grid);
  if (key === 'ArrowUp') return times(up, grid);
  if (key === 'ArrowDown') return times(up, -grid);
  return null;
}
