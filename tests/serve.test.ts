import Database from 'better-sqlite3';
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { compose } from '../src/lib/server/compose';
import { copiesOf, copyOfDay, COPIES_KEPT } from '../src/lib/server/db/copies';

const MIGRATIONS = join(process.cwd(), 'drizzle');
const fresh = (): string => mkdtempSync(join(tmpdir(), 'odd-compass-serve-'));

/** Runs a program on a database: its exit code and what it says. */
function run(program: string, database: string, port: number, ...args: string[]) {
  const { status, stderr, stdout } = spawnSync('node', [`build-tools/${program}.mjs`, ...args], {
    env: {
      ...process.env,
      ODD_COMPASS_DATABASE: database,
      ODD_COMPASS_ROOT: process.cwd(),
      PORT: String(port),
    },
    encoding: 'utf8',
    timeout: 60_000,
  });
  return { status, stderr, stdout };
}

/** A database with one sheet in it. */
function sheetIn(database: string, content: string) {
  const { repositories, services } = compose(process.cwd(), database);
  repositories.courses.add({ id: 'c', code: 'C', title: 'C', term: '', colour: 'sea' });
  const start = { courseId: 'c', title: 'Ebb', kind: 'notes', dueAt: null } as const;
  const id = services.desk.start({ ...start, content, filesFrom: null }) as string;
  return { id, services };
}
const textIn = (database: string, id: string): string | null | undefined =>
  compose(process.cwd(), database).services.files.text(id, 'sheet.tex');

/** One sentence for whoever started it; no trace of the program's inside. */
function expectSentence(stderr: string, words: RegExp): void {
  expect(stderr).toMatch(words);
  expect(stderr.trim().split('\n')).toHaveLength(1);
  expect(stderr).not.toMatch(/\bat .*\.m?js:|Error:/);
}

