import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dashesOn } from '../../paragraphs/table';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const LOAD = '\\usepackage{array,arydshln}';
const rulesOf = (columns: string, body: string) =>
  laidBody(`\\begin{tabular}{${columns}}${body}\\end{tabular}`, LOAD).rules;

/** arydshln manual, sections 2 and 3. */
describe('dashed lines of tables', () => {
  it.each([
    ['c:c', 'a&b\\\\c&d\\\\'],
    ['c;{2pt/1pt}c', 'a&b\\\\c&d\\\\'],
    ['cc', 'a&b\\\\\\hdashline c&d\\\\'],
    ['cc', 'a&b\\\\\\hdashline[2pt/1pt] c&d\\\\'],
    ['cc', '\\firsthdashline a&b\\\\\\cdashline{1-1} c&d\\\\\\lasthdashline'],
  ])('{%s} %s', (columns, body) => {
    const source = `\\begin{tabular}{${columns}}${body}\\end{tabular}`;
    expect(findingsIn(inArticle(source, LOAD))).toEqual([]);
    expect(rulesOf(columns, body).length).toBeGreaterThan(2);
  });

  it('in formulas too', () => {
    const body = '$\\begin{array}{c:c}a&b\\\\\\hdashline c&d\\\\\\cdashline{1-1}e&f\\end{array}$';
    expect(findingsIn(inArticle(body, LOAD))).toEqual([]);
  });

  it('a dashed line over some columns is no wider than they are', () => {
    const whole = rulesOf('cc', 'wide&wide\\\\\\hdashline c&d\\\\');
    const part = rulesOf('cc', 'wide&wide\\\\\\cdashline{2-2} c&d\\\\');
    const reach = (rules: typeof whole): number =>
      Math.max(...rules.map(({ x, width }) => x + width)) - Math.min(...rules.map(({ x }) => x));
    expect(reach(part)).toBeCloseTo(reach(whole) / 2, 0);
  });

  it('dashes lie within their line, half ones at its ends, alike whatever its length', () => {
    const length = fc.integer({ min: 1, max: 5000 });
    const part = fc.integer({ min: 1, max: 60 });
    fc.assert(
      fc.property(length, part, part, (whole, dash, gap) => {
        const pieces = dashesOn(whole, { dash, gap });
        expect(pieces[0]?.[0]).toBe(0);
        const [from = 0, size = 0] = pieces.at(-1) ?? [];
        expect(from + size).toBeCloseTo(whole, 6);
        pieces.slice(1).forEach(([start], i) => {
          const [before = 0, long = 0] = pieces[i] ?? [];
          expect(start).toBeGreaterThanOrEqual(before + long - 1e-6);
        });
      }),
    );
  });
});

const TBLR = '\\usepackage{tabularray,xcolor}';
const tblr = (keys: string, body: string) =>
  laidBody(`\\begin{tblr}{${keys}}${body}\\end{tblr}`, TBLR);

/** tabularray manual, section 2. */
describe('rows and width of tables by keys', () => {
  it.each([
    ['', 12 + 4],
    ['rows={ht=30pt}', 30 + 4],
    ['rowsep=5pt', 12 + 10],
    ['rows={rowsep=0pt}', 12],
    ['row{2}={abovesep=9pt}', 12 + 4 + 7],
  ])('%s: rows are %d pt apart', (keys, apart) => {
    const { word } = tblr(`colspec={ll}${keys === '' ? '' : `,${keys}`}`, 'a&b\\\\c&d');
    expect(word('c').y - word('a').y).toBeCloseTo(apart, 0);
  });

  it('columns share the width that is asked for', () => {
    const reach = (width: string): number => {
      const { rules } = tblr(`colspec={XX},hlines,width=${width}`, 'a&b\\\\c&d');
      return Math.max(...rules.map((one) => one.width));
    };
    expect(reach('200pt')).toBeCloseTo(200, 0);
    expect(reach('100pt')).toBeCloseTo(100, 0);
  });

  it('words begin at the edge of their column, whatever blanks stand before them', () => {
    const { word } = tblr('colspec={ll}', 'aa & b\\\\ cc & d');
    expect(word('cc').x).toBeCloseTo(word('aa').x, 1);
  });
});
