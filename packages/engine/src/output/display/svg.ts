import type { AffineMap } from '../../base/maps';
import { cssColour, opacityOf, type Paint } from '../../base/paint';
import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';
import { walkPage, type GlyphRun, type PagePath, type PagePicture, type PagePort } from './walk';

const round = (value: number): string => String(Math.round(value * 100) / 100);

/** The address of a picture of the assignment, as data; null when it is not to be had. */
export type PictureOf = (file: string) => string | null;

/** A colour of the given attribute; black is what SVG fills with by itself. */
function painted(attribute: 'fill' | 'stroke', paint: Paint): string {
  const opacity = opacityOf(paint);
  const through = opacity < 1 ? ` ${attribute}-opacity="${round(opacity)}"` : '';
  const isPlain = attribute === 'fill' && cssColour(paint) === '#000000';
  return `${isPlain ? '' : ` ${attribute}="${cssColour(paint)}"`}${through}`;
}

const matrix = ({ a, b, c, d, e, f }: AffineMap): string =>
  `matrix(${[a, b, c, d].map((n) => Math.round(n * 1e6) / 1e6).join(' ')} ${round(e)} ${round(f)})`;

/** The data of a path, as SVG writes it. */
function pathData(path: PagePath): string {
  let data = '';
  const add = (letter: string, ...numbers: number[]): void => {
    data += letter + numbers.map(round).join(' ');
  };
  path.trace({
    moveTo: (x, y) => add('M', x, y),
    lineTo: (x, y) => add('L', x, y),
    bezierCurveTo: (...numbers) => add('C', ...numbers),
    closePath: () => add('Z'),
  });
  return data;
}

function drawnPath(path: PagePath): string {
  const { map, fill, stroke, evenOdd } = path;
  const filling = fill === null ? ' fill="none"' : painted('fill', fill);
  const rule = evenOdd ? ' fill-rule="evenodd"' : '';
  const dash = stroke && stroke.dash.length > 0;
  const line = stroke
    ? `${painted('stroke', stroke.paint)} stroke-width="${round(stroke.width)}" stroke-linecap="${stroke.cap}"` +
      ` stroke-linejoin="${stroke.join}" stroke-miterlimit="${round(stroke.miterLimit)}"` +
      (dash
        ? ` stroke-dasharray="${[...stroke.dash].map(round).join(' ')}" stroke-dashoffset="${round(stroke.dashPhase)}"`
        : '')
    : '';
  const place = map ? ` transform="${matrix(map)}"` : '';
  return `<path d="${pathData(path)}"${filling}${rule}${line}${place}/>`;
}

/** One that is not to be had shows as a plain ground of its size. */
function drawnPicture({ map, file, blank }: PagePicture, pictureOf: PictureOf): string {
  const address = blank ? null : pictureOf(file);
  if (!address)
    return `<rect width="1" height="1" fill="#d8d2c4" transform="matrix(${Object.values(map).map(round).join(' ')})"/>`;
  const { a, b, c, d, e, f } = map;
  // From the unit square with its corner below to one with its corner above.
  const upright = [a, b, -c, -d, e + c, f + d].map(round).join(' ');
  return `<image width="1" height="1" preserveAspectRatio="none" href="${address}" transform="matrix(${upright})"/>`;
}

/** Gathers a page as SVG: what is drawn, and what it refers to. */
class SvgPort implements PagePort {
  readonly body: string[] = [];
  readonly shared = new Map<string, string>();

  constructor(
    private readonly fonts: FontStore,
    private readonly pictureOf: PictureOf,
  ) {}

  glyphs({ font: id, size, x, y, paint, map, glyphs, along }: GlyphRun): void {
    const font = this.fonts.byId(id);
    const scale = size / font.unitsPerEm;
    const { a, b, c, d } = map ?? { a: 1, b: 0, c: 0, d: 1 };
    const color = painted('fill', paint);
    glyphs.forEach((glyph, i) => {
      const name = `g${font.id}-${glyph}`;
      if (!this.shared.has(name))
        this.shared.set(name, `<path id="${name}" d="${font.file.getGlyph(glyph).path.toSVG()}"/>`);
      const to = along[i] as number;
      const place = [scale * a, scale * b, -scale * c, -scale * d].join(' ');
      this.body.push(
        `<use href="#${name}" transform="matrix(${place} ${round(x + a * to)} ${round(y + b * to)})"${color}/>`,
      );
    });
  }

  rule({ x, y, width, height, paint }: Parameters<PagePort['rule']>[0]): void {
    const [left, top, w, h] = [x, y, width, height].map(round);
    this.body.push(
      `<rect x="${left}" y="${top}" width="${w}" height="${h}"${painted('fill', paint)}/>`,
    );
  }

  path(path: PagePath): void {
    this.body.push(drawnPath(path));
  }

  picture(picture: PagePicture): void {
    this.body.push(drawnPicture(picture, this.pictureOf));
  }

  clip(path: PagePath): void {
    const name = `c${this.shared.size}`;
    const place = path.map ? ` transform="${matrix(path.map)}"` : '';
    const rule = path.evenOdd ? ' clip-rule="evenodd"' : '';
    this.shared.set(
      name,
      `<clipPath id="${name}"><path d="${pathData(path)}"${rule}${place}/></clipPath>`,
    );
    this.body.push(`<g clip-path="url(#${name})">`);
  }

  unclip(): void {
    this.body.push('</g>');
  }
}

/** What a picture of a page is cut to, in big points; none is the whole page, on white. */
export interface Cut {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A page as an SVG picture of its outlines, for small pictures of pages. */
export function pageSvg(
  page: PageDescription,
  fonts: FontStore,
  pictureOf: PictureOf = () => null,
  cut: Cut | null = null,
): string {
  const port = new SvgPort(fonts, pictureOf);
  walkPage(page, port);
  const { left, top, width, height } = cut ?? { left: 0, top: 0, ...page };
  const ground = cut ? '' : '<rect width="100%" height="100%" fill="#fff"/>';
  const defs = [...port.shared.values()].join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[left, top, width, height].map(round).join(' ')}">${ground}<defs>${defs}</defs>${port.body.join('')}</svg>`;
}
