import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle } from '../testing/document';
import { laidBody } from '../testing/layout';

/** What is loaded, a formula, and the signs it prints, from left to right and top to bottom, without blanks. */
type Row = readonly [formula: string, prints: string];

const signs = (formula: string, preamble: string): string =>
  bodyLines(`$${formula}$`, preamble).join('').replace(/\s/g, '');

function prints(title: string, preamble: string, rows: readonly Row[]): void {
  describe(title, () => {
    it.each(rows)('%s prints %s', (formula, expected) => {
      expect([...signs(formula, preamble)].sort().join('')).toBe([...expected].sort().join(''));
      expect(findingsIn(inArticle(`$${formula}$`, preamble))).toEqual([]);
    });
  });
}
const AMS = '\\usepackage{amsmath,amssymb}';

prints('letters', AMS, [
  ['abc', '𝑎𝑏𝑐'],
  ['\\alpha\\beta\\Gamma', '𝛼𝛽Γ'],
  ['\\varepsilon\\vartheta\\varphi', '𝜀𝜗𝜑'],
  ['\\epsilon\\phi', '𝜖𝜙'],
  ['\\mathbb{RNZQC}', 'ℝℕℤℚℂ'],
  ['\\mathbf{x1}', '𝐱𝟏'],
  ['\\mathrm{d}x', 'd𝑥'],
  ['\\mathit{ab}', 'ab'],
  ['\\mathfrak{g}', '𝔤'],
  ['\\mathsf{T}', '𝖳'],
  ['\\mathtt{x}', '𝚡'],
  ['\\hbar\\ell\\Re\\Im', 'ℏℓℜℑ'],
  ['\\aleph\\wp\\partial\\nabla', 'ℵ℘𝜕∇'],
  ['12.5', '12.5'],
  ["f'", '𝑓′'],
  ["f''", '𝑓″'],
]);

prints('relations and operators', AMS, [
  ['a\\le b\\ge c', '𝑎≤𝑏≥𝑐'],
  ['a\\ne b', '𝑎≠𝑏'],
  ['a\\neq b', '𝑎≠𝑏'],
  ['a\\not= b', '𝑎≠𝑏'],
  ['a\\equiv b\\approx c\\sim d', '𝑎≡𝑏≈𝑐∼𝑑'],
  ['a\\in B\\notin C', '𝑎∈𝐵∉𝐶'],
  ['A\\subset B\\subseteq C', '𝐴⊂𝐵⊆𝐶'],
  ['A\\cup B\\cap C', '𝐴∪𝐵∩𝐶'],
  ['A\\setminus B', '𝐴∖𝐵'],
  ['a\\to b\\mapsto c', '𝑎→𝑏↦𝑐'],
  ['a\\Rightarrow b\\iff c', '𝑎⇒𝑏⟺𝑐'],
  ['a\\leqslant b', '𝑎⩽𝑏'],
  ['a\\lesssim b\\gtrsim c', '𝑎≲𝑏≳𝑐'],
  ['a\\pm b\\mp c\\times d\\div e', '𝑎±𝑏∓𝑐×𝑑÷𝑒'],
  ['a\\cdot b\\circ c\\ast d', '𝑎⋅𝑏∘𝑐∗𝑑'],
  ['a\\oplus b\\otimes c', '𝑎⊕𝑏⊗𝑐'],
  ['\\forall x\\exists y\\nexists z', '∀𝑥∃𝑦∄𝑧'],
  ['\\neg p\\land q\\lor r', '¬𝑝∧𝑞∨𝑟'],
  ['a\\mid b\\nmid c', '𝑎∣𝑏∤𝑐'],
  ['a\\perp b\\parallel c', '𝑎⟂𝑏∥𝑐'],
  ['\\therefore\\because', '∴∵'],
  ['a-b', '𝑎−𝑏'],
  ['a*b', '𝑎∗𝑏'],
  ['a:b', '𝑎:𝑏'],
  ['a\\colon b', '𝑎:𝑏'],
  ['\\infty\\emptyset\\varnothing', '∞∅∅'],
  ['\\angle\\triangle\\square', '∠△□'],
]);

prints('words and large operators', AMS, [
  ['\\sin x+\\cos y', 'sin𝑥+cos𝑦'],
  ['\\log_2 n', 'log2𝑛'],
  ['\\lim_{n\\to\\infty}a_n', 'lim𝑛→∞𝑎𝑛'],
  ['\\max_x f', 'max𝑥𝑓'],
  ['\\limsup a', 'limsup𝑎'],
  ['\\operatorname{rank}A', 'rank𝐴'],
  ['\\operatorname*{arg\\,min}_x f', 'argmin𝑥𝑓'],
  ['\\gcd(a,b)', 'gcd(𝑎,𝑏)'],
  ['\\sum_{i=1}^n i', '∑𝑖=1𝑛𝑖'],
  ['\\prod_i a_i', '∏𝑖𝑎𝑖'],
  ['\\int_0^1 f\\,dx', '∫01𝑓𝑑𝑥'],
  ['\\oint f', '∮𝑓'],
  ['\\bigcup_i A_i', '⋃𝑖𝐴𝑖'],
  ['\\bigoplus V', '⨁𝑉'],
  ['a\\bmod b', '𝑎mod𝑏'],
  ['a\\equiv b\\pmod{n}', '𝑎≡𝑏(mod𝑛)'],
  ['x\\text{ if }y', '𝑥if𝑦'],
]);

