import { remeasured, type Font, type GlyphBox } from '../font';
import { metricsOf, type Design } from './design';
import { ITALIC_KERNS, ROMAN_KERNS, SANS_KERNS } from './kerns';

/** How files of Latin Modern stand for a family of Computer Modern. */
interface Kin {
  readonly file: RegExp;
  readonly design: Design;
  readonly kerns: ReadonlyMap<string, number>;
  /** The unit of a design (`u#`) by its size in pt, in 1/36 pt, where nothing but it makes the widths. */
  readonly units: Readonly<Record<number, number>>;
  /** The blank between words, in units. */
  readonly space: number;
  /** Double quotes in em by the size in pt, where not the unit but the dots make them. */
  readonly quotes?: Readonly<Record<number, number>>;
}

const NO_KERNS: ReadonlyMap<string, number> = new Map();
const ROMAN = {
  design: 'Main-Regular',
  kerns: ROMAN_KERNS,
  units: { 8: 17, 9: 18.5, 10: 20, 12: 23.5 },
  space: 6,
} as const;
const sans = (file: RegExp, design: Design, units: Kin['units'] = {}): Kin => ({
  file,
  design,
  kerns: SANS_KERNS,
  units,
  space: 6,
});

const KINDS: readonly Kin[] = [
  { file: /^lmroman(\d+)-regular$/, ...ROMAN },
  { file: /^lmromanslant(\d+)-regular$/, ...ROMAN },
  {
    file: /^lmroman(\d+)-bold$/,
    design: 'Main-Bold',
    kerns: ROMAN_KERNS,
    units: { 10: 23, 12: 27 },
    space: 6,
    // Seven units and two dots of 31/36 pt.
    quotes: { 12: (7 * 27 + 62) / 36 / 12 },
  },
  {
    file: /^lmroman(\d+)-italic$/,
    design: 'Main-Italic',
    kerns: ITALIC_KERNS,
    units: { 8: 15.8, 9: 17, 10: 18.4, 12: 21.6 },
    space: 7,
  },
  {
    file: /^lmroman(\d+)-bolditalic$/,
    design: 'Main-BoldItalic',
    kerns: ITALIC_KERNS,
    units: {},
    space: 7,
  },
  sans(/^lmsans(\d+)-regular$/, 'SansSerif-Regular', ROMAN.units),
  sans(/^lmsans(\d+)-oblique$/, 'SansSerif-Italic', ROMAN.units),
  sans(/^lmsans(\d+)-bold$/, 'SansSerif-Bold'),
  {
    file: /^lmmono(\d+)-regular$/,
    design: 'Typewriter-Regular',
    kerns: NO_KERNS,
    units: { 8: 17, 9: 18.9, 10: 21, 12: 24.7 },
    space: 9,
  },
];

const SPACE = 0x20;
const SMALL_X = 0x78;
const [CAPITAL_A, CAPITAL_V] = [0x41, 0x56];
/** A and V stand two units closer in every design that kerns; files tell it to 1/1000 em. */
const unitByKern = (font: Font): number =>
  -font.kern(font.glyph(CAPITAL_A), font.glyph(CAPITAL_V)) / 2;

/** The widths of the files are those of Computer Modern, rounded to 1/1000 em. */
const ROUNDED = 0.75;
/** But for the double quotes, which Latin Modern draws narrower. */
const QUOTES: ReadonlySet<number> = new Set([0x201c, 0x201d]);

/**
 * A font of Latin Modern in the measures of Computer Modern, as the standard run has them under
 * OT1: kerns of its own, widths that are not rounded, heights and depths as the metrics tell them
 * and not as the outlines reach. Null when it stands for no font of that family.
 */
