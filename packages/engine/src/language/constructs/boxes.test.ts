import { describe, expect, it } from 'vitest';
import { laidBody, type Laid } from '../../testing/layout';

const at = (body: string, preamble?: string): Laid => laidBody(`\\noindent ${body}`, preamble);
/** How far a word stands behind the one before it. */
const gap = (page: Laid, one: string, other: string): number =>
  page.word(other).x - page.word(one).right;

describe('boxes of a line', () => {
  it('\\makebox is as wide as it says, its text where it says', () => {
    const place = (where: string): number => {
      const page = at(`a\\makebox[50pt][${where}]{bb}c`);
      expect(gap(page, 'a', 'c')).toBeCloseTo(50, 1);
      return gap(page, 'a', 'bb');
    };
    const wide = at('bb').word('bb');
    const spare = 50 - (wide.right - wide.x);
    expect(place('l')).toBeCloseTo(0, 1);
    expect(place('c')).toBeCloseTo(spare / 2, 1);
    expect(place('r')).toBeCloseTo(spare, 1);
  });
  it('stretches what it holds, and knows its own measures', () => {
    const page = at('a\\makebox[60pt][s]{b c d}e');
    expect(gap(page, 'a', 'b')).toBeCloseTo(0, 1);
    expect(gap(page, 'd', 'e')).toBeCloseTo(0, 1);
    const double = at('a\\makebox[2\\width]{bb}c');
    const once = double.word('bb').right - double.word('bb').x;
    expect(gap(double, 'a', 'c')).toBeCloseTo(2 * once, 1);
  });
  it('\\llap and \\rlap take no room', () => {
    const page = at('aa\\rlap{bb}cc\\llap{dd}');
    expect(page.word('cc').x).toBeCloseTo(page.word('aa').right, 1);
    expect(page.word('bb').x).toBeCloseTo(page.word('cc').x, 1);
    expect(page.word('dd').right).toBeCloseTo(page.word('cc').right, 1);
  });
  it('\\raisebox lifts, and can hide how high it is', () => {
    const page = at('a\\raisebox{7pt}{b}\n\nc');
    expect(page.word('a').y - page.word('b').y).toBeCloseTo(7, 1);
    const high = at('a\\raisebox{30pt}{b}\n\n\\noindent c\\raisebox{30pt}{d}');
    const hidden = at(
      'a\\raisebox{30pt}[0pt][0pt]{b}\n\n\\noindent c\\raisebox{30pt}[0pt][0pt]{d}',
    );
    expect(hidden.word('c').y - hidden.word('a').y).toBeCloseTo(12, 1);
    expect(high.word('c').y - high.word('a').y).toBeGreaterThan(25);
  });
  it('\\phantom leaves the room of what it does not show', () => {
    const page = at('a\\phantom{bbb}c\n\n\\noindent a\\mbox{bbb}c');
    expect(page.word('c').x).toBeCloseTo(page.word('c', 2).x, 1);
    expect(page.text).toMatch(/^a c \|/);
  });
});

describe('frames and rules', () => {
  it('\\fbox stands 3 pt off what it holds, with lines of 0.4 pt', () => {
    const page = at('a\\fbox{bb}c');
    // The rule and the room, on both sides.
    expect(gap(page, 'a', 'bb')).toBeCloseTo(3.4, 1);
    expect(gap(page, 'bb', 'c')).toBeCloseTo(3.4, 1);
    const upright = page.rules.filter(({ width }) => width < 1);
    expect(upright).toHaveLength(2);
    for (const { width } of upright) expect(width).toBeCloseTo(0.4, 1);
    const looser = at('\\setlength{\\fboxsep}{10pt}\\setlength{\\fboxrule}{2pt}a\\fbox{bb}c');
    expect(gap(looser, 'a', 'bb')).toBeCloseTo(12, 1);
  });
  it('\\rule is as wide and as high as it says, and can be raised', () => {
    const page = at('a\\rule[-2pt]{20pt}{5pt}b');
    const [rule] = page.rules;
    expect(rule?.width).toBeCloseTo(20, 1);
    expect(rule?.height).toBeCloseTo(5, 1);
    expect((rule?.y ?? 0) + 5).toBeCloseTo(page.word('a').y + 2, 1);
    expect(gap(page, 'a', 'b')).toBeCloseTo(20, 1);
  });
  it('colour boxes have a ground as large as the box', () => {
    const page = at('a\\colorbox{yellow}{bb}c', '\\usepackage{xcolor}');
    expect(page.rules.some(({ width, height }) => width > 10 && height > 8)).toBe(true);
    expect(gap(page, 'a', 'bb')).toBeCloseTo(3, 1);
  });
});

