import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pageLetters, type LineLetters } from '../output/display/text';
import { inArticle, typeset } from '../testing/document';
import { findText } from './findText';

const RUN = { index: 0, font: 0, size: 10, x: 0, y: 0, paint: 0 };

/** A line all of whose letters are one big point wide, and of one run, whose number is its height. */
const line = (text: string, run = 0): LineLetters => ({
  text,
  run: Array(text.length).fill({ ...RUN, index: run, y: run }),
  left: [...Array(text.length).keys()],
  right: [...Array(text.length).keys()].map((x) => x + 1),
});
const pages = [
  ['The tide gauge', 'shows 𝑎 + 𝑏 at the har-', 'bour wall.'].map(line),
  ['Nothing', 'of the Tide', 'gauge here, of low-', '3 tide'].map(line),
];

describe('a text on the pages', () => {
  it('is found on each page, letter by letter, whatever its letters look like', () => {
    expect(findText(pages, 'TIDE')).toEqual([
      { page: 0, spans: [{ y: 0, size: 10, left: 4, right: 8 }] },
      { page: 1, spans: [{ y: 1, size: 10, left: 7, right: 11 }] },
      { page: 1, spans: [{ y: 3, size: 10, left: 2, right: 6 }] },
    ]);
    // Each letter of a formula is two units of text.
    expect(findText(pages, 'a + b')).toEqual([
      { page: 0, spans: [{ y: 1, size: 10, left: 6, right: 12 }] },
    ]);
  });
  it('is found over the end of a line, and where a word is broken there', () => {
    expect(findText(pages, 'tide gauge')).toEqual([
      { page: 0, spans: [{ y: 0, size: 10, left: 4, right: 14 }] },
      {
        page: 1,
        spans: [
          { y: 1, size: 10, left: 7, right: 11 },
          { y: 2, size: 10, left: 0, right: 5 },
        ],
      },
    ]);
    expect(findText(pages, 'harbour  wall')[0]?.spans).toEqual([
      { y: 1, size: 10, left: 21, right: 24 },
      { y: 2, size: 10, left: 0, right: 9 },
    ]);
  });
  it('is found twice on one line', () => {
    expect(findText([[line('ebb and ebb')]], 'ebb').map(({ spans }) => spans[0]?.left)).toEqual([
      0, 8,
    ]);
  });
  it('is nowhere when it is empty or not there', () => {
    expect(findText(pages, '  ')).toEqual([]);
    expect(findText(pages, 'moon')).toEqual([]);
  });
  it('whatever stands on a line is found there, from its first letter to its last', () => {
    const words = fc.array(fc.stringMatching(/^[a-z]{1,6}$/), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(words, fc.nat(), fc.nat(), (all, a, b) => {
        const text = all.join(' ');
        const from = a % text.length;
        const to = from + 1 + (b % (text.length - from));
        const sought = text.slice(from, to).trim();
        if (sought === '') return;
        const at = text.indexOf(sought);
        const found = findText([[line(text)]], sought)[0]?.spans;
        expect(found).toEqual([{ y: 0, size: 10, left: at, right: at + sought.length }]);
      }),
    );
  });
  it('stands where its letters are drawn, those of ligatures too', () => {
    const session = typeset(inArticle('An offing is a sea in sight.'));
    const page = session.describe(session.pages[0] as never);
    const letters = pageLetters(page, session.fonts);
    const [whole] = findText([letters], 'offing is');
    const [half] = findText([letters], 'off');
    const [span, part] = [whole?.spans[0], half?.spans[0]];
    const from = letters[0]?.left[letters[0].text.indexOf('o')] as number;
    expect(span?.left).toBe(from);
    expect(part?.left).toBe(from);
    const width = (part?.right ?? 0) - from;
    expect(width).toBeGreaterThan(8);
    expect(width).toBeLessThan(((span?.right ?? 0) - from) / 2);
  });
});
