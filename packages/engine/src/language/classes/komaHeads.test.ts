import { describe, expect, it } from 'vitest';
import { findingsIn, linesOf, typeset } from '../../testing/document';
import { laid, type Laid } from '../../testing/layout';

const document = (kind: string, options: string, body: string, preamble = ''): string =>
  `\\documentclass[${options}]{${kind}}${preamble}\\begin{document}${body}\\end{document}`;
const page = (kind: string, options: string, body: string, preamble = ''): Laid =>
  laid(document(kind, options, body, preamble));

/** scrreprt.cls: sizes of headings, and the room around chapters by the option `headings`. */
describe('chapters', () => {
  it.each([
    ['', 20.74, 3.3, 1.725],
    ['headings=big', 20.74, 3.3, 1.725],
    ['headings=normal', 17.28, 3, 1.5],
    ['headings=small', 14.4, 2.8, 1.35],
  ])('[%s] are so large, with so many lines above and below', (options, size, above, below) => {
    const set = page('scrreprt', options, '\\chapter{Ebb}text');
    const [head, text] = [set.word('Ebb'), set.word('text')];
    expect(head.size).toBeCloseTo(size, 1);
    expect(head.font).toMatch(/sans.*bold|bold.*sans/i);
    expect(set.text).toMatch(/^1\s+Ebb/);
    const line = 13.6;
    const low = page('scrreprt', options, '\\chapter{xxx}xxx');
    const gap = low.word('xxx', 2).y - low.word('xxx').y;
    expect(gap).toBeGreaterThan(below * line);
    expect(gap).toBeLessThan(below * line + 16);
    const plain = page('scrreprt', options, 'text');
    expect(head.y - plain.word('text').y).toBeGreaterThan(above * line - 5);
    expect(text.y).toBeGreaterThan(head.y);
  });
  it.each([
    ['chapterprefix', 'Chapter 1|Ebb'],
    ['chapterprefix=true', 'Chapter 1|Ebb'],
    ['chapterprefix=false', '1 Ebb'],
    ['', '1 Ebb'],
  ])('[%s] begin with %s', (options, said) => {
    const lines = linesOf(typeset(document('scrbook', options, '\\chapter{Ebb}x')));
    expect(lines.map((one) => one.replace(/\s+/g, ' ')).join('|')).toMatch(
      new RegExp(`^\\|${said.replace('|', '\\|')}\\|x`),
    );
  });
  it('of an appendix have letters, and a prefix where that is asked for', () => {
    const text = (options: string): string =>
      linesOf(typeset(document('scrreprt', options, '\\appendix\\chapter{Ebb}x')))
        .join('|')
        .replace(/\s+/g, ' ');
    expect(text('')).toMatch(/^\|A Ebb/);
    expect(text('appendixprefix')).toMatch(/^\|Appendix A\|Ebb/);
  });
  it('stand in the contents in the type of headings', () => {
    const set = page('scrreprt', '', '\\tableofcontents\\chapter{Ebb}\\section{Flow}x');
    expect(set.word('Ebb').font).toMatch(/sans/i);
    expect(set.word('Flow').font).not.toMatch(/sans/i);
  });
});

