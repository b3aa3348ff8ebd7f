import type { AffineMap } from '../../base/maps';
import type { Paint } from '../../base/paint';
import type { PageDescription } from './description';
import { CAPS, EVEN_ODD, FILLED, JOINS, OPERATIONS, STROKED } from './schema';

/** What all operations of a page have: the line they belong to, its block, and their stretch of the block's source. */
interface Sourced {
  readonly line: number;
  readonly block: number;
  readonly from: number;
  readonly to: number;
}

/** Glyphs in one font and size, along a baseline that begins at x, y. */
export interface GlyphRun extends Sourced {
  /** Its number among the runs of the page. */
  readonly index: number;
  readonly font: number;
  readonly size: number;
  readonly x: number;
  readonly y: number;
  readonly paint: Paint;
  /** The map whose linear part turns and scales it about its start, or null. */
  readonly map: AffineMap | null;
  readonly glyphs: Uint16Array;
  /** Where each begins, from x along the baseline. */
  readonly along: Float32Array;
  /** The character of the source that each begins at. */
  readonly clusters: Uint16Array;
}

export interface PageRule extends Sourced {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly paint: Paint;
}

/** What a path is traced with; a canvas is one. */
export interface Pen {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
  closePath(): void;
}

export interface PageStroke {
  readonly paint: Paint;
  readonly width: number;
  readonly cap: (typeof CAPS)[number];
  readonly join: (typeof JOINS)[number];
  readonly miterLimit: number;
  readonly dash: Float32Array;
  readonly dashPhase: number;
}

/** A path in coordinates of its own, and how it is drawn: fill first, then stroke. */
export interface PagePath extends Sourced {
  /** To the page, or null where its coordinates are those of the page. */
  readonly map: AffineMap | null;
  readonly fill: Paint | null;
  readonly stroke: PageStroke | null;
  readonly evenOdd: boolean;
  readonly trace: (pen: Pen) => void;
}

export interface PagePicture extends Sourced {
  readonly file: string;
  /** Where the unit square goes, its lower left corner at 0, 0, y downwards. */
  readonly map: AffineMap;
  /** Shares cut off at left, bottom, right, top. */
  readonly crop: readonly [number, number, number, number];
  /** An empty frame stands for it. */
  readonly blank: boolean;
}

/** Where a page goes: screen, PDF, SVG, measures. */
export interface PagePort {
  glyphs(run: GlyphRun): void;
  rule(rule: PageRule): void;
  path(path: PagePath): void;
  picture(picture: PagePicture): void;
  /** Until its `unclip`, only what lies inside is drawn. */
  clip(path: PagePath): void;
  unclip(): void;
  /** What a hand may take: from a point, where a step in each of its two numbers leads. Nothing to paint. */
  handle?(path: PagePath): void;
}

const nothing = (): void => undefined;
/** A port that takes nothing, to be filled in where something matters. */
export const NO_PORT: PagePort = {
  glyphs: nothing,
  rule: nothing,
  path: nothing,
  picture: nothing,
  clip: nothing,
  unclip: nothing,
};

export const lineCount = (page: PageDescription): number => page.lineBlock.length;

/** Hands all that is painted to a port, in paint order; only the lines that are wanted. */
export function walkPage(
  page: PageDescription,
  port: PagePort,
  isWanted: (line: number) => boolean = () => true,
): void {
  for (let line = 0; line < page.lineBlock.length; line++)
    if (isWanted(line)) walkLine(page, line, port);
}

/** Hands what is painted for one line to a port. */
export function walkLine(page: PageDescription, line: number, port: PagePort): void {
  let run = page.lineRun[line] as number;
  let rule = page.lineRule[line] as number;
  let path = page.linePath[line] as number;
  let image = page.lineImage[line] as number;
  const block = page.lineBlock[line] as number;
  const end = page.lineOperation[line + 1] as number;
  for (let i = page.lineOperation[line] as number; i < end; i++) {
    const source: Sourced = {
      line,
      block,
      from: page.operationFrom[i] as number,
      to: page.operationTo[i] as number,
    };
    const kind = OPERATIONS[page.operationKind[i] as number];
    switch (kind) {
      case 'glyphs':
        port.glyphs(runAt(page, run++, source));
        break;
      case 'rule':
        port.rule(ruleAt(page, rule++, source));
        break;
      case 'path':
        port.path(pathAt(page, path++, source));
        break;
      case 'picture':
        port.picture(pictureAt(page, image++, source));
        break;
      case 'clip':
        port.clip(pathAt(page, path++, source));
        break;
      case 'unclip':
        port.unclip();
        break;
      case 'handle':
        port.handle?.(pathAt(page, path, source));
        path++;
        break;
      default:
        throw new Error(`operation ${page.operationKind[i]} of a page is none`, {
          cause: kind satisfies undefined,
        });
    }
  }
}

