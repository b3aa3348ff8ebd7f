import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '@odd-compass/engine/testing';
import { piecesOf } from '../sheet/pieces';
import { texOf } from './print';
import { readerFor } from './read';
import { NO_NAMES, Unreadable, type Names } from './reader';

/** How a formula is read, written with its brackets; or why it is not. */
function reading(tex: string, names: Partial<Names> = {}): string {
  const session = typeset(inArticle(`$${tex}$`, '\\usepackage{amsmath,amssymb,mathtools,cancel}'));
  const formula = piecesOf(session.written()).find(({ kind }) => kind === 'formula');
  const row = formula?.kind === 'formula' ? (formula.strands[0]?.[0] ?? []) : [];
  try {
    return texOf(readerFor(0, { ...NO_NAMES, ...names }).expression(row, null));
  } catch (error) {
    if (error instanceof Unreadable) return `not read: ${error.message}`;
    throw error;
  }
}

describe('written mathematics is read the usual way', () => {
  it.each([
    ['2(x+1)y', '2 \\cdot \\left(x + 1\\right) \\cdot y'],
    ['f(x)', 'f\\left(x\\right)'],
    ['x(x+1)', 'x \\cdot \\left(x + 1\\right)'],
    ['h\\,x', 'h \\cdot x'],
    ['\\sin 2x', '\\sin\\left(2 \\cdot x\\right)'],
    ['\\sin x \\cos x', '\\sin\\left(x\\right) \\cdot \\cos\\left(x\\right)'],
    ['\\sin^2 x', '\\sin\\left(x\\right)^{2}'],
    ['\\sin^{-1} x', '\\arcsin\\left(x\\right)'],
    ['\\sin x (1+x)', '\\sin\\left(x\\right) \\cdot \\left(1 + x\\right)'],
    ['\\log_2 n', '\\log_{2}\\left(n\\right)'],
    ['n!', 'n!'],
    ['(n+1)!', '\\left(n + 1\\right)!'],
    ['\\binom nk', '\\binom{n}{k}'],
    ['|x-|y||', '\\left|x - \\left|y\\right|\\right|'],
    ['\\lvert x\\rvert', '\\left|x\\right|'],
    ['\\lfloor x\\rfloor', '\\left\\lfloor x\\right\\rfloor'],
    ['\\frac{d}{dx} x^2', '\\frac{d}{dx} \\left(x^{2}\\right)'],
    ['\\frac{d^2y}{dx^2}', '\\frac{d^{2}}{dx^{2}} \\left(y\\right)'],
    ["f''(x)", "f''\\left(x\\right)"],
    ['\\sum_{k=1}^{n} k^2 + 1', '\\sum_{k = 1}^{n} k^{2} + 1'],
    ['\\prod_{k=1}^n (k+1)', '\\prod_{k = 1}^{n} \\left(k + 1\\right)'],
    ['\\sum_{1\\le i<j\\le n} ij', '\\sum_{i = 1}^{n} \\sum_{j = i + 1}^{n} i \\cdot j'],
    ['\\int_0^1 x\\,dx', '\\int_{0}^{1} x\\,dx'],
    ['\\int \\frac{dx}{x}', '\\int \\frac{1}{x}\\,dx'],
    ['\\int_0^1\\int_0^x y\\,dy\\,dx', '\\int_{0}^{1} \\int_{0}^{x} y\\,dy\\,dx'],
    ['\\lim_{x\\to 0^+} x', '\\lim_{x \\to 0^{+}} x'],
    ['\\max\\{a, b\\}', '\\max\\left(a, b\\right)'],
    ['\\gcd(a,b)', '\\gcd\\left(a, b\\right)'],
    ['a \\bmod n', 'a \\bmod n'],
    ['x_{\\max}', 'x_{\\text{max}}'],
    ['a_{n+1}', 'a_{n + 1}'],
    ['a_{ij}', 'a_{i,j}'],
    ['\\mathbf v', '\\mathbf{v}'],
    ['A^T B', 'A^{T} \\cdot B'],
    [
      '\\begin{pmatrix}1&2\\\\3&4\\end{pmatrix}',
      '\\begin{pmatrix} 1 & 2 \\\\ 3 & 4 \\end{pmatrix}',
    ],
    ['\\left[\\begin{array}{cc}1&2\\end{array}\\right]', '\\begin{pmatrix} 1 & 2 \\end{pmatrix}'],
    [
      '\\begin{vmatrix}a&b\\\\c&d\\end{vmatrix}',
      '\\det\\left(\\begin{pmatrix} a & b \\\\ c & d \\end{pmatrix}\\right)',
    ],
    ['5\\%', '\\frac{5}{100}'],
    ['90^\\circ', '\\frac{90 \\cdot \\pi}{180}'],
    ['0{,}5', '\\frac{1}{2}'],
    ['12\\,000', '12000'],
    ['1 + 2 + \\dots + n', '1 + 2 + \\cdots + n'],
    ['\\left. x^2\\right|_0^1', '\\left[x^{2}\\right]_{0}^{1}'],
    ['x^2\\Big|_0^1', '\\left[x^{2}\\right]_{0}^{1}'],
    ['\\sqrt[3]{x}', '\\sqrt[3]{x}'],
    ['-x^2', '-x^{2}'],
    ['a - (b - c)', 'a - \\left(b - c\\right)'],
    ['2 \\cdot -3', '2 \\cdot \\left(-3\\right)'],
    ['a/bc', '\\frac{a}{b} \\cdot c'],
    ['\\cancel{x}', 'x'],
    ['\\underbrace{a+b}_{c}', 'a + b'],
    ['\\tfrac12', '\\frac{1}{2}'],
    [
      '\\begin{cases} x & x \\ge 0 \\\\ -x & \\text{otherwise} \\end{cases}',
      '\\begin{cases} x & x \\ge 0 \\\\ -x & \\text{otherwise} \\end{cases}',
    ],
  ])('%s', (tex, wanted) => {
    expect(reading(tex)).toBe(wanted);
  });
  it.each([
    ['\\bar z', '\\overline{z}'],
    ['a + bi', 'a + b \\cdot \\mathrm{i}'],
  ])('%s, where i is imaginary', (tex, wanted) => {
    expect(reading(tex, { imaginary: true })).toBe(wanted);
  });
  it.each([
    ['p(x+1)', 'p\\left(x + 1\\right)'],
    ['u(t)v', 'u\\left(t\\right) \\cdot v'],
  ])('%s, where the letter is a function', (tex, wanted) => {
    expect(reading(tex, { functions: new Set(['p', 'u']) })).toBe(wanted);
  });
});

describe('what is not read says why', () => {
  it.each([
    ['x +', 'nothing that is read stands beside the last sign'],
    ['[0, 1)', 'a list stands where a value is wanted'],
    ['\\int_0^1 x', 'the integral has no differential (dx)'],
    ['\\sum k', 'it is not written what the sum or product runs over'],
    ['A \\cup B', 'the sign ∪ is not read here'],
    ['3 \\text{ lamps}', 'the words “lamps” stand in the formula'],
    ['\\{1, 2\\}', 'a list stands where a value is wanted'],
    ['\\sin', 'a function stands without its argument'],
  ])('%s', (tex, why) => {
    expect(reading(tex)).toBe(`not read: ${why}`);
  });
});