describe('heads of the classes', () => {
  const body = '\\chapter{Ebb}\\section{Flow}a\\newpage b\\newpage c';
  const running = (kind: string, options: string, preamble = ''): string[] =>
    page(kind, options, body, preamble)
      .lines.filter(({ y }) => y < 90)
      .map(({ text, page: at }) => `${at + 1}: ${text.replace(/\s+/g, ' ')}`);

  it.each([
    ['scrbook', '', '', ['2: 1 Ebb', '3: 1.1 Flow']],
    ['scrreprt', '', '\\pagestyle{headings}', ['2: 1 Ebb', '3: 1 Ebb']],
    ['scrreprt', '', '', []],
  ])('%s [%s] %s', (kind, options, preamble, said) => {
    const heads = running(kind, options, preamble).filter((line) => /Ebb|Flow/.test(line));
    expect(heads.filter((line) => !line.startsWith('1:'))).toEqual(said);
  });
  it.each([
    ['scrbook', '\\usepackage{scrlayer-scrpage}', ['2: 1 Ebb', '3: 1.1 Flow']],
    ['scrreprt', '\\usepackage{scrlayer-scrpage}', ['2: 1 Ebb', '3: 1 Ebb']],
    [
      'scrreprt',
      '\\usepackage{scrlayer-scrpage}\\automark[section]{chapter}',
      ['2: 1.1 Flow', '3: 1.1 Flow'],
    ],
    [
      'scrbook',
      '\\usepackage{scrlayer-scrpage}\\clearpairofpagestyles\\ihead{in}',
      ['2: in', '3: in'],
    ],
    ['scrbook', '\\usepackage{scrlayer-scrpage}\\manualmark\\markboth{L}{R}', []],
  ])('%s %s', (kind, preamble, said) => {
    const heads = running(kind, '', preamble).filter((line) => /Ebb|Flow|in$/.test(line));
    expect(heads.filter((line) => !line.startsWith('1:'))).toEqual(said);
  });
  it('brackets say what pages show on which chapters begin', () => {
    const set = page(
      'scrreprt',
      '',
      body,
      '\\usepackage{scrlayer-scrpage}\\clearpairofpagestyles\\cfoot[P\\pagemark]{N\\pagemark}\\ofoot*{both}',
    );
    const feet = set.lines.filter(({ y }) => y > 700).map(({ text }) => text.replace(/\s+/g, ' '));
    expect(feet).toEqual(['P1 both', 'N2 both', 'N3 both']);
  });
  it.each([
    ['scrbook', 'headsepline', '', 1],
    ['scrbook', 'headsepline,footsepline', '', 2],
    ['scrbook', '', '', 0],
    ['scrbook', 'headsepline', '\\usepackage{scrlayer-scrpage}', 1],
    ['scrbook', '', '\\usepackage[headsepline,footsepline]{scrlayer-scrpage}', 2],
  ])('%s [%s] %s has %i lines across', (kind, options, preamble, count) => {
    const set = page(kind, options, body, preamble);
    expect(set.rules.filter((rule) => rule.page === 1 && rule.width > 200)).toHaveLength(count);
  });
});

describe('what the contents name', () => {
  const list =
    '\\tableofcontents\\listoffigures\\section{A}x\\begin{thebibliography}{9}\\bibitem{a}b\\end{thebibliography}';
  it.each([
    ['', ['A']],
    ['bibliography=totoc', ['A', 'References']],
    ['listof=totoc', ['List of Figures', 'A']],
    ['toc=bib,toc=listof', ['List of Figures', 'A', 'References']],
  ])('[%s]', (options, said) => {
    const lines = linesOf(typeset(document('scrartcl', options, list)));
    const entries = lines
      .slice(1, lines.lastIndexOf('List of Figures'))
      .map((line) => line.replace(/^\d\s+|[\s.]*\d+$/g, '').trim());
    expect(entries).toEqual(said);
  });
});

it('the type of captions is a part of its own', () => {
  const float = '\\begin{figure}x\\caption{Ebb}\\end{figure}';
  const fonts = '\\addtokomafont{caption}{\\small}\\setkomafont{captionlabel}{\\bfseries}';
  const set = page('scrartcl', '', float, fonts);
  expect(set.word('Ebb').size).toBeCloseTo(10, 1);
  expect(set.word('Figure').font).toMatch(/bold/i);
});

it('the title page counts, and the dedication has one of its own', () => {
  const body = '\\title{T}\\author{A}\\dedication{To all}\\maketitle\\tableofcontents';
  const lines = linesOf(typeset(document('scrreprt', '', body)));
  expect(lines).toContain('To all');
  expect(lines.at(-1)).toBe('3');
  expect(findingsIn(document('scrreprt', '', body))).toEqual([]);
});
