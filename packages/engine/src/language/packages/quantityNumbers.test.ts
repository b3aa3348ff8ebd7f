import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { angleSource, numberSource, numberWritten, readNumber } from './quantityNumbers';
import { DEFAULTS, type Settings } from './quantitySettings';
import { unitSource } from './quantityUnits';

const set = (settings: Settings = {}): Settings => ({ ...DEFAULTS, ...settings });

/** siunitx manual, sections 3.1 and 4.3 to 4.6: default and options. */
describe('numbers', () => {
  it.each<[string, Settings, string]>([
    ['12345.6', {}, '12\\,345.6'],
    ['1234', {}, '1234'],
    ['0.12345', {}, '0.123\\,45'],
    ['.5', {}, '0.5'],
    ['5.', {}, '5'],
    ['1,5', {}, '1.5'],
    ['1.2e-5', {}, '1.2 \\times 10^{-5}'],
    ['1d3', {}, '1 \\times 10^{3}'],
    ['e3', {}, '10^{3}'],
    ['-e3', {}, '-10^{3}'],
    ['2e0', {}, '2'],
    ['2e0', { 'print-zero-exponent': 'true' }, '2 \\times 10^{0}'],
    ['1e4', { 'print-unity-mantissa': 'false' }, '10^{4}'],
    ['-3', {}, '-3'],
    ['-0', {}, '0'],
    ['+3', {}, '3'],
    ['+3', { 'retain-explicit-plus': '' }, '+3'],
    ['3', { 'print-implicit-plus': 'true' }, '+3'],
    ['-3', { 'bracket-negative-numbers': 'true' }, '(3)'],
    ['-3', { 'negative-color': 'red' }, '{\\color{red}-3}'],
    ['< 5', {}, '< 5'],
    ['>= 5', {}, '\\ge 5'],
    ['\\pm 2', {}, '\\pm 2'],
    ['1.23(4)', {}, '1.23(4)'],
    ['1.23 +- 0.04', {}, '1.23(4)'],
    ['12 +- 0.15', {}, '12.00(15)'],
    ['12.34 +- 1', {}, '12.34(100)'],
    ['1.23(4)', { 'uncertainty-mode': 'separate' }, '1.23\\pm 0.04'],
    ['120(5)', { 'uncertainty-mode': 'separate' }, '120\\pm 5'],
    ['1.23(4)', { 'uncertainty-mode': 'full' }, '1.23(0.04)'],
    ['12.3(12)', { 'uncertainty-mode': 'compact-marker' }, '12.3(1.2)'],
    ['12.3(4)', { 'uncertainty-mode': 'compact-marker' }, '12.3(4)'],
    ['1.23(4)', { 'uncertainty-separator': '\\,' }, '1.23\\,(4)'],
    ['3.5(2)e4', { 'uncertainty-mode': 'separate' }, '(3.5\\pm 0.2) \\times 10^{4}'],
    ['1.23(4)', { 'drop-uncertainty': 'true' }, '1.23'],
    ['3.14159', { 'round-mode': 'places', 'round-precision': '2' }, '3.14'],
    ['3', { 'round-mode': 'places', 'round-precision': '2' }, '3.00'],
    ['3', { 'round-mode': 'places', 'round-precision': '2', 'round-pad': 'false' }, '3'],
    ['2.675', { 'round-mode': 'places', 'round-precision': '2' }, '2.68'],
    ['2.665', { 'round-mode': 'places', 'round-half': 'even' }, '2.66'],
    ['0.00123456', { 'round-mode': 'figures', 'round-precision': '3' }, '0.001\\,23'],
    ['123456', { 'round-mode': 'figures', 'round-precision': '3' }, '123\\,000'],
    ['9.96', { 'round-mode': 'figures', 'round-precision': '2' }, '10'],
    ['9.96', { 'round-mode': 'figures', 'round-precision': '3' }, '9.96'],
    ['1.23456(789)', { 'round-mode': 'uncertainty', 'round-precision': '1' }, '1.235(8)'],
    ['3.00', { 'drop-zero-decimal': 'true' }, '3'],
    ['12', { 'minimum-decimal-digits': '2' }, '12.00'],
    ['7', { 'minimum-integer-digits': '3' }, '007'],
    ['0.5', { 'print-zero-integer': 'false' }, '.5'],
    ['1234', { 'exponent-mode': 'scientific' }, '1.234 \\times 10^{3}'],
    ['0.0012', { 'exponent-mode': 'scientific' }, '1.2 \\times 10^{-3}'],
    ['123456', { 'exponent-mode': 'engineering' }, '123.456 \\times 10^{3}'],
    ['0.00012', { 'exponent-mode': 'engineering' }, '120 \\times 10^{-6}'],
    ['12345', { 'exponent-mode': 'fixed', 'fixed-exponent': '2' }, '123.45 \\times 10^{2}'],
    ['1.5e4', { 'exponent-mode': 'fixed', 'fixed-exponent': '0' }, '15\\,000'],
    ['123', { 'exponent-mode': 'threshold' }, '123'],
    ['12345', { 'exponent-mode': 'threshold' }, '1.2345 \\times 10^{4}'],
    ['3e4', { 'drop-exponent': 'true' }, '3'],
    ['2e4', { 'exponent-product': '\\cdot' }, '2 \\cdot 10^{4}'],
    ['2e4', { 'tight-spacing': 'true' }, '2{\\times}10^{4}'],
    ['2e4', { 'output-exponent-marker': '\\mathrm{e}' }, '2\\mathrm{e}4'],
    ['1.5', { 'output-decimal-marker': ',' }, '1{,}5'],
    ['1234567', { 'group-separator': ',' }, '1{,}234{,}567'],
    ['12345', { 'group-digits': 'none' }, '12345'],
    ['12345.12345', { 'group-digits': 'integer' }, '12\\,345.12345'],
    ['12345.12345', { 'group-digits': 'decimal' }, '12345.123\\,45'],
    ['1234', { 'group-minimum-digits': '4' }, '1\\,234'],
  ])('%s with %j is %s', (text, settings, wanted) => {
    expect(numberWritten(text, set(settings))).toBe(wanted);
  });

  it.each(['x', '1+2i', '2x3', '1.2.3', 'e', '', '1e', '--1'])('“%s” is none', (text) => {
    expect(readNumber(text)).toBeNull();
    expect(numberSource(text, set())).toBe(text);
  });

  it('keep their value whatever their exponent is', () => {
    const modes = fc.constantFrom('input', 'scientific', 'engineering', 'threshold');
    const figures = fc.tuple(fc.integer({ min: 1, max: 99_999 }), fc.integer({ min: 0, max: 6 }));
    fc.assert(
      fc.property(
        figures,
        fc.integer({ min: -6, max: 6 }),
        modes,
        ([value, places], power, mode) => {
          const text = (value / 10 ** places).toFixed(places);
          const source = numberWritten(
            `${text}e${power}`,
            set({ 'exponent-mode': mode, 'group-digits': 'none' }),
          ) as string;
          const [, digits = '', exponent] =
            /^([\d.]+)(?: \\times 10\^\{(-?\d+)\})?$/.exec(source) ?? [];
          const found = Number(`${digits}e${exponent ?? 0}`);
          expect(found / Number(`${text}e${power}`)).toBeCloseTo(1, 9);
          if (mode === 'engineering') expect(Math.abs(Number(exponent ?? 0) % 3)).toBe(0);
        },
      ),
    );
  });

  it('are rounded to what is nearest', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.integer({ min: 0, max: 4 }),
        (n, places) => {
          const text = (n / 1e5).toFixed(5);
          const source = numberWritten(
            text,
            set({
              'round-mode': 'places',
              'round-precision': String(places),
              'group-digits': 'none',
            }),
          );
          expect(Math.abs(Number(source) - n / 1e5)).toBeLessThanOrEqual(
            0.5 * 10 ** -places + 1e-9,
          );
        },
      ),
    );
  });
});

