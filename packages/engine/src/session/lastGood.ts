import type { BlockNode, Display } from '../document/blocks';
import { HELD } from '../document/font';
import type { MathInline } from '../document/inlines';
import { isOpaque, walk } from '../document/walk';
import { FINDINGS } from '../findings/kinds';
import type { BlockReading } from '../language/machine/interpreter';

type Formula = MathInline | Display;

const isFormula = (value: object): value is Formula => {
  const { kind } = value as { kind?: string };
  return kind === 'math' || kind === 'display';
};

/** The formulas of a block in the order they stand in. */
export function formulasIn(nodes: readonly BlockNode[]): Formula[] {
  const out: Formula[] = [];
  walk(nodes, (node) => {
    if (!isFormula(node)) return true;
    out.push(node);
    return false;
  });
  return out;
}

const brokenSpans = ({ findings }: BlockReading) =>
  findings.filter(({ code }) => FINDINGS[code].severity === 'broken');

/** Is something missing from this formula, by what was found in its block? */
function isBroken(formula: Formula, reading: BlockReading): boolean {
  const { from, to } = formula;
  return brokenSpans(reading).some((found) => found.from <= to && found.to >= from);
}

/** Its last good form, marked; numbers at the margin are those given out now. */
function held(good: Formula, now: Formula): Formula {
  const marked = inHeldColour(good);
  if (marked.kind !== 'display' || now.kind !== 'display') return marked;
  const sameRows = marked.rows.length === now.rows.length;
  const rows = marked.rows.map((row, i) => ({
    ...row,
    tag: sameRows ? (now.rows[i]?.tag ?? null) : row.tag,
  }));
  return { ...marked, rows };
}

/** The same with every colour in it that of what is held. */
function inHeldColour<T>(value: T): T {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) return value.map((part: unknown) => inHeldColour(part)) as T;
  const out: Record<string, unknown> = {};
  for (const [key, part] of Object.entries(value))
    out[key] = key === 'color' && typeof part === 'number' ? HELD : inHeldColour(part as unknown);
  return out as T;
}

/** A block of the source, what was read of it, and what it showed. */
export interface WrittenBlock {
  readonly source: string;
  readonly reading: BlockReading;
  readonly shown: readonly BlockNode[];
}

/** A formula, the reading it is of, and where that starts in the text of its blocks. */
interface Standing {
  readonly formula: Formula;
  readonly reading: BlockReading;
  readonly base: number;
}

function standing(
  blocks: readonly WrittenBlock[],
  nodesOf: (block: WrittenBlock, index: number) => readonly BlockNode[],
): Standing[] {
  let base = 0;
  return blocks.flatMap((block, i) => {
    const here = base;
    base += block.source.length;
    const { reading } = block;
    return formulasIn(nodesOf(block, i)).map((formula) => ({ formula, reading, base: here }));
  });
}

/** How many characters two texts begin with, and end with, that are the same. */
function commonEnds(one: string, other: string): { readonly head: number; readonly tail: number } {
  const most = Math.min(one.length, other.length);
  let head = 0;
  while (head < most && one[head] === other[head]) head++;
  let tail = 0;
  while (tail < most - head && one.at(-1 - tail) === other.at(-1 - tail)) tail++;
  return { head, tail };
}

/**
 * Which formula of the old text a formula of the new one is: the one that starts, or ends, at the
 * same place of what both texts have in common. However many edits lie between them, it is the same.
 */
function finder(gone: readonly WrittenBlock[], changed: readonly WrittenBlock[]) {
  const [before, after] = [gone, changed].map((all) => all.map(({ source }) => source).join(''));
  const [was, is] = [before ?? '', after ?? ''];
  const { head, tail } = commonEnds(was, is);
  const kept = (at: number): number | null =>
    at <= head ? at : at >= was.length - tail ? at + is.length - was.length : null;
  const [starts, ends] = [new Map<number, Standing>(), new Map<number, Standing>()];
  for (const one of standing(gone, ({ shown }) => shown)) {
    const { from, to } = one.formula;
    const [start, end] = [kept(one.base + from), kept(one.base + to)];
    if (start !== null && !starts.has(start)) starts.set(start, one);
    if (end !== null && !ends.has(end)) ends.set(end, one);
  }
  return ({ formula, base }: Standing): Standing | undefined => {
    const from = base + formula.from;
    // A sign that stood there before begins the formula it began, or none.
    const isNew = from >= head && from < is.length - tail;
    return starts.get(from) ?? (isNew ? ends.get(base + formula.to) : undefined);
  };
}

/** What is told of labels is told where they are shown, so what refers to one shows itself. */
function refers(formula: Formula): boolean {
  let found = false;
  walk(formula, (node) => {
    found ||= (node as { kind?: string }).kind === 'ref';
    return !found;
  });
  return found;
}

/**
 * The nodes of the changed blocks, in which every broken formula shows its last good form: that of
 * the same formula before the edit. The readings themselves where there is nothing to hold.
 *
 * @param gone the blocks that stood in their place.
 */
export function withLastGood(
  changed: readonly WrittenBlock[],
  gone: readonly WrittenBlock[],
): (readonly BlockNode[])[] {
  const nodes = changed.map(({ reading }) => reading.nodes);
  const isAtFault = changed.map(({ reading }) => brokenSpans(reading).length > 0);
  if (!isAtFault.includes(true)) return nodes;
  const before = finder(gone, changed);
  const replacements = new Map<Formula, Formula>();
  for (const now of standing(changed, (_, i) => (isAtFault[i] ? (nodes[i] ?? []) : []))) {
    const { formula } = now;
    if (!isBroken(formula, now.reading) || refers(formula)) continue;
    const old = before(now);
    if (!old || old.formula.kind !== formula.kind || old.formula.to <= old.formula.from) continue;
    if (old.formula.font.color === HELD) replacements.set(formula, old.formula);
    else if (!isBroken(old.formula, old.reading))
      replacements.set(formula, held(old.formula, formula));
  }
  return replacements.size === 0
    ? nodes
    : nodes.map((one, i) => (isAtFault[i] ? replaced(one, replacements) : one));
}

/** The same nodes with some formulas replaced; what holds none of them stays the same object. */
function replaced<T>(value: T, by: ReadonlyMap<Formula, Formula>): T {
  if (value === null || typeof value !== 'object') return value;
  if (Array.isArray(value)) {
    const parts = value.map((part: unknown) => replaced(part, by));
    return parts.some((part, i) => part !== value[i]) ? (parts as T) : value;
  }
  if (isFormula(value)) return (by.get(value) as T | undefined) ?? value;
  let changed: Record<string, unknown> | null = null;
  for (const [key, part] of Object.entries(value)) {
    const next: unknown = isOpaque(key) ? part : replaced(part as unknown, by);
    if (next !== part) changed = { ...(changed ?? value), [key]: next };
  }
  return (changed as T | null) ?? value;
}
