import { describe, expect, it } from 'vitest';
import { findingsIn, textFiles, typeset } from '../../testing/document';
import { laid } from '../../testing/layout';
import { slideWords } from '../../testing/slides';
import { OPERATIONS } from '../../output/display/schema';

const talk = (body: string, preamble = ''): string =>
  `\\documentclass[xcolor=table]{beamer}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
const frameOf = (body: string, preamble = ''): string =>
  talk(`\\begin{frame}[fragile]\n${body}\n\\end{frame}`, preamble);

const FILES = textFiles({
  'a.svg': '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>',
});

const bare = (text: string): string => text.replace(/\s/g, '');

/** How many paths, rules and pictures each slide has beyond those of an empty frame. */
function drawnOn(body: string, preamble = ''): number[] {
  const count = (source: string): number[] => {
    const session = typeset(source, FILES);
    return session.pages.map((page) => {
      const kinds = Array.from(session.describe(page).operationKind, (kind) => OPERATIONS[kind]);
      return kinds.filter((kind) => kind === 'path' || kind === 'rule' || kind === 'picture')
        .length;
    });
  };
  const [none = 0] = count(frameOf('x', preamble));
  return count(frameOf(body, preamble)).map((many) => many - none);
}

/** beamer user guide, section 9.3. */
describe('a command with steps behind its name', () => {
  it.each(['textbf', 'textit', 'textrm', 'texttt', 'emph', 'underline', 'structure'])(
    '\\%s is itself on its steps, and plain text on others',
    (name) => {
      const source = frameOf(`ebb \\${name}<2>{tide} \\onslide<3>`);
      const page = laid(source);
      const of = (nth: number) => {
        const { font, color } = page.word('tide', nth);
        const lines = drawnOn(`ebb \\${name}<2>{tide} \\onslide<3>`)[nth - 1];
        return JSON.stringify([font, color, lines]);
      };
      expect(of(1)).toBe(of(3));
      expect(of(2)).not.toBe(of(1));
      expect(findingsIn(source)).toEqual([]);
    },
  );
  it.each([
    ['a\\color<2>{red} b', ['a b', 'a b']],
    ['a \\footnote<2>{note}', ['a', 'a 1 1 note']],
    ['a \\hyperlink<2>{x}{go}', ['a', 'a go']],
    ['\\frametitle<1>{Ebb}\\frametitle<2>{Flow}a', ['Ebb a', 'Flow a']],
    ['\\label<2>{l}a \\ref{l}\\only<2>{b}', null],
    ['$\\color<2>{red} x \\textbf<2>{y}$', ['𝑥𝑦', '𝑥y']],
    ['\\begin{tabular}{l}\\rowcolor<2>{yellow} a\\end{tabular}', ['a', 'a']],
  ])('%s', (body, wanted) => {
    const source = frameOf(body);
    expect(findingsIn(source)).toEqual([]);
    if (wanted) expect(slideWords(source).map(bare)).toEqual(wanted.map(bare));
  });
  it('may stand in a macro', () => {
    const page = laid(frameOf('\\mine{tide}\\pause', '\\newcommand\\mine[1]{\\textbf<2>{#1}}'));
    expect(page.word('tide', 1).font).not.toBe(page.word('tide', 2).font);
  });
  it('is one’s own where it is defined anew', () => {
    expect(slideWords(frameOf('\\emph{a}', '\\renewcommand\\emph[1]{(#1)}'))).toEqual(['(a)']);
  });
  it.each([
    ['presentation', 'Section 1 One'],
    ['article', ''],
  ])('\\section<%s>', (mode, wanted) => {
    const source = talk(
      `\\section<${mode}>{One}\\begin{frame}\\ifnum\\value{section}>0 \\sectionpage\\fi\\end{frame}`,
    );
    expect(slideWords(source)[0]?.trim()).toBe(wanted);
  });
});

/** beamer user guide, section 9.6.1. */
describe('commands of one’s own that take steps', () => {
  it.each([
    ['\\newcommand<>{\\hl}[1]{\\only#2{[}#1\\only#2{]}}', '\\hl<2>{a}', ['a', '[a]']],
    ['\\newcommand<>{\\hl}[1]{\\only#2{[}#1\\only#2{]}}', '\\hl{a}\\pause', ['[a]', '[a]']],
    ['\\newcommand<>{\\hl}{\\only#1{x}}', 'a\\hl<2>', ['a', 'ax']],
    ['\\newcommand<>{\\hl}[2][d]{\\only#3{#1}#2}', '\\hl<2>{a}\\hl<2>[e]{b}', ['ab', 'daeb']],
    ['\\renewcommand<>{\\emph}[1]{\\only#2{(}#1\\only#2{)}}', '\\emph<2>{a}', ['a', '(a)']],
    [
      '\\newenvironment<>{warn}[1]{\\begin{block}#2{#1}}{\\end{block}}',
      'x \\begin{warn}<2>{T}a\\end{warn}',
      ['x', 'x T a'],
    ],
    ['\\newenvironment<>{warn}{\\only#1{b}}{e}', '\\begin{warn}<2>a\\end{warn}', ['ae', 'bae']],
  ])('%s %s', (preamble, body, wanted) => {
    const source = frameOf(body, preamble);
    expect(slideWords(source)).toEqual(wanted);
    expect(findingsIn(source)).toEqual([]);
  });
  it('are told of where their name is taken', () => {
    expect(findingsIn(frameOf('a', '\\newcommand<>{\\emph}[1]{#1}'))).toHaveLength(1);
  });
});

/** beamer user guide, section 9.4: what `\pause` and `\onslide` say holds beyond groups and environments. */
describe('what follows', () => {
  it.each([
    ['\\begin{itemize}\\item a\\pause\\item b\\end{itemize}c', ['▶ a', '▶ a ▶ b c']],
    ['d {a\\pause} b', ['d a', 'd a b']],
    ['a\\pause\\begin{block}{T}b\\end{block}', ['a', 'a T b']],
    ['d {\\onslide<2>a} b {\\onslide c} d', ['d c d', 'd a b c d']],
    ['\\textbf{a \\onslide<2->b} $\\onslide x$ c', ['a 𝑥 c', 'a b 𝑥 c']],
    ['\\begin{tabular}{cc}a&b\\\\\\pause c&d\\end{tabular} e', ['ab', 'ab cd e']],
    ['\\begin{tabular}{l<{\\onslide<2->}c<{\\onslide}r}a&b&c\\end{tabular} d', ['ac d', 'abc d']],
    ['\\uncover<3>{a\\pause b} c\\only<3>{}', ['', 'c', 'ab c']],
  ])('%s', (body, wanted) => {
    expect(slideWords(frameOf(body)).map(bare)).toEqual(wanted.map(bare));
  });
  it('begins anew with the next frame', () => {
    const frame = '\\begin{frame}a\\pause b\\end{frame}\\begin{frame}c\\end{frame}';
    expect(slideWords(talk(frame)).map(bare)).toEqual(['a', 'ab', 'c']);
  });
});

describe('what is covered is not drawn', () => {
  it.each([
    ['\\fbox{a}'],
    ['\\rule{1cm}{2pt}'],
    ['\\colorbox{yellow}{a}'],
    ['\\fcolorbox{red}{green}{a}'],
    ['$\\boxed{\\sqrt x}$'],
    ['\\underline{u}'],
    ['\\tikz\\draw[fill=red] (0,0) circle (.3) node {A};'],
    ['\\begin{tcolorbox}[title=T]a\\end{tcolorbox}'],
    ['\\begin{tcolorbox}[breakable,title=T]a\\end{tcolorbox}'],
    ['\\begin{tabular}{|l|}\\hline a\\\\\\cline{1-1}\\end{tabular}'],
    ['\\begin{tabular}{l}\\toprule\\rowcolor{yellow} a\\\\\\bottomrule\\end{tabular}'],
    ['\\includegraphics[width=1cm]{a.svg}'],
    ['\\par\\hrule'],
    ['\\begin{lstlisting}[frame=single]\nx\n\\end{lstlisting}\n'],
    ['\\begin{block}{T}a\\end{block}'],
    ['\\begin{beamercolorbox}[sep=2pt]{title}a\\end{beamercolorbox}'],
  ])('%s', (body) => {
    const preamble =
      '\\usetheme{Madrid}\\setbeamercolor{title}{bg=red}\\usepackage{tikz,listings,booktabs}\\usepackage[most]{tcolorbox}';
    const [first, second] = drawnOn(`a\\pause\n${body}`, preamble);
    expect(first).toBe(0);
    expect(second).toBeGreaterThan(0);
  });
  it.each([
    '\\begin{block}{T}a\\pause b\\end{block}',
    '\\begin{tcolorbox}a\\pause b\\end{tcolorbox}',
    '\\begin{tabular}{|l|}\\hline a\\\\\\pause b\\end{tabular}',
  ])('but what began before is: %s', (body) => {
    const [first, second] = drawnOn(body, '\\usetheme{Madrid}\\usepackage{tcolorbox}');
    expect(first).toBe(second);
  });
});

/** beamer user guide, section 11.1. */
describe('frames with labels', () => {
  it('are places that links lead to, each of their steps too', () => {
    const session = typeset(
      talk('\\begin{frame}[label=tides]a\\pause b\\end{frame}\\againframe<2>{tides}'),
    );
    const places = session.pages.map((page) => session.describe(page).anchorName);
    expect(places.slice(0, 2)).toEqual([['tides', 'tides<1>'], ['tides<2>']]);
  });
});

describe('frames of boxes', () => {
  it('have the colour of the text', () => {
    const rules = (body: string): number[] => {
      const session = typeset(frameOf(`\\color{red}${body}`));
      return session.pages.flatMap((page) => Array.from(session.describe(page).rulePaint));
    };
    expect(rules('\\fbox{a}')).toContain(0xff0000);
    expect(rules('\\begin{tabular}{c}\\hline a\\end{tabular}')).toContain(0xff0000);
  });
});
