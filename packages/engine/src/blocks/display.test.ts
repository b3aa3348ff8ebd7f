import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import type { Box, Item } from '../boxes/box';
import { inArticle, typeset } from '../testing/document';

const WIDTH = 345;

interface Row {
  readonly y: number;
  /** Left and right edges of each piece on the row, pt. */
  readonly pieces: readonly { readonly left: number; readonly right: number }[];
}

/** The rows of a document of displays only, with the places of formula and number; the empty lines before them left out. */
function rows(body: string, options = ''): Row[] {
  const text = inArticle(body).replace('{article}', `[${options}]{article}`.replace('[]', ''));
  const [page] = typeset(text).pages;
  return (page?.placed ?? [])
    .map(({ y, box }) => ({
      y: y / PT,
      pieces: box.children
        .filter(({ item }) => inked(item))
        .map(({ x, item }) => ({ left: x / PT, right: (x + item.width) / PT })),
    }))
    .filter(({ pieces }) => pieces.length > 0);
}

const inked = (item: Item): boolean =>
  item.kind !== 'anchor' && (item.kind !== 'box' || (item as Box).children.length > 0);
const first = (body: string, options = '') => rows(body, options)[0] as Row;
const centre = ({ left, right }: { left: number; right: number }): number => (left + right) / 2;

describe('a single formula', () => {
  it('stands in the middle, its number at the right margin', () => {
    const [formula, number] = first('\\begin{equation}a=b\\end{equation}').pieces;
    expect(centre(formula as never)).toBeCloseTo(WIDTH / 2, 0);
    expect(number?.right).toBeCloseTo(WIDTH, 1);
  });
  it('has its number on the left under leqno, and stands at the left under fleqn', () => {
    const left = first('\\begin{equation}a=b\\end{equation}', 'leqno').pieces.map(
      ({ left: x }) => x,
    );
    expect(Math.min(...left)).toBeCloseTo(0, 1);
    expect(first('\\begin{equation}a=b\\end{equation}', 'fleqn').pieces[0]?.left).toBeCloseTo(
      25,
      0,
    );
  });
  it('gives way to its number when wide, which goes below when there is no room at all', () => {
    const wide = (n: number) => rows(`\\begin{equation}${'x+'.repeat(n)}y\\end{equation}`);
    const [formula, number] = wide(17)[0]?.pieces ?? [];
    expect(formula?.right as number).toBeLessThan(number?.left as number);
    expect(wide(19).map(({ pieces }) => pieces.length)).toEqual([1, 1]);
  });
});

describe('space around', () => {
  const gap = (before: string): number => {
    const [text, formula] = rows(`\\noindent ${before}\n\\[x\\]`);
    return (formula?.y ?? 0) - (text?.y ?? 0);
  };
  it('is less above when the line before ends left of the formula', () => {
    expect(gap('So')).toBeCloseTo(12, 0);
    expect(gap('So it is with all the ferries that go from here to there by')).toBeCloseTo(22, 0);
  });
});

describe('alignments', () => {
  it('align at the sign, and stand in the middle', () => {
    const all = rows('\\begin{align*}a&=b\\\\aaaa&=bbbb\\end{align*}').slice(0, 2);
    const [one, two] = all.map(({ pieces }) => pieces[0] as { left: number; right: number });
    expect(one?.left).toBeCloseTo(two?.left as number, 5);
    expect(centre(one as never)).toBeCloseTo(WIDTH / 2, 0);
  });
  it('have rows 15 pt apart: a line and a jot', () => {
    const [a, b, c] = rows('\\begin{align*}a&=b\\\\c&=d\\\\[10pt]e&=f\\end{align*}');
    expect((b?.y ?? 0) - (a?.y ?? 0)).toBeCloseTo(15, 1);
    expect((c?.y ?? 0) - (b?.y ?? 0)).toBeCloseTo(25, 1);
  });
  it('centre each row in gather, and start the first left and end the last right in multline', () => {
    const gathered = rows('\\begin{gather*}a\\\\bbbbbbbb\\end{gather*}').slice(0, 2);
    for (const { pieces } of gathered) expect(centre(pieces[0] as never)).toBeCloseTo(WIDTH / 2, 0);
    const [top, bottom] = rows('\\begin{multline*}aaaa+b\\\\c+dddd\\end{multline*}');
    expect(top?.pieces[0]?.left).toBeCloseTo(10, 0);
    expect(bottom?.pieces[0]?.right).toBeCloseTo(WIDTH - 10, 0);
  });
  it('of alignat leave no space between pairs, those of flalign go from margin to margin', () => {
    const at = first('\\begin{alignat*}{2}a&=b&c&=d\\end{alignat*}').pieces[0];
    const spread = first('\\begin{align*}a&=b&c&=d\\end{align*}').pieces[0];
    const full = first('\\begin{flalign*}a&=b&c&=d\\end{flalign*}').pieces[0];
    const width = (piece?: { left: number; right: number }) =>
      (piece?.right ?? 0) - (piece?.left ?? 0);
    expect(width(at)).toBeLessThan(50);
    expect(width(spread)).toBeGreaterThan(120);
    expect(full?.left).toBeCloseTo(0, 1);
    expect(full?.right).toBeCloseTo(WIDTH, 1);
  });
  it('have one number for a multline, on its last line, or its first when numbers stand left', () => {
    const counts = (options = '') =>
      rows('\\begin{multline}aaaa+b\\\\+cc\\\\c+dddd\\end{multline}', options)
        .slice(0, 3)
        .map(({ pieces }) => pieces.length);
    expect(counts()).toEqual([1, 1, 2]);
    expect(counts('leqno')).toEqual([2, 1, 1]);
  });
  it('move a line of a multline to a margin when told', () => {
    const [, left, right] = rows(
      '\\begin{multline*}aa\\\\\\shoveleft{bb}\\\\\\shoveright{cc}\\\\dd\\end{multline*}',
    );
    expect(left?.pieces[0]?.left).toBeCloseTo(10, 0);
    expect(right?.pieces[0]?.right).toBeCloseTo(WIDTH - 10, 0);
  });
  it('break where a break is asked for, and nowhere else', () => {
    const lines = Array.from({ length: 6 }, (_, i) => (i === 2 ? 'a&=b\\displaybreak' : 'a&=b'));
    const body = `x\n\\begin{align*}${lines.join('\\\\')}\\end{align*}`;
    const { pages } = typeset(inArticle(body));
    expect(pages.map(({ placed }) => placed.length)).toEqual([4, 3]);
  });
  it('never break over a page unless allowed', () => {
    const tall = `${Array(38).fill('x').join('\\\\')} \\begin{align*}${Array(12).fill('a&=b').join('\\\\')}\\end{align*}`;
    const pagesOf = (preamble: string) =>
      typeset(inArticle(tall, `\\usepackage{amsmath}${preamble}`)).pages.map(
        ({ placed }) => placed.length,
      );
    const [kept] = pagesOf('');
    const [allowed] = pagesOf('\\allowdisplaybreaks');
    expect(allowed).toBeGreaterThan(kept as number);
  });
});
