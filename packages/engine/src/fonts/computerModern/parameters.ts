import { PT, type Sp } from '../../base/lengths';
import { superscriptShift } from '../../base/mathSizes';
import type { MathConstants, MathParameters } from '../tables/math';

/** `\fontdimen` 8 to 19 and 6 of the symbol fonts (cmsy5 to cmsy10), in pt (The TeXbook, appendix G). */
interface Symbols {
  readonly num1: number;
  readonly num2: number;
  readonly num3: number;
  readonly denom1: number;
  readonly denom2: number;
  readonly sup1: number;
  readonly sup3: number;
  readonly sub1: number;
  readonly sub2: number;
  readonly supDrop: number;
  readonly delim2: number;
  readonly quad: number;
  /** Thickness of rules, of the extension font that goes with them (cmex7 to cmex10). */
  readonly rule: number;
}

const NAMES = [
  'num1',
  'num2',
  'num3',
  'denom1',
  'denom2',
  'sup1',
  'sup3',
  'sub1',
  'sub2',
  'supDrop',
  'delim2',
  'quad',
  'rule',
] as const;

/**
 * By size in pt, the smallest first. The scripts of a size reach as high as its strut does in each
 * design: `sup1` is that height less what a letter of the scripts' size rises. What is not known
 * of the sizes between lies evenly between its neighbours.
 */
const ROWS: readonly (readonly [size: number, ...values: number[]])[] = [
  [5, 4.625, 1.935, 2.52, 5.125, 2.66, 2.5178, 1.47, 1, 2, 2.4722, 7.1, 7.36, 0.245],
  [6, 4.87, 2.31, 2.91, 5.19, 2.53, 3.0178, 1.74, 1, 2, 2.4722, 7.6, 7.78, 0.294],
  [7, 5.124, 2.688, 3.297, 5.264, 2.408, 3.5178, 2, 1, 2, 2.4722, 8.1, 8.197, 0.343],
  [8, 5.67, 3.1, 3.68, 5.8, 2.76, 3.3233, 2.3, 1.17, 2, 3.1667, 8.77, 8.5, 0.362],
  [9, 6.22, 3.52, 4.06, 6.33, 3.1, 4.3233, 2.6, 1.33, 2, 3.1667, 9.43, 9.25, 0.381],
  [
    10, 6.76508, 3.93732, 4.43731, 6.85951, 3.44841, 4.12892, 2.88889, 1.5, 2.47217, 3.86108, 10.1,
    10.00003, 0.39999,
  ],
];

/** The same in all sizes, in em: x-height of cmsy10, and the spaces around limits of cmex10. */
const X_HEIGHT = 0.430555;
const [ABOVE, BELOW, RISE, DROP, AROUND] = [0.111112, 0.166667, 0.2, 0.6, 0.1];

/** The parameters of a size in pt, in em: those of the design it is made from. */
function inEm(size: number): Symbols {
  const row = ROWS.findLast(([design]) => design <= size + NEARLY) ?? ROWS[0];
  const [design = 1, ...values] = row ?? [];
  return Object.fromEntries(
    NAMES.map((name, i) => [name, (values[i] ?? 0) / design]),
  ) as unknown as Symbols;
}
const NEARLY = 0.05;
/** Of the extension font at ten point. */
const FIXED_RULE = 0.39999;
/** `sub_drop`, half a point in every design; and the half point behind scripts (`\\scriptspace`). */
const SUB_DROP = 0.5;
const BEHIND_SCRIPTS = 0.5;

/**
 * The parameters of Computer Modern under the names of the MATH table, whose constants were made
 * after them (OpenType 1.9, "MathConstants"; The TeXbook, appendix G).
 */
export function parametersAt(
  size: Sp,
  own: MathConstants,
  em: number,
  fixedExtension = false,
): MathParameters {
  const pt = size / PT;
  // What the extension font says is in its own size.
  const large = fixedExtension ? 10 / pt : 1;
  const p = { ...inEm(pt), ...(fixedExtension ? { rule: FIXED_RULE / pt } : {}) };
  const named: Partial<MathConstants> = {
    accentBaseHeight: X_HEIGHT,
    subscriptShiftDown: p.sub2,
    subscriptTopMax: 0.8 * X_HEIGHT,
    subscriptBaselineDropMin: SUB_DROP / Math.min(pt, 10),
    superscriptShiftUp: superscriptShift(size) / size,
    superscriptShiftUpCramped: p.sup3,
    superscriptBottomMin: X_HEIGHT / 4,
    superscriptBaselineDropMax: p.supDrop,
    subSuperscriptGapMin: 4 * p.rule,
    superscriptBottomMaxWithSubscript: 0.8 * X_HEIGHT,
    spaceAfterScript: BEHIND_SCRIPTS / pt,
    upperLimitGapMin: large * ABOVE,
    upperLimitBaselineRiseMin: large * RISE,
    lowerLimitGapMin: large * BELOW,
    lowerLimitBaselineDropMin: large * DROP,
    stackTopShiftUp: p.num3,
    stackTopDisplayStyleShiftUp: p.num1,
    stackBottomShiftDown: p.denom2,
    stackBottomDisplayStyleShiftDown: p.denom1,
    stackGapMin: 3 * p.rule,
    stackDisplayStyleGapMin: 7 * p.rule,
    fractionNumeratorShiftUp: p.num2,
    fractionNumeratorDisplayStyleShiftUp: p.num1,
    fractionDenominatorShiftDown: p.denom2,
    fractionDenominatorDisplayStyleShiftDown: p.denom1,
    fractionNumeratorGapMin: p.rule,
    fractionNumDisplayStyleGapMin: 3 * p.rule,
    fractionRuleThickness: p.rule,
    fractionDenominatorGapMin: p.rule,
    fractionDenomDisplayStyleGapMin: 3 * p.rule,
    overbarVerticalGap: 3 * p.rule,
    overbarRuleThickness: p.rule,
    overbarExtraAscender: p.rule,
    underbarVerticalGap: 3 * p.rule,
    underbarRuleThickness: p.rule,
    underbarExtraDescender: p.rule,
    radicalVerticalGap: 1.25 * p.rule,
    radicalDisplayStyleVerticalGap: p.rule + X_HEIGHT / 4,
    radicalRuleThickness: p.rule,
    radicalExtraAscender: p.rule,
  };
  const constants = { ...own };
  for (const [name, value] of Object.entries(named))
    constants[name as keyof MathConstants] = value * em;
  return {
    constants,
    quad: p.quad * em,
    aroundLimits: large * AROUND * em,
    displaySuperscript: p.sup1 * em,
    loneSubscript: p.sub1 * em,
    fractionBrackets: p.delim2 * em,
  };
}
