import { MEASURES } from './measures';

/** A ten point design of Computer Modern. */
export type Design = keyof typeof MEASURES;

/** The metrics of a character (`tfm`), in em. */
export interface Metrics {
  readonly depth: number;
  readonly height: number;
  readonly italic: number;
  /** How far an accent is moved to the right (the kern with `\skewchar`). */
  readonly skew: number;
  readonly width: number;
}

const SCALE = 1e5;

function read(design: Design): ReadonlyMap<number, Metrics> {
  const metrics = new Map<number, Metrics>();
  for (const row of MEASURES[design].split(',')) {
    const [code = '', ...numbers] = row.split(' ');
    const [depth = 0, height = 0, italic = 0, skew = 0, width = 0] = numbers.map(
      (n) => Number(n) / SCALE,
    );
    metrics.set(parseInt(code, 16), { depth, height, italic, skew, width });
  }
  return metrics;
}

const known = new Map<Design, ReadonlyMap<number, Metrics>>();

/** The metrics of a design by code point; read once. */
export function metricsOf(design: Design): ReadonlyMap<number, Metrics> {
  const found = known.get(design) ?? read(design);
  known.set(design, found);
  return found;
}
