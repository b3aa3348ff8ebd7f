import { diff3Merge } from 'node-diff3';

/** Do the lines of the one stand among those of the other, in their order? */
function isAmong(some: readonly string[], all: readonly string[]): boolean {
  let at = 0;
  for (const line of all) if (line === some[at]) at++;
  return at === some.length;
}

/**
 * What both put in at one place, when one of them holds all lines of the other: the window wrote
 * on after a save whose answer it did not hear. Null when each has lines that the other has not.
 */
function larger(mine: readonly string[], theirs: readonly string[]): readonly string[] | null {
  if (isAmong(theirs, mine)) return mine;
  return isAmong(mine, theirs) ? theirs : null;
}

/**
 * The text with the changes of both sides, when they are in different lines; null when
 * both changed the same ones, but for lines that both put in. Line by line (Khanna, Kunal and Pierce, “A formal
 * investigation of diff3”, 2007).
 */
export function merged(base: string, mine: string, theirs: string): string | null {
  if (mine === theirs || theirs === base) return mine;
  if (mine === base) return theirs;
  const lines = (text: string): string[] => text.split('\n');
  const regions = diff3Merge(lines(mine), lines(base), lines(theirs), {
    excludeFalseConflicts: true,
  });
  const out: string[] = [];
  for (const { ok, conflict } of regions) {
    const put = conflict && conflict.o.length === 0 ? larger(conflict.a, conflict.b) : null;
    if (conflict && !put) return null;
    out.push(...(put ?? ok ?? []));
  }
  return out.join('\n');
}
