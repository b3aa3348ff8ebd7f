import { unzipSync } from 'fflate';
import type { AddressInfo } from 'node:net';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { postingsFrom } from '../../../../tools/course-site/postings';
import { simulatedSite } from '../../../../tools/course-site/site';
import { SiteTrouble } from '../courseSite/courseSite';
import { httpCourseSite } from '../courseSite/httpCourseSite';
import { testServer } from '../testing';
import { threadTypesetter } from '../typeset/typesetter';

const MARK = readFileSync('packages/engine/src/testing/corpus/pictures/mark.svg');
const now = new Date('2026-03-01T09:00:00.000Z');
const site = simulatedSite(postingsFrom(now), 'tools/course-site', () => now);
let address = '';
beforeAll(async () => {
  await new Promise<void>((resolve) => site.server.listen(0, '127.0.0.1', resolve));
  address = `http://127.0.0.1:${(site.server.address() as AddressInfo).port}`;
});
afterAll(() => site.server.close());

const real = threadTypesetter(
  join(process.cwd(), 'build-tools/typeset-thread.mjs'),
  'static/fonts',
);

/** A server beside the simulated site, with the real engine. */
function student(name = 'Maren Quill') {
  site.mood = 'well';
  const courseSite = httpCourseSite(address, 'The course site', 2500);
  const server = testServer({ site: courseSite, typeset: (job) => real.typeset(job) });
  server.services.settings.setProfile({ name, college: '', number: '' });
  return server;
}
async function taken(server: ReturnType<typeof student>, posting: string): Promise<string> {
  const outcome = await server.services.handIn.take(posting);
  if (!('id' in outcome)) throw new Error(outcome.problem);
  return outcome.id;
}
const both = (posting: string) => ({ posting, pdf: true, source: true });

describe('from the handout to the receipt', () => {
  it('the handout becomes a sheet under its course, and what it asks is known', async () => {
    const server = student();
    const id = await taken(server, 'ma214-walks');
    const opened = server.services.assignments.open(id, null);
    expect(opened).toMatchObject({
      title: 'Walks between harbours',
      course: { code: 'MA 214' },
      posting: { id: 'ma214-walks', problems: ['1', '2', '3'] },
    });
    const look = await server.services.handIn.look(id);
    expect(look?.texts.map(({ path, formulas }) => [path, formulas !== null])).toEqual([
      [opened?.main.path, true],
    ]);
    const well = (topic: string) => look?.lines.find((line) => line.topic === topic)?.well;
    expect(look?.lines.find(({ topic }) => topic === 'Problems')?.says).toBe(
      'Problems 1, 2 and 3 are not answered.',
    );
    expect([well('Your name'), well('Mistakes'), well('Length')]).toEqual([false, true, true]);
  });

  it('what was handed in is frozen with its receipt; writing goes on from it', async () => {
    const server = student();
    const { services } = server;
    const id = await taken(server, 'ma214-walks');
    const file = services.assignments.open(id, null)?.main;
    const content = (file?.content ?? '')
      .replace('Write your name here', 'Maren Quill')
      .replaceAll(
        '\\begin{solution}\n',
        '\\begin{solution}\nThe matrix has the rows that were asked for.\n',
      );
    services.assignments.save(id, { path: 'harbour-walks.tex', revision: 1, content });
    const look = await services.handIn.look(id);
    expect(look?.lines.filter(({ well }) => well === false)).toEqual([]);
    const outcome = await services.handIn.handIn(id, both('ma214-walks'));
    if (outcome?.kind !== 'handed-in') throw new Error('not handed in');
    const { receipt, versionId } = outcome.handIn;
    expect(receipt.files.map(({ name }) => name)).toEqual([
      'Walks-between-harbours.pdf',
      'Walks-between-harbours.tex',
    ]);
    expect(receipt.late).toBe(false);
    expect(services.assignments.open(id, null)?.state).toBe('handed-in');
    services.assignments.save(id, { path: 'harbour-walks.tex', revision: 2, content: 'more' });
    expect(services.assignments.open(id, null)?.state).toBe('draft');
    const frozen = services.versions.snapshotAt(id, versionId);
    expect(frozen?.texts['harbour-walks.tex']).toBe(content);
    expect(services.handIn.frozenPdf(id, outcome.handIn.id)?.subarray(0, 5).toString()).toBe(
      '%PDF-',
    );
    expect(services.handIn.receipts(id)).toHaveLength(1);
  });

  it('rules that are broken come back as the course says them, and nothing is frozen', async () => {
    const server = student();
    const id = await taken(server, 'ma118-beacons');
    const said = async (posting: string, source: boolean) =>
      server.services.handIn.handIn(id, { posting, pdf: true, source });
    expect(await said('ma118-beacons', true)).toEqual({
      kind: 'refused',
      reason: 'Beacons-and-parity.zip is not taken: this course takes pdf files.',
    });
    expect(await said('ma230-soundings', false)).toMatchObject({
      reason: 'The deadline has passed. Nothing is taken after the deadline.',
    });
    expect(await said('no-such', false)).toMatchObject({ reason: 'There is no such assignment.' });
    expect(
      await server.services.handIn.handIn(id, { posting: 'x', pdf: false, source: false }),
    ).toMatchObject({ kind: 'refused' });
    expect(await server.services.handIn.handIn('none', both('x'))).toBeNull();
    expect(server.services.handIn.receipts(id)).toEqual([]);
    expect(server.services.assignments.open(id, null)?.state).toBe('draft');
    expect(await student('').services.handIn.handIn('a', both('x'))).toMatchObject({
      reason: 'Write your name first, so that the course knows who you are.',
    });
  });
});

