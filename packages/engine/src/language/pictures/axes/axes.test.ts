import { describe, expect, it } from 'vitest';
import { drawn } from '../../../testing/drawn';
import { textFiles } from '../../../testing/document';
import { inArticle } from '../../../testing/document';
import { laid } from '../../../testing/layout';

const axis = (plots: string, options = '', name = 'axis') =>
  drawn(
    `\\begin{${name}}[width=245pt,height=145pt,${options}]${plots}\\end{${name}}`,
    '\\usepackage{pgfplots}',
  );
/** The points of the first line in a colour. */
const lineIn = (picture: ReturnType<typeof drawn>, paint: number) =>
  picture.paths.find(({ path }) => path.stroke?.paint === paint)?.points ?? [];
const labels = (picture: ReturnType<typeof drawn>) =>
  picture.laid.lines.map(({ text }) => text).join(' ');

describe('an axis', () => {
  it('is the asked size without 45 pt for its labels, and shows a tenth more than its data', () => {
    const picture = axis('\\addplot[red] coordinates {(0,0) (10,10)};');
    const box = picture.paths.find(({ points }) => points.length === 4);
    expect(box?.points).toEqual([
      [0, 0],
      [200, 0],
      [200, 100],
      [0, 100],
    ]);
    expect(lineIn(picture, 0xff0000)).toEqual([
      [16.67, 8.33],
      [183.33, 91.67],
    ]);
    expect(picture.findings).toEqual([]);
  });
  it.each([
    [
      'xmin=0,xmax=10,ymin=0,ymax=10',
      [
        [0, 0],
        [200, 100],
      ],
    ],
    [
      'enlargelimits=false',
      [
        [0, 0],
        [200, 100],
      ],
    ],
    [
      'xmin=0,xmax=20,ymin=0,ymax=20',
      [
        [0, 0],
        [100, 50],
      ],
    ],
    [
      'scale only axis,enlargelimits=false',
      [
        [0, 0],
        [245, 145],
      ],
    ],
  ] as const)('its limits are %s', (options, wanted) => {
    expect(lineIn(axis('\\addplot[red] coordinates {(0,0) (10,10)};', options), 0xff0000)).toEqual(
      wanted,
    );
  });
  it('labels its ticks', () => {
    const picture = axis('\\addplot {x};', 'xmin=0,xmax=4,ymin=0,ymax=4,domain=0:4');
    expect(labels(picture)).toMatch(/0.*1.*2.*3.*4/);
    expect(
      labels(axis('\\addplot {x};', 'xtick={1,3},xticklabels={ebb,flood},ytick=\\empty')),
    ).toMatch(/ebb.*flood/);
    expect(labels(axis('\\addplot {1000*x};', 'domain=0:50'))).toMatch(/10/);
  });
  it.each([
    ['an expression', '\\addplot[red,domain=0:2,samples=3] {x^2};', [0, 1, 4]],
    [
      'with a macro for its variable',
      '\\addplot[red,domain=0:2,samples=3,variable=\\t] ({\\t},{\\t^2});',
      [0, 1, 4],
    ],
    ['coordinates', '\\addplot[red] coordinates {(0,0) (1,1) (2,4)};', [0, 1, 4]],
    ['a table', '\\addplot[red] table {x y 0 0 1 1 2 4};', [0, 1, 4]],
    ['columns by name', '\\addplot[red] table[x=a,y=c] {a b c 0 9 0 1 9 1 2 9 4};', [0, 1, 4]],
    [
      'a column worked out',
      '\\addplot[red] table[x=a,y expr=\\thisrow{a}^2] {a b 0 9 1 9 2 9};',
      [0, 1, 4],
    ],
    [
      'a table with a name',
      '\\pgfplotstableread{x y 0 0 1 1 2 4}\\tides\\addplot[red] table {\\tides};',
      [0, 1, 4],
    ],
    [
      'a function that is declared',
      '\\tikzset{declare function={f(\\t)=\\t*\\t;}}\\addplot[red,domain=0:2,samples=3] {f(x)};',
      [0, 1, 4],
    ],
  ])('plots %s', (_, plot, values) => {
    const picture = axis(plot, 'xmin=0,xmax=2,ymin=0,ymax=4');
    expect(picture.findings).toEqual([]);
    expect(lineIn(picture, 0xff0000)).toEqual(values.map((y, x) => [x * 100, y * 25]));
  });
  it('plots angles in degrees, or in radians when it is told', () => {
    const ends = (options: string, to: string) =>
      lineIn(
        axis(`\\addplot[red,domain=0:${to},samples=2] {sin(x)};`, `ymin=0,ymax=1,${options}`),
        0xff0000,
      ).map(([, y]) => y);
    expect(ends('', '90')).toEqual([0, 100]);
    expect(ends('trig format plots=rad', 'pi/2')).toEqual([0, 100]);
  });
  it('counts powers of ten on a logarithmic axis', () => {
    const picture = axis(
      '\\addplot[red] coordinates {(1,1) (2,100)};',
      'xmin=1,xmax=2,enlargelimits=false',
      'semilogyaxis',
    );
    expect(lineIn(picture, 0xff0000)).toEqual([
      [0, 0],
      [200, 100],
    ]);
    expect(labels(picture)).toContain('10');
  });
  it('breaks its line where there is no number', () => {
    const picture = axis(
      '\\addplot[red,domain=-1:1,samples=5] {1/x};',
      'restrict y to domain=-5:5',
    );
    expect(picture.paths.filter(({ path }) => path.stroke?.paint === 0xff0000)).toHaveLength(2);
  });
  it('stands bars on zero, side by side', () => {
    const picture = axis(
      '\\addplot[fill=red] coordinates {(1,2) (2,4)};\\addplot[fill=blue] coordinates {(1,1) (2,3)};',
      'ybar,ymin=0,ymax=4',
    );
    const bars = (paint: number) => picture.paths.filter(({ path }) => path.fill === paint);
    expect([bars(0xff0000).length, bars(0x0000ff).length]).toEqual([2, 2]);
    const [first] = bars(0xff0000);
    expect(first?.points.map(([, y]) => y)).toEqual([0, 0, 50, 50]);
    expect((bars(0x0000ff)[0]?.points[0]?.[0] ?? 0) - (first?.points[0]?.[0] ?? 0)).toBeCloseTo(
      12,
      1,
    );
  });
  it('draws what else stands in it in its own coordinates, above the plots', () => {
    const picture = axis(
      '\\draw[red] (axis cs:0,0) -- (axis cs:2,4);\\addplot {x};',
      'xmin=0,xmax=2,ymin=0,ymax=4',
    );
    expect(lineIn(picture, 0xff0000)).toEqual([
      [0, 0],
      [200, 100],
    ]);
    const relative = axis('\\draw[red] (rel axis cs:0,0) -- (rel axis cs:1,0.5);\\addplot {x};');
    expect(lineIn(relative, 0xff0000)).toEqual([
      [0, 0],
      [200, 50],
    ]);
  });
  it('has a legend and names', () => {
    const picture = axis(
      '\\addplot {x};\\addlegendentry{flood}\\addplot {-x};\\addlegendentry{ebb}',
      'xlabel={hours},ylabel={height},title={Tide}',
    );
    for (const text of ['flood', 'ebb', 'hours', 'height', 'Tide'])
      expect(labels(picture)).toContain(text);
  });
  it('fills between two plots', () => {
    const picture = axis(
      '\\addplot[name path=f,blue,domain=0:1] {1};\\path[name path=axis] (0,0) -- (1,0);\\addplot[green] fill between[of=f and axis];',
    );
    expect(picture.paths.some(({ path }) => path.fill === 0x00ff00)).toBe(true);
    expect(picture.findings).toEqual([]);
  });
  it('draws surfaces from far to near, in the colours of their heights', () => {
    const picture = axis('\\addplot3[surf,domain=0:1,samples=4] {x+y};');
    const patches = picture.paths.filter(({ path }) => path.fill !== null);
    expect(patches).toHaveLength(9);
    expect(picture.findings).toEqual([]);
  });
  it('tells of a key it does not know, and of a plot outside', () => {
    const picture = axis('\\addplot {x};', 'xlabl={hours}');
    expect(picture.findings).toEqual(['picture-key']);
    expect(picture.laid.session.findings()[0]?.fix?.edits[0]?.text).toBe('xlabel');
    expect(drawn('\\addplot {x};', '\\usepackage{pgfplots}').findings).toContain('picture-axis');
  });
  it('reads data of a file', () => {
    const text = inArticle(
      '\\begin{tikzpicture}\\begin{axis}\\addplot[red] table[col sep=comma] {tides.csv};\\end{axis}\\end{tikzpicture}',
      '\\usepackage{pgfplots}',
    );
    const kinds = (files: Readonly<Record<string, string>>) =>
      laid(text, textFiles(files))
        .session.findings()
        .map(({ kind }) => kind);
    expect(kinds({ 'tides.csv': 'hour,height\n0,1\n6,3\n' })).toEqual([]);
    expect(kinds({})).toEqual(['file-missing']);
  });
});
