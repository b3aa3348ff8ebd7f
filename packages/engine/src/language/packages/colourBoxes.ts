import { gluePt, PT, type Sp } from '../../base/lengths';
import { rgbOf } from '../../base/paint';
import { polyline } from '../../base/paths';
import type { BlockNode } from '../../document/blocks';
import { solidStroke, stroked } from '../../document/drawing';
import type { DrawingInline, Inline } from '../../document/inlines';
import { framedBlocks, isTall } from '../constructs/framedBlocks';
import {
  alignmentOf,
  asBreakable,
  drawnBox,
  LOWER_GAP,
  lowered,
  onLine,
  titleOf,
  titleWords,
  withAttached,
  type Held,
} from './colourBoxDrawing';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf, tokensText } from '../../expansion/tokenText';
import { beginColumn, endColumn } from '../machine/columns';
import { newCounter } from '../machine/counters';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../machine/entries';
import { resumeAfterBlock } from '../machine/formulas';
import type { Interpreter } from '../machine/interpreter';
import { passWrapped } from '../machine/wrapped';
import { readOptional } from '../../expansion/arguments';
import { box } from '../constructs/boxes';
import { boxLook } from './colourBoxKeys';
import { nameKind } from './colourBoxNames';
import { EVERY_BOX, STANDARD_BOX, type BoxLook } from './colourBoxLook';

/** What a box keeps from its begin to its end. */
interface OpenBox {
  readonly look: BoxLook;
  readonly width: Sp;
  readonly left: Sp;
  /** Of the text within. */
  readonly inner: Sp;
  /** The part that stands at the left or above, once it is set. */
  first: Inline | null;
  /** What stands below `\\tcblower` has begun. */
  inLower: boolean;
}
const OPEN = cell<OpenBox | null>('tcb', null);

const lookOf = (it: Interpreter, options: readonly Token[]): BoxLook =>
  boxLook(it, boxLook(it, STANDARD_BOX, it.read(EVERY_BOX)), options);

const hex = (paint: number): string => rgbOf(paint).toString(16).padStart(6, '0').toUpperCase();

/** How wide the parts of a box side by side are. */
function besideWidths({ beside, besideWidth, besideGap }: BoxLook, inner: Sp): readonly [Sp, Sp] {
  const both = Math.max(2 * PT, inner - besideGap);
  const first = besideWidth
    ? besideWidth.left
      ? besideWidth.width
      : both - besideWidth.width
    : Math.round((beside ?? 0.5) * both);
  return [Math.max(PT, first), Math.max(PT, both - first)];
}

/** The type and the measure that a part is set in. */
function beginPart(
  it: Interpreter,
  { font, words, align }: Pick<BoxLook, 'font' | 'words' | 'align'>,
  before: readonly Token[],
): void {
  if (words !== null) it.changeFont({ color: words });
  const aligned = alignmentOf(align);
  if (aligned !== '') it.execute(it.source(`${aligned} `));
  it.execute([...font, ...before]);
}

export function beginBox(it: Interpreter, options: readonly Token[]): void {
  const look = lookOf(it, options);
  if (look.inLine) it.startParagraph();
  else {
    it.endParagraph();
    passWrapped(it);
  }
  const [growLeft, growRight] = look.grow;
  const width = look.width ?? it.dimen('linewidth') + growLeft + growRight;
  const [left, right] = look.rules;
  const [roomLeft, roomRight] = look.room;
  const inner = Math.max(PT, width - left - right - roomLeft - roomRight);
  const free = it.dimen('linewidth') - width;
  const moved = look.place === 'center' ? free / 2 : look.place === 'right' ? free : -growLeft;
  const margin = it.dimen('totalleftmargin') + moved;
  it.innermost.data.set(OPEN, { look, width, left: margin, inner, first: null, inLower: false });
  beginColumn(it, look.beside === null ? inner : besideWidths(look, inner)[0]);
  if (look.label) it.execute([...it.source('\\label{'), ...look.label, ...it.source('}')]);
  if (look.title !== null)
    it.execute([
      ...it.source(`\\definecolor{tcb@title}{HTML}{${hex(look.titleWords)}}`),
      ...it.source('\\def\\tcbtitletext{'),
      ...look.title,
      ...it.source('}\\def\\tcbtitle{{\\color{tcb@title}'),
      ...titleWords(it, look),
      ...it.source('}}'),
    ]);
  beginPart(it, look, look.around['before upper']);
}

