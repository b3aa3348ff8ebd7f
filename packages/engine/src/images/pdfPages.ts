import { pdfObjects } from './pdfObjects';
import { readLatin1 } from './latin1';

/** A page of a PDF: the box that is shown, in big points, and how far it is turned clockwise. */
export interface PdfPage {
  /** Left, lower, right and upper edge. */
  readonly box: readonly [number, number, number, number];
  readonly turned: 0 | 90 | 180 | 270;
}

/** Letter paper, where a page says nothing. */
const LETTER: PdfPage['box'] = [0, 0, 612, 792];
const MOST_PAGES = 5000;
const DEEPEST = 200;

const known = new WeakMap<Uint8Array, readonly PdfPage[]>();

/** The pages of a PDF in order (ISO 32000-1, 7.7.3); one of letter paper where none is found. Read once for each file. */
export function pdfPages(bytes: Uint8Array): readonly PdfPage[] {
  let found = known.get(bytes);
  if (found === undefined) known.set(bytes, (found = readPages(bytes)));
  return found;
}

/** Width and height of a page as it is shown, in big points. */
export function shownSize({ box: [x0, y0, x1, y1], turned }: PdfPage): [number, number] {
  const [width, height] = [x1 - x0, y1 - y0];
  return turned % 180 === 0 ? [width, height] : [height, width];
}

/** What pages have from the nodes above them. */
interface Inherited {
  readonly media: PdfPage['box'] | null;
  readonly crop: PdfPage['box'] | null;
  readonly turned: number;
}

function readPages(bytes: Uint8Array): readonly PdfPage[] {
  const text = readLatin1(bytes);
  const objects = pdfObjects(bytes, text);
  const out: PdfPage[] = [];
  const seen = new Set<string>();
  const visit = (node: string, from: Inherited, depth: number): void => {
    const object = objects.get(node);
    if (object === undefined || seen.has(node) || depth > DEEPEST || out.length >= MOST_PAGES)
      return;
    seen.add(node);
    const own = inheritedBy(object, from, objects);
    const kids = /\/Kids\s*\[([^\]]*)\]/.exec(object)?.[1];
    if (kids === undefined) out.push(pageOf(own));
    else for (const [, kid = ''] of kids.matchAll(/(\d+)\s+\d+\s+R/g)) visit(kid, own, depth + 1);
  };
  const none: Inherited = { media: null, crop: null, turned: 0 };
  visit(rootOfPages(text, objects), none, 0);
  if (out.length > 0) return out;
  // No tree to be found: whatever says that it is a page.
  for (const object of objects.values())
    if (/\/Type\s*\/Page(?![A-Za-z])/.test(object))
      out.push(pageOf(inheritedBy(object, none, objects)));
  return out.length > 0 ? out : [pageOf(none)];
}

function rootOfPages(text: string, objects: ReadonlyMap<string, string>): string {
  const root = [...text.matchAll(/\/Root\s+(\d+)\s+\d+\s+R/g)].at(-1)?.[1] ?? '';
  return /\/Pages\s+(\d+)\s+\d+\s+R/.exec(objects.get(root) ?? '')?.[1] ?? '';
}

function inheritedBy(
  object: string,
  from: Inherited,
  objects: ReadonlyMap<string, string>,
): Inherited {
  const value = (key: string): string | undefined => {
    const said = new RegExp(`/${key}\\s*(\\[[^\\]]*\\]|\\d+\\s+\\d+\\s+R|-?\\d+)`).exec(
      object,
    )?.[1];
    const elsewhere = /^(\d+)\s+\d+\s+R$/.exec(said ?? '')?.[1];
    return elsewhere === undefined ? said : objects.get(elsewhere);
  };
  return {
    media: boxOf(value('MediaBox')) ?? from.media,
    crop: boxOf(value('CropBox')) ?? from.crop,
    turned: Number(value('Rotate') ?? from.turned),
  };
}

/** Corners may be given in any order (7.9.5). */
function boxOf(value: string | undefined): PdfPage['box'] | null {
  const found = value?.match(/-?(?:\d+\.?\d*|\.\d+)/g)?.map(Number) ?? [];
  const [x0, y0, x1, y1] = found;
  if (x0 === undefined || y0 === undefined || x1 === undefined || y1 === undefined) return null;
  const box = [Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1)] as const;
  return box[2] > box[0] && box[3] > box[1] ? box : null;
}

/** What is shown is what both boxes have in common. */
function pageOf({ media, crop, turned }: Inherited): PdfPage {
  const [mx0, my0, mx1, my1] = media ?? LETTER;
  const [cx0, cy0, cx1, cy1] = crop ?? [mx0, my0, mx1, my1];
  const both = [
    Math.max(mx0, cx0),
    Math.max(my0, cy0),
    Math.min(mx1, cx1),
    Math.min(my1, cy1),
  ] as const;
  const quarter = ((((Math.round(turned / 90) * 90) % 360) + 360) % 360) as PdfPage['turned'];
  const box = both[2] > both[0] && both[3] > both[1] ? both : (media ?? LETTER);
  return { box, turned: Number.isNaN(quarter) ? 0 : quarter };
}
