import { describe, expect, it } from 'vitest';
import { glue, PT, type Sp } from '../base/lengths';
import { boxOf } from '../boxes/box';
import { elementsOf } from '../boxes/elements';
import type { FloatVItem, VItem } from '../boxes/vertical';
import type { FloatRules, PageGeometry } from '../document/page';
import { balance } from './balance';
import { buildPage, FIRST_PAGE, type PageStart } from './build';
import { bestSplit } from './cost';

import { floatColumn, placeFloat, type FloatArea } from './floats';
import { numberText } from './numbers';
import type { Page } from './page';

const RULES: FloatRules = {
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
};
const GEOMETRY: PageGeometry = {
  paperWidth: 400 * PT,
  paperHeight: 600 * PT,
  left: 50 * PT,
  evenLeft: 80 * PT,
  top: 50 * PT,
  textWidth: 300 * PT,
  textHeight: 500 * PT,
  topSkip: 10 * PT,
  headSep: 20 * PT,
  footSkip: 30 * PT,
  maxDepth: 5 * PT,
  raggedBottom: true,
  twoSided: false,
  footSize: 10 * PT,
  floats: RULES,
};
const spacing = { baselineSkip: glue(12 * PT), lineSkip: glue(PT), lineSkipLimit: 0 };
const line = (height = 7, depth = 2): VItem => ({
  kind: 'line',
  box: boxOf(300 * PT, height * PT, depth * PT, []),
  x: 0,
  spacing,
  labels: [],
});
const float = (points: number, placement = 'tbp', type = 'figure'): FloatVItem => ({
  kind: 'float',
  type,
  placement,
  wide: false,
  items: [line(points, 0)],
  box: boxOf(300 * PT, 0, points * PT, []),
});
const area = (): FloatArea => ({
  rules: RULES,
  height: 500 * PT,
  top: [],
  bottom: [],
  here: 0,
  topClosed: false,
  waiting: [],
});
const goal: Sp = 500 * PT;

function pages(items: readonly VItem[], geometry = GEOMETRY): Page[] {
  const out: Page[] = [];
  for (let next: PageStart | null = FIRST_PAGE; next;) {
    const built = buildPage([{ id: 1, items }], next, geometry);
    if (!built) break;
    if (built.page) out.push(built.page);
    next = built.next;
  }
  return out;
}
const lines = (n: number): VItem[] => Array.from({ length: n }, () => line());

describe('where a float goes', () => {
  it('is here when that is asked and there is room', () => {
    expect(placeFloat(area(), float(100, 'ht'), 100 * PT, goal)).toBe('here');
    expect(placeFloat(area(), float(100, 'ht'), 450 * PT, goal)).toBe('wait');
  });
  it('is the top before the bottom, within their fractions', () => {
    expect(placeFloat(area(), float(100), 50 * PT, goal)).toBe('top');
    expect(placeFloat(area(), float(360), 50 * PT, goal)).toBe('wait');
    expect(placeFloat(area(), float(100, 'b'), 50 * PT, goal)).toBe('bottom');
    expect(placeFloat(area(), float(200, 'b'), 50 * PT, goal)).toBe('wait');
    expect(placeFloat(area(), float(360, '!t'), 50 * PT, goal)).toBe('top');
  });
  it('is behind those of its kind that wait, not behind others', () => {
    const waiting = { ...area(), waiting: [float(400)] };
    expect(placeFloat(waiting, float(10), 0, goal)).toBe('wait');
    expect(placeFloat(waiting, float(10, 'tbp', 'table'), 0, goal)).toBe('top');
  });
  it('is not the top when two stand there, or none may', () => {
    expect(placeFloat({ ...area(), top: [float(9), float(9)] }, float(9, 't'), 0, goal)).toBe(
      'wait',
    );
    expect(placeFloat({ ...area(), topClosed: true }, float(9, 't'), 0, goal)).toBe('wait');
  });
  it('may be a page of its own when it fills half of it, or when all are to go', () => {
    expect(floatColumn([float(300)], goal, RULES, false)).toHaveLength(1);
    expect(floatColumn([float(100)], goal, RULES, false)).toHaveLength(0);
    expect(floatColumn([float(100)], goal, RULES, true)).toHaveLength(1);
    expect(floatColumn([float(300, 't')], goal, RULES, false)).toHaveLength(0);
  });
});

