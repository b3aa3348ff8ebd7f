import { and, asc, eq, sql } from 'drizzle-orm';
import type { FileInfo, SaveOutcome, SourceFile } from '../../domain/assignment';
import type { Db } from '../db/connection';
import { assignments, files } from '../db/schema';
import { countChange } from './edition';

/** The only SQL about the text files of assignments. */
export function fileRepository(db: Db) {
  const at = (assignmentId: string, path: string) =>
    and(eq(files.assignmentId, assignmentId), eq(files.path, path));
  return {
    find(assignmentId: string, path: string): SourceFile | null {
      const { content, revision } = files;
      const row = db.select({ content, revision }).from(files).where(at(assignmentId, path)).get();
      return row ? { path, ...row } : null;
    },

    /** Characters of a text, without reading it; 0 when it is not there. */
    lengthOf(assignmentId: string, path: string): number {
      const length = sql<number>`length(${files.content})`;
      return db.select({ length }).from(files).where(at(assignmentId, path)).get()?.length ?? 0;
    },

    all(assignmentId: string): SourceFile[] {
      return db
        .select({ path: files.path, content: files.content, revision: files.revision })
        .from(files)
        .where(eq(files.assignmentId, assignmentId))
        .orderBy(asc(files.path))
        .all();
    },

    list(assignmentId: string): FileInfo[] {
      return db
        .select({
          path: files.path,
          version: files.revision,
          size: sql<number>`length(${files.content})`,
        })
        .from(files)
        .where(eq(files.assignmentId, assignmentId))
        .orderBy(asc(files.path))
        .all()
        .map((row) => ({ ...row, kind: 'text' }));
    },

    /** Saves if nobody saved since `revision`; the check and the write are one statement. Null when there is no such file. */
    save(
      assignmentId: string,
      path: string,
      revision: number,
      content: string,
      now: string,
    ): SaveOutcome | null {
      return db.transaction((tx) => {
        const changed = tx
          .update(files)
          .set({ content, revision: revision + 1, updatedAt: now })
          .where(and(at(assignmentId, path), eq(files.revision, revision)))
          .run();
        if (changed.changes === 1) {
          countChange(tx, assignmentId, now);
          return { kind: 'saved', revision: revision + 1 };
        }
        const there = tx.select().from(files).where(at(assignmentId, path)).get();
        return there
          ? { kind: 'conflict', revision: there.revision, content: there.content }
          : null;
      });
    },

    /** Writes a text, in the place of one of the same name. False when there is no such assignment. */
    put(assignmentId: string, path: string, content: string, now: string): boolean {
      return db.transaction((tx) => {
        const owner = tx.select({ id: assignments.id }).from(assignments);
        if (!owner.where(eq(assignments.id, assignmentId)).get()) return false;
        tx.insert(files)
          .values({ id: `${assignmentId}/${path}`, assignmentId, path, content, updatedAt: now })
          .onConflictDoUpdate({
            target: [files.assignmentId, files.path],
            set: { content, updatedAt: now, revision: sql`${files.revision} + 1` },
          })
          .run();
        countChange(tx, assignmentId, now);
        return true;
      });
    },

    rename(assignmentId: string, path: string, to: string, now: string): void {
      db.transaction((tx) => {
        tx.update(files)
          .set({ id: `${assignmentId}/${to}`, path: to, updatedAt: now })
          .where(at(assignmentId, path))
          .run();
        countChange(tx, assignmentId, now);
      });
    },

    remove(assignmentId: string, path: string, now: string): void {
      db.transaction((tx) => {
        tx.delete(files).where(at(assignmentId, path)).run();
        countChange(tx, assignmentId, now);
      });
    },
  };
}

export type FileRepository = ReturnType<typeof fileRepository>;
