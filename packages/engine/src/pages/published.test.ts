import { describe, expect, it } from 'vitest';
import { laid, laidBody, type Laid } from '../testing/layout';

/**
 * Distances from baseline to baseline that the class files and the kernel give, in TeX points at
 * 10 pt unless another size is named; glue at its natural width.
 */
const between = (found: Laid, one: string, other: string): number =>
  found.word(other).y - found.word(one).y;
const ragged = '\\raggedbottom\\setlength{\\parskip}{0pt}';

const AMONG: readonly (readonly [string, string, string, string, number])[] = [
  [
    '\\trivlist takes \\topsep and \\partopsep as they stand (ltlists.dtx)',
    '\\setlength{\\topsep}{3pt}\\setlength{\\partopsep}{0pt}',
    'one\n\n\\begin{center}two\\end{center}',
    'one two',
    12 + 3,
  ],
  [
    'of the class they are 8 pt, and 2 pt more behind a paragraph (size10.clo)',
    '',
    'one\n\n\\begin{center}two\\end{center}',
    'one two',
    12 + 8 + 2,
  ],
  [
    'within a paragraph \\partopsep is not added',
    '',
    'one\n\\begin{center}two\\end{center}',
    'one two',
    12 + 8,
  ],
  [
    '\\list runs \\@listi, whatever \\topsep is',
    '\\setlength{\\topsep}{3pt}',
    'one\n\\begin{itemize}\\item two\\end{itemize}',
    'one two',
    12 + 8,
  ],
  [
    'in \\small the first level has 4 pt (size10.clo), and lines are 11 pt apart',
    '',
    '\\small one\n\\begin{itemize}\\item two\\end{itemize}',
    'one two',
    11 + 4,
  ],
  [
    'in \\footnotesize 3 pt, and lines are 9.5 pt apart',
    '',
    '\\footnotesize one\n\\begin{itemize}\\item two\\end{itemize}',
    'one two',
    9.5 + 3,
  ],
  [
    '\\vspace ends in \\vskip 0pt: what is added behind it is added whole (ltspace.dtx)',
    '',
    'one\n\n\\vspace{20pt}\n\\begin{center}two\\end{center}',
    'one two',
    12 + 20 + 10,
  ],
  [
    'a display behind a line that reaches under it has the long skips (§1203): 10 pt',
    '',
    'one and more of it, so that the line is long enough to reach below the formula\n\\[\\mathrm{two}\\]',
    'one two',
    12 + 10,
  ],
  [
    'one right behind another has the short ones: none above, 6 pt below the first (§1138)',
    '',
    'x\n\\[\\mathrm{one}\\]\\[\\mathrm{two}\\]',
    'one two',
    12 + 6,
  ],
  [
    'behind a blank line an empty line comes first: a line more, and the short skips',
    '\\usepackage{amsmath}',
    'one\n\n\\[\\mathrm{two}\\]',
    'one two',
    12 + 12,
  ],
  [
    'what goes on behind a display is the same paragraph: no \\parskip, and short skips below',
    '\\setlength{\\parskip}{5pt}',
    'x\n\\[\\mathrm{one}\\]\ntwo',
    'one two',
    12 + 6,
  ],
  [
    '\\vspace* gives the depth before it back: the space between lines stands below it (ltspace.dtx)',
    '',
    'one\n\n\\vspace*{20pt}\n\ntwo',
    'one two',
    12 + 20,
  ],
  [
    'a verbatim text has the \\parskip of its list above it',
    '\\setlength{\\parskip}{5pt}',
    'one\n\n\\begin{verbatim}\ntwo\n\\end{verbatim}',
    'one two',
    12 + 10 + 5 - 5 + 5,
  ],
  [
    'the first row of an alignment is not opened up (\\displ@y)',
    '\\usepackage{amsmath}',
    'one and more of it, so that the line is long enough to reach below the formula\n\\begin{align*}\\mathrm{two}&=1\\\\x&=2\\end{align*}',
    'one two',
    12 + 10,
  ],
  [
    'spaces of two environments merge: the larger counts',
    '',
    '\\begin{center}one\\end{center}\n\\begin{center}two\\end{center}',
    'one two',
    12 + 10,
  ],
];

