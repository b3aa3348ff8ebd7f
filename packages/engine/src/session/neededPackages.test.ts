import { describe, expect, it } from 'vitest';
import { findingsIn } from '../testing/document';

const sheet = (body: string, preamble = ''): string =>
  `\\documentclass{article}\n${preamble}\\begin{document}\n${body}\n\\end{document}\n`;

describe('a name that a package brings', () => {
  it('is told once for the package, with the line that loads it', () => {
    const text = sheet('$\\mathbb{R}$ and $\\mathbb{N}$ and $\\mathfrak{g}$.');
    const [found, ...rest] = findingsIn(text);
    expect(rest).toEqual([]);
    expect(found).toMatchObject({ kind: 'package-needed', at: '\\mathbb' });
    expect(found?.fixed).toBe(text.replace('{article}\n', '{article}\n\\usepackage{amssymb}\n'));
    expect(findingsIn(found?.fixed ?? '')).toEqual([]);
  });
  it('is loaded behind the lines that load others', () => {
    const [found] = findingsIn(sheet('\\textcolor{red}{x}', '\\usepackage{amsmath}\n'));
    expect(found?.fixed).toContain('\\usepackage{amsmath}\n\\usepackage{xcolor}\n');
  });
  it('may be an environment', () => {
    const found = findingsIn(sheet('\\begin{align*} a &= b \\end{align*}'));
    expect(found.map(({ kind }) => kind)).toEqual(['package-needed']);
    expect(findingsIn(found[0]?.fixed ?? '')).toEqual([]);
  });
  it.each([
    ['A boat of \\qty{3}{\\metre}.', 'siunitx'],
    ['A boat of \\qty[mode=text]{3}{\\metre}.', 'siunitx'],
    ['So $\\qty(\\frac12)$.', 'physics'],
    ['So $\\qty{\\frac12}+x$.', 'physics'],
  ])('that several bring is of the one whose arguments it has: %s', (body, owner) => {
    const [found] = findingsIn(sheet(body));
    expect(found?.fixed).toContain(`\\usepackage{${owner}}`);
  });
  it('is left alone when nobody brings it', () => {
    expect(findingsIn(sheet('\\nosuchthing'))[0]?.kind).toBe('command-unknown');
  });
});
