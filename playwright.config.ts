import { defineConfig } from '@playwright/test';

const port = 4319;
const sitePort = 4318;
const site = `http://127.0.0.1:${sitePort}`;

export default defineConfig({
  testDir: 'tests/e2e',
  timeout: 180_000,
  expect: { timeout: 60_000 },
  workers: 1,
  reporter: [['line']],
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
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
  webServer: [
    {
      command: 'node build-tools/course-site.mjs',
      url: `${site}/`,
      env: { COURSE_SITE_PORT: String(sitePort), ODD_COMPASS_ROOT: process.cwd() },
    },
    {
      command: 'node build-tools/fill-demo.mjs --afresh && node build/index.js',
      url: `http://127.0.0.1:${port}/`,
      timeout: 240_000,
      env: {
        PORT: String(port),
        HOST: '127.0.0.1',
        BODY_SIZE_LIMIT: '110M',
        ODD_COMPASS_COURSE_SITE: site,
        ODD_COMPASS_DATABASE: 'test-results/e2e.db',
        ODD_COMPASS_ROOT: process.cwd(),
      },
    },
  ],
});
