import { glue, type Glue, gluePt, INCH, NO_GLUE, pt, PT, type Sp } from '../../base/lengths';
import type { Hyphenation, LineShape, ParagraphShape } from '../../document/blocks';
import type { FontSpec } from '../../document/font';
import type { FloatRules, PageGeometry } from '../../document/page';
import {
  declareRegister,
  getCount,
  getDimen,
  getSkip,
  setCount,
  setDimen,
  setSkip,
} from '../../expansion/registers';
import type { State } from '../../expansion/state';
import { CELLS } from './cells';
import type { Mode } from './modes';
import { OWN } from './ownNames';
import { DISPLAY_SKIPS, SMALL_DISPLAY_SKIPS, sizeNamed } from './sizes';

/** Fonts are interned, so that equal ones are the same object. */
export function fontInterner(): (font: FontSpec) => FontSpec {
  const known = new Map<string, FontSpec>();
  return (font) => {
    const key = `${font.family} ${font.series} ${font.shape} ${font.size} ${font.color} ${font.face} ${font.mathFace ?? ''} ${font.sansFace ?? ''} ${font.sansScale ?? ''} ${font.monoFace ?? ''} ${font.fixedExtension ?? ''} ${font.encoding}`;
    const found = known.get(key);
    if (found) return found;
    known.set(key, font);
    return font;
  };
}

