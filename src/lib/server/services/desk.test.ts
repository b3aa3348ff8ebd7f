import { zipSync } from 'fflate';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { SHEET, testServer } from '../testing';
import { readBundle, type GivenFile } from './bundle';

const GAUGE = readFileSync('packages/engine/src/testing/corpus/pictures/gauge.png');
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const zip = (files: Record<string, Uint8Array>, name = 'sheet3.zip'): GivenFile => ({
  name,
  bytes: Buffer.from(zipSync(files)),
});
const text = (name: string, content: string): GivenFile => ({ name, bytes: Buffer.from(content) });

describe('courses and assignments', () => {
  it('are made, changed, put away, and back', () => {
    const { services } = testServer();
    const { desk } = services;
    const id = desk.addCourse({ code: 'MA 2', title: 'Lamps', term: '', colour: 'moss' });
    expect(desk.changeCourse(id, { title: 'Signals', archived: true })).toBe(true);
    expect(desk.desk().find((course) => course.id === id)).toMatchObject({
      title: 'Signals',
      archived: true,
      assignments: [],
    });
    expect(desk.change('a', { courseId: id, dueAt: '2026-03-05T18:00:00.000Z' })).toBe(true);
    expect(desk.removeCourse(id)).toBe('in-use');
    expect(desk.removeCourse('c')).toBe('removed');
    expect(desk.removeCourse('c')).toBe('missing');
    expect(desk.change('a', { courseId: 'none' })).toBe(false);
    expect(desk.change('none', { title: 'x' })).toBe(false);
  });
  it('have another text for their sheet when it is there', () => {
    const { services } = testServer();
    services.files.create('a', 'other.tex');
    expect(services.desk.change('a', { mainPath: 'none.tex' })).toBe(false);
    expect(services.desk.change('a', { mainPath: 'other.tex' })).toBe(true);
    expect(services.assignments.open('a', null)).toMatchObject({
      sheet: 'other.tex',
      main: { path: 'other.tex' },
    });
  });
  it('are sorted by what is due first, those without a date last', () => {
    const { services } = testServer();
    const start = (title: string, dueAt: string | null) =>
      services.desk.start({
        courseId: 'c',
        title,
        kind: 'notes',
        dueAt,
        content: SHEET,
        filesFrom: null,
      });
    start('second', '2026-03-09T00:00:00.000Z');
    start('first', '2026-03-08T00:00:00.000Z');
    const titles = services.desk.desk()[0]?.assignments.map(({ title }) => title);
    expect(titles).toEqual(['first', 'second', 'Ebb & flood']);
  });
  it('deleted ones are gone from everywhere, can be put back, and go for good after a month', () => {
    const { services, later } = testServer();
    services.desk.change('a', { deleted: true });
    expect(services.desk.desk()[0]?.assignments).toEqual([]);
    expect(services.assignments.open('a', null)).toBeNull();
    expect(services.desk.search('Tides')).toEqual([]);
    expect(services.desk.deleted()).toMatchObject([{ id: 'a', title: 'Ebb & flood' }]);
    services.desk.change('a', { deleted: false });
    expect(services.assignments.open('a', null)).not.toBeNull();
    services.desk.change('a', { deleted: true });
    later(29 * 1440);
    services.desk.purge();
    expect(services.desk.deleted()).toHaveLength(1);
    later(2 * 1440);
    services.desk.purge();
    expect(services.desk.deleted()).toEqual([]);
  });
  it('are copied with all their files, and begun with those of an earlier one', () => {
    const { services } = testServer();
    services.files.add('a', 'gauge.png', GAUGE);
    services.files.create('a', 'part.tex');
    const copy = services.desk.duplicate('a') as string;
    expect(services.assignments.open(copy, null)?.title).toBe('Ebb & flood (copy)');
    expect(services.files.list(copy).map(({ path }) => path)).toEqual([
      'part.tex',
      'sheet.tex',
      'gauge.png',
    ]);
    const asked = { courseId: 'c', title: 'Next', kind: 'proofs', dueAt: null, content: 'new' };
    const next = services.desk.start({ ...asked, kind: 'proofs', filesFrom: 'a' }) as string;
    expect(services.files.text(next, 'sheet.tex')).toBe('new');
    expect(services.files.picture(next, 'gauge.png')).not.toBeNull();
    expect(services.desk.start({ ...asked, kind: 'proofs', filesFrom: 'none' })).toBeNull();
    expect(services.desk.duplicate('none')).toBeNull();
  });
});

