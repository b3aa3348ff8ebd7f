import { describe, expect, it } from 'vitest';
import { laid, laidBody, type Laid } from '../testing/layout';

/**
 * More distances from baseline to baseline that class files, kernel and packages give, in TeX
 * points; glue at its natural width.
 */
const between = (found: Laid, one: string, other: string): number =>
  found.word(other).y - found.word(one).y;
const ragged = '\\raggedbottom\\setlength{\\parskip}{0pt}';
const document = (options: string, preamble: string, body: string): Laid =>
  laid(`\\documentclass[${options}]{article}${preamble}\\begin{document}${body}\\end{document}`);
const LEFT = 134.27;

describe('the title and the summary (article.cls)', () => {
  const title = (author: string): string =>
    `\\title{T}\\author{${author}}\\date{Day}\\maketitle\\begin{abstract}words\\end{abstract}text`;
  // The notes of the title stand behind it on the list: \addvspace adds the whole skip of center.
  it.each([
    ['10pt', 10],
    ['11pt', 12],
    ['12pt', 13],
  ])('at %s a note on the author moves the summary down by %f pt', (options, points) => {
    const [with_, without] = ['A\\thanks{N}', 'A'].map((author) =>
      between(document(options, ragged, title(author)), 'Day', 'Abstract'),
    );
    expect((with_ ?? 0) - (without ?? 0)).toBeCloseTo(points, 1);
  });
  // center's room below (12 at eleven point), half an em of the bold font back, one line of \small.
  it('below its heading the summary begins after the room of center', () => {
    expect(between(document('11pt', ragged, title('A')), 'Abstract', 'words')).toBeCloseTo(
      12 - 5.75 + 12,
      1,
    );
  });
});

describe('verbatim (ltmiscen.dtx)', () => {
  const lines = (text: string): number =>
    between(
      laidBody(`one\n\\begin{verbatim}\ntwo\n${text}\\end{verbatim}\nfour`, ragged),
      'two',
      'four',
    );
  it.each([
    ['', 0],
    ['    ', 12],
    ['\t', 0],
    ['\n', 12],
  ])('%j before its end', (text, more) => {
    expect(lines(text) - lines('')).toBeCloseTo(more, 1);
  });
  it('without any line it is one (\\endtrivlist)', () => {
    const found = laidBody('one\n\\begin{verbatim}\n\\end{verbatim}\ntwo', ragged);
    expect(between(found, 'one', 'two')).toBeCloseTo(12 + 8 + 8 + 12, 1);
  });
  it('pages end between its lines wherever they are full', () => {
    const rows = Array.from({ length: 60 }, (_, i) => `row${i}.`).join('\n');
    const found = laidBody(`\\begin{verbatim}\n${rows}\n\\end{verbatim}`, ragged);
    const first = found.lines.filter(({ page, text }) => page === 0 && text.startsWith('row'));
    // 550 pt hold 46 lines of 12 pt, of which the list's room above takes what is left.
    expect(first.length).toBeGreaterThanOrEqual(45);
  });
});

describe('what ends within a group says nothing of the paragraph behind it', () => {
  it.each([
    ['{\\small\\begin{center}a\\end{center}}\n\nnext', 15],
    ['{\\small\\begin{center}a\\end{center}\n}\nnext', 15],
    ['\\begingroup\\begin{quote}a\\end{quote}\\endgroup next', 15],
    ['\\begin{small}\\begin{center}a\\end{center}\\end{small}\n\nnext', 15],
    ['\\begin{small}\\begin{center}a\\end{center}\\end{small}\nnext', 0],
    ['\\begin{center}a\\end{center}\nnext', 0],
    ['\\begin{center}a\\end{center}\n\nnext', 15],
    ['\\begin{quote}a\\[x\\]\\end{quote}\n\nnext', 15],
    ['{\\small a\\[x\\]}next', 0],
  ])('%j', (body, indent) => {
    expect(laidBody(body, ragged).word('next').x).toBeCloseTo(LEFT + indent, 1);
  });
});

describe('lists', () => {
  // \@topsep has the outer \parskip; what is taken off is \parskip as it stands at the first \item.
  it.each(['', '\\setlength{\\parskip}{0pt}'])('%j before its first item', (setting) => {
    const inner = `\\begin{itemize}${setting}\\item two\\end{itemize}`;
    const outer = `\\begin{itemize}\\item one\n\n${inner}\\end{itemize}`;
    const found = laidBody(outer, ragged);
    // Second level: \topsep 4, \partopsep 2, the first level's \parsep 4.
    expect(between(found, 'one', 'two')).toBeCloseTo(12 + 4 + 2 + 4, 1);
  });
});

describe('lines that are centred or ragged are paragraphs (\\@centercr)', () => {
  it.each([
    ['\\begin{center}one\\\\\\vspace{5mm}two\\end{center}', 12 + 14.23],
    ['\\begin{center}one\\\\\n\n two\\end{center}', 12],
    ['\\begin{center}one\\\\[3pt] two\\end{center}', 15],
    ['{\\raggedright one\\\\ two\\par}', 12],
    ['\\begin{center}\\setlength{\\parskip}{7pt}one\\\\ two\\end{center}', 12],
  ])('%j', (body, distance) => {
    expect(between(laidBody(body, ragged), 'one', 'two')).toBeCloseTo(distance, 1);
  });
});