/** The registers of the kernel, with LaTeX's initial values in pt. */
export function declareParameters(state: State): void {
  const dimens: Readonly<Record<string, Sp>> = {
    hsize: pt(345),
    textwidth: pt(345),
    linewidth: pt(345),
    columnwidth: pt(345),
    textheight: pt(550),
    paperwidth: pt(614.295),
    paperheight: pt(794.97),
    oddsidemargin: pt(62),
    evensidemargin: pt(62),
    topmargin: pt(16),
    headheight: pt(12),
    headsep: pt(25),
    footskip: pt(30),
    topskip: pt(10),
    maxdepth: pt(5),
    hoffset: 0,
    voffset: 0,
    parindent: pt(15),
    emergencystretch: 0,
    lineskiplimit: 0,
    tabcolsep: pt(6),
    arraycolsep: pt(5),
    arrayrulewidth: pt(0.4),
    fboxsep: pt(3),
    fboxrule: pt(0.4),
    mathindent: pt(25),
    jot: pt(3),
    leftmargin: pt(25),
    rightmargin: 0,
    labelwidth: pt(20),
    labelsep: pt(5),
    tabbingsep: pt(5),
    itemindent: 0,
    listparindent: 0,
    totalleftmargin: 0,
    leftmargini: pt(25),
    leftmarginii: pt(22),
    leftmarginiii: pt(18.7),
    leftmarginiv: pt(17),
    leftmarginv: pt(10),
    leftmarginvi: pt(10),
    columnsep: pt(10),
    columnseprule: 0,
    marginparwidth: pt(65),
    marginparsep: pt(11),
    marginparpush: pt(5),
    footnotesep: pt(6.65),
    doublerulesep: pt(2),
    nulldelimiterspace: pt(1.2),
    extrarowheight: 0,
    hangindent: 0,
    hfuzz: pt(0.1),
    vfuzz: pt(0.1),
    overfullrule: 0,
    normallineskiplimit: 0,
    vsize: pt(550),
    parsepamount: 0,
    bibindent: pt(15),
    LTleft: 0,
    LTright: 0,
    'dimen@': 0,
    'dimen@i': 0,
    'dimen@ii': 0,
    '@tempdima': 0,
    '@tempdimb': 0,
    '@tempdimc': 0,

    '@pnumwidth@': 0,
    maxdimen: pt(16383.99999),
    'p@': pt(1),
    'z@': 0,
    pdfpagewidth: 0,
    pdfpageheight: 0,
    unitlength: pt(1),
    normalbaselineskip: pt(12),
  };
  for (const [name, value] of Object.entries(dimens)) declareRegister(state, 'dimen', name, value);
  const skips: Readonly<Record<string, Glue>> = {
    parskip: gluePt(0, 1),
    baselineskip: gluePt(12),
    lineskip: gluePt(1),
    leftskip: NO_GLUE,
    rightskip: NO_GLUE,
    parfillskip: { ...NO_GLUE, stretch: PT, stretchOrder: 1 },
    abovedisplayskip: gluePt(10, 2, 5),
    belowdisplayskip: gluePt(10, 2, 5),
    abovedisplayshortskip: gluePt(0, 3),
    belowdisplayshortskip: gluePt(6, 3, 3),
    topsep: gluePt(8, 2, 4),
    partopsep: gluePt(2, 1, 1),
    itemsep: gluePt(4, 2, 1),
    parsep: gluePt(4, 2, 1),
    smallskipamount: gluePt(3, 1, 1),
    medskipamount: gluePt(6, 2, 2),
    bigskipamount: gluePt(12, 4, 4),
    floatsep: gluePt(12, 2, 2),
    textfloatsep: gluePt(20, 2, 4),
    intextsep: gluePt(12, 2, 2),
    dblfloatsep: gluePt(12, 2, 2),
    dbltextfloatsep: gluePt(20, 2, 4),
    abovecaptionskip: gluePt(10),
    belowcaptionskip: gluePt(0),
    multicolsep: gluePt(12, 4, 3),
    spaceskip: NO_GLUE,
    xspaceskip: NO_GLUE,
  };
  for (const [name, value] of Object.entries(skips)) declareRegister(state, 'skip', name, value);
  setSkip(state, OWN.footIns, gluePt(9, 4, 2), true);
  const counts: Readonly<Record<string, number>> = {
    pretolerance: 100,
    tolerance: 200,
    clubpenalty: 150,
    widowpenalty: 150,
    displaywidowpenalty: 50,
    interlinepenalty: 0,
    predisplaypenalty: 10000,
    postdisplaypenalty: 0,
    interdisplaylinepenalty: 10000,
    linepenalty: 10,
    hyphenpenalty: 50,
    exhyphenpenalty: 50,
    hbadness: 1000,
    vbadness: 1000,
    hangafter: 1,
    brokenpenalty: 100,
    binoppenalty: 700,
    relpenalty: 500,
    adjdemerits: 10000,
    doublehyphendemerits: 10000,
    finalhyphendemerits: 5000,
    looseness: 0,
    lefthyphenmin: 2,
    righthyphenmin: 3,
    showboxdepth: 0,
    showboxbreadth: 0,
    tracingonline: 0,
    errorcontextlines: 5,
    maxdeadcycles: 25,
    mag: 1000,
    newlinechar: 10,
    language: 0,
    floatingpenalty: 20000,
    '@tempcnta': 0,
    '@tempcntb': 0,
    'count@': 0,
    '@secpenalty': -300,
    '@lowpenalty': 51,
    '@medpenalty': 151,
    '@highpenalty': 301,
    '@itempenalty': -51,
    '@beginparpenalty': -51,
    '@endparpenalty': -51,
    time: 720,
    year: 2026,
    month: 1,
    day: 1,
    escapechar: 92,
    endlinechar: 13,
  };
  for (const [name, value] of Object.entries(counts)) declareRegister(state, 'count', name, value);
  for (const name of ['thinmuskip', 'medmuskip', 'thickmuskip'])
    declareRegister(state, 'muskip', name);
}

/** `\\@adjustvertspacing` of the classes of the American Mathematical Society, by the distance of lines. */
function adjustVerticalSpace(state: State, line: Sp): void {
  const amount = (share: number): Glue => {
    const width = Math.round(share * line);
    return { ...NO_GLUE, width, stretch: width };
  };
  const [big, medium, small] = [amount(0.7), amount(0.35), amount(0.175)];
  const skips: Readonly<Record<string, Glue>> = {
    bigskipamount: big,
    medskipamount: medium,
    smallskipamount: small,
    abovedisplayskip: medium,
    belowdisplayskip: medium,
    abovedisplayshortskip: NO_GLUE,
    belowdisplayshortskip: small,
  };
  for (const [name, skip] of Object.entries(skips)) setSkip(state, name, skip);
  setDimen(state, 'jot', Math.round(line / 4));
}

