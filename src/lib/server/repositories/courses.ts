import { asc, eq, max } from 'drizzle-orm';
import type { Course } from '../../domain/assignment';
import type { Db } from '../db/connection';
import { courses } from '../db/schema';

/** The only SQL about courses by themselves. */
export function courseRepository(db: Db) {
  return {
    list: () => db.select().from(courses).orderBy(asc(courses.position)).all(),

    /** Behind all others. */
    add(course: Course): void {
      const last = db
        .select({ position: max(courses.position) })
        .from(courses)
        .get();
      db.insert(courses)
        .values({ ...course, position: (last?.position ?? -1) + 1 })
        .run();
    },

    /** False when there is no such course. */
    change(
      id: string,
      to: Partial<Omit<Course, 'id'>> & { readonly archivedAt?: string | null },
    ): boolean {
      return db.update(courses).set(to).where(eq(courses.id, id)).run().changes === 1;
    },

    exists: (id: string): boolean =>
      db.select({ id: courses.id }).from(courses).where(eq(courses.id, id)).get() !== undefined,

    /** With all that is under it. */
    remove: (id: string): boolean =>
      db.delete(courses).where(eq(courses.id, id)).run().changes === 1,

    clear(): void {
      db.delete(courses).run();
    },
  };
}

export type CourseRepository = ReturnType<typeof courseRepository>;
