import { opacityOf, rgbOf, type Paint } from '../../base/paint';
import type { AffineMap } from '../../base/maps';
import type { PageDescription } from '../display/description';
import {
  walkPage,
  type GlyphRun,
  type PagePath,
  type PagePicture,
  type PagePort,
  type PageRule,
  type PageStroke,
} from '../display/walk';
import type { SubsetFont } from './subset';

/** A number as PDF wants it: at most three decimals, no exponent. The one place that rounds. */
export function num(value: number): string {
  const rounded = Math.round(value * 1000) / 1000;
  return Object.is(rounded, -0) ? '0' : String(rounded);
}

/** Linear parts of maps need more decimals than places do. */
const factor = (value: number): string => {
  const rounded = Math.round(value * 1e6) / 1e6;
  if (Math.abs(rounded) < 1e-6) return '0';
  return Math.abs(rounded) < 1e-3 ? rounded.toFixed(6) : String(rounded);
};

const HEX = Array.from({ length: 65536 }, (_, i) => i.toString(16).padStart(4, '0'));

function colour(paint: Paint, operator: 'rg' | 'RG'): string {
  const part = (shift: number): string => num(((rgbOf(paint) >> shift) & 255) / 255);
  return `${part(16)} ${part(8)} ${part(0)} ${operator}\n`;
}

/** A glyph that stands this much (in thousandths of the size) from where the last one ended needs no adjustment. */
const NEGLIGIBLE = 0.5;

/** A picture as the page uses it: its name in the resources, and the size of its own space. */
export interface PlacedImage {
  readonly name: string;
  /** A picture of pixels fills the unit square; a page has a size in points. */
  readonly width: number;
  readonly height: number;
}

/** What a page takes from the document's resources. */
export interface Resources {
  /** The subset that draws a font, by id. */
  readonly font: (id: number) => SubsetFont;
  readonly image: (file: string) => PlacedImage | null;
  /** The name of a graphics state in which fills and strokes have this opacity. */
  readonly opacity: (opacity: number) => string;
}

/** The content stream of a page (ISO 32000-1, 9.4 text objects, 8.5 paths). */
export function pageContent(page: PageDescription, resources: Resources): string {
  const port = new ContentPort(page.height, resources);
  walkPage(page, port);
  return port.finished();
}

/** What the stream has set so far, as far as it matters for what comes. */
interface GraphicsState {
  paint: Paint;
  font: string;
  opacity: number;
}

/** Writes a page as operators of a content stream, y upwards from the lower edge. */
class ContentPort implements PagePort {
  private readonly out: string[] = [];
  private state: GraphicsState = { paint: 0, font: '', opacity: 1 };
  private readonly outer: GraphicsState[] = [];
  private inText = false;
  /** Where the line of text in hand begins. */
  private lineX = 0;
  private lineY = 0;

  constructor(
    private readonly height: number,
    private readonly resources: Resources,
  ) {}

  finished(): string {
    this.endText();
    return this.out.join('');
  }

  glyphs(run: GlyphRun): void {
    const { out, state } = this;
    const subset = this.resources.font(run.font);
    const font = `/${subset.name} ${num(run.size)} Tf\n`;
    if (!this.inText) {
      out.push('BT\n');
      this.inText = true;
      this.lineX = this.lineY = 0;
    }
    this.fillWith(run.paint);
    if (font !== state.font) {
      state.font = font;
      out.push(font);
    }
    const { x } = run;
    const y = this.height - run.y;
    if (run.map) {
      const { a, b, c, d } = run.map;
      const linear = [a, -b, -c, d].map(factor).join(' ');
      out.push(`${linear} ${num(x)} ${num(y)} Tm ${shown(run, subset)}\n1 0 0 1 0 0 Tm\n`);
      this.lineX = this.lineY = 0;
      return;
    }
    const dx = Math.round((x - this.lineX) * 1000) / 1000;
    const dy = Math.round((y - this.lineY) * 1000) / 1000;
    this.lineX += dx;
    this.lineY += dy;
    out.push(`${num(dx)} ${num(dy)} Td ${shown(run, subset)}\n`);
  }

  rule({ x, y, width, height, paint }: PageRule): void {
    this.endText();
    this.fillWith(paint);
    this.out.push(`${num(x)} ${num(this.height - y - height)} ${num(width)} ${num(height)} re f\n`);
  }

  path(path: PagePath): void {
    this.save();
    const { fill, stroke, evenOdd } = path;
    if (path.map) this.out.push(`${this.onPage(path.map)} cm\n`);
    const traced = this.traced(path);
    // Fill and stroke of one opacity are painted at once; of two, one after the other.
    const together = fill !== null && stroke && opacityOf(fill) === opacityOf(stroke.paint);
    if (fill !== null) {
      this.fillWith(fill);
      if (!together) this.out.push(traced, evenOdd ? 'f*\n' : 'f\n');
    }
    if (stroke) {
      this.strokeWith(stroke);
      this.out.push(traced, together ? (evenOdd ? 'B*\n' : 'B\n') : 'S\n');
    }
    this.restore();
  }

