import {
  JpegEmbedder,
  type PDFContext,
  PDFDocument,
  PDFObjectCopier,
  PDFPageEmbedder,
  type PDFRef,
  PngEmbedder,
} from '@cantoo/pdf-lib';
import { toBp } from '../../base/lengths';
import { imageSize, readLatin1 } from '../../images/size';
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
  for (const file of wanted) {
    const bytes = files(file);
    const embedded = bytes ? await embed(context, bytes, `I${out.size}`) : null;
    if (embedded) out.set(file, embedded);
  }
  return out;
}

async function embed(
  context: PDFContext,
  bytes: Uint8Array,
  name: string,
): Promise<Embedded | null> {
  if (pictureTrouble(bytes)) return null;
  const kind = imageSize(bytes)?.kind;
  try {
    if (kind === 'png') return pixels(await PngEmbedder.for(bytes), context, name);
    if (kind === 'jpeg') return pixels(await JpegEmbedder.for(bytes), context, name);
    if (kind === 'pdf') return await firstPage(context, await PDFDocument.load(bytes), name);
    if (kind === 'svg') return await firstPage(context, await drawnSvg(bytes), name);
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

async function firstPage(
  context: PDFContext,
  document: PDFDocument,
  name: string,
): Promise<Embedded> {
  // The page belongs to another file: what it uses is copied along.
  const page = PDFObjectCopier.for(document.context, context).copy(document.getPage(0).node);
  const embedder = await PDFPageEmbedder.for(page);
  const ref = await embedder.embedIntoContext(context);
  return { placed: { name, width: embedder.width, height: embedder.height }, ref };
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
