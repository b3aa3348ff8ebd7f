import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { compose } from '../src/lib/server/compose';
import { mathematicalDocument } from './bench/documents';

/**
 * A desk of many sheets: how long it takes to open in Chromium, and how long search takes
 * for each letter that is typed.
 */
const root = process.env.ODD_COMPASS_ROOT ?? process.cwd();
const SHEETS = Number(process.argv[2] ?? 500);
const PAGES = 10;
const COURSES = 10;
const PORT = 4332;
const base = `http://127.0.0.1:${PORT}`;

const database = join(mkdtempSync(join(tmpdir(), 'odd-compass-desk-')), 'desk.db');
const now = new Date();
const { repositories, services } = compose(root, database);
const { text } = mathematicalDocument(PAGES);

// One sheet is typeset for real; the others stand for it with its PDF and first page.
const [model] = fill();
const made = await services.assignments.typeset(model as string);
if (!made) throw new Error('nothing was typeset');
for (let i = 0; i < SHEETS; i++)
  repositories.assignments.keepTypesetting(
    `sheet-${i}`,
    { ...made, edition: 1 },
    now.toISOString(),
  );

/** Courses and sheets, each sheet with words of its own. */
function fill(): string[] {
  const ids: string[] = [];
  for (let c = 0; c < COURSES; c++)
    repositories.courses.add({
      id: `course-${c}`,
      code: `MA ${100 + c}`,
      title: `Course ${c}`,
      term: 'Spring',
      colour: 'sea',
    });
  for (let i = 0; i < SHEETS; i++) {
    const id = `sheet-${i}`;
    const due = new Date(now.getTime() + (i - SHEETS / 2) * 86_400_000);
    const content = text.replace(
      '\\begin{document}',
      `\\begin{document}\nSounding${i} of pier ${i}.\n`,
    );
    repositories.assignments.add(
      {
        id,
        courseId: `course-${i % COURSES}`,
        title: `Sheet ${i}`,
        dueAt: due.toISOString(),
        state: 'draft',
        mainPath: 'sheet.tex',
        texts: [{ path: 'sheet.tex', content }],
      },
      now.toISOString(),
    );
    ids.push(id);
  }
  return ids;
}

const server = spawn('node', [join(root, 'build/index.js')], {
  env: {
    ...process.env,
    PORT: String(PORT),
    HOST: '127.0.0.1',
    ODD_COMPASS_DATABASE: database,
    ODD_COMPASS_ROOT: root,
  },
  stdio: 'ignore',
});
for (let i = 0; i < 100; i++) {
  if (await fetch(`${base}/api/search?q=`).catch(() => null)) break;
  await new Promise((resolve) => setTimeout(resolve, 100));
}

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const show = (name: string, value: number, bound: string): void =>
  console.log(`${name.padEnd(62)} ${value.toFixed(0).padStart(6)} ms   (${bound})`);

const opened: number[] = [];
for (let i = 0; i < 3; i++) {
  const from = performance.now();
  await page.goto(base);
  await page
    .locator('main li img')
    .first()
    .evaluate((image: HTMLImageElement) => image.decode());
  opened.push(performance.now() - from);
}
show(
  `the desk with ${SHEETS} sheets of ${PAGES} pages opens`,
  opened.sort((a, b) => a - b)[1] as number,
  'bound 1000',
);

// The index is made beside, a few texts at a time, when the server starts.
while (
  ((await (await fetch(`${base}/api/search?q=sounding${SHEETS - 1}`)).json()) as []).length === 0
)
  await new Promise((resolve) => setTimeout(resolve, 200));
const times: number[] = [];
for (const query of [
  's',
  'so',
  'sou',
  'sound',
  'sounding4',
  'sounding42',
  'matrix',
  'the ma',
  'equation of',
])
  for (let i = 0; i < 5; i++) {
    const from = performance.now();
    await (await fetch(`${base}/api/search?q=${encodeURIComponent(query)}`)).json();
    times.push(performance.now() - from);
  }
times.sort((a, b) => a - b);
show(
  'search answers a letter, median',
  times[Math.floor(times.length / 2)] as number,
  'as one types: 100',
);
show('search answers a letter, worst', times.at(-1) as number, '');
await browser.close();
server.kill();
process.exit(0);
