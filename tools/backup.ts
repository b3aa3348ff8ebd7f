import Database from 'better-sqlite3';
import { existsSync } from 'node:fs';
import { databasePath } from '../src/lib/server/compose';

/** Copies the database page by page while it is in use: `backup [file]`. */
const from = databasePath();
const day = new Date().toISOString().slice(0, 10);
const to = process.argv[2] ?? from.replace(/(\.db)?$/, `-${day}.db`);
if (!existsSync(from)) {
  process.stderr.write(`odd-compass: there is no database at ${from}\n`);
  process.exit(2);
}
const database = new Database(from, { readonly: true });
await database.backup(to);
database.close();
process.stdout.write(`${to}\n`);
