import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { glue, PT, type Glue, type Sp } from '../base/lengths';
import { boxOf } from './box';
import { elementsOf, interline, type Element } from './elements';
import { giveOf, RIGID, setGlue } from './glueSetting';
import { naturalSize, stack } from './stack';
import type { LineSpacing, VItem } from './vertical';

const RUNS = { numRuns: Number(process.env.LAW_RUNS ?? 200) };
const sp = (most: number): fc.Arbitrary<Sp> => fc.integer({ min: 0, max: most * PT });
const glueItem: fc.Arbitrary<Glue> = fc.record({
  width: fc.integer({ min: -5 * PT, max: 20 * PT }),
  stretch: sp(10),
  stretchOrder: fc.constantFrom(0 as const, 0 as const, 1 as const, 2 as const, 3 as const),
  shrink: sp(10),
  shrinkOrder: fc.constantFrom(0 as const, 0 as const, 1 as const, 2 as const, 3 as const),
});
const SPACING: LineSpacing = {
  baselineSkip: glue(12 * PT),
  lineSkip: glue(PT),
  lineSkipLimit: 0,
};
const line = (height: Sp, depth: Sp, spacing = SPACING): VItem => ({
  kind: 'line',
  box: boxOf(100 * PT, height, depth, []),
  x: 0,
  spacing,
  labels: [],
});
const vitem: fc.Arbitrary<VItem> = fc.oneof(
  { weight: 4, arbitrary: fc.tuple(sp(15), sp(6)).map(([height, depth]) => line(height, depth)) },
  { weight: 3, arbitrary: glueItem.map((g): VItem => ({ kind: 'glue', glue: g })) },
  { weight: 1, arbitrary: glueItem.map((g): VItem => ({ kind: 'addvspace', glue: g })) },
  { weight: 1, arbitrary: fc.constant<VItem>({ kind: 'nointerline' }) },
  {
    weight: 1,
    arbitrary: fc
      .integer({ min: -100, max: 100 })
      .map((penalty): VItem => ({ kind: 'penalty', penalty })),
  },
  {
    weight: 1,
    arbitrary: sp(2).map((height): VItem => ({
      kind: 'rule',
      x: 0,
      width: 50 * PT,
      height,
      color: 0,
    })),
  },
);
const items = fc.array(vitem, { maxLength: 12 });
const glues = (elements: readonly Element[]): Glue[] =>
  elements.flatMap((element) => (element.kind === 'glue' ? [element.glue] : []));
const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

describe('setting glue', () => {
  it('gives just what is missing, or as much as it can and says what is over', () => {
    fc.assert(
      fc.property(
        fc.array(glueItem, { maxLength: 8 }),
        fc.integer({ min: -60 * PT, max: 60 * PT }),
        (list, missing) => {
          const set = setGlue(list, missing);
          const given = sum(list.map((g) => giveOf(g, set)));
          const canGive = list.some((g) => (missing > 0 ? g.stretch : g.shrink) > 0);
          if (!canGive) expect(given).toBe(0);
          else expect(Math.abs(given - missing - set.overfull)).toBeLessThan(2);
        },
      ),
      RUNS,
    );
  });
  it('takes from the highest order of infinity only', () => {
    fc.assert(
      fc.property(fc.array(glueItem, { minLength: 1, maxLength: 8 }), sp(60), (list, missing) => {
        const set = setGlue(list, missing);
        const highest = Math.max(
          0,
          ...list.filter((g) => g.stretch > 0).map((g) => g.stretchOrder),
        );
        for (const g of list) if (g.stretchOrder < highest) expect(giveOf(g, set)).toBe(0);
      }),
      RUNS,
    );
  });
  it('never shrinks finite glue below what it may', () => {
    fc.assert(
      fc.property(fc.array(glueItem, { maxLength: 8 }), sp(90), (list, over) => {
        const finite = list.map((g): Glue => ({ ...g, shrinkOrder: 0 }));
        const set = setGlue(finite, -over);
        for (const g of finite) expect(giveOf(g, set)).toBeGreaterThanOrEqual(-g.shrink - 1e-6);
        expect(set.overfull).toBeCloseTo(Math.max(0, over - sum(finite.map((g) => g.shrink))), 3);
      }),
      RUNS,
    );
  });
  it.each([
    ['nothing is missing', [glue(PT, PT, PT)], 0, 0],
    ['it stretches evenly', [glue(0, 2 * PT), glue(0, 6 * PT)], 4 * PT, 3 * PT],
    [
      'fil takes all',
      [glue(0, 2 * PT), { ...glue(0, PT), stretchOrder: 1 as const }],
      4 * PT,
      4 * PT,
    ],
    ['shrink stops at what it may', [glue(0, 0, PT), glue(0, 0, PT)], -9 * PT, -PT],
  ])('%s', (_what, list, missing, last) => {
    const set = setGlue(list, missing);
    expect(giveOf(list.at(-1) as Glue, set)).toBeCloseTo(last, 3);
  });
  it('rigid gives nothing', () => {
    fc.assert(
      fc.property(glueItem, (g) => {
        expect(giveOf(g, RIGID)).toBe(0);
      }),
      RUNS,
    );
  });
});

