import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../testing/document';

const times = (n: number, text: string): string => text.repeat(n);
const PREAMBLE = '\\usepackage{amsmath,xcolor}';

/** What ends in itself: each is stopped, named, and the document goes on behind it. */
const ENDLESS: Readonly<Record<string, string>> = {
  paragraphs: '\\def\\a{\\par x\\a}\\a',
  pages: '\\def\\a{\\newpage x\\a}\\a',
  sections: '\\def\\a{\\section{x}\\a}\\a',
  formulas: '\\def\\a{$x$\\a}\\a',
  displays: '\\def\\a{\\[x\\]\\a}\\a',
  notes: '\\def\\a{x\\footnote{y}\\a}\\a',
  items: '\\begin{itemize}\\def\\a{\\item x\\a}\\a\\end{itemize}',
  boxes: '\\def\\a{\\mbox{x}\\a}\\a',
  spaces: '\\def\\a{\\vspace{1pt}\\a}\\a',
  labels: '\\def\\a{\\label{x}\\a}\\a',
  numbers: '\\newcount\\n\\def\\a{\\advance\\n by1 \\number\\n\\ \\a}\\a',
  'new names':
    '\\newcount\\n\\def\\b{\\advance\\n1 \\expandafter\\def\\csname q\\number\\n\\endcsname{x}\\b}\\b',
  lists: '\\newtoks\\t\\def\\b{\\t=\\expandafter{\\the\\t x}\\b}\\b',
  'loops that print': '\\loop x\\iftrue\\repeat',
  'loops that do nothing': '\\loop\\iftrue\\repeat',
  'arguments that grow': '\\newcommand\\a[1]{\\a{#1x}}\\a{x}',
  'definitions that grow': '\\def\\a{x}\\def\\b{\\edef\\a{\\a\\a}\\b}\\b',
  'parts of a formula': '$\\def\\a{x\\a}\\a$',
};

describe('what never ends', () => {
  it.each(Object.entries(ENDLESS))(
    'is stopped and named, and the rest follows: %s',
    (_name, body) => {
      const session = typeset(inArticle(`Before.\n\n${body}\n\nAfter.`, PREAMBLE));
      const kinds = session.findings().map(({ kind }) => kind);
      expect(kinds.some((kind) => kind === 'macro-runaway' || kind === 'nesting-too-deep')).toBe(
        true,
      );
      const lines = linesOf(session);
      expect(lines[0]).toBe('Before.');
      expect(lines.join('\n')).toContain('After.');
      // What it left is of a size that a window can show.
      expect(session.pages.length).toBeLessThan(3000);
      expect(kinds.length).toBeLessThan(1100);
    },
  );
  it('in names that nobody defined is told once, not at each of its rounds', () => {
    const session = typeset(inArticle('\\def\\a{\\nobody\\a}\\a\n\nAfter.', PREAMBLE));
    const unknown = session.findings().filter(({ kind }) => kind === 'command-unknown');
    expect(unknown).toHaveLength(1);
    expect(linesOf(session).join('\n')).toContain('After.');
  });
  it('before the document lets the document be', () => {
    const text = `\\documentclass{article}\\def\\a{\\usepackage{nobody}\\a}\\a\n\\begin{document}\nHere.\n\\end{document}\n`;
    const session = typeset(text);
    expect(linesOf(session)[0]).toBe('Here.');
    expect(session.findings().map(({ kind }) => kind)).toContain('macro-runaway');
  });
});

/** Much of one thing, written out: long, and well. */
const LONG: Readonly<Record<string, string>> = {
  'a comment': `x\n%${times(300_000, 'c')}\ny`,
  comments: `x\n${times(4000, '% nothing is said in this line\n')}y`,
  blanks: `x${times(300_000, ' ')}y`,
  'empty lines': `x${times(100_000, '\n')}y`,
  words: times(8000, 'word '),
  paragraphs: times(2000, 'word word\n\n'),
  'a verbatim text': `\\begin{verbatim}\n${times(2500, 'a line of some forty characters in all\n')}\\end{verbatim}`,
  'new pages': times(400, '\\newpage x '),
  'paragraph ends': times(8000, 'x\\par '),
  'emphasis in emphasis': times(8000, '\\emph{x} '),
  'small formulas': times(4000, '$x$ '),
  displays: times(1000, '\\[x\\]'),
  notes: times(500, 'x\\footnote{y} '),
  items: `\\begin{itemize}${times(2000, '\\item x ')}\\end{itemize}`,
  'a macro of ones own': `\\newcommand{\\R}{\\mathbf{R}}${times(5000, '$\\R$ ')}`,
  'a counted loop': '\\newcount\\n\\n=0 \\loop x \\advance\\n by 1 \\ifnum\\n<9000 \\repeat',
};

