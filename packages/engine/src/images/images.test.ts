import { describe, expect, it } from 'vitest';
import { PT } from '../base/lengths';
import { imageSize } from './size';

const bytes = (text: string): Uint8Array => Uint8Array.from([...text], (c) => c.charCodeAt(0));
const BP = (72.27 / 72) * PT;

describe('the size of a picture', () => {
  it('is that of an SVG in CSS pixels, or of its view box', () => {
    const sized = imageSize(bytes('<svg xmlns="x" width="96" height="48"></svg>'));
    expect(sized?.width).toBeCloseTo(72 * BP, -1);
    expect(sized?.height).toBeCloseTo(36 * BP, -1);
    const boxed = imageSize(bytes('<?xml version="1.0"?><svg viewBox="0 0 200 100"/>'));
    expect((boxed?.width ?? 0) / (boxed?.height ?? 1)).toBeCloseTo(2, 3);
  });
  it('is the box of the first page of a PDF', () => {
    const pdf = imageSize(bytes('%PDF-1.4\n1 0 obj<</Type/Page/MediaBox [0 0 300 200]>>endobj'));
    expect(pdf).toMatchObject({ kind: 'pdf' });
    expect(pdf?.width).toBeCloseTo(300 * BP, -1);
  });
  it('is that of a PNG at its own resolution', () => {
    const data = new Uint8Array(33);
    data.set([
      0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0, 0, 13, 73, 72, 68, 82, 0, 0, 0, 144, 0, 0, 0,
      72,
    ]);
    expect(imageSize(data)?.width).toBeCloseTo(144 * BP, -1);
  });
  it('tells an EPS file, and what is none of these', () => {
    expect(imageSize(bytes('%!PS-Adobe-3.0 EPSF-3.0'))?.kind).toBe('eps');
    expect(imageSize(bytes('just words'))).toBeNull();
    expect(imageSize(new Uint8Array())).toBeNull();
  });
});
