import { cell as declared, ownName, type CellOf } from './cells';
import type { Meaning } from './meaning';

/**
 * One thing the processor remembers: the meaning of a name, a register, a
 * parameter. `value` may be read directly only by `State`.
 */
export interface Cell {
  readonly name: string;
  value: CellValue;
  /** The group level at which the value was set. */
  level: number;
  /** The block that last noted reading, or writing, this cell. */
  readStamp: number;
  writeStamp: number;
}

/** Plain immutable data of any kind; `Meaning` for names. */
export type CellValue = unknown;

/** A cell and what it held. */
export interface Held {
  readonly cell: Cell;
  readonly value: CellValue;
}

interface Saved {
  readonly cell: Cell;
  readonly value: CellValue;
  readonly level: number;
}

/** What reading one block took from the state, and what it left changed. */
export interface BlockTrace {
  /** Cells read. Blocks that read the same ones, in the same order, share the set. */
  readonly reads: ReadonlySet<Cell>;
  /** Cells set, with values before and after; also those set to what they held. */
  readonly writes: readonly {
    readonly cell: Cell;
    readonly before: CellValue;
    readonly after: CellValue;
  }[];
}

/** Cells read so far by a block, in order: the cell read next leads on. */
interface ReadPath {
  /** Where the cell read next leads: most paths go on in one way only. */
  only: ReadPath | null;
  others: Map<Cell, ReadPath> | null;
  readonly cell: Cell | null;
  readonly before: ReadPath | null;
  set: ReadonlySet<Cell> | null;
}
const newPath = (cell: Cell | null, before: ReadPath | null): ReadPath => ({
  only: null,
  others: null,
  cell,
  before,
  set: null,
});
const follow = (path: ReadPath, cell: Cell): ReadPath | undefined =>
  path.only?.cell === cell ? path.only : path.others?.get(cell);

function lead(path: ReadPath, cell: Cell): ReadPath {
  const next = newPath(cell, path);
  if (path.only) (path.others ??= new Map()).set(cell, next);
  else path.only = next;
  return next;
}

/** How many paths are remembered; then they are begun anew. Blocks keep the sets they have. */
const MOST_PATHS = 100_000;

function setOf(path: ReadPath): ReadonlySet<Cell> {
  if (path.set) return path.set;
  const set = new Set<Cell>();
  for (let at: ReadPath | null = path; at?.cell; at = at.before) set.add(at.cell);
  path.set = set;
  return set;
}

/** Stands for all public names that are defined: a sum over them in the order they came. */
export const NAMES = declared('names', 0);
/** Names that a document writes: of commands, and of environments behind their mark. */
const PUBLIC_NAME = /^\u0002?[A-Za-z]+\*?$/;

/**
 * The state of the processor: named cells, scopes by save stack (The TeXbook,
 * chapter 24; the program's §268 ff.), and for each block an exact record of what
 * it read and wrote, by which the session proves that a block can be reused.
 * Reading, writing and opening a group cost O(1); closing one costs what it undoes.
 */
export class State {
  private readonly cells = new Map<string, Cell>();
  private readonly registers = new Map<string, Map<string | number, Cell>>();
  private readonly saved: Saved[] = [];
  private readonly marks: number[] = [];
  private stamp = 1;
  private paths = newPath(null, null);
  private pathCount = 0;
  /** What the current block has read. */
  private readPath = this.paths;
  private written: Held[] = [];

  /** The cell of that name, made on first use. */
  readonly cell = (name: string): Cell => {
    let cell = this.cells.get(name);
    if (!cell) {
      cell = { name, value: undefined, level: 0, readStamp: 0, writeStamp: 0 };
      this.cells.set(name, cell);
    }
    return cell;
  };

  /** The storage of a register or parameter, by type and number or name. */
  register(type: string, name: string | number): Cell {
    let ofType = this.registers.get(type);
    if (!ofType) {
      ofType = new Map();
      this.registers.set(type, ofType);
    }
    let cell = ofType.get(name);
    if (!cell) {
      cell = this.cell(ownName(`${type}:${name}`));
      ofType.set(name, cell);
    }
    return cell;
  }

  /** Groups open now. */
  get level(): number {
    return this.marks.length;
  }

  /** The cell's value, noted as read by the current block. */
  get(cell: Cell): CellValue {
    if (cell.readStamp !== this.stamp) this.noteRead(cell);
    return cell.value;
  }

