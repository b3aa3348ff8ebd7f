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

/** biblatex manual, sections 3.8 and 3.9. */
describe('lists and citations', () => {
  const BOOKS = [
    '@book{r,author={Ada Reef},title={Lamps},year={2001},publisher={Pier},keywords={light},url={https://example.org/l}}',
    '@article{s,author={Ben Shoal},title={Tides},journaltitle={Sea},year={2004}}',
    '@inproceedings{t,author={Cy Tarn},title={Fog},crossref={p},pages={3--4}}',
    '@proceedings{p,title={All Weathers},year={2010},editor={Dee Quay},publisher={Mole}}',
    '@misc{u,title={Unsigned},year={1999}}',
  ].join('\n');
  const said = (body: string, options = 'style=authoryear'): string =>
    laidBody(
      body,
      `\\usepackage[${options}]{biblatex}\\begin{filecontents}{r.bib}\n${BOOKS}\n\\end{filecontents}\\addbibresource{r.bib}`,
    )
      .text.replaceAll('|', '')
      .replace(/\s+/g, ' ');
  const LIST = '\\printbibliography';
  it.each<[string, RegExp]>([
    ['\\parencite*{r}', /^\(2001\)/],
    ['\\citetitle{r}; \\citetitle{s}', /^Lamps; “Tides”/],
    ['\\fullcite{r}', /^Reef, Ada \(2001\)\. Lamps\. Pier/],
    ['\\citeurl{r}', /^https:\/\/example\.org\/l/],
    ['\\parencite{u}', /^\(Unsigned 1999\).*Unsigned \(1999\)\./],
    ['\\cite{t}', /^Tarn 2010.*Tarn, Cy \(2010\)\. “Fog”\. In: All Weathers\. Ed\. by Dee Quay\. Mole, pp\. 3–4/],
    ['\\parencites(see)()[1]{r}[2]{s}', /^\(see Reef 2001; Shoal 2004, p\. 2\)/],
    ['\\footcitetext{r}x', /x.*Reef 2001\./],
  ])('%s', (body, wanted) => expect(said(body + LIST)).toMatch(wanted)); // prettier-ignore

  it.each<[string, string, RegExp]>([
    ['a heading of one’s own', '\\defbibheading{mine}[Sources]{\\section*{== #1}}\\nocite{r}\\printbibliography[heading=mine]', /^== Sources Reef/],
    ['its title said', '\\defbibheading{mine}{\\section*{== #1}}\\nocite{r}\\printbibliography[heading=mine,title=Read]', /^== Read Reef/],
    ['notes around', '\\defbibnote{n}{Ebb.}\\nocite{r}\\printbibliography[prenote=n,postnote=n]', /^References Ebb\. Reef.* Ebb\./],
    ['a filter', '\\defbibfilter{f}{type=article or (keyword=light and not type=misc)}\\nocite{*}\\printbibliography[filter=f]', /^References Reef.*Shoal, Ben \(2004\)\. “Tides”\. In: Sea\. 1$/],
    ['a category', '\\DeclareBibliographyCategory{c}\\addtocategory{c}{s,u}\\nocite{*}\\printbibliography[category=c]', /^References Shoal.*Unsigned \(1999\)\. 1$/],
    ['all but a category', '\\DeclareBibliographyCategory{c}\\addtocategory{c}{s,t,p,u}\\nocite{*}\\printbibliography[notcategory=c]', /^References Reef[^S]*1$/],
    ['what a part cites', '\\cite{r}\\begin{refsection}\\cite{s}\\printbibliography\\end{refsection}', /References Shoal.*Sea\. 1$/],
  ])('of a list: %s', (_what, body, wanted) => expect(said(body)).toMatch(wanted)); // prettier-ignore

  it.each<[string, RegExp]>([
    ['style=authoryear', /^\(Reef 2001\)/],
    ['style=numeric', /^\[1\]/],
    ['style=numeric,autocite=superscript', /^1 /],
    ['style=verbose', /Reef, Ada \(2001\)\. Lamps\. Pier.*1$/],
  ])('\\autocite with %s', (options, wanted) => expect(said(`\\autocite{r}${LIST}`, options)).toMatch(wanted)); // prettier-ignore
});

/** natbib manual, sections 2.9 and 2.10. */
describe('signs of citations', () => {
  const KEYS =
    '\\begin{thebibliography}{9}\\bibitem[Reef(2001)]{r}Lamps.\\bibitem[Shoal(2004)]{s}Tides.\\end{thebibliography}';
  it.each<[string, string, RegExp]>([
    ['', '\\citep{r,s}', /^\(Reef, 2001; Shoal, 2004\)/],
    ['\\setcitestyle{square,comma,aysep={}}', '\\citep{r,s}', /^\[Reef 2001, Shoal 2004\]/],
    ['\\setcitestyle{numbers}', '\\citep{r,s}', /^\[1, 2\]|^\[1; 2\]/],
    ['\\setcitestyle{numbers,open={/},close={!}}', '\\citep{s}', /^\/2!/],
    ['\\setcitestyle{super}', 'x\\citep{r,s} y', /^x1,2 y/],
    ['\\bibpunct{[}{]}{;}{a}{:}{,}', '\\citep{r}', /^\[Reef: 2001\]/],
    ['\\setcitestyle{notesep={; }}', '\\citep[p. 3]{r}', /^\(Reef, 2001; p\. 3\)/],
    [
      '\\defcitealias{r}{The Lamps}',
      '\\citetalias{r}, \\citepalias{r}',
      /^The Lamps, \(The Lamps\)/,
    ],
    ['', '\\citenum{s}, \\Citealt{r}, \\Citealp{r}', /^2, Reef 2001, Reef, 2001/],
  ])('%s %s', (preamble, body, wanted) => {
    const { text } = laidBody(body + KEYS, `\\usepackage{natbib}${preamble}`);
    expect(text.replaceAll('|', '').replace(/\s+/g, ' ')).toMatch(wanted);
    expect(findingsIn(inArticle(body + KEYS, `\\usepackage{natbib}${preamble}`))).toEqual([]);
  });
});
