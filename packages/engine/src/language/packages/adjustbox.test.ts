import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = '\\usepackage{adjustbox}\\newsavebox\\probe';
/** Width, height and depth of a box, in pt. */
function sizeOf(box: string): readonly number[] {
  const { text } = laidBody(
    `\\sbox\\probe{${box}}\\the\\wd\\probe;\\the\\ht\\probe;\\the\\dp\\probe;`,
    load,
  );
  return text
    .split(';')
    .slice(0, 3)
    .map((part) => parseFloat(part));
}
const rule = (width: number, height: number): string => `\\rule{${width}pt}{${height}pt}`;
const near = (found: readonly number[], wanted: readonly number[]): void =>
  wanted.forEach((value, i) => expect(found[i]).toBeCloseTo(value, 0));

/** What each key makes of a box of 100 by 40 pt (the manual of adjustbox). */
describe('boxes made by keys', () => {
  it.each([
    ['width=50pt', [50, 20]],
    ['height=20pt', [50, 20]],
    ['scale=.5', [50, 20]],
    ['max width=50pt', [50, 20]],
    ['max width=500pt', [100, 40]],
    ['max height=10pt', [25, 10]],
    ['max size={80pt}{10pt}', [25, 10]],
    ['min width=200pt', [200, 80]],
    ['min width=20pt', [100, 40]],
    ['angle=90', [40, 100]],
    ['reflect', [100, 40]],
    ['margin=5pt', [110, 45, 5]],
    ['margin=1pt 2pt 3pt 4pt', [104, 44, 2]],
    ['trim=10pt 0pt 20pt 5pt', [70, 35]],
    ['vspace=3pt 4pt', [100, 43, 4]],
    ['raise=7pt', [100, 47]],
    ['frame=2pt', [104, 42, 2]],
    ['scale=.5,margin=5pt', [60, 25, 5]],
    ['margin=5pt,scale=.5', [55, 22.5, 2.5]],
    ['lap=30pt', [30, 40]],
  ])('%s', (keys, wanted) => {
    near(sizeOf(`\\adjustbox{${keys}}{${rule(100, 40)}}`), wanted);
    expect(findingsIn(inArticle(`\\adjustbox{${keys}}{${rule(100, 40)}}`, load))).toEqual([]);
  });

  it('a bound makes nothing larger, and keeps the shape', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 10, max: 300 }),
        fc.integer({ min: 10, max: 300 }),
        fc.integer({ min: 10, max: 300 }),
        (width, height, most) => {
          const [w = 0, h = 0] = sizeOf(`\\adjustbox{max width=${most}pt}{${rule(width, height)}}`);
          expect(w).toBeCloseTo(Math.min(width, most), 0);
          expect(h / w).toBeCloseTo(height / width, 1);
        },
      ),
      { numRuns: 15 },
    ));

  it('keys for all boxes come before those of one', () => {
    const all = '\\adjustboxset{max width=50pt}';
    near(sizeOf(`${all}\\adjustbox{scale=2}{${rule(100, 40)}}`), [100, 40]);
  });

  it.each(['wide=3pt', 'clip'])('a key that changes nothing is told of: %s', (key) =>
    expect(
      findingsIn(inArticle(`\\adjustbox{${key}}{x}`, load)).map(({ kind, at }) => [kind, at]),
    ).toEqual([['option-unknown', expect.any(String)]]),
  );

  it('contents may be an environment’s', () =>
    near(sizeOf(`\\begin{adjustbox}{max width=50pt}${rule(100, 40)}\\end{adjustbox}`), [50, 20]));
});
