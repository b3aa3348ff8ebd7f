import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { PictureInfo } from '../../domain/assignment';
import type { Db } from '../db/connection';
import { assignments, files, pictures, typesettings } from '../db/schema';

export interface StoredPicture extends PictureInfo {
  readonly bytes: Buffer;
}

/** The only SQL about the pictures of assignments. */
export function pictureRepository(db: Db) {
  const named = (assignmentId: string, name: string) =>
    and(eq(pictures.assignmentId, assignmentId), eq(pictures.name, name));
  return {
    /** Name and version of each, in the order of their names. */
    list(assignmentId: string): PictureInfo[] {
      return db
        .select({ name: pictures.name, version: pictures.version })
        .from(pictures)
        .where(eq(pictures.assignmentId, assignmentId))
        .orderBy(asc(pictures.name))
        .all();
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

    /** Keeps a picture, in the place of one of the same name; what was typeset without it goes. Null when there is no such assignment. */
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
        const own = tx
          .select({ id: files.id })
          .from(files)
          .where(eq(files.assignmentId, assignmentId));
        tx.delete(typesettings).where(inArray(typesettings.fileId, own)).run();
        const kept = tx.select().from(pictures).where(named(assignmentId, name)).get();
        return { name, version: kept?.version ?? 1 };
      });
    },
  };
}

export type PictureRepository = ReturnType<typeof pictureRepository>;
