import { describe, expect, it } from 'vitest';
import { pageText } from '../../output/display/text';
import { differencesFromCold } from '../../testing/fuzz';
import { inArticle, linesOf, newSession, typeset } from '../../testing/document';
import type { Session } from '../../session/session';

const LOW = 'Low water.\n\n';
/** The numbers at the margin of each page, with where they end, in pt from its left edge. */
function numbersOf(session: Session): { text: string; right: number }[][] {
  return session.pages.map((page) => {
    const description = session.describe(page);
    const texts = pageText(description, session.fonts);
    return [...description.lineBlock].flatMap((block, i) => {
      const [x = 0, , width = 0] = description.lines.subarray(5 * i, 5 * i + 3);
      const text = texts[i] ?? '';
      const isFoot = Math.abs(x + width / 2 - description.width / 2) < 2;
      return block === -1 && /^\d+$/.test(text) && !isFoot
        ? [{ text, right: (x + width) * (72.27 / 72) }]
        : [];
    });
  });
}
const set = (body: string, options = '', preamble = '') =>
  typeset(inArticle(body, `\\usepackage[${options}]{lineno}${preamble}`));
const texts = (session: Session): string[][] =>
  numbersOf(session).map((page) => page.map(({ text }) => text));
const numbers = (body: string, options = ''): string =>
  texts(set(body, options))
    .map((page) => page.join(' '))
    .join(' | ');

describe('numbers of lines', () => {
  it.each<[string, string, string, string]>([
    ['none unless asked for', LOW, '', ''],
    ['from where they are asked for, to where they end', `${LOW}\\linenumbers ${LOW}${LOW}\\nolinenumbers ${LOW}`, '', '1 2'],
    ['of those in the environment', `\\begin{linenumbers}${LOW}${LOW}\\end{linenumbers}${LOW}`, '', '1 2'],
    ['from a number', `\\linenumbers[7]${LOW}${LOW}`, '', '7 8'],
    ['from one again with the star', `\\linenumbers ${LOW}${LOW}\\linenumbers*${LOW}`, '', '1 2 1'],
    ['from a number in the middle', `\\linenumbers ${LOW}\\resetlinenumber[40]${LOW}${LOW}`, '', '1 40 41'],
    ['every third', `\\linenumbers\\modulolinenumbers[3]${LOW.repeat(7)}`, '', '3 6'],
    ['every fifth by the option', `\\linenumbers ${LOW.repeat(6)}`, 'modulo', '5'],
    ['of items and headings, not of displays', `\\linenumbers\\section{Ebb}\\begin{itemize}\\item a\\item b\\end{itemize}Ebb \\[x\\]`, '', '1 2 3 4'],
    ['going on over pages', `\\linenumbers ${LOW}\\newpage ${LOW}${LOW}`, '', '1 | 2 3'],
    ['anew on each page', `\\linenumbers ${LOW}\\newpage ${LOW}${LOW}`, 'pagewise', '1 | 1 2'],
  ])('%s', (_, body, options, wanted) => {
    expect(numbers(body, options)).toBe(wanted);
  }); // prettier-ignore

  it('stand ten points from the text, those of lists too; wider or right when asked', () => {
    const body = `\\linenumbers ${LOW}\\begin{itemize}\\item a\\end{itemize}`;
    const rights = (options = '', preamble = ''): number[] =>
      numbersOf(set(body, options, preamble)).flat().map(({ right }) => Math.round(right));
    // The text of an article of 10 points on letter paper begins 134.27 pt from the edge, 345 wide.
    expect(rights()).toEqual([124, 124]);
    expect(rights('', '\\setlength\\linenumbersep{20pt}')).toEqual([114, 114]);
    expect(rights('right')).toEqual([499, 499]);
  }); // prettier-ignore

  it('are what a reference to a line prints', () => {
    const session = set(`\\linenumbers ${LOW}High\\linelabel{h} water.\n\nLine \\ref{h}, page \\pageref{h}.`);
    expect(linesOf(session).join(' ')).toMatch(/Line 2, page 1/); // prettier-ignore
    expect(session.findings()).toEqual([]);
  }); // prettier-ignore

  it('follow what is typed before them, as from cold', () => {
    const text = inArticle(
      `\\linenumbers ${LOW}\\newpage ${LOW}\\newpage High\\linelabel{h}.\n\n\\ref{h}`,
      '\\usepackage{lineno}',
    );
    const session = newSession();
    session.setText(text);
    session.settleAll();
    const at = text.indexOf('Low');
    session.edit(at, at, LOW);
    session.settleAll();
    expect(texts(session)).toEqual([['1', '2'], ['3'], ['4', '5']]);
    const now = text.slice(0, at) + LOW + text.slice(at);
    expect(differencesFromCold(session, { text: now, files: new Map() })).toEqual([]);
  });

  it('are not known for displays: that is told', () => {
    expect(set(LOW, 'mathlines').findings().map(({ message }) => message)).toEqual([
      expect.stringMatching(/mathlines/),
    ]);
  }); // prettier-ignore
});
