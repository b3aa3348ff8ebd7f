import { describe, expect, it } from 'vitest';
import { drawn } from '../../testing/drawn';

const tree = (options: string, body: string) =>
  drawn(`\\begin{scope}[${options}]${body}\\end{scope}`, '\\usetikzlibrary{trees}');
const cm = 28.4528;
/** Where the middle of a letter lies, in tenths of a cm. */
const place = (found: ReturnType<typeof drawn>, word: string): number[] =>
  found.word(word).map((n) => Math.round((10 * n) / cm));
const near = (found: readonly number[], wanted: readonly number[]): void =>
  wanted.forEach((n, i) => expect(Math.abs((found[i] ?? 99) - n), String(found)).toBeLessThan(2));

/** The manual of tikz, “making trees grow” and its library. */
describe('trees', () => {
  const two = '\\node {r} child {node {a}} child {node {b}};';
  it.each([
    ['', { a: [-7.5, -15], b: [7.5, -15] }],
    ['level distance=1cm,sibling distance=2cm', { a: [-10, -10], b: [10, -10] }],
    ['grow=right,level distance=2cm,sibling distance=1cm', { a: [20, -5], b: [20, 5] }],
    ['grow cyclic,level distance=2cm,sibling angle=90', { a: [-14, -14], b: [14, -14] }],
    ['clockwise from=0,sibling angle=90,level distance=2cm', { a: [20, 0], b: [0, -20] }],
    ['counterclockwise from=0,sibling angle=90,level distance=2cm', { a: [20, 0], b: [0, 20] }],
    [
      'grow via three points={one child at (0,-1) and two children at (-1,-1) and (1,-1)}',
      { a: [-10, -10], b: [10, -10] },
    ],
  ] as const)('%s: children stand where they should', (options, wanted) => {
    const found = tree(options, two);
    expect(found.findings).toEqual([]);
    for (const [name, at] of Object.entries(wanted)) near(place(found, name), at);
  });

  it('on a circle the next level grows away from the middle', () => {
    const found = tree(
      'grow cyclic,level distance=2cm,sibling angle=90',
      '\\node {r} child {node {a} child {node {c}}} child {node {b}};',
    );
    near(place(found, 'c'), [-28, -28]);
  });

  it.each([
    ['child foreach \\i in {x,y,z} {node {\\i}}', 3],
    ['child[red] foreach \\i in {x,y,z} {node {\\i}} child {node {w}}', 4],
    ['child foreach \\i/\\j in {x/1,y/2} {node {\\i} child {node {\\j}}}', 4],
  ])('%s: as many edges as children', (children, count) => {
    const found = tree('', `\\node {r} ${children};`);
    expect(found.findings).toEqual([]);
    expect(found.paths).toHaveLength(count);
    const [x = 0, y = 0] = [place(found, 'x')[0], place(found, 'y')[0]];
    expect(x).toBeLessThan(y);
  });

  it.each([
    ['down', '', 1],
    ['up', 'grow=up', 1],
    ['right', 'grow=right', 0],
    ['left', 'grow=left', 0],
  ])('edge from parent fork %s: around two corners', (way, grow, axis) => {
    const found = tree(`${grow === '' ? '' : `${grow},`}edge from parent fork ${way}`, two);
    expect(found.findings).toEqual([]);
    for (const { points } of found.paths) {
      expect(points).toHaveLength(4);
      // First along the way of the tree, then across, then along it again.
      const [a, b, c, d] = points as [number, number][] as [
        [number, number],
        [number, number],
        [number, number],
        [number, number],
      ];
      const across = 1 - axis;
      expect(a[across]).toBeCloseTo(b[across] as number, 1);
      expect(b[axis]).toBeCloseTo(c[axis] as number, 1);
      expect(c[across]).toBeCloseTo(d[across] as number, 1);
    }
  });

  it('an edge follows the path it is given, from anchor to anchor', () => {
    const path = tree(
      'edge from parent path={(\\tikzparentnode.south) .. controls +(0,-1) and +(0,1) .. (\\tikzchildnode\\tikzchildanchor)},child anchor=north',
      two,
    );
    expect(path.findings).toEqual([]);
    expect(path.paths.map(({ curves }) => curves)).toEqual([1, 1]);
    const anchored = tree('parent anchor=south,child anchor=north', two);
    const [first, second] = anchored.paths.map(({ points }) => points);
    expect(first?.[0]).toEqual(second?.[0]);
  });
});
