import {
  JpegEmbedder,
  type PDFContext,
  PDFDocument,
  PDFObjectCopier,
  PDFPageEmbedder,
  type PDFRef,
  PngEmbedder,
  type TransformationMatrix,
} from '@cantoo/pdf-lib';
import { toBp } from '../../base/lengths';
import { pictureParts } from '../../base/pictureNames';
import { readLatin1 } from '../../images/latin1';
import { type PdfPage, pdfPages, shownSize } from '../../images/pdfPages';
import { imageSize } from '../../images/size';
import { pictureTrouble } from '../../images/trouble';
import type { PageDescription } from '../display/description';
import { NO_PORT, type PagePicture, walkPage } from '../display/walk';
import type { PlacedImage } from './content';

interface Embedded {
  readonly placed: PlacedImage;
  readonly ref: PDFRef;
}

/** The pictures of all pages, each embedded once; one that cannot be read is left out and shown as a frame. */
export async function embedImages(
  context: PDFContext,
  pages: readonly PageDescription[],
  files: (name: string) => Uint8Array | null,
): Promise<Map<string, Embedded>> {
  const out = new Map<string, Embedded>();
  const wanted = new Set<string>();
  const picture = ({ file, blank }: PagePicture): unknown => blank || wanted.add(file);
  for (const page of pages) walkPage(page, { ...NO_PORT, picture });
  const opened = new Map<string, Promise<Opened>>();
  for (const picture of wanted) {
    const { file, page } = pictureParts(picture);
    const bytes = files(file);
    if (!bytes) continue;
    // A file of many pages is read once for all of them, and what they share is copied once.
    const open = (): Promise<Opened> => {
      const document = opened.get(file) ?? openedBy(context, PDFDocument.load(bytes));
      opened.set(file, document);
      return document;
    };
    const embedded = await embed(context, { bytes, page, open }, `I${out.size}`);
    if (embedded) out.set(picture, embedded);
  }
  return out;
}

/** Another file, and what copies its objects into ours. */
interface Opened {
  readonly document: PDFDocument;
  readonly copier: PDFObjectCopier;
}

async function openedBy(context: PDFContext, loading: Promise<PDFDocument>): Promise<Opened> {
  const document = await loading;
  return { document, copier: PDFObjectCopier.for(document.context, context) };
}

interface Source {
  readonly bytes: Uint8Array;
  readonly page: number;
  readonly open: () => Promise<Opened>;
}

async function embed(
  context: PDFContext,
  { bytes, page, open }: Source,
  name: string,
): Promise<Embedded | null> {
  if (pictureTrouble(bytes)) return null;
  const kind = imageSize(bytes)?.kind;
  try {
    if (kind === 'png') return pixels(await PngEmbedder.for(bytes), context, name);
    if (kind === 'jpeg') return pixels(await JpegEmbedder.for(bytes), context, name);
    if (kind === 'pdf') return await pageOf(context, await open(), name, page, pdfPages(bytes));
    if (kind === 'svg')
      return await pageOf(context, await openedBy(context, drawnSvg(bytes)), name);
  } catch {
    return null;
  }
  return null;
}

async function pixels(
  embedder: PngEmbedder | JpegEmbedder,
  context: PDFContext,
  name: string,
): Promise<Embedded> {
  const ref = await embedder.embedIntoContext(context);
  return { placed: { name, width: 1, height: 1 }, ref };
}

/** A page as a picture: what its box shows, turned as it says. */
async function pageOf(
  context: PDFContext,
  { document, copier }: Opened,
  name: string,
  number = 1,
  pages: readonly PdfPage[] = [],
): Promise<Embedded> {
  const index = Math.min(number, document.getPageCount()) - 1;
  // The page belongs to another file: what it uses is copied along.
  const page = copier.copy(document.getPage(index).node);
  const shown = pages[index];
  const embedder = await (shown
    ? PDFPageEmbedder.for(page, boundsOf(shown), upright(shown))
    : PDFPageEmbedder.for(page));
  const ref = await embedder.embedIntoContext(context);
  const [width, height] = shown ? shownSize(shown) : [embedder.width, embedder.height];
  return { placed: { name, width, height }, ref };
}

const boundsOf = ({ box: [left, bottom, right, top] }: PdfPage) => ({ left, bottom, right, top });

/** From the page's own coordinates to a box with its lower left corner at 0, 0, turned clockwise as the page is. */
function upright({ box: [left, bottom, right, top], turned }: PdfPage): TransformationMatrix {
  if (turned === 90) return [0, -1, 1, 0, -bottom, right];
  if (turned === 180) return [-1, 0, 0, -1, right, top];
  if (turned === 270) return [0, 1, -1, 0, top, -left];
  return [1, 0, 0, 1, -left, -bottom];
}

/** An SVG drawn on a page of its own size; scripts and what lies outside the file are not looked at. */
async function drawnSvg(bytes: Uint8Array): Promise<PDFDocument> {
  const size = imageSize(bytes);
  const [width, height] = [toBp(size?.width ?? 0), toBp(size?.height ?? 0)];
  const document = await PDFDocument.create();
  const page = document.addPage([width, height]);
  const text = readLatin1(bytes);
  const start = text.indexOf('<svg');
  page.drawSvg(text.slice(start), { x: 0, y: height, width, height });
  const saved = await document.save();
  return PDFDocument.load(saved);
}
