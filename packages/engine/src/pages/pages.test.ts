import { describe, expect, it } from 'vitest';
import { glue, NO_GLUE, PT } from '../base/lengths';
import { boxOf } from '../boxes/box';
import type { VItem } from '../boxes/vertical';
import type { PageGeometry } from '../document/page';
import { buildPage, FIRST_PAGE, type PageStart } from './build';
import type { Page } from './page';

const GEOMETRY: PageGeometry = {
  paperWidth: 300 * PT,
  paperHeight: 300 * PT,
  left: 50 * PT,
  top: 50 * PT,
  textWidth: 200 * PT,
  textHeight: 100 * PT,
  topSkip: 10 * PT,
  footSkip: 30 * PT,
  headSep: 20 * PT,
  evenLeft: 50 * PT,
  twoSided: false,
  floats: {
    topNumber: 2,
    bottomNumber: 1,
    totalNumber: 3,
    topFraction: 0.7,
    bottomFraction: 0.3,
    textFraction: 0.2,
    pageFraction: 0.5,
    between: glue(12 * PT),
    text: glue(20 * PT),
    inText: glue(12 * PT),
    footnotes: glue(9 * PT),
    footnoteRule: true,
  },
  maxDepth: 5 * PT,
  raggedBottom: true,
  footSize: 10 * PT,
};
const spacing = { baselineSkip: glue(12 * PT), lineSkip: glue(PT), lineSkipLimit: 0 };
const line = (height = 7, depth = 2): VItem => ({
  kind: 'line',
  box: boxOf(200 * PT, height * PT, depth * PT, []),
  x: 0,
  spacing,
  labels: [],
});

function pages(items: readonly VItem[], geometry = GEOMETRY) {
  const blocks = [{ id: 7, items }];
  const out: Page[] = [];
  for (let next: PageStart | null = FIRST_PAGE; next;) {
    const built = buildPage(blocks, next, geometry);
    if (!built) break;
    if (built.page) out.push(built.page);
    next = built.next;
  }
  return out;
}
const ys = (page: { placed: readonly { y: number }[] }): number[] =>
  page.placed.map(({ y }) => y / PT);

describe('pages', () => {
  it('set lines a line distance apart, from the top skip on', () => {
    expect(ys(pages([line(), line()])[0] as never)).toEqual([60, 72]);
  });
  it('keep a least distance between tall lines', () => {
    expect(ys(pages([line(7, 9), line(9)])[0] as never)).toEqual([60, 60 + 9 + 1 + 9]);
  });
  it('are full when no further line fits', () => {
    const all = pages(Array.from({ length: 20 }, () => line()));
    expect(all.map(({ placed }) => placed.length)).toEqual([8, 8, 4]);
    expect(all.map(({ folio }) => folio)).toEqual(['1', '2', '3']);
  });
  it('do not break where that is forbidden', () => {
    const items = Array.from({ length: 10 }, () => line()).flatMap((l, i): VItem[] =>
      i === 7 ? [l, { kind: 'penalty', penalty: 10000 }] : [l],
    );
    expect(pages(items).map(({ placed }) => placed.length)).toEqual([7, 3]);
  });
  it('break where they must, and drop space at their top', () => {
    const items: VItem[] = [
      line(),
      { kind: 'penalty', penalty: -10000 },
      { kind: 'glue', glue: glue(40 * PT) },
      line(),
    ];
    const [, second] = pages(items);
    expect(ys(second as never)).toEqual([60]);
  });
  it('let the larger of two spaces count', () => {
    const space = (n: number): VItem => ({ kind: 'addvspace', glue: glue(n * PT) });
    expect(ys(pages([line(), space(5), space(9), line()])[0] as never)).toEqual([60, 81]);
  });
  it('shrink to fit, and stretch only when their bottoms are to be even', () => {
    const items = Array.from({ length: 9 }, () => line()).flatMap((l): VItem[] => [
      l,
      { kind: 'glue', glue: glue(0, 2 * PT, PT) },
    ]);
    const [shrunk] = pages(items);
    expect(shrunk?.placed.length).toBe(9);
    expect(ys(shrunk as never).at(-1) as number).toBeLessThanOrEqual(150.001);
    const few = items.slice(0, 14);
    const forced: VItem[] = [...few, { kind: 'penalty', penalty: -10000 }, line()];
    const even = pages(forced, { ...GEOMETRY, raggedBottom: false })[0];
    expect(ys(even as never).at(-1) as number).toBeGreaterThan(
      ys(pages(forced)[0] as never).at(-1) as number,
    );
  });
});

it('nothing gives no page', () => {
  expect(pages([{ kind: 'glue', glue: NO_GLUE }])).toEqual([]);
});
