import type { RawFinding } from '../findings/finding';
import { sameValue } from '../expansion/meaning';
import { Processor } from '../expansion/processor';
import type { FontUnits } from '../expansion/scan';
import { State, type BlockTrace, type Cell, type Held } from '../expansion/state';
import { setCount } from '../expansion/registers';
import { Interpreter, type LanguageHost } from '../language/machine/interpreter';
import { connect, installKernel } from '../language/kernel/kernel';
import { CELLS } from '../language/machine/cells';
import { applyEdit, composed, type TextEdit } from '../source/edits';
import { Reader } from '../tokens/reader';
import { makeBlock, place, sourceOf, type SessionBlock } from './block';
import { MOST_TEXT } from './bounds';
import type { CellOf } from '../expansion/cells';
import { CONTENTS } from '../language/constructs/contents';
import { LABELS, PAGES } from '../language/constructs/knownPages';
import { PLACES } from '../language/pictures/remembered';

/** A date, months and days from 1. */
export interface CalendarDate {
  readonly year: number;
  readonly month: number;
  readonly day: number;
}

/** What an edit did to the list of blocks: the new ones, at `first` to `last` (exclusive). */
export interface ReadChange {
  readonly changed: readonly SessionBlock[];
  /** The blocks that went. */
  readonly gone: readonly SessionBlock[];
  /** First block that is new or stands behind one that went. */
  readonly first: number;
  /** From this block on, all blocks are old ones in their old order. */
  readonly reusedFrom: number;
  /** Did a block come or go that defines labels? */
  readonly labels: boolean;
}

/** What only the document as a whole settles: given back to blocks that ask for it. */
const GIVEN_BACK = [
  CONTENTS,
  PAGES,
  LABELS,
  PLACES,
  CELLS.cited,
  CELLS.referred,
  CELLS.bibStyleOfAll,
] as const;

/** How much of the text is put together for reading at first; a block that looks further gets more. */
const WINDOW = 8192;

/** A reading that goes on: its blocks so far, and the traces of those that serve again as they were. */
interface UnderWay {
  readonly kept: readonly SessionBlock[];
  readonly traces: ReadonlyMap<SessionBlock, BlockTrace>;
}

/** A cell that no block writes holds something else than before; the first and last block that read it. */
interface GivenBack {
  readonly cell: Cell;
  readonly before: unknown;
  readonly first: number;
  readonly last: number;
}

