import Database from 'better-sqlite3';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { troubleWith } from './connection';

/** How many days' copies are kept. */
export const COPIES_KEPT = 7;

const folderOf = (database: string): string => join(dirname(database), 'copies');
const nameOf = (database: string): string => basename(database).replace(/\.db$/, '');

/** The copies of a database, the newest first. */
export function copiesOf(database: string): string[] {
  const folder = folderOf(database);
  if (!existsSync(folder)) return [];
  const name = nameOf(database);
  return readdirSync(folder)
    .filter(
      (file) =>
        file.startsWith(`${name}-`) && /^-\d{4}-\d\d-\d\d\.db$/.test(file.slice(name.length)),
    )
    .sort()
    .reverse()
    .map((file) => join(folder, file));
}

/** Copies a database that may be in use; the copy is looked at before it bears its name. Its trouble, or null. */
export async function copyDatabase(
  database: string,
  to: string,
  migrations: string,
): Promise<Error | null> {
  mkdirSync(dirname(to), { recursive: true });
  const unfinished = `${to}.unfinished`;
  rmSync(unfinished, { force: true });
  const sqlite = new Database(database, { readonly: true, fileMustExist: true });
  try {
    await sqlite.backup(unfinished);
  } finally {
    sqlite.close();
  }
  const trouble = troubleWith(unfinished, migrations);
  if (trouble) rmSync(unfinished, { force: true });
  else renameSync(unfinished, to);
  for (const beside of ['-wal', '-shm']) rmSync(unfinished + beside, { force: true });
  return trouble;
}

/**
 * Makes the copy of a day, if there is none yet, and lets go of those that are too old. What
 * copy was made, or null. A day that cannot be copied takes none of the earlier ones with it.
 */
export async function copyOfDay(
  database: string,
  migrations: string,
  today: Date,
): Promise<string | null> {
  const day = today.toISOString().slice(0, 10);
  const to = join(folderOf(database), `${nameOf(database)}-${day}.db`);
  if (existsSync(to)) return null;
  const trouble = await copyDatabase(database, to, migrations);
  if (trouble) throw trouble;
  for (const old of copiesOf(database).slice(COPIES_KEPT)) rmSync(old, { force: true });
  return to;
}
