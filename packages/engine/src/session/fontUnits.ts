import { glue, type Sp } from '../base/lengths';
import type { FontSpec } from '../document/font';
import type { FontUnits } from '../expansion/scan';
import { atSize, type FontStore } from '../fonts/store';

/** The parameters of a font that lengths are told in (The TeXbook, appendix F). */
export function fontUnitsOf(fonts: FontStore, spec: FontSpec): FontUnits {
  const font = fonts.text(spec);
  const at = (units: number): Sp => atSize(units, font, spec.size);
  return {
    em: at(font.quad),
    ex: at(font.xHeight),
    // Few lengths ask for a blank; every em and ex comes by here.
    get blank() {
      const { width, stretch, shrink } = fonts.wordSpace(font);
      return { ...glue(at(width)), stretch: at(stretch), shrink: at(shrink) };
    },
    get extra() {
      return at(fonts.wordSpace(font).extra);
    },
  };
}
