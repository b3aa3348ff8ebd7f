import { CELLS } from '../machine/cells';
import { PT, type Sp } from '../../base/lengths';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { dimenOf } from '../scanning/dimenOf';
import type { FontSpec } from '../../document/font';
import type { MathAlphabet } from '../../document/math';
import { type CommandEntry, tokensOf } from '../machine/entries';
import type { Interpreter } from '../machine/interpreter';
import { heedBaselineStretch, setLineDistance } from '../machine/lineSpacing';
import { setSizeParameters } from '../machine/parameters';
import { sizeNamed, SIZES } from '../machine/sizes';
import { OWN } from '../machine/ownNames';

type FontChange = (font: FontSpec) => Partial<FontSpec>;

const NORMAL: Partial<FontSpec> = { family: 'roman', series: 'medium', shape: 'upright' };
const emphasis: FontChange = (font) => ({ shape: font.shape === 'upright' ? 'italic' : 'upright' });
const fixed =
  (change: Partial<FontSpec>): FontChange =>
  () =>
    change;

/** Command with an argument, switch, old-style switch, change, what it does. */
const FONTS: readonly (readonly [
  string | null,
  string | null,
  string | null,
  FontChange,
  string,
])[] = [
  ['textbf', 'bfseries', 'bf', fixed({ series: 'bold' }), 'Bold type'],
  ['textmd', 'mdseries', null, fixed({ series: 'medium' }), 'Type of ordinary weight'],
  ['textit', 'itshape', 'it', fixed({ shape: 'italic' }), 'Italic type'],
  ['textsl', 'slshape', 'sl', fixed({ shape: 'slanted' }), 'Slanted type'],
  ['textsc', 'scshape', 'sc', fixed({ shape: 'caps' }), 'Small capitals'],
  ['textup', 'upshape', null, fixed({ shape: 'upright' }), 'Upright type'],
  ['texttt', 'ttfamily', 'tt', fixed({ family: 'mono' }), 'Typewriter type'],
  ['textsf', 'sffamily', 'sf', fixed({ family: 'sans' }), 'Type without serifs'],
  ['textrm', 'rmfamily', 'rm', fixed({ family: 'roman' }), 'Roman type'],
  ['textnormal', 'normalfont', null, fixed(NORMAL), 'The ordinary font of the document'],
  ['emph', 'em', null, emphasis, 'Emphasis: italic in upright text, upright in italic text'],
];

function withArgument(name: string, change: FontChange, what: string): CommandEntry {
  return {
    name,
    signature: 'M',
    description: `${what}.`,
    example: `\\${name}{high water}`,
    run: (it, args) => {
      it.startParagraph();
      it.openGroup({ kind: 'semisimple', span: it.p.place });
      it.changeFont(change(it.font));
      if (name === 'textnormal') it.changeFont({ family: it.textFamily });
      const close = it.p.command(OWN.closeFont);
      it.p.push([...tokensOf(args, 0), close]);
    },
    math: (reader, token) => {
      const tokens = reader.argument(token);
      const { it } = reader;
      it.openGroup({ kind: 'semisimple', span: reader.span(token) });
      it.changeFont(change(it.font));
      const inlines = it.inlinesOf(tokens);
      it.closeGroup();
      return { kind: 'text', inlines, ...reader.span(token) };
    },
  };
}

const isSlanted = ({ shape }: FontSpec): boolean => shape === 'italic' || shape === 'slanted';

/** Does one of those come next, under which a letter may lean (`\\nocorrlist`)? */
function isLow(it: Interpreter): boolean {
  const next = it.p.next();
  if (next) it.p.unread(next);
  return next !== null && (next.text === '.' || next.text === ',');
}

/** `\\/`: room for the letter that stands last, when it leans over. */
function correctItalic(it: Interpreter): void {
  const last = it.mode.hlist?.lastLetter();
  if (last) it.add({ kind: 'correction', ...last, ...it.p.place });
}

const OLD_ALPHABETS: Readonly<Record<string, MathAlphabet>> = {
  bf: 'bold',
  it: 'textItalic',
  rm: 'roman',
  sf: 'sans',
  tt: 'mono',
};

