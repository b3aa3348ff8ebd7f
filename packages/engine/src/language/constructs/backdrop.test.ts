import { describe, expect, it } from 'vitest';
import { findingsIn } from '../../testing/document';
import { laid, type Laid } from '../../testing/layout';

/** A document of two pages on a sheet of 300 × 400 pt, with margins of 40 pt. */
const document = (preamble: string, first: string, second = 'second'): string =>
  `\\documentclass{article}\\usepackage[paperwidth=300pt,paperheight=400pt,margin=40pt]{geometry}\\usepackage{tikz}${preamble}
\\begin{document}
${first}\\newpage ${second}
\\end{document}`;
const pages = (preamble: string, first = 'first', second?: string): Laid =>
  laid(document(preamble, first, second));

/** On which pages a text stands. */
const pagesOf = ({ lines }: Laid, text: string): number[] =>
  lines.filter((line) => line.text.includes(text)).map(({ page }) => page);

/** The order in which two texts are painted on the first page. */
const painted = ({ lines }: Laid, ...texts: string[]): string[] =>
  lines.flatMap(({ text }) => texts.filter((one) => text.includes(one)));

describe('What stands behind the text', () => {
  const everywhere = [
    ['a package', '\\usepackage{eso-pic}\\AddToShipoutPicture{\\put(30,20){tide}}'],
    ['a hook of the kernel', '\\AddToHook{shipout/background}{\\put(30,-380){tide}}'],
    ['an older package', '\\usepackage{everypage}\\AddEverypageHook{\\put(-42.27,-307.73){tide}}'],
  ] as const;
  it.each(everywhere)('is on every page, from the corner of the paper: %s', (_name, preamble) => {
    const all = pages(preamble);
    expect(pagesOf(all, 'tide')).toEqual([0, 1]);
    const at = all.word('tide');
    expect([at.x, 400 - at.y].map(Math.round)).toEqual([30, 20]);
    expect(painted(all, 'tide', 'first').slice(0, 2)).toEqual(['tide', 'first']);
  });

  it('is on the page where it is said, with the star', () => {
    const one = pages('\\usepackage{eso-pic}', 'first\\AddToShipoutPictureFG*{\\put(9,9){tide}}');
    expect(pagesOf(one, 'tide')).toEqual([0]);
    expect(painted(one, 'tide', 'first').slice(0, 2)).toEqual(['first', 'tide']);
    const later = pages(
      '\\usepackage{eso-pic}',
      'first',
      'x\\AddToShipoutPicture*{\\put(9,9){tide}}',
    );
    expect(pagesOf(later, 'tide')).toEqual([1]);
    const begun = pages('\\usepackage{eso-pic}\\AddToShipoutPicture*{\\put(9,9){tide}}');
    expect(pagesOf(begun, 'tide')).toEqual([0]);
  });

  it('ends where it is taken off, and knows the number of its page', () => {
    const numbered = pages(
      '\\usepackage{eso-pic}\\AddToShipoutPicture{\\put(9,9){tide \\thepage}}',
      'first',
      '\\ClearShipoutPicture second',
    );
    expect(pagesOf(numbered, 'tide 1')).toEqual([0]);
    expect(pagesOf(numbered, 'tide')).toEqual([0]);
  });

  it.each([
    ['AtPageUpperLeft', 0, 400],
    ['AtPageLowerLeft', 0, 0],
    ['AtPageCenter', 150, 200],
    ['AtTextUpperLeft', 40, 360],
    ['AtTextLowerLeft', 40, 40],
    ['AtTextCenter', 150, 200],
  ])('\\%s counts from its corner, and what is put within it from there', (name, x, y) => {
    const { word } = pages(`\\usepackage{eso-pic}\\AddToShipoutPicture{\\${name}{\\put(5,3){ti}}}`);
    const at = word('ti');
    expect(at.x).toBeCloseTo(x + 5, 0);
    expect(400 - at.y).toBeCloseTo(y + 3, 0);
  });

  it('is a word across the page', () => {
    const marked = pages(
      '\\usepackage[text=Entwurf,angle=0,fontsize=20pt]{draftwatermark}\\SetWatermarkColor{red}',
    );
    expect(pagesOf(marked, 'Entwurf')).toEqual([0, 1]);
    const at = marked.word('Entwurf');
    expect((at.x + at.right) / 2).toBeCloseTo(150, 0);
    expect(pagesOf(pages('\\usepackage[firstpageonly,angle=0]{draftwatermark}'), 'DRAFT')).toEqual([
      0,
    ]);
  });

  it('is a block of text at its place', () => {
    const at = pages(
      '\\usepackage[absolute]{textpos}',
      'first\\begin{textblock*}{90pt}(30pt,50pt)tide\\end{textblock*}',
    ).word('tide');
    expect(at.x).toBeCloseTo(30, 0);
    expect(at.y).toBeGreaterThan(50);
    expect(at.y).toBeLessThan(62);
  });
});

