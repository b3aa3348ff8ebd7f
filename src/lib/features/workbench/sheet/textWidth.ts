/** Widths that were measured, per pixel of font size; lines come back again and again. */
const known = new Map<string, number>();
const MOST = 20_000;
let context: CanvasRenderingContext2D | null | undefined;

/** How wide the browser sets a line in its serif type, as a multiple of the font size. */
export function textWidth(text: string): number {
  let width = known.get(text);
  if (width !== undefined) return width;
  context ??= document.createElement('canvas').getContext('2d');
  if (context) context.font = '100px serif';
  width = (context?.measureText(text).width ?? 0) / 100;
  if (known.size > MOST) known.clear();
  known.set(text, width);
  return width;
}