function fontSwitch(name: string, change: FontChange, what: string): CommandEntry {
  return {
    name,
    signature: '',
    description: `${what}, from here to the end of the group.`,
    example: `{\\${name} high water}`,
    run: (it) => {
      it.changeFont(change(it.font));
      if (name === 'normalfont') it.changeFont({ family: it.textFamily });
    },
    // The old names switch the letters of formulas too.
    math: (reader) => {
      reader.alphabet = OLD_ALPHABETS[name] ?? reader.alphabet;
      return null;
    },
  };
}

/** Sets a standard size with its line distance. */
export function setSize(it: Interpreter, size: string): void {
  const base = it.read(CELLS.baseSize);
  const [points] = sizeNamed(size, base, it.read(CELLS.amsSizes));
  it.changeFont({ size: Math.round(points * PT) });
  heedBaselineStretch(it);
  setSizeParameters(it.state, size, base);
}

const sizes: readonly CommandEntry[] = Object.keys(SIZES).map((name) => ({
  name,
  signature: '',
  description: `Type of the size “${name}”, from here to the end of the group.`,
  example: `{\\${name} tide}`,
  run: (it) => setSize(it, name),
}));

/** A size in pt, or with a unit of its own. */
function sizeOf(it: Interpreter, tokens: readonly Token[]): Sp {
  const text = textOf(it.p, tokens).trim();
  return /^[\d.]*$/.test(text) ? Math.round(Number(text) * PT) : dimenOf(it, tokens);
}

/** Fonts and sizes. */
export const fonts: readonly CommandEntry[] = [
  ...FONTS.flatMap(([command, declared, old, change, what]) => [
    ...(command ? [withArgument(command, change, what)] : []),
    ...(declared ? [fontSwitch(declared, change, what)] : []),
    // The old two-letter switches start from the ordinary font (classes' `\DeclareOldFontCommand`).
    ...(old ? [fontSwitch(old, (font) => ({ ...NORMAL, ...change(font) }), what)] : []),
  ]),
  ...sizes,
  {
    name: OWN.closeFont,
    signature: '',
    description: '',
    example: '',
    run: (it) => {
      it.closeGroup();
      if (!isSlanted(it.font) && !isLow(it)) correctItalic(it);
    },
  },
  ...(
    [
      ['boldmath', true],
      ['unboldmath', false],
    ] as const
  ).map(([name, bold]): CommandEntry => ({
    name,
    signature: '',
    description: bold
      ? 'Formulas from here to the end of the group are bold.'
      : 'Formulas are no longer bold.',
    example: `{\\${name} $x = 1$}`,
    run: (it) => it.write(CELLS.mathBold, bold),
  })),
  {
    name: '/',
    signature: '',
    description: 'Italic correction.',
    example: '{\\it tide\\/} table',
    run: correctItalic,
    math: () => null,
  },
  {
    name: OWN.closeGroup,
    signature: '',
    description: '',
    example: '',
    run: (it) => it.closeGroup(),
  },
  {
    name: 'fontsize',
    signature: 'mm',
    description: 'A size and line distance of your own in pt, put in force by \\selectfont.',
    example: '\\fontsize{13}{16}\\selectfont',
    run: (it, args) => {
      const [size, line] = [sizeOf(it, tokensOf(args, 0)), sizeOf(it, tokensOf(args, 1))];
      if (size > 0) it.changeFont({ size });
      const spread = it.read(CELLS.lineSpread);
      if (line > 0) setLineDistance(it, Math.round(line * spread));
    },
  },
  {
    name: 'selectfont',
    signature: '',
    description: 'Puts \\fontsize and \\baselinestretch in force.',
    example: '\\fontsize{13}{16}\\selectfont',
    run: heedBaselineStretch,
  },
  {
    name: 'underline',
    signature: 'm',
    description: 'A line under the words or formula.',
    example: '\\underline{high water}',
    run: (it, args, token) => {
      const at = it.spanOf(token);
      const inlines = it.inlinesOf(tokensOf(args, 0));
      it.add({
        kind: 'math',
        font: it.font,
        list: [{ kind: 'line', below: true, base: [{ kind: 'text', inlines, ...at }], ...at }],
        ...at,
      });
    },
    math: (reader, token) => {
      const base = reader.field(token);
      return { kind: 'line', below: true, base, ...reader.span(token) };
    },
  },
];
