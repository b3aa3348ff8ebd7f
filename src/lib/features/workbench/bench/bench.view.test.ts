import { describe, expect, it } from 'vitest';
import { inArticle } from '../../../../../packages/engine/src/testing/document';
import { standingBench, type StandingBench } from '$lib/testing/bench';

type Step =
  | { readonly press: string | RegExp; readonly nth?: number }
  | { readonly fill: string | RegExp; readonly with: string; readonly as?: 'input' | 'change' };

const press = (title: string | RegExp, nth = 0): Step => ({ press: title, nth });
const fill = (label: string | RegExp, value: string): Step => ({ fill: label, with: value });
const type = (label: string | RegExp, value: string): Step => ({
  fill: label,
  with: value,
  as: 'input',
});

async function carryOut(bench: StandingBench, steps: readonly Step[]): Promise<void> {
  for (const step of steps)
    if ('press' in step) await bench.press(step.press, step.nth);
    else await bench.fill(step.fill, step.with, step.as);
}

const PACKAGES = '\\usepackage{amsmath,amssymb,amsthm,graphicx,booktabs}';
const body = (text: string): string => inArticle(text, PACKAGES);
const BODY = /\\begin\{document\}\n([\s\S]*)\n\\end\{document\}/;
const bodyOf = (text: string): string => BODY.exec(text)?.[1] ?? text;

/** What is under the caret (a bar), what is done in the bench, and what the source is then. */
type Row = readonly [what: string, before: string, steps: readonly Step[], after: string];

/** Each row done, read, and taken back. */
function writes(mode: string, rows: readonly Row[]): void {
  describe(mode, () => {
    it.each(rows)('%s', async (_what, before, steps, after) => {
      const bench = await standingBench(body(before));
      const was = bench.text();
      expect(bench.heading()).toBe(mode);
      await carryOut(bench, steps);
      expect(bodyOf(bench.text())).toBe(after);
      for (let i = 0; i < steps.length; i++) bench.undo();
      expect(bench.text()).toBe(was);
    });
  });
}

const MATRIX = '$\\begin{pmatrix}\n  1| & 2 \\\\\n  3 & 4\n\\end{pmatrix}$';
const matrix = (rows: string, name = 'pmatrix'): string =>
  `$\\begin{${name}}\n${rows}\n\\end{${name}}$`;

writes('Matrix', [
  ['a cell typed', MATRIX, [type('Row 2, column 1', '7')], matrix('  1 & 2 \\\\\n  7 & 4')],
  [
    'a row below the one at hand',
    MATRIX,
    [press('Row below')],
    matrix('  1 & 2 \\\\\n    &  \\\\\n  3 & 4'),
  ],
  [
    'a column behind the one at hand',
    MATRIX,
    [press('Column after')],
    matrix('  1 &  & 2 \\\\\n  3 &  & 4'),
  ],
  ['a row moved down', MATRIX, [press('Row down')], matrix('  3 & 4 \\\\\n  1 & 2')],
  ['a column moved to the right', MATRIX, [press('Column right')], matrix('  2 & 1 \\\\\n  4 & 3')],
  [
    'nothing moved beyond the edge',
    MATRIX,
    [press('Row up'), press('Column left')],
    matrix('  1 & 2 \\\\\n  3 & 4'),
  ],
  ['a row taken out', MATRIX, [press('Take row out')], matrix('  3 & 4')],
  ['a column taken out', MATRIX, [press('Take column out')], matrix('  2 \\\\\n  4')],
  ['dots on the diagonal', MATRIX, [press('Dots here')], matrix('  \\ddots & 2 \\\\\n  3 & 4')],
  [
    'other brackets',
    MATRIX,
    [fill('Brackets', 'bmatrix')],
    matrix('  1 & 2 \\\\\n  3 & 4', 'bmatrix'),
  ],
]);

const LINES = '\\begin{align}\n  a &= b| \\\\\n  c &= d < e\n\\end{align}';
const lines = (rows: string): string => `\\begin{align}\n${rows}\n\\end{align}`;

writes('Aligned lines', [
  ['a line typed', LINES, [type('Line 1', 'a & = x')], lines('  a & = x \\\\\n  c &= d < e')],
  ['a line moved down', LINES, [press('Down')], lines('  c & = d < e \\\\\n  a & = b')],
  [
    'a line without a number',
    LINES,
    [press('No number')],
    lines('  a & = b \\notag \\\\\n  c & = d < e'),
  ],
  [
    'a number given back',
    '\\begin{align}\n  a &= b| \\notag \\\\\n  c &= d\n\\end{align}',
    [press('Number it')],
    lines('  a & = b \\\\\n  c & = d'),
  ],
  ['two lines joined', LINES, [press('Join with next')], lines('  a & = b c = d < e')],
  [
    'a label',
    LINES,
    [fill('Label', 'eq:tide')],
    lines('  a & = b \\label{eq:tide} \\\\\n  c & = d < e'),
  ],
  ['a tag', LINES, [fill('Tag', '$*$')], lines('  a & = b \\tag{$*$} \\\\\n  c & = d < e')],
]);

