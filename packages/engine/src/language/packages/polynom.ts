import { textOf } from '../../expansion/tokenText';
import { inTextToo, mathEntry } from '../constructs/mathEntry';
import { tokensOf, type PackageEntry } from '../machine/entries';
import { macroEntry } from '../machine/macroEntry';

/** A fraction in lowest terms, its denominator positive. */
interface Fraction {
  readonly top: bigint;
  readonly bottom: bigint;
}
/** Coefficients from the constant one on. */
export type Polynomial = readonly Fraction[];

const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? (a < 0n ? -a : a) : gcd(b, a % b));
function fraction(top: bigint, bottom: bigint): Fraction {
  const divisor = gcd(top, bottom) || 1n;
  const sign = bottom < 0n ? -1n : 1n;
  return { top: (sign * top) / divisor, bottom: (sign * bottom) / divisor };
}
const ZERO = fraction(0n, 1n);
const times = (a: Fraction, b: Fraction): Fraction => fraction(a.top * b.top, a.bottom * b.bottom);
const minus = (a: Fraction, b: Fraction): Fraction =>
  fraction(a.top * b.bottom - b.top * a.bottom, a.bottom * b.bottom);
const over = (a: Fraction, b: Fraction): Fraction => fraction(a.top * b.bottom, a.bottom * b.top);

const degree = (p: Polynomial): number => p.findLastIndex(({ top }) => top !== 0n);
const MOST = 60;

/** Reads `2X^3 - \frac12X + 1`, with its letter; null where it is something else. */
export function polynomialOf(
  text: string,
): { readonly p: Polynomial; readonly letter: string } | null {
  const plain = text
    .replace(/\s+/g, '')
    .replace(/\\[dt]?frac\{?(\d+)\}?\{?(\d+)\}?/g, '$1/$2')
    .replace(/\\cdot|\*/g, '');
  const letter = /[A-Za-z]/.exec(plain)?.[0] ?? 'X';
  const terms = plain.match(/[+-]?[^+-]+/g) ?? [];
  const p: Fraction[] = [];
  for (const term of terms) {
    const match = new RegExp(`^([+-]?)(\\d+)?(?:/(\\d+))?(${letter}(?:\\^\\{?(\\d+)\\}?)?)?$`).exec(
      term,
    );
    if (!match || (!match[2] && !match[4])) return null;
    const power = match[4] ? Number(match[5] ?? 1) : 0;
    if (power > MOST || match[3] === '0') return null;
    const own = fraction(
      BigInt(match[2] ?? 1) * (match[1] === '-' ? -1n : 1n),
      BigInt(match[3] ?? 1),
    );
    for (let i = p.length; i <= power; i++) p.push(ZERO);
    p[power] = minus(p[power] ?? ZERO, times(own, fraction(-1n, 1n)));
  }
  return { p, letter };
}

const sizeTex = ({ top, bottom }: Fraction): string => {
  const size = top < 0n ? -top : top;
  return bottom === 1n ? String(size) : `\\frac{${size}}{${bottom}}`;
};

