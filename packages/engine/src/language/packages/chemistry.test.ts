import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { chemistrySource, physicalSource } from './chemistry';

describe('Chemistry as it is typed', () => {
  it.each([
    ['H2O', '\\mathrm{H}_{2}\\mathrm{O}'],
    ['2H2O', '2\\,\\mathrm{H}_{2}\\mathrm{O}'],
    ['1/2 O2', '\\tfrac{1}{2}\\,\\mathrm{O}_{2}'],
    ['SO4^2-', '\\mathrm{SO}_{4}^{\\mathrm{2-}}'],
    ['Na+', '\\mathrm{Na}^{+}'],
    ['Ca(OH)2', '\\mathrm{Ca}(\\mathrm{OH})_{2}'],
    ['CuSO4*5H2O', '\\mathrm{CuSO}_{4}\\cdot 5\\,\\mathrm{H}_{2}\\mathrm{O}'],
    ['CuSO4.5H2O', '\\mathrm{CuSO}_{4}\\cdot 5\\,\\mathrm{H}_{2}\\mathrm{O}'],
    ['0.5H2O', '0.5\\,\\mathrm{H}_{2}\\mathrm{O}'],
    ['Fe^III', '\\mathrm{Fe}^{\\mathrm{III}}'],
    ['A\\bond{3}B', '\\mathrm{A}{\\equiv}\\mathrm{B}'],
    ['A\\bond{->}B', '\\mathrm{A}{\\rightarrow}\\mathrm{B}'],
    ['B (^)', '\\mathrm{B}\\uparrow '],
    ['^{227}_{90}Th+', '{}^{\\mathrm{227}}_{\\mathrm{90}}\\mathrm{Th}^{+}'],
    ['CH3-CH=O', '\\mathrm{CH}_{3}{-}\\mathrm{CH}{=}\\mathrm{O}'],
    ['A + B', '\\mathrm{A} + \\mathrm{B}'],
    ['A v', '\\mathrm{A}\\downarrow '],
    ['$x$ A', 'x\\mathrm{A}'],
  ])('%s', (text, source) => {
    expect(chemistrySource(text)).toBe(source);
  });
  it.each([
    ['12 kJ', '12\\,\\mathrm{kJ}'],
    ['12 kJ mol-1', '12\\,\\mathrm{kJ}\\,\\mathrm{mol}^{-1}'],
    ['1.2e3 m/s2', '1.2 \\times 10^{3}\\,\\mathrm{m}/\\mathrm{s}^{2}'],
    ['kJ//mol', '\\frac{\\mathrm{kJ}}{\\mathrm{mol}}'],
    ['7', '7'],
  ])('with its unit: %s', (text, source) => expect(physicalSource(text)).toBe(source));
  it.each([
    ['->', '\\xrightarrow'],
    ['<=>', '\\xrightleftharpoons'],
    ['<-', '\\xleftarrow'],
    ['<->', '\\xleftrightarrow'],
  ])('arrows: %s', (arrow, command) => {
    expect(chemistrySource(`A ${arrow} B`)).toContain(command);
    expect(chemistrySource(`A ${arrow}[heat][water] B`)).toContain(
      `${command}[\\ \\mathrm{water}\\ ]{\\ \\mathrm{heat}\\ }`,
    );
  });
  it('stands in text and in formulas', () => {
    const body =
      'a \\ce{2 H2 + O2 ->[\\Delta] 2 H2O} and $K = [\\ce{H3O+}]$ \\[\\ce{SO4^2- + Ba^2+ <=> BaSO4 v}\\]';
    expect(findingsIn(inArticle(body, '\\usepackage[version=4]{mhchem}'))).toEqual([]);
    const { word } = laidBody('\\ce{H2O}', '\\usepackage{mhchem}');
    expect(word('2').size).toBeLessThan(word('H').size);
  });
  it('any scraps end, with braces that match', () => {
    const scrap = fc.constantFrom(
      'H',
      '2',
      '+',
      '-',
      '^',
      '_',
      '{',
      '}',
      '->',
      '[',
      ']',
      ' ',
      '$',
      '*',
      '\\alpha',
      '(',
      ')',
    );
    fc.assert(
      fc.property(fc.array(scrap, { maxLength: 14 }), (scraps) => {
        expect(typeof chemistrySource(scraps.join(''))).toBe('string');
      }),
    );
  });
});
