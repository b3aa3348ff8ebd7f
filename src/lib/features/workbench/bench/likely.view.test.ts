import { describe, expect, it } from 'vitest';
import { inArticle } from '../../../../../packages/engine/src/testing/document';
import { standingBench } from '$lib/testing/bench';

const folded = (body: string) => standingBench(inArticle(body, '\\usepackage{amsmath}'), [], false);
const buttons = () =>
  [...document.querySelectorAll('[aria-label="Likely here"] button')].map((b) => b.textContent);

describe('the bench as one line', () => {
  it.each([
    ['Low| water.', ['More', 'Section', 'Emphasis', 'Formula', 'Displayed formula', 'Points']],
    ['$x| = 1$', ['The formula, large', 'Displayed', 'Numbered', 'Aligned at relations']],
    ['\\[ \\begin{pmatrix} 1| & 2 \\end{pmatrix} \\]', ['Rows and columns']],
    ['\\begin{tabular}{c} a| \\end{tabular}', ['Cells and rules']],
    ['\\begin{align*} a| &= b \\end{align*}', ['Line by line']],
  ])('offers what is likely at %s', async (body, wanted) => {
    await folded(body);
    expect(buttons()).toEqual(wanted);
    expect(document.querySelector('#bench-tools')).toBeNull();
  });
  it('its actions change the source, as one step', async () => {
    const bench = await folded('So $x| = 1$ holds.');
    const was = bench.text();
    await bench.press('Displayed');
    expect(bench.text()).toContain('So \n\\[\n  x = 1\n\\]\n holds.');
    bench.undo();
    expect(bench.text()).toBe(was);
  });
  it('opens when it is asked, and is found open the next time', async () => {
    const bench = await folded('Low| water.');
    await bench.press('More');
    expect(document.querySelector('#bench-tools')).not.toBeNull();
    expect(localStorage.getItem('odd-compass-bench-open')).toBe('true');
    await bench.press('Fold');
    expect(localStorage.getItem('odd-compass-bench-open')).toBe('false');
  });
});
