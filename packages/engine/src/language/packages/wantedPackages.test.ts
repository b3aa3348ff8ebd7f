import { describe, expect, it } from 'vitest';
import { NO_PORT, walkPage } from '../../output/display/walk';
import { findingsIn, inArticle, typeset } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const load = (names: string): string => `\\usepackage{${names}}`;
const says = (names: string, body: string): string =>
  laidBody(body, names ? load(names) : '').text.replace(/\s+/g, ' ');

describe('Commands that make commands', () => {
  it.each([
    [
      'xargs',
      '\\newcommandx{\\ti}[3][1=ebb,3=flow]{#1-#2-#3}\\ti{a} \\ti[x]{b}[y]',
      'ebb-a-flow x-b-y',
    ],
    [
      'xargs',
      '\\newenvironmentx{t}[1][1=ebb]{(#1:}{)}\\begin{t}[x]a\\end{t}\\begin{t}b\\end{t}',
      '(x:a)(ebb:b)',
    ],
    ['twoopt', '\\newcommandtwoopt{\\ti}[3][e][f]{#1#2#3}\\ti{a} \\ti[x][y]{b}', 'efa xyb'],
    [
      'xpatch',
      '\\newcommand\\ti{one two}\\xpatchcmd\\ti{two}{three}{}{}\\xapptocmd\\ti{!}{}{}\\ti',
      'one three!',
    ],
    ['totcount', '\\newtotcounter{n}\\total{n}\\setcounter{n}{4}\\stepcounter{n}', '5'],
    ['fp', '\\FPeval\\ti{round(22/7:3)}\\FPadd\\u{1}{2.5}\\ti{} \\u', '3.143 3.5'],
    ['underscore', 'snake_case and $a_1$', 'snake_case and'],
    [
      'keyval',
      '\\makeatletter\\define@key{t}{a}[9]{(a=#1)}\\setkeys{t}{a=2, a}\\makeatother',
      '(a=2)(a=9)',
    ],
    [
      'xkeyval',
      '\\makeatletter\\define@boolkey{t}[t@]{on}[true]{}\\setkeys{t}{on}\\ift@on yes\\else no\\fi\\makeatother',
      'yes',
    ],
    [
      'newfloat',
      '\\DeclareFloatingEnvironment[name=Chart]{chart}\\begin{chart}[h]tide\\caption{Ebb}\\end{chart}',
      'tide | Chart 1: Ebb',
    ],
  ])('%s: %s', (names, body, printed) => {
    expect(says(names, body)).toContain(printed);
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
  });
  it('a key that no one defined is told', () => {
    const [found] = findingsIn(
      inArticle('\\makeatletter\\setkeys{t}{height=2}\\makeatother', load('keyval')),
    );
    expect(found).toMatchObject({ kind: 'option-unknown', at: 'height' });
  });
});

describe('Arguments of document commands', () => {
  it.each([
    [
      '\\NewDocumentCommand\\ti{m G{x} g}{#1#2\\IfNoValueTF{#3}{-}{#3}}\\ti{a} \\ti{a}{b} \\ti{a}{b}{c}',
      'ax- ab- abc',
    ],
    ['\\NewDocumentEnvironment{t}{O{n} +b}{[#1:#2]}{}\\begin{t} a\n\nb \\end{t}', '[n:a | b]'],
    ['\\NewDocumentEnvironment{t}{+b}{(#1)}{}\\begin{t}\\begin{t}a\\end{t}b\\end{t}', '((a)b)'],
  ])('%s', (body, printed) => {
    expect(says('', body)).toContain(printed);
  });
});

describe('Labels by hand', () => {
  it.each([
    ['\\makeatletter\\def\\@currentlabel{(*)}\\makeatother\\label{a}\\ref{a}', '(*)'],
    [
      '{\\makeatletter\\def\\@currentlabel{x}\\label{a}}\\section{T}\\label{b}\\ref{a}\\ref{b}',
      'x1',
    ],
    ['\\makeatletter\\def\\@currentlabel{x}\\section{T}\\label{b}see \\ref{b}', 'see 1'],
  ])('%s', (body, printed) => {
    expect(says('', body)).toContain(printed);
  });
});

