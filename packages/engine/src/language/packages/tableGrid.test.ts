import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';
import { lookOf, selected } from './tblrKeys';

const NICE = '\\usepackage{nicematrix}';
const TBLR = '\\usepackage{tabularray}\\UseTblrLibrary{booktabs}';
const tblr = (keys: string, body: string): string => `\\begin{tblr}{${keys}}${body}\\end{tblr}`;

describe('what keys of tables name', () => {
  it.each([
    ['2', 4, [2]],
    ['1,3', 4, [1, 3]],
    ['2-4', 5, [2, 3, 4]],
    ['odd', 5, [1, 3, 5]],
    ['even', 5, [2, 4]],
    ['Z', 5, [5]],
    ['2-Y', 5, [2, 3, 4]],
    ['', 3, [1, 2, 3]],
  ])('%s of %i', (selector, count, places) => {
    const all = Array.from({ length: count }, (_, i) => i + 1);
    expect(all.filter(selected(selector, count))).toEqual(places);
  });
  it.each([
    ['c', { halign: 'c' }],
    ['r,m', { halign: 'r' }],
    ['bg=gray!20,fg=red,font=\\bfseries', { bg: 'gray!20', fg: 'red', font: '\\bfseries' }],
    ['halign=l,yellow', { halign: 'l', bg: 'yellow' }],
    ['c=2', {}],
  ])('%s looks like %o', (text, look) => expect(lookOf(text)).toEqual(look));
});

/** tabularray manual, chapter 2. */
describe('tables by keys', () => {
  const body = 'ebb & flow & z\\\\ low & high & y\\\\';
  const rules = (keys: string, inner = body): number =>
    laidBody(tblr(keys, inner), TBLR).rules.length;
  it('have the lines that are asked for, and no others', () => {
    expect(rules('ccc')).toBe(0);
    expect(rules('colspec={ccc},hline{1,Z}={}')).toBe(2);
    expect(rules('colspec={ccc},hlines')).toBe(3);
    expect(rules('colspec={ccc},hlines', 'ebb & \\SetCell[r=2]{m} a & z\\\\ low & & y\\\\')).toBe(
      4,
    );
  });
  it('span columns and rows', () => {
    const found = laidBody(
      tblr('colspec={lll}', '\\SetCell[c=2]{c} wideword & & z\\\\ a & b & y\\\\'),
      TBLR,
    );
    expect(found.word('wideword').x).toBeGreaterThan(found.word('a').x - 1);
    expect(found.word('wideword').right).toBeLessThan(found.word('z').x);
    const tall = laidBody(tblr('colspec={ll}', '\\SetCell[r=2]{m} tall & a\\\\ & b\\\\'), TBLR);
    expect(tall.word('tall').y).toBeGreaterThan(
      laidBody(tblr('colspec={ll}', 'tall & a\\\\ & b\\\\'), TBLR).word('tall').y + 2,
    );
    expect(tall.word('tall').y).toBeLessThan(tall.word('b').y - 2);
  });
  it('align single cells and columns otherwise', () => {
    const at = (keys: string): number =>
      laidBody(tblr(keys, 'x & a\\\\ x & longword\\\\'), TBLR).word('a').x;
    expect(at('colspec={lr}')).toBeGreaterThan(at('colspec={ll}') + 10);
    expect(at('colspec={ll},column{2}={r}')).toBeCloseTo(at('colspec={lr}'), 0);
    expect(at('colspec={ll},cell{1}{2}={c}')).toBeGreaterThan(at('colspec={ll}') + 3);
  });
  it('share the width of the text', () => {
    const found = laidBody(tblr('colspec={X[l]X[r]}', 'a & b\\\\'), TBLR);
    expect(found.word('b').right - found.word('a').x).toBeGreaterThan(310);
  });
  it.each([
    tblr('colspec={lcr},row{1}={font=\\bfseries,bg=gray!20},column{2}={fg=blue}', body),
    tblr('colspec={lcr}', '\\toprule a & b & c\\\\ \\midrule d & e & f\\\\ \\bottomrule'),
    tblr('hlines,vlines', '\\SetRow{bg=yellow} a & b\\\\ \\SetColumn{c} c & d\\\\'),
    '\\SetTblrInner{hlines}\\begin{tblr}{ll} a & b \\\\ c & d \\end{tblr}',
  ])('%s needs no note', (source) => expect(findingsIn(inArticle(source, TBLR))).toEqual([]));
});

