import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const PREAMBLE = '\\usepackage{amsmath,amssymb}';
const AUGMENTED =
  '\\newenvironment{am}[1]{\\left(\\begin{array}{@{}*{#1}{c}|c@{}}}{\\end{array}\\right)}';
const KINDS: readonly (readonly [string, string, string])[] = [
  ['a matrix with a bar', AUGMENTED, '\\begin{am}{2}1&2&3\\\\4&5&6\\end{am}'],
  [
    'an array alone',
    '\\newenvironment{am}{\\begin{array}{cc}}{\\end{array}}',
    '\\begin{am}1&2\\end{am}',
  ],
  [
    'a matrix',
    '\\newenvironment{am}{\\begin{pmatrix}}{\\end{pmatrix}}',
    '\\begin{am}1&2\\\\3&4\\end{am}',
  ],
  ['brackets alone', '\\newenvironment{am}{\\left(}{\\right)}', '\\begin{am}\\frac12\\end{am}'],
  [
    'brackets around brackets',
    '\\newenvironment{am}{\\left[\\left(}{\\right)\\right]}',
    '\\begin{am}x\\end{am}',
  ],
  [
    'cases',
    '\\newenvironment{am}{\\left\\{\\begin{aligned}}{\\end{aligned}\\right.}',
    '\\begin{am}x&=1\\\\y&=2\\end{am}',
  ],
  [
    'a document command',
    '\\NewDocumentEnvironment{am}{O{c}}{\\left(\\begin{array}{#1}}{\\end{array}\\right)}',
    '\\begin{am}[cc]1&2\\end{am}',
  ],
  ['one in itself', AUGMENTED, '\\begin{am}{1}\\begin{am}{1}1&2\\end{am}&3\\end{am}'],
];

describe('Environments of the document’s own in formulas', () => {
  for (const [what, definition, use] of KINDS) {
    it.each([
      ['in the line', `A $${use} = B$, c.`],
      ['in a display', `\\[ A = ${use}^{T} \\]`],
      ['in an equation', `\\begin{equation} A = ${use} \\end{equation}`],
      ['in aligned lines', `\\begin{align*} A &= ${use} \\\\ B &= C \\end{align*}`],
      ['in a fraction', `$\\frac{${use}}{2}$`],
    ])(`${what}, %s`, (_where, body) => {
      expect(findingsIn(inArticle(body, PREAMBLE + definition))).toEqual([]);
    });
  }
  it('what stands behind them goes on', () => {
    const { text } = laidBody(`$\\begin{am}{2}1&2&3\\end{am}=7$ end`, PREAMBLE + AUGMENTED);
    expect(text.replace(/[\s|]/g, '')).toContain('=7end');
  });
  it('one that is never ended is told once', () => {
    const found = findingsIn(inArticle('$\\begin{am}{2}1&2&3$ end', PREAMBLE + AUGMENTED));
    expect(found.length).toBeGreaterThan(0);
    expect(found.length).toBeLessThan(4);
  });
});
