import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle, linesOf, typeset } from '../../testing/document';
import { laid, laidBody } from '../../testing/layout';

/** The indent of lists in a type of 10 pt: 2.5 em, 2.2, 1.87 and 1.7 (the standard classes). */
const INDENTS = [25, 22, 18.7, 17];
const LEFT = laidBody('\\noindent x').word('x').x;

const items = (...texts: string[]): string => texts.map((text) => `\\item ${text}`).join('\n');
const list = (kind: string, body: string): string => `\\begin{${kind}}\n${body}\n\\end{${kind}}`;

describe('where lists stand', () => {
  it('each level is indented by its own measure, its label before the text', () => {
    const nested = ['ebb', 'flood', 'slack', 'surge'].reduceRight(
      (inner, text) => list('itemize', `\\item ${text}\n${inner}`),
      '',
    );
    const page = laidBody(nested);
    const xs = ['ebb', 'flood', 'slack', 'surge'].map((word) => page.word(word).x - LEFT);
    let sum = 0;
    INDENTS.forEach((indent, level) => {
      sum += indent;
      expect(xs[level]).toBeCloseTo(sum, 0);
    });
    const bullet = page.lines.find(({ text }) => text.includes('ebb'));
    // `\labelsep` is half an em.
    expect(page.word('ebb').x - page.word('•').right).toBeCloseTo(5, 0);
    expect(bullet?.text).toMatch(/^• ?ebb$/);
  });
  it('labels of the four levels differ', () => {
    const bullets = (kind: string): string =>
      laidBody(
        ['a', 'b', 'c', 'd'].reduceRight(
          (inner, text) => list(kind, `\\item ${text}\n${inner}`),
          '',
        ),
      ).text;
    expect(bullets('itemize').replace(/ /g, '')).toContain('•a|–b|∗c|·d');
    expect(bullets('enumerate').replace(/ /g, '')).toContain('1.a|(a)b|i.c|A.d');
  });
  it('items stand 20 pt apart, lines within one 12 pt; nested ones closer', () => {
    const page = laidBody(
      `before\n${list('itemize', `${items('ebb', 'flood')}\n${list('itemize', items('low', 'high'))}\n\n a second paragraph`)}\nafter`,
    );
    const y = (word: string): number => page.word(word).y;
    expect(y('ebb') - y('before')).toBeCloseTo(20, 0);
    expect(y('flood') - y('ebb')).toBeCloseTo(20, 0);
    // Second level: \topsep 4 with the \parsep 4 of the first; then \itemsep 2 with \parsep 2.
    expect(y('low') - y('flood')).toBeCloseTo(20, 0);
    expect(y('high') - y('low')).toBeCloseTo(16, 0);
    expect(y('after') - y('a second')).toBeCloseTo(20, 0);
  });
  it('a list after a blank line stands a little further away', () => {
    const close = laidBody(`before\n${list('itemize', items('ebb'))}`);
    const apart = laidBody(`before\n\n${list('itemize', items('ebb'))}`);
    const below = (page: typeof close): number => page.word('ebb').y - page.word('before').y;
    // `\partopsep` is 2 pt.
    expect(below(apart) - below(close)).toBeCloseTo(2, 0);
  });
  it('quotations are narrower on both sides, and only some indent their paragraphs', () => {
    const words = 'high water at the quay and low water at the bar '.repeat(8);
    const quote = laidBody(list('quote', `${words}\n\nsecond ${words}`));
    const quotation = laidBody(list('quotation', `${words}\n\nsecond ${words}`));
    expect(quote.word('high').x - LEFT).toBeCloseTo(25, 0);
    expect(quote.word('second').x - LEFT).toBeCloseTo(25, 0);
    expect(quotation.word('second').x - LEFT).toBeCloseTo(25 + 15, 0);
    const full = laidBody(`\\noindent ${words}`);
    expect((full.lines[0]?.right ?? 0) - (quote.lines[0]?.right ?? 0)).toBeCloseTo(25, 0);
  });
  it('descriptions have bold labels, and their text hangs', () => {
    const words = 'water that comes and goes with the moon '.repeat(5);
    const page = laidBody(list('description', `\\item[Tide] ${words}`));
    expect(page.word('Tide').font).toContain('bold');
    expect(page.word('Tide').x).toBeCloseTo(LEFT, 0);
    expect((page.lines[1]?.x ?? 0) - LEFT).toBeCloseTo(25, 0);
    expect(page.word('water').x - page.word('Tide').right).toBeCloseTo(5, 0);
  });
});

