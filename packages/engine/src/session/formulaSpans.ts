import type { BlockNode } from '../document/blocks';
import type { SessionBlock } from './block';

const known = new WeakMap<readonly BlockNode[], readonly number[]>();

/** Starts and ends of the formulas in what was read, from the start of its block; found once for each reading. */
export function spansIn(nodes: readonly BlockNode[]): readonly number[] {
  let found = known.get(nodes);
  if (!found) {
    const spans: number[] = [];
    collect(nodes, spans);
    known.set(nodes, spans);
    found = spans;
  }
  return found;
}

function collect(value: unknown, spans: number[]): void {
  if (Array.isArray(value)) {
    for (const part of value) collect(part, spans);
    return;
  }
  if (value === null || typeof value !== 'object') return;
  const { kind, from, to } = value as { kind?: string; from?: number; to?: number };
  if ((kind === 'math' || kind === 'display') && from !== undefined && to !== undefined) {
    if (to > from) spans.push(from, to);
    return;
  }
  for (const key in value) {
    const part = (value as Record<string, unknown>)[key];
    if (typeof part === 'object' && key !== 'font') collect(part, spans);
  }
}

/** The extents of all formulas in the text, start and end by turns, as the engine reads them. */
export function formulaSpans(blocks: readonly SessionBlock[]): Int32Array {
  const out: number[] = [];
  for (const { start, length, reading } of blocks) {
    for (const at of spansIn(reading.nodes)) out.push(start + Math.min(at, length));
  }
  return Int32Array.from(out);
}
