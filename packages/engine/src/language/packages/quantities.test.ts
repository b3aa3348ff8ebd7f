import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const SI = '\\usepackage{siunitx}';
const prints = (body: string): string =>
  laidBody(body, SI).text.replace(/\s+/g, '').replace(/\|1$/, '');

/** siunitx manual, sections 3.1 to 3.5. */
describe('numbers and quantities together', () => {
  it.each([
    ['\\numproduct{2 x 3 x 4}', '2×3×4'],
    ['\\qtyproduct{2 x 3}{\\metre}', '2m×3m'],
    ['\\complexnum{1+2i}', '1+2i'],
    ['\\complexnum{1-2.5i}', '1−2.5i'],
    ['\\complexnum{3i}', '3i'],
    ['\\tablenum{12.3}', '12.3'],
    ['\\numrange{1}{5}', '1to5'],
    ['\\numrange[range-phrase=--]{1}{5}', '1–5'],
    ['\\qtyrange{1}{5}{\\metre}', '1mto5m'],
    ['\\qtyrange[range-units=single]{1}{5}{\\metre}', '1to5m'],
    ['\\sisetup{range-phrase={ bis }}\\numrange{1}{5}', '1bis5'],
    ['\\qtyrange[range-units=bracket]{1}{5}{\\metre}', '(1to5)m'],
    ['\\qtylist[list-units=single]{1;2;3}{\\metre}', '1,2and3m'],
    ['\\qtylist{1;2}{\\metre}', '1mand2m'],
    ['\\numproduct[product-mode=phrase]{2 x 3}', '2by3'],
    ['\\qtyproduct[product-units=power]{2 x 3}{\\metre}', '2×3m2'],
    ['\\complexnum{-i}', '−i'],
    ['\\complexnum{2-i3}', '2−3i'],
    ['\\complexqty{2-4i}{\\ohm}', '(2−4i)Ω'],
    ['\\numlist{1;2;3}', '1,2and3'],
    ['\\numlist[list-final-separator={ und }]{1;2;3}', '1,2und3'],
  ])('%s is %s', (body, printed) => {
    expect(prints(body)).toBe(printed);
    expect(findingsIn(inArticle(body, SI))).toEqual([]);
  });
});

/** siunitx manual, sections 4.3 to 4.14. */
describe('how numbers and units are written', () => {
  it.each([
    ['\\sisetup{locale=DE}\\num{1234.5e3}', '1234,5·103'],
    ['\\sisetup{locale=DE}\\qty{3,5}{\\metre}', '3,5m'],
    ['\\sisetup{locale=FR}\\num{1.5}', '1,5'],
    ['\\sisetup{locale=UK}\\num{1.5}', '1.5'],
    ['\\num[output-decimal-marker={,}]{1.5}', '1,5'],
    ['\\num{3.52(15)}', '3.52(15)'],
    ['\\num[separate-uncertainty]{3.52(15)}', '3.52±0.15'],
    ['\\num[uncertainty-mode=separate]{120(5)}', '120±5'],
    ['\\qty[separate-uncertainty]{3.5(2)}{\\metre}', '(3.5±0.2)m'],
    ['\\qty{3.5 +- 0.2}{\\metre}', '3.5(2)m'],
    ['\\qty[separate-uncertainty,multi-part-units=repeat]{3.5(2)}{\\metre}', '3.5m±0.2m'],
    ['\\num[parse-numbers=false]{\\pi r^2}', '𝜋𝑟2'],
    ['\\SI{3}{km/h}', '3km/h'],
    ['\\qty{5}{\\micro\\metre}', '5µm'],
    ['\\qty{20}{\\degree}', '20∘'],
    ['\\newcommand\\mps{\\metre\\per\\second}\\qty{3}{\\mps}', '3ms−1'],
    ['\\DeclareSIUnit\\kmh{\\km\\per\\hour}\\qty[per-mode=symbol]{3}{\\kmh}', '3km/h'],
    ['\\DeclareSIUnit[per-mode=symbol]\\kmh{\\km\\per\\hour}\\qty{3}{\\kmh}', '3km/h'],
    ['\\newcommand\\depth{12.5}\\qty{\\depth}{m}', '12.5m'],
    ['\\num[separate-uncertainty]{3.5(2)e4}', '(3.5±0.2)×104'],
    ['\\num[exponent-product=\\cdot]{2e4}', '2·104'],
    ['\\num[exponent-mode=scientific]{1234}', '1.234×103'],
    ['\\num[exponent-mode=engineering]{12345}', '12.345×103'],
    ['\\num[retain-explicit-plus]{+3}', '+3'],
    ['\\num[drop-zero-decimal]{3.00}', '3'],
    ['\\num[group-separator={,}]{1234567}', '1,234,567'],
    ['\\num[group-minimum-digits=4]{1234}', '1234'],
    ['\\num[group-digits=integer]{12345.12345}', '12345.12345'],
    ['\\unit[inter-unit-product=\\cdot]{\\newton\\metre}', 'N·m'],
    [
      '\\unit[per-mode=symbol,bracket-unit-denominator=false]{\\joule\\per\\mole\\per\\kelvin}',
      'J/molK',
    ],
  ])('%s is %s', (body, printed) => {
    expect(prints(body).replace(/⋅/g, '·')).toBe(printed);
    expect(findingsIn(inArticle(body, SI))).toEqual([]);
  });
  it.each([
    ['ngerman', '1 bis 5, 1, 2 und 3'],
    ['french', '1 à 5, 1, 2 et 3'],
    ['english', '1 to 5, 1, 2 and 3'],
  ])('in the language of the document: %s', (language, words) => {
    const body = '\\numrange{1}{5}, \\numlist{1;2;3}';
    const { text } = laidBody(body, `\\usepackage[${language}]{babel}${SI}`);
    expect(text.replaceAll('\u00a0', ' ')).toContain(words);
  });
});

describe('what cannot be read, and keys that there are not', () => {
  it.each([
    ['\\num{2x3}', 'quantity-unreadable', '\\numproduct{2x3}'],
    ['\\qty{2 x 3}{\\metre}', 'quantity-unreadable', '\\qtyproduct{2 x 3}{\\metre}'],
    ['\\num{1+2i}', 'quantity-unreadable', '\\complexnum{1+2i}'],
    ['\\num{1.2.3}', 'quantity-unreadable', null],
    ['\\num{abc}', 'quantity-unreadable', null],
    ['\\num[round-mod=places]{1}', 'option-misspelt', '\\num[round-mode=places]{1}'],
    ['\\sisetup{per-mod=symbol}', 'option-misspelt', '\\sisetup{per-mode=symbol}'],
    ['\\qty[prefix-mode=extract-exponent]{1}{\\km}', 'key-without-effect', null],
    ['\\qty[permode=symbol]{1}{\\m}', 'option-misspelt', '\\qty[per-mode=symbol]{1}{\\m}'],
  ])('%s', (body, kind, mended) => {
    const found = findingsIn(inArticle(body, SI));
    expect(found.map((one) => one.kind)).toEqual([kind]);
    expect(found[0]?.fixed ?? null).toBe(mended === null ? null : inArticle(mended, SI));
  });
});
