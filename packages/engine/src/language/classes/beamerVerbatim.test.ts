import { describe, expect, it } from 'vitest';
import { laid } from '../../testing/layout';
import { semiverbatimSource } from './beamerVerbatim';

const talk = (body: string, preamble = '') =>
  laid(
    `\\documentclass{beamer}\n${preamble}\n\\begin{document}\n\\begin{frame}[fragile]\n${body}\n\\end{frame}\n\\end{document}\n`,
  );

/** The beamer guide, section 12.9. */
describe('text as it is typed on slides', () => {
  it.each([
    ['a_b % c', 'a{\\char95}b~\\%~c'],
    ['\\alert{x} $y$', '\\alert{x}~\\$y\\$'],
    ['\\\\begin\\{x\\}', '\\textbackslash{}begin\\{x\\}'],
    ['#1 & ^ ~', '\\#1~\\&~\\textasciicircum{}~\\textasciitilde{}'],
  ])('%s', (line, source) => {
    expect(semiverbatimSource(line)).toBe(source);
  });

  it('commands and braces keep their meaning, all else stands line by line', () => {
    const found = talk(
      '\\begin{semiverbatim}\nfor $x in % all\n  \\alert{do} \\{it\\}\n\\end{semiverbatim}',
    );
    expect(found.session.findings()).toEqual([]);
    const lines = found.lines.map(({ text }) => text.replaceAll('\u00a0', ' '));
    expect(lines).toContain('for $x in % all');
    expect(lines.some((line) => line.includes('do {it}'))).toBe(true);
    expect(found.word('do').color).not.toBe(found.word('for').color);
    expect(found.word('do').x).toBeGreaterThan(found.word('for').x);
    expect(found.word('do').font).toMatch(/mono/i);
  });
});

it.each([
  '\\setbeamertemplate{blocks}[rounded][shadow=true]',
  '\\setbeamertemplate{frametitle}[default][center]',
  '\\setbeamertemplate{background canvas}[vertical shading][bottom=white,top=blue!5]',
  '\\setbeamertemplate{itemize items}[circle]',
])('%s: what a choice is given besides is none of the text', (preamble) => {
  const found = talk('x', preamble);
  expect(found.session.findings().filter(({ severity }) => severity === 'broken')).toEqual([]);
  expect(found.session.pages).toHaveLength(1);
});
