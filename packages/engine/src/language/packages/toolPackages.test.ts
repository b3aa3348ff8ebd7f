import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = (names: string, more = ''): string => `\\usepackage{${names}}${more}`;

describe('small packages that files are written with', () => {
  it.each([
    ['letltxmacro', '\\LetLtxMacro{\\t}{\\textbf}\\t{ebb}', 'ebb'],
    ['iftex', '\\ifPDFTeX p\\else n\\fi\\ifXeTeX x\\else n\\fi\\ifluatex l\\else n\\fi', 'pnn'],
    ['ifpdf', '\\ifpdf y\\else n\\fi', 'y'],
    ['aliascnt', '\\newaliascnt{t}{section}\\aliascntresetthe{t}\\section{S}\\thet', '1'],
    ['microtype', '\\microtypesetup{protrusion=true}\\textls{a b}', 'a b'],
    ['bookmark', '\\bookmarksetup{open}\\bookmark[level=1]{a}x', 'x'],
    [
      'kvoptions',
      '\\makeatletter\\SetupKeyvalOptions{family=t,prefix=t@}\\DeclareStringOption[low]{tide}\\t@tide\\setkeys{t}{tide=high}\\t@tide\\makeatother',
      'lowhigh',
    ],
    [
      'xcolor',
      '\\providecolor{t}{rgb}{1,0,0}\\definecolorset{rgb}{}{}{u,0,1,0;v,0,0,1}\\textcolor{v}{x}',
      'x',
    ],
    [
      'makecell',
      '\\begin{tabular}{l}\\makecell[l]{a\\\\bb}\\\\\\Xhline{2pt}\\thead{c\\\\d}\\end{tabular}',
      'a',
    ],
    [
      'enumitem',
      '\\SetEnumitemKey{mine}{label=(\\roman*)}\\begin{enumerate}[mine]\\item ebb\\end{enumerate}',
      '(i) ebb',
    ],
  ])('%s: %s', (names, body, printed) => {
    expect(laidBody(body, load(names)).text).toContain(printed);
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
  });
  it('makecell puts its lines where it is told', () => {
    const left = (where: string): number => {
      const body = `\\begin{tabular}{c}\\makecell${where}{a\\\\bbbbbbb}\\end{tabular}`;
      const found = laidBody(body, load('makecell'));
      return found.word('a').x - found.word('bbbbbbb').x;
    };
    expect(left('[l]')).toBeCloseTo(0, 1);
    expect(left('')).toBeGreaterThan(5);
    expect(left('[r]')).toBeGreaterThan(left(''));
  });
  it('a float does not pass a barrier', () => {
    const float = '\\begin{figure}[p]\\rule{1pt}{15cm}\\caption{A}\\end{figure}';
    const pages = (between: string): number =>
      typeset(inArticle(`${float}text ${between} more`, load('placeins'))).pages.length;
    expect(pages('')).toBe(2);
    expect(pages('\\FloatBarrier')).toBe(3);
    expect(typeset(inArticle('text \\FloatBarrier more', load('placeins'))).pages.length).toBe(1);
  });
  it('raises text by shares of its own height and depth', () => {
    const lines = (raise: string): number =>
      typeset(inArticle(`\\raisebox{0pt}[${raise}]{g}`)).pages[0]?.placed[0]?.box.height ?? 0;
    expect(lines('3\\height') / lines('\\height')).toBeCloseTo(3, 3);
  });
});

describe('text between two of a character', () => {
  it.each([
    ['shortvrb', '\\MakeShortVerb{\\|}|50 % ebb| and \\DeleteShortVerb{\\|}a', '50 % ebb and a'],
    ['fancyvrb', '\\DefineShortVerb{\\!}!a_b! c', 'a_b c'],
    ['fancyvrb', '\\Verb|a_b$| c', 'a_b$ c'],
    ['listings', '\\lstMakeShortInline[language=C]|\n|a;| c', 'a ; c'],
  ])('%s: %s', (names, body, printed) => {
    const text = laidBody(body, load(names)).text.replaceAll('\u00a0', ' ');
    expect(text.replace(/\s+/g, ' ')).toContain(printed);
    expect(findingsIn(inArticle(body, load(names))).map(({ kind }) => kind)).toEqual([]);
  });
  it('is told of when it is not closed on its line', () => {
    const body = '\\DefineShortVerb{\\!}a !b\n\nc';
    expect(laidBody(body, load('fancyvrb')).text).toContain('c');
    expect(findingsIn(inArticle(body, load('fancyvrb'))).map(({ kind }) => kind)).toEqual([
      'verb-unclosed',
    ]);
  });
});

