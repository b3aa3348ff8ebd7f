import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { pictureName, saveRequest, problem } from '../domain/schemas';
import { fileNameOf, pictureFileName } from '../domain/fileName';
import { stateWords } from '../domain/assignment';
import { openDatabase } from './db/connection';
import { assignmentRepository } from './repositories/assignments';
import { pictureRepository } from './repositories/pictures';
import { assignmentService } from './services/assignments';
import { pictureService } from './services/pictures';
import type { TypesetJob } from './typeset/job';
import { threadTypesetter, TypesetTooMuch } from './typeset/typesetter';

const NOW = '2026-03-01T09:00:00.000Z';
const SHEET = '\\documentclass{article}\\begin{document}Tides.\\end{document}';

function desk() {
  const repository = assignmentRepository(openDatabase(':memory:', 'drizzle'));
  repository.addCourse({ id: 'c', code: 'MA 1', title: 'Tides', term: 'Spring' }, 0);
  repository.addAssignment(
    { id: 'a', courseId: 'c', title: 'Ebb & flood', dueAt: null, state: 'draft', content: SHEET },
    NOW,
  );
  return repository;
}

/** A desk with the pictures of its assignments. */
function deskWithPictures() {
  const db = openDatabase(':memory:', 'drizzle');
  const repository = assignmentRepository(db);
  repository.addCourse({ id: 'c', code: 'MA 1', title: 'Tides', term: 'Spring' }, 0);
  repository.addAssignment(
    { id: 'a', courseId: 'c', title: 'Ebb', dueAt: null, state: 'draft', content: SHEET },
    NOW,
  );
  const pictures = pictureRepository(db);
  return { repository, pictures, service: pictureService(pictures, () => new Date(NOW)) };
}
const NO_PICTURES = pictureRepository(openDatabase(':memory:', 'drizzle'));
const GAUGE = readFileSync('packages/engine/src/testing/corpus/pictures/gauge.png');
const MARK = readFileSync('packages/engine/src/testing/corpus/pictures/mark.svg');

describe('pictures', () => {
  it('are kept under a plain name, and shown to the engine that makes the PDF', async () => {
    const { repository, pictures, service } = deskWithPictures();
    const kept = service.add('a', 'Tide gauge (1).PNG', GAUGE);
    expect(kept).toEqual({ kind: 'kept', picture: { name: 'tide-gauge-1.png', version: 1 } });
    expect(service.find('a', 'tide-gauge-1.png')?.bytes.equals(GAUGE)).toBe(true);
    const jobs: TypesetJob[] = [];
    const typesetter = {
      typeset: async (job: TypesetJob) => {
        jobs.push(job);
        return { pdf: Buffer.from('%PDF-'), firstPage: '', pages: 1, toFix: 0 };
      },
    };
    const sheets = assignmentService(repository, pictures, typesetter, () => new Date(NOW));
    expect(sheets.open('a')?.pictures).toEqual([{ name: 'tide-gauge-1.png', version: 1 }]);
    await sheets.typeset('a');
    expect(jobs[0]?.files[0]?.name).toBe('tide-gauge-1.png');
    // Another picture: what was typeset without it no longer holds.
    service.add('a', 'mark.svg', MARK);
    await sheets.typeset('a');
    expect(jobs[1]?.files).toHaveLength(2);
  });
  it('never take the place of another: the same one is kept once, another one gets a name of its own', () => {
    const { service, pictures } = deskWithPictures();
    service.add('a', 'gauge.png', GAUGE);
    expect(service.add('a', 'gauge.png', GAUGE)).toMatchObject({ picture: { name: 'gauge.png' } });
    const other = Buffer.concat([GAUGE, Buffer.from([0])]);
    expect(service.add('a', 'gauge.png', other)).toMatchObject({
      picture: { name: 'gauge-2.png' },
    });
    expect(pictures.list('a')).toHaveLength(2);
  });
  it('are known by their bytes; what cannot be shown is refused in words', () => {
    const { service } = deskWithPictures();
    const refused = (name: string, bytes: Buffer) => {
      const outcome = service.add('a', name, bytes);
      return outcome?.kind === 'refused' ? outcome.problem : '';
    };
    expect(service.add('a', 'really.jpg', GAUGE)).toMatchObject({
      picture: { name: 'really.png' },
    });
    expect(refused('x.png', Buffer.from('not a picture'))).toContain('none of them');
    expect(refused('x.eps', Buffer.from('%!PS-Adobe-3.0 EPSF-3.0'))).toContain('save it as a PDF');
    expect(refused('x.png', GAUGE.subarray(0, 12))).toContain('damaged');
    expect(refused('x.png', Buffer.alloc(12_000_001))).toContain('12 MB');
    expect(service.add('none', 'x.png', GAUGE)).toBeNull();
  });
  it('have names that stay within their assignment', () => {
    for (const bad of ['../x.png', 'a/b.png', '.png', 'x.exe', 'x.png.exe', 'x y.png'])
      expect(pictureName.validate(bad).error, bad).toBeDefined();
    expect(pictureName.validate('tide-gauge.png').error).toBeUndefined();
    expect(pictureFileName('..\\..\\Tide Gauge.png')).toBe('tide-gauge');
    expect(pictureFileName('潮.png')).toBe('picture');
  });
});

