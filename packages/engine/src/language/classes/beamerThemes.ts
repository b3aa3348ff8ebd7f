import { INCH, PT } from '../../base/lengths';
import { setAll } from '../constructs/pageLayout';
import { blended } from '../../base/paint';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { dimenOf } from '../scanning/dimenOf';
import { keyValues } from '../scanning/optionLists';
import { textOf } from '../../expansion/tokenText';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { headOf, sideWidth } from './beamerDrawing';

/** Our own plain look: deep sea blue for titles and marks. */
export const SEA = 0x1f4e5f;

/** How slides look: what the themes of the class say, drawn in our own way. */
export interface SlideLook {
  /** Of titles, marks of items and the like. */
  readonly structure: number;
  /** Behind the titles of frames, over the whole width; null leaves them on the paper. */
  readonly bar: { readonly ground: number; readonly words: number } | null;
  /** Grounds at the foot, from the darkest to the lightest, and the words on them. */
  readonly foot: { readonly grounds: readonly [number, number, number]; readonly words: number };
  readonly footline: 'none' | 'number' | 'three' | 'two';
  /** The section and what is in it side by side; names of all sections with a dot for each frame; one below another. */
  readonly headline: 'none' | 'sections' | 'dots' | 'tree';
  /** A column with the outline. */
  readonly side: 'none' | 'left' | 'right';
  /** Signs of items. */
  readonly marks: 'triangle' | 'circle' | 'square' | 'ball';
  /** Blocks have round corners. */
  readonly round: boolean;
  /** Where titles of frames stand. */
  readonly titles: 'left' | 'center' | 'right';
  /** What the document itself puts at foot and head and behind all, as source. */
  readonly own: {
    readonly foot: readonly Token[] | null;
    readonly head: readonly Token[] | null;
    readonly behind: readonly Token[] | null;
  };
  /** Blocks with grounds behind title and text. */
  readonly filled: boolean;
  readonly ground: number | null;
}

const WHITE = 0xffffff;
const BLUE = 0x3333b3;
const DARK_RED = 0xcc0000;

/** Dark grounds of one colour, white words. */
const dark = (structure: number): Partial<SlideLook> => ({
  structure,
  bar: { ground: structure, words: WHITE },
  foot: {
    grounds: [blended(structure, 0, 0.5), blended(structure, 0, 0.75), structure],
    words: WHITE,
  },
});
/** Light grounds, words of the colour. */
const light = (structure: number): Partial<SlideLook> => ({
  structure,
  bar: { ground: blended(structure, WHITE, 0.12), words: structure },
  foot: {
    grounds: [
      blended(structure, WHITE, 0.3),
      blended(structure, WHITE, 0.2),
      blended(structure, WHITE, 0.12),
    ],
    words: structure,
  },
});

export const PLAIN_LOOK: SlideLook = {
  structure: SEA,
  bar: null,
  foot: { grounds: [WHITE, WHITE, WHITE], words: SEA },
  footline: 'none',
  headline: 'none',
  side: 'none',
  marks: 'triangle',
  round: true,
  titles: 'left',
  own: { foot: null, head: null, behind: null },
  filled: false,
  ground: null,
};

/** Colour themes of the class. */
const COLOURS: Readonly<Record<string, Partial<SlideLook>>> = {
  default: { structure: BLUE, bar: null },
  structure: {},
  whale: dark(BLUE),
  dolphin: light(BLUE),
  seahorse: light(BLUE),
  orchid: { filled: true },
  rose: { filled: true },
  lily: { filled: false },
  beaver: {
    structure: DARK_RED,
    bar: { ground: 0xf2f2f2, words: blended(DARK_RED, 0, 0.6) },
    foot: { grounds: [0xd9d9d9, 0xececec, 0xd9d9d9], words: blended(DARK_RED, 0, 0.6) },
  },
  crane: light(0xb36b00),
  wolverine: { ...light(0x1f3f8f), bar: { ground: 0xffcc33, words: 0x1f3f8f } },
  spruce: light(0x1c4220),
  monarca: light(0x2a6f97),
  albatross: { ...dark(0xffec80), ground: 0x0d0d54, bar: { ground: 0x0a0a40, words: 0xffec80 } },
  beetle: dark(0x555566),
  dove: { structure: 0, bar: null },
  seagull: { structure: 0, bar: { ground: 0xd9d9d9, words: 0 } },
  fly: dark(0x666666),
};

