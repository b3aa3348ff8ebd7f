import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';
import { dcolumnRoom, tableFormatRoom, withAlignedPower } from './decimalCells';

const PACKAGES = '\\usepackage{siunitx,dcolumn,longtable}';
const table = (column: string, ...cells: string[]): string =>
  `\\begin{tabular}{${column}l}${cells.map((cell) => `${cell}&z`).join('\\\\')}\\end{tabular}`;
const set = (column: string, ...cells: string[]): Laid =>
  laidBody(table(column, ...cells), PACKAGES);

/** Where the nth point of the page stands. */
const points = (laid: Laid, sign: string, count: number): number[] =>
  Array.from({ length: count }, (_, i) => Math.round(100 * laid.word(sign, i + 1).x) / 100);

describe('Numbers of a column', () => {
  it.each([
    ['S', '.'],
    ['S[table-format=3.3]', '.'],
    ['D{.}{.}{-1}', '.'],
    ['D{.}{.}{3}', '.'],
    ['D{.}{,}{2.3}', ','],
    ['D{,}{.}{2.3}', '.'],
  ])('of kind %s have their points below one another', (column, sign) => {
    const typed = column.startsWith('D{,}') ? ',' : '.';
    const cells = ['1.5', '-123.456', '12.3'].map((text) => text.replace('.', typed));
    const [first, ...others] = points(set(column, ...cells), sign, 3);
    for (const other of others) expect(other).toBeCloseTo(first as number, 1);
    expect(findingsIn(inArticle(table(column, ...cells), PACKAGES))).toEqual([]);
  });

  it('without a point end where it would stand', () => {
    const laid = set('S', '1.5', '12');
    expect(laid.word('2').right).toBeCloseTo(laid.word('.').x, 1);
  });

  it('words, headings and columns put together stay what they are', () => {
    const laid = set('S', '{Depth}', '1.5', 'none', '\\multicolumn{1}{r}{sum}');
    const middle = (text: string): number => (laid.word(text).x + laid.word(text).right) / 2;
    expect(middle('Depth')).toBeCloseTo(middle('none'), 0);
    expect(laid.word('sum').right).toBeGreaterThan(laid.word('none').right);
  });

  it('keep the room that is asked for', () => {
    const end = (column: string): number => set(column, '1.5').word('z').x;
    expect(end('S[table-format=5.5]')).toBeGreaterThan(end('S[table-format=1.1]') + 30);
    expect(end('D{.}{.}{5}')).toBeGreaterThan(end('D{.}{.}{1}') + 10);
  });

  it('are aligned over the pages of a long table too', () => {
    const laid = laidBody('\\begin{longtable}{S}1.5\\\\-123.456\\\\12.3\\end{longtable}', PACKAGES);
    expect(new Set(points(laid, '.', 3).map(Math.round)).size).toBe(1);
  });
});

describe('Room by its description', () => {
  it.each([
    ['3.2', '000', '.00'],
    ['-1.3', '-0', '.000'],
    ['2.1e-2', '00', '.0\\times 10^{-00}'],
    ['2', '00', ''],
  ])('table-format %s', (format, before, behind) => {
    expect(tableFormatRoom(format)).toEqual({ before, behind, centred: false });
  });
  it.each([
    ['-1', '', '', true],
    ['2', '', '.00', false],
    ['3.1', '000', '.0', false],
    ['0', '', '', false],
  ])('places %s', (places, before, behind, centred) => {
    expect(dcolumnRoom(places, '.')).toEqual({ before, behind, centred });
  });
});

it.each([
  ['3.9\\times 10^{-2}', '1.2e-1', '3.9\\phantom{0}\\times 10^{-2}'],
  ['4\\times 10^{3}', '1.2e1', '4\\phantom{.00}\\times 10^{3}'],
  ['4.20\\times 10^{3}', '1.2e1', '4.20\\times 10^{3}'],
  ['4.2', '1.3', '4.2'],
])('%s has room for the places of %s before its power', (whole, format, written) => {
  expect(withAlignedPower(whole, format)).toBe(written);
});
