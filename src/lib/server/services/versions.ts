import type { VersionKind } from '../../domain/choices';
import { countWords, type VersionCard } from '../../domain/version';
import type { AssignmentRepository, AssignmentRow } from '../repositories/assignments';
import type { FileRepository } from '../repositories/files';
import type { PictureRepository } from '../repositories/pictures';
import type { VersionRepository } from '../repositories/versions';
import type { PagePicture } from '../typeset/job';
import type { Typesetter } from '../typeset/typesetter';
import { jobOf, snapshotOf, type Snapshot } from './snapshot';
import {
  applyDelta,
  deltaBetween,
  deltaSize,
  EMPTY_STATE,
  type VersionDelta,
  type VersionState,
} from './versionDelta';

/** While one writes on, a version is made this often, ms. */
const PAUSE = 5 * 60_000;
/** A save that takes away this share of a text, and more than so many characters, has a version made before it. */
const BIG_CUT = 0.3;
const LEAST_CUT = 400;

interface Parts {
  readonly assignments: AssignmentRepository;
  readonly files: FileRepository;
  readonly pictures: PictureRepository;
  readonly versions: VersionRepository;
  readonly typesetter: Typesetter;
  readonly now: () => Date;
  readonly atomically: <T>(work: () => T) => T;
}

/**
 * Earlier versions: made as work goes, by name, and before anything that cannot be typed
 * back. Each is kept as what changed since the one before, until those changes together
 * are as long as the work itself; then one stands whole. So the store grows with what is
 * written, not with versions times length, and any version is put together from changes
 * no longer than the work.
 */
export function versionService(parts: Parts) {
  const { assignments, files, pictures, versions, typesetter, now } = parts;

  function stateOf(snapshot: Snapshot): VersionState {
    const hashes = Object.entries(snapshot.pictures).map(([path, bytes]) => [
      path,
      versions.keepBytes(bytes),
    ]);
    const { mainPath, texts } = snapshot;
    return { mainPath, texts, pictures: Object.fromEntries(hashes) as Record<string, string> };
  }

  function stateAt(id: string, version: number): VersionState | null {
    const chain = versions.chain(id, version);
    if (chain.length === 0) return null;
    return chain.reduce(
      (state, { content }) => applyDelta(state, JSON.parse(content) as VersionDelta),
      EMPTY_STATE,
    );
  }

  function snapshotAt(id: string, version: number): Snapshot | null {
    const state = stateAt(id, version);
    return (
      state && {
        ...state,
        pictures: Object.fromEntries(
          Object.entries(state.pictures).map(([path, hash]) => [
            path,
            versions.bytes(hash) ?? Buffer.alloc(0),
          ]),
        ),
      }
    );
  }

  const current = (row: AssignmentRow): Snapshot =>
    snapshotOf(files, pictures, row.id, row.mainPath);

  /** Keeps the files as they are now; gives the version's number. The same again, without a name of its own, is not kept twice. */
  function keep(row: AssignmentRow, kind: VersionKind, name: string | null): number {
    const last = versions.last(row.id);
    if (last?.edition === row.edition && kind === 'as-written') return last.id;
    return keepSnapshot(row, current(row), kind, name);
  }

  /** Keeps files as they were when they were looked at. */
  function keepSnapshot(
    row: AssignmentRow,
    snapshot: Snapshot,
    kind: VersionKind,
    name: string | null,
  ): number {
    const last = versions.last(row.id);
    const state = stateOf(snapshot);
    const old = last ? (stateAt(row.id, last.id) ?? EMPTY_STATE) : EMPTY_STATE;
    const delta = deltaBetween(old, state);
    const size = deltaSize(delta);
    const length = Object.values(state.texts).reduce((sum, text) => sum + text.length, 0);
    const whole = !last || versions.sizeSinceWhole(row.id) + size > length;
    return versions.add({
      assignmentId: row.id,
      at: now().toISOString(),
      kind,
      name,
      edition: row.edition,
      words: countWords(state.texts[state.mainPath] ?? ''),
      pages: assignments.typesetting(row.id, row.edition)?.pages ?? null,
      whole,
      size,
      content: JSON.stringify(whole ? deltaBetween(EMPTY_STATE, state) : delta),
    });
  }

  return {
    list: (id: string): VersionCard[] => versions.list(id),
    keep,
    keepSnapshot,
    snapshotAt,

    /** A save is about to change a file: what stood there is kept, when it is time or when much would go. */
    beforeSave(row: AssignmentRow, path: string, content: string): void {
      const last = versions.last(row.id);
      if (last?.edition === row.edition) return;
      const due = !last || now().getTime() - new Date(last.at).getTime() >= PAUSE;
      const old = due ? 0 : files.lengthOf(row.id, path);
      const cut = old - content.length;
      if (due || (cut > LEAST_CUT && cut > BIG_CUT * old)) keep(row, 'as-written', null);
    },

    /** A version under a name. Null when there is no such assignment. */
    name(id: string, name: string): number | null {
      const row = assignments.find(id);
      return row && keep(row, 'named', name);
    },

    /** The pages of a version, or of the files as they are (null), with their lines; and the text of the main file. */
    async pages(
      id: string,
      version: number | null,
    ): Promise<{ readonly text: string; readonly pages: readonly PagePicture[] } | null> {
      const row = assignments.find(id);
      const snapshot = row && (version === null ? current(row) : snapshotAt(id, version));
      if (!row || !snapshot) return null;
      const job = { ...jobOf(snapshot, row.title, now()), pictures: true };
      const made = await typesetter.typeset(job);
      return { text: snapshot.texts[snapshot.mainPath] ?? '', pages: made.pictures };
    },

    /** Puts an earlier version in the place of what is there, which is kept first. False when there is no such version. */
    restore(id: string, version: number): boolean {
      const row = assignments.find(id);
      const snapshot = row && snapshotAt(id, version);
      if (!row || !snapshot) return false;
      // All of it or nothing, whenever the server is stopped.
      parts.atomically(() => {
        keep(row, 'before-restore', null);
        writeSnapshot(id, snapshot);
      });
      return true;
    },
  };

  function writeSnapshot(id: string, snapshot: Snapshot): void {
    const at = now().toISOString();
    for (const { path, content } of files.all(id)) {
      const text = snapshot.texts[path];
      if (text === undefined) files.remove(id, path, at);
      else if (text !== content) files.put(id, path, text, at);
    }
    for (const [path, text] of Object.entries(snapshot.texts))
      if (!files.find(id, path)) files.put(id, path, text, at);
    for (const { name } of pictures.all(id))
      if (!snapshot.pictures[name]) pictures.remove(id, name, at);
    for (const [name, bytes] of Object.entries(snapshot.pictures))
      if (!pictures.find(id, name)?.bytes.equals(bytes)) pictures.put(id, name, bytes, at);
    assignments.change(id, { mainPath: snapshot.mainPath });
  }
}

export type VersionService = ReturnType<typeof versionService>;
