import { describe, expect, it } from 'vitest';
import { resultsIn } from '../testing/sheet';

const FIBONACCI = 'Let $F_1 = F_2 = 1$ and $F_{n+2} = F_{n+1} + F_n$.';

describe('a sequence that is said by its earlier terms', () => {
  it.each([
    ['Let $a_0 = 1$ and $a_{n+1} = 2a_n + 1$.', '$a_3 = 15 = 2^4 - 1$', ['holds', 'holds']],
    ['Let $a_{n+1} = 2a_n + 1$ with $a_0 = 1$.', '$a_4 = 30$', ['differs']],
    [FIBONACCI, '\\[ F_{n+1}F_{n-1} - F_n^2 = (-1)^n \\]', ['holds']],
    [FIBONACCI, '\\[ \\sum_{k=1}^n F_k = F_{n+2} - 1 \\]', ['holds']],
    [FIBONACCI, '\\[ \\sum_{k=1}^n F_k = F_{n+2} + 1 \\]', ['differs']],
    [
      FIBONACCI,
      '\\[ F_{n+3} = F_{n+2} + F_{n+1} = 2F_{n+1} + F_n = 3F_{n+1} + F_n \\]',
      ['holds', 'holds', 'differs'],
    ],
    [
      'Let $f(0) = 3$ and $f(n+1) = f(n) + 2n$.',
      '$f(1) = 3$ and $f(3) = f(2) + 4 = 10$',
      ['holds', 'holds', 'differs'],
    ],
    [
      'Let $x_0 = 2$ and $x_{n+1} = \\frac12(x_n + \\frac{2}{x_n})$.',
      '$x_{n+1}^2 - 2 = \\frac{(x_n^2-2)^2}{4x_n^2} \\ge 0$',
      ['holds', 'holds'],
    ],
  ])('%s %s', (said, then, results) => {
    expect(resultsIn(`${said} Then ${then}.`).slice(-results.length)).toEqual(results);
  });

  it('may begin anywhere where its first terms are not said, and is then not called false', () => {
    const said = 'Suppose $a_{n+2} = 3a_{n+1} - 2a_n$. Then';
    const steps = '$a_{n+2} - a_{n+1} = 2(a_{n+1} - a_n) = 3(a_{n+1} - a_n)$.';
    expect(resultsIn(`${said} ${steps}`).slice(-2)).toEqual(['holds', 'unknown']);
  });

  it('is another one after a heading, and where it is said anew', () => {
    const first = 'Let $a_0 = 1$ and $a_{n+1} = 2a_n$. Then $a_2 = 4$.';
    const second = 'Let $a_0 = 5$ and $a_{n+1} = 3a_n$. Then $a_2 = 45$.';
    for (const between of ['\n\n', '\n\n\\section{B}\n']) {
      const results = resultsIn(`${first}${between}${second}`);
      expect(results.filter((result) => result !== 'unknown')).toEqual(['holds', 'holds']);
    }
  });

  it('with terms that grow without end is still worked out at once', () => {
    const said = 'Let $x_0 = 3$ and $x_{n+1} = x_n^2 + \\frac{1}{x_n}$. Then';
    expect(resultsIn(`${said} $x_{n+1} - x_n^2 = \\frac{1}{x_n} > 0$.`).slice(-2)).not.toContain(
      'differs',
    );
  });
});
