import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const inside = (body: string): string => `\\makeatletter\\leavevmode ${body}\\makeatother`;
/** What a body prints with @ as a letter, without blanks. */
const prints = (body: string): string =>
  laidBody(inside(body), '\\usepackage[T1]{fontenc}').text.replace(/\s+/g, '').replace(/\|1$/, '');

/** What class and package files lean on (the LaTeX kernel's own names; The TeXbook, chapters 7, 20 and 24). */
describe('the kernel behind @', () => {
  it.each([
    ['\\@ifnextchar[{y}{n}[ \\@ifnextchar[{y}{n}x', 'y[nx'],
    ['\\@ifstar{s}{n}* \\@ifstar{s}{n}x', 'snx'],
    ['\\@ifundefined{nonono}{u}{d} \\@ifundefined{section}{u}{d}', 'ud'],
    ['\\@for\\x:=a,b,c\\do{(\\x)}', '(a)(b)(c)'],
    ['\\@tfor\\x:=abc\\do{[\\x]}', '[a][b][c]'],
    ['\\@tempcnta=0 \\@whilenum\\@tempcnta<3\\do{\\the\\@tempcnta\\advance\\@tempcnta1 }', '012'],
    [
      '\\@tempcnta=3 \\loop\\ifnum\\@tempcnta>0 \\the\\@tempcnta\\advance\\@tempcnta-1 \\repeat',
      '321',
    ],
    ['\\@nameuse{textbf}{q}\\@namedef{x1}{foo}\\@nameuse{x1}', 'qfoo'],
    ['\\def\\x{ab}\\g@addto@macro\\x{c}\\x', 'abc'],
    [
      '\\in@{b}{abc}\\ifin@ y\\else n\\fi\\in@{z}{abc}\\ifin@ y\\else n\\fi\\in@{c}{abc}\\ifin@ y\\else n\\fi',
      'yny',
    ],
    ['\\zap@space a b c \\@empty', 'abc'],
    ['\\@gobble{a}b\\@gobbletwo{c}{d}e', 'be'],
    ['\\@firstoftwo{a}{b}\\@secondoftwo{c}{d}\\@firstofone{e}', 'ade'],
    ['\\@car abc\\@nil\\@cdr abc\\@nil', 'abc'],
    ['\\def\\f[#1]#2{(#1)(#2)}\\@dblarg\\f{a}\\@dblarg\\f[b]{c}', '(a)(a)(b)(c)'],
    ['\\def\\f[#1]{(#1)}\\@testopt\\f{x}[y]\\@testopt\\f{x}', '(y)(x)'],
    ['\\@removeelement{b}{a,b,c}\\x\\x', 'a,c'],
    ['\\def\\x{q}\\@expandtwoargs\\@gobbletwo{\\x}{\\x}c', 'c'],
    ['\\def\\x{a\\b}\\@onelevel@sanitize\\x\\x', 'a\\b'],
    ['\\two@digits{7}\\two@digits{12}', '0712'],
    ['\\@alph{3}\\@Alph{3}\\@roman{4}\\@Roman{4}\\@arabic{5}', 'cCivIV5'],
    ['\\@alph\\c@page\\@arabic\\c@page', 'a1'],
    ['\\@tempdima=2.5pt \\strip@pt\\@tempdima', '2.5'],
    ['\\ifnum\\@ne=1 a\\fi\\ifdim\\p@=1pt b\\fi\\ifdim\\z@=0pt c\\fi', 'abc'],
    ['\\@ifclassloaded{article}{y}{n}\\@ifpackageloaded{amsmath}{y}{n}', 'yn'],
    ['\\@currenvir', 'document'],
  ])('%s gives %s', (body, printed) => {
    expect(prints(body)).toBe(printed);
    expect(
      findingsIn(inArticle(inside(body))).filter(({ kind }) => kind !== 'blank-swallowed'),
    ).toEqual([]);
  });
});

describe('codes of characters', () => {
  it.each([
    ['\\the\\catcode`\\%,\\the\\catcode`a', '14,11'],
    ['\\the\\lccode`A,\\the\\uccode`b,\\the\\lccode`1', '97,66,0'],
    ['\\lccode`x=`y \\the\\lccode`x\\lowercase{ax}', '121ay'],
    ['{\\lccode`x=`y }\\lowercase{x}', 'x'],
    ['\\uccode`b=`! \\uppercase{ab}', 'A!'],
    ['\\the\\sfcode`.,\\the\\sfcode`A', '3000,999'],
    ['{\\catcode`\\!=\\active \\gdef!{bang}!}', 'bang'],
    ['\\begingroup\\lccode`\\~=`\\!\\lowercase{\\endgroup\\def~}{hey}\\catcode`\\!=13 !', 'hey'],
    ['{\\@makeother\\$$}', '$'],
    ['\\def\\x{aB}\\lowercase\\expandafter{\\x}\\uppercase\\expandafter{\\x}', 'abAB'],
    ['\\def\\x{\\y}\\def\\y{q}\\edef\\z{\\unexpanded\\expandafter{\\x}}\\def\\y{r}\\z', 'r'],
    ['\\def\\x{a\\b}\\detokenize\\expandafter{\\x}', 'a\\b'],
  ])('%s gives %s', (body, printed) => expect(prints(body)).toBe(printed));
});
