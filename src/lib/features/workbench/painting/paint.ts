import type { PageDescription } from '@odd-compass/engine';
import {
  cssColour,
  opacityOf,
  rgbOf,
  walkPage,
  type GlyphRun,
  type PagePath,
  type PagePicture,
  type PagePort,
  type PageRule,
  type Paint,
  type Pen,
} from '@odd-compass/engine/page';
import type { Band } from './changedBand';

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** What a painter needs besides the page. */
export interface PaintOptions {
  /** Device pixels per big point. */
  readonly scale: number;
  readonly outlines: ReadonlyMap<number, Path2D>;
  readonly unitsPerEm: number;
  readonly pictures: ReadonlyMap<string, ImageBitmap>;
}

const PAPER = '#fffdf8';
/** Soft edges of ink reach this much further, in big points. */
const MARGIN = 1;
/** No stroke is painted thinner, in device pixels. */
const HAIR = 0.75;

const css = (paint: Paint): string => {
  const opacity = opacityOf(paint);
  if (opacity === 1) return cssColour(paint);
  const rgb = rgbOf(paint);
  return `rgba(${rgb >> 16}, ${(rgb >> 8) & 255}, ${rgb & 255}, ${opacity})`;
};

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
  const port = new CanvasPort(context, options);
  walkPage(page, port, band ? (line) => touches(page, line, band) : undefined);
  context.restore();
}

function touches(page: PageDescription, line: number, band: Band): boolean {
  const [top = 0, bottom = 0] = page.lineInk.subarray(2 * line, 2 * line + 2);
  return top - 2 * MARGIN <= band.bottom && bottom + 2 * MARGIN >= band.top;
}

/** Paints on a canvas. */
class CanvasPort implements PagePort {
  constructor(
    private readonly context: Context,
    private readonly options: PaintOptions,
  ) {}

  glyphs({ font, size, x, y, paint, map, glyphs, along }: GlyphRun): void {
    const { context } = this;
    const { scale, outlines, unitsPerEm } = this.options;
    context.fillStyle = css(paint);
    const unit = (size * scale) / unitsPerEm;
    const [a, b, c, d] = map ? [map.a, map.b, map.c, map.d] : [1, 0, 0, 1];
    for (let g = 0; g < glyphs.length; g++) {
      const outline = outlines.get(font * 65536 + (glyphs[g] as number));
      if (!outline) continue;
      const to = along[g] as number;
      const [left, base] = [(x + a * to) * scale, (y + b * to) * scale];
      // Outlines have y upwards.
      context.setTransform(a * unit, b * unit, -c * unit, -d * unit, left, base);
      context.fill(outline);
    }
  }

  rule({ x, y, width, height, paint }: PageRule): void {
    const { context } = this;
    const { scale } = this.options;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.fillStyle = css(paint);
    // On whole device pixels and never thinner than one, so that fraction bars stay, and stay thin.
    context.fillRect(
      Math.round(x * scale),
      Math.round(y * scale),
      Math.max(1, Math.round(width * scale)),
      Math.max(1, Math.round(height * scale)),
    );
  }

  path(path: PagePath): void {
    const { context } = this;
    this.trace(path);
    if (path.fill !== null) {
      context.fillStyle = css(path.fill);
      context.fill(path.evenOdd ? 'evenodd' : 'nonzero');
    }
    const { stroke } = path;
    if (!stroke) return;
    context.strokeStyle = css(stroke.paint);
    context.lineWidth = Math.max(stroke.width, HAIR / this.options.scale);
    context.lineCap = stroke.cap;
    context.lineJoin = stroke.join;
    context.miterLimit = stroke.miterLimit;
    context.setLineDash([...stroke.dash]);
    context.lineDashOffset = stroke.dashPhase;
    context.stroke();
  }

  clip(path: PagePath): void {
    this.context.save();
    this.trace(path);
    this.context.clip(path.evenOdd ? 'evenodd' : 'nonzero');
  }

  unclip(): void {
    this.context.restore();
  }

  /** A frame with the name of its file stands for one that has not come. */
  picture({ file, map, crop, blank }: PagePicture): void {
    const { context } = this;
    const { scale, pictures } = this.options;
    const picture = blank ? undefined : pictures.get(file);
    if (!picture) return this.frame(map, file);
    const { a, b, c, d, e, f } = map;
    const [left, bottom, right, top] = crop;
    const { width, height } = picture;
    // Large pictures are drawn small: without this, thin lines in them break up.
    context.imageSmoothingQuality = 'high';
    // From the unit square with its corner below to one with its corner above.
    const corner = [(e + c) * scale, (f + d) * scale] as const;
    context.setTransform(a * scale, b * scale, -c * scale, -d * scale, ...corner);
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

  private frame({ a, b, c, d, e, f }: PagePicture['map'], name: string): void {
    const { context } = this;
    const { scale } = this.options;
    context.setTransform(scale, 0, 0, scale, 0, 0);
    context.strokeStyle = context.fillStyle = '#8a8172';
    context.lineWidth = 0.5;
    context.setLineDash([]);
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

  /** The path, in its own coordinates, as the canvas's current one. */
  private trace({ map, trace }: PagePath): void {
    const { context } = this;
    const { scale } = this.options;
    const { a, b, c, d, e, f } = map ?? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };
    context.setTransform(a * scale, b * scale, c * scale, d * scale, e * scale, f * scale);
    context.beginPath();
    trace(context satisfies Pen);
  }
}
