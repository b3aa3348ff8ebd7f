import { describe, expect, it } from 'vitest';
import { findingsIn, linesOf, typeset } from '../../testing/document';
import { laid } from '../../testing/layout';

const PT_PER_BP = 72.27 / 72;
const sizes = (source: string): number[][] => {
  const session = typeset(source);
  return session.pages.map((page) => {
    const { width, height } = session.describe(page);
    return [width * PT_PER_BP, height * PT_PER_BP].map((n) => Math.round(10 * n) / 10);
  });
};

describe('standalone', () => {
  const alone = (options: string, body: string): string =>
    `\\documentclass[${options}]{standalone}\\usepackage{tikz}\\begin{document}${body}\\end{document}`;
  const square = '\\begin{tikzpicture}\\fill (0pt,0pt) rectangle (40pt,30pt);\\end{tikzpicture}';
  it.each([
    ['border=0pt', [40, 30]],
    ['border=5pt', [50, 40]],
    ['tikz,border={10pt 2pt}', [60, 34]],
    ['border={1pt 2pt 3pt 4pt}', [44, 36]],
    ['crop=false', [614.3, 795]],
  ])('[%s]: the page is as large as what is on it', (options, size) => {
    const [page] = sizes(alone(options, square));
    page?.forEach((length, i) => expect(length).toBeCloseTo(size[i] as number, 0));
  });
  it('a page for each', () => {
    const two = alone('border=1pt', `${square}\\newpage\\rule{10pt}{5pt}`);
    expect(sizes(two).map((size) => size.map(Math.round))).toEqual([
      [42, 32],
      [12, 7],
    ]);
  });
  it('what is higher than any paper is one page', () => {
    const high = alone('border=0pt', '\\rule{5pt}{2000pt}');
    expect(sizes(high)).toEqual([[5, 2000]]);
    expect(findingsIn(high)).toEqual([]);
  });
  it('words stand where they are clicked', () => {
    const { word } = laid(alone('border=7pt', 'tide'));
    expect(word('tide').x).toBeCloseTo(7, 1);
  });
});

describe('More sizes', () => {
  it.each([
    ['8pt', 8],
    ['9pt', 9],
    ['14pt', 14.4],
    ['17pt', 17.28],
    ['20pt', 20.74],
    ['12pt', 12],
  ])('extarticle [%s]', (option, size) => {
    const { word } = laid(
      `\\documentclass[${option}]{extarticle}\\begin{document}tide \\Large flow\\end{document}`,
    );
    expect(word('tide').size).toBeCloseTo(size, 1);
    expect(word('flow').size).toBeGreaterThan(1.2 * size);
  });
  it('the standard classes have none of them, which is told', () => {
    const [found] = findingsIn('\\documentclass[14pt]{article}\\begin{document}a\\end{document}');
    expect(found?.kind).toBe('option-unknown');
  });
});

describe('memoir', () => {
  const memoir = (preamble: string, body: string, options = 'oneside,openany'): string =>
    `\\documentclass[${options}]{memoir}${preamble}\\begin{document}${body}\\end{document}`;
  it('numbers down to the level that is said', () => {
    const body = '\\chapter{C}\\section{A}\\subsection{B}';
    expect(laid(memoir('', body)).text).toMatch(/1\.1 A \| B/);
    expect(laid(memoir('\\setsecnumdepth{subsection}', body)).text).toContain('1.1.1 B');
    expect(laid(memoir('\\setsecnumdepth{chapter}', body)).text).not.toContain('1.1');
  });
  it('has heads and feet of its own', () => {
    const style =
      '\\makepagestyle{mine}\\makeoddhead{mine}{left}{mid}{right}\\makeoddfoot{mine}{}{p. \\thepage}{}\\pagestyle{mine}';
    const { word } = laid(memoir(style, 'x\\newpage y'));
    for (const text of ['left', 'mid', 'right', 'p. 2'])
      expect(word(text).page).toBe(text === 'p. 2' ? 1 : 0);
    expect(word('left').x).toBeLessThan(word('mid').x);
    expect(word('mid').x).toBeLessThan(word('right').x);
  });
  it('knows what coursework writes in it', () => {
    const preamble =
      '\\usepackage{graphicx}\\setlrmarginsandblock{2cm}{2cm}{*}\\setulmarginsandblock{2cm}{3cm}{*}\\checkandfixthelayout\\chapterstyle{veelo}\\pagestyle{ruled}\\setsecheadstyle{\\large\\scshape}\\title{T}\\author{A}';
    const body =
      '\\frontmatter\\maketitle\\tableofcontents*\\mainmatter\\chapter{C}\\begin{itemize}\\tightlist\\item a\\end{itemize}\\epigraph{a}{b}\\OnehalfSpacing x\\SingleSpacing\\backmatter';
    expect(findingsIn(memoir(preamble, body))).toEqual([]);
    expect(laid(memoir(preamble, body)).word('x').x).toBeGreaterThan(2 * 28.4);
  });
});

