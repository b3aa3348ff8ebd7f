import { glue, PT, type Glue, type Sp } from '../../base/lengths';
import type { Paint } from '../../base/paint';
import type { BlockNode } from '../../document/blocks';
import type { Inline } from '../../document/inlines';
import { getDimen, setDimen, setSkip } from '../../expansion/registers';
import type { Token } from '../../expansion/meaning';
import { box } from '../constructs/boxes';
import { framedBlocks } from '../constructs/framedBlocks';
import { CELLS } from '../machine/cells';
import { setCounter } from '../machine/counters';
import { enterColumn, leaveColumn } from '../machine/columns';
import type { Interpreter } from '../machine/interpreter';
import { emptyBox } from '../machine/paragraphMode';

/** How a program stands on the page (listings manual, sections 4.8 to 4.10). */
export interface ProgramLook {
  readonly numbers: 'left' | 'right' | 'both' | 'none';
  readonly numberStyle: readonly Token[];
  /** The counter of lines; what its `\\the…` gives is printed. */
  readonly counter: string;
  readonly numberSep: Sp;
  readonly step: number;
  /** Is the first line numbered, whatever the step? */
  readonly first: boolean;
  /** Rules at left, right, top and bottom. */
  readonly sides: readonly [boolean, boolean, boolean, boolean];
  readonly rule: Sp;
  readonly ruleColour: Paint;
  readonly sep: Sp;
  /** Room between the text and the frame besides, at left, right, top and bottom. */
  readonly extra: readonly [Sp, Sp, Sp, Sp];
  readonly arc: Sp;
  readonly ground: Paint | null;
  readonly left: Sp;
  readonly right: Sp;
  readonly breaks: boolean;
  /** By how much what is left of a line stands further in, and whether the line's own blanks count too. */
  readonly breakIndent: Sp;
  readonly autoIndent: boolean;
  /** What stands at the end of a row that is broken, and at the start of the next. */
  readonly preBreak: readonly Token[];
  readonly postBreak: readonly Token[];
}

/** A line of a program: its pieces, its number, and the pieces that are its indent. */
export interface ProgramLine {
  readonly pieces: readonly (readonly Inline[])[];
  readonly number: number;
  readonly indent: number;
}

const FILL: Glue = { ...glue(0), stretch: PT, stretchOrder: 1 };

/** A number beside its line, which takes no room. */
function besideLine(
  it: Interpreter,
  number: number,
  side: 'left' | 'right',
  width: Sp,
  look: ProgramLook,
): Inline {
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  it.execute(it.source('\\normalfont '));
  it.execute(look.numberStyle);
  setCounter(it.state, look.counter, number);
  const inlines = it.inlinesOf([it.p.command(`the${look.counter}`)]);
  it.closeGroup();
  const at = it.p.place;
  const size = it.host.measure(inlines).width;
  // At the left its right edge stands before the text, at the right its left edge behind the line.
  const start = side === 'left' ? -look.numberSep - size : width + look.numberSep;
  return box(it, [{ kind: 'kern', width: start, ...at }, ...inlines], { width: 0, align: 'left' });
}

/** Widths of inlines, each word in each font measured once: long lines have the same ones again and again. */
function measured(it: Interpreter): (inline: Inline) => Sp {
  const known = new Map<unknown, Map<string, Sp>>();
  return (inline) => {
    if (inline.kind === 'kern') return inline.width;
    if (inline.kind === 'box' && inline.width !== null) return inline.width;
    if (inline.kind !== 'text') return it.host.measure([inline]).width;
    const words = known.get(inline.font) ?? new Map<string, Sp>();
    known.set(inline.font, words);
    const width = words.get(inline.text) ?? it.host.measure([inline]).width;
    words.set(inline.text, width);
    return width;
  };
}

