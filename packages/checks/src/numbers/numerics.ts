/** What is found by approach: integrals, series that do not end, limits. Each gives a value and how far it may be off. */

export interface Approached {
  readonly value: number;
  /** Estimated error, absolute. */
  readonly error: number;
}

const UNDEFINED: Approached = { value: NaN, error: NaN };

/**
 * An integral by the double exponential rule (Takahasi and Mori 1974), which stands singular ends;
 * where that does not settle, by halving with Gauss and Kronrod's rule of 15 points.
 */
export function integrate(f: (x: number) => number, from: number, to: number): Approached {
  if (from === to) return { value: 0, error: 0 };
  if (from > to) {
    const { value, error } = integrate(f, to, from);
    return { value: -value, error };
  }
  const { g, a, b } = finite(f, from, to);
  const smooth = doubleExponential(g, a, b);
  if (smooth.error <= 1e-9 * Math.max(1, Math.abs(smooth.value))) return smooth;
  const halved = adaptive(g, a, b, 0);
  return halved.error < smooth.error || Number.isNaN(smooth.error) ? halved : smooth;
}

function finite(f: (x: number) => number, from: number, to: number) {
  const below = from === -Infinity;
  const above = to === Infinity;
  if (!below && !above) return { g: f, a: from, b: to };
  if (below && above) {
    const g = (t: number): number => {
      const rest = 1 - t * t;
      return (f(t / rest) * (1 + t * t)) / (rest * rest);
    };
    return { g, a: -1, b: 1 };
  }
  const g = (t: number): number => {
    const rest = 1 - t;
    const value = above ? f(from + t / rest) : f(to - t / rest);
    return value / (rest * rest);
  };
  return { g, a: 0, b: 1 };
}

function doubleExponential(f: (x: number) => number, a: number, b: number): Approached {
  const [middle, half] = [(a + b) / 2, (b - a) / 2];
  const term = (t: number): number => {
    const s = (Math.PI / 2) * Math.sinh(t);
    const x = Math.tanh(s);
    const weight = ((Math.PI / 2) * Math.cosh(t)) / Math.cosh(s) ** 2;
    // The last places before the ends are lost to rounding.
    if (weight < 1e-17 || 1 - Math.abs(x) < 1e-16) return 0;
    return weight * f(middle + half * x);
  };
  let step = 0.5;
  let sum = term(0);
  for (let k = 1; k * step <= 4; k++) sum += term(k * step) + term(-k * step);
  let last = sum * step;
  let error = Infinity;
  for (let level = 0; level < 5; level++) {
    step /= 2;
    for (let k = 1; k * step <= 4; k += 2) sum += term(k * step) + term(-k * step);
    const next = sum * step;
    error = Math.abs(next - last) * half;
    last = next;
    if (error < 1e-12 * Math.max(1, Math.abs(last))) break;
  }
  return Number.isFinite(last) ? { value: last * half, error } : UNDEFINED;
}

/** Abscissae and weights of Kronrod's 15 points, with Gauss's 7 (every second). */
const KRONROD = [
  [0.991455371120813, 0.022935322010529],
  [0.949107912342759, 0.063092092629979],
  [0.864864423359769, 0.10479001032225],
  [0.741531185599394, 0.140653259715525],
  [0.586087235467691, 0.169004726639267],
  [0.405845151377397, 0.190350578064785],
  [0.207784955007898, 0.204432940075298],
  [0, 0.209482141084728],
] as const;
const GAUSS = [0.12948496616887, 0.279705391489277, 0.381830050505119, 0.417959183673469];

function adaptive(f: (x: number) => number, a: number, b: number, depth: number): Approached {
  const [middle, half] = [(a + b) / 2, (b - a) / 2];
  let [kronrod, gauss] = [0, 0];
  KRONROD.forEach(([x, weight], i) => {
    const value = x === 0 ? f(middle) : f(middle - half * x) + f(middle + half * x);
    kronrod += weight * value;
    if (i % 2 === 1) gauss += (GAUSS[(i - 1) / 2] as number) * value;
  });
  const value = kronrod * half;
  const error = Math.abs(kronrod - gauss) * half;
  if (!Number.isFinite(value)) return UNDEFINED;
  if (depth > 9 || error < 1e-9 * Math.max(1e-3, Math.abs(value))) return { value, error };
  const left = adaptive(f, a, middle, depth + 1);
  const right = adaptive(f, middle, b, depth + 1);
  return { value: left.value + right.value, error: left.error + right.error };
}

