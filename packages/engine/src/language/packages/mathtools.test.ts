import { describe, expect, it } from 'vitest';
import { bodyLines, findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
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

/** mathtools manual, sections 3.1 to 3.6. */
describe('brackets as commands', () => {
  const declared = `${TOOLS}\\DeclarePairedDelimiter\\abs{\\lvert}{\\rvert}\\DeclarePairedDelimiterX\\inner[2]{\\langle}{\\rangle}{#1\\,\\delimsize\\vert\\,#2}`;
  it('stay small by themselves, grow with a star, are of a size in brackets', () => {
    const extent = (formula: string): number => {
      const box = typeset(inArticle(`$${formula}$`, declared)).pages[0]?.placed[0]?.box;
      return box ? box.height + box.depth : 0;
    };
    expect(extent('\\abs{\\frac12}')).toBe(extent('\\lvert\\frac12\\rvert'));
    expect(extent('\\abs*{\\sum_{\\frac12}}')).toBe(
      extent('\\left\\lvert\\sum_{\\frac12}\\right\\rvert'),
    );
    expect(extent('\\abs[\\Big]{x}')).toBe(extent('\\Big\\lvert x\\Big\\rvert'));
    expect(extent('\\inner[\\Big]{u}{v}')).toBe(extent('\\Big\\langle u\\Big\\rangle'));
    expect(extent('\\inner{u}{v}')).toBe(extent('\\langle u\\rangle'));
    for (const formula of [
      '\\abs{x}',
      '\\abs*{\\frac12}',
      '\\abs[\\Big]{x}',
      '\\inner{u}{v}',
      '\\inner*{\\frac12}{v}',
      '\\inner[\\big]{u}{v}',
    ])
      expect(findingsIn(inArticle(`$${formula}$`, declared))).toEqual([]);
  });
});

describe('scripts behind brackets that grow', () => {
  const declared = `${TOOLS}\\DeclarePairedDelimiter\\abs{\\lvert}{\\rvert}\\DeclarePairedDelimiterX\\inner[2]{\\langle}{\\rangle}{#1\\,\\delimsize\\vert\\,#2}\\DeclarePairedDelimiterXPP\\prob[1]{P}(){}{#1}`;
  const places = (formula: string): string => {
    const found = laidBody(`$${formula}$`, declared);
    const [two, a] = [found.word('2'), found.word('𝑎')];
    return [two.x, two.y, a.x, a.y].map((n) => n.toFixed(2)).join(' ');
  };
  it.each([
    ['\\abs*{\\frac xy}^2_a', '\\mathclose{\\left\\lvert\\frac xy\\right\\rvert}^2_a'],
    ['\\abs[\\Big]{\\frac xy}^2_a', '\\Bigl\\lvert\\frac xy\\Bigr\\rvert^2_a'],
    ['\\abs{x}^2_a', '\\lvert x\\mathclose{\\rvert}^2_a'],
    ['f\\prob*{\\frac xy}^2_a', 'fP\\mathopen{}\\mathclose{\\left(\\frac xy\\right)}^2_a'],
    // One within another keeps its own size.
    [
      '\\abs*{\\abs{x}\\frac xy}^2_a',
      '\\mathclose{\\left\\lvert\\lvert x\\rvert\\frac xy\\right\\rvert}^2_a',
    ],
    [
      '\\inner*{\\inner{u}{v}}{\\frac xy}^2_a',
      '\\mathclose{\\left\\langle\\langle u\\,\\vert\\,v\\rangle\\,\\middle\\vert\\,\\frac xy\\right\\rangle}^2_a',
    ],
  ])('%s stand as those of %s', (formula, plain) => {
    expect(places(formula)).toBe(places(plain));
    expect(findingsIn(inArticle(`$${formula}$`, declared))).toEqual([]);
  });
});

describe('lines, tags and signs of mathtools', () => {
  it('sets lines of an alignment as far apart as \\jot says', () => {
    const gap = (jot: string): number => {
      const found = laidBody(`${jot}\\begin{gather*}a\\\\b\\end{gather*}`, TOOLS);
      return Math.abs(found.word('𝑏').y - found.word('𝑎').y);
    };
    expect(gap('')).toBeCloseTo(15, 1);
    expect(gap('\\setlength\\jot{10pt}')).toBeCloseTo(22, 1);
    expect(gap('\\begin{spreadlines}{20pt}')).toBeCloseTo(32, 1);
  });
  it('writes numbers in brackets of one’s own, and refers to them so', () => {
    const own = `${TOOLS}\\newtagform{square}{[}{]}\\usetagform{square}`;
    const { text } = laidBody(
      '\\begin{equation}\\label{q}a\\end{equation} \\eqref{q} \\refeq{q}',
      own,
    );
    expect(text.match(/\[1\]/g)?.length).toBe(3);
    expect(laidBody('\\begin{equation}a\\tag{x}\\end{equation}', own).text).toContain('[x]');
  });
  it('places what stands before a sign at its left, the shorter one to the right', () => {
    const found = laidBody('$\\prescript{14}{2}{C}$', TOOLS);
    expect(found.word('14').right).toBeLessThan(found.word('𝐶').x + 0.5);
    expect(found.word('2').right).toBeCloseTo(found.word('14').right, 1);
  });
  it('takes no room for limits that are smashed', () => {
    const end = (formula: string): number =>
      set(`${formula} x = y`).word('𝑦').right - set(`${formula} x = y`).word('∑').x;
    const wide = end('\\sum_{1\\le i\\le j\\le n}');
    expect(end('\\smashoperator[r]{\\sum_{1\\le i\\le j\\le n}}')).toBeLessThan(wide - 3);
    expect(end('\\smashoperator{\\sum_{i}}')).toBeCloseTo(end('\\sum_{i}'), 1);
  });
  it('boxes a line across its &', () => {
    const found = laidBody('\\begin{align*}\\Aboxed{a&=b}\\\\cc&=d\\end{align*}', TOOLS);
    expect(found.word('=').x).toBeCloseTo(found.word('=', 2).x, 0);
  });
});

it('words between lines end the line that is open', () => {
  const lines = (between: string): string[] =>
    laidBody(`\\begin{align*}a&=b${between}\\intertext{and so}c&=d\\end{align*}`, TOOLS).lines.map(
      ({ text }) => text.replace(/\s+/g, ''),
    );
  expect(lines('')).toEqual(lines('\\\\'));
  expect(
    findingsIn(inArticle('\\begin{align*}a&=b\\intertext{so}c&=d\\end{align*}', TOOLS)),
  ).toEqual([]);
});

/** mathtools manual, section 3.2.2. */
describe('numbers only where they are referred to', () => {
  const preamble = '\\usepackage{mathtools}\\mathtoolsset{showonlyrefs}';
  const rows = (body: string): string[] =>
    bodyLines(body, preamble)
      .map((line) => line.replaceAll('\u00a0', ' ').trim())
      .filter((line) => line !== '');
  it('a formula that nothing names has none, wherever the reference stands', () => {
    const two =
      '\\begin{equation}a\\label{a}\\end{equation}\\begin{equation}b\\label{b}\\end{equation}';
    expect(rows(`${two}See \\eqref{b}.`).join(' ')).toMatch(/^𝑎 𝑏 \(1\) See \(1\)\.$/);
    expect(rows(`See \\eqref{b}.${two}`).join(' ')).toMatch(/^See \(1\)\. 𝑎 𝑏 \(1\)$/);
    expect(rows(two).join(' ')).toBe('𝑎 𝑏');
  });
  it('row by row', () => {
    const body = '\\begin{align}a&=1\\\\b&=2\\label{b}\\\\c&=3\\label{c}\\end{align}\\eqref{c}';
    const numbers = rows(body)
      .join(' ')
      .match(/\(\d\)/g);
    expect(numbers).toEqual(['(1)', '(1)']);
  });
  it('comes and goes with the reference that is typed', () => {
    const text = inArticle('\\begin{equation}a\\label{a}\\end{equation} Z', preamble);
    const session = typeset(text);
    const at = text.indexOf(' Z');
    expect(linesOf(session).join('')).not.toContain('(1)');
    session.edit(at, at, ' \\eqref{a}');
    session.settleAll();
    expect(linesOf(session)).toEqual(linesOf(typeset(session.text)));
    expect(linesOf(session).join('')).toContain('(1)');
    session.edit(at, at + 10, '');
    session.settleAll();
    expect(linesOf(session).join('')).not.toContain('(1)');
  });
  it('a setting that it does not have is told', () => {
    const said = '\\usepackage{mathtools}\\mathtoolsset{showonlyref}';
    expect(findingsIn(inArticle('x', said)).map(({ kind }) => kind)).toEqual(['option-misspelt']);
  });
});
