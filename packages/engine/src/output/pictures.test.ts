import { describe, expect, it } from 'vitest';
import { typeset } from '../testing/document';
import { corpus, corpusFiles } from '../testing/corpus';

const textOf = (bytes: Uint8Array): string => Buffer.from(bytes).toString('latin1');
const session = (name: string) =>
  typeset(corpus.find((doc) => doc.name === name)?.text ?? '', corpusFiles);

describe('pictures', () => {
  it('stand in the page description with their place, turned ones too', () => {
    const doc = session('12-two-files');
    const files = doc.pages.flatMap((page) => doc.describe(page).imageFile);
    expect(files).toEqual([
      'pictures/gauge.png',
      'pictures/photo.jpg',
      'pictures/mark.svg',
      'pictures/gauge.png',
    ]);
    const page = doc.pages[2];
    const images = page ? doc.describe(page).images : new Float32Array();
    // The photo is upright, half the text wide; the mark is turned by 30 degrees.
    expect(images[0]).toBeCloseTo((345 / 2) * (72 / 72.27), 1);
    expect(images[1]).toBeCloseTo(0, 5);
    expect(Math.atan2(-(images[7] as number), images[6] as number)).toBeCloseTo(Math.PI / 6, 3);
  });
  it('are embedded once each in the PDF, SVG as drawing', async () => {
    const pdf = textOf(await session('12-two-files').pdf({ title: '', author: '' }));
    expect(pdf.match(/\/Subtype\s*\/Image/g)?.length).toBeGreaterThanOrEqual(2);
    expect(pdf).toMatch(/\/Subtype\s*\/Form/);
  });
  it('give the same bytes again', async () => {
    const once = await session('12-two-files').pdf({ title: '', author: '' });
    const again = await session('12-two-files').pdf({ title: '', author: '' });
    expect(Buffer.from(once).equals(Buffer.from(again))).toBe(true);
  });
});

describe('links', () => {
  it('lead to addresses in the PDF', async () => {
    const pdf = textOf(await session('15-cleveref').pdf({ title: '', author: '' }));
    expect(pdf).toMatch(/\/URI\s*\(https:\/\/tides\.example\)/);
    expect(pdf).toMatch(/\/Subtype\s*\/Link/);
  });
});

describe('Chinese', () => {
  it('is set from the fallback and embedded as TrueType', async () => {
    const doc = session('19-chinese');
    const fonts = new Set(
      doc.pages.flatMap((page) =>
        [...doc.describe(page).runFont].map((id) => doc.fonts.byId(id).name),
      ),
    );
    expect([...fonts].some((name) => name.startsWith('notoserifsc-'))).toBe(true);
    expect(textOf(await doc.pdf({ title: '', author: '' }))).toMatch(/CIDFontType2/);
  });
});