  /** An empty frame where it is missing (ISO 32000-1, 8.9.5 images, 8.10 form XObjects). */
  picture({ file, map, crop, blank }: PagePicture): void {
    this.endText();
    const { out } = this;
    const { a, b, c, d, e, f } = map;
    const matrix = [a, -b, c, -d, e, this.height - f].map(num).join(' ');
    const found = blank ? null : this.resources.image(file);
    if (!found) {
      out.push(`q ${matrix} cm 0.6 G 0 w 0 0 1 1 re S Q\n`);
      return;
    }
    const [left, bottom, right, top] = crop;
    const cropped = left + bottom + right + top > 0;
    const [sx, sy] = [1 / (1 - left - right), 1 / (1 - bottom - top)];
    const clip = cropped ? '0 0 1 1 re W n ' : '';
    const shift = cropped
      ? `${num(sx)} 0 0 ${num(sy)} ${num(-left * sx)} ${num(-bottom * sy)} cm `
      : '';
    const unit = `${1 / found.width} 0 0 ${1 / found.height} 0 0 cm `;
    const scale = found.width === 1 && found.height === 1 ? '' : unit;
    out.push(`q ${matrix} cm ${clip}${shift}${scale}/${found.name} Do Q\n`);
  }

  clip(path: PagePath): void {
    this.save();
    const { map, evenOdd } = path;
    // The path alone is mapped: what is clipped stands in the page's coordinates.
    this.out.push(this.traced(path, map), evenOdd ? 'W* n\n' : 'W n\n');
  }

  unclip(): void {
    this.restore();
  }

  private endText(): void {
    if (this.inText) this.out.push('ET\n');
    this.inText = false;
  }

  private save(): void {
    this.endText();
    this.out.push('q\n');
    this.outer.push({ ...this.state });
  }

  private restore(): void {
    this.endText();
    this.out.push('Q\n');
    this.state = this.outer.pop() ?? this.state;
  }

  private fillWith(paint: Paint): void {
    const { state, out } = this;
    this.throughWith(opacityOf(paint));
    if (state.paint === rgbOf(paint)) return;
    state.paint = rgbOf(paint);
    out.push(colour(paint, 'rg'));
  }

  private throughWith(opacity: number): void {
    if (this.state.opacity === opacity) return;
    this.state.opacity = opacity;
    this.out.push(`/${this.resources.opacity(opacity)} gs\n`);
  }

  /** Line width, cap, join and dash (ISO 32000-1, 8.4.3). */
  private strokeWith({ paint, width, cap, join, miterLimit, dash, dashPhase }: PageStroke): void {
    this.throughWith(opacityOf(paint));
    const dashes = dash.length > 0 ? `[${[...dash].map(num).join(' ')}] ${num(dashPhase)} d ` : '';
    const caps = { butt: 0, round: 1, square: 2 }[cap];
    const joins = { miter: 0, round: 1, bevel: 2 }[join];
    this.out.push(
      colour(paint, 'RG'),
      `${num(width)} w ${caps} J ${joins} j ${num(miterLimit)} M ${dashes}\n`,
    );
  }

  /** A map of the page, y downwards, as one of the stream, for coordinates with y turned round. */
  private onPage({ a, b, c, d, e, f }: AffineMap): string {
    return `${[a, -b, -c, d].map(factor).join(' ')} ${num(e)} ${num(this.height - f)}`;
  }

  /** The path in the stream's coordinates: its own, mapped beforehand, or those of the page. */
  private traced(path: PagePath, through: AffineMap | null = null): string {
    const { height } = this;
    const isOwn = path.map !== null && through === null;
    const at = (x: number, y: number): string => {
      if (isOwn) return `${num(x)} ${num(-y)}`;
      if (!through) return `${num(x)} ${num(height - y)}`;
      const { a, b, c, d, e, f } = through;
      return `${num(a * x + c * y + e)} ${num(height - (b * x + d * y + f))}`;
    };
    let out = '';
    path.trace({
      moveTo: (x, y) => (out += `${at(x, y)} m\n`),
      lineTo: (x, y) => (out += `${at(x, y)} l\n`),
      bezierCurveTo: (ax, ay, bx, by, x, y) =>
        (out += `${at(ax, ay)} ${at(bx, by)} ${at(x, y)} c\n`),
      closePath: () => (out += 'h\n'),
    });
    return out;
  }
}

/** The run's glyphs with the kerns between them. */
function shown({ glyphs, along, size }: GlyphRun, subset: SubsetFont): string {
  let text = '<';
  let kerned = false;
  let at = 0;
  for (let g = 0; g < glyphs.length; g++) {
    const glyph = glyphs[g] as number;
    const want = ((along[g] as number) / size) * 1000;
    const shift = at - want;
    if (g > 0 && Math.abs(shift) > NEGLIGIBLE) {
      text += `> ${num(Math.round(shift * 10) / 10)} <`;
      kerned = true;
      at = want;
    }
    text += HEX[subset.cid(glyph)] as string;
    at += subset.width(glyph);
  }
  return kerned ? `[${text}>] TJ` : `${text}> Tj`;
}
