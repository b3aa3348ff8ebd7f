import { describe, expect, it } from 'vitest';
import { findingsIn, linesOf, typeset } from '../../testing/document';
import { laid, type Laid } from '../../testing/layout';

const talk = (body: string, preamble = ''): string =>
  `\\documentclass{beamer}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
const frame = (body: string, preamble = '', options = ''): Laid =>
  laid(talk(`\\begin{frame}${options}\n${body}\n\\end{frame}`, preamble));
const pagesOf = (body: string, preamble = ''): number => typeset(talk(body, preamble)).pages.length;
/** The colour of a word on each slide where it stands, `-` where it is not drawn. */
const colours = (page: Laid, word: string): string[] =>
  Array.from({ length: page.session.pages.length }, (_, i) => {
    const found = page.lines.find((line) => line.page === i && line.text.includes(word));
    return found
      ? page
          .word(word, 1 + page.lines.filter((l) => l.page < i && l.text.includes(word)).length)
          .color.toString(16)
          .padStart(6, '0')
      : '-';
  });

describe('a frame', () => {
  const long = Array.from({ length: 40 }, (_, i) => `Line ${i}\\par`).join('\n');
  it('is one slide, however much stands on it', () => {
    expect(pagesOf(`\\begin{frame}${long}\\end{frame}`)).toBe(1);
    expect(pagesOf(`\\begin{frame}[allowframebreaks]${long}\\end{frame}`)).toBeGreaterThan(2);
  });
  it.each([
    ['<1>', 1],
    ['<2>', 1],
    ['<2->', 2],
    ['<1,3>', 2],
    ['<0>', 0],
    ['<handout:1>', 3],
    ['<article>', 0],
    ['<article|beamer>', 3],
    ['<beamer:0>', 0],
    ['<beamer:1-2|handout:0>', 2],
    ['', 3],
  ])('shows the steps of %s: %i slides', (spec, count) => {
    const body = `\\begin{frame}${spec}\\only<1>{a}\\only<2>{b}\\only<3>{c}\\end{frame}`;
    expect(pagesOf(`\\begin{frame}z\\end{frame}${body}`)).toBe(1 + count);
  });
  it('keeps its labels where its first step is not shown', () => {
    const frame =
      '\\begin{frame}<2>\\only<2>{\\begin{equation}x\\label{e}\\end{equation}}\\eqref{e}\\end{frame}';
    expect(findingsIn(talk(frame))).toEqual([]);
  });
  it('is left out where others are chosen', () => {
    const body = '\\begin{frame}[label=a]one\\end{frame}\\begin{frame}[label=b]two\\end{frame}';
    expect(linesOf(typeset(talk(body, '\\includeonlyframes{b}'))).join(' ')).not.toContain('one');
  });
  it('counts notes and figures anew on each step', () => {
    const page = frame(
      'a\\footnote{note}\\begin{figure}x\\caption{C}\\end{figure}\\pause b',
      '\\setbeamertemplate{caption}[numbered]',
    );
    const text = page.lines.map((line) => line.text);
    expect(text.filter((line) => /^Figure 1: C$/.test(line.replace(/\s+/g, ' ')))).toHaveLength(2);
    expect(text.filter((line) => /^1\s*note$/.test(line))).toHaveLength(2);
  });
  it('keeps its figures where they stand, in the middle, without numbers', () => {
    const page = frame('above\\begin{figure}xxx\\caption{Cap}\\end{figure}below');
    expect(page.word('above').y).toBeLessThan(page.word('xxx').y);
    expect(page.word('xxx').y).toBeLessThan(page.word('below').y);
    expect(page.word('xxx').x).toBeGreaterThan(150);
    expect(page.text).toMatch(/Figure:\s+Cap/);
  });
});

describe('what goes by the steps', () => {
  it.each([
    ['\\uncover<2>{xyz}', ['-', '000000']],
    ['\\only<2>{xyz}', ['-', '000000']],
    ['\\alert<2>{xyz}', ['000000', 'a3262a']],
    ['$\\uncover<2>{789}$', ['-', '000000']],
    ['$\\only<2>{789}$', ['-', '000000']],
    ['$a\\pause 789$', ['-', '000000']],
    ['$a\\onslide<2>789$', ['-', '000000']],
    ['$\\alert<2>{789}$', ['000000', 'a3262a']],
    ['$\\alt<2>{789}{a}$', ['-', '000000']],
    ['$\\invisible<1>{789}\\pause$', ['-', '000000']],
    ['\\color{red}\\uncover<2>{\\color{blue}xyz}', ['-', '0000ff']],
    ['\\begin{itemize}\\item<2->xyz\\end{itemize}', ['-', '000000']],
    ['\\begin{itemize}\\item<alert@2>xyz\\end{itemize}', ['000000', 'a3262a']],
    ['\\begin{itemize}[<+-|alert@+>]\\item a\\item xyz\\end{itemize}', ['-', 'a3262a']],
    ['\\begin{itemize}\\item<+->a\\item<.->xyz\\item<+->b\\end{itemize}', ['000000', '000000']],
    ['\\begin{itemize}\\item<1->a\\item<+(1)->xyz\\end{itemize}', ['-', '000000']],
  ])('%s', (body, seen) => {
    const page = frame(body);
    const word = body.includes('789') ? '789' : 'xyz';
    const lines = Array.from({ length: seen.length }, (_, i) => i);
    expect(page.session.pages.length).toBe(seen.length);
    expect(lines.map((i) => colours(page, word)[i])).toEqual(seen);
  });
  it.each([
    ['\\setbeamercovered{transparent}', 'd9d9d9'],
    ['\\setbeamercovered{transparent=20}', 'cccccc'],
    ['\\setbeamercovered{transparent=50}', '808080'],
    ['\\setbeamercovered{invisible}', '-'],
  ])('what is covered looks as %s says', (preamble, colour) => {
    expect(colours(frame('\\uncover<2>{xyz}', preamble), 'xyz')).toEqual([colour, '000000']);
    expect(colours(frame('\\visible<2>{xyz}', preamble), 'xyz')).toEqual(['-', '000000']);
  });
  it('a colour within it is covered too', () => {
    const page = frame('\\uncover<2>{\\color{red}xyz}', '\\setbeamercovered{transparent=20}');
    expect(colours(page, 'xyz')).toEqual(['ffcccc', 'ff0000']);
  });
});

describe('colours of parts', () => {
  it.each([
    ['\\setbeamercolor{alerted text}{fg=orange}', '\\alert{xyz}', 'ff8000'],
    ['\\setbeamercolor{structure}{fg=red}', '\\structure{xyz}', 'ff0000'],
    [
      '\\setbeamercolor{block title}{bg=red,fg=yellow}',
      '\\begin{block}{xyz}a\\end{block}',
      'ffff00',
    ],
    [
      '\\setbeamercolor{block body}{bg=red,fg=yellow}',
      '\\begin{block}{a}xyz\\end{block}',
      'ffff00',
    ],
    ['\\setbeamercolor{tide}{parent=alerted text}', '\\usebeamercolor[fg]{tide}xyz', 'a3262a'],
    [
      '\\setbeamercolor{tide}{use=structure,fg=structure.fg!50}\\setbeamercolor{structure}{fg=red}',
      '\\usebeamercolor[fg]{tide}xyz',
      '8fa7af',
    ],
    ['\\setbeamercolor{normal text}{fg=blue}', 'xyz', '0000ff'],
    ['\\setbeamercolor{item}{fg=blue}', '\\begin{enumerate}\\item a\\end{enumerate}', '0000ff'],
  ])('%s %s', (preamble, body, colour) => {
    const page = frame(body, preamble);
    const word = body.includes('xyz') ? 'xyz' : '1.';
    expect(page.word(word).color.toString(16).padStart(6, '0')).toBe(colour);
  });
  it('a colour box has the ground, the width and the height that are said', () => {
    const page = frame(
      '\\begin{beamercolorbox}[wd=100pt,ht=20pt,dp=5pt,center]{tide}xyz\\end{beamercolorbox}',
      '\\setbeamercolor{tide}{fg=white,bg=red}',
    );
    const [ground] = page.rules;
    expect(page.word('xyz').color).toBe(0xffffff);
    expect([ground?.width, ground?.height].map((size) => Math.round(size ?? 0))).toEqual([100, 25]);
  });
});

describe('columns', () => {
  const two = (options: string): Laid =>
    frame(
      `\\begin{columns}[${options}]\\column{.3\\textwidth}left\\column{.3\\textwidth}right\\end{columns}`,
    );
  it('share the whole paper, or the width of the text alone', () => {
    const [wide, narrow] = [two('t'), two('t,onlytextwidth')];
    const margin = 28.45;
    const [paper, text] = [364.2, 364.2 - 2 * margin];
    const column = 0.3 * text;
    const gap = (paper - 2 * column) / 3;
    expect(wide.word('left').x).toBeCloseTo(gap, 0);
    expect(wide.word('right').x).toBeCloseTo(2 * gap + column, 0);
    expect(narrow.word('left').x).toBeCloseTo(margin, 0);
    expect(narrow.word('right').x).toBeCloseTo(margin + text - column, 0);
  });
});

describe('templates', () => {
  it.each([
    ['\\setbeamertemplate{frametitle}{[\\insertframetitle]}', '[Tide]'],
    ['\\addtobeamertemplate{frametitle}{}{behind}', 'behind'],
    [
      '\\defbeamertemplate{frametitle}{mine}{(\\insertframetitle)}\\setbeamertemplate{frametitle}[mine]',
      '(Tide)',
    ],
    ['\\setbeamertemplate{enumerate item}{(\\insertenumlabel)}', '(1) one'],
    ['\\setbeamertemplate{itemize item}{Q}', 'Q two'],
    [
      '\\setbeamertemplate{footline}{\\begin{beamercolorbox}{x}FOOT \\insertframenumber\\end{beamercolorbox}}',
      'FOOT 1',
    ],
    ['\\setbeamertemplate{theorems}[numbered]', 'Theorem 1 (Ebb)'],
  ])('%s', (preamble, said) => {
    const body =
      '\\begin{enumerate}\\item one\\end{enumerate}\\begin{itemize}\\item two\\end{itemize}\\begin{theorem}[Ebb]x\\end{theorem}';
    const page = frame(body, preamble, '{Tide}');
    expect(page.session.findings()).toEqual([]);
    expect(page.lines.map(({ text }) => text.replace(/\s+/g, ' ')).join('|')).toContain(said);
  });
  it('the title page is that of the document, with what it inserts', () => {
    const preamble =
      '\\title{Tides}\\author{Marlow}\\setbeamertemplate{title page}{by \\insertauthor: \\inserttitle}';
    expect(frame('\\titlepage', preamble).text).toContain('by Marlow: Tides');
    expect(frame('\\titlepage', '\\title{Tides}\\titlegraphic{LOGO}').text).toContain('LOGO');
  });
  it('those that nothing comes of are told of', () => {
    const source = talk('\\begin{frame}a\\end{frame}', '\\setbeamertemplate{note page}[plain]');
    expect(findingsIn(source).map(({ kind }) => kind)).toEqual(['key-without-effect']);
  });
  it('margins are those that are said', () => {
    const page = frame('text', '\\setbeamersize{text margin left=20pt,text margin right=40pt}');
    expect(page.word('text').x).toBeCloseTo(20, 0);
  });
});

it('frames of an appendix are counted by themselves', () => {
  const foot = '\\setbeamertemplate{footline}{\\insertframenumber/\\inserttotalframenumber}';
  const one = '\\begin{frame}x\\end{frame}';
  const load = `\\usepackage{appendixnumberbeamer}${foot}`;
  const numbers = (body: string): string[] =>
    linesOf(typeset(talk(body, load))).filter((line) => /^\d\/\d$/.test(line));
  expect(numbers(`${one}${one}\\appendix ${one}`)).toEqual(['1/2', '2/2', '1/1']);
  expect(numbers(`${one}${one}`)).toEqual(['1/2', '2/2']);
});

it.each(['default', 'Madrid', 'Warsaw'])(
  'a frame of a command is as one of an environment: the title page of %s',
  (theme) => {
    const preamble = `\\usetheme{${theme}}\\title{Tides}\\subtitle{Low}\\author{Ada}`;
    const at = (body: string) => {
      const { word, rules } = laid(talk(body, preamble));
      return [word('Tides'), word('Low'), word('Ada').y, rules];
    };
    expect(at('\\frame{\\titlepage}')).toEqual(at('\\begin{frame}\\titlepage\\end{frame}'));
  },
);
