import { diffArrays } from 'diff';

/** A line of the one text, of the other, or of both. */
export interface ComparedLine {
  readonly kind: 'same' | 'gone' | 'new';
  readonly before: string | null;
  readonly after: string | null;
}

/** Texts that differ in more lines than this are shown as wholly changed. */
const MOST = 4000;

/** Two texts line by line, beside each other; changed lines are put in pairs. */
export function compareLines(before: readonly string[], after: readonly string[]): ComparedLine[] {
  const parts = diffArrays([...before], [...after], { maxEditLength: MOST }) ?? [
    { removed: true, added: false, value: [...before] },
    { removed: false, added: true, value: [...after] },
  ];
  const out: ComparedLine[] = [];
  let gone: string[] = [];
  let fresh: string[] = [];
  const flush = (): void => {
    for (let i = 0; i < Math.max(gone.length, fresh.length); i++)
      out.push({
        kind: i < fresh.length ? 'new' : 'gone',
        before: gone[i] ?? null,
        after: fresh[i] ?? null,
      });
    gone = [];
    fresh = [];
  };
  for (const { added, removed, value } of parts) {
    if (removed) gone = [...gone, ...value];
    else if (added) fresh = [...fresh, ...value];
    else {
      flush();
      for (const line of value) out.push({ kind: 'same', before: line, after: line });
    }
  }
  flush();
  return out;
}

/** Which lines of each list are not in the other, by their numbers. */
export function changedLines(
  before: readonly string[],
  after: readonly string[],
): { readonly gone: ReadonlySet<number>; readonly fresh: ReadonlySet<number> } {
  const gone = new Set<number>();
  const fresh = new Set<number>();
  let b = 0;
  let a = 0;
  for (const { kind, before: old, after: now } of compareLines(before, after)) {
    if (kind !== 'same') {
      if (old !== null) gone.add(b);
      if (now !== null) fresh.add(a);
    }
    if (old !== null) b++;
    if (now !== null) a++;
  }
  return { gone, fresh };
}
