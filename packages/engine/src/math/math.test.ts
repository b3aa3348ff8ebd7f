import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import { findingsIn, inArticle, typeset } from '../testing/document';
import { find, flat, formula, type At } from '../testing/formula';
import { settleClasses, spaceBetween } from './spacing';
import { denStyle, numStyle, subStyle, supStyle } from './style';

describe('classes and spaces', () => {
  it('a sign without two operands is no operator', () => {
    expect(settleClasses(['bin', 'ord'])).toEqual(['ord', 'ord']);
    expect(settleClasses(['ord', 'bin', 'ord'])).toEqual(['ord', 'bin', 'ord']);
    expect(settleClasses(['ord', 'rel', 'bin', 'ord'])).toEqual(['ord', 'rel', 'ord', 'ord']);
    expect(settleClasses(['open', 'bin', 'ord', 'bin', 'close'])).toEqual([
      'open',
      'ord',
      'ord',
      'ord',
      'close',
    ]);
  });
  it('relations stand apart in text, not in scripts', () => {
    expect(spaceBetween('ord', 'rel', 0)).toBe(3);
    expect(spaceBetween('ord', 'rel', 4)).toBe(0);
    expect(spaceBetween('ord', 'op', 4)).toBe(1);
    expect(spaceBetween('ord', 'bin', 2)).toBe(2);
  });
  it('a thick space is 5/18 of a quad', () => {
    const before = find('a=b', '𝑎');
    const sign = find('a=b', '=');
    expect(sign.x - before.x - before.item.width / PT).toBeCloseTo((5 / 18) * 10, 1);
  });
});

it('styles follow the rules of scripts and fractions', () => {
  expect([0, 2, 4, 6].map((s) => supStyle(s as 0))).toEqual([4, 4, 6, 6]);
  expect([0, 2, 4, 6].map((s) => subStyle(s as 0))).toEqual([5, 5, 7, 7]);
  expect([0, 2, 4].map((s) => numStyle(s as 0))).toEqual([2, 4, 6]);
  expect([0, 2, 4].map((s) => denStyle(s as 0))).toEqual([3, 5, 7]);
});

describe('scripts', () => {
  it('superscripts of a letter rise by 3.63 pt, smaller type at 7 pt', () => {
    const two = find('x^2', '2');
    expect(two.y).toBeCloseTo(3.63, 2);
    expect(two.size).toBeCloseTo(7, 5);
  });
  it('under a root they are cramped', () => {
    expect(find('\\sqrt{x^2}', '2').y).toBeCloseTo(2.89, 2);
  });
  it('two scripts keep their distance', () => {
    const glyphs = flat(formula('x_b^a'));
    const sup = glyphs.find((g) => g.char === '𝑎') as At;
    const sub = glyphs.find((g) => g.char === '𝑏') as At;
    const gap = sup.y - sup.item.depth / PT - (sub.y + sub.item.height / PT);
    expect(gap).toBeGreaterThan(1.5);
  });
  it('a superscript on an integral stands further right than its subscript', () => {
    const glyphs = flat(formula('\\int_0^1 f'));
    const x = (c: string) => (glyphs.find((g) => g.char === c) as At).x;
    expect(x('1')).toBeGreaterThan(x('0'));
  });
});

describe('fractions and roots', () => {
  it('the bar lies on the axis, 0.4 pt thick', () => {
    const bar = find('\\frac{a}{b}', 'rule');
    expect(bar.item.height / PT).toBeCloseTo(0.4, 2);
    expect(bar.y + 0.2).toBeCloseTo(2.5, 2);
  });
  it('numerator and denominator are centred over one another', () => {
    const glyphs = flat(formula('\\frac{1}{n+1}'));
    const bar = glyphs.find((g) => g.char === 'rule') as At;
    const one = glyphs.filter((g) => g.char === '1')[0] as At;
    expect(one.x + one.item.width / PT / 2).toBeCloseTo(bar.x + bar.item.width / PT / 2, 1);
  });
  it('old-style fractions nest', () => {
    const places = flat(formula('{a \\over {b \\over c}}')).sort((p, q) => q.y - p.y);
    expect(places.map(({ char }) => char)).toEqual(['𝑎', 'rule', '𝑏', 'rule', '𝑐']);
  });
  it('a root covers what is under it', () => {
    const box = formula('\\sqrt{\\frac{a}{b}}');
    const bar = flat(box)
      .filter((g) => g.char === 'rule')
      .sort((a, b) => b.y - a.y)[0] as At;
    const top = Math.max(
      ...flat(box)
        .filter((g) => g.char === '𝑎')
        .map((g) => g.y + g.item.height / PT),
    );
    expect(bar.y).toBeGreaterThan(top);
  });
});

