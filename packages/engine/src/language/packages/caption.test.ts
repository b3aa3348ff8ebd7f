import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const FIGURE = '\\begin{figure}[h]X\\caption{Tides}\\end{figure}';
const TABLE = '\\begin{table}[h]X\\caption{Tides}\\end{table}';
const says = (setup: string, body = FIGURE): string =>
  laidBody(body, `\\usepackage{caption,subcaption}${setup}`).text.replace(/\s+/g, ' ');

/** caption manual, sections 2 and 4. */
describe('captions as they are set up', () => {
  it.each([
    ['', 'Figure 1: Tides'],
    ['\\captionsetup{labelsep=period}', 'Figure 1. Tides'],
    ['\\captionsetup{labelsep=none}', 'Figure 1Tides'],
    ['\\DeclareCaptionLabelSeparator{bar}{ / }\\captionsetup{labelsep=bar}', 'Figure 1 / Tides'],
    ['\\captionsetup{labelformat=parens}', 'Figure (1): Tides'],
    ['\\captionsetup{labelformat=brace}', 'Figure 1): Tides'],
    ['\\captionsetup{labelformat=empty}', 'X | Tides'],
    ['\\DeclareCaptionLabelFormat{mine}{[#2]}\\captionsetup{labelformat=mine}', '[1]: Tides'],
    ['\\DeclareCaptionTextFormat{mine}{#1!}\\captionsetup{textformat=mine}', 'Figure 1: Tides!'],
    ['\\captionsetup[figure]{name=Fig.}', 'Fig. 1: Tides'],
    ['\\captionsetup[table]{name=Tab.}', 'Figure 1: Tides'],
  ])('%s', (setup, printed) => {
    expect(says(setup)).toContain(printed);
    expect(findingsIn(inArticle(FIGURE, `\\usepackage{caption}${setup}`))).toEqual([]);
  });
  it('for one kind of float leave the others alone', () => {
    const setup = '\\captionsetup[table]{labelsep=period,position=top}';
    expect(says(setup)).toContain('Figure 1: Tides');
    expect(says(setup, TABLE)).toContain('Table 1. Tides');
  });
  it('of parts have a letter in brackets, and their own look when it is said', () => {
    const part =
      '\\begin{figure}[h]\\begin{subfigure}{3cm}A\\caption{ebb}\\end{subfigure}\\caption{Both}\\end{figure}';
    expect(says('', part)).toContain('(a) ebb');
    expect(says('\\captionsetup[subfigure]{labelformat=simple,labelsep=colon}', part)).toContain(
      'a: ebb',
    );
  });
  it('hang below their text, within margins', () => {
    const long = `\\begin{figure}[h]X\\caption{${'ebb and flow '.repeat(12)}}\\end{figure}`;
    const at = (setup: string) =>
      laidBody(long, `\\usepackage{caption}${setup}`)
        .lines.slice(1, 3)
        .map(({ x }) => x);
    const [first = 0, second = 0] = at('\\captionsetup{format=hang}');
    expect(second - first).toBeGreaterThan(40);
    expect(second - first).toBeLessThan(50);
    const [plain = 0] = at('');
    expect((at('\\captionsetup{margin=1cm}')[0] ?? 0) - plain).toBeCloseTo(28.45, 0);
  });
});

describe('A caption of another kind than the float it stands in', () => {
  const body =
    '\\begin{figure}[h]\\begin{minipage}{.4\\linewidth}\\caption{Gauge}\\label{g}\\end{minipage}\\hfill' +
    '\\begin{minipage}{.4\\linewidth}CAPTION\\label{t}\\end{minipage}\\end{figure}See \\ref{g}, \\ref{t}.';
  it.each([
    ['by a command', '\\captionof{table}{Times}'],
    [
      'by what the float says it is',
      '\\makeatletter\\def\\@captype{table}\\makeatother\\caption{Times}',
    ],
  ])('is counted and named as its own: %s', (_what, caption) => {
    const text = inArticle(
      `\\begin{table}[h]\\caption{First}\\end{table}${body.replace('CAPTION', caption)}`,
      '\\usepackage{caption}',
    );
    expect(findingsIn(text)).toEqual([]);
    const lines = linesOf(typeset(text)).join(' ');
    expect(lines).toContain('Figure 1: Gauge');
    expect(lines).toContain('Table 2: Times');
    expect(lines).toContain('See 1, 2.');
  });
  it('and the float goes on as what it is', () => {
    const text = inArticle(
      '\\begin{figure}[h]\\captionof{table}{Times}\\caption{Gauge}\\end{figure}',
      '\\usepackage{caption}',
    );
    expect(linesOf(typeset(text)).join(' ')).toMatch(/Table 1: Times.*Figure 1: Gauge/);
  });
});

/** `\subfloat[list][caption]{contents}` and `\subfigure` (the manuals of subfig and subfigure). */
describe('parts of a figure by one command', () => {
  const parts = (body: string, name = 'subfig'): string =>
    laidBody(
      `\\begin{figure}[h]${body}\\caption{Both}\\end{figure}\\ref{one} \\subref{one}`,
      `\\usepackage{${name}}`,
    ).text.replace(/\s*\|\s*/g, ' ');
  it.each([
    [
      'a caption',
      '\\subfloat[Ebb]{\\fbox{wide words}\\label{one}}',
      'wide words (a) Ebb Figure 1: Both 1a a 1',
    ],
    [
      'no caption',
      '\\subfloat{\\fbox{wide words}\\label{one}}',
      'wide words Figure 1: Both 1a a 1',
    ],
    [
      'another for the list',
      '\\subfloat[List][Ebb]{\\fbox{wide words}\\label{one}}',
      'wide words (a) Ebb Figure 1: Both 1a a 1',
    ],
  ])('%s', (_what, body, printed) => expect(parts(body)).toBe(printed));
  it('what is counted in one is counted once', () => {
    const body =
      '\\newcounter{tide}\\begin{figure}[h]\\subfloat[Ebb]{\\stepcounter{tide}words of a part}\\end{figure}\\thetide';
    expect(laidBody(body, '\\usepackage{subfig}').text).toMatch(/1 \| 1$/);
    expect(
      findingsIn(
        inArticle(
          '\\begin{figure}[h]\\subfigure[Ebb]{words of a part\\label{a}}\\caption{B}\\end{figure}\\ref{a}',
          '\\usepackage{subfigure}',
        ),
      ),
    ).toEqual([]);
  });
});

it('a way to align captions by a name', () => {
  const x = (code: string): number =>
    laidBody(
      '\\begin{figure}[h]a\\caption{Tides and all that}\\end{figure}',
      `\\usepackage{caption}\\DeclareCaptionJustification{port}{${code}}\\captionsetup{justification=port,singlelinecheck=false}`,
    ).word('Figure').x;
  expect(x('\\raggedleft')).toBeGreaterThan(x('\\centering') + 50);
  expect(x('\\centering')).toBeGreaterThan(x('\\raggedright') + 50);
});
