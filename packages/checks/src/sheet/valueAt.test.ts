import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { marked } from '../testing/marked';
import { tableAt, valueAt } from './valueAt';

describe('the value of a marked part', () => {
  it.each([
    ['$¦\\frac12 + \\frac13¦$', { kind: 'value', exact: true, tex: '\\frac{5}{6}' }],
    ['$x = ¦\\ln 2¦ + 1$', { kind: 'value', exact: false, tex: '0.6931472' }],
    ['$\\sqrt{¦3^2 + 4^2¦}$', { kind: 'value', exact: true, tex: '25' }],
    ['Let $a = 3$ and $b = a + 1$. Then $¦a^2 + b^2¦$', { kind: 'value', exact: true, tex: '25' }],
    ['Let $f(x) = x^2$. Then $¦f(3)¦$', { kind: 'value', exact: true, tex: '9' }],
    ['$¦\\sum_{k=1}^{100} k¦$', { kind: 'value', exact: true, tex: '5050' }],
    [
      '$¦\\begin{pmatrix}1&1\\\\0&1\\end{pmatrix}^2¦$',
      { kind: 'value', exact: true, tex: '\\begin{pmatrix} 1 & 2 \\\\ 0 & 1 \\end{pmatrix}' },
    ],
    ['$¦x^2 + 1¦$', { kind: 'open', name: 'x', tex: 'x^{2} + 1' }],
    ['$¦y = x^2 + 1¦$', { kind: 'open', name: 'x', tex: 'x^{2} + 1' }],
    ['$¦2 \\cdot 3 + 1 =¦$', { kind: 'value', exact: true, tex: '7' }],
    ['$¦f(x) = x^2 + 1, \\quad x > 0.¦$', { kind: 'open', name: 'x', tex: 'x^{2} + 1' }],
    ['$¦x + y¦$', { kind: 'refused', why: 'It is not said what x and y are.' }],
    ['$¦\\frac{1}{0}¦$', { kind: 'refused', why: 'It is not defined.' }],
    ['$¦A \\cup B¦$', { kind: 'refused', why: 'The sign ∪ is not read here.' }],
  ])('%s', (body, wanted) => {
    const { blocks, place } = marked(body);
    expect(valueAt(blocks, place)).toEqual(wanted);
  });
});

describe('a table of values', () => {
  it('has a row for each value, exact where they are', () => {
    const { blocks, place } = marked('$¦\\frac{1}{x}¦$');
    const table = tableAt(blocks, place, { first: 0, last: 2, step: 1 });
    expect(table).toEqual({
      kind: 'table',
      source:
        '\\begin{tabular}{r|r}\n  $x$ & $\\frac{1}{x}$ \\\\ \\hline\n  $0$ & -- \\\\\n  $1$ & $1$ \\\\\n  $2$ & $\\frac{1}{2}$ \\\\\n\\end{tabular}',
    });
    const source = 'source' in table ? table.source : '';
    expect(typeset(inArticle(source)).findings()).toEqual([]);
  });
  it.each([
    [{ first: 0, last: 100, step: 1 }, 'A table has from 1 to 40 values.'],
    [{ first: 0, last: 1, step: 0 }, 'A table has from 1 to 40 values.'],
  ])('%j is refused', (range, why) => {
    const { blocks, place } = marked('$¦x^2¦$');
    expect(tableAt(blocks, place, range)).toEqual({ kind: 'refused', why });
  });
});
