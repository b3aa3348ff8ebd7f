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
export function pageContent(page: PageDescription, font: (id: number) => SubsetFont): string {
  const out: string[] = [];
  let color = 0;
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
    const dx = Math.round((x - lastX) * 1000) / 1000;
    const dy = Math.round((y - lastY) * 1000) / 1000;
    lastX += dx;
    lastY += dy;
    out.push(`${num(dx)} ${num(dy)} Td ${shown(page, r, subset, size)}\n`);
  }
  out.push('ET\n');
  rules(page, out, color);
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

function rules(page: PageDescription, out: string[], before: number): void {
  let color = before;
  for (let i = 0; i < page.ruleColor.length; i++) {
    if (page.ruleColor[i] !== color) {
      color = page.ruleColor[i] as number;
      out.push(colour(color, 'rg'));
    }
    const [x, top, width, height] = page.rules.subarray(4 * i, 4 * i + 4) as unknown as [
      number,
      number,
      number,
      number,
    ];
    out.push(`${num(x)} ${num(page.height - top - height)} ${num(width)} ${num(height)} re f\n`);
  }
}
