import { and, asc, eq, sql } from 'drizzle-orm';
import type { FileInfo, PictureInfo } from '../../domain/assignment';
import type { Db } from '../db/connection';
import { assignments, pictures } from '../db/schema';
import { countChange } from './edition';

export interface StoredPicture extends PictureInfo {
  readonly bytes: Buffer;
}

/** The only SQL about the pictures of assignments. */
export function pictureRepository(db: Db) {
  const named = (assignmentId: string, name: string) =>
    and(eq(pictures.assignmentId, assignmentId), eq(pictures.name, name));
  return {
    list(assignmentId: string): FileInfo[] {
      return db
        .select({
          path: pictures.name,
          version: pictures.version,
          size: sql<number>`length(${pictures.bytes})`,
        })
        .from(pictures)
        .where(eq(pictures.assignmentId, assignmentId))
        .orderBy(asc(pictures.name))
        .all()
        .map((row) => ({ ...row, kind: 'picture' }));
    },

    all(assignmentId: string): StoredPicture[] {
      return db
        .select({ name: pictures.name, version: pictures.version, bytes: pictures.bytes })
        .from(pictures)
        .where(eq(pictures.assignmentId, assignmentId))
        .all();
    },

    find(assignmentId: string, name: string): StoredPicture | null {
      const { name: column, version, bytes } = pictures;
      return (
        db
          .select({ name: column, version, bytes })
          .from(pictures)
          .where(named(assignmentId, name))
          .get() ?? null
      );
    },

    /** Keeps a picture, in the place of one of the same name. Null when there is no such assignment. */
    put(assignmentId: string, name: string, bytes: Buffer, now: string): PictureInfo | null {
      return db.transaction((tx) => {
        const owner = tx.select().from(assignments).where(eq(assignments.id, assignmentId)).get();
        if (!owner) return null;
        tx.insert(pictures)
          .values({ assignmentId, name, bytes, updatedAt: now })
          .onConflictDoUpdate({
            target: [pictures.assignmentId, pictures.name],
            set: { bytes, updatedAt: now, version: sql`${pictures.version} + 1` },
          })
          .run();
        countChange(tx, assignmentId, now);
        const kept = tx
          .select({ version: pictures.version })
          .from(pictures)
          .where(named(assignmentId, name))
          .get();
        return { name, version: kept?.version ?? 1 };
      });
    },

    rename(assignmentId: string, name: string, to: string, now: string): void {
      db.transaction((tx) => {
        tx.update(pictures)
          .set({ name: to, updatedAt: now })
          .where(named(assignmentId, name))
          .run();
        countChange(tx, assignmentId, now);
      });
    },

    remove(assignmentId: string, name: string, now: string): void {
      db.transaction((tx) => {
        tx.delete(pictures).where(named(assignmentId, name)).run();
        countChange(tx, assignmentId, now);
      });
    },
  };
}

export type PictureRepository = ReturnType<typeof pictureRepository>;
