import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import { contentsLines, lineHere } from './contents';

const TEXT = inArticle(
  `\\section{Ebb}
\\begin{theorem}Low.\\end{theorem}
\\subsection{Gauges}
\\begin{equation}x=1\\end{equation}
\\begin{figure}\\caption{The pier}\\end{figure}
\\section*{Thanks}
\\begin{table}\\caption{Readings}\\end{table}`,
  '\\newtheorem{theorem}{Theorem}',
);
const entries = typeset(TEXT)
  .outline()
  .sort((a, b) => a.from - b.from)
  .map((entry) => ({ ...entry, file: 'sheet.tex' }));
const shown = (sort: Parameters<typeof contentsLines>[1]) =>
  contentsLines(entries, sort).map(({ words, depth }) => '  '.repeat(depth) + words);

describe('what stands on the sheet', () => {
  it('is listed under its headings', () => {
    expect(shown('all')).toEqual([
      '1 Ebb',
      '  Theorem 1',
      '  1.1 Gauges',
      '    Figure 1',
      'Thanks',
      '  Table 1',
    ]);
  });
  it.each([
    ['headings', []],
    ['statements', ['Theorem 1']],
    ['figures', ['Figure 1', 'Table 1']],
    ['equations', ['Equation (1)']],
  ] as const)('is shown by its sort: %s', (sort, wanted) => {
    const headings = ['1 Ebb', '1.1 Gauges', 'Thanks'];
    const lines = shown(sort).map((line) => line.trim());
    expect(lines.filter((line) => !headings.includes(line))).toEqual(wanted);
    expect(lines.filter((line) => headings.includes(line))).toEqual(headings);
  });
  it('marks the line at which the caret is, in its file', () => {
    const lines = contentsLines(entries, 'all');
    const at = (find: string) => lines[lineHere(lines, 'sheet.tex', TEXT.indexOf(find))]?.words;
    expect(at('Low')).toBe('Theorem 1');
    expect(at('The pier')).toBe('Figure 1');
    expect(lineHere(lines, 'sheet.tex', 0)).toBe(-1);
    expect(lineHere(lines, 'other.tex', 9999)).toBe(-1);
  });
  it('of a sheet without any is nothing', () => expect(contentsLines([], 'all')).toEqual([]));
});
