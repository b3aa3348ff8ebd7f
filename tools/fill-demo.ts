import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compose, databasePath, rootFolder } from '../src/lib/server/compose';
import { orSentence } from './orSentence';
import { ASSIGNMENTS, COURSES, FRAGMENTS, STUDENT, type DemoAssignment } from './demo/index';

/** Fills an empty database with the demo; with `--afresh`, any database. */
const root = rootFolder();
/** The demo was written over some days: the clock stands where it is put. */
let clock = new Date();
const { repositories, services } = await orSentence(() =>
  compose(root, databasePath(), () => clock),
);
const { courses, assignments, files, handIns } = repositories;
const now = new Date();
const DAY = 86_400_000;

const read = (name: string): Buffer => readFileSync(join(root, 'tools/demo', name));
const daysFromNow = (days: number, hour: number): Date =>
  new Date(now.getFullYear(), now.getMonth(), now.getDate() + days, hour);

/** A source as it was when only a share of its body was written. */
function partOf(source: string, share: number): string {
  const begin = source.indexOf('\\begin{document}');
  const end = source.lastIndexOf('\\end{document}');
  const body = source.slice(begin, end);
  // Between top-level paragraphs, so that no environment is left open.
  const cuts = [...body.matchAll(/\n\n/g)]
    .map(({ index }) => index)
    .filter((at) => {
      const before = body.slice(0, at);
      const count = (what: string): number => before.split(what).length;
      return count('\\begin{') - 1 === count('\\end{');
    });
  const cut = cuts.findLast((at) => at <= share * body.length) ?? body.length;
  return `${source.slice(0, begin)}${body.slice(0, cut)}\n\n${source.slice(end)}`;
}

/** Writes a sheet as it grew, so that it has earlier versions. */
async function write({ id, grown = [], source }: DemoAssignment): Promise<void> {
  const whole = read(source).toString('utf8');
  for (const { share, daysAgo, name } of grown) {
    clock = new Date(now.getTime() - daysAgo * DAY);
    files.put(id, 'sheet.tex', partOf(whole, share), clock.toISOString());
    await services.assignments.typeset(id);
    const row = assignments.find(id);
    if (row) services.versions.keep(row, name ? 'named' : 'as-written', name ?? null);
  }
  clock = now;
  files.put(id, 'sheet.tex', whole, clock.toISOString());
}

/** A sheet that was handed in, with its receipt. */
async function handIn({ id, handedIn }: DemoAssignment): Promise<void> {
  const row = assignments.find(id);
  const made = await services.assignments.typeset(id);
  if (!row || !made || !handedIn) return;
  clock = daysFromNow(handedIn.days, handedIn.hour);
  const version = services.versions.keep(row, 'handed-in', null);
  const { pdf } = made;
  const sha256 = createHash('sha256').update(pdf).digest('hex');
  const receipt = {
    site: 'The course site',
    posting: handedIn.posting,
    number: handedIn.number,
    receivedAt: clock.toISOString(),
    late: false,
    files: [{ name: 'Tides-as-sums.pdf', size: pdf.length, sha256 }],
  };
  handIns.add(id, version, receipt, pdf, clock.toISOString());
  clock = now;
}

const afresh = process.argv.includes('--afresh');
if (afresh) courses.clear();
if (afresh || courses.list().length === 0) {
  services.settings.setProfile(STUDENT);
  for (const course of COURSES) courses.add(course);
  for (const assignment of ASSIGNMENTS) {
    const { id, courseId, title, kind, state, days, hour, pictures = [] } = assignment;
    const texts = [{ path: 'sheet.tex', content: read(assignment.source).toString('utf8') }];
    const dueAt = daysFromNow(days, hour).toISOString();
    assignments.add({ id, courseId, title, kind, state, dueAt, texts }, now.toISOString());
    for (const name of pictures) services.files.add(id, name, read(name));
    await write(assignment);
    // Typeset once, so that the desk knows how each sheet stands.
    await services.assignments.typeset(id);
    await handIn(assignment);
  }
  if (services.fragments.list().length === 0)
    for (const fragment of FRAGMENTS) services.fragments.add(fragment, now.toISOString());
  process.stdout.write('The demo is in place.\n');
}
process.exit(0);
