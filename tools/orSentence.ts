import { databasePath } from '../src/lib/server/compose';
import { troubleOf } from '../src/lib/server/db/trouble';

/** What a program gives that uses the database; or one sentence and exit code 3 when it cannot be used. */
export async function orSentence<T>(work: () => T | Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const trouble = troubleOf(error, databasePath());
    if (!trouble) throw error;
    process.stderr.write(`odd-compass: ${trouble.message}\n`);
    process.exit(3);
  }
}
