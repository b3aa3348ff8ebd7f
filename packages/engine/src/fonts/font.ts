import type { Sp } from '../base/lengths';
import { OLD_STYLE_DIGITS } from '../document/font';
import { SCRIPT_CAPITALS } from './scriptCapitals';
import { create, type FontkitFont } from 'fontkit';
import { readPairKerns, type PairKerns } from './tables/gpos';
import { readAlternates, readLigatures, type LigatureStep } from './tables/gsub';
import { readMath, type MathTable } from './tables/math';
import { readDirectory } from './tables/sfnt';

/** The box of a glyph in font units: width, and height and depth of its outline. */
export interface GlyphBox {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  /** Left, right, lower and upper edges of the outline. */
  readonly left: number;
  readonly right: number;
  readonly bottom: number;
  readonly top: number;
}

/** A word turned into glyphs. All in font units. */
export interface Shaped {
  readonly glyphs: readonly number[];
  /** Where each glyph starts; one more for the end. */
  readonly positions: readonly number[];
  /** The character each glyph starts at. */
  readonly clusters: readonly number[];
  readonly width: number;
  readonly height: number;
  readonly depth: number;
  /** The first character that the font does not have, or null. */
  readonly missing: string | null;
}

/** A font file, read as far as it is needed. Everything is kept per font. */
export interface Font {
  readonly id: number;
  readonly name: string;
  readonly unitsPerEm: number;
  readonly xHeight: number;
  /** What one em of it is (`\fontdimen6`), in font units. */
  readonly quad: number;
  readonly italic: boolean;
  /** Are its outlines PostScript ones? */
  readonly postScript: boolean;
  readonly math: MathTable | null;
  readonly file: FontkitFont;
  /** The same outlines in the measures of the design for a size, where a family is drawn anew for sizes. */
  readonly atSize?: (size: Sp) => Font;
  /** The glyph of a code point; 0 when there is none. */
  glyph(code: number): number;
  box(glyph: number): GlyphBox;
  /** The width of a glyph in the file, in font units, without a look at its outline. */
  advance(glyph: number): number;
  /** How far a letter of a slanted font leans over its width (the italic correction of its metrics). */
  correction(glyph: number): number;
  kern: PairKerns;
  readonly ligatures: readonly LigatureStep[];
  /** The form of a glyph for scripts of that level (1 or 2), or the glyph itself. */
  scriptForm(glyph: number, level: number): number;
  shape(text: string): Shaped;
  /** What the glyph stands for when copied out as text. */
  textOf(glyph: number): string;
  /** The same font with small capitals for its small letters; null when it has none. */
  smallCapitals(): Font | null;
}

/** The files with the TeX ligatures for dashes and quotes; typewriter keeps its characters. */
const isTypewriter = (name: string): boolean => /^(?:lmmono|texgyrecursor)/.test(name);

const DASHES: readonly (readonly [RegExp, string])[] = [
  [/---/g, '—'],
  [/--/g, '–'],
  [/``/g, '“'],
  [/''/g, '”'],
  [/\?`/g, '¿'],
  [/!`/g, '¡'],
];

