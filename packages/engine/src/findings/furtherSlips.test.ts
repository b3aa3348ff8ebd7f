import { describe, expect, it } from 'vitest';
import { inArticle, linesOf, typeset } from '../testing/document';
import { mended, pressed } from '../testing/press';

const AMS = '\\usepackage{amsmath,amssymb,amsthm}';

const documentOf = (typed: string): string =>
  inArticle(`${typed}\n\nThese are the last words of it.`, AMS);

/**
 * What is typed, the one note of it, and the body after its button. The page shows the words that
 * stand last, whatever was wrong before them.
 */
type Row = readonly [typed: string, kind: string, after: string];

const UNCLOSED: readonly Row[] = [
  [
    '\\begin{itemize}\n\\item \\textbf{ebb\n\\item flood\n\\end{itemize}',
    'argument-unclosed',
    '\\textbf{ebb}\n',
  ],
  ['\\begin{center}\n\\emph{ebb\n\\end{center}', 'argument-unclosed', '\\emph{ebb}\n\\end{center}'],
  ['Ebb\\footnote{low\nwater', 'argument-unclosed', 'water}'],
  ['\\emph{Ebb and\nflood.\n\nHigh.', 'argument-unclosed', '\\emph{Ebb and}\n'],
  [
    '\\begin{tabular}{ll}\na & \\textbf{b \\\\\nc & d\n\\end{tabular}',
    'argument-unclosed',
    '\\textbf{b} \\\\',
  ],
  ['\\newcommand{\\half}{\\frac{1}{2}\n$\\half$', 'argument-unclosed', '\\frac{1}{2}}\n'],
  ['\\def\\half{\\frac{1}{2}\n$\\half$', 'argument-unclosed', '\\frac{1}{2}}\n'],
  ['\\newcommand{\\sheet}[1]{\\textbf{#1}\n  by #1\n\\sheet{Q}', 'argument-unclosed', 'by #1}\n'],
  ['\\begin{proof}[Ebb\nlow\n\\end{proof}', 'bracket-unclosed', '[Ebb]\n'],
  [
    '{\\bfseries Ebb\n\\begin{center}\n{\\itshape flood\n\\end{center}}',
    'brace-unclosed',
    'flood}\n',
  ],
  ['\\begin{verbatim}\nx_1 & 5', 'environment-unclosed', '5\n\\end{verbatim}'],
  ['\\begin{verbatim}\nx_1 & 5\n\\end{verbatm}', 'begin-end-mismatch', '\\end{verbatim}'],
  [
    '\\begin{verbatim}\nx_1\n\n\\section{Ebb}',
    'environment-unclosed',
    '\\end{verbatim}\n\\section',
  ],
];

const MARKS: readonly Row[] = [
  ['\\( x = 1 $ and $y$.', 'formula-closed-otherwise', '\\( x = 1 \\) and'],
  ['\\( x = 1 and $y$ is.', 'formula-unclosed', '\\( x = 1\\) and $y$'],
  ['\\[ x = 1 \\)', 'formula-closed-otherwise', '\\[ x = 1 \\]'],
  ['\\[ x = 1 $$', 'formula-closed-otherwise', '\\[ x = 1 \\]'],
  ['$$ x = 1 \\]', 'formula-closed-otherwise', '$$ x = 1 $$'],
  ['$ x = 1 \\) and so', 'formula-closed-otherwise', '$ x = 1 $ and'],
  ['\\( x = 1 \\] and so', 'formula-closed-otherwise', '\\( x = 1 \\) and'],
  ['$x = \\(y\\)$', 'mark-in-formula', '$x = y$'],
  ['\\begin{align*}x &= \\(y\\)\\end{align*}', 'mark-in-formula', '&= y\\end'],
  ['\\( a \\( b \\)', 'formula-unclosed', '\\( a\\) \\('],
  ['\\[ a = b\n\nText \\[ c \\]', 'formula-unclosed', '\\[ a = b\\]\n'],
  ['We paid $5 for it.', 'formula-unclosed', 'paid \\$5 for'],
  ['The cost is $5 and then $7.', 'money-as-formula', 'is \\$5 and then \\$7.'],
];

