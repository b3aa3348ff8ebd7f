import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { guarded } from '../guarded';
import { databaseTrouble, troubleOf, type TroubleKind } from './trouble';

const coded = (code: string, cause?: unknown): Error =>
  Object.assign(new Error(code, { cause }), { code });

describe('trouble with the database', () => {
  it.each<[string, TroubleKind]>([
    ['SQLITE_CORRUPT_VTAB', 'damaged'],
    ['SQLITE_NOTADB', 'damaged'],
    ['SQLITE_READONLY_DBMOVED', 'read-only'],
    ['EACCES', 'read-only'],
    ['EROFS', 'read-only'],
    ['SQLITE_FULL', 'full'],
    ['ENOSPC', 'full'],
    ['SQLITE_BUSY_SNAPSHOT', 'locked'],
    ['SQLITE_CANTOPEN', 'unreachable'],
  ])('%s is told as %s, also from within another error', (code, kind) => {
    expect(troubleOf(coded(code), 'a.db')?.kind).toBe(kind);
    expect(troubleOf(new Error('query failed', { cause: coded(code) }), 'a.db')?.kind).toBe(kind);
    expect(troubleOf(coded(code), 'a.db')?.message).toMatch(/^[A-Z].*a\.db.*[.\w]$/);
  });
  it('is not seen in other errors', () => {
    expect(troubleOf(new TypeError('x'), 'a.db')).toBeNull();
    expect(troubleOf(coded('ECONNRESET'), 'a.db')).toBeNull();
    expect(troubleOf('words', 'a.db')).toBeNull();
  });
  it('that is known stays what it is', () => {
    const known = databaseTrouble('full', 'a.db');
    expect(troubleOf(known, 'b.db')).toBe(known);
  });
  it('is what SQLite throws on a full disk', () => {
    const sqlite = new Database(':memory:');
    sqlite.exec('CREATE TABLE t (x TEXT)');
    sqlite.pragma('max_page_count = 3');
    const fill = (): unknown => sqlite.prepare('INSERT INTO t VALUES (?)').run('x'.repeat(100_000));
    let thrown: unknown;
    try {
      fill();
    } catch (error) {
      thrown = error;
    }
    expect(troubleOf(thrown, 'a.db')?.kind).toBe('full');
  });
});

describe('guarded services', () => {
  const rethrow = (error: unknown): never => {
    throw new Error(`told: ${String((error as Error).message)}`);
  };
  const services = guarded(
    {
      desk: {
        name: 'desk',
        now: (n: number) => n + 1,
        later: (n: number) => Promise.resolve(n + 1),
        fails: () => {
          throw new Error('full');
        },
        failsLater: () => Promise.reject(new Error('full')),
      },
    },
    rethrow,
  );
  it('give what they gave', async () => {
    expect(services.desk.now(1)).toBe(2);
    expect(await services.desk.later(1)).toBe(2);
    expect(services.desk.name).toBe('desk');
  });
  it('tell their errors, at once and later', async () => {
    expect(() => services.desk.fails()).toThrow('told: full');
    await expect(services.desk.failsLater()).rejects.toThrow('told: full');
  });
});
