import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { databaseTrouble } from './trouble';

const markOf = (database: string): string => `${database}.server`;

/** Does a process run that serves Odd Compass? Numbers of processes are given out again. */
function serves(pid: number): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
  const command = `/proc/${pid}/cmdline`;
  return !existsSync(command) || readFileSync(command, 'utf8').includes('serve.mjs');
}

/** The process that serves a database now, or null. */
export function serverOf(database: string): number | null {
  const mark = markOf(database);
  if (!existsSync(mark)) return null;
  const pid = Number(readFileSync(mark, 'utf8'));
  return pid > 0 && pid !== process.pid && serves(pid) ? pid : null;
}

/**
 * Marks a database as in use by this process, until it ends.
 *
 * @throws DatabaseTrouble when another server uses it.
 */
export function takeIntoUse(database: string): void {
  if (serverOf(database) !== null) throw databaseTrouble('in-use', database);
  const mark = markOf(database);
  writeFileSync(mark, String(process.pid));
  process.once('exit', () => {
    rmSync(mark, { force: true });
  });
}
