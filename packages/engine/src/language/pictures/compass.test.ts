import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anchorAway, facing } from './compass';

it.each([
  [0, 'west', 'west'],
  [45, 'south west', 'south west'],
  [-90, 'north', 'north'],
  [450, 'south', 'south'],
  [80, 'south west', 'south'],
  [345, 'north west', 'west'],
])('at %s degrees a label faces by its %s, an arrow ends at %s', (angle, label, arrow) => {
  expect(facing(angle)).toBe(label);
  expect(anchorAway(angle)).toBe(arrow);
});

it('whole turns make no difference', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: -3, max: 3 }),
      fc.integer({ min: 0, max: 359 }),
      (turns, angle) => {
        expect(facing(angle + 360 * turns)).toBe(facing(angle));
        expect(anchorAway(angle + 360 * turns)).toBe(anchorAway(angle));
      },
    ),
  ));