export function endBox(it: Interpreter): void {
  const held = it.innermost.data.get(OPEN);
  if (held) it.execute(held.look.around[held.inLower ? 'after lower' : 'after upper']);
  const { blocks, width: inner } = endColumn(it);
  const open = it.innermost.data.get(OPEN);
  if (!open) return;
  const { look, left, width, first } = open;
  const parbox = partOf(it, look, blocks, inner, first !== null && look.beside !== null);
  if (look.breakable && !look.inLine && !first && look.height === null && isTall(it, parbox)) {
    const shape = asBreakable(look);
    const isHead = look.title !== null && look.titleShown && !look.attached;
    const title = isHead ? titleOf(it, look, width) : null;
    const node = framedBlocks(it, shape, { blocks, left, width, title });
    pushBetween(it, look, withAttached(it, look, node, width));
  } else pushBox(it, open, partsOf(it, open, parbox));
  it.afterEnvironment = resumeAfterBlock;
}

/** One part of a box. */
function partOf(
  it: Interpreter,
  look: BoxLook,
  blocks: readonly BlockNode[],
  width: Sp,
  beside: boolean,
): Inline {
  const valign = beside ? look.besideAlign : 'top';
  return { kind: 'parbox', blocks, width, valign, ...it.p.place };
}

/** Both parts side by side or one above the other, or the only one. */
function partsOf(it: Interpreter, { look, first }: OpenBox, last: Inline): Held {
  const at = it.p.place;
  if (!first) return { inner: [last], lower: null };
  if (look.beside !== null) {
    const gap: Inline = { kind: 'kern', width: look.besideGap, ...at };
    return { inner: [first, gap, last], lower: null };
  }
  const { height, depth } = it.host.measure([last]);
  const { width } = it.host.measure([first]);
  const parts = [first, last].map((part): BlockNode => loose(it, part, 0));
  const gap: BlockNode = { kind: 'vspace', glue: gluePt(LOWER_GAP / PT), behaviour: 'plain' };
  const blocks = [parts[0], gap, parts[1]].filter((node): node is BlockNode => node !== undefined);
  const inner: Inline = { kind: 'parbox', blocks, width, valign: 'top', ...at };
  return { inner: [inner], lower: height + depth };
}

/** `\tcblower`: what follows stands below a line, or at the right of what was before. */
function lower(it: Interpreter): void {
  const open = it.innermost.data.get(OPEN);
  if (!open || open.inLower) return;
  open.inLower = true;
  const { look, inner } = open;
  it.execute(look.around['after upper']);
  const stacked = look.beside === null;
  if (stacked && look.lower.ground === null) {
    if (look.lower.separated) parting(it, look, inner);
    else it.execute(it.source('\\par\\vskip 6pt '));
  } else {
    const { blocks, width } = endColumn(it);
    open.first = partOf(it, look, blocks, width, !stacked);
    beginColumn(it, stacked ? inner : besideWidths(look, inner)[1]);
  }
  beginPart(it, look.lower, look.around['before lower']);
  it.execute(it.source('\\noindent\\ignorespaces '));
}

/** The dashed line between the parts of a box. */
function parting(it: Interpreter, look: BoxLook, width: Sp): void {
  const { from, to } = it.p.place;
  const line = solidStroke(0.4 * PT, look.frame);
  const style = stroked({ ...line, dash: [3 * PT, 2 * PT] });
  const path = polyline([
    { x: 0, y: 0 },
    { x: width, y: 0 },
  ]);
  const inline: DrawingInline = {
    kind: 'drawing',
    marks: [{ kind: 'path', path, style, from, to }],
    bounds: { left: 0, right: width, low: 0, high: 0 },
    from,
    to,
  };
  it.execute(it.source('\\par\\vskip 4pt '));
  it.mode.vlist.push(loose(it, inline, 0));
  it.execute(it.source('\\vskip 4pt '));
}

const loose = (it: Interpreter, inline: Inline, left: Sp): BlockNode => ({
  kind: 'loosebox',
  left,
  inline: box(it, [inline], { align: 'left' }),
  spacing: {
    baselineSkip: it.skip('baselineskip'),
    lineSkip: it.skip('lineskip'),
    lineSkipLimit: 0,
  },
});

/** The box between paragraphs, or in the line. */
function pushBox(it: Interpreter, { look, left, width }: OpenBox, held: Held): void {
  const natural = look.natural ? naturalWidth(it, look, held, width) : width;
  const drawing = drawnBox(it, look, held, natural);
  if (!look.inLine) return pushBetween(it, look, loose(it, drawing, left));
  const { low, high } = drawing.bounds;
  const down = {
    bottom: 0,
    base: look.rules[3] + look.room[3],
    center: (high - low) / 2,
    top: high,
  };
  it.add(
    look.onLine
      ? onLine(it, look, held.inner, drawing)
      : lowered(drawing, down[look.boxAlign] ?? 0),
  );
}