describe('what is long but well', () => {
  it.each(Object.entries(LONG))('is set without a finding about its length: %s', (_name, body) => {
    const session = typeset(inArticle(`Before.\n\n${body}\n\nAfter.`, PREAMBLE));
    const kinds = session.findings().map(({ kind }) => kind);
    expect(kinds.filter((kind) => kind !== 'line-too-wide')).toEqual([]);
    expect(linesOf(session).join('\n')).toContain('After.');
  });
});

/** Many mistakes of one kind. */
describe('mistakes by the thousand', () => {
  it.each([
    ['names', times(3000, '\\nobody '), 'command-unknown'],
    [
      'different names',
      Array.from(
        { length: 2000 },
        (_, i) => `\\${[...String(i)].map((d) => 'abcdefghij'[Number(d)]).join('')}qz `,
      ).join(''),
      'command-unknown',
    ],
    ['tabs', times(3000, '&'), 'alignment-outside'],
    ['ends', times(2000, '\\end{center}'), 'end-without-begin'],
    [
      'citations',
      `\\cite{${Array.from({ length: 2000 }, (_, i) => `k${i}`).join(',')}}`,
      'citation-unknown',
    ],
  ])('are told as far as one can mend them: %s', (_what, body, kind) => {
    const session = typeset(inArticle(`Before.\n\n${body}\n\nAfter.`, PREAMBLE));
    const found = session.findings().filter((finding) => finding.kind === kind);
    expect(found.length).toBeGreaterThan(100);
    expect(found.length).toBeLessThanOrEqual(500);
    expect(linesOf(session).join('\n')).toContain('After.');
  });
});

/** Numbers beyond all measure, and things within things. */
describe('what is beyond all measure', () => {
  it.each([
    [
      'cells over a hundred million columns',
      '\\begin{tabular}{c}\\multicolumn{99999999}{c}{x}\\end{tabular}',
    ],
    ['columns by the hundred million', '\\begin{tabular}{*{99999999}{c}}x\\end{tabular}'],
    ['columns of columns', '\\begin{tabular}{*{9999}{*{9999}{c}}}x\\end{tabular}'],
    ['a Roman number of a billion', '\\romannumeral 999999999'],
    [
      'a length with ten thousand brackets',
      `\\dimen0=\\dimexpr ${times(10_000, '(1pt+')}1pt${times(10_000, ')')}\\relax x`,
    ],
    [
      'a picture of a hundred million parts',
      '\\begin{picture}(9,9)\\multiput(0,0)(1,1){99999999}{x}\\end{picture}',
    ],
    ['roots in roots', `$${times(4000, '\\sqrt{')}y${times(4000, '}')}$`],
    ['fractions in fractions', `$${times(4000, '\\frac{x}{')}y${times(4000, '}')}$`],
    ['braces in braces', `$${times(10_000, '{')}x${times(10_000, '}')}$`],
    ['displays begun in displays', times(1500, '\\begin{align}')],
    ['a colour of a thousand colours', `\\color{red!50!${times(1000, 'blue!50!')}black}x`],
    [
      'a matrix of eighty by eighty',
      `\\[\\begin{matrix}${times(80, `${Array(80).fill('1').join('&')}\\\\`)}\\end{matrix}\\]`,
    ],
  ])('is set as far as it goes: %s', (_what, body) => {
    const session = typeset(inArticle(`Before.\n\n${body}\n\nAfter.`, PREAMBLE));
    expect(linesOf(session)[0]).toBe('Before.');
    expect(linesOf(session).join('\n')).toContain('After.');
  });
});
