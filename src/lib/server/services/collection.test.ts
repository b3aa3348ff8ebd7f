import { unzipSync, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { SHEET, testServer } from '../testing';

const GAUGE = readFileSync('packages/engine/src/testing/corpus/pictures/gauge.png');

/** A desk with something of everything. */
function full() {
  const server = testServer();
  const { services } = server;
  services.settings.setProfile({ name: 'Maren Quill', college: 'Skerry Point', number: '7' });
  services.files.add('a', 'gauge.png', GAUGE);
  services.files.add('a', 'refs.bib', Buffer.from('@book{q}'));
  services.desk.change('a', { archived: true });
  const start = { courseId: 'c', title: 'Ebb & flood', kind: 'proofs', dueAt: null } as const;
  services.desk.start({ ...start, content: 'Second of that title. Åse.', filesFrom: null });
  const fragment = { name: 'frame', source: '\\proof', packages: ['amsthm'], origin: 'Ebb' };
  services.fragments.add(fragment, server.clock.now.toISOString());
  return server;
}

it('is plain files, each as it is, with an index', () => {
  const files = unzipSync(full().services.collection.pack());
  expect(Object.keys(files).sort()).toEqual([
    'MA-1/Ebb-flood-2/sheet.tex',
    'MA-1/Ebb-flood/gauge.png',
    'MA-1/Ebb-flood/refs.bib',
    'MA-1/Ebb-flood/sheet.tex',
    'collection.json',
  ]);
  expect(Buffer.from(files['MA-1/Ebb-flood/gauge.png'] as Uint8Array).equals(GAUGE)).toBe(true);
});

it('taken out, brought in elsewhere and taken out again, gives the same bytes', () => {
  const packed = full().services.collection.pack();
  const other = testServer();
  other.repositories.courses.clear();
  expect(other.services.collection.unpack(packed)).toEqual({ kind: 'kept', taken: 2, there: 0 });
  expect(other.services.collection.pack().equals(packed)).toBe(true);
  // Brought in again, nothing is doubled.
  expect(other.services.collection.unpack(packed)).toEqual({ kind: 'kept', taken: 0, there: 2 });
  expect(other.services.collection.pack().equals(packed)).toBe(true);
});

it('is refused when it is none, broken or incomplete; nothing is half taken', () => {
  const { services } = full();
  const packed = unzipSync(services.collection.pack());
  const other = testServer();
  other.repositories.courses.clear();
  const said = (files: Record<string, Uint8Array> | Buffer): string => {
    const zip = Buffer.isBuffer(files) ? files : Buffer.from(zipSync(files));
    const outcome = other.services.collection.unpack(zip);
    expect(other.services.desk.desk()).toEqual([]);
    return outcome.kind === 'refused' ? outcome.problem : 'taken';
  };
  expect(said(Buffer.from('no zip'))).toContain('no zip');
  expect(said({ 'a.tex': new Uint8Array() })).toContain('no collection.json');
  expect(said({ 'collection.json': new TextEncoder().encode('{') })).toContain('understood');
  const { 'MA-1/Ebb-flood/refs.bib': _, ...without } = packed;
  expect(said(without)).toContain('refs.bib is missing');
  const index = new TextDecoder().decode(packed['collection.json']);
  const evil = index.replace('"refs.bib"', '"../../refs.bib"');
  expect(said({ ...packed, 'collection.json': new TextEncoder().encode(evil) })).toContain(
    'understood',
  );
});

const RECEIPT = {
  site: 'The course site',
  posting: 'tides',
  number: 'R-7',
  receivedAt: '2026-03-01T10:00:00.000Z',
  late: false,
  files: [{ name: 'Tides.pdf', size: 5, sha256: 'ab' }],
};

/** A desk whose first assignment has earlier versions, one of them handed in. */
function withPast() {
  const server = full();
  const { services, repositories, clock, later } = server;
  const first = services.versions.name('a', 'Before the table');
  later(10);
  services.assignments.save('a', { path: 'sheet.tex', revision: 1, content: 'Ebb.\nFlood.\n' });
  services.files.add('a', 'mark.png', GAUGE);
  const second = services.versions.name('a', 'With the table');
  if (first === null || second === null) throw new Error('not kept');
  repositories.handIns.add('a', second, RECEIPT, Buffer.from('%PDF-went'), clock.now.toISOString());
  return { server, first, second };
}

it('brings earlier versions and what was handed in back', () => {
  const { server, second } = withPast();
  const packed = server.services.collection.pack();
  const other = testServer();
  other.repositories.courses.clear();
  expect(other.services.collection.unpack(packed).kind).toBe('kept');
  const bare = (one: typeof other) =>
    one.services.versions.list('a').map(({ at, kind, name, words }) => ({ at, kind, name, words }));
  expect(bare(other)).toEqual(bare(server));
  expect(bare(other).map(({ name }) => name)).toContain('Before the table');
  // Each is what it was, pictures too, and can be put back.
  server.services.versions.list('a').forEach(({ id }, i) => {
    const brought = other.services.versions.list('a')[i]?.id ?? 0;
    expect(other.services.versions.snapshotAt('a', brought)).toEqual(
      server.services.versions.snapshotAt('a', id),
    );
  });
  const [handed] = other.services.handIn.receipts('a');
  expect(handed?.receipt).toEqual(RECEIPT);
  expect(other.services.handIn.frozenPdf('a', handed?.id ?? 0)?.toString()).toBe('%PDF-went');
  expect(other.services.versions.snapshotAt('a', handed?.versionId ?? 0)).toEqual(
    server.services.versions.snapshotAt('a', second),
  );
  expect(other.services.collection.pack().equals(packed)).toBe(true);
});

it('goes on with versions of its own after it was brought in', () => {
  const packed = withPast().server.services.collection.pack();
  const other = testServer();
  other.repositories.courses.clear();
  other.services.collection.unpack(packed);
  const before = other.services.versions.list('a').length;
  const mine = other.services.versions.name('a', 'Mine');
  expect(other.services.versions.list('a')).toHaveLength(before + 1);
  expect(other.services.versions.snapshotAt('a', mine ?? 0)?.texts['sheet.tex']).toBe(
    'Ebb.\nFlood.\n',
  );
  const [first] = other.services.versions.list('a');
  expect(other.services.versions.restore('a', first?.id ?? 0)).toBe(true);
  const file = other.repositories.files.all('a').find(({ path }) => path === 'sheet.tex');
  expect(file?.content).toBe(SHEET);
});

it('a past that is broken is refused in a sentence, and nothing is half taken', () => {
  const packed = unzipSync(withPast().server.services.collection.pack());
  const history = '.history/a/versions.json';
  const told = JSON.parse(new TextDecoder().decode(packed[history])) as {
    versions: { whole: boolean; change: { pictures: Record<string, string> } }[];
    handIns: { version: number }[];
  };
  const said = (past: unknown, without = ''): string => {
    const files: Record<string, Uint8Array> = {
      ...packed,
      [history]: new TextEncoder().encode(JSON.stringify(past)),
    };
    if (without !== '') Reflect.deleteProperty(files, without);
    const other = testServer();
    other.repositories.courses.clear();
    const outcome = other.services.collection.unpack(Buffer.from(zipSync(files)));
    expect(other.services.versions.list('a')).toEqual([]);
    return outcome.kind === 'refused' ? outcome.problem : 'kept';
  };
  expect(said(told, '.history/a/hand-in-1.pdf')).toContain('hand-in-1.pdf is missing');
  const [version, handedIn] = [told.versions[0], told.handIns[0]];
  if (!version || !handedIn) throw new Error('no past');
  const rest = told.versions.slice(1);
  for (const broken of [
    { ...told, handIns: [{ ...handedIn, version: 99 }] },
    { ...told, versions: [{ ...version, whole: false }, ...rest] },
    { ...told, versions: [{ ...version, change: { ...version.change, pictures: { x: 'no' } } }] },
    { handIns: [] },
  ])
    expect(said(broken)).toContain('understood');
  const picture = Object.keys(packed).find((name) => name.startsWith('.history/pictures/'));
  expect(said(told, picture)).toContain('is missing');
});
