import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { bookmarksOf } from './account';

const PREAMBLE =
  '\\usepackage{amsmath,amsthm}\\newtheorem{tide}{Tide}\\newcommand{\\R}{\\ensuremath{\\mathbf{R}}}';
const text = inArticle(
  [
    '\\section{Ebb}\\label{s:ebb} Words.',
    '\\subsection{Low}\\label{s:low}',
    '\\begin{equation}\\label{e:one}a=b\\end{equation}',
    '\\newpage',
    '\\begin{tide}\\label{t:one} It falls.\\end{tide}',
    '\\section*{Flood of \\R}',
    'See \\cite{x} and \\ref{s:ebb}.',
    '\\begin{thebibliography}{1}\\bibitem{x} A book.\\end{thebibliography}',
  ].join('\n\n'),
  PREAMBLE,
);
const session = typeset(text);

describe('the outline', () => {
  const outline = session.outline();
  it('has the headings in order, each where it stands', () => {
    const headings = outline.filter(({ kind }) => kind === 'heading');
    expect(headings.map(({ level, number, title, page }) => [level, number, title, page])).toEqual([
      [1, '1', 'Ebb', 0],
      [2, '1.1', 'Low', 0],
      [1, '', 'Flood of R', 1],
      [1, '', 'References', 1],
    ]);
    for (const { title, from, to } of headings.slice(0, 2))
      expect(text.slice(from, to)).toContain(title);
  });
  it('has the numbers given out, with what they are of', () => {
    const numbers = outline.filter(({ kind }) => kind === 'number');
    expect(numbers.map(({ title, number, page }) => [title, number, page])).toContainEqual([
      'Tide',
      '1',
      1,
    ]);
  });
  it('goes down the page', () => {
    const first = outline.filter(({ page }) => page === 0).map(({ y }) => y);
    expect([...first].sort((a, b) => a - b)).toEqual(first);
  });
  it('makes the bookmarks, numbered as on the page', () => {
    expect(bookmarksOf(outline).map(({ title, level, page }) => [title, level, page])).toEqual([
      ['1 Ebb', 1, 0],
      ['1.1 Low', 2, 0],
      ['Flood of R', 1, 1],
      ['References', 1, 1],
    ]);
  });
});

describe('the labels', () => {
  it('are those that the writer gave, with what they name and where', () => {
    expect(session.labels()).toEqual([
      { name: 's:ebb', value: '1', kind: 'section', page: 0 },
      { name: 's:low', value: '1.1', kind: 'subsection', page: 0 },
      { name: 'e:one', value: '1', kind: 'equation', page: 0 },
      { name: 't:one', value: '1', kind: 'tide', page: 1 },
    ]);
  });
  it.each([
    ['s:ebb', 0],
    ['t:one', 1],
    ['nowhere', -1],
  ])('%s is on page %d', (name, page) => expect(session.pageOf(name)).toBe(page));
});

describe('the blocks', () => {
  const { starts, pages } = session.blockPlaces();
  it('start one after another, from the start of the text', () => {
    expect(starts[0]).toBe(0);
    expect([...starts].sort((a, b) => a - b)).toEqual(starts);
    expect(starts).toHaveLength(pages.length);
  });
  it('are on the pages in order, those that print nothing on none', () => {
    const printed = pages.filter((page) => page >= 0);
    expect([...printed].sort((a, b) => a - b)).toEqual(printed);
    expect(new Set(printed)).toEqual(new Set([0, 1]));
    expect(pages[0]).toBe(-1);
  });
});