/** What `\normalsize` and its kin do besides the font: line distance and display skips. */
export function setSizeParameters(state: State, size: string, base: number): void {
  const ams = state.read(CELLS.amsSizes);
  const [, line] = sizeNamed(size, base, ams);
  const spread = Math.round(line * PT * state.read(CELLS.lineSpread));
  setSkip(state, 'baselineskip', glue(spread));
  if (ams && /^(?:small|normalsize|large|Large)$/.test(size))
    return adjustVerticalSpace(state, spread);
  if (ams) return;
  const like = Math.max(10, Math.min(12, base));
  const skips =
    size === 'normalsize'
      ? DISPLAY_SKIPS[like]
      : size === 'small'
        ? SMALL_DISPLAY_SKIPS[like]
        : undefined;
  if (!skips) return;
  const names = [
    'abovedisplayskip',
    'belowdisplayskip',
    'abovedisplayshortskip',
    'belowdisplayshortskip',
  ];
  names.forEach((name, i) => setSkip(state, name, skips[i] as Glue));
}

/**
 * The shape of a paragraph that ends here: TeX reads its parameters at the end.
 * Before a display another widow penalty counts (The TeXbook, chapter 14).
 */
export function paragraphShape(
  state: State,
  indent: Sp,
  { clubPenalty, hyphenation }: Pick<Mode, 'clubPenalty' | 'hyphenation'>,
  beforeDisplay: boolean,
): ParagraphShape {
  const width = getDimen(state, 'hsize');
  const left = getDimen(state, 'totalleftmargin');
  const alignment = state.read(CELLS.alignment);
  const fil: Glue = { ...NO_GLUE, stretch: PT, stretchOrder: 1 };
  const centred = alignment === 'center';
  return {
    width,
    left,
    right: Math.max(0, width - left - getDimen(state, 'linewidth')),
    leftSkip: centred || alignment === 'right' ? fil : getSkip(state, 'leftskip'),
    rightSkip: centred || alignment === 'left' ? fil : getSkip(state, 'rightskip'),
    fillSkip: alignment === 'justified' ? getSkip(state, 'parfillskip') : NO_GLUE,
    indent,
    baselineSkip: getSkip(state, 'baselineskip'),
    lineSkip: getSkip(state, 'lineskip'),
    lineSkipLimit: getDimen(state, 'lineskiplimit'),
    tolerance: getCount(state, 'tolerance'),
    pretolerance: getCount(state, 'pretolerance'),
    emergencyStretch: getDimen(state, 'emergencystretch'),
    clubPenalty: clubPenalty ?? getCount(state, 'clubpenalty'),
    widowPenalty: getCount(state, beforeDisplay ? 'displaywidowpenalty' : 'widowpenalty'),
    interlinePenalty: getCount(state, 'interlinepenalty'),
    costs: {
      linePenalty: getCount(state, 'linepenalty'),
      hyphenPenalty: getCount(state, 'hyphenpenalty'),
      exHyphenPenalty: getCount(state, 'exhyphenpenalty'),
      adjDemerits: getCount(state, 'adjdemerits'),
      doubleHyphenDemerits: getCount(state, 'doublehyphendemerits'),
      finalHyphenDemerits: getCount(state, 'finalhyphendemerits'),
      brokenPenalty: getCount(state, 'brokenpenalty'),
    },
    lineShapes: state.read(CELLS.parShape) ?? hangingLines(state, width, left),
    looseness: getCount(state, 'looseness'),
    hyphenation: hyphenation ?? hyphenationOf(state),
    lineNumbers: state.read(CELLS.lineNumbers),
  };
}

