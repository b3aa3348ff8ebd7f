import type { PageDescription } from '@odd-compass/engine';
import type { GlyphOutline } from '@odd-compass/engine/worker';
import { changedBand } from './changedBand';
import { paintPage } from './paint';

/** What the page asks of the painter. */
export type PaintRequest =
  /** A canvas to paint on. One that pauses is painted anew when the typing pauses. */
  | {
      readonly kind: 'canvas';
      readonly id: number;
      readonly canvas: OffscreenCanvas;
      readonly pauses: boolean;
    }
  /** The page that a canvas shows from now on, by its index, at so many device pixels per big point. */
  | {
      readonly kind: 'canvas-page';
      readonly id: number;
      readonly page: number;
      readonly scale: number;
    }
  | { readonly kind: 'canvas-gone'; readonly id: number }
  /** A picture of the assignment has come, or another under its name. */
  | { readonly kind: 'picture'; readonly name: string; readonly picture: ImageBitmap };

interface Surface {
  readonly canvas: OffscreenCanvas;
  readonly context: OffscreenCanvasRenderingContext2D;
  readonly pauses: boolean;
  page: number;
  /** Device pixels per big point; 0 until it is told. */
  scale: number;
  /** What stands on it, and at which scale; null when all is to be painted. */
  painted: { readonly page: PageDescription; readonly scale: number } | null;
  /** It will be painted whole, at the next turn or when the typing pauses. */
  waiting: ReturnType<typeof setTimeout> | null;
}

const UNITS_PER_EM = 1000;
/** Typing pauses when nothing comes for this long, ms. */
const PAUSE = 400;
/** A page drawn larger and smaller is stretched, and painted sharply when it stays so for this long, ms. */
const RESIZING = 90;

const showsPicture = (page: PageDescription | undefined, name: string): boolean =>
  page?.imageFile.includes(name) ?? false;

/**
 * Paints pages in the thread that typesets them: what was typed stands on the sheet
 * without waiting for the page's own thread.
 */
export class Painter {
  private readonly surfaces = new Map<number, Surface>();
  private readonly outlines = new Map<number, Path2D>();
  private readonly pictures = new Map<string, ImageBitmap>();
  private pages: ReadonlyMap<number, PageDescription> = new Map();

  take(request: PaintRequest): void {
    switch (request.kind) {
      case 'canvas': {
        const { id, canvas, pauses } = request;
        const context = canvas.getContext('2d', { alpha: false });
        if (!context) return;
        const fresh = { page: -1, scale: 0, painted: null, waiting: null };
        this.surfaces.set(id, { canvas, context, pauses, ...fresh });
        return;
      }
      case 'canvas-page': {
        const surface = this.surfaces.get(request.id);
        if (!surface) return;
        const { page, scale } = request;
        const resized = surface.painted !== null && page === surface.page;
        Object.assign(surface, { page, scale });
        return this.paintSoon(surface, resized ? RESIZING : 0);
      }
      case 'canvas-gone': {
        const surface = this.surfaces.get(request.id);
        if (surface?.waiting) clearTimeout(surface.waiting);
        this.surfaces.delete(request.id);
        return;
      }
      case 'picture':
        this.pictures.get(request.name)?.close();
        this.pictures.set(request.name, request.picture);
        for (const surface of this.surfaces.values()) {
          if (!showsPicture(this.pages.get(surface.page), request.name)) continue;
          surface.painted = null;
          this.paintSoon(surface, 0);
        }
    }
  }

  /** Paints the pages in sight, by their index, as they are now: of each what changed. */
  show(pages: ReadonlyMap<number, PageDescription>, outlines: readonly GlyphOutline[]): void {
    for (const { font, glyph, path } of outlines)
      this.outlines.set(font * 65536 + glyph, new Path2D(path));
    this.pages = pages;
    for (const surface of this.surfaces.values()) {
      const page = pages.get(surface.page);
      // One that is to be painted anyway finds the page as it is then.
      if (!page || surface.scale === 0 || page === surface.painted?.page || surface.waiting)
        continue;
      if (surface.pauses && surface.painted) this.paintSoon(surface, PAUSE);
      else this.paint(surface, page);
    }
  }

  private paintSoon(surface: Surface, pause: number): void {
    if (surface.waiting) clearTimeout(surface.waiting);
    surface.waiting = setTimeout(() => {
      surface.waiting = null;
      const page = this.pages.get(surface.page);
      if (page) this.paint(surface, page);
    }, pause);
  }

  private paint(surface: Surface, page: PageDescription): void {
    const { canvas, context, scale, painted } = surface;
    const { outlines, pictures } = this;
    const options = { scale, outlines, unitsPerEm: UNITS_PER_EM, pictures };
    surface.painted = { page, scale };
    const band = painted?.scale === scale ? changedBand(painted.page, page) : 'all';
    if (band === 'all') {
      canvas.width = Math.round(page.width * scale);
      canvas.height = Math.round(page.height * scale);
      paintPage(context, page, options);
    } else if (band) paintPage(context, page, options, band);
  }
}
