import { describe, expect, it } from 'vitest';
import { pageText } from '../../index';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = (names: string): string => `\\usepackage{${names}}`;

describe('what packages bring is set, with nothing to tell of', () => {
  it.each([
    [
      'paralist',
      '\\begin{inparaenum}[(a)]\\item ebb \\item flood\\end{inparaenum}',
      '(a) ebb (b) flood',
    ],
    ['paralist', '\\begin{compactenum}[i)]\\item ebb\\end{compactenum}', 'i) ebb'],
    ['tasks', '\\begin{tasks}(2)\\task ebb\\task flood\\end{tasks}', 'a) ebb b) flood'],
    [
      'tasks',
      '\\begin{tasks}[label=(\\roman*)](2)\\task ebb\\task flood\\end{tasks}',
      '(i) ebb (ii)flood',
    ],
    ['endnotes', 'A\\endnote{one}B\\endnote{two}\\theendnotes', 'A1B2 | Notes | 1one | 2two'],
    ['multido', '\\multido{\\i=2+3}{3}{(\\i)}', '(2)(5)(8)'],
    ['forloop', '\\newcounter{q}\\forloop{q}{1}{\\value{q}<4}{\\arabic{q}}', '123'],
    ['xstring', '\\IfStrEq{a}{a}{yes}{no}\\StrLen{tide}\\StrBefore{ebb-tide}{-}', 'yes4ebb'],
    ['xstring', '\\StrSubstitute{ebb}{b}{g}[\\egg]\\egg', 'egg'],
    ['xifthen', '\\ifthenelse{\\isempty{}\\and\\not\\isempty{a}}{yes}{no}', 'yes'],
    ['environ', '\\NewEnviron{q}[1][x]{(#1: \\BODY)}\\begin{q}[y]two\\end{q}', '(y: two)'],
    ['datetime2', '\\DTMdate{2026-03-01}', '2026-03-01'],
    ['acronym', '\\acrodef{HW}{high water}\\ac{HW}, \\ac{HW}', 'high water (HW), HW'],
    ['glossaries', '\\newacronym{hw}{HW}{high water}\\gls{hw}, \\Gls{hw}', 'high water (HW), HW'],
    [
      'glossaries',
      '\\newglossaryentry{b}{name=b,description=B}\\newglossaryentry{a}{name=a,description=A}x\\glsaddall\\printglossary',
      'a A. 1 | b B. 1',
    ],
    ['pifont', '\\ding{51} \\ding{172}', '✓ ①'],
    ['minted', '\\mintinline{python}{for x in y}', 'for x in y'],
    ['tabularray', '\\begin{tblr}{colspec={lr},hlines} a & b \\\\ c & d \\end{tblr}', 'a b'],
    ['hhline', '\\begin{tabular}{cc}\\hhline{--} a & b\\\\\\hhline{==} c & d\\end{tabular}', 'a b'],
    ['adjustbox', '\\begin{adjustbox}{max width=2cm}\\rule{5cm}{1pt}x\\end{adjustbox}', 'x'],
    ['fancybox', '\\shadowbox{a}\\doublebox{b}\\ovalbox{c}', 'a b c'],
    ['ntheorem', '\\theoremseparator{:}\\newtheorem{law}{Law}\\begin{law}x\\end{law}', 'Law 1: x'],
    [
      'supertabular',
      '\\tablehead{x & y\\\\}\\begin{supertabular}{ll}1 & 2\\\\\\end{supertabular}',
      'x y | 1 2',
    ],
    ['faktor', '$\\faktor{G}{N}$', '𝐺'],
    [
      'tocloft',
      '\\renewcommand{\\cftsecfont}{\\itshape}\\tableofcontents\\section{Ebb}\\subsection{Low}',
      '1.1 Low . .',
    ],
    ['cases', '\\begin{numcases}{f=}x & if so\\\\y & else\\end{numcases}', '(1)'],
    ['tensor', '$\\tensor{T}{^a_b^c}\\tensor*[^a_b]{M}{^c_d}$', '𝑇'],
    ['accents', '$\\underaccent{\\tilde}{x}\\underaccent{\\ast}{y}$', '𝑥'],
    ['upgreek', '$\\Upgamma\\upalpha\\Upomega$', 'ΓαΩ'],
    ['esint', '$\\varoiint x$', '∯'],
    ['commath', '\\section{A}\\label{a}\\secref{a}: $\\envert{x}$', 'section 1: |𝑥|'],
    ['hyperref', '\\section{Ebb}\\label{a}\\Nameref{a}', '‘Ebb’ on page 1'],
    [
      'tasks',
      '\\NewTasksEnvironment[label=\\arabic*),label-width=1em]{prob}[\\item](2)\\begin{prob}\\item a\\item b\\item c\\end{prob}',
      '1) a 2) b | 3) c',
    ],
    [
      'paralist',
      '\\defaultleftmargin{1em}{}{}{}{}{}\\begin{compactitem}\\item a\\end{compactitem}',
      '• a',
    ],
  ])('%s: %s', (names, body, text) => {
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
    const said = laidBody(body, load(names)).text.replace(/\s+/g, ' ');
    expect(said).toContain(text);
  });
});