/** How words are divided from here on. */
export const hyphenationOf = (state: State): Hyphenation => ({
  patterns: state.read(CELLS.patterns),
  left: getCount(state, 'lefthyphenmin'),
  right: getCount(state, 'righthyphenmin'),
});

/** Of so many lines at most it is said by itself where they stand. */
export const MOST_SHAPED = 1000;

/**
 * The lines of `\hangindent` and `\hangafter` (TeX: The Program, §848 f.). In lists the kernel's own
 * `\parshape` is in force, which goes before.
 */
function hangingLines(state: State, width: Sp, left: Sp): readonly LineShape[] | null {
  const hang = getDimen(state, 'hangindent');
  if (hang === 0 || left !== 0 || getDimen(state, 'linewidth') !== width) return null;
  const after = getCount(state, 'hangafter');
  const full: LineShape = { indent: 0, width };
  const hanging: LineShape = { indent: Math.max(0, hang), width: width - Math.abs(hang) };
  const [first, then] = after < 0 ? [hanging, full] : [full, hanging];
  const count = Math.min(MOST_SHAPED, Math.abs(after));
  return [...Array.from({ length: count }, () => first), then];
}

/** What a paragraph alone has ends with it (TeX: The Program, §1070). */
export function resetParagraph(state: State): void {
  if (getDimen(state, 'hangindent') !== 0) setDimen(state, 'hangindent', 0);
  if (getCount(state, 'hangafter') !== 1) setCount(state, 'hangafter', 1);
  if (getCount(state, 'looseness') !== 0) setCount(state, 'looseness', 0);
  if (state.read(CELLS.parShape)) state.write(CELLS.parShape, null);
}

/** Paper and margins from the registers, at the start of the document. */
export function pageGeometry(state: State): PageGeometry {
  const crop = state.read(CELLS.crop);
  return {
    paperWidth: getDimen(state, 'paperwidth'),
    paperHeight: getDimen(state, 'paperheight'),
    left: INCH + getDimen(state, 'hoffset') + getDimen(state, 'oddsidemargin'),
    evenLeft: INCH + getDimen(state, 'hoffset') + getDimen(state, 'evensidemargin'),
    top:
      INCH +
      getDimen(state, 'voffset') +
      getDimen(state, 'topmargin') +
      getDimen(state, 'headheight') +
      getDimen(state, 'headsep'),
    textWidth: getDimen(state, 'textwidth'),
    textHeight: getDimen(state, 'textheight'),
    topSkip: getDimen(state, 'topskip'),
    headSep: getDimen(state, 'headsep'),
    footSkip: getDimen(state, 'footskip'),
    maxDepth: getDimen(state, 'maxdepth'),
    raggedBottom: !state.read(CELLS.flushBottom),
    twoSided: state.read(CELLS.twoSided),
    footSize: state.read(CELLS.font).size,
    floats: floatRules(state),
    ...(crop ? { crop } : {}),
  };
}

/** The text of a macro that holds a number. */
function fractionOf(state: State, name: string, fallback: number): number {
  const meaning = state.meaning(state.cell(name));
  if (meaning?.kind !== 'macro') return fallback;
  const value = parseFloat(meaning.body.map(({ text }) => text).join(''));
  return Number.isNaN(value) ? fallback : value;
}

function floatRules(state: State): FloatRules {
  return {
    topNumber: getCount(state, 'c@topnumber'),
    bottomNumber: getCount(state, 'c@bottomnumber'),
    totalNumber: getCount(state, 'c@totalnumber'),
    topFraction: fractionOf(state, 'topfraction', 0.7),
    bottomFraction: fractionOf(state, 'bottomfraction', 0.3),
    textFraction: fractionOf(state, 'textfraction', 0.2),
    pageFraction: fractionOf(state, 'floatpagefraction', 0.5),
    between: getSkip(state, 'floatsep'),
    text: getSkip(state, 'textfloatsep'),
    inText: getSkip(state, 'intextsep'),
    footnotes: getSkip(state, OWN.footIns),
    footnoteRule: !state.read(CELLS.noFootnoteRule),
  };
}
