import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import { findingsIn, linesOf, typeset } from '../../testing/document';

const doc = (head: string, body: string): string =>
  `\\documentclass${head}\n\\begin{document}\n${body}\n\\end{document}\n`;
const lines = (head: string, body: string): string[] =>
  linesOf(typeset(doc(head, body)))
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter((line) => line !== '');
const flat = (head: string, body: string): string => lines(head, body).join(' | ');
const pagesOf = (head: string, body: string) => typeset(doc(head, body)).pages;
const pt = (v: number): number => Math.round((v / PT) * 100) / 100;

describe('measures of the classes', () => {
  // [options]class, text width, distance of its left edge from the paper's on odd and even pages.
  it.each([
    // size10.clo, one column: 345 pt, margins even.
    ['{article}', 345, 134.27, 134.27],
    // size10.clo, two columns: paper less two inches, whole points.
    ['[twocolumn]{article}', 469, 72.27, 72.27],
    // size10.clo, two sides: 0.4 and 0.6 of the margin.
    ['[twoside]{article}', 345, 107.27, 161.27],
    // bk10.clo: 345 pt, two sides.
    ['{book}', 345, 107.27, 161.27],
    // letter.cls: 365 pt at 10 pt.
    ['{letter}', 365, 124.27, 124.27],
    // amsart.cls: 30 pc.
    ['{amsart}', 360, 127.15, 127.15],
  ])('%s', (head, width, odd, even) => {
    const g = pagesOf(head, 'x')[0]?.geometry;
    expect(pt(g?.textWidth ?? 0)).toBe(width);
    expect(pt(g?.left ?? 0)).toBeCloseTo(odd, 1);
    expect(pt(g?.evenLeft ?? 0)).toBeCloseTo(even, 1);
  });
  it('has head and foot of book by size (bk10.clo: a quarter of an inch, .35 in)', () => {
    const g = pagesOf('{book}', 'x')[0]?.geometry;
    expect(pt(g?.headSep ?? 0)).toBeCloseTo(18.07, 1);
    expect(pt(g?.footSkip ?? 0)).toBeCloseTo(25.29, 1);
  });
  it('turns the paper for landscape', () => {
    const g = pagesOf('[a4paper,landscape]{article}', 'x')[0]?.geometry;
    expect(pt(g?.paperWidth ?? 0)).toBeCloseTo(845.05, 1);
  });
  it('has flush bottoms on two sides and ragged ones on one', () => {
    expect(pagesOf('[twoside]{article}', 'x')[0]?.geometry.raggedBottom).toBe(false);
    expect(pagesOf('{article}', 'x')[0]?.geometry.raggedBottom).toBe(true);
  });
});

describe('chapters', () => {
  it('start a page, set what is counted in them back, and number with letters in the appendix', () => {
    const body =
      '\\chapter{A}\\begin{equation}x\\end{equation}\\begin{equation}y\\end{equation}\\section{S}' +
      '\\chapter{B}\\begin{equation}z\\end{equation}\\section{T}\\footnote{n}' +
      '\\appendix\\chapter{C}\\section{U}\\begin{equation}w\\end{equation}';
    const found = flat('{report}', body);
    for (const part of [
      'Chapter 1 | A',
      '(1.1)',
      '(1.2)',
      '1.1 S',
      'Chapter 2 | B',
      '(2.1)',
      '2.1 T',
      'Appendix A | C',
      'A.1 U',
      '(A.1)',
    ])
      expect(found).toContain(part);
    expect(pagesOf('{report}', body)).toHaveLength(3);
  });
  it('begin on right-hand pages of a book', () => {
    const pages = pagesOf('{book}', '\\chapter{A}x\\chapter{B}y');
    expect(pages.map(({ number, placed }) => [number, placed.length > 0])).toEqual([
      [1, true],
      [2, false],
      [3, true],
    ]);
  });
  it('are not there in article: that is said', () => {
    expect(findingsIn(doc('{article}', '\\chapter{A}')).map(({ kind }) => kind)).toEqual([
      'chapters-missing',
    ]);
  });
  it('count footnotes anew in each, and not in article', () => {
    const body = '\\chapter{A}a\\footnote{x}b\\footnote{y}\\chapter{B}c\\footnote{z}';
    const marks = lines('{report}', body).filter(
      (line) => /^\d [xyz]$|^\d$/.test(line) || /[abc]\d/.test(line),
    );
    expect(marks.join(' ')).toContain('c1');
  });
  it('have no numbers in the front matter', () => {
    const found = flat(
      '{book}',
      '\\frontmatter\\chapter{P}\\mainmatter\\chapter{Q}\\backmatter\\chapter{R}',
    );
    expect(found).toContain('Chapter 1 | Q');
    expect(found).not.toContain('Chapter 2');
    expect(found).not.toContain('Chapter 0');
  });
});

