import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { marked } from '../testing/marked';
import { graphAt } from './graphAt';

function graph(body: string, first = -4, last = 4): string {
  const { blocks, place } = marked(body);
  const answer = graphAt(blocks, place, { first, last });
  return answer.kind === 'graph' ? answer.source : answer.why;
}

describe('the graph of a formula', () => {
  it.each([
    ['$¦x^2 - 1¦$', '{x^2-1}'],
    ['$y = ¦\\frac{1}{2}t^2\\sin t¦$', '{(1/2)*(x^2)*sin(deg(x))}'],
    ['Let $a = 3$. $¦ax + 1¦$', '{3*x+1}'],
    ['Let $f(x) = x^2$. $¦f(x + 1)¦$', '{(x+1)^2}'],
    ["Let $f(x) = x^3$. $¦f'(x)¦$", '{3*(x^2)}'],
    ['$¦e^{-x^2}¦$', '{exp(-(x^2))}'],
    ['$¦|x| + \\sqrt[3]{x}¦$', '{abs(x)+sign(x)*abs(x)^(1/3)}'],
    [
      '$¦f(x) = \\begin{cases} x & x > 0 \\\\ 0 & \\text{otherwise} \\end{cases}¦$',
      '{ifthenelse(x>0,x,0)}',
    ],
  ])('%s is written as %s', (body, text) => {
    expect(graph(body)).toContain(`\\addplot[thick, blue] ${text}`);
  });
  it('is named as the formula names it', () => {
    expect(graph('$¦h(t) = t^2¦$')).toContain('xlabel={$t$}, ylabel={$h(t)$}');
    expect(graph('$¦t^2¦$')).toContain('ylabel={$y$}');
  });
  it('begins and ends where it is defined', () => {
    expect(graph('$¦\\ln x¦$')).toContain('domain=0.04:4');
    expect(graph('$¦\\sqrt{4 - x^2}¦$', -10, 10)).toContain('domain=-2:2');
  });
  it('is cut where it runs off, with nothing drawn across', () => {
    expect(graph('$¦\\frac1x¦$')).toMatch(/unbounded coords=jump, restrict y to domain=-\d+:\d+/);
    expect(graph('$¦x^3¦$')).not.toContain('restrict');
  });
  it('of what counts has points at whole numbers', () => {
    expect(graph('$¦n^2¦$', 0, 3)).toContain(
      '\\addplot[only marks, blue] coordinates {(0,0) (1,1) (2,4) (3,9)}',
    );
    expect(graph('Let $a_0 = 1$ and $a_{n+1} = 2a_n$. $¦a_n¦$', 0, 3)).toContain('(3,8)');
  });
  it('is given by its points where the language of plots does not have it', () => {
    expect(graph('$¦\\int_0^x e^{-s^2}\\,ds¦$', 0, 2)).toMatch(
      /coordinates \{\(0,0\) .*\(2,0\.88208\)\}/,
    );
    expect(graph('$¦\\sum_{k=1}^{5} \\frac{\\sin kx}{k}¦$', 0, 2)).toContain('coordinates {(0,0) ');
  });
  it.each([
    ['$¦x + y¦$', -1, 1, 'A graph is drawn of a part with one open letter.'],
    ['$¦2 + 3¦$', -1, 1, 'A graph is drawn of a part with one open letter.'],
    ['$¦x¦$', 2, 1, 'A graph goes from a smaller number to a larger one.'],
    ['$¦\\ln x¦$', -3, -1, 'It is not defined from -3 to -1.'],
  ])('%s from %s to %s is refused', (body, first, last, why) => {
    expect(graph(body, first, last)).toBe(why);
  });
});

/** What the picture language makes of the text of a plot at a place. */
function plotted(text: string, x: number): number {
  const session = typeset(
    inArticle(
      `\\pgfmathparse{${text.replaceAll(/\bx\b/g, `(${x})`)}}\\pgfmathresult`,
      '\\usepackage{tikz}',
    ),
  );
  const words = JSON.stringify(session.written().flatMap(({ nodes }) => nodes));
  return Number(/"text":"(-?[\d.]+(?:e-?\d+)?)"/.exec(words)?.[1]);
}

describe('what is written means what the formula means', () => {
  it.each([
    ['x^2 - 3x + 1', (x: number) => x * x - 3 * x + 1],
    ['-x^2', (x: number) => -x * x],
    ['2^{-x}', (x: number) => 2 ** -x],
    ['\\frac{x}{x+1} - \\frac{2}{3x}', (x: number) => x / (x + 1) - 2 / (3 * x)],
    ['\\sin^2 x + \\cos 2x', (x: number) => Math.sin(x) ** 2 + Math.cos(2 * x)],
    ['\\arctan x', Math.atan],
    ['\\log_2 x', Math.log2],
    ['\\ln(x) \\cdot e^{x/2}', (x: number) => Math.log(x) * Math.exp(x / 2)],
    ['\\max(x, 2) - \\lfloor x \\rfloor', (x: number) => Math.max(x, 2) - Math.floor(x)],
    ['x - (1 - (x - 2))', (x: number) => x - (1 - (x - 2))],
    ['\\frac{1}{2 \\cdot \\frac{x}{3}}', (x: number) => 1 / ((2 * x) / 3)],
    ['\\sqrt[3]{1 - x}', (x: number) => Math.cbrt(1 - x)],
    ['\\frac{d}{dx} \\frac{x^2 - 1}{x}', (x: number) => 1 + 1 / x ** 2],
    ['x^{-2}', (x: number) => x ** -2],
  ])('%s', (formula, f) => {
    const text = /\] \{(.*)\};/.exec(graph(`$¦${formula}¦$`, 0.5, 3.5))?.[1] ?? '';
    for (const x of [1.25, 2, 3.1]) expect(plotted(text, x)).toBeCloseTo(f(x), 2);
  });
});

it('what is written is typeset without findings', () => {
  for (const body of ['$¦\\frac1x¦$', '$¦n^2¦$', '$¦\\sqrt x¦$', '$¦x^2¦$']) {
    const source = inArticle(graph(body), '\\usepackage{pgfplots}');
    expect(typeset(source).findings()).toEqual([]);
  }
});
