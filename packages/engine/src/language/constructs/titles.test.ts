import { describe, expect, it } from 'vitest';
import { pageText } from '../../index';
import { findingsIn, inArticle, typeset } from '../../testing/document';

const PREAMBLE =
  '\\usepackage{amsmath,amssymb,hyperref}\\newcommand{\\tide}{Tide}\\newcommand{\\of}[1]{of #1}\\newcommand{\\R}{\\mathbb{R}}';
const titleOf = (title: string): string =>
  typeset(inArticle(`\\section{${title}}\n\nText.`, PREAMBLE)).outline()[0]?.title ?? '';

describe('the title of a heading in the outline', () => {
  it.each([
    ['Low water', 'Low water'],
    ['\\emph{Low} water', 'Low water'],
    ['\\textbf{Low \\emph{water}}', 'Low water'],
    ['The \\tide', 'The Tide'],
    ['The \\tide{} falls', 'The Tide falls'],
    ['\\tide\\ \\of{six}', 'Tide of six'],
    ['Ebb\\label{ebb} and flood', 'Ebb and flood'],
    ['Ebb\\footnote{At six.}', 'Ebb'],
    ['Ebb~and flood', 'Ebb and flood'],
    ['  Ebb  ', 'Ebb'],
    ['{\\large Ebb}', 'Ebb'],
    ['On $x$', 'On x'],
    ['On $\\R$', 'On R'],
    ['Ebb --- flood', 'Ebb --- flood'],
    ['Ebb \\& flood', 'Ebb & flood'],
    ['Ebb\\, flood', 'Ebb flood'],
    ['', ''],
  ])('%j is %j', (given, title) => expect(titleOf(given)).toBe(title));
  it('is the same in every level, starred or not', () => {
    const levels = ['section', 'subsection', 'subsubsection', 'section*', 'subsection*'];
    const text = inArticle(levels.map((level) => `\\${level}{The \\tide}`).join('\n\n'), PREAMBLE);
    const titles = typeset(text)
      .outline()
      .map(({ title }) => title);
    expect(titles).toEqual(levels.map(() => 'The Tide'));
  });
  it('does not count twice what its macros count', () => {
    const counting =
      '\\newcounter{n}\\newcommand{\\tally}{\\stepcounter{n}\\arabic{n}}\\section{Ebb \\tally}\\section{Flood \\tally}\\arabic{n}';
    const session = typeset(inArticle(counting, PREAMBLE));
    expect(session.findings()).toEqual([]);
    const lines = session.outline().map(({ title }) => title.split(' ')[0]);
    expect(lines).toEqual(['Ebb', 'Flood']);
  });
  it('with a name that nobody defined is told of once', () => {
    const found = findingsIn(inArticle('\\section{Ebb \\nobody}', PREAMBLE));
    expect(found.map(({ kind }) => kind)).toEqual(['command-unknown']);
  });
  it('that never ends lets the document go on', () => {
    const text = inArticle('\\def\\a{x\\a}\\section{\\a}\n\nAfter.', PREAMBLE);
    const kinds = typeset(text)
      .findings()
      .map(({ kind }) => kind);
    expect(kinds).toContain('macro-runaway');
  });
});

describe('what \\autoref calls a thing', () => {
  const body = [
    '\\section{S}\\label{s}\\subsection{U}\\label{u}\\subsubsection{V}\\label{v}',
    '\\begin{equation}\\label{e}a\\end{equation}',
    '\\begin{figure}x\\caption{F}\\label{f}\\end{figure}',
    '\\begin{table}x\\caption{T}\\label{t}\\end{table}',
    '\\begin{enumerate}\\item\\label{i} x\\end{enumerate}',
    '\\begin{lemma}\\label{l} x\\end{lemma}',
  ].join('\n\n');
  const preamble = `${PREAMBLE}\\usepackage{amsthm}\\newtheorem{lemma}{Lemma}`;
  it.each([
    ['s', 'section 1'],
    ['u', 'subsection 1.1'],
    ['v', 'subsubsection 1.1.1'],
    ['e', 'Equation 1'],
    ['f', 'Figure 1'],
    ['t', 'Table 1'],
    ['i', 'item 1'],
    ['l', 'Lemma 1'],
  ])('%s: %s', (label, says) => {
    const session = typeset(inArticle(`${body}\n\nSee \\autoref{${label}}.`, preamble));
    const [, found] = /See (.*)\./.exec(linesText(session)) ?? [];
    expect(found).toBe(says);
  });
});

/** All words of a session's pages. */
function linesText(session: ReturnType<typeof typeset>): string {
  return session.pages
    .map((page) => session.describe(page))
    .flatMap((description) => pageText(description, session.fonts))
    .join('\n');
}
