import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const clean = (line: string): string => line.replace(/[ \u00a0.]+/g, ' ').trim();
const report = (preamble: string, body: string): string =>
  `\\documentclass{report}${preamble}\\begin{document}${body}\\end{document}`;
const lines = (text: string): string => {
  expect(findingsIn(text)).toEqual([]);
  return linesOf(typeset(text))
    .map(clean)
    .filter((line) => line !== '')
    .join(' | ');
};

const CHAPTERS = (what: string): string =>
  `\\chapter{One}${what}\\section{Ebb}x\\subsection{Low}\\section{Flood}\\chapter{Two}${what}\\section{Calm}`;

/** minitoc manual, section 1. */
describe('contents of a chapter at its head', () => {
  const said = '\\usepackage{minitoc}\\dominitoc';
  it('hold what is in it and nothing else', () => {
    const text = lines(report(said, `\\tableofcontents${CHAPTERS('\\minitoc')}`));
    expect(text).toContain(
      'Chapter 1 | One | Contents | 1 1 Ebb 2 | 1 1 1 Low 2 | 1 2 Flood 2 | 1 1 Ebb',
    );
    expect(text).toContain('Chapter 2 | Two | Contents | 2 1 Calm 3 | 2 1 Calm');
  });
  it('down to a level, under a title of their own', () => {
    const own = '\\mtcsetdepth{minitoc}{1}\\mtcsettitle{minitoc}{Here}';
    const text = lines(report(said + own, CHAPTERS('\\minitoc')));
    expect(text).toContain('One | Here | 1 1 Ebb 1 | 1 2 Flood 1 | 1 1 Ebb');
  });
  it('between two rules, or none', () => {
    const rules = (own: string): number =>
      laidBody('\\section{A}\\secttoc\\subsection{B}', `\\usepackage{minitoc}${own}`).rules.length;
    expect(rules('')).toBe(2);
    expect(rules('\\mtcsetrules{secttoc}{off}')).toBe(0);
  });
  it('follow what is typed', () => {
    const text = report(said, CHAPTERS('\\minitoc'));
    const session = typeset(text);
    const at = text.indexOf('\\section{Flood}');
    session.edit(at, at, '\\section{Slack}');
    session.settleAll();
    expect(linesOf(session)).toEqual(linesOf(typeset(session.text)));
    expect(linesOf(session).map(clean).join(' | ')).toContain('1 2 Slack 1 | 1 3 Flood 1');
  });
});

/** etoc manual, part 1. */
describe('contents of the section they stand in', () => {
  const said = '\\usepackage{etoc}';
  const body = (style: string): string =>
    `${style}\\section{One}\\localtableofcontents\\subsection{Ebb}\\subsection{Flood}\\section{Two}\\subsection{Calm}`;
  it('hold what is below it', () => {
    const text = lines(inArticle(body(''), said));
    expect(text).toContain('1 One | Contents | 1 1 Ebb 1 | 1 2 Flood 1 | 1 1 Ebb');
  });
  it('with what is said to stand above and below', () => {
    const text = lines(inArticle(body('\\etocsettocstyle{\\textbf{Here:}\\par}{End.}'), said));
    expect(text).toContain('1 One | Here: | 1 1 Ebb 1 | 1 2 Flood 1 | End | 1 1 Ebb');
  });
});

describe('how deep contents of a section go', () => {
  const deep =
    '\\subsection{Ebb}\\subsubsection{Low}\\paragraph{Lower}\\subsection{Flood}\\section{Two}\\subsection{Calm}';
  const here = (what: string): string => {
    const text = lines(
      inArticle(`\\section{One}${what}${deep}`, '\\usepackage{etoc}\\etocsettocstyle{C:\\par}{.E}'),
    );
    return (/C: \| (.*?) ?\| E/.exec(text)?.[1] ?? '').replace(/[\d| ]+/g, ' ').trim();
  };
  it.each([
    ['\\localtableofcontents', 'Ebb Low Flood'],
    ['\\localtableofcontentswithrelativedepth{+1}', 'Ebb Flood'],
    ['\\localtableofcontentswithrelativedepth{+2}', 'Ebb Low Flood'],
    ['\\etocsetnexttocdepth{subsection}\\localtableofcontents', 'Ebb Flood'],
    ['\\etocsetnexttocdepth{4}\\localtableofcontents', 'Ebb Low Lower Flood'],
    ['\\etocsettocdepth{2}\\localtableofcontents', 'Ebb Flood'],
  ])('%s', (what, shown) => expect(here(what)).toBe(shown));
  it('holds for the next contents alone where that is said', () => {
    const body =
      '\\etocsetnexttocdepth{1}\\tableofcontents\\section{One}\\localtableofcontents\\subsection{Ebb}';
    const text = lines(inArticle(body, '\\usepackage{etoc}'));
    expect(text.match(/Ebb/g)).toHaveLength(2);
  });
});

/** titlesec manual, section 6. */
describe('lines of contents by design', () => {
  const toc = (design: string): string =>
    lines(
      inArticle(
        '\\tableofcontents\\section{Ebb}\\section*{Flood}\\addcontentsline{toc}{section}{Flood}\\subsection{Low}',
        `\\usepackage{titletoc}${design}`,
      ),
    );
  it('with a number and without', () => {
    const design =
      '\\titlecontents{section}[2em]{}{N\\thecontentslabel: }{free: }{ on \\thecontentspage}';
    expect(toc(design)).toContain('Contents | N1: Ebb on 1 | free: Flood on 1 | 1 1 Low 1');
  });
  it('the number stands in the margin, the text where it is said', () => {
    const design = '\\usepackage{titletoc}\\dottedcontents{section}[40pt]{}{30pt}{1pc}';
    const { word } = laidBody('\\tableofcontents\\section{Ebb}', design);
    expect(word('Ebb').x - word('1').x).toBeCloseTo(30, 1);
  });
  it('dots stand as far apart as is said', () => {
    const gap = (width: string): number => {
      const design = `\\usepackage{titletoc}\\dottedcontents{section}[2em]{}{2em}{${width}}`;
      const { word } = laidBody('\\tableofcontents\\section{Ebb}', design);
      return word('.', 3).x - word('.', 2).x;
    };
    expect(gap('12pt')).toBeCloseTo(12, 1);
    expect(gap('6pt')).toBeCloseTo(6, 1);
  });
});

/** The TeXbook, chapter 21. */
describe('leaders', () => {
  const fill = (what: string): ReturnType<typeof laidBody> => laidBody(`\\noindent a${what}b`);
  it.each([
    ['\\leaders\\hbox to 20pt{\\hss x\\hss}\\hfill ', 20],
    ['\\leaders\\hbox to 30pt{\\hss x\\hss}\\hskip 200pt ', 30],
    ['\\cleaders\\hbox to 25pt{x\\hss}\\hspace{180pt}', 25],
  ])('%s', (what, gap) => {
    const { word } = fill(what);
    expect(word('x', 3).x - word('x', 2).x).toBeCloseTo(gap, 1);
  });
  it('a rule as high as is said fills the line', () => {
    const { rules } = fill('\\leaders\\hrule height 3pt depth 1pt\\hfill ');
    expect(rules[0]?.height).toBeCloseTo(4, 1);
    expect(rules[0]?.width).toBeGreaterThan(300);
  });
});
