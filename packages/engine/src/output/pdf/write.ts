import {
  PDFContext,
  PDFHexString,
  PDFName,
  PDFRawStream,
  PDFWriter,
  type PDFRef,
} from '@cantoo/pdf-lib';
import { zlibSync } from 'fflate';
import type { FontStore } from '../../fonts/store';
import type { PageDescription } from '../display/description';
import { pageContent, type PlacedImage } from './content';
import { embedImages } from './images';
import { writeLinks } from './links';
import { subsetFont, subsetTag, toUnicode, type SubsetFont } from './subset';

/** What the document says about itself. */
export interface PdfMetadata {
  readonly title: string;
  readonly author: string;
  readonly subject?: string;
  readonly keywords?: string;
}

/** A bookmark: a heading, its page from 0 and its height on it from the top, in big points. */
export interface Bookmark {
  readonly title: string;
  readonly level: number;
  readonly page: number;
  readonly y: number;
}

/**
 * The PDF of pages (ISO 32000-1). The same pages give the same bytes: nothing in it
 * depends on the clock.
 */
export async function writePdf(
  pages: readonly PageDescription[],
  fonts: FontStore,
  metadata: PdfMetadata,
  bookmarks: readonly Bookmark[] = [],
  files: (name: string) => Uint8Array | null = () => null,
): Promise<Uint8Array> {
  const context = PDFContext.create();
  const encoder = new TextEncoderLike();
  const subsets = new Map<number, SubsetFont>();
  const subset = (id: number): SubsetFont => {
    let found = subsets.get(id);
    if (!found) {
      found = subsetFont(fonts.byId(id), `F${id}`);
      subsets.set(id, found);
    }
    return found;
  };
  const stream = (bytes: Uint8Array, dict: Record<string, string | number> = {}): PDFRef => {
    const packed = zlibSync(bytes, { level: 6 });
    const entries = { ...dict, Filter: 'FlateDecode', Length: packed.length };
    return context.register(PDFRawStream.of(context.obj(entries), packed));
  };
  const images = await embedImages(context, pages, files);
  const image = (file: string): PlacedImage | null => images.get(file)?.placed ?? null;
  const states = new Map<string, PDFRef>();
  const opacity = (value: number): string => {
    const name = `O${Math.round(value * 255)}`;
    if (!states.has(name))
      states.set(name, context.register(context.obj({ Type: 'ExtGState', ca: value, CA: value })));
    return name;
  };
  const content = { font: subset, image, opacity };
  const contents = pages.map((page) => stream(encoder.encode(pageContent(page, content))));
  const fontRefs: Record<string, PDFRef> = {};
  for (const used of [...subsets.values()].sort((a, b) => a.font.id - b.font.id)) {
    fontRefs[used.name] = embedFont(context, used, stream, encoder);
  }
  const tree = context.nextRef();
  const pictures = Object.fromEntries(
    [...images.values()].map(({ placed, ref }) => [placed.name, ref]),
  );
  const resources = context.register(
    context.obj({
      Font: fontRefs,
      XObject: pictures,
      ...(states.size > 0 ? { ExtGState: Object.fromEntries(states) } : {}),
    }),
  );
  const kids = pages.map((page, i) =>
    context.register(
      context.obj({
        Type: 'Page',
        Parent: tree,
        MediaBox: [0, 0, page.width, page.height],
        Resources: resources,
        Contents: contents[i] as PDFRef,
      }),
    ),
  );
  context.assign(tree, context.obj({ Type: 'Pages', Kids: kids, Count: kids.length }));
  writeLinks(context, pages, kids);
  const outlines = writeBookmarks(context, bookmarks, pages, kids);
  const catalog = context.obj({ Type: 'Catalog', Pages: tree, Lang: PDFHexString.fromText('en') });
  if (outlines) catalog.set(PDFName.of('Outlines'), outlines);
  context.trailerInfo.Root = context.register(catalog);
  context.trailerInfo.Info = context.register(
    context.obj({
      ...(metadata.title ? { Title: PDFHexString.fromText(metadata.title) } : {}),
      ...(metadata.author ? { Author: PDFHexString.fromText(metadata.author) } : {}),
      ...(metadata.subject ? { Subject: PDFHexString.fromText(metadata.subject) } : {}),
      ...(metadata.keywords ? { Keywords: PDFHexString.fromText(metadata.keywords) } : {}),
      Producer: PDFHexString.fromText('Odd Compass'),
    }),
  );
  return PDFWriter.forContext(context, Infinity).serializeToBuffer();
}

/** Content streams and maps are ASCII. */
class TextEncoderLike {
  encode(text: string): Uint8Array {
    const bytes = new Uint8Array(text.length);
    for (let i = 0; i < text.length; i++) bytes[i] = text.charCodeAt(i);
    return bytes;
  }
}