describe('Signs made of others', () => {
  const INDEPENDENT =
    '\\newcommand\\indep{\\protect\\mathpalette{\\protect\\both}{\\perp}}\\def\\both#1#2{\\mathrel{\\rlap{$#1#2$}\\mkern2mu{#1#2}}}';
  it('\\mathpalette hands on the style: smaller in an index', () => {
    const { lines } = laidBody(`${INDEPENDENT}$X\\indep Y_{A\\indep B}$`, load('amssymb'));
    expect(lines.map(({ text }) => text).join('')).toContain('⟂⟂');
    const { word } = laidBody(`${INDEPENDENT}$\\indep q_{\\indep}$`, load('amssymb'));
    expect(word('⟂', 3).size).toBeLessThan(word('⟂').size);
    expect(word('⟂', 2).x - word('⟂').x).toBeCloseTo(1.11, 1);
  });
  it('\\ooalign prints rows over one another, in the middle with \\hfil', () => {
    const { word } = laidBody(
      'a\\ooalign{WWW\\cr\\hfil i\\hfil\\cr}b $c\\mathbin{\\ooalign{MM\\cr\\hfil j\\hfil}}d$',
    );
    const middle = ({ x, right }: { x: number; right: number }): number => (x + right) / 2;
    expect(middle(word('i'))).toBeCloseTo(middle(word('WWW')), 1);
    expect(word('i').y).toBe(word('WWW').y);
    expect(middle(word('j'))).toBeCloseTo(middle(word('MM')), 1);
    expect(word('b').x).toBeCloseTo(word('WWW').right, 1);
  });
  it('boxes are kept and printed in formulas', () => {
    const body =
      '\\newsavebox\\q\\newlength\\w$a\\sbox\\q{tide}\\usebox\\q\\setbox0=\\hbox{ebb}\\copy0\\settowidth\\w{flow}\\hspace{\\w}b$';
    expect(says('', body)).toContain('tideebb');
    expect(findingsIn(inArticle(body))).toEqual([]);
    expect(says('', body)).not.toContain('0');
  });
});

describe('Notation', () => {
  it.each([
    ['centernot', '$a\\centernot\\to b$', '/'],
    ['slashed', '$\\slashed{D}$', '/D'],
    ['leftidx', '$\\leftidx{^a}{T}{_c}$', 'aTc'],
    ['numprint', '\\numprint{1234567.5}', '1 234 567.5'],
    ['eurosym', '\\euro{} and \\EUR{5}', '€ and 5 €'],
    ['textgreek', '\\textalpha\\textomega', 'αω'],
    ['stackengine', '\\stackon{tide}{ebb}', 'ebb'],
    ['optidef', '\\begin{mini}{x}{f(x)}{}{}\\addConstraint{g}{\\le 0}\\end{mini}', 'minimize'],
    [
      'optidef',
      '\\begin{maxi*}|s|{x}{f}{}{}\\addConstraint{g}{\\le 0}\\addConstraint{h}{=0}\\end{maxi*}',
      's.t.',
    ],
  ])('%s: %s', (names, body, printed) => {
    expect(says(names, body).normalize('NFKC')).toContain(printed.normalize('NFKC'));
    expect(findingsIn(inArticle(body, load(names)))).toEqual([]);
  });
  it('constraints stand below one another, said once', () => {
    const { word, text } = laidBody(
      '\\begin{mini}{x}{f(x)}{}{}\\addConstraint{g(x)}{\\le 0}\\addConstraint{hh(x)}{= 0}\\end{mini}',
      load('optidef'),
    );
    expect(text.match(/subject to/g)).toHaveLength(1);
    expect(word('≤').x).toBeCloseTo(word('=').x, 0);
    expect(word('=').y).toBeGreaterThan(word('≤').y);
  });
  it('a comma is part of a number when nothing parts it from what follows', () => {
    const gap = (names: string, formula: string): number => {
      const { word } = laidBody(`$${formula}$`, names ? load(names) : '');
      return word('4').x - word(',').right;
    };
    expect(gap('icomma', '3,4')).toBeCloseTo(0, 1);
    expect(gap('icomma', '3, 4')).toBeGreaterThan(1);
    expect(gap('', '3,4')).toBeGreaterThan(1);
  });
  it('lines of pictures go from point to point', () => {
    const session = typeset(
      inArticle(
        '\\begin{picture}(30,30)\\polygon(0,0)(9,0)(9,9)\\Line(0,0)(5,5)\\end{picture}',
        load('pict2e'),
      ),
    );
    expect(session.findings()).toEqual([]);
    let lines = 0;
    walkPage(session.describe(session.pages[0] as never), {
      ...NO_PORT,
      path: ({ stroke }) => void (stroke && lines++),
    });
    expect(lines).toBe(4);
  });
});

