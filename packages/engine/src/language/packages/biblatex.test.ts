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
    ['\\fullcite{r}', /^Ada Reef \(2001\)\. Lamps\. Pier/],
    ['\\citeurl{r}', /^https:\/\/example\.org\/l/],
    ['\\parencite{u}', /^\(Unsigned 1999\).*Unsigned \(1999\)\./],
    ['\\cite{t}', /^Tarn 2010.*Tarn, Cy \(2010\)\. “Fog”\. In: All Weathers\. Ed\. by Dee Quay\. Mole, pp\. 3–4/],
    ['\\parencites(see)()[1]{r}[2]{s}', /^\(see Reef 2001, p\. 1; Shoal 2004, p\. 2\)/],
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
    ['style=verbose', /Ada Reef\. Lamps\. Pier, 2001.*1$/],
  ])('\\autocite with %s', (options, wanted) => expect(said(`\\autocite{r}${LIST}`, options)).toMatch(wanted)); // prettier-ignore
});

/** biblatex manual, sections 3.1 and 4: what options and settings change of a list. */
describe('how entries look', () => {
  const BOOKS = [
    '@book{r,author={Reef, Ada and Moor, Bo},title={Lamps},subtitle={A Guide},edition={2},year={2001},publisher={Pier},isbn={000-1},url={https://example.org/l},urldate={2020-01-02}}',
    '@article{s,author={Shoal, Ben and Tarn, Cy and Quay, Dee and Ash, El},title={On Rising Tides},journaltitle={Sea},volume={3},number={2},pages={5--9},date={2004-05},doi={1/2}}',
    '@article{t,author={Shoal, Ben and Tarn, Cy and Quay, Dee and Ash, El},title={Falling Tides},journaltitle={Sea},volume={4},date={2004}}',
  ].join('\n');
  const said = (options: string, settings: string, body = '\\nocite{*}'): string =>
    laidBody(
      `${body}\\printbibliography`,
      `\\usepackage[${options}]{biblatex}${settings}\\begin{filecontents}{r.bib}\n${BOOKS}\n\\end{filecontents}\\addbibresource{r.bib}`,
    )
      .text.replaceAll('|', '')
      .replace(/\s+/g, ' ');
  it.each<[string, string, RegExp]>([
    ['style=numeric', '', /\[1\] ?Ada Reef and Bo Moor\. Lamps\. A Guide\. 2nd ed\. Pier, 2001\. isbn: 000-1\. url: .* \(visited on 01\/02\/2020\)\. \[2\] ?Ben Shoal et al\. “Falling/],
    ['style=numeric,isbn=false,url=false', '', /Pier, 2001\. \[2\]/],
    ['style=numeric,doi=false', '', /pp\. 5–9\. 1$/],
    ['style=numeric,giveninits=true', '', /A\. Reef and B\. Moor/],
    ['style=numeric,maxbibnames=9', '', /Ben Shoal, Cy Tarn, Dee Quay, and El Ash/],
    ['style=numeric,maxnames=3,minnames=2', '', /Ben Shoal, Cy Tarn et al\./],
    ['style=numeric,sorting=ydnt', '', /\[1\] ?Ben Shoal.*\[3\] ?Ada Reef/],
    ['style=authoryear', '', /Shoal, Ben et al\. \(2004a\)\. “Falling.*\(May 2004b\)\. “On/],
    ['style=authoryear,dashed=false', '', /Shoal.*Shoal/],
    ['style=authortitle', '', /Shoal, Ben et al\. “Falling Tides”\. In: Sea 4 \(2004\)\./],
    ['style=apa', '', /Reef, A\., & Moor, B\. \(2001\)\. Lamps: A guide \(2nd ed\.\)\. Pier\./],
    ['style=ieee', '', /B\. Shoal, C\. Tarn, D\. Quay, and E\. Ash, “On rising tides,” Sea, vol\. 3, no\. 2, pp\. 5–9, May 2004\./],
    ['style=numeric', '\\AtEveryBibitem{\\clearfield{volume}\\ifentrytype{book}{\\clearlist{publisher}}{}}', /2nd ed\. 2001.*In: Sea \(2004\)/],
    ['style=numeric', '\\DeclareSourcemap{\\maps[datatype=bibtex]{\\map{\\step[fieldset=doi, null]}}}', /pp\. 5–9\. 1$/],
    ['style=numeric', '\\renewbibmacro{in:}{}', /“Falling Tides”\. Sea 4/],
    ['style=numeric', '\\renewbibmacro{in:}{\\ifentrytype{article}{}{\\printtext{\\bibstring{in}\\intitlepunct}}}', /“Falling Tides”\. Sea 4/],
    ['style=numeric', '\\renewbibmacro*{volume+number+eid}{\\printfield{volume}\\setunit*{\\addcolon}\\printfield{number}}', /In: Sea 3:2 \(May/],
    ['style=numeric', '\\DeclareFieldFormat[article]{title}{\\mkbibemph{#1}}\\DeclareFieldFormat{pages}{#1}', /On Rising Tides\. In: Sea 3\.2 \(May 2004\), 5–9/],
    ['style=numeric', '\\DeclareFieldFormat{labelnumberwidth}{#1.}', /References 1\. ?Ada/],
    ['style=numeric', '\\DeclareFieldFormat{titlecase}{\\MakeSentenceCase*{#1}}', /“On rising tides”/],
    ['style=numeric', '\\DeclareNameAlias{author}{family-given}', /Reef, Ada and Moor, Bo\./],
    ['style=authoryear', '\\DeclareNameAlias{sortname}{given-family}', /Ada Reef and Bo Moor \(2001\)/],
    ['style=numeric', '\\DefineBibliographyStrings{english}{andothers={and more},urlseen={seen},references={Sources}}', /Sources.*\(seen 01.*Shoal and more/],
    ['style=numeric', '\\renewcommand*{\\finalnamedelim}{ \\& }\\renewcommand*{\\subtitlepunct}{: }', /Ada Reef & Bo Moor\. Lamps: A Guide/],
    ['style=numeric', '\\renewcommand*{\\newunitpunct}{\\addcomma\\space}', /Moor, Lamps\. A Guide, 2nd ed\., Pier/],
    ['style=numeric', '\\ExecuteBibliographyOptions{isbn=false}\\AtBeginBibliography{\\small}', /Pier, 2001\. url/],
  ])('[%s] %s', (options, settings, wanted) => expect(said(options, settings)).toMatch(wanted)); // prettier-ignore
  it.each<[string, string, string, RegExp]>([
    ['style=authortitle', '', '\\cite{r}; \\parencite[3]{s}', /^Reef and Moor, Lamps; \(Shoal et al\., “On Rising Tides”, p\. 3\)/],
    ['style=verbose', '', '\\cite{r}; \\cite{r}', /^Ada Reef and Bo Moor\. Lamps\. A Guide\. 2nd ed\..*; Reef and Moor, Lamps Ref/],
    ['style=authoryear', '', '\\parencites(see)(and more)[1]{r}[2]{s}', /^\(see Reef and Moor 2001, p\. 1; Shoal et al\. 2004b, p\. 2, and more\)/],
    ['style=numeric', '', '\\parencites[1]{r}[2]{s}', /^\[1, p\. 1, 3, p\. 2\]/],
    ['style=numeric', '', 'x\\footcite[see][3]{r}', /see 1, p\. 3\./],
    ['style=authoryear', '', '\\volcite{2}[33]{r}', /^Reef and Moor 2001, vol\. 2, 33/],
    ['style=authoryear', '\\DeclareFieldFormat{postnote}{#1}', '\\parencite[3]{r}', /^\(Reef and Moor 2001, 3\)/],
    ['style=authoryear', '\\DefineBibliographyStrings{english}{andothers={and more}}', '\\textcite{s}', /^Shoal and more \(2004b\)/],
  ])('[%s] %s %s', (options, settings, body, wanted) =>
    expect(said(options, settings, body + '\\nocite{*}')).toMatch(wanted)); // prettier-ignore
  it.each([
    ['', /^Kust 2001; .*Kust, Ludo van der \(2001\)/],
    [',useprefix=true', /^van der Kust 2001; .*van der Kust, Ludo \(2001\)/],
  ])('particles of names%s', (option, wanted) => {
    const text = laidBody(
      '\\cite{k}; \\printbibliography',
      `\\usepackage[style=authoryear${option}]{biblatex}\\begin{filecontents}{r.bib}\n@book{k,author={van der Kust, Ludo},title={Dykes},year={2001}}\n\\end{filecontents}\\addbibresource{r.bib}`,
    ).text;
    expect(text.replace(/\s+/g, ' ')).toMatch(wanted);
  });
  it('files are named in the older way too, and what does nothing is told', () => {
    const old = (extra: string): string[] =>
      findingsIn(`\\documentclass{article}\\usepackage{biblatex}\\bibliography{r}${extra}\\begin{document}x\\end{document}`).map(({ kind }) => kind); // prettier-ignore
    expect(old('')).toEqual([]);
    expect(old('\\renewbibmacro{date}{x}')).toEqual(['command-without-effect']);
    expect(old('\\DeclareNameFormat{author}{x}')).toEqual(['command-without-effect']);
  });
});

/** natbib manual, sections 2.4 and 2.12. */
it('natbib: the heading, words and type of its list, and how far it hangs', () => {
  const list = '\\begin{thebibliography}{9}\\bibitem[Reef(2001)]{r}Lamps.\\end{thebibliography}';
  const set = (settings: string) => laidBody(list, `\\usepackage{natbib}${settings}`);
  expect(set('\\renewcommand\\bibsection{\\section*{Works}}\\newcommand\\bibpreamble{Of old.}').text).toMatch(/^Works.*Of old\./s); // prettier-ignore
  const plain = set('').word('Lamps.');
  expect(set('\\renewcommand\\bibfont{\\small}').word('Lamps.').size).toBeLessThan(plain.size);
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
