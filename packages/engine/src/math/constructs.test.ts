import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import { inArticle, findingsIn } from '../testing/document';
import {
  ALL_MATH,
  drawing,
  find,
  flat,
  formula,
  rightEdge,
  signs,
  type At,
} from '../testing/formula';

const rulesOf = (source: string): At[] =>
  flat(formula(source, ALL_MATH)).filter(({ char }) => char === 'rule');
const charsOf = (source: string, char: string): At[] =>
  flat(formula(source, ALL_MATH)).filter((g) => g.char === char);

describe('fractions', () => {
  it('stand next to a number without space, as in braces of their own', () => {
    const two = find('2\\frac{1}{3}', '2');
    const bar = rulesOf('2\\frac{1}{3}')[0] as At;
    // Only `\nulldelimiterspace`, 1.2 pt, parts them.
    expect(bar.x - two.x - two.item.width / PT).toBeCloseTo(1.2, 2);
  });
  it('take bar, brackets and style from genfrac', () => {
    expect(signs('\\genfrac{[}{]}{0pt}{}{n}{k}')).toBe('[ 𝑛 𝑘 ]');
    expect(rulesOf('\\genfrac{}{}{2pt}{}{n}{k}')[0]?.item.height).toBeCloseTo(2 * PT, -2);
    expect(drawing('\\genfrac{}{}{}{0}{n}{k}')).toEqual(drawing('\\dfrac{n}{k}'));
    expect(drawing('\\genfrac(){0pt}{}{n}{k}')).toEqual(drawing('\\binom{n}{k}'));
  });
  it('may be written between their parts, with brackets and bar', () => {
    expect(signs('{n \\brack k}')).toBe('[ 𝑛 𝑘 ]');
    expect(signs('{n \\atopwithdelims<> k}')).toBe('⟨ 𝑛 𝑘 ⟩');
    expect(rulesOf('{n \\above 1pt k}')[0]?.item.height).toBeCloseTo(PT, -2);
  });
  it('keep their size all the way down when continued', () => {
    const sizes = charsOf('\\cfrac{1}{2+\\cfrac{1}{3+\\cfrac{1}{4}}}', '1').map(({ size }) => size);
    expect(sizes).toEqual([10, 10, 10]);
  });
});

describe('operators', () => {
  it('have limits in displays, beside them in text, wherever asked', () => {
    const below = (source: string) => find(source, '𝑘').y < find(source, 'l').y - 4;
    expect(below('\\lim_k')).toBe(false);
    expect(below('\\displaystyle\\lim_k')).toBe(true);
    expect(below('\\lim\\limits_k')).toBe(true);
    expect(below('\\displaystyle\\lim\\nolimits_k')).toBe(false);
    expect(below('\\operatorname*{lamp}_k')).toBe(false);
    expect(below('\\displaystyle\\operatorname*{lamp}_k')).toBe(true);
  });
  it('keep the subscript of an integral under its overhang', () => {
    for (const style of ['', '\\displaystyle']) {
      const sub = find(`${style}\\int_0^1`, '0');
      const sup = find(`${style}\\int_0^1`, '1');
      expect(sup.x - sub.x).toBeGreaterThan(1.9);
    }
  });
  it('take scripts at their corners', () => {
    const source = '\\sideset{_a^b}{_c^d}\\sum';
    const x = (char: string) => find(source, char).x;
    expect(x('𝑎')).toBeLessThan(x('∑'));
    expect(x('𝑏')).toBeLessThan(x('∑'));
    expect(x('𝑐')).toBeGreaterThan(x('∑'));
    expect(find(source, '𝑑').y).toBeGreaterThan(find(source, '𝑐').y);
  });
});

