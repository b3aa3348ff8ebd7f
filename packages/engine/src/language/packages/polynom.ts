import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { inTextToo, mathEntry } from '../constructs/mathEntry';
import { tokensOf, type CommandEntry, type PackageEntry } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import {
  added,
  degree,
  division,
  euclid,
  factors,
  type Fraction,
  fraction,
  minus,
  monic,
  multiplied,
  ONE,
  type Polynomial,
  polynomialOf,
  polynomialTex,
  sizeTex,
  subtracted,
  termTex,
  times,
  ZERO,
} from './polynomials';

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
export function longDivision(
  dividendText: string,
  divisorText: string,
  style = 'C',
): string | null {
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
  const dividend = row(a.p, letter, columns - 1, 0, columns);
  const quotientRow = row(quotient, letter, columns - 1, 0, columns);
  const lines =
    style === 'A'
      ? [`& ${quotientRow}\\\\ \\cline{2-${columns + 1}} ${divisor}\\,\\big)& ${dividend}`]
      : [
          style === 'B'
            ? `${dividend} & {}:\\bigl(${divisor}\\bigr)=${whole}${more === '' ? '' : `+\\dfrac{${left}}{${divisor}}`}`
            : `${dividend} & {}=\\bigl(${divisor}\\bigr)\\bigl(${whole}\\bigr)${more}`,
        ];
  const [before, behind] = style === 'A' ? ['& ', ''] : ['', ' &'];
  const shift = style === 'A' ? 1 : 0;
  steps.forEach(({ taken, rest }, i) => {
    const high = degree(taken);
    const foot = high - low;
    // What is taken away stands with its signs turned.
    const turned = taken.map((c) => minus(ZERO, c));
    lines.push(`${before}${row(turned, letter, high, foot, columns)}${behind}`);
    const shown = i === steps.length - 1 ? 0 : Math.max(0, foot - 1);
    const line = `\\cline{${columns - high + shift}-${columns - foot + shift}}`;
    const cells =
      degree(rest) < 0
        ? Array.from({ length: columns }, (_, k) => (k === columns - 1 ? '0' : '')).join(' & ')
        : row(rest, letter, Math.max(high - 1, 0), shown, columns);
    lines.push(`${line} ${before}${cells}${behind}`);
  });
  if (style === 'A')
    return `\\begin{array}{@{}r@{}${'r@{}'.repeat(columns)}}${lines.join('\\\\')}\\end{array}`;
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

/** A polynomial in brackets that are as tall as it. */
const inBrackets = (p: Polynomial, letter: string): string => {
  const tex = polynomialTex(p, letter);
  return tex.includes('\\frac') ? `\\left(${tex}\\right)` : `(${tex})`;
};

/** A polynomial as a product of linear factors and what has no rational root. */
export function factored(text: string): string | null {
  const read = polynomialOf(text);
  if (!read || degree(read.p) < 0) return null;
  const { letter } = read;
  const { content, roots, rest } = factors(read.p);
  const parts = roots.map(({ root, times: count }) => {
    const base = root.top === 0n ? letter : inBrackets([minus(ZERO, root), ONE], letter);
    return count === 1 ? base : `${base}^{${count}}`;
  });
  const number = polynomialTex([content], letter);
  if (degree(rest) > 0 && parts.length === 0 && number === '1') return polynomialTex(rest, letter);
  if (degree(rest) > 0) parts.unshift(inBrackets(rest, letter));
  if (parts.length === 0) return number;
  return `${number === '1' ? '' : number === '-1' ? '-' : number}${parts.join('')}`;
}

/** Euclid's algorithm for two polynomials, a row a division. */
export function longGcd(first: string, second: string): string | null {
  const [a, b] = [polynomialOf(first), polynomialOf(second)];
  if (!a || !b || degree(b.p) < 0) return null;
  const tex = (p: Polynomial): string => polynomialTex(p, a.letter);
  const rows = euclid(a.p, b.p).map((step) => {
    const left = tex(step.rest);
    const more = degree(step.rest) < 0 ? '+0' : left.startsWith('-') ? left : `+${left}`;
    return `${tex(step.a)}&=${inBrackets(step.b, a.letter)}\\cdot ${inBrackets(step.quotient, a.letter)}${more}`;
  });
  return `\\begin{aligned}${rows.join('\\\\')}\\end{aligned}`;
}

/** The greatest common divisor, its highest coefficient 1. */
export function gcdOf(first: string, second: string): string | null {
  const [a, b] = [polynomialOf(first), polynomialOf(second)];
  if (!a || !b) return null;
  const last = euclid(a.p, b.p).at(-1);
  return polynomialTex(monic(last?.b ?? a.p), a.letter);
}

/** How divisions look: `style` is `A`, `B` or `C` (`\polyset`). */
const STYLE = cell('polynomstyle', 'C');
/** Polynomials that the document keeps under names (`\polyadd\a{…}{…}`). */
const KEPT = cell<Readonly<Record<string, string>>>('polynoms', {});

const styleIn = (options: string): string | undefined => /style\s*=\s*([ABC])/.exec(options)?.[1];

/** The text of a polynomial: typed, or kept under a name. */
function polynomialText(it: Interpreter, tokens: readonly Token[]): string {
  const kept = it.read(KEPT);
  const [first] = tokens.filter(({ cat }) => cat !== Cat.Space);
  const named = first?.cat === Cat.Command ? kept[first.text] : undefined;
  return named ?? textOf(it.p, tokens);
}

/** A command that prints what is made of one polynomial or of two. */
const printed = (
  name: string,
  count: 1 | 2,
  description: string,
  example: string,
  made: (texts: readonly string[], options: string, style: string) => string | null,
): CommandEntry => {
  const signature = `o${'m'.repeat(count)}`;
  return inTextToo(
    mathEntry(name, signature, description, example, ({ it, p }, token) => {
      const args = it.readArguments(signature, token) ?? [];
      const options = textOf(p, tokensOf(args, 0));
      const texts = Array.from({ length: count }, (_, i) =>
        polynomialText(it, tokensOf(args, i + 1)),
      );
      const source = made(texts, options, styleIn(options) ?? it.read(STYLE));
      p.push([
        p.make(Cat.Begin, '{'),
        ...it.source(source ?? texts.map((text) => `(${text})`).join(':')),
        p.make(Cat.End, '}'),
      ]);
      return null;
    }),
  );
};

/** `\polyadd\name{…}{…}`: a polynomial made of two is kept under a name. */
const kept = (
  name: string,
  description: string,
  make: (a: Polynomial, b: Polynomial) => Polynomial,
): CommandEntry => ({
  name,
  signature: 'mmm',
  package: 'polynom',
  description,
  example: `\\${name}\\sumofboth{x^2-1}{x+1}$\\polyprint\\sumofboth$`,
  run: (it, args) => {
    const into = tokensOf(args, 0).find(({ cat }) => cat === Cat.Command);
    const [a, b] = [1, 2].map((i) => polynomialOf(polynomialText(it, tokensOf(args, i))));
    if (!into || !a || !b) return;
    const text = polynomialTex(make(a.p, b.p), a.letter);
    it.write(KEPT, { ...it.read(KEPT), [into.text]: text });
    it.define(into.text, `\\ensuremath{${text}}`);
  },
});

/** polynom: polynomials divided, factored and reckoned with, written out. */
export const polynom: PackageEntry = {
  name: 'polynom',
  description: 'Polynomials divided, factored and reckoned with, written out.',
  options: null,
  requires: ['amsmath'],
  commands: [
    printed(
      'polylongdiv',
      2,
      'A division of polynomials, written out.',
      '\\polylongdiv{X^3-1}{X-1}',
      ([a = '', b = ''], _options, style) => longDivision(a, b, style),
    ),
    printed(
      'polyhornerscheme',
      1,
      'Horner’s scheme of a polynomial for the value in brackets.',
      '\\polyhornerscheme[x=2]{x^2-1}',
      ([text = ''], options) =>
        hornerScheme(
          text,
          /[a-zA-Z]\s*=\s*([^,]+)/.exec(options.replace(/style\s*=\s*\w+,?/, ''))?.[1] ?? '0',
        ),
    ),
    printed(
      'polyfactorize',
      1,
      'A polynomial as a product.',
      '\\polyfactorize{2x^2-2}',
      ([text = '']) => factored(text),
    ),
    printed(
      'polylonggcd',
      2,
      'Euclid’s algorithm for polynomials, written out.',
      '\\polylonggcd{x^2-1}{x^2-2x+1}',
      ([a = '', b = '']) => longGcd(a, b),
    ),
    printed(
      'polyprint',
      1,
      'A polynomial in its usual order.',
      '\\polyprint{1+x^2}',
      ([text = '']) => {
        const read = polynomialOf(text);
        return read && polynomialTex(read.p, read.letter);
      },
    ),
    kept('polyadd', 'The sum of two polynomials, kept under a name.', added),
    kept('polysub', 'The difference of two polynomials, kept under a name.', subtracted),
    kept('polymul', 'The product of two polynomials, kept under a name.', multiplied),
    kept('polydiv', 'The quotient of two polynomials, kept under a name.', (a, b) =>
      degree(b) < 0 ? a : division(a, b).quotient,
    ),
    kept('polygcd', 'The greatest common divisor of two polynomials, kept under a name.', (a, b) =>
      monic(euclid(a, b).at(-1)?.b ?? a),
    ),
    {
      name: 'polyset',
      signature: 'm',
      description: 'How divisions look.',
      example: '\\polyset{style=A}$\\polylongdiv{X^3-1}{X-1}$',
      run: (it, args) =>
        it.write(STYLE, styleIn(textOf(it.p, tokensOf(args, 0))) ?? it.read(STYLE)),
    },
  ],
};
