import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import Database from 'better-sqlite3';
import { numbers } from '../packages/engine/src/testing/random';

/**
 * Kills the server at random moments under two clients that type into one sheet, merging what
 * the other wrote: `npm run kills -- [--times 1000] [--seed 1]`. Exit status 1 when an
 * acknowledged line is missing, the two do not agree in the end, or the database is not whole.
 */
const { values } = parseArgs({
  options: { times: { type: 'string', default: '1000' }, seed: { type: 'string', default: '1' } },
});
const random = numbers(Number(values.seed));
const PORT = 4361;
const BASE = `http://127.0.0.1:${PORT}`;
const database = join(mkdtempSync(join(tmpdir(), 'odd-compass-kills-')), 'a.db');
const env = {
  ...process.env,
  PORT: String(PORT),
  HOST: '127.0.0.1',
  ODD_COMPASS_DATABASE: database,
  ODD_COMPASS_ROOT: process.cwd(),
};
const SHEET = 'three-harbours';

async function start(): Promise<ChildProcess> {
  const server = spawn('node', ['build-tools/serve.mjs'], { env, stdio: 'ignore' });
  for (;;) {
    const answer = await fetch(`${BASE}/api/search?q=`).catch(() => null);
    if (answer?.ok) return server;
    await sleep(20);
  }
}
const sleep = (time: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, time));

interface Said {
  readonly kind: string;
  readonly revision: number;
  readonly content?: string;
}

/** A window: it adds lines of its own, and what it was told is saved must stay. */
class Client {
  readonly acknowledged: string[] = [];
  private text = '';
  private revision = 1;
  private count = 0;
  constructor(private readonly name: string) {}

  /** One line more, sent until it is taken; the other's lines are taken over when they came first. */
  async write(running: () => boolean): Promise<void> {
    const line = `% ${this.name} ${++this.count}`;
    while (running()) {
      const content = this.text.includes(`${line}\n`) ? this.text : `${this.text}${line}\n`;
      const answer = await fetch(`${BASE}/a/${SHEET}/source`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json', origin: BASE },
        body: JSON.stringify({ path: 'sheet.tex', revision: this.revision, content }),
      }).catch(() => null);
      const said = (await answer?.json().catch(() => null)) as Said | null;
      if (said?.kind === 'saved') {
        [this.text, this.revision] = [content, said.revision];
        this.acknowledged.push(line);
        return;
      }
      if (said?.kind === 'conflict')
        [this.text, this.revision] = [said.content ?? '', said.revision];
      else await sleep(15);
    }
  }
}

spawnSync('node', ['build-tools/fill-demo.mjs', '--afresh'], { env });
const clients = [new Client('one'), new Client('two')];
let on = true;
const writing = clients.map(async (client) => {
  while (on) {
    await client.write(() => on);
    await sleep(random() * 20);
  }
});
const faults: string[] = [];
for (let n = 1; n <= Number(values.times); n++) {
  const server = await start();
  await sleep(random() * 120);
  const gone = new Promise((resolve) => server.once('exit', resolve));
  server.kill('SIGKILL');
  await gone;
  const sqlite = new Database(database, { readonly: true });
  const whole = sqlite.pragma('integrity_check', { simple: true });
  sqlite.close();
  if (whole !== 'ok') faults.push(`kill ${n}: integrity_check says ${String(whole)}`);
  if (n % 50 === 0) process.stderr.write(`${n} kills, ${faults.length} faults\n`);
}
const server = await start();
on = false;
await Promise.all(writing);
const kept = await (await fetch(`${BASE}/a/${SHEET}/files/sheet.tex`)).text();
const lines = kept.split('\n');
for (const { acknowledged } of clients)
  for (const line of acknowledged) {
    const found = lines.filter((one) => one === line).length;
    if (found !== 1) faults.push(`${line}: acknowledged, and found ${found} times`);
  }
server.kill('SIGKILL');
const count = clients.reduce((sum, { acknowledged }) => sum + acknowledged.length, 0);
process.stdout.write(
  `${values.times} kills, ${count} lines acknowledged: ${faults.length === 0 ? 'no fault' : faults.slice(0, 20).join('\n')}\n`,
);
process.exitCode = faults.length === 0 ? 0 : 1;
