import type { Sp } from '../../base/lengths';
import { readCoverage } from './common';
import { sub } from './sfnt';

/** The MATH table's constants, in their order in the font (OpenType 1.9, "MathConstants"). */
const PERCENTS = ['scriptPercentScaleDown', 'scriptScriptPercentScaleDown'] as const;
const HEIGHTS = ['delimitedSubFormulaMinHeight', 'displayOperatorMinHeight'] as const;
const VALUES = [
  'mathLeading',
  'axisHeight',
  'accentBaseHeight',
  'flattenedAccentBaseHeight',
  'subscriptShiftDown',
  'subscriptTopMax',
  'subscriptBaselineDropMin',
  'superscriptShiftUp',
  'superscriptShiftUpCramped',
  'superscriptBottomMin',
  'superscriptBaselineDropMax',
  'subSuperscriptGapMin',
  'superscriptBottomMaxWithSubscript',
  'spaceAfterScript',
  'upperLimitGapMin',
  'upperLimitBaselineRiseMin',
  'lowerLimitGapMin',
  'lowerLimitBaselineDropMin',
  'stackTopShiftUp',
  'stackTopDisplayStyleShiftUp',
  'stackBottomShiftDown',
  'stackBottomDisplayStyleShiftDown',
  'stackGapMin',
  'stackDisplayStyleGapMin',
  'stretchStackTopShiftUp',
  'stretchStackBottomShiftDown',
  'stretchStackGapAboveMin',
  'stretchStackGapBelowMin',
  'fractionNumeratorShiftUp',
  'fractionNumeratorDisplayStyleShiftUp',
  'fractionDenominatorShiftDown',
  'fractionDenominatorDisplayStyleShiftDown',
  'fractionNumeratorGapMin',
  'fractionNumDisplayStyleGapMin',
  'fractionRuleThickness',
  'fractionDenominatorGapMin',
  'fractionDenomDisplayStyleGapMin',
  'skewedFractionHorizontalGap',
  'skewedFractionVerticalGap',
  'overbarVerticalGap',
  'overbarRuleThickness',
  'overbarExtraAscender',
  'underbarVerticalGap',
  'underbarRuleThickness',
  'underbarExtraDescender',
  'radicalVerticalGap',
  'radicalDisplayStyleVerticalGap',
  'radicalRuleThickness',
  'radicalExtraAscender',
  'radicalKernBeforeDegree',
  'radicalKernAfterDegree',
] as const;

export type MathConstantName =
  | (typeof PERCENTS)[number]
  | (typeof HEIGHTS)[number]
  | (typeof VALUES)[number]
  | 'radicalDegreeBottomRaisePercent';
export type MathConstants = Readonly<Record<MathConstantName, number>>;

/** A larger form of a glyph; `advance` is its size along the direction of growth. */
export interface Variant {
  readonly glyph: number;
  readonly advance: number;
}

/** One piece of a glyph put together to any size. */
export interface AssemblyPart {
  readonly glyph: number;
  readonly startConnector: number;
  readonly endConnector: number;
  readonly fullAdvance: number;
  readonly extender: boolean;
}

export interface Growth {
  readonly variants: readonly Variant[];
  readonly parts: readonly AssemblyPart[];
  readonly italics: number;
}

/** A staircase of kerns at one corner of a glyph: `kerns[i]` below `heights[i]`. */
export interface MathKern {
  readonly heights: readonly number[];
  readonly kerns: readonly number[];
}
export interface CornerKerns {
  readonly topRight: MathKern | null;
  readonly topLeft: MathKern | null;
  readonly bottomRight: MathKern | null;
  readonly bottomLeft: MathKern | null;
}

/** What the table has once for all sizes, at one size; in font units. */
export interface MathParameters {
  readonly constants: MathConstants;
  /** Eighteen mu. */
  readonly quad: number;
  /** Kept clear above and below limits (`big_op_spacing5`). */
  readonly aroundLimits: number;
  /** A superscript in a display, and a subscript without a superscript. */
  readonly displaySuperscript: number;
  readonly loneSubscript: number;
  /** Brackets around a fraction that is not in a display (`delim2`). */
  readonly fractionBrackets: number;
}

/** The MATH table, all lengths in font units. */
export interface MathTable {
  readonly constants: MathConstants;
  readonly italics: ReadonlyMap<number, number>;
  readonly accentAttachment: ReadonlyMap<number, number>;
  readonly kerns: ReadonlyMap<number, CornerKerns>;
  readonly minConnectorOverlap: number;
  readonly vertical: ReadonlyMap<number, Growth>;
  readonly horizontal: ReadonlyMap<number, Growth>;
  /** Of a family whose sizes have parameters of their own. */
  readonly parametersAt?: (size: Sp, fixedExtension: boolean) => MathParameters;
}

