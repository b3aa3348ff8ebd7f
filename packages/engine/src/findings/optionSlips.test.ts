import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { mended, pressed } from '../testing/press';

/** A sheet with this in its preamble and in its text. */
const sheet = (preamble: string, body = 'Low water.'): string =>
  `\\documentclass{article}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
const tikz = (body: string): string =>
  sheet('\\usepackage{tikz}', `\\begin{tikzpicture}\n${body}\n\\end{tikzpicture}`);

/** What is typed, the one note of it, and what its button writes; then nothing is left to mend. */
type Row = readonly [source: string, kind: string, after: string];

const ROWS: readonly Row[] = [
  [sheet('', '\\begin{document}Ebb'), 'stands-twice', '{document}\nEbb'],
  [sheet('\\documentclass{report}'), 'stands-twice', '{article}\n\n'],
  [sheet('\\newcommand{R}{r}', '\\R'), 'name-bare', '{\\R}{r}'],
  [sheet('\\setlength{parskip}{1em}'), 'name-bare', '{\\parskip}'],
  [sheet('\\setlength{\\parindent}{0}'), 'unit-missing', '{0pt}'],
  [
    sheet('\\usepackage{cleveref}\n\\usepackage{hyperref}'),
    'package-order',
    '{hyperref}\n\\usepackage{cleveref}',
  ],
  [sheet('\\usepackage{subfig}\n\\usepackage{subcaption}'), 'packages-clash', '{subfig}\n\n'],
  [sheet('\\usepackage{fancyhdr}\n\\lhead{Name\n\\rhead{Date}'), 'argument-unclosed', '{Name}\n'],
  [sheet('\\usepackage{geometry}\\geometry{margins=1in}'), 'option-misspelt', '{margin=1in}'],
  [sheet('\\pagestyle{emtpy}'), 'option-misspelt', '{empty}'],
  [sheet('\\thispagestyle{none}'), 'option-misspelt', '{empty}'],
  [sheet('\\pagenumbering{arabics}'), 'option-misspelt', '{arabic}'],
  [sheet('\\usepackage{xcolor}\\definecolor{a}{rgb}{255,0,0}'), 'colour-beyond', '{RGB}{255'],
  [sheet('\\usepackage{xcolor}\\definecolor{a}{RBG}{255,0,0}'), 'option-misspelt', '{RGB}{255'],
  [sheet('\\usepackage{tikz}\\usetikzlibrary{arows}'), 'option-misspelt', '{arrows}'],
  [
    sheet('\\usepackage{tikz}', '\\tikz \\draw (0,0) -- (1,1)\n\nEbb.'),
    'picture-semicolon',
    '(1,1);\n',
  ],
  [
    sheet('\\usepackage{listings}', '\\begin{lstlisting}[language=Pyhton]\nx\n\\end{lstlisting}'),
    'option-misspelt',
    '=Python]',
  ],
  [
    '\\documentclass{exam}\\begin{document}\\begin{questions}\\question A\n\\part b\n\\end{questions}\\end{document}',
    'item-outside-list',
    'b\n\\end{parts}',
  ],
  [sheet('\\usepackage[a4paper margin=2cm]{geometry}'), 'option-misspelt', '[a4paper, margin=2cm]'],
  [sheet('\\usepackage[topp=2cm]{geometry}'), 'option-misspelt', '[top=2cm]'],
  [sheet('\\usepackage[margin=1inch]{geometry}'), 'unit-longer', '[margin=1in]'],
  [sheet('', 'a\\hspace{3 points}b'), 'unit-missing', '{3pt}'],
  [sheet('', '\\hspace{2 centimeters}b'), 'unit-missing', '{2cm}'],
  [
    sheet('\\usepackage{enumitem}', '\\begin{enumerate}[lable=(\\alph*)]\\item a\\end{enumerate}'),
    'option-misspelt',
    '[label=(\\alph*)]',
  ],
  [
    sheet('\\usepackage{enumitem}', '\\begin{enumerate}[(a)]\\item a\\end{enumerate}'),
    'option-misspelt',
    '[label=(\\alph*)]',
  ],
  [
    sheet('', '\\begin{enumerate}[(a)]\\item a\\end{enumerate}'),
    'package-needed',
    '\\usepackage{enumerate}',
  ],
  [
    sheet('', '\\begin{itemize}[noitemsep]\\item a\\end{itemize}'),
    'package-needed',
    '\\usepackage{enumitem}',
  ],
  [
    sheet('\\usepackage{listings}', '\\begin{lstlisting}[langauge=C]\nx\n\\end{lstlisting}'),
    'option-misspelt',
    '[language=C]',
  ],
  [
    sheet('\\usepackage{tcolorbox}', '\\begin{tcolorbox}[titel=Ebb]x\\end{tcolorbox}'),
    'option-misspelt',
    '[title=Ebb]',
  ],
  [
    sheet('\\usepackage{amsthm}\\newtheorem{a}{A}[sectoin]', '\\begin{a}x\\end{a}'),
    'counter-unknown',
    '[section]',
  ],
  [
    sheet('\\usepackage{amsthm}\n\\newtheorem{a}{A}\n\\newtheorem{a}{A}'),
    'environment-exists',
    '{a}{A}\n\\begin',
  ],
  [sheet('\\usepackage{amsthm}\\theoremstyle{defn}'), 'option-misspelt', '{definition}'],
  [
    sheet('', '\\begin{thebibliography}\n\\bibitem{a} A\n\\end{thebibliography}'),
    'label-width-missing',
    '{thebibliography}{9}',
  ],
  [sheet('', '\\begin{tabular}{c c\na & b\n\\end{tabular}'), 'argument-unclosed', '{c c}\n'],
  [sheet('', '\\begin{tabular}{c,c} a & b \\end{tabular}'), 'column-unknown', '{cc}'],
  [sheet('', '\\begin{tabular}{3} a & b & c \\end{tabular}'), 'column-unknown', '{lll}'],
  [sheet('', '\\begin{tabular}[rr] a & b \\end{tabular}'), 'columns-missing', '{rr}'],
  [tikz('\\draw (0,0) -- (1,1)\n\\draw (1,0) -- (0,1);'), 'picture-semicolon', '(1,1);\n'],
  [tikz('\\draw (0,0) -- (1,1;'), 'picture-bracket', '(1,1);'],
  [tikz('\\draw (0,0 -- (1,1);'), 'picture-bracket', '(0,0) --'],
  [tikz('\\draw[thick (0,0) -- (1,1);'), 'picture-bracket', '[thick] (0,0)'],
  [tikz('\\node at (0,0) {A;\n\\draw (0,0) -- (1,1);'), 'picture-bracket', '{A};'],
  [tikz('\\draw (0,0) cirle (1);'), 'picture-word', 'circle (1)'],
  [tikz('\\draw (0 0) -- (1,1);'), 'picture-coordinate', '(0,0) --'],
  [tikz('\\draw[thik] (0,0) -- (1,1);'), 'picture-key', '[thick]'],
  [tikz('\\node (A) at (0,0) A;'), 'picture-text-bare', '(0,0) {A};'],
  [sheet('\\usepackage[englsh]{babel}'), 'language-unknown', '[english]'],
  [
    sheet(
      '\\usepackage{pgfplots}',
      '\\begin{tikzpicture}\\begin{axis}\n\\addplot{x}\n\\addplot{2*x};\n\\end{axis}\\end{tikzpicture}',
    ),
    'picture-semicolon',
    '{x};\n',
  ],
  [
    `\\documentclass{beamer}\\begin{document}\n\\begin{frame}{T}\nLow.\n\\end{document}\n`,
    'environment-unclosed',
    'Low.\n\\end{frame}',
  ],
];

describe('an option, key or word has one note, and a button writes what was meant', () => {
  it.each(ROWS.map(([source, kind, after]) => ({ source, kind, after })))(
    '$kind, $after',
    ({ source, kind, after }) => {
      const wrong = typeset(source)
        .findings()
        .filter(({ severity }) => severity !== 'advice');
      expect(wrong.map((found) => found.kind)).toEqual([kind]);
      expect(pressed(source, wrong[0]?.fix ?? { title: '', edits: [] })).toContain(after);
      expect(mended(source).left).toEqual([]);
    },
  );
});

const kindsIn = (source: string): string[] =>
  typeset(source)
    .findings()
    .map(({ kind }) => kind);

describe('what there is, is nobody’s slip', () => {
  it.each([
    sheet('\\usepackage[shortlabels]{enumitem}', '\\begin{enumerate}[(a)]\\item a\\end{enumerate}'),
    sheet('\\usepackage{enumerate}', '\\begin{enumerate}[(a)]\\item a\\end{enumerate}'),
    sheet(
      '\\usepackage{enumitem}\\SetEnumitemKey{near}{nosep}',
      '\\begin{itemize}[near,leftmargin=*]\\item a\\end{itemize}',
    ),
    sheet('\\usepackage{setspace}\\doublespace'),
    sheet('\\usepackage{mathtools}\\usepackage{amsmath}'),
    sheet(
      '\\usepackage{tikz,pgfplots}\\usetikzlibrary{arrows.meta, calc}\\usepgfplotslibrary{statistics}',
    ),
    sheet(
      '\\setlength{\\parindent}{0pt}\\setlength\\parskip{0em}\\definecolor{a}{rgb}{0,.5,1}',
      'a',
    ).replace('\\setlength{', '\\usepackage{xcolor}\\setlength{'),
    '\\documentclass{memoir}\\begin{document}\\begin{enumerate}[a)]\\item a\\end{enumerate}\\end{document}',
    tikz('\\node[draw] (A) {A} node at (1,1) {B}; \\draw (A) -- (1,1) node[right] {$x;y$};'),
    tikz('\\draw[->] (0,0) .. controls (1,0) and (1,1) .. (2,1);'),
  ])('%s', (source) => {
    expect(kindsIn(source)).toEqual([]);
  });
});

describe('what only follows from a slip is not told beside it', () => {
  const picture = '\\usepackage{graphicx}';
  it.each<readonly [string, string[]]>([
    [sheet(picture, '\\includegraphics[widht=3cm]{boat}'), ['option-misspelt', 'file-missing']],
    [sheet(picture, '\\includegraphics[width=50%]{boat}\nLow.'), ['share-in-percent']],
    [
      sheet(picture, '\\includegraphics[width=\\textwith]{boat}'),
      ['command-unknown', 'file-missing'],
    ],
    [
      sheet(picture, '\\includegraphics[width=0.5textwidth]{boat}'),
      ['file-missing', 'unit-missing'],
    ],
    [sheet('', 'See \\cite{a}.\\bibliography{refs}'), ['file-missing']],
  ])('%s', (source, kinds) => {
    expect(kindsIn(source).sort()).toEqual([...kinds].sort());
  });
});

it('a statement is declared without loading its package twice', () => {
  const { text } = mended(inArticle('\\begin{lemma}a\\end{lemma}', '\\usepackage{amsthm}'));
  expect(text.match(/amsthm/g)).toHaveLength(1);
  expect(text).toContain('\\newtheorem{lemma}{Lemma}');
});
