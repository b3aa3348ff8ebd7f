import { describe, expect, it } from 'vitest';
import {
  findingsIn,
  inArticle,
  linesOf,
  textFiles,
  typeset,
  waysIn,
  withFix,
} from '../testing/document';

/** A mistake in a body, what is found, and where it stands; its button leaves nothing to find. */
const MENDED: readonly (readonly [string, string, string, string])[] = [
  ['an & in text', 'Ebb & flood.', 'alignment-outside', '&'],
  ['a # in text', 'Berth # 3.', 'parameter-character', '#'],
  ['a brace too many', 'Ebb } flood.', 'brace-extra', '}'],
  ['a brace never closed', 'Ebb {\\bfseries flood.', 'group-unclosed', '{'],
  ['an end too many', 'a \\end{center} b', 'end-without-begin', '\\end{center}'],
  ['a \\left alone', 'So $\\left( x + 1$ is.', 'delimiter-unmatched', '\\left'],
  ['a \\right alone', 'So $x + 1 \\right)$ is.', 'delimiter-unmatched', '\\right'],
  ['a power of nothing', 'So $x^$ is.', 'script-missing', '^'],
  ['two powers', 'So $x^a^b$ is.', 'scripts-doubled', '^'],
  ['two indices with braces', 'So $x_{12}_{n}$ is.', 'scripts-doubled', '_'],
  ['a dollar in a display', '\\[ x $ y \\]', 'dollar-in-formula', '$'],
  [
    'a blank line in a display',
    '\\begin{equation}\nx\n\n= y\n\\end{equation}',
    'blank-line-in-formula',
    '\n',
  ],
  ['a title that is missing', '\\maketitle Ebb.', 'title-missing', '\\maketitle'],
  [
    'a misspelt reference',
    '\\section{A}\\label{sec:ebb}See \\ref{sec:eb}.',
    'reference-unknown',
    '\\ref{sec:eb}',
  ],
  [
    'a misspelt citation',
    'See \\cite{quil}.\\begin{thebibliography}{9}\\bibitem{quill} A book.\\end{thebibliography}',
    'citation-unknown',
    '\\cite{quil}',
  ],
  ['an item outside a list', '\\item ebb\n\n', 'item-outside-list', '\\item'],
  [
    'a column too many',
    '\\begin{tabular}{cc} 1 & 2 & 3 \\\\ \\end{tabular}',
    'columns-too-many',
    '\\begin{tabular}',
  ],
  ['a length without unit', '\\hspace*{3}x', 'unit-missing', '}'],
  ['a new command for an old name', '\\newcommand{\\quad}{x}a', 'command-redefined', '\\quad'],
  [
    'a new meaning for no command',
    '\\renewcommand{\\ebb}{x}\\ebb.',
    'command-not-yet-defined',
    '\\ebb',
  ],
  ['a caption without a figure', '\\caption{Ebb}', 'caption-outside', '\\caption'],
  ['a percent sign in text', 'Some 50% of the boats\nare in.', 'comment-after-number', '%'],
  ['a name in letters', 'So $sin x + 1$ is.', 'name-in-letters', 'sin'],
  ['words in a formula', 'So $x = 1 if y = 2$ is.', 'words-in-formula', 'if'],
  [
    'a list that starts with text',
    '\\begin{itemize} ebb\n\\item flood \\end{itemize}',
    'text-before-item',
    'e',
  ],
  [
    'a label before its caption',
    '\\begin{figure}\n\\label{fig:a}\nx\n\\caption{Ebb}\n\\end{figure}\nSee \\ref{fig:a}.',
    'label-before-caption',
    '\\label{fig:a}',
  ],
  ['a line break for nothing', 'Ebb. \\\\\n\nFlood.', 'line-break-for-nothing', '\\\\'],
  [
    'a note in a figure',
    '\\begin{figure}\nebb\\footnote{At noon.}\n\\caption{Ebb}\n\\end{figure}',
    'note-in-float',
    '\\footnote',
  ],
  [
    'a note in a table of a table',
    '\\begin{table}\\begin{tabular}{c}ebb\\footnote{At noon.}\\end{tabular}\\end{table}',
    'note-in-float',
    '\\footnote',
  ],
  ['straight quotes', 'He said "ebb" twice.', 'quotes-straight', '"ebb"'],
  ['typed dots', 'And so on ... and on.', 'dots-typed', '...'],
  ['a swallowed blank', 'Set in \\LaTeX by us.', 'blank-swallowed', '\\LaTeX'],
  [
    'a package line in the text',
    '\\usepackage{xcolor}\nEbb.',
    'line-too-late',
    '\\usepackage{xcolor}',
  ],
  ['a brace that a comment took', 'Ebb \\textbf{at 5 % of} it.\n\nOn.', 'comment-swallows', '%'],
  ['a formula that a comment took', 'Ebb $x = 5 % y$ it.\n\nOn.', 'comment-swallows', '%'],
  ['a chapter in an article', '\\chapter{Ebb} Text.', 'chapters-missing', '\\chapter'],
];

