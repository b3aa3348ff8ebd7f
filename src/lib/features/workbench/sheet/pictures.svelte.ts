import type { FileAddress } from '@odd-compass/engine/worker';

/** A picture ready to be drawn. */
export type Drawable = HTMLImageElement | HTMLCanvasElement;

/** Pages of a PDF are drawn at this many pixels across, enough for paper at twice its size. */
const PDF_WIDTH = 1600;

/** The pictures of the assignment, ready to be painted on the sheet as they arrive. */
export class Pictures {
  /** By file name; a new map whenever one arrives. */
  ready = $state.raw<ReadonlyMap<string, Drawable>>(new Map());
  private readonly known = new Map<string, string>();

  /** Loads those that are new or changed. What cannot be loaded stays an empty frame. */
  load(files: readonly FileAddress[]): void {
    for (const { name, address } of files) {
      if (this.known.get(name) === address) continue;
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

/** The first page of a PDF as pixels; what reads it is loaded when the first such picture comes. */
async function firstPageOf(address: string): Promise<HTMLCanvasElement> {
  const [pdfjs, { default: workerUrl }] = await Promise.all([
    import('pdfjs-dist'),
    import('pdfjs-dist/build/pdf.worker.mjs?url'),
  ]);
  pdfjs.GlobalWorkerOptions.workerSrc = workerUrl;
  const document_ = await pdfjs.getDocument({ url: address, isEvalSupported: false }).promise;
  const page = await document_.getPage(1);
  const natural = page.getViewport({ scale: 1 });
  const viewport = page.getViewport({ scale: PDF_WIDTH / natural.width });
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [viewport.width, viewport.height];
  await page.render({ canvas, viewport }).promise;
  void document_.destroy();
  return canvas;
}
