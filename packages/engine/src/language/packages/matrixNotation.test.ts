import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { drawnOperations, operationsIn } from './gaussMatrix';

const SPALIGN = '\\usepackage{spalign}';
const GAUSS = '\\usepackage{gauss}';

/** spalign manual, sections 2 and 3. */
describe('matrices of blanks and semicolons', () => {
  const words = (formula: string): string =>
    laidBody(`$${formula}$`, SPALIGN)
      .text.replace(/[\s|]+/g, '')
      .replace(/1$/, '');
  it.each([
    ['\\spalignmat{1 2; 3 4}', '1234'],
    ['\\spalignmat*{1,2; 3,4;}', '1234'],
    ['\\spalignmat[lc]{1 2; 3 4}', '1234'],
    ['\\spalignarray{c|c}{1 2; 3 4}', '1234'],
    ['\\spalignvector{1 2 3}', '123'],
    ['\\spalignaugmat{1 2 3; 4 5 6}', '123456'],
    ['\\spalignaugmatn{2}{1 2 3; 4 5 6}', '123456'],
    ['\\spalignaugmathalf{1 2 1 0; 3 4 0 1}', '12103401'],
    ['\\spalignmat{{1 + 2} \\frac{1}{2}; \\. 3}', '1+2123'],
    ['\\spalignsys{2x + y = 10; 3x - y = 4}', '2𝑥+𝑦=103𝑥−𝑦=4'],
  ])('%s', (formula, printed) => {
    const figures = (text: string): string[] => [...text.replace(/[^\p{L}\p{N}]/gu, '')].sort();
    expect(figures(words(formula))).toEqual(figures(printed));
    expect(findingsIn(inArticle(`$${formula}$`, SPALIGN))).toEqual([]);
  });

  it('signs of equations stand below one another', () => {
    const { word } = laidBody('$\\spalignsys{2x + 10y = 10; 300x - y = 4}$', SPALIGN);
    expect(word('=', 1).x).toBeCloseTo(word('=', 2).x, 1);
    expect(word('+').x).toBeCloseTo(word('−').x, 1);
  });

  it('a bar stands before the last column', () => {
    const { rules, word } = laidBody('$\\spalignaugmat{1 2 3; 4 5 6}$', SPALIGN);
    const bar = rules.find(({ height, width }) => height > width);
    expect(bar?.x).toBeGreaterThan(word('2').right);
    expect(bar?.x).toBeLessThan(word('3').x);
  });
});

describe('operations beside a matrix', () => {
  it.each([
    ['\\swap{0}{1}', [{ kind: 'swap', from: 0, to: 1, labels: ['', ''] }]],
    ['\\mult{0}{\\cdot 7}', [{ kind: 'mult', at: 0, label: '\\cdot 7' }]],
    ['\\add[5]{1}{2}', [{ kind: 'add', from: 1, to: 2, labels: ['5', ''] }]],
    ['\\add[\\frac12][x]{1}{2}', [{ kind: 'add', from: 1, to: 2, labels: ['\\frac12', 'x'] }]],
    [
      '\\add01 \\swap 12',
      [
        { kind: 'add', from: 0, to: 1, labels: ['', ''] },
        { kind: 'swap', from: 1, to: 2, labels: ['', ''] },
      ],
    ],
    ['', []],
  ])('%s', (source, wanted) => expect(operationsIn(source)).toEqual(wanted));

  it('are drawn at the middles of their rows', () => {
    const drawn = drawnOperations(operationsIn('\\swap{0}{2}'), [0, 12, 30]);
    expect(drawn).toContain('(0,30)(0,-30)'.slice(0, 0) || '\\line(0,1){30}');
    expect(drawn.match(/\\vector\(-1,0\)/g)).toHaveLength(2);
  });

  it('stand at the right of the matrix', () => {
    const body =
      '\\[\\begin{gmatrix}[p] 1 & 2 \\\\ 3 & 4 \\rowops \\add[-3]{0}{1} \\mult{1}{\\cdot 5} \\end{gmatrix}\\]';
    expect(findingsIn(inArticle(body, GAUSS))).toEqual([]);
    const { word } = laidBody(body, GAUSS);
    expect(word('5').x).toBeGreaterThan(word('2').right);
    expect(Math.abs(word('5').y - word('4').y)).toBeLessThan(4);
  });
});
