/** A fraction in lowest terms, its denominator positive. */
export interface Fraction {
  readonly top: bigint;
  readonly bottom: bigint;
}
/** Coefficients from the constant one on. */
export type Polynomial = readonly Fraction[];

const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? (a < 0n ? -a : a) : gcd(b, a % b));
export function fraction(top: bigint, bottom: bigint): Fraction {
  const divisor = gcd(top, bottom) || 1n;
  const sign = bottom < 0n ? -1n : 1n;
  return { top: (sign * top) / divisor, bottom: (sign * bottom) / divisor };
}
export const ZERO = fraction(0n, 1n);
export const ONE = fraction(1n, 1n);
export const times = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.top, a.bottom * b.bottom);
export const minus = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom - b.top * a.bottom, a.bottom * b.bottom);
export const over = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom, a.bottom * b.top);

export const degree = (p: Polynomial): number => p.findLastIndex(({ top }) => top !== 0n);
const MOST = 60;

export const plus = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom + b.top * a.bottom, a.bottom * b.bottom);

const sum = (a: Polynomial, b: Polynomial, sign: Fraction): Polynomial =>
  Array.from({ length: Math.max(a.length, b.length) }, (_, i) =>
    plus(a[i] ?? ZERO, times(sign, b[i] ?? ZERO)),
  );
export const added = (a: Polynomial, b: Polynomial): Polynomial => sum(a, b, ONE);
export const subtracted = (a: Polynomial, b: Polynomial): Polynomial =>
  sum(a, b, fraction(-1n, 1n));
export function multiplied(a: Polynomial, b: Polynomial): Polynomial {
  const out = Array.from({ length: Math.max(1, a.length + b.length - 1) }, () => ZERO);
  a.forEach((x, i) =>
    b.forEach((y, j) => {
      out[i + j] = plus(out[i + j] ?? ZERO, times(x, y));
    }),
  );
  return out;
}

/**
 * Reads `2X^3 - \frac12X + 1` or `(X-1)(X^2+1)`, with its letter; null where it is something else.
 * By descent: sums of products of powers.
 */
export function polynomialOf(
  text: string,
): { readonly p: Polynomial; readonly letter: string } | null {
  const plain = text
    .replace(/\s+/g, '')
    .replace(/\\[dt]?frac\{?(\d+)\}?\{?(\d+)\}?/g, '$1/$2')
    .replace(/\\(?:left|right)(?=[()])/g, '')
    .replace(/\\cdot|\*/g, '');
  const letter = /[A-Za-z]/.exec(plain)?.[0] ?? 'X';
  const pieces = plain.match(/\d+(?:\/\d+)?|[A-Za-z]|\^\{\d+\}|\^\d+|[-+()]|./g) ?? [];
  let at = 0;
  const power = (base: Polynomial): Polynomial | null => {
    const exponent = /^\^\{?(\d+)\}?$/.exec(pieces[at] ?? '')?.[1];
    if (exponent === undefined) return base;
    at++;
    const times = Number(exponent);
    if (times * Math.max(1, degree(base)) > MOST) return null;
    let out: Polynomial = [ONE];
    for (let i = 0; i < times; i++) out = multiplied(out, base);
    return out;
  };
  const factor = (): Polynomial | null => {
    const piece = pieces[at];
    if (piece === undefined) return null;
    if (piece === '(') {
      at++;
      const inner = expression();
      if (!inner || pieces[at++] !== ')') return null;
      return power(inner);
    }
    const number = /^(\d+)(?:\/(\d+))?$/.exec(piece);
    if (number) {
      at++;
      const bottom = BigInt(number[2] ?? 1);
      return bottom === 0n ? null : power([fraction(BigInt(number[1] ?? 0), bottom)]);
    }
    if (piece !== letter) return null;
    at++;
    return power([ZERO, ONE]);
  };
  const product = (): Polynomial | null => {
    let out = factor();
    while (out && at < pieces.length && !/^[-+)]$/.test(pieces[at] ?? '')) {
      const next = factor();
      out = next && degree(out) + degree(next) <= MOST ? multiplied(out, next) : null;
    }
    return out;
  };
  function expression(): Polynomial | null {
    let out: Polynomial = [ZERO];
    do {
      const sign = /^[-+]$/.test(pieces[at] ?? '') ? pieces[at++] : '+';
      const term = product();
      if (!term) return null;
      out = sign === '-' ? subtracted(out, term) : added(out, term);
    } while (/^[-+]$/.test(pieces[at] ?? ''));
    return out;
  }
  const p = expression();
  if (!p || at < pieces.length) return null;
  return { p: p.slice(0, Math.max(1, degree(p) + 1)), letter };
}

export const sizeTex = ({ top, bottom }: Fraction): string => {
  const size = top < 0n ? -top : top;
  return bottom === 1n ? String(size) : `\\frac{${size}}{${bottom}}`;
};

