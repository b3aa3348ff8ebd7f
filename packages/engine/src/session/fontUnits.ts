import type { FontSpec } from '../document/font';
import type { FontUnits } from '../expansion/scan';
import { atSize, type FontStore } from '../fonts/store';

/** em and ex of a font (`\fontdimen6` and `5`). */
export function fontUnitsOf(fonts: FontStore, spec: FontSpec): FontUnits {
  const font = fonts.text(spec);
  return { em: atSize(font.quad, font, spec.size), ex: atSize(font.xHeight, font, spec.size) };
}