/** tabularray manual, chapters 2 to 4. */
describe('keys of lines, cells and what stands around tables', () => {
  const body = 'ebb & flow \\\\ low & high \\\\ spring & neap';
  const lines = (keys: string) => laidBody(tblr(`colspec={ll},${keys}`, body), TBLR).rules;
  it.each([
    ['hline{2}={}', 1],
    ['hline{1,Z}={1pt}', 2],
    ['hlines,hline{2}={none}', 3],
    ['hline{2}={1}{solid}', 1],
    ['hline{2-3}={2pt,red}', 2],
  ])('%s has %i lines', (keys, count) => expect(lines(keys).length).toBe(count));
  it('lines are as wide as they say, over the columns that they name', () => {
    const [thick] = lines('hline{2}={2pt}');
    expect(thick?.height).toBeCloseTo(2 * (72 / 72.27), 1);
    const [part] = lines('hline{2}={1}{solid}');
    const [whole] = lines('hline{2}={solid}');
    expect(part?.width).toBeLessThan((whole?.width ?? 0) / 1.5);
  });
  const text = (source: string): string =>
    laidBody(source, TBLR).text.replace(/\s+/g, ' ').replaceAll(' | ', ' ');
  it.each<[string, RegExp]>([
    [tblr('colspec={ll},cell{1}{1}={cmd=\\MakeUppercase}', body), /EBB flow/],
    [tblr('colspec={ll},cell{1}{1}={preto=<,appto=>}', '$x$ & y'), /[<¡]𝑥[>¿] y/],
    [tblr('colspec={ll},column{2}={mode=math}', 'a & b'), /a 𝑏/],
    ['\\begin{talltblr}[caption={Tides},label={t},note{a}={By day.},remark{Of}={Marr.}]{ll} ebb\\TblrNote{a} & b \\end{talltblr}\\par\\ref{t}', /Table 1: Tides ebba b ?a ?By day\. Of ?: Marr\. ?1/],
    ['\\begin{longtblr}[caption={Tides}]{ll} ebb & b \\end{longtblr}', /Table 1: Tides ebb b/],
    ['$\\begin{+pmatrix}[cells={r}] 1 & -2 \\end{+pmatrix}$', /1 ?− ?2/],
    ['\\NewTblrEnviron{tides}\\SetTblrInner[tides]{hlines}\\begin{tides}{ll} ebb & b \\end{tides}', /ebb b/],
    ['\\NewColumnType{P}[1]{Q[c,wd=#1]}\\begin{tblr}{P{3cm}l} ebb & b \\end{tblr}', /ebb b/],
    [tblr('colspec={ll}', '\\SetRows{bg=azure9} ebb & \\SetCells{red5} b'), /ebb b/],
  ])('%s', (source, printed) => {
    expect(text(source)).toMatch(printed);
    expect(findingsIn(inArticle(source, `${TBLR}\\UseTblrLibrary{amsmath}`))).toEqual([]);
  }); // prettier-ignore
  it('keys of one environment are no other’s', () => {
    const rules = (environment: string): number =>
      laidBody(
        `\\SetTblrInner[talltblr]{hlines}\\begin{${environment}}{ll}${body}\\end{${environment}}`,
        TBLR,
      ).rules.length;
    expect(rules('talltblr')).toBe(4);
    expect(rules('tblr')).toBe(0);
  });
  it('columns share the width by their numbers, or have the one that is said', () => {
    const width = (keys: string): number => {
      const found = laidBody(tblr(keys, 'a & b & c'), TBLR);
      return found.word('b').x - found.word('a').x;
    };
    expect(width('colspec={X[2]X[1]l}')).toBeGreaterThan(width('colspec={XXl}') * 1.25);
    expect(width('colspec={lll},columns={wd=3cm}')).toBeCloseTo(85 + 12, -1);
    expect(width('colspec={lll},column{1}={wd=2cm}')).toBeCloseTo(57 + 12, -1);
  });
});

it('colours have nine steps, each as light as another’s', () => {
  const source = '\\textcolor{azure9}{a}\\textcolor{red1}{b}';
  expect(findingsIn(inArticle(source, '\\usepackage{ninecolors}'))).toEqual([]);
});

