import { firstMeasures } from './listMeasures';
import { CELLS } from '../machine/cells';
import { gluePt, INCH, pt, PT, type Sp } from '../../base/lengths';
import { setDimen, setSkip } from '../../expansion/registers';
import { setSize } from './fonts';
import type { Interpreter } from '../machine/interpreter';
import { SIZES } from '../machine/sizes';
import { OWN } from '../machine/ownNames';

const MM = INCH / 25.4;

/** Paper sizes by option: short and long side. */
export const PAPERS: Readonly<Record<string, readonly [Sp, Sp]>> = {
  letterpaper: [8.5 * INCH, 11 * INCH],
  a4paper: [210 * MM, 297 * MM],
  a5paper: [148 * MM, 210 * MM],
  a3paper: [297 * MM, 420 * MM],
  b5paper: [176 * MM, 250 * MM],
  legalpaper: [8.5 * INCH, 14 * INCH],
  executivepaper: [7.25 * INCH, 10.5 * INCH],
};

/** Text widths for one column (size10.clo, size11.clo, size12.clo), in pt. */
const TEXT_WIDTHS: Readonly<Record<number, number>> = {
  10: 345,
  11: 360,
  12: 390,
  14: 430,
  17: 470,
  20: 500,
};
/** `\parindent`: 15 pt, 17 pt, 1.5 em of the 12 pt font (11.74988 pt). */
const INDENTS: Readonly<Record<number, number>> = { 10: 15, 11: 17, 12: 17.62482 };

/** Down to whole points: LaTeX's `\@settopoint`. */
export const wholePoints = (length: Sp): Sp => Math.trunc(length / PT) * PT;

/** What a class decides about its page besides paper and size. */
export interface PageKind {
  readonly base: number;
  readonly twoSide: boolean;
  readonly twoColumn: boolean;
  /** `\headsep` and `\footskip`. */
  readonly headSep: Sp;
  readonly footSkip: Sp;
}

export function paperOf(options: readonly string[]): readonly [Sp, Sp] {
  const paper = options.findLast((o) => o in PAPERS) ?? 'letterpaper';
  const [short, long] = PAPERS[paper] as readonly [Sp, Sp];
  return options.includes('landscape') ? [long, short] : [short, long];
}

/** The size option: 10, 11 or 12; with packages of further sizes 8, 9, 14, 17, 20. */
export const baseOf = (options: readonly string[]): number =>
  Number(
    /^\d+/.exec(
      options.find((option) => /^(?:8|9|10|11|12|14|17|20)pt$/.test(option)) ?? '',
    )?.[0] ?? 10,
  );

/** Margins and text block as the size files work them out from the paper. */
export function setPage(it: Interpreter, options: readonly string[], kind: PageKind): void {
  const [width, height] = paperOf(options);
  const { base, twoColumn, twoSide, headSep, footSkip } = kind;
  // A whole number of sp, as `\\baselineskip` is: the last line must just fit.
  const line = pt(SIZES.normalsize?.[base]?.[1] ?? 12);
  const topSkip = base * PT;
  const widest = (TEXT_WIDTHS[base] ?? 345) * PT * (twoColumn ? 2 : 1);
  const textWidth = wholePoints(Math.min(widest, width - 2 * INCH));
  const lines = Math.floor((height - 3.5 * INCH) / line);
  const textHeight = lines * line + topSkip;
  const head = 12 * PT;
  const spare = height - 2 * INCH - head - headSep - textHeight - footSkip;
  const margin = width - textWidth;
  const odd = wholePoints((twoSide ? 0.4 : 0.5) * margin - INCH);
  // size10.clo to size12.clo: 11 pt at 10 pt in one column, else 10 pt; 7 pt between notes at 12 pt.
  const noteSep = (base <= 10 && !twoColumn ? 11 : 10) * PT;
  const note = (twoSide ? 0.6 : 0.5) * margin - noteSep - 0.8 * INCH;
  setAll(it, {
    paperwidth: width,
    paperheight: height,
    textwidth: textWidth,
    textheight: textHeight,
    topskip: topSkip,
    maxdepth: topSkip / 2,
    headheight: head,
    headsep: headSep,
    footskip: footSkip,
    oddsidemargin: odd,
    evensidemargin: twoSide ? wholePoints(width - 2 * INCH - textWidth - odd) : odd,
    topmargin: wholePoints(spare / 2),
    parindent: twoColumn ? base * PT : pt(INDENTS[base] ?? 15),
    marginparsep: noteSep,
    marginparpush: (base >= 12 ? 7 : 5) * PT,
    marginparwidth: wholePoints(Math.min(note, 2 * INCH)),
    hsize: textWidth,
    linewidth: textWidth,
    columnwidth: textWidth,
  });
}

export function setAll(it: Interpreter, values: Readonly<Record<string, Sp>>): void {
  for (const [name, value] of Object.entries(values)) setDimen(it.state, name, value, true);
}

/** `\leftmargini` and its kin in em of the text font: one column, two columns (article.cls). */
const LIST_MARGINS: readonly (readonly [string, number, number])[] = [
  ['leftmargini', 2.5, 2],
  ['leftmarginii', 2.2, 2.2],
  ['leftmarginiii', 1.87, 1.87],
  ['leftmarginiv', 1.7, 1.7],
  ['leftmarginv', 1, 0.5],
  ['leftmarginvi', 1, 0.5],
];

/** Sizes, list margins and the space around notes and floats for a base size (size10.clo and its kin). */
export function setSizes(it: Interpreter, base: number, twoColumn: boolean): void {
  it.write(CELLS.baseSize, base, true);
  setSize(it, 'normalsize');
  const { em } = it;
  for (const [name, one, two] of LIST_MARGINS)
    setDimen(it.state, name, Math.round((twoColumn ? two : one) * em), true);
  setDimen(it.state, 'labelsep', Math.round(0.5 * em), true);
  setDimen(it.state, 'mathindent', Math.round(2.5 * em), true);
  setSkip(it.state, 'parskip', gluePt(0, 1), true);
  const note = { 10: 6.65, 11: 7.7, 12: 8.4, 14: 10, 17: 12, 20: 14 }[base] ?? 6.65;
  setDimen(it.state, 'footnotesep', pt(note), true);
  const above = { 10: 9, 11: 10, 12: 10.8 }[base] ?? 9;
  setSkip(it.state, OWN.footIns, gluePt(above, 4, 2), true);
  const { topSep, parSep, itemSep, partopSep } = firstMeasures(base);
  setSkip(it.state, 'topsep', topSep, true);
  setSkip(it.state, 'parsep', parSep, true);
  setSkip(it.state, 'itemsep', itemSep, true);
  setSkip(it.state, 'partopsep', partopSep, true);
  if (base === 12) {
    setSkip(it.state, 'floatsep', gluePt(12, 2, 4), true);
    setSkip(it.state, 'intextsep', gluePt(14, 4, 4), true);
  }
}

/** Options that every standard class takes. */
export const STANDARD_OPTIONS: readonly string[] = [
  '10pt',
  '11pt',
  '12pt',
  ...Object.keys(PAPERS),
  'landscape',
  'portrait',
  'oneside',
  'twoside',
  'onecolumn',
  'twocolumn',
  'final',
  'draft',
  'titlepage',
  'notitlepage',
  'fleqn',
  'leqno',
  'openright',
  'openany',
  'openbib',
];