describe('what a vertical list gives', () => {
  it.each([
    ['twelve points from baseline to baseline', 7, 2, 3],
    ['a line that is too high for that stands a point below', 11, 2, 1],
    ['just room enough', 10, 2, 0],
  ])('%s', (_what, height, depth, gap) => {
    expect(interline(SPACING, depth * PT, height * PT).width).toBe(gap * PT);
    const elements = elementsOf([line(5 * PT, depth * PT), line(height * PT, 0)]);
    expect(glues(elements).map(({ width }) => width)).toEqual([gap * PT]);
  });
  it('has no space between lines behind a rule, or where it was asked for none', () => {
    const rule: VItem = { kind: 'rule', x: 0, width: PT, height: PT, color: 0 };
    expect(glues(elementsOf([line(PT, 0), rule, line(PT, 0)]))).toEqual([]);
    expect(glues(elementsOf([line(PT, 0), { kind: 'nointerline' }, line(PT, 0)]))).toEqual([]);
  });
  it.each([
    [[6, 9], [6, -6, 9], 'the larger takes the place of the smaller'],
    [[9, 6], [9], 'a smaller one adds nothing'],
    [[9, -4], [9, -9, 5], 'what is negative is added'],
    [[-4, 9], [-4, 4, 9], 'what is negative gives way'],
    [[0, 9], [0, 9], 'to no space it is added'],
    [[3, 5, 8], [3, -3, 5, -5, 8], 'one after another'],
  ])('of spaces that merge, %j pt give %j: %s', (given, expected) => {
    const spaces = given.map((width): VItem => ({ kind: 'addvspace', glue: glue(width * PT) }));
    expect(glues(elementsOf(spaces)).map(({ width }) => width / PT)).toEqual(expected);
  });
  it('replaces stretch and shrink too', () => {
    const space = (width: number, stretch: number): VItem => ({
      kind: 'addvspace',
      glue: glue(width * PT, stretch * PT, stretch * PT),
    });
    const sums = glues(elementsOf([space(6, 2), space(9, 1)])).reduce(
      (sum, { stretch, shrink }) => [sum[0] + stretch / PT, sum[1] + shrink / PT] as const,
      [0, 0] as readonly [number, number],
    );
    expect(sums).toEqual([1, 1]);
  });
  it.each([
    [true, [12, -12, 12], 'before the space at the end (\\addpenalty)'],
    [false, [12], 'behind it (\\penalty)'],
  ])('puts a penalty %s: %j %s', (added, expected) => {
    const list: VItem[] = [
      { kind: 'glue', glue: glue(12 * PT) },
      { kind: 'penalty', penalty: -51, added },
    ];
    const elements = elementsOf(list);
    expect(glues(elements).map(({ width }) => width / PT)).toEqual(expected);
    expect(elements.findIndex(({ kind }) => kind === 'penalty')).toBe(added ? 2 : 1);
  });
  it('forgets the space before a line', () => {
    const space: VItem = { kind: 'addvspace', glue: glue(9 * PT) };
    const widths = glues(elementsOf([space, line(7 * PT, 0), space])).map(({ width }) => width);
    expect(widths).toEqual([9 * PT, 9 * PT]);
  });
  it('is no other when it is read in two parts by one reader, nor loses anything', () => {
    fc.assert(
      fc.property(items, (list) => {
        const elements = elementsOf(list);
        const kept = (kind: string): number => list.filter((item) => item.kind === kind).length;
        expect(elements.filter((e) => e.kind === 'box')).toHaveLength(kept('line') + kept('rule'));
        expect(elements.filter((e) => e.kind === 'penalty')).toHaveLength(kept('penalty'));
      }),
      RUNS,
    );
  });
});

