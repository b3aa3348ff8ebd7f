import { describe, expect, it } from 'vitest';
import { inArticle } from '../../testing/document';
import { laid, laidBody, type Laid } from '../../testing/layout';

const below = (page: Laid, one: string, other: string): number =>
  page.word(other).y - page.word(one).y;
const gap = (page: Laid, one: string, other: string): number =>
  page.word(other).x - page.word(one).right;

describe('space across', () => {
  it.each([
    ['a\\hspace{20pt}b', 20],
    ['a\\quad b', 10],
    ['a\\qquad b', 20],
    ['a\\kern5pt b', 5],
    ['a\\enspace b', 5],
    ['a\\thinspace b', 1.6667],
    ['a\\,b', 1.6667],
    ['a\\hspace{-3pt}b', -3],
  ])('%s is %s pt', (source, width) => {
    expect(gap(laidBody(source), 'a', 'b')).toBeCloseTo(width, 1);
  });
  it('a blank is a third of an em, more behind a full stop, not behind an initial', () => {
    // Latin Modern: 3.33 pt, and 1.11 more where a sentence ends.
    expect(gap(laidBody('xa bx'), 'xa', 'bx')).toBeCloseTo(3.33, 1);
    expect(gap(laidBody('xa. Bx'), 'xa.', 'Bx')).toBeCloseTo(4.44, 1);
    expect(gap(laidBody('XA. Bx'), 'XA.', 'Bx')).toBeCloseTo(3.33, 1);
    expect(gap(laidBody('XA\\@. Bx'), 'XA.', 'Bx')).toBeCloseTo(4.44, 1);
    expect(gap(laidBody('xa.\\ Bx'), 'xa.', 'Bx')).toBeCloseTo(3.33, 1);
    expect(gap(laidBody('\\frenchspacing xa. Bx'), 'xa.', 'Bx')).toBeCloseTo(3.33, 1);
  });
  it('fills share what is left of a line', () => {
    const page = laidBody('\\noindent a\\hfill b\\hfill c');
    expect(page.word('c').right - page.word('a').x).toBeCloseTo(345, 0);
    expect(gap(page, 'a', 'b')).toBeCloseTo(gap(page, 'b', 'c'), 0);
    const uneven = laidBody('\\noindent a\\hspace{\\stretch{1}}b\\hspace{\\stretch{3}}c');
    expect(gap(uneven, 'b', 'c') / gap(uneven, 'a', 'b')).toBeCloseTo(3, 1);
  });
  it('is dropped at the start of a line, but not the one with a star', () => {
    const page = laidBody('\\noindent a\\\\\\hspace{20pt}b\\\\\\hspace*{20pt}c');
    expect(page.word('b').x).toBeCloseTo(page.word('a').x, 1);
    expect(page.word('c').x - page.word('a').x).toBeCloseTo(20, 1);
  });
  it.each([
    ['at the end of a paragraph', 'Name: \\hrulefill'],
    ['at the end of a line', 'Name: \\hrulefill\\\\ more'],
    ['alone', '\\noindent\\hrulefill'],
    ['in a box of its width', 'Name: \\makebox[4cm]{\\hrulefill}'],
  ])('\\hrulefill is there %s', (_where, body) => {
    expect(laidBody(body).rules.filter(({ width }) => width > 80)).toHaveLength(1);
  });
  it('two on a line share it', () => {
    const [one, other] = laidBody('\\noindent a\\hrulefill b\\hrulefill').rules;
    expect(one?.width).toBeCloseTo(other?.width ?? 0, 1);
  });
  it('\\dotfill and \\hrulefill fill with dots and a rule', () => {
    expect(laidBody('\\noindent a\\dotfill b').text).toMatch(/a ?\.( ?\.){20,} ?b/);
    const ruled = laidBody('\\noindent a\\hrulefill b');
    const wide = 345 - (ruled.word('a').right - ruled.word('a').x) - 5.6;
    expect(ruled.rules[0]?.width).toBeCloseTo(wide, 0);
  });
});

