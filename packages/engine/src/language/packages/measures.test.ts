import { describe, expect, it } from 'vitest';
import { inArticle, textFiles } from '../../testing/document';
import { laid, laidBody, type Laid } from '../../testing/layout';

const below = (page: Laid, one: string, other: string): number =>
  page.word(other).y - page.word(one).y;
const middle = (page: Laid, word: string): number =>
  (page.word(word).x + page.word(word).right) / 2;
const LEFT = laidBody('\\noindent x').word('x').x;
const PICTURES = textFiles({ 'map.svg': '<svg width="100" height="50"></svg>' });
/** Place and size of the first picture of a document, in TeX points. */
function picture(body: string, preamble = '\\usepackage{graphicx}') {
  const { session } = laid(inArticle(body, preamble), PICTURES);
  const { images } = session.describe(session.pages[0] as never);
  const [a = 0, b = 0, c = 0, d = 0, e = 0] = Array.from(images, (v) => (v * 72.27) / 72);
  return { width: Math.hypot(a, b), height: Math.hypot(c, d), x: e - LEFT };
}

describe('figures and captions', () => {
  const figure = (inner: string): string =>
    `before\n\n\\begin{figure}[h]${inner}\\end{figure}\nafter`;
  it('stand 12 pt off the text, a caption 10 pt below the picture', () => {
    const page = laidBody(figure('\\rule{50pt}{20pt}\\caption{Lamp}'));
    const [rule] = page.rules;
    const bottom = (rule?.y ?? 0) + (rule?.height ?? 0);
    // \intextsep above and below; \abovecaptionskip and a line.
    expect((rule?.y ?? 0) - page.word('before').y).toBeGreaterThan(11);
    expect(page.word('Lamp').y - bottom).toBeCloseTo(10 + 12, 0);
    // The float ends below its last letters (the kernel's `\vskip 0pt`).
    expect(below(page, 'Lamp', 'after')).toBeCloseTo(12 + 12 + 1.94, 0);
  });
  it('a short caption stands in the middle, a long one over the whole width', () => {
    const short = laidBody(figure('\\centering x\\caption{Lamp}'));
    expect(short.text).toContain('Figure 1: Lamp');
    const words = 'the lamp at the end of the long quay wall '.repeat(4);
    const long = laidBody(figure(`x\\caption{${words}}`));
    const [first] = long.lines.filter(({ text }) => text.startsWith('Figure'));
    expect(first?.x).toBeCloseTo(LEFT, 0);
    const line = short.lines.find(({ text }) => text.startsWith('Figure'));
    expect(((line?.x ?? 0) + (line?.right ?? 0)) / 2 - LEFT).toBeCloseTo(345 / 2, 0);
  });
  it('caption: its label bold, its sign another, its type smaller', () => {
    const page = laidBody(
      figure('x\\caption{Lamp}'),
      '\\usepackage[labelfont=bf,labelsep=period,font=small]{caption}',
    );
    expect(page.text).toContain('Figure 1. Lamp');
    expect(page.word('Figure').font).toContain('bold');
    expect(page.word('Lamp').size).toBeCloseTo(9, 0);
  });
  it('subcaption letters the parts, and they can be referred to', () => {
    const part = (text: string, label: string): string =>
      `\\begin{subfigure}{0.4\\textwidth}x\\caption{${text}}\\label{${label}}\\end{subfigure}`;
    const page = laidBody(
      `\\begin{figure}[h]${part('Ebb', 'e')}\\hfill${part('Flood', 'f')}\\caption{Tides}\\label{t}\\end{figure} See \\ref{f}, \\subref{e}.`,
      '\\usepackage{subcaption}',
    );
    expect(page.text).toMatch(/\(a\) ?Ebb/);
    expect(page.text).toMatch(/\(b\) ?Flood/);
    expect(page.text).toContain('See 1b, a.');
    expect(page.word('Flood').y).toBeCloseTo(page.word('Ebb').y, 0);
  });
  it('float: [H] keeps a figure where it stands', () => {
    const page = laidBody(
      'before\n\\begin{figure}[H]x\\caption{Lamp}\\end{figure}\nafter',
      '\\usepackage{float}',
    );
    expect(page.word('Lamp').y).toBeGreaterThan(page.word('before').y);
    expect(page.word('after').y).toBeGreaterThan(page.word('Lamp').y);
  });
});

