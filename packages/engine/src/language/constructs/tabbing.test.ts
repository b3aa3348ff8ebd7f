import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const LEFT = 134.27;
const tabbing = (rows: string, before = ''): Laid =>
  laidBody(`${before}\\begin{tabbing}${rows}\\end{tabbing}`, '\\setlength{\\parskip}{0pt}');
const stops = '\\hspace{30pt}\\=\\hspace{40pt}\\=\\kill ';

describe('tab stops (lttab.dtx)', () => {
  it.each([
    ['\\> a', 30],
    ['\\>\\> a', 70],
    ['x \\> a', 30],
    ['long words beyond \\> a', 30],
    ['\\+\\kill a', 30],
    ['\\+\\+\\kill a', 70],
    ['\\+\\+\\kill \\- \\\\ a', 30],
    ['\\+\\kill \\< a', 0],
    ['\\+\\kill \\> a', 70],
    ['\\pushtabs xx\\=\\kill \\poptabs \\> a', 30],
  ])('%s stands %f pt from the margin', (rows, x) => {
    expect(tabbing(stops + rows).word('a').x - LEFT).toBeCloseTo(x, 1);
  });
  it('what stands before \\ ends at the stop, \\tabbingsep before it', () => {
    expect(tabbing(`${stops}\\> ab\\' c`).word('ab').right - LEFT).toBeCloseTo(30 - 5, 1);
  });
  it('what stands behind \\` ends at the right margin', () => {
    expect(tabbing(`${stops}a \\\` end`).word('end').right - LEFT).toBeCloseTo(345, 0);
  });
  it('a stop that is set anew moves those of the lines that follow', () => {
    const found = tabbing(`${stops}wide words \\= a \\\\ \\> b`);
    expect(found.word('b').x).toBeCloseTo(found.word('a').x, 1);
  });
  it('declarations end with the field', () => {
    const found = tabbing(`${stops}\\bf one \\> two`);
    expect(found.word('one').font).toContain('bold');
    expect(found.word('two').font).not.toContain('bold');
  });
  it('signs may come from macros, and lines from them', () => {
    const found = laidBody(
      `\\newcommand{\\row}[2]{#1\\>#2\\\\}\\begin{tabbing}${stops}\\row{ab}{cd}\\row{ef}{gh}\\end{tabbing}`,
    );
    expect(found.word('gh').x).toBeCloseTo(found.word('cd').x, 2);
    expect(found.word('gh').y - found.word('cd').y).toBeCloseTo(12, 1);
  });
  it('accents are there as \\a', () => {
    expect(tabbing("\\a'e\\a`e\\a=o").text).toContain('éèō');
  });
});

describe('its place on the page', () => {
  const between = (found: Laid, one: string, two: string): number =>
    found.word(two).y - found.word(one).y;
  it.each([
    ['one\n\n', 12 + 8 + 2],
    ['one\n', 12 + 8],
  ])('%j before it', (before, distance) => {
    expect(between(tabbing('two', before), 'one', 'two')).toBeCloseTo(distance, 1);
  });
  it('lines are a strut high and deep, whatever they hold, and room may be asked for', () => {
    expect(between(tabbing('one \\\\ two'), 'one', 'two')).toBeCloseTo(12, 1);
    expect(between(tabbing('one \\\\[5pt] two'), 'one', 'two')).toBeCloseTo(17, 1);
  });
  it('no line breaks, however long', () => {
    const found = tabbing('words '.repeat(40));
    expect(
      new Set(found.lines.filter(({ text }) => text.includes('words')).map(({ y }) => y)).size,
    ).toBe(1);
  });
  it('signs mean what they did behind it', () => {
    expect(laidBody(`\\begin{tabbing}a\\=b\\end{tabbing}\\=o a\\-b`).text).toContain('ō');
  });
});

it('rows of signs in any order are set without a finding, and nothing of their words is lost', () => {
  const piece = fc.constantFrom(
    '\\>',
    '\\=',
    '\\+',
    '\\-',
    '\\\\',
    'ab',
    'cd ',
    '{\\bf ef}',
    '$x$',
    "\\'",
    '\\`',
  );
  fc.assert(
    fc.property(fc.array(piece, { maxLength: 14 }), (pieces) => {
      const body = `\\begin{tabbing}${pieces.join('')}\\end{tabbing}after`;
      const broken = typeset(inArticle(body))
        .findings()
        .filter(({ severity }) => severity === 'broken');
      expect(broken).toEqual([]);
      const { text } = laidBody(body);
      expect(text).toContain('after');
      const count = (word: string): number => text.split(word).length;
      for (const word of ['ab', 'ef']) expect(count(word)).toBe(pieces.join('').split(word).length);
    }),
    { numRuns: 25 },
  );
});
