import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';

const CM = 28.45276;
const cm = ([x, y]: readonly [number, number]) => [
  Math.round(100 * x * CM) / 100 + 0,
  Math.round(100 * y * CM) / 100 + 0,
];

describe('a point whose numbers stand in the source can be taken', () => {
  // A coordinate, where it lies, and where it lies with one more in each of its numbers (cm).
  it.each([
    ['1,2', '', [1, 2], [2, 2], [1, 3]],
    ['-.5, 2', '', [-0.5, 2], [0.5, 2], [-0.5, 3]],
    ['10mm,1', '', [1, 1], [1.1, 1], [1, 2]],
    ['1,2', 'x=2cm,y=5mm', [2, 1], [4, 1], [2, 1.5]],
    ['1,2', 'rotate=90', [-2, 1], [-2, 2], [-3, 1]],
    ['1,2', 'shift={(1,0)},scale=2', [3, 4], [5, 4], [3, 6]],
    ['0:2', '', [2, 0], [3, 0], [2, 1]],
    ['90:5mm', '', [0, 0.5], [0.1, 0.5], [0, 0.6]],
  ] as const)('(%s) with [%s]', (written, options, at, across, up) => {
    const { handles } = drawn(`\\draw[${options}] (0,0) -- (${written});`);
    const last = handles.at(-1);
    expect(last?.text).toBe(written);
    const points = [cm(at), cm(across), cm(up)];
    last?.points.forEach(([x, y], i) => {
      expect(x).toBeCloseTo(points[i]?.[0] ?? NaN, 0);
      expect(y).toBeCloseTo(points[i]?.[1] ?? NaN, 0);
    });
  });

  it.each([
    ['nodes', '\\node[circle] (A) at (2,1) {$A$};', ['2,1']],
    ['coordinates', '\\coordinate (B) at (60:2);', ['60:2']],
    ['nodes on a path', '\\draw (0,0) -- (1,0) node at (3,1) {x};', ['0,0', '1,0', '3,1']],
    [
      'curves and their controls',
      '\\draw (0,0) .. controls (1,2) and (2,2) .. (3,0);',
      ['0,0', '1,2', '3,0', '2,2'],
    ],
    ['steps', '\\draw (0,0) -- ++(1,0) -- +(0,2);', ['0,0', '1,0', '0,2']],
    ['corners', '\\draw (0,0) rectangle (3,2);', ['0,0', '3,2']],
    ['in a clip', '\\clip (0,0) circle (1); \\fill (1,1) circle (1pt);', ['0,0', '1,1']],
    ['in a macro’s argument', '\\newcommand\\dot[1]{\\fill #1 circle (1pt);}\\dot{(1,2)}', ['1,2']],
  ])('%s', (_kind, body, wanted) => {
    expect(drawn(body).handles.map(({ text }) => text)).toEqual(wanted);
  });

  it.each([
    ['a name', '\\coordinate (A) at (1,1); \\draw (A) -- (A);', ['1,1']],
    ['a sum', '\\draw ({1+1},2) -- (1,2);', ['1,2']],
    ['a loop’s variable', '\\foreach \\x in {1,2} \\fill (\\x,0) circle (1pt);', []],
    ['what stands in a macro', '\\newcommand\\corner{(1,2)}\\draw (0,0) -- \\corner;', ['0,0']],
    ['three numbers', '\\draw (0,0,1) -- (1,1);', ['1,1']],
  ])('%s is left alone', (_kind, body, wanted) => {
    expect(drawn(body).handles.map(({ text }) => text)).toEqual(wanted);
  });

  it('takes no room and no ink', () => {
    const [taken, plain] = ['(1,1)', '({1},{1})'].map((end) => {
      const { paths, laid } = drawn(`\\draw (0,0) -- ${end};`);
      return [
        paths.map(({ points }) => points),
        laid.session.describe(laid.session.pages[0] as never).lineInk,
      ];
    });
    expect(taken).toEqual(plain);
  });
});
