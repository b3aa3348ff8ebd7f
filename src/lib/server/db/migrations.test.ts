import Database from 'better-sqlite3';
import { cpSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { composeFrom } from '../compose';
import { openDatabase } from './connection';

/** The migrations up to one, in a folder of their own. */
function migrationsUpTo(last: string): string {
  const folder = mkdtempSync(join(tmpdir(), 'odd-compass-drizzle-'));
  cpSync('drizzle', folder, { recursive: true });
  const path = join(folder, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(path, 'utf8')) as { entries: { tag: string }[] };
  const end = journal.entries.findIndex(({ tag }) => tag === last) + 1;
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, end) }));
  return folder;
}

it('a database of an earlier release keeps its sheets and pictures', () => {
  const path = join(mkdtempSync(join(tmpdir(), 'odd-compass-old-')), 'old.db');
  openDatabase(path, migrationsUpTo('0001_pictures'));
  const old = new Database(path);
  old.exec(`
    INSERT INTO courses (id, code, title, term, position) VALUES ('c', 'MA 1', 'Tides', 'Spring', 0);
    INSERT INTO assignments (id, course_id, title, state, updated_at) VALUES ('a', 'c', 'Ebb', 'ready', '2026-01-01');
    INSERT INTO files (id, assignment_id, path, content, updated_at) VALUES ('a-main', 'a', 'sheet.tex', 'The pier.', '2026-01-01');
    INSERT INTO pictures (assignment_id, name, bytes, updated_at) VALUES ('a', 'p.png', x'00', '2026-01-01');
    INSERT INTO typesettings (file_id, revision, pdf, first_page, pages, to_fix, made_at) VALUES ('a-main', 1, x'00', '<svg/>', 1, 0, '2026-01-01');
  `);
  old.close();
  const { services } = composeFrom({
    db: openDatabase(path, 'drizzle'),
    typesetter: { typeset: () => Promise.reject(new Error('not here')) },
    site: {
      name: '',
      postings: async () => [],
      file: () => Promise.reject(),
      handIn: () => Promise.reject(),
    },
    now: () => new Date('2026-03-01T09:00:00.000Z'),
    newId: () => 'x',
  });
  expect(services.desk.desk()).toMatchObject([
    { code: 'MA 1', colour: 'brass', assignments: [{ title: 'Ebb', state: 'ready', pages: null }] },
  ]);
  const opened = services.assignments.open('a', null);
  expect(opened?.file).toMatchObject({ path: 'sheet.tex', content: 'The pier.', revision: 1 });
  expect(opened?.files.map((file) => file.path)).toEqual(['sheet.tex', 'p.png']);
  expect(services.desk.search('pier')).toHaveLength(1);
  const saved = { path: 'sheet.tex', revision: 1, content: 'The pier at night.' };
  expect(services.assignments.save('a', saved)).toMatchObject({ kind: 'saved' });
  expect(services.versions.list('a')).toHaveLength(1);
});