describe('what a button mends', () => {
  it.each(MENDED)('%s: found once, at its cause', (_what, source, kind, at) => {
    expect(findingsIn(inArticle(source)).map((f) => [f.kind, f.at])).toEqual([[kind, at]]);
  });
  it.each(MENDED)('%s: nothing is left to find', (_what, source) => {
    const [found] = findingsIn(inArticle(source));
    expect(found?.fixed).not.toBeNull();
    expect(findingsIn(found?.fixed ?? '').map(({ kind }) => kind)).toEqual([]);
  });
});

describe('formulas and pictures that are too wide', () => {
  const long = (sign: string) =>
    Array.from({ length: 12 }, (_, i) => `a_{${i}} + b_{${i}} + c`).join(sign);
  it.each([
    ['a chain of relations', `\\[ ${long(' = ')} \\]`],
    ['one long sum', `\\[ S = ${long(' + ')} \\]`],
    [
      'a numbered one',
      `\\begin{equation}\\label{eq:s}\n${long(' = ')}\n\\end{equation} See \\eqref{eq:s}.`,
    ],
  ])('%s is broken over lines', (_what, source) => {
    const [found] = findingsIn(inArticle(source));
    expect(found?.kind).toBe('formula-too-wide');
    expect(findingsIn(found?.fixed ?? '').map(({ kind }) => kind)).toEqual([]);
  });
  const sum = (terms: number) =>
    Array.from({ length: terms }, (_, i) => `a_{${i}} b_{${i}}`).join(' + ');
  it.each([
    [
      'a formula a little too wide',
      `\\[ S = ${sum(13)} \\]`,
      ['Break it over several lines', 'Shrink it to fit'],
    ],
    [
      'one with a number',
      `\\begin{equation}\\label{eq:s} S = ${sum(13)} \\end{equation} See \\eqref{eq:s}.`,
      ['Break it over several lines', 'Shrink it to fit'],
    ],
    [
      'a row of aligned lines',
      `\\begin{align} x &= 1 \\\\ S &= ${sum(30)} \\label{eq:s} \\end{align} See \\eqref{eq:s}.`,
      ['Break this line in two or more'],
    ],
    [
      'one of aligned lines with others behind it',
      `\\begin{align*} S &= ${sum(30)} \\\\[2pt] x &= 1 \\end{align*}`,
      ['Break this line in two or more'],
    ],
    [
      'a row of centred lines',
      `\\begin{gather*} x = 1 \\\\ S = ${sum(30)} \\end{gather*}`,
      ['Break this line in two or more'],
    ],
    [
      'a long formula in a line of text',
      `So it follows at once that the sum $S = ${sum(4)}\\left(${sum(5)}\\right)$, which is known.`,
      ['Put the formula on a line of its own'],
    ],
    [
      'one that ends its paragraph',
      `So it follows at once that the sum is \\(S = ${sum(4)}\\left(${sum(5)}\\right)\\).\n\nEbb.`,
      ['Put the formula on a line of its own'],
    ],
    [
      'words that do not break',
      `The tables of the harbour office lie open to all at the address \\texttt{harbourtidesoffice}, and the boats keep to them.`,
      ['Let the words stand further apart'],
    ],
  ])('%s has these ways to be mended, and each mends it', (_what, source, titles) => {
    const ways = waysIn(inArticle(source));
    expect(ways.map(({ title }) => title)).toEqual(titles);
    for (const { fixed } of ways) expect(findingsIn(fixed).map(({ kind }) => kind)).toEqual([]);
  });
  it('a row that is broken keeps one number, and its label', () => {
    const text = inArticle(
      `\\begin{align} S &= ${sum(30)} \\label{eq:s} \\end{align} See \\eqref{eq:s}.`,
    );
    const lines = linesOf(typeset(waysIn(text)[0]?.fixed ?? '')).join('\n');
    expect(lines.match(/\(1\)/g)).toHaveLength(2);
    expect(lines).not.toContain('(2)');
  });
  it('a formula with no place to break has no button', () => {
    const [found] = findingsIn(inArticle(`\\[ \\text{${'wide '.repeat(40)}} \\]`));
    expect(found).toMatchObject({ kind: 'formula-too-wide', fixed: null });
  });
  it('a picture is made as wide as the text', () => {
    const text = inArticle(
      '\\noindent\\includegraphics[angle=0]{map.svg}',
      '\\usepackage{graphicx}',
    );
    const files = textFiles({ 'map.svg': '<svg width="900" height="400"></svg>' });
    const [found] = typeset(text, files).findings();
    expect(found?.kind).toBe('picture-too-wide');
    const mended = [found?.fix, ...(found?.others ?? [])].map((way) => way && withFix(text, way));
    expect(mended[0]).toContain('\\includegraphics[width=\\textwidth,angle=0]{map.svg}');
    expect(mended[1]).toContain('\\includegraphics[width=0.5\\textwidth,angle=0]{map.svg}');
    for (const one of mended) expect(typeset(one ?? '', files).findings()).toEqual([]);
  });
  it('a lost reference has the names that are near, the nearest first', () => {
    const label = (name: string) => `\\section{Ebb}\\label{${name}}`;
    const text = inArticle(
      `${['sec:tides', 'sec:tied', 'sec:boats'].map(label).join(' ')} See \\ref{sec:tide}, and \\ref{sec:tides}, \\ref{sec:tied}, \\ref{sec:boats}.`,
    );
    expect(waysIn(text).map(({ title }) => title)).toEqual(['Write sec:tides', 'Write sec:tied']);
  });
  it('a missing picture has the near name', () => {
    const text = inArticle('\\includegraphics{mp.svg}', '\\usepackage{graphicx}');
    const files = textFiles({ 'map.svg': '<svg width="90" height="40"></svg>' });
    const [found] = typeset(text, files).findings();
    expect(found).toMatchObject({ kind: 'file-missing', fix: { title: 'Write map.svg' } });
  });
});

