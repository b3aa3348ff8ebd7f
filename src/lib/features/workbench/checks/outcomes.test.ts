import type { ToldStep } from '@odd-compass/checks';
import { toldStep } from '$lib/testing/toldStep';
import { describe, expect, it } from 'vitest';
import { withArithmetic } from './arithmetic';
import { partOf, shownSource, tally } from './outcomes';

const step = (change: Partial<ToldStep> = {}): ToldStep => toldStep(2, change);

describe('a step of a part', () => {
  const at = (text: string): string | null => {
    const from = text.indexOf('¦');
    const place = { from, to: from + 6 };
    return partOf(text.replace('¦', ''), toldStep(from, { left: place, right: place }));
  };
  it.each([
    ['We read ¦\\input{answers/one} here', 'answers/one'],
    ['¦\\include{two}', 'two'],
    ['¦\\import{parts/}{three}', 'three'],
    ['¦\\both{x}', null],
  ])('%s', (text, part) => {
    expect(at(text)).toBe(part);
  });
  it('is not one that stands here', () => {
    expect(partOf('\\input{one} a = b', toldStep(13))).toBe(null);
  });
});

describe('how many steps came out how', () => {
  it.each([
    [[], ''],
    [['holds'], '1 holds'],
    [['holds', 'holds'], '2 hold'],
    [['holds', 'differs'], '1 differs and 1 holds'],
    [
      ['unknown', 'sometimes', 'holds', 'holds'],
      '1 holds only sometimes, 2 hold and 1 cannot be told',
    ],
  ] as const)('%j: %s', (results, said) => {
    expect(tally(results.map((result) => step({ result })))).toBe(said);
  });
});

describe('the source of a step, with what agrees on both sides', () => {
  const text = 'a+b = a+c';
  const sides = { left: { from: 0, to: 3 }, right: { from: 6, to: 9 } };
  it.each([
    [[], ['a+b = a+c']],
    [
      [
        { from: 0, to: 1 },
        { from: 6, to: 7 },
      ],
      ['[a]', '+b = ', '[a]', '+c'],
    ],
    // What reaches over another, or out of the step, is left out.
    [
      [
        { from: 0, to: 2 },
        { from: 1, to: 3 },
        { from: 8, to: 20 },
      ],
      ['[a+]', 'b = a+c'],
    ],
  ])('%j', (agreeing, wanted) => {
    const pieces = shownSource(text, step({ ...sides, agreeing }));
    expect(pieces.map(({ text: piece, agrees }) => (agrees ? `[${piece}]` : piece))).toEqual(
      wanted,
    );
    expect(pieces.map(({ text: piece }) => piece).join('')).toBe(text);
  });
});

it('arithmetic that is wrong is told among the findings, in the order of the text', () => {
  const other = {
    kind: 'label-unused',
    severity: 'advice',
    file: 's.tex',
    from: 9,
    to: 10,
    message: 'm',
    cause: 'c',
  };
  const wrong = step({ sides: ['84', '74'] });
  const told = withArithmetic([other as never], [wrong], 's.tex');
  expect(told.map(({ kind, from, message }) => [kind, from, message])).toEqual([
    ['arithmetic-differs', 0, 'The left side is 84, the right side 74.'],
    ['label-unused', 9, 'm'],
  ]);
  expect(withArithmetic([], [], 's.tex')).toEqual([]);
});