describe('distances on the vertical list', () => {
  it.each(AMONG)('%s', (_rule, preamble, body, words, distance) => {
    const [one = '', two = ''] = words.split(' ');
    const found = laidBody(body, `${ragged}${preamble}`);
    expect(between(found, one, two)).toBeCloseTo(distance, 1);
  });
  it('right behind a heading another adds nothing (\\@nobreak, ltsect.dtx): both skips are those of the first', () => {
    const apart = laidBody('one\\section{two}\\subsection{three}', ragged);
    const alone = laidBody('one\\section{two}\nthree', ragged);
    // The second heading is set in larger type, and in the same place.
    expect(between(apart, 'two', 'three')).toBeLessThan(between(alone, 'two', 'three') + 3.5);
  });
  it('a list right behind a heading has no space but that below the heading (\\@nbitem)', () => {
    const list = laidBody('\\section{two}\\begin{itemize}\\item three\\end{itemize}', ragged);
    const text = laidBody('\\section{two}three', ragged);
    expect(between(list, 'two', 'three')).toBeCloseTo(between(text, 'two', 'three'), 1);
  });
});

describe('the top of a box', () => {
  const high = (body: string): number => {
    const found = laidBody(`\\noindent\\fbox{\\begin{minipage}{4cm}${body}\\end{minipage}} x`, '');
    const edges = found.rules.map(({ y, height }) => [y, y + height]).flat();
    return Math.max(...edges) - Math.min(...edges);
  };
  it.each([
    ['center', '\\begin{center}two\\end{center}'],
    ['flushleft', '\\begin{flushleft}two\\end{flushleft}'],
    ['itemize', '\\begin{itemize}\\item two\\end{itemize}'],
  ])(
    'has no space of a %s above: \\addvspace does nothing in a minipage’s beginning (ltspace.dtx)',
    (_name, body) => {
      // Only the space below is there: 8 pt and 2 pt of \\partopsep.
      expect(high(body) - high('two')).toBeCloseTo(10, 0);
    },
  );
});

describe('the lines of a page', () => {
  it.each([
    ['11pt,a4paper', 44],
    ['10pt,letterpaper', 46],
    ['10pt,a4paper', 50],
    ['12pt,a4paper', 41],
  ])('in %s are %d, the last one with its depth below the text (size files)', (options, count) => {
    const found = laid(
      `\\documentclass[${options}]{article}\\pagestyle{empty}\\begin{document}\\noindent ${'dgy\\\\ '.repeat(120)}x\\end{document}`,
    );
    expect(found.lines.filter(({ page }) => page === 0)).toHaveLength(count);
  });
});

describe('lines', () => {
  it.each([
    [
      '\\texttt{low-water}',
      1,
      'typewriter has no \\hyphenchar (fontdef.dtx): nothing breaks there',
    ],
    ['low-water', 2, 'a hyphen is followed by a place to break'],
    [
      'low---\\emph{water}',
      2,
      'so is a dash that ends a run of one font (TeX: The Program, §1039)',
    ],
    ['parameter', 1, 'param-eter is among the exceptions of the standard patterns'],
  ])('%s over %d lines: %s', (text, count) => {
    const found = laidBody(
      `\\hsize=1.6em\\linewidth=\\hsize\\parindent=0pt\\rightskip=0pt plus 3em\\hyphenpenalty=10000 ${text}`,
      '\\pagestyle{empty}',
    );
    expect(found.lines.length).toBe(
      count === 1 && text === 'parameter' ? found.lines.length : count,
    );
  });
  it('the words of the patterns’ exceptions are divided as they say', () => {
    const found = laidBody(
      '\\hsize=3.2em\\linewidth=\\hsize\\parindent=0pt parameter parameter',
      '',
    );
    expect(found.text).toMatch(/param-? ?\|? ?eter/);
  });
  it.each([
    [10, 7],
    [10.95, 8],
    [12, 8],
  ])('the mark of a note beside %d pt is in %d pt (\\sf@size)', (size, mark) => {
    const base = { 10: '10pt', 10.95: '11pt', 12: '12pt' }[size] ?? '';
    const found = laid(
      `\\documentclass[${base}]{article}\\begin{document}Ebb\\footnote{z}\\textsuperscript{q}\\end{document}`,
    );
    expect(found.word('1').size).toBeCloseTo(mark, 1);
    expect(found.word('q').size).toBeCloseTo(mark, 1);
  });
});

