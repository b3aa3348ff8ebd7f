import type { FontSpec } from './font';
import type { Inline } from './inlines';

/**
 * Inlines read in black, in the colour of the text that they are put into (0xRRGGBB; below zero
 * nothing of them is drawn); what has a colour of its own keeps it where any is seen.
 */
export function coloured(inlines: readonly Inline[], color: number): readonly Inline[] {
  if (color === 0) return inlines;
  // Fonts are compared by identity.
  const made = new Map<FontSpec, FontSpec>();
  const fontOf = (font: FontSpec): FontSpec => {
    if (font.color !== 0 && color >= 0) return font;
    const found = made.get(font) ?? { ...font, color };
    made.set(font, found);
    return found;
  };
  const of = (inline: Inline): Inline => {
    if (inline.kind === 'text' || inline.kind === 'space' || inline.kind === 'ref')
      return { ...inline, font: fontOf(inline.font) };
    if (inline.kind === 'link' || inline.kind === 'box' || inline.kind === 'decorated')
      return { ...inline, inlines: inline.inlines.map(of) };
    return inline;
  };
  return inlines.map(of);
}
