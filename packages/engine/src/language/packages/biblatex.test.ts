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

describe('of many authors', () => {
  const entry =
    '@book{r,author={Ada Reef and Ben Shoal and Cy Tarn},title={Lamps},year={2001},publisher={Pier}}';
  const files = (options: string): string =>
    `\\usepackage[style=authoryear${options}]{biblatex}\\begin{filecontents}{r.bib}\n${entry}\n\\end{filecontents}\\addbibresource{r.bib}`;
  const said = (options: string): string =>
    laidBody('\\textcite{r} \\printbibliography', files(options)).text.replace(/\s+/g, ' ');
  it.each([
    ['', /^Reef, Shoal, and Tarn \(2001\).*Reef, Ada, Ben Shoal, and Cy Tarn/],
    [',maxcitenames=2', /^Reef et al. \(2001\).*Reef, Ada, Ben Shoal, and Cy Tarn/],
    [',maxbibnames=2', /^Reef, Shoal, and Tarn \(2001\).*Reef, Ada et al/],
    [',maxnames=2', /^Reef et al. \(2001\).*Reef, Ada et al/],
  ])('so many are named: %s', (options, printed) => expect(said(options)).toMatch(printed));
});
