import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid, type Laid } from '../../testing/layout';

const paper = (body: string, options = '', preamble = ''): string =>
  `\\documentclass[${options}]{amsart}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
const page = (body: string, options = '', preamble = ''): Laid =>
  laid(paper(body, options, preamble));
const text = (found: Laid): string =>
  found.lines
    .map((line) => line.text)
    .join(' | ')
    .replace(/\s+/g, ' ');
const MATTER =
  '\\title{Title of it}\\author{Ottilie Marr}\\begin{abstract}Summary here.\\end{abstract}\\maketitle ';

/** amsart.cls: its `\@typesizes` and `\@adjustvertspacing`. */
describe('sizes of the AMS classes', () => {
  it.each([
    ['', 'normalsize', 10, 12],
    ['', 'small', 9, 11],
    ['', 'footnotesize', 8, 10],
    ['', 'Small', 8, 10],
    ['', 'scriptsize', 7, 8],
    ['', 'tiny', 6, 7],
    ['', 'large', 10.95, 13],
    ['', 'Huge', 20.74, 24],
    ['11pt', 'normalsize', 10.95, 13],
    ['11pt', 'footnotesize', 9, 11],
    ['12pt', 'normalsize', 12, 14],
    ['12pt', 'tiny', 8, 10],
    ['9pt', 'normalsize', 9, 11],
  ])('[%s] \\%s is %d pt on %d pt', (options, name, size, line) => {
    const found = page(`\\${name} first\\par second`, options);
    expect(found.word('first').size).toBeCloseTo(size, 1);
    expect(found.word('second').y - found.word('first').y).toBeCloseTo(line, 1);
  });
  it.each([
    ['abovedisplayskip', '4.2pt plus 4.2pt'],
    ['belowdisplayskip', '4.2pt plus 4.2pt'],
    ['abovedisplayshortskip', '0.0pt'],
    ['belowdisplayshortskip', '2.1pt plus 2.1pt'],
    ['jot', '3.0pt'],
    ['bigskipamount', '8.4pt plus 8.4pt'],
    ['medskipamount', '4.2pt plus 4.2pt'],
    ['textfloatsep', '15.0pt plus 12.0pt'],
  ])('\\%s is %s', (name, wanted) => {
    expect(text(page(`\\the\\${name}`))).toContain(wanted);
  });
});

describe('a paper of the AMS class', () => {
  it('has its title 42 pt below the top, the authors 30 pt below it, the summary 20 pt below them', () => {
    const found = page(`${MATTER}Text.`);
    const top =
      laid('\\documentclass{amsart}\\begin{document}Top\\end{document}').word('Top').y - 10;
    const title = found.word('TITLE').y;
    expect(title - top).toBeCloseTo(42, 0);
    expect(found.word('OTTILIE').y - title).toBeCloseTo(30, 0);
    expect(found.word('Summary').y - found.word('OTTILIE').y).toBeCloseTo(20, 0);
    expect(found.word('Summary').size).toBeCloseTo(8, 1);
    expect(found.word('Text.').y - found.word('Summary').y).toBeCloseTo(36, 0);
  });
  it.each([
    ['', true],
    ['leqno', true],
    ['reqno', false],
  ])('[%s] has the numbers of formulas at the left: %s', (options, isLeft) => {
    const found = page('\\begin{equation}x=y\\end{equation}', options);
    expect(found.word('(1)').x < found.word('𝑥').x).toBe(isLeft);
  });
  it('may have them at the right by the package', () => {
    const found = page('\\begin{equation}x=y\\end{equation}', '', '\\usepackage[reqno]{amsmath}');
    expect(found.word('(1)').x).toBeGreaterThan(found.word('𝑥').x);
  });
  it.each([
    ['\\subsection{Sub} Text.', '0.1. Sub. Text.'],
    ['\\subsection{Sub?} Text.', '0.1. Sub? Text.'],
    ['\\subsubsection*{Sub} Text.', 'Sub. Text.'],
    ['\\section{One} Text.', '1. One | Text.'],
    ['\\appendix\\section{One} Text.', 'Appendix A. One | Text.'],
  ])('%s', (body, wanted) => {
    expect(text(page(body))).toContain(wanted);
    expect(findingsIn(paper(body))).toEqual([]);
  });
  it('has contents without dots, starred sections and the bibliography among them', () => {
    const body = `\\tableofcontents\\section{One}\\subsection{Sub}\\section*{Thanks}\\appendix\\section{More}\\begin{thebibliography}{9}\\bibitem{a} Marr\\end{thebibliography}`;
    const shown = text(page(body))
      .split('|')
      .map((line) => line.trim());
    expect(shown.slice(0, 6)).toEqual([
      'Contents',
      '1. One 1',
      '1.1. Sub 1',
      'Thanks 1',
      'Appendix A. More 1',
      'References 1',
    ]);
  });
  it('sets the bibliography in small type', () => {
    const found = page('\\begin{thebibliography}{9}\\bibitem{a} Marr\\end{thebibliography}');
    expect(found.word('Marr').size).toBeCloseTo(8, 1);
  });
  it('has lists with numbers in round brackets, close together', () => {
    const body =
      'Above\\begin{enumerate}\\item one\\item two\\begin{enumerate}\\item three\\end{enumerate}\\end{enumerate}';
    const found = page(body);
    expect(text(found)).toContain('(1) one | (2) two | (a) three');
    expect(found.word('two').y - found.word('one').y).toBeCloseTo(12, 1);
    // `\listisep` is `\smallskipamount`.
    expect(found.word('one').y - found.word('Above').y).toBeCloseTo(12 + 2.1, 0);
  });
  it.each([
    ['figure', 'X\\caption{Ebb}', 'X', 'Figure 1. Ebb'],
    ['table', '\\caption{Ebb}X', 'X', 'Table 1. Ebb'],
  ])('has captions of a %s in small capitals', (name, inner, _, wanted) => {
    expect(text(page(`\\begin{${name}}[h]${inner}\\end{${name}}`)).toLowerCase()).toContain(
      wanted.toLowerCase(),
    );
  });
  it('leaves captions to the package for them', () => {
    const found = page(
      '\\begin{figure}[h]\\caption{Ebb}\\end{figure}',
      '',
      '\\usepackage[labelsep=endash]{caption}',
    );
    expect(text(found)).toContain('Figure 1 – Ebb');
  });
  it('has half a line around theorems, as the class or the document says', () => {
    const gap = (preamble: string): number => {
      const found = page(
        'Above\\begin{thm}Statement\\end{thm}',
        '',
        `\\newtheorem{thm}{Theorem}${preamble}`,
      );
      return found.word('Statement').y - found.word('Above').y;
    };
    expect(gap('')).toBeCloseTo(12 + 6, 0);
    const own =
      '\\makeatletter\\def\\thm@space@setup{\\thm@preskip=20pt \\thm@postskip=20pt}\\makeatother';
    expect(gap(own)).toBeCloseTo(12 + 20, 0);
  });
  it('ends with the addresses, each author’s apart', () => {
    const body = `\\author{Marr}\\address{Harbour College\\\\Quay}\\email{m@h.example}\\author{Tarn}\\address{Lantern Institute}${MATTER}Text.`;
    const found = page(body);
    expect(text(found).toLowerCase()).toContain('harbour college, quay');
    const gap = found.word('Lantern').y - found.word('m@h.example').y;
    expect(gap).toBeGreaterThan(15);
  });
});
