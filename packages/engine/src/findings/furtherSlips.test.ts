import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../testing/document';
import { mended, pressed } from '../testing/press';
import { ADVISED, IN_TEXT, sheetWith } from '../testing/slipRows';

describe('a slip has one true note, its button mends it, and the page stays', () => {
  it.each(IN_TEXT)('%s', (typed, kind, after) => {
    const source = sheetWith(typed);
    const session = typeset(source);
    const wrong = session.findings().filter(({ severity }) => severity !== 'advice');
    expect(wrong.map((found) => found.kind)).toEqual([kind]);
    expect(pressed(source, wrong[0]?.fix ?? { title: '', edits: [] })).toContain(after);
    const { text, left } = mended(source);
    expect([text.includes(after), left.map((found) => found.kind)]).toEqual([true, []]);
    expect(linesOf(session).join(' | ')).toContain('These are the last words of it.');
  });
});

describe('what sets as it is written is advice, with what was meant', () => {
  it.each(ADVISED)('%s', (typed, kind, after) => {
    const source = sheetWith(typed);
    const [found, ...others] = typeset(source).findings();
    expect([found?.kind, found?.severity, others]).toEqual([kind, 'advice', []]);
    expect(pressed(source, found?.fix ?? { title: '', edits: [] })).toContain(after);
  });
  it.each([
    '$n!=24$, $n! = 24$, $a<b, c>d$, $f\\colon A \\to B$, $x^{o}$, $F * G$',
    '{\\bf Ebb} and {\\large{flood}}, \\textbf{low} water',
    '\\textbf {1,2} and {ebb, flood}, $x_{1,2}$, $\\mathbf{a,b}$',
    '\\begin{align*} x &= 1 \\\\ &= 2 \\end{align*}\\begin{align*} x = 1 \\end{align*}',
    '\\begin{align*} a &= b \\\\\n &\\quad + c \\end{align*}',
    '$\\begin{pmatrix} 1 & 2 \\\\\n3 & 4 \\end{pmatrix}$, $\\begin{pmatrix} 1 &\n 2 \\end{pmatrix}$',
    '\\[ x \\]\\\\ flood, \\noindent low\\\\ water \\newline high',
    '\\begin{itemize}\\item ebb\\end{itemize}\\begin{center}\\end{center}',
    '$5 + 3$ and $7$, \\$5 and \\$7, $x = 5$ of $7$',
    '$\\left( a \\right.$ $\\left. b \\right)$ $\\left\\{ c \\right\\}$',
  ])('%s is well', (typed) => {
    expect(typeset(sheetWith(typed)).findings()).toEqual([]);
  });
});

it('a sign that a package reads, or the sheet defines, is nobody’s slip', () => {
  const kinds = (preamble: string): string[] =>
    typeset(inArticle('$α$', preamble))
      .findings()
      .map(({ kind }) => kind);
  expect(kinds('\\usepackage{newunicodechar}\\newunicodechar{α}{\\alpha}')).toEqual([]);
  expect(kinds('\\usepackage{unicode-math}')).not.toContain('character-in-formula');
});

it('a name near one of a package that is not loaded is written right, and then loaded', () => {
  const { text, left } = mended(
    '\\documentclass{article}\n\\begin{document}\n$a \\leqslent b$\n\\end{document}\n',
  );
  expect(text).toContain('$a \\leqslant b$');
  expect(text).toContain('\\usepackage{amssymb}');
  expect(left).toEqual([]);
});

it('what stands behind a picture’s file goes before it', () => {
  const source = inArticle('\\includegraphics{boat}[width=3cm]', '\\usepackage{graphicx}');
  const found = typeset(source)
    .findings()
    .find(({ kind }) => kind === 'options-behind');
  expect(pressed(source, found?.fix ?? { title: '', edits: [] })).toContain('[width=3cm]{boat}');
});

it('an environment that a macro leaves open has no button where the macro is used', () => {
  const body = '\\newcommand{\\wave}{\\begin{center}} \\wave and.';
  for (const { fix } of typeset(sheetWith(body)).findings()) expect(fix).toBeUndefined();
});

it('what is proposed has a place where it stands: in a formula, or in text', () => {
  const titles = (body: string): string[] =>
    typeset(sheetWith(body))
      .findings()
      .flatMap(({ fix, others = [] }) => [fix, ...others].map((one) => one?.title ?? ''));
  expect(titles('$\\alhpa$')[0]).toBe('Write \\alpha');
  expect(titles('\\daze{x}').join()).not.toContain('\\day');
  expect(titles('\\includegrahpics{x}').join()).not.toContain('\\include ');
});
