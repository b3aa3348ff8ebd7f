import { describe, expect, it } from 'vitest';
import { laidBody } from '../../testing/layout';

const AMS = '\\usepackage{amsmath,amssymb,amsthm}\n';
const DECLARED = `${AMS}\\newtheorem{theorem}{Theorem}\\newtheorem{lemma}[theorem]{Lemma}\\theoremstyle{definition}\\newtheorem{problem}{Problem}\\theoremstyle{remark}\\newtheorem*{remark}{Remark}`;
const env = (name: string, body: string, note = ''): string =>
  `\\begin{${name}}${note}${body}\\end{${name}}`;
const page = (body: string, preamble = DECLARED) => laidBody(body, preamble);

describe('kinds of theorem', () => {
  it('are numbered each by itself, or together', () => {
    const text = page(
      [env('theorem', 'a'), env('lemma', 'b'), env('problem', 'c'), env('theorem', 'd')].join(
        '\n\n',
      ),
    ).text;
    expect(text).toContain('Theorem 1. a | Lemma 2. b | Problem 1. c | Theorem 3. d');
  });
  it('start anew with each section, and show its number', () => {
    const text = page(
      `\\section{A}${env('theorem', 'a')}\\section{B}${env('theorem', 'b')}${env('theorem', 'c')}`,
      `${AMS}\\newtheorem{theorem}{Theorem}[section]`,
    ).text;
    expect(text).toContain('Theorem 1.1. a');
    expect(text).toContain('Theorem 2.1. b | Theorem 2.2. c');
  });
  it('with a star have no number', () => {
    expect(page(env('remark', 'a')).text).toContain('Remark. a');
  });
  it('plain ones are slanted with a bold head, definitions upright, remarks with an italic head', () => {
    const sheet = page(
      `${env('theorem', 'tide $x^2$ 12')}${env('problem', 'ebb')}${env('remark', 'flood')}`,
    );
    expect(sheet.word('Theorem').font).toContain('bold');
    expect(sheet.word('tide').font).toContain('italic');
    expect(sheet.word('ebb').font).not.toContain('italic');
    expect(sheet.word('Problem').font).toContain('bold');
    expect(sheet.word('Remark').font).toContain('italic');
    expect(sheet.word('Remark').font).not.toContain('bold');
    expect(sheet.word('flood').font).not.toContain('italic');
  });
  it('a note stands behind the number, in medium type, in brackets', () => {
    const sheet = page(env('theorem', 'a', '[Quill]'));
    expect(sheet.text).toContain('Theorem 1 (Quill). a');
    expect(sheet.word('Quill').font).not.toContain('bold');
  });
  it('are referred to by their number', () => {
    expect(page(`${env('lemma', '\\label{l} a')} See \\ref{l}.`).text).toContain('See 1.');
  });
  it('stand off the text around them', () => {
    const sheet = page(`before\n\n${env('theorem', 'tide')}\n\nafter`);
    // \topsep of amsthm: 8 pt, and no more than it stretches.
    expect(sheet.word('tide').y - sheet.word('before').y).toBeCloseTo(20, 0);
    expect(sheet.word('after').y - sheet.word('tide').y).toBeCloseTo(20, 0);
  });
  it('proofs, remarks and centred lines have room of their own', () => {
    const around = (inner: string, blank = '\n'): [number, number] => {
      const sheet = page(`before\n${blank}${inner}\n${blank}after`);
      const y = sheet.word('tide').y;
      return [y - sheet.word('before').y, sheet.word('after').y - y];
    };
    const near = ([above, below]: [number, number], expected: readonly number[]): void => {
      expect(above).toBeCloseTo(expected[0] as number, 0);
      expect(below).toBeCloseTo(expected[1] as number, 0);
    };
    near(around(env('remark', 'tide')), [16, 16]);
    near(around(env('proof', 'tide')), [20, 20]);
    near(around(env('center', 'tide')), [22, 22]);
    near(around(env('center', 'tide'), ''), [20, 20]);
    near(around(env('verbatim', '\ntide\n')), [22, 22]);
    near(around(env('quote', 'tide')), [22, 22]);
  });
  it('lists in them have the measures of lists that stand alone', () => {
    const inner = env('itemize', '\\item ebb \\item flood');
    const alone = page(inner);
    const within = page(env('theorem', `x\n${inner}`));
    const left = within.word('Theorem').x;
    expect(within.word('ebb').x - left).toBeCloseTo(alone.word('ebb').x - left, 0);
    const step = (sheet: typeof alone): number => sheet.word('flood').y - sheet.word('ebb').y;
    expect(step(within)).toBeCloseTo(step(alone), 1);
  });
  it('without amsthm the head has no full stop, and the text is italic', () => {
    const sheet = page(env('t', 'tide', '[Quill]'), '\\newtheorem{t}{Theorem}');
    expect(sheet.text).toContain('Theorem 1 (Quill) tide');
    expect(sheet.word('tide').font).toContain('italic');
  });
  it('\\newtheoremstyle makes a style of one’s own', () => {
    const style =
      '\\newtheoremstyle{quiet}{3pt}{3pt}{\\sffamily}{}{\\scshape}{:}{ }{}\\theoremstyle{quiet}\\newtheorem{t}{Tide}';
    const sheet = page(env('t', 'ebb'), `${AMS}${style}`);
    expect(sheet.text).toMatch(/^Tide 1: ?ebb/i);
    expect(sheet.word('ebb').font).toContain('sans');
  });
});

