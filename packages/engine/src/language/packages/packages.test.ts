import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import { bodyLines, findingsIn, inArticle, typeset } from '../../testing/document';
import { PACKAGES } from './index';

const load = (name: string, options = ''): string =>
  `\\usepackage${options ? `[${options}]` : ''}{${name}}`;

/** Page measures in pt, to a hundredth. */
function page(preamble: string, options = '') {
  const text = `\\documentclass[${options}]{article}${preamble}\\begin{document}x\\end{document}`;
  const g = typeset(text).pages[0]?.geometry;
  if (!g) throw new Error('no page');
  const pt = (v: number): number => Math.round((v / PT) * 100) / 100;
  return {
    paper: [pt(g.paperWidth), pt(g.paperHeight)],
    left: pt(g.left),
    top: pt(g.top),
    width: pt(g.textWidth),
    height: pt(g.textHeight),
  };
}

/** Distances between the baselines of a page, in pt. */
function distances(text: string): number[] {
  const ys = typeset(text).pages[0]?.placed.map(({ y }) => y / PT) ?? [];
  return ys.slice(1).map((y, i) => Math.round((y - (ys[i] as number)) * 100) / 100);
}

/** Colours and words of the runs of a page. */
function colours(body: string): [string, string][] {
  const session = typeset(inArticle(body, load('xcolor')));
  return (session.pages[0]?.placed[0]?.box.children ?? []).flatMap(
    ({ item }): [string, string][] =>
      item.kind === 'run'
        ? [
            [
              item.glyphs.map((g) => item.font.textOf(g)).join(''),
              item.color.toString(16).padStart(6, '0'),
            ],
          ]
        : [],
  );
}

describe('geometry', () => {
  it('sets all margins at once', () => {
    const found = page(load('geometry', 'margin=1in'));
    expect(found).toMatchObject({ left: 72.27, top: 72.27 });
    expect(found.width).toBeCloseTo(614.295 - 144.54, 1);
    expect(found.height).toBeCloseTo(794.97 - 144.54, 1);
  });
  it('sets sides one by one, by option or by command', () => {
    const found = page(
      `${load('geometry')}\\geometry{left=2cm,right=3cm,top=4cm,bottom=1cm}`,
      'a4paper',
    );
    expect(found.left).toBeCloseTo(56.9, 1);
    expect(found.top).toBeCloseTo(113.81, 1);
    expect(found.width).toBeCloseTo(597.51 - 5 * 28.453, 1);
  });
  it('changes the paper', () => {
    expect(page(load('geometry', 'a4paper')).paper).toEqual([597.51, 845.05]);
  });
});

describe('distances of lines and paragraphs', () => {
  it('parskip parts paragraphs by half a line and does not indent them', () => {
    expect(distances(inArticle('a\n\nb', load('parskip')))).toEqual([18]);
  });
  it.each([
    ['\\onehalfspacing', 15],
    ['\\doublespacing', 20],
    ['\\setstretch{1.5}', 18],
  ])('setspace: %s', (command, distance) => {
    const [found] = distances(inArticle(`${command} a\\\\b`, load('setspace')));
    expect(found).toBeCloseTo(distance, 1);
  });
  it.each([
    ['\\begin{spacing}{1.5}a\\\\b\\end{spacing}', [18]],
    ['\\begin{spacing}{2}a\\\\b\\end{spacing}c\\\\d', [24, 24, 12]],
    // The first line behind stands as far off as the last within, one before as far as those before.
    ['x\\begin{onehalfspace}a\\\\b\\end{onehalfspace}c', [15, 15, 15]],
    ['\\doublespacing x\\begin{singlespace}a\\\\b\\end{singlespace}c', [20, 12, 20]],
  ])('setspace: %s', (body, wanted) => {
    const found = distances(inArticle(body, load('setspace')));
    wanted.forEach((distance, i) => expect(Math.abs((found[i] ?? 0) - distance)).toBeLessThan(0.2));
  });
  it('setspace ends with its environment', () => {
    const body = '\\begin{doublespace}a\\\\b\\end{doublespace}c\\\\d';
    const found = distances(inArticle(body, load('setspace')));
    expect(found.at(-1)).toBeCloseTo(12, 1);
  });
  it('enumitem tightens lists', () => {
    const list = (options: string) =>
      distances(
        inArticle(`\\begin{itemize}${options}\\item a\\item b\\end{itemize}`, load('enumitem')),
      );
    expect(list('')[0]).toBeGreaterThan(19);
    expect(list('[noitemsep]')[0]).toBeCloseTo(12, 1);
    expect(list('[itemsep=10pt,parsep=0pt]')[0]).toBeCloseTo(22, 1);
  });
});

