import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, textFiles, typeset } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';
import { dingbat } from './signPackages';
import { bodyAlone } from './subDocuments';
import { plainColumns } from './tblrKeys';

const load = (names: string): string => `\\usepackage{${names}}`;
const says = (names: string, body: string): string =>
  laidBody(body, load(names)).text.replace(/\s+/g, ' ');

describe('signs by number', () => {
  it.each([
    [51, '✓'],
    [72, '★'],
    [108, '●'],
    [110, '■'],
    [168, '♣'],
    [171, '♠'],
    [172, '①'],
    [181, '⑩'],
    [182, '❶'],
    [192, '➀'],
    [212, '→'],
    [89, '✹'],
  ])('%i is %s', (number, sign) => {
    expect(dingbat(number)).toBe(sign);
  });
  it('crosses and boxes, which no font here has, are drawn', () => {
    for (const number of [53, 55, 56, 111]) expect(dingbat(number)).toMatch(/^\\sgn@draw/);
  });
  it.each([
    ['pifont', '\\ding{55} and $\\ding{51}$'],
    ['wasysym', '\\smiley\\frownie\\CheckedBox\\XBox\\Square\\lightning'],
    ['marvosym', '\\Letter\\Smiley\\Crossedbox\\EUR'],
    ['fontawesome5', '\\faCheck\\faTimes\\faIcon{star}\\faIcon{unheard-of}'],
    ['bbding', '\\Checkmark\\XSolid\\HandRight'],
  ])('%s: %s', (names, body) => {
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
  });
});

describe('texts compared, cut and counted', () => {
  it.each([
    ['\\IfStrEq{a}{b}{yes}{no}', 'no'],
    ['\\IfEq{1.0}{1}{yes}{no}', 'yes'],
    ['\\IfSubStr{ebbtide}{tide}{yes}{no}', 'yes'],
    ['\\IfBeginWith{ebbtide}{tide}{yes}{no}', 'no'],
    ['\\IfEndWith{ebbtide}{tide}{yes}{no}', 'yes'],
    ['\\IfInteger{-12}{yes}{no}', 'yes'],
    ['\\IfInteger{1.5}{yes}{no}', 'no'],
    ['\\IfDecimal{1.5}{yes}{no}', 'yes'],
    ['\\StrLeft{ebbtide}{3}', 'ebb'],
    ['\\StrRight{ebbtide}{4}', 'tide'],
    ['\\StrMid{ebbtide}{2}{4}', 'bbt'],
    ['\\StrChar{tide}{2}', 'i'],
    ['\\StrCount{ebb}{b}', '2'],
    ['\\StrBefore[2]{a-b-c}{-}', 'a-b'],
    ['\\StrBehind{a-b-c}{-}', 'b-c'],
    ['\\StrDel{a-b}{-}', 'ab'],
    ['\\StrGobbleLeft{tide}{1}', 'ide'],
    ['\\StrGobbleRight{tide}{1}', 'tid'],
    ['\\def\\x{ebb}\\StrLen{\\x}', '3'],
    ['\\StrLen{tide}[\\n](\\n)', '(4)'],
  ])('%s is %s', (body, result) => {
    expect(says('xstring', body)).toBe(`${result} | 1`);
  });
});

describe('abbreviations and glossaries', () => {
  const words =
    '\\newglossaryentry{ebb}{name=ebb,plural=ebbs,description={falling water}}\\newacronym{hw}{HW}{high water}';
  it.each([
    ['\\gls{ebb}', 'ebb'],
    ['\\glspl{ebb}', 'ebbs'],
    ['\\Gls{ebb}', 'Ebb'],
    ['\\gls{hw} \\gls{hw}', 'high water (HW) HW'],
    ['\\acrshort{hw} \\gls{hw}', 'HW high water (HW)'],
    ['\\acrlong{hw}', 'high water'],
    ['\\acrfull{hw} \\acrfull{hw}', 'high water (HW) high water (HW)'],
    ['\\gls{gone}', 'gone'],
  ])('glossaries: %s', (body, result) => {
    expect(says('glossaries', words + body)).toContain(result);
  });
  it('the list is sorted, abbreviations among the words', () => {
    const text = says(
      'glossaries',
      `${words}\\newglossaryentry{air}{name=air,description=A}x\\glsaddall\\printglossaries`,
    );
    expect(text.indexOf('air')).toBeLessThan(text.indexOf('ebb'));
  });
  it.each([
    ['\\ac{HW} \\ac{HW} \\acl{HW}', 'high water (HW) HW high water'],
    ['\\acs{HW} \\ac{HW}', 'HW high water (HW)'],
    ['\\acp{HW} \\acp{HW}', 'high waters (HW'],
  ])('acronym: %s', (body, result) => {
    expect(says('acronym', `\\acrodef{HW}{high water}${body}`)).toContain(result);
  });
});

