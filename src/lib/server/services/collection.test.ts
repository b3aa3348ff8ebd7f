import { unzipSync, zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { testServer } from '../testing';

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
