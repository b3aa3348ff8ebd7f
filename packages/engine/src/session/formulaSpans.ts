import type { BlockNode } from '../document/blocks';
import type { SymbolNode } from '../document/math';
import { walk } from '../document/walk';
import type { SessionBlock } from './block';

const known = new WeakMap<readonly BlockNode[], readonly number[]>();

/**
 * Starts and ends of the formulas in what was read, from the start of its block, in the order of the text, each once;
 * found once for each reading.
 */
export function spansIn(nodes: readonly BlockNode[]): readonly number[] {
  let found = known.get(nodes);
  if (!found) {
    found = inOrder(startsAndEnds(nodes));
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

function startsAndEnds(nodes: readonly BlockNode[]): number[] {
  const spans: number[] = [];
  walk(nodes, (node) => {
    const { kind, from, to } = node as { kind?: string; from?: number; to?: number };
    const isFormula = kind === 'math' || kind === 'display';
    if (!isFormula || from === undefined || to === undefined) return true;
    if (to > from) spans.push(from, to);
    return false;
  });
  return spans;
}

const [FIRST_ITALIC, LAST_ITALIC, ITALIC_H] = [0x1d434, 0x1d467, 0x210e];

/** Where the italic letters of formulas are typed, from the start of the block. */
export function italicLetters(nodes: readonly BlockNode[]): ReadonlySet<number> {
  const places = new Set<number>();
  walk(nodes, (node) => {
    const { kind, char, from = 0, to = 0 } = node as Partial<SymbolNode>;
    if (kind !== 'symbol') return true;
    const code = char?.codePointAt(0) ?? 0;
    const isItalic = (code >= FIRST_ITALIC && code <= LAST_ITALIC) || code === ITALIC_H;
    if (isItalic && to - from === 1) places.add(from);
    return false;
  });
  return places;
}

/** The extents of all formulas in the text, start and end by turns, as the engine reads them. */
export function formulaSpans(blocks: readonly SessionBlock[]): Int32Array {
  const out: number[] = [];
  for (const { start, length, reading } of blocks) {
    for (const at of spansIn(reading.nodes)) out.push(start + Math.min(at, length));
  }
  return Int32Array.from(out);
}
