import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody } from '../../testing/layout';

const AMS = '\\usepackage{amsmath,amssymb,array,graphicx,enumitem}';
/** A preamble's lines with @ as a letter, and a body that uses them. */
const printed = (preamble: string, body: string): string =>
  laidBody(body, `${AMS}\\makeatletter${preamble}\\makeatother`)
    .text.normalize('NFKC')
    .replace(/[\s|]+/g, '')
    .replace(/1$/, '');

/** Definitions that are handed from preamble to preamble, and lean on names of the kernel and of amsmath. */
describe('what many preambles bring along', () => {
  it.each([
    [
      'matrices with a line in them',
      '\\renewcommand*\\env@matrix[1][*\\c@MaxMatrixCols c]{\\hskip-\\arraycolsep\\let\\@ifnextchar\\new@ifnextchar\\array{#1}}',
      '$\\begin{pmatrix}[c|c]a&b\\\\c&d\\end{pmatrix}$',
      'abcd',
    ],
    [
      'a thicker line in a table',
      '\\newcommand{\\thickhline}{\\noalign{\\ifnum0=`}\\fi\\hrule height 1pt\\futurelet\\reserved@a\\@xhline}',
      '\\begin{tabular}{c}\\thickhline a\\\\\\thickhline b\\\\\\end{tabular}c',
      'abc',
    ],
    [
      'lines below a sum, aligned',
      '\\newcommand{\\subalign}[1]{\\vcenter{\\Let@\\restore@math@cr\\default@tag\\baselineskip\\fontdimen10\\scriptfont\\tw@\\ialign{\\hfil$\\m@th\\scriptstyle##$&$\\m@th\\scriptstyle{}##$\\hfil\\crcr#1\\crcr}}}',
      '$\\sum_{\\subalign{i&<a\\\\j&<b}}x$',
      '∑i<aj<bx',
    ],
    [
      'independence',
      '\\newcommand\\independent{\\protect\\mathpalette{\\protect\\independenT}{\\perp}}\\def\\independenT#1#2{\\mathrel{\\rlap{$#1#2$}\\mkern2mu{#1#2}}}',
      '$A\\independent B$',
      'A⟂⟂B',
    ],
    [
      'a barred integral',
      '\\def\\Xint#1{\\mathchoice{\\XXint\\displaystyle\\textstyle{#1}}{\\XXint\\textstyle\\scriptstyle{#1}}{\\XXint\\scriptstyle\\scriptscriptstyle{#1}}{\\XXint\\scriptscriptstyle\\scriptscriptstyle{#1}}\\!\\int}\\def\\XXint#1#2#3{{\\setbox0=\\hbox{$#1{#2#3}{\\int}$ }\\vcenter{\\hbox{$#2#3$ }}\\kern-.6\\wd0}}',
      '$\\Xint-f$',
      '−∫f',
    ],
    [
      'Roman numbers',
      '\\newcommand{\\Rom}[1]{\\uppercase\\expandafter{\\romannumeral#1\\relax}}',
      '\\Rom{14}',
      'XIV',
    ],
    [
      'a number for one line',
      '\\newcommand\\numberthis{\\addtocounter{equation}{1}\\tag{\\theequation}}',
      '\\begin{align*}a&=b\\\\c&=d\\numberthis\\end{align*}',
      'a=bc=d(1)',
    ],
    ['very large brackets', '\\newcommand\\vast{\\bBigg@{3}}', '$\\vast(x\\vast)$', '(x)'],
    [
      'a list that goes on as it was',
      '',
      '\\begin{enumerate}[label=(\\alph*)]\\item x\\end{enumerate}y\\begin{enumerate}[resume*]\\item z\\end{enumerate}',
      '(a)xy(b)z',
    ],
    [
      'a restriction',
      '\\newcommand\\restr[2]{{\\left.\\kern-\\nulldelimiterspace#1\\vphantom{\\big|}\\right|_{#2}}}',
      '$\\restr{f}{U}$',
      'fU',
    ],
  ])('%s', (_what, preamble, body, text) => {
    const signs = (found: string): string => [...found.replace(/[|⎛⎜⎝⎞⎟⎠()]/g, '')].sort().join('');
    expect(signs(printed(preamble, body))).toBe(signs(text.normalize('NFKC')));
    const told = findingsIn(inArticle(body, `${AMS}\\makeatletter${preamble}\\makeatother`));
    expect(told).toEqual([]);
  });

  it('the line is as thick as it was said, and as wide as the table', () => {
    const { rules } = laidBody(
      '\\begin{tabular}{c}\\thickhline a\\\\\\end{tabular}',
      '\\makeatletter\\newcommand{\\thickhline}{\\noalign{\\ifnum0=`}\\fi\\hrule height 2pt\\futurelet\\reserved@a\\@xhline}\\makeatother',
    );
    expect(rules).toHaveLength(1);
    expect(rules[0]?.height).toBeCloseTo(2, 1);
    expect(rules[0]?.width).toBeCloseTo(5 + 12, 0);
  });
});
