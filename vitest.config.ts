import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';
import { TRANSPILED, transpiledPackages } from './scripts/transpiledPackages.ts';

const path = (file: string): string => new URL(file, import.meta.url).pathname;
const VIEWS = 'src/**/*.view.test.ts';

/** Tests that are watched follow their sources; those that are run are sooner done without. */
const watched = !process.argv.includes('run');

const shared = {
  // State of the views is written in runes.
  plugins: [svelte(), watched ? [] : await transpiledPackages(['engine', 'checks'])],
  resolve: {
    alias: {
      $lib: path('./src/lib'),
      '$app/navigation': path('./src/lib/testing/navigation.ts'),
      '@dictionaries': path('./node_modules'),
    },
  },
  test: {
    testTimeout: 300_000,
    server: { deps: { external: [TRANSPILED] } },
    // The engine is loaded once for all files of a worker: it keeps no state of its own.
    isolate: false,
  },
};

export default defineConfig({
  test: {
    // Of two cores vitest would leave one to itself.
    maxWorkers: 2,
    projects: [
      {
        ...shared,
        test: {
          ...shared.test,
          name: 'unit',
          include: ['packages/**/*.test.ts', 'src/**/*.test.ts', 'tests/*.test.ts'],
          exclude: [VIEWS],
        },
      },
      {
        ...shared,
        // Views are mounted as in a browser.
        resolve: { ...shared.resolve, conditions: ['browser'] },
        test: {
          ...shared.test,
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
