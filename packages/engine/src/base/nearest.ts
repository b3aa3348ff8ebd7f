/**
 * Distance in edits between two names: insertions, deletions, substitutions and
 * swaps of neighbours each count one (optimal string alignment). Stops early and
 * answers `limit + 1` once the distance must exceed `limit`.
 */
export function editDistance(a: string, b: string, limit = 3): number {
  if (Math.abs(a.length - b.length) > limit) return limit + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const swap =
        i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]
          ? (before[j - 2] as number) + 1
          : Infinity;
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      const d = Math.min(
        (last[j] as number) + 1,
        (row[j - 1] as number) + 1,
        (last[j - 1] as number) + cost,
        swap,
      );
      row.push(d);
      least = Math.min(least, d);
    }
    if (least > limit) return limit + 1;
    before = last;
    last = row;
  }
  return last[b.length] as number;
}

/** How often each character occurs, less how often it does in `other`, summed up without sign. */
function bagDistance(counts: Int8Array, other: string, length: number): number {
  let shared = 0;
  for (let i = 0; i < other.length; i++) {
    const code = other.charCodeAt(i) & 127;
    if ((counts[code] as number) > 0) shared++;
    counts[code] = (counts[code] as number) - 1;
  }
  for (let i = 0; i < other.length; i++) {
    const code = other.charCodeAt(i) & 127;
    counts[code] = (counts[code] as number) + 1;
  }
  return length + other.length - 2 * shared;
}

/** Do the letters of `name` stand in `longer`, in their order? Then letters were left out. */
function isWithin(name: string, longer: string): boolean {
  let at = 0;
  for (const char of longer) if (char === name[at]) at++;
  return at === name.length;
}

/**
 * The candidates nearest to `name`, at most so many, all equally near; near enough is one edit
 * for names up to four letters, two for longer ones. First come those that share the first
 * letter, then those of which letters were left out, the shorter, then by alphabet.
 */
export function nearestNames(name: string, candidates: Iterable<string>, most: number): string[] {
  const limit = name.length <= 4 ? 1 : 2;
  let least = limit;
  let near = new Map<string, number>();
  const counts = new Int8Array(128);
  for (let i = 0; i < name.length; i++) {
    const code = name.charCodeAt(i) & 127;
    counts[code] = (counts[code] as number) + 1;
  }
  for (const candidate of candidates) {
    if (candidate === name || Math.abs(candidate.length - name.length) > limit) continue;
    // One edit changes at most two counts: most names are passed over by their letters alone.
    if (bagDistance(counts, candidate, name.length) > 2 * least) continue;
    const distance = editDistance(name, candidate, least);
    if (distance > least) continue;
    if (distance < least) near = new Map();
    least = distance;
    near.set(
      candidate,
      (candidate[0] === name[0] ? 0 : 50) + (isWithin(name, candidate) ? 0 : 25) + candidate.length,
    );
  }
  return [...near]
    .sort(([a, x], [b, y]) => x - y || (a < b ? -1 : a > b ? 1 : 0))
    .slice(0, most)
    .map(([candidate]) => candidate);
}

/** The candidate nearest to `name`, or null when none is near enough. */
export const nearestName = (name: string, candidates: Iterable<string>): string | null =>
  nearestNames(name, candidates, 1)[0] ?? null;
