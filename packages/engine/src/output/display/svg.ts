import type { FontStore } from '../../fonts/store';
import type { PageDescription } from './description';

const round = (value: number): string => String(Math.round(value * 100) / 100);

/** A page as an SVG picture of its outlines, for small pictures of pages. */
export function pageSvg(page: PageDescription, fonts: FontStore): string {
  const symbols = new Map<string, string>();
  const body: string[] = [];
  for (let r = 0; r + 1 < page.runStart.length; r++) {
    const font = fonts.byId(page.runFont[r] as number);
    const scale = (page.runSize[r] as number) / font.unitsPerEm;
    for (let g = page.runStart[r] as number; g < (page.runStart[r + 1] as number); g++) {
      const glyph = page.glyphs[g] as number;
      const id = `g${font.id}-${glyph}`;
      if (!symbols.has(id)) symbols.set(id, font.file.getGlyph(glyph).path.toSVG());
      const x = (page.runX[r] as number) + (page.glyphX[g] as number);
      const color = page.runColor[r] as number;
      const fill = color === 0 ? '' : ` fill="#${color.toString(16).padStart(6, '0')}"`;
      body.push(
        `<use href="#${id}" transform="matrix(${scale} 0 0 ${-scale} ${round(x)} ${round(page.runY[r] as number)})"${fill}/>`,
      );
    }
  }
  for (let i = 0; i < page.ruleColor.length; i++) {
    const [x, y, width, height] = [...page.rules.subarray(4 * i, 4 * i + 4)].map(round);
    body.push(`<rect x="${x}" y="${y}" width="${width}" height="${height}"/>`);
  }
  const defs = [...symbols].map(([id, path]) => `<path id="${id}" d="${path}"/>`).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${round(page.width)} ${round(page.height)}"><rect width="100%" height="100%" fill="#fff"/><defs>${defs}</defs>${body.join('')}</svg>`;
}
