import { describe, expect, it } from 'vitest';
import { PT, toBp } from '../base/lengths';
import { scaledTurned } from '../base/maps';
import { boundsOf, ellipse, polyline, rectangle } from '../base/paths';
import { withOpacity } from '../base/paint';
import { boxOf, type Box } from '../boxes/box';
import { filled, solidStroke, stroked, type Mark } from '../document/drawing';
import type { DrawingInline, Inline } from '../document/inlines';
import { drawingBox } from '../paragraphs/drawing';
import type { LayoutEnv } from '../paragraphs/env';
import { lineItems } from '../paragraphs/items';
import type { Page } from '../pages/page';
import { inArticle, newSession, typeset } from '../testing/document';
import { describePage } from './display/describe';
import type { PageDescription } from './display/description';
import { inkExtent } from './display/extent';
import { pageSvg } from './display/svg';
import { NO_PORT, walkPage, type PagePath } from './display/walk';
import { pageContent, type Resources } from './pdf/content';
import { subsetFont } from './pdf/subset';

const { fonts } = newSession();
const env: LayoutEnv = {
  fonts,
  divide: () => [],
  referring: new Set(),
  resolve: () => null,
  field: () => [],
  report: () => undefined,
  lineItems: (inlines) => lineItems(inlines, env),
  setParbox: () => boxOf(0, 0, 0, []),
};

/** A page on which a box stands alone, 100 bp from the left and 200 bp from the top. */
function pageWith(box: Box): PageDescription {
  const bp = PT * (72.27 / 72);
  const placed = [{ x: 100 * bp, y: 200 * bp, box, block: 1 }];
  const geometry = { paperWidth: 400 * bp, paperHeight: 500 * bp };
  const size = { width: geometry.paperWidth, height: geometry.paperHeight };
  return describePage({ number: 1, placed, labels: [], geometry, size } as unknown as Page, {
    under: [],
    over: [],
  });
}

const drawing = (marks: readonly Mark[]): DrawingInline => ({
  kind: 'drawing',
  marks,
  bounds: null,
  from: 3,
  to: 9,
});
const text = (words: string): Inline => ({
  kind: 'text',
  text: words,
  font: {
    family: 'roman',
    series: 'medium',
    shape: 'upright',
    size: 10 * PT,
    color: 0,
    face: 'modern',
    encoding: 'OT1',
  },
  from: 4,
  to: 4 + words.length,
});
const square = rectangle(0, 0, 20 * PT, 10 * PT);
const path = (style = filled(0xff0000), shape = square): Mark => ({
  kind: 'path',
  path: shape,
  style,
  from: 5,
  to: 6,
});

const resources: Resources = {
  font: (id) => subsetFont(fonts.byId(id), `F${id}`),
  image: () => null,
  opacity: (value) => `O${Math.round(value * 100)}`,
};
const pathsOf = (page: PageDescription): PagePath[] => {
  const out: PagePath[] = [];
  walkPage(page, { ...NO_PORT, path: (one) => out.push(one) });
  return out;
};
const orderOf = (page: PageDescription): string[] => {
  const out: string[] = [];
  walkPage(page, {
    glyphs: () => out.push('glyphs'),
    rule: () => out.push('rule'),
    path: () => out.push('path'),
    picture: () => out.push('picture'),
    clip: () => out.push('clip'),
    unclip: () => out.push('unclip'),
  });
  return out;
};

