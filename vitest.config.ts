import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  // State of the views is written in runes.
  plugins: [svelte()],
  resolve: {
    alias: {
      $lib: new URL('./src/lib', import.meta.url).pathname,
      '@dictionaries': new URL('./node_modules', import.meta.url).pathname,
    },
  },
  test: {
    include: ['packages/**/*.test.ts', 'src/**/*.test.ts', 'tests/*.test.ts'],
    testTimeout: 300_000,
    // The engine is loaded once for all files of a worker: it keeps no state of its own.
    isolate: false,
  },
});
