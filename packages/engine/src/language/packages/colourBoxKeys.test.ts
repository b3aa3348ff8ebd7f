import { describe, expect, it } from 'vitest';
import { findingsIn, inArticle } from '../../testing/document';
import { laidBody, type Laid } from '../../testing/layout';
import { painted } from '../../testing/painted';

const PACKAGE = '\\usepackage[most]{tcolorbox}';
const MM = 2.845274;
const [RED, BLUE, GREEN] = [0xff0000, 0x0000ff, 0x00ff00];

function box(keys: string, body = 'ebb'): Laid {
  const text = `Before.\\begin{tcolorbox}[enhanced,colframe=red,colback=blue,${keys}]${body}\\end{tcolorbox}After.`;
  expect(findingsIn(inArticle(text, PACKAGE))).toEqual([]);
  return laidBody(text, PACKAGE);
}
function of(laid: Laid, paint: number, nth = 0) {
  const found = painted(laid).filter((one) => one.paint === paint)[nth];
  if (!found) throw new Error('nothing has that colour');
  return { ...found, width: found.right - found.left, height: found.bottom - found.top };
}
const TEXT_WIDTH = 345;

/** tcolorbox manual, sections 4.7 to 4.10. */
describe('Where a box stands, and how large it is', () => {
  it.each([
    ['width=100pt', 0],
    ['width=100pt,center', (TEXT_WIDTH - 100) / 2],
    ['width=100pt,flush right', TEXT_WIDTH - 100],
    ['width=100pt,flush left', 0],
  ])('%s', (keys, left) => {
    const [frame, line] = [of(box(keys), RED), of(box(''), RED)];
    expect(frame.width).toBeCloseTo(100, 1);
    expect(frame.left - line.left).toBeCloseTo(left, 0);
  });
  it.each([
    ['grow to left by=10pt', -10, 10],
    ['grow to right by=10pt', 0, 10],
    ['spread sidewards=10pt', -10, 20],
    ['left skip=10pt', 10, -10],
    ['add to width=-20pt', 0, -20],
  ])('%s reaches over the lines', (keys, left, width) => {
    const [grown, usual] = [of(box(keys), RED), of(box(''), RED)];
    expect(grown.left - usual.left).toBeCloseTo(left, 1);
    expect(grown.width - usual.width).toBeCloseTo(width, 1);
  });
  it.each(['top', 'center', 'bottom'])('height said, text at the %s', (valign) => {
    const laid = box(`height=60pt,valign=${valign}`);
    const frame = of(laid, RED);
    expect(frame.height).toBeCloseTo(60, 1);
    const share = (laid.word('ebb').y - frame.top) / frame.height;
    expect([share < 0.4, share > 0.65]).toEqual([valign === 'top', valign === 'bottom']);
  });
  it('as wide as its words', () => {
    const { width } = of(box('hbox'), RED);
    expect(width).toBeGreaterThan(11 * MM);
    expect(width).toBeLessThan(18 * MM);
  });
  it('two in a line', () => {
    const one = '\\begin{tcolorbox}[nobeforeafter,width=100pt,colframe=red]';
    const text = `\\noindent ${one}ebb\\end{tcolorbox}\\hfill${one}flood\\end{tcolorbox}`;
    const laid = laidBody(text, PACKAGE);
    const [a, b] = [of(laid, RED, 0), of(laid, RED, 1)];
    expect(b.bottom).toBeCloseTo(a.bottom, 1);
    expect(b.right - a.left).toBeCloseTo(TEXT_WIDTH, 0);
  });
  it.each([
    ['small', 0.4],
    ['fbox', 0.14],
  ])('size=%s has rules and room of its own', (size, rule) => {
    const laid = box(`size=${size}`);
    // Rules of a box with sharp corners are drawn by themselves.
    const isSharp = painted(laid).filter(({ paint }) => paint === RED).length > 1;
    const found = isSharp ? of(laid, RED).width : of(laid, BLUE).left - of(laid, RED).left;
    expect(found).toBeCloseTo(rule * MM, 1);
  });
});

/** Sections 4.4 and 4.5. */
describe('What stands around the text', () => {
  it('before and behind it, and more with a star', () => {
    const { text } = box('before upper={A },after upper={ Z},before upper*={B }');
    expect(text).toContain('A B ebb Z');
  });
  it('before and behind the part below', () => {
    expect(box('before lower={L },after lower={ M}', 'ebb\\tcblower flood').text).toMatch(
      /L flood M/,
    );
  });
  it('around the title', () => {
    expect(box('title=Tide,before title={A },after title={ Z}').text).toContain('A Tide Z');
  });
  it('a title that is called for within', () => {
    const laid = box('title=Tide,detach title,before upper={\\tcbtitle: },coltitle=green');
    expect(laid.text).toContain('Tide: ebb');
    expect(laid.word('Tide').color).toBe(GREEN);
    expect(laid.word('ebb').color).toBe(0);
  });
  it.each(['center', 'flush right', 'left'])('a title that stands %s', (align) => {
    const laid = box(`title=Tide,halign title=${align}`);
    const { left, width } = of(laid, RED);
    const share = (laid.word('Tide').x - left) / width;
    expect([share < 0.1, share > 0.4 && share < 0.6, share > 0.8].indexOf(true)).toBe(
      ['left', 'center', 'flush right'].indexOf(align),
    );
  });
  it('the colour of a title ends with it', () => {
    expect(
      box('title=Tide,coltitle=green,overlay={\\node at (frame.center) {over};}').word('over')
        .color,
    ).toBe(0);
  });
});

