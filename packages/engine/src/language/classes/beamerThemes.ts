import { INCH, PT, type Sp } from '../../base/lengths';
import { setAll } from '../constructs/pageLayout';
import { blended } from '../../base/paint';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { Cat } from '../../tokens/categories';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { quietEntry } from '../machine/macroEntry';
import { colourOf } from '../scanning/colours';
import { keyValues } from '../scanning/optionLists';

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
  readonly headline: 'none' | 'sections';
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
const MINIFRAMES: Partial<SlideLook> = { headline: 'sections', filled: true };

/** Whole themes: their lines at head and foot, their colours, their blocks. */
const THEMES: Readonly<Record<string, Partial<SlideLook>>> = {
  default: { structure: BLUE },
  boxes: { structure: BLUE },
  Madrid: { ...dark(BLUE), ...INFOLINES },
  Boadilla: { ...light(BLUE), ...INFOLINES },
  CambridgeUS: { ...light(0xcc0000), ...INFOLINES, headline: 'sections' },
  AnnArbor: { ...COLOURS.wolverine, ...INFOLINES, headline: 'sections' },
  EastLansing: { ...light(0x1c4220), ...INFOLINES },
  Warsaw: { ...dark(BLUE), ...SPLIT },
  Copenhagen: { ...dark(BLUE), ...SPLIT },
  Luebeck: { ...dark(BLUE), ...SPLIT },
  Malmoe: { ...dark(BLUE), ...SPLIT },
  Berlin: { ...dark(BLUE), ...MINIFRAMES },
  Ilmenau: { ...dark(BLUE), ...MINIFRAMES, footline: 'two' },
  Dresden: { ...dark(BLUE), ...MINIFRAMES, footline: 'two' },
  Darmstadt: { ...dark(BLUE), ...MINIFRAMES },
  Frankfurt: { ...dark(BLUE), ...MINIFRAMES },
  Singapore: { ...light(BLUE), ...MINIFRAMES },
  Szeged: { ...light(BLUE), ...MINIFRAMES },
  Antibes: { ...dark(BLUE), ...MINIFRAMES },
  JuanLesPins: { ...dark(BLUE), ...MINIFRAMES },
  Montpellier: { structure: BLUE, headline: 'sections' },
  Berkeley: { ...dark(BLUE), filled: true },
  PaloAlto: { ...dark(BLUE), filled: true },
  Goettingen: { ...light(BLUE), filled: true },
  Marburg: { ...dark(BLUE), filled: true },
  Hannover: { ...light(BLUE), filled: true },
  Bergen: { ...dark(BLUE), filled: true },
  Pittsburgh: { structure: BLUE },
  Rochester: { ...dark(BLUE), filled: true },
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
  smoothtree: MINIFRAMES,
  tree: MINIFRAMES,
  sidebar: {},
  default: { footline: 'none', headline: 'none' },
};

export const LOOK = cell<SlideLook>('slidelook', PLAIN_LOOK);

const change = (it: Interpreter, by: Partial<SlideLook>): void =>
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

/** `\setbeamercolor{frametitle}{fg=white,bg=blue}`. */
function setColour(it: Interpreter, name: string, value: readonly Token[]): void {
  const keys = keyValues(value);
  const paint = (key: string): number | null => {
    const given = keys.get(key);
    return given && given.length > 0 ? colourOf(it, null, given) : null;
  };
  const [words, ground] = [paint('fg'), paint('bg')];
  const look = it.read(LOOK);
  if (name === 'structure' && words !== null) change(it, { structure: words });
  if (/^(?:frametitle|titlelike|palette primary)$/.test(name)) {
    const bar = look.bar ?? { ground: WHITE, words: look.structure };
    if (ground !== null) change(it, { bar: { ground, words: words ?? bar.words } });
    else if (words !== null && look.bar) change(it, { bar: { ...look.bar, words } });
    else if (words !== null) change(it, { structure: words });
  }
  if (name === 'background canvas' && ground !== null) change(it, { ground });
  if (/^block title/.test(name) && ground !== null) change(it, { filled: true });
}

/** `\setbeamertemplate{footline}[frame number]`: of templates those of head and foot. */
function setTemplate(it: Interpreter, args: readonly (readonly Token[] | null | boolean)[]): void {
  const name = textOf(it.p, tokensOf(args, 0));
  const option = args[1] ? tokensText(tokensOf(args, 1)).trim() : null;
  const next = it.p.nextNonBlank();
  if (next) it.p.unread(next);
  const body =
    next?.cat === Cat.Begin && option === null
      ? it.readArguments('M', it.p.command('setbeamertemplate'))
      : null;
  const isEmpty = body !== null && tokensOf(body, 0).length === 0;
  if (name === 'footline') {
    if (option !== null && /number/.test(option)) change(it, { footline: 'number' });
    else if (option !== null && /infolines|author/.test(option)) change(it, { footline: 'three' });
    else if (isEmpty) change(it, { footline: 'none' });
  }
  if (name === 'headline' && isEmpty) change(it, { headline: 'none' });
  if (name === 'blocks' && option !== null) change(it, { filled: option !== 'default' });
}