prints('fractions, roots, brackets', AMS, [
  ['\\frac{a}{b}', '𝑎𝑏'],
  ['\\tfrac12\\dfrac34', '1234'],
  ['\\binom{n}{k}', '(𝑛𝑘)'],
  ['\\sqrt{x}', '√𝑥'],
  ['\\sqrt[3]{x}', '3√𝑥'],
  ['\\left(\\frac{a}{b}\\right)', '(𝑎𝑏)'],
  ['\\left[x\\right]', '[𝑥]'],
  ['\\left\\{x\\right\\}', '{𝑥}'],
  ['\\left.x\\right|', '𝑥|'],
  ['\\lfloor x\\rfloor\\lceil y\\rceil', '⌊𝑥⌋⌈𝑦⌉'],
  ['\\langle u,v\\rangle', '⟨𝑢,𝑣⟩'],
  ['\\lvert x\\rvert', '|𝑥|'],
  ['\\lVert x\\rVert', '∥𝑥∥'],
  ['\\{x\\mid y\\}', '{𝑥∣𝑦}'],
  ['\\overset{a}{=}\\underset{b}{=}', '𝑎==𝑏'],
  ['\\stackrel{d}{=}', '𝑑='],
]);

prints('dots and spaces', AMS, [
  ['a,\\dots,b', '𝑎,...,𝑏'],
  ['a+\\cdots+b', '𝑎+⋅⋅⋅+𝑏'],
  ['\\vdots\\ddots', '......'],
  ['a\\,b\\;c\\quad d\\!e', '𝑎𝑏𝑐𝑑𝑒'],
  ['a~b\\ c', '𝑎𝑏𝑐'],
]);

prints('characters typed as they look', `${AMS}\\usepackage{unicode-math}`, [
  ['α≤β', '𝛼≤𝛽'],
  ['x∈ℝ', '𝑥∈ℝ'],
  ['a→b', '𝑎→𝑏'],
  ['∑∫∞', '∑∫∞'],
  ['x²', '𝑥2'],
  ['a·b×c', '𝑎⋅𝑏×𝑐'],
  ['∀x∃y', '∀𝑥∃𝑦'],
]);

describe('rows', () => {
  it.each([
    ['matrix', 'a&b\\\\c&d', '𝑎𝑏𝑐𝑑'],
    ['pmatrix', 'a&b\\\\c&d', '(𝑎𝑏𝑐𝑑)'],
    ['bmatrix', 'a', '[𝑎]'],
    ['vmatrix', 'a', '|𝑎|'],
    ['Vmatrix', 'a', '‖𝑎‖'],
    ['Bmatrix', 'a', '{𝑎}'],
    ['cases', 'a&b\\\\c&d', '{𝑎𝑏𝑐𝑑'],
    ['aligned', 'a&=b\\\\c&=d', '𝑎=𝑏𝑐=𝑑'],
    ['gathered', 'a\\\\b', '𝑎𝑏'],
    ['smallmatrix', 'a&b', '𝑎𝑏'],
  ])('of %s', (name, rows, expected) => {
    const formula = `\\begin{${name}}${rows}\\end{${name}}`;
    const plain = signs(formula, AMS).replace(/[⎛⎝⎞⎠⎜⎟⎡⎣⎤⎦⎧⎨⎩⎪⎫⎬⎭|‖∥{}()[\]]/g, '');
    const letters = [...expected].filter((sign) => !/[|‖{}()[\]]/u.test(sign)).join('');
    expect([...plain].sort().join('')).toBe([...letters].sort().join(''));
    expect(findingsIn(inArticle(`$${formula}$`, AMS))).toEqual([]);
  });
  it.each([
    ['equation', 'a', ['(1)']],
    ['align', 'a&=b\\\\c&=d', ['(1)', '(2)']],
    ['gather', 'a\\\\b\\\\c', ['(1)', '(2)', '(3)']],
    ['multline', 'a\\\\b\\\\c', ['(1)']],
    ['align*', 'a&=b', []],
    ['align', 'a&=b\\notag\\\\c&=d', ['(1)']],
    ['align', 'a&=b\\tag{T}\\\\c&=d', ['(T)', '(1)']],
    ['eqnarray', 'a&=&b\\\\c&=&d', ['(1)', '(2)']],
  ])('of %s numbered as %j', (name, rows, numbers) => {
    const text = bodyLines(`\\begin{${name}}${rows}\\end{${name}}`, AMS).join(' ');
    expect(text.match(/\([0-9T]\)/g) ?? []).toEqual(numbers);
  });
});

describe('places', () => {
  const place = (formula: string, word: string, nth = 1) =>
    laidBody(`\\noindent $${formula}$`, AMS).word(word, nth);
  it.each([
    ['x^{2}', '𝑥', '2'],
    ['x_{2}', '𝑥', '2'],
    ['\\frac{3}{7}', '3', '7'],
    ['\\binom{3}{7}', '3', '7'],
    ['\\overset{3}{=}', '3', '='],
    ['\\underset{3}{=}', '=', '3'],
    ['\\substack{3\\\\7}', '3', '7'],
  ])('in %s one stands above the other', (formula, ...signsOf) => {
    const [one = '', other = ''] = signsOf;
    const isPower = formula.startsWith('x^');
    const [upper, lower] = isPower ? [other, one] : [one, other];
    expect(place(formula, upper).y).toBeLessThan(place(formula, lower).y);
  });
  it.each([
    ['a=b', 'relations', 5 / 18],
    ['a+b', 'operators', 4 / 18],
    ['a,b', 'a comma', 3 / 18],
  ])('%s has the space of %s', (formula, _what, share) => {
    const laid = laidBody(`\\noindent $${formula}$`, AMS);
    const sign = formula[1] === ',' ? laid.word(',') : laid.word(formula[1] as string);
    const gap = laid.word('𝑏').x - sign.right;
    expect(gap / 10).toBeCloseTo(share, 1);
  });
});