const TABLE = '\\begin{tabular}{lr}\n  ebb| & 1 \\\\\n  flood & 2\n\\end{tabular}';
const table = (columns: string, rows: string): string =>
  `\\begin{tabular}{${columns}}\n${rows}\n\\end{tabular}`;

writes('Table', [
  [
    'a cell typed',
    TABLE,
    [type('Row 1, column 2', '9')],
    table('lr', '  ebb & 9 \\\\\n  flood & 2'),
  ],
  [
    'a column centred',
    TABLE,
    [fill('This column', 'c')],
    table('cr', '  ebb & 1 \\\\\n  flood & 2'),
  ],
  ['a bar', TABLE, [press('Bar before column')], table('|lr', '  ebb & 1 \\\\\n  flood & 2')],
  [
    'rules between all rows',
    TABLE,
    [fill('Rules', 'all')],
    table('lr', '  \\hline\n  ebb   & 1 \\\\\n  \\hline\n  flood & 2 \\\\\n  \\hline'),
  ],
  [
    'rules of a book',
    TABLE,
    [fill('Rules', 'book')],
    table('lr', '  \\toprule\n  ebb   & 1 \\\\\n  \\midrule\n  flood & 2 \\\\\n  \\bottomrule'),
  ],
  ['a row taken out', TABLE, [press('Take row out')], table('lr', '  flood & 2')],
  [
    'a column taken out, of the columns too',
    TABLE,
    [press('Take column out')],
    table('r', '  1 \\\\\n  2'),
  ],
  [
    'a column moved with what it says',
    TABLE,
    [press('Column right')],
    table('rl', '  1 & ebb \\\\\n  2 & flood'),
  ],
  [
    'with number and caption',
    TABLE,
    [press('With number and caption')],
    `\\begin{table}[htbp]\n  \\centering\n  \\caption{}\n  \\label{tab:}\n${table('lr', '  ebb & 1 \\\\\n  flood & 2')}\n\\end{table}`,
  ],
]);

const FIGURE =
  '\\begin{figure}\n  \\centering\n  \\includegraphics[width=0.5\\textwidth]{quay|}\n  \\caption{A quay}\n  \\label{fig:quay}\n\\end{figure}';

writes('Figure', [
  [
    'another caption',
    FIGURE,
    [fill('Caption', 'Two quays')],
    FIGURE.replace('|', '').replace('A quay', 'Two quays'),
  ],
  [
    'another label',
    FIGURE,
    [fill('Label', 'fig:two')],
    FIGURE.replace('|', '').replace('fig:quay', 'fig:two'),
  ],
  ['another width', FIGURE, [press('75')], FIGURE.replace('|', '').replace('0.5', '0.75')],
  [
    'not centred',
    FIGURE,
    [press('Centred')],
    FIGURE.replace('|', '').replace('  \\centering\n', ''),
  ],
]);

writes('Formula', [
  ['displayed', 'So $a=b|$ holds.', [press('Displayed')], 'So \n\\[\n  a=b\n\\]\n holds.'],
  ['numbered', '\\[a=b|\\]', [press('Numbered')], '\\begin{equation}\n  a=b\n\\end{equation}'],
  ['a fraction around what is marked', '$|a|+b$', [press('fraction')], '$\\frac{a}{}+b$'],
]);

writes('Formula', [
  ...(
    [
      ['root', '\\sqrt{a}'],
      ['brackets', '\\left( a \\right)'],
      ['braces', '\\left\\{ a \\right\\}'],
      ['power', '{a}^{}'],
      ['hat', '\\hat{a}'],
      ['brace under', '\\underbrace{a}_{}'],
      ['text', '\\text{a}'],
    ] as const
  ).map(([title, after]): Row => [
    `${title} around what is marked`,
    '$|a|+b$',
    [press(title)],
    `$${after}+b$`,
  ]),
  [
    'aligned at its relations',
    '\\[a=b|=c\\]',
    [press('Aligned at relations')],
    '\\begin{align*}\n  a &=b \\\\\n    &=c\n\\end{align*}',
  ],
  ['in the line', '\\[a=b|\\]', [press('In the line')], '$a=b$'],
]);

