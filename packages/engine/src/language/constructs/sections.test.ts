import { describe, expect, it } from 'vitest';
import { inArticle } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';

const WORDS = 'High water comes to the quay twice a day and goes again. ';
const inClass = (name: string, body: string, preamble = ''): string =>
  `\\documentclass{${name}}${preamble}\\begin{document}${body}\\end{document}`;

describe('headings', () => {
  it('are numbered by their rank, in sizes of their own, bold', () => {
    const page = laidBody(
      '\\section{Ebb}\\subsection{Low}\\subsubsection{Neap}\\section{Flood}\\subsection{High}',
    );
    expect(page.text).toContain('1 Ebb | 1.1 Low | 1.1.1 Neap | 2 Flood | 2.1 High');
    const sizes = ['Ebb', 'Low', 'Neap'].map((word) => page.word(word).size);
    // \Large, \large and \normalsize of 10 pt.
    [14.4, 12, 10].forEach((size, i) => expect(sizes[i]).toBeCloseTo(size, 1));
    for (const word of ['Ebb', 'Low', 'Neap']) expect(page.word(word).font).toContain('bold');
  });
  it('stand a quad from their number, and the paragraph behind them is not indented', () => {
    const page = laidBody(`\\section{Ebb}\nfirst ${WORDS}\n\nsecond ${WORDS}`);
    const number = page.word('1');
    expect(page.word('Ebb').x - number.right).toBeCloseTo(16.2, 0);
    expect(page.word('first').x).toBeCloseTo(number.x, 0);
    expect(page.word('second').x - number.x).toBeCloseTo(15, 0);
  });
  it('have their room above and below', () => {
    const page = laidBody(`before\n\n\\section{Ebb}\nafter`);
    // 2.3 ex below, 3.5 ex above (article), from baseline to baseline.
    expect(page.word('after').y - page.word('Ebb').y).toBeCloseTo(12 + 2.3 * 4.3055, 0);
    expect(page.word('Ebb').y - page.word('before').y).toBeCloseTo(18 + 3.5 * 4.3055, 0);
  });
  it('with a star have no number, and do not count', () => {
    expect(laidBody('\\section*{Ebb}\\section{Flood}').text).toContain('Ebb | 1 Flood');
  });
  it('\\paragraph runs in: bold, an em before its text', () => {
    const page = laidBody(`\\paragraph{Tide} ${WORDS}`);
    expect(page.lines[0]?.text).toMatch(/^Tide ?High water/);
    expect(page.word('Tide').font).toContain('bold');
    expect(page.word('High').x - page.word('Tide').right).toBeCloseTo(10, 0);
  });
  it('secnumdepth says how deep they are numbered', () => {
    const page = laidBody('\\setcounter{secnumdepth}{1}\\section{Ebb}\\subsection{Low}');
    expect(page.text).toContain('1 Ebb | Low');
  });
  it('never stand alone at the foot of a page', () => {
    const filler = Array.from({ length: 44 }, (_, i) => `line ${i}\\\\`).join('\n');
    const page = laidBody(`${filler} last\n\n\\section{Ebb}\n${WORDS}`);
    expect(page.word('Ebb').page).toBe(page.word('High').page);
  });
  it('\\appendix counts with letters', () => {
    expect(laidBody('\\section{Ebb}\\appendix\\section{Tables}\\subsection{High}').text).toContain(
      '1 Ebb | A Tables | A.1 High',
    );
    const report = laid(inClass('report', '\\chapter{Ebb}\\appendix\\chapter{Tables}'));
    expect(report.text).toContain('Appendix A');
  });
});

describe('chapters', () => {
  it('start pages, have a line for their number, and start sections anew', () => {
    const page = laid(
      inClass('report', '\\chapter{Ebb}\\section{Low}\\chapter{Flood}\\section{High}'),
    );
    expect(page.text).toContain('Chapter 1');
    expect(page.text).toContain('1.1 Low');
    expect(page.text).toContain('2.1 High');
    expect(page.word('Flood').page).toBe(page.word('Ebb').page + 1);
    expect(page.word('Ebb').size).toBeCloseTo(24.88, 0);
    expect(page.word('Chapter').size).toBeCloseTo(20.74, 0);
  });
  it('of a book start on right-hand pages, and its matter is numbered apart', () => {
    const page = laid(
      inClass(
        'book',
        '\\frontmatter\\chapter{Before}\\mainmatter\\chapter{Ebb}x\\chapter{Flood}\\backmatter\\chapter{After}',
      ),
    );
    expect(page.word('Ebb').page % 2).toBe(0);
    expect(page.word('Flood').page - page.word('Ebb').page).toBe(2);
    expect(page.text).not.toContain('Chapter 3');
  });
});

