import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const LEFT = laidBody('\\noindent x').word('x').x;

describe('tables that go on over pages', () => {
  const rows = Array.from({ length: 90 }, (_, i) => `row${i}x & ${i} \\\\`).join('\n');
  const long = laidBody(
    `\\begin{longtable}{lr}\\caption{Tides}\\\\ \\hline head & n \\\\ \\hline \\endfirsthead
     \\hline again & n \\\\ \\hline \\endhead \\hline more & \\\\ \\endfoot \\hline end & \\\\ \\endlastfoot
     ${rows}\\end{longtable}`,
    '\\usepackage{longtable}',
  );
  it('have a head on each page, another on the first, and a foot', () => {
    expect(long.word('head').page).toBe(0);
    expect(long.word('again').page).toBe(1);
    expect(long.word('more').page).toBe(0);
    expect(long.word('end').page).toBe(long.word('row89x').page);
    expect(long.text).toContain('Table 1: Tides');
  });
  it('have all their rows, once, in order, between heads and feet', () => {
    const places = Array.from({ length: 90 }, (_, i) => long.word(`row${i}x`));
    for (let i = 1; i < places.length; i++) {
      const [before, after] = [
        places[i - 1] as (typeof places)[0],
        places[i] as (typeof places)[0],
      ];
      const isBelow = after.page > before.page || after.y > before.y;
      expect(isBelow, `row ${i}`).toBe(true);
    }
    expect(long.word('again').y).toBeLessThan(places.find(({ page }) => page === 1)?.y ?? 0);
  });
});

describe('labels in long tables', () => {
  it('stand on the page of their row', () => {
    const rows = Array.from({ length: 90 }, (_, i) => `row ${i} \\\\`).join('\n');
    const page = laidBody(
      `See page \\pageref{last}. \\begin{longtable}{l}${rows} end\\label{last}\\\\ \\end{longtable}`,
      '\\usepackage{longtable}',
    );
    expect(page.session.pageOf('last')).toBe(page.word('end').page);
    expect(page.text).toContain(`See page ${page.word('end').page + 1}.`);
    expect(page.session.pageOf('nosuch')).toBe(-1);
  });
});

describe('tabbing', () => {
  it('stops stand where they are set, line for line', () => {
    const page = laidBody(
      '\\begin{tabbing} aaaa \\= bbbbbb \\= c \\\\ d \\> e \\> f \\\\ \\> g \\end{tabbing}',
    );
    expect(page.word('e').x).toBeCloseTo(page.word('bbbbbb').x, 1);
    expect(page.word('f').x).toBeCloseTo(page.word('c').x, 1);
    expect(page.word('g').x).toBeCloseTo(page.word('e').x, 1);
    expect(page.word('d').x).toBeCloseTo(LEFT, 0);
  });
});

describe('columns of a page', () => {
  const words = 'High water comes to the quay twice a day and goes again. ';
  it('twocolumn fills the left one first', () => {
    const page = laidBody(`\\twocolumn ${words.repeat(60)}last`);
    expect(page.word('last').page).toBe(0);
    expect(page.word('last').x).toBeGreaterThan(LEFT + 175);
    const first = page.lines[0];
    expect((first?.right ?? 0) - (first?.x ?? 0)).toBeLessThan((345 - 10) / 2 + 1);
  });
  it('goes back to one on a new page', () => {
    const page = laidBody('\\twocolumn left\\newpage right\\onecolumn wide');
    expect(page.word('right').page).toBe(0);
    expect(page.word('right').x).toBeGreaterThan(page.word('left').x + 150);
    expect(page.word('wide').page).toBe(1);
  });
});

describe('a bibliography', () => {
  const entries =
    '\\begin{thebibliography}{9}\\bibitem{quill} Quill, Tides.\\bibitem[Br]{brandt} Brandt, Lamps.\\end{thebibliography}';
  it('numbers its entries, or takes their own labels', () => {
    const page = laidBody(
      `\\cite{quill}, \\cite{brandt}, \\cite[p.~3]{quill}, \\cite{quill,brandt}. ${entries}`,
    );
    expect(page.text).toContain('[1], [Br], [1, p. 3], [1, Br].');
    expect(page.text).toMatch(/References \| \[1\] ?Quill, Tides\. \| \[Br\] ?Brandt, Lamps\./);
    expect(page.word('References').font).toContain('bold');
  });
  it('entries hang behind their labels', () => {
    const page = laidBody(entries);
    const label = page.word('[1]');
    // The widest label, a 9, gives the indent.
    expect(page.word('Quill').x - label.right).toBeCloseTo(5, 0);
    expect(label.x).toBeCloseTo(LEFT, 0);
  });
  it('what is cited and not there is told', () => {
    const source = inArticle(`\\cite{nobody} ${entries}`);
    expect(findingsIn(source).map(({ kind }) => kind)).toEqual(['citation-unknown']);
    expect(laidBody(`\\cite{nobody}`).text).toContain('[?]');
  });
});

/** longtable manual, section 4.4: a caption is a row where it stands. */
describe('A caption of a long table', () => {
  const place = (rows: string): boolean => {
    const { word } = laidBody(
      `\\begin{longtable}{lc}${rows}\\end{longtable}`,
      '\\usepackage{longtable}',
    );
    return word('Table').y < word('ebb').y;
  };
  it.each([
    ['\\caption{Tides}\\\\ ebb & 1\\\\', true],
    ['\\caption{Tides}\\\\ head & h\\\\ \\endhead ebb & 1\\\\', true],
    ['ebb & 1\\\\ \\hline \\caption{Tides}\\\\', false],
    ['head & h\\\\ \\endhead ebb & 1\\\\ \\caption{Tides}', false],
  ])('%s', (rows, above) => expect(place(rows)).toBe(above));
});

it('the last row of a head or foot needs no \\\\', () => {
  const body =
    '\\begin{longtable}{lr}head & h\\endhead\\multicolumn{2}{r}{more}\\endfoot\\hline\\endlastfoot ebb & 1\\\\\\end{longtable}';
  expect(findingsIn(inArticle(body, '\\usepackage{longtable}'))).toEqual([]);
  const { text } = laidBody(body, '\\usepackage{longtable}');
  expect(text).toContain('ebb');
  expect(text).not.toContain('more');
});
