import { expect, test } from './test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
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
  server = spawn('node', ['build/index.js'], { env, stdio: 'ignore' });
  await expect
    .poll(async () => (await fetch(`${BASE}/api/search?q=`).catch(() => null))?.status ?? 0)
    .toBe(200);
}
async function kill(): Promise<void> {
  const gone = new Promise((resolve) => server?.once('exit', resolve));
  server?.kill('SIGKILL');
  await gone;
}
test.afterAll(() => server?.kill('SIGKILL'));

test('the server is killed while one writes: typing goes on, the window is closed, and nothing is missing', async ({
  context,
}) => {
  spawnSync('node', ['build-tools/fill-demo.mjs', '--afresh'], { env });
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
