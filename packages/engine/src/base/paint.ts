/**
 * A colour as it is painted: 0xTTRRGGBB, where TT is how much shows through: 00 covers, ff leaves
 * no trace. A plain colour 0xRRGGBB is a paint that covers.
 */
export type Paint = number;

/** The colour at an opacity from 0 to 1; what showed through before shows through still. */
export function withOpacity(paint: Paint, opacity: number): Paint {
  const through = 255 - Math.round(255 * opacityOf(paint) * Math.min(1, Math.max(0, opacity)));
  return through * 0x1000000 + rgbOf(paint);
}

export const rgbOf = (paint: Paint): number => paint % 0x1000000;

/** From 0 to 1. */
export const opacityOf = (paint: Paint): number => (255 - Math.floor(paint / 0x1000000)) / 255;

/** As CSS and SVG write the colour, without its opacity. */
export const cssColour = (paint: Paint): string => `#${rgbOf(paint).toString(16).padStart(6, '0')}`;

/** So much of one colour, the rest of another. */
export function blended(a: Paint, b: Paint, share: number): Paint {
  const part = (shift: number): number =>
    Math.round(((a >> shift) & 255) * share + ((b >> shift) & 255) * (1 - share)) << shift;
  return part(16) | part(8) | part(0);
}
