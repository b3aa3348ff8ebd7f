import { describe, expect, it } from 'vitest';
import { rgbOf } from '../base/paint';
import { NO_PORT, walkPage } from '../output/display/walk';
import { typeset, inArticle } from '../testing/document';

const PREAMBLE = '\\usepackage{amsmath,xcolor,cancel}';

/** Every colour with which a formula is painted, on a page of its own. */
function coloursOf(body: string): string[] {
  const session = typeset(
    `\\documentclass{article}${PREAMBLE}\\pagestyle{empty}\\begin{document}${body}\\end{document}`,
  );
  const found = new Set<number>();
  const [page] = session.pages;
  if (page)
    walkPage(session.describe(page), {
      ...NO_PORT,
      glyphs: ({ paint }) => void found.add(rgbOf(paint)),
      rule: ({ paint }) => void found.add(rgbOf(paint)),
      path: ({ fill, stroke }) => {
        if (fill !== null) found.add(rgbOf(fill));
        if (stroke) found.add(rgbOf(stroke.paint));
      },
    });
  return [...found].map((paint) => paint.toString(16).padStart(6, '0')).sort();
}
const RED = 'ff0000';
const BLACK = '000000';

/** Of each kind of what is drawn around signs. */
const AROUND = [
  '\\frac12',
  '\\sqrt{x}',
  '\\sqrt[3]{\\frac12}',
  '\\left(\\frac{a}{b}\\right)',
  '\\left\\{x\\middle|y\\right.',
  '\\bigl[x\\bigr]',
  '\\begin{pmatrix}a\\\\b\\\\c\\end{pmatrix}',
  '\\begin{vmatrix}a&b\\end{vmatrix}',
  '\\begin{cases}a\\\\b\\end{cases}',
  '\\begin{array}{c|c}a&b\\\\\\hline c&d\\\\\\cline{1-1}e\\end{array}',
  '\\binom{a}{b}',
  '\\overline{x}',
  '\\underline{x}',
  '\\hat x\\widehat{xyz}\\vec v',
  '\\overbrace{abcdef}^n',
  '\\underbrace{abcdef}',
  '\\overrightarrow{ABCDEF}',
  '\\cancel{x}',
  '\\cancelto{0}{x}',
  '\\boxed{x}',
  '\\sum_i\\int_0^1',
];

describe('A coloured formula', () => {
  it.each(AROUND)('%s is wholly so', (formula) => {
    expect(coloursOf(`{\\color{red}$\\displaystyle ${formula}$}`)).toEqual([RED]);
    expect(coloursOf(`$\\displaystyle\\color{red}${formula}$`)).toEqual([RED]);
    expect(coloursOf(`$\\displaystyle\\textcolor{red}{${formula}}$`)).toEqual([RED]);
  });
  it.each(AROUND)('%s behind it is black again', (formula) => {
    expect(coloursOf(`$\\displaystyle{\\color{red}x}${formula}$`)).toEqual([BLACK, RED]);
    expect(coloursOf(`$\\displaystyle\\textcolor{red}{\\sqrt{x}}${formula}$`)).toEqual([
      BLACK,
      RED,
    ]);
    expect(coloursOf(`$\\displaystyle ${formula}$`)).toEqual([BLACK]);
  });
  it('colours within colours are the inner ones', () => {
    expect(coloursOf('$\\color{red}\\sqrt{\\textcolor{blue}{\\frac12}}$')).toEqual(['0000ff', RED]);
  });
  it('models are read in formulas too', () => {
    expect(coloursOf('$\\color[rgb]{1,0,0}\\frac12$')).toEqual([RED]);
    expect(coloursOf('$\\textcolor[HTML]{FF0000}{\\frac12}$')).toEqual([RED]);
  });
  it('an index stands at what is coloured', () => {
    expect(
      typeset(
        inArticle('$\\textcolor{red}{x}^2 + \\textcolor{red}{\\frac12}^3$', PREAMBLE),
      ).findings(),
    ).toEqual([]);
  });
});
