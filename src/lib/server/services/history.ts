import Joi from 'joi';
import type { Receipt } from '../../domain/courseSite';
import { VERSION_KINDS, type VersionKind } from '../../domain/choices';
import type { HandInRepository } from '../repositories/handIns';
import type { VersionRepository } from '../repositories/versions';
import { applyDelta, EMPTY_STATE, type VersionDelta, type VersionState } from './versionDelta';

/** A version as a collection holds it. */
interface PackedVersion {
  readonly at: string;
  readonly kind: VersionKind;
  readonly name: string | null;
  readonly words: number;
  readonly pages: number | null;
  readonly whole: boolean;
  readonly size: number;
  readonly change: VersionDelta;
}

/** Earlier versions of an assignment, the oldest first, and what was handed in of which of them. */
export interface History {
  readonly versions: readonly PackedVersion[];
  readonly handIns: readonly {
    /** Which of the versions it was. */
    readonly version: number;
    readonly at: string;
    readonly receipt: Receipt;
    /** Where the PDF lies that went. */
    readonly pdf: string;
  }[];
}

const text = Joi.string().allow('');
const hash = Joi.string().pattern(/^[0-9a-f]{64}$/);
const path = Joi.string().max(500);
const count = Joi.number().integer().min(0);
const fileChange = Joi.alternatives(
  Joi.object({ text: text.required() }),
  Joi.object({
    edits: Joi.array()
      .items(Joi.array().ordered(count, count, text))
      .required(),
  }),
).allow(null);

const historySchema = Joi.object<History>({
  versions: Joi.array()
    .items(
      Joi.object({
        at: Joi.string().isoDate().required(),
        kind: Joi.string()
          .valid(...VERSION_KINDS)
          .required(),
        name: text.allow(null).required(),
        words: count.required(),
        pages: count.allow(null).required(),
        whole: Joi.boolean().required(),
        size: count.required(),
        change: Joi.object({
          mainPath: text.required(),
          texts: Joi.object().pattern(path, fileChange).required(),
          pictures: Joi.object().pattern(path, hash.allow(null)).required(),
        }).required(),
      }),
    )
    .required(),
  handIns: Joi.array()
    .items(
      Joi.object({
        version: count.required(),
        at: Joi.string().isoDate().required(),
        receipt: Joi.object().unknown().required(),
        pdf: path.required(),
      }),
    )
    .required(),
}).required();

/** Where the history of an assignment lies in a collection: no course is called so. */
const FOLDER = '.history';
const historyPath = (id: string): string => `${FOLDER}/${id}/versions.json`;
const bytesPath = (name: string): string => `${FOLDER}/pictures/${name}`;

interface Stores {
  readonly history: VersionRepository;
  readonly handIns: HandInRepository;
}

/** The pictures that versions know of. */
const hashesIn = (versions: readonly PackedVersion[]): string[] =>
  [...new Set(versions.flatMap(({ change }) => Object.values(change.pictures)))].filter(
    (one): one is string => one !== null,
  );

/** The files of a collection that hold what became of an assignment; none where there is nothing. */
export function packHistory({ history, handIns }: Stores, id: string): Record<string, Buffer> {
  const rows = history.rows(id);
  const handed = handIns.rows(id);
  if (rows.length === 0 && handed.length === 0) return {};
  const out: Record<string, Buffer> = {};
  const versions = rows.map(
    ({ at, kind, name, words, pages, whole, size, content }): PackedVersion => ({
      at,
      kind,
      name,
      words,
      pages,
      whole,
      size,
      change: JSON.parse(content) as VersionDelta,
    }),
  );
  for (const one of hashesIn(versions)) {
    const bytes = history.bytes(one);
    if (bytes) out[bytesPath(one)] = bytes;
  }
  const packed: History = {
    versions,
    handIns: handed.map(({ versionId, at, receipt, pdf }, i) => {
      const name = `${FOLDER}/${id}/hand-in-${i + 1}.pdf`;
      out[name] = pdf;
      return { version: rows.findIndex((row) => row.id === versionId), at, receipt, pdf: name };
    }),
  };
  out[historyPath(id)] = Buffer.from(`${JSON.stringify(packed, null, 1)}\n`);
  return out;
}

/** Can every version be put together from the changes? */
function isWhole(versions: readonly PackedVersion[]): boolean {
  let state: VersionState = EMPTY_STATE;
  for (const [i, { whole, change }] of versions.entries()) {
    if (i === 0 && !whole) return false;
    state = applyDelta(whole ? EMPTY_STATE : state, change);
  }
  return true;
}

/** What a collection tells of an assignment's past: null where it tells nothing, or a sentence that says what is wrong. */
export function readHistory(
  content: ReadonlyMap<string, Buffer>,
  id: string,
): History | null | { readonly problem: string } {
  const file = content.get(historyPath(id));
  if (!file) return null;
  const problem = `${historyPath(id)} cannot be understood. Nothing of it was taken.`;
  try {
    const { value, error } = historySchema.validate(JSON.parse(file.toString('utf8')));
    if (error) return { problem };
    const told = value as History;
    const { versions, handIns } = told;
    const missing = [...hashesIn(versions).map(bytesPath), ...handIns.map(({ pdf }) => pdf)].find(
      (name) => !content.has(name),
    );
    if (missing) return { problem: `${missing} is missing from it. Nothing of it was taken.` };
    const isKnown = handIns.every(({ version }) => version < versions.length);
    return isKnown && isWhole(versions) ? told : { problem };
  } catch {
    return { problem };
  }
}

/** Keeps what became of an assignment that was brought in. */
export function takeHistory(
  { history, handIns }: Stores,
  id: string,
  told: History,
  content: ReadonlyMap<string, Buffer>,
): void {
  for (const one of hashesIn(told.versions)) {
    const bytes = content.get(bytesPath(one));
    if (bytes) history.keepBytes(bytes);
  }
  const ids = told.versions.map(({ change, ...version }) =>
    // What the files are now is known by no number of then.
    history.add({ ...version, assignmentId: id, edition: 0, content: JSON.stringify(change) }),
  );
  for (const { version, at, receipt, pdf } of told.handIns)
    handIns.add(id, ids[version] ?? 0, receipt, content.get(pdf) ?? Buffer.alloc(0), at);
}
