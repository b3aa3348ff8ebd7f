import { describe, expect, it } from 'vitest';
import { laidBody, type Laid } from '../../testing/layout';

const WORDS =
  'All the words that a paragraph of some lines needs to be broken often enough. '.repeat(8);
const narrow = '\\setlength{\\textwidth}{200pt}\\setlength{\\parindent}{20pt}\\sloppy';
const set = (body: string): Laid => laidBody(body, narrow);

/** Where the lines begin, in points from the left edge of the text; the number of the page is none of them. */
function begins(found: Laid): number[] {
  const left = found.word('edge').x;
  return found.lines.slice(1, -1).map(({ x }) => Math.round(x - left));
}
/** How far the lines but the last reach. */
function ends(found: Laid): number[] {
  const left = found.word('edge').x;
  return found.lines.slice(1, -2).map(({ right }) => Math.round(right - left));
}
const paragraph = (start: string, more = ''): string =>
  `\\noindent edge\n\n\\noindent${start} ${WORDS}${more}`;

/** TeX: The Program, §848 f. (hanging), §847 (\parshape). */
describe('lines of a paragraph', () => {
  it.each([
    ['hang from the second on', '\\hangindent 30pt', [0, 30, 30, 30]],
    ['hang behind so many', '\\hangindent 30pt\\hangafter 2', [0, 0, 30, 30]],
    ['hang as long as a negative number says', '\\hangindent 30pt\\hangafter -2', [30, 30, 0, 0]],
    ['hang all', '\\hangindent=1cm \\hangafter=0', [28, 28, 28, 28]],
    [
      'stand where a shape says, its last line for the rest',
      '\\parshape 3 10pt 150pt 20pt 150pt 5pt 180pt',
      [10, 20, 5, 5],
    ],
    ['take the shape before the hanging', '\\hangindent 30pt\\parshape 1 7pt 150pt', [7, 7, 7, 7]],
    ['have no shape of no lines', '\\parshape 1 7pt 150pt \\parshape 0', [0, 0, 0, 0]],
  ])('%s', (_, start, expected) => {
    expect(begins(set(paragraph(start))).slice(0, 4)).toEqual(expected);
  });
  it.each([
    ['on the right for a negative indent', '\\hangindent -50pt\\hangafter 2', [200, 200, 150, 150]],
    ['as wide as a shape says', '\\parshape 2 0pt 150pt 20pt 100pt', [150, 120, 120, 120]],
  ])('end %s', (_, start, expected) => {
    expect(ends(set(paragraph(start))).slice(0, 4)).toEqual(expected);
  });
  it('have it for one paragraph (§1070)', () => {
    const twice = set(paragraph('\\hangindent 30pt', `\n\n\\noindent NEXT ${WORDS}`));
    const next = twice.lines.findIndex(({ text }) => text.startsWith('NEXT'));
    expect(begins(twice).slice(next - 1)).toSatisfy((all: number[]) => all.every((x) => x === 0));
  });
  it('go on hanging behind a display, and not behind its paragraph', () => {
    const found = set(
      paragraph('\\hangindent 30pt\\hangafter 0', `\\[x\\] BEHIND ${WORDS}\n\nNEXT ${WORDS}`),
    );
    const left = found.word('edge').x;
    expect(Math.round(found.word('BEHIND').x - left)).toBe(30);
    expect(Math.round(found.word('NEXT').x - left)).toBe(20);
  });
  it('do not hang in lists, whose own shape goes before (ltlists.dtx, \\list)', () => {
    const found = set(`edge\\begin{quote}\\hangindent 30pt ${WORDS}\\end{quote}`);
    const [first, ...rest] = begins(found);
    expect(new Set(rest)).toEqual(new Set([first]));
  });
  it('are one more or fewer when looseness asks for it and the words allow it (§875)', () => {
    const count = (start: string): number =>
      set(paragraph(`\\tolerance 9999 \\pretolerance 9999 ${start}`)).lines.length;
    expect([count('\\looseness 1'), count('\\looseness -1')]).toEqual([count('') + 1, count('')]);
  });
});

describe('words', () => {
  const divided = (start: string): string =>
    laidBody(`\\parbox{1pt}{${start}\\hspace{0pt}education\\par}`).text;
  it.each([
    ['are divided two letters from their start and three from their end', '', 'ed-|u-|ca-|tion'],
    ['as \\lefthyphenmin says', '\\lefthyphenmin 3', 'edu-|ca-|tion'],
    ['as \\righthyphenmin says', '\\righthyphenmin 5', 'ed-|u-|cation'],
  ])('%s', (_, start, expected) => {
    expect(divided(start).replaceAll(' | ', '|')).toContain(expected);
  });
});

/** TeX: The Program, §767. */
describe('a formula within a line', () => {
  const broken = (start: string, formula: string): string =>
    laidBody(`\\parbox{1pt}{${start}\\hspace{0pt}$${formula}$\\par}`)
      .text.replace(/ \| 1$/, '')
      .replaceAll(' ', '');
  it.each([
    ['breaks behind relations and operators', '', 'a=b+c', '𝑎=|𝑏+|𝑐'],
    ['not behind relations when \\relpenalty forbids it', '\\relpenalty 10000', 'a=b+c', '𝑎=𝑏+|𝑐'],
    [
      'not behind operators when \\binoppenalty forbids it',
      '\\binoppenalty=10000',
      'a=b+c',
      '𝑎=|𝑏+𝑐',
    ],
    ['not where a penalty of its own forbids it', '', 'a=\\nobreak b+c', '𝑎=𝑏+|𝑐'],
    ['not between two relations', '', 'a==b', '𝑎==|𝑏'],
  ])('%s', (_, start, formula, expected) => {
    expect(broken(start, formula)).toBe(expected);
  });
});
