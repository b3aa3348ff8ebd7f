import { copyFileSync, existsSync, mkdirSync, renameSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { databasePath, rootFolder } from '../src/lib/server/compose';
import { troubleWith } from '../src/lib/server/db/connection';
import { copiesOf } from '../src/lib/server/db/copies';
import { serverOf } from '../src/lib/server/db/inUse';
import { databaseTrouble } from '../src/lib/server/db/trouble';
import { orSentence } from './orSentence';

/**
 * Puts a copy of the database in its place: the one named, or the newest whole one. What is there
 * is kept beside it under another name.
 */
const database = databasePath();
const migrations = join(rootFolder(), 'drizzle');
const [, , named] = process.argv;

function say(sentence: string, status: number): never {
  process.stderr.write(`odd-compass: ${sentence}\n`);
  process.exit(status);
}

/** The copy that is put back. */
function chosen(): string {
  if (named !== undefined) {
    const file = resolve(named);
    if (!existsSync(file)) say(`there is no file ${file}`, 2);
    const trouble = troubleWith(file, migrations);
    if (trouble) say(`${file} is no whole database of Odd Compass; nothing was changed`, 2);
    return file;
  }
  const whole = copiesOf(database).find((copy) => troubleWith(copy, migrations) === null);
  return whole ?? say(`there is no whole copy of ${database} to put back`, 2);
}

await orSentence(() => {
  if (serverOf(database) !== null) throw databaseTrouble('in-use', database);
  const copy = chosen();
  if (resolve(copy) === resolve(database)) say(`${copy} is the database itself`, 2);
  mkdirSync(dirname(database), { recursive: true });
  const stamp = new Date().toISOString().replace(/[:.]/g, '-');
  const aside = database.replace(/(\.db)?$/, `-before-restore-${stamp}.db`);
  const arriving = `${database}.arriving`;
  copyFileSync(copy, arriving);
  // The journal belongs to what is there, and goes with it.
  for (const part of ['', '-wal', '-shm'])
    if (existsSync(database + part)) renameSync(database + part, aside + part);
  renameSync(arriving, database);
  process.stdout.write(`${copy} is in place again as ${database}\n`);
  if (existsSync(aside)) process.stdout.write(`What was there is kept as ${aside}\n`);
});
