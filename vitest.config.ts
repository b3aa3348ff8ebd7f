import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

const path = (file: string): string => new URL(file, import.meta.url).pathname;
const VIEWS = 'src/**/*.view.test.ts';

export default defineConfig({
  // State of the views is written in runes.
  plugins: [svelte()],
  resolve: {
    alias: {
      $lib: path('./src/lib'),
      '$app/navigation': path('./src/lib/testing/navigation.ts'),
      '@dictionaries': path('./node_modules'),
    },
  },
  test: {
    testTimeout: 300_000,
    // Of two cores vitest would leave one to itself.
    maxWorkers: 2,
    // The engine is loaded once for all files of a worker: it keeps no state of its own.
    isolate: false,
    projects: [
      {
        extends: true,
        test: {
          name: 'unit',
          include: ['packages/**/*.test.ts', 'src/**/*.test.ts', 'tests/*.test.ts'],
          exclude: [VIEWS],
        },
      },
      {
        extends: true,
        // Views are mounted as in a browser.
        resolve: { conditions: ['browser'] },
        test: {
          name: 'views',
          environment: 'jsdom',
          // Some stand a module of their own in for another: not to be seen by other files.
          isolate: true,
          include: [VIEWS],
          setupFiles: ['src/lib/testing/browser.ts'],
        },
      },
    ],
  },
});
