import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { compose } from '../src/lib/server/compose';

const PORT = 4327;
const BASE = `http://127.0.0.1:${PORT}`;
const ROUNDS = 6;
const folder = mkdtempSync(join(tmpdir(), 'odd-compass-crash-'));
const database = join(folder, 'crash.db');

let server: ChildProcess | null = null;
afterAll(() => server?.kill('SIGKILL'));

/** Starts the built server on the database, and waits until it answers. */
async function start(): Promise<void> {
  server = spawn('node', ['build-tools/serve.mjs'], {
    env: {
      ...process.env,
      PORT: String(PORT),
      HOST: '127.0.0.1',
      BODY_SIZE_LIMIT: '110M',
      ODD_COMPASS_DATABASE: database,
      ODD_COMPASS_ROOT: process.cwd(),
    },
    stdio: 'ignore',
  });
  for (let tries = 0; tries < 200; tries++) {
    const answer = await fetch(`${BASE}/api/search?q=`).catch(() => null);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('the server does not start');
}

async function kill(): Promise<void> {
  const gone = new Promise((resolve) => server?.once('exit', resolve));
  server?.kill('SIGKILL');
  await gone;
}

/** Sends saves one after another until the server is gone; gives the last one that was acknowledged. */
async function writeUntilKilled(revision: number, text: string) {
  let acknowledged = { revision, text };
  for (let n = 0; ; n++) {
    const content = `${acknowledged.text}key ${n} of round ${revision}\n`;
    try {
      const answer = await fetch(`${BASE}/a/sheet/source`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', origin: BASE },
        body: JSON.stringify({ path: 'sheet.tex', revision: acknowledged.revision, content }),
      });
      const said = (await answer.json()) as { kind: string; revision: number };
      if (said.kind !== 'saved') throw new Error(`not saved: ${said.kind}`);
      acknowledged = { revision: said.revision, text: content };
    } catch (error) {
      if (error instanceof Error && error.message.startsWith('not saved')) throw error;
      return acknowledged;
    }
  }
}

it('no acknowledged key is missing, whenever the server is killed', async () => {
  expect(existsSync('build/index.js'), 'the app is built before its tests').toBe(true);
  const { repositories } = compose(process.cwd(), database);
  repositories.courses.add({ id: 'c', code: 'C', title: 'C', term: '', colour: 'sea' });
  const texts = [{ path: 'sheet.tex', content: 'The tide.\n'.repeat(2000) }];
  const sheet = { id: 'sheet', courseId: 'c', title: 'Sheet', dueAt: null, mainPath: 'sheet.tex' };
  repositories.assignments.add({ ...sheet, state: 'draft', texts }, new Date().toISOString());
  let known = { revision: 1, text: texts[0]?.content ?? '' };
  let kept = 0;
  for (let round = 0; round < ROUNDS; round++) {
    await start();
    const writing = writeUntilKilled(known.revision, known.text);
    // At another moment each time, most likely in the middle of a write.
    await new Promise((resolve) => setTimeout(resolve, 40 + 75 * round));
    await kill();
    const acknowledged = await writing;
    kept += acknowledged.revision - known.revision;
    const there = repositories.files.find('sheet', 'sheet.tex');
    const { content = '', revision = 0 } = there ?? {};
    // One more may have been written whose answer did not come; nothing less.
    expect(revision - acknowledged.revision).toBeGreaterThanOrEqual(0);
    expect(revision - acknowledged.revision).toBeLessThanOrEqual(1);
    expect(content.startsWith(acknowledged.text)).toBe(true);
    if (revision === acknowledged.revision) expect(content).toBe(acknowledged.text);
    known = { revision, text: content };
  }
  // The rounds were no empty ones.
  expect(kept).toBeGreaterThan(ROUNDS);
});
