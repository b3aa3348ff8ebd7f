import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import { bodyLines, findingsIn, inArticle, linesOf, typeset } from '../../testing/document';

const body = (packages: string, text: string): string =>
  bodyLines(text, `\\usepackage{${packages}}`).join(' | ').replace(/\s+/g, ' ');
const clean = (packages: string, text: string): string[] =>
  findingsIn(inArticle(text, `\\usepackage{${packages}}`)).map(({ kind }) => kind);

/** What a line of a package does to the text: packages, source, the lines on the page. */
const CASES: readonly (readonly [string, string, string])[] = [
  ['xspace', '\\newcommand{\\f}{F\\xspace}\\f sails, \\f, \\f.', 'F sails, F, F.'],
  ['csquotes', '\\enquote{a \\enquote{b} c}', '“a ‘b’ c”'],
  ['ulem', 'a \\uline{b c} \\sout{d}', 'a b c d'],
  ['soul', '\\so{ab} \\ul{c}', 'a b c'],
  ['url', 'at \\url{a.example/b_c%d}', 'at a.example/b_c%d'],
  ['hyperref', 'a \\href{http://a.example/b%20c#d&e~f_g}{words} h', 'a words h'],
  ['hyperref', '\\href{http://a.example/\\%20c\\#d}{words}', 'words'],
  ['hyperref', '\\href{http://a.example/{b%20c}}{words}', 'words'],
  ['hyperref', '\\href{http://a.example/\nb}{words}', 'words'],
  ['hyperref', '\\newcommand{\\f}[1]{\\href{http://a.example/#1}{to #1}}\\f{b}', 'to b'],
  ['url', '\\url{a.example/\nb}', 'a.example/b'],
  ['hyperref', '\\href{http://a.example}{words} \\texorpdfstring{x}{y}', 'words x'],
  ['comment', 'a\n\\begin{comment}\nb $\n\\end{comment}\nc', 'a c'],
  ['comment', '\\includecomment{shown}\\begin{shown}a\\end{shown}', 'a'],
  ['verbatim', 'a\n\\begin{comment}\nb\n\\end{comment}\nc', 'a c'],
  ['fancyvrb', '\\begin{Verbatim}\na_b  %c\n\\end{Verbatim}', 'a_b %c'],
  [
    'listings',
    '\\lstset{basicstyle=\\ttfamily}\\begin{lstlisting}[language=Python]\nif x: # y\n\\end{lstlisting}',
    'if x: # y',
  ],
  ['listings', 'a \\lstinline{x_1 % y} b', 'a x_1 % y b'],
  ['etoolbox', '\\newbool{t}\\booltrue{t}\\ifbool{t}{a}{b}, \\ifdef{\\nowhere}{a}{b}', 'a, b'],
  ['etoolbox', '\\newcommand{\\x}{a}\\appto\\x{b}\\preto\\x{c}\\x', 'cab'],
  ['etoolbox', '\\newcommand{\\x}{one two}\\patchcmd{\\x}{two}{three}{}{}\\x', 'one three'],
  ['ifthen', '\\newboolean{t}\\setboolean{t}{true}\\ifthenelse{\\boolean{t}}{a}{b}', 'a'],
  [
    'enumitem',
    '\\begin{enumerate}[label=(\\roman*)]\\item a\\item b\\end{enumerate}',
    '(i) a | (ii) b',
  ],
  [
    'enumitem',
    '\\begin{enumerate}[label=\\Alph*.,ref=\\Alph*]\\item\\label{x} a\\end{enumerate}\\ref{x}',
    'A. a | A',
  ],
  ['multicol', '\\begin{multicols}{2}a\\par b\\end{multicols}c', 'a b | c'],
  [
    'booktabs',
    '\\begin{tabular}{ll}\\toprule a & b\\\\\\midrule c & d\\\\\\bottomrule\\end{tabular}',
    'a b | c d',
  ],
  ['multirow', '\\begin{tabular}{ll}\\multirow{2}{*}{x} & a\\\\ & b\\end{tabular}', 'x | a | b'],
  ['tabularx', '\\begin{tabularx}{5cm}{lX}a & words\\end{tabularx}', 'a words'],
  [
    'longtable',
    '\\begin{longtable}{ll}h & i\\\\\\endhead a & b\\\\ c & d\\end{longtable}',
    'h i | a b | c d',
  ],
  ['colortbl', '\\begin{tabular}{l}\\rowcolor{gray}a\\\\\\cellcolor{red}b\\end{tabular}', 'a b'],
  [
    'array',
    '\\newcolumntype{B}{>{\\bfseries}l}\\begin{tabular}{Bm{1cm}}a & b\\end{tabular}',
    'a b',
  ],
  ['framed', '\\begin{framed}a\\end{framed}b', 'a | b'],
  ['todonotes', 'a\\todo{note} b', 'a b | note'],
  [
    'caption',
    '\\begin{table}[h]\\captionsetup{labelsep=period}\\caption{c}\\end{table}',
    'Table 1. c',
  ],
  ['caption', '\\captionof{figure}{c}', 'Figure 1: c'],
  ['float', '\\begin{figure}[H]a\\caption{c}\\end{figure}b', 'a Figure 1: c | b'],
  ['titling', '\\title{T}\\author{A}\\date{D}\\thetitle, \\theauthor, \\thedate', 'T, A, D'],
  ['lipsum', '\\lipsum[2][1]', ''],
  ['cancel', 'a $\\cancel{x}$ b', 'a 𝑥 b'],
  ['dsfont,mathrsfs', '$\\mathds{1}\\mathscr{A}$', '𝟙𝒜'],
  [
    'natbib',
    '\\begin{thebibliography}{9}\\bibitem[Bay(2001)]{b} B.\\end{thebibliography}\\citet{b} \\citep{b}',
    'Bay (2001) (Bay, 2001)',
  ],
  ['graphicx', '\\scalebox{2}{a} \\rotatebox{90}{b} \\reflectbox{c}', 'a b c'],
  ['setspace,parskip,indentfirst,microtype,lmodern,calc,fullpage', 'a', 'a'],
  [
    'xcolor',
    '\\definecolor{s}{RGB}{1,2,3}\\textcolor{s}{a}\\colorbox{yellow}{b}\\fcolorbox{red}{white}{c}',
    'a b c',
  ],
  ['amsmath', '$\\xrightarrow[a]{b}$', '⟶𝑏 𝑎'],
  ['thmtools', '\\declaretheorem[name=Tide]{t}\\begin{t}a\\end{t}', 'Tide 1'],
  ['nameref', '\\section{Ebb}\\label{s}\\nameref{s}', 'Ebb'],
];