function mapAt(page: PageDescription, row: number): AffineMap | null {
  return row === 0 ? null : sixAt(page.maps, row - 1);
}

function sixAt(numbers: Float32Array, row: number): AffineMap {
  const at = 6 * row;
  return {
    a: numbers[at] as number,
    b: numbers[at + 1] as number,
    c: numbers[at + 2] as number,
    d: numbers[at + 3] as number,
    e: numbers[at + 4] as number,
    f: numbers[at + 5] as number,
  };
}

function runAt(page: PageDescription, r: number, { line, block, from, to }: Sourced): GlyphRun {
  const first = page.runGlyph[r] as number;
  const end = page.runGlyph[r + 1] as number;
  return {
    line,
    block,
    from,
    to,
    index: r,
    font: page.runFont[r] as number,
    size: page.runSize[r] as number,
    x: page.runX[r] as number,
    y: page.runY[r] as number,
    paint: page.runPaint[r] as number,
    map: mapAt(page, page.runMap[r] as number),
    glyphs: page.glyphs.subarray(first, end),
    along: page.glyphX.subarray(first, end),
    clusters: page.glyphCluster.subarray(first, end),
  };
}

function ruleAt(page: PageDescription, i: number, source: Sourced): PageRule {
  const [x = 0, y = 0, width = 0, height = 0] = page.rules.subarray(4 * i, 4 * i + 4);
  return { ...source, x, y, width, height, paint: page.rulePaint[i] as number };
}

function pathAt(page: PageDescription, i: number, source: Sourced): PagePath {
  const drawn = page.pathDrawn[i] as number;
  return {
    ...source,
    map: mapAt(page, page.pathMap[i] as number),
    fill: drawn & FILLED ? (page.pathFill[i] as number) : null,
    stroke: drawn & STROKED ? strokeAt(page, i) : null,
    evenOdd: (drawn & EVEN_ODD) !== 0,
    trace: (pen) => tracePath(page, i, pen),
  };
}

function strokeAt(page: PageDescription, i: number): PageStroke {
  const [width = 0, cap = 0, join = 0, miterLimit = 10, dashPhase = 0] = page.pathPen.subarray(
    5 * i,
    5 * i + 5,
  );
  return {
    paint: page.pathStroke[i] as number,
    width,
    cap: CAPS[cap] ?? 'butt',
    join: JOINS[join] ?? 'miter',
    miterLimit,
    dash: page.dashes.subarray(page.pathDash[i], page.pathDash[i + 1]),
    dashPhase,
  };
}

function tracePath(page: PageDescription, i: number, pen: Pen): void {
  const { verbs, points } = page;
  const end = page.pathSegment[i + 1] as number;
  for (let s = page.pathSegment[i] as number; s < end; s++) {
    const at = 6 * s;
    const n = (k: number): number => points[at + k] as number;
    switch (verbs[s]) {
      case 0:
        pen.moveTo(n(0), n(1));
        break;
      case 1:
        pen.lineTo(n(0), n(1));
        break;
      case 2:
        pen.bezierCurveTo(n(0), n(1), n(2), n(3), n(4), n(5));
        break;
      default:
        pen.closePath();
    }
  }
}

function pictureAt(page: PageDescription, i: number, source: Sourced): PagePicture {
  const [left = 0, bottom = 0, right = 0, top = 0] = page.imageCrop.subarray(4 * i, 4 * i + 4);
  return {
    ...source,
    file: page.imageFile[i] as string,
    map: sixAt(page.images, i),
    crop: [left, bottom, right, top],
    blank: page.imageBlank[i] === 1,
  };
}

/** The runs of a line, in paint order. */
export function runsOfLine(page: PageDescription, line: number): GlyphRun[] {
  const runs: GlyphRun[] = [];
  walkLine(page, line, { ...NO_PORT, glyphs: (run) => runs.push(run) });
  return runs;
}
