import type { PDFDocumentProxy } from 'pdfjs-dist';

/** Opens a PDF; what reads it is loaded when the first one comes. It runs no scripts of the file. */
export async function openPdf(address: string): Promise<PDFDocumentProxy> {
  const [pdfjs, { default: workerUrl }] = await Promise.all([
    import('pdfjs-dist'),
    import('pdfjs-dist/build/pdf.worker.mjs?url'),
  ]);
  pdfjs.GlobalWorkerOptions.workerSrc = workerUrl;
  return pdfjs.getDocument({ url: address, isEvalSupported: false }).promise;
}

/** Draws a page of a PDF, so many pixels across. */
export async function drawPdfPage(
  pdf: PDFDocumentProxy,
  number: number,
  width: number,
  canvas: HTMLCanvasElement,
): Promise<void> {
  const page = await pdf.getPage(number);
  const natural = page.getViewport({ scale: 1 });
  const viewport = page.getViewport({ scale: width / natural.width });
  [canvas.width, canvas.height] = [Math.round(viewport.width), Math.round(viewport.height)];
  await page.render({ canvas, viewport }).promise;
}
