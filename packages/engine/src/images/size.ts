import { fromBp, type Sp } from '../base/lengths';
import { readLatin1 } from './latin1';
import { pdfPages, shownSize } from './pdfPages';
import { boundingBox, programOf } from './postscript/program';

/** Natural size of a picture in sp, and what kind of file it is. */
export interface ImageInfo {
  readonly kind: 'png' | 'jpeg' | 'pdf' | 'svg' | 'eps';
  readonly width: Sp;
  readonly height: Sp;
  /** How many points it has, when it is made of points. */
  readonly points?: number;
  /** How many pages it has, when it has pages. */
  readonly pages?: number;
}

const ascii = (bytes: Uint8Array, from: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(from, from + length));

const u16 = (b: Uint8Array, at: number): number => ((b[at] ?? 0) << 8) | (b[at + 1] ?? 0);
const u32 = (b: Uint8Array, at: number): number => u16(b, at) * 65536 + u16(b, at + 2);

/** What a picture file is, by its first bytes, and the size of the page asked for; null when it is none that is known. */
export function imageSize(bytes: Uint8Array, page = 1): ImageInfo | null {
  if (u32(bytes, 0) === 0x89504e47) return png(bytes);
  if (u16(bytes, 0) === 0xffd8) return jpeg(bytes);
  const head = ascii(bytes, 0, 1024);
  if (head.startsWith('%PDF')) return pdf(bytes, page);
  if (head.startsWith('%!PS') || u32(bytes, 0) === 0xc5d0d3c6) return eps(bytes);
  return /<svg[\s>]/.test(ascii(bytes, 0, 4096)) ? svg(bytes) : null;
}

/** Pixels count 72 to the inch unless the file says otherwise (PNG specification, 11.3.4.3 pHYs). */
function png(bytes: Uint8Array): ImageInfo {
  const [width, height] = [u32(bytes, 16), u32(bytes, 20)];
  let perInch = 72;
  for (let at = 8; at + 12 <= bytes.length;) {
    const length = u32(bytes, at);
    const type = ascii(bytes, at + 4, 4);
    if (type === 'pHYs' && bytes[at + 16] === 1) perInch = u32(bytes, at + 8) * 0.0254 || 72;
    if (type === 'IDAT') break;
    at += 12 + length;
  }
  const scale = 72 / perInch;
  const points = width * height;
  return { kind: 'png', width: fromBp(width * scale), height: fromBp(height * scale), points };
}

/** Frame header and JFIF density (ISO 10918-1 B.2.2; ISO 10918-5). */
function jpeg(bytes: Uint8Array): ImageInfo | null {
  let perInch = 72;
  for (let at = 2; at + 9 < bytes.length;) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1] as number;
    if (marker === 0xe0 && ascii(bytes, at + 4, 4) === 'JFIF') {
      const [unit, density] = [bytes[at + 11], u16(bytes, at + 12)];
      if (unit === 1 && density > 1) perInch = density;
      if (unit === 2 && density > 1) perInch = density * 2.54;
    }
    const isFrame = marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
    if (isFrame) {
      const scale = 72 / perInch;
      const [height, width] = [u16(bytes, at + 5), u16(bytes, at + 7)];
      const points = width * height;
      return { kind: 'jpeg', width: fromBp(width * scale), height: fromBp(height * scale), points };
    }
    at += 2 + u16(bytes, at + 2);
  }
  return null;
}

/** The box that is shown of a page; of the last one when there are not so many. */
function pdf(bytes: Uint8Array, wanted: number): ImageInfo {
  const pages = pdfPages(bytes);
  const page = pages[Math.min(wanted, pages.length) - 1] ?? pages[0];
  const [width, height] = page ? shownSize(page) : [0, 0];
  return { kind: 'pdf', width: fromBp(width), height: fromBp(height), pages: pages.length };
}

/** The box that the program says it draws in. */
function eps(bytes: Uint8Array): ImageInfo {
  const box = boundingBox(programOf(readLatin1(bytes)));
  const [x0, y0, x1, y1] = box ?? [0, 0, 0, 0];
  return { kind: 'eps', width: fromBp(x1 - x0), height: fromBp(y1 - y0) };
}

const SVG_UNITS: Readonly<Record<string, number>> = {
  '': 0.75,
  px: 0.75,
  pt: 1,
  in: 72,
  cm: 72 / 2.54,
  mm: 72 / 25.4,
  pc: 12,
};

/** `width` and `height`, else the view box, in CSS pixels of 1/96 inch (SVG 1.1, 7.2). */
function svg(bytes: Uint8Array): ImageInfo {
  const head = /<svg[^>]*>/.exec(ascii(bytes, 0, Math.min(bytes.length, 8192)))?.[0] ?? '';
  const length = (name: string): number | null => {
    const hit = new RegExp(`\\s${name}\\s*=\\s*["']([\\d.]+)\\s*(px|pt|in|cm|mm|pc)?["']`).exec(
      head,
    );
    return hit ? Number(hit[1]) * (SVG_UNITS[hit[2] ?? ''] ?? 0.75) : null;
  };
  const view = /viewBox\s*=\s*["']\s*[-\d.]+[\s,]+[-\d.]+[\s,]+([\d.]+)[\s,]+([\d.]+)/.exec(head);
  const [vw, vh] = view ? [Number(view[1]) * 0.75, Number(view[2]) * 0.75] : [225, 112.5];
  const width =
    length('width') ?? (length('height') !== null ? (length('height') as number) * (vw / vh) : vw);
  const height = length('height') ?? width * (vh / vw);
  return { kind: 'svg', width: fromBp(width), height: fromBp(height) };
}