describe('The colour of the paper', () => {
  it('holds from its page on, until it ends', () => {
    const laidOut = pages(
      '',
      'first\\newpage\\pagecolor{red}red\\newpage on\\newpage\\nopagecolor white',
    );
    const red = laidOut.rules.filter(({ width, height }) => width > 250 && height > 350);
    expect(red.map(({ page }) => page)).toEqual([1, 2]);
  });
});

describe('A picture that names the page', () => {
  const node = '\\node at (current page.south west) [anchor=south west,inner sep=0pt] {tide};';
  const picture = (body: string): string =>
    `\\begin{tikzpicture}[remember picture,overlay]${body}\\end{tikzpicture}`;
  it.each([
    ['in the text', '', `first ${picture(node)} on`, [0]],
    [
      'in the head',
      `\\usepackage{fancyhdr}\\pagestyle{fancy}\\lhead{${picture(node)}}`,
      'a',
      [0, 1],
    ],
    [
      'behind all',
      `\\usepackage{eso-pic}\\AddToShipoutPicture{\\put(77,88){${picture(node)}}}`,
      'a',
      [0, 1],
    ],
  ])('lies on it wherever it is written: %s', (_name, preamble, body, on) => {
    const all = pages(preamble, body);
    expect(pagesOf(all, 'tide')).toEqual(on);
    expect([all.word('tide').x, all.word('tide').y].map(Math.round)).toEqual([0, 400]);
  });

  it('takes no room, and knows the edges of the text', () => {
    const near = picture(
      '\\node at (current page text area.north west) [anchor=base west,inner sep=0pt] {tide};',
    );
    const at = pages('\\usepackage{tikzpagenodes}', `first ${near}on`);
    expect([at.word('tide').x, at.word('tide').y].map(Math.round)).toEqual([40, 40]);
    expect(at.text).toContain('first on');
  });
});

describe('Pages on their side', () => {
  const turned = (name: string): Laid =>
    pages(
      `\\usepackage{${name}}`,
      'first\\begin{landscape}\\noindent wide\\hfill end\\end{landscape}',
      'last',
    );

  it('have their paper on its side, head and foot with it', () => {
    const { session, word, lines } = turned('pdflscape');
    const sizes = session.pages
      .map((page) => session.describe(page))
      .map(({ width, height }) => [width, height]);
    expect(sizes[1]).toEqual([...(sizes[0] ?? [])].reverse());
    expect(sizes[2]).toEqual(sizes[0]);
    expect([word('wide').page, word('last').page]).toEqual([1, 2]);
    // The text is as wide as pages are high; the foot lies at the left edge.
    expect([word('wide').x, word('end').right].map(Math.round)).toEqual([40, 360]);
    const foot = lines.find(({ page, text }) => page === 1 && text === '2');
    expect(foot?.x).toBeLessThan(40);
  });

  it('leave the measures as they were behind them', () => {
    const measures = '\\the\\linewidth/\\the\\hsize/\\the\\textwidth/';
    const { text } = pages(
      '\\usepackage{pdflscape}',
      `${measures}\\begin{landscape}wide\\end{landscape}${measures}`,
    );
    const [before, behind] = [...text.matchAll(/[\d.]+pt\/[\d.]+pt\/[\d.]+pt/g)].map(String);
    expect(before).toBeDefined();
    expect(behind).toBe(before);
  });

  it('stand upright with their text on its side', () => {
    const { session, word, lines } = turned('lscape');
    const { width, height } = session.describe(session.pages[1] as never);
    expect(width).toBeLessThan(height);
    const [wide, end] = [word('wide'), word('end')];
    expect(Math.round(wide.x - end.x)).toBe(0);
    expect(wide.y - end.y).toBeGreaterThan(250);
    expect(lines.find(({ page, text }) => page === 1 && text === '2')?.y).toBeGreaterThan(360);
  });
});

describe('Hooks', () => {
  it('are carried out at their places', () => {
    const { text } = pages(
      '\\AddToHook{begindocument}{\\def\\tide{ebb}}\\AddToHook{env/quote/begin}{Thus: }',
      '\\tide\\begin{quote}so\\end{quote}',
    );
    expect(text).toContain('ebbThus: | so');
  });
  it('that are never carried out are told', () => {
    const found = findingsIn(document('\\AddToHook{shipout/nowhere}{x}', 'first'));
    expect(found.map(({ kind }) => kind)).toEqual(['option-unknown']);
  });
});
