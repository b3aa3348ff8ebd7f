import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle } from '../testing/document';

/** What a piece of source prints. */
const prints = (source: string): string => bodyLines(`\\noindent ${source}`, '').join(' | ');

describe('definitions', () => {
  it.each([
    ['delimited arguments', '\\def\\a#1;#2.{[#2/#1]}\\a x;yz.', '[yz/x]'],
    ['a delimiter at the start', '\\def\\a(#1){[#1]}\\a(xy)', '[xy]'],
    ['braces around an argument go', '\\def\\a#1.{(#1)}\\a{xy}.', '(xy)'],
    ['an argument is a token or a group', '\\def\\a#1#2{#2#1}\\a x{yz}', 'yzx'],
    ['blanks before an undelimited argument', '\\def\\a#1#2{#2#1}\\a   x  y', 'yx'],
    [
      'definitions within, with doubled signs',
      '\\def\\a#1{\\def\\b##1{(#1##1)}}\\a x\\b y',
      '(xy)',
    ],
    ['definitions end with their group', '\\def\\a{x}{\\def\\a{y}\\a}\\a', 'yx'],
    ['global ones do not', '\\def\\a{x}{\\gdef\\a{y}}\\a', 'y'],
    ['\\global before \\def', '{\\global\\def\\a{z}}\\a', 'z'],
    ['\\edef expands now', '\\def\\a{x}\\edef\\b{\\a\\a}\\def\\a{y}\\b', 'xx'],
    ['\\noexpand keeps', '\\def\\a{x}\\edef\\b{\\noexpand\\a}\\def\\a{y}\\b', 'y'],
    ['\\let takes the meaning of now', '\\def\\a{x}\\let\\b\\a\\def\\a{y}\\b', 'x'],
    ['\\let to a character', '\\let\\b=x\\b\\b', 'xx'],
    ['\\protected and \\long are read over', '\\long\\def\\a#1{(#1)}\\a{x}', '(x)'],
    ['a brace sign as delimiter', '\\def\\a#1#{(#1)}\\a xy{z}', '(xy)z'],
    ['\\newcommand with a default', '\\newcommand{\\a}[2][o]{#1#2}\\a{x}\\a[p]{x}', 'oxpx'],
    ['\\newcommand* and \\providecommand', '\\newcommand*\\a{x}\\providecommand\\a{y}\\a', 'x'],
    ['\\renewcommand', '\\newcommand\\a{x}\\renewcommand\\a{y}\\a', 'y'],
    ['\\DeclareRobustCommand', '\\DeclareRobustCommand\\a[1]{(#1)}\\a x', '(x)'],
  ])('%s', (_what, source, expected) => {
    expect(prints(source)).toBe(expected);
  });
});

describe('expansion', () => {
  it.each([
    [
      '\\expandafter jumps over a token',
      '\\def\\a{{x}{y}}\\def\\b#1#2{#2#1}\\expandafter\\b\\a',
      'yx',
    ],
    ['twice', '\\def\\a{\\b}\\def\\b{c}\\def\\f#1{(#1)}\\expandafter\\f\\expandafter{\\a}', '(c)'],
    [
      '\\csname makes names',
      '\\expandafter\\def\\csname a1\\endcsname{x}\\csname a1\\endcsname',
      'x',
    ],
    ['\\csname of nothing is \\relax', '\\csname nosuch\\endcsname x', 'x'],
    ['\\string', '\\texttt{\\string\\abc}', '\\abc'],
    ['\\number and \\romannumeral', '\\number"1F, \\number\'17, \\romannumeral 14', '31, 15, xiv'],
    ['\\the of registers', '\\count1=7 \\the\\count1, \\dimen1=1.5pt \\the\\dimen1', '7, 1.5pt'],
    ['\\uppercase and \\lowercase', '\\uppercase{abC}\\lowercase{ABc}', 'ABCabc'],
    ['\\detokenize', '\\texttt{\\detokenize{a_b}}', 'a_b'],
    ['\\unexpanded in \\edef', '\\def\\a{x}\\edef\\b{\\unexpanded{\\a}}\\def\\a{y}\\b', 'y'],
    ['\\aftergroup', '{x\\aftergroup z}y', 'xzy'],
    [
      '\\afterassignment',
      '\\def\\a{!}\\count1=0 \\afterassignment\\a\\count1=5 \\the\\count1',
      '!5',
    ],
    ['\\futurelet', '\\def\\a{\\ifx\\t x(x)\\else(other)\\fi}\\futurelet\\t\\a x', '(x)x'],
    ['\\begingroup and \\endgroup', '\\def\\a{x}\\begingroup\\def\\a{y}\\endgroup\\a', 'x'],
    ['\\relax ends a number', '\\count1=1\\relax 2 \\the\\count1', '2 1'],
    ['\\ignorespaces', '\\def\\a{(\\ignorespaces}\\a   x', '(x'],
  ])('%s', (_what, source, expected) => {
    expect(prints(source)).toBe(expected);
  });
});

