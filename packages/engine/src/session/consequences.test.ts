import { describe, expect, it } from 'vitest';
import type { Finding } from '../findings/finding';
import { typeset, withFix } from '../testing/document';

const sheet = (preamble: string, body: string): string =>
  `\\documentclass{article}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;

const findingsIn = (source: string): readonly Finding[] => typeset(source).findings();

describe('a command that defines and is not there', () => {
  it.each([
    ['\\newcomand{\\rr}{R}', '$\\rr$ and $\\rr$', '\\newcommand'],
    ['\\nwecommand{\\rr}{R}', '$\\rr$', '\\newcommand'],
    ['\\newtheorm{thm}{Theorem}', '\\begin{thm}a\\end{thm}', '\\newtheorem'],
    ['\\DeclareMathOperator{\\rank}{rank}', '$\\rank A$ $\\rank B$', 'amsmath'],
    ['\\DeclareMathOperator*\\argmin{arg\\,min}', '$\\argmin_x$', 'amsmath'],
    [
      '\\usepackage{amsmath}\n\\DeclareMathOperatr{\\rank}{rank}',
      '$\\rank A$',
      'DeclareMathOperator',
    ],
    ['\\DeclarePairedDelimiter{\\abs}{\\lvert}{\\rvert}', '$\\abs{x}$', 'mathtools'],
    ['\\DeclarePairedDelimiterX\\nm[1]{(}{)}{#1}', '$\\nm{x}\\nm{y}$', 'mathtools'],
    ['\\DeclareSIUnit\\sturm{St}', '\\SI{3}{\\sturm}', 'siunitx'],
    ['\\newtcolorbox{bx}{}', '\\begin{bx}a\\end{bx}', 'tcolorbox'],
    ['\\newtcbtheorem{bx}{B}{}{b}', '\\begin{bx}{a}{b}c\\end{bx}', 'tcolorbox'],
    ['\\newmdenv[linewidth=1pt]{bx}', '\\begin{bx}a\\end{bx}', 'mdframed'],
    ['\\declaretheorem[name=T]{thm}', '\\begin{thm}a\\end{thm}', 'thmtools'],
    ['\\newlist{q}{enumerate}{2}', '\\begin{q}\\item a\\end{q}', 'enumitem'],
  ])('is told alone: %s', (preamble, body, mends) => {
    const source = sheet(preamble, body);
    const [told, ...more] = findingsIn(source).filter(({ severity }) => severity === 'broken');
    expect(more).toEqual([]);
    expect(told?.fix?.title).toContain(mends);
    const mended = findingsIn(told?.fix ? withFix(source, told.fix) : source);
    expect(mended.filter(({ severity }) => severity === 'broken')).toEqual([]);
  });
  it('hides nothing of another name', () => {
    const source = sheet('\\newcomand{\\rr}{R}', '$\\rr$ $\\frobnicate$ \\begin{rr}x\\end{rr}');
    const names = findingsIn(source).map(({ message }) => message);
    expect(names.some((message) => message.includes('frobnicate'))).toBe(true);
  });
  it.each(['\\newpag', '\\newlin'])('that defines nothing hides nothing: %s', (name) => {
    const source = sheet('', `A ${name} b \\frobnicate`);
    expect(findingsIn(source).filter(({ kind }) => kind === 'command-unknown')).toHaveLength(2);
  });
});