/** What work in steps gives, done in one go. */
export function finished<T>(work: Generator<unknown, T, void>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

/** The text as an edit leaves it, put together piece by piece. */
interface EditedText {
  readonly length: number;
  readonly slice: (from: number, to: number) => string;
}

function editedText(
  old: readonly SessionBlock[],
  oldLength: number,
  { from, to, text: inserted }: TextEdit,
): EditedText {
  const end = from + inserted.length;
  const shift = inserted.length - (to - from);
  return {
    length: oldLength + shift,
    slice: (a, b) =>
      (a < from ? sourceOf(old, a, Math.min(b, from)) : '') +
      inserted.slice(Math.max(0, a - from), Math.max(0, b - from)) +
      (b > end ? sourceOf(old, Math.max(a, end) - shift, b - shift) : ''),
  };
}

/**
 * Reads the source into blocks, and after an edit reads again only what the edit
 * can have changed. A block is reused when its text is the same and every cell it
 * read holds what it held: this is exact, where a hash of the whole state would
 * also throw away what never looked at the difference.
 */
export class SourceReading {
  blocks: SessionBlock[] = [];
  readonly state = new State();
  readonly interpreter: Interpreter;
  /** The state stands as it was before this block. */
  private cursor = 0;
  private nextId = 1;
  /** Where the text that the reader has at hand starts. */
  private windowStart = 0;
  private whole: string | null = '';
  /** What is to be changed, as one edit of the text that was read last; null when all is read. */
  private pending: TextEdit | null = null;
  /** A reading that goes on: it is taken back when a newer edit comes. */
  private underWay: UnderWay | null = null;
  private readonly readers = new Map(GIVEN_BACK.map(({ name }) => [name, new Set<SessionBlock>()]));

  constructor(
    today: CalendarDate,
    units: (it: Interpreter) => FontUnits,
    private readonly host: LanguageHost & {
      readonly watch?: ((start: number) => void) | undefined;
    },
  ) {
    const reader = new Reader<Cell>('', this.state.cell, 0, 0);
    const processor = new Processor(this.state, reader, (finding) =>
      this.interpreter.report(finding),
    );
    this.interpreter = new Interpreter(this.state, processor, host);
    connect(this.interpreter);
    this.state.startBlock();
    installKernel(this.interpreter, () => units(this.interpreter));
    setCount(this.state, 'year', today.year);
    setCount(this.state, 'month', today.month);
    setCount(this.state, 'day', today.day);
  }

  /** All of the text that was read; put together when it is asked for. */
  get text(): string {
    this.whole ??= this.blocks.map(({ source }) => source).join('');
    return this.whole;
  }

  /** All of the text, edits that wait to be read included. */
  get wanted(): string {
    return this.pending ? applyEdit(this.text, this.pending) : this.text;
  }

  get wantedLength(): number {
    const { pending, length } = this;
    return pending ? length + pending.text.length - (pending.to - pending.from) : length;
  }

  get length(): number {
    const last = this.blocks.at(-1);
    return last ? last.start + last.length : 0;
  }

  /** Was `\end{document}` reached? */
  get ended(): boolean {
    return this.finalValue(CELLS.ended);
  }

  /** What a cell about the whole document (see `settles`) holds after the last block. */
  finalValue<T>(declared: CellOf<T>): T {
    const cell = this.state.cell(declared.name);
    for (let i = this.blocks.length - 1; i >= this.cursor; i--) {
      for (const write of (this.blocks[i] as SessionBlock).settles)
        if (write.cell === cell) return this.state.valueOf(declared, write.after);
    }
    return this.state.valueOf(declared, this.state.peek(cell));
  }

  /** Does the document, or what it loads, define a name? The state at hand may stand before that. */
  defines(name: string): boolean {
    const cell = this.state.cell(name);
    return this.blocks.some(({ trace: { writes } }) =>
      writes.some((write) => write.cell === cell && write.after !== undefined),
    );
  }

  /** Replaces the text from `from` to `to`; it is read by `read`. */
  change(from: number, to: number, text: string): void {
    const { pending } = this;
    this.takeBack();
    const edit = { from, to, text };
    if (!pending) {
      this.pending = edit;
      return;
    }
    const between = editedText(this.blocks, this.length, pending);
    this.pending = composed(pending, edit, between.slice);
  }

  /**
   * Reads what must be read again after changes, in steps between which a newer change may
   * come: then it is begun anew, from where it was. Null when nothing waits.
   */
  *read(): Generator<void, ReadChange | null, void> {
    if (!this.pending) return null;
    this.takeBack();
    const change = yield* this.reread(this.pending, null);
    this.pending = null;
    return change;
  }

  /** Brings all back to where it was before the reading that goes on. */
  private takeBack(): void {
    const { underWay } = this;
    if (!underWay) return;
    for (const block of [...underWay.kept].reverse()) {
      this.undo(block.trace);
      const before = underWay.traces.get(block);
      if (before) block.trace = before;
    }
    this.underWay = null;
  }

  /**
   * Gives a fact that only the whole document settles (its contents, its citations)
   * to the blocks that read it, and reads those again. Null when nobody read it.
   */
  refresh<T>(declared: CellOf<T>, value: T): ReadChange | null {
    const cell = this.state.cell(declared.name);
    const before = cell.value;
    if (sameValue(this.state.valueOf(declared, before), value)) return null;
    cell.value = value;
    if (!this.isRead(declared)) return null;
    const first = this.blocks.findIndex(({ trace }) => trace.reads.has(cell));
    if (first < 0) return null;
    const last = this.blocks.findLastIndex(({ trace }) => trace.reads.has(cell));
    const { start } = this.blocks[first] as SessionBlock;
    const given = { cell, before, first, last };
    return finished(this.reread({ from: start, to: start, text: '' }, given));
  }

  /** Does any block read what is given back? Known without looking at them all. */
  isRead(declared: CellOf<unknown>): boolean {
    return (this.readers.get(declared.name)?.size ?? 0) > 0;
  }

  /** Keeps account of who reads what is given back, when blocks go and others come. */
  private recount(gone: readonly SessionBlock[], kept: readonly SessionBlock[]): void {
    for (const { name } of GIVEN_BACK) {
      const cell = this.state.cell(name);
      const readers = this.readers.get(name) as Set<SessionBlock>;
      for (const block of gone) readers.delete(block);
      for (const block of kept) if (block.trace.reads.has(cell)) readers.add(block);
    }
  }

  private *reread(edit: TextEdit, given: GivenBack | null): Generator<void, ReadChange, void> {
    const { from, to, text } = edit;
    const oldBlocks = this.blocks;
    const oldLength = this.length;
    const edited = editedText(oldBlocks, oldLength, edit);
    const shift = edited.length - oldLength;
    const first = given ? given.first : firstDirty(oldBlocks, from);
    this.moveTo(first);
    const kept: SessionBlock[] = [];
    const traces = new Map<SessionBlock, BlockTrace>();
    this.underWay = { kept, traces };
    const changed: SessionBlock[] = [];
    const differences = new Differences();
    if (given) differences.given(given.cell, given.before);
    let old = first;
    let pos = oldBlocks[first]?.start ?? oldLength;
    if (first === 0) pos = 0;
    // What lies behind the longest text is not read, so that no block of it can serve again.
    const tooLong = Math.max(edited.length, oldLength) > MOST_TEXT;
    this.openWindow(edited, pos, Math.max(WINDOW, text.length));
    for (;;) {
      // Every old block that ends before here is gone; the old state moves past it.
      while (old < oldBlocks.length && mustPass(oldBlocks[old] as SessionBlock, pos - shift, to)) {
        differences.passOld(oldBlocks[old] as SessionBlock);
        old++;
      }
      const next = oldBlocks[old];
      const inStep =
        !tooLong && next !== undefined && next.start === pos - shift && next.start >= to;
      if (inStep) {
        if (given && old > given.last) differences.forget(given.cell);
        differences.settle();
        if (differences.none) break;
        if (!differences.touch(next)) {
          traces.set(next, next.trace);
          this.reuse(next, differences);
          kept.push(next);
          old++;
          pos += next.length;
          continue;
        }
      }
      if (pos >= edited.length) break;
      if (changed.length > 0) yield;
      const block = pos < MOST_TEXT ? this.readBlock(edited, pos) : this.leftOut(edited, pos);
      differences.passNew(block);
      kept.push(block);
      changed.push(block);
      pos += block.length;
    }
    this.underWay = null;
    const reusedFrom = first + kept.length;
    const gone = oldBlocks.slice(first, old);
    this.blocks = oldBlocks.slice(0, first).concat(kept, oldBlocks.slice(old));
    this.cursor = reusedFrom;
    this.whole = null;
    place(this.blocks, first);
    this.recount(gone, kept);
    const defines = ({ reading }: SessionBlock): boolean => reading.labels.length > 0;
    const labels = changed.some(defines) || gone.some(defines);
    const still = new Set(kept);
    const went = gone.filter((block) => !still.has(block));
    return { changed, gone: went, first, reusedFrom, labels };
  }

  private openWindow(text: EditedText, start: number, size: number): void {
    const at = text.slice(start, Math.min(text.length, start + size));
    this.interpreter.p.reader = new Reader<Cell>(at, this.state.cell, 0, this.nextId);
    this.windowStart = start;
  }

  /** The rest of a text that is too long, as a block of which nothing is read. */
  private leftOut(text: EditedText, start: number): SessionBlock {
    const source = text.slice(start, text.length);
    const at = { from: 0, to: Math.max(1, source.search(/\n|$/)) };
    const most = `${MOST_TEXT / 1_000_000} million characters`;
    const findings: RawFinding[] = this.state.peekAt(CELLS.ended)
      ? []
      : [{ code: 'document-too-long', ...at, args: { most } }];
    this.state.startBlock();
    const reading = { nodes: [], findings, labels: [], citations: [], strangers: [] };
    const trace = this.state.endBlock();
    return makeBlock(this.nextId++, start, source, source.length, reading, trace);
  }

  /** Reads the block at `start`; again with more text at hand when it looked at the end of what there was. */
  private readBlock(text: EditedText, start: number): SessionBlock {
    this.host.watch?.(start);
    const { p } = this.interpreter;
    if (this.windowStart + p.reader.pos !== start) this.openWindow(text, start, WINDOW);
    for (let size = WINDOW; ; size *= 8) {
      const { reader } = p;
      const from = reader.pos;
      const id = this.nextId++;
      reader.startChunk(id);
      this.state.startBlock();
      const reading = this.interpreter.readBlock();
      const trace = this.state.endBlock();
      const end = Math.max(reader.pos, from + (reader.atEnd ? 0 : 1));
      const reach = Math.max(p.reach, end);
      const isAll = this.windowStart + reader.text.length === text.length;
      if (isAll || reach < reader.text.length) {
        return makeBlock(id, start, reader.text.slice(from, end), reach - from, reading, trace);
      }
      this.undo(trace);
      this.openWindow(text, start, size * 8);
    }
  }

  /** Takes back what a block wrote. */
  private undo({ writes }: BlockTrace): void {
    this.state.restore(
      [...writes].reverse().map(({ cell, before }): Held => ({ cell, value: before })),
    );
  }

  /** An old block stands as it is: what it wrote is written, over what there is now. */
  private reuse(block: SessionBlock, differences: Differences): void {
    const writes = block.trace.writes.map((write) => ({ ...write, before: write.cell.value }));
    for (const { cell, after } of writes) {
      cell.value = after;
      cell.level = 0;
    }
    block.trace = { reads: block.trace.reads, writes };
    differences.passOld(block);
  }

  /** Brings the state to where it was before block `index`. */
  private moveTo(index: number): void {
    while (this.cursor < index) {
      const { writes } = (this.blocks[this.cursor++] as SessionBlock).trace;
      this.state.restore(writes.map(({ cell, after }): Held => ({ cell, value: after })));
    }
    while (this.cursor > index) {
      this.undo((this.blocks[--this.cursor] as SessionBlock).trace);
    }
  }
}

/** The first block whose reading can have seen the place of the edit. */
function firstDirty(blocks: readonly SessionBlock[], from: number): number {
  for (let i = 0; i < blocks.length; i++) {
    const block = blocks[i] as SessionBlock;
    if (block.start + block.reach >= from) return i;
  }
  return blocks.length === 0 ? 0 : blocks.length - 1;
}

/** Is the old block behind us: before the place reached, or touched by the edit? */
function mustPass(block: SessionBlock, oldPos: number, editEnd: number): boolean {
  return block.start < oldPos || (block.start === oldPos && block.start < editEnd);
}

/** The cells that may hold something else than they held at the same place before. */
class Differences {
  /** What the cell held in the old reading. */
  private readonly old = new Map<Cell, unknown>();

  /** A cell that no block writes holds something else now. */
  given(cell: Cell, before: unknown): void {
    this.old.set(cell, before);
  }

  forget(cell: Cell): void {
    this.old.delete(cell);
  }

  /** The old reading goes past a block. */
  passOld(block: SessionBlock): void {
    for (const { cell, after } of block.trace.writes) this.old.set(cell, after);
  }

  /** The new reading has read a block. */
  passNew(block: SessionBlock): void {
    for (const { cell, before } of block.trace.writes)
      if (!this.old.has(cell)) this.old.set(cell, before);
  }

  /** Forgets cells that hold what they held. */
  settle(): void {
    for (const [cell, value] of this.old) if (sameValue(value, cell.value)) this.old.delete(cell);
  }

  get none(): boolean {
    return this.old.size === 0;
  }

  /** Did the block read any of them? */
  touch(block: SessionBlock): boolean {
    for (const cell of this.old.keys()) if (block.trace.reads.has(cell)) return true;
    return false;
  }
}
