import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../../testing/document';
import { drawn } from '../../../testing/drawn';
import { laidBody } from '../../../testing/layout';
import type { DataPoint } from './axis';
import { cutTo } from './drawPlots';
import { counted, histogramOf } from './histogram';
import { cellText } from './typesetTable';

const LOAD = '\\usepackage{pgfplots,pgfplotstable}';
const axis = (plots: string, options = '', name = 'axis') =>
  drawn(`\\begin{${name}}[width=245pt,height=145pt,${options}]${plots}\\end{${name}}`, LOAD);
const linesIn = (picture: ReturnType<typeof drawn>, paint: number) =>
  picture.paths.filter(({ path }) => path.stroke?.paint === paint).map(({ points }) => points);
const filled = (picture: ReturnType<typeof drawn>) =>
  picture.paths.filter(({ path }) => path.fill && !path.stroke).map(({ points }) => points);
const labels = (picture: ReturnType<typeof drawn>) =>
  picture.laid.lines.map(({ text }) => text).join(' ');
const RANGE = 'xmin=0,xmax=10,ymin=0,ymax=10';
const at = (x: number, y: number): DataPoint => ({ x, y, z: 0, errorX: 0, errorY: 0 });

/** pgfplots manual, chapter 4. */
describe('axes of other kinds', () => {
  it('count from their far end', () => {
    const picture = axis('\\addplot[red] coordinates {(0,0) (5,10)};', `${RANGE},x dir=reverse`);
    expect(linesIn(picture, 0xff0000)[0]).toEqual([
      [200, 0],
      [100, 100],
    ]);
    expect(picture.findings).toEqual([]);
  });

  it('have ticks besides, with labels and lines of their own', () => {
    const options = `${RANGE},extra x ticks={2.5},extra x tick labels={$c$},extra x tick style={grid=major}`;
    const picture = axis('\\addplot[red] coordinates {(0,0) (10,10)};', options);
    expect(labels(picture)).toContain('𝑐');
    const upright = picture.paths.filter(
      ({ points }) => points.length === 2 && points.every((point) => point[0] === 50),
    );
    expect(upright.length).toBeGreaterThan(0);
    expect(picture.findings).toEqual([]);
  });

  it('have lines of another colour', () => {
    const picture = axis('\\addplot[blue] {x};', `${RANGE},axis line style={red}`);
    expect(linesIn(picture, 0xff0000).some((points) => points.length === 4)).toBe(true);
  });

  it.each([
    ['', /10\^?4|104|⋅/, true],
    ['scaled ticks=false', /50\{?,?\}?000/, false],
    ['scaled y ticks=false', /50\{?,?\}?000/, false],
  ])('large numbers have their power beside the axis, or not: %s', (options, text, scaled) => {
    const plot = '\\addplot[red,no marks] coordinates {(0,0) (10,50000)};';
    const said = labels(axis(plot, `enlargelimits=false,ytick={0,50000},${options}`));
    expect(said.replace(/\s/g, '')).toMatch(text);
    expect(/50.?000/.test(said)).toBe(!scaled);
  });

  it('powers of ten are labelled as numbers where that is asked', () => {
    const plot = '\\addplot[red,no marks] coordinates {(1,1) (100,100)};';
    const said = labels(axis(plot, 'log ticks with fixed point,xtick={1,100}', 'loglogaxis'));
    expect(said).toContain('100');
  });

  it.each([
    ['', [0, 4.27]],
    ['tick align=outside', [-4.27, 0]],
    ['tick align=center', [-2.13, 2.13]],
  ])('ticks stand within the box, outside of it, or across its edge: %s', (options, [from, to]) => {
    const picture = axis('\\addplot[red] {x};', `${RANGE},xtick={5},ytick=\\empty,${options}`);
    const tick = picture.paths.find(
      ({ points }) => points.length === 2 && points.every((point) => point[0] === 100),
    )?.points;
    expect(tick?.map((point) => point[1])).toEqual([from, to]);
  });

  it('ticks stand on one side alone', () => {
    const count = (options: string): number =>
      axis(
        '\\addplot[red,no marks] {x};',
        `${RANGE},xtick={5},ytick=\\empty,${options}`,
      ).paths.filter(
        ({ points }) => points.length === 2 && points.every((point) => point[0] === 100),
      ).length;
    expect([count(''), count('xtick pos=bottom'), count('tick pos=left')]).toEqual([2, 1, 1]);
  });

  it('have no ticks where they are switched off', () => {
    const plot = '\\addplot[red,no marks] coordinates {(0,0) (10,10)};';
    const [all, none] = ['', 'xmajorticks=false,ymajorticks=false'].map((more) =>
      labels(axis(plot, `${RANGE},${more}`)),
    );
    expect(all).toMatch(/10/);
    expect(none).not.toMatch(/10/);
  });

  it('are polar: angles and distances from the middle', () => {
    const picture = axis(
      '\\addplot[red] coordinates {(0,1) (90,1) (180,1)};',
      'ymax=1',
      'polaraxis',
    );
    const [points = []] = linesIn(picture, 0xff0000);
    expect(points[0]?.[0]).toBeCloseTo(100, 1);
    expect(points[0]?.[1]).toBeCloseTo(50, 1);
    expect(points[1]?.[1]).toBeCloseTo(100, 1);
    expect(points[2]?.[0]).toBeCloseTo(0, 1);
    expect(labels(picture)).toMatch(/330/);
    expect(picture.findings).toEqual([]);
  });
});

