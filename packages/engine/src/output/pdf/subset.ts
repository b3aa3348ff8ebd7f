import type { Subset } from 'fontkit';
import type { Font } from '../../fonts/font';

/** The glyphs of a font that a document uses, numbered as the embedded file numbers them. */
export interface SubsetFont {
  /** Its name in the resources of a page. */
  readonly name: string;
  readonly font: Font;
  readonly subset: Subset;
  /** Glyphs in the order of their numbers; number 0 is the missing glyph. */
  readonly glyphs: number[];
  /** The number of a glyph in the embedded font; given on first use. */
  cid(glyph: number): number;
  /** Advance width in thousandths of the type size. */
  width(glyph: number): number;
}

export function subsetFont(font: Font, name: string): SubsetFont {
  const subset = font.file.createSubset();
  const cids = new Map<number, number>([[0, 0]]);
  const glyphs = [0];
  return {
    name,
    font,
    subset,
    glyphs,
    cid(glyph) {
      let cid = cids.get(glyph);
      if (cid === undefined) {
        cid = subset.includeGlyph(glyph);
        cids.set(glyph, cid);
        glyphs[cid] = glyph;
      }
      return cid;
    },
    width: (glyph) => (font.box(glyph).width * 1000) / font.unitsPerEm,
  };
}

const hex4 = (n: number): string => n.toString(16).padStart(4, '0');
const utf16 = (text: string): string =>
  Array.from({ length: text.length }, (_, i) => hex4(text.charCodeAt(i))).join('');

/** Most entries of one `bfchar` section (ISO 32000-1, 9.10.3, after Adobe technical note 5014). */
const SECTION = 100;

/** What each glyph stands for, so that text copies out as text (ISO 32000-1, 9.10.3). */
export function toUnicode(subset: SubsetFont): string {
  const rows = subset.glyphs.flatMap((glyph, cid) => {
    const text = cid === 0 ? '' : subset.font.textOf(glyph);
    return text === '' ? [] : [`<${hex4(cid)}> <${utf16(text)}>`];
  });
  const sections: string[] = [];
  for (let i = 0; i < rows.length; i += SECTION) {
    const part = rows.slice(i, i + SECTION);
    sections.push(`${part.length} beginbfchar\n${part.join('\n')}\nendbfchar`);
  }
  return [
    '/CIDInit /ProcSet findresource begin',
    '12 dict begin',
    'begincmap',
    '/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def',
    '/CMapName /Adobe-Identity-UCS def',
    '/CMapType 2 def',
    '1 begincodespacerange\n<0000> <ffff>\nendcodespacerange',
    ...sections,
    'endcmap',
    'CMapName currentdict /CMap defineresource pop',
    'end',
    'end',
  ].join('\n');
}

/** Six capitals that mark a subset, from what it holds (ISO 32000-1, 9.6.4). */
export function subsetTag(glyphs: readonly number[]): string {
  let hash = 2166136261;
  for (const glyph of glyphs) hash = Math.imul(hash ^ glyph, 16777619) >>> 0;
  let tag = '';
  for (let i = 0; i < 6; i++) {
    tag += String.fromCharCode(65 + (hash % 26));
    hash = Math.floor(hash / 26);
  }
  return tag;
}
