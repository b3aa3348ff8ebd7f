import { degrees, PDFDocument } from '@cantoo/pdf-lib';
import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { filesOf } from '../session/files';
import { pdfPages, shownSize } from './pdfPages';

const bytes = (text: string): Uint8Array => Uint8Array.from([...text], (c) => c.charCodeAt(0));
const TREE = '1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj ';
const file = (objects: string): Uint8Array =>
  bytes(`%PDF-1.4\n${TREE}${objects}\ntrailer<</Root 1 0 R>>`);

/** A file with a page of each size; packed as programs pack them now, or plain. */
async function made(
  sizes: readonly (readonly [number, number])[],
  packed: boolean,
  change: (document: PDFDocument) => void = () => undefined,
): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  for (const [width, height] of sizes)
    document.addPage([width, height]).drawRectangle({ x: 1, y: 1, width: 9, height: 9 });
  change(document);
  return document.save({ useObjectStreams: packed });
}

describe('the pages of a PDF', () => {
  it.each([true, false])('are found in their order, packed: %s', async (packed) => {
    const found = pdfPages(await made([[300, 200], [100, 400], [50, 60]], packed)); // prettier-ignore
    expect(found.map(shownSize)).toEqual([
      [300, 200],
      [100, 400],
      [50, 60],
    ]);
  });
  it('show what both of their boxes have in common, turned as they say', async () => {
    const cut = await made([[300, 200], [300, 200]], true, (document) => {
      document.getPage(0).setCropBox(10, 20, 500, 100);
      document.getPage(1).setRotation(degrees(270));
    }); // prettier-ignore
    expect(pdfPages(cut)[0]?.box).toEqual([10, 20, 300, 120]);
    expect(pdfPages(cut).map(shownSize)).toEqual([
      [290, 100],
      [200, 300],
    ]);
  });
  it.each([
    [
      'boxes from the nodes above',
      '2 0 obj<</Type/Pages/Kids[3 0 R]/MediaBox[0 0 70 90]>>endobj 3 0 obj<</Type/Page>>endobj',
      [[70, 90]],
    ],
    [
      'boxes in objects of their own, corners the other way round',
      '2 0 obj<</Type/Pages/Kids[3 0 R]>>endobj 3 0 obj<</Type/Page/MediaBox 4 0 R>>endobj 4 0 obj[70 90 0 0]endobj',
      [[70, 90]],
    ],
    [
      'the object written last',
      '2 0 obj<</Type/Pages/Kids[3 0 R]>>endobj 3 0 obj<</Type/Page/MediaBox[0 0 1 1]>>endobj 3 0 obj<</Type/Page/MediaBox[0 0 8 9]>>endobj',
      [[8, 9]],
    ],
    ['letter paper where nothing is said', '', [[612, 792]]],
    ['nodes that lead back', '2 0 obj<</Type/Pages/Kids[2 0 R]>>endobj', [[612, 792]]],
  ])('have %s', (_, objects, sizes) => {
    expect(pdfPages(file(objects)).map(shownSize)).toEqual(sizes);
  });
});

describe('a page of a PDF in a document', () => {
  const at = async (body: string, packages: string, name = 'scan.pdf') => {
    const scan = await made([[300, 200], [100, 400], [50, 60]], true); // prettier-ignore
    const files = filesOf(new Map([[name, scan]]), () => '');
    const session = typeset(inArticle(body, `\\usepackage{${packages}}`), files);
    const pages = session.pages.map((page) => session.describe(page));
    return { session, pages, found: session.findings().map(({ message }) => message) };
  };
  /** Width and height of each picture, big points. */
  const sizes = (pages: Awaited<ReturnType<typeof at>>['pages']): number[][] =>
    pages.flatMap(({ images }) =>
      Array.from({ length: images.length / 6 }, (_, i) =>
        [images[6 * i] ?? 0, images[6 * i + 3] ?? 0].map((n) => Math.abs(Math.round(n))),
      ),
    );

  it('is the one that is asked for, of its own size', async () => {
    const { pages, found } = await at('\\includegraphics[page=2]{scan}', 'graphicx');
    expect(found).toEqual([]);
    expect(pages[0]?.imageFile).toEqual(['scan.pdf#2']);
    expect(sizes(pages)).toEqual([[100, 400]]);
  });
  it('is told when there are not so many', async () => {
    const { pages, found } = await at('\\includegraphics[page=7]{scan}', 'graphicx');
    expect(found).toEqual([expect.stringMatching(/has 3 pages only/)]);
    expect(pages[0]?.imageFile).toEqual(['scan.pdf#3']);
  });
  it('is in the PDF once for each page that is shown', async () => {
    const { session } = await at(
      '\\includegraphics{scan}\\includegraphics[page=3]{scan}\\includegraphics[page=3]{scan}',
      'graphicx',
    );
    const pdf = Buffer.from(await session.pdf({ title: '', author: '' })).toString('latin1');
    expect(pdf.match(/\/Subtype\s*\/Form/g)).toHaveLength(2);
    expect(pdf).toMatch(/\/BBox\s*\[\s*0 0 50 60\s*\]/);
  });

  it('fills a page of paper each with pdfpages: all of them, in any order, without page numbers', async () => {
    const { pages, found } = await at('x \\includepdf[pages={-,2}]{scan} y', 'pdfpages');
    expect(found).toEqual([]);
    expect(pages.map(({ imageFile }) => imageFile)).toEqual([
      [],
      ['scan.pdf'],
      ['scan.pdf#2'],
      ['scan.pdf#3'],
      ['scan.pdf#2'],
      [],
    ]);
    // Letter paper is 612 by 792 points.
    expect(sizes(pages)).toEqual([
      [612, 408],
      [198, 792],
      [612, 734],
      [198, 792],
    ]);
    expect(pages[1]?.runFont).toHaveLength(0);
  });
  it('stands with others on one page of paper', async () => {
    const { pages } = await at(
      '\\includepdf[pages={1,{},1},nup=2x2,frame,delta=12bp 0bp]{scan}',
      'pdfpages',
    );
    expect(sizes(pages)).toEqual([
      [300, 200],
      [300, 200],
    ]);
    // The upper left and the lower left quarter: one place is left empty.
    const [page] = pages;
    expect(page?.images[4]).toBeCloseTo(0, 0);
    expect(page?.images[10]).toBeCloseTo(0, 0);
    expect((page?.images[11] ?? 0) - (page?.images[5] ?? 0)).toBeCloseTo(396, 0);
  });
  it('has its place in the contents, and options of its own told', async () => {
    const { session, found } = await at(
      '\\tableofcontents\\includepdf[pages=1-2,addtotoc={2,section,1,Tide table,sec:t},wibble]{scan}\\pageref{sec:t}',
      'pdfpages',
    );
    expect(found).toEqual([expect.stringMatching(/wibble/)]);
    expect(session.labels().find(({ name }) => name === 'sec:t')?.page).toBe(2);
  });
  it('that is not there is told', async () => {
    const { found } = await at('\\includepdf{lost}', 'pdfpages');
    expect(found).toEqual([expect.stringMatching(/lost/)]);
  });
});
