import { chromium, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { join } from 'node:path';

/** Takes the pictures of the README from the demo data, in a server of its own. */
const root = process.env.ODD_COMPASS_ROOT ?? process.cwd();
const port = 4329;
const base = `http://127.0.0.1:${port}`;
const env = {
  ...process.env,
  PORT: String(port),
  HOST: '127.0.0.1',
  ODD_COMPASS_ROOT: root,
  ODD_COMPASS_DATABASE: '/tmp/odd-compass-pictures.db',
  COURSE_SITE_PORT: '4328',
  ODD_COMPASS_COURSE_SITE: 'http://127.0.0.1:4328',
};

const run = (file: string, ...args: string[]) =>
  spawn('node', [join(root, file), ...args], { env, cwd: root, stdio: 'ignore' });
await new Promise((resolve) => run('build-tools/fill-demo.mjs', '--afresh').once('exit', resolve));
const site = run('build-tools/course-site.mjs');
const server = run('build/index.js');
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

async function picture(
  name: string,
  path: string,
  prepare: (page: Page) => Promise<void> = async () => undefined,
): Promise<void> {
  for (let i = 0; i < 40; i++) {
    try {
      await page.goto(base + path);
      break;
    } catch {
      await page.waitForTimeout(250);
    }
  }
  await page.waitForTimeout(2500);
  await prepare(page);
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
}

/** What the picture of pictures shows. */
const CROSSINGS = String.raw`\documentclass{article}
\usepackage{tikz}
\begin{document}
\section*{Crossings in a week}

Each harbour sends its ferries to the two others.

\begin{center}
\begin{tikzpicture}[thick]
  \draw[gray!40, thin] (-1,-1) grid (5,3);
  \node[circle, draw, fill=yellow!30] (a) at (0,0) {$a$};
  \node[circle, draw, fill=blue!15] (b) at (2,2) {$b$};
  \node[circle, draw, fill=green!15] (c) at (4,0) {$c$};
  \draw[->] (a) to[bend left] node[auto] {$12$} (b);
  \draw[->] (b) to[bend left] node[auto] {$9$} (c);
  \draw[->, dashed] (c) .. controls (3,-1) and (1,-1) .. node[above] {$4$} (a);
\end{tikzpicture}
\end{center}
\end{document}
`;

const clickOn = (text: string) => async (p: Page) => {
  await p.locator('article p', { hasText: text }).first().click();
  await p.waitForTimeout(800);
};

try {
  await picture('desk', '/');
  await picture('start', '/start', async (p) => {
    await p.getByLabel('Title', { exact: true }).first().fill('Signals across the bay');
    await p.getByRole('radio', { name: 'a worked example' }).check();
    await p.getByRole('button', { name: /^A proof by induction/ }).click();
    await p.waitForTimeout(1500);
  });
  await picture('versions', '/a/three-harbours/versions', async (p) => {
    await p.getByRole('button', { name: /^before the long run/ }).click();
    await p.waitForTimeout(4000);
    await p.getByRole('region', { name: 'Then and now' }).evaluate((region) => {
      region.scrollTop = 330;
    });
    await p.waitForTimeout(300);
  });
  await picture('hand-in', '/a/lamp-signals/hand-in', (p) => p.waitForTimeout(4000));
  await picture('handbook', '/handbook', async (p) => {
    await p.getByRole('searchbox').fill('brackets matrix');
    await p.waitForTimeout(2500);
  });
  await picture('files', '/a/tide-gauge', async (p) => {
    await p.getByRole('button', { name: 'Files' }).click();
    await p.waitForTimeout(800);
  });
  await picture('workbench', '/a/three-harbours', clickOn('Equation (2) gives'));
  await picture('bench', '/a/three-harbours', async (p) => {
    await p.getByText('1/2 & 1/4 & 1/4').click();
    await p.getByRole('button', { name: 'Symbols' }).click();
    await p.waitForTimeout(800);
  });
  await picture('derivation', '/a/tide-sums', async (p) => {
    await p.locator('.cm-content').focus();
    await p.keyboard.press('Control+Home');
    await p.keyboard.press('Control+f');
    await p.keyboard.type('begin{align');
    await p.keyboard.press('Enter');
    await p.keyboard.press('Escape');
    for (let i = 0; i < 2; i++) await p.keyboard.press('ArrowDown');
    await p.keyboard.press('F6');
    await p.waitForTimeout(2500);
  });
  await picture('steps', '/a/tide-sums', async (p) => {
    await p.getByRole('button', { name: 'Steps', exact: true }).click();
    await p.waitForTimeout(4000);
    await p.locator('li button[aria-expanded]').first().click();
    await p.waitForTimeout(1200);
  });
  await picture('argument', '/a/ferry-notes/argument', (p) => p.waitForTimeout(4000));
  await picture('figure', '/a/tide-gauge', async (p) => {
    await p.locator('.cm-content').focus();
    await p.keyboard.press('Control+Home');
    await p.keyboard.press('Control+f');
    await p.keyboard.type('tide-curve');
    await p.keyboard.press('Enter');
    await p.keyboard.press('Escape');
    await p.waitForTimeout(2000);
  });
  await picture('sheet', '/a/ferry-notes', async (p) => {
    await p.getByRole('button', { name: 'All pages, small' }).click();
    await p.getByRole('button', { name: 'Find on the sheet' }).click();
    await p.keyboard.type('stationary');
    await p.waitForTimeout(1200);
    await p.keyboard.press('Enter');
    await p.waitForTimeout(1200);
  });
  await picture('findings', '/a/lamp-signals', clickOn('A pattern of'));
  await picture('picture', '/a/tide-sums', async (p) => {
    await p.locator('.cm-content').focus();
    await p.keyboard.press('Control+a');
    await p.keyboard.insertText(CROSSINGS);
    await p.waitForTimeout(1500);
    await p.locator('.cm-line', { hasText: '(b) at' }).click({ position: { x: 120, y: 8 } });
    await p.keyboard.press('F6');
    await p.waitForTimeout(1500);
  });
  await picture('lamplight', '/a/ferry-notes', async (p) => {
    await p.getByRole('button', { name: /Light the lamp/ }).click();
    await clickOn('ferry line has finitely')(p);
  });
} finally {
  await browser.close();
  server.kill();
  site.kill();
}
process.exit(0);