describe('the appendix of article', () => {
  it('has letters for sections', () => {
    const found = lines(
      '{article}',
      '\\section{A}\\appendix\\section{B}\\subsection{C}\\label{c}\\ref{c}',
    );
    expect(found.slice(0, 3)).toEqual(['1 A', 'A B', 'A.1 C']);
  });
});

describe('page styles', () => {
  const foot = (head: string, body: string): (string | undefined)[] => {
    const session = typeset(doc(head, body));
    return session.pages.map((page) => {
      const all = linesOf({
        ...session,
        pages: [page],
        describe: session.describe.bind(session),
      } as never);
      return all.at(-1);
    });
  };
  it('hold for one page by \\thispagestyle, from here on by \\pagestyle', () => {
    expect(
      foot('{article}', '\\thispagestyle{empty}a\\newpage b\\newpage\\pagestyle{empty}c'),
    ).toEqual(['a', '2', 'c']);
  });
  it('number in the style of \\pagenumbering, counting anew', () => {
    expect(
      foot('{article}', '\\pagenumbering{roman}a\\newpage b\\newpage\\pagenumbering{arabic}c'),
    ).toEqual(['i', 'ii', '1']);
  });
  it('take the number that \\setcounter{page} gives', () => {
    expect(foot('{article}', '\\setcounter{page}{7}a\\newpage b')).toEqual(['7', '8']);
  });
  it('carry the section in heads', () => {
    const found = flat('{article}', '\\pagestyle{headings}\\section{Tides}a\\newpage b');
    expect(found).toContain('1 TIDES 2');
  });
  it('leave the page of a title page without a number, and count from 1 behind it', () => {
    const found = lines('[titlepage]{article}', '\\title{T}\\author{A}\\date{D}\\maketitle text');
    expect(found).toEqual(['T', 'A', 'D', 'text', '1']);
  });
});

describe('contents', () => {
  it('list headings to the depth of the class with their pages, starred ones not', () => {
    const body =
      '\\tableofcontents\\newpage\\section{A}\\subsection{B}\\section*{C}\\newpage\\section{D}';
    const found = lines('{article}', body);
    const toc = found.slice(0, found.indexOf('1'));
    expect(toc).toEqual(['Contents', '1 A 2', expect.stringMatching(/^1\.1 B( \.)+ 2$/), '2 D 3']);
  });
  it('take the short title, and lines added by hand', () => {
    const body =
      '\\tableofcontents\\section[Short]{A very long title}\\addcontentsline{toc}{section}{By hand}';
    expect(flat('{article}', body)).toContain('1 Short 1 | By hand 1');
  });
  it('go as deep as tocdepth says', () => {
    const body = '\\setcounter{tocdepth}{1}\\tableofcontents\\section{A}\\subsection{B}';
    expect(lines('{article}', body).filter((line) => line.includes('B'))).toEqual(['1.1 B']);
  });
  it('come right after an edit, too', () => {
    const session = typeset(doc('{article}', '\\tableofcontents\n\n\\section{A}\n\ntext\n'));
    const at = session.text.indexOf('\\section{A}');
    session.edit(at, at, '\\section{New}\n\n');
    session.settleAll();
    expect(linesOf(session).slice(0, 3)).toEqual(['Contents', '1 New 1', '2 A 1']);
  });
});

