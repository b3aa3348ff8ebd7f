import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { find, rightEdge } from '../testing/formula';

const fontOf = (formula: string, char: string): string => {
  const { item } = find(formula, char, PLAIN);
  return item.kind === 'glyph' ? item.font.name : '';
};

const PLAIN = '';
const gap = (left: string, right: string, formula = `${left}${right}`): number =>
  rightEdge(formula, PLAIN) - rightEdge(left, PLAIN) - rightEdge(right, PLAIN);

describe('characters of one family side by side (Appendix G, rule 14)', () => {
  // In points at ten point: units of the designs, cmr10 20/36, cmbx10 23/36, cmti10 18.4/36.
  it.each([
    ['\\mathrm{A}', '\\mathrm{V}', '\\mathrm{AV}', (-2 * 20) / 36],
    ['\\mathrm{f}', '\\mathrm{f}', '\\mathrm{ff}', -0.2778],
    ['\\mathbf{P}', '\\mathbf{A}', '{\\bf P}{\\bf A}', (-1.5 * 23) / 36],
    ['\\mathrm{A}', '\\mathrm{B}', '\\mathrm{AB}', 0],
    ['A', 'V', 'AV', 0],
  ])('%s and %s in %s: %f pt', (left, right, formula, expected) => {
    expect(gap(left, right, formula)).toBeCloseTo(expected, 1);
  });

  // The letters of mathematics keep their italic correction: cmmi10, in em, and the kern in units.
  it.each([
    ['d', 'f', 0, -3],
    ['V', '/', 0.22222, 0],
    ['F', '/', 0.13889, -1],
    ['x', '/', 0, 0],
  ])('%s before %s: %f em and %d units', (left, right, italic, units) => {
    expect(gap(left, right)).toBeCloseTo(10 * italic + (units * 20) / 36, 1);
  });

  it('braces round a single letter are none (TeX: The Program, §1186)', () => {
    const letter = fc.constantFrom(...'abcdefgPVWX'.split(''));
    fc.assert(
      fc.property(letter, letter, letter, (a, b, c) => {
        expect(rightEdge(`${a}{${b}}{{${c}}}`, PLAIN)).toBeCloseTo(
          rightEdge(`${a}${b}${c}`, PLAIN),
          4,
        );
      }),
      { numRuns: 30 },
    );
  });

  it.each(['x', 'f', '\\hat{x}', 'P'])('the superscript of {%s} stands as that of it', (base) => {
    expect(find(`{${base}}^2`, '2', PLAIN).y).toBeCloseTo(find(`${base}^2`, '2', PLAIN).y, 4);
  });

  it('what stands between two letters parts them', () => {
    expect(gap('\\mathrm{A}', '\\mathrm{V}', '\\mathrm{A}\\mkern0mu\\mathrm{V}')).toBeCloseTo(0, 3);
  });
});

describe('\\mathit', () => {
  // cmti10: d .51111, i .30667.
  it('has the widths of the italics of text', () => {
    expect(rightEdge('\\mathit{di}', PLAIN)).toBeCloseTo(5.1111 + 3.0667, 1);
    expect(rightEdge('\\mathit{di}', PLAIN)).not.toBeCloseTo(rightEdge('di', PLAIN), 1);
  });
  it.each(['\\mathit{x}', '{\\it x}', '\\mathit{2}'])('%s is drawn in that font', (formula) => {
    const char = /2/.test(formula) ? '2' : 'x';
    expect(fontOf(formula, char)).toContain('italic');
  });
  it('leaves Greek capitals and signs as mathematics has them', () => {
    expect(fontOf('\\mathit{\\Gamma+x}', '+')).toContain('math');
  });
});