describe('eqnarray', () => {
  it('sets its middle column as text: scripts stand beside', () => {
    const found = laidBody('\\begin{eqnarray*}a&\\min_x&b\\end{eqnarray*}', ragged);
    expect(found.word('𝑥').x).toBeGreaterThan(found.word('min').right - 0.5);
  });
});

describe('mdframed', () => {
  const frame = (body: string, after = 'after'): Laid =>
    document('12pt', `\\usepackage{mdframed}${ragged}`, `before\n\n${body}\n\n\\noindent ${after}`);
  const box = (text: string): string => `\\begin{mdframed}${text}\\end{mdframed}`;
  it('has four tenths of a line inside, and the room of a list around', () => {
    // Depth 0, \topsep 10, rule .4, .4 of 14.5 pt, height of “d” 8.33; and 1 pt \lineskip behind it.
    const found = frame(box('bed'));
    expect(between(found, 'before', 'bed')).toBeCloseTo(10 + 0.4 + 5.8 + 8.33, 1);
    expect(between(found, 'bed', 'after')).toBeCloseTo(5.8 + 0.4 + 10 + 1 + 8.33, 0);
  });
  it('drops the room of a list at its head and at its end', () => {
    const one = frame(box('\\begin{verbatim}\nbed\n\\end{verbatim}'));
    expect(between(one, 'before', 'bed')).toBeLessThan(10 + 0.4 + 5.8 + 8.4);
    expect(between(one, 'bed', 'after')).toBeLessThan(5.8 + 0.4 + 10 + 1 + 8.4);
  });
  it('two frames have the room of both between them', () => {
    const found = frame(`${box('bed')}\n\n${box('dab')}`);
    expect(between(found, 'bed', 'dab')).toBeCloseTo(2 * (5.8 + 0.4) + 20 + 8.33, 1);
  });
  it('behind a heading it has no room of its own', () => {
    const near = document('12pt', '\\usepackage{mdframed}', `\\section{Head}${box('bed')}`);
    const far = document('12pt', '\\usepackage{mdframed}', `\\section{Head}x\n\n${box('bed')}`);
    expect(between(near, 'Head', 'bed')).toBeLessThan(between(far, 'Head', 'bed') - 10);
  });
  it('keeps the indents of the paragraphs inside, but for the first', () => {
    const found = frame(box('bed\n\ndab'));
    expect(found.word('dab').x - found.word('bed').x).toBeCloseTo(17.62, 0);
  });
});

describe('breaks that are asked for (ltspace.dtx)', () => {
  const lines = (body: string): string[] =>
    laidBody(`\\noindent ${body}`, '')
      .lines.map(({ text }) => text)
      .filter((text) => text !== '1');
  it.each([
    ['one \\linebreak two', 2],
    ['one\\linebreak[4] two', 2],
    ['one\\linebreak[0]two', 1],
    ['one \\linebreak[3] two', 1],
    ['one \\nolinebreak[2] two', 1],
    ['one\\nobreak[x]', 1],
  ])('%s: %d lines', (body, count) => expect(lines(body)).toHaveLength(count));
  it('\\linebreak[0] lets a word break, and keeps the blank beside it one', () => {
    const narrow = `\\parbox{40pt}{\\hspace{0pt}${'aaaaa\\linebreak[0]'.repeat(4)}}`;
    expect(lines(narrow).length).toBeGreaterThan(1);
    expect(lines('one \\nolinebreak[1] two')).toEqual(['one two']);
  });
  it('\\nobreak takes no brackets', () => expect(lines('a\\nobreak[x]')).toEqual(['a[x]']));
});

describe('\\lastskip', () => {
  // \@nbitem: \addvspace{\@outerparskip-\parskip}; behind a mark or a whatsit it is added whole.
  const head = '\\setlength{\\parskip}{7pt}';
  const distance = (between: string): number => {
    const list = '\\begin{itemize}\\item two\\end{itemize}';
    const found = document('11pt', `${head}\\raggedbottom`, `\\section{One}${between}${list}`);
    return found.word('two').y - found.word('One').y;
  };
  it('is nothing behind a label', () => {
    expect(distance('\\label{a}') - distance('')).toBeCloseTo(7 - 4.5, 1);
  });
});

describe('lines of contents', () => {
  const gap = (preamble: string): number => {
    const body = '\\tableofcontents\\subsection{one}\\subsection{two}';
    const found = document('10pt', preamble, body);
    return found.word('two').y - found.word('one').y;
  };
  it.each([
    ['\\setlength{\\parskip}{0pt}', 12],
    ['\\setlength{\\parskip}{7pt}', 19],
    ['\\usepackage{parskip}', 12],
  ])('with %s are %f pt apart', (preamble, points) => {
    expect(gap(preamble)).toBeCloseTo(points, 1);
  });
});
