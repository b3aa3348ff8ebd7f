import { describe, expect, it } from 'vitest';
import { rgbOf } from '../../base/paint';
import { drawn } from '../../testing/drawn';
import { shadeAt, mixed } from './shading';

const plain = {
  kind: 'axis',
  angle: 0,
  top: 0xff0000,
  middle: null,
  bottom: 0x0000ff,
  inner: 0x00ff00,
  outer: 0xffffff,
  ball: 0xff0000,
} as const;

describe('A colour that runs', () => {
  it.each([
    [plain, 0, 0xff0000],
    [plain, 1, 0x0000ff],
    [plain, 0.5, 0x800080],
    [{ ...plain, middle: 0xffffff }, 0.5, 0xffffff],
    [{ ...plain, kind: 'radial' as const }, 0, 0x00ff00],
    [{ ...plain, kind: 'radial' as const }, 0.5, 0xffffff],
    [{ ...plain, kind: 'ball' as const }, 0, 0xffd9d9],
    [{ ...plain, kind: 'ball' as const }, 0.5, 0x800000],
    [{ ...plain, kind: 'ball' as const }, 1, 0x000000],
  ])('%j at %d', (shading, share, colour) => {
    expect(shadeAt(shading, share)).toBe(colour);
  });
  it('mixes by share', () => {
    expect(mixed(0x000000, 0xffffff, 0.2)).toBe(0x333333);
  });
});

/** The colour painted last at a point, given in pt, of the outline's bands. */
function colourAt(options: string, x: number, y: number): number {
  const { paths } = drawn(`\\shade[${options}] (0pt,0pt) rectangle (60pt,40pt);`);
  const inside = (points: readonly (readonly [number, number])[]): boolean => {
    let odd = false;
    points.forEach(([ax, ay], i) => {
      const [bx, by] = points[(i + 1) % points.length] as readonly [number, number];
      if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) odd = !odd;
    });
    return odd;
  };
  const over = paths.filter(({ points, path }) => path.fill !== null && inside(points));
  return rgbOf(over.at(-1)?.path.fill ?? 0);
}
const isNear = (colour: number, wanted: number): boolean =>
  [16, 8, 0].every((shift) => Math.abs(((colour >> shift) & 255) - ((wanted >> shift) & 255)) < 24);

describe('A shaded rectangle', () => {
  it.each([
    ['top color=red,bottom color=blue', [30, 39], 0xff0000],
    ['top color=red,bottom color=blue', [30, 1], 0x0000ff],
    ['top color=red,bottom color=blue', [1, 20], 0x800080],
    ['left color=red,right color=blue', [1, 20], 0xff0000],
    ['left color=red,right color=blue', [59, 20], 0x0000ff],
    ['left color=red,right color=blue', [30, 1], 0x800080],
    ['left color=red,right color=blue,middle color=white', [30, 20], 0xffffff],
    ['inner color=red,outer color=white', [30, 20], 0xff0000],
    ['inner color=red,outer color=white', [1, 1], 0xffffff],
    ['top color=red,bottom color=blue,shading angle=180', [30, 39], 0x0000ff],
    ['left color=red,right color=blue,fill opacity=.5', [59, 20], 0x0000ff],
  ])('[%s] at %j', (options, [x, y], colour) => {
    const found = colourAt(options, x as number, y as number);
    expect(isNear(found, colour), found.toString(16)).toBe(true);
  });
  it('a ball is lightest at its upper left, darkest at its lower right', () => {
    const bright = (x: number, y: number): number => (colourAt('ball color=gray', x, y) >> 8) & 255;
    expect(bright(18, 28)).toBeGreaterThan(bright(30, 20));
    expect(bright(30, 20)).toBeGreaterThan(bright(55, 5));
  });
  it('what shows through is covered once: no band lies over another', () => {
    const { paths } = drawn(
      '\\shade[fill opacity=.5,left color=red,right color=blue] (0pt,0pt) rectangle (60pt,40pt);',
    );
    const bands = paths.filter(({ path }) => path.fill !== null);
    const edges = bands
      .map(({ points }) => points.map(([x]) => x))
      .map((xs) => [Math.min(...xs), Math.max(...xs)]);
    for (const [i, [low = 0]] of edges.slice(1).entries())
      expect(low).toBeCloseTo(edges[i]?.[1] ?? 0, 1);
  });
});

describe('Words along a path', () => {
  const along = (options: string, path = '(0pt,0pt) -- (100pt,0pt)') =>
    drawn(
      `\\path[decorate,decoration={text along path,text={ebb tide}${options}}] ${path};`,
      '\\usetikzlibrary{decorations.text}',
    );
  it('begin at its start, end at its end, or lie in its middle', () => {
    const [x0, y0] = along('').word('e');
    expect([x0, y0].map(Math.round)).toEqual([0, 0]);
    const [right] = along(',text align=right').word('e');
    const [centre] = along(',text align={align=center}').word('e');
    expect(centre).toBeCloseTo(right / 2, 0);
    expect(right).toBeGreaterThan(50);
  });
  it('stand off it by raise, and leave out what has no room', () => {
    expect(along(',raise=5pt').word('e')[1]).toBeCloseTo(5, 1);
    expect(() => along('', '(0pt,0pt) -- (12pt,0pt)').word('d')).toThrow();
  });
  it('turn with it, and the path itself is not drawn', () => {
    const up = along('', '(0pt,0pt) -- (0pt,100pt)');
    expect(Math.round(up.word('e')[1])).toBe(0);
    expect(up.word('d')[1]).toBeGreaterThan(15);
    expect(up.paths).toEqual([]);
    expect(up.findings).toEqual([]);
  });
});

describe('Odds and ends of pictures', () => {
  it('a node before cycle stands in the middle of the line that closes', () => {
    const { word } = drawn(
      '\\draw (0pt,0pt) -- (100pt,0pt) -- (100pt,100pt) -- node[inner sep=0pt] {b} cycle;',
    );
    expect(word('b')[0]).toBeGreaterThan(40);
    expect(word('b')[0]).toBeLessThan(60);
  });
  it('lines of a grid have the style that is said', () => {
    const grid = (style: string): number =>
      drawn(
        `\\end{tikzpicture}\\begin{tikzpicture}\\begin{axis}[grid=major,${style}]\\addplot coordinates {(0,0)(1,1)};\\end{axis}`,
        '\\usepackage{pgfplots}',
      ).paths.filter(({ path }) => rgbOf(path.stroke?.paint ?? 0) === 0xff0000).length;
    expect(grid('')).toBe(0);
    expect(grid('grid style={red}')).toBeGreaterThan(6);
    expect(grid('major grid style={draw=red}')).toBeGreaterThan(6);
    expect(grid('minor grid style={red}')).toBe(0);
  });
});
