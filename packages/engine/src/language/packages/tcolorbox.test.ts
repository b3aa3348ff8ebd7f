import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';
import { painted } from '../../testing/painted';

const PACKAGE = '\\usepackage[most]{tcolorbox}';
const set = (body: string, preamble = ''): Laid => laidBody(body, PACKAGE + preamble);
const findings = (body: string, preamble = '') => findingsIn(inArticle(body, PACKAGE + preamble));

const ofColour = (laid: Laid, paint: number) => painted(laid).find((one) => one.paint === paint);
const BLUE = 0x0000ff;
const RED = 0xff0000;
const MM = 2.845274;

describe('A title as a box of its own', () => {
  const box = (place: string, shift = '', more = ''): Laid =>
    set(
      `Before.\\begin{tcolorbox}[enhanced,colframe=black,colback=white,title=Tide,attach boxed title to ${place}${shift},boxed title style={colback=red,colframe=red}${more}]High water at noon.\\end{tcolorbox}After.`,
    );
  it.each([
    ['top left', 'left'],
    ['top right', 'right'],
    ['top center', 'middle'],
    ['top', 'middle'],
  ])('stands on the edge: %s', (place, where) => {
    const laid = box(place);
    const [title, frame] = [ofColour(laid, RED), ofColour(laid, 0)];
    if (!title || !frame) throw new Error('not drawn');
    expect(title.bottom).toBeCloseTo(frame.top, 0);
    const [free, left] = [
      frame.right - frame.left - (title.right - title.left),
      title.left - frame.left,
    ];
    expect(left).toBeCloseTo(where === 'left' ? 0 : where === 'right' ? free : free / 2, 0);
    expect(laid.word('Tide').x).toBeGreaterThan(title.left);
  });
  it('is moved, and what is within makes room for it', () => {
    const [plain, moved] = [box('top left'), box('top left', '={xshift=4mm,yshift=-3mm}')];
    const [a, b] = [ofColour(plain, RED), ofColour(moved, RED)];
    expect((b?.left ?? 0) - (a?.left ?? 0)).toBeCloseTo(4 * MM, 0);
    const [frame, title] = [ofColour(moved, 0), b];
    expect((title?.bottom ?? 0) - (frame?.top ?? 0)).toBeCloseTo(3 * MM, 0);
    expect(moved.word('High').y).toBeGreaterThan((title?.bottom ?? 0) + 5);
  });
  it('lies half on the edge when it is moved by half its height', () => {
    const laid = box('top left', '={yshift=-\\tcboxedtitleheight/2}');
    const [frame, title] = [ofColour(laid, 0), ofColour(laid, RED)];
    expect(frame?.top ?? 0).toBeCloseTo(((title?.top ?? 0) + (title?.bottom ?? 0)) / 2, 0);
  });
  it('may stand at the lower edge, and on boxes that go on over pages', () => {
    const below = box('bottom left');
    expect(ofColour(below, RED)?.top).toBeCloseTo(ofColour(below, 0)?.bottom ?? 0, 0);
    const long = set(
      `\\begin{tcolorbox}[breakable,title=Tide,colframe=black,attach boxed title to top left={yshift=-2mm},boxed title style={colback=red}]${'Ebb.\\par '.repeat(80)}\\end{tcolorbox}`,
    );
    expect(long.session.pages.length).toBe(2);
    expect(long.word('Tide').page).toBe(0);
    expect(ofColour(long, RED)).toBeDefined();
  });
});

