import { drawPdfPage, openPdf } from '$lib/ui/pdf';
import type { FileAddress } from '@odd-compass/engine/worker';

/** A picture ready to be drawn. */
export type Drawable = HTMLImageElement | HTMLCanvasElement;

/** Pages of a PDF are drawn at this many pixels across, enough for paper at twice its size. */
const PDF_WIDTH = 1600;

const PICTURE = /\.(png|jpe?g|svg|pdf)$/i;

/** The pictures of the assignment, ready to be painted on the sheet as they arrive. */
export class Pictures {
  /** By file name; a new map whenever one arrives. */
  ready = $state.raw<ReadonlyMap<string, Drawable>>(new Map());
  private readonly known = new Map<string, string>();

  /** Loads those that are new or changed. What cannot be loaded stays an empty frame. */
  load(files: readonly FileAddress[]): void {
    for (const { name, address } of files) {
      if (!PICTURE.test(name) || this.known.get(name) === address) continue;
      this.known.set(name, address);
      const made = name.endsWith('.pdf') ? firstPageOf(address) : imageAt(address);
      made.then(
        (drawable) => (this.ready = new Map(this.ready).set(name, drawable)),
        () => this.known.delete(name),
      );
    }
  }
}

async function imageAt(address: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = address;
  await image.decode();
  return image;
}

/** The first page of a PDF as pixels. */
async function firstPageOf(address: string): Promise<HTMLCanvasElement> {
  const pdf = await openPdf(address);
  const canvas = document.createElement('canvas');
  await drawPdfPage(pdf, 1, PDF_WIDTH, canvas);
  void pdf.destroy();
  return canvas;
}
