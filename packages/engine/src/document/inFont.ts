import type { FontSpec } from './font';
import type { Inline } from './inlines';

/**
 * Inlines that were read in one font, in another: what they changed of the first they change of
 * the second; what is covered (a colour below zero) stays so whatever they say.
 */
export function inFont(
  inlines: readonly Inline[],
  read: FontSpec,
  around: FontSpec,
): readonly Inline[] {
  // Fonts are compared by identity.
  const made = new Map<FontSpec, FontSpec>();
  const fontOf = (font: FontSpec): FontSpec => {
    const found = made.get(font) ?? changed(font, read, around);
    made.set(font, found);
    return found;
  };
  const of = (inline: Inline): Inline => {
    switch (inline.kind) {
      case 'text':
      case 'space':
      case 'ref':
      case 'math':
        return { ...inline, font: fontOf(inline.font) };
      case 'link':
      case 'box':
      case 'decorated':
        return { ...inline, inlines: inline.inlines.map(of) };
      default:
        return inline;
    }
  };
  return inlines.map(of);
}

function changed(font: FontSpec, read: FontSpec, around: FontSpec): FontSpec {
  const own = Object.entries(font).filter(
    ([key, value]) =>
      read[key as keyof FontSpec] !== value && !(key === 'color' && around.color < 0),
  );
  return own.length === 0 ? around : { ...around, ...Object.fromEntries(own) };
}