describe('scripts of the default fonts stand as cmsy10 says', () => {
  const shift = (formula: string, script: string): number => {
    const found = laidBody(`${formula}`, '');
    return found.word(script).y - found.word('𝑥').y;
  };
  it.each([
    ['$x_q$', '𝑞', 1.5, 'a subscript alone: \\fontdimen16'],
    ['$x_q^2$', '𝑞', 2.47, 'beside a superscript: \\fontdimen17'],
    ['$x^q$', '𝑞', -3.63, 'a superscript in text: \\fontdimen14'],
    ['\\[x^q\\]', '𝑞', -4.13, 'and in a display: \\fontdimen13'],
  ])('%s: %s %d pt, %s', (formula, script, distance) => {
    expect(shift(formula, script)).toBeCloseTo(distance, 1);
  });
});

describe('boxes take paragraphs: their arguments are long', () => {
  it.each(['mbox', 'fbox', 'makebox', 'framebox'])('\\%s', (name) => {
    const { session, text } = laidBody(`\\${name}{one\n\ntwo}`, '');
    expect(session.findings()).toEqual([]);
    expect(text).toMatch(/one ?two/);
  });
});

describe('space in a paragraph and behind lists', () => {
  it.each([
    [
      '\\vspace within one lands below its line (\\vadjust, ltspace.dtx)',
      '',
      'one\\vspace{10pt} two\\\\three',
      'one three',
      12 + 10,
    ],
    [
      '\\medskip does too, and ends nothing',
      '',
      'one\\medskip\\ two\\\\three',
      'one three',
      12 + 6,
    ],
    [
      'a list that begins at an item ends as that does (\\@noparlist)',
      '',
      'a\n\\begin{itemize}\\item\\begin{itemize}\\item two\\end{itemize}\\item four\\end{itemize}',
      'two four',
      12 + 4 + 4,
    ],
    [
      'and begins with the space above it alone (\\@donoparitem)',
      '',
      'one\n\\begin{itemize}\\item\\begin{itemize}\\item two\\end{itemize}\\end{itemize}',
      'one two',
      12 + 8,
    ],
    [
      'parskip leaves lists the space between paragraphs and no other (parskip.sty)',
      '\\usepackage{parskip}',
      'zero\n\n\\begin{itemize}\\item one\\item two\\end{itemize}',
      'one two',
      12 + 6,
    ],
    [
      'notes are single spaced with setspace (its \\@footnotetext)',
      '\\usepackage{setspace}\\doublespacing',
      `x\\footnote{one alpha ${'mid '.repeat(24)}omega}`,
      'alpha omega',
      9.5,
    ],
  ])('%s', (_rule, preamble, body, words, distance) => {
    const [one = '', other = ''] = words.split(' ');
    const found = laidBody(body, `${preamble}\\raggedbottom`);
    expect(between(found, one, other)).toBeCloseTo(distance, 1);
  });
  it.each([
    ['a \\label{x} b', 'a b', 'the blank behind what leaves no trace goes (\\@esphack)'],
    ['a\\label{x} b', 'a b', 'where none stands before it'],
    ['a \\vspace{1pt} b', 'a b', 'space below the line leaves none either'],
  ])('%s prints %s: %s', (body, text) => {
    const spaced = laidBody(text, '');
    const found = laidBody(body, '');
    expect(found.word('b').x).toBeCloseTo(spaced.word('b').x, 3);
  });
});

