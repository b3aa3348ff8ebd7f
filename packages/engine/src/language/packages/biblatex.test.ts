import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const BIB = '\\usepackage{biblatex}';
const ENTRIES =
  '\\begin{thebibliography}{9}\\bibitem{a}Ebb.\\bibitem{b}Flow.\\bibitem{c}Calm.\\end{thebibliography}';
const prints = (body: string): string =>
  laidBody(`${body}${ENTRIES}`, BIB).text.replace(/\s+/g, ' ');

/** biblatex manual, sections 3.9.3 and 4.5. */
describe('several entries cited at once', () => {
  it.each([
    ['\\cites{a}{b}', '1, 2'],
    ['\\parencites{a}{c}', '1, 3'],
    ['\\parencites[12]{a}[7]{c} is', '7'],
    ['\\autocites{a}{b}{c}', '1'],
  ])('%s', (body, printed) => expect(prints(body)).toContain(printed));
});

it('settings of entries print nothing, whatever they take', () => {
  const preamble = `${BIB}\\DeclareFieldFormat[article]{title}{\\mkbibquote{#1}}\\DefineBibliographyStrings{english}{page={p.}}\\defbibheading{mine}[Sources]{\\section*{#1}}\\AtEveryBibitem{\\clearfield{note}}\\renewbibmacro{in:}{}\\DeclareSourcemap{\\maps{\\map{}}}\\defbibnote{n}{words}\\setlength\\bibitemsep{3pt}`;
  expect(laidBody('Tide.', preamble).text.replace(/\s/g, '')).toBe('Tide.|1');
  expect(findingsIn(inArticle('Tide.', preamble))).toEqual([]);
});
