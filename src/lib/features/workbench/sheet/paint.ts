import type { PageDescription } from '@odd-compass/engine';

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What a painter needs besides the page. */
export interface PaintOptions {
  /** Device pixels per big point. */
  readonly scale: number;
  readonly outlines: ReadonlyMap<number, Path2D>;
  readonly unitsPerEm: number;
  readonly pictures: ReadonlyMap<string, ImageBitmap>;
}

/** A band of the page, top and bottom in big points. */
export interface Band {
  readonly top: number;
  readonly bottom: number;
}

const PAPER = '#fffdf8';
/** Ink may reach beyond a line's box by this much. */
const MARGIN = 3;

const css = (rgb: number): string => `#${rgb.toString(16).padStart(6, '0')}`;

/** Paints the page, or only the lines that touch a band. */
export function paintPage(
  context: Context,
  page: PageDescription,
  options: PaintOptions,
  band: Band | null = null,
): void {
  const { scale } = options;
  const top = band ? Math.floor((band.top - MARGIN) * scale) : 0;
  const bottom = band ? Math.ceil((band.bottom + MARGIN) * scale) : context.canvas.height;
  context.save();
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.beginPath();
  context.rect(0, top, context.canvas.width, bottom - top);
  context.clip();
  context.fillStyle = PAPER;
  context.fillRect(0, top, context.canvas.width, bottom - top);
  for (let line = 0; line + 1 < page.lineRun.length; line++) {
    if (!band || touches(page, line, band)) paintLine(context, page, line, options);
  }
  context.restore();
}

function touches(page: PageDescription, line: number, band: Band): boolean {
  const [, y = 0, , height = 0, depth = 0] = page.lines.subarray(5 * line, 5 * line + 5);
  return y - height - 2 * MARGIN <= band.bottom && y + depth + 2 * MARGIN >= band.top;
}

function paintLine(
  context: Context,
  page: PageDescription,
  line: number,
  options: PaintOptions,
): void {
  const { scale, outlines, unitsPerEm } = options;
  paintRules(context, page, line, scale, true);
  paintImages(context, page, line, options);
  for (let r = page.lineRun[line] as number; r < (page.lineRun[line + 1] as number); r++) {
    context.fillStyle = css(page.runColor[r] as number);
    const size = (page.runSize[r] as number) * scale;
    const font = (page.runFont[r] as number) * 65536;
    const y = (page.runY[r] as number) * scale;
    const unit = size / unitsPerEm;
    const matrix = page.runMatrix[r] as number;
    const [a = 1, b = 0, c = 0, d = 1] =
      matrix === 0 ? [] : page.matrices.subarray(4 * matrix, 4 * matrix + 4);
    for (let g = page.runStart[r] as number; g < (page.runStart[r + 1] as number); g++) {
      const path = outlines.get(font + (page.glyphs[g] as number));
      if (!path) continue;
      const along = (page.glyphX[g] as number) * scale;
      const x = (page.runX[r] as number) * scale + a * along;
      context.setTransform(a * unit, -b * unit, c * unit, -d * unit, x, y - b * along);
      context.fill(path);
    }
  }
  paintRules(context, page, line, scale, false);
  paintQuads(context, page, line, scale);
}

/** Rules of a line: grounds, which text stands on, or those drawn over it. */
function paintRules(
  context: Context,
  page: PageDescription,
  line: number,
  scale: number,
  grounds: boolean,
): void {
  context.setTransform(1, 0, 0, 1, 0, 0);
  for (let i = page.lineRule[line] as number; i < (page.lineRule[line + 1] as number); i++) {
    const [x = 0, y = 0, width = 0, height = 0] = page.rules.subarray(4 * i, 4 * i + 4);
    if ((page.ruleColor[i] !== 0 && height > 4) !== grounds) continue;
    context.fillStyle = css(page.ruleColor[i] as number);
    // On whole device pixels and never thinner than one, so that fraction bars stay, and stay thin.
    context.fillRect(
      Math.round(x * scale),
      Math.round(y * scale),
      Math.max(1, Math.round(width * scale)),
      Math.max(1, Math.round(height * scale)),
    );
  }
}

function paintQuads(context: Context, page: PageDescription, line: number, scale: number): void {
  context.setTransform(scale, 0, 0, scale, 0, 0);
  for (let i = page.lineQuad[line] as number; i < (page.lineQuad[line + 1] as number); i++) {
    const corners = page.quads.subarray(8 * i, 8 * i + 8);
    context.fillStyle = css(page.quadColor[i] as number);
    context.beginPath();
    for (let k = 0; k < 8; k += 2) context.lineTo(corners[k] as number, corners[k + 1] as number);
    context.fill();
  }
}

/** The pictures of a line; a frame with the name of its file stands for one that has not come. */
function paintImages(
  context: Context,
  page: PageDescription,
  line: number,
  { scale, pictures }: PaintOptions,
): void {
  for (let i = page.lineImage[line] as number; i < (page.lineImage[line + 1] as number); i++) {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = page.images.subarray(6 * i, 6 * i + 6);
    const name = page.imageFile[i] ?? '';
    const picture = page.imageBlank[i] === 1 ? undefined : pictures.get(name);
    if (!picture) {
      paintFrame(context, [a, b, c, d, e, f], name, scale);
      continue;
    }
    const [left = 0, bottom = 0, right = 0, top = 0] = page.imageCrop.subarray(4 * i, 4 * i + 4);
    const [width, height] = [picture.width, picture.height];
    // Large pictures are drawn small: without this, thin lines in them break up.
    context.imageSmoothingQuality = 'high';
    // From the unit square with its corner below to one with its corner above.
    context.setTransform(
      a * scale,
      b * scale,
      -c * scale,
      -d * scale,
      (e + c) * scale,
      (f + d) * scale,
    );
    context.drawImage(
      picture,
      left * width,
      top * height,
      Math.max(1, (1 - left - right) * width),
      Math.max(1, (1 - bottom - top) * height),
      0,
      0,
      1,
      1,
    );
  }
}

function paintFrame(
  context: Context,
  [a, b, c, d, e, f]: readonly [number, number, number, number, number, number],
  name: string,
  scale: number,
): void {
  context.setTransform(scale, 0, 0, scale, 0, 0);
  context.strokeStyle = context.fillStyle = '#8a8172';
  context.lineWidth = 0.5;
  context.beginPath();
  context.moveTo(e, f);
  context.lineTo(e + a, f + b);
  context.lineTo(e + a + c, f + b + d);
  context.lineTo(e + c, f + d);
  context.closePath();
  context.stroke();
  context.font = '8px sans-serif';
  context.fillText(name, e + 4, f - 6, Math.max(10, Math.hypot(a, b) - 8));
}