describe('the parts of a formula', () => {
  it.each([
    ['the next part', '$|a|+\\frac{b}{c}$', '$a|+|\\frac{b}{c}$'],
    ['the part before', '$a+|\\frac{b}{c}|$', '$a|+|\\frac{b}{c}$'],
    ['more around it', '$a+\\frac{|b|}{c}$', '$a+\\frac|{b}|{c}$'],
    ['less of it', '$a+|\\frac{b}{c}|$', '$a+\\frac|{b}|{c}$'],
  ])('are marked in the source: %s', async (title, before, after) => {
    const bench = await standingBench(body(before));
    await bench.press(title);
    expect(bodyOf(bench.marked())).toBe(after);
  });
  it('a letter takes its other forms in turn', async () => {
    const bench = await standingBench(body('$|R|$'));
    const forms: string[] = [];
    for (let i = 0; i < 8; i++) {
      await bench.press('Other form of the letter');
      forms.push(bodyOf(bench.text()));
    }
    expect(forms).toContain('$\\mathbb{R}$');
    expect(forms).toContain('$R$');
  });
});

const PREAMBLE =
  '\\documentclass{article}\n\\usepackage{amsmath}\n\\title{Tides}\n\\begin{document}\nEbb.\n\\end{document}\n';
const inKind = async (steps: readonly Step[]): Promise<string> => {
  const bench = await standingBench(PREAMBLE.replace('article', 'arti|cle'));
  expect(bench.heading()).toBe('Kind of document');
  await carryOut(bench, steps);
  return bench.text();
};

describe('the kind of document', () => {
  it.each([
    ['another kind', [fill('Kind', 'amsart')], ['\\documentclass{amsart}']],
    ['letters of another size', [fill('Size', '12pt')], ['\\documentclass[12pt]{article}']],
    [
      'size and paper',
      [fill('Size', '11pt'), fill('Paper', 'a4paper')],
      ['11pt', 'a4paper', '{article}'],
    ],
    ['margins', [fill('Margins', '2cm')], ['\\usepackage[margin=2cm]{geometry}']],
    [
      'margins taken back',
      [fill('Margins', '2cm'), fill('Margins', '')],
      ['\\documentclass{article}\n\\usepackage{amsmath}\n\\title'],
    ],
    [
      'lines further apart',
      [fill('Lines apart', 'doublespacing')],
      ['setspace', '\\doublespacing'],
    ],
    ['another title', [fill('Title', 'Low water')], ['\\title{Low water}']],
    ['an author', [fill('Author', 'A. Marsh')], ['\\author{A. Marsh}']],
    ['the title printed', [press('Print the title')], ['\\begin{document}\n\\maketitle']],
  ])('is written as chosen: %s', async (_what, steps, parts) => {
    const text = await inKind(steps);
    for (const part of parts) expect(text).toContain(part);
    // The document itself is as it was.
    expect(text).toContain('\nEbb.\n\\end{document}\n');
  });
});

describe('a kind for which more is written otherwise', () => {
  const paper =
    '\\documentclass{art|icle}\n\\begin{document}\n\\section{Ebb}\nLow.\n\\end{document}\n';
  it('is told first, and written when it is wanted', async () => {
    const bench = await standingBench(paper);
    await carryOut(bench, [fill('Kind', 'beamer')]);
    expect(bench.shows()).toContain('1 heading becomes a frame');
    expect(bench.text()).toContain('{article}');
    await bench.press('Write it so');
    expect(bench.text()).toContain('\\begin{frame}{Ebb}\nLow.\n\\end{frame}');
    expect(bench.shows()).not.toContain('becomes a frame');
  });
  it('may be left', async () => {
    const bench = await standingBench(paper);
    await carryOut(bench, [fill('Kind', 'book')]);
    await bench.press('Leave it');
    expect(bench.text()).toBe(paper.replace('|', ''));
    expect(bench.shows()).not.toContain('become chapters');
  });
});

describe('the packages', () => {
  const document = (lines: string, text: string): string =>
    `\\documentclass{article}\n${lines}\n\\begin{document}\n${text}\n\\end{document}\n`;
  it('says what is used of one, and takes one out that is not', async () => {
    const bench = await standingBench(
      document('\\usepackage{am|smath,cancel}', '$\\text{a}\\binom{n}{k}$'),
    );
    expect(bench.heading()).toBe('Packages');
    expect(bench.shows()).toContain('The sheet uses');
    expect(bench.shows()).toContain('Nothing of it is used.');
    await bench.press('Take cancel out');
    expect(bench.text()).toContain('\\usepackage{amsmath}\n');
  });
  it('loads what is missing, where packages stand', async () => {
    const bench = await standingBench(document('\\usepackage{am|smath}', '$\\mathbb{R}$'));
    await bench.press(/amssymb|amsfonts/);
    expect(bench.text()).toMatch(/\\usepackage\{ams(symb|fonts)\}\n\\begin\{document\}/);
  });
});

