import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';

const WORDS = 'High water comes to the quay twice a day and goes again. ';

describe('footnotes', () => {
  it('are numbered, small, at the foot of the page under a rule', () => {
    const page = laidBody('ebb\\footnote{first} and flood\\footnote{second}');
    expect(page.text).toContain('ebb1 and flood2');
    expect(page.word('first').size).toBeCloseTo(8, 0);
    const [rule] = page.rules;
    expect(rule?.width).toBeCloseTo(0.4 * 345, 0);
    expect(rule?.y ?? 0).toBeLessThan(page.word('first').y);
    // \footnotesep holds two of them apart: a strut of 6.65 pt on a line of 9.5.
    expect(page.word('second').y - page.word('first').y).toBeCloseTo(9.5, 0);
    expect(page.word('second').y).toBeGreaterThan(600);
  });
  it('their marks are raised, and stand before their text in 1.8 em', () => {
    const page = laidBody('\\noindent ebb\\footnote{first}');
    expect(page.word('ebb').y - page.word('1').y).toBeCloseTo(3.63, 0);
    expect(page.word('first').x - page.word('ebb').x).toBeCloseTo(1.8 * 8.5, 0);
  });
  it('come out of figures and tables to the foot of the page, at the top too', () => {
    const page = laidBody(
      'ebb\\begin{figure}[t]x\\footnote{first}\\end{figure} and\n\n' +
        '\\begin{table}[h]\\begin{tabular}{c}y\\footnote{second}\\end{tabular}\\end{table} flood\\footnote{third}',
    );
    const [first, second, third] = ['first', 'second', 'third'].map((note) => page.word(note));
    expect(first?.y).toBeGreaterThan(600);
    expect(second?.y ?? 0).toBeCloseTo((first?.y ?? 0) + 9.54, 1);
    expect(third?.y ?? 0).toBeCloseTo((second?.y ?? 0) + 9.54, 1);
  });
  it('stay in a minipage within a figure, without a finding', () => {
    const body =
      '\\begin{figure}[t]\\begin{minipage}{4cm}x\\footnote{first}\\end{minipage}\\end{figure}';
    expect(laidBody(body).word('first').y).toBeLessThan(300);
    expect(findingsIn(inArticle(body))).toEqual([]);
  });
  it('stand on the page of their mark', () => {
    const page = laidBody('ebb\\footnote{first}\\newpage flood\\footnote{second}');
    expect([page.word('first').page, page.word('second').page]).toEqual([0, 1]);
  });
  it('\\footnotemark and \\footnotetext part mark and text', () => {
    const page = laidBody(
      '\\fbox{ebb\\footnotemark}\\footnotetext{first} and\\footnote[7]{seventh}',
    );
    expect(page.text).toContain('ebb1');
    expect(page.text).toMatch(/1 ?first \| 7 ?seventh/);
  });
  it('in titles and tables stand where they belong', () => {
    const page = laid(
      inArticle(
        '\\section{Ebb\\footnote{of the tide}}\\begin{tabular}{l}a\\end{tabular} b\\footnote{of the sea}',
      ),
    );
    expect(page.text).toMatch(/1 ?of the tide \| 2 ?of the sea/);
  });
  it('long ones go on at the foot of the next page', () => {
    const page = laidBody(`${WORDS.repeat(60)}\\footnote{${WORDS.repeat(60)}last}`);
    expect(page.word('last').page).toBeGreaterThan(0);
    expect(page.word('last').size).toBeCloseTo(8, 0);
  });
  it('chapters number them anew', () => {
    const page = laid(
      '\\documentclass{report}\\begin{document}\\chapter{A}a\\footnote{first}\\chapter{B}b\\footnote{second}\\end{document}',
    );
    expect(page.text).toMatch(/1 ?first/);
    expect(page.text).toMatch(/1 ?second/);
  });
});

describe('margin notes', () => {
  it('stand beside the text, level with their line', () => {
    const page = laidBody('ebb\\marginpar{note} flood');
    expect(page.word('note').y).toBeCloseTo(page.word('ebb').y, 0);
    expect(page.word('note').x).toBeGreaterThan(page.word('ebb').x + 340);
  });
});

describe('references', () => {
  it('say numbers and pages, also of what comes later', () => {
    const page = laidBody('See \\ref{s} on page \\pageref{s}.\\newpage\\section{Ebb}\\label{s}');
    expect(page.text).toContain('See 1 on page 2.');
  });
  it('to equations stand in brackets by \\eqref', () => {
    const page = laidBody('\\begin{equation}\\label{e}x\\end{equation} \\eqref{e}, \\ref{e}');
    expect(page.text).toContain('(1), 1');
  });
  it('to nothing are two question marks, bold, and told', () => {
    const source = inArticle('See \\ref{nosuch}.');
    const page = laid(source);
    expect(page.text).toContain('See ??.');
    expect(page.word('??').font).toContain('bold');
    expect(findingsIn(source).map(({ kind }) => kind)).toEqual(['reference-unknown']);
  });
  it('a label made twice is told', () => {
    const kinds = findingsIn(
      inArticle('\\section{A}\\label{s}\\section{B}\\label{s} \\ref{s}'),
    ).map(({ kind }) => kind);
    expect(kinds).toEqual(['label-repeated']);
  });
  it('\\nameref says the title', () => {
    const page = laidBody(
      '\\section{Ebb and flood}\\label{s} See \\nameref{s}.',
      '\\usepackage{hyperref}',
    );
    expect(page.text).toContain('See Ebb and flood.');
  });
});

describe('text as it is typed', () => {
  it('verbatim keeps lines, blanks and signs, in typewriter', () => {
    const page = laidBody('\\begin{verbatim}\n  a_b  \\c{%}\n$x$\n\\end{verbatim}');
    const text = page.lines.map((line) => line.text.replace(/\u00a0/g, ' ').trim());
    expect(text).toContain('a_b  \\c{%}');
    expect(text).toContain('$x$');
    expect(page.word('$x$').font).toContain('mono');
    expect(page.word('$x$').y - page.word('a_b').y).toBeCloseTo(12, 0);
  });
  it('\\verb takes any sign for its marks', () => {
    const page = laidBody('Type \\verb|\\frac{a}{b}| or \\verb+|x|+ or \\verb*!a b!.');
    expect(page.text).toContain('Type \\frac{a}{b} or |x| or a␣b.');
  });
  it('quotes and dashes are made of what is typed', () => {
    const page = laidBody("``ebb'' `flood' 1--2 a---b ?` !` \\ldots{} \\S{} \\copyright");
    expect(page.text).toContain('“ebb” ‘flood’ 1–2 a—b ¿ ¡ . . . § ©');
  });
  it('signs with a meaning are printed with a backslash', () => {
    expect(laidBody('\\% \\$ \\& \\# \\{ \\} \\textbackslash{} \\textasciitilde').text).toContain(
      '% $ & # { } \\ ~',
    );
  });
  it('accents are put on their letters', () => {
    expect(
      laidBody('\\\'e \\`a \\^o \\"u \\~n \\c{c} \\=a \\v{s} \\H{o} \\r{a} \\i \\ss{} \\aa{} \\o')
        .text,
    ).toContain('é à ô ü ñ ç ā š ő å ıß å ø');
  });
});
