import { fileReferences, refersTo } from '$lib/domain/fileReferences';
import type { Finding, OutlineEntry } from '@odd-compass/engine';
import { movedWays, waysOf } from '@odd-compass/engine/finding';
import type { BlockPlace, Response } from '@odd-compass/engine/worker';

/** A text of the assignment under the engine's name for it. */
export interface NamedText {
  readonly path: string;
  readonly text: string;
}

/** A stretch of a file as it stands in the engine's text. */
export interface Stretch {
  readonly path: string;
  /** Where it begins in the file, and in the engine's text. */
  readonly from: number;
  readonly start: number;
  readonly length: number;
}

/**
 * A part that is written in, seen by the engine in its place within the files that read it:
 * so it is typeset as it will be, and all that is known of the main file is known of it.
 */
export interface PartWindow {
  /** What the engine is given. */
  readonly text: string;
  /** Where the part begins in it. */
  readonly base: number;
  /** The files it was put together from, in the order of the text. */
  readonly stretches: readonly Stretch[];
}

/**
 * The last text of a way in its place.
 * @param way the main file, the parts that read one another in, and the part that is written in.
 * @returns null when one of them does not read in the next.
 */
export function partWindow(way: readonly NamedText[]): PartWindow | null {
  const [file, next] = way;
  if (!file) return null;
  const { path, text } = file;
  if (!next)
    return { text, base: 0, stretches: [{ path, from: 0, start: 0, length: text.length }] };
  const inner = partWindow(way.slice(1));
  const reference = fileReferences(text).find(
    (it) => /^(input|include)$/.test(it.command) && refersTo(it, next.path),
  );
  if (!inner || !reference) return null;
  const from = text.lastIndexOf('\\', reference.from);
  const to = text.indexOf('}', reference.to) + 1;
  const page = reference.command === 'include' ? '\\clearpage\n' : '';
  // The part's last line end is a blank, as that of the line that reads it in; together they would be an empty line.
  const lineEnd = next.text === '' || next.text.endsWith('\n') ? '' : '\n';
  const rest = text.slice(to).replace(/^[ \t]*\n/, '');
  const before = text.slice(0, from) + page;
  const upToRest = `${before}${inner.text}${lineEnd}\\relax\n${page}`;
  return {
    text: upToRest + rest,
    base: before.length + inner.base,
    stretches: [
      { path, from: 0, start: 0, length: from },
      ...inner.stretches.map((one) => ({ ...one, start: one.start + before.length })),
      { path, from: text.length - rest.length, start: upToRest.length, length: rest.length },
    ],
  };
}

type Account = Extract<Response, { kind: 'account' }>;

/** An entry of the outline and the file it is of. */
export type PlacedEntry = OutlineEntry & { readonly file: string };

/** What the engine tells, each thing in its file. */
export interface PlacedAccount extends Account {
  /** Of the part. */
  readonly outline: readonly OutlineEntry[];
  /** Of all files. */
  readonly contents: readonly PlacedEntry[];
}

/** Where a part stands in the engine's text. */
export interface PartPlace extends Pick<PartWindow, 'base' | 'stretches'> {
  /** Its length now, and when the text was put together. */
  readonly length: number;
  readonly lengthThen: number;
  readonly path: string;
  readonly mainPath: string;
}

/** The stretch that holds a place of the engine's text, and how far the places of its file lie from it. */
function stretchAt(place: PartPlace, at: number): { readonly path: string; readonly by: number } {
  const { base, length, lengthThen, path } = place;
  if (at >= base && at <= base + length) return { path, by: base };
  const grown = at > base ? length - lengthThen : 0;
  const found = place.stretches.findLast(
    (one) => one.start + grown <= at && !(one.path === path && one.start === base),
  );
  return found
    ? { path: found.path, by: found.start + grown - found.from }
    : { path: place.mainPath, by: 0 };
}

/** The outline as it was written: figures stand elsewhere on the pages. */
const asWritten = (outline: readonly OutlineEntry[]): readonly OutlineEntry[] =>
  [...outline].sort((a, b) => a.from - b.from);

/** What the engine tells of its text, with places counted in the files; formulas and blocks are those of the part. */
export function accountWithin(account: Account, place: PartPlace): PlacedAccount {
  const { base, length, mainPath } = place;
  const entries = asWritten(account.outline).map((entry) => {
    const { path, by } = stretchAt(place, entry.from);
    return { file: path, entry: { ...entry, from: entry.from - by, to: entry.to - by } };
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
      finding.file === mainPath ? findingWithin(finding, place) : finding,
    ),
    outline: entries.filter(({ file }) => file === place.path).map(({ entry }) => entry),
    contents: entries.map(({ file, entry }) => ({ ...entry, file })),
    blockStarts: account.blockStarts.map((start) => start - base),
    formulas: Int32Array.from(formulas),
  };
}

/** A finding at its place in its file; a way to mend it that reaches into another file is left out. */
function findingWithin(finding: Finding, place: PartPlace): Finding {
  const { path, by } = stretchAt(place, finding.from);
  const { fix: _fix, others: _others, ...said } = finding;
  const here = waysOf(finding).filter(({ edits }) =>
    edits.every(({ from }) => stretchAt(place, from).by === by),
  );
  const [fix, ...others] = here;
  return {
    ...said,
    ...movedWays({ ...(fix ? { fix } : {}), others }, (at) => at - by),
    file: path,
    from: finding.from - by,
    to: finding.to - by,
  };
}

/** What the engine tells when the file that is written in is none of its text. */
export const accountElsewhere = (account: Account, mainPath: string): PlacedAccount => ({
  ...account,
  outline: [],
  contents: asWritten(account.outline).map((entry) => ({ ...entry, file: mainPath })),
  blockStarts: [],
  formulas: new Int32Array(),
});

/** A block's place counted from the part's start; null when it is of the main file. */
export const blockWithin = (place: BlockPlace, base: number, length: number): BlockPlace | null =>
  place.start + place.length > base && place.start < base + length
    ? { ...place, start: place.start - base }
    : null;