describe('accents', () => {
  it('leave scripts where the letter alone has them', () => {
    expect(find('\\hat{\\theta}^2', '2').y).toBeCloseTo(find('\\theta^2', '2').y, 5);
    expect(find('\\hat{\\theta}_n^2', '𝑛').y).toBeCloseTo(find('\\theta_n^2', '𝑛').y, 5);
  });
  it('keep an arrow off the letter in every font', () => {
    for (const face of ['', '\\usepackage{mathpazo}', '\\usepackage{mathptmx}']) {
      const [letter, arrow] = flat(formula('\\vec{v}', ALL_MATH + face)) as [At, At];
      const glyph = arrow.item as Extract<At['item'], { kind: 'glyph' }>;
      const bottom = arrow.y + glyph.font.box(glyph.glyph).bottom / 100;
      expect(bottom).toBeGreaterThan(letter.y + letter.item.height / PT);
    }
  });
  it('are as wide as their formula when wide', () => {
    const width = (source: string) => {
      const { item } = flat(formula(source)).at(-1) as At;
      const glyph = item as Extract<At['item'], { kind: 'glyph' }>;
      const { left, right } = glyph.font.box(glyph.glyph);
      return right - left;
    };
    expect(width('\\widehat{abcd}')).toBeGreaterThan(2 * width('\\widehat{a}'));
  });
  it('two primes are one sign', () => {
    expect(signs("f''")).toBe('𝑓 ″');
    expect(signs("f'^2")).toBe('𝑓 ′ 2');
  });
  it('braces stand close, whatever room their glyph has', () => {
    const box = formula('\\overbrace{a+b}', ALL_MATH);
    expect(box.height / PT).toBeLessThan(15);
    expect(box.height / PT).toBeGreaterThan(9);
  });
});

describe('brackets of fixed sizes', () => {
  it('are 12, 18, 24 and 30 pt high, as plain TeX has them', () => {
    const heights = ['big', 'Big', 'bigg', 'Bigg'].map((name) => {
      const { item } = find(`\\${name}(`, '(');
      return (item.height + item.depth) / PT;
    });
    [12, 18, 24, 30].forEach((height, i) => expect(heights[i]).toBeCloseTo(height, 0));
    for (const face of ['mathpazo', 'mathptmx']) {
      const { item } = find('\\big(', '(', `${ALL_MATH}\\usepackage{${face}}`);
      expect((item.height + item.depth) / PT).toBeLessThan(13);
    }
  });
});

describe('letters', () => {
  it.each([
    ['\\mathbf{x}\\boldsymbol{x}\\bm{\\alpha}\\bm{\\Gamma}\\bm{1}', '𝐱 𝒙 𝜶 𝚪 𝟏'],
    ['\\mathbf{\\alpha}\\mathbf{\\Gamma}', '𝛼 𝚪'],
    ['\\mathit{\\Gamma}\\varGamma', '𝛤 𝛤'],
    ['\\mathcal{A}\\mathscr{B}\\mathfrak{g}\\mathbb{R}', '𝒜 ℬ 𝔤 ℝ'],
    ['\\mathsf{x}\\mathtt{x}\\mathsfit{x}\\mathrm{x}', '𝗑 𝚡 𝘹 x'],
    ['{\\bf x}{\\cal F}{\\rm d}y', '𝐱 ℱ d 𝑦'],
    ['\\boldsymbol{\\mathcal{A}}\\bm{\\partial}', '𝒜 𝒜 𝒜 𝝏'],
  ])('%s', (source, shown) => expect(signs(source)).toBe(shown));
  it('that have no bold form are drawn again, a little aside', () => {
    const signsOf = charsOf('\\boldsymbol{\\in}', '∈');
    expect(signsOf.length).toBe(3);
    expect((signsOf[1] as At).x - (signsOf[0] as At).x).toBeCloseTo(0.5, 1);
  });
  it('calligraphic and round-hand capitals are different ones', () => {
    const fontOf = (source: string) =>
      (find(source, '𝒜').item as { font: { name: string } }).font.name;
    expect(fontOf('\\mathcal{A}')).not.toBe(fontOf('\\mathscr{A}'));
  });
});

