import { and, asc, desc, eq, gte, lte, sql } from 'drizzle-orm';
import { createHash } from 'node:crypto';
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import type { VersionKind } from '../../domain/choices';
import type { VersionCard } from '../../domain/version';
import type { Db } from '../db/connection';
import { blobs, versions } from '../db/schema';

export interface NewVersion {
  readonly assignmentId: string;
  readonly at: string;
  readonly kind: VersionKind;
  readonly name: string | null;
  readonly edition: number;
  readonly words: number;
  readonly pages: number | null;
  readonly whole: boolean;
  readonly size: number;
  /** JSON. */
  readonly content: string;
}

/** The last version, without what it holds. */
export interface LastVersion extends VersionCard {
  readonly edition: number;
}

/** The only SQL about versions. */
export function versionRepository(db: Db) {
  const card = {
    id: versions.id,
    at: versions.at,
    kind: versions.kind,
    name: versions.name,
    words: versions.words,
    pages: versions.pages,
  };
  const of = (assignmentId: string) => eq(versions.assignmentId, assignmentId);
  return {
    /** The oldest first. */
    list: (assignmentId: string): VersionCard[] =>
      db.select(card).from(versions).where(of(assignmentId)).orderBy(asc(versions.id)).all(),

    /** All of them with what they hold, the oldest first. */
    rows: (assignmentId: string) =>
      db
        .select()
        .from(versions)
        .where(of(assignmentId))
        .orderBy(asc(versions.id))
        .all()
        .map((row) => ({ ...row, content: inflateRawSync(row.content).toString('utf8') })),

    last(assignmentId: string): LastVersion | null {
      return (
        db
          .select({ ...card, edition: versions.edition })
          .from(versions)
          .where(of(assignmentId))
          .orderBy(desc(versions.id))
          .limit(1)
          .get() ?? null
      );
    },

    /** What the deltas since the last whole version hold together, that one not counted. */
    sizeSinceWhole(assignmentId: string): number {
      const whole = db
        .select({ id: sql<number>`max(${versions.id})` })
        .from(versions)
        .where(and(of(assignmentId), eq(versions.whole, true)))
        .get();
      if (!whole?.id) return Infinity;
      const sum = db
        .select({ size: sql<number | null>`sum(${versions.size})` })
        .from(versions)
        .where(and(of(assignmentId), sql`${versions.id} > ${whole.id}`))
        .get();
      return sum?.size ?? 0;
    },

    add(version: NewVersion): number {
      const content = deflateRawSync(Buffer.from(version.content));
      const made = db
        .insert(versions)
        .values({ ...version, content })
        .run();
      return Number(made.lastInsertRowid);
    },

    /** The whole version at or before one, and the deltas from it up to that one, in order. Empty when there is no such version. */
    chain(
      assignmentId: string,
      id: number,
    ): { readonly whole: boolean; readonly content: string }[] {
      const start = db
        .select({ id: sql<number | null>`max(${versions.id})` })
        .from(versions)
        .where(and(of(assignmentId), eq(versions.whole, true), lte(versions.id, id)))
        .get();
      const rows = db
        .select({ id: versions.id, whole: versions.whole, content: versions.content })
        .from(versions)
        .where(and(of(assignmentId), gte(versions.id, start?.id ?? 0), lte(versions.id, id)))
        .orderBy(asc(versions.id))
        .all();
      if (rows.at(-1)?.id !== id) return [];
      return rows.map(({ whole, content }) => ({
        whole,
        content: inflateRawSync(content).toString('utf8'),
      }));
    },

    /** Keeps bytes once; gives the hash they are found by. */
    keepBytes(bytes: Buffer): string {
      const hash = createHash('sha256').update(bytes).digest('hex');
      db.insert(blobs).values({ hash, bytes }).onConflictDoNothing().run();
      return hash;
    },

    bytes: (hash: string): Buffer | null =>
      db.select().from(blobs).where(eq(blobs.hash, hash)).get()?.bytes ?? null,
  };
}

export type VersionRepository = ReturnType<typeof versionRepository>;
