/** Bundles the programs that run outside the server: the typesetting thread, the command line, the demo, the benchmark. */
import { build } from 'esbuild';
import { existsSync } from 'node:fs';

const programs = [
  'typeset-thread',
  'pdf',
  'steps',
  'fill-demo',
  'bench',
  'screenshots',
  'gallery',
  'typing-bench',
  'desk-bench',
  'course-site',
  'backup',
  'restore',
  'kills',
  'serve',
  'fuzz',
  'slips',
];
await build({
  entryPoints: programs.map((name) => `tools/${name}.ts`).filter((file) => existsSync(file)),
  outdir: 'build-tools',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  outExtension: { '.js': '.mjs' },
  external: [
    'hyphen/patterns/*',
    'better-sqlite3',
    '@resvg/resvg-js',
    'katex',
    'pdfkit',
    '@playwright/test',
  ],
  // Some of what is bundled asks for `require`.
  banner: {
    js: "import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);",
  },
  logLevel: 'warning',
});
