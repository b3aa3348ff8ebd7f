import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { factored, gcdOf, hornerScheme, longDivision, longGcd } from './polynom';
import {
  division,
  factors,
  multiplied,
  type Polynomial,
  polynomialOf,
  polynomialTex,
} from './polynomials';

describe('polynomials', () => {
  it.each([
    ['X^3-2X+1', 'X^{3}-2X+1'],
    ['\\frac{1}{2}x^2 + x', '\\frac{1}{2}x^{2}+x'],
    ['-t^{10}+3', '-t^{10}+3'],
    ['7', '7'],
    ['(x-1)(x+1)', 'x^{2}-1'],
    ['2(x+1)^2-x', '2x^{2}+3x+2'],
    ['x(x-1)', 'x^{2}-x'],
    ['x-x', '0'],
  ])('%s is read and written', (text, tex) => {
    const polynomial = polynomialOf(text);
    expect(polynomialTex(polynomial?.p ?? [], polynomial?.letter ?? 'X')).toBe(tex);
  });
  it.each(['\\sin x', 'x^{n}', 'x^999', '1/0', '(x', 'x)', 'x+', '(x+1)^{40}(x+1)^{40}', 'xy'])(
    '%s is none',
    (text) => {
      expect(polynomialOf(text)).toBe(null);
    },
  );
  it('dividend = divisor · quotient + rest, at any value', () => {
    const coefficients = fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 1, maxLength: 6 });
    const of = (list: readonly number[]) => list.map((c) => ({ top: BigInt(c), bottom: 1n }));
    const at = (p: Polynomial, x: number): number =>
      p.reduce(
        (sum, { top, bottom }, power) => sum + (Number(top) / Number(bottom)) * x ** power,
        0,
      );
    fc.assert(
      fc.property(coefficients, coefficients, (a, b) => {
        fc.pre(b.some((c) => c !== 0));
        const { quotient, steps } = division(of(a), of(b));
        const rest = steps.at(-1)?.rest ?? of(a);
        for (const x of [-1.5, 0.5, 2])
          expect(at(of(b), x) * at(quotient, x) + at(rest, x)).toBeCloseTo(at(of(a), x), 4);
      }),
    );
  });
  it('Horner’s scheme ends with the value', () => {
    expect(hornerScheme('x^3-2x+5', '2')).toContain('& 1 & 2 & 2 & 9\\end');
    expect(hornerScheme('x^2', '\\frac{1}{2}')).toContain('\\frac{1}{4}\\end');
  });
  it('a division is written out, and typeset with nothing to tell of', () => {
    const tex = longDivision('X^3-1', 'X-1') ?? '';
    expect(tex).toContain('=\\bigl(X-1\\bigr)\\bigl(X^{2}+X+1\\bigr)');
    expect(tex.match(/\\cline/g)).toHaveLength(3);
    expect(findingsIn(inArticle(`\\[ ${tex} \\]`))).toEqual([]);
    expect(longDivision('X^2+1', 'X')).toMatch(/\+1 *\\\\/);
    expect(longDivision('X', '0')).toBe(null);
  });
});

it.each([
  ['polynom', '\\polylongdiv{x^2-1}{x-1}'],
  ['polynom', '\\polyhornerscheme[x=2]{x^2-1}'],
  ['systeme', '\\systeme{x+y=1,2x-y=3}'],
])('%s: %s stands in text as in a formula', (name, body) => {
  const preamble = `\\usepackage{${name}}`;
  expect(laidBody(body, preamble).text).toBe(laidBody(`$${body}$`, preamble).text);
  expect(findingsIn(inArticle(body, preamble))).toEqual([]);
});

describe('factors and common divisors', () => {
  it.each([
    ['x^2-1', '(x-1)(x+1)'],
    ['2x^3+x^2-7x-6', '2(x+1)(x-2)\\left(x+\\frac{3}{2}\\right)'],
    ['(x-1)^2(x^2+1)', '(x^{2}+1)(x-1)^{2}'],
    ['x^3-x^2', 'x^{2}(x-1)'],
    ['-x', '-x'],
    ['x^2-2', 'x^{2}-2'],
    ['7', '7'],
  ])('%s = %s', (text, product) => expect(factored(text)).toBe(product));

  it.each([
    ['x^2-1', 'x^2-2x+1', 'x-1'],
    ['x^2-1', 'x+1', 'x+1'],
    ['2x', '4', '1'],
  ])('of %s and %s: %s', (a, b, divisor) => expect(gcdOf(a, b)).toBe(divisor));

  it('Euclid’s rows end with nothing left', () => {
    expect(longGcd('x^2-1', 'x-1')).toBe(
      '\\begin{aligned}x^{2}-1&=(x-1)\\cdot (x+1)+0\\end{aligned}',
    );
  });

  it('multiplied out are the polynomial again', () => {
    const root = fc.tuple(fc.integer({ min: -4, max: 4 }), fc.integer({ min: 1, max: 3 }));
    fc.assert(
      fc.property(
        fc.array(root, { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 1, max: 5 }),
        (roots, n) => {
          const linear = roots.map(([top, bottom]): Polynomial => [
            { top: BigInt(-top), bottom: 1n },
            { top: BigInt(bottom), bottom: 1n },
          ]);
          const whole = linear.reduce(multiplied, [{ top: BigInt(n), bottom: 1n }]);
          const found = factors(whole);
          const count = found.roots.reduce((sum, { times }) => sum + times, 0);
          expect(count).toBe(roots.length);
          expect(polynomialTex(found.rest, 'x')).toBe('1');
        },
      ),
    );
  });

  it.each(['A', 'B', 'C'])('divisions in style %s are set', (style) => {
    const body = `\\polyset{style=${style}}\\[\\polylongdiv{x^3-2x+1}{x-1}\\] \\polylongdiv[style=${style}]{x^2+1}{x-1}`;
    expect(findingsIn(inArticle(body, '\\usepackage{polynom}'))).toEqual([]);
  });

  it('polynomials are kept under names', () => {
    const body =
      '\\polymul\\p{x+1}{x-1}\\polyadd\\q{\\p}{1}$\\polyprint\\q$ $\\polyfactorize{\\p}$';
    expect(findingsIn(inArticle(body, '\\usepackage{polynom}'))).toEqual([]);
    expect(laidBody(body, '\\usepackage{polynom}').text).toContain('(𝑥');
  });
});
