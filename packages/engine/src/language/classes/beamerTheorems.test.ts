import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid } from '../../testing/layout';
import { slideWords } from '../../testing/slides';

const talk = (body: string, preamble = '', options = ''): string =>
  `\\documentclass[${options}]{beamer}\n${preamble}\n\\begin{document}\n${body}\n\\end{document}\n`;
const frame = (body: string, options = ''): string => `\\begin{frame}${options}${body}\\end{frame}`;
/** beamer user guide, section 12.4. */
describe('statements of a talk', () => {
  const NUMBERED = '\\setbeamertemplate{theorems}[numbered]';
  it.each([
    ['\\begin{theorem}a\\end{theorem}', '', '', 'Theorem a'],
    ['\\begin{theorem}[Marr]a\\end{theorem}', NUMBERED, '', 'Theorem 1 (Marr) a'],
    [
      '\\begin{theorem}a\\end{theorem}\\begin{lemma}b\\end{lemma}',
      NUMBERED,
      '',
      'Theorem 1 a Lemma 2 b',
    ],
    ['\\begin{prop}a\\end{prop}', '\\newtheorem{prop}{Proposition}', '', 'Proposition a'],
    [
      '\\begin{prop}a\\end{prop}',
      `\\newtheorem{prop}{Proposition}${NUMBERED}`,
      '',
      'Proposition 1 a',
    ],
    [
      '\\begin{theorem}a\\end{theorem}\\begin{prop}b\\end{prop}',
      `\\newtheorem{prop}[theorem]{Proposition}${NUMBERED}`,
      '',
      'Theorem 1 a Proposition 2 b',
    ],
    ['\\begin{rem}a\\end{rem}', `\\newtheorem*{rem}{Remark}${NUMBERED}`, '', 'Remark a'],
    ['\\begin{theorem}\\label{t}a\\end{theorem} by \\ref{t}', '', '', 'Theorem a by 1'],
    ['\\begin{theorem}a\\end{theorem}', NUMBERED, 'envcountsect', 'Theorem 1.1 a'],
    ['\\begin{example}a\\end{example}', '\\usepackage[ngerman]{babel}', '', 'Beispiel a'],
    ['\\begin{theorem}a\\end{theorem}', '\\usepackage[french]{babel}', '', 'Théorème a'],
    ['\\begin{theorem}a\\end{theorem}', '\\newtheorem{theorem}{Satz}', 'notheorems', 'Satz a'],
  ])('%s %s %s: %s', (body, preamble, options, wanted) => {
    const source = talk(`\\section{S}${frame(body)}`, preamble, options);
    expect(slideWords(source)).toEqual([wanted]);
    expect(findingsIn(source)).toEqual([]);
  });
  it('of one’s own stand in blocks, those of the style of examples in theirs', () => {
    const color = (preamble: string): number =>
      laid(talk(frame('\\begin{prop}a\\end{prop}'), preamble)).word('Proposition').color;
    const block = laid(talk(frame('\\begin{block}{Title}a\\end{block}'))).word('Title').color;
    const example = laid(talk(frame('\\begin{exampleblock}{Title}a\\end{exampleblock}'))).word(
      'Title',
    ).color;
    expect(color('\\newtheorem{prop}{Proposition}')).toBe(block);
    expect(color('\\theoremstyle{example}\\newtheorem{prop}{Proposition}')).toBe(example);
  });
  it('count the same on each step', () => {
    const source = talk(
      frame('\\begin{prop}a\\end{prop}\\pause b\\stepcounter{tide}\\arabic{tide}'),
      `\\newtheorem{prop}{Proposition}${NUMBERED}\\newcounter{tide}\\resetcounteronoverlays{tide}`,
    );
    expect(slideWords(source)).toEqual(['Proposition 1 a', 'Proposition 1 a b1']);
  });
});

/** beamer user guide, section 8.2.1. */
describe('a frame that breaks', () => {
  const items = (count: number): string =>
    `\\begin{itemize}${Array.from({ length: count }, (_, i) => `\\item w${i}w`).join('')}\\end{itemize}`;
  const broken = (body: string, preamble = ''): string[] =>
    slideWords(talk(`\\begin{frame}[allowframebreaks]{Tides}${body}\\end{frame}`, preamble));
  it('has its title on each slide, with a number, and all that stands in it once', () => {
    const found = broken(items(40));
    expect(found.length).toBeGreaterThan(2);
    found.forEach((text, i) =>
      expect(text).toMatch(new RegExp(`^Tides ${['I', 'II', 'III', 'IV', 'V'][i]} `)),
    );
    const all = found.join(' ').match(/w\d+w/g);
    expect(all).toEqual(Array.from({ length: 40 }, (_, i) => `w${i}w`));
  });
  it('has no line below its foot', () => {
    const page = laid(talk(`\\begin{frame}[allowframebreaks]{Tides}${items(40)}\\end{frame}`));
    const height = (96 / 25.4) * 72.27;
    for (const { y } of page.lines) expect(y).toBeLessThan(height);
  });
  it.each([
    ['a\\framebreak b', ['Tides I a', 'Tides II b']],
    ['a\\newpage b', ['Tides I a', 'Tides II b']],
    ['a', ['Tides I a']],
  ])('%s', (body, wanted) => expect(broken(body)).toEqual(wanted));
  it('has the words that its template says', () => {
    const preamble = '\\setbeamertemplate{frametitle continuation}{(\\insertcontinuationcount)}';
    expect(broken('a\\framebreak b', preamble)).toEqual(['Tides (1) a', 'Tides (2) b']);
  });
});

/** beamer user guide, section 23.3. */
describe('rows of an alignment', () => {
  it.each([
    ['\\uncover<2->{&=b\\\\} \\uncover<3->{&=c}', ['𝑎=𝑥', '𝑎=𝑥=𝑏', '𝑎=𝑥=𝑏=𝑐']],
    ['\\only<2->{&=b\\\\} \\only<3->{&=c}', ['𝑎=𝑥', '𝑎=𝑥=𝑏', '𝑎=𝑥=𝑏=𝑐']],
    ['\\visible<2>{&=b\\\\} &=c', ['𝑎=𝑥=𝑐', '𝑎=𝑥=𝑏=𝑐']],
  ])('come one by one: %s', (rows, wanted) => {
    const source = talk(frame(`\\begin{align*}a&=x\\\\ ${rows}\\end{align*}`));
    expect(slideWords(source).map((text) => text.replace(/\s/g, ''))).toEqual(wanted);
    expect(findingsIn(source)).toEqual([]);
  });
  it('keep their places', () => {
    const page = laid(talk(frame('\\begin{align*}a&=x\\\\ \\uncover<2->{&=b}\\end{align*}')));
    expect(page.word('𝑎', 1).x).toBe(page.word('𝑎', 2).x);
    expect(page.word('𝑎', 1).y).toBe(page.word('𝑎', 2).y);
  });
});

describe('the outline', () => {
  it.each(['pausesections', 'hideallsubsections', 'currentsection,hideothersubsections'])(
    'is plain again behind one with %s',
    (options) => {
      const sections = '\\section{A}\\subsection{B}\\section{C}\\subsection{D}';
      const source = talk(
        `${frame(`\\tableofcontents[${options}]`)}${frame('\\tableofcontents')}${sections}${frame('x')}`,
      );
      expect(slideWords(source).at(-2)).toBe('A B C D');
    },
  );
});
