import { chromium, type Page, type Worker } from '@playwright/test';
import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { compose } from '../src/lib/server/compose';
import { mathematicalDocument } from './bench/documents';

/**
 * Types into a long document in Chromium, ten keys a second, and tells how long each key
 * waited for its echo and for the page. The built app is served for it.
 */
const root = process.env.ODD_COMPASS_ROOT ?? process.cwd();
const PAGES = Number(process.argv[2] ?? 100);
const KEYS = Number(process.argv[3] ?? 120);
const GAP = 100;
const WHEEL_TURNS = 120;
const PORT = 4331;

const folder = mkdtempSync(join(tmpdir(), 'odd-compass-typing-'));
const database = join(folder, 'typing.db');
const now = new Date().toISOString();
const { courses, assignments } = compose(root, database).repositories;
courses.add({ id: 'bench', code: 'B', title: 'Bench', term: 'Spring', colour: 'brass' });
assignments.add(
  {
    id: 'long',
    courseId: 'bench',
    title: 'A long set',
    dueAt: null,
    state: 'draft',
    texts: [{ path: 'sheet.tex', content: mathematicalDocument(PAGES).text }],
  },
  now,
);

const env = {
  ...process.env,
  PORT: String(PORT),
  HOST: '127.0.0.1',
  ODD_COMPASS_DATABASE: database,
};
const server = spawn('node', [join(root, 'build/index.js')], {
  env: { ...env, ODD_COMPASS_ROOT: root, BODY_SIZE_LIMIT: '16M' },
  stdio: 'ignore',
});

/** What the browser measured of each key: how long until its echo was painted, and until the page followed, ms. */
interface Measured {
  readonly echo: readonly number[];
  readonly page: readonly number[];
  /** Keys that the very first frame after them showed. */
  readonly atOnce: number;
  /** What a frame takes when nothing happens, ms. */
  readonly frame: number;
}

/** A moment of each key on the clock that the page and its worker share, ms. */
interface Moments {
  readonly keys: number[];
  readonly echoes: number[];
  atOnce: number;
}

const sorted = (values: readonly number[]): number[] => [...values].sort((a, b) => a - b);
const share = (values: readonly number[], part: number): number =>
  sorted(values)[Math.min(values.length - 1, Math.floor(values.length * part))] ?? NaN;

async function open(page: Page): Promise<void> {
  for (let i = 0; i < 40; i++) {
    try {
      await page.goto(`http://127.0.0.1:${PORT}/a/long`);
      break;
    } catch {
      await page.waitForTimeout(250);
    }
  }
  await page.waitForSelector('.cm-content');
  await page.waitForFunction(
    () => /all well|to fix/.test(document.querySelector('[data-testid=needle]')?.textContent ?? ''),
    undefined,
    { timeout: 120_000 },
  );
  await page.waitForTimeout(1500);
}

/** Puts the caret into a paragraph in the middle of the document. */
async function goToMiddle(page: Page): Promise<void> {
  await page.locator('.cm-scroller').evaluate((scroller) => {
    scroller.scrollTop = scroller.scrollHeight / 2;
  });
  await page.waitForTimeout(600);
  await page
    .locator('.cm-line', { hasText: /^[A-Z][a-z]+ [a-z]+ / })
    .first()
    .click();
  await page.keyboard.press('End');
  await page.waitForTimeout(1500);
}

/** Frames when nothing happens: what one frame is here. */
const idleFrame = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const at: number[] = [];
        const tick = (t: number): void => {
          at.push(t);
          if (at.length < 40) requestAnimationFrame(tick);
          else resolve(((at.at(-1) ?? 0) - (at[0] ?? 0)) / (at.length - 1));
        };
        requestAnimationFrame(tick);
      }),
  );

/** Notes when keys come and when the frame that shows each is painted. */
const watchKeys = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const clock = (): number => performance.timeOrigin + performance.now();
    const kept: Moments = { keys: [], echoes: [], atOnce: 0 };
    (window as unknown as { moments: Moments }).moments = kept;
    const line = (): string => getSelection()?.focusNode?.textContent ?? '';
    addEventListener(
      'keydown',
      () => {
        kept.keys.push(clock());
        const before = line();
        requestAnimationFrame(() => {
          if (line() !== before) kept.atOnce++;
          const channel = new MessageChannel();
          channel.port1.onmessage = () => kept.echoes.push(clock());
          channel.port2.postMessage(null);
        });
      },
      true,
    );
  });

/** Notes when the worker's canvases are painted: the moments when those frames are handed over. */
const watchPaints = (worker: Worker): Promise<void> =>
  worker.evaluate(() => {
    const paints: number[] = [];
    (self as unknown as { paints: number[] }).paints = paints;
    let waiting = false;
    const fill = OffscreenCanvasRenderingContext2D.prototype.fillRect;
    OffscreenCanvasRenderingContext2D.prototype.fillRect = function (...at) {
      if (!waiting) {
        waiting = true;
        requestAnimationFrame(() => {
          const channel = new MessageChannel();
          channel.port1.onmessage = () => {
            waiting = false;
            paints.push(performance.timeOrigin + performance.now());
          };
          channel.port2.postMessage(null);
        });
      }
      return fill.apply(this, at);
    };
  });

