import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gridOf, inSteps, movedCoordinate, readCoordinate } from './coordinates';

describe('a coordinate', () => {
  it.each([
    ['1,2', 0.5, { x: 1, y: 0 }, '2,2'],
    ['1,2', 0.5, { x: 0.3, y: -0.2 }, '1.5,2'],
    ['1, 2', 0.1, { x: 0.32, y: -2.04 }, '1.3, 0'],
    [' -1.5cm , 3mm ', 0.5, { x: 0.5, y: 1 }, ' -1cm , 4mm '],
    ['.5,+2', 0.25, { x: 0.25, y: 0 }, '0.75,2'],
    ['0:2', 0.5, { x: 0, y: 2 }, '45:3'],
    ['90:1cm', 0.5, { x: 0, y: 1 }, '90:2cm'],
    ['350:2', 0.5, { x: 0, y: 0.5 }, '365:2'],
    ['{1+1},2', 0.5, { x: 1, y: 1 }, '{1+1},2'],
    ['A', 0.5, { x: 1, y: 1 }, 'A'],
  ])('(%s) on a grid of %s, moved by %o', (text, grid, by, wanted) => {
    expect(movedCoordinate(text, by, grid)).toBe(wanted);
  });

  it('that is not moved stays as it is, but for how its numbers are written', () => {
    const number = fc.integer({ min: -400, max: 400 }).map((n) => n / 4);
    fc.assert(
      fc.property(number, number, fc.constantFrom('', 'cm', 'mm'), (x, y, unit) => {
        const text = `${x}${unit},${y}${unit}`;
        expect(movedCoordinate(text, { x: 0, y: 0 }, 0.25)).toBe(text);
      }),
    );
  });

  it('moved and moved back stands where it stood', () => {
    const number = fc.integer({ min: -40, max: 40 });
    fc.assert(
      fc.property(number, number, number, number, (x, y, dx, dy) => {
        const there = movedCoordinate(`${x},${y}`, { x: dx / 2, y: dy / 2 }, 0.5);
        const back = movedCoordinate(there, { x: -dx / 2, y: -dy / 2 }, 0.5);
        expect(readCoordinate(back)?.numbers).toEqual([x + 0, y + 0]);
      }),
    );
  });
});

it.each([
  [['1,2', '0,0'], 0.5],
  [['1,2.5', '30:2'], 0.5],
  [['1,.75'], 0.25],
  [['1.2,0'], 0.1],
  [['1.25,0.1'], 0.05],
  [['1.234,0'], 0.01],
  [['A', '{x},2'], 0.5],
  [[], 0.5],
])('the grid of %o is %s', (coordinates, wanted) => {
  expect(gridOf(coordinates)).toBe(wanted);
});

it('steps that are turned, slanted or stretched lead to every place', () => {
  const number = fc.double({ min: -50, max: 50, noNaN: true });
  fc.assert(
    fc.property(number, number, number, number, number, number, (ax, ay, bx, by, x, y) => {
      fc.pre(Math.abs(ax * by - ay * bx) > 0.1);
      const many = inSteps(
        [
          { x: ax, y: ay },
          { x: bx, y: by },
        ],
        { x, y },
      );
      expect(ax * (many?.x ?? NaN) + bx * (many?.y ?? NaN)).toBeCloseTo(x, 3);
      expect(ay * (many?.x ?? NaN) + by * (many?.y ?? NaN)).toBeCloseTo(y, 3);
    }),
  );
});

it('steps on one line lead nowhere', () => {
  expect(
    inSteps(
      [
        { x: 1, y: 1 },
        { x: 2, y: 2 },
      ],
      { x: 1, y: 0 },
    ),
  ).toBeNull();
});
