import { readLatin1 } from './latin1';
import { MOST_UNPACKED, unpack } from './pdfObjects';
import { epsDrawing } from './eps';
import { imageSize } from './size';

/** Why a picture cannot be shown, and what is to be done; halves of sentences. */
export interface PictureTrouble {
  readonly why: string;
  readonly todo: string;
}

/** Points that a picture may have: sharp over a page of paper at 600 to the inch. */
const MOST_POINTS = 40_000_000;
/** How many objects a PDF may have. */
const MOST_OBJECTS = 60_000;
/** Nodes of pages in nodes of pages: in any real file they are a few. */
const DEEPEST = 1000;
/** Characters of an SVG. */
const LONGEST_SVG = 4_000_000;

const DAMAGED: PictureTrouble = {
  why: 'its file is damaged, or only part of it came',
  todo: 'bring it in again, or save it anew in a drawing program',
};
const TOO_LARGE: PictureTrouble = {
  why: 'it has more in it than can be drawn',
  todo: 'save it smaller, or as a PNG of the size it is shown at',
};
const OTHER: PictureTrouble = {
  why: 'its contents are none of those',
  todo: 'open it in a drawing program and save it as one of these',
};
const LOCKED: PictureTrouble = {
  why: 'it is locked with a password',
  todo: 'open it with its password and save it, or print it, as a PDF without one',
};
const SAVE_OTHERWISE = 'save it as PDF, PNG or SVG in the program it was made with';
const WITHOUT_BOX: PictureTrouble = {
  why: 'it does not say how large it is: no EPS file is without a line %%BoundingBox',
  todo: SAVE_OTHERWISE,
};

const known = new WeakMap<Uint8Array, PictureTrouble | null>();

/** What keeps a picture from being shown, or null. Looked at once for each file. */
export function pictureTrouble(bytes: Uint8Array): PictureTrouble | null {
  let found = known.get(bytes);
  if (found === undefined) known.set(bytes, (found = look(bytes)));
  return found;
}

function look(bytes: Uint8Array): PictureTrouble | null {
  const size = imageSize(bytes);
  if (!size) return bytes.length > 1 && bytes[0] === 0xff && bytes[1] === 0xd8 ? DAMAGED : OTHER;
  if (size.kind === 'eps') return epsTrouble(bytes);
  if (!(size.width > 0 && size.height > 0)) return DAMAGED;
  if ((size.points ?? 0) > MOST_POINTS) return TOO_LARGE;
  if (size.kind === 'png') return isWholePng(bytes) ? null : DAMAGED;
  if (size.kind === 'jpeg') return isWholeJpeg(bytes) ? null : DAMAGED;
  if (size.kind === 'svg') return svgTrouble(bytes);
  return size.kind === 'pdf' ? pdfTrouble(bytes) : null;
}

/** Its chunks lead to the one that ends it (PNG specification, 5.6). */
function isWholePng(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let data = false;
  for (let at = 8; at + 12 <= bytes.length; at += 12 + view.getUint32(at)) {
    const type = view.getUint32(at + 4);
    if (type === 0x49444154) data = true;
    if (type === 0x49454e44) return data;
  }
  return false;
}

/** Its end stands behind the head of its last scan (ITU-T T.81, B.1.1.3: EOI and SOS; no other place in a scan looks like them). */
function isWholeJpeg(bytes: Uint8Array): boolean {
  for (let at = bytes.length - 1; at > 1; at--)
    if (bytes[at - 1] === 0xff && (bytes[at] === 0xd9 || bytes[at] === 0xda))
      return bytes[at] === 0xd9;
  return false;
}

/** What a program of PostScript asks for that is not drawn here. */
function epsTrouble(bytes: Uint8Array): PictureTrouble | null {
  const drawing = epsDrawing(bytes);
  if (!('lacks' in drawing)) return null;
  if (drawing.lacks === 'box') return WITHOUT_BOX;
  if (drawing.lacks === 'size') return TOO_LARGE;
  const why = `its EPS program uses what is not drawn here (${drawing.lacks})`;
  return { why, todo: SAVE_OTHERWISE };
}

function svgTrouble(bytes: Uint8Array): PictureTrouble | null {
  if (bytes.length > LONGEST_SVG) return TOO_LARGE;
  const end = readLatin1(bytes.subarray(-4000));
  return /<\/(\w+:)?svg\s*>|\/>/.test(end) ? null : DAMAGED;
}

/** It says where its objects are, has not too many, and packs none that are huge (ISO 32000-1, 7.5). */
function pdfTrouble(bytes: Uint8Array): PictureTrouble | null {
  const text = readLatin1(bytes);
  if (!/startxref|trailer/.test(text) || !/\d+\s+\d+\s+obj\b/.test(text)) return DAMAGED;
  if ((text.match(/\bobj\b/g)?.length ?? 0) > 2 * MOST_OBJECTS) return TOO_LARGE;
  if (/\/Encrypt\s+\d+\s+\d+\s+R/.test(text)) return LOCKED;
  if (pagesGoRound(text)) return DAMAGED;
  let left = MOST_UNPACKED;
  for (const found of text.matchAll(/\/Type\s*\/(?:ObjStm|XRef)\b[^]{0,400}?stream\r?\n/g)) {
    left -= unpack(bytes.subarray(found.index + found[0].length), left);
    if (left <= 0) return TOO_LARGE;
  }
  return null;
}

/** Do its nodes of pages lead back to themselves (ISO 32000-1, 7.7.3)? Readers would follow them for ever. */
function pagesGoRound(text: string): boolean {
  const kids = new Map<string, readonly string[]>();
  const nodes = /\b(\d+)\s+\d+\s+obj\b((?:(?!endobj)[^]){0,4000}?\/Kids\s*\[([\d\sR]*)\])/g;
  for (const [, node = '', , list = ''] of text.matchAll(nodes))
    kids.set(
      node,
      [...list.matchAll(/(\d+)\s+\d+\s+R/g)].map(([, kid = '']) => kid),
    );
  const done = new Set<string>();
  const above = new Set<string>();
  const leadsBack = (node: string): boolean => {
    if (above.has(node) || above.size > DEEPEST) return true;
    if (done.has(node)) return false;
    above.add(node);
    const found = (kids.get(node) ?? []).some(leadsBack);
    above.delete(node);
    done.add(node);
    return found;
  };
  return [...kids.keys()].some(leadsBack);
}
