import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { answerSystem } from './system';

function system(lines: string) {
  const text = inArticle(`\\begin{align*} ${lines} \\end{align*}`);
  return answerSystem(typeset(text).written(), {
    from: text.indexOf('\\begin{align'),
    to: text.indexOf('\\end{align'),
  });
}

describe('a system of equations as a matrix, and its solutions', () => {
  it.each([
    [
      'x + y &= 3 \\\\ x - y &= 1',
      '\\left(\\begin{array}{cc|c} 1 & 1 & 3 \\\\ 1 & -1 & 1 \\end{array}\\right)',
      '\\begin{pmatrix} x \\\\ y \\end{pmatrix} = \\begin{pmatrix} 2 \\\\ 1 \\end{pmatrix}',
    ],
    [
      '2(x - 1) &= y \\\\ y &= 2x + 5',
      '\\left(\\begin{array}{cc|c} 2 & -1 & 2 \\\\ -2 & 1 & 5 \\end{array}\\right)',
      '\\text{no solution}',
    ],
    [
      'x + z &= 1',
      '\\left(\\begin{array}{cc|c} 1 & 1 & 1 \\end{array}\\right)',
      '\\begin{pmatrix} x \\\\ z \\end{pmatrix} = \\begin{pmatrix} 1 \\\\ 0 \\end{pmatrix} + t \\begin{pmatrix} -1 \\\\ 1 \\end{pmatrix}',
    ],
    [
      'x_1 + x_2 &= 3 \\\\ x_2 &= 1',
      '\\left(\\begin{array}{cc|c} 1 & 1 & 3 \\\\ 0 & 1 & 1 \\end{array}\\right)',
      '\\begin{pmatrix} x_{1} \\\\ x_{2} \\end{pmatrix} = \\begin{pmatrix} 2 \\\\ 1 \\end{pmatrix}',
    ],
    [
      'a x &= 1',
      '\\left(\\begin{array}{c|c} a & 1 \\end{array}\\right)',
      '\\begin{pmatrix} x \\end{pmatrix} = \\begin{pmatrix} \\frac{1}{a} \\end{pmatrix}',
    ],
  ])('%s', (lines, matrix, solutions) => {
    expect(system(lines)).toMatchObject({ matrix, solutions });
  });
  it.each([
    ['x^2 &= 1', 'The equations are not linear.'],
    ['xy &= 1', 'The equations are not linear.'],
    ['\\frac1x &= 1', 'An unknown stands below a fraction bar.'],
    ['a &= b', 'None of x, y, z, u, v, w stands in these equations.'],
    ['x &\\le 1', 'No equations stand in these lines.'],
  ])('%s is refused', (lines, refused) => {
    expect(system(lines)).toEqual({ refused });
  });
});