describe('conditions', () => {
  it.each([
    ['\\ifx of macros alike', '\\def\\a{x}\\def\\b{x}\\ifx\\a\\b y\\else n\\fi', 'y'],
    ['\\ifx of macros unlike', '\\def\\a{x}\\def\\b{y}\\ifx\\a\\b y\\else n\\fi', 'n'],
    ['\\if of characters', '\\if aa y\\else n\\fi\\if ab y\\else n\\fi', 'yn'],
    ['\\ifcat', '\\ifcat ab y\\else n\\fi\\ifcat a1 y\\else n\\fi', 'yn'],
    ['\\ifnum and \\ifdim', '\\ifnum 2<3 y\\fi\\ifdim 1cm>20pt y\\else n\\fi', 'yy'],
    [
      '\\ifodd and \\ifcase',
      '\\ifodd 3 y\\fi\\ifcase 1 a\\or b\\else c\\fi\\ifcase 9 a\\or b\\else c\\fi',
      'ybc',
    ],
    ['\\iftrue, nested', '\\iftrue\\iffalse a\\else b\\fi\\else c\\fi', 'b'],
    ['\\newif', '\\newif\\ifwet\\wettrue\\ifwet y\\fi\\wetfalse\\ifwet y\\else n\\fi', 'yn'],
    [
      '\\ifdefined and \\ifcsname',
      '\\ifdefined\\nosuch y\\else n\\fi\\ifcsname def\\endcsname y\\fi',
      'ny',
    ],
    ['\\unless', '\\unless\\ifnum 1>2 y\\fi', 'y'],
    [
      '\\ifmmode and \\ifhmode',
      '\\ifmmode m\\else t\\fi$\\ifmmode m\\else t\\fi$\\ifhmode h\\fi',
      't𝑚h',
    ],
    [
      '\\@ifnextchar',
      '\\makeatletter\\def\\a{\\@ifnextchar[{b}{n}}\\a[x]\\a y\\makeatother',
      'b[x]ny',
    ],
    ['\\@ifstar', '\\makeatletter\\def\\a{\\@ifstar{s}{n}}\\a*\\a\\makeatother', 'sn'],
    ['\\@for', '\\makeatletter\\@for\\i:=a,b,c\\do{(\\i)}\\makeatother', '(a)(b)(c)'],
    [
      '\\loop',
      '\\count1=0 \\loop\\the\\count1 \\advance\\count1 by 1 \\ifnum\\count1<3 \\repeat',
      '012',
    ],
  ])('%s', (_what, source, expected) => {
    expect(prints(source)).toBe(expected);
  });
});

describe('arithmetic', () => {
  const small = fc.integer({ min: -999, max: 999 });
  it('\\numexpr computes as paper does, rounding what is divided', () => {
    fc.assert(
      fc.property(small, small, fc.integer({ min: 1, max: 99 }), (a, b, c) => {
        const exact = (a * b) / c;
        const rounded = Math.sign(exact) * Math.floor(Math.abs(exact) + 0.5);
        expect(
          prints(`\\the\\numexpr(${a}+${b})*2-${c}\\relax,\\the\\numexpr ${a}*${b}/${c}\\relax`),
        ).toBe(`${(a + b) * 2 - c},${rounded || 0}`.replaceAll('--', '–'));
      }),
      { numRuns: 20 },
    );
  });
  it('\\advance, \\multiply and \\divide, which cuts off', () => {
    fc.assert(
      fc.property(small, fc.integer({ min: 1, max: 50 }), (a, b) => {
        const source = `\\count1=${a} \\advance\\count1 by ${b} \\the\\count1,\\multiply\\count1 by ${b} \\the\\count1,\\divide\\count1 by 7 \\the\\count1`;
        const product = (a + b) * b;
        expect(prints(source)).toBe(`${a + b},${product},${Math.trunc(product / 7) || 0}`);
      }),
      { numRuns: 20 },
    );
  });
  it('\\dimexpr and glue', () => {
    expect(prints('\\the\\dimexpr 1cm+2\\dimexpr 3pt-1pt\\relax\\relax')).toBe('32.45274pt');
    expect(prints('\\skip1=3pt plus 1fil minus 2pt \\the\\skip1')).toBe(
      '3.0pt plus 1.0fil minus 2.0pt',
    );
  });
});

describe('what goes wrong', () => {
  it.each([
    ['an argument that never ends', '\\def\\a#1.{#1}\\a x\n\ny', 'macro-pattern'],
    ['a use that does not fit its definition', '\\def\\a(#1){#1}\\a x', 'macro-pattern'],
    ['a macro that calls itself for ever', '\\def\\a{\\a x}\\a', 'macro-runaway'],
    ['a condition never closed', '\\ifnum 1>2 x', 'conditional-unclosed'],
    ['a number that is none', '\\count1=x', 'number-missing'],
  ])('%s is told, and the rest is printed', (_what, source, kind) => {
    const text = inArticle(`${source}\n\nrest`, '');
    expect(findingsIn(text).map((found) => found.kind)).toContain(kind);
    expect(bodyLines(`${source}\n\nrest`, '').join(' ')).toContain('rest');
  });
});