/** Sections 4.11 and 10. */
describe('What is drawn', () => {
  it('only the corners that are named are round', () => {
    const curves = (keys: string): number =>
      painted(box(keys)).filter(({ paint }) => paint === RED).length;
    expect(curves('sharp corners=south')).toBe(curves(''));
    expect(
      findingsIn(
        inArticle('\\begin{tcolorbox}[rounded corners=northwest]a\\end{tcolorbox}', PACKAGE),
      ),
    ).toEqual([]);
  });
  it('a picture over the box knows its parts', () => {
    const laid = box(
      'overlay={\\fill[green] (frame.south west) rectangle ([xshift=10pt,yshift=5pt]frame.south west);}',
    );
    const [frame, over] = [of(laid, RED), of(laid, GREEN)];
    expect(over.left).toBeCloseTo(frame.left, 1);
    expect(over.bottom).toBeCloseTo(frame.bottom, 1);
    expect(over.width).toBeCloseTo(10, 1);
  });
  it('words across its ground', () => {
    const mark = box('watermark text=DRAFT', 'a\\\\b\\\\c').word('DRAFT');
    expect(mark.color).not.toBe(0);
  });
  it('a ground of its own for the part below', () => {
    const laid = box('bicolor,colbacklower=green', 'ebb\\tcblower flood');
    const [upper, lower] = [of(laid, BLUE), of(laid, GREEN)];
    expect(lower.bottom).toBeCloseTo(upper.bottom, 1);
    expect(lower.top).toBeGreaterThan(laid.word('ebb').y);
    expect(lower.top).toBeLessThan(laid.word('flood').y);
  });
  it('no ground, no frame', () => {
    expect(painted(box('interior hidden')).some(({ paint }) => paint === BLUE)).toBe(false);
    expect(painted(box('empty'))).toEqual([]);
  });
  it('what shows through says how much', () => {
    const paints = painted(box('opacityback=0.5')).map(({ paint }) => paint % 0x1000000);
    expect(paints).toContain(BLUE);
    expect(painted(box('opacityback=0.5')).some(({ paint }) => paint === BLUE)).toBe(false);
  });
  it('parts side by side have the width that is said', () => {
    const laid = box('sidebyside,righthand width=50pt,sidebyside gap=20pt', 'ebb\\tcblower flood');
    expect(of(laid, RED).right - laid.word('flood').x).toBeCloseTo(50 + 5.5 * MM, 0);
  });
  it('a line parts them where none is said against', () => {
    const dashed = (keys: string): number =>
      painted(box(keys, 'ebb\\tcblower flood')).filter(({ stroke }) => stroke).length;
    expect(dashed('')).toBe(dashed('lower separated=false') + 1);
  });
});

/** Section 14. */
describe('Boxes in rows and columns', () => {
  const raster = (keys: string): Laid =>
    laidBody(
      `\\begin{tcbraster}[colframe=red,${keys}]` +
        ['a', 'b\\\\b', 'c'].map((text) => `\\begin{tcolorbox}${text}\\end{tcolorbox}`).join('\n') +
        '\\end{tcbraster}',
      PACKAGE,
    );
  it('as many in a row as are said', () => {
    const laid = raster('raster columns=2,raster column skip=15pt');
    const [a, b, c] = [0, 1, 2].map((i) => of(laid, RED, i));
    expect(a?.top).toBeCloseTo(b?.top ?? 0, 1);
    expect((b?.left ?? 0) - (a?.right ?? 0)).toBeCloseTo(15, 1);
    expect(a?.width).toBeCloseTo((TEXT_WIDTH - 15) / 2, 0);
    expect(c?.top ?? 0).toBeGreaterThan(b?.bottom ?? 0);
    expect(c?.left).toBeCloseTo(a?.left ?? 0, 1);
  });
  it('as high as one another where that is asked for', () => {
    const heights = (keys: string) => [0, 1].map((i) => of(raster(keys), RED, i).height);
    const [low = 0, high = 0] = heights('raster columns=2');
    expect(low).toBeLessThan(high);
    const [one, other] = heights('raster columns=2,raster equal height');
    expect(one).toBeCloseTo(other ?? 0, 1);
  });
  it('items with their own titles, and two texts in one box', () => {
    const body =
      '\\begin{tcbitemize}[raster columns=3]\\tcbitem[title=One] a\\tcbitem b\\tcbitem c\\end{tcbitemize}\\tcbsidebyside{left}{right}';
    expect(findingsIn(inArticle(body, PACKAGE))).toEqual([]);
    const laid = laidBody(body, PACKAGE);
    expect(laid.word('left').y).toBeCloseTo(laid.word('right').y, -1);
    expect(laid.word('c').x).toBeGreaterThan(laid.word('b').x);
  });
});
