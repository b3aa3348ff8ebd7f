import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const LOAD = '\\usepackage{amsmath,logicproof}';
const proof = (lines: string, depth = 2): string =>
  `\\begin{logicproof}{${depth}}${lines}\\end{logicproof}`;
const box = (lines: string): string => `\\begin{subproof}${lines}\\end{subproof}`;

/** logicproof manual, section 2. */
describe('proofs in numbered lines', () => {
  it.each([
    ['p & premise\\\\ q & assumption', '1. 𝑝 premise | 2. 𝑞 assumption'],
    [
      `p & premise\\\\${box('q & assumption\\\\ r & rule')} s & end`,
      '1. 𝑝 premise | 2. 𝑞 assumption | 3. 𝑟 rule | 4. 𝑠 end',
    ],
    ['p\\label{l} & premise\\\\ q & by \\ref{l}', '1. 𝑝 premise | 2. 𝑞 by 1'],
    [`${box('p & a')}${box('q & b')}`, '1. 𝑝 a | 2. 𝑞 b'],
    ['{a \\\\ b} & c', '1. 𝑎𝑏 c'],
  ])('%s', (lines, wanted) => {
    const found = laidBody(proof(lines), LOAD).lines.map(({ text }) => text.replace(/\s+/g, ' '));
    expect(found.slice(0, -1).join(' | ').replace(/ /g, '')).toContain(
      wanted.split(' | ')[0]?.replace(/ /g, ''),
    );
    if (!lines.startsWith('{')) {
      expect(found.slice(0, -1).join(' | ').replace(/ /g, '')).toBe(wanted.replace(/ /g, ''));
      expect(findingsIn(inArticle(proof(lines), LOAD))).toEqual([]);
    }
  });
  it('have boxes around what is assumed: two level rules and a bar at each side for every line', () => {
    const rules = (lines: string) => laidBody(proof(lines), LOAD).rules;
    const plain = rules('p & a\\\\ q & b').length;
    const one = rules(`p & a\\\\${box('q & b')}`);
    expect(one.length - plain).toBe(4);
    const level = one.filter(({ width, height }) => width > height);
    const upright = one.filter(({ width, height }) => width < height);
    expect(upright.map(({ x }) => Math.round(x))).toEqual([
      Math.round(level[0]?.x ?? 0),
      Math.round((level[0]?.x ?? 0) + (level[0]?.width ?? 0) - 0.4),
    ]);
  });
  it('may be deeper than is said', () => {
    expect(findingsIn(inArticle(proof(box(box('p & a')), 0), LOAD))).toEqual([]);
  });
});

/** cellspace manual, section 2. */
describe('cells that keep off their rules', () => {
  const table = (column: string, said = ''): string =>
    `${said}\\begin{tabular}{|${column}|}\\hline $\\displaystyle\\sum_{i}^{n}$\\\\\\hline\\end{tabular}`;
  const height = (body: string): number => {
    const level = laidBody(body, '\\usepackage{cellspace}').rules.filter(
      (rule) => rule.width > rule.height,
    );
    return Math.max(...level.map(({ y }) => y)) - Math.min(...level.map(({ y }) => y));
  };
  it.each([
    ['', 2],
    ['\\setlength\\cellspacetoplimit{5pt}', 6],
    ['\\cellspacetoplimit5pt\\cellspacebottomlimit3pt', 8],
  ])('%s', (said, more) => {
    expect(height(table('Sc', said)) - height(table('c'))).toBeCloseTo(more, 1);
    expect(findingsIn(inArticle(table('Sc', said), '\\usepackage{cellspace}'))).toEqual([]);
  });
  it('stand where those of other columns do, and make no row of their own', () => {
    const page = (column: string) =>
      laidBody(
        `\\begin{tabular}{|${column}|r|}\\hline ab &x \\\\\\hline c&d \\\\\\hline\\end{tabular}`,
        '\\usepackage{cellspace}',
      );
    expect(page('Sc').word('ab').x).toBeCloseTo(page('c').word('ab').x, 2);
    expect(page('Sc').rules.length).toBe(page('c').rules.length);
  });
});
