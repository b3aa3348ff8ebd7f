import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calloutOutline } from './callouts';

const corners = (path: ReturnType<typeof calloutOutline>) =>
  path.flatMap((part) => (part.kind === 'close' ? [] : [part.to]));

describe('the outline of a callout', () => {
  it.each(['rectangle', 'ellipse'] as const)('reaches the point it points to: %s', (kind) => {
    const place = fc.integer({ min: -300, max: 300 });
    fc.assert(
      fc.property(place, place, (x, y) => {
        const path = calloutOutline({ kind, halfWidth: 40, halfHeight: 20, wedge: 10 }, { x, y });
        const reached = corners(path).some((point) => point.x === x && point.y === y);
        const inside =
          kind === 'rectangle'
            ? Math.abs(x) <= 40 && Math.abs(y) <= 20
            : Math.hypot(x / 40, y / 20) <= 1;
        const corner = Math.abs(x) === 40 && Math.abs(y) === 20;
        if (!corner) expect(reached).toBe(!inside);
        expect(path.at(-1)?.kind).toBe('close');
        for (const point of corners(path)) expect(Number.isFinite(point.x + point.y)).toBe(true);
      }),
    );
  });

  it('leaves a box by the side that the point lies beyond', () => {
    const path = calloutOutline(
      { kind: 'rectangle', halfWidth: 40, halfHeight: 20, wedge: 10 },
      { x: 0, y: -60 },
    );
    const at = corners(path);
    const tip = at.findIndex(({ y }) => y === -60);
    expect([at[tip - 1], at[tip + 1]]).toEqual([
      { x: -5, y: -20 },
      { x: 5, y: -20 },
    ]);
  });
});
