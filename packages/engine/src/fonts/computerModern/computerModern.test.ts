import katex from '../../../../../node_modules/katex/src/fontMetricsData.js';
import { describe, expect, it } from 'vitest';
import { testFonts } from '../../testing/document';
import type { FontFile } from '../catalog';
import { FontStore } from '../store';
import { metricsOf, type Design } from './design';
import { MEASURES } from './measures';
import { asComputerModernMath } from './mathFont';
import { asComputerModern } from './textFont';

const store = new FontStore(testFonts);
function computerModern(file: FontFile) {
  const font = asComputerModern(store.file(file));
  if (!font) throw new Error(`${file} stands for nothing`);
  return font;
}
/** The kern of a pair, in em. */
const kern = (file: FontFile, pair: string): number => {
  const font = computerModern(file);
  const [left = 0, right = 0] = [...pair].map((char) => font.glyph(char.codePointAt(0) ?? 0));
  return font.kern(left, right) / 1000;
};
const width = (file: FontFile, text: string): number =>
  computerModern(file).shape(text).width / 1000;

describe('the metrics of Computer Modern', () => {
  it.each(Object.keys(MEASURES) as Design[])('are those of the package: %s', (design) => {
    const theirs = Object.entries(katex[design] ?? {});
    const ours = metricsOf(design);
    expect(ours.size).toBe(theirs.length);
    for (const [code, [depth, height, italic, skew, width]] of theirs)
      expect(ours.get(Number(code))).toEqual({ depth, height, italic, skew, width });
  });
  // cmr10.tfm, cmbx10.tfm, cmti10.tfm, cmtt10.tfm.
  it.each([
    ['lmroman10-regular', 'a', 0.5],
    ['lmroman10-regular', 'm', 0.83334],
    ['lmroman10-regular', '“', 0.5],
    ['lmroman9-regular', '“', 0.51389],
    ['lmroman12-regular', 'a', 0.48958],
    ['lmroman12-regular', ' ', 0.32639],
    ['lmroman10-bold', '”', 0.60278],
    ['lmroman12-bold', '”', 0.58102],
    ['lmroman10-italic', 'e', 0.46],
    ['lmroman10-italic', ' ', 0.35778],
    ['lmmono10-regular', 'm', 0.525],
  ] as const)('%s: %s is %f em wide', (file, text, em) => {
    expect(width(file, text)).toBeCloseTo(em, 4);
  });
  it('heights and depths are those of the metrics, not of the outlines', () => {
    const font = computerModern('lmroman10-regular');
    const box = (char: string) => font.box(font.glyph(char.codePointAt(0) ?? 0));
    expect(box('o')).toMatchObject({ height: 430.56, depth: 0 });
    expect(box('C').height).toBeCloseTo(683.33);
    expect(box('8').height).toBeCloseTo(644.44);
    expect(font.xHeight).toBeCloseTo(430.56);
    expect(computerModern('lmroman10-bold').xHeight).toBeCloseTo(444.44);
  });
  it.each(['lmroman10-regular', 'lmroman12-regular', 'lmroman10-bold', 'lmroman9-italic'] as const)(
    'no letter is wider or narrower than it is drawn: %s',
    (file) => {
      const own = store.file(file);
      for (const char of 'abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789.,:;()')
        expect(Math.abs(width(file, char) * 1000 - own.shape(char).width)).toBeLessThan(0.8);
    },
  );
  it('other families have none', () => {
    expect(asComputerModern(store.file('texgyretermes-regular'))).toBeNull();
    expect(asComputerModern(store.file('lmromancaps10-regular'))).toBeNull();
  });
});

describe('kerns of Computer Modern', () => {
  it.each([
    ['ka', -0.0556],
    ['bj', 0.0556],
    ['oj', 0.0556],
    ['AV', -0.1111],
    ['AT', -0.0833],
    ['VA', -0.1111],
    ['To', -0.0833],
    ['Ty', -0.0278],
    ['ow', -0.0278],
    ['ox', -0.0278],
    ['oc', 0.0278],
    ['y.', -0.0833],
    ['’!', 0.1111],
    // Latin Modern has these, Computer Modern has not.
    ...['Ac', 'Ad', 'Au', 'Av', 'Ru', 'Ts', 'Tw', 'Kv', '’.', '.’'].map(
      (pair) => [pair, 0] as const,
    ),
  ] as const)('%s: %f em (cmr10)', (pair, em) => {
    expect(kern('lmroman10-regular', pair)).toBeCloseTo(em, 4);
  });
  it.each([
    ['lmroman10-italic', 'll', 0.0511],
    ['lmroman10-italic', 'oa', -0.0511],
    ['lmroman10-italic', 'Ta', -0.0767],
    ['lmroman10-bold', 'ka', -0.0639],
    ['lmroman12-regular', 'ka', -0.0544],
    ['lmsans10-regular', 'ka', -0.028],
    ['lmsans10-regular', 'va', 0],
    ['lmmono10-regular', 'AV', 0],
  ] as const)('%s, %s: %f em', (file, pair, em) => {
    expect(kern(file, pair)).toBeCloseTo(em, 3);
  });
});

