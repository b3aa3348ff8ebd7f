import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { httpCourseSite } from './courseSite/httpCourseSite';
import { openDatabase } from './db/connection';
import { assignmentRepository } from './repositories/assignments';
import { courseRepository } from './repositories/courses';
import { fileRepository } from './repositories/files';
import { fragmentRepository } from './repositories/fragments';
import { handInRepository } from './repositories/handIns';
import { pictureRepository } from './repositories/pictures';
import { searchRepository } from './repositories/search';
import { settingsRepository } from './repositories/settings';
import { versionRepository } from './repositories/versions';
import type { CourseSite } from './courseSite/courseSite';
import type { Db } from './db/connection';
import { assignmentService } from './services/assignments';
import { collectionService } from './services/collection';
import { deskService } from './services/desk';
import { fileService } from './services/files';
import { handInService } from './services/handIn';
import { versionService } from './services/versions';
import { threadTypesetter, type Typesetter } from './typeset/typesetter';

/** What the server's parts cannot know by themselves. */
export interface Surroundings {
  readonly db: Db;
  readonly typesetter: Typesetter;
  readonly site: CourseSite;
  readonly now: () => Date;
  readonly newId: () => string;
}

/** Puts repositories and services together. */
export function composeFrom({ db, ...around }: Surroundings) {
  const repositories = {
    courses: courseRepository(db),
    assignments: assignmentRepository(db),
    files: fileRepository(db),
    pictures: pictureRepository(db),
    search: searchRepository(db),
    fragments: fragmentRepository(db),
    handIns: handInRepository(db),
    settings: settingsRepository(db),
  };
  const atomically = <T>(work: () => T): T => db.transaction(work);
  const shared = { ...repositories, ...around, atomically };
  const versions = versionService({ ...shared, versions: versionRepository(db) });
  const all = { ...shared, versions };
  return {
    repositories,
    services: {
      assignments: assignmentService(all),
      collection: collectionService({ ...all, history: versionRepository(db) }),
      desk: deskService(all),
      files: fileService(all),
      handIn: handInService(all),
      versions,
      fragments: repositories.fragments,
      settings: repositories.settings,
    },
  };
}

export type Services = ReturnType<typeof composeFrom>['services'];

/** Where the course site is, unless the environment says otherwise: the simulated one. */
const COURSE_SITE = 'http://127.0.0.1:4311';

/** Puts the parts of the server together, from where it runs and the environment. */
export function compose(root: string, path: string, now: () => Date = () => new Date()) {
  const db = openDatabase(path, join(root, 'drizzle'));
  const thread = join(root, 'build-tools/typeset-thread.mjs');
  return composeFrom({
    db,
    typesetter: threadTypesetter(thread, join(root, 'static/fonts')),
    site: httpCourseSite(
      process.env.ODD_COMPASS_COURSE_SITE ?? COURSE_SITE,
      process.env.ODD_COMPASS_COURSE_SITE_NAME ?? 'The course site',
    ),
    now,
    newId: () => randomUUID(),
  });
}

export const rootFolder = (): string => process.env.ODD_COMPASS_ROOT ?? process.cwd();
export const databasePath = (): string =>
  process.env.ODD_COMPASS_DATABASE ?? join(rootFolder(), 'data/odd-compass.db');