describe('a reference', () => {
  const text = body(
    '\\section{Ebb}\\label{s:ebb} See \\ref{s:|ebb}, \\pageref{s:ebb} and \\ref{x}.',
  );
  it('tells what it is, and leads to it and to those who refer to it', async () => {
    const bench = await standingBench(text);
    expect(bench.heading()).toBe('Reference');
    expect(bench.shows()).toMatch(/s:ebb is section 1, referred to 2 times/);
    await bench.press('Go to it');
    await bench.press(/^line/, 1);
    const plain = bench.text();
    expect(bench.wentTo).toEqual([plain.indexOf('\\label'), plain.indexOf('ref{s:ebb} and')]);
  });
  it('says that nothing has the label', async () => {
    const bench = await standingBench(body('See \\ref{no|ne}.'));
    expect(bench.shows()).toContain('Nothing here has the label none.');
  });
});

describe('symbols', () => {
  it.each([
    ['in a formula as they are', '$a|b$', 'alpha', '$a\\alpha b$'],
    ['in text between marks of their own', 'so| it', 'alpha', 'so$\\alpha$ it'],
  ])('are written %s', async (_what, before, sought, after) => {
    const bench = await standingBench(body(before));
    await bench.press('Symbols');
    await bench.fill('Find a symbol', sought, 'input');
    await bench.press(/^alpha/);
    expect(bodyOf(bench.text())).toBe(after);
  });
  it('bring the line of their package with them, undone with them', async () => {
    const bench = await standingBench(inArticle('$a|$', '\\usepackage{amsmath}'));
    const was = bench.text();
    await bench.press('Symbols');
    await bench.fill('Find a symbol', 'lesssim', 'input');
    await bench.press(/^lesssim/);
    expect(bench.text()).toContain('\\usepackage{amssymb}');
    bench.undo();
    expect(bench.text()).toBe(was);
  });
  it('are told when there is none of a name', async () => {
    const bench = await standingBench(body('|'));
    await bench.press('Symbols');
    await bench.fill('Find a symbol', 'zzzz', 'input');
    expect(bench.shows()).toContain('No symbol of that meaning or name.');
  });
});

describe('a figure', () => {
  const pictures = [
    { name: 'quay.png', address: '/quay.png' },
    { name: 'mole.png', address: '/mole.png' },
  ];
  it('takes another picture of the assignment', async () => {
    const bench = await standingBench(body(FIGURE), pictures);
    await bench.fill('Picture', 'mole.png');
    expect(bench.text()).toContain('[width=0.5\\textwidth]{mole.png}');
  });
  it('without a picture says how one gets there', async () => {
    const bench = await standingBench(body('\\begin{figure}\n|\n\\end{figure}'), pictures);
    expect(bench.shows()).toContain('No picture yet');
  });
});

describe('the bench', () => {
  it('folds and unfolds', async () => {
    const bench = await standingBench(body(MATRIX));
    await bench.press('Fold');
    expect(bench.shows()).not.toContain('Row below');
    await bench.press('Unfold');
    expect(bench.shows()).toContain('Row below');
  });
  it('follows the caret', async () => {
    const bench = await standingBench(body(`Ebb|.\n\n${MATRIX.replace('|', '')}`));
    expect(bench.heading()).toBe('Text');
    bench.view.dispatch({ selection: { anchor: bench.text().indexOf('1 &') } });
    await Promise.resolve();
    await Promise.resolve();
    expect(bench.heading()).toBe('Matrix');
  });
});

describe('the text', () => {
  it.each([
    ['Section', 'Low |water|.', 'Low \n\\section{water}\n.'],
    ['Emphasis', 'Low |water|.', 'Low \\emph{water}.'],
    ['Bold', 'Low |water|.', 'Low \\textbf{water}.'],
  ])('has a tool for: %s', async (title, before, after) => {
    const bench = await standingBench(body(before));
    expect(bench.heading()).toBe('Text');
    await bench.press(title);
    expect(bodyOf(bench.text())).toBe(after);
  });
  it('turns a list into one of another kind', async () => {
    const bench = await standingBench(body('\\begin{itemize}\n  \\item ebb|\n\\end{itemize}'));
    await bench.press('Numbered');
    expect(bodyOf(bench.text())).toBe('\\begin{enumerate}\n  \\item ebb\n\\end{enumerate}');
  });
});