const INFOLINES: Partial<SlideLook> = { footline: 'three', filled: true };
const SPLIT: Partial<SlideLook> = { footline: 'two', headline: 'sections', filled: true };
const MINIFRAMES: Partial<SlideLook> = { headline: 'dots', filled: true };
const TREE: Partial<SlideLook> = { headline: 'tree', filled: true };
const SQUARE: Partial<SlideLook> = { round: false, marks: 'square' };
const BALLS: Partial<SlideLook> = { marks: 'ball' };

/** Whole themes: their lines at head and foot, their colours, their blocks. */
const THEMES: Readonly<Record<string, Partial<SlideLook>>> = {
  default: { structure: BLUE },
  boxes: { structure: BLUE },
  Madrid: { ...dark(BLUE), ...INFOLINES, ...BALLS },
  Boadilla: { ...light(BLUE), ...INFOLINES, ...BALLS },
  CambridgeUS: { ...light(0xcc0000), ...INFOLINES, ...BALLS, headline: 'sections' },
  AnnArbor: { ...COLOURS.wolverine, ...INFOLINES, ...BALLS, headline: 'sections' },
  EastLansing: { ...light(0x1c4220), ...INFOLINES, ...BALLS },
  Warsaw: { ...dark(BLUE), ...SPLIT, ...BALLS },
  Copenhagen: { ...dark(BLUE), ...SPLIT, ...BALLS },
  Luebeck: { ...dark(BLUE), ...SPLIT, ...SQUARE },
  Malmoe: { ...dark(BLUE), ...SPLIT, filled: false },
  Berlin: { ...dark(BLUE), ...MINIFRAMES, ...SQUARE, footline: 'two' },
  Ilmenau: { ...dark(BLUE), ...MINIFRAMES, ...BALLS, footline: 'two' },
  Dresden: { ...dark(BLUE), ...MINIFRAMES, filled: false, footline: 'two' },
  Darmstadt: { ...dark(BLUE), ...MINIFRAMES, ...BALLS },
  Frankfurt: { ...dark(BLUE), ...MINIFRAMES, ...BALLS },
  Singapore: { ...light(BLUE), ...MINIFRAMES, filled: false, titles: 'center', bar: null },
  Szeged: { ...light(BLUE), ...MINIFRAMES, filled: false, titles: 'center', bar: null },
  Antibes: { ...dark(BLUE), ...TREE, ...SQUARE },
  JuanLesPins: { ...dark(BLUE), ...TREE, ...BALLS },
  Montpellier: { structure: BLUE, headline: 'tree' },
  Berkeley: { ...dark(BLUE), ...SQUARE, filled: true, side: 'left' },
  PaloAlto: { ...dark(BLUE), ...BALLS, filled: true, side: 'left' },
  Goettingen: { ...light(BLUE), side: 'right', bar: null },
  Marburg: { ...dark(BLUE), ...SQUARE, filled: true, side: 'right' },
  Hannover: { ...light(BLUE), side: 'left', bar: null, titles: 'right' },
  Bergen: { ...light(BLUE), ...SQUARE, filled: true },
  Pittsburgh: { structure: BLUE, titles: 'right' },
  Rochester: { ...dark(BLUE), ...SQUARE, filled: true },
  metropolis: {
    structure: 0x23373b,
    bar: { ground: 0x23373b, words: WHITE },
    footline: 'number',
    ground: 0xfafafa,
  },
};
const OUTER: Readonly<Record<string, Partial<SlideLook>>> = {
  infolines: INFOLINES,
  split: SPLIT,
  shadow: SPLIT,
  miniframes: MINIFRAMES,
  smoothbars: MINIFRAMES,
  smoothtree: TREE,
  tree: TREE,
  sidebar: { side: 'left' },
  default: { footline: 'none', headline: 'none' },
};

