import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compose, databasePath, rootFolder } from '../src/lib/server/compose';
import { ASSIGNMENTS, COURSES } from './demo/index';

/** Fills an empty database with the demo; with `--afresh`, any database. */
const { repository, services } = compose(rootFolder(), databasePath());
const afresh = process.argv.includes('--afresh');
if (afresh) repository.clear();
if (afresh || repository.isEmpty()) {
  const now = new Date();
  COURSES.forEach((course, i) => repository.addCourse(course, i));
  for (const { days, hour, source, pictures = [], ...rest } of ASSIGNMENTS) {
    const due = new Date(now.getFullYear(), now.getMonth(), now.getDate() + days, hour);
    const content = readFileSync(join(rootFolder(), 'tools/demo', source), 'utf8');
    repository.addAssignment({ ...rest, dueAt: due.toISOString(), content }, now.toISOString());
    for (const name of pictures)
      services.pictures.add(rest.id, name, readFileSync(join(rootFolder(), 'tools/demo', name)));
  }
  // Typeset once, so that the desk knows how each sheet stands.
  for (const { id } of ASSIGNMENTS) await services.assignments.typeset(id);
  process.stdout.write('The demo is in place.\n');
}
process.exit(0);