describe('boxes of paragraphs', () => {
  const words = 'water that comes and goes with the moon';
  it('\\parbox breaks its text at its width and stands by its middle, top or bottom', () => {
    const place = (where: string): { first: number; last: number } => {
      const page = at(`here \\parbox${where}{70pt}{${words}}`);
      const here = page.word('here').y;
      expect(page.lines.every(({ right, x }) => right - x < 345)).toBe(true);
      return { first: page.word('water').y - here, last: page.word('moon').y - here };
    };
    const top = place('[t]');
    expect(top.first).toBeCloseTo(0, 1);
    const bottom = place('[b]');
    expect(bottom.last).toBeCloseTo(0, 1);
    const middle = place('');
    expect(middle.first).toBeLessThan(-5);
    expect(middle.last).toBeGreaterThan(5);
    expect(top.last - top.first).toBeCloseTo(middle.last - middle.first, 1);
  });
  it('its middle stands on the axis of the type around it', () => {
    const place = (size: string): number => {
      const page = at(`${size} here \\parbox{20pt}{\\rule{5pt}{40pt}}`);
      const [rule] = page.rules;
      return page.word('here').y - ((rule?.y ?? 0) + 20);
    };
    expect(place('\\normalsize')).toBeCloseTo(2.5, 0);
    expect(place('\\Huge')).toBeCloseTo(0.25 * 24.88, 0);
  });
  it('minipages stand beside one another when no blank line parts them', () => {
    const mini = (text: string): string =>
      `\\begin{minipage}[t]{0.45\\textwidth}${text}\\end{minipage}`;
    const page = at(`${mini('left')}\\hfill ${mini('right')}`);
    expect(page.word('left').y).toBeCloseTo(page.word('right').y, 1);
    expect(page.word('right').x - page.word('left').x).toBeCloseTo(0.55 * 345, 0);
  });
  it('paragraphs in them are not indented, and their width is theirs', () => {
    const page = at(`\\begin{minipage}{80pt}one\n\ntwo \\rule{\\linewidth}{1pt}\\end{minipage}`);
    expect(page.word('two').x).toBeCloseTo(page.word('one').x, 1);
    expect(page.rules[0]?.width).toBeCloseTo(80, 0);
  });
  it.each([
    ['', 'hangs below the baseline'],
    ['\\vspace{0pt}', 'as does one before empty space'],
  ])('the last line of a box that is lowered to it keeps its depth: %s', (behind) => {
    const page = at(`x\\parbox[b]{40pt}{top\\par gyp\\par${behind}} y`);
    expect(page.word('gyp').y).toBeCloseTo(page.word('x').y, 1);
  });
  it('behind space, a box ends with the space', () => {
    const page = at('x\\parbox[b]{40pt}{top\\par gyp\\par\\vspace{5pt}} y');
    expect(page.word('x').y - page.word('gyp').y).toBeGreaterThan(6);
  });
  it('a minipage has its footnotes at its own end, lettered', () => {
    const page = at(
      '\\begin{minipage}{100pt}ebb\\footnote{at six} and flood\\end{minipage} text\\footnote{at the foot}',
    );
    expect(page.text).toMatch(/a ?at six/);
    expect(page.word('at six').y).toBeLessThan(page.word('at the foot').y - 100);
    expect(page.text).toMatch(/1 ?at the foot/);
  });
});

describe('boxes kept and used again', () => {
  it('\\savebox and \\usebox; lrbox', () => {
    const page = at(
      '\\newsavebox{\\tide}\\savebox{\\tide}{ebb}\\usebox{\\tide} and \\usebox{\\tide}. \\begin{lrbox}{\\tide}flood\\end{lrbox}\\usebox{\\tide}',
    );
    expect(page.text).toContain('ebb and ebb. flood');
  });
  it('\\settowidth and its like measure', () => {
    const page = at(
      '\\newlength{\\w}\\settowidth{\\w}{mmm}a\\hspace{\\w}b mmm\\settoheight{\\w}{\\rule{1pt}{20pt}} c\\hspace*{\\w}d',
    );
    const wide = page.word('mmm').right - page.word('mmm').x;
    expect(gap(page, 'a', 'b')).toBeCloseTo(wide, 1);
    expect(gap(page, 'c', 'd')).toBeCloseTo(20, 1);
  });
});

/** TeX: The Program, §1083: boxes begin with paragraphs of no shape. */
it('a list’s margin moves nothing within its vertical boxes', () => {
  const gap = (made: string, environment: string): number => {
    const body = `x${made}{\\hbox{ebb}}`;
    const { word } = laidBody(`\\begin{${environment}}\\item ${body}\\end{${environment}}`);
    return word('ebb').x - word('x').right;
  };
  for (const made of ['\\vbox', '\\vtop', '\\hbox'])
    for (const environment of ['enumerate', 'description'])
      expect(Math.abs(gap(made, environment))).toBeLessThan(0.1);
  const centred = laidBody('\\begin{enumerate}\\item $x\\vcenter{\\hbox{ebb}}$\\end{enumerate}');
  expect(centred.word('ebb').x - centred.word('𝑥').right).toBeLessThan(2);
});
