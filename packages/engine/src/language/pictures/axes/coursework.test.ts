import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  axisOf as axis,
  linesOf,
  plotted as picture,
  TEN_BY_TEN as RANGE,
} from '../../../testing/axes';
import type { Drawn as Picture } from '../../../testing/drawn';
import { numberText, PLAIN_NUMBERS } from './numberFormat';

const [RED, BLUE] = [0xff0000, 0x0000ff];
/** All but the number of the page. */
const words = ({ laid }: Picture): string =>
  laid.lines
    .map(({ text }) => text)
    .slice(0, -1)
    .join(' ');
const boxes = ({ paths }: Picture) =>
  paths.filter(({ points, path }) => points.length === 4 && path.stroke?.paint === 0);

/** pgfplots manual, section 5.8. */
describe('groups of axes', () => {
  const group = (style: string, options = '', count = 4): Picture =>
    picture(
      `\\begin{groupplot}[group style={group size=2 by 2,${style}},width=105pt,height=95pt,xlabel=$t$,ylabel=$v$,${options}]${'\\nextgroupplot \\addplot {x};'.repeat(count)}\\end{groupplot}\\fill[red] (G c2r1.center) circle (1pt);`,
    );
  const corners = (shown: Picture) => boxes(shown).map(({ points }) => points[0]);
  const CM = 28.45;
  it('stand a centimetre apart, or as far as is said', () => {
    const close = ([x, y]: readonly [number, number]): [number, number] => [
      Math.round(x),
      Math.round(y),
    ];
    expect(corners(group('group name=G')).map((at) => at && close(at))).toEqual([
      [0, 0],
      close([60 + CM, 0]),
      close([0, -50 - CM]),
      close([60 + CM, -50 - CM]),
    ]);
    expect(
      corners(group('group name=G,horizontal sep=10pt,vertical sep=20pt')).map(
        (at) => at && close(at),
      ),
    ).toEqual([
      [0, 0],
      [70, 0],
      [0, -70],
      [70, -70],
    ]);
  });
  it('are nodes by the name of the group', () => {
    const shown = group('group name=G,horizontal sep=10pt');
    expect(shown.findings).toEqual([]);
    const dot = shown.paths.find(({ path }) => path.fill === RED);
    const [x = 0, y = 0] = dot?.points[0] ?? [];
    expect([Math.round(x), Math.round(y)]).toEqual([101, 25]);
  });
  it.each([
    ['', 4, 4],
    ['x descriptions at=edge bottom', 2, 4],
    ['y descriptions at=edge left', 4, 2],
    ['xlabels at=edge bottom,ylabels at=edge left', 2, 2],
  ])('have names of their axes: %s', (style, across, up) => {
    const said = words(group(`group name=G,${style}`));
    expect(said.split('𝑡').length - 1).toBe(across);
    expect(said.split('𝑣').length - 1).toBe(up);
  });
  it('may have numbers at the edge alone', () => {
    const count = (style: string): number =>
      words(group(`group name=G,${style}`, 'xtick={7},ytick={},xmin=0,xmax=9')).split('7').length -
      1;
    expect([
      count(''),
      count('xticklabels at=edge bottom'),
      count('xticklabels at=edge top'),
    ]).toEqual([4, 2, 2]);
  });
  it('tell of what is not carried out', () => {
    expect(group('group name=G,every plot/.style={red}').findings).toEqual(['key-without-effect']);
  });
});