describe('a drawing', () => {
  it('is as large as its marks, strokes and labels with them', () => {
    const box = drawingBox(drawing([path(stroked(solidStroke(2 * PT)))]), env);
    expect([box.width, box.height, box.depth]).toEqual([22 * PT, 11 * PT, PT]);
    const label: Mark = {
      kind: 'label',
      inlines: [text('Ebb')],
      at: { x: 0, y: 0 },
      across: 1,
      up: 0,
    };
    const named = drawingBox(drawing([path(), label]), env);
    expect(named.width).toBeGreaterThan(30 * PT);
    expect(named.height).toBe(10 * PT);
    expect(drawingBox(drawing([]), env).width).toBe(0);
  });
  it('is as large as it says, when it says so', () => {
    const bounds = { left: 5 * PT, right: 10 * PT, low: -2 * PT, high: 3 * PT };
    const box = drawingBox({ ...drawing([path()]), bounds }, env);
    expect([box.width, box.height, box.depth]).toEqual([5 * PT, 3 * PT, 2 * PT]);
    expect(box.children[0]?.x).toBe(-5 * PT);
  });
  it.each([
    [0, null, [0, 0]],
    [0.5, 0.5, [-0.5, -0.5]],
    [1, 1, [-1, -1]],
  ] as const)('puts its labels at their places: %s across, %s up', (across, up, shares) => {
    const label: Mark = { kind: 'label', inlines: [text('map')], at: { x: 0, y: 0 }, across, up };
    const box = drawingBox(
      { ...drawing([label]), bounds: { left: 0, right: 1, low: 0, high: 1 } },
      env,
    );
    const [child] = box.children;
    const { width = 0, height = 0, depth = 0 } = child?.item ?? {};
    expect(child?.x).toBeCloseTo(shares[0] * width, 0);
    expect(child?.y).toBeCloseTo(up === null ? 0 : depth + shares[1] * (height + depth), 0);
  });
  it('keeps labels as text: a click on one finds its source', () => {
    const label: Mark = {
      kind: 'label',
      inlines: [text('buoy')],
      at: { x: 0, y: 0 },
      across: 0,
      up: null,
    };
    const page = pageWith(drawingBox(drawing([path(), label]), env));
    expect([...page.operationFrom]).toEqual([5, 4]);
    expect([...page.operationTo]).toEqual([6, 8]);
  });
  it('is mapped and clipped by its groups, one within another', () => {
    const inner: Mark = { kind: 'group', marks: [path()], map: scaledTurned(2, 2, 0), clip: null };
    const outer: Mark = {
      kind: 'group',
      marks: [inner],
      map: scaledTurned(1, 1, 90),
      clip: ellipse({ x: 0, y: 0 }, 15 * PT, 15 * PT),
    };
    const page = pageWith(drawingBox(drawing([outer, path()]), env));
    expect(orderOf(page)).toEqual(['clip', 'path', 'unclip', 'path']);
    const [turned, upright] = pathsOf(page);
    expect(turned?.map?.a).toBeCloseTo(0, 6);
    expect(turned?.map?.b).toBeCloseTo(-2, 6);
    expect(upright?.map).toBeNull();
  });
});

