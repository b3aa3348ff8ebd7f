import { PT, type Sp } from '../../base/lengths';
import type { BlockNode } from '../../document/blocks';
import type { DrawingInline, Inline } from '../../document/inlines';
import { framedBlocks, isTall } from '../constructs/framedBlocks';
import { asBreakable, drawnBox, onLine, titleOf, withAttached } from './colourBoxDrawing';
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
import { boxLook, EVERY_BOX, STANDARD_BOX, type BoxLook } from './colourBoxLook';

/** What a box keeps from its begin to its end. */
interface OpenBox {
  readonly look: BoxLook;
  readonly width: Sp;
  readonly left: Sp;
  /** Of the text within. */
  readonly inner: Sp;
  /** The part that stands at the left, once it is set. */
  leftPart: Inline | null;
}
const OPEN = cell<OpenBox | null>('tcb', null);

const lookOf = (it: Interpreter, options: readonly Token[]): BoxLook =>
  boxLook(it, boxLook(it, STANDARD_BOX, it.read(EVERY_BOX)), options);

export function beginBox(it: Interpreter, options: readonly Token[]): void {
  it.endParagraph();
  passWrapped(it);
  const look = lookOf(it, options);
  const width = look.width ?? it.dimen('linewidth');
  const [left, right] = look.rules;
  const [roomLeft, roomRight] = look.room;
  const inner = Math.max(PT, width - left - right - roomLeft - roomRight);
  const margin = it.dimen('totalleftmargin');
  it.innermost.data.set(OPEN, { look, width, left: margin, inner, leftPart: null });
  beginColumn(it, look.beside === null ? inner : Math.round(look.beside * (inner - BETWEEN)));
  if (look.words !== null) it.changeFont({ color: look.words });
  if (look.align === 'center') it.execute(it.source('\\centering '));
  it.execute(look.font);
  if (look.label) it.execute([...it.source('\\label{'), ...look.label, ...it.source('}')]);
}

/** Room between two parts side by side. */
const BETWEEN = 10 * PT;

export function endBox(it: Interpreter): void {
  const { blocks, width: inner } = endColumn(it);
  const open = it.innermost.data.get(OPEN);
  if (!open) return;
  const at = it.p.place;
  const valign = open.leftPart ? 'center' : 'top';
  const parbox: Inline = { kind: 'parbox', blocks, width: inner, valign, ...at };
  const { look, left, width, leftPart } = open;
  if (look.breakable && !leftPart && isTall(it, parbox)) {
    const shape = asBreakable(look);
    const title = look.title === null || look.attached ? null : titleOf(it, look, width);
    const node = framedBlocks(it, shape, { blocks, left, width, title });
    pushBetween(it, look, withAttached(it, look, node, width));
  } else {
    const parts: Inline[] = leftPart
      ? [leftPart, { kind: 'kern', width: BETWEEN, ...at }, parbox]
      : [parbox];
    pushBox(it, drawnBox(it, look, parts, width), open);
  }
  it.afterEnvironment = resumeAfterBlock;
}

/** `\tcblower`: what follows stands below a line, or at the right of what was before. */
function lower(it: Interpreter): void {
  const open = it.innermost.data.get(OPEN);
  if (open?.look.beside == null || open.leftPart)
    return it.execute(
      it.source('\\par\\vskip 4pt\\hrule height .4pt\\vskip 4pt\\noindent\\ignorespaces '),
    );
  const { blocks, width } = endColumn(it);
  open.leftPart = { kind: 'parbox', blocks, width, valign: 'center', ...it.p.place };
  beginColumn(it, Math.max(PT, open.inner - BETWEEN - width));
}

/** The box between paragraphs. */
function pushBox(
  it: Interpreter,
  drawing: DrawingInline,
  { look, left }: { look: BoxLook; left: Sp },
): void {
  pushBetween(it, look, {
    kind: 'loosebox',
    left,
    inline: box(it, [drawing], { align: 'left' }),
    spacing: {
      baselineSkip: it.skip('baselineskip'),
      lineSkip: it.skip('lineskip'),
      lineSkipLimit: 0,
    },
  });
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
      const drawing = drawnBox(it, look, inner, width + left + right + roomLeft + roomRight);
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