describe('legends', () => {
  const legend = (more: string, options = ''): Picture =>
    axis(
      `\\addplot[red,no marks] {x};\\addlegendentry{i}\\addplot[blue,no marks] {x};\\addlegendentry{a long one}${more}`,
      `${RANGE},${options}`,
    );
  it('have lines for no plot, in their order', () => {
    const shown = legend('\\addlegendimage{green}\\addlegendentry{none}');
    expect(linesOf(shown, 0x00ff00)).toHaveLength(1);
    expect(shown.findings).toEqual([]);
  });
  it.each([
    ['', 'center'],
    ['legend cell align=left', 'left'],
    ['legend cell align={left}', 'left'],
    ['legend style={cells={anchor=west}}', 'left'],
    ['legend style={legend cell align=right}', 'right'],
    ['legend cell align=right', 'right'],
  ])('stand as they are told: %s', (options, align) => {
    const { laid } = legend('', options);
    const [short, long] = [laid.word('i'), laid.word('a long one')];
    const [left, right] = [short.x - long.x, long.right - short.right];
    if (align === 'left') expect(left).toBeCloseTo(0, 1);
    else if (align === 'right') expect(right).toBeCloseTo(0, 1);
    else expect(left).toBeCloseTo(right, 1);
  });
  it('may be the other way round', () => {
    const { laid } = legend('', 'reverse legend');
    expect(laid.word('a long one').y).toBeLessThan(laid.word('i').y);
  });
});

describe('bars', () => {
  it('across are stacked by their places', () => {
    const shown = axis(
      '\\addplot[draw=red] coordinates {(1,2) (3,5)};\\addplot[draw=blue] coordinates {(4,2) (2,5)};',
      `${RANGE},xbar stacked,bar width=10pt`,
    );
    const edges = (paint: number) =>
      linesOf(shown, paint).map((points) => [points[0]?.[0], points[1]?.[0]]);
    expect(edges(RED)).toEqual([
      [0, 20],
      [0, 60],
    ]);
    expect(edges(BLUE)).toEqual([
      [20, 100],
      [60, 100],
    ]);
  });
  it.each([
    ['ybar=0pt', [-5, 5]],
    ['ybar=4pt', [-7, 7]],
    ['ybar', [-6, 6]],
    ['ybar,bar shift=0pt', [0, 0]],
  ])('of several plots stand apart: %s', (options, [first, second]) => {
    const shown = axis(
      '\\addplot[draw=red] coordinates {(5,5)};\\addplot[draw=blue] coordinates {(5,5)};',
      `${RANGE},bar width=10pt,${options}`,
    );
    const middle = (paint: number): number => {
      const xs = (linesOf(shown, paint)[0] ?? []).map(([x]) => x);
      return Math.round((Math.min(...xs) + Math.max(...xs)) / 2) - 100;
    };
    expect([middle(RED), middle(BLUE)]).toEqual([first, second]);
  });
});

/** pgfplots manual, section 4.17. */
describe('words at the points of a plot', () => {
  it.each([
    ['nodes near coords', '(5,7)', '7'],
    ['nodes near coords={=\\pgfmathprintnumber\\pgfplotspointmeta}', '(5,7)', '=7'],
    ['nodes near coords,point meta=explicit symbolic', '(5,7) [ebb]', 'ebb'],
    [
      'nodes near coords,nodes near coords style={/pgf/number format/.cd,fixed zerofill,precision=1}',
      '(5,7)',
      '7.0',
    ],
  ])('%s', (options, point, wanted) => {
    const shown = axis(
      `\\addplot[red,mark=none,${options}] coordinates {${point}};`,
      `${RANGE},ticks=none`,
    );
    expect(words(shown).replace(/\s/g, '')).toBe(wanted);
    expect(shown.findings).toEqual([]);
  });
  it('have a style of their own', () => {
    const size = (style: string): number =>
      Math.round(
        axis(
          `\\addplot[red,nodes near coords${style}] coordinates {(5,7)};`,
          `${RANGE},ticks=none`,
        ).laid.word('7').size,
      );
    expect(size(',every node near coord/.append style={font=\\tiny}')).toBe(5);
    expect(size('')).toBe(10);
  });
});

