import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid } from '../../testing/layout';

const MM = 2.845274;
const sheet = (options: string, body: string, name = 'scrartcl') =>
  laid(`\\documentclass[${options}]{${name}}\n\\begin{document}\n${body}\n\\end{document}\n`);
const LONG = 'The ferry leaves the harbour in the morning and comes back at night. '.repeat(4);

/** Where the text begins, and how wide it is, in mm. */
function area(options: string, name?: string): [left: number, width: number] {
  const page = sheet(options, `\\noindent Begin\\hfill End`, name);
  const [begin, end] = [page.word('Begin'), page.word('End')];
  return [begin.x / MM, (end.right - begin.x) / MM];
}

describe('the area of the text', () => {
  it.each([
    ['', 31.5, 147],
    ['DIV=12', 26.25, 157.5],
    ['12pt', 26.25, 157.5],
    ['fontsize=10pt', 39.375, 131.25],
    ['DIV=10,BCOR=10mm', 40, 140],
    ['paper=a5', 22.2, 103.6],
  ] as const)('of [%s] begins at %d mm and is %d mm wide', (options, left, width) => {
    const [x, w] = area(options);
    expect(x).toBeCloseTo(left, 0);
    expect(w).toBeCloseTo(width, 0);
  });
  it('of two sides lies nearer to the binding', () => {
    expect(area('twoside')[0]).toBeCloseTo(21, 0);
    expect(area('', 'scrbook')[0]).toBeCloseTo(21, 0);
  });
});

describe('the classes of the bundle', () => {
  it('set headings and the title without serifs', () => {
    const page = sheet(
      '',
      `\\title{Tides}\\subtitle{Report}\\author{Quill}\\date{May}\\maketitle\\section{Ebb}\\subsection{Low}Text.\\minisec{Small}`,
    );
    for (const words of ['Tides', 'Report', '1 Ebb', '1.1 Low', 'Small'])
      expect([words, page.word(words).font]).toEqual([words, expect.stringContaining('sans')]);
    expect(page.word('Text.').font).not.toContain('sans');
  });
  it('have room between paragraphs when they are told', () => {
    const gap = (options: string) => {
      const page = sheet(options, `${LONG}\n\nSecond.`);
      const last = page.lines.filter(({ text }) => text !== '1').at(-2);
      return page.word('Second.').y - (last?.y ?? 0);
    };
    expect(gap('parskip=full') - gap('')).toBeCloseTo(13.6, 0);
    expect(gap('parskip=half') - gap('')).toBeCloseTo(6.8, 0);
  });
  it('know their own settings', () => {
    const text = (options: string) =>
      `\\documentclass[${options}]{scrartcl}\\KOMAoptions{DIV=11}\\setkomafont{section}{\\itshape}\\addtokomafont{section}{\\large}\\begin{document}\\section{A}\\addsec{B}x\\end{document}`;
    expect(findingsIn(text('parskip=half,headings=small,toc=listof'))).toEqual([]);
    expect(findingsIn(text('headngs')).map(({ kind }) => kind)).toEqual(['option-unknown']);
  });
  it.each(['scrreprt', 'scrbook'])('%s has chapters', (name) => {
    expect(sheet('', '\\chapter{Sea}\\section{Ebb}Text.', name).text).toContain('1.1 Ebb');
  });
});

describe('commands of the bundle', () => {
  const set = (setup: string, body: string, name = 'scrartcl') =>
    laid(`\\documentclass{${name}}${setup}\\begin{document}${body}\\end{document}`);
  it.each<[string, string, string, string]>([
    ['scrartcl', '\\title{Tides}\\author{Marr}', '\\maketitle', '2026'],
    ['scrartcl', '\\title{Tides}\\titlehead{School}\\date{May}', '\\maketitle x', 'School | Tides'],
    ['scrartcl', '', '\\tableofcontents\\addsec{Extra}', 'Extra'],
    ['scrreprt', '', '\\addchap{Extra}', 'Extra'],
    ['scrartcl', '', '\\begin{labeling}{longest}\\item[a] b\\end{labeling}', 'a b'],
    ['scrartcl', '', '\\dictum[Marr]{Wait.}', 'Wait. | (Marr)'],
    ['scrartcl', '', '\\begin{table}[h]\\captionabove{Cap}x\\end{table}', 'Table 1: Cap'],
    ['scrartcl', '\\setcapindent{1em}\\deffootnote{1em}{1em}{\\thefootnotemark}', 'x', 'x'],
  ])('%s %s %s', (name, setup, body, printed) => {
    expect(set(setup, body, name).text).toContain(printed);
    const text = `\\documentclass{${name}}${setup}\\begin{document}${body}\\end{document}`;
    expect(findingsIn(text)).toEqual([]);
  });
  it('change paragraphs and the area of the text within the preamble', () => {
    const gap = (setup: string): number => {
      const found = set(setup, 'one\n\ntwo');
      return found.word('two').y - found.word('one').y;
    };
    expect(gap('\\KOMAoptions{parskip=full}')).toBeGreaterThan(gap('') + 5);
    expect(set('\\KOMAoption{DIV}{15}', 'x').word('x').x).toBeLessThan(
      set('', 'x').word('x').x - 10,
    );
  });
  it('set headings as they are declared anew', () => {
    const gap = (keys: string): number => {
      const found = set(`\\RedeclareSectionCommand[${keys}]{section}`, 'one\\section{Two}three');
      return found.word('Two').y - found.word('one').y;
    };
    expect(gap('beforeskip=-60pt')).toBeGreaterThan(gap('beforeskip=-10pt') + 40);
    const left = (keys: string): number =>
      set(`\\RedeclareSectionCommand[font=\\itshape,${keys}]{section}`, '\\section{Two}').word(
        'Two',
      ).x;
    expect(left('indent=20pt') - left('indent=0pt')).toBeCloseTo(20, 0);
  });
});
