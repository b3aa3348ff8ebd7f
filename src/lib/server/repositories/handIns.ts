import { and, asc, desc, eq } from 'drizzle-orm';
import type { HandIn, Receipt } from '../../domain/courseSite';
import type { Db } from '../db/connection';
import { handIns } from '../db/schema';

/** The only SQL about what was handed in. */
export function handInRepository(db: Db) {
  return {
    add(assignmentId: string, versionId: number, receipt: Receipt, pdf: Buffer, at: string): void {
      db.insert(handIns)
        .values({ assignmentId, versionId, at, receipt: JSON.stringify(receipt), pdf })
        .run();
    },

    /** The last one first. */
    list(assignmentId: string): HandIn[] {
      return db
        .select({
          id: handIns.id,
          versionId: handIns.versionId,
          at: handIns.at,
          receipt: handIns.receipt,
        })
        .from(handIns)
        .where(eq(handIns.assignmentId, assignmentId))
        .orderBy(desc(handIns.id))
        .all()
        .map((row) => ({ ...row, receipt: JSON.parse(row.receipt) as Receipt }));
    },

    /** All of an assignment with the PDFs that went, the first one first. */
    rows: (assignmentId: string) =>
      db
        .select()
        .from(handIns)
        .where(eq(handIns.assignmentId, assignmentId))
        .orderBy(asc(handIns.id))
        .all()
        .map((row) => ({ ...row, receipt: JSON.parse(row.receipt) as Receipt })),

    /** All receipts of all assignments, the first one first. */
    receipts(): { readonly assignmentId: string; readonly receipt: Receipt }[] {
      return db
        .select({ assignmentId: handIns.assignmentId, receipt: handIns.receipt })
        .from(handIns)
        .orderBy(asc(handIns.id))
        .all()
        .map((row) => ({ ...row, receipt: JSON.parse(row.receipt) as Receipt }));
    },

    pdf(assignmentId: string, id: number): Buffer | null {
      const where = and(eq(handIns.assignmentId, assignmentId), eq(handIns.id, id));
      return db.select({ pdf: handIns.pdf }).from(handIns).where(where).get()?.pdf ?? null;
    },
  };
}

export type HandInRepository = ReturnType<typeof handInRepository>;
