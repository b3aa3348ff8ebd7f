import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { compose } from '../src/lib/server/compose';

const backup = (database: string, to: string): string =>
  execFileSync('node', ['build-tools/backup.mjs', to], {
    env: { ...process.env, ODD_COMPASS_DATABASE: database },
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'pipe'],
  }).trim();

it('the database is copied while it is in use, and the copy is whole', () => {
  const folder = mkdtempSync(join(tmpdir(), 'odd-compass-backup-'));
  const [database, copy] = [join(folder, 'a.db'), join(folder, 'copy.db')];
  const { repositories, services } = compose(process.cwd(), database);
  repositories.courses.add({ id: 'c', code: 'C', title: 'C', term: '', colour: 'sea' });
  const start = { courseId: 'c', title: 'Ebb', kind: 'notes', dueAt: null } as const;
  const id = services.desk.start({ ...start, content: 'The pier.', filesFrom: null }) as string;
  services.versions.name(id, 'first');
  services.desk.search('pier');
  // The connection stays open, and goes on writing afterwards.
  expect(backup(database, copy)).toBe(copy);
  services.assignments.save(id, { path: 'sheet.tex', revision: 1, content: 'Later.' });

  const kept = compose(process.cwd(), copy).services;
  expect(kept.files.text(id, 'sheet.tex')).toBe('The pier.');
  expect(kept.versions.list(id).map(({ name }) => name)).toEqual(['first']);
  expect(kept.desk.search('pier')).toHaveLength(1);
});

it('says when there is nothing to copy', () => {
  expect(() => backup('/nowhere/a.db', '/nowhere/b.db')).toThrow(/there is no database/);
});
