import { describe, expect, it } from 'vitest';
import { laidBody } from '../../testing/layout';

const rule = (body: string) => laidBody(body, '\\usepackage{mathpartir}');

/** mathpartir manual, sections 2 and 3. */
describe('rules of inference', () => {
  it.each([
    '\\inferrule{A \\\\ B}{C}',
    '$\\inferrule{A \\\\ B}{C}$',
    '\\[\\inferrule*{A \\\\ B}{C}\\]',
  ])('have premises side by side over a line: %s', (body) => {
    const page = rule(body);
    const [a, b, c] = ['𝐴', '𝐵', '𝐶'].map((letter) => page.word(letter));
    expect(page.session.findings()).toEqual([]);
    expect(a?.y).toBeCloseTo(b?.y ?? 0, 1);
    expect((b?.x ?? 0) - (a?.right ?? 0)).toBeCloseTo(20, 0);
    expect(c?.y).toBeGreaterThan(page.rules[0]?.y ?? 0);
    expect(a?.y).toBeLessThan(page.rules[0]?.y ?? 0);
  });
  it('begin a new line of premises where two signs say so', () => {
    const page = rule('\\inferrule{A \\\\ B \\\\\\\\ C}{D}');
    expect(page.word('𝐶').y).toBeGreaterThan(page.word('𝐵').y + 5);
    expect(page.word('𝐶').y).toBeLessThan(page.rules[0]?.y ?? 0);
  });
  it('bear their name above at the left, or where keys say', () => {
    const above = rule('\\inferrule[NN]{AAAAAA}{B}');
    expect(above.word('NN').y).toBeLessThan(above.word('𝐴').y);
    const right = rule('$\\inferrule*[right=NN]{A}{B}$');
    expect(right.word('NN').x).toBeGreaterThan(right.word('𝐴').right);
    const left = rule('$\\inferrule*[left=NN]{A}{B}$');
    expect(left.word('NN').right).toBeLessThan(left.word('𝐴').x);
    const wide = (key: string): number =>
      rule(`\\noindent$x\\inferrule*[${key}]{A}{B}y$`).word('𝑦').x;
    expect(wide('Right=NN')).toBeLessThan(wide('right=NN'));
  });
  it('stand beside one another in a display of several', () => {
    const page = rule(
      '\\begin{mathpar}\\inferrule{A}{B}\\and\\inferrule*[left=L,lab=M]{ }{C}\\\\ \\inferrule{D}{E}\\end{mathpar}after',
    );
    expect(page.session.findings()).toEqual([]);
    expect(page.word('𝐸').y).toBeGreaterThan(page.word('𝐵').y + 10);
    expect(page.rules).toHaveLength(3);
  });
});

const TABLE = '\\begin{tabular}{c}wwwwwwwwwwwwwwwwwwwwwwww\\tnote{1}\\end{tabular}';
const table = (options: string, before = '') =>
  laidBody(
    `\\begin{table}\\centering\\begin{threeparttable}${before}${TABLE}\\begin{tablenotes}${options}\\item[1] ${'ebb and flow '.repeat(9)}\\item[2] second\\end{tablenotes}\\end{threeparttable}\\end{table}`,
    '\\usepackage{threeparttable}',
  );

describe('tables in three parts', () => {
  it.each(['', '[para]', '[flushleft]'])('notes are as wide as the table: %s', (options) => {
    const page = table(options);
    const row = page.lines.find(({ text }) => text.startsWith('www'));
    const notes = page.lines.filter(({ text }) => /ebb|flow/.test(text));
    expect(page.session.findings()).toEqual([]);
    expect(notes.length).toBeGreaterThan(2);
    for (const note of notes) {
      expect(note.x).toBeGreaterThan((row?.x ?? 0) - 8);
      expect(note.right).toBeLessThan((row?.right ?? 0) + 8);
    }
  });
  it('so is the caption, above or below', () => {
    const long = `\\caption{${'high water '.repeat(8)}}`;
    const lines = table('', long).lines.filter(({ text }) => /high|water/.test(text));
    expect(lines.length).toBeGreaterThan(1);
  });
  it.each([
    ['', true],
    ['[online]', false],
  ])('marks are raised, or on the line: %s', (options, raised) => {
    const page = table(options);
    const note = page.lines.find(({ text }) => /^1\s*ebb/.test(text));
    expect((note?.size ?? 0) < 7.5).toBe(raised);
  });
  it('run together they are told apart by a space', () => {
    const page = table('[para]');
    const last = page.lines.find(({ text }) => text.includes('second'));
    expect(last?.text).toMatch(/\S+\s+2\s*second/);
  });
});
