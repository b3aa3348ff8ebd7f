import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { signAt } from '../symbols/mathSlots';

/** The text of a body, blanks apart. */
const prints = (body: string, preamble: string): string =>
  laidBody(body, preamble).text.replace(/\s+/g, ' ').trim();

describe('signs by font and place (The TeXbook, appendix F)', () => {
  it.each([
    ['letters', 0x0b, 'α'],
    ['letters', 0x3b, ','],
    ['letters', 0x60, 'ℓ'],
    ['symbols', 0x14, '≤'],
    ['symbols', 0x32, '∈'],
    ['symbols', 0x68, '⟨'],
    ['largesymbols', 0x50, '∑'],
    ['msa', 0x39, '−'],
    ['AMSb', 0x52, 'ℝ'],
    ['AMSb', 0x6e, '⋉'],
    ['operators', 0x2b, '+'],
    ['symbols', 0x36, null],
    ['nowhere', 0x14, null],
  ])('%s %i is %s', (font, place, sign) => expect(signAt(font, place)).toBe(sign));
});

describe('declarations of preambles', () => {
  it.each([
    ['\\DeclareMathSymbol{\\below}{\\mathrel}{symbols}{"14}', '$a\\below b$', '≤'],
    [
      '\\DeclareSymbolFont{mine}{U}{msa}{m}{n}\\DeclareMathSymbol{\\hence}{3}{mine}{"29}',
      '$a\\hence b$',
      '∴',
    ],
    [
      '\\DeclareMathDelimiter{\\low}{\\mathopen}{symbols}{"62}{largesymbols}{"04}',
      '$\\left\\low x\\right)$',
      '⌊',
    ],
    ['\\DeclareMathAlphabet{\\strong}{OT1}{cmr}{bx}{n}', '$\\strong{A}$', '𝐀'],
    [
      '\\DeclareSymbolFont{b}{U}{msb}{m}{n}\\DeclareSymbolFontAlphabet{\\hollow}{b}',
      '$\\hollow{R}$',
      'ℝ',
    ],
    ['\\DeclareUnicodeCharacter{2115}{naturals}', 'the ℕ here', 'the naturals here'],
    ['\\DeclareTextFontCommand{\\strong}{\\bfseries}', '\\strong{ebb} flow', 'ebb flow'],
    ['', '\\texttimes{} \\textonehalf{} \\guillemotleft a\\guillemotright{} \\th', '× ½ «a» þ'],
    ['', '{\\mathversion{bold}$x$}{\\mathversion{normal}$x$}', '𝒙𝑥'],
  ])('%s sets %s', (preamble, body, printed) => {
    expect(prints(body, preamble)).toContain(printed);
    expect(findingsIn(inArticle(body, preamble))).toEqual([]);
  });
  it('give characters another class: a comma within numbers has no room behind it', () => {
    const width = (preamble: string): number => {
      const found = laidBody('$1,2$', preamble);
      return found.word('2').x - found.word('1').right;
    };
    expect(width('\\DeclareMathSymbol{,}{\\mathord}{letters}{"3B}')).toBeLessThan(width('') - 1);
  });
  it('draw an accent by its place', () => {
    const roof = laidBody('$\\roof x$', '\\DeclareMathAccent{\\roof}{\\mathalpha}{operators}{"5E}');
    expect(roof.text).toBe(laidBody('$\\hat x$').text);
  });
  it('tell of fonts that are not at hand, once', () => {
    const kinds = (preamble: string) =>
      findingsIn(inArticle('x', preamble)).map(({ kind }) => kind);
    expect(kinds('\\DeclareMathAlphabet{\\old}{T1}{pzc}{m}{it}')).toEqual(['font-not-here']);
    expect(
      kinds('\\DeclareSymbolFont{z}{U}{zzz}{m}{n}\\DeclareMathSymbol{\\z}{\\mathord}{z}{"01}'),
    ).toEqual(['font-not-here']);
    expect(kinds('\\DeclareFontFamily{U}{z}{}\\DeclareFontShape{U}{z}{m}{n}{<->z10}{}')).toEqual(
      [],
    );
  });
  it('stacks lines over one another, the last on the line', () => {
    const found = laidBody('a \\shortstack{b\\\\cc}');
    expect(found.word('cc').y).toBeCloseTo(found.word('a').y, 0);
    expect(found.word('b').y).toBeLessThan(found.word('cc').y - 5);
  });
});
