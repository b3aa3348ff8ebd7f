import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const set = (formula: string): Laid => {
  expect(findingsIn(inArticle(`$${formula}$`, '\\usepackage{nicematrix}'))).toEqual([]);
  return laidBody(`$${formula}$`, '\\usepackage{nicematrix}');
};

/** nicematrix manual, section 12. */
describe('rows and columns outside the brackets', () => {
  const all = set(
    '\\begin{bNiceMatrix}[first-row,last-row,first-col,last-col] & 1 & 2 & \\\\ 3 & a & b & 4 \\\\ 5 & c & d & 6 \\\\ & 7 & 8 & \\end{bNiceMatrix}',
  );
  it('stand above, below, at the left and at the right', () => {
    const { word } = all;
    expect(word('1').x).toBeCloseTo(word('𝑎').x, 0);
    expect(word('1').y).toBeLessThan(word('𝑎').y);
    expect(word('7').y).toBeGreaterThan(word('𝑐').y);
    expect(word('3').y).toBeCloseTo(word('𝑎').y, 1);
    expect(word('4').y).toBeCloseTo(word('𝑏').y, 1);
  });
  it('the brackets stand between them and the entries', () => {
    const { word } = set(
      '\\begin{pNiceMatrix}[first-col,last-col] r & a & b & s \\end{pNiceMatrix}',
    );
    expect(word('𝑟').right).toBeLessThan(word('(').x + 1);
    expect(word('(').x).toBeLessThan(word('𝑎').x);
    expect(word(')').x).toBeGreaterThan(word('𝑏').x);
    expect(word('𝑠').x).toBeGreaterThan(word(')').x);
  });
  it('bars part what is inside only', () => {
    const formula =
      '\\begin{pNiceArray}{c|c}[first-row] x & y \\\\ a & b \\\\ c & d \\end{pNiceArray}';
    const { rules, word } = set(formula);
    const bars = rules.filter(({ height, width }) => height > 5 && width < 1);
    expect(Math.min(...bars.map(({ y }) => y))).toBeGreaterThan(word('𝑥').y);
  });
});

/** Section 9. */
describe('dots that go on over empty entries', () => {
  const dots = (formula: string, sign: string): number =>
    [...set(formula).text].filter((char) => char === sign).length / 3;
  it.each([
    ['\\begin{pNiceMatrix} a & \\Cdots & & b \\end{pNiceMatrix}', '⋅', 2],
    ['\\begin{pNiceMatrix} a & \\Cdots & b & \\end{pNiceMatrix}', '⋅', 1],
    ['\\begin{pNiceMatrix} \\Vdots \\\\ \\\\ a \\end{pNiceMatrix}', '.', 2],
    ['\\begin{pNiceMatrix} \\Ddots & a & b \\\\ c & & d \\\\ e & f & \\end{pNiceMatrix}', '.', 3],
    ['\\begin{pmatrix} a & \\cdots & & b \\end{pmatrix}', '⋅', 1],
  ])('%s', (formula, sign, count) => expect(dots(formula, sign)).toBe(count));
});