describe('Heads of several lines', () => {
  it('stand one below another, at the left and at the right', () => {
    const { word } = laidBody(
      'x',
      '\\usepackage{fancyhdr}\\pagestyle{fancy}\\fancyhf{}\\lhead{ebb\\\\flow}\\rhead{dawn\\\\night}',
    );
    expect(word('flow').y - word('ebb').y).toBeGreaterThan(8);
    expect(word('flow').x).toBeCloseTo(word('ebb').x, 1);
    expect(word('night').right).toBeCloseTo(word('dawn').right, 0);
  });
  it.each([
    ['\\pagestyle{fancy}\\renewcommand{\\headrulewidth}{0pt}', []],
    ['\\renewcommand{\\headrulewidth}{0pt}\\pagestyle{fancy}', []],
    ['\\pagestyle{fancy}\\renewcommand{\\headrulewidth}{2pt}', [2]],
    ['\\pagestyle{fancy}\\renewcommand{\\footrulewidth}{1pt}', [0.4, 1]],
    ['\\pagestyle{fancy}', [0.4]],
    ['\\pagestyle{fancy}\\pagestyle{plain}', []],
    [
      '\\pagestyle{fancy}\\fancypagestyle{plain}{\\renewcommand{\\headrulewidth}{3pt}}\\AtBeginDocument{\\thispagestyle{plain}}',
      [3],
    ],
  ])('rules are as thick as is said, before the style or behind it: %s', (preamble, thick) => {
    const { rules } = laidBody('x', `\\usepackage{fancyhdr}${preamble}`);
    const heights = rules.map(({ height }) => Math.round(10 * height) / 10);
    expect(heights).toEqual(thick);
  });
  it('an old name of the style is known', () => {
    const preamble = '\\usepackage{fancyhdr}\\pagestyle{fancyplain}\\lhead{\\fancyplain{}{tide}}';
    expect(laidBody('x', preamble).text).toContain('tide');
    expect(findingsIn(inArticle('x', preamble))).toEqual([]);
  });
});

describe('Spaces for formulas in the line alone', () => {
  it('\\nonscript leaves them out in indices', () => {
    const gap = (formula: string): number => {
      const { word } = laidBody(`$${formula}$`);
      return word('2').x - word('1').right;
    };
    expect(gap('1\\nonscript\\;2')).toBeGreaterThan(2);
    expect(gap('x_{1\\nonscript\\;2}')).toBeLessThan(1);
  });
});

describe('A list within a counted one', () => {
  it('counts nothing of what is around it', () => {
    const body =
      '\\newcounter{q}\\begin{list}{Q\\arabic{q}}{\\usecounter{q}}\\item a\\begin{list}{o}{}\\item b\\item c\\end{list}\\item d\\end{list}';
    expect(says('', body)).toMatch(/Q1 a.*o b.*o c.*Q2 d/);
  });
});

describe('Bold formulas', () => {
  const isBold = (body: string, text: string, preamble = ''): boolean =>
    /[\u{1d400}-\u{1d433}\u{1d468}-\u{1d49b}\u{1d7ce}-\u{1d7d7}]/u.test(
      laidBody(body, preamble).lines.find((line) => line.text.includes(text))?.text ?? '',
    );
  it('\\boldmath holds to the end of its group', () => {
    expect(isBold('{\\boldmath tide $x$}', 'tide')).toBe(true);
    expect(isBold('{\\boldmath tide \\unboldmath $x$}', 'tide')).toBe(false);
    expect(isBold('{\\boldmath} tide $x$', 'tide')).toBe(false);
  });
  it('what is added to a command of the kernel leaves it as it was', () => {
    const added = '\\makeatletter\\g@addto@macro\\bfseries{\\boldmath}\\makeatother';
    const { word } = laidBody('{\\bfseries tide $x$} plain', added);
    expect(word('tide').font).not.toBe(word('plain').font);
    expect(isBold('{\\bfseries tide $x$}', 'tide', added)).toBe(true);
  });
});

describe('Arrows of one’s own', () => {
  it.each([
    'rightarrowfill@',
    'leftarrowfill@',
    'leftrightarrowfill@',
    'Rightarrowfill@',
    'Leftrightarrowfill@',
  ])('by \\%s: words stand over and under them', (fill) => {
    const preamble = `\\usepackage{amsmath}\\makeatletter\\newcommand\\myarrow[2][]{\\ext@arrow 0055{\\${fill}}{#1}{#2}}\\makeatother`;
    const body = '$A \\myarrow[22]{11} B$';
    const { word } = laidBody(body, preamble);
    expect(word('11').y).toBeLessThan(word('22').y - 5);
    expect(findingsIn(inArticle(body, preamble))).toEqual([]);
  });
});
