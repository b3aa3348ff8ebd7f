import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import { flat, find, formula } from '../../testing/formula';

/** Where the integral signs of a formula stand, in pt from the first one. */
function integrals(source: string): number[] {
  const signs = flat(formula(source, '\\usepackage{amsmath}')).filter(({ char }) => char === '∫');
  return signs.map(({ x }) => Number((x - (signs[0]?.x ?? 0)).toFixed(2)));
}

// amsmath, section 1.6: integrals are 6 mu nearer, 9 mu in displays; a thin space of 3 mu stands between operators.
describe('several integrals', () => {
  it.each([
    ['\\iint f', [0, 6.67 - 1.67]],
    ['\\iiint f', [0, 5, 10]],
    ['\\displaystyle\\iint f', [0, 10 - 3.33]],
    ['\\displaystyle\\iiint f', [0, 6.67, 13.33]],
  ])('%s stand side by side', (source, wanted) => {
    const found = integrals(source);
    expect(found.length).toBe(wanted.length);
    found.forEach((x, i) => expect(x).toBeCloseTo(wanted[i] ?? NaN, 1));
  });
  it('have their index behind the last one', () => {
    const last = Math.max(...integrals('\\displaystyle\\iint_D f'));
    const first = find('\\displaystyle\\iint_D f', '∫').x;
    expect(find('\\displaystyle\\iint_D f', '𝐷').x).toBeGreaterThan(first + last + 5);
  });
});

// The TeXbook, appendix B (\\surd) and appendix G, rule 13.
describe('a sign alone as an operator', () => {
  it.each([
    ['\\surd', '√'],
    ['\\mathop{\\surd} x', '√'],
    ['\\mathop{\\Sigma} x', 'Σ'],
  ])('%s lies on the axis', (source, char) => {
    const { y, item } = find(source, char);
    // The axis of Latin Modern Math is a quarter of the type's size.
    expect(y + (item.height - item.depth) / 2 / PT).toBeCloseTo(2.5, 2);
  });
  it('of several signs is not moved', () => {
    expect(find('\\mathop{xy}', '𝑥').y).toBe(0);
  });
});
