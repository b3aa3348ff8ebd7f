import { PT, type Sp } from '../../base/lengths';
import type { Mark } from '../../document/drawing';
import type { BlockNode } from '../../document/blocks';
import type { DrawingInline, Inline } from '../../document/inlines';
import { framedBlocks, isTall, labelMark, pathMark, roundedBox } from '../constructs/framedBlocks';
import { cell } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import { textOf } from '../../expansion/tokenText';
import { beginColumn, endColumn } from '../machine/columns';
import { newCounter } from '../machine/counters';
import {
  tokensOf,
  type CommandEntry,
  type EnvironmentEntry,
  type PackageEntry,
} from '../machine/entries';
import { resumeAfterBlock } from '../machine/formulas';
import type { Interpreter } from '../machine/interpreter';
import { passWrapped } from '../machine/wrapped';
import { readOptional } from '../../expansion/arguments';
import { box } from '../constructs/boxes';
import { boxLook, EVERY_BOX, STANDARD_BOX, type BoxLook } from './colourBoxLook';

/** What a box keeps from its begin to its end. */
const OPEN = cell<{ readonly look: BoxLook; readonly width: Sp; readonly left: Sp } | null>(
  'tcb',
  null,
);

const lookOf = (it: Interpreter, options: readonly Token[]): BoxLook =>
  boxLook(it, boxLook(it, STANDARD_BOX, it.read(EVERY_BOX)), options);

/** A box around what was set: its frame, its ground, its title above. Lower left corner at the origin. */
function drawnBox(
  it: Interpreter,
  look: BoxLook,
  inner: readonly Inline[],
  width: Sp,
): DrawingInline {
  const at = it.p.place;
  const { height, depth } = it.host.measure(inner);
  const [left, right, top, bottom] = look.rules;
  const [roomLeft, , roomTop, roomBottom] = look.room;
  const title = look.title === null ? null : titleOf(it, look, width);
  const body = height + depth + roomTop + roomBottom;
  const head = title ? title.size : 0;
  const whole = body + head + top + bottom;
  const both = { top: true, bottom: true };
  const marks: Mark[] = [];
  const hasFrame = [left, right, top, bottom].some((rule) => rule > 0) || title !== null;
  if (hasFrame)
    marks.push(pathMark(roundedBox(0, 0, width, whole, look.arc, both), look.frame, at));
  const inset = Math.max(0, look.arc - left);
  marks.push(
    pathMark(
      roundedBox(left, bottom, width - left - right, body, inset, {
        top: title === null,
        bottom: true,
      }),
      look.ground,
      at,
    ),
  );
  if (title && look.titleGround !== null)
    marks.push(
      pathMark(
        roundedBox(left, bottom + body, width - left - right, head, inset, {
          top: true,
          bottom: false,
        }),
        look.titleGround,
        at,
      ),
    );
  if (title)
    marks.push(labelMark(title.inlines, { x: left + roomLeft, y: bottom + body + title.base }));
  marks.push(labelMark(inner, { x: left + roomLeft, y: bottom + roomBottom + depth }));
  return { kind: 'drawing', marks, bounds: { left: 0, right: width, low: 0, high: whole }, ...at };
}

/** The title set in its colour, over the width of the text. */
function titleOf(it: Interpreter, look: BoxLook, width: Sp) {
  const [left, right] = look.rules;
  const [roomLeft, roomRight] = look.room;
  const room = width - left - right - roomLeft - roomRight;
  const { p } = it;
  const inlines = it.inlinesBy(() => {
    it.changeFont({ color: look.titleWords });
    it.execute([
      ...it.source(`\\parbox{${room / PT}pt}`),
      p.make(1, '{'),
      ...it.source('\\raggedright\\strut '),
      ...look.titleFont,
      it.p.command('relax'),
      ...(look.title ?? []),
      ...it.source('\\strut'),
      p.make(2, '}'),
    ]);
  });
  const { height, depth } = it.host.measure(inlines);
  const pad = 1.5 * PT;
  return { inlines, size: height + depth + 2 * pad, base: depth + pad };
}