const BRACKETS: readonly Row[] = [
  ['\\( \\sqrt{x+1 \\) and', 'brace-unclosed', '\\sqrt{x+1} \\)'],
  ['\\[ x^{2 + y^{2} = z^{2} \\]', 'brace-unclosed', 'x^{2 + y^{2}} = z'],
  ['$\\sum_{i=1^{n} i$', 'brace-unclosed', '\\sum_{i=1}^{n} i'],
  ['\\begin{align*}\nx &= \\frac{1}{2 \\\\\ny &= 3\n\\end{align*}', 'brace-unclosed', '{2} \\\\'],
  ['\\begin{align*} x &= {a & b} \\\\ y&=2 \\end{align*}', 'alignment-outside', '{a  b}'],
  ['\\[ \\left( \\frac{a}{b} \\]', 'delimiter-unmatched', '\\right) \\]'],
  ['\\[ \\left[ \\frac{1}{2} \\right \\]', 'delimiter-missing', '\\right] \\]'],
  ['$\\left{x\\right}$', 'brace-bare', '$\\left\\{x\\right\\}$'],
  ['$\\left\\{x\\right}$', 'brace-bare', '$\\left\\{x\\right\\}$'],
  ['$\\{x : x>0}$', 'brace-extra', 'x>0\\}$'],
  [
    '\\begin{align*} a &= \\left( b \\\\ &+ c \\right)\\end{align*}',
    'delimiter-over-rows',
    'b \\right. \\\\ & \\left.+ c',
  ],
  ['$x^2^3$', 'scripts-doubled', '$x^{2^3}$'],
  ['$\\sum_{i=1}^n_j a$', 'scripts-doubled', '${\\sum_{i=1}^n}_j a$'],
  ['$\\frac{1}$', 'argument-missing', '\\frac{1}{}$'],
];

const NAMES: readonly Row[] = [
  ['\\being{center}\nebb\n\\end{center}', 'command-unknown', '\\begin{center}'],
  ['\\begin{itemize}\\item a \\tiem b\\end{itemize}', 'command-unknown', '\\item b'],
  ['\\begin center\nebb\n\\end{center}', 'braces-meant', '\\begin {center}'],
  ['$\\NN$', 'command-not-defined-here', '$\\mathbb{N}$'],
  ['\\newcommand{\\twice}[1]{2#2}$\\twice{x}$', 'argument-beyond', '[1]{2#1}'],
  ['\\newcommand{\\both}{#1, #2}\\both{x}{y}', 'argument-beyond', '\\both}[2]{'],
  ['\\begin{matrix} 1 & 2 \\end{matrix}', 'math-in-text', '$\\begin{matrix}'],
];

it('an environment that a macro leaves open has no button where the macro is used', () => {
  const body = '\\newcommand{\\wave}{\\begin{center}} \\wave and.';
  for (const { fix } of typeset(documentOf(body)).findings()) expect(fix).toBeUndefined();
});

it('what is proposed has a place where it stands: in a formula, or in text', () => {
  const titles = (body: string): string[] =>
    typeset(documentOf(body))
      .findings()
      .flatMap(({ fix, others = [] }) => [fix, ...others].map((one) => one?.title ?? ''));
  expect(titles('$\\alhpa$')[0]).toBe('Write \\alpha');
  expect(titles('\\daze{x}').join()).not.toContain('\\day');
  expect(titles('\\includegrahpics{x}').join()).not.toContain('\\include ');
});

const ROWS: readonly Row[] = [
  ['\\begin{tabular}{ll}\na & b\nc & d\n\\end{tabular}', 'row-break-missing', 'a & b \\\\\nc'],
  ['\\begin{tabular}\na & b \\\\\n\\end{tabular}', 'columns-missing', '{tabular}{ll}\n'],
  ['\\[\\begin{array}\n1 & 2\n\\end{array}\\]', 'columns-missing', '{array}{ll}\n'],
  ['\\begin{tabular}{c}\na\n\\hline\n\\end{tabular}', 'row-unended', 'a \\\\\n\\hline'],
  ['\\begin{enumerate}\n\\end{enumerate}', 'list-empty', '{enumerate}\n\\item'],
  ['\\item ebb\n\n\\item flood', 'item-outside-list', 'flood\n\\end{itemize}'],
  ['\\section{A}\\\\\nEbb', 'line-break-between', '\\section{A}\nEbb'],
  ['Ebb.\n\n\\\\\nFlood', 'line-break-between', 'Ebb.\n\nFlood'],
  ['\\begin{itemize}\\item \\\\ ebb\\end{itemize}', 'line-break-between', '\\item  ebb'],
];

