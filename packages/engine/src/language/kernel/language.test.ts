import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import { bodyLines, inArticle, linesOf, typeset } from '../../testing/document';

const AMS = '\\usepackage{amsmath,amssymb,amsthm}';

/** Width and places of the page in pt. */
function geometry(text: string) {
  const g = typeset(text).pages[0]?.geometry;
  if (!g) throw new Error('no page');
  const pt = (v: number): number => Math.round((v / PT) * 100) / 100;
  return { width: pt(g.textWidth), height: pt(g.textHeight), left: pt(g.left), top: pt(g.top) };
}

describe('the article class', () => {
  // The figures that the class works out: article.cls with size10.clo, size11.clo, size12.clo.
  it.each([
    ['', 345, 550, 62],
    ['11pt', 360, 541.4, 54],
    ['12pt', 390, 548.5, 39],
    ['a4paper', 345, 598, 53],
  ])('has the text block of the standard class: [%s]', (options, width, height, margin) => {
    const found = geometry(`\\documentclass[${options}]{article}\\begin{document}x\\end{document}`);
    expect(found.width).toBe(width);
    expect(found.height).toBeCloseTo(height, 1);
    expect(found.left).toBeCloseTo(72.27 + margin, 1);
  });
  it('sets lines 12 pt apart, the first 10 pt below the top', () => {
    const [page] = typeset(inArticle('one\\\\two')).pages;
    const [first, second] = page?.placed.map(({ y }) => y / PT) ?? [];
    expect((second as number) - (first as number)).toBeCloseTo(12, 5);
    expect(first as number).toBeCloseTo((page?.geometry.top ?? 0) / PT + 10, 5);
  });
  it('indents paragraphs by 15 pt, and not the one behind a heading', () => {
    const placed = typeset(inArticle('\\section{A}\n\nfirst\n\nsecond')).pages[0]?.placed ?? [];
    const indents = placed
      .slice(1)
      .map(({ box }) => (box.children.find(({ item }) => item.kind === 'run')?.x ?? 0) / PT);
    expect(indents).toEqual([0, 15]);
  });
});

describe('headings', () => {
  it('number themselves to three levels; starred ones do not', () => {
    const lines = bodyLines(
      '\\section{A}\\subsection{B}\\subsubsection{C}\\section*{D}\\section{E}\\subsection{F}',
    );
    expect(lines).toEqual(['1 A', '1.1 B', '1.1.1 C', 'D', '2 E', '2.1 F']);
  });
});

describe('lists', () => {
  it('nest, with the marks and numbers of the class', () => {
    const body =
      '\\begin{enumerate}\\item a\\begin{enumerate}\\item b\\item c\\begin{enumerate}\\item d\\end{enumerate}\\end{enumerate}\\item e\\end{enumerate}';
    expect(bodyLines(body)).toEqual(['1. a', '(a) b', '(b) c', 'i. d', '2. e']);
  });
  it('point at their numbers', () => {
    const body =
      '\\begin{enumerate}\\item a\\begin{enumerate}\\item\\label{x} b\\end{enumerate}\\end{enumerate} See \\ref{x}.';
    expect(bodyLines(body).at(-1)).toBe('See 1a.');
  });
  it('take labels of their own', () => {
    expect(bodyLines('\\begin{itemize}\\item[A] x\\item y\\end{itemize}')).toEqual(['A x', '• y']);
    const enumitem = `${AMS}\\usepackage{enumitem}`;
    expect(
      bodyLines('\\begin{enumerate}[label=(\\alph*)]\\item x\\item y\\end{enumerate}', enumitem),
    ).toEqual(['(a) x', '(b) y']);
    const forAll = `${enumitem}\\setlist[enumerate]{label=\\Alph*}\\setlist{noitemsep}`;
    expect(bodyLines('\\begin{enumerate}\\item x\\end{enumerate}', forAll)).toEqual(['A x']);
  });
});

describe('theorems', () => {
  const declare = `${AMS}\\newtheorem{thm}{Theorem}[section]\\newtheorem{lem}[thm]{Lemma}\\newtheorem*{rem}{Remark}`;
  it('count together and within sections', () => {
    const body =
      '\\section{A}\\begin{thm}x\\end{thm}\\begin{lem}\\label{l}y\\end{lem}\\section{B}\\begin{thm}[Ebb]z\\end{thm}\\begin{rem}w\\end{rem}See \\ref{l}.';
    expect(bodyLines(body, declare)).toEqual([
      '1 A',
      'Theorem 1.1. x',
      'Lemma 1.2. y',
      '2 B',
      'Theorem 2.1 (Ebb). z',
      'Remark. w',
      'See 1.2.',
    ]);
  });
  it('proofs end with their mark at the right margin, also in a display', () => {
    const ends = (body: string) => {
      const page = typeset(inArticle(body, AMS)).pages[0];
      return (
        page?.placed.map(({ box }) => box.children.at(-1)?.x ?? 0).map((x) => x / PT > 330) ?? []
      );
    };
    expect(ends('\\begin{proof}By symmetry.\\end{proof}')).toEqual([true]);
    expect(ends('\\begin{proof}So \\[x = y. \\qedhere\\]\\end{proof}')).toEqual([false, true]);
  });
});