describe('a site that is not well', () => {
  it.each([
    ['slow', 'takes too long'],
    ['down', 'out of order'],
    ['babbling', 'cannot be understood'],
  ] as const)('is %s: the student is told, nothing changes', async (mood, says) => {
    const { services } = student();
    site.mood = mood;
    await expect(services.handIn.postings()).rejects.toThrow(says);
    await expect(services.handIn.take('ma214-walks')).rejects.toBeInstanceOf(SiteTrouble);
    await expect(services.handIn.handIn('a', both('ma214-walks'))).rejects.toBeInstanceOf(
      SiteTrouble,
    );
    expect(services.handIn.receipts('a')).toEqual([]);
  });
  it('is refusing', async () => {
    const { services } = student();
    site.mood = 'refusing';
    expect(await services.handIn.handIn('a', both('ma214-walks'))).toEqual({
      kind: 'refused',
      reason: 'Hand-ins for this assignment are on hold.',
    });
  });
  it('is not there at all, or talks of files that reach elsewhere', async () => {
    const away = httpCourseSite('http://127.0.0.1:9', 'The course site', 300);
    await expect(away.postings()).rejects.toThrow('does not answer');
    const [posting] = postingsFrom(now);
    const evil = [{ ...posting, files: ['../../etc/passwd'] }];
    const liar = httpCourseSite('http://x', 'The course site', 300, () =>
      Promise.resolve(new Response(JSON.stringify(evil))),
    );
    await expect(liar.postings()).rejects.toThrow('cannot be understood');
  });
});

describe('files to take along', () => {
  it('are the source by itself, or a zip with its files in which drawings are PDFs', async () => {
    const { services } = student();
    expect((await services.handIn.packed('a', 'source'))?.name).toBe('Ebb-flood.tex');
    services.files.add('a', 'mark.svg', MARK);
    const content =
      '\\documentclass{article}\\usepackage{graphicx}\\begin{document}\\includegraphics{mark.svg}\\includegraphics{mark}\\end{document}';
    services.assignments.save('a', { path: 'sheet.tex', revision: 1, content });
    const packed = await services.handIn.packed('a', 'source');
    const files = unzipSync(packed?.bytes ?? Buffer.alloc(0));
    expect([packed?.name, Object.keys(files)]).toEqual([
      'Ebb-flood.zip',
      ['mark.pdf', 'sheet.tex'],
    ]);
    expect(new TextDecoder().decode(files['sheet.tex'])).toContain(
      '\\includegraphics{mark.pdf}\\includegraphics{mark}',
    );
    const all = unzipSync((await services.handIn.packed('a', 'all'))?.bytes ?? Buffer.alloc(0));
    expect(Object.keys(all)).toEqual(['Ebb-flood.pdf', 'mark.pdf', 'sheet.tex']);
    // The same again, to the byte.
    expect(
      (await services.handIn.packed('a', 'source'))?.bytes.equals(packed?.bytes as Buffer),
    ).toBe(true);
  });
});
