import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { signsOf } from './signs';

const signs = (body: string) => signsOf(typeset(inArticle(body)).written());

describe('the signs of a sheet', () => {
  const { signs: found } = signs(
    'Let $P$ be a point of the pier, where $n$ denotes the number of lamps. The tide $h(t)$ and the height $h$ are known: $h = nP + \\pi$.',
  );
  it('are counted where they stand, numbers that all know left out', () => {
    expect(found.map(({ name, count }) => [name, count])).toEqual([
      ['P', 2],
      ['n', 2],
      ['h', 3],
      ['t', 1],
    ]);
  });
  it('have the meaning that the words give them', () => {
    expect(found.map(({ name, meaning }) => [name, meaning?.words ?? null])).toEqual([
      ['P', 'a point of the pier'],
      ['n', 'denotes the number of lamps'],
      ['h', 'height'],
      ['t', null],
    ]);
  });
});

describe('what is odd about them is noted', () => {
  it.each([
    ['$\\epsilon > 0$ and $\\varepsilon < \\epsilon$', ['forms']],
    ['$\\phi = \\varphi$', ['forms']],
    ['$k + 1 = k$. Let $k$ be a number.', ['early']],
    ['Let $k$ be a number. $k + 1 = k + k$.', []],
    ['$x = y$', []],
    ['$a_k + b = 2a_k = a_j + b - 0 = a_k + b$', ['lone']],
    ['$a_k + b = 2a_k = a_j + b - 0 = a_k + b$ and $j > 1$', []],
    ['$a_k + b = 2a_k = a_j + b - 0 = a_k + b$, where $j$ is the last', []],
    ['$\\int_a^b f = F(b) - F(a) = 3$', []],
    ['$\\sum_{n=1}^{n} n^2 = 5$', ['bound']],
    ['$\\int_0^x x^2\\,dx = x^3/3$', ['bound']],
    ['$n + \\sum_{n=1}^{5} n = 15 + n$', ['bound']],
    ['$\\sum_{n=1}^{5} n + \\sum_{n=2}^{6} n = 35$', []],
    ['Let $k$ be a lamp. Let $k$ be a whole number.', ['twice']],
    ['Let $k$ be a lamp. \\section{B} Let $k$ be a whole number.', []],
    ['Let $k$ be a lamp. Again, let $k$ be a lamp.', []],
    ['The tide $h$ and the height $h$ are known.', []],
  ])('%s', (body, kinds) => {
    expect(signs(body).notes.map(({ kind }) => kind)).toEqual(kinds);
  });
});
