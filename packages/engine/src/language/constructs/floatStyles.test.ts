import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const STYLED = (style: string, kind = 'figure'): string =>
  `\\usepackage{float}\\floatstyle{${style}}\\restylefloat{${kind}}`;
/** A float with its caption before or behind what it holds. */
const float = (captionFirst: boolean, where = 'h', begin = '\\centering '): string => {
  const caption = '\\caption{Lamp}';
  const inner = captionFirst ? `${caption}${begin}quay` : `${begin}quay${caption}`;
  return `ebb\n\n\\begin{figure}[${where}]${inner}\\end{figure}\n\nflood`;
};
const bottom = (page: Laid, i: number): number =>
  (page.rules[i]?.y ?? 0) + (page.rules[i]?.height ?? 0);
const LEFT = laidBody('\\noindent x').word('x').x;
const TEXT_WIDTH = 345;

describe('the style of a kind of float', () => {
  it.each<[string, boolean]>([
    ['plain', false],
    ['plaintop', true],
    ['boxed', false],
    ['ruled', true],
  ])('%s puts captions where it has them, wherever they are written', (style, onTop) => {
    for (const first of [true, false])
      for (const where of ['h', 'H']) {
        const page = laidBody(float(first, where), STYLED(style));
        expect(page.word('Lamp').y < page.word('quay').y).toBe(onTop);
        expect(findingsIn(inArticle(float(first, where), STYLED(style)))).toEqual([]);
      }
  });

  it('ruled: rules of .8, .4 and .4 pt, 2 pt from the caption and from the body', () => {
    const page = laidBody(float(false), STYLED('ruled'));
    expect(page.rules.slice(0, 3).map(({ height }) => height)).toEqual([
      expect.closeTo(0.8, 2),
      expect.closeTo(0.4, 2),
      expect.closeTo(0.4, 2),
    ]);
    // The label is bold, without a colon, and at the margin though the body is centred.
    expect(page.text).toContain('Figure 1 Lamp');
    expect(page.word('Figure').x).toBeCloseTo(LEFT, 1);
    // The depth of “Figure 1” is that of its g, 1.94 pt.
    expect((page.rules[1]?.y ?? 0) - page.word('Lamp').y).toBeCloseTo(1.94 + 2, 1);
    expect((page.rules[2]?.y ?? 0) - page.word('quay').y).toBeCloseTo(1.94 + 2, 1);
  });

  it('boxed: a frame 3.4 pt outside of the text, the caption 2 pt below it', () => {
    const page = laidBody(float(true), STYLED('boxed'));
    const across = page.rules.filter(({ width }) => width > 100);
    const upright = page.rules.filter(({ width }) => width < 1);
    expect(across.map(({ width }) => width)).toEqual([
      expect.closeTo(TEXT_WIDTH + 6.8, 1),
      expect.closeTo(TEXT_WIDTH + 6.8, 1),
    ]);
    expect(across[0]?.x).toBeCloseTo(LEFT - 3.4, 1);
    // The sides reach from one rule to the other.
    const [top, end] = across.map(({ y }) => y);
    for (const side of upright) expect(side.height).toBeCloseTo((end ?? 0) - (top ?? 0) - 0.4, 1);
    expect(upright).toHaveLength(2);
    expect(page.text).toContain('Figure 1: Lamp');
  });

  it('is that of kinds declared behind it, noted in the list by its ending', () => {
    const page = laidBody(
      '\\begin{tides}[h]quay\\caption{Lamp}\\end{tides}\\listof{tides}{Tables of tides}',
      '\\usepackage{float}\\floatstyle{ruled}\\newfloat{tides}{h}{xyz}\\floatname{tides}{Tide}',
    );
    expect(page.text).toMatch(/Tide 1 Lamp \| quay/);
    expect(page.text).toMatch(/Tables of tides \| 1 Lamp[ .]* 1/);
  });

  it('is chosen by the option of package algorithm too', () => {
    const body = '\\begin{algorithm}[h]quay\\caption{Lamp}\\end{algorithm}';
    const text = (option: string): string =>
      laidBody(body, `\\usepackage[${option}]{algorithm}`).text.replaceAll('|', ' ');
    expect(text('ruled')).toMatch(/Algorithm 1 Lamp\s+quay/);
    expect(text('plain')).toMatch(/quay\s+Algorithm 1: Lamp/);
    expect(text('boxed')).toMatch(/quay\s+Algorithm 1: Lamp/);
  });

  it('that does not exist is told of', () => {
    const kinds = findingsIn(inArticle('x', '\\usepackage{float}\\floatstyle{wavy}'));
    expect(kinds.map(({ kind }) => kind)).toEqual(['option-unknown']);
  });
});

describe('a float that stays (H) within a paragraph', () => {
  const words = 'ebb and flood and slack water '.repeat(6);
  const body = `${words}\n\\begin{figure}[H]\\centering quay\\caption{Lamp}\\end{figure}\nslack\n\nnext`;
  it('leaves the paragraph before it as it would be without it', () => {
    const page = laidBody(body, '\\usepackage{float}');
    const alone = laidBody(words);
    expect(page.lines.slice(0, 2)).toEqual(alone.lines.slice(0, 2));
  });
  it('begins no paragraph behind it unless a blank line does', () => {
    const page = laidBody(body, '\\usepackage{float}');
    const x = (text: string): number | undefined => page.lines.find((l) => l.text === text)?.x;
    expect(x('slack')).toBeCloseTo(LEFT, 1);
    expect(x('next')).toBeCloseTo(LEFT + 15, 1);
  });
});

describe('upright rules without a height', () => {
  it.each<[string, number]>([
    ['\\hbox{\\vrule\\vbox to 40pt{\\hbox{x}\\vss}}', 40],
    ['\\hbox{\\vrule\\lower 10pt\\vbox to 40pt{\\hbox{x}\\vss}}', 40],
    ['\\hbox{\\vrule height 5pt\\lower 10pt\\vbox to 40pt{\\hbox{x}\\vss}}', 15],
    ['\\hbox{\\vrule height 5pt depth 1pt\\vbox to 40pt{\\hbox{x}\\vss}}', 6],
  ])('%s run as high and deep as their box: %d pt (§138)', (body, height) => {
    expect(laidBody(body).rules[0]?.height).toBeCloseTo(height, 1);
  });
  it('run from row to row between columns', () => {
    const body = `\\renewcommand\\arraystretch{2}\\begin{tabular}{l!{\\vrule width 2pt}l}a&b\\\\c&d\\end{tabular}`;
    const page = laidBody(body, '\\usepackage{array}');
    const thick = page.rules.filter(({ width }) => Math.abs(width - 2) < 0.01);
    expect(thick.map(({ height }) => height)).toEqual([
      expect.closeTo(24, 1),
      expect.closeTo(24, 1),
    ]);
    expect(bottom(page, 0)).toBeCloseTo(thick[1]?.y ?? 0, 1);
  });
});
