import { gluePt, NO_GLUE, PT, type Glue, type Sp } from '../../base/lengths';
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
import { environmentTokens } from '../machine/environmentTokens';
import { beginColumn, endColumn } from '../machine/columns';
import { tokensOf, type CommandEntry, type EnvironmentEntry } from '../machine/entries';
import { resumeAfterBlock } from '../machine/formulas';
import { seenAround } from '../machine/overlays';
import type { Interpreter } from '../machine/interpreter';
import { passWrapped } from '../machine/wrapped';
import { box } from '../constructs/boxes';
import { definedColour } from '../scanning/colours';
import { boxLook } from './colourBoxKeys';
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

/** The measures of a box under the names that its package has for them, which exported notebooks speak of. */
function nameMeasures(it: Interpreter, { rules, room, sep, arc }: BoxLook): void {
  const sides = ['left', 'right', 'top', 'bottom'];
  sides.forEach((side, i) => {
    it.define(`kvtcb@${side}@rule`, `${Math.round(rules[i] ?? 0)}sp`);
    it.define(`kvtcb@${side}upper`, `${Math.round((room[i] ?? 0) - sep)}sp`);
  });
  it.define('tcb@room', `${Math.round(room[0] ?? 0)}sp`);
  it.define('kvtcb@boxsep', `${Math.round(sep)}sp`);
  it.define('kvtcb@arc', `${Math.round(arc)}sp`);
}

/** The colours of a box under the names that its package has for them: pictures over it and subtitles speak of them. */
function nameColours(it: Interpreter, look: BoxLook): void {
  const { frame, ground, titleGround, titleWords, words, lower } = look;
  const paints = {
    frame,
    back: ground ?? WHITE,
    backtitle: titleGround ?? frame,
    title: titleWords,
    upper: words ?? it.font.color,
    lower: lower.words ?? words ?? it.font.color,
    backlower: lower.ground ?? ground ?? WHITE,
  };
  for (const [name, paint] of Object.entries(paints))
    it.write(definedColour(`tcbcol${name}`), paint);
}
const WHITE = 0xffffff;

/** Opens a box with these options in the innermost environment; how it looks is given back. */
export function beginBox(it: Interpreter, options: readonly Token[]): BoxLook {
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
  nameMeasures(it, look);
  nameColours(it, look);
  it.execute([...it.source('\\def\\tcb@substyle{'), ...look.subtitle, ...it.source('}')]);
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
  if (look.within) enclose(it, look.within);
  return look;
}

/** What stands up to the end of the box is put into an environment. */
function enclose(it: Interpreter, { name, args }: NonNullable<BoxLook['within']>): void {
  // The box of an environment of the document's own ends where that one does.
  const { environments } = it;
  let at = environments.length - 1;
  const from = environments[at]?.span.from;
  while (at > 0 && environments[at - 1]?.span.from === from) at--;
  const outer = environments[at]?.name ?? '';
  it.p.push([
    ...it.source(`\\begin{${name}}${args}`),
    ...environmentTokens(it, outer),
    ...it.source(`\\end{${name}}\\end{${outer}}`),
  ]);
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
export function lower(it: Interpreter): void {
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
  inline: box(it, [seenAround(it, inline)], { align: 'left' }),
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
  const space = (own: Glue | null): BlockNode => ({
    kind: 'vspace',
    glue: own ?? { ...NO_GLUE, width: usual, stretch: 2 * PT, shrink: 2 * PT },
    behaviour: 'merge',
  });
  it.mode.vlist.push(space(look.before), node, space(look.after));
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
