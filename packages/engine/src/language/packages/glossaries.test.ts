import { describe, expect, it } from 'vitest';
import {
  bodyLines,
  findingsIn,
  inArticle,
  linesOf,
  textFiles,
  typeset,
} from '../../testing/document';

const WORDS =
  '\\newglossaryentry{ebb}{name=ebb,description={falling water},symbol={E},first={ebb (of water)}}' +
  '\\newglossaryentry{quay}{name=quay,plural=quays,description={a wall},sort=a}' +
  '\\newacronym{hw}{HW}{high water}' +
  '\\newacronym[longplural={tables of tides}]{tt}{TT}{table of tides}';

const printed = (body: string, options = '', said = ''): string => {
  const preamble = `\\usepackage[${options}]{glossaries}\\makeglossaries${said}${WORDS}`;
  expect(findingsIn(inArticle(body, preamble))).toEqual([]);
  return bodyLines(body, preamble).join(' | ').replaceAll('\u00a0', ' ');
};

/** The glossaries manual, sections 4 to 7. */
describe('words of the glossary', () => {
  it.each([
    ['\\gls{ebb}; \\gls{ebb}', 'ebb (of water); ebb'],
    ['\\Gls{quay} \\GLS{quay} \\Glspl{quay}', 'Quay QUAY Quays'],
    [
      '\\glsname{ebb} \\glsdesc{ebb} \\glssymbol{ebb} \\glsfirst{ebb}',
      'ebb falling water E ebb (of water)',
    ],
    ['\\glsentryname{ebb} \\Glsentrydesc{ebb}', 'ebb Falling water'],
    ['\\gls{ebb}[’s] \\gls{quay}[’s]', 'ebb (of water)’s quay’s'],
    ['\\gls{hw}, \\gls{hw}, \\Gls{hw}', 'high water (HW), HW, HW'],
    ['\\glspl{tt}, \\glspl{tt}', 'tables of tides (TTs), TTs'],
    [
      '\\acrshortpl{tt} \\acrlongpl{tt} \\Acrlong{hw} \\glsentrylong{hw}',
      'TTs tables of tides High water high water',
    ],
    ['\\gls{hw} \\glsreset{hw}\\gls{hw}', 'high water (HW) high water (HW)'],
    ['\\glsunset{hw}\\gls{hw} \\glsresetall\\gls{hw}', 'HW high water (HW)'],
    ['\\ifglsused{hw}{old}{new} \\gls{hw} \\ifglsused{hw}{old}{new}', 'new high water (HW) old'],
    ['\\glslink{ebb}{the ebb}, \\glsdisp{hw}{waters} \\gls{hw}', 'the ebb, waters HW'],
  ])('%s', (body, result) => expect(printed(body)).toBe(result));

  it.each([
    ['short-long', 'HW (high water), HW'],
    ['long-short', 'high water (HW), HW'],
  ])('in the style %s', (style, result) =>
    expect(printed('\\gls{hw}, \\gls{hw}', '', `\\setacronymstyle{${style}}`)).toBe(result),
  );
  it('short names for abbreviations where they are asked for', () => {
    expect(printed('\\ac{hw}, \\acs{hw}, \\acl{hw}', 'shortcuts')).toBe(
      'high water (HW), HW, high water',
    );
  });
});

it('words may come from a file', () => {
  const files = textFiles({ 'words.tex': '\\newglossaryentry{lamp}{name=lamp,description=light}' });
  const text = inArticle('\\gls{lamp}.', '\\usepackage{glossaries}\\loadglsentries{words}');
  expect(linesOf(typeset(text, files)).join(' ')).toContain('lamp.');
  expect(typeset(text, files).findings()).toEqual([]);
});

