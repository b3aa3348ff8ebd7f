import { describe, expect, it } from 'vitest';
import { drawn } from '../../../testing/drawn';
import { dayOf } from './dates';

const LOAD =
  '\\usepackage{pgfplots}\\usepgfplotslibrary{fillbetween,groupplots}\\usetikzlibrary{pgfplots.dateplot}\\pgfplotsset{compat=1.18}';
const axis = (options: string, body: string) =>
  drawn(`\\begin{axis}[width=6cm,height=6cm,${options}]${body}\\end{axis}`, LOAD);
const RED = 0xff0000;
const inRed = (found: ReturnType<typeof drawn>) =>
  found.paths.filter(({ path }) => path.stroke?.paint === RED || path.fill === RED);
/** Six centimetres without the room for labels. */
const side = 6 * 28.4528 - 45;
const square = 'xmin=0,xmax=4,ymin=0,ymax=4,enlargelimits=false';

/** The manual of pgfplots: fills between paths, steps, lists of looks, dates, fields of vectors. */
describe('plots', () => {
  it.each([
    ['\\path[name path=a] (axis cs:0,0) -- (axis cs:4,0);', ''],
    ['\\path[name path=a] (axis cs:4,0) -- (axis cs:0,0);', ''],
    ['\\addplot[draw=none,name path=a,domain=0:4] {0};', ''],
    ['\\path[name path=a] (axis cs:0,0) -- (axis cs:4,0);', ',soft clip={domain=1:2}'],
  ])('between a plot and %s%s is filled', (other, clip) => {
    const found = axis(
      square,
      `\\addplot[name path=f,domain=0:4] {2};${other}\\addplot[fill=red] fill between[of=f and a${clip}];`,
    );
    expect(found.findings).toEqual([]);
    const [fill] = inRed(found);
    const xs = fill?.points.map(([x]) => x / side) ?? [];
    const ys = fill?.points.map(([, y]) => y / side) ?? [];
    const [left, right] = clip === '' ? [0, 1] : [0.25, 0.5];
    expect(Math.min(...xs)).toBeCloseTo(left, 1);
    expect(Math.max(...xs)).toBeCloseTo(right, 1);
    expect([Math.min(...ys), Math.max(...ys)].map((y) => Math.round(y * 10) / 10)).toEqual([
      0, 0.5,
    ]);
    // No line crosses another: the first and the last point lie one above the other.
    expect(xs[0]).toBeCloseTo(xs.at(-1) ?? 9, 1);
  });

  const steps = (found: ReturnType<typeof drawn>) =>
    (inRed(found)[0]?.points ?? []).map(([x, y]) =>
      [x, y].map((n) => Math.round((4 * n) / side) + 0),
    );
  it.each([
    [
      'const plot',
      [
        [0, 0],
        [2, 0],
        [2, 2],
        [4, 2],
        [4, 4],
      ],
    ],
    [
      'const plot mark left',
      [
        [0, 0],
        [2, 0],
        [2, 2],
        [4, 2],
        [4, 4],
      ],
    ],
    [
      'const plot mark right',
      [
        [0, 0],
        [0, 2],
        [2, 2],
        [2, 4],
        [4, 4],
      ],
    ],
    [
      'const plot mark mid',
      [
        [0, 0],
        [1, 0],
        [1, 2],
        [3, 2],
        [3, 4],
        [4, 4],
      ],
    ],
    [
      'jump mark left',
      [
        [0, 0],
        [2, 0],
        [2, 2],
        [4, 2],
      ],
    ],
    [
      'jump mark right',
      [
        [0, 2],
        [2, 2],
        [2, 4],
        [4, 4],
      ],
    ],
  ])('%s: level pieces stand where they should', (key, points) => {
    const found = axis(square, `\\addplot[red,${key}] coordinates {(0,0) (2,2) (4,4)};`);
    expect(found.findings).toEqual([]);
    expect(steps(found)).toEqual(points);
  });

  it.each([
    ['cycle list={{red},{blue}}', [RED, 0x0000ff, RED]],
    ['cycle list={blue,{red,dashed}}', [0x0000ff, RED, 0x0000ff]],
    ['cycle list name=color list', [RED, 0x0000ff, 0]],
    ['cycle list name=linestyles', [0, 0, 0]],
  ])('%s: plots differ in turn', (key, colours) => {
    const found = axis(`${square},hide axis,${key}`, '\\addplot {1};\\addplot {2};\\addplot {3};');
    expect(found.findings).toEqual([]);
    const level = found.paths.filter(({ points }) => points.length === 25);
    expect(level.map(({ path }) => path.stroke?.paint)).toEqual(colours);
  });

  it.each([
    ['xtick=data', 'x'],
    ['ytick=data', 'y'],
  ])('%s: a tick stands at each point', (key) => {
    const found = axis(
      `enlargelimits=false,${key}`,
      '\\addplot coordinates {(1,11) (3,13) (17,19)};',
    );
    expect(found.findings).toEqual([]);
    for (const label of key.startsWith('x') ? ['1', '3', '17'] : ['11', '13', '19'])
      expect(found.word(label)).toBeTruthy();
  });

  it.each([
    ['', '2026-03-01'],
    [',xticklabel=\\day.\\month.', '01.03.'],
    [',xticklabel={\\year}', '2026'],
  ])('days stand along an axis%s', (more, label) => {
    const found = axis(
      `enlargelimits=false,date coordinates in=x,date ZERO=2026-01-01,xtick={2026-03-01}${more}`,
      '\\addplot[red] coordinates {(2026-01-01,1) (2026-03-01,2) (2026-04-29,3)};',
    );
    expect(found.findings).toEqual([]);
    const points = inRed(found)[0]?.points ?? [];
    expect((points[1]?.[0] ?? 0) / side).toBeCloseTo(0.5, 1);
    expect(found.word(label)).toBeTruthy();
  });
  it('days of a table too', () => {
    const found = axis(
      'enlargelimits=false,date coordinates in=x,xtick=data',
      '\\addplot[red] table[x=day,y=tide,row sep=\\\\]{day tide\\\\2026-01-01 1\\\\2026-01-03 2\\\\};',
    );
    expect(found.findings).toEqual([]);
    expect(found.word('2026-01-03')).toBeTruthy();
  });
  it.each([
    ['1970-01-01', 0],
    ['1970-01-02 12:00', 1.5],
    ['2024-02-29', 19782],
    ['tide', null],
    ['2024', null],
  ])('%s is day %s', (text, day) => {
    expect(dayOf(text)).toBe(day);
  });

  it.each([
    ['\\addplot3[red,quiver={u={-y},v={x},scale arrows=.1},samples=5,domain=-1:1] (x,y,0);', 24],
    ['\\addplot3[red,quiver={u=1,v={x*y}},samples=4,samples y=3,domain=0:1] (x,y,0);', 12],
  ])('a field of vectors: %s', (plot, arrows) => {
    const found = axis('view={0}{90}', plot);
    expect(found.findings).toEqual([]);
    expect(inRed(found)).toHaveLength(arrows);
  });
  it('a surface by three expressions of two variables is no curve', () => {
    const found = axis(
      '',
      '\\addplot3[surf,samples=6,domain=0:1] ({cos(deg(x))},{sin(deg(x))},{y});',
    );
    expect(found.findings).toEqual([]);
    expect(found.paths.length).toBeGreaterThan(24);
  });

  it('powers of another number', () => {
    const found = drawn(
      '\\begin{semilogyaxis}[width=6cm,log basis y=2]\\addplot coordinates {(0,1) (1,2) (2,4) (3,8)};\\end{semilogyaxis}',
      LOAD,
    );
    expect(found.findings).toEqual([]);
    expect(found.word('2')).toBeTruthy();
    expect(() => found.word('10')).toThrow();
  });
  it('how surfaces are coloured may be said of the axis', () => {
    expect(axis('shader=interp', '\\addplot3[surf,samples=4] {x*y};').findings).toEqual([]);
  });
});