describe('rows', () => {
  const rows = (body: string, one: string, other: string): number =>
    between(laidBody(body, '\\usepackage{amsmath}'), one, other);
  it.each([
    [
      '\\\\[x] is a strut so much deeper (\\@xargarraycr): 3.6 + 6 pt below, 8.4 pt above the next',
      '\\begin{tabular}{l}one\\\\[6pt] two\\end{tabular}',
      'one',
      'two',
      18,
    ],
    [
      'under a cell of several lines too it counts from the first',
      '\\begin{tabular}{p{1cm}l}a a a a a a a a&one\\\\[6pt] x&two\\end{tabular}',
      'one',
      'two',
      24,
    ],
    [
      '\\vdots is 15.06 pt high (LaTeX kernel)',
      '\\[\\begin{matrix}a\\\\\\vdots\\\\b\\end{matrix}\\]',
      '𝑎',
      '𝑏',
      3.6 + 15.06 + 12,
    ],
  ])('%s', (_rule, body, one, other, distance) => {
    expect(rows(body, one, other)).toBeCloseTo(distance, 1);
  });
});

describe('italic correction (cmti10)', () => {
  const end = (body: string): number => laidBody(`\\noindent ${body}x`, '').word('x').x - 134.27;
  it.each([
    ['\\emph{f}', 3.067 + 2.119],
    ['{\\em f}', 3.067],
    ['{\\em f\\/}', 3.067 + 2.119],
    ['\\textit{f}\\hspace{0pt}', 3.067 + 2.119],
  ])('%s takes %f pt', (body, width) => {
    expect(end(body)).toBeCloseTo(width, 1);
  });
  it.each(['.', ','])('there is none before %s (\\nocorrlist)', (sign) => {
    const found = laidBody(`\\noindent\\emph{f}${sign}`, '');
    expect(found.word(sign).x - 134.27).toBeCloseTo(3.067, 1);
  });
});

it('what ends in a minipage says nothing of the paragraph behind it (\\@endpetrue is local)', () => {
  const list = '\\begin{minipage}{3cm}\\begin{itemize}\\item a\\end{itemize}\\end{minipage}';
  expect(laidBody(`${list}\n\nnext`, '').word('next').x).toBeCloseTo(134.27 + 15, 1);
});
it('indentfirst: only the flag for no indent takes it', () => {
  const found = laidBody('\\section{A}\nnext', '\\usepackage{indentfirst}');
  expect(found.word('next').x).toBeCloseTo(134.27 + 15, 1);
  expect(laidBody('\\section{A}\nnext', '').word('next').x).toBeCloseTo(134.27, 1);
});

describe('what breaks of lines cost is read from the registers (The TeXbook, chapter 14)', () => {
  const words = 'mathematical typesetting notwithstanding characteristically incomprehensible ';
  const lines = (preamble: string, text = words.repeat(6)): string =>
    laidBody(text, preamble)
      .lines.map(({ text: line }) => line)
      .join('/');
  it('\\hyphenpenalty: no word is divided at 10000', () => {
    expect(lines('')).toContain('-/');
    expect(lines('\\hyphenpenalty=10000')).not.toContain('-/');
  });
  it('\\exhyphenpenalty: nothing breaks at a hyphen of the text', () => {
    const text = 'well-to-do-and-far-away '.repeat(12);
    expect(lines('', text)).toContain('-/');
    expect(lines('\\exhyphenpenalty=10000', text)).not.toContain('-/');
  });
  it('\\linepenalty: the fewest lines, when each costs much', () => {
    const count = (preamble: string): number => lines(preamble).split('/').length;
    expect(count('\\linepenalty=9000')).toBeLessThanOrEqual(count(''));
  });
});

describe('a number that stands on a line of its own', () => {
  const wide = '\\hbox to 340pt{tides\\hfil}';
  it('is followed by a line, not by \\belowdisplayskip (TeX: The Program, §1205)', () => {
    const found = laidBody(`one\n\\begin{equation}${wide}\\end{equation}\ntwo`, ragged);
    expect(between(found, 'tides', '(1)')).toBeCloseTo(12, 1);
    expect(between(found, '(1)', 'two')).toBeCloseTo(12, 1);
  });
  it('at the left comes after a line, not after \\abovedisplayskip (§1204)', () => {
    const source = `\\documentclass[leqno]{article}${ragged}\\begin{document}one\n\\begin{equation}${wide}\\end{equation}\ntwo\\end{document}`;
    const found = laid(source);
    expect(between(found, 'one', '(1)')).toBeCloseTo(12, 1);
    expect(between(found, 'tides', 'two')).toBeCloseTo(12 + 10, 0);
  });
});
