import { CELLS } from '../language/machine/cells';
import type { BlockNode } from '../document/blocks';
import type { FlowBlock } from '../pages/page';
import type { BlockTrace, Cell } from '../expansion/state';
import type { VItem } from '../boxes/vertical';
import type { RawFinding } from '../findings/finding';
import type { BlockReading } from '../language/machine/interpreter';
import type { Answer } from './facts';
import type { SourceNotes } from './sourceAdvice';

/** What a block is laid out from besides its nodes: each fact it asked for, and the answer. */
export type FactReads = ReadonlyMap<string, Answer>;

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
  readonly source: string;
  /** Length of its source, in UTF-16 units. */
  readonly length: number;
  /** How far reading looked, counted from its start; at least `length`. */
  readonly reach: number;
  readonly reading: BlockReading;
  trace: BlockTrace;
  /** What it settled about the document as a whole; almost always nothing. */
  readonly settles: readonly { readonly cell: Cell; readonly after: unknown }[];
  /** Where it starts in the text, and its index; renewed after each edit. */
  start: number;
  index: number;
  laid: LaidBlock | null;
  /** What is shown of it: what was read, or the last good form of what is broken. */
  shown: readonly BlockNode[];
  /** The block as the pages see it, made once. */
  flow: FlowBlock | null;
  /** The labels it refers to, looked for when they are first asked for. */
  referred: readonly string[] | null;
  /** What its source alone tells, made when it is first asked for. */
  notes: SourceNotes | null;
}

/** Cells about the whole document that are asked for after reading. */
const WHOLE: ReadonlySet<string> = new Set(
  [
    CELLS.geometry,
    CELLS.ended,
    CELLS.inDocument,
    CELLS.classMissing,
    CELLS.bibStyle,
    CELLS.unknownPackages,
    CELLS.pdfInfo,
    CELLS.class,
    CELLS.ownQuotes,
  ].map(({ name }) => name),
);

export function makeBlock(
  id: number,
  start: number,
  source: string,
  reach: number,
  reading: BlockReading,
  trace: BlockTrace,
): SessionBlock {
  return {
    id,
    source,
    length: source.length,
    reach,
    reading,
    trace,
    start,
    index: 0,
    settles: trace.writes.filter(({ cell }) => WHOLE.has(cell.name)),
    laid: null,
    shown: reading.nodes,
    flow: null,
    referred: null,
    notes: null,
  };
}

/** Renews starts and indices from block `first` on. */
export function place(blocks: readonly SessionBlock[], first: number): void {
  const before = blocks[first - 1];
  let start = before ? before.start + before.length : 0;
  for (let i = first; i < blocks.length; i++) {
    const block = blocks[i] as SessionBlock;
    block.start = start;
    block.index = i;
    start += block.length;
  }
}

/** The text from `from` to `to` of blocks that stand one behind another. Costs what it gives. */
export function sourceOf(blocks: readonly SessionBlock[], from: number, to: number): string {
  let low = 0;
  let high = blocks.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((blocks[middle] as SessionBlock).start <= from) low = middle;
    else high = middle - 1;
  }
  let text = '';
  for (let i = low; i < blocks.length; i++) {
    const { start, source } = blocks[i] as SessionBlock;
    if (start >= to) break;
    text += source.slice(Math.max(0, from - start), to - start);
  }
  return text;
}

/** What reading made of a block, and where the block starts in the text. */
export interface WrittenBlock {
  readonly start: number;
  readonly nodes: readonly BlockNode[];
}

/** What reading made of a text, block by block. */
export const writtenOf = (blocks: readonly SessionBlock[]): WrittenBlock[] =>
  blocks.map(({ start, reading }) => ({ start, nodes: reading.nodes }));