export function beginBox(it: Interpreter, options: readonly Token[]): void {
  it.endParagraph();
  passWrapped(it);
  const look = lookOf(it, options);
  const width = look.width ?? it.dimen('linewidth');
  const [left, right] = look.rules;
  const [roomLeft, roomRight] = look.room;
  it.innermost.data.set(OPEN, { look, width, left: it.dimen('totalleftmargin') });
  beginColumn(it, Math.max(PT, width - left - right - roomLeft - roomRight));
  if (look.words !== null) it.changeFont({ color: look.words });
  if (look.align === 'center') it.execute(it.source('\\centering '));
  it.execute(look.font);
  if (look.label) it.execute([...it.source('\\label{'), ...look.label, ...it.source('}')]);
}

export function endBox(it: Interpreter): void {
  const { blocks, width: inner } = endColumn(it);
  const open = it.innermost.data.get(OPEN);
  if (!open) return;
  const at = it.p.place;
  const parbox: Inline = { kind: 'parbox', blocks, width: inner, valign: 'top', ...at };
  const { look, left, width } = open;
  if (look.breakable && isTall(it, parbox)) {
    const title = look.title === null ? null : titleOf(it, look, width);
    pushBetween(it, look, framedBlocks(it, look, { blocks, left, width, title }));
  } else pushBox(it, drawnBox(it, look, [parbox], width), open);
  it.afterEnvironment = resumeAfterBlock;
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

/** `\newtcolorbox[…]{name}[n][default]{options}`: an environment that is a box with these options. */
function newBox(it: Interpreter, token: Token, renews: boolean): void {
  const { p } = it;
  readOptional(p);
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
    ...braced(it, [...it.source('\\begin{tcolorbox}['), ...tokensOf(options, 0), ...p.chars(']')]),
    ...braced(it, it.source('\\end{tcolorbox}')),
  ]);
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
  const settings = textOf(p, init);
  const within = /number within\s*=\s*\{?(\w+)/.exec(settings)?.[1] ?? null;
  const shared = /use counter(?: from)?\s*=\s*\{?(\w+)/.exec(settings)?.[1];
  const counter = shared ?? `tcb@cnt@${words}`;
  if (!shared) {
    newCounter(it, counter, within);
    it.define(
      `the${counter}`,
      within ? `\\the${within}.\\arabic{${counter}}` : `\\arabic{${counter}}`,
    );
  }
  const body = (numbered: boolean): Token[] => [
    ...(numbered ? it.source(`\\refstepcounter{${counter}}`) : []),
    ...it.source('\\begin{tcolorbox}['),
    ...options,
    ...it.source(',title={'),
    ...display,
    ...(numbered ? [...it.source('~'), p.command(`the${counter}`)] : []),
    ...it.source('\\if\\relax\\detokenize{#2}\\relax\\else: #2\\fi},#1]'),
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

const COMMANDS: readonly CommandEntry[] = [
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
      it.add(drawnBox(it, look, inner, width + left + right + roomLeft + roomRight));
    },
  },
  {
    name: 'tcblower',
    signature: '',
    package: 'tcolorbox',
    description: 'Parts a coloured box in two.',
    example: '\\begin{tcolorbox}Ebb\\tcblower Flood\\end{tcolorbox}',
    run: (it) =>
      it.execute(
        it.source('\\par\\vskip 4pt\\hrule height .4pt\\vskip 4pt\\noindent\\ignorespaces '),
      ),
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

/** tcolorbox: paragraphs in coloured boxes. */
export const tcolorbox: PackageEntry = {
  name: 'tcolorbox',
  description: 'Coloured boxes with titles, also for theorems.',
  options: null,
  requires: ['xcolor', 'tikz'],
  commands: COMMANDS,
  environments: [colourBox],
};