function termTex(c: Fraction, power: number, letter: string, first: boolean): string {
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

/** A row of the long division: the terms of a polynomial under those of the dividend. */
function row(p: Polynomial, letter: string, from: number, to: number, columns: number): string {
  let first = true;
  const cells = Array.from({ length: columns }, (_, i) => {
    const power = columns - 1 - i;
    const c = p[power] ?? ZERO;
    if (power > from || power < to || c.top === 0n) return '';
    const tex = termTex(c, power, letter, first);
    first = false;
    return tex.replace(/^([+-])/, '{}$1{}');
  });
  return cells.join(' & ');
}

/** A long division as it is written out, as LaTeX; null where a side is no polynomial. */
export function longDivision(dividendText: string, divisorText: string): string | null {
  const [a, b] = [polynomialOf(dividendText), polynomialOf(divisorText)];
  if (!a || !b || degree(b.p) < 0) return null;
  const { letter } = a;
  const columns = a.p.length;
  const { quotient, steps } = division(a.p, b.p);
  const low = degree(b.p);
  const [divisor, whole] = [polynomialTex(b.p, letter), polynomialTex(quotient, letter)];
  const last = steps.at(-1)?.rest ?? a.p;
  const left = polynomialTex(last, letter);
  const more = degree(last) < 0 ? '' : left.startsWith('-') ? left : `+${left}`;
  const lines = [
    `${row(a.p, letter, columns - 1, 0, columns)} & {}=\\bigl(${divisor}\\bigr)\\bigl(${whole}\\bigr)${more}`,
  ];
  steps.forEach(({ taken, rest }, i) => {
    const high = degree(taken);
    const foot = high - low;
    // What is taken away stands with its signs turned.
    const turned = taken.map((c) => minus(ZERO, c));
    lines.push(`${row(turned, letter, high, foot, columns)} &`);
    const shown = i === steps.length - 1 ? 0 : Math.max(0, foot - 1);
    const line = `\\cline{${columns - high}-${columns - foot}}`;
    const cells =
      degree(rest) < 0
        ? Array.from({ length: columns }, (_, k) => (k === columns - 1 ? '0' : '')).join(' & ')
        : row(rest, letter, Math.max(high - 1, 0), shown, columns);
    lines.push(`${line} ${cells} &`);
  });
  return `\\begin{array}{@{}${'r@{}'.repeat(columns)}l@{}}${lines.join('\\\\')}\\end{array}`;
}

/** Horner's scheme for a polynomial at a value. */
export function hornerScheme(text: string, value: string): string | null {
  const read = polynomialOf(text);
  const at = polynomialOf(value);
  if (!read || !at || degree(at.p) > 0) return null;
  const x = at.p[0] ?? ZERO;
  const shown = (c: Fraction): string => `${c.top < 0n ? '-' : ''}${sizeTex(c)}`;
  const coefficients = [...read.p].reverse();
  const [sums, products]: [Fraction[], (Fraction | null)[]] = [[], []];
  for (const c of coefficients) {
    const before = sums.at(-1);
    const product = before ? times(before, x) : null;
    products.push(product);
    sums.push(product ? minus(c, times(product, fraction(-1n, 1n))) : c);
  }
  const cells = (list: readonly (Fraction | null)[]): string =>
    list.map((c) => (c ? shown(c) : '')).join(' & ');
  return `\\begin{array}{r|${'r'.repeat(coefficients.length)}} & ${cells(coefficients)}\\\\${shown(x)} & ${cells(products)}\\\\\\hline & ${cells(sums)}\\end{array}`;
}

/** polynom: divisions of polynomials written out. */
export const polynom: PackageEntry = {
  name: 'polynom',
  description: 'Divisions of polynomials, worked out and written out.',
  options: null,
  commands: [
    inTextToo(
      mathEntry(
        'polylongdiv',
        'omm',
        'A division of polynomials, written out.',
        '$\\polylongdiv{X^3-1}{X-1}$',
        ({ it, p }, token) => {
          const args = it.readArguments('omm', token);
          const [a, b] = [1, 2].map((i) => textOf(p, tokensOf(args ?? [], i)));
          p.push(it.source(longDivision(a ?? '', b ?? '') ?? `(${a ?? ''}) : (${b ?? ''})`));
          return null;
        },
      ),
    ),
    inTextToo(
      mathEntry(
        'polyhornerscheme',
        'om',
        'Horner’s scheme of a polynomial for the value in brackets.',
        '$\\polyhornerscheme[x=2]{x^2-1}$',
        ({ it, p }, token) => {
          const args = it.readArguments('om', token);
          const [options, text] = [0, 1].map((i) => textOf(p, tokensOf(args ?? [], i)));
          const value = /[a-zA-Z]\s*=\s*([^,]+)/.exec(options ?? '')?.[1] ?? '0';
          p.push(it.source(hornerScheme(text ?? '', value) ?? text ?? ''));
          return null;
        },
      ),
    ),
    macroEntry('polyset', 'm', 'How divisions look.', '\\polyset{style=C}', ''),
  ],
};
