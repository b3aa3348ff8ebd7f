import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import { testFonts } from '../testing/document';
import { FONT_FILES, fileFor } from './catalog';
import { FontStore } from './store';

const store = new FontStore(testFonts);
const roman = store.file('lmroman10-regular');
const math = store.math();
const spec = {
  family: 'roman',
  series: 'medium',
  shape: 'upright',
  size: 10 * PT,
  color: 0,
  face: 'modern',
  encoding: 'OT1',
} as const;

describe('shaping', () => {
  it('joins ligatures and knows what they stand for', () => {
    const { glyphs } = roman.shape('office');
    expect(glyphs.map((g) => roman.textOf(g))).toEqual(['o', 'ffi', 'c', 'e']);
  });
  it('kerns pairs', () => {
    const apart = roman.shape('A').width + roman.shape('V').width;
    expect(roman.shape('AV').width).toBeLessThan(apart);
  });
  it('turns hyphens and quotes into dashes and quotation marks, not in typewriter', () => {
    const show = (font: typeof roman, text: string) =>
      font
        .shape(text)
        .glyphs.map((g) => font.textOf(g))
        .join('');
    expect(show(roman, "``a---b--c-d''")).toBe('“a—b–c-d”');
    expect(show(store.file('lmmono10-regular'), 'a--b')).toBe('a--b');
  });
  it('says which character a font lacks', () => {
    expect(roman.shape('ab\u4e2d').missing).toBe('\u4e2d');
    expect(roman.shape('ab').missing).toBeNull();
  });
});

describe('the choice of file', () => {
  it.each([
    [5, 'lmroman5-regular'],
    [8, 'lmroman8-regular'],
    [10.95, 'lmroman10-regular'],
    [12, 'lmroman12-regular'],
    [17.28, 'lmroman17-regular'],
  ])('goes by optical size: %d pt', (size, file) => {
    expect(fileFor({ ...spec, size: size * PT })).toBe(file);
  });
  it('has every font it can choose', () => {
    for (const family of ['roman', 'sans', 'mono'] as const)
      for (const series of ['medium', 'bold'] as const)
        for (const shape of ['upright', 'italic', 'slanted', 'caps'] as const)
          for (const size of [5, 7, 8, 9, 10, 12, 20])
            expect(FONT_FILES).toContain(
              fileFor({
                family,
                series,
                shape,
                size: size * PT,
                color: 0,
                face: 'modern',
                encoding: 'OT1',
              }),
            );
  });
});

describe('measures of Computer Modern', () => {
  it('the blank of cmr10 is 3.33 pt plus 1.67 minus 1.11', () => {
    const { width, stretch, shrink } = store.wordSpace(roman);
    expect(width / 100).toBeCloseTo(3.33, 2);
    expect(stretch / 100).toBeCloseTo(1.67, 1);
    expect(shrink / 100).toBeCloseTo(1.11, 2);
  });
  it('the MATH table has the values of cmsy and cmex: axis 2.5 pt, bar 0.4 pt, thin superscripts', () => {
    const { constants } = math.math as NonNullable<typeof math.math>;
    expect(constants.axisHeight).toBe(250);
    expect(constants.fractionRuleThickness).toBe(40);
    expect(constants.superscriptShiftUp).toBe(363);
    expect(constants.superscriptShiftUpCramped).toBe(289);
    expect(constants.scriptPercentScaleDown).toBe(70);
  });
  it('brackets have variants and an assembly', () => {
    const growth = math.math?.vertical.get(math.glyph('('.charCodeAt(0)));
    expect(growth?.variants.length).toBeGreaterThan(3);
    expect(growth?.parts.some((part) => part.extender)).toBe(true);
  });
});

it('a font that is not there yet is asked for, and another stands in', () => {
  const empty = new FontStore((file) => (file === 'lmroman10-regular' ? testFonts(file) : null));
  expect(empty.file('lmroman10-bold').name).toBe('lmroman10-regular');
  expect([...empty.missing]).toEqual(['lmroman10-bold']);
});
