import { describe, expect, it } from 'vitest';
import { parseBib, type BibEntry } from './entries';
import { formatName, formatNames, initials, parseName, parseNames } from './names';
import { formatBibliography, sentenceCase, STYLES, type BibStyle } from './styles';

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
