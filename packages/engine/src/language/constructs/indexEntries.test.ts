import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laid } from '../../testing/layout';
import { indexLines, pagesOf, readIndexEntry } from './indexEntries';

describe('An entry', () => {
  it.each([
    ['tide', [['tide', 'tide']], ''],
    [
      'tide!ebb',
      [
        ['tide', 'tide'],
        ['ebb', 'ebb'],
      ],
      '',
    ],
    ['e@$e$', [['e', '$e$']], ''],
    [
      'tide!pi@$\\pi$|textbf',
      [
        ['tide', 'tide'],
        ['pi', '$\\pi$'],
      ],
      'textbf',
    ],
    ['Euler|see{e, the number}', [['Euler', 'Euler']], 'see{e, the number}'],
    ['odd"!|textit', [['odd!', 'odd!']], 'textit'],
    ['\\textbf{a|b}', [['\\textbf{a|b}', '\\textbf{a|b}']], ''],
  ])('%s', (text, levels, around) => {
    const read = readIndexEntry(text);
    expect(read.levels.map(({ key, printed }) => [key, printed])).toEqual(levels);
    expect(read.around).toBe(around);
  });
  it.each([
    ['tide|(', '(', ''],
    ['tide|)textbf', ')', 'textbf'],
  ])('%s begins or ends a range', (text, range, around) => {
    expect(readIndexEntry(text)).toMatchObject({ range, around });
  });
});

describe('Pages of an entry', () => {
  const plain = (...pages: number[]) =>
    pages.map((page) => ({ page: String(page), around: '', range: '' as const }));
  it.each([
    [[3], ['3']],
    [
      [1, 1, 2],
      ['1', '2'],
    ],
    [
      [1, 2, 3, 7],
      ['1--3', '7'],
    ],
    [
      [1, 2, 4, 5, 6, 6],
      ['1', '2', '4--6'],
    ],
  ])('%j', (pages, printed) => {
    expect(pagesOf(plain(...pages))).toEqual(printed);
  });
  it('a marked range stays one, and what stands around pages is theirs alone', () => {
    expect(
      pagesOf([
        { page: '2', around: '', range: '(' },
        { page: '9', around: '', range: ')' },
        { page: '10', around: 'textbf', range: '' },
      ]),
    ).toEqual(['2--9', '\\textbf{10}']);
  });
  it('whatever their number, each page lies in what is printed', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 12 }), (some) => {
        const pages = [...some].sort((a, b) => a - b);
        const covered = pagesOf(plain(...pages)).flatMap((part) => {
          const [from = 0, to = from] = part.split('--').map(Number);
          return Array.from({ length: to - from + 1 }, (_, i) => from + i);
        });
        expect(covered).toEqual([...new Set(pages)]);
      }),
    );
  });
});

describe('Lines', () => {
  it('signs, numbers, then letters whatever their case; letters apart', () => {
    const lines = indexLines(
      ['zeta', 'apple', '2-form', 'Apple tree', '!odd', 'Zebra'].map((text) => ({
        text,
        page: '1',
      })),
    );
    expect(lines.map(({ printed }) => printed)).toEqual([
      '',
      'odd',
      '2-form',
      'apple',
      'Apple tree',
      'Zebra',
      'zeta',
    ]);
    expect(lines.map(({ apart }) => apart)).toEqual([false, false, true, true, false, true, false]);
  });
  it('what is below an entry stands below it, in order', () => {
    const lines = indexLines(
      ['tide!flow', 'tide', 'tide!ebb!low'].map((text, i) => ({ text, page: String(i + 1) })),
    );
    expect(lines.map(({ depth, printed, pages }) => [depth, printed, ...pages])).toEqual([
      [0, 'tide', '2'],
      [1, 'ebb'],
      [2, 'low', '3'],
      [1, 'flow', '1'],
    ]);
  });
});

describe('A printed index', () => {
  const document = (kind: string, options = ''): string =>
    `\\documentclass{${kind}}\\usepackage{imakeidx}\\makeindex${options}
\\begin{document}
${options.includes('intoc') ? '\\tableofcontents' : ''}
tide\\index{tide} and\\index{ebb|see{tide}} more\\newpage again\\index{tide}\\index{buoy!red}
\\printindex
\\end{document}`;
  it.each(['article', 'book', 'report'])('stands on a page of its own: %s', (kind) => {
    const { text, word } = laid(document(kind));
    expect(text.replace(/\s+/g, ' ')).toMatch(
      /Index \| buoy \| red, 2 \| ebb, see tide \| tide, 1, 2/,
    );
    expect(word('buoy').page).toBe(2);
    expect(word('red').x - word('buoy').x).toBeCloseTo(20, 0);
    expect(findingsIn(document(kind))).toEqual([]);
  });
  it('is listed with its page, and bears its title', () => {
    const { text } = laid(document('article', '[intoc,title=Names]'));
    expect(text).toContain('Names 3');
    expect(text).toContain('Names | buoy');
  });
  it('is not there unless it is made', () => {
    const { text } = laid(document('article').replace('\\makeindex', ''));
    expect(text).not.toContain('Index');
  });
  it('entries leave no trace in the line', () => {
    const { text } = laid(document('article'));
    expect(text).toContain('tide and more');
  });
});

it('both packages of an index may be loaded', () => {
  expect(
    findingsIn(inArticle('a', '\\usepackage{makeidx}\\usepackage{imakeidx}\\makeindex')),
  ).toEqual([]);
});