describe('exam', () => {
  const exam = (body: string, options = 'answers', preamble = ''): string =>
    `\\documentclass[${options}]{exam}${preamble}\\begin{document}\\begin{questions}${body}\\end{questions}\\end{document}`;
  const CHOICES = '\\choice one \\CorrectChoice two \\choice three';
  it('questions behind lists of choices count on', () => {
    const body = `\\question a\\begin{checkboxes}${CHOICES}\\end{checkboxes}\\question b\\begin{choices}${CHOICES}\\end{choices}\\question c`;
    expect(laid(exam(body)).text.replace(/\s+/g, ' ')).toMatch(/1\. a.*2\. b.*3\. c/);
  });
  it.each(['checkboxes', 'choices', 'oneparchoices'])(
    '%s: the right one shows, with answers',
    (kind) => {
      const body = `\\question a\\begin{${kind}}${CHOICES}\\end{${kind}}`;
      const fontOf = (options: string, text: string): string =>
        laid(exam(body, options)).word(text).font;
      expect(fontOf('answers', 'two')).not.toBe(fontOf('answers', 'one'));
      expect(fontOf('answers', 'three')).toBe(fontOf('answers', 'one'));
      expect(fontOf('11pt', 'two')).toBe(fontOf('11pt', 'one'));
    },
  );
  it('points stand where they are told to', () => {
    const at = (preamble: string): ReturnType<typeof laid> =>
      laid(exam('\\question[5] tide', '11pt', preamble));
    expect(at('').word('(5').x).toBeLessThan(at('').word('tide').x);
    const right = at('\\pointsinrightmargin\\bracketedpoints');
    expect(right.word('[5]').x).toBeGreaterThan(450);
    expect(right.word('[5]').y).toBeCloseTo(right.word('tide').y, 1);
    const left = at('\\pointsinmargin');
    expect(left.word('(5)').right).toBeLessThan(left.word('1.').x);
  });
});

describe('The heads of a paper', () => {
  const paper = (authors: string): string[] => {
    const text = `\\documentclass{amsart}\\title[Short]{A long title}${authors}\\thanks{Supported.}\\begin{document}\\maketitle\\section{Intro}a\\newpage b\\newpage c\\end{document}`;
    return linesOf(typeset(text)).map((line) => line.replaceAll('\u00a0', ' '));
  };
  it('name its authors on even pages, its short title on odd ones, no section', () => {
    const lines = paper('\\author{A. Marsh}\\author{B. Quill}').join(' | ');
    expect(lines).toMatch(/2\s*A\. MARSH AND B\. QUILL/);
    expect(lines).toMatch(/SHORT\s*3/);
    expect(lines).not.toContain('INTRO');
  });
  it.each([
    ['\\author[Marsh]{Adam Marsh}', /2\s*MARSH/],
    ['\\author{A}\\author{B}\\author{C}', /2\s*A, B, AND C/],
    ['\\author{A}\\author{B}\\author{C}\\author{D}', /2\s*A ET AL\./],
  ])('call them for short: %s', (authors, head) =>
    expect(paper(authors).join(' | ')).toMatch(head),
  );
  it('thanks end with one full stop', () => {
    expect(paper('\\author{A}').join(' | ')).not.toContain('Supported..');
  });
});

