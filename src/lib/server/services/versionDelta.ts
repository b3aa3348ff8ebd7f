import { editBetween } from '@odd-compass/engine/edits';
import { diffLines } from 'diff';

/** The files of an assignment as a version holds them: texts, and the hashes of pictures. */
export interface VersionState {
  readonly mainPath: string;
  readonly texts: Readonly<Record<string, string>>;
  readonly pictures: Readonly<Record<string, string>>;
}

type Edit = readonly [from: number, to: number, text: string];

/** What became of a file: a new text, edits (places in the old text, in order), a new picture, or gone. */
type FileChange = { readonly text: string } | { readonly edits: readonly Edit[] } | null;

export interface VersionDelta {
  readonly mainPath: string;
  readonly texts: Readonly<Record<string, FileChange>>;
  readonly pictures: Readonly<Record<string, string | null>>;
}

export const EMPTY_STATE: VersionState = { mainPath: '', texts: {}, pictures: {} };

/** Texts that differ in more lines than this are compared by their ends only. */
const MOST_LINE_EDITS = 1500;

/** What changes one state into another. */
export function deltaBetween(before: VersionState, after: VersionState): VersionDelta {
  const texts: Record<string, FileChange> = {};
  for (const [path, text] of Object.entries(after.texts)) {
    const old = before.texts[path];
    if (old === text) continue;
    texts[path] = old === undefined ? { text } : { edits: editsBetween(old, text) };
  }
  const pictures: Record<string, string | null> = {};
  for (const [path, hash] of Object.entries(after.pictures))
    if (before.pictures[path] !== hash) pictures[path] = hash;
  for (const path of Object.keys(before.texts)) if (!(path in after.texts)) texts[path] = null;
  for (const path of Object.keys(before.pictures))
    if (!(path in after.pictures)) pictures[path] = null;
  return { mainPath: after.mainPath, texts, pictures };
}

/** The state that a delta makes of one; the reverse of `deltaBetween`. */
export function applyDelta(before: VersionState, delta: VersionDelta): VersionState {
  const texts: Record<string, string> = { ...before.texts };
  for (const [path, change] of Object.entries(delta.texts)) {
    if (change === null) delete texts[path];
    else texts[path] = 'text' in change ? change.text : edited(texts[path] ?? '', change.edits);
  }
  const pictures: Record<string, string> = { ...before.pictures };
  for (const [path, hash] of Object.entries(delta.pictures)) {
    if (hash === null) delete pictures[path];
    else pictures[path] = hash;
  }
  return { mainPath: delta.mainPath, texts, pictures };
}

function edited(text: string, edits: readonly Edit[]): string {
  let out = '';
  let at = 0;
  for (const [from, to, inserted] of edits) {
    out += text.slice(at, from) + inserted;
    at = to;
  }
  return out + text.slice(at);
}

/** The lines that changed, as edits of the old text. */
export function editsBetween(old: string, text: string): Edit[] {
  const parts = diffLines(old, text, { maxEditLength: MOST_LINE_EDITS });
  if (!parts) {
    const edit = editBetween(old, text);
    return edit ? [[edit.from, edit.to, edit.text]] : [];
  }
  const edits: [number, number, string][] = [];
  let at = 0;
  let open: [number, number, string] | null = null;
  for (const { added, removed, value } of parts) {
    if (!added && !removed) {
      at += value.length;
      open = null;
      continue;
    }
    if (!open) {
      open = [at, at, ''];
      edits.push(open);
    }
    if (removed) {
      at += value.length;
      open[1] = at;
    } else open[2] += value;
  }
  return edits;
}

/** Characters of change that a delta holds. */
export const deltaSize = (delta: VersionDelta): number => JSON.stringify(delta).length;
