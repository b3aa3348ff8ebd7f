import { describe, expect, it } from 'vitest';
import { filesOf } from '../session/files';
import { inArticle, linesOf, typeset } from '../testing/document';

const bytes = (text: string): Uint8Array => Uint8Array.from([...text], (c) => c.charCodeAt(0));
const HEAD = '%!PS-Adobe-3.0 EPSF-3.0\n%%BoundingBox: 0 0 200 100\n';
const GAUGE = `${HEAD}1 0 0 setrgbcolor 0 0 200 100 rectfill /Helvetica findfont 10 scalefont setfont
0 setgray 50 50 moveto (Tide gauge) show /Symbol 10 selectfont 150 50 moveto (a) show showpage`;
/** A preview behind it and thirty bytes before it, as drawing programs wrote it. */
function withPreview(program: string): Uint8Array {
  const head = new Uint8Array(30);
  const view = new DataView(head.buffer);
  head.set([0xc5, 0xd0, 0xd3, 0xc6]);
  view.setUint32(4, 30, true);
  view.setUint32(8, program.length, true);
  return Uint8Array.from([...head, ...bytes(program), ...bytes('II* a preview')]);
}

const pageWith = (body: string, eps: Uint8Array) => {
  const files = filesOf(new Map([['gauge.eps', eps]]), () => '');
  const session = typeset(inArticle(`\\noindent ${body}`, '\\usepackage{graphicx}'), files);
  const [page] = session.pages;
  return {
    session,
    page: page && session.describe(page),
    found: session.findings().map(({ message }) => message),
  };
};

describe('an EPS file', () => {
  it('is drawn on the page: areas as paths, words as words, and nothing is told of it', () => {
    const { session, page, found } = pageWith('\\includegraphics{gauge}', bytes(GAUGE));
    expect(found).toEqual([]);
    expect(linesOf(session)[0]).toMatch(/Tide gauge.*α/);
    expect([...(page?.pathFill ?? [])]).toContain(0xff0000);
    expect(page?.imageFile).toEqual([]);
  });
  it.each([
    ['its own size', '', 200, 100],
    ['a width', '[width=50bp]', 50, 25],
    ['both', '[width=50bp,height=50bp]', 50, 50],
    ['a part', '[trim=100 0 0 50,clip]', 100, 50],
  ])('takes up the room it is given: %s', (_, options, width, height) => {
    const { page } = pageWith(`\\includegraphics${options}{gauge}x`, bytes(GAUGE));
    const [line] = [page?.lines ?? new Float32Array()];
    const x = page?.runX[(page?.runX.length ?? 1) - 2] ?? 0;
    expect(line[3]).toBeCloseTo(height, 0);
    expect(x - (line[0] ?? 0)).toBeCloseTo(width, 0);
  });
  it('sets its words as wide as the font it asks for', () => {
    const program = `${HEAD}/Helvetica 10 selectfont 50 50 moveto (Tide gauge) show (!) show`;
    const { page } = pageWith('\\includegraphics{gauge}', bytes(program));
    // T, i, d, e, a blank, g, a, u, g, e as Helvetica has them.
    const width = 611 + 222 + 556 + 556 + 278 + 5 * 556;
    const [first = 0, , last = 0] = page?.runX ?? [];
    expect(last - first).toBeCloseTo(width / 100, 1);
  });
  it('is found behind the head of a file with a preview', () => {
    const { session } = pageWith('\\includegraphics{gauge}', withPreview(GAUGE));
    expect(linesOf(session)[0]).toMatch(/Tide gauge/);
  });
  it.each([
    ['is too much', `${HEAD}{} loop`, /more in it than can be drawn/],
    ['asks for what is not done', `${HEAD}wibble`, /uses what is not drawn here \(wibble\)/],
    ['has no box', '%!PS\nshowpage', /does not say how large it is/],
  ])('that %s is a frame and a sentence', (_, program, message) => {
    const { session, found } = pageWith('Low \\includegraphics{gauge} water', bytes(program));
    expect(found).toEqual([expect.stringMatching(message)]);
    expect(linesOf(session)[0]).toMatch(/Low.*water/);
  });
  it('is in the PDF as it is on the page', async () => {
    const { session } = pageWith('\\includegraphics{gauge}', bytes(GAUGE));
    const pdf = await session.pdf({ title: '', author: '' });
    expect(pdf.length).toBeGreaterThan(1000);
    expect(Buffer.from(pdf).toString('latin1')).not.toMatch(/\/Subtype\s*\/Form/);
  });
});
