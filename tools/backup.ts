import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { databasePath, rootFolder } from '../src/lib/server/compose';
import { copyDatabase } from '../src/lib/server/db/copies';
import { orSentence } from './orSentence';

/** Copies the database page by page while it is in use, and looks whether the copy is whole: `backup [file]`. */
const from = databasePath();
const day = new Date().toISOString().slice(0, 10);
const to = process.argv[2] ?? from.replace(/(\.db)?$/, `-${day}.db`);
if (!existsSync(from)) {
  process.stderr.write(`odd-compass: there is no database at ${from}\n`);
  process.exit(2);
}
await orSentence(async () => {
  const trouble = await copyDatabase(from, to, join(rootFolder(), 'drizzle'));
  if (trouble) throw trouble;
});
process.stdout.write(`${to}\n`);