describe('plots of other kinds', () => {
  it('histograms count', () => {
    const picture = axis(
      '\\addplot+[hist={bins=2,data min=0,data max=4}] table[row sep=\\\\,y index=0]{d\\\\1\\\\1.5\\\\3\\\\};',
      'ymin=0,ymax=2,xmin=0,xmax=4,ybar interval',
    );
    const bars = picture.paths.filter(({ path, points }) => path.fill && points.length === 4);
    expect(bars.map(({ points }) => points.map((point) => point[1]))).toEqual([
      [0, 0, 100, 100],
      [0, 0, 50, 50],
    ]);
    expect(picture.findings).toEqual([]);
  });

  it('areas lie one on another', () => {
    const picture = axis(
      '\\addplot coordinates {(0,1) (10,1)}\\closedcycle;\\addplot coordinates {(0,2) (10,2)}\\closedcycle;',
      'xmin=0,xmax=10,ymin=0,ymax=4,area style,stack plots=y',
    );
    const heights = picture.paths
      .filter(({ path }) => path.fill)
      .map(({ points }) =>
        [...new Set(points.map((point) => Math.round(point[1] ?? 0)))].sort((a, b) => a - b),
      );
    expect(heights).toEqual([
      [0, 25],
      [25, 75],
    ]);
    expect(picture.findings).toEqual([]);
  });

  it('arrows show a field', () => {
    const picture = axis(
      '\\addplot[red,quiver={u=1,v=x,scale arrows=2},->] coordinates {(1,1) (2,3)};',
      RANGE,
    );
    const arrows = linesIn(picture, 0xff0000).filter((points) => points.length === 2);
    const [[x, y] = [], tip = []] = arrows[1] ?? [];
    expect([x, y]).toEqual([40, 30]);
    expect(tip[1]).toBeGreaterThan(60);
    expect(picture.findings).toEqual([]);
  });

  it('what is filled between two plots keeps to its stretch', () => {
    const picture = axis(
      '\\addplot[name path=f,domain=0:10] {5};\\addplot[name path=g,domain=0:10] {0};\\addplot[red] fill between[of=f and g,soft clip={domain=2:4}];',
      RANGE,
    );
    const xs = filled(picture)
      .flat()
      .map((point) => point[0] ?? 0);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([40, 80]);
    expect(picture.findings).toEqual([]);
  });

  it('surfaces seen from above stand in a plain axis, with their colours beside it', () => {
    const plot = '\\addplot3[surf,shader=interp,domain=0:2,samples=3]{x*y};';
    const picture = axis(plot, 'view={0}{90},colorbar');
    const patches = picture.paths.filter(({ path, points }) => path.fill && points.length === 4);
    const right = Math.max(
      ...patches.flatMap(({ points }) => points.map((point) => point[0] ?? 0)),
    );
    expect(right).toBeGreaterThan(200);
    expect(labels(picture)).toContain('4');
    expect(picture.findings).toEqual([]);
  });
});