/** nicematrix manual, sections 3 to 9. */
describe('arrays and tables with blocks', () => {
  it.each([
    [
      '\\begin{NiceTabular}{cc}[hvlines]\\Block{1-2}{wide} & \\\\ a & b\\end{NiceTabular}',
      'wide | a b',
    ],
    [
      '\\begin{NiceTabular}{cc}\\CodeBefore\\rowcolor{yellow}{1}\\Body a & b\\\\ c & d\\end{NiceTabular}',
      'a b | c d',
    ],
    [
      '$\\begin{bNiceArray}{cc|c}\\Block{2-2}<\\Large>{A} & & 0\\\\ & & 1\\\\ \\hline 0 & 0 & 2\\end{bNiceArray}$',
      '𝐴',
    ],
    ['$\\begin{NiceArray}{cc} a & b \\CodeAfter \\end{NiceArray}$', '𝑎 𝑏'],
  ])('%s', (body, printed) => {
    expect(laidBody(body, NICE).text.replace(/\s+/g, ' ')).toContain(printed);
    expect(findingsIn(inArticle(body, NICE))).toEqual([]);
  });
});

/** nicematrix manual, sections 4 and 9: grounds and frames of cells in formulas. */
describe('what paints behind the cells of a matrix', () => {
  const painted = (body: string) =>
    laidBody(`$${body}$`, `${NICE}\\usepackage{xcolor}`).rules.filter(({ paint }) => paint !== 0);
  const RED = 0xff0000;
  it('a block has its ground over all its cells', () => {
    const [ground, ...others] = painted(
      '\\begin{pNiceMatrix}\\Block[fill=red]{2-2}{A} & & 0 \\\\ & & 0 \\\\ 0 & 0 & 1\\end{pNiceMatrix}',
    );
    expect([ground?.paint, others]).toEqual([RED, []]);
    expect(ground?.height).toBeCloseTo(24, 0);
  });
  it.each([
    [
      '\\begin{bNiceMatrix}\\CodeBefore\\cellcolor{red}{1-1,2-2}\\Body 1&2\\\\3&4\\end{bNiceMatrix}',
      2,
    ],
    ['\\begin{bNiceMatrix}\\CodeBefore\\rowcolor{red}{2}\\Body 1&2\\\\3&4\\end{bNiceMatrix}', 2],
    [
      '\\begin{bNiceArray}{cc}[first-row]\\CodeBefore\\cellcolor{red}{1-1}\\Body x&y\\\\3&4\\end{bNiceArray}',
      1,
    ],
    ['\\begin{pNiceMatrix}1 & \\Block[draw=red]{1-1}{2}\\end{pNiceMatrix}', 4],
  ])('%s', (body, count) => {
    const found = painted(body);
    expect(found.map(({ paint }) => paint)).toEqual(Array.from({ length: count }, () => RED));
  });
});

/** tasks manual, sections 3 and 4. */
describe('tasks in columns', () => {
  const TASKS = '\\usepackage{tasks}';
  const places = (items: string, options = '') => {
    const page = laidBody(`\\begin{tasks}${options}(3)${items}\\end{tasks}`, TASKS);
    return (word: string) => page.word(word);
  };
  it('one with a star takes the columns that are left, one with ! a line of its own', () => {
    const at = places('\\task ebb\\task flood\\task* low\\task! high\\task slack');
    expect(at('low').y).toBeCloseTo(at('ebb').y, 1);
    expect(at('high').y).toBeGreaterThan(at('low').y);
    expect(at('high').x).toBeCloseTo(at('ebb').x, 1);
    expect(at('slack').y).toBeGreaterThan(at('high').y);
  });
  it('the text is set in as far as is said, in columns of equal width', () => {
    const usual = places('\\task ebb\\task flood');
    const wide = places('\\task ebb\\task flood', '[item-indent=4em]');
    expect(wide('ebb').x - usual('ebb').x).toBeCloseTo(15, 0);
    expect(usual('flood').x - usual('ebb').x).toBeCloseTo(345 / 3, 0);
  });
});

it('a system has its unknowns in the order that is asked for', () => {
  const order = (body: string): string =>
    laidBody(`\\systeme${body}{3x-y=2,x+4y=1}`, '\\usepackage{systeme}').text.replace(
      /[^𝑥𝑦]/gu,
      '',
    );
  expect(order('')).toMatch(/^𝑥𝑦/u);
  expect(order('[yx]')).toMatch(/^𝑦𝑥/u);
});