/** As wide as what a box holds. */
function naturalWidth(it: Interpreter, look: BoxLook, { inner }: Held, most: Sp): Sp {
  const room = look.rules[0] + look.rules[1] + look.room[0] + look.room[1];
  const [part] = inner;
  const lines = part?.kind === 'parbox' ? part.blocks : [];
  const widths = lines.map((node) =>
    node.kind === 'paragraph' ? it.host.measure(node.inlines).width : 0,
  );
  const widest = Math.max(0, ...widths);
  return widest === 0 ? most : Math.min(most, widest + room + PT);
}

/** Something between paragraphs, with room above and below. */
function pushBetween(it: Interpreter, look: BoxLook, node: BlockNode): void {
  const usual = 0.5 * it.skip('baselineskip').width + 2 * PT;
  const space = (width: Sp): BlockNode => ({
    kind: 'vspace',
    glue: { width, stretch: 2 * PT, stretchOrder: 0, shrink: 2 * PT, shrinkOrder: 0 },
    behaviour: 'merge',
  });
  it.mode.vlist.push(space(look.before ?? usual), node, space(look.after ?? usual));
}

export const colourBox: EnvironmentEntry = {
  name: 'tcolorbox',
  signature: 'o',
  package: 'tcolorbox',
  description: 'Paragraphs in a coloured box, with a title if it is given one.',
  example: '\\begin{tcolorbox}[title=Tide]\nHigh water at noon.\n\\end{tcolorbox}',
  begin: (it, args) => beginBox(it, tokensOf(args, 0)),
  end: endBox,
};

/** Braces around tokens. */
export const braced = (it: Interpreter, tokens: readonly Token[]): Token[] => [
  it.p.make(1, '{'),
  ...tokens,
  it.p.make(2, '}'),
];