describe('proofs', () => {
  it('begin with the word and end with a square at the right margin', () => {
    const sheet = page(env('proof', 'It ebbs.'));
    expect(sheet.text).toContain('Proof. It ebbs.');
    const box = sheet.rules.filter(({ width }) => width > 2);
    const right = Math.max(...sheet.rules.map(({ x, width }) => x + width));
    expect(box.length).toBeGreaterThan(0);
    expect(right - sheet.word('Proof').x).toBeCloseTo(345, 0);
  });
  it('take a name of their own', () => {
    expect(page(env('proof', 'a', '[Proof of the lemma]')).text).toContain('Proof of the lemma. a');
  });
  it('\\qedhere puts the mark where it stands', () => {
    const sheet = page(env('proof', 'So \\[ x = y. \\qedhere \\]'));
    const marks = sheet.rules.filter(({ width, height }) => width > 2 && height < 1);
    // The square has two such rules, and there is one square.
    expect(marks).toHaveLength(2);
    expect(Math.abs((marks[0]?.y ?? 0) - sheet.word('𝑥').y)).toBeLessThan(12);
  });
  describe('\\qedhere puts QED at the right margin of', () => {
    const QED = `\\usepackage{amsmath}${DECLARED}\\renewcommand{\\qedsymbol}{QED}`;
    const rows = 'x&=y\\\\&=z.\\qedhere';
    it.each([
      ['a display', '\\[ z. \\qedhere \\]', 0],
      ['rows together', `\\[ \\begin{split} ${rows} \\end{split} \\]`, null],
      ['the last row', `\\begin{align*} ${rows} \\end{align*}`, 0],
      ['an equation, below its number', '\\begin{equation} z. \\qedhere \\end{equation}', 12],
      ['the last line of a sum', '\\begin{multline*} x\\\\ z. \\qedhere \\end{multline*}', 0],
      [
        'the last line of a numbered sum',
        '\\begin{multline} x\\\\ z. \\qedhere \\end{multline}',
        0,
      ],
      ['the last of numbered rows', `\\begin{align} ${rows} \\end{align}`, 0],
    ])('%s', (_what, display, below) => {
      for (const side of ['', '\\PassOptionsToPackage{leqno}{amsmath}']) {
        const sheet = page(env('proof', `So ${display}`), side + QED);
        const mark = sheet.word('QED');
        expect(mark.right - sheet.word('Proof').x).toBeCloseTo(345, 0);
        if (below !== null)
          expect(mark.y - sheet.word('𝑧').y).toBeCloseTo(side === '' ? below : 0, 0);
      }
    });
    it('a formula as wide as the line, below it', () => {
      const wide = `\\begin{align} \\hspace{330pt}z. \\qedhere \\end{align}`;
      const sheet = page(env('proof', wide), `\\PassOptionsToPackage{leqno}{amsmath}${QED}`);
      expect(sheet.word('QED').y - sheet.word('𝑧').y).toBeGreaterThan(8);
    });
  });
  it('the mark can be another', () => {
    const sheet = page(env('proof', 'a'), `${DECLARED}\\renewcommand{\\qedsymbol}{QED}`);
    expect(sheet.word('QED').right - sheet.word('Proof').x).toBeCloseTo(345, 0);
  });
  it('a list at its start stands behind the word', () => {
    const sheet = page(env('proof', env('enumerate', '\\item ebb \\item flood')));
    expect(sheet.word('ebb').y).toBeCloseTo(sheet.word('Proof').y, 0);
  });
});

describe('what other packages add', () => {
  it('cleveref names what it refers to', () => {
    const preamble = `${AMS}\\usepackage{cleveref}\\newtheorem{theorem}{Theorem}\\newtheorem{lemma}{Lemma}`;
    const text = page(
      `\\section{A}\\label{s}${env('theorem', '\\label{t} a')}${env('lemma', '\\label{l} b')} \\Cref{t}, \\cref{l}, \\cref{s}, \\cref{t,l}.`,
      preamble,
    ).text;
    expect(text).toContain('Theorem 1, lemma 1, section 1, theorem 1 and lemma 1.');
  });
  it('hyperref says what kind a reference is of', () => {
    const text = page(
      `${env('theorem', '\\label{t} a')} \\autoref{t}`,
      `${AMS}\\usepackage{hyperref}\\newtheorem{theorem}{Theorem}`,
    ).text;
    expect(text).toContain('Theorem 1');
    expect(text.match(/Theorem 1/g)).toHaveLength(2);
  });
});
