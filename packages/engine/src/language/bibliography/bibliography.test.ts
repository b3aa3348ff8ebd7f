import { describe, expect, it } from 'vitest';
import { parseBib, type BibEntry } from './entries';
import { formatName, formatNames, initials, parseName, parseNames } from './names';
import { sentenceCase } from './sentenceCase';
import { formatBibliography, STYLES, type BibStyle } from './styles';

const entry = (type: string, key: string, fields: Record<string, string>): BibEntry => ({
  type,
  key,
  fields,
});
const style = (name: string): BibStyle => STYLES[name] as BibStyle;

describe('a bibliography file', () => {
  it('gives entries with strings and months filled in', () => {
    const { entries, broken } = parseBib(
      '@string{j="Tides"}\n% a comment\n@article{a, author={A B}, journal = j # " II", year=2024, month=mar}\n',
    );
    expect(broken).toEqual([]);
    expect(entries[0]).toEqual(
      entry('article', 'a', { author: 'A B', journal: 'Tides II', year: '2024', month: 'March' }),
    );
  });
  it('loses only the entry that is broken', () => {
    const { entries, broken } = parseBib(
      '@book{good, title={A}}\n@book{bad, title={never closed\n@misc{last, note={n}}\n',
    );
    expect(entries.map(({ key }) => key)).toEqual(['good', 'last']);
    expect(broken).toEqual(['bad']);
  });
});

describe('names', () => {
  it.each([
    ['Mara Quill', 'Mara Quill', 'M.~Quill'],
    ['Quill, Mara Ann', 'Mara~Ann Quill', 'M.~A. Quill'],
    ['Ludo van der Kust', 'Ludo van der Kust', 'L.~van der Kust'],
    ['van der Kust, Jr, Ludo', 'Ludo van der Kust Jr', 'L.~van der Kust Jr'],
    ['{Harbour Office}', '{Harbour Office}', '{Harbour Office}'],
  ])('%s', (text, full, short) => {
    expect(formatName(parseName(text), false)).toBe(full);
    expect(formatName(parseName(text), true)).toBe(short);
  });
  it('join with commas and “and”', () => {
    expect(formatNames(parseNames('A B and C D'), false)).toMatch(/and/);
    expect(formatNames(parseNames('Ann Bay and Cara Dune and Eve Fjord'), false)).toBe(
      'Ann Bay, Cara Dune, and Eve Fjord',
    );
    expect(formatNames(parseNames('Ann Bay and others'), false)).toBe('Ann Bay et~al.');
  });
  it('shorten with their hyphens and accents', () => {
    expect(initials(['Jean-Luc', '{\\"O}sten'])).toEqual(['J.-L.', '{\\"O}.']);
  });
});

describe('styles', () => {
  const entries = [
    entry('book', 'z', { author: 'Zoe Reef', title: 'Lamps', publisher: 'Harbour', year: '2001' }),
    entry('article', 'a', {
      author: 'Ann Bay and Cara Dune',
      title: 'On {FFT} of Tides',
      journal: 'Coast',
      volume: '3',
      pages: '1-9',
      year: '1999',
    }),
  ];
  it('sort or keep the order, number or label', () => {
    expect(formatBibliography(entries, style('plain')).map(({ key }) => key)).toEqual(['a', 'z']);
    expect(formatBibliography(entries, style('unsrt')).map(({ key }) => key)).toEqual(['z', 'a']);
    expect(formatBibliography(entries, style('alpha')).map(({ label }) => label)).toEqual([
      'BD99',
      'Ree01',
    ]);
  });
  it('write titles and places as plain.bst does', () => {
    const [article, book] = formatBibliography(entries, style('plain')).map(({ body }) =>
      body.replace(/\n\\newblock/g, ''),
    );
    expect(article).toBe('Ann Bay and Cara Dune. On {FFT} of tides. \\emph{Coast}, 3:1--9, 1999.');
    expect(book).toBe('Zoe Reef. \\emph{Lamps}. Harbour, 2001.');
  });
  it('tell labels apart', () => {
    const twins = [
      entry('misc', 'p', { author: 'Ann Bay', year: '2001', title: 'B' }),
      entry('misc', 'q', { author: 'Ann Bay', year: '2001', title: 'A' }),
    ];
    expect(formatBibliography(twins, style('alpha')).map(({ label }) => label)).toEqual([
      'Bay01a',
      'Bay01b',
    ]);
  });
  it('leave formulas, braces and first letters their case', () => {
    expect(sentenceCase('On the {KdV} Equation in $L^2$: A Survey')).toBe(
      'On the {KdV} equation in $L^2$: A survey',
    );
  });
});

