import { desc, eq } from 'drizzle-orm';
import type { Fragment } from '../../domain/fragment';
import type { FragmentRequest } from '../../domain/schemas';
import type { Db } from '../db/connection';
import { fragments } from '../db/schema';

/** The only SQL about fragments. */
export function fragmentRepository(db: Db) {
  return {
    /** The last one first. */
    list(): Fragment[] {
      return db
        .select()
        .from(fragments)
        .orderBy(desc(fragments.id))
        .all()
        .map(({ packages, ...row }) => ({ ...row, packages: JSON.parse(packages) as string[] }));
    },

    add({ packages, ...fragment }: FragmentRequest, at: string): number {
      const made = db
        .insert(fragments)
        .values({ ...fragment, packages: JSON.stringify(packages), at })
        .run();
      return Number(made.lastInsertRowid);
    },

    /** False when there is none of that number. */
    remove: (id: number): boolean =>
      db.delete(fragments).where(eq(fragments.id, id)).run().changes === 1,
  };
}

export type FragmentRepository = ReturnType<typeof fragmentRepository>;