describe('displays', () => {
  it('number their rows and stop when told to', () => {
    const body =
      '\\begin{align}a&=b\\\\c&=d\\notag\\\\e&=f\\label{x}\\end{align}\\eqref{x}\\begin{equation*}g\\end{equation*}';
    const lines = bodyLines(body);
    expect(lines.filter((line) => /\(\d\)$/.test(line)).length).toBe(3);
    expect(lines).toContain('(2)');
  });
  it('take a tag in place of the number', () => {
    expect(bodyLines('\\begin{equation}a=b\\tag{T}\\label{t}\\end{equation}\\ref{t}').at(-1)).toBe(
      'T',
    );
  });
  it('leave the paragraph open when text follows at once', () => {
    const placed = typeset(inArticle('A\n\\[x\\]\nb\n\nc')).pages[0]?.placed ?? [];
    const indent = placed.map(
      ({ box }) => (box.children.find(({ item }) => item.kind === 'run')?.x ?? 0) / PT,
    );
    expect([indent[2], indent[3]]).toEqual([0, 15]);
  });
  it('can be opened and closed by an environment of the document', () => {
    const own = `${AMS}\\newenvironment{eq}{\\begin{equation}}{\\end{equation}}\\newenvironment{items}{\\begin{itemize}}{\\end{itemize}}`;
    const text = inArticle('\\begin{eq}x=1\\end{eq}\\begin{items}\\item a\\end{items}', own);
    expect(typeset(text).findings()).toEqual([]);
    expect(linesOf(typeset(text)).find((line) => line !== '')).toMatch(/\(1\)$/);
  });
});

describe('text', () => {
  it('prints escaped characters, accents and dashes', () => {
    expect(bodyLines('100\\% \\& \\#1 \\$5 \\{c\\}')).toEqual(['100% & #1 $5 {c}']);
    expect(bodyLines('caf\\\'e na\\"{\\i}ve \\v{c}')).toEqual(['café naïve č']);
    expect(bodyLines("pages 3--7 --- ``so'' it's")).toEqual(['pages 3–7 — “so” it’s']);
  });
  it('changes its font within a group only', () => {
    const page = typeset(inArticle('a \\textbf{b} \\emph{c} {\\ttfamily d} e')).pages[0];
    const fonts = page?.placed[0]?.box.children.flatMap(({ item }) =>
      item.kind === 'run' ? [item.font.name] : [],
    );
    expect(fonts).toEqual([
      'lmroman10-regular',
      'lmroman10-bold',
      'lmroman10-italic',
      'lmmono10-regular',
      'lmroman10-regular',
    ]);
  });
  it('puts more space behind a sentence, not behind a capital', () => {
    const gap = (body: string): number => {
      const box = typeset(inArticle(`\\noindent ${body}`)).pages[0]?.placed[0]?.box;
      const [a, b] = box?.children.filter(({ item }) => item.kind === 'run') ?? [];
      return a && b ? (b.x - a.x - a.item.width) / PT : 0;
    };
    expect(gap('tide. Next')).toBeCloseTo(4.44, 1);
    expect(gap('NASA. next')).toBeCloseTo(3.33, 1);
    expect(gap('tide, next')).toBeCloseTo(3.33, 1);
  });
  it('prints title, authors and the day', () => {
    const text =
      '\\documentclass{article}\\title{Tides}\\author{M. Quill\\\\North Pier\\and I. Brandt}\\begin{document}\\maketitle x\\end{document}';
    expect(linesOf(typeset(text)).join(' | ')).toContain('March 1, 2026');
    expect(linesOf(typeset(text)).join(' ')).toMatch(/Tides M\. Quill/);
  });
  it('breaks lines with space below, and pages', () => {
    const placed = typeset(inArticle('a\\\\[1cm]b\\newpage c')).pages;
    expect(placed.length).toBe(2);
    const [a, b] = placed[0]?.placed ?? [];
    expect(((b?.y ?? 0) - (a?.y ?? 0)) / PT).toBeCloseTo(12 + 28.45, 1);
  });
  it('sets tables and boxes', () => {
    const table =
      '\\begin{tabular}{|l|r|}\\hline North & 06:40\\\\\\hline South & 7\\\\\\hline\\end{tabular}';
    expect(typeset(inArticle(table)).findings()).toEqual([]);
    expect(bodyLines(table)[0]).toContain('North 06:40');
    expect(bodyLines('\\fbox{a} \\parbox{3cm}{b c} \\mbox{d}')[0]).toBe('a b c d');
  });
});
