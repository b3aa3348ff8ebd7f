import { inArticle } from './document';

const t = (n: number, text: string): string => text.repeat(n);
const art = (body: string, preamble = ''): string => inArticle(body, preamble);
const letters = (i: number): string =>
  [i % 26, Math.floor(i / 26) % 26, Math.floor(i / 676) % 26]
    .map((n) => String.fromCharCode(97 + n))
    .join('');
/** Macros that double: the last prints as many signs as there are atoms in a gram. */
const DOUBLING = Array.from({ length: 26 }, (_, i) => {
  const name = (n: number): string => `\\a${String.fromCharCode(97 + n)}`;
  return `\\def${name(i)}{${i === 0 ? 'x' : name(i - 1) + name(i - 1)}}`;
}).join('');

/** Documents made to be hard: what never ends, what grows, what nests, and much of one thing. */
export const HARD_DOCUMENTS: Readonly<Record<string, string>> = {
  'newpage recursion': art('Before.\n\n\\def\\a{\\newpage x\\a}\\a\n\nAfter.'),
  'par recursion': art('\\def\\a{\\par x\\a}\\a'),
  'section recursion': art('\\def\\a{\\section{x}\\a}\\a'),
  'formula recursion': art('\\def\\a{$x$\\a}\\a'),
  'display recursion': art('\\def\\a{\\[x\\]\\a}\\a'),
  'footnote recursion': art('\\def\\a{\\footnote{x}\\a}\\a'),
  'item recursion': art('\\begin{itemize}\\def\\a{\\item x\\a}\\a\\end{itemize}'),
  'box recursion': art('\\def\\a{\\mbox{x}\\a}\\a'),
  'nested box recursion': art('\\def\\a{\\mbox{x\\a}}\\a'),
  'undefined recursion': art('\\def\\a{\\undefinedname\\a}\\a'),
  'usepackage recursion':
    '\\documentclass{article}\\def\\a{\\usepackage{amsmath}\\a}\\a\\begin{document}x\\end{document}',
  'usepackage unknown recursion':
    '\\documentclass{article}\\def\\a{\\usepackage{nix}\\a}\\a\\begin{document}x\\end{document}',
  'label recursion': art('\\def\\a{\\label{x}\\a}\\a'),
  'macro in math recursion': art('$\\def\\a{x\\a}\\a$'),
  'math nest recursion': art('$\\def\\a{{x\\a}}\\a$'),
  'frac recursion': art('$\\def\\a{\\frac{x}{\\a}}\\a$'),
  'write counter recursion': art('\\newcount\\n\\def\\a{\\advance\\n by1 \\number\\n\\ \\a}\\a'),
  'vspace recursion': art('\\def\\a{\\vspace{1pt}\\a}\\a'),
  'table row recursion': art('\\begin{tabular}{l}\\def\\a{x\\\\\\a}\\a\\end{tabular}'),
  'exp bomb 40': art('\\def\\a{xx}' + t(40, '\\edef\\a{\\a\\a}') + '\\a'),
  'bomb chain': art(DOUBLING + '\\az'),
  'bomb formula': art('$' + DOUBLING + '\\az$'),
  '1e5 braces in formula': art('$' + t(100000, '{') + 'x' + t(100000, '}') + '$'),
  '1e5 open braces in formula': art('$' + t(100000, '{')),
  'matrix 300': art(
    '\\[\\begin{matrix}' + t(300, Array(300).fill('1').join('&') + '\\\\') + '\\end{matrix}\\]',
    '\\usepackage{amsmath}\\setcounter{MaxMatrixCols}{300}',
  ),
  'tabular 300': art(
    '\\begin{tabular}{*{300}{c}}' +
      t(300, Array(300).fill('1').join('&') + '\\\\') +
      '\\end{tabular}',
  ),
  'comment 4MB': art('x\n%' + t(4e6, 'c') + '\ny'),
  'comments 4MB': art('x\n' + t(1e5, '% ccccccccccccccccccccccccccccccccccc\n') + 'y'),
  'blanks 4MB': art('x' + t(4e6, ' ') + 'y'),
  'newlines 1MB': art('x' + t(1e6, '\n') + 'y'),
  'formula 4MB': art('$' + t(2e6, 'x+') + 'y$'),
  'dollars 1MB': art(t(1e6, '$')),
  'verbatim 1MB': art(
    '\\begin{verbatim}\n' +
      t(20000, 'a line of fifty characters that says nothing at all\n') +
      '\\end{verbatim}',
  ),
  'verbatim open 1MB': art(
    '\\begin{verbatim}\n' + t(20000, 'a line of fifty characters that says nothing at all\n'),
  ),
  'verbatim one line': art('\\begin{verbatim}\n' + t(1e6, 'a') + '\n\\end{verbatim}'),
  'word 1MB': art(t(1e6, 'x')),
  'words 2MB': art(t(4e5, 'word ')),
  'paragraphs 1MB': art(t(1e5, 'word word\n\n')),
  'labels 2e4': art(
    Array.from({ length: 20000 }, (_, i) => `x\\label{l${i}} \\ref{l${i}}\n\n`).join(''),
  ),
  'notes 5e3': art(t(5000, 'x\\footnote{y} ')),
  'sections 5e3': art('\\tableofcontents' + t(5000, '\\section{x}\n\n')),
  'sections tiny': art(t(5000, '\\section{x}\n\n')),
  'slashes 1e5': art('x' + t(100000, '\\\\')),
  'slashes text': art(t(50000, 'x\\\\')),
  ampersands: art(t(100000, '&')),
  hashes: art(t(100000, '#')),
  backslashes: art(t(50000, '\\x ')),
  'unknown names many': art(Array.from({ length: 10000 }, (_, i) => `\\un${letters(i)} `).join('')),
  ends: art(t(30000, '\\end{x}')),
  begins: art(t(30000, '\\begin{x}')),
  'begin align': art(t(10000, '\\begin{align}'), '\\usepackage{amsmath}'),
  'huge number': art(
    '\\setcounter{page}{99999999999}\\thepage \\hspace{1e99pt}\\rule{99999999pt}{1pt}\\char99999999 \\romannumeral999999',
  ),
  romannumeral: art('\\romannumeral 999999999 x'),
  'loop forever': art('\\loop x\\iftrue\\repeat'),
  'loop silent': art('\\loop\\iftrue\\repeat'),
  'title pdf': art('\\maketitle', '\\title{' + t(100000, '\\textbf{x}') + '}'),
  'section long': art('\\section{' + t(200000, 'x ') + '}'),
  'lists 1000': art(t(1000, '\\begin{itemize}\\item x ')),
  'open def': art('\\def\\a#1{' + t(100000, 'x ')),
  'open if': art('\\iffalse ' + t(500000, 'x ')),
  'open env arg': art('\\textbf{' + t(200000, 'x ')),
  multicolumn: art('\\begin{tabular}{c}\\multicolumn{99999999}{c}{x}\\end{tabular}'),
  'star columns': art('\\begin{tabular}{*{99999999}{c}}x\\end{tabular}'),
  'star columns nested': art('\\begin{tabular}{*{9999}{*{9999}{c}}}x\\end{tabular}'),
  foreach: art(
    '\\begin{tikzpicture}\\foreach \\x in {1,...,99999999} \\draw (0,0)--(1,1);\\end{tikzpicture}',
    '\\usepackage{tikz}',
  ),
  multiput: art('\\begin{picture}(10,10)\\multiput(0,0)(1,1){99999999}{x}\\end{picture}'),
  lipsum: art('\\lipsum[1-99999999]', '\\usepackage{lipsum}'),
  'enumerate depth': art(t(500, '\\begin{enumerate}\\item '), ''),
  'frac depth': art('$' + t(20000, '\\frac{x}{') + 'y' + t(20000, '}') + '$'),
  'sqrt depth': art('$' + t(20000, '\\sqrt{') + 'y' + t(20000, '}') + '$'),
  'quad par': art(t(20000, '\\par ')),
  'hfill many': art(t(100000, '\\hfill x')),
  'bigskip many': art(t(100000, '\\bigskip ')),
  'newcommand recursion args': art('\\newcommand\\a[1]{\\a{#1x}}\\a{x}'),
  'edef grow': art('\\def\\a{x}\\def\\b{\\edef\\a{\\a\\a}\\b}\\b'),
  'toks grow': art('\\newtoks\\t\\def\\b{\\t=\\expandafter{\\the\\t x}\\b}\\b'),
  'csname new': art(
    '\\newcount\\n\\def\\b{\\advance\\n1 \\expandafter\\def\\csname q\\number\\n\\endcsname{x}\\b}\\b',
  ),
  everypar: art('\\everypar{\\par x}x'),
  'output lines': art('\\hsize=1pt ' + t(50000, 'word ')),
  'exam parts':
    '\\documentclass{exam}\\begin{document}\\begin{questions}' +
    t(3000, '\\question x \\begin{parts}\\part y ') +
    '\\end{questions}\\end{document}',
  'beamer frames':
    '\\documentclass{beamer}\\begin{document}' +
    t(500, '\\begin{frame}x \\pause y') +
    '\\end{document}',
  'beamer pause':
    '\\documentclass{beamer}\\begin{document}\\begin{frame}' +
    t(3000, 'x \\pause ') +
    '\\end{frame}\\end{document}',
  'floats many': art(t(3000, '\\begin{figure}x\\caption{y}\\end{figure}\n\n')),
  marginpars: art(t(5000, 'x\\marginpar{y} ')),
  cites: art('\\cite{' + Array.from({ length: 20000 }, (_, i) => 'k' + i).join(',') + '}'),
  'ref regex': art('\\ref{' + t(100000, 'a') + '}'),
  'color mix': art('\\color{red!50!' + t(20000, 'blue!50!') + 'black}x', '\\usepackage{xcolor}'),
  'dimen expr': art(
    '\\dimen0=\\dimexpr ' + t(20000, '(1pt+') + '1pt' + t(20000, ')') + '\\relax x',
  ),
  'ifx chain': art(t(100000, '\\iftrue ') + 'x'),
  'else chain': art(t(50000, '\\iffalse\\else ') + 'x' + t(50000, '\\fi ')),
};

/** A soup of commands of the vocabulary, in and out of formulas, with brackets that do not match. */
export function soupOf(random: () => number, names: readonly string[], size: number): string {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const scrap = (): string => {
    const share = random();
    if (share < 0.55) return pick(names);
    if (share < 0.75) return pick(['{', '}', '[', ']', '$', '&', '\\\\', '^', '_', '#1', '\n\n']);
    if (share < 0.9) return pick(['x', ' tide ', '12', '3pt', '=', 'by', '{x}', '[h]', '*', '|']);
    return pick(['\\def\\a', '\\a', '\\a{\\a}', '\\begin{x}', '\\end{x}', '\\relax', '\\else']);
  };
  return inArticle(Array.from({ length: size }, scrap).join(' '), '\\usepackage{amsmath,xcolor}');
}
