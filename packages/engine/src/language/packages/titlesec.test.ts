import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const use = (said: string, options = ''): string => `\\usepackage[${options}]{titlesec}${said}`;
const set = (said: string, body = '\\section{Ebb}x', options = '') => {
  expect(findingsIn(inArticle(body, use(said, options)))).toEqual([]);
  return laidBody(body, use(said, options));
};

/** titlesec manual, sections 2 and 3. */
describe('how headings are set', () => {
  it('the title where it is asked for', () => {
    const said = '\\titleformat{\\section}{\\bfseries}{\\thesection}{1em}{A #1 Z}';
    expect(set(said, undefined, 'explicit').text).toContain('1 A Ebb Z');
  });
  it('a design of their own for headings without a number', () => {
    const said =
      '\\titleformat{\\section}{\\bfseries}{\\thesection}{1em}{N }\\titleformat{name=\\section,numberless}{\\bfseries}{}{0pt}{free }';
    const { text } = set(said, '\\section{Ebb}\\section*{Flood}x');
    expect(text).toContain('1 N Ebb');
    expect(text).toContain('free Flood');
  });
  it.each([
    ['big', 14.4],
    ['small', 12],
    ['tiny', 10],
  ])('the size %s', (option, size) => {
    expect(set('', undefined, option).word('Ebb').size).toBeCloseTo(size, 0);
  });
  it('type and place of all of them', () => {
    const laid = set('', undefined, 'sf,bf,center');
    expect(laid.word('Ebb').font).toMatch(/sans/i);
    expect(laid.word('Ebb').x).toBeGreaterThan(laid.word('x').x + 100);
  });
  it('less space around them', () => {
    const gap = (options: string): number => {
      const { word } = set('', 'a\\section{Ebb}x', options);
      return word('x').y - word('a').y;
    };
    expect(gap('compact')).toBeLessThan(gap('') - 8);
  });
  it('an option that it does not have is told', () => {
    const found = findingsIn(inArticle('x', use('', 'smal')));
    expect(found.map(({ kind }) => kind)).toEqual(['option-misspelt']);
  });
  it('rules as thick as is said', () => {
    const said = '\\titleformat{\\section}{}{\\thesection}{1em}{}[{\\titlerule[2pt]}]';
    expect(set(said).rules[0]?.height).toBeCloseTo(2, 1);
  });
});

/** Section 5. */
describe('styles of pages', () => {
  const style = (body: string): string => {
    const text = inArticle(
      `\\pagestyle{tides}\\section{Ebb}x\\newpage y`,
      use(`\\newpagestyle{tides}[\\small]{${body}}`),
    );
    expect(findingsIn(text)).toEqual([]);
    return linesOf(typeset(text)).join(' | ').replaceAll('\u00a0', ' ');
  };
  it('the titles of sections and the page in the head', () => {
    expect(style('\\sethead{\\sectiontitle}{}{p. \\thepage}')).toMatch(/y \| Ebb.*p\. 2/);
  });
  it('three fields of the foot', () => {
    expect(style('\\setfoot{left}{mid}{right}')).toMatch(/y \| left\s*mid\s*right/);
  });
  it('a rule under the head', () => {
    const said = use('\\newpagestyle{tides}{\\headrule\\sethead{a}{b}{c}}\\pagestyle{tides}');
    expect(laidBody('x', said).rules).toHaveLength(1);
  });
});
