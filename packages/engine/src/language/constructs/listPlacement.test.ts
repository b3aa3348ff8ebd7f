import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';

const LEFT = 134.27;
const ENUMITEM = '\\usepackage{enumitem}';
const list = (kind: string, keys: string, items: string): string =>
  `\\begin{${kind}}[${keys}]${items}\\end{${kind}}`;
const words = 'words '.repeat(30);
/** Where the label begins, where the text, and where its second line, from the margin. */
function places(found: Laid, label: string): [number, number, number] {
  const [first, second] = found.lines.filter(({ text }) => text.includes('words'));
  return [
    found.word(label).x - LEFT,
    found.word('words').x - LEFT,
    (second ?? first ?? { x: 0 }).x - LEFT,
  ].map((x) => Math.round(x * 10) / 10) as [number, number, number];
}

describe('the measures of lists (enumitem manual, 3.2)', () => {
  // The label “(a)” is 12.78 pt wide in ten point, that of “m” 16.11.
  it.each([
    ['', 7.2, 25, 25],
    ['leftmargin=40pt', 22.2, 40, 40],
    ['leftmargin=40pt,itemindent=10pt', 32.2, 50, 40],
    ['leftmargin=40pt,labelsep=10pt', 17.2, 40, 40],
    ['leftmargin=40pt,labelwidth=30pt,align=left', 5, 40, 40],
    ['leftmargin=!,labelindent=10pt,labelwidth=20pt,align=left', 10, 35, 35],
    ['labelindent=10pt,leftmargin=*,align=left', 10, 31.1, 31.1],
    ['left=10pt,align=left', 10, 31.1, 31.1],
    ['left=10pt .. 50pt,align=left', 10, 50, 50],
    ['leftmargin=40pt,itemindent=!,labelindent=0pt,labelwidth=20pt,align=left', 0, 25, 40],
    ['wide', 15, 32.8, 0],
    ['wide,labelindent=0pt', 0, 17.8, 0],
    ['rightmargin=40pt', 7.2, 25, 25],
  ])('%s: label at %f, text at %f, its lines at %f', (keys, label, text, next) => {
    const said = `label=(\\alph*)${keys === '' ? '' : `,${keys}`}`;
    const found = laidBody(list('enumerate', said, `\\item ${words}`), ENUMITEM);
    const [a, b, c] = places(found, '(a)');
    expect(a).toBeCloseTo(label, 0);
    expect(b).toBeCloseTo(text, 0);
    expect(c).toBeCloseTo(next, 0);
  });

  it('hold leftmargin + itemindent = labelindent + labelwidth + labelsep, whichever follows', () => {
    const size = fc.integer({ min: 5, max: 40 });
    fc.assert(
      fc.property(size, size, size, (indent, width, sep) => {
        const keys = `label=x,align=left,labelindent=${indent}pt,labelwidth=${width}pt,labelsep=${sep}pt,leftmargin=!`;
        const [label, text] = places(
          laidBody(list('itemize', keys, `\\item ${words}`), ENUMITEM),
          'x',
        );
        expect(label).toBeCloseTo(indent, 0);
        expect(text).toBeCloseTo(indent + width + sep, 0);
      }),
      { numRuns: 12 },
    );
  });
});

describe('description', () => {
  // article.cls: \labelwidth 0, \itemindent -\leftmargin; “-l” is 7.03 pt wide in bold.
  it.each([
    ['', '-l', 0, 12, 25],
    ['', 'A label longer than that', 0, 132, 25],
    ['style=sameline', '-l', 0, 25, 25],
    ['style=sameline,leftmargin=90pt', '-l', 0, 90, 90],
    ['style=nextline', 'A label longer than that', 0, 25, 25],
    ['leftmargin=40pt', '-l', 0, 12, 40],
  ])('[%s] with %s: at %f, text at %f, its lines at %f', (keys, label, at, text, next) => {
    const preamble = keys === '' ? '' : ENUMITEM;
    const bracket = keys === '' ? '' : `[${keys}]`;
    const body = `\\begin{description}${bracket}\\item[${label}] ${words}\\end{description}`;
    const [a, b, c] = places(laidBody(body, preamble), label);
    expect(a).toBeCloseTo(at, 0);
    expect(Math.abs(b - text)).toBeLessThan(8);
    expect(c).toBeCloseTo(next, 0);
  });
  it('nextline: the text begins below a label that is too wide, beside one that is not', () => {
    const line = (label: string): number => {
      const found = laidBody(
        list('description', 'style=nextline', `\\item[${label}] words`),
        ENUMITEM,
      );
      return found.word('words').y - found.word(label).y;
    };
    expect(line('A label longer than that')).toBeCloseTo(12, 1);
    expect(line('ab')).toBeCloseTo(0, 1);
  });
  it('\\descriptionlabel may be the document’s own', () => {
    const own = '\\renewcommand\\descriptionlabel[1]{\\hspace\\labelsep\\textit{#1:}}';
    const found = laidBody('\\begin{description}\\item[Ebb] words\\end{description}', own);
    expect(found.word('Ebb:').font).toContain('italic');
  });
});

describe('what keys put around and before', () => {
  it.each([
    ['font=\\bfseries,label=(\\alph*)', '(a)', 'bold'],
    ['font=\\textit,label=(\\alph*)', '(a)', 'italic'],
    ['format=\\itshape,label=(\\alph*)', '(a)', 'italic'],
  ])('%s sets %s in %s', (keys, label, font) => {
    expect(laidBody(list('enumerate', keys, '\\item x'), ENUMITEM).word(label).font).toContain(
      font,
    );
  });
  it.each([
    ['before=\\itshape', 'words', 'italic'],
    ['first=\\bfseries', 'words', 'bold'],
  ])('%s acts on %s', (keys, word, font) => {
    expect(laidBody(list('itemize', keys, '\\item words'), ENUMITEM).word(word).font).toContain(
      font,
    );
  });
  it('after stands at the end of the last item', () => {
    expect(laidBody(list('itemize', 'after={ end}', '\\item words'), ENUMITEM).text).toContain(
      'words end',
    );
  });
});

describe('numbers that go on', () => {
  const two = (first: string, second: string, between = ''): string =>
    laidBody(
      `${list('enumerate', first, '\\item a\\item b')}${between}${list('enumerate', second, '\\item c')}`,
      ENUMITEM,
    ).text;
  it.each([
    ['label=\\arabic*.', 'resume,label=\\arabic*.', '', '3. c'],
    ['series=s', 'resume=s', list('enumerate', '', '\\item x'), '3. c'],
    ['series=s', 'resume', list('enumerate', '', '\\item x'), '2. c'],
    ['series=s', '', '', '1. c'],
  ])('[%s] and [%s]', (first, second, between, expected) => {
    expect(two(first, second, between)).toContain(expected);
  });
  it('label* begins with the label of the list around it', () => {
    const inner = list('enumerate', 'label*=\\alph*)', '\\item x');
    const found = laidBody(list('enumerate', 'label=\\Roman*.', `\\item a ${inner}`), ENUMITEM);
    expect(found.text).toContain('I.a) x');
    expect(
      findingsIn(inArticle(list('enumerate', 'label*=\\alph*)', '\\item x'), ENUMITEM)),
    ).toEqual([]);
  });
});