it('a second pair of texts runs in heads: the first of the page at its left, the last at its right', () => {
  const preamble =
    '\\usepackage{fancyhdr,extramarks}\\pagestyle{fancy}\\fancyhf{}\\lhead{\\firstxmark}\\rfoot{\\lastxmark}';
  const body =
    '\\extramarks{One}{One on}a\\extramarks{Two}{Two on}\\newpage b\\newpage\\extramarks{Three}{Three on}c';
  const found = laidBody(body, preamble);
  const page = (n: number): string =>
    found.lines
      .filter((line) => line.page === n)
      .map(({ text }) => text.trim())
      .join('|');
  expect(page(0)).toBe('a|One|Two on');
  expect(page(1)).toBe('b|Two|Two on');
  expect(page(2)).toBe('c|Three|Three on');
});

describe('a letter over two lines', () => {
  const text = '\\lettrine{T}{ides} rise and fall.';
  it('is as high as its lines: its foot on the second, its head with the words of the first', () => {
    const found = laidBody(text, load('lettrine'));
    const [letter, words] = [found.word('T'), found.word('rise')];
    expect(letter.y - words.y).toBeCloseTo(12, 0);
    expect(found.lines.length).toBeLessThan(4);
    const size = letter.right - letter.x;
    expect(size).toBeLessThan(25);
  });
  it('sets nothing in that comes after it in a box', () => {
    const left = (before: string): number =>
      laidBody(
        `${before}\\begin{figure}[h]\\centering\\fbox{X}\\caption{A}\\end{figure}`,
        load('lettrine'),
      ).word('X').x;
    expect(left(text)).toBeCloseTo(left('Tides.'), 1);
    const box = (before: string): number =>
      laidBody(`${before} \\parbox{3cm}{word}`, load('lettrine')).word('word').x;
    expect(box('\\hangindent=2cm\\hangafter=0 ')).toBeLessThan(box('') + 60);
  });
});

describe('names that packages bring besides', () => {
  it.each([
    ['lineno', '\\begin{linenomath*}\\[x\\]\\end{linenomath*}'],
    ['lineno', '\\begin{linenomath}\\[x\\]\\end{linenomath}'],
    ['lineno', '\\begin{internallinenumbers}x\\end{internallinenumbers}'],
    ['changepage', '\\begin{adjustwidth*}{1cm}{1cm}x\\end{adjustwidth*}'],
    ['tabularray', '\\begin{talltblr}{ll}a&b\\\\\\end{talltblr}'],
    [
      'subcaption',
      '\\begin{figure}\\begin{subfigure}{3cm}x\\phantomsubcaption\\label{f}\\end{subfigure}\\caption{y}\\end{figure}\\ref{f}',
    ],
    ['subcaption', '\\begin{figure}x\\phantomcaption\\label{f}\\end{figure}\\ref{f}'],
  ])('%s: %s', (name, body) => {
    expect(laidBody(body, `\\usepackage{${name}}`).session.findings()).toEqual([]);
  });
  it('pgfplots: a loop over plots', () => {
    const { session } = laidBody(
      '\\begin{tikzpicture}\\begin{axis}[width=5cm]\\pgfplotsinvokeforeach{1,...,3}{\\addplot{#1*x};\\addlegendentry{$k=#1$}}\\end{axis}\\end{tikzpicture}',
      '\\usepackage{pgfplots}',
    );
    expect(session.findings()).toEqual([]);
    expect(linesOf(session).join(' ')).toMatch(/= ?1.*= ?2.*= ?3/);
  });
});