describe('pages with floats', () => {
  it('have them at the top, the text below with its space', () => {
    const [page] = pages([line(), float(100, 't'), line()]);
    const ys = (page?.placed ?? []).map(({ y }) => y / PT);
    expect(ys[0]).toBeCloseTo(150, 5);
    expect(ys[1]).toBeCloseTo(150 + 20 + 10, 5);
  });
  it('flush them at the end', () => {
    const all = pages([...lines(3), float(400, 'p'), float(300, 'p')]);
    expect(all.length).toBe(3);
  });
  it('never lose one, whatever their sizes', () => {
    const items = [
      ...lines(10),
      float(50),
      ...lines(30),
      float(200, 'b'),
      float(450),
      ...lines(60),
      float(20, 'h'),
    ];
    const placed = pages(items).flatMap((page) => page.placed);
    expect(
      placed.filter(({ box }) => [50, 200, 450, 20].includes(Math.round(box.height / PT))),
    ).toHaveLength(4);
    expect(placed).toHaveLength(104);
  });
});

describe('notes', () => {
  const note = (n: number): VItem => ({
    kind: 'footnote',
    items: Array.from({ length: n }, () => line(6, 2)),
  });
  it('stand below the text under their rule', () => {
    const [page] = pages([line(), note(2), line()]);
    const ys = (page?.placed ?? []).map(({ y }) => y / PT);
    expect(ys).toHaveLength(5); // two lines, the rule, two lines of the note
    expect(Math.max(...ys)).toBe(ys.at(-1));
  });
  it('make the page that much shorter', () => {
    const plain = pages(lines(41))[0]?.placed.length ?? 0;
    const noted = pages([line(), note(5), ...lines(40)])[0]?.placed.length ?? 0;
    expect(noted - 6).toBeLessThan(plain - 4);
  });
  it('are cut when they are longer than the room, and go on', () => {
    const all = pages([...lines(35), note(60), ...lines(5)]);
    const placed = all.flatMap((page) => page.placed);
    expect(all.length).toBeGreaterThan(1);
    expect(placed.length).toBeGreaterThanOrEqual(100);
    for (const page of all) expect(page.overfull).toBeLessThanOrEqual(PT);
  });
});

it('a note taller than any page is set all the same, once', () => {
  const tall: VItem = { kind: 'footnote', items: [line(600, 0)] };
  const placed = pages([...lines(35), tall, ...lines(5)]).flatMap((page) => page.placed);
  expect(placed.filter(({ box }) => box.height === 600 * PT)).toHaveLength(1);
});

describe('columns', () => {
  it('split a list where it fills the height best', () => {
    const elements = elementsOf(lines(10));
    const at = bestSplit(elements, 0, 60 * PT, 5 * PT);
    expect(elements.slice(0, at).filter(({ kind }) => kind === 'box').length).toBe(5);
  });
  it('are balanced to about the same height', () => {
    const elements = elementsOf(lines(9));
    const layout = { count: 3, width: 90 * PT, gap: 10 * PT, rule: 0 };
    const set = balance(elements, 0, layout, 400 * PT, 10 * PT);
    expect(set?.columns.map((c) => c.filter(({ kind }) => kind === 'box').length)).toEqual([
      3, 3, 3,
    ]);
  });
  it('on a page are filled one after the other', () => {
    const items: VItem[] = [
      {
        kind: 'columnchange',
        layout: { count: 2, width: 140 * PT, gap: 20 * PT, rule: 0 },
        wide: [],
      },
      ...lines(60),
    ];
    const [page] = pages(items);
    const xs = new Set((page?.placed ?? []).map(({ x }) => x / PT));
    expect([...xs]).toEqual([50, 210]);
  });
});

describe('page numbers', () => {
  it('are written in their style', () => {
    expect(numberText(14, 'arabic')).toBe('14');
    expect(numberText(14, 'roman')).toBe('xiv');
    expect(numberText(1994, 'Roman')).toBe('MCMXCIV');
    expect(numberText(3, 'alph')).toBe('c');
    expect(numberText(3, 'Alph')).toBe('C');
  });
  it('are left and right in a document of two sides', () => {
    const items: VItem[] = [line(), { kind: 'clear', odd: true }, line()];
    const all = pages(items, { ...GEOMETRY, twoSided: true });
    expect(all.map(({ number, placed }) => [number, placed.length])).toEqual([
      [1, 1],
      [2, 0],
      [3, 1],
    ]);
    expect(all[2]?.placed[0]?.x).toBe(50 * PT);
  });
});
