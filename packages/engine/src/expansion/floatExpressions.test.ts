import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle } from '../testing/document';
import { floatText, floatValue } from './floatExpressions';

describe('Numbers worked out', () => {
  it.each([
    ['1+2*3', '7'],
    ['2^3^2', '512'],
    ['-2**2', '-4'],
    ['2^-1', '0.5'],
    ['1/3', '0.3333333333333333'],
    ['2pi', '6.283185307179586'],
    ['3(4+1)', '15'],
    ['round(2.345,2)', '2.34'],
    ['round(2.5)', '2'],
    ['round(-1.5)', '-2'],
    ['floor(2.78,1)', '2.7'],
    ['sind 30', '0.5'],
    ['cosd(60)', '0.5'],
    ['max(1,7,3)-min(4,2)', '5'],
    ['fact(5)', '120'],
    ['1 < 2 ? 10 : 20', '10'],
    ['(1 > 2) || (3 != 3)', '0'],
    ['!0 && 4', '4'],
    ['1cm', '28.45275590551181'],
    ['1e3 + .5', '1000.5'],
    ['10^20', '1e20'],
    ['1/0', 'inf'],
    ['sqrt(-1)', 'nan'],
    ['0.1+0.2', '0.3'],
    ['100000', '100000'],
  ])('%s is %s', (text, value) => {
    expect(floatText(floatValue(text))).toBe(value);
  });

  it('any sum and product of whole numbers, as they are', () => {
    const whole = fc.integer({ min: -1000, max: 1000 });
    fc.assert(
      fc.property(whole, whole, whole, (a, b, c) => {
        expect(floatText(floatValue(`(${a})+(${b})*(${c})`))).toBe(String(a + b * c));
      }),
    );
  });

  it('never fails in another way than by saying where', () => {
    const word = fc.constantFrom(
      '1',
      '(',
      ')',
      '+',
      '*',
      '^',
      'sin',
      'pi',
      ',',
      '?',
      ':',
      '<',
      'x',
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 12 }), (words) => {
        try {
          expect(typeof floatValue(words.join(' '))).toBe('number');
        } catch (error) {
          expect(error).toHaveProperty('word');
        }
      }),
    );
  });
});

describe('In a document', () => {
  it.each([
    ['\\fpeval{round(22/7,3)}', '3.143'],
    ['\\newcounter{n}\\setcounter{n}{4}\\fpeval{\\value{n}^2}', '16'],
    ['\\newlength\\w\\setlength\\w{3pt}\\fpeval{2*\\w}', '6'],
    ['\\inteval{2*(3+4)}', '14'],
    ['\\dimeval{1pt+2pt}', '3.0pt'],
    ['\\edef\\x{\\fpeval{1+1}}\\x', '2'],
  ])('%s prints %s', (body, printed) => {
    expect(bodyLines(body)[0]).toBe(printed);
  });
  it('what cannot be read is told where it stands', () => {
    const [found] = findingsIn(inArticle('\\fpeval{2 + tide}'));
    expect(found).toMatchObject({ kind: 'number-missing', at: '\\fpeval' });
  });
});