/** memoir manual, sections 6.6, 10.2, 10.4, 12.6. */
describe('what memoir has of its own', () => {
  const memoir = (preamble: string, body: string): string =>
    `\\documentclass[oneside,openany]{memoir}${preamble}\\begin{document}${body}\\end{document}`;
  it.each<[string, string, RegExp]>([
    ['\\newfloat{chart}{loc}{Chart}', '\\begin{chart}[h]x\\caption{Ebb}\\end{chart}', /x \| Chart 1: Ebb/],
    ['\\newfloat{chart}{loc}{Chart}\\newlistof{listofcharts}{loc}{Charts}', '\\listofcharts\\begin{chart}[h]x\\caption{Ebb}\\end{chart}', /Charts.*Ebb/],
    ['\\makepagenote', 'a\\pagenote{Ebb.} b\\pagenote{Flow.}\\printpagenotes', /^a1 b2.*Notes.*1\. Ebb\. \| 2\. Flow\./],
    ['\\setsecnumformat{\\csname the#1\\endcsname)~}', '\\chapter{A}\\section{Ebb}', /1\.1\) Ebb/],
    ['', 'a\\ifdraftdoc b\\else c\\fi\\ifartopt d\\else e\\fi\\clearforchapter', /^ace/],
  ])('%s %s', (preamble, body, printed) => {
    expect(laid(memoir(preamble, body)).text).toMatch(printed);
    expect(findingsIn(memoir(preamble, body))).toEqual([]);
  }); // prettier-ignore
  it('room around sections', () => {
    const gaps = (preamble: string): [number, number] => {
      const { word } = laid(memoir(preamble, 'x\n\n\\section*{Ebb}y'));
      return [word('Ebb').y - word('x').y, word('y').y - word('Ebb').y];
    };
    const [above, below] = gaps('');
    expect(gaps('\\setbeforesecskip{-90pt}')[0]).toBeGreaterThan(above + 40);
    expect(gaps('\\setaftersecskip{60pt}')[1]).toBeGreaterThan(below + 30);
  });
});

/** memoir manual, sections 6.5 and 7. */
describe('memoir', () => {
  const DOC = (preamble: string, body: string): string =>
    `\\documentclass[openany]{memoir}${preamble}\\begin{document}${body}\\end{document}`;
  it.each<[string, RegExp]>([
    ['default', /Chapter 1 \| Ebb/],
    ['section', /1 Ebb/],
    ['dash', /— 1 — \| Ebb/],
    ['veelo', /CHAPTER ?1 \| Ebb/],
    ['culver', /I \| Ebb/],
    ['thatcher', /Chapter 1 \| EBB/i],
  ])('heads chapters in the style %s', (style, wanted) => {
    const text = DOC(`\\usepackage{graphicx}\\chapterstyle{${style}}`, '\\chapter{Ebb}x');
    expect(laid(text).text).toMatch(wanted);
    expect(findingsIn(text)).toEqual([]);
  });
  it('heads chapters as a style of one’s own says', () => {
    const own =
      '\\makechapterstyle{own}{\\renewcommand\\printchaptername{}\\renewcommand\\printchapternum{[\\thechapter]}\\renewcommand\\chaptitlefont{\\normalfont\\itshape}}\\chapterstyle{own}';
    expect(laid(DOC(own, '\\chapter{Ebb}x')).text).toMatch(/\[1\] \| Ebb/);
  });
  it.each([
    [
      '\\begin{figure}[h]\\subbottom[A]{\\rule{3cm}{1cm}}\\caption{Both}\\end{figure}',
      /\(a\) A.*Figure 1: Both|\(a\) A.*Figure .*: Both/,
    ],
    ['a\\sidefootnote{b}', /a1/],
    ['\\begin{titlingpage}\\title{T}\\author{A}\\maketitle\\end{titlingpage}x', /T \|/],
    ['\\begin{framed}Ebb\\end{framed}', /Ebb/],
    ['\\captiondelim{ -- }\\begin{figure}[h]\\caption{Ebb}\\end{figure}', /Figure [\d.]+ – Ebb/],
    ['\\ordinal{2} \\begin{ctabular}{c}Ebb\\end{ctabular}', /2nd/],
  ])('%s', (body, wanted) => {
    expect(laid(DOC('', body)).text).toMatch(wanted);
    expect(findingsIn(DOC('', body))).toEqual([]);
  });
  it('rules the heads of its page styles', () => {
    const text = DOC('\\pagestyle{ruled}', '\\chapter{Ebb}x\\newpage\\section{Flood}y');
    const { rules, word } = laid(text);
    const head = rules.find(({ page, width }) => page === 1 && width > 200);
    expect(head?.y ?? 0).toBeLessThan(word('y').y);
  });
});
