import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { axisOf as axis, linesOf, TEN_BY_TEN as RANGE } from '../../../testing/axes';
import { quantile } from './boxPlot';

const [RED, BLUE] = [0xff0000, 0x0000ff];
/** pgfplots manual, section 4.12. */
describe('error bars', () => {
  const bars = (options: string, point = '(5,5) +- (1,2)') => {
    const shown = axis(
      `\\addplot[red,only marks,mark=none,error bars/.cd,${options}] coordinates {${point}};`,
    );
    expect(shown.findings).toEqual([]);
    return linesOf(shown, RED).map((points) => points.slice(0, 2));
  };
  it.each([
    [
      'y dir=both,y explicit',
      [
        [
          [100, 50],
          [100, 70],
        ],
        [
          [100, 50],
          [100, 30],
        ],
      ],
    ],
    [
      'y dir=plus,y explicit',
      [
        [
          [100, 50],
          [100, 70],
        ],
      ],
    ],
    [
      'y dir=minus,y explicit',
      [
        [
          [100, 50],
          [100, 30],
        ],
      ],
    ],
    [
      'x dir=both,x explicit',
      [
        [
          [100, 50],
          [120, 50],
        ],
        [
          [100, 50],
          [80, 50],
        ],
      ],
    ],
    [
      'y dir=plus,y fixed=3',
      [
        [
          [100, 50],
          [100, 80],
        ],
      ],
    ],
    [
      'y dir=plus,y fixed relative=0.2',
      [
        [
          [100, 50],
          [100, 60],
        ],
      ],
    ],
    [
      'y dir=plus,y explicit relative',
      [
        [
          [100, 50],
          [100, 150],
        ],
      ],
    ],
    ['y dir=none,y explicit', []],
    ['y explicit', []],
  ])('%s', (options, wanted) => {
    expect(bars(options)).toEqual(wanted);
  });
  it('may differ upwards and downwards', () => {
    const wanted = [
      [
        [100, 50],
        [100, 60],
      ],
      [
        [100, 50],
        [100, 20],
      ],
    ];
    expect(bars('y dir=both,y explicit', '(5,5) += (0,1) -= (0,3)')).toEqual(wanted);
    const shown = axis(
      '\\addplot[red,only marks,mark=none,error bars/.cd,y dir=both,y explicit] table[x=a,y=b,y error plus=p,y error minus=m] {\na b p m\n5 5 1 3\n};',
    );
    expect(linesOf(shown, RED).map((points) => points.slice(0, 2))).toEqual(wanted);
  });
  it.each([
    [
      'ybar,bar width=10pt',
      '(5,5) +- (0,2)',
      [
        [100, 50],
        [100, 70],
      ],
    ],
    [
      'ybar,bar width=10pt,bar shift=8pt',
      '(5,5) +- (0,2)',
      [
        [108, 50],
        [108, 70],
      ],
    ],
  ])('stand on bars, beside their places as these do: %s', (options, point, wanted) => {
    const shown = axis(
      `\\addplot[draw=red,error bars/.cd,y dir=plus,y explicit] coordinates {${point}};`,
      `${RANGE},${options}`,
    );
    expect(linesOf(shown, RED).map((points) => points.slice(0, 2))).toContainEqual(wanted);
  });
  it('may be asked for by the axis, have a style, and count for its limits', () => {
    const shown = axis(
      '\\addplot[blue,mark=none] coordinates {(0,0) +- (0,2) (10,10) +- (0,2)};',
      'xmin=0,xmax=10,enlargelimits=false,error bars/y dir=both,error bars/y explicit,error bars/error bar style={red}',
    );
    expect(linesOf(shown, RED).length).toBe(4);
    expect(
      Math.max(
        ...linesOf(shown, RED)
          .flat()
          .map(([, y]) => y),
      ),
    ).toBe(100);
  });
});

/** pgfplots manual, section 5.12.1. */
describe('box plots', () => {
  const prepared =
    'boxplot prepared={lower whisker=1,lower quartile=2,median=4,upper quartile=6,upper whisker=9}';
  it('draw five numbers, upright or level', () => {
    const shown = axis(
      `\\addplot[red,boxplot,${prepared},boxplot/draw position=5,boxplot/box extend=2] coordinates {};`,
      `${RANGE},boxplot/draw direction=y`,
    );
    expect(shown.findings).toEqual([]);
    expect(linesOf(shown, RED)).toEqual([
      [
        [80, 20],
        [120, 20],
        [120, 60],
        [80, 60],
      ],
      [
        [80, 40],
        [120, 40],
      ],
      [
        [100, 20],
        [100, 10],
      ],
      [
        [100, 60],
        [100, 90],
      ],
      [
        [84, 10],
        [116, 10],
      ],
      [
        [84, 90],
        [116, 90],
      ],
    ]);
    const level = axis(`\\addplot[red,${prepared}] coordinates {};`);
    // The first stands at one, eight tenths wide.
    expect(linesOf(level, RED)[0]).toEqual([
      [40, 6],
      [40, 14],
      [120, 14],
      [120, 6],
    ]);
  });
  it('work the numbers out, and mark what lies beyond the whiskers', () => {
    const shown = axis(
      '\\addplot[red,mark=*,boxplot] table[row sep=\\\\,y index=0] {data\\\\1\\\\2\\\\2\\\\3\\\\3\\\\9\\\\};',
      `${RANGE},boxplot/draw direction=y`,
    );
    const [box, median, , , lower, upper] = linesOf(shown, RED);
    expect(box?.map(([, y]) => y)).toEqual([20, 20, 30, 30]);
    expect(median?.[0]?.[1]).toBe(25);
    expect([lower?.[0]?.[1], upper?.[0]?.[1]]).toEqual([10, 30]);
    const marks = shown.paths.filter(({ curves }) => curves > 0);
    expect(marks).toHaveLength(1);
  });
  it('stand one beside another', () => {
    const shown = axis(
      `\\addplot[red,${prepared}] coordinates {};\\addplot[blue,${prepared}] coordinates {};`,
      `${RANGE},boxplot/draw direction=y`,
    );
    expect(linesOf(shown, BLUE)[0]?.[0]).toEqual([32, 20]);
  });
  it('have quantiles that lie between the least and the greatest number, and grow', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1 }), (numbers) => {
        const sorted = [...numbers].sort((a, b) => a - b);
        const [low = 0, middle = 0, high = 0] = [0.25, 0.5, 0.75].map((p) => quantile(sorted, p));
        return (
          (sorted[0] ?? 0) <= low && low <= middle && middle <= high && high <= (sorted.at(-1) ?? 0)
        );
      }),
    );
    expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5);
    expect(quantile([1, 2, 3], 0.5)).toBe(2);
  });
});
