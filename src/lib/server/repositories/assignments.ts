import { and, asc, desc, eq, sql } from 'drizzle-orm';
import type {
  AssignmentCard,
  Course,
  DeskCourse,
  OpenAssignment,
  SaveOutcome,
} from '../../domain/assignment';
import type { Db } from '../db/connection';
import { assignments, courses, files, typesettings } from '../db/schema';

/** The file that is typeset. */
export const MAIN_FILE = 'sheet.tex';

export interface NewAssignment {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  readonly dueAt: string | null;
  readonly state: 'draft' | 'ready' | 'handed-in';
  readonly content: string;
}

/** A main file with what is needed to typeset it. */
export interface StoredFile {
  readonly id: string;
  readonly content: string;
  readonly revision: number;
  readonly title: string;
}

export interface StoredTypesetting {
  readonly revision: number;
  readonly pdf: Buffer;
  readonly firstPage: string;
  readonly pages: number;
  readonly toFix: number;
}

/** The only SQL about courses, assignments and their files. */
export function assignmentRepository(db: Db) {
  return {
    addCourse(course: Course, position: number): void {
      db.insert(courses)
        .values({ ...course, position })
        .run();
    },

    addAssignment(given: NewAssignment, now: string): void {
      const { content, ...assignment } = given;
      db.transaction((tx) => {
        tx.insert(assignments)
          .values({ ...assignment, updatedAt: now })
          .run();
        tx.insert(files)
          .values({
            id: `${given.id}-main`,
            assignmentId: given.id,
            path: MAIN_FILE,
            content,
            updatedAt: now,
          })
          .run();
      });
    },

    clear(): void {
      db.delete(courses).run();
    },

    isEmpty(): boolean {
      return db.select({ id: courses.id }).from(courses).limit(1).all().length === 0;
    },

    desk(): DeskCourse[] {
      const cards = new Map<string, AssignmentCard[]>();
      const latest = sql`(select max(t.revision) from ${typesettings} t where t.file_id = ${files.id})`;
      const rows = db
        .select({
          id: assignments.id,
          courseId: assignments.courseId,
          title: assignments.title,
          dueAt: assignments.dueAt,
          state: assignments.state,
          revision: files.revision,
          pages: typesettings.pages,
          toFix: typesettings.toFix,
        })
        .from(assignments)
        .innerJoin(files, and(eq(files.assignmentId, assignments.id), eq(files.path, MAIN_FILE)))
        .leftJoin(
          typesettings,
          and(eq(typesettings.fileId, files.id), eq(typesettings.revision, latest)),
        )
        .orderBy(asc(assignments.dueAt), asc(assignments.title))
        .all();
      for (const row of rows) cards.set(row.courseId, [...(cards.get(row.courseId) ?? []), row]);
      return db
        .select()
        .from(courses)
        .orderBy(asc(courses.position))
        .all()
        .map(({ id, code, title, term }) => ({
          id,
          code,
          title,
          term,
          assignments: cards.get(id) ?? [],
        }));
    },

    open(id: string): Omit<OpenAssignment, 'pictures'> | null {
      const row = db
        .select()
        .from(assignments)
        .innerJoin(courses, eq(courses.id, assignments.courseId))
        .innerJoin(files, and(eq(files.assignmentId, assignments.id), eq(files.path, MAIN_FILE)))
        .where(eq(assignments.id, id))
        .get();
      if (!row) return null;
      const { code, title, term } = row.courses;
      const { path, content, revision } = row.files;
      return {
        id,
        title: row.assignments.title,
        dueAt: row.assignments.dueAt,
        course: { id: row.courses.id, code, title, term },
        file: { path, content, revision },
      };
    },

    mainFile(id: string): StoredFile | null {
      return (
        db
          .select({
            id: files.id,
            content: files.content,
            revision: files.revision,
            title: assignments.title,
          })
          .from(files)
          .innerJoin(assignments, eq(assignments.id, files.assignmentId))
          .where(and(eq(files.assignmentId, id), eq(files.path, MAIN_FILE)))
          .get() ?? null
      );
    },

    /** Saves if nobody saved since `revision`; the check and the write are one statement. */
    save(id: string, revision: number, content: string, now: string): SaveOutcome | null {
      return db.transaction((tx) => {
        const where = and(eq(files.assignmentId, id), eq(files.path, MAIN_FILE));
        const changed = tx
          .update(files)
          .set({ content, revision: revision + 1, updatedAt: now })
          .where(and(where, eq(files.revision, revision)))
          .run();
        if (changed.changes === 1) {
          tx.update(assignments).set({ updatedAt: now }).where(eq(assignments.id, id)).run();
          return { kind: 'saved', revision: revision + 1 };
        }
        const there = tx.select().from(files).where(where).get();
        return there
          ? { kind: 'conflict', revision: there.revision, content: there.content }
          : null;
      });
    },

    typesetting(fileId: string, revision: number): StoredTypesetting | null {
      const where = and(eq(typesettings.fileId, fileId), eq(typesettings.revision, revision));
      return db.select().from(typesettings).where(where).get() ?? null;
    },

    /** Keeps the typeset form of a revision; those of older revisions go. */
    keepTypesetting(fileId: string, made: StoredTypesetting, now: string): void {
      db.transaction((tx) => {
        tx.insert(typesettings)
          .values({ fileId, ...made, madeAt: now })
          .onConflictDoNothing()
          .run();
        const old = tx
          .select({ id: typesettings.id })
          .from(typesettings)
          .where(eq(typesettings.fileId, fileId))
          .orderBy(desc(typesettings.revision))
          .offset(1)
          .limit(1000)
          .all();
        for (const { id } of old) tx.delete(typesettings).where(eq(typesettings.id, id)).run();
      });
    },
  };
}

export type AssignmentRepository = ReturnType<typeof assignmentRepository>;