describe('graphicx', () => {
  it.each([
    ['', 100.375, 50.1875],
    ['[width=50pt]', 50, 25],
    ['[height=50pt]', 100, 50],
    ['[width=50pt,height=50pt]', 50, 50],
    ['[width=50pt,height=50pt,keepaspectratio]', 50, 25],
    ['[scale=2]', 200.75, 100.375],
    ['[width=0.5\\textwidth]', 172.5, 86.25],
    ['[width=50pt,angle=90]', 50, 25],
  ])('\\includegraphics%s', (options, width, height) => {
    const found = picture(`\\noindent\\includegraphics${options}{map.svg}`);
    // An SVG's pixel is 1/96 in.
    const unit = /width|height/.test(options) ? 1 : 0.75;
    expect(found.width).toBeCloseTo(unit === 1 ? width : width * unit, 0);
    expect(found.height).toBeCloseTo(unit === 1 ? height : height * unit, 0);
  });
  it('\\rotatebox, \\scalebox and \\resizebox turn and stretch text', () => {
    const gap = (page: Laid): number => page.word('c').x - page.word('a').right;
    const plain = gap(laidBody('a\\mbox{bbbb}c'));
    const preamble = '\\usepackage{graphicx}';
    expect(gap(laidBody('a\\scalebox{2}{bbbb}c', preamble))).toBeCloseTo(2 * plain, 0);
    expect(gap(laidBody('a\\resizebox{80pt}{!}{bbbb}c', preamble))).toBeCloseTo(80, 0);
    expect(gap(laidBody('a\\rotatebox{90}{bbbb}c', preamble))).toBeLessThan(10);
  });
});

describe('heads and feet', () => {
  it('fancyhdr: three places above, three below, and a rule', () => {
    const page = laidBody(
      'text',
      '\\usepackage{fancyhdr}\\pagestyle{fancy}\\fancyhf{}\\lhead{Quill}\\chead{Set 3}\\rhead{MA 214}\\cfoot{\\thepage}',
    );
    expect(page.word('Quill').x).toBeCloseTo(LEFT, 0);
    expect(page.word('214').right - LEFT).toBeCloseTo(345, 0);
    expect(middle(page, 'Set 3') - LEFT).toBeCloseTo(345 / 2, 0);
    expect(page.word('Quill').y).toBeLessThan(page.word('text').y - 20);
    expect(page.rules[0]?.width).toBeCloseTo(345, 0);
    expect(page.rules[0]?.height).toBeCloseTo(0.4, 1);
    expect(page.lines.at(-1)?.text).toBe('1');
    expect(page.lines.at(-1)?.y).toBeGreaterThan(700);
  });
  it('\\thispagestyle{empty} leaves one page without', () => {
    const page = laidBody('\\thispagestyle{empty}a\\newpage b');
    expect(page.lines.filter((line) => line.page === 0).map(({ text }) => text)).toEqual(['a']);
    expect(page.lines.filter((line) => line.page === 1).map(({ text }) => text)).toEqual([
      'b',
      '2',
    ]);
  });
  it('pages can be numbered in Roman, and from another number', () => {
    const page = laidBody('\\pagenumbering{roman}a\\newpage\\setcounter{page}{9}b');
    expect(page.text).toContain('a | i | b | ix');
  });
});

describe('paragraphs and headings', () => {
  it('parskip: no indent, and half a line between paragraphs', () => {
    const page = laidBody('one\n\ntwo', '\\usepackage{parskip}');
    expect(page.word('two').x).toBeCloseTo(page.word('one').x, 1);
    expect(below(page, 'one', 'two')).toBeCloseTo(18, 0);
  });
  it('titlesec sets headings in a form of one’s own', () => {
    const page = laidBody(
      '\\section{Ebb}text',
      '\\usepackage{titlesec}\\titleformat{\\section}{\\centering\\scshape}{\\thesection)}{1em}{}\\titlespacing*{\\section}{0pt}{12pt}{6pt}',
    );
    expect(page.text).toContain('1) ');
    expect(page.word('1)').font).toContain('caps');
    expect(page.word('1)').x - LEFT).toBeGreaterThan(100);
  });
  it('multicol sets columns beside one another, level', () => {
    const words = 'water that comes and goes with the moon '.repeat(12);
    const page = laidBody(
      `\\begin{multicols}{2}\\noindent first ${words} last\\end{multicols} after`,
      '\\usepackage{multicol}',
    );
    const second = page.lines.filter(({ x }) => x > LEFT + 170);
    expect(second.length).toBeGreaterThan(3);
    expect(second[0]?.x).toBeCloseTo(LEFT + (345 + 10) / 2, 0);
    const left = page.lines.filter(({ x, y }) => x < LEFT + 10 && y < page.word('after').y);
    expect(Math.abs(left.length - second.length)).toBeLessThanOrEqual(1);
  });
});

