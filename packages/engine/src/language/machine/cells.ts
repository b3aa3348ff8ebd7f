import type { LineNumbers } from '../../document/lineNumbers';
import type { MathClass } from '../../document/math';
import { cell, cellsBy, flag, IN_DOCUMENT } from '../../expansion/cells';
import { BLACK, type FontFace, type FontSpec } from '../../document/font';
import type { NumberStyle, PageGeometry } from '../../document/page';
import { PT } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import type { LineShape, PatternName } from '../../document/blocks';
import type { CurrentLabel } from './counters';
import type { EnvironmentEntry } from './entries';
import type { KindNames } from './reading';

export const NORMAL_FONT: FontSpec = {
  family: 'roman',
  series: 'medium',
  shape: 'upright',
  size: 10 * PT,
  color: BLACK,
  face: 'modern',
  encoding: 'OT1',
};

export type Alignment = 'justified' | 'left' | 'center' | 'right';

/** Entries of a PDF's information dictionary (ISO 32000-1, 14.3.3). */
export type PdfInfoKey = 'title' | 'author' | 'subject' | 'keywords';

/** Token lists kept until a later point of the document. */
type Hooks = readonly (readonly Token[])[];

/** What the interpreter remembers for all constructs; what belongs to one stands in its file. */
export const CELLS = {
  font: cell<FontSpec>('font', NORMAL_FONT),
  /** What the PDF says of itself, where the document says it (`pdftitle` and its kin). */
  pdfInfo: cell<Readonly<Partial<Record<PdfInfoKey, string>>>>('pdfinfo', {}),
  /** Null until the document names one. */
  class: cell<string | null>('class', null),
  classMissing: flag('classmissing'),
  classOptions: cell<readonly string[] | null>('classoptions', null),
  packages: cell<readonly string[]>('packages', []),
  unknownPackages: cell<readonly string[]>('unknownpackages', []),
  inDocument: IN_DOCUMENT,
  ended: flag('ended'),
  geometry: cell<PageGeometry | null>('geometry', null),
  /** Room around what is on a page, where pages are no larger than that; or null. */
  crop: cell<PageGeometry['crop'] | null>('crop', null),
  baseSize: cell('basesize', 10),
  /** Sizes, and what they set besides, are those of the American Mathematical Society's classes. */
  amsSizes: flag('amssizes'),
  /** After a heading: no break, no indent. */
  afterHeading: flag('afterheading'),
  noIndentNext: flag('noindentnext'),
  /** That is so because a list or display has ended: `\\par` ends it (`\\@endpetrue`). */
  listEnded: flag('listended'),
  /** A display has just ended, and no blank line: what goes on is the same paragraph. */
  afterDisplay: flag('afterdisplay'),
  currentLabel: cell<CurrentLabel | null>('currentlabel', null),
  /** The name of the heading given out last, for \nameref. */
  currentTitle: cell('currenttitle', ''),
  /** By which patterns words are divided: those of the language. */
  patterns: cell<PatternName | null>('patterns', 'en-us'),
  /** `\parshape` of the paragraph that is being read. */
  parShape: cell<readonly LineShape[] | null>('parshape', null),
  /** How lines are numbered at the margin (package lineno). */
  lineNumbers: cell<LineNumbers | null>('linenumbers', null),
  alignment: cell<Alignment>('alignment', 'justified'),
  listDepth: cell('listdepth', 0),
  itemizeDepth: cell('itemizedepth', 0),
  enumerateDepth: cell('enumeratedepth', 0),
  french: flag('frenchspacing'),
  fleqn: flag('fleqn'),
  /** The straight quotation mark is a command of its own here (German, csquotes). */
  ownQuotes: flag('ownquotes'),
  /** Some signs of punctuation stand apart from the word before them, as in French. */
  spacedPunctuation: flag('spacedpunctuation'),
  leqno: flag('leqno'),
  lineSpread: cell('linespread', 1),
  flushBottom: flag('flushbottom'),
  twoSided: flag('twosided'),
  noFootnoteRule: flag('nofootnoterule'),
  indentFirst: flag('indentfirst'),
  pageSet: cell('pageset', 1),
  keepTextWidth: flag('keeptextwidth'),
  atBegin: cell<Hooks>('atbegin', []),
  atEnd: cell<Hooks>('atend', []),
  atEndPreamble: cell<Hooks>('atendpreamble', []),
  firstPage: cell<{ readonly value: number; readonly style: NumberStyle } | null>(
    'firstpage',
    null,
  ),
  /** The step of the frame that is being set; null outside frames. */
  overlay: cell<number | null>('overlay', null),
  overlays: cell('overlays', 1),
  /** How much is seen of what is covered now, from 0 to 1; null where nothing is. */
  veil: cell<number | null>('veil', null),
  /** The frame that is being set was read as tokens: what stands in it as it is typed was lost, but here. */
  frameOfTokens: flag('frameoftokens'),
  pauses: cell('pauses', 1),
  topFrames: flag('topframes'),
  /** The family that the document's text is set in. */
  textFamily: cell<FontSpec['family']>('textfamily', 'roman'),
  swapNumbers: flag('swapnumbers'),
  authorYear: cell<boolean | null>('authoryear', null),
  choosingStyle: flag('choosingstyle'),
  inSubfloat: flag('insubfloat'),
  inMinipage: flag('inminipage'),
  /** Lengths and numbers are read as sums (package calc). */
  calc: flag('calc'),
  /** Of slides each stands once, with all that its steps show. */
  handout: flag('handout'),
  /** A comma in a formula with no blank behind it is part of a number (package icomma). */
  numberComma: flag('numbercomma'),
  /** What characters mean in formulas instead of themselves (`\DeclareMathSymbol`). */
  mathCodes: cell<Readonly<Record<string, { readonly char: string; readonly cls: MathClass }>>>(
    'mathcodes',
    {},
  ),
  /** Formulas are bold (`\boldmath`). */
  mathBold: flag('mathbold'),
  /** A low line in text stands for itself (package underscore). */
  plainLowLine: flag('plainlowline'),
  quoteDepth: cell('quotedepth', 0),
  draft: flag('draft'),
  face: cell<FontFace>('face', 'modern'),
  /** Facts of the document as a whole, given back by the session. */
  cited: cell<readonly string[]>('cited', []),
  /** Labels of formulas that are referred to. */
  referred: cell<readonly string[]>('referred', []),
  /** Formulas that nothing refers to have no number (mathtools). */
  onlyReferred: flag('onlyreferred'),
  bibStyle: cell('bibstyleset', ''),
  /** The style that the document as a whole sets. */
  bibStyleOfAll: cell('bibstyleofall', ''),
  /** Words and their divisions (`\hyphenation`). */
  divisions: cell<ReadonlyMap<string, readonly number[]>>('divisions', new Map()),
} as const;

/** An environment's entry, by its name; undefined where the document has none or its own. */
export const environmentCell = (name: string) => ({
  name: `${ENVIRONMENT}${name}`,
  start: undefined as EnvironmentEntry | undefined,
});
/** Marks the names of environments among those of commands. */
export const ENVIRONMENT = '\u0002';

/** What a document calls a kind of thing that is counted. */
export const kindNames = cellsBy<KindNames | null>('kind', null);