describe('a stack', () => {
  it('is as high as its natural size says when nothing is asked of it', () => {
    fc.assert(
      fc.property(items, sp(20), (list, topSkip) => {
        const elements = elementsOf(list);
        const { height, depth } = stack(elements, topSkip, null);
        expect({ height, depth }).toEqual(naturalSize(elements, topSkip));
      }),
      RUNS,
    );
  });
  it('fills the height it is given, when its glue can', () => {
    fc.assert(
      fc.property(items, fc.integer({ min: -30 * PT, max: 60 * PT }), (list, more) => {
        const elements = elementsOf(list);
        const wanted = naturalSize(elements, 0).height + more;
        const set = setGlue(glues(elements), more);
        const able = more === 0 || (set.overfull === 0 && set.ratio !== 0);
        const made = stack(elements, 0, wanted);
        if (able) expect(Math.abs(made.height - wanted)).toBeLessThan(4);
        else expect(made.height).toBeGreaterThanOrEqual(Math.min(wanted, made.height));
      }),
      RUNS,
    );
  });
  it('places no box above another where all glue is positive, and the first below its top', () => {
    fc.assert(
      fc.property(items, sp(20), (list, topSkip) => {
        const positive = list.filter((item) => !('glue' in item) || item.glue.width >= 0);
        const { boxes } = stack(elementsOf(positive), topSkip, null);
        const [first] = boxes;
        if (first) expect(first.y).toBeGreaterThanOrEqual(Math.max(0, first.box.height));
        for (let i = 1; i < boxes.length; i++) {
          const [above, below] = [boxes[i - 1], boxes[i]];
          if (above && below)
            expect(below.y - below.box.height).toBeGreaterThanOrEqual(
              above.y + above.box.depth - 1,
            );
        }
      }),
      RUNS,
    );
  });
  it('with a ragged bottom keeps finite glue as it is when there is room', () => {
    const elements = elementsOf([
      line(7 * PT, 0),
      { kind: 'glue', glue: glue(4 * PT, 9 * PT) },
      line(7 * PT, 0),
    ]);
    const natural = naturalSize(elements, 0).height;
    expect(stack(elements, 0, natural + 30 * PT, true).height).toBe(natural);
    expect(stack(elements, 0, natural + 30 * PT, false).height).toBeCloseTo(natural + 30 * PT, 0);
  });
  it('knows which element each box was, and where its marks stand', () => {
    const mark: VItem = { kind: 'mark', mark: { kind: 'label', name: 'a' } as never };
    const made = stack(elementsOf([line(7 * PT, PT), mark, line(7 * PT, 0)]), 10 * PT, null);
    expect(made.boxes.map(({ index }) => index)).toEqual([0, 3]);
    expect(made.marks.map(({ y }) => y)).toEqual([10 * PT]);
  });
});
