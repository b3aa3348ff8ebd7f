import type { PageDescription } from '@odd-compass/engine';
import { lineCount, runsOfLine } from '@odd-compass/engine/page';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inArticle, typeset } from '../../../../../packages/engine/src/testing/document';
import { Painter } from './painter';

/** What is done to a canvas: what was filled, from where to where down. */
interface Filled {
  readonly y: number;
  readonly height: number;
}

/** A canvas that notes what is painted on it. */
function fakeCanvas() {
  const fills: Filled[] = [];
  const drawn: unknown[] = [];
  const glyphs: number[] = [];
  const context = new Proxy(
    {},
    {
      get(target: Record<string, unknown>, name: string) {
        if (name === 'canvas') return canvas;
        if (name === 'fillRect')
          return (_x: number, y: number, _width: number, height: number) =>
            void fills.push({ y, height });
        if (name === 'drawImage') return (picture: unknown) => void drawn.push(picture);
        if (name === 'fill') return () => void glyphs.push(1);
        return target[name] ?? (() => undefined);
      },
      set: () => true,
    },
  );
  const canvas = { width: 0, height: 0, getContext: () => context };
  return { canvas: canvas as unknown as OffscreenCanvas, fills, drawn, glyphs };
}

const pageOf = (body: string, preamble?: string): PageDescription => {
  const session = typeset(inArticle(body, preamble));
  return session.describe(session.pages[0] as never);
};
/** Every glyph of a page with an outline of its own. */
const outlinesOf = (page: PageDescription) =>
  Array.from({ length: lineCount(page) }, (_, line) => runsOfLine(page, line))
    .flat()
    .flatMap(({ font, glyphs }) => [...glyphs].map((glyph) => ({ font, glyph, path: '' })));
const at = (index: number, page: PageDescription) => new Map([[index, page]]);

describe('the painter', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('Path2D', function Path2D() {});
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  function painterWith(page: PageDescription, pauses = false) {
    const painter = new Painter();
    const surface = fakeCanvas();
    painter.take({ kind: 'canvas', id: 1, canvas: surface.canvas, pauses });
    painter.take({ kind: 'canvas-page', id: 1, page: 0, scale: 2 });
    painter.show(at(0, page), outlinesOf(page));
    vi.advanceTimersByTime(0);
    return { painter, ...surface };
  }

  it('paints a page whole, as large as it is asked, with all its glyphs', () => {
    const page = pageOf('ebb and flood');
    const { canvas, fills, glyphs } = painterWith(page);
    expect([canvas.width, canvas.height]).toEqual([
      Math.round(page.width * 2),
      Math.round(page.height * 2),
    ]);
    expect(fills[0]).toEqual({ y: 0, height: canvas.height });
    expect(glyphs).toHaveLength(page.glyphs.length);
  });
  it('paints only the lines that changed, at once', () => {
    const { painter, canvas, fills } = painterWith(pageOf('one\n\ntwo\n\nthree'));
    fills.length = 0;
    const after = pageOf('one\n\ntwo!\n\nthree');
    painter.show(at(0, after), outlinesOf(after));
    expect(fills).toHaveLength(1);
    expect(fills[0]?.height).toBeLessThan(canvas.height / 10);
    painter.show(at(0, after), []);
    expect(fills).toHaveLength(1);
  });
  it('paints a small page anew when the typing pauses', () => {
    const { painter, fills } = painterWith(pageOf('one'), true);
    fills.length = 0;
    for (const text of ['two', 'three', 'four'])
      painter.show(at(0, pageOf(text)), outlinesOf(pageOf(text)));
    expect(fills).toHaveLength(0);
    vi.advanceTimersByTime(1000);
    expect(fills).toHaveLength(1);
  });
  it('stretches a page that is drawn larger, and paints it sharply when it stays so', () => {
    const { painter, canvas, fills } = painterWith(pageOf('one'));
    const width = canvas.width;
    fills.length = 0;
    for (const scale of [2.2, 2.5, 3]) {
      painter.take({ kind: 'canvas-page', id: 1, page: 0, scale });
      vi.advanceTimersByTime(20);
    }
    expect(fills).toHaveLength(0);
    vi.advanceTimersByTime(200);
    expect(fills).toHaveLength(1);
    expect(canvas.width / width).toBeCloseTo(1.5, 2);
  });
  it('shows another page at once, and none that is not in sight', () => {
    const [one, two] = [pageOf('one'), pageOf('two')];
    const { painter, fills } = painterWith(one);
    painter.show(
      new Map([
        [0, one],
        [1, two],
      ]),
      outlinesOf(two),
    );
    fills.length = 0;
    painter.take({ kind: 'canvas-page', id: 1, page: 1, scale: 2 });
    vi.advanceTimersByTime(0);
    expect(fills).toHaveLength(1);
    painter.take({ kind: 'canvas-page', id: 1, page: 7, scale: 2 });
    vi.advanceTimersByTime(1000);
    expect(fills).toHaveLength(1);
  });
  it('paints a page again when its picture has come, and lets go of the one before', () => {
    const page = pageOf('\\includegraphics[width=2cm]{map.png}', '\\usepackage{graphicx}');
    const withPicture: PageDescription = { ...page, imageBlank: new Uint8Array(1) };
    expect(withPicture.imageFile).toEqual(['map.png']);
    const { painter, drawn } = painterWith(withPicture);
    expect(drawn).toHaveLength(0);
    const picture = () => ({ width: 10, height: 10, close: vi.fn() });
    const [first, second] = [picture(), picture()];
    const give = (one: typeof first) =>
      painter.take({ kind: 'picture', name: 'map.png', picture: one as unknown as ImageBitmap });
    give(first);
    vi.advanceTimersByTime(0);
    expect(drawn).toEqual([first]);
    give(second);
    vi.advanceTimersByTime(0);
    expect(drawn).toEqual([first, second]);
    expect(first.close).toHaveBeenCalled();
  });
  it('paints no more on a canvas that is gone', () => {
    const { painter, fills } = painterWith(pageOf('one'));
    fills.length = 0;
    painter.take({ kind: 'canvas-page', id: 1, page: 0, scale: 3 });
    painter.take({ kind: 'canvas-gone', id: 1 });
    vi.advanceTimersByTime(1000);
    painter.show(at(0, pageOf('two')), []);
    expect(fills).toHaveLength(0);
  });
});