describe('contents', () => {
  it('list headings with their pages, by their rank', () => {
    const page = laidBody(
      '\\tableofcontents\\section{Ebb}\\subsection{Low}\\newpage\\section{Flood}\\section*{Hidden}',
    );
    const entries = page.lines.map(({ text }) => text.replace(/( ?\.){3,} ?/, ' … '));
    expect(entries).toContain('1 Ebb 1');
    expect(entries).toContain('1.1 Low … 1');
    expect(entries).toContain('2 Flood 2');
    expect(page.text.match(/Hidden/g)).toHaveLength(1);
    // Subsections are indented by 1.5 em.
    expect(page.word('1.1').x - page.word('Contents').x).toBeCloseTo(15, 0);
  });
  it('take the short title, and lines of one’s own', () => {
    const page = laidBody(
      '\\tableofcontents\\section[Short]{A long title}\\addcontentsline{toc}{section}{By hand}',
    );
    expect(page.lines.map(({ text }) => text)).toContain('1 Short 1');
    expect(page.text).toContain('By hand 1');
  });
  it('tocdepth says how deep they go', () => {
    const page = laidBody(
      '\\setcounter{tocdepth}{1}\\tableofcontents\\section{Ebb}\\subsection{Low}',
    );
    expect(page.text.match(/Low/g)).toHaveLength(1);
  });
  it('lists of figures and tables say what stands where', () => {
    const float = (kind: string, text: string): string =>
      `\\begin{${kind}}[h]x\\caption{${text}}\\end{${kind}}`;
    const page = laid(
      inArticle(
        `\\listoffigures\\listoftables ${float('figure', 'Lamp')}${float('table', 'Tides')}`,
      ),
    );
    expect(page.text).toContain('List of Figures');
    expect(page.text).toMatch(/1 ?Lamp[ .]*1/);
    expect(page.text).toContain('List of Tables');
    expect(page.text).toMatch(/1 ?Tides[ .]*1/);
  });
});

describe('titles', () => {
  it('stand in the middle: title, author, date, each in its size', () => {
    const page = laidBody('\\title{Ebb}\\author{Maren Quill}\\date{May}\\maketitle text');
    const middle = (word: string): number => (page.word(word).x + page.word(word).right) / 2;
    expect(middle('Ebb')).toBeCloseTo(middle('Maren Quill'), 0);
    expect(middle('May')).toBeCloseTo(middle('Ebb'), 0);
    expect(page.word('Ebb').size).toBeCloseTo(17.28, 0);
    expect(page.word('Maren').size).toBeCloseTo(12, 0);
    expect(page.word('May').size).toBeCloseTo(12, 0);
  });
  it('several authors stand beside one another; thanks are notes', () => {
    const page = laidBody(
      '\\title{Ebb\\thanks{For the pilots}}\\author{Ann \\and Ben\\thanks{At the quay}}\\date{}\\maketitle',
    );
    expect(page.word('Ann').y).toBeCloseTo(page.word('Ben').y, 1);
    expect(page.text).toContain('For the pilots');
    expect(page.word('At the quay').y).toBeGreaterThan(page.word('Ann').y + 300);
  });
  it('titlepage has a page of its own', () => {
    const page = laid(
      '\\documentclass[titlepage]{article}\\title{Ebb}\\author{A}\\date{May}\\begin{document}\\maketitle text\\end{document}',
    );
    expect([page.word('Ebb').page, page.word('text').page]).toEqual([0, 1]);
  });
  it('an abstract is small, between margins, under its name', () => {
    const page = laidBody(`\\begin{abstract}${WORDS.repeat(4)}\\end{abstract}\n\nafter`);
    expect(page.word('Abstract').font).toContain('bold');
    expect(page.word('High').size).toBeCloseTo(9, 0);
    expect(page.lines[2]?.x).toBeGreaterThan(page.word('after').x);
  });
});
