import { describe, expect, it } from 'vitest';
import { bodyLines, inArticle, linesOf, typeset } from '../testing/document';
import { laidBody } from '../testing/layout';

const found = (body: string, preamble = ''): string[] => {
  const text = inArticle(body, preamble);
  return typeset(text)
    .findings()
    .map(({ kind, from, to }) => `${kind} ${text.slice(from, to)}`);
};

describe('findings that should not be there', () => {
  const rows = '\\newenvironment{answers}{\\noindent\\begin{tabular}{ll}}{\\end{tabular}}';
  const names =
    '\\usepackage{amsmath}\\newcommand{\\op}[1]{\\operatorname{#1}}\\def\\up#1{\\mathop{\\mathrm{#1}}}';
  it.each([
    [
      'rows of a table that a definition opens',
      rows,
      '\\begin{answers}\na & b \\\\\n\nc & d\n\\end{answers}',
    ],
    ['lines that are centred', '', '\\begin{center}a\\\\\n\nb\\end{center}'],
    ['space asked for below a line', '', 'Ebb.\\\\[1ex]\n\nFlood.'],
    ['words in a box in a formula', '', '$x = \\mbox{a if then or b}$'],
    ['words in any other box', '', '$x \\hbox{ for all } y$'],
    ['names in an operator of one’s own', names, '$\\op{sin} x + \\up{log} y$'],
    ['the counter of columns', '\\usepackage{amsmath}\\makeatletter', '\\number\\c@MaxMatrixCols'],
    ['characters by their numbers', '', 'a^^41b'],
  ])('%s', (_what, preamble, body) => {
    expect(found(body, preamble)).toEqual([]);
  });
  it.each([
    [
      'a line break at the end of a paragraph',
      'Use \\verb|a b|\\\\\n\nEbb.',
      '\\\\',
      'Use \\verb|a b|\n\nEbb.',
    ],
    ['letters as a name', 'So $x = sin y$.', 'sin', 'So $x = \\sin y$.'],
    ['words', 'So $x if y$.', 'if', 'So $x\\text{ if }y$.'],
  ])('those that should be take nothing else away: %s', (_what, body, at, mended) => {
    const text = inArticle(body, '\\usepackage{amsmath}');
    const [first] = typeset(text).findings();
    expect(text.slice(first?.from, first?.to)).toBe(at);
    const [change] = first?.fix?.edits ?? [];
    if (!change) throw new Error('no fix');
    const after = text.slice(0, change.from) + change.text + text.slice(change.to);
    expect(after).toBe(inArticle(mended, '\\usepackage{amsmath}'));
  });
});

describe('characters by their numbers, and the ends of lines (The TeXbook, chapter 8)', () => {
  it.each([
    ['a^^41b', 'aAb'],
    ['a^^42b', 'aBb'],
    ['a^^!b', 'aab'],
    ['$x^2$', '𝑥2'],
    ['\\number`\\^^M', '13'],
    ['{\\catcode`\\^^M=13 \\gdef^^M{/}\\global\\let\\x=^^M}a\\x b', 'a/b'],
    ['{\\endlinechar=-1 a\n b\nc}d', 'abcd'],
    ['{\\endlinechar=-1 \\endlinechar=13 a\n b}', 'a b'],
  ])('%j prints %j', (body, text) => {
    expect(bodyLines(body).join('/')).toBe(text);
  });
});

describe('labels after a model (package enumerate)', () => {
  it.each([
    ['[Step 1.]', 'Step 1.', '1'],
    ['[{Task} A]', 'Task A', 'A'],
    ['[Q1.]', 'Q1.', '1'],
    ['[(i)]', '(i)', 'i'],
  ])('%s is read as written; a reference gives the number alone', (model, label, number) => {
    const body = `\\begin{enumerate}${model}\\item\\label{a} ebb\\end{enumerate}See \\ref{a}!`;
    const { text } = laidBody(body, '\\usepackage{enumerate}');
    expect(text).toContain(`${label} ebb`);
    expect(text).toContain(`See ${number}!`);
  });
  it('room is made for the number 7', () => {
    const body = '\\begin{enumerate}[Step 1.]\\item ebb\\end{enumerate}';
    const found = laidBody(body, '\\usepackage{enumerate}');
    expect(found.word('ebb').x - found.word('Step').x).toBeGreaterThan(35);
    expect(found.word('Step').x).toBeCloseTo(134.27, 0);
  });
});

describe('citations and theorems as elsewhere', () => {
  const entries = 'abcde'
    .split('')
    .map((key) => `\\bibitem{${key}} entry ${key} `)
    .join('');
  const all = `\\begin{thebibliography}{9}${entries}\\end{thebibliography}`;
  it.each([
    ['\\usepackage[numbers,sort&compress]{natbib}', '\\cite{c,a,b}', '[1–3]'],
    ['\\usepackage[numbers,sort&compress]{natbib}', '\\citep{e,a,b,d,c}', '[1–5]'],
    ['\\usepackage[numbers,sort&compress]{natbib}', '\\cite{e,a,b}', '[1, 2, 5]'],
    ['\\usepackage[numbers,sort&compress]{natbib}', '\\cite{a}', '[1]'],
    ['\\usepackage[numbers]{natbib}', '\\cite{c,a,b}', '[3, 1, 2]'],
    ['\\usepackage{cite}', '\\cite{c,a,b}', '[1–3]'],
    ['\\usepackage{cite}', '\\cite{c,a,zz}', '[3, 1, ?]'],
    ['\\usepackage{cite}', '\\citen{b,a}', '1, 2'],
    ['', '\\cite{c,a,b}', '[3, 1, 2]'],
  ])('%s, %s: %s', (preamble, body, printed) => {
    expect(laidBody(`See ${body}!${all}`, preamble).text).toContain(`See ${printed}!`);
  });
  it('an entry with a label of its own counts for none', () => {
    const some = '\\bibitem[Q]{a} ebb \\bibitem{b} flood';
    const { text } = laidBody(
      `See \\cite{a,b}!\\begin{thebibliography}{9}${some}\\end{thebibliography}`,
      '',
    );
    expect(text).toContain('See [Q, 1]!');
  });
  it('theorems of a talk have no numbers', () => {
    const frame = '\\begin{frame}\\begin{theorem}Ebb\\end{theorem}\\end{frame}';
    const session = typeset(`\\documentclass{beamer}\\begin{document}${frame}\\end{document}`);
    expect(session.findings()).toEqual([]);
    expect(linesOf(session).join(' ')).toContain('Theorem Ebb');
  });
});
