import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { testServer } from '../testing';
import { applyDelta, deltaBetween, editsBetween, type VersionState } from './versionDelta';

const GAUGE = readFileSync('packages/engine/src/testing/corpus/pictures/gauge.png');

const lines = fc
  .array(fc.constantFrom('ebb', 'flood', '$x$', '', 'a longer line of the sheet'), {
    maxLength: 12,
  })
  .map((all) => all.join('\n'));
const state: fc.Arbitrary<VersionState> = fc.record({
  mainPath: fc.constantFrom('a.tex', 'b.tex'),
  texts: fc.dictionary(fc.constantFrom('a.tex', 'b.tex', 'c.bib'), lines),
  pictures: fc.dictionary(fc.constantFrom('p.png', 'q.svg'), fc.constantFrom('h1', 'h2')),
});

describe('what changed between two states', () => {
  it('makes the one of the other', () => {
    fc.assert(
      fc.property(state, state, (before, after) => {
        const delta = JSON.parse(JSON.stringify(deltaBetween(before, after))) as never;
        expect(applyDelta(before, delta)).toEqual(after);
      }),
    );
  });
  it('is found by the ends of the texts when they differ in very much', () => {
    const old = Array.from({ length: 3000 }, (_, i) => `old ${i}`).join('\n');
    const now = Array.from({ length: 3000 }, (_, i) => `new ${i}`).join('\n');
    expect(editsBetween(`same\n${old}`, `same\n${now}`)).toHaveLength(1);
    expect(editsBetween('same', 'same')).toEqual([]);
  });
});

/** A server on which a sheet is written on, a save a minute. */
function writing() {
  const server = testServer();
  let revision = 1;
  const save = (content: string, path = 'sheet.tex') => {
    server.later(1);
    const outcome = server.services.assignments.save('a', { path, revision, content });
    revision = outcome?.revision ?? revision;
  };
  return { ...server, save };
}

describe('earlier versions', () => {
  it('are made as work goes: what stood before the first save, then every few minutes', () => {
    const { services, save } = writing();
    const before = services.files.text('a', 'sheet.tex');
    for (let i = 1; i <= 12; i++) save(`line ${i}\n`.repeat(i));
    const versions = services.versions.list('a');
    expect(versions).toHaveLength(3);
    const [first] = versions;
    expect(first && services.versions.snapshotAt('a', first.id)?.texts['sheet.tex']).toBe(before);
  });
  it('are made before much is taken away, however soon', () => {
    const { services, save } = writing();
    save('The tide comes in and goes out. '.repeat(40));
    save('');
    const last = services.versions.list('a').at(-1);
    const kept = last && services.versions.snapshotAt('a', last.id)?.texts['sheet.tex'];
    expect(kept).toHaveLength(1280);
  });
  it('are made of what another window wrote, before it is written over', () => {
    const { services, save } = writing();
    save('first');
    services.assignments.save('a', {
      path: 'sheet.tex',
      revision: 2,
      content: 'over it',
      over: true,
    });
    const last = services.versions.list('a').at(-1);
    expect(last && services.versions.snapshotAt('a', last.id)?.texts['sheet.tex']).toBe('first');
  });
  it('have names, and are there whole: with pictures and parts', () => {
    const { services, save } = writing();
    services.files.add('a', 'gauge.png', GAUGE);
    services.files.create('a', 'part.tex');
    const named = services.versions.name('a', 'half way') as number;
    services.files.remove('a', 'gauge.png');
    save('changed');
    const snapshot = services.versions.snapshotAt('a', named);
    expect(snapshot?.pictures['gauge.png']?.equals(GAUGE)).toBe(true);
    expect(Object.keys(snapshot?.texts ?? {})).toEqual(['part.tex', 'sheet.tex']);
    expect(services.versions.list('a').find(({ id }) => id === named)?.name).toBe('half way');
    expect(services.versions.name('none', 'x')).toBeNull();
    expect(services.versions.snapshotAt('a', 999)).toBeNull();
  });
  it('are gone back to, and that is undone by going back again', () => {
    const { services, save } = writing();
    services.files.add('a', 'gauge.png', GAUGE);
    const then = services.versions.name('a', 'then') as number;
    save('now');
    services.files.create('a', 'later.tex');
    services.files.remove('a', 'gauge.png');
    const ahead = () => services.files.list('a').map(({ path }) => path);
    expect(services.versions.restore('a', then)).toBe(true);
    expect(services.files.text('a', 'sheet.tex')).toContain('Tides.');
    expect(ahead()).toEqual(['sheet.tex', 'gauge.png']);
    const undo = services.versions.list('a').findLast(({ kind }) => kind === 'before-restore');
    expect(undo && services.versions.restore('a', undo.id)).toBe(true);
    expect(services.files.text('a', 'sheet.tex')).toBe('now');
    expect(ahead()).toEqual(['later.tex', 'sheet.tex']);
    expect(services.versions.restore('a', 999)).toBe(false);
  });
  it('take room by what was written, not by versions times length', () => {
    const { services, db } = writing();
    const size = (): number =>
      (db.get('SELECT sum(size) AS size FROM versions') as unknown as { size: number }).size;
    const grown = (versions: number): number => {
      const from = size() || 0;
      for (let i = 0; i < versions; i++) {
        const text = services.files.text('a', 'sheet.tex') ?? '';
        const revision = services.assignments.open('a', null)?.main.revision ?? 0;
        const content = `${text}A new line of the sheet, number ${i}, is written here.\n`;
        services.assignments.save('a', { path: 'sheet.tex', revision, content });
        services.versions.name('a', `v${i}`);
      }
      return size() - from;
    };
    const [early, late] = [grown(100), grown(100)];
    expect(late).toBeLessThan(1.5 * early);
    for (const { id } of services.versions.list('a').slice(-3))
      expect(services.versions.snapshotAt('a', id)?.texts['sheet.tex']).toContain('number 9');
  });
});
