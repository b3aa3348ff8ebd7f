import { sql } from 'drizzle-orm';
import type { SearchHit } from '../../domain/assignment';
import type { Db } from '../db/connection';

const MOST_HITS = 40;

/**
 * The only SQL that searches. The index (FTS5) is brought up to date when something is
 * looked for, so that saving does not wait for it. Its rows go by the rowids of `files`,
 * which hold as long as the database is never vacuumed; copies are made page by page.
 */
export function searchRepository(db: Db) {
  /** Brings so many texts up to date; gives how many there were. */
  const refresh = (most: number): number => {
    const stale = db.all<{ rowid: number }>(
      sql`SELECT rowid FROM files WHERE indexed <> revision LIMIT ${most}`,
    );
    if (stale.length === 0) return 0;
    db.transaction((tx) => {
      for (const { rowid } of stale) {
        tx.run(sql`DELETE FROM search WHERE rowid = ${rowid}`);
        tx.run(
          sql`INSERT INTO search (rowid, content) SELECT rowid, content FROM files WHERE rowid = ${rowid}`,
        );
        tx.run(sql`UPDATE files SET indexed = revision WHERE rowid = ${rowid}`);
      }
    });
    return stale.length;
  };
  return {
    refresh,

    /** Finds what has words with all these beginnings, in titles and in texts; the best first. */
    find(query: string): SearchHit[] {
      const words = query.match(/[\p{L}\p{N}]+/gu) ?? [];
      if (words.length === 0) return [];
      const asked = words.map((word) => `"${word}"*`).join(' ');
      const like = `%${words.join('%')}%`;
      const titled = db.all<SearchHit>(sql`
        SELECT a.id AS assignmentId, a.title AS title, c.title AS course, a.main_path AS path, '' AS excerpt
        FROM assignments a JOIN courses c ON c.id = a.course_id
        WHERE a.deleted_at IS NULL AND (a.title LIKE ${like} OR c.title LIKE ${like} OR c.code LIKE ${like})
        ORDER BY a.due_at DESC LIMIT 10`);
      // One letter begins too much to be looked for in every text.
      if (words.every(({ length }) => length < 2)) return titled;
      refresh(-1);
      const written = db.all<SearchHit>(sql`
        SELECT a.id AS assignmentId, a.title AS title, c.title AS course, f.path AS path,
          snippet(search, 0, char(1), char(2), '…', 14) AS excerpt
        FROM search
          JOIN files f ON f.rowid = search.rowid
          JOIN assignments a ON a.id = f.assignment_id
          JOIN courses c ON c.id = a.course_id
        WHERE search MATCH ${asked} AND a.deleted_at IS NULL AND search.rowid IN (
          -- The best are found first: an excerpt of each text would take long.
          SELECT rowid FROM search WHERE search MATCH ${asked} ORDER BY rank LIMIT ${MOST_HITS})
        ORDER BY rank`);
      return [...titled, ...written];
    },
  };
}

export type SearchRepository = ReturnType<typeof searchRepository>;
