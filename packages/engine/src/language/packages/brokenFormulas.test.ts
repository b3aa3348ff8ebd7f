import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Token } from '../../expansion/meaning';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { brokenLines, stretchesOf } from './brokenFormulas';

/** A formula as tokens: words behind a stroke are commands. */
const tokens = (text: string): Token[] =>
  [...text.matchAll(/\\([a-zA-Z]+)|(\S)/g)].map(([, name, char = '']): Token => {
    const cat = name ? 16 : char === '{' ? 1 : char === '}' ? 2 : /[a-z]/.test(char) ? 11 : 12;
    return { cat, text: name ?? char, cell: name ? ({} as never) : null, from: 0, to: 0, chunk: 0 };
  });
const written = (list: readonly Token[]): string => list.map(({ text }) => text).join('');
const BREQN = '\\usepackage{amsmath,breqn}';
const long = (n: number): string =>
  Array.from({ length: n }, (_, i) => `x_{${i}}y^{2}`).join(' + ');

describe('where a formula may be broken', () => {
  it.each([
    ['a=b+c', ['a', '=b', '+c']],
    ['a\\leq b', ['a', 'leqb']],
    ['(a+b)=c', ['(a+b)', '=c']],
    ['\\left[a+b\\right]-c', ['left[a+bright]', '-c']],
    ['\\frac{a+b}{c}=d', ['frac{a+b}{c}', '=d']],
    ['-a+b', ['-a', '+b']],
    ['a=-b', ['a', '=-b']],
    ['x', ['x']],
  ])('%s', (formula, parts) => {
    expect(stretchesOf(tokens(formula)).map((one) => written(one.tokens))).toEqual(parts);
  });

  it('nothing is lost, whatever the width', () => {
    const term = fc.constantFrom('a', 'b', '(c+d)', '\\frac{a}{b}');
    const sign = fc.constantFrom('+', '-', '=', '\\leq ');
    fc.assert(
      fc.property(
        fc.array(fc.tuple(term, sign), { minLength: 1 }),
        fc.integer({ min: 1, max: 40 }),
        (parts, width) => {
          const formula = tokens(parts.flat().join('') + 'z');
          const lines = brokenLines(formula, width, (list) => list.length);
          const all = lines.flatMap(({ before, behind }) => [...before, ...behind]);
          expect(written(all)).toBe(written(formula));
        },
      ),
    );
  });
});

/** breqn manual, section 3. */
describe('displays that break by themselves', () => {
  it('stay on one line where they fit, with their number', () => {
    const { lines } = laidBody('\\begin{dmath} a = b + c \\end{dmath}', BREQN);
    expect(lines.filter(({ text }) => /[𝑎𝑏𝑐]/u.test(text))).toHaveLength(1);
    expect(lines.some(({ text }) => text.includes('(1)'))).toBe(true);
  });

  it.each(['dmath', 'dmath*'])('%s goes on below where they do not', (name) => {
    const body = `\\begin{${name}} f = ${long(30)} \\end{${name}}`;
    expect(findingsIn(inArticle(body, BREQN))).toEqual([]);
    const rows = new Set(
      laidBody(body, BREQN)
        .lines.filter(({ text }) => text.includes('𝑥'))
        .map(({ y }) => Math.round(y)),
    );
    expect(rows.size).toBeGreaterThan(1);
  });

  it('each relation begins a line, below the one before', () => {
    const { word } = laidBody(`\\begin{dmath*} f = ${long(9)} = ${long(9)} \\end{dmath*}`, BREQN);
    expect(word('=', 2).x).toBeCloseTo(word('=', 1).x, 1);
    expect(word('=', 2).y).toBeGreaterThan(word('=', 1).y);
  });

  it.each([
    [
      '\\begin{dgroup}\\begin{dmath} a=b \\end{dmath}\\begin{dmath} c=d\\condition{for all $c$} \\end{dmath}\\end{dgroup}',
      BREQN,
    ],
    ['\\begin{dmath} a \\hiderel{=} b = c \\end{dmath}', BREQN],
    [
      `\\begin{align}\\begin{autobreak} f = ${long(30)} \\end{autobreak}\\end{align}`,
      '\\usepackage{amsmath,autobreak}',
    ],
    [
      '\\begin{align}\\begin{autobreak} f = b \\end{autobreak}\\\\ g &= c\\end{align}',
      '\\usepackage{amsmath,autobreak}',
    ],
  ])('%s', (body, preamble) => expect(findingsIn(inArticle(body, preamble))).toEqual([]));
});
