import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../testing/document';
import { FINDINGS } from './kinds';

const body = (text: string) => findingsIn(inArticle(text));
const kinds = (text: string): string[] => body(text).map(({ kind }) => kind);

/** A mistake, what is found, where, and that the fix leaves nothing to find. */
const MISTAKES: readonly (readonly [string, string, string, string])[] = [
  ['a formula never closed', 'Let $x = 1 be a number of tides.', 'formula-unclosed', '$'],
  [
    'a formula never closed before another',
    'Let $x be tides and $y$ be ebbs.',
    'formula-unclosed',
    '$',
  ],
  ['a display never closed', 'So \\[ x = y\n\nand on.', 'formula-unclosed', '\\['],
  ['a power in text', 'Then x^2 is large.', 'math-in-text', 'x^2'],
  ['an index in text', 'The tide a_n falls.', 'math-in-text', 'a_n'],
  ['a Greek letter in text', 'An angle \\alpha here.', 'math-in-text', '\\alpha'],
  ['an unknown command', 'Some \\textbff{word} here.', 'command-unknown', '\\textbff'],
  ['an unknown command in a formula', 'Let $\\vaphi$ be.', 'command-unknown', '\\vaphi'],
  [
    'two swapped letters behind end',
    '\\begin{center}x\\end{cetner}',
    'begin-end-mismatch',
    '\\end{cetner}',
  ],
  [
    'a misspelt end of a display',
    '\\begin{align*}a&=b\\end{aling*}',
    'begin-end-mismatch',
    '\\end{aling*}',
  ],
  [
    'a list that is never ended',
    '\\begin{itemize}\\item a\n\n\\section{B}',
    'environment-unclosed',
    '\\begin{itemize}',
  ],
  ['an end too many', 'a \\end{center} b', 'end-without-begin', '\\end{center}'],
  [
    'a misspelt environment',
    '\\begin{centre}x\\end{centre}',
    'environment-unknown',
    '\\begin{centre}',
  ],
  ['a brace too many', 'a } b', 'brace-extra', '}'],
  ['a brace that is missing', 'a \\textbf{b c\n\nd', 'argument-unclosed', '{'],
  [
    'a blank line in a display',
    '\\begin{equation*}\nx\n\n= y\n\\end{equation*}',
    'blank-line-in-formula',
    '\n',
  ],
];

describe('a mistake gives one finding, at its cause', () => {
  it.each(MISTAKES)('%s', (_what, source, kind, at) => {
    expect(body(source).map((f) => [f.kind, f.at])).toEqual([[kind, at]]);
  });
  it.each(MISTAKES)('%s: the fix mends it', (_what, source) => {
    const [found] = body(source);
    expect(found?.fixed).not.toBeNull();
    expect(findingsIn(found?.fixed ?? '').map(({ kind }) => kind)).toEqual([]);
  });
  it.each(MISTAKES)('%s: the rest of the sheet is set', (_what, source) => {
    const lines = linesOf(typeset(inArticle(`First things.\n\n${source}\n\nLast things.`)));
    expect(lines[0]).toBe('First things.');
    expect(lines).toContain('Last things.');
  });
});

describe('the frame of the document', () => {
  it('a missing class line is added', () => {
    const text = '\\begin{document}\nTides.\n\\end{document}\n';
    const [found] = findingsIn(text);
    expect(found?.kind).toBe('class-missing');
    expect(findingsIn(found?.fixed ?? '')).toEqual([]);
    expect(linesOf(typeset(text))[0]).toBe('Tides.');
  });
  it('text before the document begins is set, and told once', () => {
    const text = '\\documentclass{article}\nTides.\n\nEbbs.\n\\end{document}\n';
    const found = findingsIn(text);
    expect(found.map(({ kind }) => kind)).toEqual(['document-begin-missing']);
    expect(findingsIn(found[0]?.fixed ?? '')).toEqual([]);
    expect(linesOf(typeset(text)).slice(0, 2)).toEqual(['Tides.', 'Ebbs.']);
  });
  it('a missing end is added', () => {
    const [found] = findingsIn('\\documentclass{article}\n\\begin{document}\nTides.\n');
    expect(found?.kind).toBe('document-end-missing');
    expect(findingsIn(found?.fixed ?? '')).toEqual([]);
  });
  it('unknown classes and packages are named, with the near one', () => {
    const [cls] = findingsIn('\\documentclass{artcle}\\begin{document}x\\end{document}');
    expect(cls).toMatchObject({
      kind: 'class-unknown',
      fixed: expect.stringContaining('{article}'),
    });
    const [pkg] = findingsIn(
      '\\documentclass{article}\\usepackage{amsmth}\\begin{document}x\\end{document}',
    );
    expect(pkg).toMatchObject({
      kind: 'package-misspelt',
      at: 'amsmth',
      fixed: expect.stringContaining('{amsmath}'),
    });
  });
});

describe('other findings', () => {
  it('references to nothing, and labels used twice', () => {
    expect(kinds('See \\ref{no}.')).toEqual(['reference-unknown']);
    expect(kinds('\\section{A}\\label{a}\\section{B}\\label{a}')).toEqual(['label-repeated']);
  });
  it('brackets without partner, scripts without and with too many', () => {
    expect(kinds('$\\left( x$')).toContain('delimiter-unmatched');
    expect(kinds('$x^$')).toEqual(['script-missing']);
    expect(kinds('$x^a^b$')).toEqual(['scripts-doubled']);
  });
  it('& and # where they mean nothing, items without a list', () => {
    expect(kinds('a & b')).toEqual(['alignment-outside']);
    expect(kinds('a # b')).toEqual(['parameter-character']);
    expect(kinds('\\item a')).toEqual(['item-outside-list']);
  });
  it('lines and formulas that stick out', () => {
    expect(kinds(`\\mbox{${'very wide words '.repeat(12)}}`)).toEqual(['line-too-wide']);
    expect(kinds(`\\[${'x+'.repeat(60)}y\\]`)).toEqual(['formula-too-wide']);
  });
});

it('the words are whole sentences without names of our own making', () => {
  for (const { message, cause } of Object.values(FINDINGS)) {
    for (const text of [message, cause]) {
      expect(text).toMatch(/[.!]$/);
      expect(text).not.toMatch(/undefined|null|token|\bspan\b|parse/i);
    }
  }
});
