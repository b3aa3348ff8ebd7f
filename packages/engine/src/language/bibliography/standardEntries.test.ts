import { describe, expect, it } from 'vitest';
import { findingsIn, textFiles } from '../../testing/document';
import { laid } from '../../testing/layout';
import type { BibEntry } from './entries';
import { parseNames } from './names';
import { standardEntry, standardNames, type StandardLook } from './standardEntries';
import { formatBibliography, STYLES, type BibStyle } from './styles';

const LOOK: StandardLook = { authorYear: false, initials: false, mostNames: 3, language: null };
const entry = (type: string, fields: Record<string, string>): BibEntry => ({
  type,
  key: 'k',
  fields,
});
const printed = (e: BibEntry, look: Partial<StandardLook> = {}): string =>
  standardEntry(e, { ...LOOK, ...look }, false).replace(/\n\\newblock /g, ' ');

const ARTICLE = entry('article', {
  author: 'Wick, Ada and Bo Quill',
  title: 'On Tides',
  journaltitle: 'J. Sea',
  volume: '3',
  number: '2',
  pages: '1-20',
  date: '2021-03-02',
});
const BOOK = entry('book', {
  author: 'Cy Pier',
  title: 'Waves',
  subtitle: 'A Book',
  edition: '2',
  publisher: 'Harbour',
  location: 'Port',
  year: '2003',
});

describe('An entry by the standard styles', () => {
  it.each([
    [
      ARTICLE,
      {},
      'Ada Wick and Bo~Quill. “On Tides”. In: \\emph{J. Sea} 3.2 (Mar.~2, 2021), pp.~1--20.',
    ],
    [
      ARTICLE,
      { authorYear: true },
      'Wick, Ada and Bo~Quill (Mar.~2, 2021). “On Tides”. In: \\emph{J. Sea} 3.2, pp.~1--20.',
    ],
    [
      ARTICLE,
      { initials: true, language: 'ngerman' },
      'A.~Wick und B.~Quill. “On Tides”. In: \\emph{J. Sea} 3.2 (2.~März 2021), S.~1--20.',
    ],
    [BOOK, {}, 'Cy~Pier. \\emph{Waves. A Book}. 2nd ed. Port: Harbour, 2003.'],
    [BOOK, { language: 'german' }, 'Cy~Pier. \\emph{Waves. A Book}. 2. Aufl. Port: Harbour, 2003.'],
    [
      entry('inproceedings', {
        author: 'A B',
        title: 'T',
        booktitle: 'P',
        editor: 'C D',
        pages: '7',
        year: '2019',
      }),
      {},
      'A~B. “T”. In: \\emph{P}. Ed. by C~D. 2019, p.~7.',
    ],
    [
      entry('phdthesis', { author: 'A B', title: 'T', school: 'U', year: '2011' }),
      {},
      'A~B. “T”. PhD thesis. U, 2011.',
    ],
    [
      entry('online', {
        author: 'A B',
        title: 'T',
        url: 'https://t.example',
        urldate: '2024-01-31',
      }),
      {},
      'A~B. \\emph{T}. \\textsc{url}: \\url{https://t.example} (visited on 01/31/2024).',
    ],
    [
      entry('misc', {
        author: 'A B',
        title: 'T',
        eprint: '21.1',
        eprinttype: 'arxiv',
        eprintclass: 'math.AG',
      }),
      {},
      'A~B. \\emph{T}. arXiv: \\texttt{21.1} [\\texttt{math.AG}].',
    ],
    [
      entry('online', { title: 'T', url: 'https://t.example', urldate: '2024-01-31' }),
      { language: 'british' },
      '\\emph{T}. \\textsc{url}: \\url{https://t.example} (visited on 31/01/2024).',
    ],
    [
      entry('book', { author: 'A B and C D', title: 'T', edition: '2', year: '2000' }),
      { language: 'french' },
      'A~B et C~D. \\emph{T}. 2\\textsuperscript{e}~éd. 2000.',
    ],
    [entry('book', { editor: 'A B', title: 'T', year: '2000' }), {}, 'A~B, ed. \\emph{T}. 2000.'],
    [
      entry('report', { author: 'A B', title: 'T', number: '4', institution: 'I', year: '2000' }),
      {},
      'A~B. \\emph{T}. Tech. rep. 4. I, 2000.',
    ],
  ])('%j', (e, look, text) => {
    expect(printed(e, look)).toBe(text);
  });

  it.each([
    ['A B', false, 'A~B'],
    ['A B and C D', false, 'A~B and C~D'],
    ['A B and C D and E F', false, 'A~B, C~D, and E~F'],
    ['A B and C D and E F and G H', false, 'A~B et~al.'],
    ['A B and others', false, 'A~B et~al.'],
    ['Ludo van der Kust and C D', true, 'Kust, Ludo van der and C~D'],
    ['Ludo van der Kust and C D', false, 'Ludo van der Kust and C~D'],
  ])('names: %s', (names, turned, text) => {
    expect(standardNames(parseNames(names), LOOK, turned)).toBe(text);
  });

  it('the same names again are a line, by author and year', () => {
    const style = STYLES['biblatex-authoryear'] as BibStyle;
    const list = formatBibliography(
      [BOOK, { ...BOOK, key: 'later', fields: { ...BOOK.fields, year: '2009' } }],
      style,
    );
    expect(list.map(({ body }) => body.startsWith('\\rule'))).toEqual([false, true]);
  });
});