describe('Lines and shadows', () => {
  it.each([
    ['west', 'left'],
    ['east', 'right'],
    ['north', 'top'],
    ['south', 'bottom'],
  ] as const)('a line at the %s edge', (edge, side) => {
    const laid = set(
      `\\begin{tcolorbox}[enhanced,frame hidden,sharp corners,colback=blue,borderline ${edge}={2pt}{0pt}{red}]x\\end{tcolorbox}`,
    );
    const [line, ground] = [ofColour(laid, RED), ofColour(laid, BLUE)];
    if (!line || !ground) throw new Error('not drawn');
    expect(line[side]).toBeCloseTo(ground[side], 0);
    const [across, up] = [line.right - line.left, line.bottom - line.top];
    expect(Math.min(across, up)).toBeCloseTo(2, 1);
  });
  it('a shadow lies to the right and below', () => {
    const laid = set('\\begin{tcolorbox}[drop shadow,colframe=red,colback=white]x\\end{tcolorbox}');
    const [shadow] = painted(laid);
    const frame = ofColour(laid, RED);
    expect(shadow?.right).toBeGreaterThan(frame?.right ?? Infinity);
    expect(shadow?.bottom).toBeGreaterThan(frame?.bottom ?? Infinity);
  });
});

describe('Parts side by side', () => {
  it('share the width as they are told', () => {
    const half = set('\\begin{tcolorbox}[sidebyside]ebb\\tcblower flow\\end{tcolorbox}');
    const third = set(
      '\\begin{tcolorbox}[sidebyside,lefthand ratio=.25]ebb\\tcblower flow\\end{tcolorbox}',
    );
    expect(half.word('ebb').y).toBeCloseTo(half.word('flow').y, 0);
    expect(third.word('flow').x).toBeLessThan(half.word('flow').x);
  });
});

describe('Boxes of one’s own', () => {
  it.each([
    [
      '\\newtcolorbox[auto counter]{q}[1][]{title=Question~\\thetcbcounter,#1}',
      '\\begin{q}[label=a]x\\end{q}\\begin{q}y\\end{q}\\ref{a}',
      /Question 1.*x.*Question 2.*y.*1/,
    ],
    [
      '\\newtcolorbox[auto counter,number within=section]{q}{title=Q \\thetcbcounter}',
      '\\section{S}\\begin{q}x\\end{q}',
      /Q 1\.1/,
    ],
    [
      '\\newtcolorbox[auto counter]{qa}{title=A \\thetcbcounter}\\newtcolorbox[use counter from=qa]{qb}{title=B \\thetcbcounter}',
      '\\begin{qa}x\\end{qa}\\begin{qb}y\\end{qb}',
      /A 1.*B 2/,
    ],
    [
      '\\newtcbtheorem[number format=\\Roman]{rl}{Rule}{}{r}',
      '\\begin{rl}{Ebb}{e}x\\end{rl}\\ref{r:e}',
      /Rule I: Ebb.*I/,
    ],
    [
      '\\newtcbtheorem{rl}{Rule}{separator sign={.}}{r}',
      '\\begin{rl}{Ebb}{e}x\\end{rl}\\ref{r:e}',
      /Rule 1\. Ebb/,
    ],
    [
      '\\usepackage{cleveref}\\newtcbtheorem{rl}{Rule}{crefname={rule}{rules}}{r}',
      '\\begin{rl}{Ebb}{e}x\\end{rl}\\begin{rl}{}{f}y\\end{rl}By \\cref{r:e} and \\cref{r:e,r:f}',
      /By rule 1 and rules 1 and 2/,
    ],
    [
      '\\newtcbtheorem[crefname={rule}{rules}]{rl}{Rule}{}{r}\\usepackage{cleveref}',
      '\\begin{rl}{Ebb}{e}x\\end{rl}By \\cref{r:e}',
      /By rule 1/,
    ],
    ['\\NewTColorBox{h}{O{} m}{title={Hint: #2},#1}', '\\begin{h}{try}x\\end{h}', /Hint: try/],
    ['\\newtcbox{\\pin}[1][red]{on line,colback=#1}', 'a \\pin{b} \\pin[blue]{c} d', /a ?b ?c ?d/],
  ])('%s', (preamble, body, printed) => {
    expect(set(body, preamble).text.replace(/\s+/g, ' ')).toMatch(printed);
    expect(findings(body, preamble)).toEqual([]);
  });
  it('words in a box in the line stand on the baseline', () => {
    const laid = set('a\\tcbox[on line]{b}c');
    expect(laid.word('b').y).toBeCloseTo(laid.word('a').y, 2);
    const above = set('a\\tcbox{b}c');
    expect(above.word('b').y).toBeLessThan(above.word('a').y - 3);
  });
  it('programs', () => {
    const preamble =
      '\\newtcblisting{code}[2][]{listing only,colback=blue,title=#2,listing options={language=Python},#1}';
    const body =
      '\\begin{code}{Count}\nfor i in x:\n    {{ #1 \\end\n\\end{code}\n\\begin{code}[colframe=red]{Two}\ny\n\\end{code}After.';
    const laid = set(body, preamble);
    expect(laid.text.replace(/\s+/g, '')).toContain('Count|foriinx:|{{#1\\end');
    expect(laid.text).toContain('After.');
    expect(ofColour(laid, BLUE)).toBeDefined();
    expect(ofColour(laid, RED)).toBeDefined();
    expect(findings(body, preamble)).toEqual([]);
  });
  it('room within is what is asked for, whichever key comes first', () => {
    const left = (keys: string): number => {
      const laid = set(`\\begin{tcolorbox}[colframe=red,boxrule=0pt,${keys}]x\\end{tcolorbox}`);
      return laid.word('x').x;
    };
    expect(left('boxsep=0pt,left=2pt')).toBeCloseTo(left('left=2pt,boxsep=0pt'), 2);
    expect(left('left=6pt') - left('left=2pt')).toBeCloseTo(4, 2);
  });
});

