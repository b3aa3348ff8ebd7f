import { inArticle, typeset } from '@odd-compass/engine/testing';
import { describe, expect, it } from 'vitest';
import { boxesInColour, caretPlace, pictureBoxes, sourceAt } from './hit';

function page(body: string) {
  const text = inArticle(body);
  const session = typeset(text);
  const description = session.describe(session.pages[0] as never);
  const blocks = new Map(session.blocksOf(description).map((place) => [place.id, place]));
  return { text, description, blocks };
}

describe('from the source to the page and back', () => {
  it('is precise to the symbol in a formula', () => {
    const { text, description, blocks } = page(
      'The gauge\n\\[ \\frac{a+b}{c} = \\sqrt{d^{e}} + f_{g} \\]\nfalls.',
    );
    for (const letter of ['a', 'b', 'c', 'd', 'e', 'f', 'g']) {
      const at =
        text.indexOf('\\[') +
        text
          .slice(text.indexOf('\\['))
          .search(new RegExp(`(?<![\\\\A-Za-z])${letter}(?![A-Za-z])`));
      const bar = caretPlace(description, blocks, at);
      expect(bar, letter).not.toBeNull();
      if (!bar) continue;
      const found = sourceAt(
        description,
        blocks,
        bar.left + 0.3 * bar.height,
        bar.top + 0.6 * bar.height,
      );
      expect([letter, text[found ?? 0]]).toEqual([letter, letter]);
    }
  });
  it('is precise to the letter in a word', () => {
    const { text, description, blocks } = page('Harbour lights.');
    const at = text.indexOf('lights');
    const bars = [0, 1, 2].map((n) => caretPlace(description, blocks, at + n)?.left ?? 0);
    expect(bars[1]).toBeGreaterThan(bars[0] ?? 0);
    expect(bars[2]).toBeGreaterThan(bars[1] ?? 0);
    const bar = caretPlace(description, blocks, at + 2);
    expect(sourceAt(description, blocks, (bar?.left ?? 0) + 1, (bar?.top ?? 0) + 5)).toBe(at + 2);
  });
  it('tells nothing of what is not on the page', () => {
    const { description, blocks } = page('Ebb.');
    expect(caretPlace(description, blocks, 3)).toBeNull();
  });
});

it('what is drawn in a colour has a box on each line', () => {
  const { description } = page('\\textcolor{red}{Ebb} and flood.');
  expect(boxesInColour(description, 0xff0000).length).toBeLessThanOrEqual(1);
  expect(boxesInColour(description, 0x123456)).toEqual([]);
  expect(pictureBoxes(description)).toEqual([]);
});