describe('text flows around a figure', () => {
  const words = 'The tide comes in slowly at first and goes out again. '.repeat(16);
  const figure = (side: string): string =>
    `\\begin{wrapfigure}{${side}}{5cm}\\rule{4cm}{3cm}\\caption{Pier}\\end{wrapfigure}`;
  const page = (side: string, body: string) =>
    laidBody(`${figure(side)}\n${body}`, load('wrapfig'));

  it('at the right: its first lines are shorter, the last reach the margin', () => {
    const { lines } = page('r', words);
    const text = lines.filter((line) => /tide|slowly|goes|again/.test(line.text));
    expect(text[0]?.text.length).toBeLessThan(0.8 * (text.at(-2)?.text.length ?? 0));
  });
  it('at the left: they begin further in', () => {
    const first = page('l', words).word('The').x;
    expect(first).toBeGreaterThan(laidBody(words).word('The').x + 130);
  });
  it('also in the paragraph behind a short one', () => {
    const placed = page('l', `Short.\n\nSecond ${words}`);
    expect(placed.word('Second').x).toBeCloseTo(placed.word('Short.').x, 0);
  });
  it('a heading stands below it', () => {
    const placed = page('l', 'Short.\n\n\\section{Below}');
    expect(placed.word('Below').y).toBeGreaterThan(placed.word('Short.').y + 85);
  });
});

describe('brackets over rows', () => {
  it.each([
    ['amsmath', '$\\bordermatrix{&a&b\\cr r&1&2\\cr s&3&4\\cr}$'],
    ['kbordermatrix', '$\\kbordermatrix{&a&b\\\\ r&1&2\\\\ s&3&4}$'],
    [
      'blkarray',
      '$\\begin{blockarray}{ccc}&a&b\\\\\\begin{block}{c[cc]}r&1&2\\\\s&3&4\\\\\\end{block}\\end{blockarray}$',
    ],
  ])('%s: labels stand outside, entries in line with them', (names, body) => {
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
    const page = laidBody(body, load(names));
    const at = (text: string) => page.word(text);
    expect(at('𝑎').x).toBeCloseTo(at('1').x, -1);
    expect(at('𝑟').y).toBeCloseTo(at('1').y, 0);
    expect(at('𝑎').y).toBeLessThan(at('1').y);
  });
});

it('\\smash in a line of text draws what it takes no room for', () => {
  expect(laidBody('a \\smash{ferry} b').text).toContain('a ferry b');
  expect(laidBody('a \\smash[t]{ferry} b').text).toContain('a ferry b');
});

it('a display in a frame or behind a brace keeps its numbers', () => {
  const body = (options: string, name: string): string =>
    `\\begin{empheq}[${options}]{${name}} a &= b \\\\ c &= d \\end{empheq}`;
  const numbers = (source: string): number =>
    (laidBody(source, load('empheq')).text.match(/\(\d\)/g) ?? []).length;
  expect(numbers(body('left=\\empheqlbrace', 'align'))).toBe(2);
  expect(numbers(body('box=\\fbox', 'align'))).toBe(1);
  expect(numbers(body('box=\\fbox', 'align*'))).toBe(0);
  expect(
    findingsIn(
      inArticle(body('left={f=\\empheqlbrace},right=\\empheqrbrack', 'align'), load('empheq')),
    ),
  ).toEqual([]);
});

it('tableaux have a square for each entry', () => {
  const squares = (body: string): number => laidBody(body, load('ytableau')).rules.length;
  const one = squares('\\ydiagram{1}');
  expect(one).toBe(4);
  expect(squares('\\ydiagram{3,2}')).toBe(5 * one);
  expect(squares('$\\begin{ytableau}1&\\none&2\\end{ytableau}$')).toBe(2 * one);
});

describe('what courses do in their preambles', () => {
  it('a matrix takes its columns in brackets once that is defined, with a bar between them', () => {
    const trick =
      '\\makeatletter\\renewcommand*\\env@matrix[1][*\\c@MaxMatrixCols c]{\\array{#1}}\\makeatother';
    const preamble = `${load('amsmath')}${trick}`;
    const body =
      '$\\begin{bmatrix}[c|c] 1 & 2 \\\\ 3 & 4\\end{bmatrix}$ and $\\begin{bmatrix} 5 \\end{bmatrix}$';
    expect(findingsIn(inArticle(body, preamble))).toEqual([]);
    expect(laidBody(body, preamble).rules.length).toBeGreaterThan(0);
    expect(laidBody(body, preamble).text).toContain('5');
  });
  it('what a plot calls its variable is its own', () => {
    const axis =
      '\\begin{tikzpicture}\\begin{axis}\\addplot[domain=0:1]{x};\\end{axis}\\end{tikzpicture}';
    const plot =
      '\\begin{tikzpicture}\\draw[domain=0:3,variable=\\x] plot ({\\x},{\\x*\\x});\\end{tikzpicture}';
    expect(findingsIn(inArticle(axis + plot, load('pgfplots')))).toEqual([]);
  });
  it('paths of a slide are there on the steps they are said for', () => {
    const body =
      '\\begin{tikzpicture}\\draw<1->(0,0)--(1,1);\\node<2> at (1,0) {later};\\end{tikzpicture}';
    const text = `\\documentclass{beamer}\\usepackage{tikz}\\begin{document}\\begin{frame}${body}\\end{frame}\\end{document}`;
    expect(findingsIn(text)).toEqual([]);
    const session = typeset(text);
    const words = session.pages.map((page) => pageText(session.describe(page), session.fonts));
    expect(words.map((line) => line.includes('later'))).toEqual([false, true]);
  });
});
