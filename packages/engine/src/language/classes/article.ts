import { gluePt, pt, PT, type Sp } from '../../base/lengths';
import { setDimen, setSkip } from '../../expansion/registers';
import { abstractEnvironment, titleCommands } from '../constructs/title';
import { setSize } from '../constructs/fonts';
import { sections } from '../constructs/sections';
import { newCounter, setCounter } from '../counters';
import type { ClassEntry } from '../entries';
import type { Interpreter } from '../interpreter';
import { SIZES } from '../parameters';

const INCH = 72.27 * PT;

/** Paper sizes by option, in pt and mm. */
const PAPERS: Readonly<Record<string, readonly [Sp, Sp]>> = {
  letterpaper: [8.5 * INCH, 11 * INCH],
  a4paper: [(210 / 25.4) * INCH, (297 / 25.4) * INCH],
  a5paper: [(148 / 25.4) * INCH, (210 / 25.4) * INCH],
  b5paper: [(176 / 25.4) * INCH, (250 / 25.4) * INCH],
  legalpaper: [8.5 * INCH, 14 * INCH],
  executivepaper: [7.25 * INCH, 10.5 * INCH],
};

/** Text widths for one column (size10.clo, size11.clo, size12.clo), in pt. */
const TEXT_WIDTHS: Readonly<Record<number, number>> = { 10: 345, 11: 360, 12: 390 };
/** `\parindent`: 15 pt, 17 pt, 1.5 em of the 12 pt font (11.74988 pt). */
const INDENTS: Readonly<Record<number, number>> = { 10: 15, 11: 17, 12: 17.62482 };

/** Down to whole points: LaTeX's `\@settopoint`. */
const wholePoints = (length: Sp): Sp => Math.trunc(length / PT) * PT;

/** Margins and text block as the size files work them out from the paper. */
function setPage(it: Interpreter, base: number, options: readonly string[]): void {
  const paper = options.findLast((o) => o in PAPERS) ?? 'letterpaper';
  const [short, long] = PAPERS[paper] as readonly [Sp, Sp];
  const [width, height] = options.includes('landscape') ? [long, short] : [short, long];
  const line = (SIZES.normalsize?.[base]?.[1] ?? 12) * PT;
  const topSkip = base * PT;
  const textWidth = wholePoints(Math.min((TEXT_WIDTHS[base] ?? 345) * PT, width - 2 * INCH));
  const lines = Math.floor((height - 3.5 * INCH) / line);
  const textHeight = lines * line + topSkip;
  const [head, headSep, foot] = [12 * PT, 25 * PT, 30 * PT];
  const spare = height - 2 * INCH - head - headSep - textHeight - foot;
  const margin = wholePoints((width - textWidth) / 2 - INCH);
  const values: Readonly<Record<string, Sp>> = {
    paperwidth: width,
    paperheight: height,
    textwidth: textWidth,
    textheight: textHeight,
    topskip: topSkip,
    maxdepth: topSkip / 2,
    headheight: head,
    headsep: headSep,
    footskip: foot,
    oddsidemargin: margin,
    evensidemargin: margin,
    topmargin: wholePoints(spare / 2),
    parindent: pt(INDENTS[base] ?? 15),
    hsize: textWidth,
    linewidth: textWidth,
    columnwidth: textWidth,
  };
  for (const [name, value] of Object.entries(values)) setDimen(it.state, name, value, true);
}

/** `\leftmargini` and its kin in em of the text font (article.cls). */
const LIST_MARGINS: readonly (readonly [string, number])[] = [
  ['leftmargini', 2.5],
  ['leftmarginii', 2.2],
  ['leftmarginiii', 1.87],
  ['leftmarginiv', 1.7],
  ['leftmarginv', 1],
  ['leftmarginvi', 1],
];

function setup(it: Interpreter, options: readonly string[]): void {
  const base = options.includes('12pt') ? 12 : options.includes('11pt') ? 11 : 10;
  it.setFact('baseSize', base, true);
  setSize(it, 'normalsize');
  setPage(it, base, options);
  const em = it.font.size;
  for (const [name, ems] of LIST_MARGINS) setDimen(it.state, name, Math.round(ems * em), true);
  setDimen(it.state, 'labelsep', Math.round(0.5 * em), true);
  setDimen(it.state, 'mathindent', Math.round(2.5 * em), true);
  setSkip(it.state, 'parskip', gluePt(0, 1), true);
  if (options.includes('fleqn')) it.setFact('fleqn', true, true);
  if (options.includes('leqno')) it.setFact('leqno', true, true);
  newCounter(it, 'section', null);
  newCounter(it, 'subsection', 'section');
  newCounter(it, 'subsubsection', 'subsection');
  newCounter(it, 'paragraph', 'subsubsection');
  newCounter(it, 'subparagraph', 'paragraph');
  for (const name of [
    'equation',
    'figure',
    'table',
    'footnote',
    'page',
    'enumi',
    'enumii',
    'enumiii',
    'enumiv',
  ]) {
    newCounter(it, name, null);
  }
  setCounter(it.state, 'page', 1);
  it.define('thesubsection', '\\thesection.\\arabic{subsection}');
  it.define('thesubsubsection', '\\thesubsection.\\arabic{subsubsection}');
  it.define('theparagraph', '\\thesubsubsection.\\arabic{paragraph}');
  it.define('thesubparagraph', '\\theparagraph.\\arabic{subparagraph}');
  for (const [name, kind] of [
    ['enumi', 'arabic'],
    ['enumii', 'alph'],
    ['enumiii', 'roman'],
    ['enumiv', 'Alph'],
  ]) {
    it.define(`the${name}`, `\\${kind}{${name}}`);
  }
}

export const article: ClassEntry = {
  name: 'article',
  description: 'Sections without chapters: homework, proofs, notes, papers.',
  options: [
    '10pt',
    '11pt',
    '12pt',
    ...Object.keys(PAPERS),
    'landscape',
    'oneside',
    'onecolumn',
    'final',
    'draft',
    'notitlepage',
    'fleqn',
    'leqno',
    'openany',
  ],
  commands: [...sections, ...titleCommands],
  environments: [abstractEnvironment],
  macros: {
    abstractname: 'Abstract',
    refname: 'References',
    figurename: 'Figure',
    tablename: 'Table',
    contentsname: 'Contents',
  },
  setup,
};