describe('search', () => {
  it('finds words by their beginnings in all texts, as they were last saved', () => {
    const { services } = testServer();
    services.files.create('a', 'part.tex');
    services.assignments.save('a', {
      path: 'part.tex',
      revision: 1,
      content: 'A harbour pilot knows every sounding of the café quay.',
    });
    const found = services.desk.search('harb soun');
    expect(found).toMatchObject([{ assignmentId: 'a', path: 'part.tex', course: 'Tides' }]);
    expect(found[0]?.excerpt).toContain('\u0001harbour\u0002');
    expect(services.desk.search('cafe')).toHaveLength(1);
    expect(services.desk.search('lighthouse')).toEqual([]);
    expect(services.desk.search('"*)(')).toEqual([]);
    services.assignments.save('a', { path: 'part.tex', revision: 2, content: 'A lighthouse.' });
    expect(services.desk.search('lighth')).toHaveLength(1);
    expect(services.desk.search('harb')).toEqual([]);
    services.files.remove('a', 'part.tex');
    expect(services.desk.search('lighth')).toEqual([]);
  });
  it('finds titles and courses', () => {
    const { services } = testServer();
    expect(services.desk.search('ebb')[0]).toMatchObject({ assignmentId: 'a', excerpt: '' });
    expect(services.desk.search('MA 1')[0]).toMatchObject({ assignmentId: 'a' });
    expect(services.desk.search('e')).toMatchObject([{ excerpt: '' }]);
  });
});

describe('what is brought in', () => {
  it('from elsewhere: a zip with folders finds its main file, and leaves litter out', () => {
    const { services } = testServer();
    const given = zip({
      'week3/solutions.tex': bytes(`\\documentclass{article}\\title{Week 3}${SHEET}`),
      'week3/parts/one.tex': bytes('One.'),
      'week3/parts/standalone.tex': bytes('\\documentclass{article}'),
      'week3/figs/gauge.png': new Uint8Array(GAUGE),
      'week3/solutions.pdf': bytes('%PDF-1.4 /MediaBox [0 0 10 10]'),
      'week3/solutions.aux': bytes('x'),
      'week3/notes.docx': bytes('x'),
      '__MACOSX/week3/._solutions.tex': bytes('x'),
    });
    const outcome = services.desk.bringIn('c', [given]);
    if (outcome?.kind !== 'kept') throw new Error('not kept');
    const opened = services.assignments.open(outcome.id, null);
    expect(opened).toMatchObject({ title: 'Week 3', main: { path: 'solutions.tex' } });
    expect(opened?.files.map(({ path }) => path)).toEqual([
      'parts/one.tex',
      'parts/standalone.tex',
      'solutions.tex',
      'figs/gauge.png',
    ]);
    expect(outcome.leftOut).toEqual(['notes.docx: neither a text nor a picture']);
  });
  it('as loose files: the document that no other reads in is the sheet', () => {
    const bundle = readBundle([
      text('chapter.tex', '\\documentclass{article}Chapter'),
      text('all.tex', '\\documentclass{article}\\input{chapter}'),
      text('refs.bib', '@book{q}'),
    ]);
    expect(bundle).toMatchObject({ kind: 'bundle', mainPath: 'all.tex', title: 'all' });
  });
  it('names what it is by its file when it has no title', () => {
    expect(readBundle([text('sheet_3-final.tex', SHEET)])).toMatchObject({
      title: 'sheet 3 final',
    });
  });
  const refusals: readonly (readonly [string, GivenFile, string])[] = [
    ['reaches outside', zip({ '../evil.tex': bytes(SHEET) }), 'reaches outside its folder'],
    ['is absolute', zip({ '/etc/cron.tex': bytes(SHEET) }), 'reaches outside its folder'],
    ['climbs by other slashes', zip({ 'a\\..\\..\\x.tex': bytes(SHEET) }), 'reaches outside'],
    ['is damaged', text('x.zip', 'PK\u0003\u0004 broken'), 'cannot be opened'],
    ['holds no source', zip({ 'a.png': new Uint8Array(GAUGE) }), 'no .tex file'],
    ['holds bytes for text', zip({ 'a.tex': new Uint8Array(GAUGE) }), 'is not a text'],
    [
      'is a bomb',
      zip(Object.fromEntries(Array.from({ length: 401 }, (_, i) => [`${i}.tex`, bytes('x')]))),
      'more than 400 files',
    ],
    ['is too large unpacked', zip({ 'a.tex': new Uint8Array(121_000_000) }), 'too large'],
    ['is no source at all', text('x.docx', 'x'), 'no .tex file'],
  ];
  it.each(refusals)('what %s is refused in words, and nothing of it is kept', (_, given, says) => {
    const { services } = testServer();
    const outcome = services.desk.bringIn('c', [given]);
    expect(outcome).toMatchObject({ kind: 'refused' });
    expect(outcome?.kind === 'refused' && outcome.problem).toContain(says);
    expect(services.desk.desk()[0]?.assignments).toHaveLength(1);
  });
  it('goes under a course that is there', () => {
    expect(testServer().services.desk.bringIn('none', [text('a.tex', SHEET)])).toBeNull();
  });
});
