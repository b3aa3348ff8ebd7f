import type { Sp } from '../base/lengths';
import type { FontFace, FontSpec } from '../document/font';
import {
  CALLIGRAPHIC_FONT,
  FALLBACK_FONT,
  fileFor,
  fileOfId,
  type FontFile,
  idOfFile,
  MATH_FONTS,
  SCRIPT_FONT,
  SYMBOL_FONT,
} from './catalog';
import { asCalligraphic, asComputerModernMath, asFurtherSymbols } from './computerModern/mathFont';
import { asComputerModern } from './computerModern/textFont';
import { fallbackFile } from './fallback';
import { type Font, openFont } from './font';

/** Gives the bytes of a font file, or null when the host does not have them yet. */
export type FontSource = (file: FontFile) => Uint8Array | null;

/** Stretch and shrink of the blank between words, in font units. */
export interface WordSpace {
  readonly width: number;
  readonly stretch: number;
  readonly shrink: number;
  /** Added after the end of a sentence. */
  readonly extra: number;
}

/** Opens fonts on first use and keeps them. */
export class FontStore {
  private readonly open = new Map<string, Font>();
  private bySpec = new WeakMap<FontSpec, Font>();
  private readonly measured = new WeakMap<Font, Font>();
  private readonly capitals = new WeakMap<Font, Font>();
  private readonly spaces = new WeakMap<Font, WordSpace>();
  /** Files that were asked for and not there; the host brings them and layout is done again. */
  readonly missing = new Set<FontFile>();

  constructor(private readonly source: FontSource) {}

  /** The font of a file. While it is missing, another one stands in. */
  file(name: FontFile): Font {
    const known = this.open.get(name);
    if (known) return known;
    const bytes = this.source(name);
    if (bytes) {
      const font = openFont(idOfFile(name), name, bytes);
      this.open.set(name, font);
      return font;
    }
    this.missing.add(name);
    for (const font of this.open.values()) return font;
    if (name === FALLBACK_FONT) throw new Error('the host gives no fonts');
    return this.file(FALLBACK_FONT);
  }

  text(spec: FontSpec): Font {
    const known = this.bySpec.get(spec);
    if (known) return known;
    const file = this.file(fileFor(spec));
    const plain = spec.encoding === 'OT1' ? this.inComputerModern(file, asComputerModern) : file;
    const font = spec.shape === 'caps' ? this.inSmallCapitals(plain) : plain;
    if (this.missing.size === 0) this.bySpec.set(spec, font);
    return font;
  }

  /** A font whose small letters are its small capitals; itself when it has none. */
  private inSmallCapitals(font: Font): Font {
    let found = this.capitals.get(font);
    if (!found) {
      found = font.smallCapitals() ?? font;
      this.capitals.set(font, found);
    }
    return found;
  }

  /** A font in the measures of the family it stands for; itself when it stands for none. */
  private inComputerModern(file: Font, as: (file: Font) => Font | null): Font {
    const known = this.measured.get(file);
    if (known) return known;
    const font = as(file) ?? file;
    this.measured.set(file, font);
    return font;
  }

  /** The mathematics font of a face. */
  math(face: FontFace = 'modern'): Font {
    const file = this.file(MATH_FONTS[face]);
    // Another may stand in for it, which is in its own measures.
    return file.math && face === 'modern'
      ? this.inComputerModern(file, asComputerModernMath)
      : file;
  }

  /** Further symbols, for those that the mathematics font lacks. */
  symbols(): Font {
    const file = this.file(SYMBOL_FONT);
    return file.name === SYMBOL_FONT ? this.inComputerModern(file, asFurtherSymbols) : file;
  }

  /** Round-hand capitals, at the places of the Latin ones. */
  roundHand(): Font {
    return this.file(SCRIPT_FONT);
  }

  /** Calligraphic capitals of a face, at the places of the Latin ones; null when they are its own. */
  calligraphic(face: FontFace): Font | null {
    if (face !== 'modern') return null;
    const file = this.file(CALLIGRAPHIC_FONT);
    return file.name === CALLIGRAPHIC_FONT ? this.inComputerModern(file, asCalligraphic) : file;
  }

  byId(id: number): Font {
    return this.file(fileOfId(id));
  }

  /** A font that has a character the document's own lacks; null when none that ships does. */
  fallback(code: number): Font | null {
    const file = fallbackFile(code) ?? MATH_FONTS.modern;
    const font = this.file(file);
    return font.glyph(code) === 0 ? null : font;
  }

  /** Is it the font of mathematics, which stands in for signs that text fonts lack? */
  isMathematics = (font: Font): boolean => font === this.file(MATH_FONTS.modern);

  /** After the host has brought missing files. */
  retry(): void {
    this.missing.clear();
    this.bySpec = new WeakMap();
  }

  /**
   * The blank between words. Its width is the font's own; in Computer Modern
   * stretch is half, shrink and extra a third of it (cm parameter files, u = 1/18
   * quad: 6u plus 3u minus 2u, extra 2u), in italic 3u of 18.4/36 and so on;
   * typewriter blanks are rigid.
   */
  wordSpace(font: Font): WordSpace {
    let found = this.spaces.get(font);
    if (!found) {
      const width = font.box(font.glyph(32)).width;
      if (font.name.startsWith('lmmono')) found = { width, stretch: 0, shrink: 0, extra: width };
      // pcrr8t: all characters are as wide.
      else if (font.name.startsWith('texgyrecursor'))
        found = { width, stretch: 0, shrink: 0, extra: width };
      else if (/^(?:texgyre|libertine)/.test(font.name)) {
        // ptmr8t, pplr8t: 0.25 em plus 0.15 minus 0.06 (psnfss metrics).
        found = { width, stretch: width * 0.6, shrink: width * 0.24, extra: width * 0.24 };
      } else if (font.name.includes('italic')) {
        // cmti10: 3.57776 plus 1.53333 minus 1.02222, extra 1.02222.
        found = {
          width,
          stretch: width * 0.42857,
          shrink: width * 0.28571,
          extra: width * 0.28571,
        };
      } else found = { width, stretch: width / 2, shrink: width / 3, extra: width / 3 };
      this.spaces.set(font, found);
    }
    return found;
  }
}

/** Font units to scaled points at a size. */
export const atSize = (units: number, font: Font, size: Sp): Sp => (units * size) / font.unitsPerEm;