it('a column is added behind all that stand in the list, braces in braces among them', () => {
  const text = inArticle(
    '\\begin{tabular}{lp{(\\linewidth-1cm)*1}} 1 & 2 & 3 \\end{tabular}',
    '\\usepackage{calc}',
  );
  const nested = text.replace('*1', '*\\real{0.5}');
  const [found] = typeset(nested).findings();
  expect(withFix(nested, found?.fix ?? { title: '', edits: [] })).toContain('\\real{0.5}}c}');
});

describe('the document as a whole', () => {
  const kinds = (text: string): string[] => findingsIn(text).map(({ kind }) => kind);
  it('a title that is given and never printed', () => {
    const text = inArticle('Ebb.', '\\title{Ebb}\\author{M. Quill}');
    const [found] = findingsIn(text);
    expect(found).toMatchObject({ kind: 'title-not-printed', at: '\\title' });
    expect(kinds(found?.fixed ?? '')).toEqual([]);
    expect(linesOf(typeset(found?.fixed ?? ''))).toContain('Ebb');
  });
  it('text behind the end', () => {
    expect(kinds(`${inArticle('Ebb.')}\nMore of it.\n`)).toEqual(['text-behind-end']);
    const old = inArticle('Low $x and {\\frac 1} and 50% of it, \\begin{itemize}.');
    expect(kinds(`${inArticle('Ebb.')}\n${old}`)).toEqual(['text-behind-end']);
    expect(kinds(`${inArticle('$\\alhpa$')}\n${old}`)).toEqual([
      'command-unknown',
      'text-behind-end',
    ]);
    expect(kinds(`${inArticle('Ebb.')}\n% a note\n`)).toEqual([]);
  });
  it('labels nobody refers to, where others are referred to', () => {
    const used = '\\section{A}\\label{a}\\section{B}\\label{b}See \\ref{a}.';
    expect(kinds(inArticle(used))).toEqual(['label-unused']);
    expect(kinds(inArticle('\\section{A}\\label{a}'))).toEqual([]);
  });
  it('own words keep their blanks too', () => {
    const own = '\\newcommand{\\club}{Skerry Rowing Club}';
    expect(kinds(inArticle('The \\club meets.', own))).toEqual(['blank-swallowed']);
    expect(kinds(inArticle('The \\club{} meets, \\club.', own))).toEqual([]);
  });
});

describe('what is meant so is left alone', () => {
  it.each([
    ['code', '\\begin{verbatim}\n50% of "x" ... sin\n\\end{verbatim} \\verb|10% of|'],
    ['comments at the end of lines', 'Ebb 50\\% % of the boats\nand % more ... "here"\nflood.'],
    ['text in formulas', '$x = 1 \\text{ if } \\mathrm{sin} y = \\operatorname{max} z$'],
    ['rows of a table before a blank line', '\\begin{tabular}{c} a \\\\\n\n b \\end{tabular}'],
    ['names within names', '$\\sinh x + \\inf y + \\lim_n z$, and max in text'],
    ['addresses', '\\texttt{a}, \\label{a-sin}'],
  ])('%s', (_what, source) => {
    expect(findingsIn(inArticle(source)).map(({ kind }) => kind)).toEqual([]);
  });
});