describe('saving', () => {
  it('counts revisions, and refuses what is based on an older one', () => {
    const repository = desk();
    expect(repository.save('a', 1, 'one', NOW)).toEqual({ kind: 'saved', revision: 2 });
    expect(repository.save('a', 1, 'two', NOW)).toEqual({
      kind: 'conflict',
      revision: 2,
      content: 'one',
    });
    expect(repository.open('a')?.file).toMatchObject({ content: 'one', revision: 2 });
    expect(repository.save('none', 1, 'x', NOW)).toBeNull();
  });
  it('survives the program: another connection reads what was saved', () => {
    const path = join(mkdtempSync(join(tmpdir(), 'odd-compass-')), 'x.db');
    const first = assignmentRepository(openDatabase(path, 'drizzle'));
    first.addCourse({ id: 'c', code: 'M', title: 'T', term: 'S' }, 0);
    first.addAssignment(
      { id: 'a', courseId: 'c', title: 'A', dueAt: null, state: 'draft', content: 'x' },
      NOW,
    );
    first.save('a', 1, 'kept', NOW);
    expect(assignmentRepository(openDatabase(path, 'drizzle')).open('a')?.file.content).toBe(
      'kept',
    );
  });
});

describe('typesetting on the server', () => {
  const fonts = 'static/fonts';
  const thread = join(process.cwd(), 'build-tools/typeset-thread.mjs');
  const today = { year: 2026, month: 3, day: 1 };

  it('makes a PDF once for each revision, and tells the desk how it stands', async () => {
    const repository = desk();
    let runs = 0;
    const real = threadTypesetter(thread, fonts);
    const counted = {
      typeset: (job: Parameters<typeof real.typeset>[0]) => (runs++, real.typeset(job)),
    };
    const service = assignmentService(repository, NO_PICTURES, counted, () => new Date(NOW));
    const made = await service.typeset('a');
    expect(made?.pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(made?.firstPage).toContain('<svg');
    await service.typeset('a');
    expect(runs).toBe(1);
    service.save('a', { revision: 1, content: SHEET.replace('Tides', '\\tidees') });
    expect((await service.typeset('a'))?.toFix).toBe(1);
    expect(runs).toBe(2);
    expect(service.desk()[0]?.assignments[0]).toMatchObject({ revision: 2, toFix: 1, pages: 1 });
    expect(await service.typeset('none')).toBeNull();
  });
  it('stops a document that takes too long, and goes on serving', async () => {
    const hasty = threadTypesetter(thread, fonts, { time: 1, memory: 512, atOnce: 1 });
    await expect(
      hasty.typeset({ text: SHEET, title: 'x', today, files: [] }),
    ).rejects.toBeInstanceOf(TypesetTooMuch);
    const patient = threadTypesetter(thread, fonts);
    expect((await patient.typeset({ text: SHEET, title: 'x', today, files: [] })).pages).toBe(1);
  });
  it('stops a document that takes too much memory', async () => {
    const small = threadTypesetter(thread, fonts, { time: 60_000, memory: 24, atOnce: 1 });
    const text = SHEET.replace('Tides.', 'The tide and $x^2$ rise. '.repeat(60_000));
    await expect(small.typeset({ text, title: 'x', today, files: [] })).rejects.toBeInstanceOf(
      TypesetTooMuch,
    );
  });
});

describe('what comes from outside', () => {
  it('passes a schema', () => {
    expect(saveRequest.validate({ revision: 1, content: '' }).error).toBeUndefined();
    for (const bad of [
      null,
      {},
      { revision: 0, content: 'x' },
      { revision: 1.5, content: 'x' },
      { revision: 1, content: 3 },
      { revision: 1, content: 'x', more: 1 },
    ]) {
      expect(saveRequest.validate(bad).error).toBeDefined();
    }
    const long = saveRequest.validate({ revision: 1, content: 'x'.repeat(4_000_001) }).error;
    expect(long && problem(long)).toContain('too long');
  });
});

it('titles become file names, states become words', () => {
  expect(fileNameOf('Ebb & flood: sheet 3')).toBe('Ebb-flood-sheet-3');
  expect(fileNameOf('潮')).toBe('assignment');
  expect(stateWords({ state: 'draft', toFix: 2 })).toBe('2 to fix');
  expect(stateWords({ state: 'ready', toFix: 0 })).toBe('ready');
  expect(stateWords({ state: 'handed-in', toFix: 3 })).toBe('handed in');
});
