import type { EditorView } from '@codemirror/view';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import type { SheetGeometry } from '../sheet/geometry';
import { ribbonPath, ribbons, sourceExtent, type Ribbon } from './ribbons';

const LINE = 20;

/** An editor all of whose lines are equally high. */
function fakeView(text: string): EditorView {
  const starts = [0];
  for (let i = 0; i < text.length; i++) if (text[i] === '\n') starts.push(i + 1);
  return {
    documentPadding: { top: 12, bottom: 12 },
    state: { doc: { length: text.length }, sliceDoc: (a: number, b: number) => text.slice(a, b) },
    lineBlockAt: (at: number) => {
      const line = starts.findLastIndex((start) => start <= at);
      return { top: line * LINE, bottom: (line + 1) * LINE };
    },
  } as unknown as EditorView;
}

function ribbonsOf(text: string, sheet: Partial<SheetGeometry> = {}, scrolled = 0): Ribbon[] {
  const session = typeset(text);
  const description = session.describe(session.pages[0] as never);
  const blocks = new Map(session.blocksOf(description).map((place) => [place.id, place]));
  const sighted = new Map([[0, { key: 1, description, text: [] }]]);
  const geometry = { tops: [20, 900], scale: 1, scrollTop: 0, height: 800, ...sheet };
  return ribbons(fakeView(text), sighted, blocks, geometry, scrolled);
}

const text = inArticle('First block.\n\nSecond block\nof two lines.\n\nThird.');

describe('ribbons', () => {
  it('go from each block on the page to its lines in the source, blank lines left out', () => {
    const found = ribbonsOf(text).sort((a, b) => a.sourceTop - b.sourceTop);
    expect(found).toHaveLength(3);
    const lines = found.map(({ sourceTop, sourceBottom }) => [
      (sourceTop - 12) / LINE,
      (sourceBottom - 12) / LINE,
    ]);
    expect(lines).toEqual([
      [3, 4],
      [5, 7],
      // With the line that ends the document.
      [8, 10],
    ]);
    for (let i = 1; i < found.length; i++)
      expect(found[i]?.pageTop).toBeGreaterThanOrEqual(found[i - 1]?.pageBottom ?? Infinity);
  });
  it('move with either side as it is scrolled, and grow with the page', () => {
    const [before] = ribbonsOf(text);
    const [moved] = ribbonsOf(text, { scrollTop: 50 }, 30);
    expect((before?.pageTop ?? 0) - (moved?.pageTop ?? 0)).toBeCloseTo(50, 5);
    expect((before?.sourceTop ?? 0) - (moved?.sourceTop ?? 0)).toBeCloseTo(30, 5);
    const [larger] = ribbonsOf(text, { scale: 2 });
    expect((larger?.pageTop ?? 0) - 20).toBeCloseTo(2 * ((before?.pageTop ?? 0) - 20), 4);
  });
  it('are left out when neither of their ends is in sight', () => {
    expect(ribbonsOf(text, { scrollTop: 5000 }, 5000)).toEqual([]);
    expect(ribbonsOf(text, { scrollTop: 5000 })).toHaveLength(3);
  });
  it('a place behind the end of the text is taken for its end', () => {
    const view = fakeView('a\nb');
    expect(sourceExtent(view, 99, 100, 0)).toEqual({ top: LINE, bottom: 2 * LINE });
  });
  it('are drawn from side to side, closed', () => {
    const heights = fc.tuple(fc.nat(800), fc.nat(800), fc.nat(800), fc.nat(800));
    fc.assert(
      fc.property(heights, ([pageTop, pageBottom, sourceTop, sourceBottom]) => {
        const path = ribbonPath({ block: 1, pageTop, pageBottom, sourceTop, sourceBottom }, 72);
        expect(path.startsWith(`M0 ${pageTop} `)).toBe(true);
        expect(path).toContain(`72 ${sourceTop}`);
        expect(path).toContain(`0 ${pageBottom} Z`);
      }),
    );
  });
});
