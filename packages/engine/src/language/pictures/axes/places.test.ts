import { describe, expect, it } from 'vitest';
import { drawn, type DrawnPath } from '../../../testing/drawn';
import { mappedColour, namedMap } from './colourMaps';

const LOAD = '\\usepackage{pgfplots}\\usetikzlibrary{intersections}';
const picture = (body: string, options = '') => drawn(body, LOAD, options);

const middle = (paths: readonly DrawnPath[], fill: number): number[] => {
  const points = paths.find(({ path }) => path.fill === fill)?.points ?? [];
  const mean = (i: 0 | 1): number =>
    (Math.min(...points.map((p) => p[i])) + Math.max(...points.map((p) => p[i]))) / 2;
  return [mean(0), mean(1)];
};

/** pgfplots manual, section 4.17.1: what stands between plots is placed by the data. */
describe('places within an axis', () => {
  const MARKS =
    '\\addplot[only marks,mark=*,mark options={fill=yellow}]coordinates{(1,1)(100,1000)};' +
    '\\addplot[only marks,mark=*,mark options={fill=blue}]coordinates{(10,100)};';
  it.each([
    ['axis', '(10,100)'],
    ['axis', '(axis cs:10,100)'],
    ['loglogaxis', '(10,100)'],
    ['loglogaxis', '(axis cs:10,100)'],
    ['semilogxaxis', '(10,100)'],
    ['semilogyaxis', '(axis cs:10,100)'],
  ])('%s %s is where the plot has its mark', (kind, place) => {
    const { paths, findings } = picture(
      `\\begin{${kind}}${MARKS}\\fill[green]${place} circle[radius=1pt];\\end{${kind}}`,
    );
    const [mark, dot] = [middle(paths, 0x0000ff), middle(paths, 0x00ff00)];
    expect(findings).toEqual([]);
    expect(dot[0]).toBeCloseTo(mark[0] ?? 0, 0);
    expect(dot[1]).toBeCloseTo(mark[1] ?? 0, 0);
  });
  it('are angles and distances in a polar one', () => {
    const at = (place: string): number[] =>
      middle(
        picture(
          `\\begin{polaraxis}\\addplot[domain=0:360,samples=30]{1};\\fill[green]${place} circle[radius=1pt];\\end{polaraxis}`,
        ).paths,
        0x00ff00,
      );
    const [centre, right, top] = [at('(0,0)'), at('(0,1)'), at('(90,1)')];
    expect((top[0] ?? 0) - (centre[0] ?? 0)).toBeCloseTo(0, 0);
    expect((top[1] ?? 0) - (centre[1] ?? 0)).toBeCloseTo((right[0] ?? 0) - (centre[0] ?? 0), 0);
    expect((right[0] ?? 0) - (centre[0] ?? 0)).toBeGreaterThan(20);
  });
});

it('an axis is scaled with the picture around it', () => {
  const width = (options: string): number => {
    const xs = picture('\\begin{axis}\\addplot[blue]coordinates{(0,0)(1,1)};\\end{axis}', options)
      .paths.filter(({ path }) => path.stroke?.paint === 0x0000ff)
      .flatMap(({ points }) => points.map(([x]) => x));
    return Math.max(...xs) - Math.min(...xs);
  };
  expect(width('[scale=.5]')).toBeCloseTo(width('') / 2, 0);
});

describe('marks of plots', () => {
  const marks = (options: string) =>
    picture(
      `\\begin{axis}\\addplot[red,only marks,mark=square*,${options}]coordinates{(0,0)(1,1)(2,2)(3,3)(4,4)};\\end{axis}`,
    ).paths.filter(
      ({ points }) =>
        points.length >= 4 && Math.abs((points[0]?.[0] ?? 0) - (points[2]?.[0] ?? 0)) < 12,
    );
  const width = (options: string): number => {
    const xs = (marks(options)[0]?.points ?? []).map(([x]) => x);
    return Math.max(...xs) - Math.min(...xs);
  };
  it.each([
    ['', 0xff0000, null],
    ['mark options={fill=yellow}', 0xffff00, 0xff0000],
    ['mark options={draw=blue,fill=yellow}', 0xffff00, 0x0000ff],
    ['every mark/.append style={fill=yellow}', 0xffff00, 0xff0000],
  ])('[%s] have their ground and their line', (options, fill, line) => {
    const { path } = marks(options)[0] ?? {};
    expect([path?.fill, path?.stroke?.paint ?? null]).toEqual([fill, line]);
  });
  it('are scaled and turned', () => {
    expect(width('mark options={scale=2}')).toBeCloseTo(2 * width(''), 1);
    expect(width('mark options={rotate=45}')).toBeCloseTo(Math.SQRT2 * width(''), 1);
  });
  it.each([
    ['', 5],
    ['mark repeat=2', 3],
    ['mark repeat=2,mark phase=2', 2],
  ])('[%s] stand at %i of five points', (options, count) => {
    expect(marks(options)).toHaveLength(count);
  });
});