describe('characters typed directly', () => {
  it.each([
    ['x²', 'x^2'],
    ['x⁻¹', 'x^{-1}'],
    ['aₙ₊₁', 'a_{n+1}'],
    ['√2', '\\sqrt{2}'],
    ['√{x+1}', '\\sqrt{x+1}'],
    ['∛{x}', '\\sqrt[3]{x}'],
    ['½', '\\tfrac12'],
    ['a≤b', 'a\\le b'],
    ['x∈ℝ', 'x\\in\\mathbb{R}'],
    ['∑_{i}α', '\\sum_{i}\\alpha'],
    ['a·b', 'a\\cdot b'],
    ['f″', "f''"],
    ['a−b', 'a-b'],
    ['90°', '90^\\circ'],
    ['∀ε>0', '\\forall\\varepsilon>0'],
    ['⟨x⟩', '\\langle x\\rangle'],
  ])('%s is %s', (typed, written) => {
    expect(drawing(typed)).toEqual(drawing(written));
    // Elsewhere a package is needed for those that no keyboard has.
    const told = findingsIn(inArticle(`$${typed}$`, ALL_MATH)).map(({ kind, fixed }) => [
      kind,
      fixed,
    ]);
    const isFar = /[^\0-\xff]/.test(typed) && !/^[∛f½]/.test(typed);
    const bare = written.replace('\\varepsilon', '\\varepsilon ').replace('\\langle', '\\langle ');
    expect(told.map(([kind]) => kind)).toEqual(isFar ? ['character-in-formula'] : []);
    if (isFar)
      expect(drawing(/\$(.*)\$/.exec(told[0]?.[1] ?? '')?.[1] ?? '')).toEqual(drawing(bare));
  });
  it('a root sign before a bracket stands alone', () => expect(signs('√(x)')).toBe('√ ( 𝑥 )'));
});

describe('dots', () => {
  const dotsIn = (source: string) => (signs(source).includes('⋅ ⋅ ⋅') ? 'high' : 'low');
  it('stand in the middle between operators and relations, low elsewhere', () => {
    expect(dotsIn('a+\\dots+b')).toBe('high');
    expect(dotsIn('a<\\dots<b')).toBe('high');
    expect(dotsIn('a\\times\\dots\\times b')).toBe('high');
    expect(dotsIn('\\dots\\int f')).toBe('high');
    expect(dotsIn('a,\\dots,b')).toBe('low');
    expect(dotsIn('a\\dots b')).toBe('low');
  });
  it('keep off a bracket that closes', () => {
    const gap = (source: string) => find(source, ')').x - (charsOf(source, '.').at(-1) as At).x;
    expect(gap('(a,\\dots)') - gap('(a,\\ldots)')).toBeCloseTo(10 / 6, 1);
  });
});

describe('spaces', () => {
  it('of a modulus are 18 mu in displays and 8 in text', () => {
    const gap = (source: string) => find(source, '(').x - find(source, '𝑏').x;
    const more = gap('\\displaystyle b\\pmod n') - gap('b\\pmod n');
    expect(more).toBeCloseTo((10 / 18) * 10, 1);
  });
  it('choose by style', () => {
    expect(signs('\\mathchoice{d}{t}{s}{u}')).toBe('𝑡');
    expect(signs('\\displaystyle\\mathchoice{d}{t}{s}{u}')).toBe('𝑑');
    expect(signs('x_{\\mathchoice{d}{t}{s}{u}}')).toBe('𝑥 𝑠');
  });
  it('are taken by phantoms and not by laps', () => {
    expect(rightEdge('a\\phantom{bbb}c')).toBeCloseTo(rightEdge('abbbc'), 1);
    expect(find('a\\mathrlap{bbb}c', '𝑐').x).toBeCloseTo(find('ac', '𝑐').x, 5);
    expect(formula('\\smash[b]{y}', ALL_MATH).height).toBe(formula('y').height);
    expect(formula('\\smash[t]{y}', ALL_MATH).depth).toBe(formula('y').depth);
  });
  it('may be broken where allowed', () => {
    const text = `\\parbox{40pt}{\\raggedright $aaaa,\\allowbreak bbbb,\\allowbreak cccc$}`;
    expect(findingsIn(inArticle(text, ALL_MATH))).toEqual([]);
  });
});

