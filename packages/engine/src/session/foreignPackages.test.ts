import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';

/** What is told of packages that are not carried out here: each name, and the commands that it is said to bring. */
function told(packages: string, body: string): Record<string, string> {
  const session = typeset(inArticle(body, `\\usepackage{amsmath}\\usepackage{${packages}}`));
  const found = session.findings().filter(({ kind }) => /^package-/.test(kind));
  return Object.fromEntries(
    found.map(({ message }) => {
      const [, name = '', uses = ''] =
        /The package (\S+) is not \w+ ?\w* here(.*)\.$/.exec(message) ?? [];
      return [name, uses];
    }),
  );
}

describe('commands of packages that are not here', () => {
  it('are told of with the package that they belong to', () => {
    const found = told(
      'xlop,tkz-graph,longdivision',
      '\\opadd{1}{2}\\Vertex{A}\\longdivision{4}{2}',
    );
    expect(found['xlop']).toMatch(/; the sheet uses \\opadd in line \d+$/);
    expect(found['tkz-graph']).toMatch(/; the sheet uses \\Vertex in line \d+$/);
    expect(found['longdivision']).toMatch(/; the sheet uses \\longdivision in line \d+$/);
  });
  it('by the name of the package in theirs', () => {
    const found = told('buoyage,lanternlib', '\\buoyagemark \\lanternlibshow');
    expect(found['buoyage']).toContain('\\buoyagemark');
    expect(found['buoyage']).not.toContain('lantern');
    expect(found['lanternlib']).toContain('\\lanternlibshow');
  });
  it('that may be any package’s are said to be so', () => {
    const found = told('buoyage,lanternlib', '\\frobnicate');
    expect(found['buoyage']).toContain(
      '; of it or of another of these packages the sheet uses \\frobnicate',
    );
    expect(found['lanternlib']).toBe('');
  });
  it('that can be of one alone are said to be its own', () => {
    expect(told('buoyage', '\\frobnicate')['buoyage']).toContain('; the sheet uses \\frobnicate');
  });
  it.each([
    '$\\begin{WithArrows}a&=b\\\\&=c\\end{WithArrows}$',
    '\\[\\begin{frobs}a&=b\\end{frobs}\\]',
  ])('environments of formulas too, read as rows: %s', (body) => {
    const session = typeset(
      inArticle(body, '\\usepackage{amsmath}\\usepackage{witharrows,buoyage}'),
    );
    expect(
      session
        .findings()
        .map(({ kind }) => kind)
        .filter((kind) => !/^package-/.test(kind)),
    ).toEqual([]);
  });
});