describe('A sheet with biblatex', () => {
  const files = textFiles({
    'r.bib': `@article{wick, author={Wick, Ada and Quill, Bo}, title={On Tides}, journaltitle={J}, year={2021}}
@book{pier, author={Pier, Cy}, title={Waves}, publisher={H}, year={2003}}
@book{many, author={Reed, E and Ash, D and Fen, F and Pier, C}, title={Floods}, year={2019}}`,
  });
  const said = (options: string, body: string, print = ''): string =>
    laid(
      `\\documentclass{article}\\usepackage[${options}]{biblatex}\\addbibresource{r.bib}\\begin{document}${body}\n\n\\printbibliography${print}\\end{document}`,
      files,
    ).text.replace(/\s+/g, ' ');
  it.each([
    [
      'style=numeric',
      '\\cite{wick}, \\textcite{pier}, \\parencite[3]{wick}.',
      '[2], Pier [1], [2, p. 3].',
    ],
    ['style=numeric,sorting=none', '\\cite{wick}, \\cite{pier}.', '[1], [2].'],
    ['style=numeric-comp', '\\cite{wick,many,pier}.', '[1–3].'],
    [
      'style=authoryear',
      '\\cite{wick}, \\textcite{wick}, \\parencite[see][3-5]{pier}.',
      'Wick and Quill 2021, Wick and Quill (2021), (see Pier 2003, pp. 3-5).',
    ],
    [
      'style=alphabetic',
      '\\cite{wick}, \\textcite{many}, \\citeauthor{pier}.',
      '[WQ21], Reed et al. [Ree+19], Pier.',
    ],
  ])('[%s] %s', (options, body, text) => {
    expect(said(options, body)).toContain(text);
  });
  it('of a list of some each keeps its number', () => {
    const text = said('style=numeric', '\\nocite{*}x', '[type=book,title=Books]');
    expect(text).toContain('Books');
    expect(text).toMatch(/\[1\] ?Cy Pier.*\[2\] ?E\. ?Reed|\[1\] ?Cy Pier.*\[2\] ?E Reed/);
    expect(text).not.toContain('On Tides');
  });
  it.each([
    ['heading=none', /^x \| \[1\]/],
    ['heading=bibnumbered', /1 References/],
    ['title=Reading', /Reading \|/],
  ])('[%s]', (print, text) => {
    expect(said('style=numeric', 'x\\nocite{pier}', `[${print}]`)).toMatch(text);
  });
  it('nothing of it is told of', () => {
    const source =
      '\\documentclass{article}\\usepackage[style=alphabetic,giveninits,maxbibnames=9]{biblatex}\\begin{document}\\begin{filecontents}[overwrite]{q.bib}\n\\end{filecontents}x\\end{document}';
    expect(findingsIn(source)).toEqual([]);
  });
});
