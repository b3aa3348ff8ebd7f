import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { drawn } from '../../testing/drawn';
import { laidBody } from '../../testing/layout';

const says = (preamble: string, body: string): string =>
  laidBody(body, preamble).text.replace(/\s+/g, ' ');

describe('Heads and feet by their sides', () => {
  it('stand where they are said to', () => {
    const { word } = laidBody(
      'x',
      '\\usepackage{scrlayer-scrpage}\\clearpairofpagestyles\\ihead{in}\\chead{mid}\\ohead{out}\\ofoot*{\\pagemark}',
    );
    expect(word('in').x).toBeLessThan(word('mid').x);
    expect(word('mid').x).toBeLessThan(word('out').x);
    expect(word('1').y).toBeGreaterThan(600);
  });
  it('of a KOMA class are those of the class', () => {
    const text = `\\documentclass{scrartcl}\\usepackage{scrlayer-scrpage}\\ihead{Sheet}\\begin{document}x\\end{document}`;
    expect(findingsIn(text)).toEqual([]);
  });
  it.each([
    ['\\cfoot{\\pagemark}', false],
    ['\\cfoot*{\\pagemark}', true],
    ['\\ohead{A}\\cfoot*{\\pagemark}', true],
  ])('are on plain pages when they are said with a star: %s', (fields, shown) => {
    const preamble = `\\usepackage{scrlayer-scrpage}\\clearpairofpagestyles ${fields}`;
    const { text } = laidBody('x\\thispagestyle{plain}', preamble);
    expect(/1/.test(text)).toBe(shown);
    expect(laidBody('x', preamble).text).toMatch(/1/);
  });
  it('have a line where the option asks for it', () => {
    const rules = (option: string): number =>
      laidBody('x', `\\usepackage[${option}]{scrlayer-scrpage}`).rules.length;
    expect(rules('headsepline')).toBe(rules('automark') + 1);
  });
});

describe('Lists and references', () => {
  it.each([
    [
      '\\usepackage{nomencl}\\makenomenclature',
      '\\nomenclature{H}{height}\\nomenclature{T}{time}x\\printnomenclature',
      /Nomenclature.*H ?height.*T ?time/,
    ],
    [
      '\\usepackage{prettyref}\\newrefformat{tide}{Tide~\\ref{#1}}',
      '\\section{S}\\label{sec:s}\\label{tide:t}\\prettyref{sec:s}, \\prettyref{tide:t}',
      /Section 1, Tide 1/,
    ],
    [
      '\\usepackage{tocbibind}',
      '\\tableofcontents\\begin{thebibliography}{9}\\bibitem{a} b\\end{thebibliography}',
      /Contents.*References.*References/,
    ],
    ['\\usepackage[symbol]{footmisc}', 'x\\footnote{y}', /x∗.*∗ ?y/],
    [
      '\\usepackage{mdwlist}',
      '\\begin{enumerate*}\\item a\\item b\\end{enumerate*}',
      /1\. a.*2\. b/,
    ],
    ['\\usepackage{quoting}', '\\begin{quoting}tide\\end{quoting}', /tide/],
    ['\\usepackage{changes}', '\\added{a}\\deleted{b}\\replaced{c}{d}', /ab ?c ?d/],
    ['\\usepackage{circledsteps}', 'Step \\Circled{7}', /Step ?7/],
  ])('%s', (preamble, body, printed) => {
    expect(says(preamble, body)).toMatch(printed);
    expect(
      findingsIn(inArticle(body, preamble)).filter(({ kind }) => kind !== 'label-unused'),
    ).toEqual([]);
  });
});

describe('Space seen by two angles', () => {
  const ends = (body: string): (readonly number[])[] =>
    drawn(
      `\\end{tikzpicture}\\tdplotsetmaincoords{60}{30}\\begin{tikzpicture}[tdplot_main_coords]\\draw[red] (0,0,0) -- (0.1pt,0,0);${body}`,
      '\\usepackage{tikz-3dplot}',
    )
      .paths.at(-1)
      ?.points.map((point) => [...point]) ?? [];
  const CM = 28.4527;
  const [theta, phi] = [Math.PI / 3, Math.PI / 6];
  it.each([
    ['(1,0,0)', Math.cos(phi), -Math.cos(theta) * Math.sin(phi)],
    ['(0,1,0)', Math.sin(phi), Math.cos(theta) * Math.cos(phi)],
    ['(0,0,1)', 0, Math.sin(theta)],
  ])('an axis lies where the view has it: %s', (to, x, y) => {
    const [from = [0, 0], end = [0, 0]] = ends(`\\draw (0,0,0) -- ${to};`);
    expect((end[0] ?? 0) - (from[0] ?? 0)).toBeCloseTo(x * CM, 0);
    expect((end[1] ?? 0) - (from[1] ?? 0)).toBeCloseTo(y * CM, 0);
  });
  it('a point by its distance and angles', () => {
    const [from = [0, 0], end = [0, 0]] = ends(
      '\\tdplotsetcoord{P}{1}{0}{0}\\draw (0,0,0) -- (P);',
    );
    expect((end[1] ?? 0) - (from[1] ?? 0)).toBeCloseTo(Math.sin(theta) * CM, 0);
  });
});

describe('Options of lists by level', () => {
  const NESTED =
    '\\begin{enumerate}\\item x\\begin{enumerate}\\item y\\begin{itemize}\\item z\\end{itemize}\\end{enumerate}\\end{enumerate}';
  it.each([
    ['\\setlist[enumerate,1]{label=A\\arabic*}', /A1 x.*\(a\) y/],
    ['\\setlist[enumerate,2]{label=B\\arabic*}', /1\. x.*B1 y/],
    ['\\setlist[enumerate]{label=C\\arabic*}', /C1 x.*C1 y/],
    ['\\setlist[enumerate,1,2]{label=D\\arabic*}', /D1 x.*D1 y/],
    ['\\setlist[1]{label=E}', /E x.*\(a\) y/],
    ['\\setlist[3]{label=F}', /1\. x.*\(a\) y.*F z/],
  ])('%s', (line, printed) => {
    expect(says(`\\usepackage{enumitem}${line}`, NESTED)).toMatch(printed);
  });
});

describe('Parts of the title', () => {
  it('are printed without their notes', () => {
    const body = '\\maketitle \\theauthor, \\thetitle';
    const preamble = '\\usepackage{titling}\\title{T\\thanks{n}}\\author{Wick\\thanks{m}}\\date{}';
    const text = says(preamble, body);
    expect(text).toContain('Wick, T |');
    expect(text.match(/∗/g)).toHaveLength(2);
  });
});
