import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { drawnText } from '../../testing/drawn';
import { laidBody } from '../../testing/layout';

const NICE = '\\usepackage{nicematrix}';
const matrix = (code: string, options = ''): string =>
  `$\\begin{pNiceMatrix}${options} a & b & c \\\\ d & e & f \\\\ g & h & i \\CodeAfter ${code}\\end{pNiceMatrix}$`;
const paths = (body: string) => drawnText(body, NICE).paths;

/** nicematrix manual, section 10. */
describe('what is drawn over a matrix', () => {
  it.each([
    ['\\tikz \\draw (1-1) -- (3-3);', 1],
    ['\\tikz \\draw[red] (1-1.north west) rectangle (2-2.south east);', 1],
    ['\\begin{tikzpicture}\\draw (1-2) -- (3-2);\\draw (2-1) -- (2-3);\\end{tikzpicture}', 2],
    ['\\tikz \\draw (2-|1) -- (2-|4);', 1],
    ['\\tikz \\draw (1-|2) |- (3-|last);', 1],
    ['\\line{1-1}{3-3}', 1],
    ['\\UnderBrace{3-1}{3-3}{n}', 1],
    ['\\OverBrace[yshift=2pt]{1-1}{1-2}{k}', 1],
  ])('%s', (code, count) => {
    expect(paths(matrix(code)).length).toBe(count);
    expect(findingsIn(inArticle(matrix(code), NICE))).toEqual([]);
  });
  it('lies where the cells are, in tables and where rows stand outside the brackets too', () => {
    const ends = (body: string, from: string, to: string): void => {
      const { paths: drawn, laid } = drawnText(body, NICE);
      const [[x1 = 0, y1 = 0] = [], [x2 = 0, y2 = 0] = []] = drawn[0]?.points ?? [];
      const [a, b] = [laid.word(from), laid.word(to)];
      expect(x2 - x1).toBeCloseTo((b.x + b.right - a.x - a.right) / 2 / (72 / 72.27), 0);
      expect(y1 - y2).toBeGreaterThan(0.8 * (b.y - a.y));
    };
    ends(matrix('\\tikz \\draw (1-1.center) -- (3-3.center);'), '𝑎', '𝑖');
    ends(
      '\\begin{NiceTabular}{ccc} one & b & c \\\\ d & e & six \\CodeAfter \\tikz \\draw (1-1.center) -- (2-3.center);\\end{NiceTabular}',
      'one',
      'six',
    );
    ends(
      '$\\begin{pNiceMatrix}[first-row,first-col] & x & y \\\\ r & a & b \\\\ s & c & d \\CodeAfter \\tikz \\draw (1-1.center) -- (2-2.center);\\end{pNiceMatrix}$',
      '𝑎',
      '𝑑',
    );
  });
  it('lines between rows and columns go between their cells', () => {
    const { paths: drawn, laid } = drawnText(
      matrix('\\tikz \\draw (2-|1) -- (2-|4);\\tikz \\draw (1-|2) -- (4-|2);'),
      NICE,
    );
    const across = drawn[0]?.points[0]?.[1] ?? 0;
    const at = (word: string): number => -laid.word(word).y / (72 / 72.27);
    const [[x0 = 0] = []] = drawn[1]?.points ?? [];
    expect(Math.abs((at('𝑎') + at('𝑑')) / 2 - at('𝑎'))).toBeGreaterThan(4);
    expect(Number.isFinite(across)).toBe(true);
    expect(drawn[0]?.points[1]?.[0]).toBeGreaterThan(x0);
    expect(drawn[0]?.points[0]?.[0]).toBeLessThan(x0);
  });
  it('in a displayed formula as in the text', () => {
    const code = '\\tikz \\draw (1-1) -- (3-3);';
    const displayed = matrix(code)
      .replace(/^\$|\$$/g, '')
      .trim();
    expect(paths(`\\[${displayed}\\]`).length).toBe(1);
  });
  it('brackets around a part are as high as it is', () => {
    const height = (code: string): number => {
      const found = laidBody(matrix(code), NICE);
      return found.lines.filter(({ text }) => /[()]/.test(text)).length;
    };
    expect(height('\\SubMatrix({1-1}{2-2})')).toBeGreaterThan(height(''));
  });
});

/** Sections 4 to 8. */
describe('further keys and commands', () => {
  const says = (body: string): string =>
    laidBody(body, NICE).text.replace(/\s+/g, ' ').replaceAll(' | ', ' ');
  it.each<[string, RegExp]>([
    ['$\\begin{pNiceMatrix}[light-syntax] 1 2 {a b}; 4 5 6 \\end{pNiceMatrix}$', /1 2 𝑎𝑏.*4 5 6/],
    ['$\\pAutoNiceMatrix{2-2}{C_{\\arabic{iRow}\\arabic{jCol}}}$', /𝐶 ?11 ?𝐶 ?12.*𝐶 ?21 ?𝐶 ?22/],
    ['\\begin{NiceTabular}{ll} Ebb\\tabularnote{By day.} & b\\tabularnote{At night.} \\end{NiceTabular}', /Ebba bb a By day\. ?b At night\./],
    ['\\begin{NiceTabular*}{8cm}{ll} ebb & b \\end{NiceTabular*}', /ebb b/],
    ['\\begin{NiceMatrixBlock}[auto-columns-width]$\\begin{pNiceMatrix} 1 & 2 \\end{pNiceMatrix}$\\end{NiceMatrixBlock}', /1 2/],
  ])('%s', (body, printed) => {
    expect(says(body)).toMatch(printed);
    expect(findingsIn(inArticle(body, NICE))).toEqual([]);
  }); // prettier-ignore
  it('rows are set as they are told, from where it is said on', () => {
    const body = '\\begin{NiceTabular}{lll} ebb & \\RowStyle{\\Large} low & tide \\\\ \\RowStyle[nb-rows=2]{\\tiny} k & m & n \\\\ p & q & r \\\\ u & v & z \\end{NiceTabular}'; // prettier-ignore
    const { word } = laidBody(body, NICE);
    const sizes = ['ebb', 'low', 'tide', 'm', 'q', 'z'].map((one) => Math.round(word(one).size));
    expect(sizes).toEqual([10, 14, 14, 5, 5, 10]);
    const bold = '\\begin{NiceTabular}{l} \\RowStyle[bold]{} width \\end{NiceTabular}';
    const wide = (source: string): number => {
      const found = laidBody(source, NICE).word('width');
      return found.right - found.x;
    };
    expect(wide(bold)).toBeGreaterThan(wide(bold.replace('bold', 'color=red')) + 1);
  });
  it('what options say of cells outside, at the matrix or before it', () => {
    const size = (before: string, options: string): number =>
      laidBody(
        `${before}$\\begin{pNiceMatrix}[first-row${options}] x \\\\ b \\end{pNiceMatrix}$`,
        NICE,
      ).word('𝑥').size;
    expect(size('', ',code-for-first-row=\\scriptstyle')).toBeLessThan(size('', ''));
    expect(size('\\NiceMatrixOptions{code-for-first-row=\\scriptstyle}', '')).toBeLessThan(
      size('', ''),
    );
  });
  it('a cell is turned', () => {
    const turned = laidBody(
      '\\begin{NiceTabular}{ll} \\rotate Ebbing & b \\end{NiceTabular}',
      NICE,
    );
    expect(turned.text).toContain('b');
  });
});