type MakeStream = (bytes: Uint8Array, dict?: Record<string, string | number>) => PDFRef;

/** A composite font with a CFF subset (ISO 32000-1, 9.7). */
function embedFont(
  context: PDFContext,
  used: SubsetFont,
  stream: MakeStream,
  encoder: TextEncoderLike,
): PDFRef {
  const { font } = used;
  const { file } = font;
  const scale = 1000 / file.unitsPerEm;
  const name = `${subsetTag(used.glyphs)}+${file.postscriptName}`;
  // PostScript outlines stand in a CFF table, the others are a TrueType file (ISO 32000-1, 9.9).
  const postScript = font.postScript;
  const data = stream(used.subset.encode(), postScript ? { Subtype: 'CIDFontType0C' } : {});
  const SYMBOLIC = 4;
  const FIXED = 1;
  const ITALIC = 64;
  const descriptor = context.register(
    context.obj({
      Type: 'FontDescriptor',
      FontName: name,
      Flags: SYMBOLIC | (name.includes('Mono') ? FIXED : 0) | (font.italic ? ITALIC : 0),
      FontBBox: [file.bbox.minX, file.bbox.minY, file.bbox.maxX, file.bbox.maxY].map(
        (v) => v * scale,
      ),
      ItalicAngle: file.italicAngle,
      Ascent: file.ascent * scale,
      Descent: file.descent * scale,
      CapHeight: file.capHeight * scale,
      XHeight: file.xHeight * scale,
      StemV: 0,
      [postScript ? 'FontFile3' : 'FontFile2']: data,
    }),
  );
  const descendant = context.register(
    context.obj({
      Type: 'Font',
      Subtype: postScript ? 'CIDFontType0' : 'CIDFontType2',
      BaseFont: name,
      ...(postScript ? {} : { CIDToGIDMap: 'Identity' }),
      CIDSystemInfo: {
        Registry: PDFHexString.fromText('Adobe'),
        Ordering: PDFHexString.fromText('Identity'),
        Supplement: 0,
      },
      FontDescriptor: descriptor,
      W: [0, used.glyphs.map((glyph) => used.width(glyph))],
    }),
  );
  return context.register(
    context.obj({
      Type: 'Font',
      Subtype: 'Type0',
      BaseFont: name,
      Encoding: 'Identity-H',
      DescendantFonts: [descendant],
      ToUnicode: stream(encoder.encode(toUnicode(used))),
    }),
  );
}

interface OutlineNode {
  readonly bookmark: Bookmark;
  readonly ref: PDFRef;
  readonly children: OutlineNode[];
}

/** The headings as nested bookmarks (ISO 32000-1, 12.3.3). */
function writeBookmarks(
  context: PDFContext,
  bookmarks: readonly Bookmark[],
  pages: readonly PageDescription[],
  kids: readonly PDFRef[],
): PDFRef | null {
  if (bookmarks.length === 0) return null;
  const top: OutlineNode[] = [];
  const path: OutlineNode[] = [];
  for (const bookmark of bookmarks) {
    const node: OutlineNode = { bookmark, ref: context.nextRef(), children: [] };
    while (path.length > 0 && (path.at(-1) as OutlineNode).bookmark.level >= bookmark.level)
      path.pop();
    (path.at(-1)?.children ?? top).push(node);
    path.push(node);
  }
  const root = context.nextRef();
  const write = (nodes: readonly OutlineNode[], parent: PDFRef): void => {
    nodes.forEach(({ bookmark, ref, children }, i) => {
      const page = kids[bookmark.page];
      const dict = context.obj({ Title: PDFHexString.fromText(bookmark.title), Parent: parent });
      const before = nodes[i - 1];
      const after = nodes[i + 1];
      if (page) {
        const y = (pages[bookmark.page]?.height ?? 0) - bookmark.y;
        dict.set(PDFName.of('Dest'), context.obj([page, 'XYZ', null, y, null]));
      }
      if (before) dict.set(PDFName.of('Prev'), before.ref);
      if (after) dict.set(PDFName.of('Next'), after.ref);
      const [first] = children;
      const last = children.at(-1);
      if (first && last) {
        dict.set(PDFName.of('First'), first.ref);
        dict.set(PDFName.of('Last'), last.ref);
        dict.set(PDFName.of('Count'), context.obj(-children.length));
      }
      context.assign(ref, dict);
      write(children, ref);
    });
  };
  write(top, root);
  const first = top[0] as OutlineNode;
  const last = top.at(-1) as OutlineNode;
  context.assign(
    root,
    context.obj({ Type: 'Outlines', First: first.ref, Last: last.ref, Count: top.length }),
  );
  return root;
}
