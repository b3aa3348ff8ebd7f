import type { CourseSite } from './courseSite/courseSite';
import { composeFrom } from './compose';
import { openDatabase } from './db/connection';
import type { TypesetJob, TypesetResult } from './typeset/job';

/** A document that the tests begin with. */
export const SHEET = '\\documentclass{article}\n\\begin{document}\nTides.\n\\end{document}\n';

const NOTHING: TypesetResult = {
  pdf: Buffer.from('%PDF-'),
  firstPage: Buffer.from('PNG'),
  pages: 1,
  toFix: 0,
  findings: [],
  formulas: [],
  steps: [],
  pictures: [],
};

const NO_SITE: CourseSite = {
  name: 'No site',
  postings: () => Promise.resolve([]),
  file: () => Promise.reject(new Error('no site')),
  handIn: () => Promise.reject(new Error('no site')),
};

/** A server in memory, with a clock that is set by hand, and a typesetter that only notes what it was asked. */
export function testServer(
  given: {
    readonly path?: string;
    readonly site?: CourseSite;
    readonly result?: Partial<TypesetResult>;
    readonly typeset?: (job: TypesetJob) => Promise<TypesetResult>;
  } = {},
) {
  const clock = { now: new Date('2026-03-01T09:00:00.000Z') };
  const jobs: TypesetJob[] = [];
  let ids = 0;
  const db = openDatabase(given.path ?? ':memory:', 'drizzle');
  const composed = composeFrom({
    db,
    typesetter: {
      typeset: (job) => {
        jobs.push(job);
        return given.typeset?.(job) ?? Promise.resolve({ ...NOTHING, ...given.result });
      },
    },
    site: given.site ?? NO_SITE,
    now: () => clock.now,
    newId: () => `id-${++ids}`,
  });
  const { courses, assignments } = composed.repositories;
  if (courses.list().length === 0) {
    courses.add({ id: 'c', code: 'MA 1', title: 'Tides', term: 'Spring', colour: 'sea' });
    assignments.add(
      {
        id: 'a',
        courseId: 'c',
        title: 'Ebb & flood',
        dueAt: null,
        state: 'draft',
        mainPath: 'sheet.tex',
        texts: [{ path: 'sheet.tex', content: SHEET }],
      },
      clock.now.toISOString(),
    );
  }
  const later = (minutes: number): void => {
    clock.now = new Date(clock.now.getTime() + minutes * 60_000);
  };
  return { ...composed, db, jobs, clock, later };
}