export function asComputerModern(font: Font): Font | null {
  const kin = KINDS.find(({ file }) => file.test(font.name));
  if (!kin) return null;
  const size = Number(kin.file.exec(font.name)?.[1]);
  const em = font.unitsPerEm;
  const metrics = metricsOf(kin.design);
  const exact = kin.units[size];
  const unit = exact === undefined ? unitByKern(font) : (unitInPoints(exact) * em) / size;
  const box = boxesOf(font, kin, size, exact === undefined ? null : unit);
  const kern = kernsOf(font, kin.kerns, unit);
  const xHeight = (metrics.get(SMALL_X)?.height ?? 0) * em;
  const corrections = new Map<number, number>();
  // In upright type it is what its metrics say too: `f\\/` moves on there as well.
  for (const [code, { italic }] of metrics) corrections.set(font.glyph(code), italic * em);
  const isKnown = !font.name.startsWith('lmromanslant');
  const correction = (glyph: number): number =>
    (isKnown ? corrections.get(glyph) : undefined) ?? font.correction(glyph);
  return remeasured(font, { box, kern, correction, xHeight });
}

/** Glyph numbers are below that. */
const GLYPHS = 0x10000;

function kernsOf(font: Font, kerns: ReadonlyMap<string, number>, unit: number): Font['kern'] {
  const byGlyphs = new Map<number, number>();
  for (const [[left = '', right = ''], by] of kerns) {
    const [before, after] = [left, right].map((char) => font.glyph(char.codePointAt(0) ?? 0));
    if (before && after) byGlyphs.set(before * GLYPHS + after, by * unit);
  }
  return (left, right) => byGlyphs.get(left * GLYPHS + right) ?? 0;
}

/** A unit as the programs of the fonts reckon it, in 1/65,536 pt. */
const unitInPoints = (unit: number): number => Math.round((unit / 36) * 0x10000) / 0x10000;

/**
 * Widths are so many units, in twentieths; the metrics have that to 2⁻²⁰ em, which may decide where
 * a line ends. `ten` is told to five places; null when it is no such number.
 *
 * @returns the width at the size, in em
 */
function exactWidth(ten: number, unitOfTen: number, unit: number, size: number): number | null {
  const one = unitInPoints(unitOfTen) / 10;
  const units = Math.round((ten / one) * 20) / 20;
  if (Math.abs(units * one - ten) > 1e-5) return null;
  return Math.round(((units * unitInPoints(unit)) / size) * 2 ** 20) / 2 ** 20;
}

/** The boxes of the characters that the metrics know; others have their own. */
function boxesOf(font: Font, kin: Kin, size: number, unit: number | null): Font['box'] {
  const em = font.unitsPerEm;
  const metrics = metricsOf(kin.design);
  const ten = kin.units[10];
  const atSize = kin.units[size];
  // Where the unit alone makes the widths, those of other sizes follow from those of ten point.
  const share =
    size === 10 ? 1 : unit === null || ten === undefined ? null : unit / ((ten / 360) * em);
  const boxes = new Map<number, GlyphBox>();
  const space = font.glyph(SPACE);
  const widthOf = (code: number, own: number): number => {
    const known = kin.quotes?.[size];
    if (QUOTES.has(code) && known !== undefined) return known * em;
    if (share === null || ten === undefined || atSize === undefined) return own;
    const ofTen = metrics.get(code)?.width ?? 0;
    const width = (exactWidth(ofTen, ten, atSize, size) ?? ofTen * share) * em;
    return QUOTES.has(code) || Math.abs(width - own) <= ROUNDED ? width : own;
  };
  const codes = new Map<number, number>();
  for (const code of metrics.keys())
    if (code !== SPACE && font.glyph(code) !== 0) codes.set(font.glyph(code), code);
  const boxOf = (glyph: number): GlyphBox => {
    const own = font.box(glyph);
    if (glyph === space && unit !== null) return { ...own, width: kin.space * unit };
    const code = codes.get(glyph);
    const known = code === undefined ? undefined : metrics.get(code);
    if (code === undefined || !known) return own;
    const { height, depth } = known;
    return {
      ...own,
      width: widthOf(code, own.width),
      height: Math.max(0, height * em),
      depth: Math.max(0, depth * em),
    };
  };
  return (glyph) => {
    const known = boxes.get(glyph) ?? boxOf(glyph);
    boxes.set(glyph, known);
    return known;
  };
}
