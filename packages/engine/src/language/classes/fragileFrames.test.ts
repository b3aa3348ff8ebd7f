import { describe, expect, it } from 'vitest';
import type { Session } from '../../index';
import { findingsIn, linesOf, typeset, waysIn } from '../../testing/document';

const CODE = 'def tide(n):\n    return n % 2  # {';
/** All lines without blanks: letters in columns have some between them. */
const bare = (session: Session): string => linesOf(session).join('|').replace(/\s/g, '');

const talk = (frame: string): string =>
  `\\documentclass{beamer}\n\\usepackage{listings}\n\\begin{document}\n${frame}\n\\end{document}\n`;

describe('text as it is typed in frames', () => {
  it.each([
    ['\\begin{verbatim}', '\\end{verbatim}'],
    ['\\begin{lstlisting}', '\\end{lstlisting}'],
  ])('keeps its lines and signs: %s', (begin, end) => {
    const frame = `\\begin{frame}[fragile]{Code}\n${begin}\n${CODE}\n${end}\nafter \\verb|a%b_c|\n\\end{frame}`;
    const session = typeset(talk(frame));
    expect(session.findings()).toEqual([]);
    const text = bare(session);
    expect(text).toContain('deftide(n):|returnn%2#{|');
    expect(text).toContain('a%b_c');
  });
  it('on every step', () => {
    const frame = `\\begin{frame}[fragile]\n\\begin{verbatim}\n${CODE}\n\\end{verbatim}\n\\pause more\n\\end{frame}`;
    expect(bare(typeset(talk(frame))).split('returnn%2')).toHaveLength(3);
  });
});

describe('a frame that is not fragile', () => {
  it.each([
    ['\\begin{frame}', '\\begin{frame}[fragile]'],
    ['\\begin{frame}{Title}', '\\begin{frame}[fragile]{Title}'],
    ['\\begin{frame}[t]', '\\begin{frame}[fragile,t]'],
    ['\\begin{frame}<1>[t]', '\\begin{frame}<1>[fragile,t]'],
    ['\\begin{frame}[<+->][t]', '\\begin{frame}[<+->][fragile,t]'],
  ])('is told of, once, and mended: %s', (begin, mended) => {
    const source = talk(
      `${begin}\n\\begin{verbatim}\na % b\n\\end{verbatim}\n\\verb|x|\\pause y\n\\end{frame}`,
    );
    expect(findingsIn(source).map(({ kind }) => kind)).toEqual(['frame-not-fragile']);
    const [way] = waysIn(source);
    expect(way?.fixed).toContain(`${mended}\n\\begin{verbatim}`);
    expect(findingsIn(way?.fixed ?? '')).toEqual([]);
  });
  it('is fine without such text', () => {
    expect(findingsIn(talk('\\begin{frame}{Title}\nText, \\url{a_b}\n\\end{frame}'))).toEqual([]);
  });
});
