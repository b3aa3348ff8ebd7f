/** The part of the library that the benchmark measures against. */
declare module 'pdfkit' {
  export default class PDFDocument {
    constructor(options: { autoFirstPage: boolean; font: string });
    on(event: 'data' | 'end', listener: () => void): void;
    addPage(): void;
    fontSize(size: number): void;
    text(text: string, x: number, y: number, options: { lineBreak: boolean }): void;
    end(): void;
  }
}