/** How blocks and items look. */
const INNER: Readonly<Record<string, Partial<SlideLook>>> = {
  default: {},
  circles: { marks: 'circle' },
  rectangles: SQUARE,
  rounded: { marks: 'ball', round: true },
  inmargin: {},
};

export const LOOK = cell<SlideLook>('slidelook', PLAIN_LOOK);

export const change = (it: Interpreter, by: Partial<SlideLook>): void =>
  it.write(LOOK, { ...it.read(LOOK), ...by }, true);

/** `\usetheme[…]{name}` and its kin: one name or several; one that is not known is told of. */
const choosing = (
  name: string,
  known: Readonly<Record<string, Partial<SlideLook>>> | null,
  what: string,
  example: string,
): CommandEntry => ({
  name,
  signature: 'om',
  description: what,
  example: `\\${name}{${example}}`,
  run: (it, args, token) => {
    for (const one of textOf(it.p, tokensOf(args, 1)).split(',')) {
      const theme = known?.[one.trim()];
      if (theme) change(it, theme);
      else if (known) it.p.report('option-unknown', it.spanOf(token), { name: one.trim() });
    }
  },
});

export const themeCommands: readonly CommandEntry[] = [
  choosing('usetheme', THEMES, 'How slides look: head, foot, colours and blocks.', 'Madrid'),
  choosing('usecolortheme', COLOURS, 'The colours of slides.', 'dolphin'),
  choosing('useoutertheme', OUTER, 'What stands at head and foot of slides.', 'infolines'),
  choosing('useinnertheme', INNER, 'How blocks and marks look.', 'rounded'),
  {
    name: '@settletheme',
    signature: '',
    description: 'Before the first slide: what the theme asks of pages.',
    example: '',
    run: settle,
  },
];

/** `\setbeamersize{text margin left=8mm,text margin right=8mm}`: the text is as wide as its margins leave it. */
export function setSizes(it: Interpreter, tokens: readonly Token[]): void {
  const keys = keyValues(tokens);
  const length = (key: string, otherwise: number): number => {
    const given = keys.get(key);
    return given && given.length > 0 ? dimenOf(it, given) : otherwise;
  };
  const paper = it.dimen('paperwidth');
  const before = it.dimen('oddsidemargin') + INCH;
  const left = length('text margin left', before);
  const right = length('text margin right', paper - before - it.dimen('textwidth'));
  const width = paper - left - right;
  setAll(it, {
    textwidth: width,
    hsize: width,
    linewidth: width,
    columnwidth: width,
    oddsidemargin: left - INCH,
    evensidemargin: left - INCH,
  });
}

/** `\topmargin` below a bar: its title stands in it, so far from the paper's edge. */
const BAR_TOP = 9 * PT;

/** Before the first slide: lines at head and foot are the theme's, and titles stand in their bar. */
function settle(it: Interpreter): void {
  const look = it.read(LOOK);
  if (look === PLAIN_LOOK) return;
  it.execute(it.source('\\pagestyle{empty}'));
  makeRoom(it, look);
  const head = headOf(look) * PT;
  if (look.bar === null && head === 0) return;
  const top = Math.round(BAR_TOP + head);
  const before = INCH + it.dimen('topmargin');
  setAll(it, {
    topmargin: top - INCH,
    textheight: it.dimen('textheight') + before - top,
  });
}

/** A column with the outline takes its width from that of the text. */
function makeRoom(it: Interpreter, look: SlideLook): void {
  if (look.side === 'none') return;
  const room = Math.round(sideWidth(it.dimen('paperwidth') / PT) * PT);
  const width = it.dimen('textwidth') - room;
  const left = it.dimen('oddsidemargin') + (look.side === 'left' ? room : 0);
  setAll(it, {
    textwidth: width,
    hsize: width,
    linewidth: width,
    columnwidth: width,
    oddsidemargin: left,
    evensidemargin: left,
  });
}