/** The text with TeX's input ligatures applied, and for each unit where it came from. */
function inputLigatures(
  text: string,
  typewriter: boolean,
): { text: string; origins: number[] | null } {
  if (!/[-`']/.test(text)) return { text, origins: null };
  let out = '';
  const origins: number[] = [];
  for (let i = 0; i < text.length;) {
    const hit = typewriter
      ? undefined
      : DASHES.map(([pattern, to]) => ({ source: pattern.source.replace('\\', ''), to })).find(
          ({ source }) => text.startsWith(source, i),
        );
    const char = hit?.to ?? (text[i] === '`' ? '‘' : text[i] === "'" ? '’' : (text[i] as string));
    out += char;
    origins.push(i);
    i += hit?.source.length ?? 1;
  }
  return { text: out, origins };
}

/** Opens a font file. Throws when the bytes are no OpenType font with PostScript outlines: that is our own mistake. */
export function openFont(id: number, name: string, bytes: Uint8Array): Font {
  const file = create(bytes);
  const tables = readDirectory(bytes);
  const hhea = tables.get('hhea');
  const hmtx = tables.get('hmtx');
  if (!hhea || !hmtx) throw new Error(`font ${name} has no horizontal metrics`);
  const longMetrics = hhea.getUint16(34);
  const advance = (glyph: number): number => hmtx.getUint16(4 * Math.min(glyph, longMetrics - 1));
  const typewriter = isTypewriter(name);
  const ligatures = typewriter ? [] : readLigatures(tables.get('GSUB'));
  const kern = readPairKerns(tables.get('GPOS'));
  const mathTable = tables.get('MATH');
  const scriptForms = mathTable
    ? readAlternates(tables.get('GSUB'), 'ssty')
    : new Map<number, number[]>();
  const capitals = mathTable
    ? new Map<number, number[]>()
    : readAlternates(tables.get('GSUB'), 'smcp');
  const glyphs = new Map<number, number>();
  const boxes = new Map<number, GlyphBox>();
  let texts: Map<number, string> | null = null;

  const glyph = (code: number): number => {
    let found = glyphs.get(code);
    if (found === undefined) {
      found = file.glyphForCodePoint(code).id;
      glyphs.set(code, found);
    }
    return found;
  };
  const box = (id: number): GlyphBox => {
    let found = boxes.get(id);
    if (!found) {
      const { minX, minY, maxX, maxY } = file.getGlyph(id).path.bbox;
      const drawn = Number.isFinite(maxY);
      found = {
        width: advance(id),
        height: drawn ? Math.max(0, maxY) : 0,
        depth: drawn ? Math.max(0, -minY) : 0,
        left: drawn ? minX : 0,
        right: drawn ? maxX : 0,
        bottom: drawn ? minY : 0,
        top: drawn ? maxY : 0,
      };
      boxes.set(id, found);
    }
    return found;
  };
  const font: Font = {
    id,
    name,
    unitsPerEm: file.unitsPerEm,
    xHeight: file.xHeight,
    get quad() {
      return quadOf(font);
    },
    italic: file.italicAngle !== 0,
    math: mathTable ? readMath(mathTable) : null,
    postScript: tables.has('CFF '),
    file,
    glyph,
    box,
    advance,
    correction: (id) => (file.italicAngle === 0 ? 0 : Math.max(0, box(id).right - box(id).width)),
    kern,
    ligatures,
    scriptForm: (id, level) => scriptForms.get(id)?.[level - 1] ?? scriptForms.get(id)?.[0] ?? id,
    shape: shaper(() => font),
    textOf: (id) => {
      texts ??= glyphTexts(file, ligatures, [...scriptForms, ...capitals], font.math, glyph);
      const text = texts.get(id) ?? '';
      return SCRIPT_FILES.test(name) ? scriptLetter(text) : asDigit(text);
    },
    smallCapitals: () =>
      capitals.size === 0 ? null : withGlyphs(font, (id) => capitals.get(id)?.[0] ?? id),
  };
  return font;
}

/** A digit of the old style as the digit it is. */
function asDigit(text: string): string {
  const digit = (text.codePointAt(0) ?? 0) - OLD_STYLE_DIGITS;
  return digit >= 0 && digit < 10 ? String(digit) : text;
}

/** Shapes words in the measures of a font, each once. */
function shaper(font: () => Font): (text: string) => Shaped {
  const words = new Map<string, Shaped>();
  return (text) => {
    let found = words.get(text);
    if (!found) {
      found = shapeWord(font(), text, isTypewriter(font().name));
      words.set(text, found);
    }
    return found;
  };
}

/** The same outlines in other measures. Its id stays: what is drawn is the same. */
export function remeasured(
  font: Font,
  measures: Partial<Pick<Font, 'box' | 'kern' | 'correction' | 'xHeight' | 'math' | 'atSize'>>,
): Font {
  const other: Font = { ...font, ...measures, shape: shaper(() => other) };
  return other;
}

/** The same font with other glyphs for its characters. */
function withGlyphs(font: Font, instead: (glyph: number) => number): Font {
  const other: Font = {
    ...font,
    glyph: (code) => instead(font.glyph(code)),
    ligatures: [],
    shape: shaper(() => other),
  };
  return other;
}

/**
 * Of Latin Modern, as of Computer Modern, the long dash is an em wide, which is more than the
 * size for small and bold faces; in typewriter it is half of it. Other fonts have the size for it.
 */
function quadOf(font: Font): number {
  const dash = font.name.startsWith('lm') ? font.glyph(0x2014) : 0;
  if (dash === 0) return font.unitsPerEm;
  return font.box(dash).width * (isTypewriter(font.name) ? 2 : 1);
}

/** Fonts with script capitals at the places of the Latin ones; they copy out as what they are. */
const SCRIPT_FILES = /^katex-(script|calligraphic)$/;
const scriptLetter = (text: string): string => SCRIPT_CAPITALS[text.charCodeAt(0) - 0x41] ?? text;

const PRIVATE_USE = /^[\ue000-\uf8ff]$/;

function glyphTexts(
  file: FontkitFont,
  ligatures: readonly LigatureStep[],
  forms: Iterable<readonly [number, readonly number[]]>,
  math: MathTable | null,
  glyph: (code: number) => number,
): Map<number, string> {
  const texts = new Map<number, string>();
  const add = (id: number, text: string): void => {
    // A character of private use says nothing; what the glyph is a form of does.
    const known = texts.get(id);
    if (id !== 0 && text !== '' && (known === undefined || PRIVATE_USE.test(known)))
      texts.set(id, text);
  };
  // Compatibility forms come later in Unicode: the first code point is the plain one.
  for (const code of file.characterSet) {
    const char = String.fromCodePoint(code);
    // The ligatures' own code points copy out as the letters they join.
    add(glyph(code), code >= 0xfb00 && code <= 0xfb06 ? char.normalize('NFKC') : char);
  }
  for (const step of ligatures) {
    for (const [first, all] of step) {
      for (const { rest, glyph: id } of all) {
        add(id, [first, ...rest].map((g) => texts.get(g) ?? '').join(''));
      }
    }
  }
  // Other forms, larger ones and the first piece of an assembly stand for their character.
  for (const [base, others] of forms) for (const form of others) add(form, texts.get(base) ?? '');
  for (const growths of [math?.vertical, math?.horizontal]) {
    for (const [base, { variants, parts }] of growths ?? []) {
      const text = texts.get(base) ?? '';
      for (const variant of variants) add(variant.glyph, text);
      if (parts[0]) add(parts[0].glyph, text);
    }
  }
  return texts;
}

/** Characters to glyphs: input ligatures, the font's ligatures, then pair kerns. */
function shapeWord(font: Font, word: string, typewriter: boolean): Shaped {
  const { text, origins } = inputLigatures(word, typewriter);
  const ids: number[] = [];
  const starts: number[] = [];
  let missing: string | null = null;
  for (let i = 0; i < text.length;) {
    const code = text.codePointAt(i) as number;
    const id = font.glyph(code);
    if (id === 0 && missing === null) missing = String.fromCodePoint(code);
    ids.push(id);
    starts.push(origins ? (origins[i] as number) : i);
    i += code > 0xffff ? 2 : 1;
  }
  const { glyphs, clusters } = joinLigatures(font, ids, starts);
  const positions: number[] = [];
  let x = 0;
  let height = 0;
  let depth = 0;
  glyphs.forEach((id, i) => {
    if (i > 0) x += font.kern(glyphs[i - 1] as number, id);
    positions.push(x);
    const b = font.box(id);
    x += b.width;
    height = Math.max(height, b.height);
    depth = Math.max(depth, b.depth);
  });
  positions.push(x);
  return { glyphs, positions, clusters, width: x, height, depth, missing };
}

/** Applies each step of ligatures in turn; a ligature begins where its first character does. */
function joinLigatures(
  font: Font,
  ids: readonly number[],
  starts: readonly number[],
): { glyphs: readonly number[]; clusters: readonly number[] } {
  let glyphs = ids;
  let clusters = starts;
  for (const step of font.ligatures) {
    if (!glyphs.some((id) => step.has(id))) continue;
    const joined: number[] = [];
    const begins: number[] = [];
    for (let i = 0; i < glyphs.length;) {
      const at = i;
      const hit = step
        .get(glyphs[at] as number)
        ?.find(({ rest }) => rest.every((g, k) => glyphs[at + 1 + k] === g));
      joined.push(hit ? hit.glyph : (glyphs[at] as number));
      begins.push(clusters[at] as number);
      i += hit ? hit.rest.length + 1 : 1;
    }
    glyphs = joined;
    clusters = begins;
  }
  return { glyphs, clusters };
}