describe('tables by keys', () => {
  it.each([
    ['lcr', 'lcr'],
    ['|l|c|', '|l|c|'],
    ['Q[c]Q[r]', 'cr'],
    ['Q[c,2cm]X[l]', '>{\\centering\\arraybackslash}p{2cm}Xl1;'],
    ['*{3}{c}', 'ccc'],
    ['X', 'X1;'],
    ['X[2,r]', 'Xr2;'],
    ['lQ[m,wd=3cm]', 'lm{3cm}'],
  ])('the columns %s are %s', (spec, columns) => {
    expect(plainColumns(spec).join('')).toBe(columns);
  });
  it('lines and spans are as the keys say', () => {
    const table = (keys: string): string => `\\begin{tblr}{${keys}} a & b \\\\ c & d \\end{tblr}`;
    const rules = (keys: string): number => laidBody(table(keys), load('tabularray')).rules.length;
    expect(rules('colspec={ll}')).toBe(0);
    expect(rules('colspec={ll},hlines')).toBeGreaterThan(2);
    expect(rules('colspec={ll},hlines,vlines')).toBeGreaterThan(rules('colspec={ll},hlines'));
    const wide = '\\begin{tblr}{ll} \\SetCell[c=2]{c} both & \\\\ a & b \\end{tblr}';
    expect(findingsIn(inArticle(wide, load('tabularray')))).toEqual([]);
  });
});

describe('documents read in as parts', () => {
  it('places stay, and only what is between begin and end is left', () => {
    const preamble = fc.stringMatching(/^[a-z\\{} ]{0,30}$/);
    fc.assert(
      fc.property(preamble, fc.stringMatching(/^[a-z ]{1,30}$/), (before, body) => {
        const text = `${before}\\begin{document}${body}\\end{document}after`;
        const alone = bodyAlone(text);
        expect(alone.trim()).toBe(body.trim());
        const from = before.length + '\\begin{document}'.length;
        expect(alone.slice(from)).toBe(body.trimEnd());
      }),
    );
    expect(bodyAlone('no document')).toBe('no document');
  });
  it.each([
    ['subfiles', '\\subfile{part}'],
    ['standalone', '\\includestandalone{part}'],
  ])('%s', (name, command) => {
    const text = inArticle(`Before. ${command} Behind.`, load(name));
    const part =
      '\\documentclass{article}\\usepackage{amsmath}\\begin{document}Within.\\end{document}';
    const files = textFiles({ 'part.tex': part });
    expect(typeset(text, files).findings()).toEqual([]);
    expect(laid(text, files).text).toContain('Before. Within. Behind.');
  });
});

describe('boxes made to fit', () => {
  const width = (keys: string): number => {
    const page = laidBody(`A\\adjustbox{${keys}}{\\rule{100pt}{10pt}}B`, load('adjustbox'));
    return page.word('B').x - page.word('A').x;
  };
  it.each([
    ['scale=.5', 50],
    ['max width=60pt', 60],
    ['max width=200pt', 100],
    ['min width=150pt', 150],
    ['width=80pt', 80],
    ['angle=90', 10],
  ])('%s', (keys, wanted) => {
    expect(width(keys)).toBeCloseTo(wanted + 7.5, -1);
  });
});

describe('frames of several kinds', () => {
  it.each(['shadowbox', 'doublebox', 'ovalbox', 'Ovalbox'])('\\%s holds its text', (name) => {
    expect(findingsIn(inArticle(`\\${name}{Tide}`, load('fancybox')))).toEqual([]);
    expect(says('fancybox', `\\${name}{Tide}`)).toContain('Tide');
  });
});

describe('statements in styles', () => {
  it.each([
    ['', 'Law 1 High'],
    ['\\theoremseparator{:}', 'Law 1: High'],
    ['\\theoremstyle{break}', 'Law 1 | High'],
  ])('%s', (style, text) => {
    const body = `${style}\\newtheorem{law}{Law}\\begin{law}High water.\\end{law}`;
    expect(says('ntheorem', body)).toContain(text);
  });
});

describe('headings, sayings, captions beside', () => {
  it.each([
    ['epigraph', '\\epigraph{All tides turn.}{A ferryman}', 'All tides turn. | A ferryman'],
    ['lettrine', '\\lettrine{T}{he tide} comes in.', 'comes in.'],
    [
      'sidecap',
      '\\begin{SCfigure}[1][h]x\\caption{Side}\\label{s}\\end{SCfigure}See \\ref{s}.',
      'See 1.',
    ],
    ['rotating', '\\begin{sideways}up\\end{sideways} \\begin{turn}{30}round\\end{turn}', 'round'],
    ['paracol', '\\begin{paracol}{2}Ebb\\switchcolumn Flood\\end{paracol}', 'Flood'],
    ['varioref', '\\section{A}\\label{a}\\vref{a}', '1'],
    ['datetime2', '\\DTMdisplaydate{2026}{12}{9}{-1}', '2026-12-09'],
  ])('%s: %s', (names, body, text) => {
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
    expect(says(names, body)).toContain(text);
  });
});