/** A table that says nothing. */
export const NO_MATH: MathTable = {
  constants: new Proxy({} as MathConstants, { get: () => 0 }),
  italics: new Map(),
  accentAttachment: new Map(),
  kerns: new Map(),
  minConnectorOverlap: 0,
  vertical: new Map(),
  horizontal: new Map(),
};

/** Reads the MATH table (OpenType 1.9, "MATH — The Mathematical Typesetting Table"). */
export function readMath(view: DataView): MathTable {
  const info = sub(view, view.getUint16(6));
  const variants = sub(view, view.getUint16(8));
  const at = (offset: number): DataView | null =>
    info.getUint16(offset) ? sub(info, info.getUint16(offset)) : null;
  return {
    constants: readConstants(sub(view, view.getUint16(4))),
    italics: readValues(at(0)),
    accentAttachment: readValues(at(2)),
    kerns: readKerns(at(6)),
    minConnectorOverlap: variants.getUint16(0),
    vertical: readGrowths(variants, variants.getUint16(2), variants.getUint16(6), 10),
    horizontal: readGrowths(
      variants,
      variants.getUint16(4),
      variants.getUint16(8),
      10 + 2 * variants.getUint16(6),
    ),
  };
}

function readConstants(view: DataView): MathConstants {
  const out: Partial<Record<MathConstantName, number>> = {};
  let at = 0;
  for (const name of PERCENTS) {
    out[name] = view.getInt16(at);
    at += 2;
  }
  for (const name of HEIGHTS) {
    out[name] = view.getUint16(at);
    at += 2;
  }
  for (const name of VALUES) {
    out[name] = view.getInt16(at);
    at += 4; // a value and the offset of its device table
  }
  out.radicalDegreeBottomRaisePercent = view.getInt16(at);
  return exchanged(out as MathConstants);
}

/**
 * A font may hold the two upper-limit measures in each other's place (Latin Modern Math
 * does): the rise to the baseline is never less than the gap.
 */
function exchanged(constants: MathConstants): MathConstants {
  const { upperLimitGapMin: gap, upperLimitBaselineRiseMin: rise } = constants;
  if (rise >= gap) return constants;
  return { ...constants, upperLimitGapMin: rise, upperLimitBaselineRiseMin: gap };
}

function readValues(view: DataView | null): Map<number, number> {
  const out = new Map<number, number>();
  if (!view) return out;
  readCoverage(sub(view, view.getUint16(0))).forEach((glyph, i) => {
    out.set(glyph, view.getInt16(4 + 4 * i));
  });
  return out;
}

function readKerns(view: DataView | null): Map<number, CornerKerns> {
  const out = new Map<number, CornerKerns>();
  if (!view) return out;
  readCoverage(sub(view, view.getUint16(0))).forEach((glyph, i) => {
    const corner = (k: number): MathKern | null => {
      const offset = view.getUint16(4 + 8 * i + 2 * k);
      return offset ? readKern(sub(view, offset)) : null;
    };
    out.set(glyph, {
      topRight: corner(0),
      topLeft: corner(1),
      bottomRight: corner(2),
      bottomLeft: corner(3),
    });
  });
  return out;
}

function readKern(view: DataView): MathKern {
  const count = view.getUint16(0);
  const heights = Array.from({ length: count }, (_, i) => view.getInt16(2 + 4 * i));
  const kerns = Array.from({ length: count + 1 }, (_, i) => view.getInt16(2 + 4 * count + 4 * i));
  return { heights, kerns };
}

function readGrowths(
  view: DataView,
  coverage: number,
  count: number,
  first: number,
): Map<number, Growth> {
  const out = new Map<number, Growth>();
  if (coverage === 0) return out;
  const glyphs = readCoverage(sub(view, coverage));
  for (let i = 0; i < count; i++) {
    out.set(glyphs[i] as number, readGrowth(sub(view, view.getUint16(first + 2 * i))));
  }
  return out;
}

function readGrowth(view: DataView): Growth {
  const variants = Array.from({ length: view.getUint16(2) }, (_, i) => ({
    glyph: view.getUint16(4 + 4 * i),
    advance: view.getUint16(6 + 4 * i),
  }));
  const offset = view.getUint16(0);
  if (offset === 0) return { variants, parts: [], italics: 0 };
  const assembly = sub(view, offset);
  const parts = Array.from({ length: assembly.getUint16(4) }, (_, i) => {
    const at = 6 + 10 * i;
    return {
      glyph: assembly.getUint16(at),
      startConnector: assembly.getUint16(at + 2),
      endConnector: assembly.getUint16(at + 4),
      fullAdvance: assembly.getUint16(at + 6),
      extender: (assembly.getUint16(at + 8) & 1) === 1,
    };
  });
  return { variants, parts, italics: assembly.getInt16(0) };
}