describe('colours, links and lines', () => {
  it('xcolor: names, mixtures, models', () => {
    const page = laidBody(
      '\\textcolor{red}{ebb} \\textcolor{blue!50}{flood} {\\color[HTML]{336699}surge} \\textcolor[rgb]{0,0.5,0}{slack} \\definecolor{sea}{RGB}{1,2,3}\\textcolor{sea}{sea}',
      '\\usepackage{xcolor}',
    );
    const hex = (word: string): string => page.word(word).color.toString(16).padStart(6, '0');
    expect(hex('ebb')).toBe('ff0000');
    expect(hex('flood')).toBe('8080ff');
    expect(hex('surge')).toBe('336699');
    expect(hex('slack')).toMatch(/^00(7f|80)00$/);
    expect(hex('sea')).toBe('010203');
  });
  /** Where the links of a document lead, each once, and the places that can be led to. */
  function leads(body: string, preamble: string) {
    const { session } = laid(inArticle(body, preamble));
    const page = session.describe(session.pages[0] as never);
    return { targets: [...new Set(page.linkTarget)], places: page.anchorName };
  }
  it('hyperref: addresses, references and citations lead somewhere', () => {
    const { targets, places } = leads(
      `\\section{Ebb}\\label{s} \\url{https://quay.example/tides} \\href{https://quay.example}{the quay}
       \\begin{equation}x\\label{e}\\end{equation} \\ref{s} \\eqref{e} \\pageref{p}\\label{p} \\cite{quill}
       \\begin{thebibliography}{9}\\bibitem{quill} A book.\\end{thebibliography}`,
      '\\usepackage{amsmath}\\usepackage{hyperref}',
    );
    const inside = ['s', 'e', 'p', '\u0001cite:quill'];
    expect(targets).toEqual([
      'https://quay.example/tides',
      'https://quay.example',
      ...inside.map((label) => `#${label}`),
    ]);
    for (const label of inside) expect(places).toContain(label);
  });
  it('without hyperref references are words; with colours they have that of links', () => {
    const body = '\\section{Ebb}\\label{s} See \\ref{s}.';
    expect(leads(body, '').targets).toEqual([]);
    const colour = (options: string): number =>
      laidBody(body, `\\usepackage[${options}]{hyperref}`).word('1', 2).color;
    expect(colour('colorlinks')).toBe(0xff0000);
    expect(colour('colorlinks,linkcolor=blue')).toBe(0x0000ff);
    expect(colour('')).toBe(0);
  });
  it('ulem draws lines under and through words', () => {
    const page = laidBody('\\uline{ebb} \\sout{flood}', '\\usepackage{ulem}');
    const [under, through] = page.rules;
    expect(under?.y ?? 0).toBeGreaterThan(page.word('ebb').y);
    expect(through?.y ?? Infinity).toBeLessThan(page.word('flood').y);
    expect(under?.width).toBeCloseTo(page.word('ebb').right - page.word('ebb').x, 0);
  });
  it('listings: lines numbered, words of the language bold, in a frame', () => {
    const page = laidBody(
      '\\begin{lstlisting}[language=Python,numbers=left,frame=single,basicstyle=\\ttfamily]\ndef tide(t):\n    return t\n\\end{lstlisting}',
      '\\usepackage{listings}',
    );
    expect(page.word('def').font).toMatch(/bold/);
    expect(page.word('tide').font).toContain('mono');
    expect(page.word('2').x).toBeLessThan(LEFT);
    expect(page.rules.length).toBeGreaterThanOrEqual(4);
    expect(page.word('return').x).toBeGreaterThan(page.word('def').x + 15);
  });
});
