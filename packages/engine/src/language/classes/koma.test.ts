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

/** The guide, chapter 3: headings, captions and notes of the document's own. */
describe('what a document says of its parts', () => {
  const set = (setup: string, body: string, name = 'scrartcl') =>
    laid(`\\documentclass{${name}}${setup}\\begin{document}${body}\\end{document}`);
  const told = (setup: string, body: string, name: string) =>
    findingsIn(`\\documentclass{${name}}${setup}\\begin{document}${body}\\end{document}`);
  it.each<[string, string, string, string | RegExp]>([
    ['scrartcl', '\\renewcommand*\\sectionformat{\\S\\thesection\\enskip}', '\\section{Ebb}', '§1 Ebb'],
    ['scrartcl', '\\renewcommand*\\figureformat{Fig.~\\thefigure}', '\\begin{figure}[h]x\\caption{Ebb}\\end{figure}', 'Fig. 1: Ebb'],
    ['scrartcl', '\\renewcommand*\\captionformat{ -- }', '\\begin{table}[h]x\\caption{Ebb}\\end{table}', 'Table 1 – Ebb'],
    ['scrartcl', '\\deffootnote{1em}{1em}{\\thefootnotemark) }', 'a\\footnote{Ebb}', '1) Ebb'],
    ['scrartcl', '', 'a\\footnote{\\label{n}Ebb} b\\footref{n}', /^a1 b1/],
    ['scrartcl', '', '\\tableofcontents\\addsec*{Extra}', /^Contents \| Extra \| 1$/],
    ['scrreprt', '', '\\addchap*{Extra}', 'Extra'],
    ['scrreprt', '\\renewcommand*\\chapterformat{\\chapappifchapterprefix{ }\\thechapter\\enskip}', '\\chapter{Ebb}', '1 Ebb'],
    ['scrreprt', '', '\\setchapterpreamble[ur][.5\\textwidth]{Of old.}\\chapter{Ebb}Tide.\\chapter{Flow}Low.', /Ebb \| Of old\. \| Tide\. .*Flow \| Low\./],
    ['scrartcl', '', '\\begin{labeling}[--]{longest}\\item[a] b\\end{labeling}', /a ?– ?b/],
    ['scrartcl', '', '\\setbibpreamble{Of old.}\\begin{thebibliography}{9}\\bibitem{a}x\\end{thebibliography}', /References \| Of old\. \|/],
    ['scrartcl', '\\DeclareNewSectionCommand[style=section,level=2,counterwithin=section,beforeskip=4pt,afterskip=2pt,font=\\itshape]{haven}', '\\section{Ebb}\\haven{Quay}Text.', /1 Ebb \| 1\.1 Quay \| Text/],
    ['scrartcl', '', '\\begin{figure}[h]\\begin{captionbeside}{Ebb}x\\end{captionbeside}\\end{figure}', /x ?\|? ?Figure 1: Ebb/],
    ['scrartcl', '', '\\begin{addmargin*}[1em]{2em}Ebb\\end{addmargin*}', 'Ebb'],
  ])('%s %s %s', (name, setup, body, printed) => {
    const { text } = set(setup, body, name);
    if (typeof printed === 'string') expect(text).toContain(printed);
    else expect(text).toMatch(printed);
    expect(told(setup, body, name)).toEqual([]);
  }); // prettier-ignore
  const caption = `\\begin{figure}[h]x\\caption{${'Ebb and flow '.repeat(12)}end}\\end{figure}`;
  it('captions hang, or are indented and as wide as is said', () => {
    const lines = (setup: string) =>
      set(setup, caption).lines.filter(({ text }) => /Ebb/.test(text));
    const start = (setup: string): number => {
      const [first, second] = lines(setup);
      return (second?.x ?? 0) - (first?.x ?? 0);
    };
    const hanging = start('');
    expect(hanging).toBeGreaterThan(40);
    expect(start('\\setcapindent{1em}')).toBeCloseTo(11, 0);
    expect(start('\\setcapindent{1em}\\setcaphanging')).toBeCloseTo(hanging, 0);
    expect(lines('\\setcapwidth{.5\\textwidth}').length).toBeGreaterThan(lines('').length);
    expect(lines('\\setcapmargin{2cm}')[0]?.x).toBeGreaterThan((lines('')[0]?.x ?? 0) + 40);
  });
  it('margins at one side and at both', () => {
    const left = (args: string): number =>
      set('', `\\begin{addmargin}${args}Ebb\\end{addmargin}`).word('Ebb').x;
    expect(left('[30pt]{60pt}')).toBeCloseTo(left('{30pt}'), 1);
    expect(left('{60pt}') - left('{30pt}')).toBeCloseTo(30 * (72 / 72.27), 0);
  });
});
