import { expect, test } from './test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { copyDemo } from './servers';
import { caretBehind, sheet, source, write } from './writing';

const PORT = 4317;
const BASE = `http://127.0.0.1:${PORT}`;
const env = {
  ...process.env,
  PORT: String(PORT),
  HOST: '127.0.0.1',
  ODD_COMPASS_DATABASE: 'test-results/crash.db',
  ODD_COMPASS_ROOT: process.cwd(),
};
let server: ChildProcess | null = null;

async function start(): Promise<void> {
  server = spawn('node', ['build-tools/serve.mjs'], { env, stdio: 'ignore' });
  await expect
    .poll(async () => (await fetch(`${BASE}/api/search?q=`).catch(() => null))?.status ?? 0)
    .toBe(200);
}
async function kill(): Promise<void> {
  const running = server;
  server = null;
  if (!running || running.exitCode !== null) return;
  const gone = new Promise((resolve) => running.once('exit', resolve));
  running.kill('SIGKILL');
  await gone;
}
test.afterEach(kill);

/** The demo in a database of its own. */
function fill(): void {
  spawnSync('sh', ['-c', copyDemo(env.ODD_COMPASS_DATABASE)], { env });
}

test('the server is killed while one writes: typing goes on, the window is closed, and nothing is missing', async ({
  context,
}) => {
  fill();
  await start();
  const page = await context.newPage();
  const status = page.getByTestId('status');
  await page.goto(`${BASE}/a/three-harbours`);
  await expect(sheet(page)).toContainText('A ferry leaves each');
  await caretBehind(page, 'A ferry leaves each');
  await write(page, ' grey');
  await expect(status).toContainText(/^saved/);
  await kill();

  // The page goes on being typeset, and the text is kept in the browser.
  await write(page, ' and windy');
  await expect(status).toContainText('not saved yet, kept in this browser');
  await expect(sheet(page)).toContainText('each grey and windy morning');
  await start();
  await expect(status).toContainText(/^saved/);
  await kill();

  // Even when the window is closed before the server is back.
  await write(page, ' autumn');
  await expect(status).toContainText('not saved yet');
  await page.close();
  await start();
  const later = await context.newPage();
  await later.goto(`${BASE}/a/three-harbours`);
  await expect(source(later)).toContainText('each grey and windy autumn morning');
  await expect(later.getByTestId('status')).toContainText(/^saved/);
  const kept = await context.request.get(`${BASE}/a/three-harbours/files/sheet.tex`);
  expect(await kept.text()).toContain('each grey and windy autumn morning');
});

test('a damaged database is told of, and a copy put back; what is typed meanwhile goes into it', async ({
  context,
}) => {
  const copy = 'test-results/crash-copy.db';
  const run = (program: string, ...args: string[]) =>
    spawnSync('node', [`build-tools/${program}.mjs`, ...args], {
      env,
      encoding: 'utf8',
      timeout: 60_000,
    });
  fill();
  await start();
  const page = await context.newPage();
  const status = page.getByTestId('status');
  await page.goto(`${BASE}/a/three-harbours`);
  await expect(sheet(page)).toContainText('A ferry leaves each');
  await caretBehind(page, 'A ferry leaves each');
  await write(page, ' calm');
  await expect(status).toContainText(/^saved/);
  expect(run('backup', copy).status).toBe(0);
  await kill();

  for (const part of ['-wal', '-shm']) rmSync(env.ODD_COMPASS_DATABASE + part, { force: true });
  writeFileSync(env.ODD_COMPASS_DATABASE, 'This was a database once. '.repeat(500));
  await write(page, ' and bright');
  await expect(status).toContainText('not saved yet, kept in this browser');
  const refused = run('serve');
  expect(refused.status).toBe(3);
  expect(refused.stderr).toMatch(/damaged.*bin\/odd-compass restore/);

  const restored = run('restore', copy);
  expect(restored.stdout).toContain('is in place again');
  await start();
  await expect(status).toContainText(/^saved/);
  const kept = await context.request.get(`${BASE}/a/three-harbours/files/sheet.tex`);
  expect(await kept.text()).toContain('each calm and bright morning');
});
