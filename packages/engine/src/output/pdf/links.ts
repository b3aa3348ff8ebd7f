import {
  PDFDict,
  PDFHexString,
  PDFName,
  PDFString,
  type PDFContext,
  type PDFRef,
} from '@cantoo/pdf-lib';
import type { PageDescription } from '../display/description';

/** Links as annotations (ISO 32000-1, 12.5.6.5): to an address, or to a place of the document. */
export function writeLinks(
  context: PDFContext,
  pages: readonly PageDescription[],
  kids: readonly PDFRef[],
): void {
  const places = new Map<string, { page: number; y: number }>();
  pages.forEach((page, p) =>
    page.anchorName.forEach((name, i) => {
      if (!places.has(name))
        places.set(name, { page: p, y: page.height - (page.anchors[2 * i + 1] as number) + 12 });
    }),
  );
  pages.forEach((page, p) => {
    const notes = page.linkTarget.flatMap((target, i): PDFRef[] => {
      const [x = 0, y = 0, w = 0, h = 0] = page.links.subarray(4 * i, 4 * i + 4);
      const rect = [x, page.height - y - h, x + w, page.height - y].map(
        (n) => Math.round(n * 100) / 100,
      );
      const base = context.obj({ Type: 'Annot', Subtype: 'Link', Rect: rect, Border: [0, 0, 0] });
      if (target.startsWith('#')) {
        const place = places.get(target.slice(1));
        const to = place && kids[place.page];
        if (!place || !to) return [];
        base.set(PDFName.of('Dest'), context.obj([to, 'XYZ', null, place.y, null]));
      } else {
        const action = context.obj({ S: 'URI' });
        action.set(
          PDFName.of('URI'),
          isAscii(target) ? PDFString.of(escaped(target)) : PDFHexString.fromText(target),
        );
        base.set(PDFName.of('A'), action);
      }
      return [context.register(base)];
    });
    const dict = context.lookup(kids[p]);
    if (notes.length > 0 && dict instanceof PDFDict)
      dict.set(PDFName.of('Annots'), context.obj(notes));
  });
}

const isAscii = (text: string): boolean => [...text].every((char) => char >= ' ' && char <= '~');

/** Brackets and backslashes of a literal string (ISO 32000-1, 7.3.4.2). */
const escaped = (text: string): string => text.replace(/[\\()]/g, (char) => `\\${char}`);
