import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = (setup: string): string => `\\usepackage{algpseudocode}${setup}`;
const body = (lines: string): string => `\\begin{algorithmic}${lines}\\end{algorithmic}`;
/** Lines with how deep they stand, in steps of one and a half em. */
function lines(setup: string, inner: string): string[] {
  const found = laidBody(body(inner), load(setup)).lines.slice(0, -1);
  const left = Math.min(...found.map(({ x }) => x));
  return found.map(({ text, x }) => `${'>'.repeat(Math.round((x - left) / 15))}${text}`);
}

/** algorithmicx manual, section 3. */
describe('blocks of one’s own', () => {
  it.each([
    [
      '\\algdef{SE}[DOWHILE]{Do}{doWhile}{\\textbf{do}}[1]{\\textbf{while} #1}',
      '\\Do \\State a \\doWhile{x}',
      ['do', '>a', 'while x'],
    ],
    ['\\algdef{S}[ONCE]{Once}[1]{once #1}', '\\Once{x} \\State a', ['once x', 'a']],
    [
      '\\algblock[W]{Wait}{EndWait}',
      '\\Wait \\State a \\EndWait \\State b',
      ['Wait', '>a', 'EndWait', 'b'],
    ],
    [
      '\\algblock{Wait}{Done}\\algnotext{Done}',
      '\\Wait \\State a \\Done \\State b',
      ['Wait', '>a', 'b'],
    ],
    [
      '\\algblockdefx[P]{Par}{EndPar}[1]{par #1}{end par}',
      '\\Par{i} \\State a \\EndPar',
      ['par i', '>a', 'end par'],
    ],
    ['\\algloopdefx{Once}[1]{once #1}', '\\Once{x} \\State a', ['once x', 'a']],
    ['\\algtext*{EndIf}', '\\If{x} \\State a \\EndIf \\State b', ['if x then', '>a', 'b']],
    [
      '\\algdef{SE}[I]{Indent}{EndIndent}{}{end}\\algtext*{Indent}\\algtext*{EndIndent}',
      '\\Indent \\State a \\EndIndent \\State b',
      ['>a', 'b'],
    ],
    ['\\algrenewtext{If}[1]{when #1}', '\\If{x} \\State a \\EndIf', ['when x', '>a', 'end if']],
    [
      '\\algrenewcommand\\algorithmicthen{:}',
      '\\If{x} \\State a \\EndIf',
      ['if x :', '>a', 'end if'],
    ],
    ['\\algnewcommand{\\Go}[1]{\\State go #1}', '\\Go{on}', ['go on']],
    ['\\algrenewcommand\\algorithmiccomment[1]{ // #1}', '\\State a\\Comment{b}', ['a // b']],
  ])('%s', (setup, inner, wanted) => {
    expect(lines(setup, inner)).toEqual(wanted);
    expect(findingsIn(inArticle(body(inner), load(setup)))).toEqual([]);
  });
  it('go on counting where another left off', () => {
    const two = `\\begin{algorithmic}[1]\\State a\\State b\\algstore{t}\\end{algorithmic}\\begin{algorithmic}[1]\\algrestore{t}\\State c\\end{algorithmic}`;
    expect(laidBody(two, load('')).text).toContain('3: c');
  });
});

it('\\autoref calls things as the document says', () => {
  const says = (setup: string): string =>
    laidBody(
      '\\section{A}\\label{s}\\autoref{s} \\autopageref{s}',
      `\\usepackage{hyperref}${setup}`,
    ).text;
  expect(says('')).toContain('section 1 page 1');
  expect(says('\\renewcommand{\\sectionautorefname}{Part}')).toContain('Part 1');
});

it('of two arguments \\@firstoftwo leaves the first, \\@secondoftwo the second', () => {
  const found = laidBody('\\makeatletter\\@firstoftwo{a}{b}-\\@secondoftwo{c}{d}\\makeatother');
  expect(found.text).toContain('a-d');
});
