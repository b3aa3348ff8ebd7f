import { describe, expect, it } from 'vitest';
import { inArticle, typeset } from '../testing/document';
import { num } from './pdf/content';
import { subsetTag } from './pdf/subset';

import { pageSvg } from './display/svg';

const first = (body: string) => {
  const session = typeset(inArticle(body));
  return { session, page: session.describe(session.pages[0] as never) };
};

describe('the page description', () => {
  it('is arrays of matching lengths, in big points', () => {
    const { page } = first('One $x^2$ two.\n\n$\\frac{a}{b}$');
    expect(page.width).toBeCloseTo(612, 1);
    expect(page.height).toBeCloseTo(792, 1);
    const runs = page.runFont.length;
    for (const array of [
      page.runSize,
      page.runX,
      page.runY,
      page.runColor,
      page.runBlock,
      page.runFrom,
      page.runTo,
    ]) {
      expect(array.length).toBe(runs);
    }
    expect(page.runStart.length).toBe(runs + 1);
    expect(page.runStart[runs]).toBe(page.glyphs.length);
    expect(page.glyphX.length).toBe(page.glyphs.length);
    expect(page.rules.length).toBe(4 * page.ruleColor.length);
    expect(page.lineRun[page.lineRun.length - 1]).toBe(runs);
    expect(page.runMatrix.length).toBe(runs);
    expect(page.quads.length).toBe(8 * page.quadColor.length);
    expect(page.images.length).toBe(6 * page.imageFile.length);
    expect(page.links.length).toBe(4 * page.linkTarget.length);
  });
  it('keeps everything drawn on the paper in order, and says where it came from', () => {
    const text = inArticle('North Pier and $x$.');
    const session = typeset(text);
    const page = session.describe(session.pages[0] as never);
    const start = new Map(session.blocksOf(page).map((b) => [b.id, b.start]));
    const sources = Array.from(page.runFrom, (from, r) => {
      const base = start.get(page.runBlock[r] as number);
      return base === undefined ? null : text.slice(base + from, base + (page.runTo[r] as number));
    });
    expect(sources).toEqual(['North', 'Pier', 'and', 'x', '.', null]);
  });
  it('is the same object as long as the page is', () => {
    const { session, page } = first('a');
    expect(session.describe(session.pages[0] as never)).toBe(page);
  });
  it('leaves the page number out when told to', () => {
    const count = (body: string) => first(body).page.lineBlock.filter((b) => b < 0).length;
    expect([count('a'), count('\\thispagestyle{empty}a'), count('\\pagestyle{empty}a')]).toEqual([
      1, 0, 0,
    ]);
  });
});

describe('pictures of pages', () => {
  it('draw each glyph once and use it often', () => {
    const { session, page } = first('eeee $\\frac12$');
    const svg = pageSvg(page, session.fonts);
    expect(svg.match(/<use /g)?.length).toBe(page.glyphs.length);
    expect(svg.match(/<path id="g6-/g)?.length).toBe(
      new Set(Array.from(page.glyphs.subarray(0, 4))).size + 1,
    );
    expect(svg).toMatch(/<rect x="[\d.]+" y="[\d.]+" width="[\d.]+" height="0?\.\d+"/);
    expect(svg).not.toMatch(/script|NaN|undefined/i);
  });
  it('show the pictures they are given, upright, and a ground for those they are not', () => {
    const { session, page } = first('e');
    const pictured = {
      ...page,
      images: Float32Array.from([100, 0, 0, -50, 10, 200]),
      imageFile: ['tide.png'],
      imageBlank: Uint8Array.from([0]),
    };
    expect(pageSvg(pictured, session.fonts, () => 'data:x')).toContain(
      '<image width="1" height="1" preserveAspectRatio="none" href="data:x" transform="matrix(100 0 0 50 10 150)"/>',
    );
    expect(pageSvg(pictured, session.fonts)).toContain('<rect width="1" height="1" fill="#d8d2c4"');
  });
});

describe('PDF', () => {
  it('writes numbers without exponents or tails', () => {
    expect([num(0.1 + 0.2), num(-0.0001), num(1e-9), num(12), num(-3.14159)]).toEqual([
      '0.3',
      '0',
      '0',
      '12',
      '-3.142',
    ]);
  });
  it('names subsets by what they hold', () => {
    expect(subsetTag([0, 1, 2])).toMatch(/^[A-Z]{6}$/);
    expect(subsetTag([0, 1, 2])).not.toBe(subsetTag([0, 1, 3]));
  });
  it('is the same bytes each time, with headings as nested bookmarks and a title', async () => {
    const body = '\\section{Ebb}\\subsection{Low}\\section{Flood}';
    const pdf = async () => typeset(inArticle(body)).pdf({ title: 'Tides', author: 'M. Quill' });
    const [a, b] = [await pdf(), await pdf()];
    expect(Buffer.from(a).equals(Buffer.from(b))).toBe(true);
    const text = Buffer.from(a).toString('latin1');
    const hex = (s: string) =>
      [...`\ufeff${s}`]
        .map((c) => c.charCodeAt(0).toString(16).padStart(4, '0'))
        .join('')
        .toUpperCase();
    for (const words of ['1 Ebb', '1.1 Low', '2 Flood', 'Tides', 'M. Quill'])
      expect(text).toContain(hex(words));
    expect(text).toContain('/Count 2');
    expect(text).not.toMatch(/CreationDate|ModDate/);
  });
});