describe('space down', () => {
  it.each([
    ['a\n\n\\vspace{20pt}b', 32],
    ['a\n\n\\smallskip b', 15],
    ['a\n\n\\medskip b', 18],
    ['a\n\n\\bigskip b', 24],
    ['a\n\n\\vskip 7pt b', 19],
    ['a\\vspace{20pt} c\n\nb', 32],
    ['a\\\\[5pt]b', 17],
    ['a\\\\b', 12],
    ['a\\newline b', 12],
    ['a\n\nb', 12],
    ['\\setlength{\\parskip}{6pt}a\n\nb', 18],
    ['a\n\n\\addvspace{5pt}\\addvspace{8pt}b', 20],
  ])('%j: %s pt from line to line', (source, height) => {
    expect(below(laidBody(source), 'a', 'b')).toBeCloseTo(height, 0);
  });
  it('paragraphs are indented by 15 pt, but not where it is said', () => {
    const page = laidBody('\\noindent a\n\nb\n\n\\setlength{\\parindent}{0pt}c\n\n\\indent d');
    expect(page.word('b').x - page.word('a').x).toBeCloseTo(15, 1);
    expect(page.word('c').x).toBeCloseTo(page.word('a').x, 1);
    expect(page.word('d').x).toBeCloseTo(page.word('a').x, 1);
  });
  it('a fill down takes what is left of the page, and outdoes the one that ends it', () => {
    const page = laidBody('a\\vfill b\\newpage c');
    // The last line stands on the bottom of the text, 550 pt below its top less \topskip.
    expect(below(page, 'a', 'b')).toBeCloseTo(540, 0);
    const middle = laidBody('\\vspace*{\\fill}a\\vspace*{\\fill}\\newpage c');
    const [top, bottom] = [page.word('a').y, page.word('b').y];
    expect(Math.abs(middle.word('a').y - (top + bottom) / 2)).toBeLessThan(10);
  });
  it('space at the top of a page is dropped, but not the one with a star', () => {
    const page = laidBody('a\\newpage\\vspace{50pt}b\\newpage\\vspace*{50pt}c');
    expect(page.word('b').y).toBeCloseTo(page.word('a').y, 1);
    expect(page.word('c').y - page.word('a').y).toBeGreaterThan(45);
  });
});

describe('line spacing', () => {
  it.each([
    ['\\usepackage{setspace}\\doublespacing', 12 * 1.667],
    ['\\usepackage{setspace}\\onehalfspacing', 12 * 1.25],
    ['\\usepackage[doublespacing]{setspace}', 12 * 1.667],
    ['\\linespread{1.3}', 12 * 1.3],
    ['\\renewcommand{\\baselinestretch}{2}', 24],
  ])('%s', (preamble, height) => {
    const words = 'water that comes and goes with the moon over the bar '.repeat(3);
    const page = laid(inArticle(`${words}`, preamble));
    const [one, two] = page.lines;
    expect((two?.y ?? 0) - (one?.y ?? 0)).toBeCloseTo(height, 0);
  });
});

describe('breaks', () => {
  it('\\linebreak spreads the words of its line, \\newline does not', () => {
    const right = (command: string): number =>
      laidBody(`\\noindent some words of it${command} more`).lines[0]?.right ?? 0;
    const left = laidBody('\\noindent x').word('x').x;
    expect(right('\\linebreak') - left).toBeCloseTo(345, 0);
    expect(right('\\newline') - left).toBeLessThan(150);
  });
  it('a tie does not break, a discretionary hyphen does', () => {
    const narrow = (text: string): string =>
      laidBody(`\\noindent\\begin{minipage}[t]{40pt}\\hyphenpenalty10000 ${text}\\end{minipage}`)
        .text;
    expect(narrow('\\raggedright of the~quay')).toContain('of | the quay');
    const inParbox = (width: number, text: string, preamble?: string): string =>
      laidBody(`\\noindent\\parbox[t]{${width}pt}{${text}}`, preamble).text;
    expect(inParbox(32, '\\raggedright light\\-house')).toContain('light- | house');
    expect(inParbox(60, '\\raggedright light\\-house')).toContain('lighthouse');
    expect(inParbox(32, '\\raggedright light\\discretionary{-}{}{}house')).toContain(
      'light- | house',
    );
    // Where the document lists a word, nothing else divides it.
    expect(inParbox(38, 'an undivided', '\\hyphenation{undi-vided}')).toContain('an undi- | vided');
  });
  it('pages break where it is said', () => {
    const page = laidBody('a\\newpage b\\clearpage c\\pagebreak d');
    expect(['a', 'b', 'c', 'd'].map((word) => page.word(word).page)).toEqual([0, 1, 2, 2]);
  });
});
