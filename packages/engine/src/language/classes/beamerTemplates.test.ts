import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid, type Laid } from '../../testing/layout';

const BODY =
  '\\section{Ebb}\\subsection{Neap}\\begin{frame}{Tides}\\begin{itemize}\\item low\\end{itemize}\\end{frame}\\section{Flood}\\begin{frame}{Waves}high\\end{frame}';
const slides = (preamble: string, body = BODY): string =>
  `\\documentclass{beamer}${preamble}\\title[Short]{A long title}\\author{A. Wick}\\begin{document}${body}\\end{document}`;
const set = (preamble: string, body?: string): Laid => laid(slides(preamble, body));
const told = (source: string): string[] =>
  findingsIn(source)
    .map(({ kind }) => kind)
    .filter((kind) => kind !== 'title-not-printed');
/** The words of a page. */
const words = ({ lines }: Laid, page: number): string =>
  lines
    .filter((line) => line.page === page)
    .map(({ text }) => text)
    .join(' ');

/** beamer user guide, sections 15 and 16: what themes put around slides. */
describe('Themes of slides', () => {
  it.each(['Berkeley', 'PaloAlto', 'Goettingen', 'Hannover', 'Marburg'])(
    '%s has the outline in a column at the side',
    (name) => {
      const [plain, side] = [set(''), set(`\\usetheme{${name}}`)];
      for (const text of ['Short', 'A. Wick', 'Ebb', 'Neap', 'Flood'])
        expect(words(side, 0)).toContain(text);
      // What is within other sections is left out.
      expect(words(side, 1)).not.toContain('Neap');
      const isLeft = ['Berkeley', 'PaloAlto', 'Hannover'].includes(name);
      const moved = side.word('low').x - plain.word('low').x;
      expect(moved > 30).toBe(isLeft);
      expect(side.word('Short').x < side.word('low').x).toBe(isLeft);
      expect(told(slides(`\\usetheme{${name}}`))).toEqual([]);
    },
  );
  it.each(['Frankfurt', 'Singapore', 'Berlin', 'Darmstadt'])(
    '%s names all sections at the head, with a dot for each slide',
    (name) => {
      const side = set(`\\usetheme{${name}}`);
      for (const page of [0, 1]) expect(words(side, page)).toMatch(/Ebb.*Flood|Ebb[\s\S]*Flood/);
      expect(words(side, 0)).toMatch(/[•∙]/);
      expect(told(slides(`\\usetheme{${name}}`))).toEqual([]);
    },
  );
  it('Antibes has title, section and what is in it one below another', () => {
    const { word } = set('\\usetheme{Antibes}');
    expect(word('Short').y).toBeLessThan(word('Ebb').y);
    expect(word('Ebb').y).toBeLessThan(word('Neap').y);
  });
  it.each([
    ['Pittsburgh', 'right'],
    ['Singapore', 'center'],
    ['Madrid', 'left'],
  ])('%s sets titles at the %s', (name, where) => {
    const { word } = set(`\\usetheme{${name}}`);
    const paper = 364;
    const middle = (word('Tides').x + word('Tides').right) / 2;
    expect(where === 'left' ? middle < 120 : where === 'right' ? middle > 240 : Math.abs(middle - paper / 2) < 10).toBe(true); // prettier-ignore
  });
});

/** beamer user guide, chapters 11, 12, 16 and 17. */
describe('Parts of slides', () => {
  it.each([
    ['', '▶'],
    ['\\setbeamertemplate{itemize items}[circle]', '∙'],
    ['\\useinnertheme{circles}', '∙'],
    ['\\setbeamertemplate{itemize item}{--}', '–'],
  ])('signs of items with %s', (preamble, sign) => {
    expect(words(set(preamble), 0).replace('►', '▶').replace('▸', '▶')).toContain(`${sign}low`.slice(0, 1)); // prettier-ignore
    expect(told(slides(preamble))).toEqual([]);
  });
  it('the line at the foot is the document’s own', () => {
    const own =
      '\\usetheme{Madrid}\\setbeamertemplate{footline}{\\hfill Slide \\insertframenumber/\\inserttotalframenumber\\hspace{1em}\\vspace{2pt}}';
    const text = words(set(own), 1);
    expect(text.replace(/\s/g, '')).toContain('Slide2/2');
    expect(text).not.toContain('Wick');
    expect(told(slides(own))).toEqual([]);
  });
  it('types of parts', () => {
    const size = (preamble: string): number => set(preamble).word('Tides').size;
    expect(size('\\setbeamerfont{frametitle}{size=\\small}')).toBeLessThan(size('') - 2);
    const serif = set('\\usefonttheme{serif}').word('low').font;
    expect(serif).not.toBe(set('').word('low').font);
    expect(told(slides('\\usefonttheme{nosuch}'))).toEqual(['option-unknown']);
  });
  it('colours of parts are used in text', () => {
    const body = '\\begin{frame}{T}{\\usebeamercolor[fg]{alerted text}low}\\end{frame}';
    const set_ = set('\\setbeamercolor{alerted text}{fg=red}', body);
    expect(set_.word('low').color).toBe(0xff0000);
  });
  it('a sign of the college stands on each slide', () => {
    expect(words(set('\\usetheme{Madrid}\\logo{HC}'), 1)).toContain('HC');
  });
});
