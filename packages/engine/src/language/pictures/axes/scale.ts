import type { Mode } from './axis';

/** The range that an axis shows, in its own numbers: of a logarithmic one in powers of ten. */
export interface Range {
  readonly min: number;
  readonly max: number;
}

/** A number as its axis counts it. */
export const onAxis = (mode: Mode, value: number): number =>
  mode === 'log' ? Math.log10(value) : value;

/**
 * The range of an axis: of its data, a tenth larger at each end that nobody fixed.
 *
 * @param enlarge a share of the range for both ends; null where it is left to those nobody fixed; 0 for none.
 */
export function rangeOf(
  values: readonly number[],
  min: number | null,
  max: number | null,
  enlarge: number | null,
  mode: Mode,
): Range {
  const finite = values
    .map((value) => onAxis(mode, value))
    .filter((value) => Number.isFinite(value));
  let low = min === null ? Math.min(...finite) : onAxis(mode, min);
  let high = max === null ? Math.max(...finite) : onAxis(mode, max);
  if (!Number.isFinite(low)) low = Number.isFinite(high) ? high - 1 : 0;
  if (!Number.isFinite(high)) high = low + 1;
  if (low >= high) [low, high] = [low - 0.5, low + 0.5];
  const by = (enlarge ?? 0.1) * (high - low);
  const both = enlarge !== null;
  return {
    min: both || min === null ? low - by : low,
    max: both || max === null ? high + by : high,
  };
}

/** Labels stand about so far apart, pt. */
const APART = 35;
/** Steps by powers of ten, and up to which ratio each is the nearest. */
const NICE: readonly (readonly [step: number, below: number])[] = [
  [1, 1.5],
  [2, 3.5],
  [5, 7.5],
];

/** The distance of ticks: that of 1, 2 and 5 times a power of ten which comes nearest to their room. @param length of the axis, pt. */
export function tickStep({ min, max }: Range, length: number): number {
  const wanted = ((max - min) * APART) / Math.max(length, 1);
  const power = Math.pow(10, Math.floor(Math.log10(wanted)));
  return (NICE.find(([, below]) => wanted / power < below)?.[0] ?? 10) * power;
}

/** No axis has more ticks. */
const MOST = 200;

/** The places of ticks that lie a step apart, in the range. */
export function ticksBy(step: number, { min, max }: Range): number[] {
  const near = 1e-6 * (max - min);
  const first = Math.ceil((min - near) / step);
  const last = Math.floor((max + near) / step);
  return Array.from({ length: Math.max(0, Math.min(MOST, last - first + 1)) }, (_, i) =>
    Number(((first + i) * step).toPrecision(12)),
  );
}

/** So many ticks an axis of powers of ten has at least (`try min ticks log`). */
const LEAST_OF_POWERS = 3;

/**
 * Ticks of an axis that nobody listed. Those of a logarithmic one are whole powers of ten where there are enough
 * of them, the powers of parts of ten else.
 */
export function ticksOf(
  mode: Mode,
  range: Range,
  length: number,
  distance: number | null,
): number[] {
  if (mode === 'linear') return ticksBy(distance ?? tickStep(range, length), range);
  const decades = range.max - range.min;
  const widest = Math.max(1, Math.ceil((decades * APART) / Math.max(1, length)));
  for (let step = widest; step >= 1; step--) {
    const ticks = ticksBy(step, range);
    if (ticks.length >= LEAST_OF_POWERS) return ticks;
  }
  const step = Math.min(0.5, tickStep(range, length));
  return [step, step / 2, step / 5]
    .map((one) => ticksBy(Number(one.toPrecision(2)), range))
    .reduce((fewer, more) => (fewer.length >= LEAST_OF_POWERS ? fewer : more));
}

/** Between whole powers of ten that stand side by side: twice to nine times each. */
export function betweenPowers(ticks: readonly number[], { min, max }: Range): number[] {
  const [first, second] = ticks;
  if (first === undefined || (second !== undefined && second - first !== 1) || first % 1 !== 0)
    return [];
  return ticksBy(1, { min: Math.floor(min), max })
    .flatMap((power) => [2, 3, 4, 5, 6, 7, 8, 9].map((n) => power + Math.log10(n)))
    .filter((at) => at >= min && at <= max);
}

/** The power of ten that is written beside an axis instead of with each number; 0 for none. */
export function commonPower(ticks: readonly number[]): number {
  const most = Math.max(...ticks.map(Math.abs), 0);
  if (most === 0) return 0;
  const power = Math.floor(Math.log10(most) + 1e-9);
  return power >= 4 || power <= -3 ? power : 0;
}

/** A number as ticks are labelled: up to two places as many as there are, thousands apart, in the language of formulas. */
export function tickText(value: number, places = 4): string {
  const short = Number(value.toFixed(places));
  const [whole = '0', fraction] = String(Math.abs(short)).split('.');
  const grouped = whole.length > 3 ? whole.replace(/\B(?=(\d{3})+$)/g, '{,}') : whole;
  return `${short < 0 ? '-' : ''}${grouped}${fraction === undefined ? '' : `.${fraction}`}`;
}

/** How many places the labels of these ticks need. */
export function placesFor(ticks: readonly number[]): number {
  const step = Math.min(...ticks.slice(1).map((tick, i) => Math.abs(tick - (ticks[i] ?? 0))));
  if (!Number.isFinite(step) || step <= 0) return 2;
  return Math.max(2, Math.min(6, Math.ceil(-Math.log10(step) - 1e-9)));
}
