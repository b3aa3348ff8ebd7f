import { describe, expect, it } from 'vitest';
import { PT } from '../../base/lengths';
import { findingsIn, inArticle } from '../../testing/document';
import { ALL_MATH, formula } from '../../testing/formula';
import { laidBody } from '../../testing/layout';

const inside = (body: string): string => `\\makeatletter\\leavevmode ${body}\\makeatother`;
/** What a body prints with @ as a letter, without blanks. */
const prints = (body: string): string =>
  laidBody(inside(body)).text.replace(/\s+/g, '').replace(/\|1$/, '');

/** Names of the format that documents lean on (the LaTeX kernel; The TeXbook, chapters 17, 24 and appendix B). */
describe('names of the format', () => {
  it.each([
    ['\\empty x\\fmtname', 'xLaTeX2e'],
    ['\\number\\magstephalf,\\number\\magstep2', '1095,1440'],
    ['\\@xiipt/\\@xipt', '12/10.95'],
    ['\\number\\@m,\\number\\@cclvi', '1000,256'],
    [
      '\\@ifpackagelater{booktabs}{2010/01/01}{y}{n}\\@ifclasslater{article}{2010/01/01}{y}{n}',
      'ny',
    ],
    ['\\@ifclasswith{article}{12pt}{y}{n}\\IfClassLoadedTF{article}{y}{n}', 'ny'],
    ['\\IfFormatAtLeastTF{2020/10/01}{y}{n}\\IfFormatAtLeastTF{2999-01-01}{y}{n}', 'yn'],
    ['\\IfBlankT{ }{y}\\IfBlankF{ }{n}', 'y'],
    ['\\UseName{textbf}{b}', 'b'],
    ['\\NewEnvironmentCopy{mine}{center}\\begin{mine}a\\end{mine}b', 'ab'],
    ['\\ProvideTextCommandDefault{\\tide}{ebb}\\UseTextSymbol{T1}{\\tide}', 'ebb'],
    ['\\textulc{ab}\\itemitem{a)}b', 'ab|a)b'],
    ['\\accent19 e\\accent"7F o\\accent18 \\i', 'éöì'],
    ['\\oldstylenums{1984}', '1984'],
    ['\\typein[\\answer]{Which?}[\\answer]', '[]'],
    ['\\newread\\file\\openin\\file=none \\ifeof\\file x\\fi\\closein\\file', 'x'],
    [
      '\\newwrite\\out\\openout\\out=tides.txt \\write\\out{ebb \\fmtname}\\write\\out{two}\\closeout\\out\\newread\\file\\openin\\file=tides.txt \\read\\file to\\x\\read\\file to\\y(\\y)(\\x)\\ifeof\\file.\\fi',
      '(two)(ebbLaTeX2e).',
    ],
    [
      '\\newwrite\\out\\immediate\\openout\\out=a.sol\\immediate\\write\\out{\\unexpanded{\\textbf{b}}}\\immediate\\closeout\\out\\input{a.sol}',
      'b',
    ],
    ['{\\obeyspaces a  b}', 'ab'],
    ['\\@onlypreamble\\tide\\@iden{x}\\@carcube abcd\\@nil', 'xabc'],
  ])('%s gives %s', (body, printed) => {
    expect(prints(body)).toBe(printed);
    expect(findingsIn(inArticle(inside(body)))).toEqual([]);
  });
});

it('a file that is written to for ever is bounded, and the sheet goes on', () => {
  const body =
    '\\newwrite\\out\\immediate\\openout\\out=a.txt \\def\\more{\\immediate\\write\\out{ebb}\\more}\\more after';
  expect(prints(body)).toContain('after');
  expect(findingsIn(inArticle(body)).map(({ kind }) => kind)).toEqual(['macro-runaway']);
});

describe('signs by their numbers', () => {
  it.each([
    ['a\\mathchar"3214 b', '𝑎≤𝑏'],
    ['\\mathchardef\\below="3214 a\\below b', '𝑎≤𝑏'],
    ['\\delimiter"4262304 x\\delimiter"5263305 ', '⌊𝑥⌋'],
    ['\\mathaccent"705E x', '𝑥̂'],
    ['a\\buildrel b\\over= c', '𝑎𝑏=𝑐'],
    ['x\\sp2', '𝑥2'],
  ])('$%s$ gives %s', (formula, printed) => {
    const body = `$${formula}$`;
    const signs = new Set(prints(body).normalize('NFD'));
    for (const sign of printed.normalize('NFD')) expect(signs).toContain(sign);
    expect(findingsIn(inArticle(inside(body)))).toEqual([]);
  });

  it('that no font here has are told of', () =>
    expect(findingsIn(inArticle('$\\mathchar"3C14$')).map(({ kind }) => kind)).toEqual([
      'font-not-here',
    ]));
});

/** The length that a body shows, in pt. */
const length = (body: string): number => parseFloat(prints(body));

describe('measures of the font in force', () => {
  it.each([
    ['\\the\\fontdimen2\\font', 3.33333],
    ['\\the\\fontdimen3\\font', 1.66666],
    ['\\the\\fontdimen4\\font', 1.11111],
    ['\\the\\fontdimen5\\font', 4.30555],
    ['\\the\\fontdimen6\\font', 10.00002],
    ['\\the\\fontdimen22\\textfont2', 2.5],
    ['\\fontdimen2\\font=7pt \\the\\fontdimen2\\font', 7],
    ['\\hskip3pt\\relax\\the\\lastskip', 3],
    ['\\kern4pt\\relax\\the\\lastkern', 4],
    ['\\penalty50 \\the\\lastpenalty', 50],
    ['\\mbox{ebb}\\setbox0\\lastbox\\the\\wd0', 15.5556],
  ])('%s is %d', (body, value) => expect(length(body)).toBeCloseTo(value, 2));

  it('a kern that is taken back leaves no room', () => {
    const [plain, back] = ['a', 'a\\kern9pt\\unkern '].map(
      (before) => laidBody(`${before}q`).word('q').x,
    );
    expect(back).toBeCloseTo(plain ?? NaN, 1);
  });

  it('blanks are as wide as is said', () => {
    const gap = (set: string): number => laidBody(`{${set}\\noindent a q\\par}`).word('q').x;
    expect(gap('\\spaceskip=12pt ') - gap('\\spaceskip=4pt ')).toBeCloseTo(8, 1);
    expect(gap('\\fontdimen2\\font=12pt ') - gap('')).toBeCloseTo(12 - 3.33333, 1);
  });
});

it('what stands below a line is put there (\\vadjust)', () => {
  const step = (between: string): number => {
    const { word } = laidBody(`\\parbox{3cm}{Ebb ${between}and words that go on and quay}`);
    return word('quay').y - word('Ebb').y;
  };
  expect(step('\\vadjust{\\kern20pt}') - step('')).toBeCloseTo(20, 0);
});

it('brackets are as tall as is asked (\\bBigg@)', () => {
  const tall = (factor: number): number => {
    const box = formula(`\\csname bBigg@\\endcsname{${factor}}(`, ALL_MATH);
    return (box.height + box.depth) / PT;
  };
  // As tall as `\\Bigg` by its factor, which is 2.5; and more by steps of 14.4 pt.
  expect(tall(2.5)).toBeCloseTo(30, 0);
  expect(tall(4)).toBeGreaterThan(50);
  expect(tall(4)).toBeLessThan(60);
});
