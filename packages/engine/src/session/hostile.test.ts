import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../testing/document';

const times = (n: number, text: string): string => text.repeat(n);

/** Inputs that nest, repeat or grow without measure. */
const HOSTILE: Readonly<Record<string, string>> = {
  'boxes in boxes': `${times(3000, '\\mbox{')}x${times(3000, '}')}`,
  'pages in pages': `${times(1500, '\\begin{minipage}{5cm}')}x${times(1500, '\\end{minipage}')}`,
  'lists in lists': `${times(2000, '\\begin{itemize}\\item ')}x${times(2000, '\\end{itemize}')}`,
  'tables in tables': `${times(1500, '\\begin{tabular}{l}')}x${times(1500, '\\end{tabular}')}`,
  'groups in groups': `${times(20_000, '{')}x`,
  'fonts in fonts': `${times(3000, '\\textbf{')}x${times(3000, '}')}`,
  'brackets in brackets': `$${times(3000, '\\left(')}x${times(3000, '\\right)')}$`,
  'matrices in matrices': `$${times(1500, '\\begin{pmatrix}')}x${times(1500, '\\end{pmatrix}')}$`,
  'scripts on scripts': `$${times(3000, 'x^{')}y${times(3000, '}')}$`,
  'fractions bare': `$${times(5000, '\\frac')}$`,
  'accents on accents': `$${times(3000, '\\hat')} x$`,
  'alphabets in alphabets': `$${times(3000, '\\mathbf')} x$`,
  'names in names': `${times(5000, '\\csname ')}x`,
  'numbers of numbers': `${times(5000, '\\number')}1`,
  'conditions on conditions': `${times(5000, '\\ifnum')}1=1`,
  'expansion after expansion': `${times(50_000, '\\expandafter')}\\relax`,
  'a macro that doubles': `\\def\\a{xx}${times(40, '\\edef\\a{\\a\\a}')}\\a`,
  'a macro that calls itself with more': '\\def\\a#1{\\a{#1#1}}\\a{x}',
  'a condition that never ends': '\\def\\loop{\\iftrue\\loop\\fi}\\loop',
  'a very long word': times(20_000, 'x'),
  'a very long formula': `$${times(4000, 'x+')}y$`,
  'a very tall formula': `\\[\\begin{pmatrix}${times(3000, '1\\\\')}\\end{pmatrix}\\]`,
  'lengths beyond all paper':
    '\\hspace{99999cm}x\\vspace{-99999cm}\\rule{16000pt}{16000pt}\\setlength{\\textwidth}{-5pt}',
};

describe('any input gives pages, findings and an end', () => {
  it.each(Object.entries(HOSTILE))('%s', (_name, body) => {
    const session = typeset(inArticle(`Before.\n\n${body}\n\nAfter.`));
    expect(session.pages.length).toBeGreaterThan(0);
    expect(linesOf(session)[0]).toBe('Before.');
    expect(Array.isArray(session.findings())).toBe(true);
  });
});
