import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const prints = (preamble: string, body: string): string =>
  laidBody(body, preamble)
    .text.normalize('NFKC')
    .replace(/[\s|]+/g, '')
    .replace(/1$/, '');

/** `\begin{name}` is `\name`, `\end{name}` is `\endname` (the LaTeX kernel): both are commands that can be kept. */
describe('the halves of an environment as commands', () => {
  it.each([
    [
      'a list kept and changed',
      '\\let\\olditemize\\itemize\\let\\endolditemize\\enditemize\\renewenvironment{itemize}{\\olditemize\\itemsep0pt}{\\endolditemize}',
      '\\begin{itemize}\\item a\\item b\\end{itemize}c',
      '•a•bc',
    ],
    [
      'its end under another name',
      '\\let\\old=\\enumerate\\let\\oldend=\\endenumerate\\def\\enumerate{\\old\\itemsep0pt}\\def\\endenumerate{\\oldend}',
      '\\begin{enumerate}\\item a\\item b\\end{enumerate}c',
      '1.a2.bc',
    ],
    [
      'only its beginning',
      '\\let\\oldq\\quote\\def\\quote{\\oldq\\small}',
      '\\begin{quote}a\\end{quote}b',
      'ab',
    ],
    [
      'only its end',
      '\\let\\oldend\\endcenter\\def\\endcenter{x\\oldend}',
      '\\begin{center}a\\end{center}b',
      'axb',
    ],
    [
      'a display',
      '\\newenvironment{eqn}{\\equation}{\\endequation}',
      '\\begin{eqn}a\\end{eqn}b',
      'a(1)b',
    ],
    [
      'aligned lines',
      '\\usepackage{amsmath}\\newenvironment{al}{\\align}{\\endalign}',
      '\\begin{al}a&=b\\\\c&=d\\end{al}',
      'a=b(1)c=d(2)',
    ],
    [
      'within brackets',
      '\\newenvironment{cs}{\\left\\{\\array{l}}{\\endarray\\right.}',
      '$\\begin{cs}a\\\\b\\end{cs}$',
      '{ab',
    ],
    [
      'a theorem',
      '\\newtheorem{thm}{Claim}\\let\\oldthm\\thm\\let\\endoldthm\\endthm\\renewenvironment{thm}{\\begin{center}\\oldthm}{\\endoldthm\\end{center}}',
      '\\begin{thm}a\\end{thm}',
      'Claim1a',
    ],
    [
      'text as it is typed',
      '\\let\\oldv\\verbatim\\let\\endoldv\\endverbatim\\renewenvironment{verbatim}{\\small\\oldv}{\\endoldv}',
      '\\begin{verbatim}\na_b\n\\end{verbatim}\nc',
      'a_bc',
    ],
    [
      'lines of a command that is changed',
      '\\usepackage{fancyvrb}\\let\\Old=\\Verbatim\\renewcommand{\\Verbatim}[1][1]{\\Old[#1]}',
      '\\begin{Verbatim}[numbers=left]\na_b\n\\end{Verbatim}',
      '1a_b',
    ],
    [
      'lines within an environment of one’s own',
      '\\usepackage{fancyvrb}\\newenvironment{code}{\\VerbatimEnvironment\\begin{Verbatim}[numbers=left]}{\\end{Verbatim}}',
      '\\begin{code}\na_b\n\\end{code}\nc',
      '1a_bc',
    ],
    [
      'let go first',
      '\\let\\quote\\relax\\let\\endquote\\relax\\newenvironment{quote}{[}{]}',
      '\\begin{quote}a\\end{quote}',
      '[a]',
    ],
    [
      'given by \\let',
      '\\newcommand\\open{(}\\newcommand\\shut{)}\\let\\quote\\open\\let\\endquote\\shut',
      '\\begin{quote}a\\end{quote}',
      '(a)',
    ],
    [
      'asked whether they are there',
      '',
      '\\ifcsname itemize\\endcsname y\\fi\\ifdefined\\endquote y\\fi\\ifdefined\\tides n\\fi',
      'yy',
    ],
  ])('%s', (_what, preamble, body, printed) => {
    expect(prints(preamble, body)).toBe(printed.normalize('NFKC'));
    expect(findingsIn(inArticle(body, preamble))).toEqual([]);
  });
});

/** Paths have their names within pictures alone (the manual of tikz, 14). */
describe('names of paths outside pictures', () => {
  const tikz = '\\usepackage{tikz}';
  it.each([
    ['a length', '', 'a\\vspace*{\\fill}\\hspace*{\\fill}b', 'ab'],
    [
      'a command of one’s own',
      '\\newcommand{\\node}[1]{(#1)}\\newcommand\\clip{D}',
      '\\node{a}\\clip{}',
      '(a)D',
    ],
    ['a matrix of plain TeX', '', '$\\matrix{a&b\\cr}$', 'ab'],
    ['not there', '', '\\ifdefined\\draw n\\else y\\fi', 'y'],
  ])('%s', (_what, preamble, body, printed) => {
    const picture =
      '\\begin{tikzpicture}\\draw (0,0) -- (1,0);\\fill (0,0) circle (1pt);\\node at (0,0) {q};\\end{tikzpicture}';
    expect(prints(tikz + preamble, `${body}${picture}`)).toContain(printed);
    expect(findingsIn(inArticle(`${body}{} ${picture}`, tikz + preamble))).toEqual([]);
  });
  it('a path outside is told of', () =>
    expect(findingsIn(inArticle('\\draw (0,0) -- (1,0);', tikz)).map(({ kind }) => kind)).toEqual([
      'picture-outside',
    ]));
});