describe('footnotes', () => {
  it('stand at the foot of their page, in order', () => {
    const found = lines('{article}', 'a\\footnote{first} b\\footnote{second}');
    expect(found.slice(-5).join(' ')).toMatch(/1 first.*2 second|first.*second/);
  });
  it('in a minipage are letters at its own foot', () => {
    const body = '\\begin{minipage}{5cm}a\\footnote{inside}\\end{minipage} b\\footnote{outside}';
    const found = flat('{article}', body);
    expect(found).toContain('aa');
    expect(found.indexOf('inside')).toBeLessThan(found.indexOf('outside'));
  });
  it('go on to the next page when there is no room', () => {
    const long = Array.from(
      { length: 70 },
      (_, i) => `word${i} and more of it to fill the line`,
    ).join(' ');
    const body = `${Array.from({ length: 39 }, () => 'line\\\\').join('')}last\\footnote{${long}}\\par more\\par text`;
    const [first, second] = pagesOf('{article}', body);
    expect(first?.overfull ?? 99).toBeLessThan(PT);
    expect(second).toBeDefined();
  });
  it('take the symbols of \\thanks in a title', () => {
    const found = flat(
      '{article}',
      '\\title{T}\\author{A\\thanks{x}}\\date{}\\maketitle a\\footnote{y}',
    );
    expect(found).toContain('A∗');
    expect(found).toContain('a1');
  });
});

describe('floats', () => {
  const FILL = Array.from({ length: 30 }, (_, i) => `Line ${i}.\\par `).join('');
  it('never overtake one of their kind', () => {
    const big = '\\begin{figure}[t]\\rule{1cm}{12cm}\\caption{big}\\end{figure}';
    const small = '\\begin{figure}[t]\\rule{1cm}{1cm}\\caption{small}\\end{figure}';
    const found = flat('{article}', `${FILL}${big}${small}${FILL}${FILL}`);
    expect(found.indexOf('Figure 1: big')).toBeLessThan(found.indexOf('Figure 2: small'));
  });
  it('stay where they are with h when there is room', () => {
    const found = lines(
      '{article}',
      'before\n\n\\begin{figure}[h]x\\caption{here}\\end{figure}\n\nafter',
    );
    expect(found.slice(0, 4)).toEqual(['before', 'x', 'Figure 1: here', 'after']);
  });
  it('are all placed by \\clearpage and at the end', () => {
    const float = '\\begin{table}[p]\\caption{t}\\end{table}';
    expect(flat('{article}', `a${float}\\clearpage b`)).toMatch(/a.*Table 1: t.*b/);
    expect(flat('{article}', `a${float}`)).toMatch(/a.*Table 1: t/);
  });
  it('are named by a label behind the caption, by the section before it', () => {
    const body =
      '\\section{S}\\begin{figure}[h]\\label{early}\\caption{c}\\label{late}\\end{figure}\\ref{early}-\\ref{late} x';
    expect(flat('{article}', body)).toContain('1-1 x');
    const second = body.replace('\\section{S}', '\\section{R}\\section{S}');
    expect(flat('{article}', second)).toContain('2-1 x');
  });
});

describe('two columns', () => {
  it('have a title over both, and fill the left one first', () => {
    const body = `\\title{T}\\author{A}\\date{}\\maketitle ${Array.from({ length: 60 }, (_, i) => `L${i}\\par `).join('')}`;
    const [page] = pagesOf('[twocolumn]{article}', body);
    const xs = new Set((page?.placed ?? []).map(({ x }) => Math.round(x / PT)));
    expect(xs.has(72)).toBe(true);
    expect([...xs].some((x) => x > 300)).toBe(true);
  });
  it('balance in multicols', () => {
    const body = '\\begin{multicols}{2}a\\par b\\par c\\par d\\end{multicols}';
    const text = `\\documentclass{article}\\usepackage{multicol}\\begin{document}${body}\\end{document}`;
    const box = typeset(text).pages[0]?.placed[0]?.box;
    const columns = new Set((box?.children ?? []).map(({ x }) => Math.round(x / PT)));
    expect(columns.size).toBe(2);
  });
});
