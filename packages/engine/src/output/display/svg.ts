import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';

const round = (value: number): string => String(Math.round(value * 100) / 100);

/** The address of a picture of the assignment, as data; null when it is not to be had. */
export type PictureOf = (file: string) => string | null;

/** Pictures; one that is not to be had shows as a plain ground of its size. */
function pictureGrounds(page: PageDescription, pictureOf: PictureOf): string[] {
  return page.imageFile.map((file, i) => {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = page.images.subarray(6 * i, 6 * i + 6);
    const address = page.imageBlank[i] === 1 ? null : pictureOf(file);
    if (address) {
      // From the unit square with its corner below to one with its corner above.
      const upright = [a, b, -c, -d, e + c, f + d].map(round).join(' ');
      return `<image width="1" height="1" preserveAspectRatio="none" href="${address}" transform="matrix(${upright})"/>`;
    }
    const matrix = [a, b, c, d, e, f].map(round).join(' ');
    return `<rect width="1" height="1" fill="#d8d2c4" transform="matrix(${matrix})"/>`;
  });
}

/** A page as an SVG picture of its outlines, for small pictures of pages. */
export function pageSvg(
  page: PageDescription,
  fonts: FontStore,
  pictureOf: PictureOf = () => null,
): string {
  const symbols = new Map<string, string>();
  const body: string[] = pictureGrounds(page, pictureOf);
  for (let r = 0; r + 1 < page.runStart.length; r++) {
    const font = fonts.byId(page.runFont[r] as number);
    const scale = (page.runSize[r] as number) / font.unitsPerEm;
    for (let g = page.runStart[r] as number; g < (page.runStart[r + 1] as number); g++) {
      const glyph = page.glyphs[g] as number;
      const id = `g${font.id}-${glyph}`;
      if (!symbols.has(id)) symbols.set(id, font.file.getGlyph(glyph).path.toSVG());
      const m = page.runMatrix[r] as number;
      const [ma = 1, mb = 0, mc = 0, md = 1] =
        m === 0 ? [] : page.matrices.subarray(4 * m, 4 * m + 4);
      const along = page.glyphX[g] as number;
      const x = (page.runX[r] as number) + ma * along;
      const y = (page.runY[r] as number) - mb * along;
      const color = page.runColor[r] as number;
      const fill = color === 0 ? '' : ` fill="#${color.toString(16).padStart(6, '0')}"`;
      body.push(
        `<use href="#${id}" transform="matrix(${scale * ma} ${-scale * mb} ${scale * mc} ${-scale * md} ${round(x)} ${round(y)})"${fill}/>`,
      );
    }
  }
  for (let i = 0; i < page.ruleColor.length; i++) {
    const [x, y, width, height] = [...page.rules.subarray(4 * i, 4 * i + 4)].map(round);
    const color = page.ruleColor[i] as number;
    const fill = color === 0 ? '' : ` fill="#${color.toString(16).padStart(6, '0')}"`;
    const rect = `<rect x="${x}" y="${y}" width="${width}" height="${height}"${fill}/>`;
    if (color !== 0 && Number(height) > 4) body.unshift(rect);
    else body.push(rect);
  }
  const defs = [...symbols].map(([id, path]) => `<path id="${id}" d="${path}"/>`).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${round(page.width)} ${round(page.height)}"><rect width="100%" height="100%" fill="#fff"/><defs>${defs}</defs>${body.join('')}</svg>`;
}