/** tcolorbox manual, chapters 4, 7 and 11. */
describe('Boxes that hold something of a kind', () => {
  const words = (body: string, preamble = ''): string =>
    set(body, preamble).text.replaceAll('\u00a0', ' ').replaceAll('|', '').replace(/\s+/g, ' ');
  it.each([
    ['a program and what it gives', '\\begin{tcblisting}{}\n\\emph{tide}\n\\end{tcblisting}', '', /\\emph\{tide\} tide/],
    ['what a program gives, first', '\\begin{tcblisting}{text and listing}\n\\emph{tide}\n\\end{tcblisting}', '', /tide \\emph\{tide\}/],
    ['a program alone', '\\begin{tcblisting}{listing only}\n\\emph{tide}\n\\end{tcblisting}', '', /^\\emph\{tide\} 1$/],
    ['what a program gives alone', '\\begin{tcblisting}{text only}\n\\emph{tide}\n\\end{tcblisting}', '', /^tide 1$/],
    ['a formula', '\\begin{tcolorbox}[ams equation]\\label{a}a\\end{tcolorbox}\\eqref{a}', '\\usepackage{amsmath}', /𝑎 \(1\) \(1\)/],
    ['lines of a formula, in a box of one’s own', '\\begin{two}a&=b\\\\c&=d\\end{two}', '\\usepackage{amsmath}\\newtcolorbox{two}{ams align}', /\(1\).*\(2\)/],
    ['a table', '\\begin{tcolorbox}[tabularx={X|c}]Ebb&low\\end{tcolorbox}', '\\usepackage{tabularx}', /Ebb low/],
    ['arguments by letters', '\\begin{prog}[colframe=red]{Tide}\nebb\n\\end{prog}', '\\NewTCBListing{prog}{O{} m}{listing only,title={#2},#1}', /Tide ebb/],
    ['a whole said before', 'At \\pin{noon}', '\\NewTotalTCBox{\\pin}{m}{on line}{\\emph{#1} sharp}', /At noon sharp/],
    ['a place in a list', '\\tcblistof[\\section*]{ru}{Rules}\\begin{tr}{Ebb}{e}x\\end{tr}', '\\newtcbtheorem[list inside=ru]{tr}{Rule}{description delimiters parenthesis}{ru}', /Rules 1 Ebb.* 1 Rule 1: \(Ebb\) x/],
  ])('%s', (_what, body, preamble, wanted) => {
    expect(words(body, preamble)).toMatch(wanted);
    expect(findings(body, preamble)).toEqual([]);
  }); // prettier-ignore

  it('stand side by side, program and text', () => {
    const laid = set('\\begin{tcblisting}{listing side text}\nebb\n\\end{tcblisting}');
    const [code, text] = [laid.word('ebb'), laid.word('ebb', 2)];
    expect(Math.abs(code.y - text.y)).toBeLessThan(8);
    expect(text.x - code.x).toBeGreaterThan(100);
  });
});

