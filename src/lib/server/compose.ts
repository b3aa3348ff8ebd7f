import { join } from 'node:path';
import { openDatabase } from './db/connection';
import { assignmentRepository } from './repositories/assignments';
import { assignmentService } from './services/assignments';
import { threadTypesetter } from './typeset/typesetter';

/** Puts the parts of the server together, from where it runs and the environment. */
export function compose(root: string, databasePath: string) {
  const db = openDatabase(databasePath, join(root, 'drizzle'));
  const repository = assignmentRepository(db);
  const typesetter = threadTypesetter(
    join(root, 'build-tools/typeset-thread.mjs'),
    join(root, 'static/fonts'),
  );
  return {
    repository,
    services: { assignments: assignmentService(repository, typesetter, () => new Date()) },
  };
}

export const rootFolder = (): string => process.env.ODD_COMPASS_ROOT ?? process.cwd();
export const databasePath = (): string =>
  process.env.ODD_COMPASS_DATABASE ?? join(rootFolder(), 'data/odd-compass.db');