async function typeKeys(page: Page): Promise<void> {
  const letters = 'the tide turns at the quay and the lamp is lit ';
  for (let i = 0; i < KEYS; i++) {
    const began = Date.now();
    const letter = letters[i % letters.length] as string;
    await page.keyboard.press(letter === ' ' ? 'Space' : letter);
    await page.waitForTimeout(Math.max(0, GAP - (Date.now() - began)));
  }
  await page.waitForTimeout(800);
}

async function measure(page: Page): Promise<Measured> {
  const frame = await idleFrame(page);
  const engine = page.workers().find((worker) => /engine/.test(worker.url()));
  if (!engine) throw new Error('the engine has no worker');
  await watchKeys(page);
  await watchPaints(engine);
  await typeKeys(page);
  const { keys, echoes, atOnce } = await page.evaluate(
    () => (window as unknown as { moments: Moments }).moments,
  );
  const paints = await engine.evaluate(() => (self as unknown as { paints: number[] }).paints);
  const since = (moments: readonly number[]): number[] =>
    keys.flatMap((key) => {
      const next = moments.find((moment) => moment > key);
      return next === undefined ? [] : [next - key];
    });
  return { echo: since(echoes), page: since(paints), atOnce, frame };
}

/** Frames while hands do something: the gaps between them, ms. */
async function framesDuring(page: Page, hands: () => Promise<void>): Promise<readonly number[]> {
  await page.evaluate(() => {
    const gaps: number[] = [];
    const watch = { gaps, live: true };
    (window as unknown as { frames: typeof watch }).frames = watch;
    let last = performance.now();
    const tick = (now: number): void => {
      gaps.push(now - last);
      last = now;
      if (watch.live) requestAnimationFrame(tick);
    };
    requestAnimationFrame((now) => {
      last = now;
      requestAnimationFrame(tick);
    });
  });
  await hands();
  return page.evaluate(() => {
    const watch = (window as unknown as { frames: { gaps: number[]; live: boolean } }).frames;
    watch.live = false;
    return watch.gaps;
  });
}

/** Turns the wheel over a place, down and up again, as evenly as a hand on a track pad. */
async function turnWheel(page: Page, selector: string): Promise<void> {
  const box = await page.locator(selector).first().boundingBox();
  if (!box) throw new Error(`nothing to scroll: ${selector}`);
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  for (let i = 0; i < WHEEL_TURNS; i++) {
    await page.mouse.wheel(0, i < WHEEL_TURNS / 2 ? 60 : -60);
    await page.waitForTimeout(16);
  }
}

/** Draws the seam to and fro. */
async function dragSeam(page: Page): Promise<void> {
  const box = await page.getByRole('separator', { name: /The seam/ }).boundingBox();
  if (!box) throw new Error('no seam');
  const [x, y] = [box.x + box.width / 2, box.y + 200];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 0; i < WHEEL_TURNS / 2; i++) {
    await page.mouse.move(x + 80 * Math.sin(i / 8), y);
    await page.waitForTimeout(16);
  }
  await page.mouse.up();
}

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await open(page);
  await goToMiddle(page);
  const { echo, page: follows, atOnce, frame } = await measure(page);
  const ms = (value: number): string => `${value.toFixed(1)} ms`;
  process.stdout.write(
    `typing in Chromium, ${PAGES} pages, ${echo.length} keys at ${1000 / GAP} a second (a frame at rest: ${ms(frame)})\n` +
      `  key to echo          median ${ms(share(echo, 0.5))}   p95 ${ms(share(echo, 0.95))}   worst ${ms(Math.max(...echo))}   (${atOnce} in the first frame)\n` +
      `  key to page          median ${ms(share(follows, 0.5))}   p95 ${ms(share(follows, 0.95))}   worst ${ms(Math.max(...follows))}   (${follows.length} followed)\n`,
  );
  for (const [what, hands] of [
    ['the sheet scrolled', () => turnWheel(page, '[aria-label="The sheet"]')],
    ['the source scrolled', () => turnWheel(page, '.cm-scroller')],
    ['the seam drawn', () => dragSeam(page)],
  ] as const) {
    const gaps = await framesDuring(page, hands);
    const late = gaps.filter((gap) => gap > 1.5 * frame).length;
    process.stdout.write(
      `  ${what.padEnd(20)} median ${ms(share(gaps, 0.5))}   p95 ${ms(share(gaps, 0.95))}   (${gaps.length} frames, ${late} late)\n`,
    );
  }
} finally {
  await browser.close();
  server.kill();
}
process.exit(0);
