import { eq, sql } from 'drizzle-orm';
import type { Db } from '../db/connection';
import { assignments } from '../db/schema';

/** Counts a change of an assignment's files: what was typeset before it is of an older edition. */
export function countChange(db: Pick<Db, 'update'>, assignmentId: string, now: string): void {
  db.update(assignments)
    .set({ edition: sql`${assignments.edition} + 1`, updatedAt: now })
    .where(eq(assignments.id, assignmentId))
    .run();
}
