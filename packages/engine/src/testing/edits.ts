import fc from 'fast-check';
import type { TextEdit } from '../source/edits';

/** Scraps a typing hand might leave anywhere. */
export const SCRAPS = [
  '$',
  '$$',
  '\\',
  '{',
  '}',
  '\\begin{align}',
  '\\end{align}',
  '\\begin{itemize}',
  '\\item ',
  '\\end{proof}',
  '&',
  '\\\\',
  '^',
  '_',
  '%',
  '#',
  '~',
  '\n',
  '\n\n',
  'x',
  ' the tide ',
  '\\frac',
  '\\left(',
  '\\right)',
  '\\section{New}',
  '\\label{a}',
  '\\ref{a}',
  '\\def\\x{\\x\\x}\\x',
  '\\newcommand{\\y}{y}',
  '\\[',
  '\\]',
  '\\end{document}',
  '\\begin{document}',
  '\\textbf{',
  '[',
  ']',
  '\\sqrt[',
  '\\par',
  '\\begin{tabular}{ll}',
  '\u4e2d',
  '\\setcounter{equation}{7}',
  '\\begin{equation}',
  '\\fi',
  '\\iffalse',
  '\\csname',
  '\\makeatletter',
  '\\text{$',
  '\\begin{frame}',
  '\\end{frame}',
  '\\pause ',
  '\\question ',
  '\\begin{parts}',
  '\\part ',
  '\\def\\a#1{',
  '\\newcommand{\\tide}[1]{',
  '\\let\\quay\\itemize ',
  '\\def\\quote{',
  '\\quay ',
  '\\endquay ',
  '\\newwrite\\log\\openout\\log=a.txt ',
  '\\write\\log{tide}',
  '\\input{a.txt}',
  '\\spaceskip=9pt ',
  '\\selectlanguage{french}',
  '\\vadjust{\\kern9pt}',
  '\\footnote{',
  '\\chapter{Ebb}',
  '\\begin{figure}',
  '\\caption{',
  '\\end{figure}',
  '\\begin{verbatim}',
  '\\verb|',
  '\\usepackage{cleveref}',
  '\\documentclass{book}',
  '\\cite{',
  '\\bibliography{',
  '\\input{',
  '\\include{',
  '\\tableofcontents ',
  '\\newpage ',
  '\\maketitle ',
  '\\begin{multicols}{2}',
  '\\loop ',
  '\\a\\a ',
  '\\begin{center}',
  '\\begin{theorem}',
  '\\newtheorem{theorem}{Theorem}',
  '\\begin{tikzpicture}',
  '\\draw (0,0) -- (1,1);',
  '\\hline ',
  '\\multicolumn{2}{c}{',
  '\\left.',
  '\\middle|',
  '\\catcode`\\$=12 ',
  '\\let\\par\\relax ',
  '\\begingroup ',
  '\\endgroup ',
  '\\global',
  '\\expandafter',
  '\\the',
];

/** One random edit as shares of the text, so that it fits any text. */
export interface RelativeEdit {
  readonly at: number;
  readonly length: number;
  readonly what: 'cut' | 'insert' | 'duplicate' | 'garble';
  readonly scrap: string;
}

export const relativeEdit: fc.Arbitrary<RelativeEdit> = fc.record({
  at: fc.double({ min: 0, max: 1, noNaN: true }),
  length: fc.integer({ min: 0, max: 60 }),
  what: fc.constantFrom('cut', 'insert', 'duplicate', 'garble'),
  scrap: fc.constantFrom(...SCRAPS),
});

/** The edit for a text. */
export function editOf(text: string, { at, length, what, scrap }: RelativeEdit): TextEdit {
  const from = Math.floor(at * text.length);
  const to = Math.min(text.length, from + length);
  switch (what) {
    case 'cut':
      return { from, to, text: '' };
    case 'insert':
      return { from, to: from, text: scrap };
    case 'duplicate':
      return { from: to, to, text: text.slice(from, to) };
    case 'garble':
      return { from, to, text: [...text.slice(from, to)].reverse().join('') };
  }
}