describe('brackets', () => {
  it('grow with what they hold', () => {
    const small = formula('\\left(x\\right)').height;
    const large = formula('\\left(\\frac{a}{\\frac{b}{c}}\\right)').height;
    expect(large).toBeGreaterThan(1.5 * small);
  });
  it('are put together from pieces when no form is large enough', () => {
    const rows = Array.from({ length: 12 }, () => 'x').join('\\\\');
    const pieces = flat(formula(`\\left(\\begin{array}{c}${rows}\\end{array}\\right)`)).filter(
      (g) => g.char !== '𝑥',
    );
    expect(pieces.length).toBeGreaterThan(4);
  });
});

const PIECES = [
  'x',
  '2',
  '+',
  '=',
  '(',
  ')',
  '[',
  '|',
  '^',
  '_',
  '{',
  '}',
  '&',
  '\\\\',
  '\\frac',
  '\\sqrt',
  '\\left(',
  '\\right)',
  '\\left',
  '\\right',
  '\\middle|',
  '\\begin{pmatrix}',
  '\\end{pmatrix}',
  '\\sum',
  '\\int',
  '\\limits',
  '\\alpha',
  "'",
  '\\mathbb',
  '\\text{ if }',
  '\\hat',
  '\\overline',
  '\\underbrace',
  '\\binom',
  '\\over',
  ' ',
  '\\,',
  '\\quad',
  '\\not',
  '\\nosuch',
  '\\begin{array}{c|c}',
  '\\end{array}',
  '\\hline',
  '\\big',
  '\\operatorname',
  '\\tag{1}',
  '\\label{a}',
  '~',
  '#',
  '%\n',
];

describe('any formula', () => {
  it('gives boxes of finite size in bounded time, however wrong it is', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...PIECES), { maxLength: 30 }),
        fc.boolean(),
        (pieces, display) => {
          const source = pieces.join('');
          const session = typeset(inArticle(display ? `A \\[${source}\\] b.` : `A $${source}$ b.`));
          expect(session.pages.length).toBeGreaterThan(0);
          for (const page of session.pages) {
            for (const { box, x, y } of page.placed) {
              for (const value of [box.width, box.height, box.depth, x, y])
                expect(Number.isFinite(value)).toBe(true);
              expect(box.width).toBeGreaterThanOrEqual(0);
            }
          }
        },
      ),
      { numRuns: 150 },
    );
  });
  it('may be nested two hundred deep', () => {
    const deep = `${'\\sqrt{'.repeat(200)}x${'}'.repeat(200)}`;
    expect(
      findingsIn(inArticle(`$${deep}$`)).filter(({ kind }) => kind !== 'line-too-wide'),
    ).toEqual([]);
    const open = `${'{'.repeat(5000)}x`;
    expect(typeset(inArticle(`$${open}$`)).pages.length).toBe(1);
  });
});

describe('a character that no font has', () => {
  const kinds = (body: string) => findingsIn(inArticle(body)).map(({ kind, at }) => [kind, at]);
  it.each(['$a 𐀀 b$', '\\[ 𐀀 \\]', '$\\frac{𐀀}{b}$'])('is told of in a formula: %s', (body) =>
    expect(kinds(body)).toEqual([['character-missing', '𐀀']]),
  );
  it('is none where there is nothing to see', () => expect(kinds('$a\u200b b$')).toEqual([]));
});