describe('paths on the page', () => {
  const dashed = {
    ...solidStroke(PT, withOpacity(0x0000ff, 0.5)),
    dash: [3 * PT, PT],
    cap: 'round',
  } as const;
  const style = { fill: 0x00ff00, stroke: dashed, evenOdd: true };
  const page = pageWith(drawingBox({ ...drawing([path(style)]), bounds: boundsOf(square) }, env));

  it('keep their style to the page description', () => {
    const [one] = pathsOf(page);
    expect(one).toMatchObject({ fill: 0x00ff00, evenOdd: true, from: 5, to: 6, block: 1 });
    expect(one?.stroke).toMatchObject({ cap: 'round', join: 'miter', dashPhase: 0 });
    expect([...(one?.stroke?.dash ?? [])].map((d) => d / toBp(PT)).map(Math.round)).toEqual([3, 1]);
    const points: number[][] = [];
    one?.trace({
      moveTo: (x, y) => points.push([x, y]),
      lineTo: (x, y) => points.push([x, y]),
      bezierCurveTo: () => points.push([]),
      closePath: () => points.push([0]),
    });
    expect(points.map((p) => p.map(Math.round))).toEqual([
      [100, 200],
      [120, 200],
      [120, 190],
      [100, 190],
      [0],
    ]);
  });
  it('are drawn in SVG with fill, stroke, opacity and dashes', () => {
    expect(pageSvg(page, fonts)).toMatch(
      /<path d="M100 200L119\.93 200L119\.93 190\.04L100 190\.04Z" fill="#00ff00" fill-rule="evenodd" stroke="#0000ff" stroke-opacity="0.5" stroke-width="1" stroke-linecap="round" stroke-linejoin="miter" stroke-miterlimit="10" stroke-dasharray="2.99 1" stroke-dashoffset="0"\/>/,
    );
  });
  it('are drawn in PDF, fill and stroke apart when they let through differently', () => {
    const content = pageContent(page, resources);
    expect(content).toMatch(
      /^q\n0 1 0 rg\n100 300 m\n[^]*h\nf\*\n\/O50 gs\n0 0 1 RG\n0.996 w 1 J 0 j 10 M \[2.989 0.996\] 0 d \n[^]*S\nQ\n$/,
    );
    const plain = pageWith(drawingBox(drawing([path({ ...style, stroke: solidStroke(PT) })]), env));
    expect(pageContent(plain, resources)).toMatch(/h\nB\*\nQ\n$/);
  });
  it('count as ink where they are, and the ink of their line reaches as far', () => {
    const tall = polyline([
      { x: -10 * PT, y: -40 * PT },
      { x: 50 * PT, y: 60 * PT },
    ]);
    const bounds = { left: 0, right: 0, low: 0, high: 0 };
    const over = pageWith(
      drawingBox({ ...drawing([path(stroked(solidStroke(PT)), tall)]), bounds }, env),
    );
    const ink = inkExtent(over);
    expect([ink?.left, ink?.right, ink?.low, ink?.high].map((n) => Math.round(n ?? 0))).toEqual([
      90, 150, 140, 240,
    ]);
    const [top = 0, bottom = 0] = over.lineInk;
    expect(top).toBeLessThan(140.3);
    expect(bottom).toBeGreaterThan(239.8);
  });
});

describe('paint order', () => {
  const pageOf = (body: string): { page: PageDescription; session: ReturnType<typeof typeset> } => {
    const preamble = '\\usepackage{graphicx,xcolor,cancel,tikz-cd}\\pagestyle{empty}';
    const session = typeset(inArticle(body, preamble));
    return { page: session.describe(session.pages[0] as never), session };
  };
  it('has the ground of turned words below them, on the screen and in the PDF', () => {
    const { page } = pageOf('\\rotatebox{30}{\\colorbox{yellow}{word}}');
    expect(orderOf(page)).toEqual(['path', 'glyphs']);
    const content = pageContent(page, resources);
    expect(content.indexOf('1 1 0 rg')).toBeGreaterThan(-1);
    expect(content.indexOf('1 1 0 rg')).toBeLessThan(content.search(/T[jJ]/));
  });
  it('is that of the source: what comes later covers', () => {
    const { page } = pageOf('a\\llap{\\textcolor{red}{\\rule{1cm}{1cm}}}b');
    expect(orderOf(page)).toEqual(['glyphs', 'rule', 'glyphs']);
  });
  it.each([
    ['turned rules', '\\rotatebox{30}{\\rule{1cm}{2pt}}', 1],
    ['struck-out terms', '$\\cancel{x} + \\xcancel{y}$', 3],
    [
      'arrows of diagrams',
      '\\begin{tikzcd} A \\arrow[r,dashed] \\arrow[r,bend left] & B \\end{tikzcd}',
      4,
    ],
  ])('shows %s in pictures of pages', (_, body, count) => {
    const { page, session } = pageOf(body);
    expect(pathsOf(page)).toHaveLength(count);
    const drawn = pageSvg(page, session.fonts).replace(/<defs>.*<\/defs>/s, '');
    expect(drawn.match(/<path /g)).toHaveLength(count);
  });
  it('keeps rules upright that are only scaled', () => {
    const { page } = pageOf('\\scalebox{2}[3]{\\rule{10bp}{1bp}}');
    expect(orderOf(page)).toEqual(['rule']);
    expect([...page.rules.subarray(2)].map((n) => Math.round(n * 10) / 10)).toEqual([20, 3]);
  });
});
