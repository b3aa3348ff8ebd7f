import type { PageDescription } from '../display/description';
import type { SubsetFont } from './subset';

/** A number as PDF wants it: at most three decimals, no exponent. The one place that rounds. */
export function num(value: number): string {
  const rounded = Math.round(value * 1000) / 1000;
  return Object.is(rounded, -0) ? '0' : String(rounded);
}

const HEX = Array.from({ length: 65536 }, (_, i) => i.toString(16).padStart(4, '0'));

function colour(rgb: number, operator: 'rg' | 'RG'): string {
  const part = (shift: number): string => num(((rgb >> shift) & 255) / 255);
  return `${part(16)} ${part(8)} ${part(0)} ${operator}\n`;
}

/** A glyph that stands this much (in thousandths of the size) from where the last one ended needs no adjustment. */
const NEGLIGIBLE = 0.5;

/**
 * The content stream of a page (ISO 32000-1, 9.4 text objects, 8.5 paths).
 *
 * @param font gives the subset that draws a font, by id.
 */
export function pageContent(
  page: PageDescription,
  font: (id: number) => SubsetFont,
  image: (file: string) => PlacedImage | null = () => null,
): string {
  const out: string[] = [];
  // Grounds and pictures lie under the text; rules that are no ground are drawn over it without harm.
  let color = grounds(page, out);
  pictures(page, out, image);
  let current = '';
  out.push('BT\n');
  let lastX = 0;
  let lastY = 0;
  for (let r = 0; r + 1 < page.runStart.length; r++) {
    const subset = font(page.runFont[r] as number);
    const size = page.runSize[r] as number;
    const key = `/${subset.name} ${num(size)} Tf\n`;
    if (page.runColor[r] !== color) {
      color = page.runColor[r] as number;
      out.push(colour(color, 'rg'));
    }
    if (key !== current) {
      current = key;
      out.push(key);
    }
    const x = page.runX[r] as number;
    const y = page.height - (page.runY[r] as number);
    const m = page.runMatrix[r] as number;
    if (m > 0) {
      const [a, b, c, d] = [...page.matrices.subarray(4 * m, 4 * m + 4)].map(num);
      out.push(`${a} ${b} ${c} ${d} ${num(x)} ${num(y)} Tm ${shown(page, r, subset, size)}\n`);
      out.push('1 0 0 1 0 0 Tm\n');
      lastX = lastY = 0;
      continue;
    }
    const dx = Math.round((x - lastX) * 1000) / 1000;
    const dy = Math.round((y - lastY) * 1000) / 1000;
    lastX += dx;
    lastY += dy;
    out.push(`${num(dx)} ${num(dy)} Td ${shown(page, r, subset, size)}\n`);
  }
  out.push('ET\n');
  color = rules(page, out, color);
  quads(page, out, color);
  return out.join('');
}

/** The run's glyphs with the kerns between them. */
function shown(page: PageDescription, r: number, subset: SubsetFont, size: number): string {
  const start = page.runStart[r] as number;
  const end = page.runStart[r + 1] as number;
  let text = '<';
  let kerned = false;
  let at = 0;
  for (let g = start; g < end; g++) {
    const glyph = page.glyphs[g] as number;
    const want = ((page.glyphX[g] as number) / size) * 1000;
    const shift = at - want;
    if (g > start && Math.abs(shift) > NEGLIGIBLE) {
      text += `> ${num(Math.round(shift * 10) / 10)} <`;
      kerned = true;
      at = want;
    }
    text += HEX[subset.cid(glyph)] as string;
    at += subset.width(glyph);
  }
  return kerned ? `[${text}>] TJ` : `${text}> Tj`;
}

/** A picture as the page uses it: its name in the resources, and the size of its own space. */
export interface PlacedImage {
  readonly name: string;
  /** A picture of pixels fills the unit square; a page has a size in points. */
  readonly width: number;
  readonly height: number;
}

/** A rule that text may stand on: coloured, and higher than a line is thick. */
const isGround = (page: PageDescription, i: number): boolean =>
  page.ruleColor[i] !== 0 && (page.rules[4 * i + 3] as number) > 4;

function grounds(page: PageDescription, out: string[]): number {
  let color = 0;
  for (let i = 0; i < page.ruleColor.length; i++)
    if (isGround(page, i)) color = rectangle(page, i, out, color);
  if (color !== 0) out.push(colour(0, 'rg'));
  return 0;
}

function rules(page: PageDescription, out: string[], before: number): number {
  let color = before;
  for (let i = 0; i < page.ruleColor.length; i++)
    if (!isGround(page, i)) color = rectangle(page, i, out, color);
  return color;
}

function rectangle(page: PageDescription, i: number, out: string[], before: number): number {
  const color = page.ruleColor[i] as number;
  if (color !== before) out.push(colour(color, 'rg'));
  const [x = 0, top = 0, width = 0, height = 0] = page.rules.subarray(4 * i, 4 * i + 4);
  out.push(`${num(x)} ${num(page.height - top - height)} ${num(width)} ${num(height)} re f\n`);
  return color;
}

function quads(page: PageDescription, out: string[], before: number): void {
  let color = before;
  for (let i = 0; i < page.quadColor.length; i++) {
    if (page.quadColor[i] !== color) {
      color = page.quadColor[i] as number;
      out.push(colour(color, 'rg'));
    }
    const corners = [0, 1, 2, 3].map((k) => {
      const x = page.quads[8 * i + 2 * k] as number;
      const y = page.quads[8 * i + 2 * k + 1] as number;
      return `${num(x)} ${num(page.height - y)} ${k === 0 ? 'm' : 'l'}`;
    });
    out.push(`${corners.join(' ')} h f\n`);
  }
}

/** Pictures (ISO 32000-1, 8.9.5 images, 8.10 form XObjects); an empty frame where one is missing. */
function pictures(
  page: PageDescription,
  out: string[],
  image: (file: string) => PlacedImage | null,
): void {
  page.imageFile.forEach((file, i) => {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = page.images.subarray(6 * i, 6 * i + 6);
    const matrix = [a, -b, c, -d, e, page.height - f].map(num).join(' ');
    const found = page.imageBlank[i] === 1 ? null : image(file);
    if (!found) {
      out.push(`q ${matrix} cm 0.6 G 0 w 0 0 1 1 re S Q\n`);
      return;
    }
    const [left = 0, bottom = 0, right = 0, top = 0] = page.imageCrop.subarray(4 * i, 4 * i + 4);
    const cropped = left + bottom + right + top > 0;
    const [sx, sy] = [1 / (1 - left - right), 1 / (1 - bottom - top)];
    const clip = cropped ? '0 0 1 1 re W n ' : '';
    const shift = cropped
      ? `${num(sx)} 0 0 ${num(sy)} ${num(-left * sx)} ${num(-bottom * sy)} cm `
      : '';
    const unit = `${1 / found.width} 0 0 ${1 / found.height} 0 0 cm `;
    const scale = found.width === 1 && found.height === 1 ? '' : unit;
    out.push(`q ${matrix} cm ${clip}${shift}${scale}/${found.name} Do Q\n`);
  });
}
