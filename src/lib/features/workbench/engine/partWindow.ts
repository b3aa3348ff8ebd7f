import { fileReferences, refersTo } from '$lib/domain/fileReferences';
import type { Finding, OutlineEntry } from '@odd-compass/engine';
import { movedWays } from '@odd-compass/engine/finding';
import type { BlockPlace, Response } from '@odd-compass/engine/worker';

/**
 * A part that is written in, seen by the engine in its place within the main file: so it
 * is typeset as it will be, and all that is known of the main file is known of it.
 */
export interface PartWindow {
  /** What the engine is given. */
  readonly text: string;
  /** Where the part begins in it. */
  readonly base: number;
}

/** The part's text in the place where the main file reads it in; null when it does not do so itself. */
export function partWindow(main: string, path: string, part: string): PartWindow | null {
  const reference = fileReferences(main).find(
    (it) => /^(input|include)$/.test(it.command) && refersTo(it, path),
  );
  if (!reference) return null;
  const from = main.lastIndexOf('\\', reference.from);
  const to = main.indexOf('}', reference.to) + 1;
  const page = reference.command === 'include' ? '\\clearpage\n' : '';
  const before = main.slice(0, from) + page;
  // The part's last line end is a blank, as that of the line that reads it in; together they would be an empty line.
  const lineEnd = part === '' || part.endsWith('\n') ? '' : '\n';
  const behind = `${lineEnd}\\relax\n${page}${main.slice(to).replace(/^[ \t]*\n/, '')}`;
  return { text: before + part + behind, base: before.length };
}

type Account = Extract<Response, { kind: 'account' }>;

/** Where a part stands in the main file. */
export interface PartPlace {
  readonly base: number;
  readonly length: number;
  readonly path: string;
  readonly mainPath: string;
}

/** What concerns the part, with places counted from its start; findings in it bear its name. */
export function accountWithin(
  account: Account,
  { base, length, path, mainPath }: PartPlace,
): Account {
  const inside = ({ from }: { readonly from: number }): boolean =>
    from >= base && from <= base + length;
  const moved = <T extends Finding | OutlineEntry>(one: T): T => ({
    ...one,
    from: one.from - base,
    to: one.to - base,
  });
  const formulas: number[] = [];
  for (let i = 0; i + 1 < account.formulas.length; i += 2) {
    const from = (account.formulas[i] as number) - base;
    if (from >= 0 && from <= length)
      formulas.push(from, (account.formulas[i + 1] as number) - base);
  }
  return {
    ...account,
    findings: account.findings.map((finding) =>
      finding.file === mainPath && inside(finding)
        ? { ...moved(finding), ...movedWays(finding, (at) => at - base), file: path }
        : finding,
    ),
    outline: account.outline.filter(inside).map(moved),
    blockStarts: base === Infinity ? [] : account.blockStarts.map((start) => start - base),
    formulas: Int32Array.from(formulas),
  };
}

/** A block's place counted from the part's start; null when it is of the main file. */
export const blockWithin = (place: BlockPlace, base: number, length: number): BlockPlace | null =>
  place.start + place.length > base && place.start < base + length
    ? { ...place, start: place.start - base }
    : null;