describe('arrows', () => {
  it('are as long as their labels', () => {
    const short = rightEdge('\\xrightarrow{f}');
    expect(rightEdge('\\xrightarrow[\\text{high}]{\\text{a rather long label}}')).toBeGreaterThan(
      2 * short,
    );
  });
  it('with space around them are relations', () => {
    expect(rightEdge('a\\implies b')).toBeGreaterThan(rightEdge('a\\Longrightarrow b') + 4);
    expect(signs('a\\iff b')).toBe('𝑎 ⟺ 𝑏');
  });
});

describe('arrays', () => {
  it('have bars, rules and rules over some columns', () => {
    const all = rulesOf(
      '\\begin{array}{c|cc} a & b & c \\\\ \\hline d & e & f \\\\ \\cline{2-3} g & h & i \\end{array}',
    );
    const upright = all.filter(({ item }) => item.width < item.height + item.depth);
    const across = all.filter(({ item }) => item.width > item.height + item.depth);
    expect(upright.length).toBe(1);
    expect(across.length).toBe(2);
    expect(across[0]?.item.width).toBeGreaterThan(1.3 * (across[1]?.item.width ?? 0));
  });
  it('leave a bar out where a cell spans it', () => {
    const source = '\\begin{array}{c|c} a & b \\\\ \\multicolumn{2}{c}{w} \\\\ c & d \\end{array}';
    expect(rulesOf(source).length).toBe(2);
    const w = find(source, '𝑤');
    expect(w.x + w.item.width / PT / 2).toBeCloseTo(rulesOf(source)[0]?.x ?? 0, 0);
  });
  it('have dashes, dots over columns, and what the preamble puts around cells', () => {
    expect(rulesOf('\\begin{array}{c:c} a & b \\\\ c & d \\end{array}').length).toBeGreaterThan(2);
    expect(
      charsOf('\\begin{matrix} a & b & c \\\\ \\hdotsfor{3} \\end{matrix}', '.').length,
    ).toBeGreaterThan(6);
    expect(signs('\\begin{array}{r@{=}l} a & b \\end{array}')).toBe('𝑎 𝑏 =');
    expect(drawing('\\begin{array}{*{2}{c}} a & b \\end{array}')).toEqual(
      drawing('\\begin{array}{cc} a & b \\end{array}'),
    );
    expect(find('\\begin{array}{>{\\displaystyle}c} \\frac{1}{2} \\end{array}', '1').size).toBe(10);
  });
  it('take arraystretch, and columns to one side in starred matrices', () => {
    const height = (before: string) => {
      const box = formula(`${before}\\begin{matrix} a \\\\ b \\end{matrix}`, ALL_MATH);
      return (box.height + box.depth) / PT;
    };
    expect(height('\\def\\arraystretch{2}')).toBeCloseTo(2 * height(''), 0);
    const right = '\\begin{pmatrix*}[r] -1 \\\\ 3 \\end{pmatrix*}';
    expect(find(right, '1').x).toBeCloseTo(find(right, '3').x, 5);
  });
  it('have text in the second column of starred cases', () => {
    const shown = flat(formula('\\begin{cases*} x & if it rains \\end{cases*}', ALL_MATH));
    expect(shown.some(({ char }) => char === 'run')).toBe(true);
  });
});

