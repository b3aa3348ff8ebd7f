import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const PACKAGE = '\\usepackage{floatrow}';
const BOX = '\\rule{40pt}{30pt}';
const set = (body: string, said = ''): Laid => {
  const found = findingsIn(inArticle(body, PACKAGE + said)).filter(
    ({ kind }) => kind !== 'label-unused',
  );
  expect(found).toEqual([]);
  return laidBody(body, PACKAGE + said);
};

/** floatrow manual, sections 2 to 4. */
describe('boxes of floats', () => {
  it.each([
    ['the caption first', `\\ffigbox{\\caption{Tide}}{${BOX}}`],
    ['the caption second', `\\ffigbox{${BOX}}{\\caption{Tide}}`],
  ])('a figure has its caption below: %s', (_what, box) => {
    const { word, rules } = set(`\\begin{figure}${box}\\end{figure}`);
    expect(word('Figure').y).toBeGreaterThan((rules[0]?.y ?? 0) + 30);
  });
  it('a table has its caption above, or where it is said', () => {
    const body = '\\begin{table}\\ttabbox{\\caption{Tide}}{ebb}\\end{table}';
    const [above, below] = [set(body), set(body, '\\floatsetup[table]{capposition=bottom}')];
    expect(above.word('Table').y).toBeLessThan(above.word('ebb').y);
    expect(below.word('Table').y).toBeGreaterThan(below.word('ebb').y);
  });
  it('the caption beside it', () => {
    const { word, rules } = set(
      `\\begin{figure}\\fcapside[\\FBwidth]{\\caption{Tide}}{${BOX}}\\end{figure}`,
    );
    expect(word('Figure').x).toBeGreaterThan((rules[0]?.x ?? 0) + 40);
    expect(word('Figure').y).toBeGreaterThan(rules[0]?.y ?? 0);
    expect(word('Figure').y).toBeLessThan((rules[0]?.y ?? 0) + 30);
  });
  it('side by side, each counted as its own kind', () => {
    const body =
      `\\begin{figure}\\begin{floatrow}\\ffigbox{\\caption{Tide}\\label{f}}{${BOX}}` +
      '\\ttabbox{\\caption{Times}\\label{t}}{ebb}\\end{floatrow}\\end{figure}See \\ref{f} and \\ref{t}.';
    const { word, text } = set(body);
    expect(word('Table').x).toBeGreaterThan(word('Figure').right + 50);
    expect(text).toContain('Figure 1: Tide');
    expect(text).toContain('Table 1: Times');
    expect(text).toContain('See 1 and 1.');
  });
  it('a command of one’s own, as wide as what it shows', () => {
    const said = '\\newfloatcommand{tidebox}{table}[][\\FBwidth]';
    const { text } = set(
      '\\begin{table}\\tidebox{\\caption{Tide}}{\\rule{90pt}{5pt}}\\end{table}',
      said,
    );
    expect(text).toContain('Table 1: Tide');
  });
});
