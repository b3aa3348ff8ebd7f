import { describe, expect, it } from 'vitest';
import { NO_PORT, walkPage } from '../../output/display/walk';
import { inArticle } from '../../testing/document';
import { differencesFromCold, sessionOf, take, type Standing } from '../../testing/fuzz';
import { laid } from '../../testing/layout';

const LOAD = '\\usepackage{tikz}\\usetikzlibrary{tikzmark,calc}';
const over = (body: string, more = '') =>
  `\\begin{tikzpicture}[remember picture,overlay${more}]${body}\\end{tikzpicture}`;
const PT_PER_BP = 72.27 / 72;

/** The ends of the first red line on each page, in pt from the upper left corner of the paper. */
function redLine(source: string) {
  const found = laid(source);
  const { session } = found;
  const lines = session.pages.map((page) => {
    const ends: [number, number][] = [];
    walkPage(session.describe(page), {
      ...NO_PORT,
      path: (path) => {
        if (path.stroke?.paint !== 0xff0000 || ends.length > 0) return;
        const { a, b, c, d, e, f } = path.map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
        const put = (x: number, y: number): void =>
          void ends.push([(a * x + c * y + e) * PT_PER_BP, (b * x + d * y + f) * PT_PER_BP]);
        path.trace({
          moveTo: put,
          lineTo: put,
          bezierCurveTo: () => undefined,
          closePath: () => undefined,
        });
      },
    });
    return ends;
  });
  return { ...found, lines };
}
const near = (a: readonly number[] | undefined, b: readonly number[], by = 1): void =>
  b.forEach((n, i) =>
    expect(Math.abs((a?.[i] ?? 9999) - n), `${String(a)} is not ${String(b)}`).toBeLessThan(by),
  );

describe('places of the text in pictures', () => {
  const line = (from: string, to: string): string => `\\draw[red] (${from}) -- (${to});`;
  it.each([
    ['behind them', (marks: string, picture: string) => `${marks}\n\n${picture}`],
    ['before them', (marks: string, picture: string) => `${picture}\n\n${marks}`],
  ])('marks, in a picture %s', (_where, order) => {
    const { lines, word, session } = redLine(
      inArticle(
        order('Some \\tikzmark{a}Tide and \\tikzmark{b}Ebb.', over(line('pic cs:a', 'pic cs:b'))),
        LOAD,
      ),
    );
    expect(session.findings()).toEqual([]);
    const [tide, ebb] = [word('Tide'), word('Ebb')];
    near(lines[0]?.[0], [tide.x, tide.y]);
    near(lines[0]?.[1], [ebb.x, ebb.y]);
  });

  it.each([
    ['in a formula', '$x+\\tikzmark{a}Q$', '𝑄'],
    ['in a display', '\\[x+\\tikzmark{a}Q\\]', '𝑄'],
    ['in a table', '\\begin{tabular}{ll}a&\\tikzmark{a}b\\\\\\tikzmark{c}c&d\\end{tabular}', 'b'],
    ['in a box', '\\fbox{a\\tikzmark{a}b}', 'b'],
    ['in a list', '\\begin{itemize}\\item \\tikzmark{a}b\\end{itemize}', 'b'],
  ])('a mark %s', (_where, body, letter) => {
    const { lines, word, session } = redLine(
      inArticle(
        `${body}\n\n${over('\\draw[red] (pic cs:a) -- ++(1,0);')}`,
        `\\usepackage{amsmath}${LOAD}`,
      ),
    );
    const { x, y } = word(letter);
    expect(session.findings()).toEqual([]);
    near(lines[0]?.[0], [x, y], 3);
  });

  it('nodes around words, and of small pictures in the text', () => {
    const { lines, word, session } = redLine(
      inArticle(
        `A \\tikzmarknode{n}{Tide} and \\tikz[remember picture,overlay] \\node[inner sep=0pt] (e) {};Ebb.\n\n${over(line('n.base west', 'e.center'))}`,
        LOAD,
      ),
    );
    expect(session.findings()).toEqual([]);
    const [tide, ebb] = [word('Tide'), word('Ebb')];
    near(lines[0]?.[0], [tide.x, tide.y]);
    near(lines[0]?.[1], [ebb.x, ebb.y], 2);
  });

  it('nodes of another picture, from one that has room of its own', () => {
    const { lines, word, session } = redLine(
      inArticle(
        '\\noindent\\begin{tikzpicture}[remember picture]\\node (a) {One};\\end{tikzpicture}\\hspace{3cm}\\begin{tikzpicture}[remember picture]\\node (b) at (0,0) {Two};\\draw[red,overlay] (b.base) -- (a.base);\\end{tikzpicture}',
        LOAD,
      ),
    );
    expect(session.findings()).toEqual([]);
    const [one, two] = [word('One'), word('Two')];
    near(lines[0]?.[0], [(two.x + two.right) / 2, two.y]);
    near(lines[0]?.[1], [(one.x + one.right) / 2, one.y]);
  });

  it('a picture that is not remembered knows no nodes of others', () => {
    const { session } = laid(
      inArticle(
        '\\begin{tikzpicture}\\node (a) {One};\\end{tikzpicture}\\begin{tikzpicture}\\draw (a) -- (1,0);\\end{tikzpicture}',
        LOAD,
      ),
    );
    expect(session.findings().map(({ kind }) => kind)).toEqual(['picture-node']);
  });

  it('without the library its name is the document’s', () => {
    const { session } = laid(
      inArticle(
        `Tide\\tikzmark{a}.${over('\\draw (a) -- ++(1,0);')}`,
        '\\usepackage{tikz}\\newcommand{\\tikzmark}[1]{\\tikz[overlay,remember picture] \\node (#1) {};}',
      ),
    );
    expect(session.findings()).toEqual([]);
  });

  it('what is typed before, between and in them leaves what cold gives', () => {
    const body = `Some \\tikzmark{a}Tide.\n\n\\[x+\\tikzmarknode{q}{y}\\]\n\nA \\tikzmark{b}Ebb.\n\n${over('\\draw[red] (pic cs:a) -- (pic cs:b) -- (q);')}\n\nThe end.`;
    const standing: Standing = { text: inArticle(body, LOAD), files: new Map() };
    const session = sessionOf(standing);
    const edits: readonly (readonly [string, number, string])[] = [
      ['Some', 0, 'Many more words before. '],
      ['\\[x', 0, 'Another paragraph.\n\n'],
      ['A \\tikzmark{b}', 2, '\\newpage '],
      ['The end', 0, '\\tikz[remember picture] \\node (z) {z}; '],
      ['Some', 0, '\\tikz[remember picture] \\node (q) {other};\n\n'],
      ['(pic cs:b)', 8, 'c'],
      ['\\tikzmark{b}', 10, 'bc'],
    ];
    for (const [where, at, text] of edits) {
      const from = standing.text.indexOf(where) + at;
      take({ kind: 'edit', edit: { from, to: from, text } }, standing, session);
      expect(differencesFromCold(session, standing), text).toEqual([]);
    }
  });
});
