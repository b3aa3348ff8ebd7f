import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const table = (columns: string, body: string): string =>
  `\\noindent\\begin{tabular}{${columns}}${body}\\end{tabular}`;
const LEFT = laidBody('\\noindent x').word('x').x;

describe('columns', () => {
  it('have 6 pt on both sides, and hold their cells left, centred or right', () => {
    const page = laidBody(table('lcr', 'a & bbb & c \\\\ dddd & e & ffff \\\\'));
    const at = (word: string) => page.word(word);
    expect(at('a').x - LEFT).toBeCloseTo(6, 1);
    expect(at('dddd').x).toBeCloseTo(at('a').x, 1);
    const middle = (word: string): number => (at(word).x + at(word).right) / 2;
    expect(middle('e')).toBeCloseTo(middle('bbb'), 0);
    expect(at('c').right).toBeCloseTo(at('ffff').right, 0);
    // Between two columns: \tabcolsep twice.
    expect(at('bbb').x - at('dddd').right).toBeCloseTo(12, 0);
  });
  it('@{} takes the space away and puts its own in its place', () => {
    const page = laidBody(table('@{}l@{--}l@{}', 'a & b'));
    expect(page.word('a').x).toBeCloseTo(LEFT, 1);
    expect(page.word('–').x).toBeCloseTo(page.word('a').right, 1);
    expect(page.word('b').x).toBeCloseTo(page.word('–').right, 1);
  });
  it('a paragraph column is as wide as it says; its rows stand by their first lines', () => {
    const page = laidBody(table('p{50pt}l', 'water that comes and goes & ebb \\\\ next & flood'));
    expect(page.word('ebb').y).toBeCloseTo(page.word('water').y, 1);
    expect(page.word('ebb').x - page.word('water').x).toBeCloseTo(50 + 12, 0);
    expect(page.word('next').y - page.word('goes').y).toBeCloseTo(12, 0);
  });
  it('m and b columns stand by their middle and their last lines', () => {
    const body = 'water that comes and goes & ebb';
    const y = (kind: string): { cell: number; beside: number; last: number } => {
      const page = laidBody(table(`${kind}{50pt}l`, body), '\\usepackage{array}');
      const last = page.lines.findLast(({ x }) => x < LEFT + 10);
      return { cell: page.word('water').y, beside: page.word('ebb').y, last: last?.y ?? 0 };
    };
    expect(y('p').beside).toBeCloseTo(y('p').cell, 1);
    const b = y('b');
    expect(b.beside).toBeGreaterThan(b.cell + 10);
    const m = y('m');
    expect(m.beside).toBeGreaterThan(m.cell);
    expect(m.beside).toBeLessThan(b.beside - b.cell + m.cell);
  });
});

describe('rows', () => {
  it('stand as far apart as lines do, stretched by \\arraystretch, moved by \\\\[…]', () => {
    const gap = (before: string, between = '\\\\'): number => {
      const page = laidBody(`${before}${table('l', `ebb ${between} flood`)}`);
      return page.word('flood').y - page.word('ebb').y;
    };
    expect(gap('')).toBeCloseTo(12, 1);
    expect(gap('\\renewcommand{\\arraystretch}{1.5}')).toBeCloseTo(18, 1);
    // From the bottom of the strut: 0.3 of the line distance hangs below the line already.
    expect(gap('', '\\\\[5pt]')).toBeCloseTo(17, 1);
  });
  it('the whole stands with its middle, its first or its last row on the line', () => {
    const y = (place: string): number => {
      const page = laidBody(`here \\begin{tabular}${place}{l}ebb\\\\flood\\\\slack\\end{tabular}`);
      return page.word('ebb').y - page.word('here').y;
    };
    expect(y('[t]')).toBeCloseTo(0, 1);
    expect(y('[b]')).toBeCloseTo(-24, 1);
    expect(y('')).toBeGreaterThan(-14);
    expect(y('')).toBeLessThan(-10);
  });
  it('a cell over several columns has the kind and the rules it says', () => {
    const page = laidBody(
      table(
        '|l|l|l|',
        '\\hline \\multicolumn{2}{|c|}{ab} & c \\\\ \\hline wide & wide & e \\\\ \\hline',
      ),
    );
    const ab = page.word('ab');
    const middle = (page.word('wide').x + page.word('wide', 2).right) / 2;
    expect((ab.x + ab.right) / 2).toBeCloseTo(middle, 0);
  });
  it('multirow puts a cell beside several rows', () => {
    const page = laidBody(
      table('ll', '\\multirow{3}{*}{tide} & low \\\\ & mean \\\\ & high \\\\'),
      '\\usepackage{multirow}',
    );
    expect(page.word('tide').y).toBeCloseTo(page.word('mean').y, 0);
  });
});