describe('lists of words', () => {
  it('hold what the text names, in order', () => {
    const text = printed('\\gls{ebb} \\gls{quay}\\printglossary');
    expect(text).toMatch(/Glossary \| quay a wall\. 1 \| ebb falling water\. 1/);
    expect(text).not.toContain('HW');
  });
  it('hold what is named behind them, and all words where these are asked for', () => {
    expect(printed('\\printglossary\\gls{quay}')).toMatch(/Glossary \| quay a wall\. 1 \| quay/);
    expect(printed('\\printglossary')).toBe('');
    expect(printed('\\gls{ebb}\\glsaddall\\printglossary')).toContain('quay');
    expect(printed('\\gls{ebb}\\glsadd{quay}\\printglossary')).toContain('quay');
  });
  it('keep abbreviations apart where that is asked for', () => {
    const body =
      '\\gls{ebb} \\gls{hw}\\printglossary[title=Words]\\printglossary[type=\\acronymtype]';
    const text = printed(body, 'acronym');
    expect(text).toMatch(/Words \| ebb falling water\. 1 \|.* Acronyms \| HW high water\. 1/);
  });
});

/** The manual, sections 2.5 and 13. */
describe('how lists look', () => {
  it.each<[string, string, string, RegExp]>([
    ['', 'nonumberlist', '\\gls{ebb}\\printglossary', /ebb falling water\.$/],
    ['', 'nopostdot', '\\gls{ebb}\\printglossary', /ebb falling water 1$/],
    ['', '', '\\gls{ebb}\\newpage\\gls{ebb}\\newpage\\gls{ebb}\\printglossary', /ebb falling water\. 1–3$/],
    ['', '', '\\gls{ebb}\\printglossary[nonumberlist]', /falling water\.$/],
    ['', 'style=long', '\\gls{ebb}\\printglossary', /Glossary \| ebb ?\|? ?falling water\. 1/],
    ['', '', '\\gls{ebb}\\printglossary[style=long3colheader]', /Notation ?\|? ?Description ?\|? ?Page List \| ebb ?\|? ?falling water\. ?\|? ?1/],
    ['', '', '\\gls{ebb}\\printglossary[style=altlist]', /ebb \| falling water\. 1/],
    ['', '', '\\gls{ebb}\\printglossary[style=tree]', /ebb falling water\. 1/],
    ['\\setglossarystyle{tree}\\newglossaryentry{neap}{name=neap,description=low,parent=ebb}', '', '\\gls{neap}\\printglossary', /ebb falling water\. ?\|? ?neap low\. 1/],
    ['\\newglossary{sea}{sls}{slo}{Of the sea}\\newglossaryentry{surf}{type=sea,name=surf,description=waves}', '', '\\gls{surf}\\printglossary[type=sea]', /Of the sea \| surf waves\. 1/],
    ['\\newglossaryentry{pi}{type=symbols,name={$\\pi$},description=a number}', 'symbols', '\\gls{pi}\\printsymbols', /Symbols \| 𝜋 a number\. 1/],
    ['\\renewcommand{\\glsnamefont}[1]{<#1>}', '', '\\gls{ebb}\\printglossary', /¡ebb¿ falling|<ebb> falling/],
    ['', 'toc', '\\tableofcontents\\gls{ebb}\\printglossary[title=Words,toctitle=W]', /Contents \| W 1.*Words \| ebb/],
  ])('%s [%s] %s', (said, options, body, result) => {
    expect(printed(body, options, said)).toMatch(result);
  }); // prettier-ignore
  it('a word that is not there is told of, with the nearest', () => {
    const [found] = findingsIn(
      inArticle('\\gls{qay}', `\\usepackage{glossaries}\\makeglossaries${WORDS}`),
    );
    expect(found?.kind).toBe('glossary-word-unknown');
    expect(found?.fixed).toContain('\\gls{quay}');
  });
  it('words stand in formulas', () => {
    const body = '$\\gls{ebb}$';
    expect(findingsIn(inArticle(body, `\\usepackage{glossaries}\\makeglossaries${WORDS}`))).toEqual(
      [],
    );
  });
});
