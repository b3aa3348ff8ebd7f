import { describe, expect, it } from 'vitest';
import { NO_PORT, walkPage } from '../../output/display/walk';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = '\\usepackage{tikz-cd,amssymb}';
const diagram = (body: string, options = ''): string =>
  `\\begin{tikzcd}${options}${body}\\end{tikzcd}`;

/** How many paths a body draws. */
function paths(body: string): number {
  const session = typeset(inArticle(body, load));
  let count = 0;
  const [page] = session.pages;
  if (page) walkPage(session.describe(page), { ...NO_PORT, path: () => count++ });
  return count;
}

describe('diagrams with all that arrows can be', () => {
  it.each([
    ['a loop', 'A \\arrow[loop right, "f"]'],
    ['an arrow of two lines', 'A \\arrow[r, Rightarrow, "f"] & B'],
    ['a curved one', 'A \\arrow[r, curve={height=12pt}] & B'],
    ['a wave', 'A \\arrow[r, squiggly] & B'],
    ['colours', 'A \\arrow[r, red, "f" blue] & B'],
    ['shortened ends', 'A \\arrow[r, shorten >=3pt, shorten <=3pt] & B'],
    [
      'arrows between arrows',
      'A \\arrow[r, bend left, ""{name=U, below}] \\arrow[r, bend right, ""{name=D}] & B \\arrow[Rightarrow, from=U, to=D, "\\eta"]',
    ],
    [
      'arrows beside one another',
      'A \\arrow[r, shift left, "f"] \\arrow[r, shift right, leftarrow, "g"\'] & B',
    ],
    [
      'signs in the middle',
      'A \\arrow[dr, phantom, "\\lrcorner", very near start] & B \\\\ C \\arrow[r, crossing over] & D',
    ],
    ['another sign for &', '[ampersand replacement=\\&] A \\arrow[r] \\& B'],
  ])('%s, in a formula and in text', (_, body) => {
    const [options, rest] = body.startsWith('[')
      ? [body.slice(0, body.indexOf(']') + 1), body.slice(body.indexOf(']') + 1)]
      : ['', body];
    for (const source of [`\\[ ${diagram(rest, options)} \\]`, `Text ${diagram(rest, options)}`]) {
      expect(findingsIn(inArticle(source, load))).toEqual([]);
      expect(laidBody(source, load).text).toContain('𝐴');
    }
    expect(paths(diagram(rest, options))).toBeGreaterThan(0);
  });
  it('a plain one stands in text as in a formula', () => {
    const plain = diagram('A \\arrow[r, "f"] & B');
    expect(findingsIn(inArticle(`Text ${plain}`, load))).toEqual([]);
    expect(laidBody(`Text ${plain}`, load).text).toContain('𝐵');
  });
  it('objects stand in rows and columns', () => {
    const page = laidBody(diagram('A \\arrow[r, Rightarrow] & B \\\\ C & D'), load);
    expect(page.word('𝐴').y).toBeCloseTo(page.word('𝐵').y, 1);
    expect(page.word('𝐶').y - page.word('𝐴').y).toBeGreaterThan(20);
    expect(page.word('𝐴').x).toBeCloseTo(page.word('𝐶').x, -1);
  });
});

it('the nodes of a matrix take the keys said for them', () => {
  const matrix = (nodes: string): string =>
    `\\begin{tikzpicture}\\matrix[matrix of nodes${nodes}]{a & b\\\\ c & d\\\\};\\end{tikzpicture}`;
  expect(paths(matrix(''))).toBe(0);
  expect(paths(matrix(',nodes={draw}'))).toBe(4);
});