describe('rules', () => {
  it('\\hline is 0.4 pt high and as wide as the table; \\cline goes over its columns only', () => {
    const page = laidBody(table('ll', '\\hline aaaa & bbbb \\\\ \\cline{2-2} c & d \\\\ \\hline'));
    const rules = page.rules.filter(({ width }) => width > 10);
    expect(rules).toHaveLength(3);
    const [top, part, bottom] = rules;
    expect(top?.height).toBeCloseTo(0.4, 1);
    expect(top?.x).toBeCloseTo(LEFT, 1);
    expect(bottom?.width).toBeCloseTo(top?.width ?? 0, 1);
    expect(part?.x).toBeCloseTo(page.word('bbbb').x - 6, 0);
    expect((part?.x ?? 0) + (part?.width ?? 0)).toBeCloseTo((top?.x ?? 0) + (top?.width ?? 0), 0);
    expect(bottom?.y ?? 0).toBeGreaterThan(page.word('d').y);
  });
  it('rules between columns stand in every row but those that say otherwise', () => {
    const upright = (body: string): number =>
      laidBody(table('l|l', body)).rules.filter(({ height }) => height > 5).length;
    expect(upright('a & b \\\\ c & d \\\\')).toBe(2);
    expect(upright('a & b \\\\ \\multicolumn{2}{l}{c} \\\\')).toBe(1);
  });
  it('booktabs: thick above and below, thin between, and room around them', () => {
    const page = laidBody(
      table('l', '\\toprule ebb \\\\ \\midrule flood \\\\ \\bottomrule'),
      '\\usepackage{booktabs}',
    );
    expect(page.rules.map(({ height }) => Math.round(height * 100))).toEqual([80, 50, 80]);
    // \aboverulesep 0.4 ex, \belowrulesep 0.65 ex and the rule between the rows.
    expect(page.word('flood').y - page.word('ebb').y).toBeCloseTo(12 + 1.72 + 2.8 + 0.5, 0);
  });
  it('two bars are two rules, 2 pt apart', () => {
    const page = laidBody(table('l||l', 'a & b'));
    const [one, other] = page.rules.filter(({ height }) => height > 5);
    expect((other?.x ?? 0) - (one?.x ?? 0)).toBeCloseTo(2.4, 1);
  });
});

describe('widths', () => {
  it('tabularx fills the width it is given with its X columns', () => {
    const page = laidBody(
      '\\noindent\\begin{tabularx}{200pt}{lX}\\hline a & water that comes and goes with the moon twice a day\\\\\\end{tabularx}',
      '\\usepackage{tabularx}',
    );
    expect(page.rules[0]?.width).toBeCloseTo(200, 0);
    expect(page.lines.every(({ right }) => right <= LEFT + 201)).toBe(true);
    expect(page.word('day').y - page.word('water').y).toBeCloseTo(12, 0);
  });
  it('tabular* is stretched by the space between its columns', () => {
    const page = laidBody(
      '\\noindent\\begin{tabular*}{200pt}{@{}l@{\\extracolsep{\\fill}}r@{}}a & b\\end{tabular*}',
    );
    expect(page.word('b').right - page.word('a').x).toBeCloseTo(200, 0);
  });
  it('\\extracolsep by a length makes all borders behind it wider, but the last', () => {
    const plain = laidBody(table('lll', 'a & b & c'));
    const wider = laidBody(table('l@{\\extracolsep{10pt}}ll', 'a & b & c'));
    const gap = (page: typeof plain, one: string, other: string): number =>
      page.word(other).x - page.word(one).right;
    // @{…} takes away \tabcolsep on both sides.
    expect(gap(wider, 'a', 'b')).toBeCloseTo(10, 0);
    expect(gap(wider, 'b', 'c') - gap(plain, 'b', 'c')).toBeCloseTo(10, 0);
  });
});

describe('tables that are not well made', () => {
  it.each([
    ['a column too many', table('l', 'a & b'), 'columns-too-many'],
    ['a kind of column that is none', table('lz', 'a & b'), 'column-unknown'],
    ['a table never closed', '\\begin{tabular}{l} a \\\\ b', 'environment-unclosed'],
  ])('%s: told, and the rest is set', (_what, source, kind) => {
    expect(findingsIn(inArticle(source)).map((found) => found.kind)).toContain(kind);
    expect(laidBody(source).text).toContain('a');
  });
});

it('blanks within and behind a cell over several columns take no room', () => {
  const at = (cell: string): number =>
    laidBody(`\\begin{tabular}{r}${cell}\\\\ longword\\end{tabular}`).word('a').right;
  expect(at('\\multicolumn{1}{r}{a } ')).toBeCloseTo(at('a'), 2);
  expect(at('\\multicolumn{1}{r}{a} ')).toBeCloseTo(at('a'), 2);
  const left = (cell: string): number =>
    laidBody(`\\begin{tabular}{l}${cell}\\\\ longword\\end{tabular}`).word('a').x;
  expect(left('\\multicolumn{1}{l}{ a}')).toBeCloseTo(left('a'), 2);
});
