import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { FURTHER } from './furtherNames';

/** What a body prints with packages loaded, and that nothing is found in it. */
const said = (packages: string, body: string): string =>
  laidBody(body, `\\usepackage{${packages}}`)
    .text.replaceAll('|', '')
    .replace(/\s+/g, ' ')
    .replace(/ 1$/, '')
    .trim();

describe('The rest of the names of a package', () => {
  it.each(Object.keys(FURTHER))('%s loads without a finding', (name) => {
    expect(findingsIn(inArticle('Tide.', `\\usepackage{${name}}`))).toEqual([]);
  });
  it.each(Object.keys(FURTHER))('%s may be asked for again, with options', (name) => {
    const twice = `\\usepackage{${name}}\\usepackage[]{${name}}\\RequirePackage{${name}}`;
    const kinds = findingsIn(inArticle('Tide.', twice)).map(({ kind }) => kind);
    expect(kinds).toEqual([]);
  });

  it.each<[string, string, string]>([
    ['ragged2e', '\\begin{FlushLeft}a b\\end{FlushLeft}', 'a b'],
    ['datetime2', '\\DTMdisplaydate{2026}{3}{1}{-1}', '2026-03-01'],
    ['datetime2', '\\DTMsetdatestyle{en-GB}\\DTMdisplaydate{2026}{3}{2}{-1}', '2nd March 2026'],
    ['datetime2', '\\DTMsavedate{x}{2026-04-11}\\DTMsetdatestyle{en-US}\\DTMusedate{x}', 'April 11, 2026'],
    ['datetime2', '\\DTMweekdayname{1}, \\DTMordinal{23}', 'Tuesday, 23rd'],
    ['datetime', '\\ddmmyyyydate\\newdate{x}{2}{3}{2026}\\displaydate{x}', '02/03/2026'],
    ['datetime', '\\newdateformat{own}{\\THEDAY.\\THEMONTH.\\THEYEAR}\\own\\formatdate{2}{3}{2026}', '2.3.2026'],
    ['fp', '\\FPmax\\a{2}{7}\\a \\FPifgt{3}{2}more\\else less\\fi', '7more'],
    ['fp', '\\FPlsolve\\a{2}{-6}\\a', '3'],
    ['xstring', '\\IfSubStrBefore{ebb and flood}{ebb}{flood}{yes}{no}', 'yes'],
    ['enumitem', '\\setenumerate[1]{label=(\\alph*)}\\begin{enumerate}\\item a\\end{enumerate}', '(a) a'],
    ['tocloft', '\\newlistof{tide}{tds}{Tides}\\refstepcounter{tide}\\thetide', '1'],
    ['caption,float', '\\DeclareCaptionType{tide}[Tide]\\begin{tide}[H]\\caption{Ebb}\\end{tide}', 'Tide 1: Ebb'],
    ['csquotes', '\\enquote{a \\textelp{} b}', '“a [. . . ] b”'],
    ['physics', '$a\\qqtext{if}b$', '𝑎 if 𝑏'],
    ['accents', '$\\ring{a}$', '𝑎̊'],
    ['pifont', '\\begin{Pilist}{pzd}{51}\\item a\\end{Pilist}', '✓ a'],
    ['mhchem', '\\cee{H2O}', 'H2O'],
    ['url', '\\urldef\\own\\url{a_b}\\own', 'a_b'],
    ['changepage', '\\checkoddpage\\ifoddpage odd\\else even\\fi', 'odd'],
    ['calc', '\\newlength\\tide\\settototalheight{\\tide}{\\rule{1pt}{9pt}}\\the\\tide', '9.0pt'],
    ['minted', '\\newmintinline[tide]{python}{}\\tide{leave(a)}', 'leave(a)'],
    ['soul', '\\sodef\\own{}{}{}{}\\own{abc}', 'a b c'],
    ['cleveref', '\\renewcommand\\crefpairconjunction{ \\& }x', 'x'],
  ])('%s: %s', (packages, body, wanted) => {
    expect(said(packages, body)).toBe(wanted);
    expect(findingsIn(inArticle(body, `\\usepackage{${packages}}`))).toEqual([]);
  }); // prettier-ignore
});

/** Signs by their commands: each is drawn by a font that ships, and none is one that other programs stop at. */
describe('Signs', () => {
  const commands = ['stmaryrd', 'wasysym', 'marvosym', 'textcomp'].flatMap((name) =>
    [...(FURTHER[name] ?? '').matchAll(/\\providecommand(\\[a-zA-Z]+)\{/g)].map(
      ([, command]) => [name, command ?? ''] as const,
    ),
  );
  it.each(commands)('%s has %s', (name, command) => {
    const isText = name === 'marvosym' || name === 'textcomp';
    const body = isText ? `a ${command}{} b` : `$a \\mbox{}${command} b$`;
    const kinds = findingsIn(inArticle(body, `\\usepackage{amssymb,amsmath,${name}}`));
    expect(kinds).toEqual([]);
  });
  it.each(Array.from({ length: 221 }, (_, i) => i + 33).filter((n) => n < 127 || (n > 160 && n !== 240)))(
    '\\ding{%i} is a sign',
    (n) => {
      const body = `a \\ding{${n}} b`;
      expect(findingsIn(inArticle(body, '\\usepackage{pifont}'))).toEqual([]);
    },
  ); // prettier-ignore
});