/** Each entry as the file of a style writes it. */
describe('the styles that come with BibTeX', () => {
  const paper = entry('article', 'a', {
    author: 'Quill, Mara Ann and Ludo van der Kust',
    title: 'On the {FFT} of Tides',
    journal: 'Coast',
    volume: '3',
    number: '2',
    pages: '1-9',
    month: 'May',
    year: '1999',
  });
  const book = entry('book', 'b', {
    author: 'Ann Bay',
    title: 'Lamps and Buoys',
    publisher: 'Harbour',
    address: 'Port',
    series: 'Lights',
    volume: '7',
    edition: 'Second',
    year: '2001',
  });
  const chapter = entry('incollection', 'c', {
    author: 'Cara Dune',
    title: 'Fog Horns',
    booktitle: 'All Weathers',
    editor: 'Eve Fjord and Fay Grange',
    pages: '11-20',
    publisher: 'Mole',
    year: '2010',
  });
  const talk = entry('inproceedings', 'd', {
    author: 'Cara Dune',
    title: 'Fog Horns',
    booktitle: 'Proc. Weathers',
    address: 'Quay',
    organization: 'Pilots',
    pages: '4',
    year: '2011',
  });
  const thesis = entry('phdthesis', 'e', {
    author: 'Dee Elm',
    title: 'Slack Water',
    school: 'Univ. of Port',
    year: '2012',
  });
  const report = entry('techreport', 'f', {
    author: 'Dee Elm',
    title: 'Slack Water',
    institution: 'Tide Office',
    number: '4',
    year: '2013',
  });
  const misc = entry('misc', 'g', {
    author: 'Dee Elm',
    title: 'Slack Water',
    howpublished: 'Leaflet',
    note: 'in blue',
    year: '2014',
  });
  const sheet = entry('misc', 'k', { author: 'Dee Elm', title: 'Slack Water', year: '2014' });
  const part = entry('inbook', 'h', {
    author: 'Ann Bay',
    title: 'Lamps and Buoys',
    publisher: 'Harbour',
    chapter: '4',
    pages: '20-31',
    year: '2001',
  });
  const leaflet = entry('booklet', 'i', {
    title: 'Buoys',
    howpublished: 'Printed sheet',
    address: 'Quay',
    year: '2015',
  });
  const office = entry('manual', 'j', {
    title: 'Rules',
    organization: 'Tide Office',
    year: '2016',
  });
  const written = (name: string, e: BibEntry): string =>
    formatBibliography([e], style(name))[0]?.body.replace(/\n\\newblock/g, '') ?? '';
  it.each<[string, BibEntry, string]>([
    ['plain', paper, 'Mara~Ann Quill and Ludo van~der Kust. On the {FFT} of tides. \\emph{Coast}, 3(2):1--9, May 1999.'],
    ['plain', book, 'Ann Bay. \\emph{Lamps and Buoys}, volume~7 of \\emph{Lights}. Harbour, Port, second edition, 2001.'],
    ['plain', chapter, 'Cara Dune. Fog horns. In Eve Fjord and Fay Grange, editors, \\emph{All Weathers}, pages 11--20. Mole, 2010.'],
    ['plain', talk, 'Cara Dune. Fog horns. In \\emph{Proc. Weathers}, page 4, Quay, 2011. Pilots.'],
    ['plain', thesis, 'Dee Elm. \\emph{Slack Water}. PhD thesis, Univ. of Port, 2012.'],
    ['plain', report, 'Dee Elm. Slack water. Technical Report~4, Tide Office, 2013.'],
    ['plain', misc, 'Dee Elm. Slack water. Leaflet, 2014. In blue.'],
    ['abbrv', paper, 'M.~A. Quill and L.~van~der Kust. On the {FFT} of tides. \\emph{Coast}, 3(2):1--9, May 1999.'],
    ['siam', paper, '\\textsc{M.~A. Quill and L.~van~der Kust}, \\emph{On the {FFT} of tides}, Coast, 3 (1999), pp.~1--9.'],
    ['siam', book, '\\textsc{A.~Bay}, \\emph{Lamps and Buoys}, vol.~7 of Lights, Harbour, Port, second~ed., 2001.'],
    ['siam', chapter, '\\textsc{C.~Dune}, \\emph{Fog horns}, in All Weathers, E.~Fjord and F.~Grange, eds., Mole, 2010, pp.~11--20.'],
    ['plain', part, 'Ann Bay. \\emph{Lamps and Buoys}, chapter~4, pages 20--31. Harbour, 2001.'],
    ['siam', part, '\\textsc{A.~Bay}, \\emph{Lamps and Buoys}, Harbour, 2001, ch.~4, pp.~20--31.'],
    ['acm', part, '\\textsc{Bay, A.} \\emph{Lamps and Buoys}. Harbour, 2001, ch.~4, pp.~20--31.'],
    ['ieeetr', part, 'A.~Bay, \\emph{Lamps and Buoys}, ch.~4, pp.~20--31. Harbour, 2001.'],
    ['apalike', part, 'Bay, A. (2001). \\emph{Lamps and Buoys}, chapter~4, pages 20--31. Harbour.'],
    ['amsplain', part, 'Ann Bay, \\emph{Lamps and Buoys}, Harbour, 2001, ch.~4, pp.~20--31.'],
    ['siam', leaflet, '\\emph{Buoys}, Printed sheet, Quay, 2015.'],
    ['acm', leaflet, 'Buoys. Printed sheet, Quay, 2015.'],
    ['amsplain', office, 'Tide Office, \\emph{Rules}, 2016.'],
    ['siam', office, '\\textsc{Tide Office}, \\emph{Rules}, 2016.'],
    ['plain', sheet, 'Dee Elm. Slack water, 2014.'],
    ['acm', sheet, '\\textsc{Elm, D.} Slack water, 2014.'],
    ['plain', office, 'Tide Office. \\emph{Rules}, 2016.'],
    ['siam', report, '\\textsc{D.~Elm}, \\emph{Slack water}, Tech. Rep. 4, Tide Office, 2013.'],
    ['acm', paper, '\\textsc{Quill, M.~A., and van~der Kust, L.} On the {FFT} of tides. \\emph{Coast 3}, 2 (May 1999), 1--9.'],
    ['acm', book, '\\textsc{Bay, A.} \\emph{Lamps and Buoys}, second~ed., vol.~7 of \\emph{Lights}. Harbour, Port, 2001.'],
    ['acm', chapter, '\\textsc{Dune, C.} Fog horns. In \\emph{All Weathers}, E.~Fjord and F.~Grange, Eds. Mole, 2010, pp.~11--20.'],
    ['acm', talk, '\\textsc{Dune, C.} Fog horns. In \\emph{Proc. Weathers} (Quay, 2011), Pilots, p.~4.'],
    ['ieeetr', paper, "M.~A. Quill and L.~van~der Kust, ``On the {FFT} of tides,'' \\emph{Coast}, vol.~3, no.~2, pp.~1--9, May 1999."],
    ['ieeetr', book, 'A.~Bay, \\emph{Lamps and Buoys}, vol.~7 of \\emph{Lights}. Port: Harbour, second~ed., 2001.'],
    ['ieeetr', chapter, "C.~Dune, ``Fog horns,'' in \\emph{All Weathers} (E.~Fjord and F.~Grange, eds.), pp.~11--20, Mole, 2010."],
    ['ieeetr', talk, "C.~Dune, ``Fog horns,'' in \\emph{Proc. Weathers}, (Quay), p.~4, Pilots, 2011."],
    ['ieeetr', misc, "D.~Elm, ``Slack water.'' Leaflet, 2014. In blue."],
    ['apalike', paper, 'Quill, M.~A. and van~der Kust, L. (1999). On the {FFT} of tides. \\emph{Coast}, 3(2):1--9.'],
    ['apalike', book, 'Bay, A. (2001). \\emph{Lamps and Buoys}, volume~7 of \\emph{Lights}. Harbour, Port, second edition.'],
    ['apalike', chapter, 'Dune, C. (2010). Fog horns. In Fjord, E. and Grange, F., editors, \\emph{All Weathers}, pages 11--20. Mole.'],
    ['amsplain', paper, 'Mara~Ann Quill and Ludo van~der Kust, \\emph{On the {FFT} of tides}, Coast \\textbf{3} (May 1999), no.~2, 1--9.'],
    ['amsplain', book, 'Ann Bay, \\emph{Lamps and Buoys}, second ed., Lights, vol.~7, Harbour, Port, 2001.'],
    ['amsplain', talk, 'Cara Dune, \\emph{Fog horns}, Proc. Weathers (Quay), Pilots, 2011, p.~4.'],
    ['amsplain', misc, 'Dee Elm, \\emph{Slack water}, Leaflet, 2014, in blue.'],
  ])('%s: $1.type', (name, e, text) => expect(written(name, e)).toBe(text)); // prettier-ignore

  it.each(['siam', 'amsplain'])('%s: the same authors again are a line', (name) => {
    const [first, second] = formatBibliography([report, misc], style(name));
    expect(first?.body).toContain('Elm');
    expect(second?.body).not.toContain('Elm');
  });
  it.each<[string, string[]]>([
    ['plainnat', ['{Elm(2014a)}', '{Elm(2014b)}']],
    ['apalike', ['{Elm, 2014a}', '{Elm, 2014b}']],
    ['alpha', ['Elm14a', 'Elm14b']],
    ['biblatex-authoryear', ['{Elm(2014a)}', '{Elm(2014b)}']],
  ])('%s: works of one year are told apart', (name, labels) => {
    const later = { ...misc, key: 'h', fields: { ...misc.fields, title: 'Still Water' } };
    const list = formatBibliography([misc, later], style(name));
    expect(list.map(({ label }) => label)).toEqual(labels);
    if (name !== 'alpha')
      expect(list.map(({ body }) => /2014[ab]/.test(body))).toEqual([true, true]);
  });
  it('natbib knows the full list of names, its styles tell numbers and addresses', () => {
    const many = entry('book', 'm', { author: 'A Bay and C Dune and E Fjord', title: 'T', isbn: '9', doi: '1/2', url: 'u', year: '2000' }); // prettier-ignore
    const [item] = formatBibliography([many], style('plainnat'));
    expect(item?.label).toBe('{Bay et~al.(2000)Bay, Dune, and Fjord}');
    expect(item?.body).toContain('ISBN 9.');
    expect(item?.body).toContain('URL \\url{u}');
  });
});

describe('the order of a list of package biblatex', () => {
  const one = (key: string, author: string, title: string, year: string): BibEntry =>
    entry('misc', key, { author, title, year });
  const list = [one('a', 'B', 'Y', '2001'), one('b', 'A', 'Z', '2003'), one('c', 'A', 'X', '2004'), one('d', 'B', 'W', '2004')]; // prettier-ignore
  it.each([
    ['nty', 'cbda'],
    ['nyt', 'bcad'],
    ['ynt', 'abcd'],
    ['ydnt', 'cdba'],
    ['tyn', 'dcab'],
  ])('%s', (order, keys) => {
    const sorted = formatBibliography(list, style('biblatex-numeric'), { order });
    expect(sorted.map(({ key }) => key).join('')).toBe(keys);
  });
});
