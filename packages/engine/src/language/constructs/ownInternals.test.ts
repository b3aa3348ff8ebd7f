import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const AT = (preamble: string): string => `\\makeatletter${preamble}\\makeatother`;
const said = (preamble: string, body: string): string =>
  laidBody(body, AT(preamble))
    .text.replaceAll(/[|\u00a0]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** What preambles of courses define anew (source2e: the kernel's own names). */
describe('internals of the kernel that a document defines anew', () => {
  it.each<[string, string, string, string]>([
    ['numbers of headings', '\\renewcommand{\\@seccntformat}[1]{\\csname the#1\\endcsname) }', '\\section{Ebb}', '1) Ebb 1'],
    ['words of captions', '\\renewcommand{\\fnum@figure}{Fig. \\thefigure}', '\\begin{figure}[h]\\caption{Ebb}\\end{figure}', 'Fig. 1: Ebb 1'],
    ['marks of notes', '\\renewcommand{\\@makefnmark}{\\hbox{[\\@thefnmark]}}', 'a\\footnote{b}', 'a[1] [1]b 1'],
    ['notes', '\\renewcommand{\\@makefntext}[1]{\\noindent\\@thefnmark. #1}', 'a\\footnote{b}', 'a1 1. b 1'],
    ['notes without a mark', '\\def\\blfootnote{\\gdef\\@thefnmark{}\\@footnotetext}', 'a\\blfootnote{b}', 'a b 1'],
    ['numbers of equations', '\\renewcommand\\@eqnnum{[\\theequation]}', '\\begin{equation}x\\end{equation}', '𝑥 [1] 1'],
    ['numbers of equations with amsmath', '\\usepackage{amsmath}\\renewcommand{\\tagform@}[1]{\\maketag@@@{[#1]}}', '\\begin{align}x\\label{e}\\end{align}\\eqref{e}', '𝑥 [1] [1] 1'],
    ['citations', '\\renewcommand{\\@cite}[2]{<#1\\if@tempswa; #2\\fi>}', '\\cite[p. 2]{a}\\begin{thebibliography}{9}\\bibitem{a}B\\end{thebibliography}', '¡1; p. 2¿ References [1] B 1'],
    ['places of floats', '\\def\\fps@figure{h}', 'a\n\n\\begin{figure}\\caption{Ebb}\\end{figure}\n\nb', 'a Figure 1: Ebb b 1'],
    ['kinds of floats', '\\newcounter{chart}\\def\\fps@chart{h}\\def\\ext@chart{loc}\\def\\fnum@chart{Chart~\\thechart}\\newenvironment{chart}{\\@float{chart}}{\\end@float}', 'a\n\n\\begin{chart}\\caption{Ebb}\\end{chart}\n\nb', 'a Chart 1: Ebb b 1'],
    ['titles', '\\renewcommand{\\@maketitle}{\\@title!}\\title{Ebb}', '\\maketitle a', 'Ebb! a 1'],
    ['macros expanded with care', '\\protected@edef\\ebb{a\\textbf{b}}', '\\ebb', 'ab 1'],
    ['characters of formulas by number', '\\mathchardef\\mhyphen="2D', '$a\\mhyphen b$', '𝑎-𝑏 1'],
  ])('%s', (_what, preamble, body, wanted) => {
    expect(said(preamble, body)).toBe(wanted);
    expect(findingsIn(inArticle(body, AT(preamble)))).toEqual([]);
  }); // prettier-ignore

  it('measures of lists', () => {
    const list = '\\begin{itemize}\\item ebb\\item flood\\end{itemize}';
    const own = AT('\\def\\@listi{\\leftmargin40pt\\topsep0pt\\parsep0pt\\itemsep0pt}');
    const [plain, set] = [laidBody(list), laidBody(list, own)];
    const gap = (laid: typeof plain): number => laid.word('flood').y - laid.word('ebb').y;
    expect(gap(plain)).toBeCloseTo(20, 0);
    expect(gap(set)).toBeCloseTo(12, 1);
    expect(set.word('ebb').x - plain.word('ebb').x).toBeCloseTo(15, 1);
  });
  it('the type of verbatim text', () => {
    const text = '\\begin{verbatim}\nebb\n\\end{verbatim}';
    const small = laidBody(text, AT('\\renewcommand{\\verbatim@font}{\\ttfamily\\footnotesize}'));
    expect(small.word('ebb').size).toBeCloseTo(8, 1);
  });
  it('names nobody has are told of still', () => {
    expect(findingsIn(inArticle('x', '\\renewcommand\\nosuch{}')).map(({ kind }) => kind)).toEqual([
      'command-not-yet-defined',
    ]);
  });
});

/** The TeXbook, chapter 22. */
describe('alignments of plain TeX', () => {
  const align = (body: string, preamble = ''): ReturnType<typeof laidBody> =>
    laidBody(`Top.\\par\\vbox{\\halign${body}}`, preamble);
  it('columns are as wide as their widest cell, cells stand as their templates say', () => {
    const { word } = align('{\\hfil#&\\ #\\hfil&\\hfil#\\hfil\\cr a&bb&c\\cr aaaa&b&ccccc\\cr}');
    expect(word('a').right).toBeCloseTo(word('aaaa').right, 1);
    expect(word('bb').x).toBeCloseTo(word('b').x, 1);
    expect((word('c').x + word('c').right) / 2).toBeCloseTo((word('ccccc').x + word('ccccc').right) / 2, 1); // prettier-ignore
  });
  it('tabskip is between columns, and stretches to a width', () => {
    const at = (spec: string): number => {
      const { word } = align(`${spec}{#\\tabskip10pt&#\\tabskip0pt\\cr ebb&flood\\cr}`);
      return word('flood').x - word('ebb').right;
    };
    expect(at('')).toBeCloseTo(10, 1);
    expect(at(' to 200pt')).toBeGreaterThan(100);
  });
  it.each([
    ['templates that come again', '{\\hfil#\\hfil&&(#)\\cr a&b&c&d\\cr}', /a\(b\)\(c\)\(d\)/],
    ['cells without a template', '{(#)&(#)\\cr a&\\omit b\\cr}', /\(a\)b/],
    ['cells over several columns', '{#&#\\cr\\multispan2 wide\\cr a&b\\cr}', /wide.*ab/],
    ['a sum as glue', '{#\\tabskip=\\dimexpr2pt+3pt&#\\cr a&b\\cr}', /ab/],
    ['what stands between rows', '{#\\cr a\\cr\\noalign{\\hrule}b\\cr}', /a.*b/],
  ])('%s', (_what, body, wanted) => {
    expect(align(body).text.replaceAll(/[\s|]/g, '')).toMatch(wanted);
    expect(findingsIn(inArticle(`\\vbox{\\halign${body}}`))).toEqual([]);
  });
  it('signs printed over one another, in a size for each style', () => {
    const own =
      '\\def\\moverlay{\\mathpalette\\mov@rlay}\\def\\mov@rlay#1#2{\\leavevmode\\vtop{\\baselineskip\\z@skip\\lineskiplimit-\\maxdimen\\ialign{\\hfil$\\m@th#1##$\\hfil\\cr#2\\crcr}}}\\newcommand{\\cupdot}{\\mathbin{\\moverlay{\\cup\\cr\\cdot}}}';
    const { word } = laidBody('$a\\cupdot b$', AT(own));
    expect(word('∪').y).toBeCloseTo(word('𝑎').y, 1);
    expect(findingsIn(inArticle('$a\\cupdot b$ $x^{a\\cupdot b}$', AT(own)))).toEqual([]);
  });
});

/** Commands of the kernel and of graphics that are `\long`: paragraphs may stand in what they take. */
describe('paragraphs within arguments', () => {
  const BOX = '\\parbox{3cm}{ebb\n\nflood}';
  it.each([
    `\\begin{picture}(10,10)\\put(0,0){${BOX}}\\end{picture}`,
    `\\begin{picture}(10,10)\\multiput(0,0)(5,0){2}{${BOX}}\\end{picture}`,
    `a \\raisebox{2pt}{${BOX}}`,
    `\\newsavebox\\kept\\savebox\\kept{${BOX}}a \\usebox\\kept`,
    `a \\rotatebox{30}{${BOX}} \\fbox{${BOX}}`,
    `a \\ovalbox{${BOX}}`,
  ])('%s', (body) => {
    expect(findingsIn(inArticle(body, '\\usepackage{graphicx,fancybox}'))).toEqual([]);
    expect(laidBody(body, '\\usepackage{graphicx,fancybox}').text).toMatch(/ebb/);
  });
});

/** What LaTeX takes in formulas though it is of text: it sets something, leaves a mark, or comes to nothing. */
describe('commands of text in formulas', () => {
  const AMS = '\\usepackage{amsmath,hyperref}';
  it('numbers by hand count on', () => {
    const own = `${AMS}\\newcommand\\numberthis{\\addtocounter{equation}{1}\\tag{\\theequation}}`;
    const body =
      '\\begin{align*}a&=b\\\\&=c\\numberthis\\label{e}\\end{align*}\\eqref{e} \\begin{equation}d\\end{equation}';
    const { text } = laidBody(body, own);
    expect(text.replaceAll(/[\s|]/g, '')).toMatch(/^𝑎=𝑏=𝑐\(1\)\(1\)𝑑\(2\)/);
    expect(findingsIn(inArticle(body, own))).toEqual([]);
  });
  it.each(
    '\\setcounter{equation}{4} \\refstepcounter{equation} \\setlength{\\parskip}{1pt} \\phantomsection \\hfill \\linebreak \\vspace{2pt} \\noindent \\strut \\null \\footnotemark \\textsuperscript{a}'.split(
      ' ',
    ),
  )('%s', (command) => {
    expect(findingsIn(inArticle(`\\begin{align*}a ${command} b\\end{align*}`, AMS))).toEqual([]);
  });
});

/** enumitem manual, section 5. */
it.each([
  ['[(i),leftmargin=*]', ['(i) ebb', '(ii) flood']],
  ['[a),noitemsep]', ['a) ebb', 'b) flood']],
  ['[noitemsep]', ['1. ebb', '2. flood']],
  ['[label=Q\\arabic*:,leftmargin=*]', ['Q1: ebb', 'Q2: flood']],
])('numbers of a list with %s', (options, wanted) => {
  const set = laidBody(
    `\\begin{enumerate}${options}\\item ebb\\item flood\\end{enumerate}`,
    '\\usepackage[shortlabels]{enumitem}',
  );
  expect(set.lines.slice(0, 2).map(({ text }) => text)).toEqual(wanted);
});
