import { describe, expect, it } from 'vitest';
import { PT, toBp } from '../../base/lengths';
import { NO_PORT, walkPage } from '../../output/display/walk';
import { findingsIn } from '../../testing/document';
import { laid, type Laid } from '../../testing/layout';

const slides = (preamble: string, body: string, options = ''): string =>
  `\\documentclass[${options}]{beamer}${preamble}\\title[Short]{A long title}\\author{A. Wick \\and B. Quill}\\institute{HU}\\date{May}\\begin{document}${body}\\end{document}`;
const set = (preamble: string, body: string, options?: string): Laid =>
  laid(slides(preamble, body, options));
const told = (source: string): string[] =>
  findingsIn(source)
    .map(({ kind }) => kind)
    .filter((kind) => kind !== 'title-not-printed');
const FRAME = '\\begin{frame}{Tides}\\begin{block}{Rule}Low.\\end{block}\\end{frame}';

/** Everything filled on a page: colour, upper edge and height in pt. */
function filled({ session }: Laid, page = 0) {
  const out: { paint: number; top: number; height: number }[] = [];
  walkPage(session.describe(session.pages[page] as never), {
    ...NO_PORT,
    rule: ({ paint, y, height }) =>
      void out.push({ paint, top: y / toBp(PT), height: height / toBp(PT) }),
    path: ({ fill, trace, map }) => {
      const ys: number[] = [];
      const { b, d, f } = map ?? { b: 0, d: 1, f: 0 };
      const take = (x: number, y: number): void => void ys.push((b * x + d * y + f) / toBp(PT));
      trace({
        moveTo: take,
        lineTo: take,
        bezierCurveTo: (_a, _b, _c, _d, x, y) => take(x, y),
        closePath: () => undefined,
      });
      if (fill !== null)
        out.push({ paint: fill, top: Math.min(...ys), height: Math.max(...ys) - Math.min(...ys) });
    },
  });
  return out;
}

describe('Themes of slides', () => {
  it.each(['Madrid', 'Warsaw', 'Berlin', 'CambridgeUS', 'metropolis', 'Copenhagen'])(
    '%s has a bar behind its titles, at the top',
    (name) => {
      const laidOut = set(`\\usetheme{${name}}`, FRAME);
      const bar = filled(laidOut).find(({ top, height }) => top < 1 && height > 20 && height < 60);
      expect(bar).toBeDefined();
      expect(laidOut.word('Tides').y).toBeLessThan(bar?.height ?? 0);
      expect(told(slides(`\\usetheme{${name}}`, FRAME))).toEqual([]);
    },
  );
  it('lines at the foot say who, what and where', () => {
    const { text } = set('\\usetheme{Madrid}', FRAME + FRAME);
    expect(text.replace(/\s+/g, ' ')).toMatch(
      /A\. Wick ?, ?B\. Quill \(HU\).*Short.*May ?1 ?\/ ?2/,
    );
  });
  it.each([
    ['', false],
    ['\\usetheme{default}', false],
    ['\\usetheme{Madrid}', true],
    ['\\usecolortheme{orchid}', true],
    ['\\setbeamercolor{block title}{bg=blue,fg=white}', true],
  ])('blocks have grounds where the theme has them: %s', (preamble, has) => {
    const grounds = filled(set(preamble, FRAME)).filter(
      ({ top, height }) => top > 60 && height > 5,
    );
    expect(grounds.length > 0).toBe(has);
  });
  it('colours are those that are set', () => {
    const laidOut = set('\\usetheme{metropolis}\\setbeamercolor{frametitle}{bg=red}', FRAME);
    expect(filled(laidOut).some(({ paint, top }) => paint === 0xff0000 && top < 1)).toBe(true);
    const plain = set('\\usetheme{default}\\setbeamercolor{structure}{fg=red}', FRAME);
    expect(plain.word('Tides').color).toBe(0xff0000);
  });
  it('a frame that stands out has few words, large, in the middle of a dark ground', () => {
    const laidOut = set('\\usetheme{metropolis}', '\\begin{frame}[standout]Ebb?\\end{frame}');
    const word = laidOut.word('Ebb?');
    expect(word.color).toBe(0xffffff);
    expect(word.size).toBeGreaterThan(13);
    expect((word.x + word.right) / 2).toBeCloseTo(364.19 / 2, 0);
    const grounds = filled(laidOut).filter(({ height }) => height > 250);
    expect(grounds.map(({ paint }) => paint)).toEqual([0x23373b]);
    expect(laidOut.text).not.toMatch(/Ebb\?.*1 ?\/ ?2/);
  });
  it('templates take lines off, plain frames have none', () => {
    const foot = (preamble: string, options = ''): boolean =>
      set(
        `\\usetheme{Madrid}${preamble}`,
        `\\begin{frame}${options}{Tides}x\\end{frame}`,
      ).text.includes('Short');
    expect(foot('')).toBe(true);
    expect(foot('\\setbeamertemplate{footline}{}')).toBe(false);
    expect(foot('', '[plain]')).toBe(false);
    expect(set('\\setbeamertemplate{footline}[frame number]', FRAME).text).toMatch(/1 ?\/ ?1/);
  });
  it('one that is not known is told', () => {
    expect(told(slides('\\usetheme{Nowhere}', FRAME))).toEqual(['option-unknown']);
  });
});

