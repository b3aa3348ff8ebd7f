import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { extentOfPages, GAP, heightOf, NATURAL, placeAt, scaleFor, type Zoom } from './geometry';

const LETTER = { width: 612, height: 792, textLeft: 134, textRight: 478 };
const page = (key: number, more = {}) => ({ key, ...LETTER, ...more });

describe('how large a sheet is seen', () => {
  const at = (zoom: Zoom, extent = LETTER) => scaleFor(zoom, extent, 640, 700);
  it('its text fills the window but for a finger at each side', () => {
    expect(at('text') * (478 - 134)).toBeCloseTo(640 - 56);
    expect(at('width') * 612).toBeCloseTo(640 - 2 * GAP);
    expect(at('page') * 792).toBeLessThanOrEqual(700 - 2 * GAP + 1e-9);
    expect(at(1.5)).toBe(1.5 * NATURAL);
  });
  it('text as wide as its paper makes that no smaller than the whole width; narrow text is not blown up', () => {
    expect(at('text', { ...LETTER, textLeft: 0, textRight: 612 })).toBe(at('width'));
    expect(at('text', { ...LETTER, textLeft: 300, textRight: 310 })).toBe(2.5 * NATURAL);
  });
  it('is never too small to be seen', () => {
    for (const zoom of ['text', 'width', 'page'] as const)
      expect(scaleFor(zoom, LETTER, 30, 30)).toBe(0.3);
  });
  it('is that of the widest text of all pages', () => {
    const turned = { textLeft: 100, textRight: 440 };
    const { width, textLeft, textRight } = extentOfPages([page(1), page(2, turned)]);
    expect([width, textLeft, textRight]).toEqual([612, 100, 478]);
    expect(extentOfPages([]).width).toBeGreaterThan(0);
  });
});

it('a place of the sheet is found again at every scale', () => {
  const pages = [page(1), page(2, { height: 400 }), page(3)];
  const scale = fc.double({ min: 0.3, max: 5, noNaN: true });
  fc.assert(
    fc.property(scale, scale, fc.double({ min: 0, max: 1, noNaN: true }), (one, other, share) => {
      const y = share * (heightOf(pages, one, { page: 2, down: 792 }) + GAP);
      const place = placeAt(pages, one, y);
      const again = placeAt(pages, other, heightOf(pages, other, place));
      expect(again.page).toBe(place.page);
      expect(again.down).toBeCloseTo(place.down, 6);
    }),
  );
});
