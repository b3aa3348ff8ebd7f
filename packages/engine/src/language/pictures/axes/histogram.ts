import type { DataPoint } from './axis';

/** How data are counted (`hist={bins=…,data min=…,data max=…}`). */
export interface Bins {
  readonly count: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly density: boolean;
  readonly cumulative: boolean;
}

const MOST_BINS = 500;

/** What `hist` asks for; null where a plot is none. */
export function histogramOf(options: string): Bins | null {
  const found = /(?:^|,)\s*hist\s*(?:=\s*(\{[^{}]*\}|[^,]*))?(?=,|$)/.exec(options.trim());
  if (!found) return null;
  const said = (key: string): number | null => {
    const value = new RegExp(`${key}\\s*=\\s*([-+\\d.eE]+)`).exec(found[1] ?? '')?.[1];
    return value === undefined ? null : Number(value);
  };
  return {
    count: Math.max(1, Math.min(MOST_BINS, Math.round(said('bins') ?? 10))),
    min: said('data min'),
    max: said('data max'),
    density: /density(?!\s*=\s*false)/.test(found[1] ?? ''),
    cumulative: /cumulative(?!\s*=\s*false)/.test(found[1] ?? ''),
  };
}

/** The left edge of each bin with how many values fall in it, and the right edge of the last. */
export function counted(points: readonly DataPoint[], bins: Bins): DataPoint[] {
  const values = points.map(({ y }) => y).filter((y) => Number.isFinite(y));
  const min = bins.min ?? Math.min(...values);
  const max = bins.max ?? Math.max(...values);
  if (!(max > min)) return [];
  const width = (max - min) / bins.count;
  const counts = Array.from({ length: bins.count }, () => 0);
  for (const value of values) {
    if (value < min || value > max) continue;
    const at = Math.min(bins.count - 1, Math.floor((value - min) / width));
    counts[at] = (counts[at] ?? 0) + 1;
  }
  const all = Math.max(1, values.length);
  let sum = 0;
  const heights = counts.map((count) => {
    sum += count;
    const shown = bins.cumulative ? sum : count;
    return bins.density ? shown / all / (bins.cumulative ? 1 : width) : shown;
  });
  const last = heights.at(-1) ?? 0;
  return [...heights, last].map((y, i) => ({
    x: min + i * width,
    y,
    z: 0,
    errorX: 0,
    errorY: 0,
  }));
}
