import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ExpressionTrouble,
  NO_SURROUNDINGS,
  readExpression,
  writtenNumber,
  type Value,
} from './arithmetic';

const UNITS = { em: 10, ex: 4.3 };
const read = (text: string) => readExpression(text, UNITS);
const value = (text: string, variables: Readonly<Record<string, Value>> = {}) =>
  read(text).run({ ...NO_SURROUNDINGS, variables });

describe('arithmetic in pictures', () => {
  it.each([
    ['1+2*3', 7],
    ['-2^2', -4],
    ['2^-1', 0.5],
    ['2^3^2', 512],
    ['(1+2)*3', 9],
    ['7/2', 3.5],
    ['- -3', 3],
    ['5!', 120],
    ['3 > 2 ? 10 : 20', 10],
    ['3 < 2 || 1 == 1', 1],
    ['!0 && 2 != 3', 1],
    ['sin(30)', 0.5],
    ['sin 30', 0.5],
    ['cos(90)', 0],
    ['sin(pi/2 r)', 1],
    ['2 r', 114.591559],
    ['atan2(1,1)', 45],
    ['veclen(3,4)', 5],
    ['mod(-7,3)', -1],
    ['Mod(-7,3)', 2],
    ['div(7,2)', 3],
    ['gcd(12,18)', 6],
    ['min(3,1,2)+max(3,1,2)', 4],
    ['ifthenelse(2>1,5,6)', 5],
    ['{10,20,30}[1]', 20],
    ['array({1,2},1)', 2],
    ['dim({1,2,3})', 3],
    ['round(-2.5)', -3],
    ['floor(-2.5)', -3],
    ['int(-2.5)', -2],
    ['exp(0)+ln(1)', 1],
    ['1e2', 100],
    ['.5', 0.5],
    ['1cm', 28.45276],
    ['2em', 20],
    ['sqrt(2)*sqrt(2)', 2],
    ['{3}', 3],
    ['deg(pi)', 180],
    ['isprime(7)', 1],
  ])('%s is %d', (text, wanted) => expect(value(text)).toBeCloseTo(wanted, 5));

  it('knows variables and what the document declares', () => {
    expect(value('2*x+y', { x: 3, y: 1 })).toBe(7);
    const call = (name: string, args: readonly Value[]): Value | null =>
      name === 'f' ? Number(args[0]) ** 2 : null;
    expect(read('f(3)+1').run({ ...NO_SURROUNDINGS, call })).toBe(10);
  });
  it.each([
    ['1+2cm', true],
    ['1+2', false],
    ['2*(1ex)', true],
    ['min(1,2)', false],
  ])('says of %s whether a length stands in it', (text, has) =>
    expect(read(text).hasUnit).toBe(has),
  );
  it.each([
    ['int(3)', true],
    ['1<2', true],
    ['3', false],
    ['int(3)+1', false],
    ['gcd(4,6)', true],
  ])('says of %s whether it is whole by kind', (text, whole) =>
    expect(read(text).integral).toBe(whole),
  );
  it.each(['1+', '(1', '2 3', '{1,', '"a', '', '1 ? 2', ')'])('cannot read %j', (text) =>
    expect(() => value(text)).toThrow(ExpressionTrouble),
  );
  it('names what it does not know', () => {
    expect(() => value('1+wobble(2)')).toThrow(
      expect.objectContaining({ what: 'name', word: 'wobble', at: 2 }) as ExpressionTrouble,
    );
  });
  it.each([
    [3, false, '3.0'],
    [2.5, false, '2.5'],
    [1 / 3, false, '0.33333'],
    [7, true, '7'],
    [-0.000001, false, '0.0'],
    [Infinity, false, '16383.99999'],
  ])('writes %d (%s) as %s', (number, whole, text) =>
    expect(writtenNumber(number, whole)).toBe(text),
  );
  it('ends with a number or a trouble, whatever is written', () => {
    const scraps = fc.constantFrom(
      ...[
        '1',
        '2.5',
        '+',
        '-',
        '*',
        '/',
        '^',
        '(',
        ')',
        '{',
        '}',
        ',',
        '?',
        ':',
        '!',
        'sin',
        'x',
        ' ',
        'cm',
        '<',
        '=',
        '"',
        '[',
        ']',
        'r',
        'rnd',
      ],
    );
    fc.assert(
      fc.property(fc.array(scraps, { maxLength: 14 }), (parts) => {
        try {
          value(parts.join(''), { x: 2 });
        } catch (error) {
          expect(error).toBeInstanceOf(ExpressionTrouble);
        }
      }),
      { numRuns: 400 },
    );
  });
});
