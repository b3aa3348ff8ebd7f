import { and, asc, eq, isNotNull, isNull, lt } from 'drizzle-orm';
import type {
  AssignmentCard,
  AssignmentState,
  Course,
  Kind,
  OpenAssignment,
  Posting,
} from '../../domain/assignment';
import type { Db } from '../db/connection';
import { assignments, courses, files, typesettings } from '../db/schema';

/** The name of the main file of what begins here. */
export const MAIN_FILE = 'sheet.tex';

export interface NewAssignment {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  readonly dueAt: string | null;
  readonly kind?: Kind;
  readonly state: AssignmentState;
  readonly mainPath?: string;
  readonly posting?: Posting | null;
  readonly texts: readonly { readonly path: string; readonly content: string }[];
}

/** What can be said anew of an assignment. */
export interface AssignmentChange {
  readonly title?: string;
  readonly dueAt?: string | null;
  readonly kind?: Kind;
  readonly courseId?: string;
  readonly state?: AssignmentState;
  readonly mainPath?: string;
  readonly archivedAt?: string | null;
  readonly deletedAt?: string | null;
}

/** An assignment without its files. */
export interface AssignmentRow {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  readonly kind: Kind;
  readonly dueAt: string | null;
  readonly state: AssignmentState;
  readonly mainPath: string;
  readonly edition: number;
  readonly deletedAt: string | null;
  readonly posting: Posting | null;
}

/** An assignment with its course. */
export interface Particulars extends Omit<
  OpenAssignment,
  'sheet' | 'main' | 'between' | 'file' | 'files'
> {
  readonly mainPath: string;
}

export interface StoredTypesetting {
  readonly edition: number;
  readonly pdf: Buffer;
  readonly firstPage: Buffer;
  readonly pages: number;
  readonly toFix: number;
}

/** The only SQL about assignments: their particulars, and how they were typeset. */
export function assignmentRepository(db: Db) {
  return {
    add(given: NewAssignment, now: string): void {
      const { texts, posting = null, ...assignment } = given;
      db.transaction((tx) => {
        tx.insert(assignments)
          .values({ ...assignment, updatedAt: now, posting: posting && JSON.stringify(posting) })
          .run();
        for (const { path, content } of texts)
          tx.insert(files)
            .values({
              id: `${given.id}/${path}`,
              assignmentId: given.id,
              path,
              content,
              updatedAt: now,
            })
            .run();
      });
    },

    /** Of one id; null when there is none, or it was deleted. */
    find(id: string): AssignmentRow | null {
      const row = db
        .select()
        .from(assignments)
        .where(and(eq(assignments.id, id), isNull(assignments.deletedAt)))
        .get();
      return row ? { ...row, posting: readPosting(row.posting) } : null;
    },

    /** Is there one of this id, deleted ones counted? */
    exists: (id: string): boolean =>
      db.select({ id: assignments.id }).from(assignments).where(eq(assignments.id, id)).get() !==
      undefined,

    /** With its course; null when there is none. */
    particulars(id: string): Particulars | null {
      const row = db
        .select()
        .from(assignments)
        .innerJoin(courses, eq(courses.id, assignments.courseId))
        .where(and(eq(assignments.id, id), isNull(assignments.deletedAt)))
        .get();
      if (!row) return null;
      const { id: courseId, code, title, term, colour } = row.courses;
      const course: Course = { id: courseId, code, title, term, colour };
      const { kind, dueAt, state, mainPath } = row.assignments;
      return {
        id,
        title: row.assignments.title,
        kind,
        dueAt,
        state,
        mainPath,
        course,
        posting: readPosting(row.assignments.posting),
      };
    },

    /** False when there is no such assignment. */
    change(id: string, to: AssignmentChange): boolean {
      return db.update(assignments).set(to).where(eq(assignments.id, id)).run().changes === 1;
    },

    /** All that are not deleted, what is due first in front, those without a date last. */
    cards(): AssignmentCard[] {
      return db
        .select({
          id: assignments.id,
          courseId: assignments.courseId,
          title: assignments.title,
          kind: assignments.kind,
          dueAt: assignments.dueAt,
          state: assignments.state,
          edition: assignments.edition,
          archivedAt: assignments.archivedAt,
          writtenAt: assignments.updatedAt,
          pages: typesettings.pages,
          toFix: typesettings.toFix,
        })
        .from(assignments)
        .leftJoin(typesettings, eq(typesettings.assignmentId, assignments.id))
        .where(isNull(assignments.deletedAt))
        .orderBy(asc(isNull(assignments.dueAt)), asc(assignments.dueAt), asc(assignments.title))
        .all()
        .map(({ archivedAt, ...card }) => ({ ...card, archived: archivedAt !== null }));
    },

    /** Deleted ones that can still be put back, the last one first. */
    deleted(): { readonly id: string; readonly title: string; readonly deletedAt: string }[] {
      return db
        .select({
          id: assignments.id,
          title: assignments.title,
          deletedAt: assignments.deletedAt,
        })
        .from(assignments)
        .where(isNotNull(assignments.deletedAt))
        .all()
        .map((row) => ({ ...row, deletedAt: row.deletedAt ?? '' }))
        .sort((a, b) => b.deletedAt.localeCompare(a.deletedAt));
    },

    /** Takes away for good what was deleted before a time. */
    purge(before: string): void {
      db.delete(assignments).where(lt(assignments.deletedAt, before)).run();
    },

    /** The first page of an edition, without reading its PDF. */
    firstPage(id: string, edition: number): Buffer | null {
      const where = and(eq(typesettings.assignmentId, id), eq(typesettings.edition, edition));
      const { firstPage } = typesettings;
      return db.select({ firstPage }).from(typesettings).where(where).get()?.firstPage ?? null;
    },

    typesetting(id: string, edition: number): StoredTypesetting | null {
      const where = and(eq(typesettings.assignmentId, id), eq(typesettings.edition, edition));
      return db.select().from(typesettings).where(where).get() ?? null;
    },

    /** Keeps the typeset form of an edition, in the place of an older one. */
    keepTypesetting(id: string, made: StoredTypesetting, now: string): void {
      const values = { ...made, madeAt: now };
      db.insert(typesettings)
        .values({ assignmentId: id, ...values })
        .onConflictDoUpdate({
          target: typesettings.assignmentId,
          set: values,
          setWhere: lt(typesettings.edition, made.edition),
        })
        .run();
    },
  };
}

const readPosting = (json: string | null): Posting | null =>
  json === null ? null : (JSON.parse(json) as Posting);

export type AssignmentRepository = ReturnType<typeof assignmentRepository>;