describe('Slides', () => {
  it('frames are counted, not their steps', () => {
    const body =
      '\\begin{frame}a\\pause b\\end{frame}\\begin{frame}[noframenumbering]c\\end{frame}\\begin{frame}d\\end{frame}';
    const { text } = set('\\setbeamertemplate{footline}[frame number]', body);
    expect(text.replace(/\s+/g, '')).toMatch(/1\/2\|a.*2\/2\|d/);
  });
  it('before each section its frame', () => {
    const outline =
      '\\AtBeginSection[]{\\begin{frame}{Outline}\\tableofcontents[currentsection]\\end{frame}}';
    const { text } = set(
      outline,
      '\\section{Ebb}\\begin{frame}x\\end{frame}\\section{Flow}\\begin{frame}y\\end{frame}',
    );
    expect(text.match(/Outline/g)).toHaveLength(2);
    expect(text).not.toContain('currentsection');
  });
  it('a handout has each frame once, with all that it shows', () => {
    const { session, text } = set(
      '',
      '\\begin{frame}a\\pause b\\only<3>{c}\\begin{itemize}[<+->]\\item d\\end{itemize}\\end{frame}',
      'handout',
    );
    expect(session.pages).toHaveLength(1);
    for (const one of ['a', 'b', 'c', 'd']) expect(text).toContain(one);
  });
  it('what is not shown yet leaves nothing behind: no bracket, no bar', () => {
    const body =
      '\\begin{frame}a\\pause\\[\\begin{pmatrix}1\\end{pmatrix}\\frac12\\sqrt x\\]\\end{frame}';
    const laidOut = set('\\usetheme{default}', body);
    const ink = (page: number): number => {
      let count = 0;
      walkPage(laidOut.session.describe(laidOut.session.pages[page] as never), {
        ...NO_PORT,
        glyphs: ({ paint }) => void (paint >= 0 && count++),
        rule: ({ paint }) => void (paint >= 0 && count++),
      });
      return count;
    };
    expect(ink(0)).toBeLessThan(ink(1) - 3);
  });
  it.each(['theorem', 'lemma', 'definition', 'example'])(
    'a %s is a block with its note',
    (name) => {
      const { text } = set('', `\\begin{frame}\\begin{${name}}[Wick]x\\end{${name}}\\end{frame}`);
      expect(text.toLowerCase()).toContain(`${name} (wick)`);
    },
  );
  it('a block may say behind its title when it shows', () => {
    const source = slides('', '\\begin{frame}\\begin{block}{Rule}<2->Low.\\end{block}\\end{frame}');
    expect(told(source)).toEqual([]);
    expect(laid(source).session.pages).toHaveLength(2);
  });
});

describe('An outline', () => {
  const deck =
    '\\section{Ebb}\\subsection{Low}\\begin{frame}TOC\\end{frame}\\section{Flow}\\subsection{High}\\begin{frame}x\\end{frame}';
  const outline = (options: string) =>
    set('', deck.replace('TOC', `\\tableofcontents[${options}]`));
  const grey = (options: string, word: string): boolean => {
    const laid = outline(options);
    return (
      laid.word(word).color !== laid.word(word === 'Low' || word === 'High' ? 'Low' : 'Ebb').color
    );
  };
  it('has other sections stand back', () => {
    expect(grey('', 'Flow')).toBe(false);
    expect(grey('currentsection', 'Flow')).toBe(true);
    expect(grey('sectionstyle=show/shaded', 'Flow')).toBe(true);
    expect(grey('currentsection', 'High')).toBe(true);
  });
  it.each([
    ['hideallsubsections', [false, false]],
    ['currentsection,hideothersubsections', [true, false]],
    ['sectionstyle=show/hide,subsectionstyle=show/show/hide', [true, false]],
    ['', [true, true]],
  ])('leaves out what it is told to: %s', (options, shown) => {
    const { text } = outline(options);
    const first = text.split('| x')[0] ?? '';
    expect(['Low', 'High'].map((one) => first.includes(one))).toEqual(shown);
  });
});

describe('What a slide is made of', () => {
  it('a proof is a block, from a step on where that is said, its end mark too', () => {
    const body = '\\begin{frame}a\\begin{proof}<2->[Idea]Clear.\\end{proof}\\end{frame}';
    const { session, text } = set('\\usetheme{Madrid}', body);
    expect(session.pages).toHaveLength(2);
    expect(text.match(/Idea\./g)).toHaveLength(1);
    const ink = (page: number): number => {
      let count = 0;
      walkPage(session.describe(session.pages[page] as never), {
        ...NO_PORT,
        rule: ({ paint }) => void (paint >= 0 && count++),
      });
      return count;
    };
    expect(ink(0)).toBeLessThan(ink(1));
  });
  it('a mark at the end of a proof that is set where it is said to be', () => {
    const marks = (body: string): number =>
      set('', `\\begin{frame}\\begin{proof}${body}\\end{proof}\\end{frame}`).rules.length;
    expect(marks('a\\[b\\qedhere\\]')).toBe(marks('a'));
  });
  it('columns stand by their first lines, their edges, their middles', () => {
    const gap = (place: string): number => {
      const body = `\\begin{frame}\\begin{columns}[${place}]\\begin{column}{.4\\textwidth}ebb\\end{column}\\begin{column}{.4\\textwidth}\\rule{10pt}{60pt}flow\\end{column}\\end{columns}\\end{frame}`;
      const { word } = set('', body);
      return word('flow').y - word('ebb').y;
    };
    expect(gap('t')).toBeCloseTo(0, 0);
    expect(gap('T')).toBeGreaterThan(40);
    expect(gap('c')).toBeGreaterThan(15);
    expect(gap('b')).toBeCloseTo(0, 0);
  });
  it.each([
    ['beaver', 0xf2f2f2],
    ['dolphin', 0xe7e7f6],
  ])('a light theme has a light ground behind its titles: %s', (theme, ground) => {
    const laid = set(
      `\\usetheme{Madrid}\\usecolortheme{${theme}}`,
      '\\begin{frame}{Ebb}x\\end{frame}',
    );
    expect(filled(laid).some(({ paint }) => paint === ground)).toBe(true);
  });
});
