import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { mended, pressed } from '../testing/press';
import { IN_SHEETS, sheet, tikz } from '../testing/slipRows';

describe('an option, key or word has one note, and a button writes what was meant', () => {
  it.each(IN_SHEETS.map(([source, kind, after]) => ({ source, kind, after })))(
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

it.each([
  ['letter', '\\begin{letter}{To}\\opening{Dear}\\closing{Yours}\\end{letter}'],
  ['beamer', '\\begin{frame}{Tides}\\begin{block}{Ebb}low\\end{block}\\end{frame}'],
  ['exam', '\\begin{questions}\\question low\\end{questions}'],
  ['article', '\\title{Ebb}\\author{A. Lind}\\maketitle\\section{Tides}'],
])('where the line of the class %s is misspelt, that is told alone', (name, body) => {
  const source = `\\documentlcass{${name}}\\begin{document}${body}\\end{document}`;
  expect(kindsIn(source)).toEqual(['command-unknown']);
  expect(mended(source).left).toEqual([]);
});
