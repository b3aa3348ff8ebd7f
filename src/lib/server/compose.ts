import { join } from 'node:path';
import { openDatabase } from './db/connection';
import { assignmentRepository } from './repositories/assignments';
import { pictureRepository } from './repositories/pictures';
import { assignmentService } from './services/assignments';
import { pictureService } from './services/pictures';
import { threadTypesetter } from './typeset/typesetter';

/** Puts the parts of the server together, from where it runs and the environment. */
export function compose(root: string, databasePath: string) {
  const db = openDatabase(databasePath, join(root, 'drizzle'));
  const repository = assignmentRepository(db);
  const typesetter = threadTypesetter(
    join(root, 'build-tools/typeset-thread.mjs'),
    join(root, 'static/fonts'),
  );
  const pictures = pictureRepository(db);
  const now = (): Date => new Date();
  return {
    repository,
    services: {
      assignments: assignmentService(repository, pictures, typesetter, now),
      pictures: pictureService(pictures, now),
    },
  };
}

export const rootFolder = (): string => process.env.ODD_COMPASS_ROOT ?? process.cwd();
export const databasePath = (): string =>
  process.env.ODD_COMPASS_DATABASE ?? join(rootFolder(), 'data/odd-compass.db');