describe('how items are numbered', () => {
  it('counters go on over a list within, and can be set', () => {
    const page = laidBody(
      list(
        'enumerate',
        `${items('one')}\n${list('enumerate', items('in', 'in'))}\n${items('two')}\\setcounter{enumi}{6}${items('seven')}`,
      ),
    );
    expect(page.text).toMatch(/1\. ?one \| \(a\) ?in \| \(b\) ?in \| 2\. ?two \| 7\. ?seven/);
  });
  it('a label of one item alone does not count', () => {
    const page = laidBody(list('enumerate', '\\item a \\item[*] b \\item c'));
    expect(page.text.replace(/ /g, '')).toContain('1.a|*b|2.c');
  });
  it('references to items say their number as it stands in the list', () => {
    const body = `${list('enumerate', `\\item ebb\n${list('enumerate', '\\item low\\label{i}')}`)} See \\ref{i}.`;
    expect(laidBody(body).text).toContain('See 1a.');
  });
  it('labels can be made anew', () => {
    const page = laidBody(
      `\\renewcommand{\\labelenumi}{\\Roman{enumi})}\\renewcommand{\\labelitemi}{+}${list('enumerate', items('a', 'b'))}${list('itemize', items('c'))}`,
    );
    expect(page.text.replace(/ /g, '')).toContain('I)a|II)b|+c');
  });
  it('enumitem: labels, starts, no spaces, a list that goes on', () => {
    const preamble = '\\usepackage{enumitem}';
    const page = laid(
      inArticle(
        `\\begin{enumerate}[label=(\\roman*),start=3]${items('a', 'b')}\\end{enumerate} between
         \\begin{enumerate}[resume,label=(\\roman*)]${items('c')}\\end{enumerate}
         \\begin{itemize}[nosep,label=--]${items('d', 'e')}\\end{itemize}
         \\begin{enumerate}[label=\\textbf{\\alph*}.,ref=\\alph*]\\item\\label{i} f\\end{enumerate} See \\ref{i}!`,
        preamble,
      ),
    );
    const text = page.text.replace(/ /g, '');
    expect(text).toContain('(iii)a|(iv)b');
    expect(text).toContain('(v)c');
    expect(text).toContain('–d|–e');
    expect(text).toContain('a.f');
    expect(text).toContain('Seea!');
    expect(page.word('e', 4).y).toBeGreaterThan(0);
    const [d, e] = page.lines.filter((line) => /^– ?[de]$/.test(line.text));
    expect((e?.y ?? 0) - (d?.y ?? 0)).toBeCloseTo(12, 0);
  });
});

describe('lists that are not well made', () => {
  it.each([
    ['an item without a list', '\\item ebb', ['item-outside-list']],
    ['text before the first item', list('itemize', 'ebb \\item flood'), ['text-before-item']],
    ['the wrong end', '\\begin{itemize}\\item a\\end{enumerate}', ['begin-end-mismatch']],
  ])('%s is told', (_what, source, kinds) => {
    expect(findingsIn(inArticle(source)).map(({ kind }) => kind)).toEqual(kinds);
  });
  it('an empty list prints nothing, and nothing is lost behind it', () => {
    expect(laidBody(`${list('itemize', '')} after`).text).toContain('after');
  });
});

/** In a `\\trivlist` of the kernel `\\item` is no error: its label is empty. */
describe('items where no signs are given', () => {
  it.each([
    ['quote', ''],
    ['center', ''],
    ['verse', ''],
    ['proof', ''],
    ['tide', '[Neap]'],
  ])('begin paragraphs, which is told, with a list as a button: %s', (name, option) => {
    const preamble = '\\usepackage{amsthm}\\newtheorem{tide}{Tide}';
    const text = inArticle(
      `\\begin{${name}}${option}\n\\item ebb\n\\item flood\n\\end{${name}}`,
      preamble,
    );
    const [found, ...more] = findingsIn(text);
    expect(more).toEqual([]);
    expect(found?.kind).toBe('item-without-sign');
    expect(findingsIn(found?.fixed ?? '')).toEqual([]);
    const lines = linesOf(typeset(text)).map((line) => line.replace(/ \d$/, ''));
    expect(lines).toEqual(expect.arrayContaining(['ebb', 'flood']));
  });
  it('are broken outside of any', () => {
    expect(findingsIn(inArticle('\\item ebb')).map(({ kind }) => kind)).toEqual([
      'item-outside-list',
    ]);
  });
});
