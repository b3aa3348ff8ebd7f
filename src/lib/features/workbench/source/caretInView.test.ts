import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fallsOut } from './caretInView';

describe('the line of the caret, when the view gets lower', () => {
  it.each([
    ['at the top', 100, 100, 700, 300, false],
    ['at the bottom', 700, 100, 700, 300, true],
    ['half below already', 795, 100, 700, 300, false],
    ['above what is shown', 50, 100, 700, 300, false],
    ['in a view that gets higher', 300, 100, 300, 700, false],
    ['in one that stays', 300, 100, 300, 300, false],
  ])('%s', (_, top, from, before, now, wanted) =>
    expect(fallsOut({ top, height: 20 }, from, before, now)).toBe(wanted),
  );
  const px = fc.integer({ min: 0, max: 2000 });
  it('one that falls out was in view, and is not in what is left', () => {
    fc.assert(
      fc.property(px, px, px, px, (top, from, before, now) => {
        if (!fallsOut({ top, height: 20 }, from, before, now)) return;
        expect(top).toBeGreaterThanOrEqual(from);
        expect(top + 20).toBeLessThanOrEqual(from + before);
        expect(top + 20).toBeGreaterThan(from + now);
      }),
    );
  });
});
