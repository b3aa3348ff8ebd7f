import type { BlockNode } from '../document/blocks';
import type { SymbolNode } from '../document/math';
import type { SessionBlock } from './block';

const known = new WeakMap<readonly BlockNode[], readonly number[]>();

/**
 * Starts and ends of the formulas in what was read, from the start of its block, in the order of the text, each once;
 * found once for each reading.
 */
export function spansIn(nodes: readonly BlockNode[]): readonly number[] {
  let found = known.get(nodes);
  if (!found) {
    const spans: number[] = [];
    collect(nodes, spans);
    found = inOrder(spans);
    known.set(nodes, found);
  }
  return found;
}

/** Pictures hold their labels in another order than the text, and some of them more than once. */
function inOrder(spans: readonly number[]): readonly number[] {
  const pairs = spans.flatMap((from, i) => (i % 2 ? [] : [[from, spans[i + 1] ?? from] as const]));
  if (pairs.every(([from], i) => from > (pairs[i - 1]?.[0] ?? -1))) return spans;
  const sorted = [...pairs].sort(([a, end], [b, other]) => a - b || end - other);
  return sorted
    .filter(([from, to], i) => from !== sorted[i - 1]?.[0] || to !== sorted[i - 1]?.[1])
    .flat();
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

const [FIRST_ITALIC, LAST_ITALIC, ITALIC_H] = [0x1d434, 0x1d467, 0x210e];

/** Where the italic letters of formulas are typed, from the start of the block. */
export function italicLetters(nodes: readonly BlockNode[]): ReadonlySet<number> {
  const places = new Set<number>();
  collectLetters(nodes, places);
  return places;
}

function collectLetters(value: unknown, places: Set<number>): void {
  if (Array.isArray(value)) {
    for (const part of value) collectLetters(part, places);
    return;
  }
  if (value === null || typeof value !== 'object') return;
  const { kind, char, from = 0, to = 0 } = value as Partial<SymbolNode>;
  if (kind === 'symbol') {
    const code = char?.codePointAt(0) ?? 0;
    const isItalic = (code >= FIRST_ITALIC && code <= LAST_ITALIC) || code === ITALIC_H;
    if (isItalic && to - from === 1) places.add(from);
    return;
  }
  for (const key in value) {
    const part = (value as Record<string, unknown>)[key];
    if (typeof part === 'object' && key !== 'font') collectLetters(part, places);
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