describe('packages', () => {
  it.each(CASES)('%s: %s', (packages, text, out) => {
    const unfinished = ['line-too-wide', 'formula-too-wide'];
    expect(clean(packages, text).filter((kind) => !unfinished.includes(kind))).toEqual([]);
    const found = body(packages, text);
    for (const piece of out.split(' | ')) expect(found).toContain(piece);
  });

  it('set heads and feet in three fields with rules', () => {
    const preamble =
      '\\usepackage{fancyhdr}\\pagestyle{fancy}\\fancyhf{}\\fancyhead[L]{left}\\fancyhead[R]{right}\\fancyfoot[C]{foot \\thepage}';
    const session = typeset(inArticle('a\\newpage b', preamble));
    const lines = linesOf(session).map((line) => line.replace(/\s+/g, ' '));
    expect(lines).toEqual(['a', 'left right', 'foot 1', 'b', 'left right', 'foot 2']);
    const [page] = session.pages;
    const rules = page ? session.describe(page).rulePaint.length : 0;
    expect(rules).toBe(1);
  });

  it('change headings', () => {
    const preamble =
      '\\usepackage{titlesec}\\titleformat{\\section}{\\Large}{[\\thesection]}{1em}{}';
    expect(bodyLines('\\section{A}\\subsection{B}', preamble)).toEqual(['[1] A', '1.1 B']);
  });

  it('choose a face for text and mathematics', () => {
    const names = (preamble: string): string[] => {
      const session = typeset(inArticle('a $x$', preamble));
      const [page] = session.pages;
      if (!page) return [];
      return [
        ...new Set([...session.describe(page).runFont].map((id) => session.fonts.byId(id).name)),
      ];
    };
    expect(names('\\usepackage{mathpazo}')).toContain('texgyrepagella-math');
    expect(names('\\usepackage{times}')).toContain('texgyretermes-regular');
    expect(names('')).toContain('latinmodern-math');
  });

  it('leave the text as wide as fullpage says: an inch on each side', () => {
    const [page] = typeset(inArticle('a', '\\usepackage{fullpage}')).pages;
    expect((page?.geometry.textWidth ?? 0) / PT).toBeCloseTo(6.5 * 72.27, 1);
    expect((page?.geometry.left ?? 0) / PT).toBeCloseTo(72.27, 1);
  });
});
