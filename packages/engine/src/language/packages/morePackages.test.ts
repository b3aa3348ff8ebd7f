import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const said = (packages: string, body: string): string =>
  laidBody(body, `\\usepackage{${packages}}`)
    .text.replaceAll(/[|\u00a0]/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/ 1$/, '')
    .trim();

describe('small packages', () => {
  it.each<[string, string, string]>([
    ['verse', '\\poemtitle{Tides}\\begin{verse}[5cm]Ebb\\\\\\vin flood\\end{verse}\\attrib{Ada}', 'Tides Ebb flood Ada'],
    ['hyphenat', 'ebb\\hyp{}flood a\\fshyp{}b', 'ebb-flood a/b'],
    ['fancyref', '\\section{T}\\label{sec:t}\\Fref{sec:t}, \\fref{sec:t}', '1 T Section 1, section 1'],
    ['parallel', '\\begin{Parallel}{4cm}{4cm}\\ParallelLText{Ebb}\\ParallelRText{Flood}\\end{Parallel}', 'Ebb Flood'],
    ['bigstrut', '\\begin{tabular}{c}\\hline Ebb\\bigstrut[t]\\\\\\hline\\end{tabular}', 'Ebb'],
    ['refcount', '\\section{T}\\label{t}\\getrefnumber{t}/\\getpagerefnumber{t}', '1 T 1/1'],
    ['verbatimbox', '\\begin{verbbox}[\\small]\na_b\n\\end{verbbox}x\\fbox{\\theverbbox}y', 'x a_b y'],
    ['scalefnt', '{\\scalefont{2}Ebb}', 'Ebb'],
    ['tablefootnote', '\\begin{tabular}{c}a\\tablefootnote{Ebb.}\\end{tabular}', 'a1 1Ebb.'],
    ['tabto', 'a\\tabto{3cm}b', 'a b'],
    ['transparent', '{\\transparent{0.5}Ebb}', 'Ebb'],
    ['spverbatim', '\\begin{spverbatim}\na_b\n\\end{spverbatim}', 'a_b'],
    ['threeparttablex', '\\begin{ThreePartTable}\\begin{TableNotes}\\item[a] Ebb\\end{TableNotes}\\insertTableNotes\\end{ThreePartTable}', 'a Ebb'],
    ['sidenotes', 'a\\sidenote{b}', 'a1 1 b'],
    ['isodate', '\\printdate{2026-03-01}', '2026-03-01'],
    ['delarray', '$\\begin{array}({cc})a&b\\end{array}$', '( 𝑎 𝑏 )'],
    ['delarray', '$\\begin{array}{c}a\\end{array}$', '𝑎'],
    ['fancyvrb', '\\DefineSavedVerbatim{keep}{k}\\begin{keep}\na_b\n\\end{keep}x \\BUseVerbatim{k}', 'x a_b'],
  ])('%s: %s', (packages, body, wanted) => {
    expect(said(packages, body)).toBe(wanted);
    expect(findingsIn(inArticle(body, `\\usepackage{${packages}}`))).toEqual([]);
  }); // prettier-ignore

  it('brackets of delarray are as high as their rows', () => {
    const height = (rows: string): number =>
      laidBody(`$\\begin{array}({c})${rows}\\end{array}$x`, '\\usepackage{delarray}').word('x').y;
    expect(height('a\\\\b\\\\c\\\\d')).toBeGreaterThan(height('a') + 15);
  });

  /** hhline manual: a line under each column that has a sign for one. */
  it.each([
    ['{--}', [2]],
    ['{-~}', [1]],
    ['{~-}', [1]],
    ['{|~|-|}', [1]],
    ['{*{2}{-}}', [2]],
    ['{>{\\relax}~-}', [1]],
  ] as const)('\\hhline%s', (spec, [columns]) => {
    const { rules } = laidBody(
      `\\begin{tabular}{p{3cm}p{3cm}}a&b\\\\\\hhline${spec}c&d\\end{tabular}`,
      '\\usepackage{hhline}',
    );
    const wide = rules.filter(({ width }) => width > 20).reduce((sum, { width }) => sum + width, 0);
    const column = 3 * 28.45274 + 12;
    expect(wide / column).toBeCloseTo(columns, 1);
  });
});