/** The rows that a line takes: more than one where it is too wide and may be broken. */
function rowsOf(it: Interpreter, line: ProgramLine, width: Sp, look: ProgramLook): Inline[][] {
  const whole = line.pieces.flat();
  if (!look.breaks) return [whole];
  const widthOf = measured(it);
  const widths = line.pieces.map((piece) => piece.reduce((sum, one) => sum + widthOf(one), 0));
  if (widths.reduce((sum, one) => sum + one, 0) <= width) return [whole];
  const own = look.autoIndent ? widths.slice(0, line.indent).reduce((a, b) => a + b, 0) : 0;
  const kern: Inline = { kind: 'kern', width: own + look.breakIndent, ...it.p.place };
  const [before, behind] = [it.inlinesOf(look.preBreak), it.inlinesOf(look.postBreak)];
  const start = own + look.breakIndent + it.host.measure(behind).width;
  const room = width - it.host.measure(before).width;
  const rows: Inline[][] = [];
  let row: Inline[] = [];
  let used = 0;
  line.pieces.forEach((piece, i) => {
    const wide = widths[i] ?? 0;
    if (row.length > (rows.length > 0 ? 1 + behind.length : 0) && used + wide > room) {
      rows.push([...row, ...before]);
      row = [kern, ...behind];
      used = start;
      // A blank at which a line is broken is gone.
      if (isBlank(piece)) return;
    }
    for (const inline of piece) row.push(inline);
    used += wide;
  });
  return [...rows, row];
}

const isBlank = (piece: readonly Inline[]): boolean =>
  piece.every(
    (inline) =>
      inline.kind === 'kern' || (inline.kind === 'text' && /^[\u00a0 ]+$/.test(inline.text)),
  );

/** Lines one under another, each a paragraph. */
function pushLines(it: Interpreter, lines: readonly ProgramLine[], look: ProgramLook): void {
  setSkip(it.state, 'parskip', glue(0));
  setDimen(it.state, 'parindent', 0);
  setSkip(it.state, 'rightskip', FILL);
  it.write(CELLS.alignment, 'left');
  const width = it.dimen('linewidth');
  lines.forEach((line, n) => {
    const numbered = line.number % look.step === 0 || (n === 0 && look.first);
    rowsOf(it, line, width, look).forEach((row, i) => {
      it.startParagraph(false);
      it.mode.nextIndent = 0;
      it.add(emptyBox(it));
      if (i === 0 && numbered)
        for (const side of ['left', 'right'] as const)
          if (look.numbers === side || look.numbers === 'both')
            it.add(besideLine(it, line.number, side, width, look));
      for (const inline of row) it.add(inline);
      it.endParagraph();
    });
  });
}

/** A program with its frame, which goes on over pages. */
export function setProgram(
  it: Interpreter,
  lines: readonly ProgramLine[],
  look: ProgramLook,
): void {
  const { state } = it;
  it.endParagraph();
  it.openGroup({ kind: 'semisimple', span: it.p.place });
  const left = getDimen(state, 'totalleftmargin') + look.left;
  const width = it.dimen('linewidth') - look.left - look.right;
  if (!look.sides.includes(true) && look.ground === null) {
    setDimen(state, 'totalleftmargin', left);
    setDimen(state, 'linewidth', width);
    pushLines(it, lines, look);
  } else it.mode.vlist.push(framed(it, lines, { left, width }, look));
  it.closeGroup();
}

function framed(
  it: Interpreter,
  lines: readonly ProgramLine[],
  { left, width }: { readonly left: Sp; readonly width: Sp },
  look: ProgramLook,
): BlockNode {
  const outer = enterColumn(it, width);
  pushLines(it, lines, look);
  const blocks = leaveColumn(it, outer);
  const [l, r, t, b] = look.sides.map((drawn) => (drawn ? look.rule : 0)) as [Sp, Sp, Sp, Sp];
  // The frame stands around the text; it does not set it in.
  const side = (drawn: boolean): Sp => (drawn || look.ground !== null ? look.sep : 0);
  const room = [
    look.extra[0] + side(look.sides[0]),
    look.extra[1] + side(look.sides[1]),
    look.extra[2] + side(look.sides[2]),
    look.extra[3] + side(look.sides[3]),
  ] as const;
  const shape = {
    rules: [l, r, t, b] as const,
    room,
    arc: look.arc,
    frame: look.ruleColour,
    ground: look.ground,
    titleGround: null,
  };
  return framedBlocks(it, shape, {
    blocks,
    left: left - room[0] - l,
    width: width + room[0] + room[1] + l + r,
  });
}
