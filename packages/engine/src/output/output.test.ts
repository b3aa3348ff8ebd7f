import { PDFDocument } from '@cantoo/pdf-lib';
import { describe, expect, it } from 'vitest';
import { inArticle, textFiles, typeset } from '../testing/document';
import { COLUMN_NAMES, COLUMNS } from './display/schema';
import { NO_PORT, walkPage } from './display/walk';
import { num } from './pdf/content';
import { subsetTag } from './pdf/subset';

import { pageSvg } from './display/svg';

const first = (body: string) => {
  const session = typeset(inArticle(body));
  return { session, page: session.describe(session.pages[0] as never) };
};

describe('the page description', () => {
  it('is columns of matching lengths, in big points', () => {
    const { page } = first('One $x^2$ two.\n\n$\\frac{a}{b}$ \\footnote{Ebb} $\\cancel{x}$');
    expect(page.width).toBeCloseTo(612, 1);
    expect(page.height).toBeCloseTo(792, 1);
    const counts = new Map<string, Set<number>>();
    for (const name of COLUMN_NAMES) {
      const { table, width, role } = COLUMNS[name];
      const rows = page[name].length / width - (role.is === 'first' ? 1 : 0);
      counts.set(table, (counts.get(table) ?? new Set()).add(rows));
      if (role.is === 'first') {
        const firsts = [...(page[name] as Uint32Array)];
        expect([name, ...firsts]).toEqual([name, ...firsts.toSorted((a, b) => a - b)]);
      }
    }
    for (const [table, found] of counts) expect([table, found.size]).toEqual([table, 1]);
  });
  it('keeps everything drawn on the paper in order, and says where it came from', () => {
    const text = inArticle('North Pier and $x$.');
    const session = typeset(text);
    const page = session.describe(session.pages[0] as never);
    const start = new Map(session.blocksOf(page).map((b) => [b.id, b.start]));
    const sources: (string | null)[] = [];
    walkPage(page, {
      ...NO_PORT,
      glyphs: ({ block, from, to }) => {
        const base = start.get(block);
        sources.push(base === undefined ? null : text.slice(base + from, base + to));
      },
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
    const picture = '\\includegraphics[width=100bp,height=50bp]{tide.png}';
    const text = inArticle(picture, '\\usepackage{graphicx}');
    const session = typeset(text, textFiles({ 'tide.png': 'no picture' }));
    const page = session.describe(session.pages[0] as never);
    const shown = { ...page, imageBlank: new Uint8Array(1) };
    const [, e, f] =
      /^.*?<rect width="1" height="1" fill="#d8d2c4" transform="matrix\(100 0 0 -50 (\S+) (\S+)\)"/.exec(
        pageSvg(shown, session.fonts),
      ) ?? [];
    expect(pageSvg(shown, session.fonts, () => 'data:x')).toContain(
      `<image width="1" height="1" preserveAspectRatio="none" href="data:x" transform="matrix(100 0 0 50 ${e} ${(Number(f) - 50).toFixed(1)})"/>`,
    );
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
  it('says of itself what the document says (hyperref), else what it is told', async () => {
    const said = (source: string) => typeset(source).pdf({ title: 'a', author: 'b' });
    const info = async (preamble: string): Promise<string[]> => {
      const read = await PDFDocument.load(await said(inArticle('x', preamble)));
      return [read.getTitle(), read.getAuthor(), read.getSubject(), read.getKeywords()].map(
        (text) => text ?? '',
      );
    };
    expect(await info('')).toEqual(['a', 'b', '', '']);
    const setup = '\\usepackage[pdfauthor={Ada Quill}]{hyperref}';
    const more =
      '\\hypersetup{pdftitle={Tides, \\emph{again}},pdfsubject=Set 3,pdfkeywords={ebb, flood}}';
    expect(await info(setup + more)).toEqual(['Tides, again', 'Ada Quill', 'Set 3', 'ebb, flood']);
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
