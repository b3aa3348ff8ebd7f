import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, waysIn } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { COLOUR_LISTS, PLAIN_COLOURS } from '../../base/colourNames';

const load = (options: string): string => `\\usepackage[${options}]{xcolor}`;
const paint = (colour: string, options = '', before = ''): string => {
  const page = laidBody(`${before}\\color${colour} x`, load(options));
  return page.word('x').color.toString(16).padStart(6, '0');
};

describe('the lists of colours', () => {
  it.each(Object.entries({ ...COLOUR_LISTS, plain: PLAIN_COLOURS }))(
    '%s has names of letters, each with a colour',
    (_, list) => {
      for (const [name, value] of list) {
        expect(name).toMatch(/^[A-Za-z]+\d?$/);
        expect(value >= 0 && value <= 0xffffff, name).toBe(true);
      }
    },
  );
  it.each([
    ['dvipsnames', 68],
    ['svgnames', 151],
    ['x11names', 317],
  ] as const)('%s has %i', (list, count) => expect(COLOUR_LISTS[list].size).toBe(count));
});

/** xcolor manual, sections 2.2 to 2.4 and 4. */
describe('colours', () => {
  it.each([
    ['{red}', 'ff0000'],
    ['{-red}', '00ffff'],
    ['{red!50}', 'ff8080'],
    ['{red!50!blue}', '800080'],
    ['{red!50!blue!50}', 'c080c0'],
    ['{-red!50}', '007f7f'],
    ['{rgb:red,1;blue,1}', '800080'],
    ['{rgb,4:red,1;green,2}', '408000'],
    ['[rgb]{1,.5,0}', 'ff8000'],
    ['[RGB]{255,128,0}', 'ff8000'],
    ['[HTML]{B08D57}', 'b08d57'],
    ['[gray]{.5}', '808080'],
    ['[cmy]{1,0,0}', '00ffff'],
    ['[cmyk]{0,0,1,.5}', '808000'],
    ['[hsb]{.5,1,1}', '00ffff'],
    ['[Hsb]{120,1,1}', '00ff00'],
    ['[named]{blue}', '0000ff'],
  ])('%s', (colour, said) => {
    expect(paint(colour)).toBe(said);
  });
  it.each([
    ['{ForestGreen}', 'dvipsnames', '009b55'],
    ['{ForestGreen}', 'svgnames', '228b22'],
    ['{ForestGreen}', 'svgnames,dvipsnames', '228b22'],
    ['{SteelBlue4}', 'x11names', '36648b'],
    ['{SteelBlue1!50}', 'dvipsnames,x11names', 'b1dcff'],
    ['{Gray0}', 'x11names', 'bebebe'],
    ['{WildStrawberry}', 'dvipsnames', 'ee2967'],
    ['{MediumAquamarine}', 'svgnames', '66cdaa'],
  ])('%s of [%s]', (colour, options, said) => {
    expect(paint(colour, options)).toBe(said);
  });
  it.each([
    ['\\colorlet{a}{red!50}', '{a}', 'ff8080'],
    ['\\definecolor{a}{rgb/cmyk}{1,0,0/0,1,1,0}', '{a}', 'ff0000'],
    ['\\providecolor{a}{gray}{1}\\providecolor{a}{gray}{0}', '{a}', 'ffffff'],
    ['\\color{blue}\\colorlet{a}{.!50}', '{a}', '8080ff'],
    ['\\definecolorset{rgb}{x}{y}{a,1,0,0;b,0,0,1}', '{xby}', '0000ff'],
  ])('%s %s', (before, colour, said) => {
    expect(paint(colour, '', before)).toBe(said);
  });
  it('options of the class count too', () => {
    const source = inArticle('\\color{Plum}x', '\\usepackage{xcolor}').replace(
      '{article}',
      '[dvipsnames]{article}',
    );
    expect(findingsIn(source)).toEqual([]);
  });
});

describe('colours that there are not', () => {
  it.each([
    ['{purpel}', 'colour-unknown'],
    ['{ForestGreen}', 'colour-option-missing'],
    ['[xyz]{1,2,3}', 'colour-unknown'],
    ['{red!20!nothing}', 'colour-unknown'],
  ])('are told of: %s', (colour, kind) => {
    const source = inArticle(`\\textcolor${colour}{x}`, '\\usepackage{xcolor}');
    expect(findingsIn(source).map((one) => one.kind)).toEqual([kind]);
  });
  it.each([
    ['\\usepackage{xcolor}', '\\usepackage[x11names]{xcolor}'],
    ['\\usepackage[table]{xcolor}', '\\usepackage[x11names,table]{xcolor}'],
    ['\\usepackage{tikz}', '\\documentclass{article}\n\\usepackage[x11names]{xcolor}'],
  ])('their option is put in: %s', (preamble, said) => {
    const source = inArticle('\\textcolor{Gold1}{x}', preamble);
    const [way] = waysIn(source);
    expect(way?.fixed).toContain(said);
    expect(findingsIn(way?.fixed ?? '')).toEqual([]);
  });
  it('in pictures and boxes too', () => {
    const body = '\\begin{tcolorbox}[colback=Gold1]a\\end{tcolorbox}';
    expect(findingsIn(inArticle(body, '\\usepackage{tcolorbox}')).map(({ kind }) => kind)).toEqual([
      'colour-option-missing',
    ]);
  });
});
