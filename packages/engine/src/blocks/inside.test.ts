import { expect, it } from 'vitest';
import type { Box, Item } from '../boxes/box';
import { anchorsOf } from './inside';

const anchor = (label: string): Item => ({ kind: 'anchor', label, width: 0, height: 0, depth: 0 });
const boxOf = (items: readonly Item[]): Box => ({
  kind: 'box',
  width: 0,
  height: 0,
  depth: 0,
  children: items.map((item) => ({ x: 0, y: 0, item })),
});

it('finds the labels of boxes in boxes in reading order, however often it is asked', () => {
  const inner = boxOf(Array.from({ length: 50 }, (_, i) => anchor(`i${i}`)));
  const outer = boxOf([anchor('first'), inner, boxOf([inner]), anchor('last')]);
  const inside = anchorsOf(inner);
  expect(inside).toHaveLength(50);
  for (let again = 0; again < 2; again++)
    expect(anchorsOf(outer)).toEqual(['first', ...inside, ...inside, 'last']);
});

it('looks at each box once, not once for each level that stands around it', () => {
  let looks = 0;
  const watched = (items: readonly Item[]): Box => {
    const box = boxOf(items);
    const { children } = box;
    return Object.defineProperty({ ...box }, 'children', {
      get: () => (looks++, children),
      enumerable: true,
    });
  };
  let box = watched([anchor('deep'), ...Array.from({ length: 40 }, (_, i) => anchor(`l${i}`))]);
  for (let level = 0; level < 100; level++) {
    box = watched([box]);
    anchorsOf(box);
  }
  expect(looks).toBeLessThanOrEqual(101);
});
