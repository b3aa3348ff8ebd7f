import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const found = (preamble: string, body: string): string[] =>
  findingsIn(inArticle(body, preamble))
    .map(({ kind }) => kind)
    .filter((kind) => kind !== 'file-missing');

/** What programs write that turn notebooks, marked-up text and word processors' files into LaTeX. */
describe('preambles that programs write', () => {
  it.each([
    [
      'keys for all pictures',
      '\\usepackage{graphicx}\\makeatletter\\def\\maxwidth{\\ifdim\\Gin@nat@width>\\linewidth\\linewidth\\else\\Gin@nat@width\\fi}\\makeatother\\setkeys{Gin}{width=\\maxwidth,keepaspectratio}',
      '\\includegraphics{none}',
    ],
    [
      'a picture bounded by the page',
      '\\usepackage{graphicx}\\makeatletter\\newsavebox\\pb\\newcommand*\\bounded[1]{\\sbox\\pb{#1}\\Gscale@div\\@tempa{\\textheight}{\\dimexpr\\ht\\pb+\\dp\\pb\\relax}\\Gscale@div\\@tempb{\\linewidth}{\\wd\\pb}\\ifdim\\@tempb\\p@<\\@tempa\\p@\\let\\@tempa\\@tempb\\fi\\ifdim\\@tempa\\p@<\\p@\\scalebox{\\@tempa}{\\usebox\\pb}\\else\\usebox{\\pb}\\fi}\\makeatother',
      '\\bounded{\\rule{2cm}{1cm}}',
    ],
    [
      'adjusted pictures',
      '\\usepackage[Export]{adjustbox}\\adjustboxset{max size={.9\\linewidth}{.9\\paperheight}}',
      '\\adjustimage{max size={.9\\linewidth}{5cm}}{none}\\includegraphics[width=2cm,valign=c]{none}',
    ],
    [
      'the name of a kind of float',
      '\\usepackage{float}\\newfloat{program}{tbp}{lop}\\providecommand\\programname{Program}\\floatname{program}{\\protect\\programname}',
      '\\begin{program}[H]\\caption{Ebb}\\end{program}',
    ],
    [
      'labels of a list of one’s own',
      '\\newenvironment{labels}[1]{\\begin{list}{}{\\settowidth\\labelwidth{#1}\\renewcommand\\makelabel[1]{##1\\hfil}}}{\\end{list}}',
      '\\begin{labels}{00}\\item[a]b\\end{labels}',
    ],
    [
      'measures of a coloured box',
      '\\usepackage{tcolorbox}',
      '\\makeatletter\\begin{tcolorbox}\\kern\\kvtcb@left@rule\\kern\\kvtcb@boxsep x\\end{tcolorbox}\\makeatother',
    ],
    [
      'versions of packages',
      '\\makeatletter\\@ifpackagelater{grffile}{2019/11/01}{}{\\def\\tide{}}\\makeatother\\IfFileExists{upquote.sty}{\\usepackage{upquote}}{}',
      'x',
    ],
    ['captions of what does not float', '\\usepackage{capt-of}', '\\captionof{table}{Ebb}'],
    [
      'words in a program, coloured',
      '\\usepackage{framed,fancyvrb,xcolor}\\DefineVerbatimEnvironment{Hl}{Verbatim}{commandchars=\\\\\\{\\}}\\definecolor{shadecolor}{RGB}{248,248,248}\\newenvironment{Shaded}{\\begin{snugshade}}{\\end{snugshade}}',
      '\\begin{Shaded}\n\\begin{Hl}[]\n\\textbf{def} x\n\\end{Hl}\n\\end{Shaded}',
    ],
  ])('%s', (_what, preamble, body) => expect(found(preamble, body)).toEqual([]));
});

it('a float goes where its kind goes (\\newfloat)', () => {
  const { word } = laidBody(
    'Ebb.\n\n\\begin{program}\\caption{Flow}\\end{program}\n\nQuay.',
    '\\usepackage{float}\\newfloat{program}{h}{lop}',
  );
  expect(word('Ebb').y).toBeLessThan(word('Flow').y);
  expect(word('Flow').y).toBeLessThan(word('Quay').y);
});

it('a frame ends with its last line, also where a list ends there (framed)', () => {
  const gap = (inside: string): number => {
    const { word } = laidBody(
      `\\begin{snugshade}${inside}\\end{snugshade}\n\n\\noindent Quay`,
      '\\usepackage{framed,xcolor}\\definecolor{shadecolor}{gray}{.9}',
    );
    return word('Quay').y - word('flow').y;
  };
  expect(gap('\\begin{itemize}\\item flow\\end{itemize}')).toBeCloseTo(gap('flow'), 0);
});

/** tabularx: the factors before `\hsize` add up to the number of such columns. */
it.each([1, 1.5, 0.5])('a column X takes %d times its even share', (factor) => {
  const other = 2 - factor;
  const { word } = laidBody(
    `\\noindent\\begin{tabularx}{100mm}{@{}>{\\hsize=${factor}\\hsize\\linewidth=\\hsize}X@{}>{\\hsize=${other}\\hsize\\linewidth=\\hsize}X@{}}ebb & flow\\end{tabularx}`,
    '\\usepackage{tabularx}',
  );
  const all = 100 * (72.27 / 25.4);
  expect(word('flow').x - word('ebb').x).toBeCloseTo((factor / 2) * all, 0);
});
