import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { stepsOf } from '../index';
import { resultsIn, stepsIn } from '../testing/sheet';

describe('what is no step is never called false', () => {
  it.each([
    'Solve $2x + 3 = 7$.',
    'We solve \\begin{align*} 2x+3 &= 7 \\\\ 2x &= 4 \\\\ x &= 2. \\end{align*}',
    'Then $x^2 - 5x + 6 = (x-2)(x-3) = 0$.',
    'If $a = b$, then $a^2 = b^2$.',
    'Suppose $x^2 = y = z$.',
    'Let $f(x) = x^2 + 1$.',
    'Define $S := a + b$.',
    'where $u = x^2 + 1 = v$',
    'We would get $1 = 2$, a contradiction.',
    'It is false that $(a+b)^2 = a^2 + b^2 = a^2 + b^2 + 0$.',
    'For $n > m$ and $a < b$ nothing is said.',
    'For some $k$ we have $n = 2k$.',
    'Hence $y = 3x$.',
    'The roots satisfy $x^2 = 2$ or $x = 1$.',
    '$f\\colon X \\to Y$ with $f(a) = b = c$.',
    '$|x - a| < \\delta$ implies $|f(x) - f(a)| < \\varepsilon$.',
    'with $a_1 = a_2 = 1$ and $a_{n+1} = a_n + a_{n-1}$, so $a_3 = a_2 + a_1 = 2$.',
    "By the mean value theorem there is a $\\xi$ with $f(b) - f(a) = f'(\\xi)(b-a) \\le M(b-a)$.",
    '$(a, b) = 1$ and $A \\cup B = C \\subset D$',
  ])('%s', (body) => {
    expect(resultsIn(body).filter((result) => /differs|sometimes/.test(result))).toEqual([]);
  });
});

describe('what the sheet says is kept to', () => {
  it.each([
    ['Let $n = 2k + 1$. Then $n^2 = (2k+1)^2 = 4k^2 + 4k + 1$.', ['unknown', 'holds', 'holds']],
    ['For $x > 0$ we have $\\sqrt{x^2} = x = |x|$.', ['unknown', 'holds', 'holds']],
    ['Then $\\sqrt{x^2} = x = x + 0$.', ['sometimes', 'holds']],
    ['Let $x^2 = 2$. Then $x^4 + x^2 = 2^2 + 2 = 6$.', ['unknown', 'holds', 'holds']],
    ['Let $a + b = 1$. Then $a^2 + 2ab + b^2 = (a+b)^2 = 1$.', ['unknown', 'holds', 'holds']],
    ['Let $f(n) = n^2 + 1$. Then $f(3) = 9 + 1 = 11$.', ['unknown', 'holds', 'differs']],
    ['Let $x \\in [0, 1]$. Then $x^2 \\le x \\le 1$.', ['holds', 'holds']],
    ['Let $n$ be even. Then $(-1)^n = 1 = 1^n$.', ['holds', 'holds']],
    ['Let $n$ be odd. Then $(-1)^n = 1 = 1^n$.', ['differs', 'holds']],
    [
      'Let $p$ be a prime. Then $2^p - 2 \\equiv 2(2^{p-1}-1) \\equiv 0 \\pmod p$.',
      ['holds', 'holds'],
    ],
    [
      'Let $A$, $B$ be matrices. Then $(A+B)^2 = A^2 + 2AB + B^2 = B^2 + 2AB + A^2$.',
      ['differs', 'holds'],
    ],
    ['Let $x > 2$ be real. Then $x^2 > 2x > 4$.', ['unknown', 'holds', 'holds']],
  ])('%s', (body, results) => {
    expect(resultsIn(body)).toEqual(results);
  });
});

describe('chains in all their forms', () => {
  it.each([
    [
      'over the rows of an alignment',
      '\\begin{align*} x+x &= 2x \\\\ &= 3x \\end{align*}',
      ['holds', 'differs'],
    ],
    [
      'in two columns',
      '\\begin{align*} 1+1 &= 2 & 2+2 &= 4 \\\\ &= 2 & &= 5 \\end{align*}',
      ['holds', 'holds', 'holds', 'differs'],
    ],
    [
      'from display to display',
      '\\[ x + x = 2x \\] and hence \\[ = 3x - x. \\]',
      ['holds', 'holds'],
    ],
    ['from formula to formula', '$x+x = 2x$, which is $= x \\cdot 2$', ['holds', 'holds']],
    [
      'with a sign at the start of a row',
      '\\begin{align*} (x+1)^2 &= x^2 + x \\\\ &\\quad + x + 1 \\end{align*}',
      ['holds'],
    ],
    [
      'with a remark beside it',
      '\\begin{align*} x + x &= 2x && \\text{by adding} \\\\ &= x \\cdot 2 && (x > 0) \\end{align*}',
      ['holds', 'holds', 'unknown'],
    ],
    [
      'with words over the sign',
      '$x + x \\stackrel{\\text{(1)}}{=} 2x \\overset{!}{=} 2x$',
      ['holds', 'holds'],
    ],
    [
      'with rows within a display',
      '\\[ \\begin{aligned} x+x &= 2x \\\\ &= x+x \\end{aligned} \\]',
      ['holds', 'holds'],
    ],
    ['with one modulus for all', '$7^2 \\equiv 4 \\equiv -1 \\pmod 5$', ['holds', 'holds']],
    ['with inequalities', '$x^2 + 1 \\ge 1 > 0 \\ge -x^2$', ['holds', 'holds', 'holds']],
  ])('%s', (_, body, results) => {
    expect(resultsIn(body)).toEqual(results);
  });
});

it('numbers alone are told without doubt, with what both sides are', () => {
  const [shown] = stepsIn('It costs $12 \\cdot 7 = 74$ tokens.');
  expect(shown?.step.numbersOnly).toBe(true);
  expect(shown?.step.outcome).toMatchObject({ result: 'differs', sides: ['84', '74'] });
});

it('each step knows its places', () => {
  expect(
    stepsIn('$2^{10} = 1024 \\le 5^{ab}$').map(({ left, sign, right }) => [left, sign, right]),
  ).toEqual([
    ['2^{10}', '=', '1024'],
    ['1024', '\\le', '5^{ab}'],
  ]);
});

describe('what the writer supposes besides', () => {
  it.each([
    ['x^2 = 2', '$x^4 + x^2 = 6 = 7$', ['holds', 'differs']],
    ['x > 0', '$\\sqrt{x^2} = x = x + 0$', ['holds', 'holds']],
    ['n \\in \\mathbb{Z}', '$\\cos(2\\pi n) = 1 = 1 + 0$', ['holds', 'holds']],
    ['a + b = c', 'Let $d = 2c$. Then $2a + 2b = 2c = d$.', ['unknown', 'holds', 'holds']],
    ['', '$\\sqrt{x^2} = x = x + 0$', ['sometimes', 'holds']],
  ])('%s: %s', (formula, body, results) => {
    const [sheet, beside] = [body, `$${formula}$`].map((text) =>
      typeset(inArticle(text)).written(),
    );
    const steps = [...stepsOf(sheet ?? [], {}, beside)];
    expect(steps.map(({ outcome }) => outcome.result)).toEqual(results);
  });
});
