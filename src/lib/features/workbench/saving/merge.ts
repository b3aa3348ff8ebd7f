import { diff3Merge } from 'node-diff3';

/**
 * The text with the changes of both sides, when they are in different lines; null when
 * both changed the same ones. Line by line (Khanna, Kunal and Pierce, “A formal
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
    if (conflict) return null;
    out.push(...(ok ?? []));
  }
  return out.join('\n');
}
