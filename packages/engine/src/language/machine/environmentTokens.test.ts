import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { mended } from '../../testing/press';

/** Environments whose whole contents are taken before any of them is set: what is loaded, name, contents. */
const IN_TEXT: readonly (readonly [load: string, name: string, contents: string])[] = [
  ['tabularray', 'tblr', '{cc} ebb & flood \\\\ low & high'],
  ['tabularray', 'longtblr', '[caption={Tides}]{ll} ebb & flood \\\\ low & high'],
  ['tabu', 'tabu', '{X[2]X} ebb & flood \\\\ low & high'],
  ['cases', 'numcases', '{f(x)=} x & if it is high \\\\ 0 & otherwise'],
  ['empheq', 'empheq', '[left=\\empheqlbrace]{align*} a &= b \\\\ c &= d'],
  ['nicematrix', 'NiceTabular', '{cc} ebb & flood \\\\ low & high'],
  ['tikz-cd', 'tikzcd', 'A \\arrow[r, Rightarrow, "f"] & B'],
  ['forest', 'forest', '[sea [ebb] [flood]]'],
  ['adjustbox', 'adjustbox', '{max width=5cm} ebb'],
  ['varwidth', 'varwidth', '{5cm} ebb'],
  ['etaremune', 'etaremune', '\\item ebb \\item flood'],
  ['bussproofs', 'prooftree', '\\AxiomC{A} \\UnaryInfC{B}'],
  ['threeparttable', 'threeparttable', '\\begin{tabular}{l} ebb \\end{tabular}'],
];
const IN_FORMULAS: typeof IN_TEXT = [
  ['tikz-cd', 'tikzcd', 'A \\arrow[r] & B'],
  ['tikz-cd', 'tikzcd', 'A \\arrow[r, Rightarrow, "f"] & B'],
  ['nicematrix', 'pNiceMatrix', '1 & 2 \\\\ 3 & 4'],
  [
    'blkarray',
    'blockarray',
    '{ccc} & a & b \\\\ \\begin{block}{c[cc]} r & 1 & 2 \\\\ \\end{block}',
  ],
  ['amscd', 'CD', 'A @>>> B'],
  ['ytableau', 'ytableau', '1 & 2 \\\\ 3'],
  ['mathtools', 'pmatrix*', '[r] -1 & 2 \\\\ 3 & 4'],
];
const PLACES = [
  ...IN_TEXT.map((row) => [...row, '\\begin{center}\n', '\\end{center}'] as const),
  ...IN_FORMULAS.map((row) => [...row, '\\[ a = ', '\\]'] as const),
].map(([load, name, contents, before, behind]) => ({
  load: `\\usepackage{amsmath,${load}}`,
  name,
  begun: `${before}\\begin{${name}}${contents}\n`,
  end: `\\end{${name}}`,
  behind: `${behind}\nWater.`,
}));

const wrongIn = (source: string): string[] =>
  typeset(source)
    .findings()
    .filter(({ severity }) => severity !== 'advice')
    .map(({ kind }) => kind);
const shown = (text: string): string => text.replace(/\s+/g, '');

describe('an environment whose contents are taken whole', () => {
  it.each(PLACES)('$name ended under a misspelt name', ({ load, name, begun, behind }) => {
    const slip = inArticle(`${begun}\\end{${name.slice(0, -1)}}${behind}`, load);
    expect(wrongIn(slip)).toEqual(['begin-end-mismatch']);
    const { text, left } = mended(slip);
    expect(left).toEqual([]);
    expect(text).toBe(inArticle(`${begun}\\end{${name}}${behind}`, load));
  });
  it.each(PLACES)('$name not ended before what is around it', ({ load, begun, end, behind }) => {
    const slip = inArticle(`${begun}${behind}`, load);
    expect(wrongIn(slip)).toEqual(['environment-unclosed']);
    const { text, left } = mended(slip);
    expect(left).toEqual([]);
    expect(shown(text)).toBe(shown(inArticle(`${begun}${end}${behind}`, load)));
  });
  it.each(IN_TEXT)('with %s: %s not ended in its paragraph', (load, name, contents) => {
    const begun = `\\noindent\\begin{${name}}${contents}`;
    const behind = '\n\nWater.\n\n\\section{Ebb}';
    const packages = `\\usepackage{amsmath,${load}}`;
    const slip = inArticle(`${begun}${behind}`, packages);
    expect(wrongIn(slip)).toEqual(['environment-unclosed']);
    // What follows is set as it would be.
    expect(laidBody(`${begun}${behind}`, packages).word('Water')).toBeDefined();
    expect(mended(slip).left).toEqual([]);
  });
});
