import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const TOOLS = '\\usepackage{mathtools,mathdots}';
const set = (formula: string): Laid => laidBody(`\\[ ${formula} \\]`, TOOLS);

/** mathtools manual, sections 3.4.4 and 3.4.5. */
describe('lines of a formula within a formula', () => {
  it('stand at the left in lgathered, at the right in rgathered', () => {
    const left = set('\\begin{lgathered} a+b+c \\\\ d \\end{lgathered}');
    expect(left.word('𝑑').x).toBeCloseTo(left.word('𝑎').x, 1);
    const right = set('\\begin{rgathered} a+b+c \\\\ d \\end{rgathered}');
    expect(right.word('𝑑').right).toBeCloseTo(right.word('𝑐').right, 1);
  });
  it('begin at the left and end at the right in multlined, 10 pt beyond both', () => {
    const found = set('| \\begin{multlined} a+b+c+d+e \\\\ g \\\\ h+i \\end{multlined} |');
    const width = found.word('𝑒').right - found.word('𝑎').x;
    expect(found.word('𝑖').right - found.word('𝑎').x).toBeCloseTo(width + 10, 1);
    const middle = (found.word('𝑔').x + found.word('𝑔').right) / 2;
    expect(middle - found.word('𝑎').x).toBeCloseTo((width + 10) / 2, 0);
  });
  it('are as wide as multlined is told, and stand up or down', () => {
    const wide = set('\\begin{multlined}[t][200pt] a+b \\\\ c \\end{multlined} = x');
    expect(wide.word('𝑐').right - wide.word('𝑎').x).toBeCloseTo(200, 1);
    expect(wide.word('𝑥').y).toBeCloseTo(wide.word('𝑎').y, 1);
    const low = set('\\begin{multlined}[b] a+b \\\\ c \\end{multlined} = x');
    expect(low.word('𝑥').y).toBeCloseTo(low.word('𝑐').y, 1);
  });
  it.each(['multlined', 'multline*'])(
    'of %s are spaced as going on (amsmath: {} before each)',
    (name) => {
      const lines = `\\begin{${name}} a+b \\\\ +c \\end{${name}}`;
      const found = name === 'multlined' ? set(lines) : laidBody(lines, TOOLS);
      const [plus, plain] = [found.word('+', 2), laidBody('$+c$')];
      const bare = plain.word('𝑐').x - plain.word('+').right;
      expect(found.word('𝑐').x - plus.right).toBeCloseTo(bare + 2.22, 1);
    },
  );
  it.each(['xalignat}{2', 'xalignat*}{2', 'xxalignat}{2'])('are aligned by %s', (begin) => {
    const [name = ''] = begin.split('}');
    const found = laidBody(
      `\\begin{${begin}} a &= b & c &= d \\\\ ee &= f & g &= h \\end{${name}}`,
      TOOLS,
    );
    expect(found.word('𝑏').x).toBeCloseTo(found.word('𝑓').x, 1);
    expect(found.word('𝑑').x).toBeCloseTo(found.word('ℎ').x, 1);
    expect(found.text.includes('(1)')).toBe(name === 'xalignat');
  });
});

describe('signs', () => {
  it.each([
    ['intop', 'int', '∫'],
    ['ointop', 'oint', '∮'],
  ])('\\%s has its limits above and below, \\%s beside', (limits, beside, sign) => {
    const [above, at] = [set(`\\${limits}_a b`), set(`\\${beside}_a b`)];
    const down = (found: Laid): number => found.word('𝑎').y - found.word(sign).y;
    expect(down(above)).toBeGreaterThan(down(at) + 5);
    expect(above.word('𝑎').right).toBeLessThan(above.word('𝑏').x);
  });
  it('\\iddots rises', () => {
    const found = laidBody('$\\iddots$', TOOLS);
    const dots = found.lines[0]?.text ?? '';
    expect(dots.replaceAll(' ', '')).toBe('...');
    expect(found.word('.').y).toBeGreaterThan(found.word('.', 2).y);
  });
  it('boxes are raised and lowered within a formula, kept boxes too', () => {
    const found = laidBody(
      '\\newbox\\kept\\setbox\\kept=\\hbox{w}$x\\raise 2pt\\hbox{u}\\lower3pt\\hbox{v}\\raise 4pt\\box\\kept$',
    );
    const up = (letter: string): number => found.word('𝑥').y - found.word(letter).y;
    expect([up('u'), up('v'), up('w')].map((by) => Math.round(by))).toEqual([2, -3, 4]);
    expect(findingsIn(inArticle('$x\\raise 2pt\\hbox{u}$'))).toEqual([]);
  });
});