describe('colours', () => {
  it('come by name, mix and model, and end with their group', () => {
    expect(colours('\\textcolor{red}{a} b')).toEqual([
      ['a', 'ff0000'],
      ['b', '000000'],
    ]);
    expect(colours('{\\color{blue!50!white}a} b')).toEqual([
      ['a', '8080ff'],
      ['b', '000000'],
    ]);
    expect(colours('\\definecolor{brass}{HTML}{B08D57}\\textcolor{brass}{a}')).toEqual([
      ['a', 'b08d57'],
    ]);
    expect(colours('\\textcolor[rgb]{0,0.5,1}{a}')).toEqual([['a', '0080ff']]);
    expect(colours('\\definecolor{g}{gray}{0.5}\\textcolor{g}{a}')).toEqual([['a', '808080']]);
  });
});

describe('mathematics', () => {
  it('mathtools declares brackets that grow with a star', () => {
    const height = (formula: string): number => {
      const declare = `${load('mathtools')}\\DeclarePairedDelimiter{\\abs}{\\lvert}{\\rvert}`;
      return typeset(inArticle(`$${formula}$`, declare)).pages[0]?.placed[0]?.box.height ?? 0;
    };
    expect(height('\\abs*{\\dfrac{a}{b}}')).toBeGreaterThan(height('\\abs{x}'));
    expect(
      findingsIn(
        inArticle(
          '$\\abs{x}$',
          `${load('mathtools')}\\DeclarePairedDelimiter{\\abs}{\\lvert}{\\rvert}`,
        ),
      ),
    ).toEqual([]);
  });
  it('bm makes letters bold and keeps them italic', () => {
    expect(bodyLines('$\\bm{x}$', load('bm'))).toEqual(['𝒙']);
  });
  it('alphabets reach letters that had their places before', () => {
    expect(
      bodyLines(
        '$\\mathbb{RCQ}\\,\\mathcal{BH}\\,\\mathfrak{CI}\\,h$',
        load('amssymb'),
      )[0]?.replaceAll(' ', ''),
    ).toBe('ℝℂℚℬℋℭℑℎ');
  });
  it('operators of the document stand upright, with limits when starred', () => {
    const declare = `${load('amsmath')}\\DeclareMathOperator{\\rank}{rank}\\DeclareMathOperator*{\\esup}{ess\\,sup}`;
    expect(bodyLines('$\\rank A$, $\\esup f$', declare)).toEqual(['rank 𝐴, ess sup 𝑓']);
  });
  it('equations are numbered within sections when asked', () => {
    const body =
      '\\section{A}\\begin{equation}x\\end{equation}\\section{B}\\begin{equation}y\\label{y}\\end{equation}\\eqref{y}';
    expect(bodyLines(body, `${load('amsmath')}\\numberwithin{equation}{section}`).at(-1)).toBe(
      '(2.1)',
    );
  });
});

describe('every package', () => {
  it.each(Object.keys(PACKAGES))(
    '%s loads without a finding but of fonts that do not ship',
    (name) => {
      const kinds = findingsIn(inArticle('x', load(name))).map(({ kind }) => kind);
      expect(kinds.filter((kind) => kind !== 'font-not-here')).toEqual([]);
    },
  );
  const described = Object.values(PACKAGES).flatMap((entry) => [
    ...(entry?.commands ?? []),
    ...(entry?.environments ?? []),
    ...(entry?.described ?? []),
  ]);
  it('says of every command what it does, with an example', () => {
    for (const { name, description, example } of described) {
      if (name.includes('@')) continue; // inside packages only
      expect([name, /[.]$/.test(description)]).toEqual([name, true]);
      expect([name, example.length > 0]).toEqual([name, true]);
    }
  });
});

describe('theorems said again', () => {
  const preamble =
    '\\usepackage{amsthm,thm-restate}\\newtheorem{thm}{Theorem}\\newtheorem{lem}[thm]{Lemma}';
  const body =
    '\\begin{restatable}[Wick]{thm}{tides}\\label{t} It turns. \\end{restatable}\n' +
    '\\begin{lem} By \\ref{t}. \\end{lem}\n\n\\tides*\n\n\\begin{lem} Last. \\end{lem}';
  it('have the number they had, and take none', () => {
    expect(bodyLines(body, preamble)).toEqual([
      'Theorem 1 (Wick). It turns.',
      'Lemma 2. By 1.',
      'Theorem 1 (Wick). It turns.',
      'Lemma 3. Last.',
    ]);
  });
  it('have their label once', () => expect(findingsIn(inArticle(body, preamble))).toEqual([]));
});
