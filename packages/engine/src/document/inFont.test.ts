import { describe, expect, it } from 'vitest';
import { laid, laidBody } from '../testing/layout';

const LABEL =
  '\\begin{thebibliography}{9}\\bibitem[\\textbf{ebb} \\textcolor{blue}{flow}]{t} T\\end{thebibliography}';
const cited = (around: string) =>
  laidBody(`${around}{\\cite{t}}\n\n${LABEL}`, '\\usepackage{xcolor}');

describe('what a reference prints', () => {
  it.each([
    ['', 0, 0x0000ff],
    ['\\textcolor{red}', 0xff0000, 0x0000ff],
  ])('has the colour of the text around it, but for what has its own: %s', (around, plain, own) => {
    const page = cited(around);
    expect([page.word('ebb').color, page.word('flow').color]).toEqual([plain, own]);
  });
  it('is covered with it', () => {
    const talk = `\\documentclass{beamer}\\begin{document}\\begin{frame}x\\uncover<2>{\\cite{t}}\\end{frame}\\begin{frame}${LABEL}\\end{frame}\\end{document}`;
    const { lines } = laid(talk);
    const count = (page: number): number =>
      lines.filter((line) => line.page === page && line.text.includes('ebb')).length;
    expect([count(0), count(1)]).toEqual([0, 1]);
  });
});

describe('the type of what a reference prints', () => {
  it('is that around it, with what its label changes', () => {
    const page = laidBody(
      '\\bfseries\\footnotesize\\cite{t}\n\n\\mdseries\\normalsize\\begin{thebibliography}{9}\\large\\bibitem[ebb \\textit{flow}]{t} T\\end{thebibliography}',
    );
    const [ebb, flow] = [page.word('ebb'), page.word('flow')];
    expect([Math.round(ebb.size), Math.round(flow.size)]).toEqual([8, 8]);
    expect(ebb.font).toMatch(/bold|bx/);
    expect(flow.font).not.toBe(ebb.font);
  });
});
