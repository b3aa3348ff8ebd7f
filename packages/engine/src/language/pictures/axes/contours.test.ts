import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { axisOf, linesOf, plotted } from '../../../testing/axes';
import type { DataPoint } from './axis';
import { joined, levelsOf, piecesOf } from './contours';

const grid = (count: number, value: (x: number, y: number) => number): DataPoint[] =>
  Array.from({ length: count * count }, (_, i) => {
    const [x, y] = [i % count, Math.floor(i / count)];
    return { x, y, z: value(x, y), errorX: 0, errorY: 0 };
  });

describe('lines of one height through a grid', () => {
  it('lie where a plane has that height', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 18 }), (level) => {
        const points = grid(11, (x, y) => x + y);
        for (const end of piecesOf(points, 11, level + 0.5).flat())
          expect(end.x + end.y).toBeCloseTo(level + 0.5, 9);
      }),
    );
  });
  it('are closed around a hill, and one', () => {
    const lines = joined(
      piecesOf(
        grid(21, (x, y) => (x - 10) ** 2 + (y - 10) ** 2),
        21,
        30.5,
      ),
    );
    expect(lines).toHaveLength(1);
    const [line = []] = lines;
    expect([line[0]?.x, line[0]?.y]).toEqual([line.at(-1)?.x, line.at(-1)?.y]);
  });
  it('leave out what is not there', () => {
    const points = grid(3, (x) => (x === 1 ? NaN : x));
    expect(piecesOf(points, 3, 0.5)).toEqual([]);
  });
  it.each([
    [[0, 10], null, 5, [2, 4, 6, 8]],
    [[0, 10], [3, 7], 5, [3, 7]],
    [[1, 1], null, 5, []],
  ])('levels within %j, listed %j', (values, levels, count, expected) => {
    const asked = { levels, count, labels: true, filled: false, colour: null };
    expect(levelsOf(values, asked)).toEqual(expected);
  });
  it('stand in an axis seen from above, each with its number', () => {
    const body = (options: string): string =>
      `\\begin{axis}[view={0}{90},width=200pt]\\addplot3[${options},samples=20,domain=-2:2]{x^2+y^2};\\end{axis}`;
    const { laid, findings } = plotted(body('contour gnuplot={levels={1,3}}'));
    expect(findings).toEqual([]);
    expect(laid.text).toContain('3');
    const red = (options: string): number =>
      linesOf(plotted(body(`${options},contour/draw color=red`)), 0xff0000).length;
    expect(red('contour gnuplot={levels={1,3}}')).toBe(2);
    expect(red('contour lua={levels={1,2,3},labels=false}')).toBe(3);
  });
});

describe('marks by what is said of their points', () => {
  const points = 'coordinates {(1,1)[a] (2,4)[b] (3,9)[a]}';
  const fills = (options: string, plot: string): number[] =>
    axisOf(`\\addplot[scatter,only marks,${options}] ${plot};`)
      .paths.map(({ path }) => path.fill)
      .filter((fill) => fill !== null && fill !== 0xffffff && fill !== 0) as number[];
  it('have the look of their class', () => {
    const classes =
      'scatter src=explicit symbolic,scatter/classes={a={mark=*,red},b={mark=*,blue}}';
    expect(fills(classes, points)).toEqual([0xff0000, 0x0000ff, 0xff0000]);
  });
  it('have the colour of their number, from the least to the most', () => {
    const found = fills('', 'coordinates {(1,1) (2,4) (3,9)}');
    expect(new Set(found).size).toBe(3);
    expect(found[0]).toBe(fills('', 'coordinates {(5,1) (6,2)}')[0]);
  });
  it('stand each in the legend', () => {
    const { laid, findings } = axisOf(
      `\\addplot[scatter,only marks,scatter src=explicit symbolic,scatter/classes={a={mark=*,red},b={mark=*,blue}}] ${points};\\legend{Ebb,Flood}`,
    );
    expect(findings).toEqual([]);
    expect(laid.text).toMatch(/Ebb[\s|]*Flood/);
  });
});