describe('a server that cannot be started says why, and writes nothing', () => {
  it('its port is taken', async () => {
    const other = createServer();
    await new Promise<void>((resolve) => void other.listen(4341, '127.0.0.1', resolve));
    const { status, stderr } = run('serve', join(fresh(), 'a.db'), 4341);
    other.close();
    expect(status).toBe(4);
    expectSentence(stderr, /Port 4341 is taken.*PORT=/);
  });
  it('its database is damaged', () => {
    const database = join(fresh(), 'a.db');
    const garbage = Buffer.from('This was a database once. '.repeat(500));
    writeFileSync(database, garbage);
    const { status, stderr } = run('serve', database, 4342);
    expect(status).toBe(3);
    expectSentence(stderr, /damaged.*bin\/odd-compass restore/);
    expect(readFileSync(database).equals(garbage)).toBe(true);
    expect(run('fill-demo', database, 4342).status).toBe(3);
    expect(run('backup', database, 4342, join(fresh(), 'b.db')).status).toBe(3);
  });
  it('some pages in its middle are damaged', () => {
    const database = join(fresh(), 'a.db');
    const { services } = sheetIn(database, 'x'.repeat(50_000));
    services.desk.search('');
    const sqlite = new Database(database);
    sqlite.pragma('wal_checkpoint(TRUNCATE)');
    sqlite.close();
    const bytes = readFileSync(database);
    bytes.fill(0xa5, 4096, 4096 * 6);
    writeFileSync(database, bytes);
    const { status, stderr } = run('serve', database, 4343);
    expect(status).toBe(3);
    expectSentence(stderr, /damaged/);
  });
  it('its database is of a later version', () => {
    const database = join(fresh(), 'a.db');
    const { id } = sheetIn(database, 'Kept.');
    const sqlite = new Database(database);
    sqlite.exec(
      "INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 9999999999999)",
    );
    sqlite.close();
    const { status, stderr } = run('serve', database, 4344);
    expect(status).toBe(3);
    expectSentence(stderr, /newer Odd Compass/);
    expect(() => textIn(database, id)).toThrow(/newer Odd Compass/);
  });
  it('its database is locked', () => {
    const database = join(fresh(), 'a.db');
    sheetIn(database, 'Kept.');
    const other = new Database(database);
    other.exec('BEGIN IMMEDIATE');
    const { status, stderr } = run('serve', database, 4345);
    other.exec('ROLLBACK');
    expect(status).toBe(3);
    expectSentence(stderr, /locked by another program/);
  });
  it('its database is a folder', () => {
    const folder = fresh();
    mkdirSync(join(folder, 'a.db'));
    const { status, stderr } = run('serve', join(folder, 'a.db'), 4346);
    expect(status).toBe(3);
    expectSentence(stderr, /cannot be opened/);
  });
  it('another one serves the same database', async () => {
    const database = join(fresh(), 'a.db');
    sheetIn(database, 'Kept.');
    const first = spawn('node', ['build-tools/serve.mjs'], {
      env: { ...process.env, ODD_COMPASS_DATABASE: database, PORT: '4347' },
      stdio: 'ignore',
    });
    for (let i = 0; i < 200; i++) {
      const answer = await fetch('http://127.0.0.1:4347/api/search?q=').catch(() => null);
      if (answer?.ok) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    const second = run('serve', database, 4348);
    const restored = run('restore', database, 4348);
    const gone = new Promise((resolve) => first.once('exit', resolve));
    first.kill('SIGKILL');
    await gone;
    expect([second.status, restored.status]).toEqual([3, 3]);
    expectSentence(second.stderr, /in use by another Odd Compass/);
    expectSentence(restored.stderr, /in use by another Odd Compass/);
  });
});

describe('copies of the database', () => {
  it('are made once a day, and kept for a week', async () => {
    const database = join(fresh(), 'a.db');
    sheetIn(database, 'Kept.');
    const day = (n: number): Date => new Date(Date.UTC(2026, 2, n, 9));
    for (let n = 1; n <= 10; n++) {
      const made = await copyOfDay(database, MIGRATIONS, day(n));
      expect(made).toContain(`2026-03-${String(n).padStart(2, '0')}`);
      expect(await copyOfDay(database, MIGRATIONS, day(n))).toBeNull();
    }
    const copies = copiesOf(database);
    expect(copies).toHaveLength(COPIES_KEPT);
    expect(copies[0]).toContain('2026-03-10');
    expect(copies.at(-1)).toContain('2026-03-04');
  });
  it('of a database that is damaged are not kept, and take no earlier one with them', async () => {
    const database = join(fresh(), 'a.db');
    const copies = join(database, '../copies');
    mkdirSync(copies);
    writeFileSync(join(copies, 'a-2026-03-01.db'), 'an earlier one');
    writeFileSync(database, 'This was a database once. '.repeat(500));
    await expect(copyOfDay(database, MIGRATIONS, new Date(Date.UTC(2026, 2, 2)))).rejects.toThrow();
    expect(copiesOf(database)).toHaveLength(1);
  });
  it('are put back: the newest that is whole; what was there is kept', async () => {
    const database = join(fresh(), 'a.db');
    const { id, services } = sheetIn(database, 'First.');
    await copyOfDay(database, MIGRATIONS, new Date(Date.UTC(2026, 2, 1)));
    services.assignments.save(id, { path: 'sheet.tex', revision: 1, content: 'Second.' });
    const later = await copyOfDay(database, MIGRATIONS, new Date(Date.UTC(2026, 2, 2)));
    writeFileSync(later as string, 'no database');
    const { status, stdout } = run('restore', database, 4349);
    expect(status).toBe(0);
    expect(stdout).toContain('2026-03-01');
    expect(textIn(database, id)).toBe('First.');
    const aside = /kept as (.*\.db)/.exec(stdout)?.[1] ?? '';
    expect(textIn(aside, id)).toBe('Second.');
  });
  it.each([
    ['that is not there', '/nowhere/a.db', /there is no file/],
    [
      'that is no database',
      'package.json',
      /is no whole database of Odd Compass; nothing was changed/,
    ],
  ])('are not put back from a file %s', (_what, file, words) => {
    const database = join(fresh(), 'a.db');
    const { id } = sheetIn(database, 'Kept.');
    const { status, stderr } = run('restore', database, 4350, file);
    expect(status).toBe(2);
    expectSentence(stderr, words);
    expect(textIn(database, id)).toBe('Kept.');
  });
  it('are not there to be put back where none was made', () => {
    const { status, stderr } = run('restore', join(fresh(), 'a.db'), 4350);
    expect(status).toBe(2);
    expectSentence(stderr, /no whole copy/);
  });
});