/** The counter that the settings of a new box ask for; null when they ask for none. */
function counterOf(it: Interpreter, name: string, init: readonly Token[]): string | null {
  const settings = tokensText(init);
  const shared = /use counter(?: from)?\s*=\s*\{?(\w+)/.exec(settings)?.[1];
  if (shared)
    return it.state.meaning(it.state.cell(`thetcb@cnt@${shared}`)) ? `tcb@cnt@${shared}` : shared;
  const within = /number within\s*=\s*\{?(\w+)/.exec(settings)?.[1] ?? null;
  if (!within && !/auto counter/.test(settings)) return null;
  const counter = `tcb@cnt@${name}`;
  newCounter(it, counter, within);
  const format = /number format\s*=\s*\\(\w+)/.exec(settings)?.[1] ?? 'arabic';
  const own = `\\${format}{${counter}}`;
  it.define(`the${counter}`, within ? `\\the${within}.${own}` : own);
  return counter;
}

/** What a numbered box does at its begin: it counts, and `\thetcbcounter` is its number. */
function counted(it: Interpreter, name: string, init: readonly Token[]): Token[] {
  const counter = counterOf(it, name, init);
  if (counter === null) return [];
  const number = it.p.command(`the${counter}`);
  return [
    ...it.source(`\\refstepcounter{${counter}}\\def\\thetcbcounter`),
    ...braced(it, [number]),
  ];
}

/** `\newtcolorbox[…]{name}[n][default]{options}`: an environment that is a box with these options. */
function newBox(it: Interpreter, token: Token, renews: boolean): void {
  const { p } = it;
  const init = readOptional(p);
  const name = it.readArguments('m', token);
  const count = readOptional(p);
  const fallback = count ? readOptional(p) : null;
  const options = it.readArguments('m', token);
  if (!name || !options) return;
  it.execute([
    p.command(renews ? 'renewenvironment' : 'newenvironment'),
    ...braced(it, tokensOf(name, 0)),
    ...(count ? [...p.chars('['), ...count, ...p.chars(']')] : []),
    ...(fallback ? [...p.chars('['), ...fallback, ...p.chars(']')] : []),
    ...braced(it, [
      ...(init ? counted(it, textOf(p, tokensOf(name, 0)), init) : []),
      ...it.source('\\begin{tcolorbox}['),
      ...tokensOf(options, 0),
      ...p.chars(']'),
    ]),
    ...braced(it, it.source('\\end{tcolorbox}')),
  ]);
}

/** What stands between the number of a statement and its title. */
function separatorOf(options: readonly Token[]): string {
  const text = tokensText(options);
  if (/separator sign none|theorem style\s*=\s*(?:standard|change)/.test(text)) return '';
  return /separator sign\s*=\s*\{?([^,{}]*)/.exec(text)?.[1]?.trim() ?? ':';
}

/** `\newtcbtheorem[…]{name}{title}{options}{prefix}`: numbered boxes; `\begin{name}{title}{label}`. */
function newTheorem(it: Interpreter, token: Token): void {
  const { p } = it;
  const init = readOptional(p) ?? [];
  const args = it.readArguments('mmmm', token);
  if (!args) return;
  const [name, display, options, prefix] = [0, 1, 2, 3].map((i) => tokensOf(args, i));
  if (!name || !display || !options || !prefix) return;
  const words = textOf(p, name);
  const counter = counterOf(it, words, [...init, ...p.chars(',auto counter')]);
  if (counter === null) return;
  nameKind(it, counter, [...init, ...p.chars(','), ...options]);
  const sign = separatorOf(options);
  const body = (numbered: boolean): Token[] => [
    ...(numbered ? it.source(`\\refstepcounter{${counter}}`) : []),
    ...it.source('\\begin{tcolorbox}['),
    ...options,
    ...it.source(',title={'),
    ...display,
    ...(numbered ? [...it.source('~'), p.command(`the${counter}`)] : []),
    ...it.source(`\\if\\relax\\detokenize{#2}\\relax\\else${sign} #2\\fi},#1]`),
    ...it.source('\\if\\relax\\detokenize{#3}\\relax\\else\\label{'),
    ...prefix,
    ...it.source(':#3}\\fi\\ignorespaces'),
  ];
  for (const star of ['', '*'])
    it.execute([
      p.command('newenvironment'),
      ...braced(it, [...name, ...p.chars(star)]),
      ...p.chars('[3][]'),
      ...braced(it, body(star === '')),
      ...braced(it, it.source('\\end{tcolorbox}')),
    ]);
}

/** Commands of coloured boxes. */
export const boxCommands: readonly CommandEntry[] = [
  {
    name: 'tcbset',
    signature: 'm',
    package: 'tcolorbox',
    description: 'Options of the boxes that follow, and names for some of them.',
    example: '\\tcbset{colframe=blue}',
    run: (it, args) => {
      // Names are remembered, the rest holds for every box.
      boxLook(it, STANDARD_BOX, tokensOf(args, 0));
      it.write(EVERY_BOX, [...it.read(EVERY_BOX), ...it.p.chars(','), ...tokensOf(args, 0)]);
    },
  },
  {
    name: 'newtcolorbox',
    signature: '',
    package: 'tcolorbox',
    description: 'An environment of your own that is a coloured box.',
    example: '\\newtcolorbox{note}{colback=yellow!10}\\begin{note}High water\\end{note}',
    run: (it, _args, token) => newBox(it, token, false),
  },
  {
    name: 'renewtcolorbox',
    signature: '',
    package: 'tcolorbox',
    description: 'Another look for a box of your own.',
    example: '\\newtcolorbox{note}{}\\renewtcolorbox{note}{colback=red!10}',
    run: (it, _args, token) => newBox(it, token, true),
  },
  {
    name: 'newtcbtheorem',
    signature: '',
    package: 'tcolorbox',
    description: 'Numbered boxes for theorems, with a title and a label.',
    example:
      '\\newtcbtheorem{tiderule}{Rule}{colback=blue!5}{ru}\\begin{tiderule}{Ebb}{ebb}Low.\\end{tiderule}',
    run: (it, _args, token) => newTheorem(it, token),
  },
  {
    name: 'tcbox',
    signature: 'oM',
    package: 'tcolorbox',
    description: 'A few words in a coloured box, in the line.',
    example: 'At \\tcbox{noon} sharp',
    run: (it, args) => {
      const inner = it.inlinesOf(tokensOf(args, 1));
      const look = lookOf(it, tokensOf(args, 0));
      const { width } = it.host.measure(inner);
      const [left, right] = look.rules;
      const [roomLeft, roomRight] = look.room;
      const whole = width + left + right + roomLeft + roomRight;
      const drawing = drawnBox(it, look, { inner, lower: null }, whole);
      it.add(look.onLine ? onLine(it, look, inner, drawing) : drawing);
    },
  },
  {
    name: 'tcblower',
    signature: '',
    package: 'tcolorbox',
    description: 'Parts a coloured box in two.',
    example: '\\begin{tcolorbox}Ebb\\tcblower Flood\\end{tcolorbox}',
    run: lower,
  },
  {
    name: 'tcbuselibrary',
    signature: 'm',
    package: 'tcolorbox',
    description: 'Loads libraries of coloured boxes: what they bring is here already.',
    example: '\\tcbuselibrary{skins,breakable,theorems}',
    run: () => undefined,
  },
];