const ENDS: readonly Row[] = [
  ['Let $f = \\begin{cases} 1 & x \\\\ 0 & y $.', 'environment-unclosed', 'y \\end{cases} $'],
  ['$\\begin{bmatrix} 1 & 2 \\end{bmatrix$', 'argument-unclosed', '\\end{bmatrix}$'],
  [
    '\\begin{equation}\n\\begin{align}a &= b\\end{align}\n\\end{equation}',
    'marks-around-display',
    '\n\\begin{align}a &= b\\end{align}\n',
  ],
  [
    '\\begin{equation}c + \\begin{align}a &= b\\end{align}\\end{equation}',
    'marks-around-display',
    '\\begin{aligned}a &= b\\end{aligned}',
  ],
  [
    '\\begin{enumerate}\\item a\n\\begin{enumerate}\\item b\n\\end{itemize}\n\\end{enumerate}',
    'begin-end-mismatch',
    'b\n\\end{enumerate}\n',
  ],
  [
    '\\begin{enumerate}\n\\item[a) Ebb\n\\item[b)] Flood\n\\end{enumerate}',
    'bracket-unclosed',
    '[a)] Ebb',
  ],
  ['$x = \\frac{-b \\pm \\sqrt{b^2}{2a}$', 'brace-unclosed', '\\sqrt{b^2}}{2a}'],
];

/** How far a formula goes that was typed as text. */
const RUNS: readonly Row[] = [
  ['The map f: A \\to B is one.', 'math-in-text', 'map $f: A \\to B$ is'],
  ['So f(x) = x^2 + 2x + 1.', 'math-in-text', 'So $f(x) = x^2 + 2x + 1$.'],
  ['It is 90^\\circ.', 'math-in-text', 'is $90^\\circ$.'],
  ['Thus \\int_0^1 x dx = 1/2 holds.', 'math-in-text', 'Thus $\\int_0^1 x dx = 1/2$ holds'],
  ['Let x \\in \\mathbb{R} be.', 'math-in-text', 'Let $x \\in \\mathbb{R}$ be'],
  ['$\\text{for x \\in \\mathbb{R}}$', 'math-in-text', 'for $x \\in \\mathbb{R}$}'],
  ['Some CO_2 is.', 'math-in-text', 'Some CO\\textsubscript{2} is'],
  ['Ask a_b@c.example now.', 'math-in-text', 'a\\_b@c'],
];

const SIGNS: readonly Row[] = [
  ['$α+β ≤ γ$', 'character-in-formula', '$\\alpha+\\beta \\le \\gamma$'],
  ['$√2 − √{x}$', 'character-in-formula', '$\\sqrt{2} - \\sqrt{x}$'],
];

const ALL = [...UNCLOSED, ...MARKS, ...BRACKETS, ...NAMES, ...ROWS, ...ENDS, ...RUNS, ...SIGNS].map(
  ([typed, kind, after]) => ({ typed, kind, after }),
);

describe('a slip has one true note, its button mends it, and the page stays', () => {
  it.each(ALL)('$kind: $typed', ({ typed, kind, after }) => {
    const source = documentOf(typed);
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
  it.each<Row>([
    ['$\\lim_{x->0} x$', 'sign-typed', '{x\\to0}'],
    ['$a <= b$', 'sign-typed', 'a \\leq b'],
    ['$x != y$', 'sign-typed', 'x \\neq y'],
    ['$p <=> q$', 'sign-typed', 'p \\iff q'],
    ['$5*3$', 'sign-typed', '5\\cdot3'],
    ['$90^o$', 'sign-typed', '90^{\\circ}'],
    ['$<u,v> = 0$', 'sign-typed', '$\\langle u,v \\rangle = 0$'],
    ['Let $A = {1,2,3}$.', 'braces-lost', '= \\{1,2,3\\}$'],
    ['The set {1,2,3} is finite.', 'braces-lost', 'set \\{1,2,3\\} is'],
    ['$\\frac{n(n+1)}/2$', 'sign-below', '$\\frac{n(n+1)}{2}$'],
    ['$\\begin{pmatrix} 1 & 2\n3 & 4 \\end{pmatrix}$', 'row-runs-on', '1 & 2 \\\\\n3'],
    ['\\begin{align*} x = 1 \\\\ y = 2 \\end{align*}', 'rows-unaligned', 'x &= 1 \\\\ y &= 2'],
    ['\\bf{Ebb} and flood', 'declaration-with-braces', '\\textbf{Ebb} and'],
    ['\\textbf Ebb and flood', 'word-without-braces', '\\textbf{Ebb} and'],
    ['\\large{Ebb} and flood', 'declaration-with-braces', '{\\large Ebb} and'],
  ])('%s', (typed, kind, after) => {
    const source = documentOf(typed);
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
    expect(typeset(documentOf(typed)).findings()).toEqual([]);
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
