import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const prints = (names: string, body: string): string =>
  laidBody(body, `\\usepackage{${names}}`)
    .text.replace(/\s+/g, ' ')
    .replace(/ \| 1$/, '');

describe('texts cut and compared (xstring manual, sections 2 and 3)', () => {
  it.each([
    ['\\StrBetween{a(b)c}{(}{)}', 'b'],
    ['\\StrPosition{ebbtide}{tide}\\StrPosition{ebb}{x}', '40'],
    ['\\StrSplit{ebbtide}{3}{\\one}{\\two}\\one-\\two', 'ebb-tide'],
    ['\\StrCut{ebb-tide}{-}{\\one}{\\two}\\two\\one', 'tideebb'],
    ['\\IfStrEqCase{ebb}{{flow}{high}{ebb}{low}}[none]', 'low'],
    ['\\IfStrEqCase{calm}{{flow}{high}{ebb}{low}}[none]', 'none'],
    ['\\IfEqCase{1.0}{{1}{one}{2}{two}}', 'one'],
  ])('%s', (body, printed) => {
    expect(prints('xstring', body)).toBe(printed);
    expect(findingsIn(inArticle(body, '\\usepackage{xstring}'))).toEqual([]);
  });
});

describe('lists and values (etoolbox manual, sections 3.3 to 3.8)', () => {
  const list = '\\def\\l{}\\listadd{\\l}{a}\\listadd{\\l}{b}';
  it.each([
    [`${list}\\def\\do#1{(#1)}\\dolistloop{\\l}`, '(a)(b)'],
    [`${list}\\forlistloop{\\textbf}{\\l}`, 'ab'],
    [`${list}\\ifinlist{a}{\\l}{y}{n}\\ifinlist{c}{\\l}{y}{n}`, 'yn'],
    ['\\DeclareListParser{\\parse}{;}\\def\\do#1{(#1)}\\parse{a;b}', '(a)(b)'],
    ['\\csdef{t}{ebb}\\csappto{t}{!}\\cspreto{t}{-}\\csuse{t}', '-ebb!'],
    ['\\letcs\\t{textbf}\\t{ebb}', 'ebb'],
    ['\\def\\t{\\u}\\def\\u{x}\\edef\\v{\\expandonce\\t}\\def\\u{y}\\v', 'y'],
    ['\\numdef\\n{2*3+1}\\n', '7'],
    ['\\dimdef\\d{1pt+2pt}\\d', '3.0pt'],
    ['\\ifdimcomp{1cm}{>}{1pt}{y}{n}\\ifdimless{1cm}{1pt}{y}{n}', 'yn'],
    ['\\csdef{t}{a}\\ifcsstring{t}{a}{y}{n}', 'y'],
    ['\\def\\e{}\\ifdefempty{\\e}{y}{n}', 'y'],
  ])('%s', (body, printed) => {
    expect(prints('etoolbox', body)).toBe(printed);
    expect(findingsIn(inArticle(body, '\\usepackage{etoolbox}'))).toEqual([]);
  });
});
