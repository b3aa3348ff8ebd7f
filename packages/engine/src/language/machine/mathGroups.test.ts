import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const PREAMBLE = '\\usepackage{amsmath,xcolor}';

/** The TeXbook, chapter 24: `\begingroup` makes a group, and no atom. */
describe('a group in a formula that is no atom', () => {
  it.each([
    ['a\\begingroup + b\\endgroup c', 'a+bc'],
    ['\\begingroup\\left(\\frac xy\\right)\\endgroup^2_a', '\\left(\\frac xy\\right)^2_a'],
    ['\\begingroup\\bf a\\endgroup b', '{\\bf a}b'],
    ['\\begingroup\\def\\x{y}\\x\\endgroup z', 'yz'],
    ['\\begingroup\\begingroup x\\endgroup y\\endgroup z', 'xyz'],
    // What is left open ends with what it stands in.
    ['{\\begingroup\\bf a} b', '{\\bf a}b'],
    ['\\frac{\\begingroup x}{y}\\begingroup z', '\\frac xyz'],
    ['x\\endgroup y', 'xy'],
  ])('$%s$ is set as $%s$', (formula, plain) => {
    const places = (source: string) =>
      laidBody(`$${source}$ w`, PREAMBLE).lines.map(({ text, x, font }) => [text, x, font]);
    expect(places(formula)).toEqual(places(plain));
    expect(findingsIn(inArticle(`$${formula}$`, PREAMBLE))).toEqual([]);
  });
  it('keeps its colour to itself', () => {
    const page = laidBody('$\\begingroup\\color{red}x\\endgroup y$', PREAMBLE);
    expect([page.word('𝑥').color, page.word('𝑦').color]).toEqual([0xff0000, 0]);
  });
  it('leaves none open behind the formula', () => {
    const page = laidBody('$\\begingroup\\def\\x{y}x$ {\\bfseries b} c', PREAMBLE);
    expect(page.word('c').font).not.toBe(page.word('b').font);
    expect(findingsIn(inArticle('$\\begingroup x$\n\nb {c} d', PREAMBLE))).toEqual([]);
  });
});
