import { drawPdfPage, openPdf } from '$lib/ui/pdf';
import { pictureParts } from '@odd-compass/engine/page';
import type { FileAddress } from '@odd-compass/engine/worker';

/** Pictures are painted from this many pixels across at most, enough for paper at twice its size. */
const MOST_ACROSS = 1600;

const PICTURE = /\.(png|jpe?g|svg|pdf)$/i;

/** Loads the pictures of an assignment, and hands each over as pixels when it has come. */
export class Pictures {
  /** The address that each was made from, by its name on pages. */
  private readonly known = new Map<string, string>();
  private files: readonly FileAddress[] = [];
  /** Pages behind the first of a PDF that were asked for. */
  private readonly further = new Set<string>();

  constructor(private readonly arrived: (name: string, picture: ImageBitmap) => void) {}

  /** Hands all over again: who had them is no more. */
  forget(): void {
    this.known.clear();
  }

  /** Loads those that are new or changed. What cannot be loaded stays an empty frame. */
  load(files: readonly FileAddress[]): void {
    this.files = files;
    for (const { name, address } of files) if (PICTURE.test(name)) this.loadOne(name, address);
    for (const name of this.further) this.loadPage(name);
  }

  /** Pictures that a page of the sheet shows: of a PDF not only its first page. */
  show(names: readonly string[]): void {
    for (const name of names) {
      if (pictureParts(name).page === 1 || this.further.has(name)) continue;
      this.further.add(name);
      this.loadPage(name);
    }
  }

  private loadPage(name: string): void {
    const found = this.files.find((file) => file.name === pictureParts(name).file);
    if (found) this.loadOne(name, found.address);
  }

  private loadOne(name: string, address: string): void {
    if (this.known.get(name) === address) return;
    this.known.set(name, address);
    const { file, page } = pictureParts(name);
    const made = /\.pdf$/i.test(file) ? pageOf(address, page) : imageAt(name, address);
    made.then(
      (picture) => {
        // Replaced while it was on its way: the other one comes too.
        if (this.known.get(name) === address) this.arrived(name, picture);
        else picture.close();
      },
      () => this.known.delete(name),
    );
  }
}

async function imageAt(name: string, address: string): Promise<ImageBitmap> {
  const image = new Image();
  image.src = address;
  await image.decode();
  const drawn = /\.svg$/i.test(name);
  if (!drawn && image.width <= MOST_ACROSS) return createImageBitmap(image);
  const canvas = document.createElement('canvas');
  canvas.width = MOST_ACROSS;
  canvas.height = Math.max(1, Math.round((MOST_ACROSS * image.height) / (image.width || 1)));
  const context = canvas.getContext('2d');
  if (!context) throw new Error('no canvas to draw on');
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return createImageBitmap(canvas);
}

/** A page of a PDF as pixels; of the last one when there are not so many. */
async function pageOf(address: string, number: number): Promise<ImageBitmap> {
  const pdf = await openPdf(address);
  const canvas = document.createElement('canvas');
  await drawPdfPage(pdf, Math.min(number, pdf.numPages), MOST_ACROSS, canvas);
  void pdf.destroy();
  return createImageBitmap(canvas);
}