describe('diagrams', () => {
  it('of squares have objects in rows and columns, arrows with labels', () => {
    const source = '\\begin{CD} A @>f>> B \\\\ @VgVV @| \\\\ C @<<k< B \\end{CD}';
    const [a, c] = [find(source, '𝐴'), find(source, '𝐶')];
    expect(a.x + a.item.width / PT / 2).toBeCloseTo(c.x + c.item.width / PT / 2, 0);
    expect(a.y).toBeGreaterThan(c.y + 20);
    expect(find(source, '𝑓').y).toBeGreaterThan(a.y);
    expect(find(source, '𝑘').y).toBeLessThan(c.y);
    expect(find(source, '𝑔').x).toBeGreaterThanOrEqual(0);
  });
  it('have arrows in any direction', () => {
    const source =
      '\\begin{tikzcd} A \\arrow[r,"f"] \\arrow[dr,dashed,"h"\'] & B \\arrow[d,"g"] \\\\ & C \\end{tikzcd}';
    for (const char of ['𝐴', '𝐵', '𝐶', '𝑓', '𝑔', 'ℎ']) expect(find(source, char)).toBeTruthy();
    const strokes = flat(formula(source, ALL_MATH)).filter(({ char }) => char === 'path');
    // A dashed line and the head on it.
    expect(strokes).toHaveLength(2);
    expect(findingsIn(inArticle(`\\[${source}\\]`, ALL_MATH))).toEqual([]);
  });
});

describe('what cannot be read', () => {
  const kinds = (source: string) => findingsIn(inArticle(`$${source}$ and on.`, ALL_MATH));
  it.each([
    ['a+\\frac{b}', 'argument-missing', '\\frac'],
    ['\\left( a + b', 'delimiter-unmatched', '\\left'],
    ['a^2^3', 'scripts-doubled', '^'],
    ['a & b', 'alignment-outside', '&'],
    ['\\begin{pmatrx} a \\end{pmatrx}', 'environment-unknown', '\\begin'],
    ['\\alhpa+1', 'command-unknown', '\\alhpa'],
    ['\\sqrt[3]', 'argument-missing', '\\sqrt'],
    ['\\big x', 'delimiter-missing', '\\big'],
    ['\\begin{matrix} a & b', 'environment-unclosed', '\\begin'],
    ['\\sqrt{a', 'brace-unclosed', '{'],
    ['\\text{a', 'argument-unclosed', '{'],
    ['a\\over b\\over c', 'fraction-ambiguous', '\\over'],
  ])('%s gives one finding, at its cause', (source, kind, at) => {
    const found = kinds(source);
    expect(found.map((f) => f.kind)).toEqual([kind]);
    expect(found[0]?.at.startsWith(at)).toBe(true);
  });
  it.each([
    ['a+\\frac{b}', '𝑎 + 𝑏'],
    ['\\left( a + b', '( 𝑎 + 𝑏'],
    ['a^2^3', '𝑎 2'],
    ['c+\\nosuch d', '𝑐 +'],
    ['a\\over b\\over c', '𝑎 𝑏 𝑐'],
    ['\\begin{matrix} a & b', '𝑎 𝑏'],
  ])('%s still shows what can be read', (source, shown) => {
    expect(signs(source)).toContain(shown.split(' ')[0]);
    for (const char of shown.split(' ')) expect(signs(source).split(' ')).toContain(char);
  });
  it('takes a usual shorthand for what it means where nothing defines it, and says so', () => {
    const [found] = findingsIn(inArticle('$x\\in\\R$', ALL_MATH));
    expect(found).toMatchObject({ kind: 'command-not-defined-here', at: '\\R' });
    expect(found?.fixed).toContain('$x\\in\\mathbb{R}$');
    expect(signs('x\\in\\R')).toBe('𝑥 ∈ ℝ');
    expect(findingsIn(inArticle('$\\R$', `${ALL_MATH}\\newcommand{\\R}{\\mathbb R}`))).toEqual([]);
  });
});
