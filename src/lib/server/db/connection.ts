import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { mkdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import * as schema from './schema';
import { databaseTrouble, troubleOf } from './trouble';

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };

/**
 * Opens the database and brings its tables up to date. Writes survive a crash of the
 * program (WAL) and, with full synchronisation, of the machine.
 *
 * @throws DatabaseTrouble when it cannot be used; nothing of it is written then.
 */
export function openDatabase(path: string, migrations: string): Db {
  let sqlite: Database.Database | null = null;
  try {
    if (path !== ':memory:') mkdirSync(dirname(path), { recursive: true });
    sqlite = new Database(path, { timeout: 5000 });
    if (path !== ':memory:') look(sqlite, path, migrations);
    sqlite.pragma('journal_mode = WAL');
    sqlite.pragma('synchronous = FULL');
    sqlite.pragma('foreign_keys = ON');
    const db = drizzle(sqlite, { schema });
    migrate(db, { migrationsFolder: migrations });
    return db;
  } catch (error) {
    sqlite?.close();
    throw troubleOf(error, path) ?? error;
  }
}

/** Whether a database is whole, may be written, and is not of a later version than this program. */
function look(sqlite: Database.Database, path: string, migrations: string): void {
  if (sqlite.pragma('quick_check(1)', { simple: true }) !== 'ok')
    throw databaseTrouble('damaged', path);
  if (lastMigration(sqlite) > lastKnown(migrations)) throw databaseTrouble('newer', path);
  sqlite.exec('BEGIN IMMEDIATE; ROLLBACK');
}

/** When the last change of its tables was made (as the migrations are dated), or 0. */
function lastMigration(sqlite: Database.Database): number {
  const table = sqlite
    .prepare("SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = '__drizzle_migrations'")
    .get();
  if (!table) return 0;
  const row = sqlite.prepare('SELECT max(created_at) AS last FROM __drizzle_migrations').get();
  return Number((row as { last: unknown }).last ?? 0);
}

function lastKnown(migrations: string): number {
  const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
    readonly entries: readonly { readonly when: number }[];
  };
  return Math.max(...journal.entries.map(({ when }) => when));
}

/** Is the file a whole database of this program, that this version can open? The trouble with it, or null. */
export function troubleWith(path: string, migrations: string): Error | null {
  let sqlite: Database.Database | null = null;
  try {
    sqlite = new Database(path, { readonly: true, fileMustExist: true });
    if (
      sqlite.pragma('integrity_check(1)', { simple: true }) !== 'ok' ||
      lastMigration(sqlite) === 0
    )
      return databaseTrouble('damaged', path);
    if (lastMigration(sqlite) > lastKnown(migrations)) return databaseTrouble('newer', path);
    return null;
  } catch (error) {
    return troubleOf(error, path) ?? databaseTrouble('damaged', path, error);
  } finally {
    sqlite?.close();
  }
}