describe('maps of colours', () => {
  it.each([
    ['hot', 0, 0x0000ff],
    ['hot', 1, 0xff0000],
    ['hot', 1 / 3, 0xffff00],
    ['viridis', 0, 0x440154],
    ['viridis', 1, 0xfde725],
    ['blackwhite', 0.5, 0x808080],
    ['jet', 0.5, 0x80ff80],
    ['hot2', 3 / 8, 0xff0000],
  ])('%s at %d', (name, share, colour) => {
    expect(mappedColour(namedMap(name) ?? [], share)).toBe(colour);
  });
  it.each([
    ['colormap/blackwhite', 0xffffff],
    ['colormap name=viridis', 0xfde725],
    ['colormap={m}{color=(red) color=(blue)}', 0x0000ff],
    ['colormap={m}{rgb255(0cm)=(255,0,0); gray(2cm)=(0.5)}', 0x808080],
  ])('the surface has its colours by [%s]', (options, last) => {
    const { paths, findings } = picture(
      `\\begin{axis}[${options},colorbar]\\addplot3[surf,samples=3,domain=0:1]{x};\\end{axis}`,
    );
    expect(findings).toEqual([]);
    // The last stripe of the bar is all but the last colour.
    const near = (a: number, b: number): boolean =>
      [16, 8, 0].every((shift) => Math.abs(((a >> shift) & 255) - ((b >> shift) & 255)) < 6);
    expect(paths.some(({ path }) => path.fill !== null && near(path.fill, last))).toBe(true);
  });
});

describe('pictures', () => {
  it('say how many meetings there are', () => {
    const { paths, findings } = picture(
      '\\path[name path=a](0,0) circle(1);\\path[name path=b](-2,0)--(2,0);\\fill[red,name intersections={of=a and b,total=\\t}] \\foreach \\s in {1,...,\\t}{(intersection-\\s) circle(2pt)};',
    );
    expect(findings).toEqual([]);
    const filled = paths.filter(({ path }) => path.fill === 0xff0000);
    expect(filled.flatMap(({ curves }) => curves).reduce((a, b) => a + b, 0)).toBe(8);
  });
  it('shade what is filled and has colours of a shading', () => {
    const { paths } = picture('\\fill[inner color=yellow,outer color=red] (0,0) circle(1);');
    expect(paths.some(({ path }) => path.fill === 0)).toBe(false);
  });
  it.each([
    ['\\node[concept]{a};', ['key-without-effect']],
    ['\\node[mindmp]{a};', ['picture-key']],
  ])('tell keys of libraries that are not here from those there are not: %s', (body, kinds) => {
    expect(
      picture(body)
        .laid.session.findings()
        .map(({ kind }) => kind),
    ).toEqual(kinds);
  });
});

/** pgfplots manual, section 4.9: `compat` of 1.3 and later. */
it('the name of an axis stands by the labels of its ticks where that is asked for', () => {
  const gap = (said: string): number => {
    const { word } = picture(`\\begin{axis}[${said}xlabel=tide]\\addplot{x};\\end{axis}`);
    return word('0')[1] - word('tide')[1];
  };
  expect(gap('compat=1.18,')).toBeCloseTo(gap('xlabel near ticks,'), 1);
  expect(gap('compat=1.18,')).toBeLessThan(gap(''));
  expect(gap('compat=1.2,')).toBeCloseTo(gap(''), 1);
});
