import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const PHYSICS = '\\usepackage{physics}';
/** What a formula prints, blanks apart. */
const prints = (formula: string): string =>
  laidBody(`$${formula}$`, PHYSICS).text.replace(/\s+/g, '').replace(/\|1$/, '');

/** physics manual, sections 2.1 to 2.7: each command set beside what it stands for. */
describe('physics', () => {
  it.each([
    ['\\order{x^2}', '\\mathcal{O}\\left(x^2\\right)'],
    ['\\dd{x}', '\\mathrm{d}x'],
    ['\\dd[3]{x}', '\\mathrm{d}^3x'],
    ['\\dd(\\cos x)', '\\mathrm{d}\\left(\\cos x\\right)'],
    ['\\sin[2](x)', '\\sin^2\\left(x\\right)'],
    ['\\sin x + \\exp(x)', '\\sin x+\\exp\\left(x\\right)'],
    ['\\dv[2]{f}{x}', '\\frac{\\mathrm d^2f}{\\mathrm dx^2}'],
    ['\\derivative{f}{x}', '\\frac{\\mathrm df}{\\mathrm dx}'],
    ['\\partialderivative{f}{x}', '\\frac{\\partial f}{\\partial x}'],
    ['\\ev{A}{\\psi}', '\\left\\langle\\psi\\middle|A\\middle|\\psi\\right\\rangle'],
    ['\\expectationvalue{A}', '\\left\\langle A\\right\\rangle'],
    ['\\innerproduct{a}', '\\left\\langle a\\middle|a\\right\\rangle'],
    ['\\matrixelement{a}{H}{b}', '\\left\\langle a\\middle|H\\middle|b\\right\\rangle'],
    ['\\mqty(a&b)', '\\left(\\begin{matrix}a&b\\end{matrix}\\right)'],
    ['\\mqty[a&b]', '\\left[\\begin{matrix}a&b\\end{matrix}\\right]'],
    ['\\mqty|a|', '\\left|\\begin{matrix}a\\end{matrix}\\right|'],
    ['\\mdet{a&b}', '\\left|\\begin{matrix}a&b\\end{matrix}\\right|'],
    ['\\mqty{\\imat{2}}', '\\begin{matrix}1&0\\\\0&1\\end{matrix}'],
    ['\\mqty{\\pmat{y}}', '\\begin{matrix}0&-i\\\\i&0\\end{matrix}'],
    ['\\mqty{\\zmat{1}{2}}', '\\begin{matrix}0&0\\end{matrix}'],
    ['\\mqty{\\xmat*{a}{2}{2}}', '\\begin{matrix}a_{11}&a_{12}\\\\a_{21}&a_{22}\\end{matrix}'],
    ['\\mqty{\\xmat*{a}{1}{2}}', '\\begin{matrix}a_1&a_2\\end{matrix}'],
    ['\\mqty{\\dmat[0]{1,2}}', '\\begin{matrix}1&0\\\\0&2\\end{matrix}'],
    ['\\mqty{\\admat{1,2}}', '\\begin{matrix}&1\\\\2&\\end{matrix}'],
    [
      '\\gradient{f}=\\divergence{g}',
      '\\boldsymbol\\nabla f=\\boldsymbol\\nabla\\boldsymbol\\cdot g',
    ],
    ['\\vb*{a}\\vb{a}', '\\boldsymbol{a}\\mathbf{a}'],
    ['a\\qotherwise b\\qassume* c', 'a\\quad\\mbox{otherwise}\\quad b\\mbox{assume}\\quad c'],
    ['\\flatfrac{a}{b}', 'a/b'],
    ['\\variation{F}', '\\delta F'],
    ['\\commutator{A}{B}', '\\left[A,B\\right]'],
    ['\\absolutevalue{x}', '\\left|x\\right|'],
  ])('%s is %s', (short, long) => {
    expect(prints(short)).toBe(prints(long));
    expect(findingsIn(inArticle(`$${short}$`, PHYSICS))).toEqual([]);
  });
  it('fills no more than a page could hold', () => {
    expect(prints('\\mqty{\\imat{900}}').match(/1/g)?.length).toBe(40);
  });
});
