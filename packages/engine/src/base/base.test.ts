import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatPt, glue, MAX_DIMEN, PT, pt, sameGlue, scaleGlue, toBp, UNITS } from './lengths';
import { editDistance, nearestName, nearestNames } from './nearest';
import { cover } from './spans';

describe('lengths', () => {
  it('print as TeX prints them', () => {
    expect(formatPt(pt(345))).toBe('345.0pt');
    expect(formatPt(pt(0.4))).toBe('0.4pt');
    expect(formatPt(-pt(2.5))).toBe('-2.5pt');
    expect(formatPt(1)).toBe('0.00002pt');
    expect(formatPt(MAX_DIMEN)).toBe('16383.99998pt');
  });
  it('print so that reading them back gives the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: -MAX_DIMEN, max: MAX_DIMEN }), (length) => {
        expect(Math.round(parseFloat(formatPt(length)) * PT)).toBe(length);
      }),
    );
  });
  it('convert between units as the trade does', () => {
    expect(toBp(UNITS.in as number)).toBeCloseTo(72, 9);
    expect((UNITS.cm as number) * 2.54).toBeCloseTo(UNITS.in as number, 3);
    expect((UNITS.cc as number) / (UNITS.dd as number)).toBeCloseTo(12, 9);
  });
  it('scale glue in all its parts', () => {
    expect(sameGlue(scaleGlue(glue(10, 4, 2), 0.5), glue(5, 2, 1))).toBe(true);
    expect(sameGlue(glue(1), glue(1, 1))).toBe(false);
  });
});

describe('near names', () => {
  it('counts a swap of neighbours as one edit', () => {
    expect(editDistance('theroem', 'theorem')).toBe(1);
    expect(editDistance('alpha', 'alpha')).toBe(0);
    expect(editDistance('a', 'abcdefgh', 2)).toBe(3);
  });
  it('is symmetric, and zero only for the same name', () => {
    const name = fc.string({ minLength: 0, maxLength: 6 });
    fc.assert(
      fc.property(name, name, (a, b) => {
        expect(editDistance(a, b, 9)).toBe(editDistance(b, a, 9));
        expect(editDistance(a, b, 9) === 0).toBe(a === b);
      }),
    );
  });
  it('finds the one meant', () => {
    expect(nearestName('vaphi', ['phi', 'varphi', 'alpha'])).toBe('varphi');
    expect(nearestName('itemise', ['itemize', 'enumerate'])).toBe('itemize');
    expect(nearestName('xyzzy', ['alpha', 'beta'])).toBeNull();
    expect(nearestName('fraq', ['frac', 'Frac'])).toBe('frac');
    expect(nearestNames('lable', ['table', 'label', 'cable', 'labels'], 3)).toEqual([
      'label',
      'cable',
      'table',
    ]);
    expect(nearestNames('lable', ['table', 'label', 'cable'], 1)).toEqual(['label']);
  });
});

it('covers two spans with one', () => {
  expect(cover({ from: 3, to: 5 }, { from: 1, to: 4 })).toEqual({ from: 1, to: 5 });
});
