import { defineConfig, type PlaywrightTestConfig } from '@playwright/test';
import {
  addressOf,
  copyDemo,
  MAKE_DEMO,
  portOf,
  siteOf,
  sitePortOf,
  WORKERS,
} from './tests/e2e/servers';

type Servers = Extract<PlaywrightTestConfig['webServer'], readonly unknown[]>;

const databaseOf = (worker: number): string => `test-results/e2e-${worker}.db`;

/** What a worker has for itself: the app with a demo, and a course site. They start one after the other. */
const serversOf = (worker: number): Servers => [
  {
    command: 'node build-tools/course-site.mjs',
    url: `${siteOf(worker)}/`,
    env: { COURSE_SITE_PORT: String(sitePortOf(worker)), ODD_COMPASS_ROOT: process.cwd() },
  },
  {
    command: [
      ...(worker === 0 ? [MAKE_DEMO] : []),
      copyDemo(databaseOf(worker)),
      'node build-tools/serve.mjs',
    ].join(' && '),
    url: `${addressOf(worker)}/`,
    timeout: 240_000,
    env: {
      PORT: String(portOf(worker)),
      HOST: '127.0.0.1',
      BODY_SIZE_LIMIT: '110M',
      ODD_COMPASS_COURSE_SITE: siteOf(worker),
      ODD_COMPASS_DATABASE: databaseOf(worker),
      ODD_COMPASS_ROOT: process.cwd(),
    },
  },
];

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 180_000,
  expect: { timeout: 60_000 },
  workers: WORKERS,
  reporter: [['line']],
  outputDir: 'test-results/journeys',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
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
    },
  },
  webServer: Array.from({ length: WORKERS }, (_, worker) => serversOf(worker)).flat(),
});