describe('data that are cut and counted', () => {
  it.each([
    [
      [0, 10],
      [2, 4],
      [2, 4],
    ],
    [
      [0, 3],
      [2, 9],
      [2, 3],
    ],
    [
      [4, 0],
      [1, 2],
      [2, 1],
    ],
    [[0, 1], [5, 6], []],
  ])('a line from %j within %j', (ends, domain, xs) => {
    const line = ends.map((x) => at(x, 2 * x));
    const cut = cutTo(line, domain as [number, number]);
    expect(cut.map(({ x }) => x)).toEqual(xs);
    for (const { x, y } of cut) expect(y).toBeCloseTo(2 * x, 9);
  });

  it.each([
    ['hist', { count: 10, min: null, max: null, density: false, cumulative: false }],
    [
      'red,hist={bins=4,data min=0,density}',
      { count: 4, min: 0, max: null, density: true, cumulative: false },
    ],
    ['red', null],
    ['history', null],
  ])('%s', (options, bins) => expect(histogramOf(options)).toEqual(bins));

  it('every value falls in one bin', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 2 }),
        fc.integer({ min: 1, max: 12 }),
        (values, count) => {
          const points = values.map((y) => at(0, y));
          const bins = counted(points, {
            count,
            min: -50,
            max: 50,
            density: false,
            cumulative: false,
          });
          const sum = bins.slice(0, -1).reduce((all, { y }) => all + y, 0);
          expect(sum).toBe(values.length);
          expect(bins).toHaveLength(count + 1);
        },
      ),
    );
  });
});

/** pgfplotstable manual, sections 2 and 3. */
describe('tables that are printed', () => {
  const plain = { precision: 2, form: 'auto' as const, zeroFill: false };
  it.each([
    ['1', plain, '$1$'],
    ['3.14159', plain, '$3.14$'],
    ['12345', plain, '$12{,}345$'],
    ['412345', plain, '$4.12\\cdot 10^{5}$'],
    ['0.000001', plain, '$1\\cdot 10^{-6}$'],
    ['2', { ...plain, zeroFill: true, form: 'fixed' as const }, '$2.00$'],
    ['12345678', { ...plain, form: 'fixed' as const }, '$12{,}345{,}678$'],
    ['Ebb', plain, 'Ebb'],
  ])('%s with %j is %s', (text, style, printed) => expect(cellText(text, style)).toBe(printed));

  it.each([
    ['\\pgfplotstabletypeset{x y\n0 1\n1 2.5\n}', ['x', 'y', '2.5']],
    ['\\pgfplotstabletypeset[col sep=comma]{a,b\n1,2\n}', ['a', 'b', '2']],
    ['\\pgfplotstabletypeset[columns={y}]{x y\n7 1\n}', ['y', '1']],
    ['\\pgfplotstabletypeset[columns/x/.style={column name=Depth}]{x y\n0 1\n}', ['Depth', 'y']],
    ['\\pgfplotstabletypeset[display columns/1/.style={string type}]{x y\n0 low\n}', ['low']],
    [
      '\\pgfplotstableread{x y\n3 4\n}\\tides\\pgfplotstabletypeset[every head row/.style={before row=\\hline}]\\tides',
      ['3', '4'],
    ],
  ])('%s', (body, words) => {
    expect(findingsIn(inArticle(body, LOAD))).toEqual([]);
    const { text } = laidBody(body, LOAD);
    for (const word of words) expect(text).toContain(word);
    if (body.includes('columns={y}')) expect(text).not.toContain('7');
  });
});