export const themeCommands: readonly CommandEntry[] = [
  choosing('usetheme', THEMES, 'How slides look: head, foot, colours and blocks.', 'Madrid'),
  choosing('usecolortheme', COLOURS, 'The colours of slides.', 'dolphin'),
  choosing('useoutertheme', OUTER, 'What stands at head and foot of slides.', 'infolines'),
  choosing('useinnertheme', null, 'How blocks and marks look.', 'rounded'),
  choosing('usefonttheme', null, 'The type of slides.', 'serif'),
  {
    name: 'setbeamercolor',
    signature: 'smm',
    description: 'The colours of a part of slides: fg for its words, bg for its ground.',
    example: '\\setbeamercolor{structure}{fg=red}',
    run: (it, args) => setColour(it, textOf(it.p, tokensOf(args, 1)), tokensOf(args, 2)),
  },
  {
    name: 'setbeamertemplate',
    signature: 'mo',
    description: 'How a part of slides is made; of those at head and foot.',
    example: '\\setbeamertemplate{footline}[frame number]',
    run: (it, args) => setTemplate(it, args),
  },
  {
    name: '@settletheme',
    signature: '',
    description: 'Before the first slide: what the theme asks of pages.',
    example: '',
    run: settle,
  },
  quietEntry('setbeamerfont', 'mm', 'The type of a part of slides.'),
];

/** How high lines at head and foot are, pt. */
const LINE = 9.5;
/** The height of the line at the head of a look, pt. */
export const headOf = ({ headline }: SlideLook): number => (headline === 'sections' ? LINE : 0);

/** `\topmargin` below a bar: its title stands in it, so far from the paper's edge. */
const BAR_TOP = 9 * PT;

/** Before the first slide: lines at head and foot are the theme's, and titles stand in their bar. */
function settle(it: Interpreter): void {
  const look = it.read(LOOK);
  if (look === PLAIN_LOOK) return;
  it.execute(it.source('\\pagestyle{empty}'));
  const head = headOf(look) * PT;
  if (look.bar === null && head === 0) return;
  const top = Math.round(BAR_TOP + head);
  const before = INCH + it.dimen('topmargin');
  setAll(it, {
    topmargin: top - INCH,
    textheight: it.dimen('textheight') + before - top,
  });
}

/** A colour as source. */
const rgb = (colour: number): string =>
  `\\color[RGB]{${(colour >> 16) & 255},${(colour >> 8) & 255},${colour & 255}}`;
const fill = (x: number, y: number, width: number, height: number, colour: number): string =>
  `\\put(${x},${y}){${rgb(colour)}\\rule{${width}pt}{${height}pt}}`;
const said = (
  x: number,
  y: number,
  width: number,
  align: string,
  colour: number,
  text: string,
): string =>
  `\\put(${x},${y}){\\makebox[${width}pt][${align}]{${rgb(colour)}\\fontsize{6}{7}\\selectfont ${text}}}`;

const NUMBER = '\\insertframenumber\\,/\\,\\inserttotalframenumber';

/** What stands on the paper of a slide besides what is written: ground, bar, head and foot; as `\put` in pt. */
export function slideBackdrop(
  look: SlideLook,
  width: Sp,
  height: Sp,
  barHeight: number,
  plain: boolean,
): string {
  const [w, h] = [width / PT, height / PT];
  const parts: string[] = [];
  if (look.ground !== null) parts.push(fill(0, 0, w, h, look.ground));
  const [deep, middle, pale] = look.foot.grounds;
  const { words } = look.foot;
  const head = plain ? 0 : headOf(look);
  if (look.bar && barHeight > 0) parts.push(fill(0, h - barHeight, w, barHeight, look.bar.ground));
  if (head > 0)
    parts.push(
      fill(0, h - head, w / 2, head, deep),
      fill(w / 2, h - head, w / 2, head, pale),
      said(0, h - head + 2.8, w / 2 - 6, 'r', words, '\\insertsectionhead'),
      said(w / 2 + 6, h - head + 2.8, w / 2, 'l', words, '\\insertsubsectionhead'),
    );
  if (plain) return parts.join('');
  if (look.footline === 'three')
    parts.push(
      fill(0, 0, w / 3, LINE, deep),
      fill(w / 3, 0, w / 3, LINE, middle),
      fill((2 * w) / 3, 0, w / 3, LINE, pale),
      said(0, 2.8, w / 3, 'c', words, '\\insertshortauthor\\@shortinstitute'),
      said(w / 3, 2.8, w / 3, 'c', words, '\\insertshorttitle'),
      said((2 * w) / 3, 2.8, w / 3 - 8, 'r', words, `\\insertshortdate\\hspace*{2em}${NUMBER}`),
    );
  else if (look.footline === 'two')
    parts.push(
      fill(0, 0, w / 2, LINE, deep),
      fill(w / 2, 0, w / 2, LINE, pale),
      said(0, 2.8, w / 2 - 6, 'r', words, '\\insertshortauthor'),
      said(w / 2 + 6, 2.8, w / 2, 'l', words, '\\insertshorttitle'),
    );
  else if (look.footline === 'number') parts.push(said(0, 6, w - 12, 'r', look.structure, NUMBER));
  return parts.join('');
}
