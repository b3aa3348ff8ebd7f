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

/**
 * The nodes of a block in which every broken formula shows its last good form: that of the
 * formula in the same place before the edit. The reading itself when there is nothing to hold.
 *
 * @param before what the block showed before the edit, and the reading it showed.
 */
export function withLastGood(
  reading: BlockReading,
  before: { readonly nodes: readonly BlockNode[]; readonly reading: BlockReading } | null,
): readonly BlockNode[] {
  if (!before || brokenSpans(reading).length === 0) return reading.nodes;
  const old = formulasIn(before.nodes);
  const now = formulasIn(reading.nodes);
  const replacements = new Map<Formula, Formula>();
  now.forEach((formula, i) => {
    if (!isBroken(formula, reading)) return;
    const good = old[i];
    if (!good || good.kind !== formula.kind || good.to <= good.from) return;
    // With another number of formulas, only one that starts where this one does is the same.
    if (old.length !== now.length && good.from !== formula.from) return;
    if (good.font.color === HELD) replacements.set(formula, good);
    else if (!isBroken(good, before.reading)) replacements.set(formula, held(good, formula));
  });
  return replacements.size === 0 ? reading.nodes : replaced(reading.nodes, replacements);
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