describe('the fonts of a document', () => {
  const spec = {
    family: 'roman',
    series: 'medium',
    shape: 'upright',
    size: 10 * 65536,
    color: 0,
    face: 'modern',
  } as const;
  it('are measured as Computer Modern under OT1, as themselves under T1, and drawn the same', () => {
    const [ot1, t1] = (['OT1', 'T1'] as const).map((encoding) => store.text({ ...spec, encoding }));
    expect(ot1?.shape('“').width).toBeCloseTo(500, 2);
    expect(t1?.shape('“').width).toBe(472);
    expect(ot1?.id).toBe(t1?.id);
    expect(ot1?.shape('AVow').glyphs).toEqual(t1?.shape('AVow').glyphs);
    if (ot1 && t1) expect(store.wordSpace(ot1).width).not.toBe(store.wordSpace(t1).width);
  });
});

describe('the mathematics font of the default face', () => {
  const font = store.math('modern');
  const glyph = (char: string) => font.glyph(char.codePointAt(0) ?? 0);
  // cmmi10.tfm, cmsy10.tfm, cmex10.tfm.
  it.each([
    ['𝑓', { width: 489.59, height: 694.44, depth: 194.44 }, 107.64],
    ['𝑉', { width: 583.33, height: 683.33, depth: 0 }, 222.22],
    ['𝑥', { width: 571.53, height: 430.56, depth: 0 }, 0],
    ['𝐀', { width: 869.44, height: 686.11, depth: 0 }, 0],
    ['−', { width: 777.78, height: 583.33, depth: 83.33 }, 0],
    ['∑', { width: 1055.56, height: 750, depth: 250.01 }, 0],
    // With its correction, by which a subscript moves in.
    ['∫', { width: 666.67, height: 805, depth: 306.12 }, 194.45],
  ] as const)('%s has the metrics of Computer Modern', (char, measures, italic) => {
    const box = font.box(glyph(char));
    for (const [name, value] of Object.entries(measures))
      expect(box[name as 'width']).toBeCloseTo(value, 1);
    expect(font.math?.italics.get(glyph(char)) ?? 0).toBeCloseTo(italic, 1);
  });
  it('has four sizes of brackets besides that of text (cmex10)', () => {
    const sizes = font.math?.vertical.get(glyph('('))?.variants.map(({ advance }) => advance);
    expect(sizes?.slice(1).map(Math.round)).toEqual([1200, 1800, 2400, 3000]);
  });
  it.each([
    [10, 'superscriptShiftUp', 3.62892],
    [10.95, 'superscriptShiftUp', 3.62892 * 1.095],
    [7, 'superscriptShiftUp', 3.0178],
    [9, 'superscriptShiftUp', 3.8233],
    [10, 'fractionNumeratorDisplayStyleShiftUp', 6.76508],
    [10, 'fractionDenominatorShiftDown', 3.44841],
    [10, 'upperLimitBaselineRiseMin', 2],
    [12, 'spaceAfterScript', 0.5],
    [5, 'spaceAfterScript', 0.5],
  ] as const)('at %f pt %s is %f pt', (size, name, pt) => {
    const constants = font.math?.parametersAt?.(size * 65536, false).constants;
    expect(((constants?.[name] ?? 0) * size) / 1000).toBeCloseTo(pt, 2);
  });
  it('calligraphic capitals have their corrections', () => {
    const calligraphic = store.calligraphic('modern');
    expect(calligraphic?.math?.italics.get(calligraphic.glyph(0x42))).toBeCloseTo(30.41);
  });
  it('fonts of other faces go by their own table', () => {
    expect(store.math('termes').math?.parametersAt).toBeUndefined();
  });
});

describe('the signs of formulas', () => {
  const own = store.file('latinmodern-math');
  const taken = asComputerModernMath(own);
  const forms = (code: number): readonly number[] => {
    const glyph = own.glyph(code);
    const variants = own.math?.vertical.get(glyph)?.variants ?? [];
    return glyph === 0 ? [] : [glyph, ...variants.map((variant) => variant.glyph)];
  };
  it('a root hangs from its bar, in all its sizes', () => {
    for (const glyph of forms(0x221a)) expect(taken.box(glyph)).toEqual(own.box(glyph));
  });
  it('none that grows has measures far from where it is drawn', () => {
    const codes = [...(own.math?.vertical.keys() ?? [])];
    const far = codes.filter((glyph) => {
      const [drawn, measured] = [own.box(glyph), taken.box(glyph)];
      const middle = ({ height, depth }: { height: number; depth: number }): number =>
        (height - depth) / 2;
      return Math.abs(middle(drawn) - middle(measured)) > 90;
    });
    expect(far).toEqual([]);
  });
});