describe('ticks', () => {
  it.each([
    ['xtick={2020},xmin=2015,xmax=2025', '2,020'],
    ['xtick={2020},xmin=2015,xmax=2025,x tick label style={/pgf/number format/1000 sep=}', '2020'],
    [
      'xtick={2020},xmin=2015,xmax=2025,xticklabel style={/pgf/number format/.cd,set thousands separator={}}',
      '2020',
    ],
    ['xtick={2020},xmin=2015,xmax=2025,/pgf/number format/1000 sep={}', '2020'],
    [
      'xtick={0.5},xmin=0,xmax=1,xticklabel style={/pgf/number format/.cd,fixed,fixed zerofill,precision=2}',
      '0.50',
    ],
    ['xtick={0.5},xmin=0,xmax=1,/pgf/number format/use comma', '0,5'],
    ['xtick={20},xmin=0,xmax=50,xticklabel={$\\pgfmathprintnumber{\\tick}\\%$}', '20%'],
    ['xtick={20},xmin=0,xmax=50,xticklabel={\\ticknum}', '0'],
  ])('%s', (options, wanted) => {
    const shown = axis('', `ymin=0,ymax=1,ytick=\\empty,${options}`);
    expect(words(shown).replace(/\s/g, '')).toBe(wanted);
    expect(shown.findings).toEqual([]);
  });
  it('of one axis leave the type of the other alone; styles add to one another', () => {
    const { laid } = axis(
      '',
      'xmin=0,xmax=4,ymin=5,ymax=9,xtick={2},ytick={7},tick label style={red},xticklabel style={font=\\tiny}',
    );
    const [two, seven] = [laid.word('2'), laid.word('7')];
    expect([Math.round(two.size), two.color, Math.round(seven.size), seven.color]).toEqual([
      5,
      RED,
      10,
      RED,
    ]);
  });
  it('are as long and of the style that is said', () => {
    const ticks = (options: string) =>
      axis('', `${RANGE},xtick={5},ytick=\\empty,${options}`).paths.filter(
        ({ points }) => points.length === 2 && points[0]?.[0] === 100 && points[0][1] === 0,
      );
    expect(ticks('major tick length=10pt')[0]?.points[1]).toEqual([100, 10]);
    expect(ticks('tick style={red}')[0]?.path.stroke?.paint).toBe(RED);
    expect(ticks('tick style={draw=none}')).toEqual([]);
  });
  it('numbers keep what they are in every format', () => {
    const plain = (text: string): number => Number(text.replaceAll('{,}', ''));
    fc.assert(
      fc.property(
        fc.integer({ min: -99999, max: 99999 }),
        fc.integer({ min: 0, max: 3 }),
        (n, places) => {
          const value = n / 100;
          const text = numberText(value, places, { ...PLAIN_NUMBERS, zeroFill: true });
          expect(plain(text)).toBeCloseTo(Number(value.toFixed(places)), 9);
          expect(text.split('.')[1]?.length ?? 0).toBe(places);
        },
      ),
    );
    expect(numberText(12500, 2, { ...PLAIN_NUMBERS, form: 'sci' })).toBe('1.25\\cdot10^{4}');
    expect(numberText(2, 2, { ...PLAIN_NUMBERS, plus: true })).toBe('+2');
  });
});

describe('axes', () => {
  it.each([
    ['axis y line=left', 1],
    ['axis y line*=left', 0],
    ['axis lines*=left', 0],
  ])('%s have tips: %i', (options, tips) => {
    const count = (one: string): number =>
      axis('', `${RANGE},ticks=none,${one},axis x line=none`).paths.length;
    expect(count(options) - count('axis y line*=left')).toBe(tips);
  });
  it('at the right have their name there', () => {
    const shown = axis('', `${RANGE},axis y line*=right,ylabel=name`);
    expect(shown.word('name')[0]).toBeGreaterThan(200);
  });
  it('give what all plots have', () => {
    const shown = axis(
      '\\addplot[red,no marks] {x};',
      `${RANGE},every axis plot/.append style={line width=3pt}`,
    );
    expect(
      shown.paths.find(({ path }) => path.stroke?.paint === RED)?.path.stroke?.width,
    ).toBeCloseTo(2.989, 2);
  });
  it.each([
    ['y explicit', ['picture-key']],
    ['z buffer=sort', ['key-without-effect']],
    ['every axis/.append style={xlabel=$t$}', []],
    ['ylabel near ticks', []],
    ['legend image code/.code={}', ['key-without-effect']],
  ])('tell of %s: %j', (options, wanted) => {
    expect(axis('\\addplot[red,no marks] {x};', `${RANGE},${options}`).findings).toEqual(wanted);
  });
});