export function termTex(c: Fraction, power: number, letter: string, first: boolean): string {
  const sign = c.top < 0n ? '-' : first ? '' : '+';
  const size = sizeTex(c);
  const letters = power === 0 ? '' : power === 1 ? letter : `${letter}^{${power}}`;
  return `${sign}${size === '1' && power > 0 ? '' : size}${letters}`;
}

/** A polynomial as LaTeX, the highest power first. */
export function polynomialTex(p: Polynomial, letter: string): string {
  const parts: string[] = [];
  for (let power = degree(p); power >= 0; power--) {
    const c = p[power] ?? ZERO;
    if (c.top !== 0n) parts.push(termTex(c, power, letter, parts.length === 0));
  }
  return parts.join('') || '0';
}

/** A division with remainder, step by step: what is taken away each time, and what is left. */
export function division(
  dividend: Polynomial,
  divisor: Polynomial,
): {
  readonly quotient: Polynomial;
  readonly steps: readonly { readonly taken: Polynomial; readonly rest: Polynomial }[];
} {
  const low = degree(divisor);
  const quotient: Fraction[] = [];
  const steps: { taken: Polynomial; rest: Polynomial }[] = [];
  let rest = dividend;
  while (low >= 0 && degree(rest) >= low) {
    const high = degree(rest);
    const factor = over(rest[high] ?? ZERO, divisor[low] ?? ZERO);
    for (let i = quotient.length; i <= high - low; i++) quotient.push(ZERO);
    quotient[high - low] = factor;
    const taken = [
      ...Array.from({ length: high - low }, () => ZERO),
      ...divisor.slice(0, low + 1).map((c) => times(c, factor)),
    ];
    rest = rest.map((c, power) => minus(c, taken[power] ?? ZERO));
    steps.push({ taken, rest });
  }
  return { quotient, steps };
}

/** The divisors of a number, from 1 on. */
function divisors(n: bigint): bigint[] {
  const size = n < 0n ? -n : n;
  const out: bigint[] = [];
  for (let i = 1n; i * i <= size && i < MOST_TRIED; i++)
    if (size % i === 0n) out.push(i, ...(i * i === size ? [] : [size / i]));
  return out.sort((a, b) => (a < b ? -1 : 1));
}
const MOST_TRIED = 20_000n;

/** The value at a fraction (Horner). */
export const valueAt = (p: Polynomial, x: Fraction): Fraction =>
  p.reduceRight((value, c) => plus(times(value, x), c), ZERO);

/** A fraction at which the polynomial vanishes, or null (the rational root theorem). */
export function rationalRoot(p: Polynomial): Fraction | null {
  if (degree(p) < 1) return null;
  if (p[0]?.top === 0n) return ZERO;
  const scale = p.reduce((all, { bottom }) => (all * bottom) / (gcd(all, bottom) || 1n), 1n);
  const whole = p.map(({ top, bottom }) => (top * scale) / bottom);
  for (const top of divisors(whole[0] ?? 0n))
    for (const bottom of divisors(whole[degree(p)] ?? 1n))
      for (const sign of [1n, -1n]) {
        const x = fraction(sign * top, bottom);
        if (valueAt(p, x).top === 0n) return x;
      }
  return null;
}

/** A polynomial over its highest coefficient. */
export const monic = (p: Polynomial): Polynomial => {
  const first = p[degree(p)] ?? ONE;
  return p.slice(0, degree(p) + 1).map((c) => over(c, first));
};

/** The number before all, linear factors with how often they stand, and what has no rational root. */
export function factors(p: Polynomial): {
  readonly content: Fraction;
  readonly roots: readonly { readonly root: Fraction; readonly times: number }[];
  readonly rest: Polynomial;
} {
  const roots: { root: Fraction; times: number }[] = [];
  let rest = monic(p);
  for (let root = rationalRoot(rest); root; root = rationalRoot(rest)) {
    const known = roots.find(
      ({ root: one }) => one.top === root?.top && one.bottom === root.bottom,
    );
    if (known) known.times++;
    else roots.push({ root, times: 1 });
    rest = division(rest, [minus(ZERO, root), ONE]).quotient;
  }
  return { content: p[degree(p)] ?? ZERO, roots, rest };
}

/** Euclid's algorithm: each division with its remainder, until one leaves nothing. */
export function euclid(
  a: Polynomial,
  b: Polynomial,
): {
  readonly a: Polynomial;
  readonly b: Polynomial;
  readonly quotient: Polynomial;
  readonly rest: Polynomial;
}[] {
  const out = [];
  let [above, below] = [a, b];
  while (degree(below) >= 0) {
    const { quotient, steps } = division(above, below);
    const rest = steps.at(-1)?.rest ?? above;
    out.push({ a: above, b: below, quotient, rest });
    [above, below] = [below, rest];
  }
  return out;
}
