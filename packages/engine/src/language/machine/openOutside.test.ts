import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, typeset } from '../../testing/document';

const BOXES = '\\usepackage{tcolorbox}\\newtcolorbox{answer}[1]{title=#1}';

/** What is set in a box of its own ends nothing that was begun outside it. */
describe('an end within a title', () => {
  it.each(['\\end{answer}', '\\end{document}', '\\end{center}', '}\\end{answer}{'])(
    '%s does not make the box its own title',
    (end) => {
      for (const body of [
        `\\begin{answer}{one ${end} two}three\\end{answer}`,
        `\\begin{center}\\begin{answer}{one ${end} two}three\\end{answer}\\end{center}`,
      ]) {
        const session = typeset(inArticle(body, BOXES));
        expect(session.pages.length).toBe(1);
        expect(session.findings().length).toBeGreaterThan(0);
      }
    },
  );
  it.each(['\\mbox{', '\\parbox{3cm}{', '\\fbox{', '\\section{'])('nor in %s', (open) => {
    const body = `\\begin{quote}${open}a \\end{quote} b} c\\end{quote}`;
    expect(findingsIn(inArticle(body)).map(({ kind }) => kind)).toContain('end-without-begin');
  });
});

describe('counters that are there already', () => {
  it.each([
    ['\\newcounter{part}', ['counter-exists']],
    ['\\newcounter{section}[part]', ['counter-exists']],
    ['\\newcounter{chapter}', []],
    ['\\newcounter{tide}\\newcounter{tide}', ['counter-exists']],
  ])('%s', (preamble, kinds) => {
    const found = findingsIn(inArticle('a\\section{b}', preamble));
    expect(found.map(({ kind }) => kind)).toEqual(kinds);
  });
  it('that of the list at hand is known by its name', () => {
    const body =
      '\\begin{enumerate}\\item a\\addtocounter{\\csname @enumctr\\endcsname}{3}\\item b\\end{enumerate}';
    const session = typeset(inArticle(body));
    expect(session.findings()).toEqual([]);
    expect(JSON.stringify(session.describe(session.pages[0] as never))).toContain('5');
  });
});
