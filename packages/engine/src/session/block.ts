import type { BlockTrace, Cell } from '../expansion/state';
import type { VItem } from '../boxes/vertical';
import type { RawFinding } from '../findings/finding';
import type { BlockReading } from '../language/interpreter';

/** What a block is laid out from besides its nodes: each fact it asked for, and the answer. */
export type FactReads = ReadonlyMap<string, string | null>;

/** A block's layout: its items, what layout found, and the facts it read. */
export interface LaidBlock {
  readonly items: readonly VItem[];
  readonly findings: readonly RawFinding[];
  readonly facts: FactReads;
}

/**
 * Everything kept of the source between two safe points. The session is the only
 * place that remembers, so these are the only records that change.
 */
export interface SessionBlock {
  readonly id: number;
  /** Length of its source, in UTF-16 units. */
  readonly length: number;
  /** How far reading looked, counted from its start; at least `length`. */
  readonly reach: number;
  readonly reading: BlockReading;
  readonly readCells: ReadonlySet<Cell>;
  trace: BlockTrace;
  /** Where it starts in the text, and its index; renewed after each edit. */
  start: number;
  index: number;
  laid: LaidBlock | null;
}

export function makeBlock(
  id: number,
  start: number,
  length: number,
  reach: number,
  reading: BlockReading,
  trace: BlockTrace,
): SessionBlock {
  return {
    id,
    length,
    reach,
    reading,
    trace,
    readCells: new Set(trace.reads.map(({ cell }) => cell)),
    start,
    index: 0,
    laid: null,
  };
}

/** Renews starts and indices. */
export function place(blocks: readonly SessionBlock[]): void {
  let start = 0;
  for (let i = 0; i < blocks.length; i++) {
    const block = blocks[i] as SessionBlock;
    block.start = start;
    block.index = i;
    start += block.length;
  }
}