/** A series of terms from `first` on, by Levin's u transformation (Levin 1973); NaN where it does not converge. */
export function sumForEver(term: (k: number) => number): Approached {
  const COUNT = 28;
  const terms: number[] = [];
  let direct = 0;
  let small = 0;
  for (let k = 0; k < 400; k++) {
    const value = term(k);
    if (!Number.isFinite(value)) return UNDEFINED;
    terms.push(value);
    direct += value;
    small = Math.abs(value) <= 1e-16 * Math.max(1e-30, Math.abs(direct)) ? small + 1 : 0;
    if (small >= 6) return { value: direct, error: 1e-13 * Math.max(1, Math.abs(direct)) };
    if (k === COUNT && !shrinks(terms)) return UNDEFINED;
    if (k > COUNT + 4 && !quick(terms)) break;
  }
  const estimates = [12, 14, 16, 18].map((order) => levin(terms, order));
  const [first = NaN, ...rest] = estimates.slice(-3);
  const error = Math.max(...rest.map((other) => Math.abs(other - first)));
  return error <= 1e-5 * Math.max(1, Math.abs(first)) ? { value: first, error } : UNDEFINED;
}

/** Do the later terms fall below the earlier ones, as those of a series that converges must? */
function shrinks(terms: readonly number[]): boolean {
  const late = Math.max(...terms.slice(-8).map(Math.abs));
  const early = Math.max(...terms.slice(6, 14).map(Math.abs));
  // Terms as 1/k fall by less than their places tell: such a series grows without end if all have one sign.
  const alternating = terms
    .slice(-8)
    .some((value, i, all) => i > 0 && value * (all[i - 1] ?? 0) < 0);
  return alternating ? late < early : late < early * 0.26;
}

const quick = (terms: readonly number[]): boolean => {
  const [a = 0, b = 0] = [terms.at(-8), terms.at(-1)];
  return Math.abs(b) < 0.8 * Math.abs(a);
};

function levin(terms: readonly number[], order: number): number {
  let [top, bottom, partial, choose] = [0, 0, 0, 1];
  for (let j = 0; j <= order; j++) {
    const value = terms[j] ?? 0;
    partial += value;
    if (value === 0) return NaN;
    const weight =
      ((j % 2 ? -1 : 1) * choose * ((j + 1) / (order + 1)) ** (order - 1)) / ((j + 1) * value);
    top += weight * partial;
    bottom += weight;
    choose = (choose * (order - j)) / (j + 1);
  }
  return top / bottom;
}

/** What `f` comes to as h falls to 0 from above, by extrapolation over halved steps; ±∞ where it grows without end. */
export function approach(f: (h: number) => number): Approached {
  const best = [extrapolated(f), farOut(f)].sort((a, b) => badness(a) - badness(b))[0] ?? UNDEFINED;
  return badness(best) <= 1e-3 * Math.max(1, Math.abs(best.value)) ? best : endless(f);
}

const badness = ({ error }: Approached): number => (Number.isNaN(error) ? Infinity : error);

function extrapolated(f: (h: number) => number): Approached {
  const COUNT = 12;
  const rows: number[][] = [];
  let best: Approached = UNDEFINED;
  for (let i = 0; i < COUNT; i++) {
    const first = f(0.125 / 2 ** i);
    if (!Number.isFinite(first)) return best;
    const row = [first];
    for (let j = 1; j <= i; j++) {
      const [now, before] = [row[j - 1] as number, rows[i - 1]?.[j - 1] as number];
      row.push(now + (now - before) / (2 ** j - 1));
      const error = Math.abs((row[j] as number) - now) + Math.abs((row[j] as number) - before);
      if (error < badness(best)) best = { value: row[j] as number, error };
    }
    rows.push(row);
  }
  return best;
}

function farOut(f: (h: number) => number): Approached {
  const [a, b, c] = [f(1e-5), f(2.3e-7), f(1.1e-8)];
  if (a === undefined || b === undefined || c === undefined) return UNDEFINED;
  const error = Math.abs(b - c) * 3 + Math.abs(a - b) * 0.1;
  return Number.isFinite(error)
    ? { value: Math.abs(c) < 1e-5 && error < 1e-4 ? 0 : c, error }
    : UNDEFINED;
}

function endless(f: (h: number) => number): Approached {
  const values = [1e-1, 1e-2, 1e-3, 1e-4, 1e-5].map(f).filter((value) => !Number.isNaN(value));
  const grows = values.every(
    (value, i) => i === 0 || Math.abs(value) > 1.5 * Math.abs(values[i - 1] ?? 0),
  );
  const last = values.at(-1) ?? NaN;
  const same = values.every((value) => Math.sign(value) === Math.sign(last));
  return values.length >= 3 && grows && same && Math.abs(last) > 20
    ? { value: Math.sign(last) * Infinity, error: 0 }
    : UNDEFINED;
}