it('an environment that there is gets a box around it', () => {
  const preamble =
    '\\usepackage{amsthm}\\newtheorem{rule}{Rule}\\tcolorboxenvironment{rule}{colback=red}';
  const boxed = set('\\begin{rule}Ebb.\\end{rule} Flood.', preamble);
  expect(boxed.text).toContain('Rule 1. Ebb.');
  expect(boxed.session.findings()).toEqual([]);
  expect(ofColour(boxed, RED)).toBeDefined();
  expect(ofColour(set('Flood.', preamble), RED)).toBeUndefined();
});

describe('Headings within a box', () => {
  const GREEN = 0x00ff00;
  const box = (options: string, subtitle: string) =>
    set(
      `\\begin{tcolorbox}[colframe=red,colback=white,title=T${options}]Ebb.${subtitle}Flood.\\end{tcolorbox}`,
    );
  it.each([
    ['', '\\tcbsubtitle{Noon}', RED],
    ['', '\\tcbsubtitle[colback=blue]{Noon}', BLUE],
    [',subtitle style={colback=blue}', '\\tcbsubtitle{Noon}', BLUE],
    [',colbacktitle=blue', '\\tcbsubtitle{Noon}', BLUE],
  ])('%s %s: a bar from edge to edge in its colour', (options, subtitle, colour) => {
    const laid = box(options, subtitle);
    expect(laid.session.findings()).toEqual([]);
    const noon = laid.word('Noon');
    const bar = painted(laid).find(
      ({ paint, top, bottom }) =>
        paint === colour && top < noon.y && bottom > noon.y && bottom - top < 40,
    );
    expect((bar?.right ?? 0) - (bar?.left ?? 0)).toBeGreaterThan(340);
    expect(noon.x).toBeCloseTo(laid.word('Ebb').x, 0);
  });
  it('the colours of the box have names in what is drawn over it', () => {
    const laid = set(
      '\\begin{tcolorbox}[enhanced,colframe=green,overlay={\\fill[tcbcolframe] (frame.center) circle (3pt);}]x\\end{tcolorbox}',
      '\\definecolor{green}{rgb}{0,1,0}',
    );
    expect(laid.session.findings()).toEqual([]);
    expect(painted(laid).filter(({ paint }) => paint === GREEN).length).toBeGreaterThan(1);
  });
  it.each([
    ['borderline={1pt}{2pt}{red,dashed}', 1],
    ['borderline west={1pt}{2pt}{densely dotted,red}', 1],
    ['borderline vertical={1pt}{2pt}{red,loosely dashed}', 2],
  ])('%s: a broken line in its colour', (option, count) => {
    const laid = set(`\\begin{tcolorbox}[enhanced,${option}]x\\end{tcolorbox}`);
    expect(laid.session.findings()).toEqual([]);
    expect(painted(laid).filter(({ paint }) => paint === RED)).toHaveLength(count);
  });
  it.each(['after upper={\\par\\hfill Ebb}', 'before upper={\\par x\\par}'])(
    '%s: a paragraph may end within an option',
    (option) => {
      expect(findings(`\\begin{tcolorbox}[${option}]x\\end{tcolorbox}`)).toEqual([]);
    },
  );
  it('an option that is never closed still ends before a blank line', () => {
    expect(findings('\\begin{tcolorbox}[title={a\n\nb]x\\end{tcolorbox}').length).toBeGreaterThan(
      0,
    );
  });
});