describe('angles', () => {
  it.each<[string, Settings, string]>([
    ['45', {}, '45{}^{\\circ}'],
    ['45;30;10', {}, "45{}^{\\circ}30{}'10{}''"],
    [';;5', {}, "5{}''"],
    ['-0;30;', {}, "-0{}^{\\circ}30{}'"],
    [
      ';;5',
      { 'fill-angle-degrees': 'true', 'fill-angle-minutes': 'true' },
      "0{}^{\\circ}0{}'5{}''",
    ],
    ['1.5', { 'angle-mode': 'arc' }, "1{}^{\\circ}30{}'0{}''"],
    ['1;30;', { 'angle-mode': 'decimal' }, '1.5{}^{\\circ}'],
    ['1,5', { 'output-decimal-marker': ',' }, '1{,}5{}^{\\circ}'],
    ['1;2;3', { 'angle-separator': '\\,' }, "1{}^{\\circ}\\,2{}'\\,3{}''"],
  ])('%s with %j is %s', (text, settings, wanted) =>
    expect(angleSource(text, set(settings))).toBe(wanted),
  );
});

/** siunitx manual, sections 3.3 and 4.11; the symbols are those of the SI's brochure. */
describe('units', () => {
  const own = {
    units: { kmh: '\\km\\per\\hour', px: 'px' },
    prefixes: { myria: 'my' },
    powersBefore: { quartic: 4 },
    powersBehind: { tothefourth: 4 },
    qualifiers: { salt: 'salt' },
  };
  it.each<[string, Settings, string]>([
    ['\\metre\\per\\second\\squared', {}, '\\mathrm{m}\\,\\mathrm{s}^{-2}'],
    ['\\kilo\\watt\\hour', {}, '\\mathrm{kW}\\,\\mathrm{h}'],
    ['\\square\\metre', {}, '\\mathrm{m}^{2}'],
    ['\\metre\\tothe{4}', {}, '\\mathrm{m}^{4}'],
    ['\\raiseto{4}\\metre', {}, '\\mathrm{m}^{4}'],
    ['\\N\\per\\m^2', { 'per-mode': 'fraction' }, '\\frac{\\mathrm{N}}{\\mathrm{m}^{2}}'],
    ['\\per\\second', { 'per-mode': 'symbol' }, '1/\\mathrm{s}'],
    ['\\km\\per\\hour', { 'per-mode': 'symbol' }, '\\mathrm{km}/\\mathrm{h}'],
    [
      '\\J\\per\\mol\\per\\K',
      { 'per-mode': 'symbol' },
      '\\mathrm{J}/(\\mathrm{mol}\\,\\mathrm{K})',
    ],
    [
      '\\J\\per\\mol\\per\\K',
      { 'per-mode': 'repeated-symbol' },
      '\\mathrm{J}/\\mathrm{mol}/\\mathrm{K}',
    ],
    [
      '\\J\\per\\mol\\per\\K',
      { 'per-mode': 'single-symbol' },
      '\\mathrm{J}\\,\\mathrm{mol}^{-1}\\,\\mathrm{K}^{-1}',
    ],
    [
      '\\J\\per\\mol\\K',
      { 'sticky-per': 'true' },
      '\\mathrm{J}\\,\\mathrm{mol}^{-1}\\,\\mathrm{K}^{-1}',
    ],
    ['\\J\\per\\mol\\K', {}, '\\mathrm{J}\\,\\mathrm{mol}^{-1}\\,\\mathrm{K}'],
    ['\\per\\s\\m', { 'per-mode': 'power-positive-first' }, '\\mathrm{m}\\,\\mathrm{s}^{-1}'],
    ['\\newton\\metre', { 'inter-unit-product': '\\cdot ' }, '\\mathrm{N}\\cdot \\mathrm{m}'],
    ['\\kilogram\\of{metal}', {}, '\\mathrm{kg}_{\\mathrm{metal}}'],
    ['\\kilogram\\of{metal}', { 'qualifier-mode': 'bracket' }, '\\mathrm{kg(metal)}'],
    ['\\kilogram\\of{m}', { 'qualifier-mode': 'combine' }, '\\mathrm{kgm}'],
    ['\\kg\\salt', {}, '\\mathrm{kg}_{\\mathrm{salt}}'],
    ['\\kmh', {}, '\\mathrm{km}\\,\\mathrm{h}^{-1}'],
    ['\\kmh', { 'per-mode': 'symbol' }, '\\mathrm{km}/\\mathrm{h}'],
    ['\\per\\kmh', {}, '\\mathrm{km}^{-1}\\,\\mathrm{h}'],
    ['\\myria\\px', {}, '\\mathrm{mypx}'],
    ['\\quartic\\px\\m\\tothefourth', {}, '\\mathrm{px}^{4}\\,\\mathrm{m}^{4}'],
    ['\\mebi\\byte', {}, '\\mathrm{MiB}'],
    // Letters stand as they are typed.
    ['kg.m.s^{-2}', {}, '\\mathrm{kg\\,m\\,s^{-2}}'],
    ['km/h', {}, '\\mathrm{km/h}'],
    ['m s', {}, '\\mathrm{ms}'],
    ['m~s', {}, '\\mathrm{m\\,s}'],
    ['J/(mol K)', {}, '\\mathrm{J/(molK)}'],
    ['\\metre/\\second', {}, '\\mathrm{m/s}'],
    ['\\cm^2', {}, '\\mathrm{cm}^{2}'],
    ['', {}, ''],
  ])('%s with %j is %s', (text, settings, wanted) =>
    expect(unitSource(text, set(settings), own)).toBe(wanted),
  );

  it('that are made of themselves end', () => {
    const round = { ...own, units: { a: '\\a\\m' } };
    expect(unitSource('\\a', set(), round).length).toBeGreaterThan(0);
  });
});
