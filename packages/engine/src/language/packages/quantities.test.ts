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
    ['\\sisetup{range-phrase=bis}\\numrange{1}{5}', '1bis5'],
    ['\\numlist{1;2;3}', '1,2and3'],
    ['\\numlist[list-final-separator=und]{1;2;3}', '1,2und3'],
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
    ['\\qty{3.5 +- 0.2}{\\metre}', '(3.5±0.2)m'],
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