  /** The value, not noted: for lists of what is known (completion, nearest names), never for decisions. */
  peek(cell: Cell): CellValue {
    return cell.value;
  }

  /** Does the work read the cell? It counts as read by the block as everything does. */
  readsWhile(cell: Cell, work: () => void): boolean {
    const { readStamp } = cell;
    cell.readStamp = 0;
    work();
    if (cell.readStamp === this.stamp) return true;
    cell.readStamp = readStamp;
    return false;
  }

  /** What a declared cell holds, noted as read. */
  read<T>(declared: CellOf<T>): T {
    return this.valueOf(declared, this.get(this.cell(declared.name)));
  }

  /** What a value that a declared cell held stands for: a cell is written through `write` alone. */
  valueOf<T>(declared: CellOf<T>, value: CellValue): T {
    return value === undefined ? declared.start : (value as T);
  }

  /** What a declared cell holds, not noted: see `peek`. */
  peekAt<T>(declared: CellOf<T>): T {
    return this.valueOf(declared, this.cell(declared.name).value);
  }

  /** Sets a declared cell, in the current group or globally. */
  write<T>(declared: CellOf<T>, value: T, global = false): void {
    this.set(this.cell(declared.name), value, global);
  }

  meaning(cell: Cell): Meaning | undefined {
    return this.get(cell) as Meaning | undefined;
  }

  /** Sets a cell, in the current group or globally. */
  set(cell: Cell, value: CellValue, global = false): void {
    const comesOrGoes = (cell.value === undefined) !== (value === undefined);
    if (comesOrGoes && PUBLIC_NAME.test(cell.name)) this.noteName(cell.name, global);
    if (cell.writeStamp !== this.stamp) {
      cell.writeStamp = this.stamp;
      this.written.push({ cell, value: cell.value });
    }
    const level = global ? 0 : this.level;
    if (level > 0) {
      // Closing the group brings the old value back, so the block depends on it.
      if (cell.readStamp !== this.stamp) this.noteRead(cell);
      if (cell.level !== level) {
        this.saved.push({ cell, value: cell.value, level: cell.level });
      }
    } else if (this.level === 0 && cell.readStamp !== this.stamp) {
      cell.readStamp = this.stamp;
    }
    cell.level = level;
    cell.value = value;
  }

  /** The names there are have changed: what proposes names goes by this cell. */
  private noteName(name: string, global: boolean): void {
    const cell = this.cell(NAMES.name);
    let sum = Number(this.get(cell) ?? NAMES.start);
    for (let i = 0; i < name.length; i++) sum = (Math.imul(sum, 31) + name.charCodeAt(i)) | 0;
    this.set(cell, sum, global);
  }

  openGroup(): void {
    this.marks.push(this.saved.length);
  }

  closeGroup(): void {
    const mark = this.marks.pop();
    if (mark === undefined) return;
    while (this.saved.length > mark) {
      const { cell, value, level } = this.saved.pop() as Saved;
      // A global assignment since then stands (§283 of the program).
      if (cell.level === 0) continue;
      cell.value = value;
      cell.level = level;
    }
  }

  /** Starts the record of a block. */
  startBlock(): void {
    this.stamp++;
    if (this.pathCount > MOST_PATHS) {
      this.paths = newPath(null, null);
      this.pathCount = 0;
    }
    this.readPath = this.paths;
    this.written = [];
  }

  /** Ends the record of a block. Groups that something left open end with it. */
  endBlock(): BlockTrace {
    while (this.level > 0) this.closeGroup();
    const writes = this.written.map(({ cell, value }) => ({
      cell,
      before: value,
      after: cell.value,
    }));
    return { reads: setOf(this.readPath), writes };
  }

  /** Puts values back without noting anything: how the session moves between safe points. */
  restore(values: Iterable<Held>): void {
    for (const { cell, value } of values) {
      cell.value = value;
      cell.level = 0;
    }
  }

  /** Every name bound at present that passes the test. */
  *names(test: (name: string) => boolean): Generator<string> {
    for (const cell of this.cells.values()) {
      if (cell.value !== undefined && test(cell.name)) yield cell.name;
    }
  }

  private noteRead(cell: Cell): void {
    cell.readStamp = this.stamp;
    const known = follow(this.readPath, cell);
    if (!known) this.pathCount++;
    this.readPath = known ?? lead(this.readPath, cell);
  }
}
