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

/** A line of a page, its look, and where it stands. */
export interface PlacedLine {
  readonly text: string;
  readonly look: string;
  readonly page: number;
  readonly x: number;
  readonly y: number;
}

/** What two versions of a sheet differ in, by the numbers of their lines. */
export interface ComparedPages {
  readonly gone: ReadonlySet<number>;
  readonly fresh: ReadonlySet<number>;
  /** Lines that look as they did and stand elsewhere, then and now. */
  readonly movedFrom: ReadonlySet<number>;
  readonly movedTo: ReadonlySet<number>;
  /** Are the words the same? */
  readonly sameWords: boolean;
}

/** A line that stands less than this from where it stood has not moved, big points. */
const STILL = 0.5;

/** Pages line by line: those whose words or looks differ, and those that only stand elsewhere. */
export function comparedPages(
  before: readonly PlacedLine[],
  after: readonly PlacedLine[],
): ComparedPages {
  const seen = ({ text, look }: PlacedLine): string => `${text}\u0000${look}`;
  const { gone, fresh } = changedLines(before.map(seen), after.map(seen));
  const [movedFrom, movedTo] = [new Set<number>(), new Set<number>()];
  const kept = after.map((_, i) => i).filter((i) => !fresh.has(i));
  before.forEach((old, i) => {
    if (gone.has(i)) return;
    const at = kept.shift();
    const now = at === undefined ? undefined : after[at];
    if (at === undefined || !now) return;
    const still = old.page === now.page && Math.hypot(old.x - now.x, old.y - now.y) < STILL;
    if (still) return;
    movedFrom.add(i);
    movedTo.add(at);
  });
  const words = (lines: readonly PlacedLine[]): string => lines.map(({ text }) => text).join(' ');
  const sameWords = words(before).replace(/\s+/g, ' ') === words(after).replace(/\s+/g, ' ');
  return { gone, fresh, movedFrom, movedTo, sameWords };
}

const lines = (n: number, verb: readonly [string, string]): string =>
  n === 1 ? `1 line ${verb[0]}` : `${n} lines ${verb[1]}`;

/** What the pages differ in, in words, where the words of the sheet do not; '' when there is nothing to say. */
export function layoutWords({ fresh, movedTo, sameWords }: ComparedPages): string {
  if (!sameWords || fresh.size + movedTo.size === 0) return '';
  const said = [
    ...(fresh.size > 0 ? [lines(fresh.size, ['looks otherwise', 'look otherwise'])] : []),
    ...(movedTo.size > 0 ? [lines(movedTo.size, ['stands elsewhere', 'stand elsewhere'])] : []),
  ];
  return `the words are the same, ${said.join(', ')}`;
}
