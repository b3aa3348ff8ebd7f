import fc from 'fast-check';
import { fromNumeral } from '../../expansion/numerals';
import { describe, expect, it } from 'vitest';
import { laidBody } from '../../testing/layout';
import { findingsIn, inArticle } from '../../testing/document';

const text = (body: string, preamble?: string): string =>
  laidBody(`\\noindent ${body}`, preamble).text.replace(/ \| 1$/, '');
/** What a counter prints in a style. */
const shown = (style: string, value: number): string =>
  text(`\\newcounter{n}\\setcounter{n}{${value}}[\\${style}{n}]`).slice(1, -1);

describe('how counters are shown', () => {
  it.each([
    ['arabic', 7, '7'],
    ['arabic', -3, '-3'],
    ['alph', 1, 'a'],
    ['alph', 26, 'z'],
    ['Alph', 3, 'C'],
    ['roman', 4, 'iv'],
    ['Roman', 1994, 'MCMXCIV'],
    ['fnsymbol', 1, '∗'],
    ['fnsymbol', 2, '†'],
    ['fnsymbol', 3, '‡'],
  ])('\\%s of %i is %s', (style, value, expected) => {
    expect(shown(style, value)).toBe(expected);
  });
  it('Roman numerals mean their numbers, and no sign stands more than three times', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 3999 }), (value) => {
        const roman = shown('roman', value);
        expect(fromNumeral(roman)).toBe(value);
        expect(roman).not.toMatch(/(.)\1{3}/);
      }),
      { numRuns: 25 },
    );
  });
});

describe('how counters count', () => {
  it('are set, added to, stepped, and used in what computes', () => {
    const source =
      '\\newcounter{n}\\setcounter{n}{3}\\addtocounter{n}{-5}\\say \\stepcounter{n}\\stepcounter{n}\\say \\setcounter{n}{\\value{page}}\\say';
    expect(text(source, '\\newcommand{\\say}{\\arabic{n};}')).toBe('-2;0;1;');
  });
  it('one within another starts anew with it', () => {
    const source =
      '\\newcounter{a}\\newcounter{b}[a]\\stepcounter{b}\\stepcounter{b}\\show\\stepcounter{a}\\show\\stepcounter{b}\\show';
    expect(text(source, '\\newcommand{\\show}{\\arabic{a}.\\arabic{b};}')).toBe('0.2;1.0;1.1;');
  });
  it('\\counterwithin and \\counterwithout change what they start anew with, and how they show', () => {
    const equations = (preamble: string): string =>
      text(
        '\\section{A}\\begin{equation}x\\end{equation}\\section{B}\\begin{equation}x\\end{equation}',
        preamble,
      );
    expect(equations('\\counterwithin{equation}{section}')).toMatch(/\(1\.1\).*\(2\.1\)/);
    expect(equations('\\usepackage{amsmath}\\numberwithin{equation}{section}')).toMatch(
      /\(1\.1\).*\(2\.1\)/,
    );
    expect(
      equations('\\counterwithin{equation}{section}\\counterwithout{equation}{section}'),
    ).toMatch(/\(1\).*\(2\)/);
  });
  it('\\refstepcounter makes a number that can be referred to', () => {
    expect(text('\\newcounter{n}\\refstepcounter{n}\\label{l}x \\ref{l}')).toBe('x 1');
  });
  it('\\the… is what is shown, also in references', () => {
    const source =
      '\\renewcommand{\\thesection}{\\Alph{section}}\\section{Ebb}\\label{l}\\subsection{Low} See \\ref{l}.';
    expect(text(source)).toContain('A Ebb | A.1 Low | See A.');
  });
  it('a counter nobody made is told', () => {
    expect(findingsIn(inArticle('\\setcounter{nosuch}{1}')).map(({ kind }) => kind)).toEqual([
      'counter-unknown',
    ]);
  });
});

describe('what computes', () => {
  it('lengths are set, added and multiplied', () => {
    const page = laidBody(
      '\\noindent\\newlength{\\l}\\setlength{\\l}{10pt}\\addtolength{\\l}{5pt}a\\hspace{2\\l}b\\hspace{-0.5\\l}c',
    );
    expect(page.word('b').x - page.word('a').right).toBeCloseTo(30, 1);
    expect(page.word('c').x - page.word('b').right).toBeCloseTo(-7.5, 1);
  });
  it('calc reads sums in lengths and counters', () => {
    const page = laidBody(
      '\\noindent\\newcounter{n}\\setcounter{n}{2*3+1}\\arabic{n} a\\hspace{1cm-10pt}b\\hspace{\\widthof{mm}}c mm',
      '\\usepackage{calc}',
    );
    expect(page.text).toContain('7 a');
    expect(page.word('b').x - page.word('a').right).toBeCloseTo(28.4528 - 10, 1);
    const wide = page.word('mm').right - page.word('mm').x;
    expect(page.word('c').x - page.word('b').right).toBeCloseTo(wide, 1);
  });
  it('units are what they are', () => {
    const width = (length: string): number => {
      const page = laidBody(`\\noindent a\\hspace*{${length}}b`);
      return page.word('b').x - page.word('a').right;
    };
    expect(width('1in')).toBeCloseTo(72.27, 1);
    expect(width('1cm')).toBeCloseTo(28.4528, 1);
    expect(width('10mm')).toBeCloseTo(28.4528, 1);
    expect(width('72bp')).toBeCloseTo(72.27, 1);
    expect(width('1pc')).toBeCloseTo(12, 1);
    expect(width('1em')).toBeCloseTo(10, 1);
    expect(width('2ex')).toBeCloseTo(8.61, 1);
    expect(width('65536sp')).toBeCloseTo(1, 1);
    expect(width('0.1\\textwidth')).toBeCloseTo(34.5, 1);
    expect(width('.5\\dimexpr 10pt+4pt\\relax')).toBeCloseTo(7, 1);
  });
  it('\\ifnum, \\ifodd, \\ifcase and loops', () => {
    expect(
      text(
        '\\ifnum 3<5 yes\\else no\\fi, \\ifodd 4 odd\\else even\\fi, \\ifcase 2 a\\or b\\or c\\else d\\fi',
      ),
    ).toBe('yes, even, c');
    expect(
      text(
        '\\newcount\\n\\n=0 \\loop\\number\\n,\\advance\\n by 2 \\ifnum\\n<7 \\repeat \\the\\numexpr 3*(4-1)\\relax',
      ),
    ).toBe('0,2,4,6,9');
  });
});

describe('registers by their numbers', () => {
  it.each([
    ['\\setlength{\\skip\\footins}{10pt plus 2pt}', '10.0pt plus 2.0pt'],
    ['\\setlength{\\skip\\footins}{10pt}\\addtolength{\\skip\\footins}{1pt}', '11.0pt'],
    ['\\skip\\footins=4pt\\relax', '4.0pt'],
  ])('%s', (said, wanted) => {
    expect(text('\\the\\skip\\footins', said)).toBe(wanted);
    expect(findingsIn(inArticle('a', said))).toEqual([]);
  });
  it('say how far notes stand from the text', () => {
    const gap = (said: string): number => {
      const page = laidBody('Text\\footnote{Note}\\newpage x', said);
      return page.word('Note').y;
    };
    // The foot of the page stays; what stretches above the notes does not.
    expect(Math.abs(gap('\\setlength{\\skip\\footins}{30pt}') - gap(''))).toBeLessThan(0.5);
  });
});
